import { useCallback } from 'react';
import { infiniteQueryOptions, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { EntryCorrectDto } from '#contract/entries.ts';
import type { Kind } from '#core/log/kinds.ts';
import { call } from '../../shared/api.ts';

export const knownQuery = queryOptions({
  queryKey: ['known'],
  queryFn: ({ signal }) => call('known', { signal }),
  staleTime: 60_000,
});

export const entriesQuery = (buildId: string, kinds: readonly Kind[], q: string) =>
  infiniteQueryOptions({
    queryKey: ['entries', buildId, [...kinds].sort().join(','), q],
    queryFn: ({ signal, pageParam }) =>
      call('entriesList', {
        params: { buildId },
        query: { kinds: kinds.join(','), q, before: pageParam },
        signal,
      }),
    initialPageParam: '',
    getNextPageParam: (page) => page.older ?? undefined,
  });

/** What is open on a car: what a line may be about. */
export const openThingsQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['open', buildId],
    queryFn: ({ signal }) => call('openThings', { params: { buildId }, signal }),
    staleTime: 30_000,
  });

/** Everything that an entry of this build may change. */
export function useBuildChanged(): (buildId: string) => void {
  const client = useQueryClient();
  return useCallback(
    (buildId) => {
      for (const queryKey of [
        ['floor'],
        ['plan'],
        ['waits'],
        ['parts', buildId],
        ['parts-desk'],
        ['pieces', buildId],
        ['outwork'],
        ['build', buildId],
        ['entries', buildId],
        ['letters', buildId],
        ['questions', buildId],
        ['walk'],
        ['estimate', buildId],
        ['inspection', buildId],
        ['symptoms', buildId],
        ['work', buildId],
        ['open', buildId],
        ['costs', buildId],
        ['costs-desk'],
        ['bench', buildId],
        ['snags', buildId],
        ['invoices'],
        ['hours'],
        ['photos', buildId],
        ['vehicle', buildId],
        ['proposals', buildId],
        ['known'],
      ])
        void client.invalidateQueries({ queryKey });
    },
    [client],
  );
}

export function useCorrectEntry(buildId: string) {
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (body: EntryCorrectDto) => call('entryCorrect', { params: { buildId }, body }),
    onSuccess: () => changed(buildId),
  });
}

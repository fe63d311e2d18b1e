import { useCallback } from 'react';
import { infiniteQueryOptions, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { EntryCorrectDto } from '#contract/entries.ts';
import type { Kind } from '#core/log/kinds.ts';
import { call } from '../../shared/api.ts';
import { keyOf, reading, readTouched } from '../../shared/reading.ts';

export const knownQuery = queryOptions({
  ...reading('known'),
  staleTime: 60_000,
});

export const entriesQuery = (buildId: string, kinds: readonly Kind[], q: string) =>
  infiniteQueryOptions({
    queryKey: keyOf('entriesList', buildId, [...kinds].sort().join(','), q),
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
    ...reading('openThings', { params: { buildId } }),
    staleTime: 30_000,
  });

/** Reads again everything that entries of these builds may change. */
export function useBuildChanged(): (...buildIds: string[]) => void {
  const client = useQueryClient();
  return useCallback((...buildIds) => readTouched(client, new Set(buildIds)), [client]);
}

export function useCorrectEntry(buildId: string) {
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (body: EntryCorrectDto) => call('entryCorrect', { params: { buildId }, body }),
    onSuccess: () => changed(buildId),
  });
}

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

/** What an entry of any build may change. */
const OF_SHOP = new Set<unknown>([
  'floor',
  'plan',
  'waits',
  'parts-desk',
  'outwork',
  'walk',
  'costs-desk',
  'invoices',
  'hours',
  'known',
]);

/** What an entry of the build may change whose id stands second in the key. */
const OF_BUILD = new Set<unknown>([
  'parts',
  'pieces',
  'build',
  'entries',
  'letters',
  'questions',
  'estimate',
  'inspection',
  'symptoms',
  'work',
  'jobs',
  'open',
  'costs',
  'bench',
  'snags',
  'photos',
  'vehicle',
  'proposals',
]);

/** Reads again everything that entries of these builds may change. */
export function useBuildChanged(): (...buildIds: string[]) => void {
  const client = useQueryClient();
  return useCallback(
    (...buildIds) => {
      const changed = new Set<unknown>(buildIds);
      void client.invalidateQueries({
        predicate: ({ queryKey: [what, of] }) => OF_SHOP.has(what) || (OF_BUILD.has(what) && changed.has(of)),
      });
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

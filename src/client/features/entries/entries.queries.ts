import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query';
import type { EntryCorrectDto } from '#contract/entries.ts';
import type { Kind } from '#core/log/kinds.ts';
import { call } from '../../shared/api.ts';
import { useChange } from '../../shared/changing.ts';
import { keyOf, reading } from '../../shared/reading.ts';

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

export const useCorrectEntry = (buildId: string) =>
  useChange('entryCorrect', (body: EntryCorrectDto) => ({ params: { buildId }, body }));

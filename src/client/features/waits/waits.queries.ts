import { queryOptions } from '@tanstack/react-query';
import type { BuildWaitView } from '#contract/waits.ts';
import type { Hold } from '#core/waits/binding.ts';
import { call } from '../../shared/api.ts';

export const waitsQuery = queryOptions({
  queryKey: ['waits'],
  queryFn: ({ signal }) => call('waitsRead', { signal }),
});

/** Everything that holds a car up, what ends last in front. */
export const holdsOf = (held: BuildWaitView | undefined): Hold[] =>
  held === undefined ? [] : [...(held.binding ? [held.binding] : []), ...held.others];

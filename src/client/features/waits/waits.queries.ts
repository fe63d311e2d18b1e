import { queryOptions } from '@tanstack/react-query';
import type { WaitsView } from '#contract/waits.ts';
import { call } from '../../shared/api.ts';

export const waitsQuery = queryOptions({
  queryKey: ['waits'],
  queryFn: ({ signal }) => call<WaitsView>('waitsRead', { signal }),
});

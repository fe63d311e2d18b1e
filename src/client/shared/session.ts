import { queryOptions } from '@tanstack/react-query';
import { call } from './api.ts';

/** Who is signed in, and where. */
export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: ({ signal }) => call('sessionRead', { signal }),
  staleTime: Infinity,
});

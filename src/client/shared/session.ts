import { queryOptions } from '@tanstack/react-query';
import type { SessionView } from '#contract/session.ts';
import { call } from './api.ts';

/** Who is signed in, and where. */
export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: ({ signal }) => call<SessionView>('sessionRead', { signal }),
  staleTime: Infinity,
});

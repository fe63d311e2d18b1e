import { queryOptions } from '@tanstack/react-query';
import { call } from '../../shared/api.ts';

const LOOK_AGAIN_MS = 5 * 60_000;

export const upkeepQuery = queryOptions({
  queryKey: ['upkeep'],
  queryFn: ({ signal }) => call('upkeepRead', { signal }),
  refetchInterval: LOOK_AGAIN_MS,
});

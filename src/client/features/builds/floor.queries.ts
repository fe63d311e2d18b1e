import { queryOptions } from '@tanstack/react-query';
import { call } from '../../shared/api.ts';

export const floorQuery = queryOptions({
  queryKey: ['floor'],
  queryFn: ({ signal }) => call('floor', { signal }),
});

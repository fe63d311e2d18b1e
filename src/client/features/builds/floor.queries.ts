import { queryOptions } from '@tanstack/react-query';
import type { FloorView } from '#contract/builds.ts';
import { call } from '../../shared/api.ts';

export const floorQuery = queryOptions({
  queryKey: ['floor'],
  queryFn: ({ signal }) => call<FloorView>('floor', { signal }),
});

import { queryOptions } from '@tanstack/react-query';
import { reading } from '../../shared/reading.ts';

const LOOK_AGAIN_MS = 5 * 60_000;

export const upkeepQuery = queryOptions({
  ...reading('upkeepRead'),
  refetchInterval: LOOK_AGAIN_MS,
});

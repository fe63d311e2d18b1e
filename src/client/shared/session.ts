import { queryOptions } from '@tanstack/react-query';
import { reading } from './reading.ts';

/** Who is signed in, and where. */
export const sessionQuery = queryOptions({
  ...reading('sessionRead'),
  staleTime: Infinity,
});

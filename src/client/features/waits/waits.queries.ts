import { queryOptions } from '@tanstack/react-query';
import { call } from '../../shared/api.ts';

export const waitsQuery = queryOptions({
  queryKey: ['waits'],
  queryFn: ({ signal }) => call('waitsRead', { signal }),
});

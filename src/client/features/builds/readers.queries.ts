import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { ReaderDto } from '#contract/readers.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { readOf } from '../../shared/reading.ts';

export const readersQuery = (buildId: string) => readOf('readersList', { params: { buildId } });

/** Adds with a body, takes away without one. */
export function useReader(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: ({ readerId, body }: { readerId: string; body?: ReaderDto }) =>
      body
        ? call('readerPut', { params: { buildId, readerId }, body })
        : call('readerDrop', { params: { buildId, readerId } }),
    onSuccess: (all) => {
      client.setQueryData(readersQuery(buildId).queryKey, all);
      changed(buildId);
    },
  });
}

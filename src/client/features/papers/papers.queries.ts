import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { call } from '../../shared/api.ts';
import { keyOf, reading } from '../../shared/reading.ts';

export const papersQuery = (buildId: string) =>
  queryOptions({
    ...reading('papersList', { params: { buildId } }),
    select: (r) => r.papers,
  });

function usePaperChange<V>(buildId: string, change: (value: V) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSettled: () => client.invalidateQueries({ queryKey: keyOf('papersList', buildId) }),
  });
}

export const useAddPaper = (buildId: string) =>
  usePaperChange(buildId, (file: File) =>
    call('paperUpload', { params: { buildId, paperId: uuidv7() }, file }),
  );
export const useGivePaper = (buildId: string) =>
  usePaperChange(buildId, ({ id, given }: { id: string; given: boolean }) =>
    call('paperGive', { params: { paperId: id }, body: { given } }),
  );
export const useDropPaper = (buildId: string) =>
  usePaperChange(buildId, (paperId: string) => call('paperDrop', { params: { paperId } }));

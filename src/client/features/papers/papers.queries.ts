import { queryOptions } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { useChange } from '../../shared/changing.ts';
import { reading } from '../../shared/reading.ts';

export const papersQuery = (buildId: string) =>
  queryOptions({
    ...reading('papersList', { params: { buildId } }),
    select: (r) => r.papers,
  });

export const useAddPaper = (buildId: string) =>
  useChange('paperUpload', (file: File) => ({ params: { buildId, paperId: uuidv7() }, file }));
export const useGivePaper = () =>
  useChange('paperGive', ({ id, given }: { id: string; given: boolean }) => ({
    params: { paperId: id },
    body: { given },
  }));
export const useDropPaper = () => useChange('paperDrop', (paperId: string) => ({ params: { paperId } }));

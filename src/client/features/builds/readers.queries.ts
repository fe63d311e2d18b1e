import type { ReaderDto } from '#contract/readers.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const readersQuery = (buildId: string) => readOf('readersList', { params: { buildId } });

export const usePutReader = (buildId: string) =>
  useChange('readerPut', ({ readerId, body }: { readerId: string; body: ReaderDto }) => ({
    params: { buildId, readerId },
    body,
  }));

export const useDropReader = (buildId: string) =>
  useChange('readerDrop', (readerId: string) => ({ params: { buildId, readerId } }));

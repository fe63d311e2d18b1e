import { useMutation, useQueryClient } from '@tanstack/react-query';
import type {
  BatchBackDto,
  BatchDropDto,
  BatchPutDto,
  BatchSendDto,
  OutworkView,
  PieceActDto,
  PiecePutDto,
  PiecesView,
  PieceToPartDto,
} from '#contract/outwork.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const outworkQuery = readOf('outworkRead');

export const piecesQuery = (buildId: string) => readOf('piecesRead', { params: { buildId } });

/** A change of one piece; the server answers with the pieces of its car. */
function usePieceChange<B>(
  change: (at: { buildId: string; pieceId: string }, body: B) => Promise<PiecesView>,
) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: ({ buildId, pieceId, body }: { buildId: string; pieceId: string; body: B }) =>
      change({ buildId, pieceId }, body),
    onSuccess: (view, { buildId }) => {
      client.setQueryData(piecesQuery(buildId).queryKey, view);
      changed(buildId);
    },
    onError: (_, { buildId }) => changed(buildId),
  });
}

export const usePutPiece = () =>
  usePieceChange((params, body: PiecePutDto) => call('piecePut', { params, body }));
export const useActOnPiece = () =>
  usePieceChange((params, body: PieceActDto) => call('pieceAct', { params, body }));
export const useReplacePiece = () =>
  usePieceChange((params, body: PieceToPartDto) => call('pieceToPart', { params, body }));

/** A change of one batch; the server answers with all outwork, and the news of each car comes by itself. */
function useBatchChange<B>(change: (at: { batchId: string }, body: B) => Promise<OutworkView>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ batchId, body }: { batchId: string; body: B }) => change({ batchId }, body),
    onSuccess: (view) => {
      client.setQueryData(outworkQuery.queryKey, view);
      void client.invalidateQueries({ queryKey: keyOf('piecesRead') });
    },
    onError: () => client.invalidateQueries({ queryKey: outworkQuery.queryKey }),
  });
}

export const usePutBatch = () =>
  useBatchChange((params, body: BatchPutDto) => call('batchPut', { params, body }));
export const useDropBatch = () =>
  useBatchChange((params, body: BatchDropDto) => call('batchDrop', { params, body }));
export const useSendBatch = () =>
  useBatchChange((params, body: BatchSendDto) => call('batchSend', { params, body }));
export const useReturnBatch = () =>
  useBatchChange((params, body: BatchBackDto) => call('batchBack', { params, body }));

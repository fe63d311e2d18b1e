import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
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
import type { RouteName } from '#contract/access.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';

export const outworkQuery = queryOptions({
  queryKey: ['outwork'],
  queryFn: ({ signal }) => call<OutworkView>('outworkRead', { signal }),
});

export const piecesQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['pieces', buildId],
    queryFn: ({ signal }) => call<PiecesView>('piecesRead', { params: { buildId }, signal }),
  });

/** A change of one piece; the server answers with the pieces of its car. */
function usePieceChange<B extends object>(name: RouteName) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: ({ buildId, pieceId, body }: { buildId: string; pieceId: string; body: B }) =>
      call<PiecesView>(name, { params: { buildId, pieceId }, body }),
    onSuccess: (view, { buildId }) => {
      client.setQueryData(piecesQuery(buildId).queryKey, view);
      changed(buildId);
    },
    onError: (_, { buildId }) => changed(buildId),
  });
}

export const usePutPiece = () => usePieceChange<PiecePutDto>('piecePut');
export const useActOnPiece = () => usePieceChange<PieceActDto>('pieceAct');
export const useReplacePiece = () => usePieceChange<PieceToPartDto>('pieceToPart');

/** A change of one batch; the server answers with all outwork, and the news of each car comes by itself. */
function useBatchChange<B extends object>(name: RouteName) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ batchId, body }: { batchId: string; body: B }) =>
      call<OutworkView>(name, { params: { batchId }, body }),
    onSuccess: (view) => {
      client.setQueryData(outworkQuery.queryKey, view);
      void client.invalidateQueries({ queryKey: ['pieces'] });
    },
    onError: () => client.invalidateQueries({ queryKey: outworkQuery.queryKey }),
  });
}

export const usePutBatch = () => useBatchChange<BatchPutDto>('batchPut');
export const useDropBatch = () => useBatchChange<BatchDropDto>('batchDrop');
export const useSendBatch = () => useBatchChange<BatchSendDto>('batchSend');
export const useReturnBatch = () => useBatchChange<BatchBackDto>('batchBack');

import type {
  BatchBackDto,
  BatchDropDto,
  BatchPutDto,
  BatchSendDto,
  PieceActDto,
  PiecePutDto,
  PieceToPartDto,
} from '#contract/outwork.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const outworkQuery = readOf('outworkRead');

export const piecesQuery = (buildId: string) => readOf('piecesRead', { params: { buildId } });

interface OfPiece<B> {
  buildId: string;
  pieceId: string;
  body: B;
}
const ofPiece = <B>({ body, ...params }: OfPiece<B>) => ({ params, body });

export const usePutPiece = () => useChange('piecePut', ofPiece<PiecePutDto>);
export const useActOnPiece = () => useChange('pieceAct', ofPiece<PieceActDto>);
export const useReplacePiece = () => useChange('pieceToPart', ofPiece<PieceToPartDto>);

interface OfBatch<B> {
  batchId: string;
  body: B;
}
const ofBatch = <B>({ body, ...params }: OfBatch<B>) => ({ params, body });

export const usePutBatch = () => useChange('batchPut', ofBatch<BatchPutDto>);
export const useDropBatch = () => useChange('batchDrop', ofBatch<BatchDropDto>);
export const useSendBatch = () => useChange('batchSend', ofBatch<BatchSendDto>);
export const useReturnBatch = () => useChange('batchBack', ofBatch<BatchBackDto>);

/** Routes of outwork. */
import type {
  BatchBackDto,
  BatchDropDto,
  BatchPutDto,
  BatchSendDto,
  OutworkView,
  PieceActDto,
  PiecePutDto,
  PieceStandDto,
  PieceToPartDto,
  PiecesView,
} from './outwork.ts';
import { EVERYBODY } from './access.ts';
import { del, get, post, put } from './route.ts';

export const outworkRoutes = {
  outworkRead: get('/api/outwork', EVERYBODY).of('every build').answers<OutworkView>(),
  piecesRead: get('/api/builds/:buildId/pieces', EVERYBODY).answers<PiecesView>(),
  piecePut: put('/api/builds/:buildId/pieces/:pieceId', EVERYBODY).takes<PiecePutDto>().answers<PiecesView>(),
  pieceAct: post('/api/builds/:buildId/pieces/:pieceId/act', EVERYBODY)
    .takes<PieceActDto>()
    .answers<PiecesView>(),
  pieceStand: put('/api/builds/:buildId/pieces/:pieceId/place', EVERYBODY)
    .takes<PieceStandDto>()
    .answers<PiecesView>(),
  pieceToPart: post('/api/builds/:buildId/pieces/:pieceId/part', EVERYBODY)
    .takes<PieceToPartDto>()
    .answers<PiecesView>(),
  batchPut: put('/api/batches/:batchId', EVERYBODY).takes<BatchPutDto>().answers<OutworkView>(),
  batchDrop: del('/api/batches/:batchId', EVERYBODY).takes<BatchDropDto>().answers<OutworkView>(),
  batchSend: post('/api/batches/:batchId/send', EVERYBODY).takes<BatchSendDto>().answers<OutworkView>(),
  batchBack: post('/api/batches/:batchId/back', EVERYBODY).takes<BatchBackDto>().answers<OutworkView>(),
  batchPdf: get('/api/batches/:batchId/pdf', EVERYBODY),
} as const;

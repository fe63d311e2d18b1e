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

const outworkRead = get('/api/outwork', EVERYBODY).of('every build').answers<OutworkView>();

const piecesRead = get('/api/builds/:buildId/pieces', EVERYBODY).answers<PiecesView>();

export const outworkRoutes = {
  outworkRead,
  piecesRead,
  piecePut: put('/api/builds/:buildId/pieces/:pieceId', EVERYBODY).takes<PiecePutDto>().answersAs(piecesRead),
  pieceAct: post('/api/builds/:buildId/pieces/:pieceId/act', EVERYBODY)
    .takes<PieceActDto>()
    .answersAs(piecesRead),
  pieceStand: put('/api/builds/:buildId/pieces/:pieceId/place', EVERYBODY)
    .takes<PieceStandDto>()
    .answersAs(piecesRead),
  pieceToPart: post('/api/builds/:buildId/pieces/:pieceId/part', EVERYBODY)
    .takes<PieceToPartDto>()
    .answersAs(piecesRead),
  batchPut: put('/api/batches/:batchId', EVERYBODY)
    .takes<BatchPutDto>()
    .answersAs(outworkRead)
    .of('every build'),
  batchDrop: del('/api/batches/:batchId', EVERYBODY)
    .takes<BatchDropDto>()
    .answersAs(outworkRead)
    .of('every build'),
  batchSend: post('/api/batches/:batchId/send', EVERYBODY)
    .takes<BatchSendDto>()
    .answersAs(outworkRead)
    .of('every build'),
  batchBack: post('/api/batches/:batchId/back', EVERYBODY)
    .takes<BatchBackDto>()
    .answersAs(outworkRead)
    .of('every build'),
  batchPdf: get('/api/batches/:batchId/pdf', EVERYBODY),
} as const;

import {
  BatchBackDto,
  BatchDropDto,
  BatchPutDto,
  BatchSendDto,
  PieceActDto,
  PiecePutDto,
  PieceStandDto,
  PieceToPartDto,
} from '#contract/outwork.ts';
import type { Deps } from '../../deps.ts';
import { sendFile } from '../../http/outFile.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { dropBatch, putBatch, returnBatch, sendBatch } from './batches.service.ts';
import { printManifest } from './manifest.service.ts';
import { readOutwork, readPieces } from './outworkNow.ts';
import { actOnPiece, putPiece, replacePiece, standPiece } from './pieces.service.ts';

export function outworkRoutes(deps: Deps): Feature {
  return {
    outworkRead: handler({ run: ({ who }) => readOutwork(deps, who) }),
    piecesRead: handler({ run: ({ who, params }) => readPieces(deps, who, params.buildId!) }),
    piecePut: handler({
      body: PiecePutDto,
      run: ({ who, params, body }) => putPiece(deps, who, params.buildId!, params.pieceId!, body),
    }),
    pieceAct: handler({
      body: PieceActDto,
      run: ({ who, params, body }) => actOnPiece(deps, who, params.buildId!, params.pieceId!, body),
    }),
    pieceStand: handler({
      body: PieceStandDto,
      run: ({ who, params, body }) => standPiece(deps, who, params.buildId!, params.pieceId!, body),
    }),
    pieceToPart: handler({
      body: PieceToPartDto,
      run: ({ who, params, body }) => replacePiece(deps, who, params.buildId!, params.pieceId!, body),
    }),
    batchPut: handler({
      body: BatchPutDto,
      run: ({ who, params, body }) => putBatch(deps, who, params.batchId!, body),
    }),
    batchDrop: handler({
      body: BatchDropDto,
      run: ({ who, params, body }) => dropBatch(deps, who, params.batchId!, body),
    }),
    batchSend: handler({
      body: BatchSendDto,
      run: ({ who, params, body }) => sendBatch(deps, who, params.batchId!, body),
    }),
    batchBack: handler({
      body: BatchBackDto,
      run: ({ who, params, body }) => returnBatch(deps, who, params.batchId!, body),
    }),
    batchPdf: handler({
      run: async ({ who, params, res }) => sendFile(res, await printManifest(deps, who, params.batchId!)),
    }),
  };
}

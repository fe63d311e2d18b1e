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
import type { Feature } from '../../http/routes.ts';
import { dropBatch, putBatch, returnBatch, sendBatch } from './batches.service.ts';
import { printManifest } from './manifest.service.ts';
import { readOutwork, readPieces } from './outworkNow.ts';
import { actOnPiece, putPiece, replacePiece, standPiece } from './pieces.service.ts';

export function outworkRoutes(deps: Deps): Feature {
  return {
    outworkRead: { run: ({ who }) => readOutwork(deps, who) },
    piecesRead: { run: ({ who, params }) => readPieces(deps, who, params.buildId) },
    piecePut: {
      body: PiecePutDto,
      run: ({ who, params, body }) => putPiece(deps, who, params.buildId, params.pieceId, body),
    },
    pieceAct: {
      body: PieceActDto,
      run: ({ who, params, body }) => actOnPiece(deps, who, params.buildId, params.pieceId, body),
    },
    pieceStand: {
      body: PieceStandDto,
      run: ({ who, params, body }) => standPiece(deps, who, params.buildId, params.pieceId, body),
    },
    pieceToPart: {
      body: PieceToPartDto,
      run: ({ who, params, body }) => replacePiece(deps, who, params.buildId, params.pieceId, body),
    },
    batchPut: {
      body: BatchPutDto,
      run: ({ who, params, body }) => putBatch(deps, who, params.batchId, body),
    },
    batchDrop: {
      body: BatchDropDto,
      run: ({ who, params, body }) => dropBatch(deps, who, params.batchId, body),
    },
    batchSend: {
      body: BatchSendDto,
      run: ({ who, params, body }) => sendBatch(deps, who, params.batchId, body),
    },
    batchBack: {
      body: BatchBackDto,
      run: ({ who, params, body }) => returnBatch(deps, who, params.batchId, body),
    },
    batchPdf: {
      run: async ({ who, params, res }) => sendFile(res, await printManifest(deps, who, params.batchId)),
    },
  };
}

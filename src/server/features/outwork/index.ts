/** What other features may use of this one. */
export { awayByTask, awayPieces, type AwayPiece } from './away.ts';
export { preparePiece, revisePiece, takeBackOfPiece } from './line.ts';
export { numberOf } from './outworkNow.ts';

/** What other features may use of this one. */
export { awayByTask, awayPieces, type AwayPiece } from './away.ts';
export { takeBackOfPiece } from './doing.ts';
export { preparePiece, revisePiece } from './line.ts';
export { numberOf } from './outworkNow.ts';

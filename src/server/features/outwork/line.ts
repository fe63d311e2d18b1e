/** What is away from a car, as a line of the log brings it back: whole, and right as far as it was looked at. */
import type { DoneAct } from '#core/acts/acts.ts';
import type { PieceState } from '#core/outwork/outwork.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { Prepare, TakeBack } from '../entries/index.ts';
import { returnIn } from './batches.service.ts';
import * as q from './outwork.queries.ts';

/** How a piece and its batch stood before it came back. */
interface PieceBefore {
  version: number;
  state: PieceState;
  batchId: string;
  back: number;
  words: string;
  backAt: string | null;
  batchState: q.BatchRow['state'];
  batchBackAt: string | null;
}

export const preparePiece: Prepare = async ({ tx, deps, build, line, act }) => {
  const [piece] = await q.piecesById(tx, [act.id]);
  if (piece?.build_id !== build.id) throw notFound('piece');
  const batch = piece.batch_id === null ? undefined : await q.batchForUpdate(tx, piece.batch_id);
  if (!batch || batch.state === 'filling') throw invalidAt('does', `“${piece.content.what}” is not out`);
  const went = (await q.piecesInBatches(tx, [batch.id])).find((p) => p.piece_id === piece.id)!;
  const count = went.sent - went.back;
  if (count <= 0) throw invalidAt('does', `“${piece.content.what}” is back already`);
  const before: PieceBefore = {
    version: piece.version,
    state: piece.state,
    batchId: batch.id,
    back: went.back,
    words: went.words,
    backAt: went.back_at,
    batchState: batch.state,
    batchBackAt: batch.back_at,
  };
  return {
    done: { act: 'come back', type: 'piece', id: piece.id, before },
    perform: async () => {
      const came = [{ pieceId: piece.id, count, check: 'right' as const }];
      await returnIn(tx, deps, batch, { actId: line.id, came, isAll: false });
    },
  };
};

export const takeBackOfPiece: TakeBack = async (tx, _deps, done, entryId) => {
  const { id, before } = done as DoneAct<PieceBefore>;
  const [piece] = await q.piecesById(tx, [id]);
  if (!piece || before === null) return;
  if (piece.version !== before.version + 1)
    throw new Refusal(
      'conflict',
      `Something was done with “${piece.content.what}” since: take that back first. Nothing was changed.`,
    );
  await q.setPiece(tx, { id, state: before.state, batchId: before.batchId });
  await q.restoreReturn(tx, { pieceId: id, actId: entryId, ...before });
};

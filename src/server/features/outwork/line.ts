/** What is away from a car, as a line of the log names it: waited for, or back, right as far as it was looked at. */
import type { DoneAct, LineAct } from '#core/acts/acts.ts';
import { dayOf, type Day } from '#core/time/days.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidAt, notFound } from '../../http/refusal.ts';
import type { LineCall, Prepare, Prepared, Revision } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import { returnIn } from './batches.service.ts';
import { backBefore, doneTo, type PromiseBefore } from './doing.ts';
import * as q from './outwork.queries.ts';

/** Lays a day that a line names over what was promised before it; without one, or with the same, nothing changes. */
async function promise(tx: Tx, before: PromiseBefore, due: Day | undefined, given: Day): Promise<void> {
  const { batchId, promised, promisedBefore } = before;
  const isNew = due !== undefined && due !== promised;
  const was = isNew && promised !== null ? [{ was: promised, given }] : [];
  await q.setPromise(tx, {
    batchId,
    promised: isNew ? due : promised,
    promisedBefore: [...promisedBefore, ...was],
  });
}

/** Waiting for a piece: the line points at it, and a day that it names is the whole batch’s. */
async function expected({ tx, deps, line, act }: LineCall, batch: q.BatchRow): Promise<Prepared> {
  const before: PromiseBefore = {
    batchId: batch.id,
    promised: batch.promised,
    promisedBefore: batch.promised_before,
  };
  return {
    done: doneTo('expect', act.id, before),
    perform: async () => {
      const given = dayOf(deps.clock.now(), (await shopOf(tx)).timeZone);
      await promise(tx, before, line.facts.due, given);
    },
  };
}

export const preparePiece: Prepare = async (call) => {
  const { tx, deps, build, line, act } = call;
  const [piece] = await q.piecesById(tx, [act.id]);
  if (piece?.build_id !== build.id) throw notFound('piece');
  const batch = piece.batch_id === null ? undefined : await q.batchForUpdate(tx, piece.batch_id);
  if (!batch || batch.state === 'filling') throw invalidAt('does', `“${piece.content.what}” is not out`);
  if (act.act === ('expect' satisfies LineAct)) return expected(call, batch);
  const went = (await q.piecesInBatches(tx, [batch.id])).find((p) => p.piece_id === piece.id)!;
  const toCome = went.sent - went.back;
  if (toCome <= 0) throw invalidAt('does', `“${piece.content.what}” is back already`);
  const count = act.count ?? toCome;
  if (count > toCome) throw invalidAt('does', `of “${piece.content.what}” only ${toCome} are still to come`);
  return {
    done: doneTo('come back', piece.id, backBefore(piece, batch, went)),
    perform: async () => {
      const came = [{ pieceId: piece.id, count, check: 'right' as const }];
      await returnIn(tx, deps, batch, { actId: line.id, came, isAll: false });
    },
  };
};

/** The day follows the facts of its entry when they are put right, unless another was named since. */
export async function revisePiece(tx: Tx, deps: Deps, done: DoneAct, { was, now }: Revision): Promise<void> {
  if (done.act !== ('expect' satisfies LineAct)) return;
  const before = done.before as PromiseBefore;
  const batch = await q.batchForUpdate(tx, before.batchId);
  if (batch?.promised !== (was.due ?? before.promised)) return;
  const given = dayOf(deps.clock.now(), (await shopOf(tx)).timeZone);
  await promise(tx, before, now.due, given);
}

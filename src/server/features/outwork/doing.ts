/** What is done to a piece, whoever says it and where: how its entry keeps it, and how it is taken back. */
import type { DoneAct } from '#core/acts/acts.ts';
import type { PieceState } from '#core/outwork/outwork.ts';
import { whyNotMove } from '#core/plan/floorPlan.ts';
import type { Tx } from '../../db/pool.ts';
import { Refusal } from '../../http/refusal.ts';
import { actedSince, doneSince, entryNow, standingNow, type TakeBack } from '../entries/index.ts';
import * as q from './outwork.queries.ts';
import { shareOut } from './shares.ts';

/** Where a piece stood before it was put somewhere. */
interface PlaceBefore extends q.PieceStanding {
  placeId: string | null;
  isLarge: boolean;
}

/** How a piece stood in its batch before it went with it. */
interface SentBefore extends q.PieceStanding {
  batchId: string;
  promised: string | null;
  actId: string;
}

/** How a piece and its batch stood before it came back. */
interface BackBefore extends q.PieceStanding {
  batchId: string;
  back: number;
  words: string;
  backAt: string | null;
  batchState: q.BatchRow['state'];
  batchBackAt: string | null;
  /** What the batch knows the return by; the entry itself where it is absent. */
  actId?: string;
}

/** What a vendor promised before a line said another day. */
export interface PromiseBefore {
  batchId: string;
  promised: string | null;
  promisedBefore: q.BatchRow['promised_before'];
}

/** What can be done to a piece, each with how things stood before; null where the piece was not written down yet. */
interface PieceActs {
  'take off': null;
  'on the car': q.PieceStanding;
  'off again': q.PieceStanding;
  replace: q.PieceStanding;
  stand: PlaceBefore;
  send: SentBefore;
  'come back': BackBefore;
  expect: PromiseBefore;
}
export type PieceAct = keyof PieceActs;
type Before = PieceActs[PieceAct];

/** The act as its entry keeps it. */
export const doneTo = <A extends PieceAct>(act: A, id: string, before: PieceActs[A]): DoneAct<Before> => ({
  act,
  type: 'piece',
  id,
  before,
});

/** A piece that comes back, and its batch, as they stand now. */
export const backBefore = (
  piece: q.PieceRow,
  batch: q.BatchRow,
  { back, words, back_at: backAt }: Pick<q.BatchPieceRow, 'back' | 'words' | 'back_at'>,
): BackBefore => ({
  ...q.standingOf(piece),
  batchId: batch.id,
  back,
  words,
  backAt,
  batchState: batch.state,
  batchBackAt: batch.back_at,
});

async function takeBackPromise(tx: Tx, before: PromiseBefore, entryId: string): Promise<void> {
  const { due } = (await entryNow(tx, entryId))!.facts;
  if (due === undefined || due === before.promised) return;
  const batch = await q.batchForUpdate(tx, before.batchId);
  if (batch?.promised !== due)
    throw new Refusal(
      'conflict',
      'Another day was named since: put that right where it stands. Nothing was changed.',
    );
  await q.setPromise(tx, before);
}

/** It stands where it stood, unless something large stands there by now. */
async function takeBackPlace(tx: Tx, piece: q.PieceRow, { placeId, isLarge }: PlaceBefore): Promise<void> {
  const { places, standing } = await standingNow(tx);
  const place = places.find((p) => p.id === placeId);
  const refused = place && isLarge ? whyNotMove(piece.id, place, places, standing) : null;
  if (refused !== null)
    throw new Refusal('conflict', `“${piece.content.what}” cannot go back: ${refused}. Nothing was changed.`);
  await q.standPiece(tx, { id: piece.id, placeId: place?.id ?? null, isLarge });
}

/**
 * It did not go: what is left in the batch shares its price. The pieces of the last car lie in it again, and it has not gone; those of
 * a car before that lie on their piles.
 */
async function takeBackSent(tx: Tx, piece: q.PieceRow, before: SentBefore): Promise<void> {
  const { batchId } = before;
  const batch = (await q.batchForUpdate(tx, batchId))!;
  if (await q.isInvoiced(tx, batchId))
    throw new Refusal(
      'conflict',
      'The batch is on an invoice: take it off there first. Nothing was changed.',
    );
  await q.dropBatchPiece(tx, { batchId, pieceId: piece.id });
  const went = (await q.piecesInBatches(tx, [batchId])).filter((w) => w.piece_id !== piece.id);
  const rest = await q.piecesById(
    tx,
    went.map((w) => w.piece_id),
  );
  const isEmptied = rest.every((r) => r.build_id === piece.build_id);
  if (isEmptied && batch.state !== 'filling') await q.unsendBatch(tx, { id: batchId, ...before });
  await q.setPiece(tx, { id: piece.id, state: before.state, batchId: isEmptied ? batchId : null });
  if (!isEmptied) await shareOut(batch, rest, (p) => q.setPieceShare(tx, p));
}

/** The states in which an act leaves a piece. */
const LEFT: Readonly<Record<Exclude<PieceAct, 'expect'>, readonly PieceState[]>> = {
  'take off': ['off'],
  'on the car': ['on'],
  'off again': ['ready'],
  replace: ['replaced'],
  stand: ['off', 'ready'],
  send: ['out'],
  // Out, where some of it is still to come.
  'come back': ['ready', 'off', 'missing', 'out'],
};

/** Takes back what an entry did to a piece; refused where something was done with it since. */
export const takeBackOfPiece: TakeBack = async (tx, deps, done, entryId) => {
  const { id, before: kept } = done as DoneAct<Before>;
  const act = done.act as PieceAct;
  if (act === 'expect')
    return kept === null ? undefined : takeBackPromise(tx, kept as PromiseBefore, entryId);
  const [piece] = await q.piecesById(tx, [id]);
  if (!piece) return;
  const isLaid = act !== 'stand' && piece.state === 'off' && piece.batch_id !== null;
  if (isLaid || !LEFT[act].includes(piece.state) || (await actedSince(tx, entryId, done)))
    throw doneSince(piece.content.what);
  if (kept === null) return void (await q.removePiece(tx, { id, now: deps.clock.now() }));
  if (act === 'stand') return takeBackPlace(tx, piece, kept as PlaceBefore);
  if (act === 'send') return takeBackSent(tx, piece, kept as SentBefore);
  if (act === 'come back') {
    const back = kept as BackBefore;
    const batch = await q.batchById(tx, back.batchId);
    // It is to have another treatment by now.
    if (batch?.treatment !== piece.treatment) throw doneSince(piece.content.what);
    await q.restoreReturn(tx, { pieceId: id, actId: entryId, ...back });
  }
  const { state, batchId } = kept as q.PieceStanding;
  await q.setPiece(tx, { id, state, batchId });
};

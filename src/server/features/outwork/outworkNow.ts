/** Outwork as it stands: pieces and batches as they are shown. */
import type { BatchView, OutworkView, PiecesView, PieceView } from '#contract/outwork.ts';
import { codeOf } from '#core/codes/codes.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail } from '../builds/index.ts';
import { seesPrices } from '../entries/index.ts';
import { LOOK_DIGITS } from '../photos/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './outwork.queries.ts';

/** Batches that came back and are still shown. */
const MOST_BACK = 20;
/** Past batches that an expectation may rest on. */
export const MOST_PAST = 500;

export const numberOf = (n: number): string => `O-${String(n).padStart(3, '0')}`;

const batchWords = (b: { number: number; treatment: string; vendor: string }): string =>
  `${numberOf(b.number)}, ${b.treatment}, ${b.vendor}`;

function pieceView(p: q.PieceRow): PieceView {
  const { what, count, bag, note, entryId } = p.content;
  return {
    id: p.id,
    version: p.version,
    buildId: p.build_id,
    nickname: p.nickname,
    customer: p.customer,
    buildPromised: p.build_promised,
    entryId,
    what,
    count,
    bag,
    note,
    treatment: p.treatment,
    state: p.state,
    batchId: p.batch_id,
    placeId: p.place_id,
    place: p.place,
    isLarge: p.is_large,
    batch: p.batch && batchWords(p.batch),
    taskId: p.task_id,
    task: p.task,
    code: codeOf(p.id),
    photo: p.photo && { id: p.photo.id, look: p.photo.shown_hash.slice(0, LOOK_DIGITS) },
    been: (p.been ?? []).map(batchWords),
  };
}

function batchView(
  b: q.BatchRow,
  pieces: BatchView['pieces'],
  timeZone: string,
  withPrices: boolean,
): BatchView {
  const day = (instant: string | null): string | null => (instant === null ? null : dayOf(instant, timeZone));
  return {
    id: b.id,
    version: b.version,
    number: numberOf(b.number),
    vendor: b.vendor,
    treatment: b.treatment,
    state: b.state,
    promised: b.promised,
    promisedBefore: b.promised_before,
    sentOn: day(b.sent_at),
    backOn: day(b.back_at),
    note: b.note,
    code: codeOf(b.id),
    pieces,
    ...(withPrices && b.price_minor !== null ? { priceMinor: b.price_minor } : {}),
  };
}

async function batchViews(
  tx: Tx,
  who: SignedIn,
  batches: readonly q.BatchRow[],
  pieces: ReadonlyMap<string, PieceView>,
): Promise<BatchView[]> {
  const { timeZone } = await shopOf(tx);
  const went = await q.piecesInBatches(
    tx,
    batches.map((b) => b.id),
  );
  return batches.map((b) => {
    const own = went.flatMap(({ batch_id, piece_id, sent, back, words }) => {
      const piece = pieces.get(piece_id);
      return batch_id === b.id && piece ? [{ ...piece, sent, back, words }] : [];
    });
    own.sort((x, y) =>
      x.nickname === y.nickname ? (x.what < y.what ? -1 : 1) : x.nickname < y.nickname ? -1 : 1,
    );
    return batchView(b, own, timeZone, seesPrices(who));
  });
}

export async function outworkNow(tx: Tx, who: SignedIn): Promise<OutworkView> {
  const batches = await q.batchesOfShop(tx, MOST_BACK);
  const ids = batches.map((b) => b.id);
  const pieces = (await q.piecesOfShop(tx, ids)).map(pieceView);
  const { timeZone } = await shopOf(tx);
  return {
    pieces: pieces.filter((p) => p.state !== 'on' && p.state !== 'replaced'),
    batches: await batchViews(tx, who, batches, new Map(pieces.map((p) => [p.id, p]))),
    past: await q.pastBatches(tx, timeZone, MOST_PAST),
  };
}

/** One batch with its pieces, wherever it is. */
export async function batchNow(tx: Tx, who: SignedIn, id: string): Promise<BatchView | undefined> {
  const row = await q.batchById(tx, id);
  if (!row) return undefined;
  const ids = (await q.piecesInBatches(tx, [id])).map((p) => p.piece_id);
  const pieces = (await q.piecesById(tx, ids)).map(pieceView);
  return (await batchViews(tx, who, [row], new Map(pieces.map((p) => [p.id, p]))))[0];
}

export const piecesNow = async (tx: Tx, buildId: string): Promise<PiecesView> => ({
  buildId,
  pieces: (await q.piecesOfBuild(tx, buildId)).map(pieceView),
  tasks: await q.tasksToDo(tx, buildId),
});

export const readOutwork = (deps: Deps, who: SignedIn): Promise<OutworkView> =>
  inShop(deps.db, who.shopId, (tx) => outworkNow(tx, who));

export const readPieces = (deps: Deps, who: SignedIn, buildId: string): Promise<PiecesView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildDetail(tx, buildId))) throw notFound('build');
    return piecesNow(tx, buildId);
  });

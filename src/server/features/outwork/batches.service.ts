/** Batches: filled, sent with what was ticked into the box, back piece by piece. Each car's logbook says what went and came. */
import type {
  BatchBackDto,
  BatchDropDto,
  BatchPutDto,
  BatchSendDto,
  OutworkView,
} from '#contract/outwork.ts';
import type { DoneAct } from '#core/acts/acts.ts';
import { canonical } from '#core/approval/canonical.ts';
import type { LoggedKind } from '#core/capture/understood.ts';
import type { Facts } from '#core/log/kinds.ts';
import {
  afterReturn,
  thingsInWords,
  whyNotBack,
  whyNotInBatch,
  type CameBack,
  TREATMENT_WORK,
} from '#core/outwork/outwork.ts';
import { dayOf, formatDay } from '#core/time/days.ts';
import { holdName } from '../../db/lock.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, invalidFields, notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate } from '../builds/index.ts';
import { logIn, seesPrices } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import { backBefore, doneTo } from './doing.ts';
import { numberOf, outworkNow } from './outworkNow.ts';
import * as q from './outwork.queries.ts';
import { shareOut } from './shares.ts';

type Fields = { field: string; reason: string }[];

const changing = (
  deps: Deps,
  who: SignedIn,
  batchId: string,
  change: (tx: Tx, batch: q.BatchRow | undefined) => Promise<unknown>,
): Promise<OutworkView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    // A new batch has no row to hold yet, and takes the next number of the shop.
    await holdName(tx, 'batches');
    await change(tx, await q.batchForUpdate(tx, batchId));
    return outworkNow(tx, who);
  });

/** The pieces, held with their builds; builds in the order of their ids, so that two acts do not wait for each other. */
async function holdPieces(tx: Tx, ids: readonly string[]): Promise<q.PieceRow[]> {
  const found = await q.piecesById(tx, ids);
  for (const id of [...new Set(found.map((p) => p.build_id))].sort()) await buildForUpdate(tx, id);
  const held = await q.piecesById(tx, ids);
  if (held.length < new Set(ids).size) throw invalidAt('pieceIds', 'a piece is not there any more');
  return held;
}

const coreOf = (p: q.PieceRow) => ({
  id: p.id,
  what: p.content.what,
  count: p.content.count,
  treatment: p.treatment,
  state: p.state,
  batchId: p.batch_id,
});

function refuseStrangers(pieces: readonly q.PieceRow[], batch: Pick<q.BatchRow, 'id' | 'treatment'>): void {
  const fields = pieces.flatMap((p): Fields => {
    const reason = whyNotInBatch(coreOf(p), batch);
    return reason === null ? [] : [{ field: 'pieceIds', reason }];
  });
  if (fields.length > 0) throw invalidFields(fields);
}

/** Says the same of a batch in the logbook of each of its cars. */
async function tellCars(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  pieces: readonly q.PieceRow[],
  batchId: string,
  say: (own: readonly q.PieceRow[]) => {
    kind: LoggedKind;
    text: string;
    facts?: Facts;
    shopOnly?: boolean;
    acts?: DoneAct[];
  },
): Promise<void> {
  for (const buildId of [...new Set(pieces.map((p) => p.build_id))].sort()) {
    const build = (await buildForUpdate(tx, buildId))!;
    const { shopOnly = false, ...said } = say(pieces.filter((p) => p.build_id === buildId));
    await logIn(tx, deps, build, {
      ...said,
      ...(shopOnly ? { audience: 'shop' as const } : {}),
      personId: who.personId,
      about: { type: 'batch', id: batchId },
    });
  }
}

const listed = (things: readonly { what: string; count: number }[]): string =>
  things.map(thingsInWords).join(', ');

/** What may still change once a batch is out: the day it is promised for, its price, a word. */
async function changeOut(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  known: q.BatchRow,
  kept: q.KeptBatch,
): Promise<void> {
  if (kept.vendor !== known.vendor || kept.treatment !== known.treatment)
    throw invalidAt('vendor', 'it is out: to whom and for what stands on its manifest');
  const { timeZone, locale } = await shopOf(tx);
  const today = dayOf(deps.clock.now(), timeZone);
  const moved = kept.promised !== known.promised;
  const promisedBefore =
    moved && known.promised !== null
      ? [...known.promised_before, { was: known.promised, given: today }]
      : known.promised_before;
  await q.saveBatch(tx, { ...kept, promisedBefore });
  const went = (await q.piecesInBatches(tx, [known.id])).map((p) => p.piece_id);
  const pieces = await holdPieces(tx, went);
  await shareOut({ id: known.id, price_minor: kept.priceMinor }, pieces, (p) => q.setPieceShare(tx, p));
  if (!moved || kept.promised === null) return;
  await tellCars(tx, deps, who, pieces, known.id, (own) => ({
    kind: 'note',
    text: `${listed(own.map((p) => p.content))}: ${known.vendor} now says ${formatDay(kept.promised!, locale)}${known.promised ? `, before that ${formatDay(known.promised, locale)}` : ''}`,
    facts: { vendor: known.vendor, due: kept.promised! },
    shopOnly: true,
  }));
}

/** Begins a batch (version 0), fills it, or changes what may still change. A technician leaves its price as it was. */
export const putBatch = (deps: Deps, who: SignedIn, id: string, dto: BatchPutDto): Promise<OutworkView> =>
  changing(deps, who, id, async (tx, known) => {
    const kept: q.KeptBatch = {
      id,
      vendor: dto.vendor.trim(),
      treatment: dto.treatment,
      promised: dto.promised ?? null,
      promisedBefore: known?.promised_before ?? [],
      priceMinor: seesPrices(who) ? (dto.priceMinor ?? null) : (known?.price_minor ?? null),
      note: dto.note.trim(),
    };
    const now = known && {
      id,
      vendor: known.vendor,
      treatment: known.treatment,
      promised: known.promised,
      promisedBefore: known.promised_before,
      priceMinor: known.price_minor,
      note: known.note,
    };
    const inIt = known ? (await q.piecesInBatches(tx, [id])).map((p) => p.piece_id).sort() : [];
    const wanted = [...new Set(dto.pieceIds)].sort();
    if (known && canonical([now, inIt]) === canonical([kept, wanted])) return;
    if ((known?.version ?? 0) !== dto.version) throw changedMeanwhile('this batch', known);
    if (known && known.state !== 'filling') return changeOut(tx, deps, who, known, kept);
    const pieces = await holdPieces(tx, wanted);
    refuseStrangers(pieces, { id, treatment: dto.treatment });
    if (known) await q.saveBatch(tx, kept);
    else await q.insertBatch(tx, { ...kept, now: deps.clock.now() });
    await q.fillBatch(tx, id, wanted);
  });

/** Takes a batch that has not gone apart again; its pieces lie on their piles. */
export const dropBatch = (deps: Deps, who: SignedIn, id: string, dto: BatchDropDto): Promise<OutworkView> =>
  changing(deps, who, id, async (tx, known) => {
    if (!known) return;
    if (known.state !== 'filling') throw invalidAt('version', 'it has gone already');
    if (known.version !== dto.version) throw changedMeanwhile('this batch', known);
    await q.fillBatch(tx, id, []);
    await q.dropBatch(tx, id);
  });

/** Sends exactly what was ticked into the box. The rest stays on its pile, in no batch. */
export const sendBatch = (deps: Deps, who: SignedIn, id: string, dto: BatchSendDto): Promise<OutworkView> =>
  changing(deps, who, id, async (tx, batch) => {
    if (!batch) throw notFound('batch');
    if (batch.acts.includes(dto.actId)) return;
    if (batch.version !== dto.version) throw changedMeanwhile('this batch', batch);
    if (batch.state !== 'filling') throw invalidAt('version', 'it has gone already');
    if (dto.pieceIds.length === 0) throw invalidAt('pieceIds', 'tick what is in the box');
    const pieces = await holdPieces(tx, dto.pieceIds);
    refuseStrangers(pieces, batch);
    const promised = dto.promised ?? batch.promised;
    await q.fillBatch(tx, id, dto.pieceIds);
    await q.sendBatch(tx, { id, actId: dto.actId, promised, now: deps.clock.now() });
    for (const p of pieces) await q.setPiece(tx, { id: p.id, state: 'out', batchId: id });
    const shares = await shareOut(batch, pieces, (p) => q.insertBatchPiece(tx, p));
    const sent = (p: q.PieceRow): DoneAct =>
      doneTo('send', p.id, {
        state: p.state,
        batchId: id,
        promised: batch.promised,
        actId: dto.actId,
      });
    await tellCars(tx, deps, who, pieces, id, (own) => {
      const moneyMinor = own.reduce((sum, p) => sum + shares.get(p.id)!, 0);
      return {
        kind: 'ordered',
        text: `sent to ${batch.vendor} for ${TREATMENT_WORK[batch.treatment]}: ${listed(own.map((p) => p.content))} (${numberOf(batch.number)})`,
        facts: {
          subject: `${TREATMENT_WORK[batch.treatment]} of ${listed(own.map((p) => p.content))}`.slice(0, 200),
          vendor: batch.vendor,
          ...(promised === null ? {} : { due: promised }),
          ...(moneyMinor > 0 ? { moneyMinor } : {}),
        },
        acts: own.map(sent),
      };
    });
  });

/** What each car hears of a return: what is here, what is not right, what is missing. */
function returnWords(
  batch: q.BatchRow,
  own: readonly q.PieceRow[],
  came: ReadonlyMap<string, CameBack>,
  lacking: ReadonlyMap<string, number>,
): { kind: LoggedKind; text: string; facts: Facts } {
  const here = own.flatMap((p) => {
    const c = came.get(p.id);
    return c ? [{ what: p.content.what, count: c.count, check: c.check, note: c.note?.trim() ?? '' }] : [];
  });
  const good = here.filter((h) => h.check === 'right');
  const bad = here.filter((h) => h.check !== 'right');
  const gone = own.flatMap((p) => {
    const count = lacking.get(p.id) ?? 0;
    return count > 0 ? [{ what: p.content.what, count }] : [];
  });
  const parts = [
    good.length > 0 && `back from ${batch.vendor}: ${listed(good)}`,
    ...bad.map((b) => `${b.check} from ${batch.vendor}: ${thingsInWords(b)}${b.note ? `, ${b.note}` : ''}`),
    gone.length > 0 && `missing from ${numberOf(batch.number)}, ${batch.vendor}: ${listed(gone)}`,
  ].filter((w): w is string => w !== false);
  const onlyGood = bad.length === 0 && gone.length === 0;
  return {
    kind: onlyGood ? 'arrived' : 'note',
    text: parts.join('; '),
    facts: {
      subject: `${TREATMENT_WORK[batch.treatment]} of ${listed(here.length > 0 ? here : gone)}`.slice(0, 200),
      vendor: batch.vendor,
    },
  };
}

/** Checks a batch in, piece by piece; with `isAll`, what is not there is missing from this day. */
export const returnBatch = (deps: Deps, who: SignedIn, id: string, dto: BatchBackDto): Promise<OutworkView> =>
  changing(deps, who, id, async (tx, batch) => {
    if (!batch) throw notFound('batch');
    if (batch.acts.includes(dto.actId)) return;
    if (batch.version !== dto.version) throw changedMeanwhile('this batch', batch);
    if (batch.state === 'filling') throw invalidAt('version', 'it has not gone yet');
    if (dto.came.length === 0 && !dto.isAll) throw invalidAt('came', 'tick what came back');
    const went = new Map((await q.piecesInBatches(tx, [id])).map((w) => [w.piece_id, w]));
    const { touched, came, lacking } = await returnIn(tx, deps, batch, dto);
    await tellCars(tx, deps, who, touched, id, (own) => ({
      ...returnWords(batch, own, came, lacking),
      acts: own.map((p) =>
        doneTo('come back', p.id, { ...backBefore(p, batch, went.get(p.id)!), actId: dto.actId }),
      ),
    }));
  });

/** Checks pieces of a batch in, inside a transaction that says so; answers what is here now and what is missing. */
export async function returnIn(
  tx: Tx,
  deps: Deps,
  batch: q.BatchRow,
  dto: Pick<BatchBackDto, 'actId' | 'came' | 'isAll'>,
): Promise<{ touched: q.PieceRow[]; came: Map<string, CameBack>; lacking: Map<string, number> }> {
  const { id } = batch;
  const went = await q.piecesInBatches(tx, [id]);
  const pieces = await holdPieces(
    tx,
    went.map((w) => w.piece_id),
  );
  const byId = new Map(pieces.map((p) => [p.id, p]));
  const sent = went.map(({ piece_id, sent: n, back }) => ({
    pieceId: piece_id,
    what: byId.get(piece_id)!.content.what,
    sent: n,
    back,
  }));
  const faults = whyNotBack(sent, dto.came);
  if (faults.length > 0) throw invalidFields(faults);
  const isAll = dto.isAll || batch.state === 'back';
  const came = new Map<string, CameBack>(dto.came.map((c) => [c.pieceId, c]));
  const now = deps.clock.now();
  const after = afterReturn(sent, dto.came, isAll);
  for (const a of after) {
    const c = came.get(a.pieceId);
    const before = byId.get(a.pieceId)!;
    if (c) {
      const words = c.check === 'right' ? '' : `${c.check}: ${c.note!.trim()}`;
      await q.saveReturn(tx, { batchId: id, pieceId: a.pieceId, back: a.back, words, now });
    }
    // What came back whole earlier has gone its own way since.
    if (c || before.state === 'out')
      await q.setPiece(tx, {
        id: a.pieceId,
        state: a.state,
        batchId: a.state === 'ready' || a.state === 'off' ? null : id,
      });
  }
  await q.returnBatch(tx, { id, actId: dto.actId, isBack: after.every((a) => a.state !== 'out'), now });
  const lacking = new Map(
    after
      .filter((a) => isAll && a.lacking > 0 && byId.get(a.pieceId)!.state === 'out')
      .map((a) => [a.pieceId, a.lacking]),
  );
  const touched = pieces.filter((p) => came.has(p.id) || lacking.has(p.id));
  return { touched, came, lacking };
}

/** Parts, as a line of the log acts on them: ordered, received, fitted. */
import { v7 as uuidv7 } from 'uuid';
import type { DoneAct, LineAct } from '#core/acts/acts.ts';
import { canonical } from '#core/approval/canonical.ts';
import { inTwo, UNSAID, type PartAct, type PartDone, type PartState } from '#core/parts/parts.ts';
import type { Tx } from '../../db/pool.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import {
  doneSince,
  entryNow,
  seesPrices,
  type LineCall,
  type Prepare,
  type Prepared,
  type Revision,
  type TakeBack,
} from '../entries/index.ts';
import { doneTo, doToPart, refuseUndoable, takeBackPart, type PartBefore } from './doing.ts';
import * as q from './parts.queries.ts';
import { nameIn, needed, reviseNeed, takeBackChange, takeBackNeed } from './written.ts';

/** The most of one part. */
const MOST = 100_000;

/** Writes down a part that nobody had written down before. */
async function newPart({ tx, deps, build, line, act }: LineCall): Promise<q.PartRow> {
  const { subject, quantity = 1 } = line.facts;
  if (subject === undefined) throw invalidAt('facts.subject', 'say which part');
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > MOST)
    throw invalidAt('facts.quantity', 'a whole number of parts, at least one');
  const content = {
    what: nameIn(line.facts),
    quantity,
    number: '',
    catalogue: '',
    instead: '',
    source: 'supplier' as const,
    sourceNote: '',
  };
  const vendor = act.act === 'need' ? (line.facts.vendor ?? '') : '';
  const made = { id: act.id, buildId: build.id, lineId: null, donorId: null, content, vendor };
  await q.insertPart(tx, { ...made, now: deps.clock.now() });
  return (await q.partById(tx, act.id))!;
}

/** What the line does with the part, as the parts page would say it; null where it only points at it. */
function partDone({ line, act, who }: LineCall, part: q.PartRow): (PartDone & { costMinor?: number }) | null {
  const { vendor, due, moneyMinor } = line.facts;
  // Whoever sees no prices does not change one that is there.
  const isPriced = part.content.costMinor !== undefined || part.content.priceMinor !== undefined;
  const takesMoney =
    moneyMinor !== undefined && (act.act === 'order' ? seesPrices(who) || !isPriced : !isPriced);
  const paid = takesMoney ? { costMinor: moneyMinor } : {};
  switch (act.act) {
    case 'order':
      return { act: 'order', isByLine: true, vendor, due, ...paid };
    case 'receive':
      return { act: 'arrive', check: act.check ?? 'right', note: line.text, vendor, ...paid };
    case 'expect':
      // Only what is ordered has a day.
      return part.state === 'ordered' && due !== undefined && due !== part.due
        ? { act: 'new date', due }
        : null;
    default:
      return { act: 'fit', fate: UNSAID, ...paid };
  }
}

/** How a part stood before some of it came: it stays on order, and what came is a part of its own. */
interface SomeBefore {
  state: PartState;
  content: q.PartContent;
  /** What stayed on order. */
  rest: q.PartContent;
  someId: string;
}
const SOME_CAME = 'arrive in part';

/** So many of a part came: it becomes two, one here and one on order, as if it had been ordered so. */
async function someCame(
  { tx, who, line, at }: LineCall,
  part: q.PartRow,
  done: PartDone,
  count: number,
): Promise<Prepared> {
  const { what, quantity } = part.content;
  if (count > quantity) throw invalidAt('does', `there are only ${quantity} of “${what}”`);
  if (await q.isInvoiced(tx, part.id))
    throw new Refusal(
      'conflict',
      `“${what}” is on an invoice as a whole: its count cannot be parted. Nothing was kept.`,
    );
  const someId = uuidv7();
  const [some, rest] = inTwo(part.content, count);
  const before: SomeBefore = { state: part.state, content: part.content, rest, someId };
  return {
    done: { act: SOME_CAME, type: 'part', id: part.id, before },
    perform: async () => {
      await q.insertLike(tx, { id: someId, like: part.id, content: some, vendor: part.vendor });
      await q.saveOrder(tx, { id: part.id, content: rest, vendor: part.vendor, due: part.due });
      const came = (await q.partById(tx, someId))!;
      await doToPart(tx, who, came, done, { id: line.id, words: line.text.trim(), at });
    },
  };
}

/** It is one part on order again, unless something was done with either since. */
async function someGoBack(
  tx: Tx,
  now: string,
  { id, before }: DoneAct<SomeBefore>,
  entryId: string,
): Promise<void> {
  const { state, content, rest, someId } = before!;
  const [part, some] = [await q.partById(tx, id), await q.partById(tx, someId)];
  const isSame = part?.state === state && canonical(part.content) === canonical(rest);
  if (!isSame || some?.history.at(-1)?.entryId !== entryId) throw doneSince(content.what);
  await q.removePart(tx, someId, now);
  await q.saveOrder(tx, { id, content, vendor: part.vendor, due: part.due });
}

/** Acts that may be of a part that nobody has written down yet. */
const MAKING: readonly LineAct[] = ['order', 'need'];

export const preparePart: Prepare = async (call) => {
  const { tx, who, build, line, act } = call;
  const known = await q.partById(tx, act.id);
  if (known ? known.build_id !== build.id : !MAKING.includes(act.act)) throw notFound('part');
  if (known && act.act === 'need')
    throw invalidAt('does', `“${known.content.what}” is on the parts list already`);
  const part = known ?? (await newPart(call));
  if (act.act === 'need') return { done: needed(part.id), perform: async () => {} };
  const done = partDone(call, part);
  if (done === null) {
    refuseUndoable(part, { act: 'arrive', check: 'right' });
    return { done: doneTo(part, act.act), perform: async () => {} };
  }
  refuseUndoable(part, done);
  if (done.act === 'arrive' && act.count !== undefined && act.count !== part.content.quantity)
    return someCame(call, part, done, act.count);
  const record = doneTo(part, done.act);
  return {
    done: known ? record : { ...record, before: null },
    perform: () => doToPart(tx, who, part, done, { id: line.id, words: line.text.trim(), at: call.at }),
  };
};

export const takeBackOfPart: TakeBack = async (tx, deps, done, entryId) => {
  if (done.act === ('need' satisfies LineAct)) return takeBackNeed(tx, deps, done, entryId);
  if (done.act === 'change') return takeBackChange(tx, done, entryId);
  if (done.act === SOME_CAME) return someGoBack(tx, deps.clock.now(), done as DoneAct<SomeBefore>, entryId);
  if (done.act === ('expect' satisfies LineAct)) {
    // It changed nothing, unless a day was put into it since, which still stands.
    const { due } = (await entryNow(tx, entryId))!.facts;
    if (due !== undefined && (await q.partById(tx, done.id))?.due === due)
      await q.setDue(tx, done.id, (done as DoneAct<PartBefore>).before!.due);
    return;
  }
  await takeBackPart(tx, deps, done as DoneAct<PartBefore>, entryId);
};

/**
 * A part follows the facts of its entry when they are put right: what was ordered, what it costs, from whom; for when, unless another
 * day was named since.
 */
export async function revisePart(
  tx: LineCall['tx'],
  done: DoneAct,
  revision: Revision,
  entryId: string,
): Promise<void> {
  if (done.act === ('need' satisfies LineAct)) return reviseNeed(tx, done, revision);
  const { was, now: facts } = revision;
  const part = await q.partById(tx, done.id);
  if (done.act === ('expect' satisfies LineAct) || done.act === ('new date' satisfies PartAct)) {
    const before = (done as DoneAct<PartBefore>).before!.due;
    if (part?.state === 'ordered' && part.due === (was.due ?? before))
      await q.setDue(tx, part.id, facts.due ?? before);
    return;
  }
  if (done.act !== ('order' satisfies LineAct)) return;
  if (!part?.history.some((h) => h.entryId === entryId)) return;
  const { subject, quantity, vendor, due, moneyMinor } = facts;
  const isOwn = done.before === null;
  // What each of two parts costs, and how many they are, is theirs: the order as a whole says it no more.
  const isOfAll = quantity !== was.quantity || moneyMinor !== was.moneyMinor;
  if (isOfAll && (await q.wasParted(tx, part, entryId))) throw doneSince(part.content.what);
  const content = {
    ...part.content,
    ...(isOwn && subject !== undefined ? { what: nameIn(facts) } : {}),
    ...(isOwn && isOfAll && quantity !== undefined && Number.isInteger(quantity) && quantity >= 1
      ? { quantity }
      : {}),
    ...(moneyMinor === undefined || !isOfAll ? {} : { costMinor: moneyMinor }),
  };
  await q.saveOrder(tx, {
    id: part.id,
    content,
    vendor: vendor ?? part.vendor,
    due: part.state === 'ordered' && part.due === (was.due ?? null) ? (due ?? null) : part.due,
  });
}

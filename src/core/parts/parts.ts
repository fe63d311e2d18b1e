/** Parts: from what is needed to what is fitted, what is wrong with it, and what becomes of the old one. */
import { groupBy } from '../lists/groupBy.ts';
import { allocate } from '../money/money.ts';
import type { Day } from '../time/days.ts';

export const PART_STATES = [
  'to find',
  'to order',
  'ordered',
  'arrived',
  'fitted',
  'wrong',
  'returned',
] as const;
export type PartState = (typeof PART_STATES)[number];

/** Where a part comes from. */
export const SOURCES = ['supplier', 'customer', 'second-hand', 'donor vehicle', 'made in the shop'] as const;
export type Source = (typeof SOURCES)[number];

/** How it was when it was looked at on arrival. */
export const CHECKS = ['right', 'wrong', 'damaged', 'faulty when tested'] as const;
export type Check = (typeof CHECKS)[number];

/** What becomes of the part that it replaces. */
export const FATES = [
  'bagged',
  'returned to the customer',
  'kept as a pattern',
  'core to send back',
  'scrapped',
  'kept until the customer says',
  'there was none',
  'not said yet',
] as const;
export type Fate = (typeof FATES)[number];

export const PART_ACTS = [
  'found',
  'order',
  'arrive',
  'new date',
  'fit',
  'failed',
  'send back',
  'core sent',
  'credited',
  'old one settled',
  'take up again',
] as const;
export type PartAct = (typeof PART_ACTS)[number];

/** From which states an act is possible, and where it leads. `arrive` leads to `wrong` when the check is not right. */
type Moving = Exclude<PartAct, 'core sent' | 'credited' | 'old one settled'>;
const LEADS: Record<Moving, { from: readonly PartState[]; to: PartState }> = {
  found: { from: ['to find'], to: 'to order' },
  order: { from: ['to find', 'to order'], to: 'ordered' },
  'new date': { from: ['ordered'], to: 'ordered' },
  arrive: { from: ['ordered', 'to find', 'to order'], to: 'arrived' },
  // What is on the car was here, whether anybody said so or not.
  fit: { from: ['arrived', 'ordered'], to: 'fitted' },
  failed: { from: ['fitted'], to: 'wrong' },
  'send back': { from: ['wrong', 'arrived'], to: 'returned' },
  'take up again': { from: ['wrong', 'returned', 'fitted'], to: 'to order' },
};

/** How the old part stands for which a deposit was paid; null where there is none. */
export const CORES = ['to send', 'sent', 'credited'] as const;
export type Core = (typeof CORES)[number];

export interface PartNow {
  state: PartState;
  core: Core | null;
  /** Money that came back for it already. */
  creditMinor: number;
  /** What became of the part that it replaced; null while it is not fitted. */
  oldFate: Fate | null;
}

/** The fate of an old part that its owner was asked about and has not answered. */
export const ASKED = 'kept until the customer says' satisfies Fate;
/** Fitted by a line of the log, which does not say what became of the old one. */
export const UNSAID = 'not said yet' satisfies Fate;
/** Fates that are still to be settled. */
const UNSETTLED: readonly (Fate | null)[] = [ASKED, UNSAID];
/** What an old part can be settled as. */
export const SETTLED_FATES: readonly Fate[] = FATES.filter((f) => !UNSETTLED.includes(f));

/** Whether an act is possible now. A credit is owed for what went back, and for a core that was sent. */
function canDo({ state, core, creditMinor, oldFate }: PartNow, act: PartAct): boolean {
  if (act === 'old one settled') return state === 'fitted' && UNSETTLED.includes(oldFate);
  if (act === 'core sent') return core === 'to send';
  if (act === 'credited') return core === 'sent' || (state === 'returned' && creditMinor === 0);
  return LEADS[act].from.includes(state);
}

/** What can be done with a part as it is, the usual next act first. */
export const actsFor = (part: PartNow): PartAct[] => PART_ACTS.filter((a) => canDo(part, a));

export interface PartDone {
  act: PartAct;
  vendor?: string | undefined;
  due?: Day | undefined;
  check?: Check | undefined;
  fate?: Fate | undefined;
  bag?: string | undefined;
  note?: string | undefined;
  /** What came back for it, in minor units. */
  creditMinor?: number | undefined;
  /** What a faulty one broke, the minutes it cost, and whether the old one is in again. */
  broke?: string | undefined;
  lostMinutes?: number | undefined;
  oldIsBack?: boolean | undefined;
  /** Said by a line of the log, which may leave open from whom it was ordered. */
  isByLine?: boolean | undefined;
}

/** Why this cannot be done with a part, by field; empty where it can. */
export function whyNotDone(part: PartNow, done: PartDone): { field: string; reason: string }[] {
  if (!canDo(part, done.act))
    return [{ field: 'act', reason: `it is ${part.state}: that cannot be done with it now` }];
  const missing = (field: keyof PartDone, reason: string): { field: string; reason: string }[] =>
    done[field] === undefined || String(done[field]).trim() === '' ? [{ field, reason }] : [];
  switch (done.act) {
    case 'order':
      return done.isByLine ? [] : missing('vendor', 'say from whom');
    case 'credited':
      return missing('creditMinor', 'say how much came back');
    case 'failed':
      return missing('note', 'say what is wrong with it');
    case 'new date':
      return missing('due', 'say when it is expected now');
    case 'arrive':
      return [
        ...missing('check', 'look at it: is it right?'),
        ...(done.check && done.check !== 'right' ? missing('note', 'say what is wrong with it') : []),
      ];
    case 'old one settled':
      if (done.fate !== undefined && !SETTLED_FATES.includes(done.fate))
        return [{ field: 'fate', reason: 'say what became of it' }];
      return [
        ...missing('fate', 'say what became of it'),
        ...(done.fate === 'bagged' ? missing('bag', 'give the number of the bag') : []),
      ];
    case 'fit':
      return [
        ...missing('fate', 'say what becomes of the old one'),
        ...(done.fate === 'bagged' ? missing('bag', 'give the number of the bag') : []),
      ];
    default:
      return [];
  }
}

/** Where an act leaves a part. */
export function stateAfter({ state }: Pick<PartNow, 'state'>, { act, check }: PartDone): PartState {
  if (act === 'core sent' || act === 'credited' || act === 'old one settled') return state;
  return act === 'arrive' && check !== 'right' ? 'wrong' : LEADS[act].to;
}

/** How the core stands after an act; only what was bought with a deposit has one. */
export function coreAfter({ core }: Pick<PartNow, 'core'>, { act, fate }: PartDone): Core | null {
  if (act === 'fit' || act === 'old one settled') return fate === 'core to send back' ? 'to send' : null;
  if (act === 'core sent') return 'sent';
  return act === 'credited' && core === 'sent' ? 'credited' : core;
}

/** What became of the old part after an act; what is taken up again has replaced nothing yet. */
export function fateAfter({ oldFate }: Pick<PartNow, 'oldFate'>, { act, fate }: PartDone): Fate | null {
  if (act === 'fit' || act === 'old one settled') return fate ?? null;
  return act === 'take up again' ? null : oldFate;
}

/** What is owed to the shop for a part: a credit for what went back, a deposit for its core; null where nothing is. */
export function owedFor({ state, core, creditMinor }: PartNow): 'core to send' | 'core' | 'credit' | null {
  if (core === 'to send') return 'core to send';
  if (core === 'sent') return 'core';
  return state === 'returned' && creditMinor === 0 ? 'credit' : null;
}

/** Whether a part is overdue: ordered, and its day is past. */
export const isOverdue = (p: { state: PartState; due: Day | null }, today: Day): boolean =>
  p.state === 'ordered' && p.due !== null && p.due < today;

/** Parts to order by supplier, so that one call serves several cars; those without one last. */
export function bySupplier<P extends { vendor: string }>(
  parts: readonly P[],
): { vendor: string; parts: P[] }[] {
  return [...groupBy(parts, (p) => p.vendor)]
    .map(([vendor, of]) => ({ vendor, parts: of }))
    .sort((a, b) =>
      a.vendor === ''
        ? 1
        : b.vendor === ''
          ? -1
          : b.parts.length - a.parts.length || (a.vendor < b.vendor ? -1 : 1),
    );
}

interface Counted {
  quantity: number;
  /** Minor units, of all of them together. */
  priceMinor?: number;
  costMinor?: number;
  depositMinor?: number;
}

/**
 * A part as two: so many of it, and the others. Prices go by number, and the two add up to what was there.
 *
 * @param count at least one, and fewer than there are
 */
export function inTwo<Content extends Counted>(
  content: Content,
  count: number,
): [some: Content, rest: Content] {
  const rest = content.quantity - count;
  if (count < 1 || rest < 1) throw new RangeError('fewer than there are, and at least one');
  const some = { ...content, quantity: count };
  const others = { ...content, quantity: rest };
  for (const price of ['priceMinor', 'costMinor', 'depositMinor'] as const) {
    const minor = content[price];
    if (minor !== undefined)
      [some[price], others[price]] = allocate(minor, [count, rest]) as [number, number];
  }
  return [some, others];
}

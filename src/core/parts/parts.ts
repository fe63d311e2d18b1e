/** Parts: from what is needed to what is fitted, what is wrong with it, and what becomes of the old one. */
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
  'there was none',
] as const;
export type Fate = (typeof FATES)[number];

export const PART_ACTS = [
  'found',
  'order',
  'arrive',
  'new date',
  'fit',
  'send back',
  'take up again',
] as const;
export type PartAct = (typeof PART_ACTS)[number];

/** From which states an act is possible, and where it leads. `arrive` leads to `wrong` when the check is not right. */
const LEADS: Record<PartAct, { from: readonly PartState[]; to: PartState }> = {
  found: { from: ['to find'], to: 'to order' },
  order: { from: ['to find', 'to order'], to: 'ordered' },
  'new date': { from: ['ordered'], to: 'ordered' },
  arrive: { from: ['ordered', 'to find', 'to order'], to: 'arrived' },
  fit: { from: ['arrived'], to: 'fitted' },
  'send back': { from: ['wrong', 'arrived'], to: 'returned' },
  'take up again': { from: ['wrong', 'returned', 'fitted'], to: 'to order' },
};

/** What can be done with a part as it is, the usual next act first. */
export const actsFor = (state: PartState): PartAct[] =>
  PART_ACTS.filter((a) => LEADS[a].from.includes(state));

export interface PartDone {
  act: PartAct;
  vendor?: string | undefined;
  due?: Day | undefined;
  check?: Check | undefined;
  fate?: Fate | undefined;
  bag?: string | undefined;
  note?: string | undefined;
}

/** Why this cannot be done with a part, by field; empty where it can. */
export function whyNotDone(state: PartState, done: PartDone): { field: string; reason: string }[] {
  if (!LEADS[done.act].from.includes(state))
    return [{ field: 'act', reason: `it is ${state}: that cannot be done with it now` }];
  const missing = (field: keyof PartDone, reason: string): { field: string; reason: string }[] =>
    done[field] === undefined || String(done[field]).trim() === '' ? [{ field, reason }] : [];
  switch (done.act) {
    case 'order':
      return missing('vendor', 'say from whom');
    case 'new date':
      return missing('due', 'say when it is expected now');
    case 'arrive':
      return [
        ...missing('check', 'look at it: is it right?'),
        ...(done.check && done.check !== 'right' ? missing('note', 'say what is wrong with it') : []),
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
export const stateAfter = ({ act, check }: PartDone): PartState =>
  act === 'arrive' && check !== 'right' ? 'wrong' : LEADS[act].to;

export interface Fits {
  /** Years that its catalogue says it fits; open where it says nothing. */
  fitsFrom?: number | undefined;
  fitsTo?: number | undefined;
}

/**
 * Why a part may not fit what it is meant for, or null: the year of the unit (by its own number or casting date), or else
 * of the vehicle, lies outside what the catalogue says.
 */
export function whyMayNotFit(
  { fitsFrom, fitsTo }: Fits,
  {
    unit,
    vehicleYear,
  }: { unit: { kind: string; year?: number | undefined } | null; vehicleYear: number | null },
): string | null {
  const year = unit?.year ?? vehicleYear;
  if (year === null || (fitsFrom === undefined && fitsTo === undefined)) return null;
  if ((fitsFrom ?? -Infinity) <= year && year <= (fitsTo ?? Infinity)) return null;
  const what = unit ? `the ${unit.kind}` : 'the car';
  const range =
    fitsFrom === undefined
      ? `up to ${fitsTo}`
      : fitsTo === undefined
        ? `from ${fitsFrom} on`
        : `${fitsFrom} to ${fitsTo}`;
  return `${what} is of ${year}, and its catalogue says ${range}`;
}

/** Whether a part is overdue: ordered, and its day is past. */
export const isOverdue = (p: { state: PartState; due: Day | null }, today: Day): boolean =>
  p.state === 'ordered' && p.due !== null && p.due < today;

/** Parts to order by supplier, so that one call serves several cars; those without one last. */
export function bySupplier<P extends { vendor: string }>(
  parts: readonly P[],
): { vendor: string; parts: P[] }[] {
  const groups = new Map<string, P[]>();
  for (const p of parts) groups.set(p.vendor, [...(groups.get(p.vendor) ?? []), p]);
  return [...groups]
    .map(([vendor, of]) => ({ vendor, parts: of }))
    .sort((a, b) =>
      a.vendor === ''
        ? 1
        : b.vendor === ''
          ? -1
          : b.parts.length - a.parts.length || (a.vendor < b.vendor ? -1 : 1),
    );
}

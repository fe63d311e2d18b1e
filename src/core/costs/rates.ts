/** What an hour costs the shop and what it is charged at, by person and kind of work, from a day on. */
import type { Work } from '../estimate/lines.ts';
import { addDays, type Day } from '../time/days.ts';

/** One rate. Minor units an hour; a figure that is null is left to the next wider rate. */
export interface Rate {
  /** Null: everybody. */
  personId: string | null;
  /** Null: every kind of work. */
  work: Work | null;
  from: Day;
  chargeMinor: number | null;
  costMinor: number | null;
}

export interface HourWorked {
  personId: string | null;
  /** Null where nobody said what kind of work it was. */
  work: Work | null;
  day: Day;
}

/** The day from which the first rates of a shop hold: before anything was worked. */
export const FROM_THE_BEGINNING: Day = '2000-01-01';

/** A person's own rate for a kind of work, then their own for all work, then everybody's for the kind, then for all. */
const narrowness = ({ personId, work }: Rate): number =>
  (personId === null ? 0 : 2) + (work === null ? 0 : 1);

/**
 * The rates of an hour on its day. Charge and cost are looked for apart: the narrowest rate that names the figure, and
 * of those the one that began last. 0 where none does.
 */
export function rateOn(rates: readonly Rate[], hour: HourWorked): { chargeMinor: number; costMinor: number } {
  const fits = rates
    .filter((r) => r.from <= hour.day)
    .filter((r) => r.personId === null || r.personId === hour.personId)
    .filter((r) => r.work === null || r.work === hour.work)
    .sort((a, b) => narrowness(b) - narrowness(a) || (a.from < b.from ? 1 : a.from > b.from ? -1 : 0));
  const first = (of: 'chargeMinor' | 'costMinor'): number => fits.find((r) => r[of] !== null)?.[of] ?? 0;
  return { chargeMinor: first('chargeMinor'), costMinor: first('costMinor') };
}

type Rates = ReturnType<typeof rateOn>;

/** What was found in a list of rates, as long as somebody holds the list: of all builds that are worked out with it. */
const found = new WeakMap<readonly Rate[], Map<string, Rates>>();

/** The same for many hours: of the same person, work and day it is looked for once. Nobody changes a list of rates. */
export function ratesByHour(rates: readonly Rate[]): (hour: HourWorked) => Rates {
  const known = found.get(rates) ?? new Map<string, Rates>();
  found.set(rates, known);
  return (hour) => {
    const key = `${hour.day} ${hour.personId} ${hour.work}`;
    let at = known.get(key);
    if (!at) known.set(key, (at = rateOn(rates, hour)));
    return at;
  };
}

/**
 * Why a rate cannot be kept, by field; empty where it can. A rate never rewrites what was worked before: it holds from
 * today or later. Only a person of whom no rate is known yet may be given one that holds for what they did already.
 */
export function whyNotRate(
  rates: readonly Rate[],
  rate: Rate,
  today: Day,
): { field: string; reason: string }[] {
  if (rate.chargeMinor === null && rate.costMinor === null)
    return [{ field: 'costMinor', reason: 'say what an hour costs, or what it is charged at' }];
  const isFirst = rate.personId !== null && !rates.some((r) => r.personId === rate.personId);
  if (rate.from < today && !isFirst)
    return [{ field: 'from', reason: 'from today or a later day: what was worked before keeps its rate' }];
  return rate.from > addDays(today, 3660) ? [{ field: 'from', reason: 'at most ten years ahead' }] : [];
}

/** A rate that has not begun may be taken back; one that held for a day stays for what was worked on it. */
export const whyNotDropRate = (rate: Pick<Rate, 'from'>, today: Day): string | null =>
  rate.from > today
    ? null
    : 'it holds already, and what was worked by it keeps it: give a new one from today instead';

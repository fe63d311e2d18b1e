/** Pauses of a build: while it rests for its customer's reasons, the clock of its promise stands, and storing it may cost. */
import { addDays, daysBetween, type Day } from '../time/days.ts';

export const PAUSE_SIDES = ['customer', 'shop'] as const;
/** For whose reasons it rests. The shop's own reasons move no promise and cost the customer nothing. */
export type PauseSide = (typeof PAUSE_SIDES)[number];

export interface Pause {
  side: PauseSide;
  reason: string;
  from: Day;
  /** The day it went on; null while it rests. */
  to: Day | null;
}

/** Days that these pauses took for the customer's reasons, from a day on; the day on which it goes on counts no more. */
export function pausedDays(pauses: readonly Pause[], since: Day | null, today: Day): number {
  return pauses
    .filter((p) => p.side === 'customer')
    .reduce((sum, p) => {
      const from = since !== null && since > p.from ? since : p.from;
      return sum + Math.max(0, daysBetween(from, p.to ?? today));
    }, 0);
}

/** The day a build is promised for, once the pauses since that day was given are taken off its clock. */
export const promiseNow = (
  promised: Day | null,
  givenOn: Day | null,
  pauses: readonly Pause[],
  today: Day,
): Day | null => (promised === null ? null : addDays(promised, pausedDays(pauses, givenOn, today)));

/** What it costs to have stored it for the customer's reasons: whole days, at the shop's price for a day. */
export const storageMinor = (pauses: readonly Pause[], perDayMinor: number, today: Day): number =>
  pausedDays(pauses, null, today) * perDayMinor;

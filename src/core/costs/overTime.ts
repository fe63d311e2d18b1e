/** How a build's money came about, day by day: what was agreed, spent, committed, and what was expected when. */
import { Z80 } from '../estimate/totals.ts';
import type { Day } from '../time/days.ts';
import { grossOf, type Posting, type Tax } from './costs.ts';

/** From a day on: what was agreed, with tax. */
export interface AgreedOn {
  day: Day;
  approvedMinor: number;
}

/** From a day on: what the whole was expected to come to, with tax. */
export interface ExpectedOn {
  day: Day;
  expectedMinor: number;
  /** Kept in one case of five, and in four of five. */
  p20Minor: number;
  p80Minor: number;
}

/** Minor units, with tax. */
export interface CostPoint {
  day: Day;
  approvedMinor: number;
  spentMinor: number;
  committedMinor: number;
}

/** A range around an expected sum by its spread: roughly normal, so one case of five lies below P20, one above P80. */
export const rangeOf = (
  expectedMinor: number,
  sdMinor: number,
): Pick<ExpectedOn, 'expectedMinor' | 'p20Minor' | 'p80Minor'> => ({
  expectedMinor,
  p20Minor: Math.max(0, expectedMinor - Math.round(Z80 * sdMinor)),
  p80Minor: expectedMinor + Math.round(Z80 * sdMinor),
});

/**
 * The spread of what is left. Each line keeps, for what is to go, the spread in proportion that its estimate had; lines
 * together as in an estimate's totals, with a share ρ of the uncertainty common to all: (1 − ρ) Σσ² + ρ (Σσ)².
 */
export function spreadToGo(
  lines: readonly { toGoMinor: number; estimatedMinor: number; sdMinor: number }[],
  sharedRisk: number,
): number {
  const sds = lines
    .filter((l) => l.estimatedMinor > 0)
    .map((l) => (l.sdMinor * l.toGoMinor) / l.estimatedMinor);
  const sum = sds.reduce((s, x) => s + x, 0);
  const squares = sds.reduce((s, x) => s + x ** 2, 0);
  return Math.sqrt((1 - sharedRisk) * squares + sharedRisk * sum ** 2);
}

/** The newest that held on a day. */
const holdingOn = <T extends { day: Day }>(of: readonly T[], day: Day): T | undefined =>
  of
    .filter((x) => x.day <= day)
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
    .at(-1);

/**
 * A point for each day on which something changed, and today. Only lines named count, each with its tax rounded as in its
 * own sums, so that the last point is the build's sums to the minor unit.
 */
export function costsOverTime(
  postings: readonly Posting[],
  lineIds: readonly string[],
  agreed: readonly AgreedOn[],
  tax: Tax,
  today: Day,
): CostPoint[] {
  const days = new Set<Day>([today]);
  for (const p of postings)
    for (const d of [p.committedOn, p.spentOn]) if (d !== null && d < today) days.add(d);
  for (const a of agreed) if (a.day < today) days.add(a.day);
  const byLine = lineIds.map((id) => postings.filter((p) => p.lineId === id));
  const gross = (counts: (p: Posting) => boolean): number =>
    byLine.reduce(
      (sum, own) =>
        sum +
        grossOf(
          own.filter(counts).reduce((s, p) => s + p.priceMinor, 0),
          tax,
        ),
      0,
    );
  return [...days].sort().map((day) => {
    const until = day === today ? '9999-12-31' : day;
    return {
      day,
      approvedMinor: holdingOn(agreed, until)?.approvedMinor ?? 0,
      spentMinor: gross((p) => p.spentOn !== null && p.spentOn <= until),
      committedMinor: gross(
        (p) => p.committedOn !== null && p.committedOn <= until && (p.spentOn === null || p.spentOn > until),
      ),
    };
  });
}

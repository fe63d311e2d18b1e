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

interface Change {
  day: Day;
  line: number;
  spentMinor: number;
  committedMinor: number;
}

/** What a posting changes on its days: ordered, it is committed until it is spent. */
function changesOf({ committedOn, spentOn, priceMinor }: Posting, line: number): Change[] {
  const changes: Change[] = [];
  if (spentOn !== null) changes.push({ day: spentOn, line, spentMinor: priceMinor, committedMinor: 0 });
  if (committedOn === null || (spentOn !== null && spentOn <= committedOn)) return changes;
  changes.push({ day: committedOn, line, spentMinor: 0, committedMinor: priceMinor });
  if (spentOn !== null) changes.push({ day: spentOn, line, spentMinor: 0, committedMinor: -priceMinor });
  return changes;
}

/** A sum over lines, each with its tax rounded by itself. */
class GrossSum {
  private readonly netByLine: number[];
  gross = 0;

  constructor(
    lines: number,
    private readonly tax: Tax,
  ) {
    this.netByLine = Array.from({ length: lines }, () => 0);
  }

  add(line: number, minor: number): void {
    const net = this.netByLine[line]!;
    this.gross += grossOf(net + minor, this.tax) - grossOf(net, this.tax);
    this.netByLine[line] = net + minor;
  }
}

/**
 * A point for each day on which something changed, and today. Only lines named count, each with its tax rounded as in its
 * own sums, so that the last point is the build's sums to the minor unit. What lies ahead is in the last point.
 */
export function costsOverTime(
  postings: readonly Posting[],
  lineIds: readonly string[],
  agreed: readonly AgreedOn[],
  tax: Tax,
  today: Day,
): CostPoint[] {
  const lineAt = new Map(lineIds.map((id, at) => [id, at]));
  const changes = postings.flatMap((p) => {
    const line = p.lineId === null ? undefined : lineAt.get(p.lineId);
    return line === undefined ? [] : changesOf(p, line);
  });
  changes.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  const named = [...postings.flatMap((p) => [p.committedOn, p.spentOn]), ...agreed.map((a) => a.day)];
  const days = new Set(named.filter((d): d is Day => d !== null && d < today)).add(today);
  const [spent, committed] = [new GrossSum(lineIds.length, tax), new GrossSum(lineIds.length, tax)];
  let next = 0;
  return [...days].sort().map((day) => {
    const until = day === today ? '9999-12-31' : day;
    for (; next < changes.length && changes[next]!.day <= until; next += 1) {
      spent.add(changes[next]!.line, changes[next]!.spentMinor);
      committed.add(changes[next]!.line, changes[next]!.committedMinor);
    }
    const approvedMinor = holdingOn(agreed, until)?.approvedMinor ?? 0;
    return { day, approvedMinor, spentMinor: spent.gross, committedMinor: committed.gross };
  });
}

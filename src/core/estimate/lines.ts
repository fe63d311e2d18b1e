/** An estimated line, and what it comes to. Hours and prices are three points: low, likely, high. */
import type { LineClass } from '../log/kinds.ts';
import { forMinutes, shareOf, taxWithin } from '../money/money.ts';

/** Kinds of work that a shop charges by; each has its own rate an hour. */
export const WORKS = ['mechanical', 'metalwork', 'paint', 'trim', 'electrical', 'machining'] as const;
export type Work = (typeof WORKS)[number];

/** Whole minutes or minor units, never falling from one to the next. */
export interface ThreePoint {
  low: number;
  likely: number;
  high: number;
}

export const NOTHING: ThreePoint = { low: 0, likely: 0, high: 0 };

export interface EstimateLine {
  id: string;
  title: string;
  /** For the customer: why it is worth doing. */
  why: string;
  class: LineClass;
  work: Work;
  minutes: ThreePoint;
  parts: ThreePoint;
  outwork: ThreePoint;
  sundriesMinor: number;
  /** Lines that must be kept if this one is. */
  needs: readonly string[];
  /** What must be taken apart to reach it: engine out, dash out. */
  access: readonly string[];
}

/** How the shop charges. */
export interface Terms {
  /** Minor units an hour. */
  rates: Record<Work, number>;
  /** Tax in basis points: 2000 is 20 %. */
  taxBp: number;
  /** Whether rates and prices already contain the tax. */
  taxIncluded: boolean;
  /**
   * How much of the uncertainty all lines share, 0 to 1: rust that is worse than it looks is worse in every line. With
   * none shared, ranges of many lines cancel each other out more than they do in life.
   */
  sharedRisk: number;
}

/** Lines outside this order are refused: a low that is above the likely, a likely that is above the high. */
export function whyNotThreePoint({ low, likely, high }: ThreePoint): string | null {
  if (low > likely) return 'the low is above the likely';
  if (likely > high) return 'the likely is above the high';
  return null;
}

export interface LineCost {
  /** Labour, parts, outwork and sundries together, as the prices are written (with or without tax). */
  cost: ThreePoint;
  /** Expected cost, a whole minor unit: the figure that totals add up. */
  expectedMinor: number;
  /** Standard deviation in minor units, not rounded. */
  sd: number;
  taxMinor: number;
  /** What the customer pays for it as expected: with tax. */
  grossMinor: number;
}

/** Mean of a beta distribution by its three points: (low + 4 likely + high) / 6 (Malcolm et al. 1959). */
const mean = ({ low, likely, high }: ThreePoint): number => (low + 4 * likely + high) / 6;

/** Its standard deviation: (high − low) / 6, from the same source. */
const deviation = ({ low, high }: ThreePoint): number => (high - low) / 6;

const labourOf = (line: EstimateLine, perHourMinor: number): ThreePoint => ({
  low: forMinutes(line.minutes.low, perHourMinor),
  likely: forMinutes(line.minutes.likely, perHourMinor),
  high: forMinutes(line.minutes.high, perHourMinor),
});

/** What one line comes to. The parts of one line are taken to vary independently of each other. */
export function costOf(line: EstimateLine, terms: Terms): LineCost {
  const parts = [labourOf(line, terms.rates[line.work]), line.parts, line.outwork];
  const sum = (at: keyof ThreePoint): number => parts.reduce((s, p) => s + p[at], line.sundriesMinor);
  const cost = { low: sum('low'), likely: sum('likely'), high: sum('high') };
  const expectedMinor = Math.round(parts.reduce((s, p) => s + mean(p), line.sundriesMinor));
  const sd = Math.sqrt(parts.reduce((s, p) => s + deviation(p) ** 2, 0));
  const taxMinor = terms.taxIncluded
    ? taxWithin(expectedMinor, terms.taxBp)
    : shareOf(expectedMinor, terms.taxBp);
  return {
    cost,
    expectedMinor,
    sd,
    taxMinor,
    grossMinor: expectedMinor + (terms.taxIncluded ? 0 : taxMinor),
  };
}

/** What a line costs while it is worked on: spent, committed, to go, and what it comes to against what was agreed. */
import { forMinutes, shareOf } from '../money/money.ts';
import type { PartState } from '../parts/parts.ts';

export interface CostInput {
  /** What the customer agreed to, with tax; 0 while nothing is. */
  approvedMinor: number;
  perHourMinor: number;
  taxBp: number;
  /** Whether rates and prices already contain the tax. */
  taxIncluded: boolean;
  spentMinutes: number;
  toGoMinutes: number;
  parts: readonly { state: PartState; priceMinor: number }[];
}

/** Minor units, with tax. */
export interface LineCosts {
  /** Hours worked, and parts that are here. */
  spentMinor: number;
  /** Ordered and not here yet. */
  committedMinor: number;
  /** Hours to go, and parts still to be ordered. */
  toGoMinor: number;
  expectedMinor: number;
  /** Expected beyond what was agreed by more than the threshold. */
  isOver: boolean;
}

/** Beyond this share of what was agreed a line asks to be looked at. Common practice, no published source. */
const OVER_SHARE_BP = 1000;

const HERE: readonly PartState[] = ['arrived', 'fitted', 'wrong'];
const STILL: readonly PartState[] = ['to find', 'to order'];

/** Tax is worked out once for each of the three sums and rounded there; what is expected is their sum. */
export function costsOf(c: CostInput): LineCosts {
  const parts = (states: readonly PartState[]): number =>
    c.parts.filter((p) => states.includes(p.state)).reduce((sum, p) => sum + p.priceMinor, 0);
  const gross = (net: number): number => net + (c.taxIncluded ? 0 : shareOf(net, c.taxBp));
  const spentMinor = gross(forMinutes(c.spentMinutes, c.perHourMinor) + parts(HERE));
  const committedMinor = gross(parts(['ordered']));
  const toGoMinor = gross(forMinutes(c.toGoMinutes, c.perHourMinor) + parts(STILL));
  const expectedMinor = spentMinor + committedMinor + toGoMinor;
  const most = c.approvedMinor + shareOf(c.approvedMinor, OVER_SHARE_BP);
  return {
    spentMinor,
    committedMinor,
    toGoMinor,
    expectedMinor,
    isOver: c.approvedMinor > 0 && expectedMinor > most,
  };
}

/** What lines come to together: an expected sum and one that is kept in four cases of five, not a sum of worst cases. */
import { shareOf } from '../money/money.ts';
import { costOf, type EstimateLine, type LineCost, type Terms } from './lines.ts';

/** The standard normal quantile of 0.8. */
export const Z80 = 0.8416212335729143;

export interface Totals {
  lines: { id: string; cost: LineCost }[];
  /** As the prices are written; the sum of the lines' expected costs, to the minor unit. */
  expectedMinor: number;
  /** Standard deviation of the sum, minor units, not rounded. */
  sd: number;
  taxMinor: number;
  grossMinor: number;
  /** With tax; kept in four cases of five. */
  p80GrossMinor: number;
  /** With tax; every line at its lowest and at its highest, for comparison only. */
  bestGrossMinor: number;
  worstGrossMinor: number;
}

/**
 * Sums are exact: tax is worked out and rounded line by line, then added. The spread takes every pair of lines to be
 * correlated by the shared risk ρ: variance = (1 − ρ) Σσ² + ρ (Σσ)² (equicorrelated sum, any text on probability; ρ = 0
 * is PERT's independent sum, ρ = 1 the sum of spreads). P80 = expected + 0.8416 σ, as roughly normal.
 */
export function totalsOf(lines: readonly EstimateLine[], terms: Terms): Totals {
  const costs = lines.map((l) => ({ id: l.id, cost: costOf(l, terms) }));
  const add = (of: (c: LineCost) => number): number => costs.reduce((s, c) => s + of(c.cost), 0);
  const expectedMinor = add((c) => c.expectedMinor);
  const grossMinor = add((c) => c.grossMinor);
  const rho = terms.sharedRisk;
  const sd = Math.sqrt((1 - rho) * add((c) => c.sd ** 2) + rho * add((c) => c.sd) ** 2);
  const gross = (net: number): number => net + (terms.taxIncluded ? 0 : shareOf(net, terms.taxBp));
  return {
    lines: costs,
    expectedMinor,
    sd,
    taxMinor: add((c) => c.taxMinor),
    grossMinor,
    p80GrossMinor: grossMinor + gross(Math.round(Z80 * sd)),
    bestGrossMinor: gross(add((c) => c.cost.low)),
    worstGrossMinor: gross(add((c) => c.cost.high)),
  };
}

/** The build's money at a glance: what was agreed and how much of it later, what is left of the budget, what it ends at. */
import type { EstimateLine, Terms } from '../estimate/lines.ts';
import { totalsOf } from '../estimate/totals.ts';
import type { LineStanding } from './answers.ts';
import type { RevisionContent } from './revision.ts';

export interface GlanceInput {
  lines: readonly (EstimateLine & { standing: LineStanding; discretionMinor: number | null })[];
  terms: Terms;
  /** The first that was sent; what is agreed beyond it are changes. */
  first: RevisionContent | undefined;
  budgetMinor: number | null;
}

/** Minor units, with tax. */
export interface Glance {
  agreedMinor: number;
  /** Of it, lines that the first estimate did not have. */
  changesMinor: number;
  /** Begun without asking, inside what was agreed for that. */
  discretionMinor: number;
  /** Below nothing when more was agreed than the budget; null without one. */
  leftOfBudgetMinor: number | null;
  /** Of all that is agreed or begun, as expected now, and so that four cases of five stay below. */
  endMinor: number;
  endP80Minor: number;
}

export function glanceAt({ lines, terms, first, budgetMinor }: GlanceInput): Glance {
  const sum = (of: GlanceInput['lines']): number => of.reduce((s, l) => s + l.standing.approvedMinor, 0);
  const atFirst = new Set(first?.lines.map((l) => l.id));
  const agreedMinor = sum(lines);
  const discretionMinor = lines.reduce((s, l) => s + (l.discretionMinor ?? 0), 0);
  const going = lines.filter((l) => l.standing.approvedMinor > 0 || l.discretionMinor !== null);
  const { grossMinor, p80GrossMinor } = totalsOf(going, terms);
  return {
    agreedMinor,
    changesMinor: sum(lines.filter((l) => !atFirst.has(l.id))),
    discretionMinor,
    leftOfBudgetMinor: budgetMinor === null ? null : budgetMinor - agreedMinor - discretionMinor,
    endMinor: grossMinor,
    endP80Minor: p80GrossMinor,
  };
}

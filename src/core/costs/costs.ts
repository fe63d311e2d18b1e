/**
 * Every hour, part, batch and sundry posts its price and its cost to a line. From the postings: what a line has spent, what
 * is committed, what is to go, and what it comes to against what was agreed; and the same for a build.
 */
import { shareOf } from '../money/money.ts';
import type { Day } from '../time/days.ts';

export const POSTING_KINDS = ['hours', 'part', 'outwork', 'sundry'] as const;
export type PostingKind = (typeof POSTING_KINDS)[number];

/** Where something belongs that is on no line: it is the shop's cost and is not charged. */
export const UNCHARGED = ['task', 'warranty', 'shop', 'nowhere'] as const;
export type Uncharged = (typeof UNCHARGED)[number];

/** Money as the shop writes its prices, with or without tax, in minor units. */
export interface Posting {
  kind: PostingKind;
  /** Null for what is on no line. */
  lineId: string | null;
  uncharged: Uncharged | null;
  /** The day it was ordered or sent; null for what came as it was bought. */
  committedOn: Day | null;
  /** The day since which it is owed: worked, here, or invoiced; null while it is only ordered, or only wanted. */
  spentOn: Day | null;
  /** What the customer pays for it. */
  priceMinor: number;
  /** What the shop pays for it. */
  costMinor: number;
}

/** How prices relate to tax. */
export interface Tax {
  taxBp: number;
  /** Whether rates and prices already contain the tax. */
  taxIncluded: boolean;
}

export interface LineInput {
  id: string;
  /** What the customer agreed to, with tax; 0 while nothing is. */
  approvedMinor: number;
  /** Parts, outwork and sundries as estimated: what of it is not posted yet is still to come. */
  estimatedThingsMinor: number;
  toGoMinutes: number;
  toGoMinor: number;
  /** Nothing more is to come: all its tasks are done. */
  isFinished: boolean;
}

/** Minor units, with tax, but for what it costs the shop. */
export interface LineCosts {
  /** Hours worked, and things that are here or invoiced. */
  spentMinor: number;
  /** Ordered or sent, and neither here nor invoiced yet. */
  committedMinor: number;
  /** Hours to go, and things still to come. */
  toGoMinor: number;
  expectedMinor: number;
  /** Expected beyond what was agreed by more than the shop's threshold. */
  isOver: boolean;
  /** What the shop has paid or owes for what is spent and committed, as it writes its prices. */
  costMinor: number;
}

export const grossOf = (net: number, { taxBp, taxIncluded }: Tax): number =>
  net + (taxIncluded ? 0 : shareOf(net, taxBp));

/** A price that nobody named: what it cost with the shop's addition. */
export const withAddition = (costMinor: number, additionBp: number): number =>
  costMinor + shareOf(costMinor, additionBp);

const isSpent = (p: Posting): boolean => p.spentOn !== null;
const isCommitted = (p: Posting): boolean => p.spentOn === null && p.committedOn !== null;
const isWanted = (p: Posting): boolean => p.spentOn === null && p.committedOn === null;

const add = (of: readonly Posting[], by: 'priceMinor' | 'costMinor' = 'priceMinor'): number =>
  of.reduce((sum, p) => sum + p[by], 0);

/**
 * What one line comes to. Tax is worked out once for each of the three sums and rounded there; what is expected is their
 * sum. While a line is not finished, things that were estimated and are not posted yet are to go.
 */
export function lineCosts(
  line: LineInput,
  postings: readonly Posting[],
  tax: Tax,
  overBp: number,
): LineCosts {
  const own = postings.filter((p) => p.lineId === line.id);
  const had = own.filter((p) => isSpent(p) || isCommitted(p));
  const things = add(had.filter((p) => p.kind !== 'hours'));
  const wanted = add(own.filter(isWanted));
  const toCome = line.isFinished ? wanted : Math.max(wanted, line.estimatedThingsMinor - things);
  const spentMinor = grossOf(add(own.filter(isSpent)), tax);
  const committedMinor = grossOf(add(own.filter(isCommitted)), tax);
  const toGoMinor = grossOf(line.toGoMinor + toCome, tax);
  const expectedMinor = spentMinor + committedMinor + toGoMinor;
  return {
    spentMinor,
    committedMinor,
    toGoMinor,
    expectedMinor,
    isOver: line.approvedMinor > 0 && expectedMinor > withAddition(line.approvedMinor, overBp),
    costMinor: add(had, 'costMinor'),
  };
}

/** What a build comes to: the sums of its lines, and what the shop bears itself. */
export interface BuildCosts extends LineCosts {
  approvedMinor: number;
  /** What is on no line, by where it belongs: what it costs the shop, and how much of that is only ordered. */
  borne: { uncharged: Uncharged; costMinor: number; committedMinor: number }[];
  /** What nobody has put on a line yet, as the customer would pay for it, with tax: part of none of the sums above. */
  unallocated: { spentMinor: number; committedMinor: number };
}

export function buildCosts(
  lines: readonly { approvedMinor: number; costs: LineCosts }[],
  postings: readonly Posting[],
  tax: Tax,
  overBp: number,
): BuildCosts {
  const sum = (of: (l: { approvedMinor: number; costs: LineCosts }) => number): number =>
    lines.reduce((s, l) => s + of(l), 0);
  const approvedMinor = sum((l) => l.approvedMinor);
  const expectedMinor = sum((l) => l.costs.expectedMinor);
  const off = (uncharged: Uncharged): Posting[] =>
    postings.filter((p) => p.lineId === null && p.uncharged === uncharged && !isWanted(p));
  const borne = UNCHARGED.map((uncharged) => ({
    uncharged,
    costMinor: add(off(uncharged), 'costMinor'),
    committedMinor: add(off(uncharged).filter(isCommitted), 'costMinor'),
  })).filter((b) => b.costMinor !== 0);
  const nowhere = off('nowhere');
  return {
    approvedMinor,
    spentMinor: sum((l) => l.costs.spentMinor),
    committedMinor: sum((l) => l.costs.committedMinor),
    toGoMinor: sum((l) => l.costs.toGoMinor),
    expectedMinor,
    isOver: approvedMinor > 0 && expectedMinor > withAddition(approvedMinor, overBp),
    costMinor: sum((l) => l.costs.costMinor) + borne.reduce((s, b) => s + b.costMinor, 0),
    borne,
    unallocated: {
      spentMinor: grossOf(add(nowhere.filter(isSpent)), tax),
      committedMinor: grossOf(add(nowhere.filter(isCommitted)), tax),
    },
  };
}

/** A revision: an estimate as it was sent. It never changes again, and approvals point at it by number and hash. */
import { costOf, type EstimateLine, type Terms, type Work } from '../estimate/lines.ts';
import { totalsOf } from '../estimate/totals.ts';
import type { LineClass } from '../log/kinds.ts';
import type { ShownPicture } from '../photo/shown.ts';
import { shareOf } from '../money/money.ts';
import { canonical } from './canonical.ts';

/** What the shop proposes for a line: to do it, or to let it wait so that another can be paid for. */
export const PROPOSALS = ['do', 'wait'] as const;
export type Proposal = (typeof PROPOSALS)[number];

export interface RevisionLine {
  id: string;
  title: string;
  why: string;
  class: LineClass;
  work: Work;
  proposal: Proposal;
  needs: string[];
  /** Of the finding that the line was made from; absent where there are none. */
  pictures?: ShownPicture[];
  /** With tax, minor units. */
  lowGrossMinor: number;
  grossMinor: number;
  highGrossMinor: number;
}

export interface RevisionContent {
  number: number;
  currency: string;
  taxBp: number;
  note: string;
  lines: RevisionLine[];
  /** Of the lines proposed to be done, with tax. */
  grossMinor: number;
  taxMinor: number;
  p80GrossMinor: number;
  budgetMinor: number | null;
}

/** A line of an estimate with what the shop proposes for it. */
export type ProposedLine = EstimateLine & { proposal: Proposal };

function frozenLine(line: ProposedLine, terms: Terms, pictures: readonly ShownPicture[]): RevisionLine {
  const { cost, grossMinor } = costOf(line, terms);
  const gross = (net: number): number => net + (terms.taxIncluded ? 0 : shareOf(net, terms.taxBp));
  const { id, title, why, work, proposal } = line;
  return {
    id,
    title,
    why,
    class: line.class,
    work,
    proposal,
    needs: [...line.needs].sort(),
    ...(pictures.length > 0 ? { pictures: [...pictures] } : {}),
    lowGrossMinor: gross(cost.low),
    grossMinor,
    highGrossMinor: gross(cost.high),
  };
}

/** What is sent, with the pictures of each line by its id: every line with its price, and what those to be done come to together. */
export function freeze(
  lines: readonly ProposedLine[],
  terms: Terms,
  head: { number: number; currency: string; note: string; budgetMinor: number | null },
  pictures: ReadonlyMap<string, readonly ShownPicture[]> = new Map(),
): RevisionContent {
  const { grossMinor, taxMinor, p80GrossMinor } = totalsOf(
    lines.filter((l) => l.proposal === 'do'),
    terms,
  );
  return {
    ...head,
    taxBp: terms.taxBp,
    lines: lines.map((l) => frozenLine(l, terms, pictures.get(l.id) ?? [])),
    grossMinor,
    taxMinor,
    p80GrossMinor,
  };
}

/** Why these lines cannot be sent as they are, or null. */
export function whyNotSend(lines: readonly ProposedLine[]): string | null {
  const doing = new Set(lines.filter((l) => l.proposal === 'do').map((l) => l.id));
  if (doing.size === 0) return 'There is no line to be done in it yet.';
  const title = new Map(lines.map((l) => [l.id, l.title]));
  for (const l of lines) {
    if (l.proposal === 'wait' && l.class === 'safety')
      return `“${l.title}” is a safety line: it is never put off to pay for another.`;
    const missing = doing.has(l.id) ? l.needs.find((n) => title.has(n) && !doing.has(n)) : undefined;
    if (missing) return `“${l.title}” needs “${title.get(missing)}”, which is to wait.`;
  }
  return null;
}

/** The same promise to the customer: an approval of one holds for the other. */
export const samePromise = (a: RevisionLine, b: RevisionLine): boolean => promise(a) === promise(b);
const promise = ({ title, why, class: c, lowGrossMinor, grossMinor, highGrossMinor }: RevisionLine): string =>
  canonical([title, why, c, lowGrossMinor, grossMinor, highGrossMinor]);

export interface LineChange {
  id: string;
  title: string;
  /** What is different about it. */
  change: 'added' | 'dropped' | 'words' | 'dearer' | 'cheaper' | 'now waits' | 'now to be done';
  beforeMinor: number;
  afterMinor: number;
}

function changeOf(a: RevisionLine | undefined, b: RevisionLine): LineChange['change'] | null {
  if (!a) return 'added';
  if (a.proposal !== b.proposal) return b.proposal === 'wait' ? 'now waits' : 'now to be done';
  if (a.grossMinor !== b.grossMinor) return a.grossMinor < b.grossMinor ? 'dearer' : 'cheaper';
  return samePromise(a, b) ? null : 'words';
}

/** What a newer revision changes, line by line, in its own order; dropped lines last. */
export function changesBetween(before: RevisionContent, after: RevisionContent): LineChange[] {
  const old = new Map(before.lines.map((l) => [l.id, l]));
  const still = new Set(after.lines.map((l) => l.id));
  const changed = after.lines.flatMap((l): LineChange[] => {
    const change = changeOf(old.get(l.id), l);
    if (change === null) return [];
    return [
      {
        id: l.id,
        title: l.title,
        change,
        beforeMinor: old.get(l.id)?.grossMinor ?? 0,
        afterMinor: l.grossMinor,
      },
    ];
  });
  const dropped = before.lines.filter((l) => !still.has(l.id));
  return [
    ...changed,
    ...dropped.map(({ id, title, grossMinor }) => ({
      id,
      title,
      change: 'dropped' as const,
      beforeMinor: grossMinor,
      afterMinor: 0,
    })),
  ];
}

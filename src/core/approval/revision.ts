/** A revision: an estimate as it was sent. It never changes again, and approvals point at it by number and hash. */
import { costOf, type EstimateLine, type Terms, type Work } from '../estimate/lines.ts';
import { totalsOf } from '../estimate/totals.ts';
import { compareWays, counts, type Choice, type Way } from '../estimate/ways.ts';
import type { LineClass } from '../log/kinds.ts';
import type { ShownPicture } from '../photo/shown.ts';
import { shareOf } from '../money/money.ts';
import { canonical } from './canonical.ts';

/** What the shop proposes for a line: to do it, or to let it wait so that another can be paid for. */
export const PROPOSALS = ['do', 'wait'] as const;
export type Proposal = (typeof PROPOSALS)[number];
/** What is proposed in the end: a line of a way that is not held is left to that other way. */
export type Proposed = Proposal | 'other way';

export interface RevisionLine {
  id: string;
  title: string;
  why: string;
  class: LineClass;
  work: Work;
  proposal: Proposed;
  needs: string[];
  /** The way to do it that the line belongs to; absent where there is no choice about it. */
  wayId?: string;
  /** Of the finding that the line was made from; absent where there are none. */
  pictures?: ShownPicture[];
  /** With tax, minor units. */
  lowGrossMinor: number;
  grossMinor: number;
  highGrossMinor: number;
}

/** A way as it was offered, with what everything comes to if it is chosen: with tax, minor units. */
export interface RevisionWay extends Way {
  grossMinor: number;
  p80GrossMinor: number;
}

export interface RevisionChoice extends Choice {
  ways: readonly RevisionWay[];
}

export interface RevisionContent {
  number: number;
  currency: string;
  taxBp: number;
  note: string;
  lines: RevisionLine[];
  /** Absent where nothing can be done in several ways. */
  choices?: RevisionChoice[];
  /** Of the lines proposed to be done, with tax. */
  grossMinor: number;
  taxMinor: number;
  p80GrossMinor: number;
  budgetMinor: number | null;
}

/** A line of an estimate with what the shop proposes for it. */
export type ProposedLine = EstimateLine & { proposal: Proposed; wayId?: string | undefined };

/** The lines with what is proposed in the end: those of ways that are not held are left to the other way. */
export const settleWays = <L extends { proposal: Proposal; wayId?: string | undefined }>(
  lines: readonly L[],
  choices: readonly Choice[],
): (Omit<L, 'proposal'> & { proposal: Proposed })[] =>
  lines.map((l) => ({ ...l, proposal: counts(l, choices) ? l.proposal : 'other way' }));

function frozenLine(line: ProposedLine, terms: Terms, pictures: readonly ShownPicture[]): RevisionLine {
  const { cost, grossMinor } = costOf(line, terms);
  const gross = (net: number): number => net + (terms.taxIncluded ? 0 : shareOf(net, terms.taxBp));
  const { id, title, why, work, proposal, wayId } = line;
  return {
    id,
    title,
    why,
    class: line.class,
    work,
    proposal,
    needs: [...line.needs].sort(),
    ...(wayId === undefined ? {} : { wayId }),
    ...(pictures.length > 0 ? { pictures: [...pictures] } : {}),
    lowGrossMinor: gross(cost.low),
    grossMinor,
    highGrossMinor: gross(cost.high),
  };
}

function frozenChoice(
  choice: Choice,
  choices: readonly Choice[],
  lines: readonly ProposedLine[],
  terms: Terms,
): RevisionChoice {
  const offered = lines.filter((l) => l.proposal !== 'wait');
  const ways = compareWays(choice, choices, offered, terms).map(({ way, whole }): RevisionWay => ({
    ...way,
    grossMinor: whole.grossMinor,
    p80GrossMinor: whole.p80GrossMinor,
  }));
  return { ...choice, ways };
}

/** What is sent, with the pictures of each line by its id: every line with its price, and what those to be done come to together. */
export function freeze(
  lines: readonly ProposedLine[],
  terms: Terms,
  head: { number: number; currency: string; note: string; budgetMinor: number | null },
  pictures: ReadonlyMap<string, readonly ShownPicture[]> = new Map(),
  choices: readonly Choice[] = [],
): RevisionContent {
  const { grossMinor, taxMinor, p80GrossMinor } = totalsOf(
    lines.filter((l) => l.proposal === 'do'),
    terms,
  );
  return {
    ...head,
    taxBp: terms.taxBp,
    lines: lines.map((l) => frozenLine(l, terms, pictures.get(l.id) ?? [])),
    ...(choices.length === 0 ? {} : { choices: choices.map((c) => frozenChoice(c, choices, lines, terms)) }),
    grossMinor,
    taxMinor,
    p80GrossMinor,
  };
}

/** Why these lines cannot be sent as they are, or null. */
export function whyNotSend(lines: readonly ProposedLine[], choices: readonly Choice[] = []): string | null {
  for (const choice of choices) {
    const empty = choice.ways.find((w) => !lines.some((l) => l.wayId === w.id));
    if (empty)
      return `“${choice.title}”: no line belongs to “${empty.name}” yet. Put one on, or take that way away.`;
  }
  const doing = new Set(lines.filter((l) => l.proposal === 'do').map((l) => l.id));
  if (doing.size === 0) return 'There is no line to be done in it yet.';
  const title = new Map(lines.map((l) => [l.id, l.title]));
  for (const l of lines) {
    if (l.proposal === 'wait' && l.class === 'safety')
      return `“${l.title}” is a safety line: it is never put off to pay for another.`;
    const missing = doing.has(l.id) ? l.needs.find((n) => title.has(n) && !doing.has(n)) : undefined;
    if (missing) return `“${l.title}” needs “${title.get(missing)}”, which is not to be done.`;
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
  change: 'added' | 'dropped' | 'words' | 'dearer' | 'cheaper' | 'now waits' | 'now to be done' | 'other way';
  beforeMinor: number;
  afterMinor: number;
}

const NOW: Record<Proposed, LineChange['change']> = {
  do: 'now to be done',
  wait: 'now waits',
  'other way': 'other way',
};

function changeOf(a: RevisionLine | undefined, b: RevisionLine): LineChange['change'] | null {
  if (!a) return 'added';
  if (a.proposal !== b.proposal) return NOW[b.proposal];
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

/**
 * While it is apart: what must be opened to reach several lines, what an optional line costs now and what later with the
 * opening paid again, and how far the optional lines behind one opening multiply the work.
 */
import { forMinutes, shareOf } from '../money/money.ts';
import { costOf, type EstimateLine, type Terms, type Work } from './lines.ts';

/** Taking something apart and putting it together again. Its hours stand in the lines already; here they compare. */
export interface Opening {
  name: string;
  work: Work;
  minutes: number;
}

export interface Option {
  id: string;
  /** With tax: while it is apart, and later with the opening paid again. */
  nowMinor: number;
  laterMinor: number;
}

/** What must be done behind an opening, and all that could be done while it is open: both with tax. */
export interface Step {
  mustMinor: number;
  allMinor: number;
}

export interface Apart {
  name: string;
  /** What opening it once more would cost, with tax; null while its hours are not known. */
  againMinor: number | null;
  /** Lines behind it that are not optional. */
  must: string[];
  options: Option[];
  /** Where the optional lines multiply the work; null where they do not. */
  step: Step | null;
}

type ApartLine = EstimateLine & { laterExtraMinor: number };

/**
 * From this many times what must be done, all that could be done is another job. Common practice, no published source: half
 * as much again is said in passing, twice as much is asked for.
 */
const STEP_TIMES = 2;

const sameName = (a: string): string => a.trim().toLowerCase();

const isOptional = ({ class: c }: EstimateLine): boolean => c === 'should' || c === 'nice';

/** What an opening costs once more, with tax. */
function againMinor({ work, minutes }: Opening, terms: Terms): number {
  const net = forMinutes(minutes, terms.rates[work]);
  return net + (terms.taxIncluded ? 0 : shareOf(net, terms.taxBp));
}

/** What a line costs more when it is done later: what was said, and every opening that it shares paid again. */
export function laterExtraOf(
  line: ApartLine,
  lines: readonly ApartLine[],
  openings: readonly Opening[],
  terms: Terms,
): number {
  const shared = line.access
    .map(sameName)
    .filter((name) =>
      lines.some((other) => other.id !== line.id && other.access.some((a) => sameName(a) === name)),
    );
  const again = openings
    .filter((o) => shared.includes(sameName(o.name)))
    .reduce((sum, o) => sum + againMinor(o, terms), 0);
  return line.laterExtraMinor + again;
}

function stepOf(lines: readonly ApartLine[], terms: Terms): Step | null {
  const sum = (of: readonly ApartLine[]): number => of.reduce((s, l) => s + costOf(l, terms).grossMinor, 0);
  const mustMinor = sum(lines.filter((l) => !isOptional(l)));
  const allMinor = sum(lines);
  return mustMinor > 0 && allMinor >= STEP_TIMES * mustMinor ? { mustMinor, allMinor } : null;
}

/** Every opening that two lines or more share, in the order in which the lines name them. */
export function apart(lines: readonly ApartLine[], openings: readonly Opening[], terms: Terms): Apart[] {
  const names = new Map(lines.flatMap((l) => l.access).map((a) => [sameName(a), a.trim()]));
  return [...names].flatMap(([key, name]): Apart[] => {
    const behind = lines.filter((l) => l.access.some((a) => sameName(a) === key));
    if (behind.length < 2) return [];
    const opening = openings.find((o) => sameName(o.name) === key);
    const options = behind.filter(isOptional).map((l): Option => {
      const nowMinor = costOf(l, terms).grossMinor;
      return { id: l.id, nowMinor, laterMinor: nowMinor + laterExtraOf(l, lines, openings, terms) };
    });
    return [
      {
        name,
        againMinor: opening ? againMinor(opening, terms) : null,
        must: behind.filter((l) => !isOptional(l)).map((l) => l.id),
        options,
        step: stepOf(behind, terms),
      },
    ];
  });
}

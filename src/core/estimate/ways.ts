/**
 * Ways to do it: two or three scopes of the same work side by side, of which the customer chooses one. Blasting a unit
 * clean while it is whole and sealed, or only when stripped bare, are both practised; cost, hours and risk differ.
 */
import type { EstimateLine, Terms } from './lines.ts';
import { totalsOf, type Totals } from './totals.ts';

const FEWEST_WAYS = 2;
export const MOST_WAYS = 3;

export interface Way {
  id: string;
  name: string;
  /** What stays at risk when it is done this way. */
  risk: string;
  /** How long the car is held up by it. */
  weeksLow: number;
  weeksHigh: number;
}

export interface Choice {
  id: string;
  title: string;
  ways: readonly Way[];
  /** The way that the estimate counts: the one the shop advises, later the one the customer chose. */
  heldId: string;
}

/** Why a choice cannot stand like this, by field; empty where it can. */
export function whyNotChoice({ ways, heldId }: Choice): { field: string; reason: string }[] {
  const faults: { field: string; reason: string }[] = [];
  const fault = (field: string, reason: string): void => void faults.push({ field, reason });
  if (ways.length < FEWEST_WAYS || ways.length > MOST_WAYS) fault('ways', 'two ways or three');
  if (new Set(ways.map((w) => w.name.trim().toLowerCase())).size < ways.length)
    fault('ways', 'two ways have the same name');
  if (new Set(ways.map((w) => w.id)).size < ways.length) fault('ways', 'two ways are the same one');
  if (ways.some((w) => w.weeksLow > w.weeksHigh)) fault('ways', 'the fewest weeks are more than the most');
  if (!ways.some((w) => w.id === heldId)) fault('heldId', 'choose one of its ways');
  return faults;
}

type LineOfWay = EstimateLine & { wayId?: string | undefined };

/** Whether a line counts: it belongs to no choice, or to the way that is held. */
export function counts(line: { wayId?: string | undefined }, choices: readonly Choice[]): boolean {
  if (line.wayId === undefined) return true;
  const choice = choices.find((c) => c.ways.some((w) => w.id === line.wayId));
  return choice === undefined || choice.heldId === line.wayId;
}

export interface WayCompared {
  way: Way;
  lines: string[];
  /** Of its own lines alone. */
  own: Totals;
  /** Of everything that would then be done, the other choices as they are held. */
  whole: Totals;
}

/** A choice's ways side by side. `lines` are those that are to be done, whichever way they belong to. */
export function compareWays(
  choice: Choice,
  choices: readonly Choice[],
  lines: readonly LineOfWay[],
  terms: Terms,
): WayCompared[] {
  return choice.ways.map((way) => {
    const held = choices.map((c) => (c.id === choice.id ? { ...c, heldId: way.id } : c));
    const own = lines.filter((l) => l.wayId === way.id);
    return {
      way,
      lines: own.map((l) => l.id),
      own: totalsOf(own, terms),
      whole: totalsOf(
        lines.filter((l) => counts(l, held)),
        terms,
      ),
    };
  });
}

/** “2 to 3 weeks”, “a week”, or that it takes none. */
export function weeksInWords({ weeksLow, weeksHigh }: Pick<Way, 'weeksLow' | 'weeksHigh'>): string {
  if (weeksHigh === 0) return 'no weeks';
  if (weeksLow === weeksHigh) return weeksHigh === 1 ? 'a week' : `${weeksHigh} weeks`;
  return `${weeksLow} to ${weeksHigh} weeks`;
}

/**
 * What a build stands waiting for: of everything that holds it, the one thing that releases it last. Derived, never typed;
 * what was typed (“owner at sea until March”) is one of the things that hold it.
 */
import { formatDay, type Day } from '../time/days.ts';

export const HOLD_KINDS = [
  'part',
  'vendor',
  'batch',
  'answer',
  'payment',
  'place',
  'person',
  'weather',
  'cure',
  'other build',
  'gate',
  'task',
  'said',
  'plan',
] as const;
export type HoldKind = (typeof HOLD_KINDS)[number];

/** One thing that holds a build up. */
export interface Hold {
  kind: HoldKind;
  /** What it is, as one would say it: “the king pin set from Cobb Springs”. */
  what: string;
  since: Day;
  /** The day on which it should end; null where nobody knows, which counts as last of all. */
  until: Day | null;
  /** What would help, and whose act it is. */
  act: string;
  /** The task that it holds, where it holds one. */
  task?: string;
  /** The entry by which somebody typed it. */
  entryId?: string;
}

export interface WaitingBuild {
  /** Somebody is at it, or a task could be begun this minute. */
  canBeWorkedOn: boolean;
  holds: readonly Hold[];
  /** Since when nothing holds it and nothing is planned either: the day it last moved on. */
  idleSince: Day;
}

/** Later first; an unknown end is later than every known one. Then what has held longest, then by its words. */
function laterFirst(a: Hold, b: Hold): number {
  if (a.until !== b.until) {
    if (a.until === null) return -1;
    if (b.until === null) return 1;
    return a.until < b.until ? 1 : -1;
  }
  if (a.since !== b.since) return a.since < b.since ? -1 : 1;
  return a.what < b.what ? -1 : a.what > b.what ? 1 : 0;
}

/** Exactly one for a build that cannot be worked on, none for one that can. */
export function bindingWait({ canBeWorkedOn, holds, idleSince }: WaitingBuild): Hold | null {
  if (canBeWorkedOn) return null;
  const [last] = [...holds].sort(laterFirst);
  return (
    last ?? {
      kind: 'plan',
      what: 'somebody to plan what is next',
      since: idleSince,
      until: null,
      act: 'write a task down, use a playbook, or say what it waits for',
    }
  );
}

/** “Waits for the king pin set, since Mon 2 Mar (should end Fri 20 Mar)”. */
export function holdInWords({ what, since, until }: Hold, today: Day, locale: string): string {
  const end =
    until === null
      ? ''
      : ` (${until < today ? 'should have ended' : 'should end'} ${formatDay(until, locale, today)})`;
  return `${what}, since ${formatDay(since, locale, today)}${end}`;
}

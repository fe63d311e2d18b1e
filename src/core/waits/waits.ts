/** What a car stands waiting for, read from its logbook. */
import type { OpenThing } from '../acts/acts.ts';
import type { EffectiveEntry } from '../log/entries.ts';
import { fromVendor, placedName, withArticle } from '../log/sentences.ts';
import { dayOf, daysBetween, formatDay, type Day } from '../time/days.ts';
import type { Hold } from './binding.ts';

/** An open wait: what for, since when, when it should end, from whom. */
export interface Wait {
  entryId: string;
  subject: string;
  since: Day;
  due?: Day;
  vendor?: string;
  /** Of the shop, whose hands or word it waits for. */
  person?: string;
  /** The part or piece that it waits for: that says when it is due and when it is here. */
  about?: WaitedThing;
}

export interface WaitedThing {
  type: 'part' | 'piece';
  id: string;
}

/** What of an entry a wait is read from. */
export type WaitEntry = Pick<
  EffectiveEntry,
  'id' | 'seq' | 'kind' | 'at' | 'text' | 'facts' | 'withdrawn'
> & {
  /** On `resumed` and `arrived`: the entries whose waits it ends, and no others. */
  ends?: readonly string[];
  /** On `waiting`: the part or piece that it is about. */
  thing?: WaitedThing | null;
};

/** Kinds of entry that begin or end a wait. */
export const WAIT_KINDS = ['waiting', 'resumed', 'arrived'] as const;

/**
 * Waits still open after these entries (of one build, any order). `resumed` and `arrived` end the waits that they point at; going on again,
 * of nothing in particular, ends all.
 */
export function openWaits(entries: readonly WaitEntry[], timeZone: string): Wait[] {
  const ordered = [...entries].filter((e) => !e.withdrawn).sort((a, b) => a.seq - b.seq);
  let open: Wait[] = [];
  for (const e of ordered) {
    if (e.kind === 'waiting') open.push(waitOf(e, timeZone));
    else if (e.ends && e.ends.length > 0) open = open.filter((w) => !e.ends!.includes(w.entryId));
    else if (e.kind === 'resumed' && e.facts.subject === undefined) open = [];
  }
  return open;
}

/** The wait that an entry begins. */
export function waitOf(e: Pick<WaitEntry, 'id' | 'at' | 'text' | 'facts' | 'thing'>, timeZone: string): Wait {
  return {
    entryId: e.id,
    subject: placedName(e.facts.subject ?? e.facts.person ?? e.text, e.facts.zone),
    since: e.facts.on ?? dayOf(e.at, timeZone),
    ...(e.facts.due === undefined ? {} : { due: e.facts.due }),
    ...(e.facts.vendor === undefined ? {} : { vendor: e.facts.vendor }),
    ...(e.facts.person === undefined ? {} : { person: e.facts.person }),
    ...(e.thing ? { about: e.thing } : {}),
  };
}

/** “the glass”, “Petra: finish the microcar”. */
const waitedFor = ({ subject, person }: Pick<Wait, 'subject' | 'person'>): string =>
  person === undefined || subject.includes(person) ? withArticle(subject) : `${person}: ${subject}`;

/** What somebody typed that a car waits for, as a line may end it. */
export const openHold = (w: Wait): OpenThing => ({
  type: 'hold',
  id: w.entryId,
  name: waitedFor(w),
  state: '',
});

/** What somebody typed that a car waits for, as the holds of the graph say theirs. */
export const typedHold = (w: Wait): Pick<Hold, 'what' | 'since' | 'until'> => ({
  what: `${waitedFor(w)}${fromVendor(w.vendor)}`,
  since: w.since,
  until: w.due ?? null,
});

/** "Waiting 9 days for the glass (due Fri 27 Nov)". */
export function waitInWords(
  { what, since, until }: Pick<Hold, 'what' | 'since' | 'until'>,
  today: Day,
  locale: string,
): string {
  const days = Math.max(0, daysBetween(since, today));
  const long = days === 0 ? 'since today' : days === 1 ? '1 day' : `${days} days`;
  const due =
    until === null ? '' : ` (${until < today ? 'was due' : 'due'} ${formatDay(until, locale, today)})`;
  return `Waiting ${long} for ${what}${due}`;
}

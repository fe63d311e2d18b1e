/** Who can do a kind of work today, and who is away. */
import type { Work } from '../estimate/lines.ts';
import { addDays, type Day } from '../time/days.ts';

export interface Hand {
  name: string;
  /** Empty: nobody has said, so they are not counted on for any kind in particular. */
  skills: readonly Work[];
  /** Days away, first and last; null while nobody knows. */
  away: readonly { from: Day; to: Day | null }[];
}

/** Whom a kind of work waits for: since when, and the day on which they are back, if anybody knows. */
export interface AwayHand {
  name: string;
  since: Day;
  back: Day | null;
}

/** The last day of an absence that covers a day, with those that follow it without a day between; undefined when here. */
function awayUntil({ away }: Hand, day: Day): Day | null | undefined {
  const now = away.find((a) => a.from <= day && (a.to === null || day <= a.to));
  if (!now) return undefined;
  if (now.to === null) return null;
  const next = awayUntil({ name: '', skills: [], away }, addDays(now.to, 1));
  return next === undefined ? now.to : next;
}

/**
 * Whom a kind of work waits for today: everybody who is known to do it is away. The one who is back first, and the day on
 * which they are; null where somebody is here, or where nobody was ever said to do it.
 */
export function whoIsAway(work: Work, hands: readonly Hand[], today: Day): AwayHand | null {
  const able = hands.filter((h) => h.skills.includes(work));
  const away = able.flatMap((h) => {
    const until = awayUntil(h, today);
    if (until === undefined) return [];
    const since = h.away.find((a) => a.from <= today && (a.to === null || today <= a.to))!.from;
    return [{ name: h.name, since, back: until === null ? null : addDays(until, 1) }];
  });
  if (able.length === 0 || away.length < able.length) return null;
  const rank = (back: Day | null): string => back ?? '9999-12-31';
  return away.sort((a, b) => (rank(a.back) < rank(b.back) ? -1 : rank(a.back) > rank(b.back) ? 1 : 0))[0]!;
}

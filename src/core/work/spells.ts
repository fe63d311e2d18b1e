/** Spells of work: begun and ended with one touch, or typed later; and those that somebody forgot to end. */
import { dayOf } from '../time/days.ts';
import { instantOf } from '../time/zones.ts';

export interface Spell {
  startedAt: string;
  /** Null while it goes on. */
  endedAt: string | null;
}

const MS = 60_000;

/** Whole minutes between two instants, at least one: a touch by mistake is seen, not lost. */
export const minutesBetween = (from: string, to: string): number =>
  Math.max(1, Math.round((Date.parse(to) - Date.parse(from)) / MS));

/** When the shop's day ends, for noticing what was forgotten. */
const EVENING = '19:00';
/** Nobody works longer than this at a stretch. */
const LONGEST_MINUTES = 12 * 60;

/** Whether an open spell was forgotten: its day's evening has passed, or it has gone on for longer than anybody works. */
export function isForgotten({ startedAt, endedAt }: Spell, now: string, timeZone: string): boolean {
  if (endedAt !== null) return false;
  const evening = instantOf(dayOf(startedAt, timeZone), EVENING, timeZone)!;
  if (now >= evening && startedAt < evening) return true;
  return Date.parse(now) - Date.parse(startedAt) > LONGEST_MINUTES * MS;
}

/** Why a spell cannot have ended then, or null. */
export function whyNotEnd(startedAt: string, endedAt: string, now: string): string | null {
  if (endedAt > now) return 'that is still to come';
  if (endedAt <= startedAt) return 'that is before it was begun';
  return minutesBetween(startedAt, endedAt) > LONGEST_MINUTES
    ? 'longer than twelve hours at a stretch: split it'
    : null;
}

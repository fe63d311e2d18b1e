/**
 * Which copies are kept: the newest of each of the last seven days, four weeks and twelve months that have one.
 * Days, weeks (from Monday, ISO 8601) and months are those of UTC, as the copies' names are.
 */
import { addDays, weekdayOf, type Day } from '../time/days.ts';

export const KEPT = { daily: 7, weekly: 4, monthly: 12 } as const;

/** Name of a copy: the UTC instant it was begun, to the second, in characters that every file system takes. */
const STAMP = /^(\d{4}-\d{2}-\d{2})T\d{2}-\d{2}-\d{2}$/;

export const isStamp = (name: string): boolean => STAMP.test(name);

/** @param instant UTC ISO 8601, as in `2026-11-30T02:57:12.345Z` */
export const stampOf = (instant: string): string => instant.slice(0, 19).replaceAll(':', '-');

/** The instant of a stamp, UTC ISO 8601; throws where it is none. */
export function instantOf(stamp: string): string {
  if (!isStamp(stamp)) throw new Error(`"${stamp}" is not the name of a copy`);
  const [day = '', time = ''] = stamp.split('T');
  return `${day}T${time.replaceAll('-', ':')}.000Z`;
}

const dayOfStamp = (stamp: string): Day => stamp.slice(0, 10) as Day;
const weekOf = (day: Day): string => addDays(day, 1 - weekdayOf(day));

/** The newest stamp of each period, of the newest `count` periods that have one. `newestFirst` is in that order. */
function newestOfEach(
  newestFirst: readonly string[],
  periodOf: (s: string) => string,
  count: number,
): string[] {
  const newest = new Map<string, string>();
  for (const stamp of newestFirst) if (!newest.has(periodOf(stamp))) newest.set(periodOf(stamp), stamp);
  return [...newest.values()].slice(0, count);
}

/** The stamps to keep, newest first; names that are no stamps are not among them. */
export function keptCopies(stamps: readonly string[]): string[] {
  const newestFirst = stamps.filter(isStamp).sort().reverse();
  const kept = new Set([
    ...newestOfEach(newestFirst, dayOfStamp, KEPT.daily),
    ...newestOfEach(newestFirst, (s) => weekOf(dayOfStamp(s)), KEPT.weekly),
    ...newestOfEach(newestFirst, (s) => s.slice(0, 7), KEPT.monthly),
  ]);
  return newestFirst.filter((s) => kept.has(s));
}

/** From a clock time in a time zone to an instant. */
import { addDays, dayOf, type Day } from './days.ts';

const MS_PER_MINUTE = 60_000;

const clocks = new Map<string, Intl.DateTimeFormat>();

/** A zone's clock; made once, since making it costs far more than reading it. */
function clockOf(timeZone: string): Intl.DateTimeFormat {
  const known = clocks.get(timeZone);
  if (known) return known;
  const parts = {
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  } as const;
  const made = new Intl.DateTimeFormat('en-US', { timeZone, hourCycle: 'h23', ...parts });
  clocks.set(timeZone, made);
  return made;
}

/** Minutes that the zone's clocks are ahead of UTC at an instant. */
function offsetMinutes(utcMs: number, timeZone: string): number {
  const parts = clockOf(timeZone).formatToParts(new Date(utcMs));
  const get = (type: string): number => Number(parts.find((p) => p.type === type)?.value);
  const local = Date.UTC(
    get('year'),
    get('month') - 1,
    get('day'),
    get('hour'),
    get('minute'),
    get('second'),
  );
  return Math.round((local - utcMs) / MS_PER_MINUTE);
}

/**
 * The UTC instant at which clocks in `timeZone` (IANA name) show `time` ("14:03:07") on `day`, or null for what is no
 * day or time. A time that the clocks skip or show twice is read with the offset that held just before or after.
 */
export function instantOf(day: Day, time: string, timeZone: string): string | null {
  const asUtc = Date.parse(`${day}T${time}Z`);
  if (Number.isNaN(asUtc)) return null;
  const first = asUtc - offsetMinutes(asUtc, timeZone) * MS_PER_MINUTE;
  return new Date(asUtc - offsetMinutes(first, timeZone) * MS_PER_MINUTE).toISOString();
}

/** Noon of a day in a time zone, as an instant. Noon exists in every zone's days. */
export function noonOf(day: Day, timeZone: string): string {
  const noon = instantOf(day, '12:00:00', timeZone);
  if (noon === null) throw new RangeError(`not a calendar day: ${day}`);
  return noon;
}

/** When something happened that is logged `now` and said to be of day `on`: an earlier day means its noon. */
export function whenOf(on: Day | undefined, now: string, timeZone: string): string {
  const today = dayOf(now, timeZone);
  return on === undefined || on >= today || on < addDays(today, -3660) ? now : noonOf(on, timeZone);
}

/** True for a time zone that the runtime knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

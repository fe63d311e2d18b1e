/** Calendar days are `YYYY-MM-DD` in the shop's time zone; instants are UTC ISO strings. Never one for the other. */
export type Day = string;

const MS_PER_DAY = 86_400_000;
const DAY = /^(\d{4})-(\d{2})-(\d{2})$/;

function toUtc(day: Day): number {
  const m = DAY.exec(day);
  if (!m) throw new RangeError(`not a calendar day: ${day}`);
  return Date.UTC(Number(m[1]), Number(m[2]) - 1, Number(m[3]));
}

function fromUtc(ms: number): Day {
  return new Date(ms).toISOString().slice(0, 10);
}

/** The day of a year, month (1 to 12) and day of month, or null where there is no such day (30 February). */
export function dayFromParts(year: number, month: number, dayOfMonth: number): Day | null {
  const ms = Date.UTC(year, month - 1, dayOfMonth);
  if (Number.isNaN(ms)) return null;
  const d = new Date(ms);
  if (d.getUTCFullYear() !== year || d.getUTCMonth() !== month - 1 || d.getUTCDate() !== dayOfMonth)
    return null;
  return fromUtc(ms);
}

/** True for a real calendar day written `YYYY-MM-DD`. */
export function isDay(value: string): boolean {
  const m = DAY.exec(value);
  return m !== null && dayFromParts(Number(m[1]), Number(m[2]), Number(m[3])) === value;
}

export function addDays(day: Day, days: number): Day {
  return fromUtc(toUtc(day) + days * MS_PER_DAY);
}

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return Math.round((toUtc(to) - toUtc(from)) / MS_PER_DAY);
}

/** Day of the week, ISO 8601: Monday 1 to Sunday 7. */
export function weekdayOf(day: Day): number {
  return new Date(toUtc(day)).getUTCDay() || 7;
}

/** First day of the month `months` after the month of `day`. */
export function startOfMonth(day: Day, months = 0): Day {
  const d = new Date(toUtc(day));
  return fromUtc(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + months, 1));
}

/** Making a formatter costs a hundred times what using it does, so each is made once. */
const formatters = new Map<string, Intl.DateTimeFormat>();

function formatter(locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${locale}|${options.timeZone}|${options.year}|${options.weekday}|${options.hour}`;
  const known = formatters.get(key);
  if (known) return known;
  const made = new Intl.DateTimeFormat(locale, options);
  formatters.set(key, made);
  return made;
}

/** The calendar day on which an instant falls in a time zone (IANA name). */
export function dayOf(instant: string, timeZone: string): Day {
  const options = { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' } as const;
  return formatter('en-CA', options).format(new Date(instant));
}

/** A day as people write it: Friday 4 December, with the year where it is not this year's. */
export function formatDay(day: Day, locale: string, today?: Day): string {
  const sameYear = today !== undefined && today.slice(0, 4) === day.slice(0, 4);
  const options = { timeZone: 'UTC', weekday: 'short', day: 'numeric', month: 'short' } as const;
  return formatter(locale, sameYear ? options : { ...options, year: 'numeric' }).format(new Date(toUtc(day)));
}

/** The time of day that the shop's clocks show at an instant: 09:12. */
export function formatTime(instant: string, timeZone: string): string {
  const options = { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' } as const;
  return formatter('en-GB', options).format(new Date(instant));
}

/** "today", "yesterday", "9 days ago": how long ago a day was. */
export function agoInWords(day: Day, today: Day): string {
  const days = daysBetween(day, today);
  if (days <= 0) return 'today';
  if (days === 1) return 'yesterday';
  return `${days} days ago`;
}

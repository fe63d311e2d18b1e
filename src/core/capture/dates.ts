/** Days as people say them: "friday", "the week after next", "in a fortnight", "the 14th", "3 weeks ago". */
import { addDays, dayFromParts, startOfMonth, weekdayOf, type Day } from '../time/days.ts';
import { readBelowHundred, startsNumber } from './numbers.ts';
import type { Token } from './tokens.ts';
import type { Found } from './quantities.ts';

/** `when`: what the words themselves say of it; a bare weekday or date says nothing. */
export interface SaidDay {
  day: Day;
  when: 'future' | 'past' | 'open';
  /** For a bare weekday: the nearest such day on the other side of today. */
  otherSide?: Day;
}

const WEEKDAYS: Record<string, number> = {
  monday: 1, mon: 1, tuesday: 2, tue: 2, tues: 2, wednesday: 3, weds: 3, wed: 3, thursday: 4, thu: 4, thur: 4, thurs: 4,
  friday: 5, fri: 5, saturday: 6, sat: 6, sunday: 7, sun: 7,
}; // prettier-ignore
/** "sun" and "sat" are words of their own, so short forms need a date word before them. */
const SHORT = new Set(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun', 'weds', 'tues', 'thur', 'thurs']);
const MONTHS: Record<string, number> = {
  january: 1, jan: 1, february: 2, feb: 2, march: 3, mar: 3, april: 4, apr: 4, may: 5, june: 6, jun: 6, july: 7, jul: 7,
  august: 8, aug: 8, september: 9, sept: 9, sep: 9, october: 10, oct: 10, november: 11, nov: 11, december: 12, dec: 12,
}; // prettier-ignore
const DUE_WORDS = new Set([
  'due', 'by', 'expected', 'expect', 'expecting', 'eta', 'before', 'until', 'till', 'arriving', 'arrives', 'coming',
  'ready', 'promised', 'delivery', 'delivered', 'deliver', 'for', 'here', 'back',
]); // prettier-ignore
const PAST_WORDS = new Set(['since', 'on', 'from', 'was']);

/** The role a day plays in the line: expected (`due`) or happened / since (`on`). */
export interface DayInLine extends Found<SaidDay> {
  role: 'due' | 'on' | null;
}

/** Every day said in the line. `monthFirst` where the locale writes 3/14 for 14 March. */
export function findDays(t: readonly Token[], today: Day, monthFirst: boolean): DayInLine[] {
  const found: DayInLine[] = [];
  for (let i = 0; i < t.length; i += 1) {
    const said = dayAt(t, i, today, monthFirst);
    if (!said) continue;
    const role = roleOf(t, said.from, said.value);
    found.push({ ...said, role: role.role, from: role.from });
    i = said.next - 1;
  }
  return found;
}

/** Looks back over "due in on", "ready by" to the word that gives the day its role. */
function roleOf(
  t: readonly Token[],
  from: number,
  said: SaidDay,
): { role: 'due' | 'on' | null; from: number } {
  let at = from - 1;
  if (t[at]?.lower === 'the') at -= 1;
  let start = from;
  let role: 'due' | 'on' | null = null;
  for (let steps = 0; steps < 3 && at >= 0; steps += 1, at -= 1) {
    const w = t[at]!.lower;
    if (w === 'since') return { role: 'on', from: at };
    if (DUE_WORDS.has(w)) {
      const strong = w === 'due' || w === 'by' || w === 'eta' || w === 'expected' || w === 'expecting';
      return { role: 'due', from: strong ? at : start };
    }
    if (PAST_WORDS.has(w)) {
      if (said.when !== 'future') role = role ?? 'on';
      start = w === 'on' ? at : start;
      continue;
    }
    if (w === 'in' || w === 'about' || w === 'around' || w === 'maybe') continue;
    break;
  }
  if (said.when === 'future') return { role: 'due', from: start };
  if (said.when === 'past') return { role: 'on', from: start };
  // "on friday" alone says nothing about before or after: leave it to the kind of entry.
  return { role: t[from - 1]?.lower === 'from' ? role : null, from: start };
}

/** Words that a day can begin with; every other word is passed over at the cost of one look-up. */
const STARTS = new Set([
  ...'today tonight tomorrow yesterday this day next last week a an one end in within'.split(' '),
  ...Object.keys(WEEKDAYS),
  ...Object.keys(MONTHS),
]);

function dayAt(t: readonly Token[], i: number, today: Day, monthFirst: boolean): Found<SaidDay> | null {
  const tok = t[i]!;
  if (tok.type !== 'number' && !STARTS.has(tok.lower) && !startsNumber(tok.lower)) return null;
  return (
    iso(t, i) ?? relativeWord(t, i, today) ?? weekdayAt(t, i, today) ?? weekAt(t, i, today) ?? spanOfTime(t, i, today) ??
    dayOfMonth(t, i, today) ?? numericDate(t, i, today, monthFirst)
  ); // prettier-ignore
}

const said = (
  from: number,
  next: number,
  day: Day,
  when: SaidDay['when'],
  otherSide?: Day,
): Found<SaidDay> => ({
  value: otherSide === undefined ? { day, when } : { day, when, otherSide },
  from,
  next,
});

function iso(t: readonly Token[], i: number): Found<SaidDay> | null {
  const [y, d1, m, d2, d] = [t[i], t[i + 1], t[i + 2], t[i + 3], t[i + 4]];
  if (!y || !/^\d{4}$/.test(y.text) || d1?.text !== '-' || d2?.text !== '-' || !m?.glued || !d?.glued)
    return null;
  const day = dayFromParts(Number(y.text), Number(m.text), Number(d.text));
  return day ? said(i, i + 5, day, 'open') : null;
}

function relativeWord(t: readonly Token[], i: number, today: Day): Found<SaidDay> | null {
  switch (t[i]?.lower) {
    case 'today':
    case 'tonight':
      return said(i, i + 1, today, 'open');
    case 'tomorrow':
      return said(i, i + 1, addDays(today, 1), 'future');
    case 'yesterday':
      return said(i, i + 1, addDays(today, -1), 'past');
    case 'this':
      return /^(?:morning|afternoon|evening)$/.test(t[i + 1]?.lower ?? '')
        ? said(i, i + 2, today, 'open')
        : null;
    case 'day': {
      const which = t[i + 2]?.lower;
      if (which === 'tomorrow' && t[i + 1]?.lower === 'after')
        return said(lead(t, i), i + 3, addDays(today, 2), 'future');
      if (which === 'yesterday' && t[i + 1]?.lower === 'before')
        return said(lead(t, i), i + 3, addDays(today, -2), 'past');
      return null;
    }
    default:
      return null;
  }
}

const lead = (t: readonly Token[], i: number): number => (t[i - 1]?.lower === 'the' ? i - 1 : i);

/** The coming such weekday, strictly after today. */
const coming = (today: Day, weekday: number): Day =>
  addDays(today, ((weekday - weekdayOf(today) + 6) % 7) + 1);
/** The last such weekday, strictly before today. */
const past = (today: Day, weekday: number): Day =>
  addDays(today, -(((weekdayOf(today) - weekday + 6) % 7) + 1));
/** Monday of the week `weeks` from this one. */
const mondayIn = (today: Day, weeks: number): Day => addDays(today, 1 - weekdayOf(today) + 7 * weeks);

function weekdayAt(t: readonly Token[], i: number, today: Day): Found<SaidDay> | null {
  const first = t[i]?.lower ?? '';
  if (
    (first === 'next' || first === 'last' || first === 'this') &&
    WEEKDAYS[t[i + 1]?.lower ?? ''] !== undefined
  ) {
    const wd = WEEKDAYS[t[i + 1]!.lower]!;
    if (first === 'last') return said(i, i + 2, past(today, wd), 'past');
    // "next friday" is the Friday of next week; "this friday" the coming one.
    if (first === 'next') return said(i, i + 2, addDays(mondayIn(today, 1), wd - 1), 'future');
    return said(i, i + 2, weekdayOf(today) === wd ? today : coming(today, wd), 'open', past(today, wd));
  }
  const wd = WEEKDAYS[first];
  if (wd === undefined) return null;
  if (SHORT.has(first) && !shortIsDay(t, i)) return null;
  const [a, b] = [t[i + 1]?.lower, t[i + 2]?.lower];
  if (a === 'week') return said(i, i + 2, addDays(coming(today, wd), 7), 'future');
  if (a === 'fortnight') return said(i, i + 2, addDays(coming(today, wd), 14), 'future');
  if (a === 'after' && b === 'next') return said(i, i + 3, addDays(mondayIn(today, 2), wd - 1), 'future');
  if (a === 'next' && b === 'week') return said(i, i + 3, addDays(mondayIn(today, 1), wd - 1), 'future');
  if (a === 'last' && b === 'week') return said(i, i + 3, addDays(mondayIn(today, -1), wd - 1), 'past');
  const dated =
    dayOfMonth(t, i + 1, today) ?? (t[i + 1]?.lower === 'the' ? dayOfMonth(t, i + 2, today) : null);
  if (dated) return { ...dated, from: i };
  return said(i, i + 1, coming(today, wd), 'open', past(today, wd));
}

function shortIsDay(t: readonly Token[], i: number): boolean {
  const before = t[i - 1]?.lower ?? '';
  return (
    DUE_WORDS.has(before) ||
    PAST_WORDS.has(before) ||
    t[i - 1]?.text === ',' ||
    (i === t.length - 1 && t[i]!.lower !== 'sun')
  );
}

/** "next week", "the week after next", "end of the month", "a week on friday". */
function weekAt(t: readonly Token[], i: number, today: Day): Found<SaidDay> | null {
  const w = (k: number): string => t[i + k]?.lower ?? '';
  if (w(0) === 'next' && w(1) === 'week') return said(i, i + 2, mondayIn(today, 1), 'future');
  if (w(0) === 'last' && w(1) === 'week') return said(i, i + 2, mondayIn(today, -1), 'past');
  if (w(0) === 'this' && w(1) === 'week') return said(i, i + 2, addDays(mondayIn(today, 0), 4), 'open');
  if (w(0) === 'next' && w(1) === 'month') return said(i, i + 2, startOfMonth(today, 1), 'future');
  if (w(0) === 'week' && w(1) === 'after' && w(2) === 'next')
    return said(lead(t, i), i + 3, mondayIn(today, 2), 'future');
  if ((w(0) === 'a' || w(0) === 'one') && w(1) === 'week' && w(2) === 'on' && WEEKDAYS[w(3)] !== undefined)
    return said(i, i + 4, addDays(coming(today, WEEKDAYS[w(3)]!), 7), 'future');
  if (w(0) === 'end' && w(1) === 'of') {
    const the = w(2) === 'the' || w(2) === 'this' || w(2) === 'next' ? 1 : 0;
    const next = w(2) === 'next';
    const at = lead(t, i);
    if (w(2 + the) === 'month')
      return said(at, i + 3 + the, addDays(startOfMonth(today, next ? 2 : 1), -1), 'future');
    if (w(2 + the) === 'week')
      return said(at, i + 3 + the, addDays(mondayIn(today, next ? 1 : 0), 4), 'future');
  }
  return null;
}

/** "in 3 days", "in a fortnight", "two weeks ago", "for 3 weeks" (since then). */
function spanOfTime(t: readonly Token[], i: number, today: Day): Found<SaidDay> | null {
  const lower = t[i]?.lower ?? '';
  const preposition = lower === 'in' || lower === 'within';
  const at = preposition ? i + 1 : i;
  const days = spanDays(t, at);
  if (!days) return null;
  if (t[days.next]?.lower === 'ago') return said(i, days.next + 1, addDays(today, -days.value), 'past');
  if (preposition) return said(i, days.next, addDays(today, days.value), 'future');
  const later = t[days.next]?.lower;
  if (later === 'from' && (t[days.next + 1]?.lower === 'now' || t[days.next + 1]?.lower === 'today'))
    return said(i, days.next + 2, addDays(today, days.value), 'future');
  return null;
}

function spanDays(t: readonly Token[], i: number): { value: number; next: number } | null {
  const tok = t[i];
  if (!tok) return null;
  if (tok.lower === 'a' && t[i + 1]?.lower === 'couple' && t[i + 2]?.lower === 'of')
    return times(t, i + 3, 2);
  if (/^an?$/.test(tok.lower)) return times(t, i + 1, 1);
  if (/^\d{1,3}$/.test(tok.text)) return times(t, i + 1, Number(tok.text));
  const spoken = readBelowHundred(t, i);
  return spoken ? times(t, spoken.next, spoken.value) : null;
}

function times(t: readonly Token[], i: number, n: number): { value: number; next: number } | null {
  const unit = t[i]?.lower ?? '';
  const days = /^days?$/.test(unit) ? 1 : /^weeks?$/.test(unit) ? 7 : /^fortnights?$/.test(unit) ? 14 : 0;
  return days === 0 ? null : { value: n * days, next: i + 1 };
}

/** "14th", "the 14th of march", "14 march", "march 14", with or without a year. */
function dayOfMonth(t: readonly Token[], i: number, today: Day): Found<SaidDay> | null {
  const tok = t[i];
  if (!tok) return null;
  if (MONTHS[tok.lower] !== undefined) {
    const n = ordinalAt(t, i + 1);
    // "may 14" yes, "may 2 come" is rarer than the harm of missing it; "mar" and "may" need a number right behind.
    return n ? monthDay(t, i, n.next, MONTHS[tok.lower]!, n.value, today) : null;
  }
  const n = ordinalAt(t, i);
  if (!n) return null;
  const of = t[n.next]?.lower === 'of' ? 1 : 0;
  const month = MONTHS[t[n.next + of]?.lower ?? ''];
  if (month !== undefined) return monthDay(t, i, n.next + of + 1, month, n.value, today);
  if (!n.ordinal || t[i - 1]?.lower !== 'the') return null;
  if (
    t[n.next]?.type === 'word' &&
    /^(?:one|gear|bolt|time|cylinder|set|pair|lot|attempt|coat|go|hole|speed)$/.test(t[n.next]!.lower)
  )
    return null;
  const thisMonth = startOfMonth(today);
  const day = dayFromParts(Number(thisMonth.slice(0, 4)), Number(thisMonth.slice(5, 7)), n.value);
  const nextMonth = startOfMonth(today, 1);
  const later = dayFromParts(Number(nextMonth.slice(0, 4)), Number(nextMonth.slice(5, 7)), n.value);
  const lastMonth = startOfMonth(today, -1);
  const earlier = dayFromParts(Number(lastMonth.slice(0, 4)), Number(lastMonth.slice(5, 7)), n.value);
  if (day && day >= today) return said(i, n.next, day, 'open', earlier ?? day);
  return later ? said(i, n.next, later, 'open', day ?? later) : null;
}

function ordinalAt(t: readonly Token[], i: number): { value: number; next: number; ordinal: boolean } | null {
  const tok = t[i];
  if (!tok || !/^\d{1,2}$/.test(tok.text)) return null;
  const value = Number(tok.text);
  if (value < 1 || value > 31) return null;
  const ordinal = /^(?:st|nd|rd|th)$/.test(t[i + 1]?.lower ?? '') && t[i + 1]!.glued;
  return { value, next: ordinal ? i + 2 : i + 1, ordinal };
}

function monthDay(
  t: readonly Token[],
  from: number,
  next: number,
  month: number,
  dom: number,
  today: Day,
): Found<SaidDay> | null {
  const comma = t[next]?.text === ',' ? 1 : 0;
  const year = t[next + comma];
  if (year && /^(?:19|20)\d\d$/.test(year.text)) {
    const day = dayFromParts(Number(year.text), month, dom);
    return day ? said(from, next + comma + 1, day, 'open') : null;
  }
  const y = Number(today.slice(0, 4));
  const day = dayFromParts(y, month, dom);
  if (!day) return null;
  if (day >= today) return said(from, next, day, 'open', dayFromParts(y - 1, month, dom) ?? day);
  return said(from, next, dayFromParts(y + 1, month, dom) ?? day, 'open', day);
}

/** 14/3 or 3/14 by the locale's order; needs a date word before it, since 5/16 is also a size. */
function numericDate(t: readonly Token[], i: number, today: Day, monthFirst: boolean): Found<SaidDay> | null {
  const [a, s, b] = [t[i], t[i + 1], t[i + 2]];
  if (!a || !/^\d{1,2}$/.test(a.text) || s?.text !== '/' || !b || !/^\d{1,2}$/.test(b.text)) return null;
  const before = t[i - 1]?.lower ?? '';
  if (!DUE_WORDS.has(before) && !PAST_WORDS.has(before)) return null;
  const [dom, month] = monthFirst ? [Number(b.text), Number(a.text)] : [Number(a.text), Number(b.text)];
  if (month > 12) return null;
  return monthDay(t, i, i + 3, month, dom, today);
}

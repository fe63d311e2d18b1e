/** Durations and measured values: "two hours and a quarter", "one and a half thou", "1-3/8 in". */
import type { Measure } from '../log/kinds.ts';
import { readNumber } from './numbers.ts';
import type { Token } from './tokens.ts';

/** A thing read between two tokens. */
export interface Found<T> {
  value: T;
  from: number;
  next: number;
}

const HOUR = /^(?:h|hr|hrs|hour|hours)$/;
const MINUTE = /^(?:m|min|mins|minute|minutes)$/;
/** Words before a duration that make it a delay or a cure time, not work done. */
const NOT_WORK = new Set(['wants', 'within', 'after', 'every', 'next', 'last', 'per', 'overnight']);

/** Every duration in the line, in minutes. */
export function findDurations(t: readonly Token[], mark: '.' | ','): Found<number>[] {
  const found: Found<number>[] = [];
  for (let i = 0; i < t.length; i += 1) {
    const d = partOfName(t, i) ? null : durationAt(t, i, mark);
    if (!d) continue;
    if (!NOT_WORK.has(t[i - 1]?.lower ?? '') && !isDelay(t, i) && !isRate(t, i, d.next)) found.push(d);
    i = d.next - 1;
  }
  return found;
}

/** Minutes that a line says are left: “2 h to go”, “an hour and a half left”; null where it says nothing of the kind. */
export function minutesLeft(t: readonly Token[], mark: '.' | ','): number | null {
  for (let i = 0; i < t.length; i += 1) {
    const d = durationAt(t, i, mark);
    if (!d) continue;
    const [next, then] = [t[d.next]?.lower, t[d.next + 1]?.lower];
    if (next === 'left' || next === 'remaining' || (next === 'to' && then === 'go')) return d.value;
    i = d.next - 1;
  }
  return null;
}

/** “The plate is in”, “the diff is back in”: it is there now, and how long it took follows. */
const isThere = (t: readonly Token[], i: number): boolean =>
  /^(?:is|are)$/.test(t[t[i - 1]?.lower === 'back' ? i - 2 : i - 1]?.lower ?? '');

/** “I had them on in two hours”. */
const hadIt = (t: readonly Token[], i: number): boolean =>
  /^(?:on|off|out|up|apart|done|together)$/.test(t[i - 1]?.lower ?? '') &&
  t.slice(Math.max(0, i - 6), i).some((tok) => /^(?:had|got|have)$/.test(tok.lower));

/** “Due in two hours” is when; “wired the fan in an hour” is how long it took, said without a stop. */
const isDelay = (t: readonly Token[], i: number): boolean =>
  t[i - 1]?.lower === 'in' &&
  !isThere(t, i - 1) &&
  !hadIt(t, i - 1) &&
  /^(?:|needed|wanted|expected|promised|called|asked|booked|finished|phoned|delayed)$/.test(verbOf(t, i - 1));

/** The nearest word in -ed, or “put”, “let”, “cut”, of the few before, with no stop between; empty where there is none. */
function verbOf(t: readonly Token[], at: number): string {
  for (let i = at - 1; i >= Math.max(0, at - 7) && t[i]!.type !== 'mark'; i -= 1)
    if (/ed$|^(?:put|let|cut|blew|blown|hung|stuck|got)$/.test(t[i]!.lower)) return t[i]!.lower;
  return '';
}

/** "40 an hour", "50 per hour", "24 hour cure", "miles per hour" are not time worked. */
function isRate(t: readonly Token[], from: number, next: number): boolean {
  const before = t[from - 1];
  if (
    t[from]?.lower === 'an' &&
    before &&
    (before.type === 'number' || /^(?:quid|pounds|miles|revs)$/.test(before.lower))
  )
    return true;
  if (before?.text === '/' || /^(?:£|\$|€)$/.test(before?.text ?? '')) return true;
  if (
    t[next]?.lower === 'to' &&
    /^(?:cure|dry|harden|set|settle|go|warm|charge)$/.test(t[next + 1]?.lower ?? '')
  )
    return true;
  return /^(?:cure|curing|epoxy|clock|run|test|ago|later|away|old|drive|notice)$/.test(t[next]?.lower ?? '');
}

function durationAt(t: readonly Token[], i: number, mark: '.' | ','): Found<number> | null {
  const hours = hoursAt(t, i, mark);
  if (hours) return hours;
  const n = readNumber(t, i, mark);
  const unit = n && t[n.next];
  // “I did two and a half on the wiring”: of hours, which need not be named.
  const isDid =
    n && /^did$/.test(t[i - 1]?.lower ?? '') && unit?.lower === 'on' && n.value >= 0.25 && n.value <= 16;
  if (isDid) return { value: Math.round(n.value * 60), from: i, next: n.next };
  if (!n || !unit || !MINUTE.test(unit.lower)) return null;
  if (unit.lower === 'm') return null; // metres, unless behind hours
  const minutes = Math.round(n.value);
  return minutes > 0 && minutes <= 6000 ? { value: minutes, from: i, next: n.next + 1 } : null;
}

function hoursAt(t: readonly Token[], i: number, mark: '.' | ','): Found<number> | null {
  const anHour = /^(?:an?|another)$/.test(t[i]?.lower ?? '') && /^(?:hour|hr)$/.test(t[i + 1]?.lower ?? '');
  let value: number;
  let next: number;
  // “…, hour and a half”, as one says it in passing.
  const bareHour =
    /^(?:hour|hr)$/.test(t[i]?.lower ?? '') && t[i + 1]?.lower === 'and' && t[i + 2]?.lower === 'a';
  if (anHour) ({ value, next } = { value: 1, next: i + 2 });
  else if (bareHour) ({ value, next } = { value: 1, next: i + 1 });
  else {
    const n = readNumber(t, i, mark);
    const unit = n && t[n.next];
    if (!n || !unit || !HOUR.test(unit.lower)) return null;
    // “14 and a quarter hour”: fourteen pounds, and a quarter of an hour; more than one would be hours.
    if (t[i]!.type === 'number' && unit.lower === 'hour' && n.value > 1 && t[i + 1]?.lower === 'and')
      return null;
    ({ value, next } = { value: n.value, next: n.next + 1 });
    // "2 h" stays hours only where the unit stands alone: "3 h" yes, "3 h4 bulbs" tokenizes as one word.
  }
  let minutes = value * 60;
  const tail = readTail(t, next, mark);
  if (tail) ({ minutes, next } = { minutes: minutes + tail.value, next: tail.next });
  const rounded = Math.round(minutes);
  return rounded > 0 && rounded <= 60_000 ? { value: rounded, from: i, next } : null;
}

/** What may stand behind how long it took. */
const AFTER_TIME =
  /^(?:and|then|but|so|on|for|with|at|to|that|it|which|i|we|he|she|they|must|should|nice|safety|all|now|next|the|while|ordered|found)$/;

/** What may follow the hours: "and a quarter", "30", "30 min", "and twenty minutes". */
function readTail(t: readonly Token[], i: number, mark: '.' | ','): { value: number; next: number } | null {
  const and = t[i]?.lower === 'and' ? 1 : 0;
  if (and) {
    const part = t[i + 2]?.lower;
    const count = t[i + 1]?.lower;
    if ((count === 'a' || count === 'one') && (part === 'half' || part === 'quarter'))
      return { value: part === 'half' ? 30 : 15, next: i + 3 };
    if (count === 'three' && part === 'quarters') return { value: 45, next: i + 3 };
  }
  const n = readNumber(t, i + and, mark);
  if (!n || n.value >= 60) return null;
  // “An hour twenty”, “an hour and ten”: spoken in fives, and nothing is counted by it.
  const counts = t[n.next]?.type === 'word' && !AFTER_TIME.test(t[n.next]!.lower);
  const inFives = n.form === 'spoken' && n.value % 5 === 0 && n.value >= 5 && t[i - 1]?.lower === 'hour';
  if (inFives && !counts && !MINUTE.test(t[n.next]?.lower ?? '')) return { value: n.value, next: n.next };
  if (t[n.next] && MINUTE.test(t[n.next]!.lower)) return { value: n.value, next: n.next + 1 };
  const digits = t[i]?.type === 'number' && /^\d\d$/.test(t[i]!.text);
  const closed =
    t[n.next] === undefined ||
    t[n.next]!.type === 'mark' ||
    /^(?:on|to|for|at|with|and|by)$/.test(t[n.next]!.lower);
  const follows = digits && (t[i]!.glued || (closed && t[i - 1]?.lower === 'h'));
  return follows && !and ? { value: n.value, next: n.next } : null;
}

interface UnitSpec {
  unit: string;
  words: RegExp;
  /** Too short to trust behind a space. */
  glued?: true;
  /** Upper and lower case matter. */
  exact?: RegExp;
}

/** Units by how they are written; the first match wins, longer phrases first. */
const UNIT_PHRASES: { unit: string; words: string[] }[] = [
  ...['foot pounds', 'foot pound', 'foot lbs', 'ft lb', 'ft lbs', 'ft-lb', 'ft-lbs', 'pound feet', 'pounds feet', 'pound foot', 'lb ft', 'lbs ft', 'lb-ft', 'lbft', 'ftlb', 'ftlbs'].map((p) => ({ unit: 'lb-ft', words: p.split(' ') })),
  ...['newton metres', 'newton meters', 'newton metre', 'newton meter', 'newton-metres'].map((p) => ({ unit: 'Nm', words: p.split(' ') })),
  ...['cubic centimetres', 'cubic centimeters'].map((p) => ({ unit: 'cc', words: p.split(' ') })),
  ...['degrees centigrade', 'degrees celsius', 'deg c'].map((p) => ({ unit: '°C', words: p.split(' ') })),
  ...['degrees fahrenheit', 'deg f'].map((p) => ({ unit: '°F', words: p.split(' ') })),
  ...['kilometres per hour', 'kilometers per hour'].map((p) => ({ unit: 'km/h', words: p.split(' ') })),
  { unit: 'mph', words: ['miles', 'per', 'hour'] },
  { unit: 'psi', words: ['pounds', 'per', 'square', 'inch'] },
]; // prettier-ignore

const UNIT_WORDS: UnitSpec[] = [
  { unit: 'lb-ft', words: /^(?:foot-pounds?|foot-lbs?|pound-feet)$/ },
  { unit: 'Nm', words: /^(?:newton-met(?:re|er)s?)$/ },
  { unit: 'in', words: /^(?:in|inch|inches|ins)$/ },
  { unit: 'mm', words: /^(?:mm|mil|mils|millimetres?|millimeters?)$/ },
  { unit: 'cm', words: /^(?:cm|centimetres?|centimeters?)$/ },
  { unit: 'm', words: /^(?:metres?|meters?)$/ },
  { unit: 'm', words: /^m$/, exact: /^m$/ },
  { unit: 'thou', words: /^(?:thou|thous|thousandths?)$/ },
  { unit: 'ft', words: /^(?:ft|foot|feet)$/ },
  { unit: 'psi', words: /^psi$/ },
  { unit: 'bar', words: /^bar$/ },
  { unit: 'kPa', words: /^kpa$/ },
  { unit: 'Nm', words: /^nm$/ },
  { unit: 'qt', words: /^(?:qt|qts|quart|quarts)$/ },
  { unit: 'pt', words: /^(?:pt|pts|pint|pints)$/ },
  { unit: 'gal', words: /^(?:gal|gals|gallon|gallons)$/ },
  { unit: 'l', words: /^(?:l|ltr|ltrs|litres?|liters?)$/ },
  { unit: 'ml', words: /^(?:ml|millilitres?|milliliters?)$/ },
  { unit: 'deg', words: /^(?:deg|degs|degree|degrees)$/ },
  { unit: 'mV', words: /^(?:mv|millivolts?)$/ },
  { unit: 'V', words: /^(?:v|volts?)$/ },
  { unit: 'mA', words: /^(?:ma|milliamps?)$/ },
  { unit: 'A', words: /^(?:amps?|amperes?)$/ },
  { unit: 'A', words: /^a$/, exact: /^A$/ },
  { unit: 'Ah', words: /^ah$/ },
  { unit: 'kWh', words: /^kwh$/ },
  { unit: 'kW', words: /^kw$/ },
  { unit: 'ohm', words: /^(?:ohms?)$/ },
  { unit: 'rpm', words: /^(?:rpm|revs)$/ },
  { unit: 'mi', words: /^(?:mi|mile|miles)$/ },
  { unit: 'km', words: /^(?:km|kms|kilometres?|kilometers?)$/ },
  { unit: 'mph', words: /^mph$/ },
  { unit: 'kg', words: /^(?:kg|kgs|kilos?|kilograms?)$/ },
  { unit: 'g', words: /^(?:g|grams?|grammes?)$/ },
  { unit: 'lb', words: /^(?:lb|lbs)$/ },
  { unit: 'oz', words: /^(?:oz|ounces?)$/ },
  { unit: 'cc', words: /^cc$/ },
  { unit: 'bhp', words: /^(?:bhp|hp|horsepower)$/ },
  { unit: '%', words: /^(?:percent)$/ },
];
const UNIT_MARKS: Record<string, string> = {
  '"': 'in',
  '”': 'in',
  '″': 'in',
  '°': 'deg',
  '%': '%',
  Ω: 'ohm',
  µ: 'µm',
};

/** Words behind "2 in" that show the "in" is not inches. */
const NOT_INCH =
  /^(?:stamps|cash|change|postage|fuel|parts|bits|total|the|a|an|it|its|my|our|his|her|their|this|that|there|place|stock|all|total|each|every|one|two|situ|hand|good|bad|and|tomorrow|by|at|from|on|with|through|under|behind|front|store|bags?|boxes|primer)$/;

/** The unit that starts at token `i`, and the token behind it. */
function unitAt(t: readonly Token[], i: number): { unit: string; next: number } | null {
  const tok = t[i];
  if (!tok) return null;
  const byMark = UNIT_MARKS[tok.text];
  if (byMark !== undefined) {
    const celsius = byMark === 'deg' && t[i + 1]?.glued && /^[CF]$/.test(t[i + 1]!.text);
    return celsius ? { unit: `°${t[i + 1]!.text}`, next: i + 2 } : { unit: byMark, next: i + 1 };
  }
  for (const { unit, words } of UNIT_PHRASES) {
    if (words.every((w, k) => t[i + k]?.lower === w)) return { unit, next: i + words.length };
  }
  if (tok.lower === 'km' && t[i + 1]?.text === '/' && t[i + 2]?.lower === 'h')
    return { unit: 'km/h', next: i + 3 };
  const spec = UNIT_WORDS.find((u) => u.words.test(tok.lower) && (!u.exact || u.exact.test(tok.text)));
  if (!spec || (spec.glued && !tok.glued)) return null;
  if (tok.lower === 'in' && !tok.glued && NOT_INCH.test(t[i + 1]?.lower ?? '')) return null;
  if (
    (tok.lower === 'm' || tok.lower === 'l' || tok.lower === 'g' || tok.lower === 'v') &&
    t[i + 1]?.glued &&
    t[i + 1]?.text !== ',' &&
    t[i + 1]?.text !== '.'
  )
    return null;
  return { unit: spec.unit, next: i + 1 };
}

/** Every measured value in the line. A sign directly before the number, or "minus", belongs to it. */
export function findMeasures(t: readonly Token[], mark: '.' | ',', poundsWeigh = false): Found<Measure>[] {
  const found: Found<Measure>[] = [];
  for (let i = 0; i < t.length; i += 1) {
    if (partOfName(t, i) || /^[£$€¥]$/.test(t[i - 1]?.text ?? '')) continue;
    const n = readNumber(t, i, mark);
    if (!n) continue;
    const unit =
      (poundsWeigh && /^pounds?$/.test(t[n.next]?.lower ?? '') && unitAt(t, n.next) === null
        ? { unit: 'lb', next: n.next + 1 }
        : null) ??
      unitAt(t, n.next) ??
      unitAt(t, t[n.next]?.text === '-' && t[n.next]!.glued ? n.next + 1 : t.length);
    if (!unit) {
      i = n.next - 1;
      continue;
    }
    const minus = isMinus(t, i);
    const value = Number((minus ? -n.value : n.value).toPrecision(12));
    found.push({ value: { value, unit: unit.unit }, from: minus ? i - 1 : i, next: unit.next });
    i = unit.next - 1;
  }
  return found;
}

/** A number glued to letters before it (M8, H4) names a thing. */
const partOfName = (t: readonly Token[], i: number): boolean =>
  t[i]!.glued && i > 0 && t[i - 1]!.type === 'word';

function isMinus(t: readonly Token[], i: number): boolean {
  const before = t[i - 1];
  if (before?.lower === 'minus') return true;
  return (before?.text === '-' || before?.text === '−') && t[i]!.glued && !before.glued;
}

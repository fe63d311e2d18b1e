/** Reads numbers as typed (46.50, 1.250,00, 2 1/2, 1-3/8, ½) and as spoken (one and a half, seventy-two). */
import type { Token } from './tokens.ts';

/** A number read from tokens `from` (inclusive) to `next` (exclusive). */
export interface Read {
  value: number;
  next: number;
  /** `plain` digits, digits with `cents` (exactly two decimals), a `fraction`, or `spoken` words. */
  form: 'plain' | 'cents' | 'decimal' | 'fraction' | 'spoken';
}

const UNITS: Record<string, number> = {
  zero: 0, nought: 0, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10,
  eleven: 11, twelve: 12, thirteen: 13, fourteen: 14, fifteen: 15, sixteen: 16, seventeen: 17, eighteen: 18,
  nineteen: 19,
}; // prettier-ignore
const TENS: Record<string, number> = {
  twenty: 20, thirty: 30, forty: 40, fourty: 40, fifty: 50, sixty: 60, seventy: 70, eighty: 80, ninety: 90,
}; // prettier-ignore
const GLYPHS: Record<string, number> = {
  '½': 0.5,
  '¼': 0.25,
  '¾': 0.75,
  '⅛': 0.125,
  '⅜': 0.375,
  '⅝': 0.625,
  '⅞': 0.875,
};
const PARTS: Record<string, number> = {
  half: 0.5, quarter: 0.25, quarters: 0.25, third: 1 / 3, thirds: 1 / 3, eighth: 0.125, eighths: 0.125,
  sixteenth: 0.0625, sixteenths: 0.0625, tenth: 0.1, tenths: 0.1,
}; // prettier-ignore

/** How the shop's locale writes decimals: `.` or `,`. */
export function decimalMark(locale: string): '.' | ',' {
  const part = new Intl.NumberFormat(locale).formatToParts(1.1).find((p) => p.type === 'decimal');
  return part?.value === ',' ? ',' : '.';
}

/**
 * The value of digits with separators, or null when they cannot be one number (1,2,3).
 * Both decimal marks are read; where one separator with three digits behind it could be either
 * (1.250), the shop's own decimal mark decides.
 */
function readDigits(text: string, mark: '.' | ','): { value: number; decimals: number } | null {
  if (text.includes(':')) return null;
  const bare = text.replace(/['’](?=\d{3})/g, '');
  if (/['’]/.test(bare)) return null;
  const marks = [...bare].filter((c) => c === '.' || c === ',');
  const other = mark === '.' ? ',' : '.';
  if (marks.length === 0) return { value: Number(bare), decimals: 0 };
  const lastMark = marks[marks.length - 1] as '.' | ',';
  const kinds = new Set(marks);
  let decimal: string | null;
  if (kinds.size === 2) {
    if (marks.indexOf(lastMark) !== marks.length - 1) return null;
    decimal = lastMark;
  } else if (marks.length > 1) decimal = null;
  else {
    const [whole = '', behind = ''] = bare.split(lastMark);
    const grouped = behind.length === 3 && /^[1-9]\d{0,2}$/.test(whole);
    decimal = lastMark === other && grouped ? null : lastMark;
  }
  const [whole = '', behind = ''] = decimal === null ? [bare] : splitLast(bare, decimal);
  const groups = whole.split(/[.,]/);
  if (groups.length > 1 && !groups.slice(1).every((g) => g.length === 3)) return null;
  const value = Number(`${groups.join('') || '0'}.${behind || '0'}`);
  return Number.isFinite(value) ? { value, decimals: behind.length } : null;
}

function splitLast(s: string, mark: string): [string, string] {
  const i = s.lastIndexOf(mark);
  return [s.slice(0, i), s.slice(i + 1)];
}

/** Reads a number that starts at token `i`; null when there is none. */
export function readNumber(t: readonly Token[], i: number, mark: '.' | ','): Read | null {
  const tok = t[i];
  if (!tok) return null;
  const glyph = GLYPHS[tok.text];
  if (glyph !== undefined) return { value: glyph, next: i + 1, form: 'fraction' };
  if (tok.type === 'number') return readTyped(t, i, mark);
  if (tok.type === 'word') return readSpoken(t, i);
  return null;
}

function readTyped(t: readonly Token[], i: number, mark: '.' | ','): Read | null {
  const read = readDigits(t[i]!.text, mark);
  if (!read) return null;
  const fraction = readFraction(t, i);
  if (fraction) return fraction;
  let next = i + 1;
  let value = read.value;
  if (read.decimals === 0) {
    const glyph = t[next] && GLYPHS[t[next]!.text];
    if (glyph !== undefined) return { value: value + glyph, next: next + 1, form: 'fraction' };
    const dashed = t[next]?.text === '-' && t[next]!.glued ? 1 : 0;
    const tail = t[next + dashed]?.type === 'number' ? readFraction(t, next + dashed) : null;
    if (tail && tail.value < 1) return { value: value + tail.value, next: tail.next, form: 'fraction' };
    const spokenTail = readAndPart(t, next);
    if (spokenTail) {
      value += spokenTail.value;
      next = spokenTail.next;
      return { value, next, form: 'fraction' };
    }
  }
  return { value, next, form: read.decimals === 2 ? 'cents' : read.decimals > 0 ? 'decimal' : 'plain' };
}

/** 5/16, glued together. */
function readFraction(t: readonly Token[], i: number): Read | null {
  const [a, slash, b] = [t[i], t[i + 1], t[i + 2]];
  if (!a || slash?.text !== '/' || !slash.glued || b?.type !== 'number' || !b.glued) return null;
  if (t[i + 3]?.text === '/' && t[i + 3]!.glued) return null;
  if (!/^\d{1,3}$/.test(a.text) || !/^(2|3|4|8|16|32|64)$/.test(b.text)) return null;
  const value = Number(a.text) / Number(b.text);
  return value < 10 ? { value, next: i + 3, form: 'fraction' } : null;
}

/** "and a half", "and a quarter", "and three quarters". */
function readAndPart(t: readonly Token[], i: number): { value: number; next: number } | null {
  if (t[i]?.lower !== 'and') return null;
  const a = t[i + 1]?.lower;
  const part = t[i + 2] && PARTS[t[i + 2]!.lower];
  // “6 and a quarter of an hour”: a price, and how long.
  if (part === undefined || t[i + 3]?.lower === 'of') return null;
  if (a === 'a' || a === 'an' || a === 'one') return { value: part, next: i + 3 };
  const count = a === undefined ? undefined : UNITS[a];
  return count !== undefined && count * part < 1 ? { value: count * part, next: i + 3 } : null;
}

function readSpoken(t: readonly Token[], i: number): Read | null {
  const lower = t[i]?.lower;
  if (lower === undefined) return null;
  const own = readPart(t, i);
  if (own) return own;
  const below = readBelowHundred(t, i);
  if (!below && !(lower === 'a' && isMagnitude(t[i + 1]?.lower))) return null;
  let { value, next } = below ?? { value: 1, next: i + 1 };
  if (t[next]?.lower === 'hundred') {
    value *= 100;
    next += 1;
    const and = t[next]?.lower === 'and' ? 1 : 0;
    const rest = readBelowHundred(t, next + and);
    if (rest) ({ value, next } = { value: value + rest.value, next: rest.next });
  }
  if (t[next]?.lower === 'thousand') {
    value *= 1000;
    next += 1;
    const and = t[next]?.lower === 'and' ? 1 : 0;
    const rest = readSpoken(t, next + and);
    if (rest && rest.value < 1000) ({ value, next } = { value: value + rest.value, next: rest.next });
  }
  if (t[next]?.lower === 'point') {
    let digits = '';
    let at = next + 1;
    for (; t[at] && UNITS[t[at]!.lower] !== undefined; at += 1) digits += String(UNITS[t[at]!.lower]);
    if (digits !== '') return { value: Number(`${value}.${digits}`), next: at, form: 'spoken' };
  }
  const tail = readAndPart(t, next);
  if (tail) ({ value, next } = { value: value + tail.value, next: tail.next });
  return { value, next, form: 'spoken' };
}

const isMagnitude = (w: string | undefined): boolean => w === 'hundred' || w === 'thousand';

/** "half a", "three quarters of an", "a quarter of an", "quarter". */
function readPart(t: readonly Token[], i: number): Read | null {
  const first = t[i]!.lower;
  const lead = first === 'a' || first === 'an' ? 1 : UNITS[first];
  const at = lead !== undefined && PARTS[t[i + 1]?.lower ?? ''] !== undefined ? i + 1 : i;
  const part = PARTS[t[at]?.lower ?? ''];
  if (part === undefined) return null;
  const value = at > i && lead !== undefined ? lead * part : part;
  let next = at + 1;
  if (t[next]?.lower === 'of') next += 1;
  if (t[next]?.lower === 'a' || t[next]?.lower === 'an') next += 1;
  return { value, next, form: 'spoken' };
}

/** Nearly every word of a line is none: a look-up of its first three letters tells most of them apart. */
const NUMBER_STARTS = new Set([...Object.keys(UNITS), ...Object.keys(TENS)].map((w) => w.slice(0, 3)));
export const startsNumber = (lower: string): boolean => NUMBER_STARTS.has(lower.slice(0, 3));

/** One number word below a hundred: seven, seventy, seventy-two, seventy two. */
export function readBelowHundred(t: readonly Token[], i: number): { value: number; next: number } | null {
  const lower = t[i]?.lower;
  if (lower === undefined || !startsNumber(lower)) return null;
  const unit = UNITS[lower];
  if (unit !== undefined) return { value: unit, next: i + 1 };
  const [tens = '', rest] = lower.split('-');
  const ten = TENS[tens];
  if (ten === undefined) return null;
  if (rest !== undefined) {
    const u = UNITS[rest];
    return u !== undefined && u < 10 && u > 0 ? { value: ten + u, next: i + 1 } : null;
  }
  const u = t[i + 1] && UNITS[t[i + 1]!.lower];
  return u !== undefined && u > 0 && u < 10 ? { value: ten + u, next: i + 2 } : { value: ten, next: i + 1 };
}

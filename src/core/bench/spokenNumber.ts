/** A number at the start of a reading, as it is typed (2 1/2, 1-3/8, .030, 1,5) or spoken (two and a half, point oh five). */
import { InputError } from './input.ts';

export interface SpokenNumber {
  value: number;
  /** What stands behind it. */
  rest: string;
  /** A fraction, in figures or words, or figures that begin with their decimal mark: shop notation for inches. */
  likeInches: boolean;
  /** With exactly three figures behind a comma: what it is if the comma parts thousands. */
  thousands: number | null;
  /** Said in tenths: how many. */
  tenths: number | null;
}

const SMALL = 'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(' '); // prettier-ignore
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');
const DIGITS: Record<string, number> = { oh: 0, o: 0, nought: 0 };
const PARTS: Record<string, number> = {
  half: 2, halves: 2, third: 3, thirds: 3, quarter: 4, quarters: 4, eighth: 8, eighths: 8, sixteenth: 16, sixteenths: 16,
  tenth: 10, tenths: 10,
}; // prettier-ignore
const AND_PART = /^(.*?) ?and (a half|a quarter|three quarters)$/;
const AND_PARTS: Record<string, number> = { 'a half': 0.5, 'a quarter': 0.25, 'three quarters': 0.75 };

function divided(n: number, by: number): number {
  if (by === 0) throw new InputError('text', 'out_of_range', 'text: nothing can be divided by zero');
  return n / by;
}

interface Words {
  value: number;
  used: number;
}

const smallOf = (word: string | undefined): number | null => {
  const at = SMALL.indexOf(word ?? '');
  return at < 0 ? null : at;
};

function underHundred(words: readonly string[], at: number): Words | null {
  const tens = TENS.indexOf(words[at] ?? '');
  if (tens < 0) {
    const small = smallOf(words[at]);
    return small === null ? null : { value: small, used: 1 };
  }
  const unit = smallOf(words[at + 1]);
  const joins = unit !== null && unit > 0 && unit < 10;
  return { value: (tens + 2) * 10 + (joins ? unit : 0), used: joins ? 2 : 1 };
}

/** Zero to 999. */
function wholeOf(words: readonly string[]): Words | null {
  const article = words[0] === 'a' || words[0] === 'an';
  const first = article ? { value: 1, used: 1 } : underHundred(words, 0);
  if (first?.used !== 1 || first.value < 1 || first.value > 9 || words[1] !== 'hundred') return first;
  const and = words[2] === 'and' ? 3 : 2;
  const rest = words[and] === 'a' ? null : underHundred(words, and);
  return { value: first.value * 100 + (rest?.value ?? 0), used: rest ? and + rest.used : 2 };
}

/** `point` and the figures after it. */
function decimalsOf(words: readonly string[], at: number): Words | null {
  if (words[at] !== 'point') return null;
  const figures: number[] = [];
  for (let word = words[at + 1]; word !== undefined; word = words[at + 1 + figures.length]) {
    const digit = DIGITS[word] ?? smallOf(word);
    if (digit === null || digit > 9) break;
    figures.push(digit);
  }
  return figures.length === 0 ? null : { value: Number(`0.${figures.join('')}`), used: figures.length + 1 };
}

function inWords(text: string): { value: number; rest: string } | null {
  const words = text.replaceAll('-', ' ').split(' ');
  if (words[0] === 'half') return { value: 1, rest: text };
  const whole = DIGITS[words[0]!] === 0 ? { value: 0, used: 1 } : wholeOf(words);
  const decimals = decimalsOf(words, whole?.used ?? 0);
  if (!whole && !decimals) return null;
  const used = (whole?.used ?? 0) + (decimals?.used ?? 0);
  return { value: (whole?.value ?? 0) + (decimals?.value ?? 0), rest: words.slice(used).join(' ') };
}

function inFigures(text: string): Omit<SpokenNumber, 'tenths'> | null {
  const mixed = /^(\d+)(?: and |[ -])(\d+)\/(\d+)(?!\d)/.exec(text);
  const fraction = /^(\d+)\/(\d+)(?!\d)/.exec(text);
  const decimal = /^(?:\d+(?:[.,]\d+)?|[.,]\d+)/.exec(text);
  const behind = (found: RegExpExecArray): string => text.slice(found[0].length).trim();
  if (mixed) {
    const value = Number(mixed[1]) + divided(Number(mixed[2]), Number(mixed[3]));
    return { value, rest: behind(mixed), likeInches: true, thousands: null };
  }
  if (fraction) {
    const value = divided(Number(fraction[1]), Number(fraction[2]));
    return { value, rest: behind(fraction), likeInches: true, thousands: null };
  }
  if (!decimal) return null;
  const [figures] = decimal;
  return {
    value: Number(figures.replace(',', '.')),
    rest: behind(decimal),
    likeInches: /^\.\d{3}$/.test(figures),
    thousands: /^\d+,\d{3}$/.test(figures) ? Number(figures.replace(',', '')) : null,
  };
}

/** Parts that were said behind a number: three eighths, two and a half, two thou and a half. */
function withParts(found: Omit<SpokenNumber, 'tenths'>): SpokenNumber {
  const [word = '', ...others] = found.rest.split(' ');
  const by = PARTS[word];
  if (by !== undefined) {
    const tenths = by === 10 ? found.value : null;
    return {
      ...found,
      value: found.value / by,
      rest: others.join(' '),
      likeInches: true,
      thousands: null,
      tenths,
    };
  }
  const and = /^and (a half|a quarter|three quarters)(?: |$)/.exec(found.rest);
  if (and) {
    const value = found.value + AND_PARTS[and[1]!]!;
    return { ...found, value, rest: found.rest.slice(and[0].length).trim(), likeInches: true, tenths: null };
  }
  const late = AND_PART.exec(found.rest);
  if (!late) return { ...found, tenths: null };
  return {
    ...found,
    value: found.value + AND_PARTS[late[2]!]!,
    rest: late[1]!,
    likeInches: true,
    tenths: null,
  };
}

/** Reads the number that a normalised text begins with; null where it begins with none. */
export function spokenNumber(text: string): SpokenNumber | null {
  const signed = /^(?:-|minus )\s*/.exec(text);
  const bare = signed ? text.slice(signed[0].length) : text;
  const spoken = inWords(bare);
  const words = inFigures(bare) ?? (spoken && { ...spoken, likeInches: false, thousands: null });
  if (!words) return null;
  const found = withParts(words);
  if (!signed) return found;
  const negative = (n: number | null): number | null => (n === null ? null : -n);
  return {
    ...found,
    value: -found.value,
    thousands: negative(found.thousands),
    tenths: negative(found.tenths),
  };
}

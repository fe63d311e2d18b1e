/**
 * Amounts and numbers as people type them. “18,500” is eighteen thousand in an English shop and eighteen and a half in a
 * German one; what two readers would read differently is asked, and never taken silently.
 */
import { minorDigits, toMinor } from './money.ts';

export type Read = { value: number } | { ambiguous: true } | null;

const AMBIGUOUS = { ambiguous: true } as const;

const decimalMarks = new Map<string, string>();

/** The mark before the decimals in a locale, from the runtime's CLDR data: “.” or “,”. */
export function decimalMark(locale: string): string {
  const known = decimalMarks.get(locale);
  if (known !== undefined) return known;
  const mark =
    new Intl.NumberFormat(locale).formatToParts(1.5).find((p) => p.type === 'decimal')?.value ?? '.';
  decimalMarks.set(locale, mark);
  return mark;
}

/** Spaces and apostrophes between groups of three are left out; anywhere else they stay, and make it no number. */
const withoutGroupSpaces = (text: string): string =>
  text.replace(/(?<=\d)[ \u00a0\u202f’'](?=\d{3}(?!\d))/g, '');

const GROUPED = /^[1-9]\d{0,2}(?:([.,])\d{3})(?:\1\d{3})*$/;

/** Digits with marks between: whole part and decimals, or what makes it ambiguous or no number. */
function readDigits(text: string, lone: (mark: string) => 'group' | 'decimal' | 'ask'): Read {
  if (/^\d+$/.test(text)) return { value: Number(text) };
  if (/^\d*[.,]\d+$/.test(text)) {
    const [, whole = '', mark = '', rest = ''] = /^(\d*)([.,])(\d+)$/.exec(text)!;
    const asGroup = rest.length === 3 && /^[1-9]\d{0,2}$/.test(whole);
    const how = asGroup ? lone(mark) : 'decimal';
    if (how === 'ask') return AMBIGUOUS;
    return { value: how === 'group' ? Number(whole + rest) : Number(`${whole || '0'}.${rest}`) };
  }
  // Several marks of one kind can only be between groups.
  if (GROUPED.test(text)) return { value: Number(text.replace(/[.,]/g, '')) };
  // Of two kinds, the last is before the decimals.
  const [, whole = '', mark = '', rest = ''] = /^(.*\d)([.,])(\d+)$/.exec(text) ?? [];
  return mark !== '' && GROUPED.test(whole) && !whole.includes(mark)
    ? { value: Number(`${whole.replace(/[.,]/g, '')}.${rest}`) }
    : null;
}

/**
 * A plain number with either decimal mark. One mark before exactly three digits (“1,500”, “1.500”) is ambiguous, but for
 * “0.125”, which nobody groups.
 */
export function readNumber(text: string): Read {
  const [, sign = '', digits = ''] = /^(-?)(.+)$/s.exec(withoutGroupSpaces(text.trim())) ?? [];
  const read = readDigits(digits, () => 'ask');
  return read && 'value' in read && sign === '-' ? { value: -read.value } : read;
}

/** Signs that stand for one currency, or for one of several by where one is. */
const SIGNS: Record<string, readonly string[]> = {
  '£': ['GBP'],
  '€': ['EUR'],
  $: ['USD', 'CAD', 'AUD', 'NZD', 'SGD', 'HKD'],
  Fr: ['CHF'],
  kr: ['SEK', 'NOK', 'DKK'],
};

/** Without the sign or code of this currency, before or behind; null where it names another. */
function withoutSign(text: string, currency: string): string | null {
  const [, before = '', digits = '', behind = ''] =
    /^([^\d\s.,-]*)\s*(-?[\d.,\s\u00a0\u202f’']*\d)\s*([^\d\s]*)$/.exec(text) ?? [];
  if (digits === '') return null;
  const names = (sign: string): boolean =>
    sign === '' ||
    sign.toUpperCase() === currency ||
    (SIGNS[sign.replace(/\.$/, '')] ?? []).includes(currency);
  return names(before) && names(behind) ? digits : null;
}

/** How a shop writes money. */
export interface MoneyManner {
  currency: string;
  locale: string;
}

/** A plain number with either decimal mark; null where it is none, or could be read in two ways. */
export function numberTyped(text: string): number | null {
  const read = readNumber(text);
  return read !== null && 'value' in read ? read.value : null;
}

/** A whole number, such as a count, a year or miles: a mark before three digits stands between groups. Null where it is none. */
export function wholeTyped(text: string): number | null {
  const read = readDigits(withoutGroupSpaces(text.trim()), () => 'group');
  return read !== null && 'value' in read && Number.isSafeInteger(read.value) ? read.value : null;
}

/** A rate between two currencies, as the locale writes it: “1.172”, or “1,850” by thousands. Null where it is none. */
export function rateTyped(text: string, locale: string): number | null {
  const read = readDigits(withoutGroupSpaces(text.trim()), (mark) =>
    mark === decimalMark(locale) ? 'decimal' : 'group',
  );
  return read !== null && 'value' in read ? read.value : null;
}

/** An amount in major units as minor units; null where it is none, could be read in two ways, or is below zero. */
export function moneyTyped(text: string, manner: MoneyManner): number | null {
  const read = readAmount(text, manner);
  return read !== null && 'value' in read && read.value >= 0 ? read.value : null;
}

/**
 * An amount in a shop's currency, read as the shop's locale writes it.
 * Ambiguous: the locale's decimal mark before exactly three digits, where the currency has fewer (“18.500” in pounds).
 */
export function readAmount(text: string, { currency, locale }: MoneyManner): Read {
  const digits = withoutSign(text.trim(), currency);
  if (digits === null) return null;
  const [, sign = '', bare = ''] = /^(-?)(.+)$/s.exec(withoutGroupSpaces(digits)) ?? [];
  const read = readDigits(bare, (mark) =>
    mark !== decimalMark(locale) ? 'group' : minorDigits(currency) >= 3 ? 'decimal' : 'ask',
  );
  if (read === null || 'ambiguous' in read) return read;
  const minor = toMinor(sign === '-' ? -read.value : read.value, currency);
  return minor === null ? null : { value: minor };
}

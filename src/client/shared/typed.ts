/** Numbers as people type them, and back. */
import { formatMoney, minorDigits } from '#core/money/money.ts';
import {
  decimalMark,
  moneyTyped,
  numberTyped,
  readAmount,
  readNumber,
  type MoneyManner,
} from '#core/money/typed.ts';
import { formatMinutes } from '#core/time/hours.ts';

export { moneyTyped, numberTyped, rateTyped, wholeTyped, type MoneyManner } from '#core/money/typed.ts';

/** What is wrong with a typed amount, in words. */
export function amountFault(text: string, manner: MoneyManner): string {
  const read = readAmount(text, manner);
  return read !== null && 'ambiguous' in read
    ? 'this could be read in two ways: write it as 18500 or as 18.50'
    : 'an amount, as in 46.50';
}

/** Which two a number could be that has one mark before three digits. */
function asked(typed: string): string {
  const [whole = '', rest = ''] = typed.replace(/[^\d.,]/g, '').split(/[.,]/);
  return `Is that ${whole}${rest} or ${whole}.${rest}? Write it without the mark, or with two digits behind it.`;
}

/** What was understood of what was typed; or, as a question, which two it could be. */
export interface Echo {
  words: string;
  isQuestion: boolean;
}

/** Of an amount; undefined where it is none. */
export function amountEcho(typed: string, manner: MoneyManner): Echo | undefined {
  if (typed.trim() === '') return undefined;
  const read = readAmount(typed, manner);
  if (read === null) return undefined;
  return 'value' in read
    ? { words: formatMoney(read.value, manner.currency, manner.locale), isQuestion: false }
    : { words: asked(typed), isQuestion: true };
}

/** Of hours; undefined where they are none. */
export function hoursEcho(typed: string): Echo | undefined {
  if (typed.trim() === '') return undefined;
  const read = readNumber(typed);
  if (read !== null && 'ambiguous' in read) return { words: asked(typed), isQuestion: true };
  const minutes = hoursTyped(typed);
  return minutes === null ? undefined : { words: formatMinutes(minutes), isQuestion: false };
}

/** An amount that may be left empty, as minor units; what is no amount is NaN, for the contract to refuse at its field. */
export function minorOrAbsent(typed: string | number | undefined, manner: MoneyManner): number | undefined {
  if (typeof typed === 'number') return typed;
  if (typed === undefined || typed.trim() === '') return undefined;
  return moneyTyped(typed, manner) ?? NaN;
}

/** An amount as somebody of the shop would type it. */
export const moneyAsTyped = (minor: number, { currency, locale }: MoneyManner): string =>
  (minor / 10 ** minorDigits(currency)).toFixed(minorDigits(currency)).replace('.', decimalMark(locale));

/** A rate between two currencies, as somebody of the shop would type it. */
export const rateAsTyped = (rate: number, locale: string): string =>
  String(rate).replace('.', decimalMark(locale));

/** Hours as whole minutes; null where they are none, below zero or above ten thousand. */
export function hoursTyped(text: string): number | null {
  const n = numberTyped(text);
  return n === null || n < 0 || n > 10_000 ? null : Math.round(n * 60);
}

export const hoursAsTyped = (minutes: number): string => String(Math.round((minutes / 60) * 100) / 100);

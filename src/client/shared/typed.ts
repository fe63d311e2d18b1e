/** Numbers as people type them, and back. */
import { minorDigits } from '#core/money/money.ts';
import { decimalMark, readAmount, readNumber } from '#core/money/typed.ts';

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

/** An amount in major units as minor units; null where it is none, could be read in two ways, or is below zero. */
export function moneyTyped(text: string, manner: MoneyManner): number | null {
  const read = readAmount(text, manner);
  return read !== null && 'value' in read && read.value >= 0 ? read.value : null;
}

/** What is wrong with a typed amount, in words. */
export function amountFault(text: string, manner: MoneyManner): string {
  const read = readAmount(text, manner);
  return read !== null && 'ambiguous' in read
    ? 'this could be read in two ways: write it as 18500 or as 18.50'
    : 'an amount, as in 46.50';
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

/** Hours as whole minutes; null where they are none, below zero or above ten thousand. */
export function hoursTyped(text: string): number | null {
  const n = numberTyped(text);
  return n === null || n < 0 || n > 10_000 ? null : Math.round(n * 60);
}

export const hoursAsTyped = (minutes: number): string => String(Math.round((minutes / 60) * 100) / 100);

/** Numbers as people type them, and back. */
import { minorDigits, toMinor } from '#core/money/money.ts';

/** A plain number with either decimal mark; null where it is none. */
export function numberTyped(text: string): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(value) ? null : value;
}

/** An amount in major units as minor units; null where it is none, or below zero. */
export function moneyTyped(text: string, currency: string): number | null {
  const n = numberTyped(text);
  return n === null || n < 0 ? null : toMinor(n, currency);
}

/** An amount that may be left empty, as minor units; what is no amount is NaN, for the contract to refuse at its field. */
export function minorOrAbsent(typed: string | number | undefined, currency: string): number | undefined {
  if (typeof typed === 'number') return typed;
  if (typed === undefined || typed.trim() === '') return undefined;
  return moneyTyped(typed, currency) ?? NaN;
}

export const moneyAsTyped = (minor: number, currency: string): string =>
  (minor / 10 ** minorDigits(currency)).toFixed(minorDigits(currency));

/** Hours as whole minutes; null where they are none, below zero or above ten thousand. */
export function hoursTyped(text: string): number | null {
  const n = numberTyped(text);
  return n === null || n < 0 || n > 10_000 ? null : Math.round(n * 60);
}

export const hoursAsTyped = (minutes: number): string => String(Math.round((minutes / 60) * 100) / 100);

/** Money of the shop in a letter: a rate by the hour, what a thing costs the shop. */
import { UNIT } from '../capture/units.ts';
import { minorDigits } from '../money/money.ts';
import { SENTENCE } from './words.ts';

interface MoneyFound {
  start: number;
  end: number;
  why: string;
  isSure: boolean;
}

/** Before an amount these say what the shop pays. */
const SHOP_COST =
  /\b(?:costs? us|cost me|we pay|i pay|we paid|i paid|our cost|trade price|mark-?up|margin)\b/i;
const PER_HOUR = /\b(?:an|per|a)\s+hour\b|\/\s*h(?:ou)?rs?\b|\/\s*h\b|\bp\.?h\.?\b|\bhourly\b/i;

/** Behind a number these say that it is a time, a distance or another measure, and no money: “2 h 35 min”. */
const OF_NO_MONEY = new RegExp(String.raw`^[\s\u00a0\u202f]?(?:%|°|(?:${UNIT})(?![\p{L}\p{N}]))`, 'iu');

const AMOUNT = /\d[\d.,\u00a0\u202f’' ]*\d|\d/g;

/** Whole numbers below this, with no sign of a currency, are counts: “5 bolts”. */
const SMALL = 20;

/** Whether a number is a count or a measure, and not money. */
function isCount(text: string, { start, end }: { start: number; end: number }): boolean {
  if (OF_NO_MONEY.test(text.slice(end))) return true;
  const written = text.slice(start, end).trim();
  const isMarked =
    /\p{Sc}[\s\u00a0\u202f]?$/u.test(text.slice(Math.max(0, start - 2), start)) ||
    /^[\s\u00a0\u202f]?\p{Sc}/u.test(text.slice(end));
  return !isMarked && /^\d+$/.test(written) && Number(written) < SMALL;
}

/** An amount as written, in minor units: the last mark is the decimal one where exactly the currency’s decimals follow it. */
export function amountMinor(written: string, currency: string): number {
  const digits = minorDigits(currency);
  const decimal = new RegExp(`[.,](\\d{${digits}})$`).exec(written);
  const whole = (digits > 0 && decimal ? written.slice(0, decimal.index) : written).replace(/\D/g, '');
  const part = digits > 0 && decimal ? decimal[1]! : '0'.repeat(digits);
  return Number(whole + part);
}

/** Rates of the shop, and what things cost it, in a text. */
export function moneyLeaks(
  text: string,
  currency: string,
  rates: ReadonlySet<number>,
  costs: ReadonlySet<number>,
): MoneyFound[] {
  const found: MoneyFound[] = [];
  for (const sentence of text.matchAll(SENTENCE)) {
    const perHour = PER_HOUR.test(sentence[0]);
    const saysCost = SHOP_COST.test(sentence[0]);
    for (const { 0: written, index } of sentence[0].matchAll(AMOUNT)) {
      const minor = amountMinor(written.trim(), currency);
      const start = sentence.index + index;
      const at = { start, end: start + written.length };
      if (perHour && rates.has(minor)) found.push({ ...at, why: 'that is a rate of the shop', isSure: true });
      else if (saysCost) found.push({ ...at, why: 'that says what the shop pays', isSure: costs.has(minor) });
      else if (costs.has(minor) && !isCount(text, at))
        found.push({ ...at, why: 'a thing costs the shop just that', isSure: false });
    }
  }
  return found;
}

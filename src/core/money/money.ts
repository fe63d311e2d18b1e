/**
 * Money is a safe integer of minor units (pence, cents) in one currency.
 * The number of minor digits comes from the runtime's CLDR data, which follows ISO 4217.
 */

/** Asking the runtime costs as much as reading a whole line; the answer never changes. */
const asked = new Map<string, number>();

/** Minor digits of a currency: 2 for GBP, 0 for JPY, 3 for KWD. Throws RangeError on a malformed code. */
export function minorDigits(currency: string): number {
  const known = asked.get(currency);
  if (known !== undefined) return known;
  const { maximumFractionDigits } = new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
  }).resolvedOptions();
  asked.set(currency, maximumFractionDigits ?? 2);
  return maximumFractionDigits ?? 2;
}

/**
 * Major units as typed (46.5) to minor units (4650), rounded half away from zero: the one place
 * where typed money is rounded. Returns null if the result is not a safe integer.
 */
export function toMinor(major: number, currency: string): number | null {
  // Number's own shortest decimal text avoids 1.005 * 100 = 100.49999.
  const [digits = '0', exponent = '0'] = Math.abs(major).toExponential().split('e');
  const scaled = Math.round(Number(`${digits}e${Number(exponent) + minorDigits(currency)}`));
  return Number.isSafeInteger(scaled) ? (major < 0 ? -scaled : scaled) : null;
}

const formatters = new Map<string, Intl.NumberFormat>();

/** Minor units as people read them: 4650, GBP, en-GB gives £46.50. */
export function formatMoney(minor: number, currency: string, locale: string): string {
  const key = `${locale}|${currency}`;
  const known = formatters.get(key) ?? new Intl.NumberFormat(locale, { style: 'currency', currency });
  formatters.set(key, known);
  return known.format(minor / 10 ** minorDigits(currency));
}

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

/**
 * A share of an amount in basis points (2000 is 20 %), rounded half away from zero to a whole minor unit: the one place
 * where a computed share of money is rounded. Exact for every safe integer.
 */
export function shareOf(minor: number, basisPoints: number): number {
  return divideRounded(BigInt(minor) * BigInt(basisPoints), 10_000n);
}

/** The tax inside a gross amount: gross · bp / (10,000 + bp), rounded as `shareOf` rounds. */
export function taxWithin(grossMinor: number, basisPoints: number): number {
  return divideRounded(BigInt(grossMinor) * BigInt(basisPoints), 10_000n + BigInt(basisPoints));
}

/** A price an hour times minutes, rounded as `shareOf` rounds. */
export function forMinutes(minutes: number, perHourMinor: number): number {
  return divideRounded(BigInt(minutes) * BigInt(perHourMinor), 60n);
}

/** Half away from zero. Throws RangeError where the result is no safe integer. */
function divideRounded(over: bigint, under: bigint): number {
  const size = over < 0n ? -over : over;
  const whole = Number((size * 2n + under) / (under * 2n));
  if (!Number.isSafeInteger(whole)) throw new RangeError('more money than can be counted exactly');
  return over < 0n ? -whole : whole;
}

/**
 * Splits an amount by weights so that the parts always sum to it: largest remainder (Hamilton's method), the earlier
 * part first where remainders are equal. Weights are whole numbers of at least 0, not all 0.
 */
export function allocate(minor: number, weights: readonly number[]): number[] {
  const all = weights.reduce((sum, w) => sum + BigInt(w), 0n);
  if (all === 0n || weights.some((w) => w < 0))
    throw new RangeError('weights must be at least 0, and one above it');
  const [sign, size] = minor < 0 ? [-1, BigInt(-minor)] : [1, BigInt(minor)];
  const parts = weights.map((w) => (size * BigInt(w)) / all);
  const left = Number(size - parts.reduce((sum, p) => sum + p, 0n));
  const byRemainder = weights
    .map((w, i) => ({ i, remainder: (size * BigInt(w)) % all }))
    .sort((a, b) => (a.remainder === b.remainder ? a.i - b.i : a.remainder > b.remainder ? -1 : 1));
  for (const { i } of byRemainder.slice(0, left)) parts[i]! += 1n;
  return parts.map((p) => sign * Number(p));
}

/** Small statistics that several calculators share. */

/** The middle of a list that is not empty. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

export const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Standard deviation of the whole population. */
export function populationSd(values: readonly number[]): number {
  const middle = mean(values);
  return Math.sqrt(values.reduce((a, v) => a + (v - middle) ** 2, 0) / values.length);
}

/**
 * Chance that a normal variable lies at or below z standard deviations.
 * Series of Marsaglia 2004, Evaluating the Normal Distribution, Journal of Statistical Software 11(4) (published); as exact as doubles
 * are within seven deviations, beyond which nothing is left that a double could tell from 0 or 1.
 */
export function normalCdf(z: number): number {
  if (z < -8) return 0;
  if (z > 8) return 1;
  let term = z;
  let sum = z;
  for (let k = 3, before = NaN; sum !== before; k += 2) {
    before = sum;
    term *= (z * z) / k;
    sum += term;
  }
  return 0.5 + (sum * Math.exp((-z * z) / 2)) / Math.sqrt(2 * Math.PI);
}

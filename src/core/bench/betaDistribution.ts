/** The regularised incomplete beta function: the share of a beta distribution that lies below a value. */

/** Lanczos coefficients for g = 7, n = 9 (Lanczos 1964; as tabulated in Numerical Recipes, 3rd ed., 6.1). */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** Natural logarithm of the gamma function, for x > 0. */
function lnGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - lnGamma(1 - x);
  const z = x - 1;
  const t = z + 7.5;
  const sum = LANCZOS.reduce((s, c, i) => (i === 0 ? c : s + c / (z + i)), 0);
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

const TINY = 1e-300;
const EXACT = 1e-15;
const MOST_STEPS = 300;

/** Continued fraction of the incomplete beta (Abramowitz & Stegun 26.5.8) by Lentz's method (Numerical Recipes 6.4). */
function fraction(x: number, a: number, b: number): number {
  const safe = (v: number): number => (Math.abs(v) < TINY ? TINY : v);
  let c = 1;
  let d = 1 / safe(1 - ((a + b) * x) / (a + 1));
  let h = d;
  for (let m = 1; m <= MOST_STEPS; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / safe(1 + even * d);
    c = safe(1 + even / c);
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / safe(1 + odd * d);
    c = safe(1 + odd / c);
    h *= d * c;
    if (Math.abs(d * c - 1) < EXACT) break;
  }
  return h;
}

/** P(X ≤ x) for X ~ Beta(a, b), a and b > 0. */
export function betaCdf(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  // The fraction is quick below the mean; above it the mirrored one is.
  return x < (a + 1) / (a + b + 2)
    ? (front * fraction(x, a, b)) / a
    : 1 - (front * fraction(1 - x, b, a)) / b;
}

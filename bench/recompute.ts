/** A long estimate added up again and again. Runs in Node and, bundled, in a browser's page. */
import type { EstimateLine, Terms } from '../src/core/estimate/lines.ts';
import { totalsOf } from '../src/core/estimate/totals.ts';
import { counter } from './counter.ts';

export const RECOMPUTED_LINES = 400;

/** Milliseconds each of the times took. */
export function recomputeMs(times = 200): number[] {
  const next = counter(3);
  const points = (most: number) => {
    const [low, likely, high] = [next(), next(), next()].sort((a, b) => a - b) as [number, number, number];
    return { low: Math.round(low * most), likely: Math.round(likely * most), high: Math.round(high * most) };
  };
  const lines = Array.from({ length: RECOMPUTED_LINES }, (_, i): EstimateLine => ({
    id: `l${i}`,
    title: '',
    why: '',
    class: 'must',
    work: 'mechanical',
    minutes: points(2000),
    parts: points(90_000),
    outwork: points(9000),
    sundriesMinor: 500,
    needs: [],
    access: [],
  }));
  const rates = { mechanical: 5800, metalwork: 0, paint: 0, trim: 0, electrical: 0, machining: 0 };
  const terms: Terms = { rates, taxBp: 2000, taxIncluded: false, sharedRisk: 0.3 };
  return Array.from({ length: times }, () => {
    const began = performance.now();
    totalsOf(lines, terms);
    return performance.now() - began;
  });
}

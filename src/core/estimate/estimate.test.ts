/**
 * Lines and totals. Nasty cases: no lines, nothing but zeros, amounts at the edge of what is exact, tax that does not
 * divide, everything shared and nothing shared.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { costOf, NOTHING, whyNotThreePoint, type EstimateLine, type Terms } from './lines.ts';
import { lossOf } from './loss.ts';
import { totalsOf, Z80 } from './totals.ts';

const RATES = {
  mechanical: 6000,
  metalwork: 6600,
  paint: 6000,
  trim: 5400,
  electrical: 6000,
  machining: 7200,
};
const terms = (more: Partial<Terms> = {}): Terms => ({
  rates: RATES,
  taxBp: 2000,
  taxIncluded: false,
  sharedRisk: 0,
  ...more,
});
let lines = 0;
const line = (more: Partial<EstimateLine> = {}): EstimateLine => {
  lines += 1;
  return {
    id: `line-${lines}`,
    title: 'Front crossmember',
    why: 'Rotten through at both ends',
    class: 'safety',
    work: 'mechanical',
    minutes: NOTHING,
    parts: NOTHING,
    outwork: NOTHING,
    sundriesMinor: 0,
    needs: [],
    access: [],
    ...more,
  };
};
const hours = (low: number, likely: number, high: number) => ({
  low: low * 60,
  likely: likely * 60,
  high: high * 60,
});
const same = (minor: number) => ({ low: minor, likely: minor, high: minor });

describe('one line', () => {
  // Textbook PERT: 4, 6 and 14 hours have mean 7 and standard deviation 10/6 (Malcolm et al. 1959). At 60.00 an hour.
  test('hours by three points', () => {
    const cost = costOf(line({ minutes: hours(4, 6, 14) }), terms());
    expect(cost.cost).toEqual({ low: 24_000, likely: 36_000, high: 84_000 });
    expect(cost.expectedMinor).toBe(42_000);
    expect(cost.sd).toBeCloseTo((10 / 6) * 6000, 6);
    expect(cost.taxMinor).toBe(8400);
    expect(cost.grossMinor).toBe(50_400);
  });

  // By hand: 7 h 20 min at 66.00 is 484.00; parts 112.75; outwork 60; sundries 9.99; net 666.74, 20 % is 133.348.
  test('everything a line may hold, at the rate of its kind of work', () => {
    const cost = costOf(
      line({
        work: 'metalwork',
        minutes: same(440),
        parts: same(11_275),
        outwork: same(6000),
        sundriesMinor: 999,
      }),
      terms(),
    );
    expect(cost).toMatchObject({ expectedMinor: 66_674, taxMinor: 13_335, grossMinor: 80_009, sd: 0 });
  });

  // By hand: 119.99 with 19 % in it holds 119.99 × 19/119 = 19.158 tax.
  test('tax that is in the price already', () => {
    const cost = costOf(line({ parts: same(11_999) }), terms({ taxBp: 1900, taxIncluded: true }));
    expect(cost).toMatchObject({ expectedMinor: 11_999, taxMinor: 1916, grossMinor: 11_999 });
  });

  test('three points out of order are refused with the reason', () => {
    expect(whyNotThreePoint({ low: 3, likely: 2, high: 4 })).toBe('the low is above the likely');
    expect(whyNotThreePoint({ low: 1, likely: 5, high: 4 })).toBe('the likely is above the high');
    expect(whyNotThreePoint(same(0))).toBeNull();
  });
});

describe('totals', () => {
  const three = [
    line({ minutes: hours(2, 4, 6) }),
    line({ minutes: hours(5, 8, 17) }),
    line({ minutes: hours(1, 2, 9) }),
  ];
  const perHour = 6000;

  // The sums by hand of three tasks: mean 4 + 9 + 3 = 16 h, sd √(0.667² + 2² + 1.333²) = 2.4944 h, P80 18.0994 h.
  test('nothing shared is PERT’s independent sum', () => {
    const t = totalsOf(three, terms({ taxBp: 0 }));
    expect(t.expectedMinor).toBe(16 * perHour);
    expect(t.sd / perHour).toBeCloseTo(2.49443825785, 9);
    expect(t.p80GrossMinor).toBe(Math.round(18.0993722036 * perHour));
  });

  test('all shared is the sum of spreads; in between, the spread rises with the share', () => {
    const sd = (sharedRisk: number): number => totalsOf(three, terms({ sharedRisk })).sd;
    expect(sd(1) / perHour).toBeCloseTo(4 / 6 + 12 / 6 + 8 / 6, 9);
    expect(sd(0.3)).toBeGreaterThan(sd(0));
    expect(sd(0.3)).toBeLessThan(sd(1));
  });

  test('the kept-in-four-of-five figure lies below the sum of worst cases', () => {
    const t = totalsOf(three, terms({ sharedRisk: 0.3 }));
    expect(t.p80GrossMinor).toBeLessThan(t.worstGrossMinor);
    expect(t.grossMinor).toBeGreaterThan(t.bestGrossMinor);
    expect(t.p80GrossMinor - t.grossMinor).toBe(Math.round(Math.round(Z80 * t.sd) * 1.2));
  });

  test('no lines come to nothing', () => {
    expect(totalsOf([], terms())).toMatchObject({ expectedMinor: 0, grossMinor: 0, sd: 0, p80GrossMinor: 0 });
  });

  const amount = fc.integer({ min: 0, max: 50_000_000 });
  test('seed 3: totals are the sums of their lines, whatever the tax', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(amount, amount, amount), { maxLength: 40 }),
        fc.integer({ min: 0, max: 3000 }),
        fc.boolean(),
        (points, taxBp, taxIncluded) => {
          const all = points.map((p) => {
            const [low, likely, high] = [...p].sort((a, b) => a - b) as [number, number, number];
            return line({ parts: { low, likely, high } });
          });
          const t = totalsOf(all, terms({ taxBp, taxIncluded }));
          expect(t.grossMinor).toBe(t.lines.reduce((s, l) => s + l.cost.grossMinor, 0));
          expect(t.grossMinor).toBe(t.expectedMinor + (taxIncluded ? 0 : t.taxMinor));
          expect(Number.isSafeInteger(t.grossMinor)).toBe(true);
        },
      ),
      { seed: 3 },
    );
  });
});

test('losing a wanted must is dearer than a nice that can wait; a safety line has no price', () => {
  const of = (c: 'safety' | 'must' | 'nice', wish: 'wanted' | 'can wait') =>
    lossOf({ class: c, wish, savesMinor: 10_000, laterExtraMinor: 500 });
  expect(of('must', 'wanted')).toBe(20_500);
  expect(of('nice', 'can wait')).toBe(750);
  expect(of('safety', 'can wait')).toBe(Infinity);
});

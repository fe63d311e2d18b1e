/**
 * Repair or replace. Nasty cases: points out of order, no rate, an unknown strategy, words for numbers, no uncertainty at all, a
 * repair that can never pay, a growth below one.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import jstat from 'jstat';
import { betaCdf } from './betaDistribution.ts';
import { InputError } from './input.ts';
import { repairOrReplace, type RepairOrReplaceInput } from './repairOrReplace.ts';

const hours = (optimistic_h: number, likely_h: number, pessimistic_h: number) => ({
  optimistic_h,
  likely_h,
  pessimistic_h,
});
const input = (more: Partial<RepairOrReplaceInput> = {}): RepairOrReplaceInput => ({
  rate_per_h: 80,
  repairHours: hours(6, 10, 20),
  growthFactor: 1,
  repairMaterials: 100,
  panelPrice: 600,
  fittingHours: hours(5, 5, 5),
  paintStrategy: 'repaint',
  paintFull: 500,
  distribution: 'triangular',
  ...more,
});
const codes = (of: RepairOrReplaceInput): string[] => repairOrReplace(of).reasons.map((r) => r.code);

describe('worked by hand', () => {
  test('triangular: the closed form (20 − 11.25)² / (14 · 10) = 0.5469', () => {
    const result = repairOrReplace(input());
    expect(result).toMatchObject({
      repairMeanHours_h: 12,
      repairCost: 1560,
      repairCostRange: [1080, 2200],
      replaceCost: 1500,
      breakEvenHours_h: 11.25,
      recommendation: 'toss_up',
      verdict: 'watch',
    });
    expect(result.probabilityRepairDearer).toBeCloseTo(0.546875, 9);
    expect(codes(input())).toEqual(['too_close_to_call', 'repair_hours_very_uncertain']);
  });

  test('both sides uncertain, the aged surface kept: 0.2000 by a statistics library, independently', () => {
    const result = repairOrReplace(
      input({
        growthFactor: 1.2,
        panelPrice: 450,
        fittingHours: hours(4, 5, 8),
        paintStrategy: 'preserve',
        paintFull: 700,
        paintBlend: 250,
        originalityLoss: 50,
        distribution: null,
        plan: 'repair',
      }),
    );
    // 1.2 · (6 + 40 + 20) / 6 = 13.2 h; 80 · 13.2 + 350 = 1406; 80 · (4 + 20 + 8) / 6 + 1200 = 1626.67.
    expect(result.repairMeanHours_h).toBeCloseTo(13.2, 9);
    expect(result.repairCost).toBeCloseTo(1406, 9);
    expect(result.replaceCost).toBeCloseTo(1626.6667, 4);
    expect(result.breakEvenHours_h).toBeCloseTo(13.2986, 4);
    // scipy gives 0.200016315534.
    expect(Math.abs(result.probabilityRepairDearer - 0.200016315534)).toBeLessThan(0.0001);
    expect(result.reasons.map((r) => r.code)).toEqual(['repair_hours_very_uncertain']);
  });

  test('without uncertainty it is one sum against the other: 800 against 700', () => {
    const sure = input({
      repairHours: hours(10, 10, 10),
      repairMaterials: null,
      panelPrice: 300,
      distribution: 'pert',
    });
    expect(repairOrReplace(sure)).toMatchObject({
      repairCost: 1300,
      replaceCost: 1200,
      breakEvenHours_h: 8.75,
      probabilityRepairDearer: 1,
      recommendation: 'replace',
      verdict: 'ok',
    });
    expect(repairOrReplace({ ...sure, plan: 'repair' })).toMatchObject({
      verdict: 'fail',
      reasons: [expect.objectContaining({ code: 'plan_is_probably_dearer' })],
    });
  });

  test('a panel that is nearly free: the break-even hours are below nothing', () => {
    const free = input({ panelPrice: 0, fittingHours: hours(0, 0, 0), paintFull: 0, repairMaterials: 100 });
    expect(repairOrReplace(free).breakEvenHours_h).toBe(-1.25);
  });
});

describe('against a statistics library (jstat)', () => {
  test('the beta distribution (seed 10)', () => {
    const shape = fc.double({ min: 1, max: 5, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), shape, shape, (x, a, b) =>
        expect(betaCdf(x, a, b)).toBeCloseTo(jstat.beta.cdf(x, a, b), 8),
      ),
      { seed: 10, numRuns: 300 },
    );
  });

  test('the chance by its own triangular distribution (seed 11)', () => {
    const h = fc.integer({ min: 0, max: 40 });
    fc.assert(
      fc.property(h, fc.integer({ min: 1, max: 20 }), fc.integer({ min: 1, max: 20 }), (low, up, more) => {
        const of = input({ repairHours: hours(low, low + up, low + up + more) });
        const [c, fitting] = [(600 + 500 - 600) / 80, 5];
        const expected = 1 - jstat.triangular.cdf(c + fitting, low, low + up + more, low + up);
        expect(repairOrReplace(of).probabilityRepairDearer).toBeCloseTo(expected, 8);
      }),
      { seed: 11, numRuns: 200 },
    );
  });
});

test('a dearer panel never makes the repair the dearer way more often (seed 12)', () => {
  const price = fc.integer({ min: 0, max: 3000 });
  fc.assert(
    fc.property(price, price, (a, b) => {
      const chance = (panelPrice: number): number =>
        repairOrReplace(input({ panelPrice, fittingHours: hours(4, 5, 9), distribution: 'pert' }))
          .probabilityRepairDearer;
      expect(chance(Math.max(a, b))).toBeLessThanOrEqual(chance(Math.min(a, b)) + 1e-12);
    }),
    { seed: 12, numRuns: 30 },
  );
});

test.each<[string, Partial<Record<keyof RepairOrReplaceInput, unknown>>, string, string]>([
  ['likely below optimistic', { repairHours: hours(12, 10, 20) }, 'repairHours.likely_h', 'inconsistent'],
  [
    'pessimistic below likely',
    { fittingHours: hours(1, 5, 4) },
    'fittingHours.pessimistic_h',
    'inconsistent',
  ],
  ['no rate', { rate_per_h: null }, 'rate_per_h', 'missing'],
  ['a rate of nothing', { rate_per_h: 0 }, 'rate_per_h', 'out_of_range'],
  ['no hours at all', { repairHours: undefined }, 'repairHours', 'missing'],
  [
    'words for hours',
    { repairHours: { ...hours(1, 2, 3), likely_h: '2' } },
    'repairHours.likely_h',
    'not_a_number',
  ],
  ['endless hours', { repairHours: hours(1, 2, Infinity) }, 'repairHours.pessimistic_h', 'not_a_number'],
  ['a growth below one', { growthFactor: 0.9 }, 'growthFactor', 'out_of_range'],
  ['an unknown strategy', { paintStrategy: 'polish' }, 'paintStrategy', 'format'],
  ['to preserve without the blend', { paintStrategy: 'preserve' }, 'paintBlend', 'missing'],
  ['a price below nothing', { panelPrice: -1 }, 'panelPrice', 'out_of_range'],
])('%s is refused at its field', (_, more, field, code) => {
  const bad = { ...input(), ...more } as RepairOrReplaceInput;
  expect(() => repairOrReplace(bad)).toThrow(InputError);
  try {
    repairOrReplace(bad);
  } catch (error) {
    expect(error).toMatchObject({ field, code });
  }
});

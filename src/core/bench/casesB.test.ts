/**
 * Check cases of the calculators of tyres, weights, hydraulics, electrics, identity and units: nested subsets of their results, numbers within the absolute tolerance of the case, codes of
 * reasons in order. And the nasty ones: half a size, a size that nobody makes, a number whose date is on the other sidewall.
 */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { refusal } from '#tests/support/bench.ts';
import * as bench from './index.ts';
import {
  chargingTest,
  componentDate,
  convert,
  cornerWeights,
  fuseChoice,
  linePressure,
  parasiticDrain,
  rideHeight,
  seatMatch,
  seriesResistor,
  tyreAge,
  tyreChange,
  tyreSize,
  vinCheck,
  voltageDrop,
  wheelFit,
} from './index.ts';
import type { Judged } from './input.ts';

interface Case {
  id: string;
  calc: string;
  source: string;
  input: never;
  expected: Record<string, unknown> & { error?: { field: string; code: string } };
  tolerance: number;
}

const CALCULATORS = bench as unknown as Record<string, (input: never) => Judged>;
const CASES = readFileSync(path.resolve('tests/data/bench/cases-b.jsonl'), 'utf8')
  .split('\n')
  .filter((line) => line.trim() !== '')
  .map((line) => JSON.parse(line) as Case);

/** Every place at which a result is not as expected. */
function faults(got: unknown, want: unknown, tolerance: number, where: string): string[] {
  if (typeof want === 'number')
    return typeof got === 'number' && Math.abs(got - want) <= tolerance
      ? []
      : [`${where}: ${String(got)}, not ${want}`];
  if (Array.isArray(want)) {
    const list = Array.isArray(got) ? (got as unknown[]) : [];
    if (list.length !== want.length) return [`${where}: ${list.length} of them, not ${want.length}`];
    return want.flatMap((w, i) => faults(list[i], w, tolerance, `${where}[${i}]`));
  }
  if (typeof want === 'object' && want !== null)
    return Object.entries(want).flatMap(([key, w]) =>
      faults((got as Record<string, unknown> | null)?.[key], w, tolerance, `${where}.${key}`),
    );
  return got === want ? [] : [`${where}: ${String(got)}, not ${String(want)}`];
}

/** Their author took these for granted; the calculators ask. */
const TAKEN_FOR_GRANTED: Record<string, object> = { tapSurvey: { chemistry: 'nmc' } };

test.each(CASES.map((c) => [`${c.id} ${c.calc}: ${c.source}`, c] as const))(
  '%s',
  (_name, { calc, input, expected, tolerance }) => {
    const work = () => CALCULATORS[calc]!({ ...TAKEN_FOR_GRANTED[calc], ...(input as object) } as never);
    if (expected.error) return expect(refusal(work)).toBe(`${expected.error.field} ${expected.error.code}`);
    const result = work();
    const asCodes = { ...result, reasons: result.reasons.map((r) => r.code) };
    expect(faults(asCodes, expected, tolerance, calc)).toEqual([]);
  },
);

describe('what is refused, by field and reason', () => {
  test.each([
    [tyreSize, {}, 'designation missing'],
    [tyreSize, { designation: '  ' }, 'designation missing'],
    [tyreSize, { designation: 'wide' }, 'designation format'],
    [tyreSize, { designation: 'K78-14' }, 'designation out_of_range'],
    [tyreSize, { designation: '14x12.50-15' }, 'designation out_of_range'],
    [tyreSize, { designation: '205/15R16' }, 'designation out_of_range'],
    [tyreChange, { fitted: '205/55R16', proposed: '' }, 'proposed missing'],
    [seatMatch, { tyre: 'LT245/75R16', wheelRim_in: 7 }, 'wheelRim_in out_of_range'],
    [wheelFit, { oldWidth_in: 7, newWidth_in: 8, newOffset_mm: 0 }, 'oldOffset_mm missing'],
    [wheelFit, { oldWidth_in: 7, oldOffset_mm: 0, oldBackspace_in: 4, newWidth_in: 8, newOffset_mm: 0 }, 'oldOffset_mm inconsistent'],
    [voltageDrop, { current_A: 10, length_m: 5, area_mm2: 2.5, awg: 12 }, 'area_mm2 inconsistent'],
    [voltageDrop, { current_A: 10, length_m: 5, returnPath: 'air' }, 'returnPath format'],
    [chargingTest, {}, 'resting_V missing'],
    [chargingTest, { ripple_mV: 9000 }, 'ripple_mV out_of_range'],
    [fuseChoice, { load_A: 12 }, 'wire_mm2 missing'],
    [fuseChoice, { load_A: 12, wire_mm2: 16 }, 'ampacity_A missing'],
    [seriesResistor, { supply_V: 6, device_V: 6, device_A: 1 }, 'device_V inconsistent'],
    [parasiticDrain, { drain_mA: -1, capacity_Ah: 60 }, 'drain_mA out_of_range'],
    [vinCheck, { vin: ' - ' }, 'vin missing'],
    [vinCheck, { vin: 'ABC<script>' }, 'vin format'],
    [vinCheck, { vin: '1'.repeat(26) }, 'vin out_of_range'],
    [vinCheck, { vin: '1'.repeat(17), claimedYear: 1990.5 }, 'claimedYear format'],
    [componentDate, { modelYear: 1966 }, 'component_date missing'],
    [componentDate, { component_date: '1966-02-30', modelYear: 1966 }, 'component_date out_of_range'],
    [componentDate, { component_date: '1966-01-10' }, 'modelYear missing'],
    [cornerWeights, { lf_kg: 0, rf_kg: 0, lr_kg: 0, rr_kg: 0 }, 'lf_kg inconsistent'],
    [rideHeight, { lf_mm: 650, rf_mm: 650, lr_mm: 0, rr_mm: 650 }, 'lr_mm out_of_range'],
    [linePressure, { pedalForce_N: '300', pedalRatio: 6, masterBore_mm: 20 }, 'pedalForce_N not_a_number'],
    [convert, { value: 1, from: 'furlong', to: 'm' }, 'from format'],
    [convert, { value: 1, from: 'toString', to: 'm' }, 'from format'],
    [convert, { value: 1, from: 'in', to: 'Nm' }, 'to inconsistent'],
    [convert, { value: -1, from: 'K', to: 'C' }, 'value out_of_range'],
    [tyreAge, { tin: 'U2LL LMLR', asOf: '2020-01-01' }, 'tin format'],
    [tyreAge, { tin: '5107', asOf: '2020-02-30' }, 'asOf out_of_range'],
    [tyreAge, { tin: '5130', asOf: '2020-01-01' }, 'tin inconsistent'],
    [tyreAge, { tin: '0023', asOf: '2024-01-01' }, 'tin out_of_range'],
    [tyreAge, { tin: '409', asOf: '2020-01-01', triangle: true, decade: 1980 }, 'decade inconsistent'],
  ] as [(input: never) => unknown, object, string][])('%p', (calculator, input, said) =>
    expect(refusal(() => calculator(input as never))).toBe(said),
  ); // prettier-ignore
});

describe('what must hold of any', () => {
  test('a change there and back is none', () => {
    const size = fc.tuple(
      fc.integer({ min: 15, max: 33 }),
      fc.integer({ min: 5, max: 16 }),
      fc.integer({ min: 13, max: 20 }),
    );
    const written = size.map(([w, a, r]) => `${w * 10 + 5}/${a * 5}R${r}`);
    fc.assert(
      fc.property(written, written, (fitted, proposed) => {
        const there = tyreChange({ fitted, proposed }).ratio;
        expect(there * tyreChange({ fitted: proposed, proposed: fitted }).ratio).toBeCloseTo(1, 12);
        expect(tyreChange({ fitted, proposed: fitted }).change_pct).toBe(0);
      }),
    );
  });

  test('a wire that is recommended keeps the drop that was asked for; half of it would not', () => {
    const current = fc.double({ min: 1, max: 100, noNaN: true });
    fc.assert(
      fc.property(current, fc.double({ min: 0.5, max: 20, noNaN: true }), (current_A, length_m) => {
        const { recommended_mm2, requiredArea_mm2 } = voltageDrop({ current_A, length_m });
        if (recommended_mm2 === null) return;
        const by = (area_mm2: number) => voltageDrop({ current_A, length_m, area_mm2 }).drop_pct!;
        expect(by(recommended_mm2)).toBeLessThanOrEqual(3 + 1e-6);
        expect(by(requiredArea_mm2 / 2)).toBeCloseTo(6, 6);
      }),
    );
  });

  test('a fuse that is chosen bears its load and protects its wire', () => {
    const load = fc.double({ min: 0.5, max: 60, noNaN: true });
    fc.assert(
      fc.property(load, fc.constantFrom(0.5, 1, 2.5, 4, 10), (load_A, wire_mm2) => {
        const { chosenFuse_A, ampacity_A, verdict } = fuseChoice({ load_A, wire_mm2 });
        if (chosenFuse_A === null) return expect(verdict).toBe('fail');
        expect(chosenFuse_A).toBeGreaterThanOrEqual(load_A / 0.8 - 1e-9);
        expect(chosenFuse_A).toBeLessThanOrEqual(ampacity_A + 1e-9);
      }),
    );
  });

  test('one character wrong is found by the check digit, unless its value is the same', () => {
    // 49 CFR 565.15(c): weights and eleven have no divisor in common but at position 9, which is the digit itself.
    const chars = 'ABCDEFGHJKLMNPRSTUVWXYZ0123456789';
    const vin = fc.array(fc.constantFrom(...chars), { minLength: 17, maxLength: 17 });
    fc.assert(
      fc.property(vin, fc.nat(16), fc.constantFrom(...chars), (own, at, other) => {
        fc.pre(at !== 8);
        const right = [...own];
        right[8] = vinCheck({ vin: own.join('') }).computed!;
        expect(vinCheck({ vin: right.join('') }).checkValid).toBe(true);
        const wrong = [...right];
        wrong[at] = other;
        const [a, b] = [right, wrong].map((v) => vinCheck({ vin: v.join('') }).sum!);
        expect(vinCheck({ vin: wrong.join('') }).checkValid).toBe(a! % 11 === b! % 11);
      }),
    );
  });

  test('what is to be moved across brings the cross weight to what is wanted', () => {
    const corner = fc.integer({ min: 200, max: 600 });
    fc.assert(
      fc.property(corner, corner, corner, corner, (lf_kg, rf_kg, lr_kg, rr_kg) => {
        const { crossTransfer_kg: by } = cornerWeights({ lf_kg, rf_kg, lr_kg, rr_kg });
        const after = cornerWeights({
          lf_kg: lf_kg - by / 2,
          rf_kg: rf_kg + by / 2,
          lr_kg: lr_kg + by / 2,
          rr_kg: rr_kg - by / 2,
        });
        expect(after.cross_pct).toBeCloseTo(50, 9);
      }),
    );
  });

  test('any unit converts there and back', () => {
    const pair = fc.constantFrom(
      ['thou', 'mm'],
      ['lbft', 'kgfm'],
      ['psi', 'bar'],
      ['uk_pt', 'us_qt'],
      ['F', 'K'],
      ['oz', 'g'],
      ['mph', 'm/s'],
    );
    fc.assert(
      fc.property(pair, fc.double({ min: 0, max: 1e4, noNaN: true }), ([a, b], value) => {
        const there = convert({ value, from: a!, to: b! }).value;
        expect(convert({ value: there, from: b!, to: a! }).value).toBeCloseTo(value, 6);
      }),
    );
  });

  test('a wheel by its offset and by the backspace that comes of it stands in the same place', () => {
    const width = fc.integer({ min: 8, max: 24 }).map((n) => n / 2);
    const offset = fc.integer({ min: -40, max: 40 });
    fc.assert(
      fc.property(width, offset, (newWidth_in, newOffset_mm) => {
        const old = { oldWidth_in: 7, oldOffset_mm: 0, newWidth_in };
        const by = wheelFit({ ...old, newOffset_mm });
        const again = wheelFit({ ...old, newBackspace_in: by.newBackspace_in });
        expect(again.newOffset_mm).toBeCloseTo(newOffset_mm, 9);
        expect(again.innerMove_mm).toBeCloseTo(by.innerMove_mm, 9);
      }),
    );
  });

  test('the week of a tyre begins on a Sunday, and the next number is a week younger', () => {
    const year = fc.integer({ min: 1, max: 25 }).map((y) => String(y).padStart(2, '0'));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 51 }), year, (week, yy) => {
        const of = (w: number) => tyreAge({ tin: `${String(w).padStart(2, '0')}${yy}`, asOf: '2026-06-01' });
        const one = of(week);
        expect(new Date(`${one.weekStart}T00:00:00Z`).getUTCDay()).toBe(0);
        expect(one.age_years - of(week + 1).age_years).toBeCloseTo(7 / 365.25, 9);
      }),
    );
  });
});

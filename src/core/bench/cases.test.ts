/**
 * Check cases of the calculators, worked by hand or from published examples (each says which in its note). A number holds within
 * its own tolerance, relative above one; nothing is loosened. And the nasty ones: nothing, text, too little, too much, together.
 */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fastener, gearing, inductionFuel } from './index.ts';
import { InputError, type Judged } from './input.ts';

interface Case {
  calc: string;
  note: string;
  input: never;
  expected: Record<string, unknown> & { reasonCodes?: string[]; noReasonCodes?: string[] };
  error?: { field: string; code: string };
  tolerance: number;
}

const CALCULATORS: Record<string, (input: never) => Judged> = { fastener, gearing, inductionFuel };
const FILE = path.resolve('tests/data/bench/cases-a.jsonl');
const CASES = readFileSync(FILE, 'utf8')
  .split('\n')
  .filter((line) => line.trim() !== '')
  .map((line) => JSON.parse(line) as Case);

/** What stands at a path such as `solution.removed_deg[0]`. */
const at = (result: unknown, where: string): unknown =>
  where
    .replace(/\[(\d+)\]/g, '.$1')
    .split('.')
    .reduce<unknown>((value, key) => (value as Record<string, unknown> | null)?.[key], result);

test('every case has its calculator, and every calculator its cases', () => {
  expect([...new Set(CASES.map((c) => c.calc))].sort()).toEqual(Object.keys(CALCULATORS).sort());
});

test.each(CASES.map((c) => [`${c.calc}: ${c.note}`, c] as const))(
  '%s',
  (_name, { calc, input, expected, error, tolerance }) => {
    const work = () => CALCULATORS[calc]!(input);
    if (error) {
      expect(work).toThrow(expect.objectContaining(error) as never);
      return;
    }
    const result = work();
    const codes = result.reasons.map((r) => r.code);
    for (const [where, want] of Object.entries(expected)) {
      if (where === 'reasonCodes') expect(codes).toEqual(expect.arrayContaining(want as string[]));
      else if (where === 'noReasonCodes')
        for (const code of want as string[]) expect(codes).not.toContain(code);
      else if (typeof want === 'number') {
        const off = Math.abs((at(result, where) as number) - want);
        expect(`${where} off by ${off <= tolerance * Math.max(1, Math.abs(want)) ? 0 : off}`).toBe(
          `${where} off by 0`,
        );
      } else expect(at(result, where)).toEqual(want);
    }
  },
);

/** Which field is refused, and why. */
function refusal(work: () => unknown): string {
  try {
    work();
  } catch (error) {
    if (error instanceof InputError) return `${error.field} ${error.code}`;
    throw error;
  }
  return 'taken';
}

const bolt = { thread: { system: 'metric', d_mm: 10, pitch_mm: 1.5 }, grade: '8.8' };
const drive = { tyre: { diameter_in: 26 }, axleRatio: 3, gearRatio: 1, speed_mph: 60 };
const engine = { displacement_in3: 350, peak_rpm: 6000, ve: 1 };

describe('what is refused, by field and reason', () => {
  test.each([
    [fastener, {}, 'thread missing'],
    [fastener, { ...bolt, thread: { system: 'metric', d_mm: '10', pitch_mm: 1.5 } }, 'thread.d_mm not_a_number'],
    [fastener, { ...bolt, thread: { system: 'metric', d_mm: 3, pitch_mm: 4 } }, 'thread.pitch_mm inconsistent'],
    [fastener, { ...bolt, thread: { system: 'whitworth' } }, 'thread.system out_of_range'],
    [fastener, { ...bolt, grade: 'SAE5' }, 'grade inconsistent'],
    [fastener, { ...bolt, nutFactor: 0.6 }, 'nutFactor out_of_range'],
    [fastener, { ...bolt, applied: { unit: 'Nm' } }, 'applied.value missing'],
    [fastener, { ...bolt, retorque: { part: 'head', gasket: 'metal', heatCycles: -1, miles: 0 } }, 'retorque.heatCycles out_of_range'],
    [gearing, {}, 'tyre missing'],
    [gearing, { ...drive, tyre: {} }, 'tyre inconsistent'],
    [gearing, { ...drive, tyre: { diameter_in: 26, revsPerMile: 700 } }, 'tyre inconsistent'],
    [gearing, { ...drive, ringTeeth: 41 }, 'axleRatio inconsistent'],
    [gearing, { ...drive, axleRatio: null, ringTeeth: 41 }, 'pinionTeeth missing'],
    [gearing, { ...drive, axleRatio: null, ringTeeth: 20, pinionTeeth: 20 }, 'ringTeeth inconsistent'],
    [gearing, { ...drive, speed_kmh: 100 }, 'speed_mph inconsistent'],
    [gearing, { ...drive, speed_mph: null }, 'speed_mph missing'],
    [gearing, { ...drive, speed_mph: 0, wantedRpm: 2000 }, 'wantedRpm inconsistent'],
    [gearing, { ...drive, cruiseMin_rpm: 3000, cruiseMax_rpm: 2000 }, 'cruiseMin_rpm inconsistent'],
    [inductionFuel, { ...engine, ve: Number.NaN }, 've not_a_number'],
    [inductionFuel, { ...engine, carb: { rated_cfm: 5 } }, 'carb.rated_cfm out_of_range'],
    [inductionFuel, { ...engine, fuel: { power_hp: 200, injectors: 7.5 } }, 'fuel.injectors out_of_range'],
    [inductionFuel, { ...engine, fuel: { power_hp: 200, injectors: 8, actualPressure_psi: 40 } }, 'fuel.ratedPressure_psi missing'],
  ] as [(input: never) => unknown, object, string][])('%p', (calculator, input, said) =>
    expect(refusal(() => calculator(input as never))).toBe(said),
  ); // prettier-ignore
});

describe('what must hold of any', () => {
  test('speed to engine speed and back is the same speed', () => {
    const ratio = fc.double({ min: 1, max: 8, noNaN: true });
    fc.assert(
      fc.property(
        ratio,
        ratio,
        fc.double({ min: 1, max: 300, noNaN: true }),
        (axleRatio, gearRatio, speed_mph) => {
          const there = gearing({ tyre: { diameter_in: 26 }, axleRatio, gearRatio, speed_mph, slip_pct: 3 });
          fc.pre(there.engine_rpm <= 15_000);
          const back = gearing({
            ...{ tyre: { revsPerMile: there.revsPerMile }, axleRatio, gearRatio, slip_pct: 3 },
            engine_rpm: there.engine_rpm,
          });
          expect(back.speed_mph).toBeCloseTo(speed_mph, 9);
        },
      ),
    );
  });

  test('a bolt pulled by the torque that is worked out for it has the preload that was wanted', () => {
    const wanted = fc.double({ min: 0.4, max: 0.8, noNaN: true });
    fc.assert(
      fc.property(wanted, fc.constantFrom('dryBlack', 'zinc', 'oiled'), (proofFraction, surface) => {
        const { torque_lbft, preload_N } = fastener({ ...bolt, surface, proofFraction } as never);
        const pulled = fastener({ ...bolt, surface, applied: { unit: 'lbft', value: torque_lbft } } as never);
        expect(pulled.applied!.preload_N).toBeCloseTo(preload_N, 6);
        expect(pulled.applied!.proofFraction).toBeCloseTo(proofFraction, 9);
      }),
    );
  });
});

/**
 * Check cases of the calculators, worked by hand or from published examples (each says which in its note). A number holds within
 * its own tolerance, relative above one; nothing is loosened. And the nasty ones: nothing, text, too little, too much, together.
 */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { refusal } from '#tests/support/bench.ts';
import {
  alignment,
  bigEnd,
  boreSurvey,
  compressionRatio,
  cylinderTests,
  driveline,
  fastener,
  fluidBalance,
  gearing,
  inductionFuel,
} from './index.ts';
import type { Judged } from './input.ts';

interface Case {
  calc: string;
  note: string;
  input: never;
  expected: Record<string, unknown> & { reasonCodes?: string[]; noReasonCodes?: string[] };
  error?: { field: string; code: string };
  tolerance: number;
}

const CALCULATORS: Record<string, (input: never) => Judged> = {
  ...{
    alignment,
    bigEnd,
    boreSurvey,
    compressionRatio,
    cylinderTests,
    driveline,
    fastener,
    fluidBalance,
    gearing,
  },
  inductionFuel,
};
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

const bolt = { thread: { system: 'metric', d_mm: 10, pitch_mm: 1.5 }, grade: '8.8' };
const drive = { tyre: { diameter_in: 26 }, axleRatio: 3, gearRatio: 1, speed_mph: 60 };
const block = {
  ...{ bore_in: 4, stroke_in: 3, cylinders: 8, chamber_cc: 60, gasketBore_in: 4.1, gasket_in: 0.04 },
  ...{ deckClearance_in: 0, pistonVolume_cc: 4 },
};
const level = { thrust_in: 4.0002, axial_in: 4.0001 };
const bores = {
  ...{ nominal_in: 4, cylinders: [{ top: level, middle: level, bottom: level }], oversizes_in: [0.02] },
  pistonClearance_in: { min: 0.0015, max: 0.0025 },
};
const rod = { housingMin_in: 2.2247, housingMax_in: 2.2252, readings: [{ angle_deg: 0, dia_in: 2.225 }, { angle_deg: 80, dia_in: 2.225 }] }; // prettier-ignore
const line = { trans_deg: 3, shaft_deg: 5, pinion_deg: 3, shaftMax_rpm: 4000 };
const wheel = { caster_deg: 2, camber_deg: 0, toe_deg: 0.1 };
const wheels = { before: { fl: wheel, fr: wheel } };
const arms = { studSpacing_mm: 200, armLength_mm: 230, ballJointHeight_mm: 260, ballJointAft_mm: 100, addedShimMoves: 'inboard' }; // prettier-ignore
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
    [driveline, { ...line, trans_deg: undefined }, 'trans_deg missing'],
    [driveline, { ...line, pinion_deg: 31 }, 'pinion_deg out_of_range'],
    [driveline, { ...line, couplingYokes: 'odd' }, 'couplingYokes out_of_range'],
    [driveline, { ...line, coupling_deg: 4, solve: { wedgeStock_deg: [2] } }, 'solve inconsistent'],
    [driveline, { ...line, solve: {} }, 'solve.wedgeStock_deg missing'],
    [driveline, { ...line, solve: { wedgeStock_deg: [2], mountShims_mm: [6] } }, 'solve.mountBase_mm missing'],
    [driveline, { ...line, geometry: { shaftLength_mm: 50, pinionOffset_mm: 0 } }, 'geometry.shaftLength_mm out_of_range'],
    [alignment, {}, 'before.fl.caster_deg missing'],
    [alignment, { before: { fl: wheel, fr: wheel, rl: { camber_deg: 0, toe_deg: 0 } } }, 'before.rr.camber_deg missing'],
    [alignment, { ...wheels, spec: { front: { caster_deg: { min: 3, max: 2 } } } }, 'spec.front.caster_deg inconsistent'],
    [alignment, { ...wheels, wheelbase: { left_mm: 2600, right_mm: 2400, track_mm: 1400 } }, 'wheelbase.right_mm inconsistent'],
    [alignment, { ...wheels, shims: { ...arms } }, 'shims.change inconsistent'],
    [alignment, { ...wheels, convert: { totalToe_deg: 1, totalToe_mm: 1 } }, 'convert inconsistent'],
    [alignment, { ...wheels, tieRod: { toeChange_deg: 0, arm_mm: 150, pitch_mm: 1.5, threads: 3, linkage: 'rear' } }, 'tieRod.threads out_of_range'],
    [alignment, { ...wheels, tieRod: { toeChange_deg: 0, arm_mm: 150, pitch_mm: 1.5, threads: 2, linkage: 'rear', left_mm: 300 } }, 'tieRod.right_mm missing'],
    [boreSurvey, { ...bores, cylinders: [{ top: level, middle: { thrust_in: 4 }, bottom: level }] }, 'cylinders[0].middle.axial_in missing'],
    [boreSurvey, { ...bores, cylinders: [] }, 'cylinders out_of_range'],
    [boreSurvey, { ...bores, pistonClearance_in: { min: 0.003, max: 0.002 } }, 'pistonClearance_in inconsistent'],
    [boreSurvey, { ...bores, newPistons_in: [4, 4] }, 'newPistons_in inconsistent'],
    [bigEnd, { ...rod, housingMin_in: 2.23 }, 'housingMin_in inconsistent'],
    [bigEnd, { ...rod, readings: [{ angle_deg: 45, dia_in: 2.225 }, { angle_deg: 80, dia_in: 2.225 }] }, 'readings inconsistent'],
    [bigEnd, { ...rod, readings: [{ angle_deg: 95, dia_in: 2.225 }, { angle_deg: 0, dia_in: 2.225 }] }, 'readings[0].angle_deg out_of_range'],
    [compressionRatio, { ...block, cylinders: 7.5 }, 'cylinders out_of_range'],
    [compressionRatio, { ...block, gasketBore_in: 3.9 }, 'gasketBore_in inconsistent'],
    [compressionRatio, { ...block, headSkim_in: 0.02 }, 'chamberFaceArea_in2 missing'],
    [compressionRatio, { ...block, pistonVolume_cc: -150 }, 'pistonVolume_cc inconsistent'],
    [cylinderTests, { dry_psi: [0, 0] }, 'dry_psi inconsistent'],
    [cylinderTests, { dry_psi: [150, 150], wet_psi: [160] }, 'wet_psi out_of_range'],
    [cylinderTests, { dry_psi: [150, 150], banks: [[1, 1]] }, 'banks inconsistent'],
    [fluidBalance, { drained_l: 4 }, 'sumpFill_l missing'],
    [fluidBalance, { sumpFill_l: 4.7, drained_l: 5, circuits: [{ kind: 'fuel', shortage_l: 1 }, { kind: 'fuel', shortage_l: 1 }] }, 'circuits[1].kind inconsistent'],
    [fluidBalance, { sumpFill_l: 4.7, drained_l: 5, appearance: 'pink' }, 'appearance out_of_range'],
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

  test('what a joint shakes is the amplitude of its exact motion, within one in a hundred up to four degrees', () => {
    // A cardan joint at θ: ω²·cos θ·sin²θ·sin 2β / (1 − sin²θ·cos²β)² (SAE AE-7; any book on kinematics).
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 4, noNaN: true }), (angle) => {
        const { inertialDrive_rad_s2 } = driveline({
          trans_deg: 0,
          shaft_deg: angle,
          pinion_deg: 0,
          shaftMax_rpm: 3000,
        });
        const [theta, omega] = [(angle * Math.PI) / 180, (2 * Math.PI * 3000) / 60];
        const shaken = (beta: number): number =>
          (omega ** 2 * Math.cos(theta) * Math.sin(theta) ** 2 * Math.sin(2 * beta)) /
          (1 - Math.sin(theta) ** 2 * Math.cos(beta) ** 2) ** 2;
        const most = Math.max(...Array.from({ length: 720 }, (_, i) => shaken((i * Math.PI) / 720)));
        expect(Math.abs(inertialDrive_rad_s2 / most - 1)).toBeLessThan(0.01);
      }),
    );
  });

  test('a wedge that is proposed is right: put under the car, it solves with nothing left to change', () => {
    const low = fc.integer({ min: -40, max: 40 }).map((n) => n / 10);
    fc.assert(
      fc.property(low, (off) => {
        const car = { ...line, pinion_deg: 3 + off };
        const solve = { wedgeStock_deg: [1, 2, 3, 4] };
        const { solution } = driveline({ ...car, solve });
        if (solution === null) return;
        const after = driveline({ ...car, pinion_deg: car.pinion_deg + solution.wedge_deg, solve });
        expect(after.solution!.changes).toBe(0);
        expect(after.difference_deg).toBeCloseTo(solution.difference_deg, 9);
        expect(after.verdict).toBe('ok');
      }),
    );
  });

  test('shims that are worked out for an angle give that angle, and toe converts there and back', () => {
    const angle = fc.double({ min: -1.5, max: 1.5, noNaN: true });
    fc.assert(
      fc.property(angle, angle, (camber_deg, caster_deg) => {
        const want = alignment({
          ...wheels,
          shims: { ...arms, want: { camber_deg, caster_deg } },
        } as never).shims!;
        const change = { front_mm: want.frontExact_mm!, rear_mm: want.rearExact_mm! };
        const got = alignment({ ...wheels, shims: { ...arms, change } } as never).shims!;
        expect(got.camber_deg).toBeCloseTo(camber_deg, 9);
        expect(got.caster_deg).toBeCloseTo(caster_deg, 9);
        const { mm } = alignment({ ...wheels, convert: { totalToe_deg: camber_deg } }).convert!;
        expect(alignment({ ...wheels, convert: { totalToe_mm: mm } }).convert!.deg).toBeCloseTo(
          camber_deg,
          9,
        );
      }),
    );
  });

  test('the gasket that restores the ratio restores it, and the one that restores the quench restores that', () => {
    const skim = fc.double({ min: 0.001, max: 0.04, noNaN: true });
    fc.assert(
      fc.property(skim, skim, (headSkim_in, deckSkim_in) => {
        const skimmed = { ...block, headSkim_in, deckSkim_in, chamberFaceArea_in2: 9.5 };
        const before = compressionRatio(skimmed);
        const by = (newGasket_in: number) => compressionRatio({ ...skimmed, newGasket_in }).after;
        expect(by(before.gasketToRestoreRatio_in).ratio).toBeCloseTo(before.ratio, 9);
        expect(by(before.gasketToRestoreQuench_in).quench_in).toBeCloseTo(before.quench_in, 12);
      }),
    );
  });

  test('after the cut nothing along the rod is wider than what is left to hone', () => {
    const reading = fc.record({
      angle_deg: fc.integer({ min: -60, max: 60 }),
      dia_in: fc.double({ min: 2.2247, max: 2.229, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 8 }), (more) => {
        const result = bigEnd({ ...rod, readings: [{ angle_deg: 0, dia_in: 2.228 }, ...more] });
        expect(result.totalCut_in).toBeGreaterThan(0);
        for (const dia of result.afterCut_in)
          expect(dia).toBeLessThanOrEqual(result.finish_in - 0.001 + 1e-12);
        expect(result.capCut_in + result.rodCut_in).toBeCloseTo(result.totalCut_in, 12);
      }),
    );
  });

  test('cylinders are judged against one another: another gauge gives the same shares', () => {
    const psi = fc.array(fc.integer({ min: 20, max: 200 }), { minLength: 2, maxLength: 12 });
    fc.assert(
      fc.property(psi, (dry_psi) => {
        const [one, other] = [dry_psi, dry_psi.map((p) => p * 1.5)].map((p) => cylinderTests({ dry_psi: p }));
        expect(other!.lowToHigh).toBeCloseTo(one!.lowToHigh, 12);
        expect(other!.lowCylinders).toEqual(one!.lowCylinders);
        expect(other!.verdict).toBe(one!.verdict);
      }),
    );
  });

  test('a bore that takes an oversize is cleaned up by it, and a smaller one would not', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.004, max: 0.05, noNaN: true }), (wear) => {
        const worn = { thrust_in: 4 + wear, axial_in: 4 };
        const oversizes_in = [0.06, 0.02, 0.03, 0.04];
        const result = boreSurvey({ ...bores, cylinders: [{ top: worn, middle: level, bottom: level }], oversizes_in }); // prettier-ignore
        const need = wear + 0.003;
        const fits = oversizes_in.filter((o) => o >= need - 1e-9);
        expect(result.oversize_in).toBe(fits.length === 0 ? null : Math.min(...fits));
        expect(result.decision).toBe(fits.length === 0 ? 'sleeve' : 'bore');
      }),
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

/**
 * Paint, packs, air springs, brakes, frames and hours: what is refused, and what must hold of any. Nasty cases: no weather at all, rain all
 * day, taps that all read the same, a bus above its pack, sides of a frame swapped, points on a line, a budget of nothing, one panel edge.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { refusal } from '#tests/support/bench.ts';
import {
  airSpring,
  blastToPrime,
  brakeBias,
  contactorSequence,
  dewPoint,
  earnedValue,
  estimateCalibration,
  findPaintWindow,
  frameSymmetry,
  isolation,
  paintCheck,
  paintCoverage,
  paintTimers,
  panelGaps,
  pertPlan,
  preCharge,
  presetTable,
  tapSurvey,
} from './index.ts';
import type { FrameSymmetryInput } from './frameSymmetry.ts';

const disc = {
  type: 'disc',
  pistonsPerWheel: 2,
  pistonBore_mm: 38,
  effectiveRadius_mm: 110,
  tyreRadius_mm: 300,
};
const preset = (name: string, at: number) => ({ name, height_mm: at, lf_kPa: 200 + at, rf_kPa: 200 + at, lr_kPa: 150 + at, rr_kPa: 150 + at }); // prettier-ignore
const four = [preset('a', 0), preset('b', 40), preset('c', 80), preset('d', 120)];
const at = (x_mm: number, y_mm: number, z_mm = 0) => ({ x_mm, y_mm, z_mm });
const pair = (name: string, x: number, y: number, z = 0) => ({
  name,
  left: at(x, y, z),
  right: at(x, -y, z),
});
const fair = { air_C: 20, rh_pct: 50 };
const task = (optimistic_h: number, likely_h: number, pessimistic_h: number) => ({ optimistic_h, likely_h, pessimistic_h }); // prettier-ignore

describe('what is refused, by field and reason', () => {
  test.each([
    [dewPoint, { air_C: 51, rh_pct: 50 }, 'air_C out_of_range'],
    [dewPoint, { air_C: NaN, rh_pct: 50 }, 'air_C not_a_number'],
    [paintCheck, { ...fair }, 'surface_C missing'],
    [paintCheck, { ...fair, surface_C: 20, product: { minSurface_C: 30, maxSurface_C: 20 } }, 'product.maxSurface_C inconsistent'],
    [paintTimers, { actual_C: 20, recoatMin_h: 12, recoatMax_h: 6 }, 'recoatMax_h inconsistent'],
    [paintTimers, { actual_C: 20, doublingPer_K: 2 }, 'doublingPer_K out_of_range'],
    [paintCoverage, { area_m2: 12, coats: 1.5, dryFilm_um: 50, volumeSolids_pct: 50 }, 'coats format'],
    [paintCoverage, { area_m2: 0, dryFilm_um: 50, volumeSolids_pct: 50 }, 'area_m2 out_of_range'],
    [blastToPrime, { hoursSinceBlast_h: -1, rh_pct: 50 }, 'hoursSinceBlast_h out_of_range'],
    [findPaintWindow, { hours: [], prep_h: 1, spray_h: 1, touchDry_h: 1 }, 'hours out_of_range'],
    [findPaintWindow, { hours: [fair, { air_C: 20 }], prep_h: 1, spray_h: 1, touchDry_h: 1 }, 'hours[1].rh_pct missing'],
    [findPaintWindow, { hours: [fair], prep_h: 0.5, spray_h: 1, touchDry_h: 1 }, 'prep_h format'],
    [tapSurvey, { kind: 'cells', readings_V: [3.7] }, 'readings_V out_of_range'],
    [tapSurvey, { kind: 'cells', readings_V: [3.7, '3.7'] }, 'readings_V[1] not_a_number'],
    [tapSurvey, { kind: 'cells', readings_V: [0, 0, 0] }, 'readings_V inconsistent'],
    [tapSurvey, { kind: 'cumulative', readings_V: [0, 0, 0] }, 'readings_V inconsistent'],
    [tapSurvey, { kind: 'pack', readings_V: [3.7, 3.7] }, 'kind format'],
    [preCharge, { pack_V: 400, resistor_ohm: 0, capacitance_uF: 1000 }, 'resistor_ohm out_of_range'],
    [preCharge, { pack_V: 400, resistor_ohm: 100, capacitance_uF: 1000, initialBus_V: 401 }, 'initialBus_V inconsistent'],
    [preCharge, { pack_V: 400, resistor_ohm: 100, capacitance_uF: 1000, bus_V: 380 }, 'elapsed_s missing'],
    [preCharge, { pack_V: 400, resistor_ohm: 100, capacitance_uF: 1000, bus_V: 421, elapsed_s: 1 }, 'bus_V inconsistent'],
    [contactorSequence, { pack_V: 360, events: [{ step: 'verifyBus', signedBy: 'A' }] }, 'events[0].bus_V missing'],
    [contactorSequence, { pack_V: 360, events: [{ step: 'closeAll', signedBy: 'A' }] }, 'events[0].step format'],
    [isolation, { workingVoltage_V: 400, bus: 'dc', method: 'direct', rPos_ohm: 1e6 }, 'rNeg_ohm missing'],
    [isolation, { workingVoltage_V: 400, bus: 'dc', method: 'voltmeter', vNeg_V: 300, vPos_V: 100, vPrime_V: 301, r0_ohm: 1e5 }, 'vPrime_V inconsistent'],
    [airSpring, { wheelLoad_kg: 450 }, 'area_cm2 missing'],
    [airSpring, { wheelLoad_kg: 450, unsprung_kg: 500, area_cm2: 100 }, 'unsprung_kg inconsistent'],
    [airSpring, { wheelLoad_kg: 450, area_cm2: 100, areaSlope_cm2_per_mm: -2, heightAboveReference_mm: 50 }, 'areaSlope_cm2_per_mm inconsistent'],
    [airSpring, { wheelLoad_kg: 450, area_cm2: 100, minPressure_kPa: 700 }, 'minPressure_kPa inconsistent'],
    [airSpring, { wheelLoad_kg: 450, calibration: [{ pressure_kPa: 0, load_kg: 10 }] }, 'calibration[0].pressure_kPa out_of_range'],
    [presetTable, { presets: four.slice(1) }, 'presets out_of_range'],
    [presetTable, { presets: [...four.slice(0, 3), preset('A', 120)] }, 'presets[3].name inconsistent'],
    [presetTable, { presets: [...four.slice(0, 3), preset(' ', 120)] }, 'presets[3].name missing'],
    [brakeBias, { pressure_bar: 50, front: disc }, 'rear missing'],
    [brakeBias, { pressure_bar: 50, front: { ...disc, pistonsPerWheel: 3, opposed: true }, rear: disc }, 'front.pistonsPerWheel inconsistent'],
    [brakeBias, { pressure_bar: 0, front: disc, rear: disc }, 'pressure_bar out_of_range'],
    [brakeBias, { pressure_bar: 50, front: disc, rear: disc, mass_kg: 1300 }, 'staticFront_pct missing'],
    [frameSymmetry, { points: [pair('A', 0, 400), pair('B', 1000, 400)] }, 'points out_of_range'],
    [frameSymmetry, { points: [pair('A', 0, 400), pair('', 1000, 400), pair('C', 2000, 400)] }, 'points[1].name missing'],
    [panelGaps, { edgeA: [{ gap_mm: -1 }], targetGap_mm: 4 }, 'edgeA[0].gap_mm out_of_range'],
    [panelGaps, { edgeA: [], targetGap_mm: 4 }, 'edgeA out_of_range'],
    [pertPlan, { tasks: [task(4, 3, 5)] }, 'tasks[0].likely_h inconsistent'],
    [pertPlan, { tasks: [task(4, 5, 3)] }, 'tasks[0].pessimistic_h inconsistent'],
    [earnedValue, { bac: 0, pv: 0, ev: 0, ac: 0 }, 'bac out_of_range'],
    [estimateCalibration, { jobs: [{ kind: 'trim', estimate_h: 0, actual_h: 3 }], kind: 'trim', newEstimate_h: 5 }, 'jobs[0].estimate_h out_of_range'],
    [estimateCalibration, { jobs: [], kind: ' ', newEstimate_h: 5 }, 'kind missing'],
  ] as [(input: never) => unknown, object, string][])('%p', (calculator, input, said) =>
    expect(refusal(() => calculator(input as never))).toBe(said),
  ); // prettier-ignore
});

describe('judged', () => {
  const codes = (of: { reasons: { code: string }[] }) => of.reasons.map((r) => r.code).join();
  test('rain all day leaves no window outdoors; indoors it does not matter', () => {
    const hours = Array.from({ length: 24 }, () => ({ ...fair, rain_mm: 1 }));
    const wanted = { hours, prep_h: 2, spray_h: 1, touchDry_h: 3 };
    expect(codes(findPaintWindow(wanted))).toBe('no_window');
    expect(findPaintWindow({ ...wanted, outdoors: false }).first).toEqual({ start: 0, sprayStart: 2, dryStart: 3, end: 6 }); // prettier-ignore
  });
  test('a series that ends while it dries is no window', () =>
    expect(findPaintWindow({ hours: [fair, fair], prep_h: 0, spray_h: 1, touchDry_h: 2 }).windows).toEqual(
      [],
    ));
  test('open all goes back to the start, unsigned', () => {
    const signed = (step: string, bus_V?: number) => ({ step, signedBy: 'A', bus_V });
    const events = [
      signed('closeNegative'),
      signed('closePrecharge'),
      { step: 'openAll' },
      signed('verifyBus', 350),
    ];
    const result = contactorSequence({ pack_V: 360, events: events as never });
    expect(result).toMatchObject({
      completed: [],
      next: 'closeNegative',
      refused: [{ index: 3, why: 'wrong_order' }],
    });
    expect(result.closed).toEqual({ negative: false, precharge: false, positive: false });
  });
  test('a bus too low, too high, or a step unsigned is refused and changes nothing', () => {
    const before = [
      { step: 'closeNegative', signedBy: 'A' },
      { step: 'closePrecharge', signedBy: 'A' },
    ];
    const tried = [{ step: 'verifyBus', signedBy: ' ', bus_V: 350 }, { step: 'verifyBus', signedBy: 'B', bus_V: 200 }, { step: 'verifyBus', signedBy: 'B', bus_V: 500 }]; // prettier-ignore
    const { refused, next } = contactorSequence({ pack_V: 360, events: [...before, ...tried] as never });
    expect([refused.map((r) => r.why), next]).toEqual([
      ['not_signed', 'bus_too_low', 'bus_implausible'],
      'verifyBus',
    ]);
  });
  test('a bus that does not rise: wait, then stop', () => {
    const circuit = { pack_V: 400, resistor_ohm: 100, capacitance_uF: 1000, bus_V: 200 };
    expect(codes(preCharge({ ...circuit, elapsed_s: 0.2 }))).toBe('keep_waiting');
    expect(codes(preCharge({ ...circuit, elapsed_s: 2 }))).toBe('precharge_fault_stop');
    expect(preCharge({ ...circuit, bus_V: 380, elapsed_s: 0.3 }).closeAllowed).toBe(true);
  });
  test('height that rises without pressure', () =>
    expect(presetTable({ presets: [four[0]!, four[1]!, { ...four[2]!, lf_kPa: 100, rf_kPa: 100 }, four[3]!] }).disagree).toEqual([['b', 'c']])); // prettier-ignore
  test('points across from each other on a circle fit any plane, so none is said', () => {
    const points = [30, 90, 150].map((degrees) => {
      const [x, y] = [1000 * Math.cos((degrees * Math.PI) / 180), 1000 * Math.sin((degrees * Math.PI) / 180)];
      return { name: String(degrees), left: at(x, y), right: at(-x, -y) };
    });
    expect(refusal(() => frameSymmetry({ points }))).toBe('points inconsistent');
  });
  test('nothing spent and nothing planned yet is said, not divided by', () => {
    const result = earnedValue({ bac: 1000, pv: 0, ev: 0, ac: 0 });
    expect([codes(result), result.eacCpi, result.tcpiBac]).toEqual(['cpi_undefined,spi_undefined', null, 1]);
  });
  test('no jobs of a kind leave the estimate as it is, and say so', () => {
    const result = estimateCalibration({ jobs: [], kind: 'trim', newEstimate_h: 20 });
    expect(result).toMatchObject({ n: 0, factor: 1, median_h: 20, sigmaSource: 'default', shrinkage: 0 });
    expect(codes(result)).toBe('few_jobs_of_this_kind');
  });
});

describe('what must hold of any', () => {
  test('a mirrored frame has nothing left over, wherever and however it stands on the bench', () => {
    const mm = fc.double({ min: -40, max: 40, noNaN: true });
    const yaw = fc.double({ min: -0.05, max: 0.05, noNaN: true });
    const turned = ([x, y, z]: number[], a: number, dx: number, dy: number) =>
      at(x! * Math.cos(a) - y! * Math.sin(a) + dx, x! * Math.sin(a) + y! * Math.cos(a) + dy, z);
    fc.assert(
      fc.property(yaw, mm, mm, (a, dx, dy) => {
        const points = [[0, 400, 100], [1000, 500, 220], [2500, 450, 150], [3500, 420, 300]].map(([x, y, z], i) => ({
          name: String(i),
          left: turned([x!, y!, z!], a, dx, dy),
          right: turned([x!, -y!, z!], a, dx, dy),
        })); // prettier-ignore
        const result = frameSymmetry({ points } satisfies FrameSymmetryInput);
        expect(result.rms_mm).toBeLessThan(1e-6);
        expect(result.planeYaw_deg).toBeCloseTo((a * 180) / Math.PI, 6);
      }),
      { seed: 6_2026 },
    );
  });

  test('two taps swapped are always found', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 200 }), fc.nat(197), fc.nat(197), (count, i, j) => {
        fc.pre(i < count && j < count && i !== j);
        const taps = Array.from({ length: count }, (_, k) => 3.7 * (k + 1));
        [taps[i], taps[j]] = [taps[j]!, taps[i]!];
        const result = tapSurvey({ kind: 'cumulative', readings_V: taps, packReading_V: 3.7 * count });
        expect(result.misplacedTaps).toEqual(expect.arrayContaining([i + 1, j + 1]));
        expect(result.verdict).toBe('fail');
      }),
      { seed: 4_2026 },
    );
  });

  test('more resistance is never faster, and never a larger current', () => {
    const ohm = fc.double({ min: 1, max: 500, noNaN: true });
    fc.assert(
      fc.property(ohm, ohm, (one, other) => {
        const of = (resistor_ohm: number) => preCharge({ pack_V: 400, resistor_ohm, capacitance_uF: 1200 });
        const [less, more] = [of(Math.min(one, other)), of(Math.max(one, other))];
        expect(more.tTarget_s).toBeGreaterThanOrEqual(less.tTarget_s);
        expect(more.peakCurrent_A).toBeLessThanOrEqual(less.peakCurrent_A);
        expect(more.resistorEnergy_J).toBeCloseTo(less.resistorEnergy_J, 6);
      }),
      { seed: 5_2026 },
    );
  });

  test('every window that is found can be worked through hour by hour', () => {
    const hour = fc.record({
      air_C: fc.integer({ min: 2, max: 30 }),
      rh_pct: fc.integer({ min: 40, max: 100 }),
      rain_mm: fc.constantFrom(0, 0, 0, 0.4),
    });
    fc.assert(
      fc.property(fc.array(hour, { minLength: 1, maxLength: 72 }), (hours) => {
        const { windows, hourStates } = findPaintWindow({ hours, prep_h: 2, spray_h: 1, touchDry_h: 2 });
        for (const w of windows) {
          expect(hourStates.slice(w.start, w.sprayStart)).not.toContain('wet');
          expect(new Set(hourStates.slice(w.sprayStart, w.end))).toEqual(new Set(['ok']));
        }
      }),
      { seed: 7_2026 },
    );
  });

  test('a measured pressure means the load that it was worked out for', () => {
    const load = fc.double({ min: 100, max: 900, noNaN: true });
    fc.assert(
      fc.property(load, fc.double({ min: 0.3, max: 1.2, noNaN: true }), (wheelLoad_kg, motionRatio) => {
        const input = { wheelLoad_kg, motionRatio, unsprung_kg: 40, area_cm2: 120 };
        const { pressure_kPa } = airSpring(input);
        expect(airSpring({ ...input, measured_kPa: pressure_kPa }).impliedLoad_kg).toBeCloseTo(
          wheelLoad_kg,
          6,
        );
      }),
      { seed: 8_2026 },
    );
  });
});

/**
 * Advice that could hurt somebody. Nasty cases: a bus that has the pack’s voltage before or just after its charge begins, rust that is
 * seen while the clock still allows the primer, a stack of wedges whose choices double with each, cells of which nobody said what they are, tappets that run with lash.
 */
import { describe, expect, test } from '@jest/globals';
import { calculatorNamed } from './registry/index.ts';
import { toldOf } from './registry/told.ts';
import { compressionRatio } from './compressionRatio.ts';
import { driveline } from './driveline.ts';
import { preCharge } from './preCharge.ts';
import { tapSurvey } from './tapSurvey.ts';

/** τ = 100 Ω · 1000 µF = 0.1 s: after 5 ms the bus has 1 − e^−0.05 = 4.9 % of the pack. */
const PACK = { pack_V: 400, resistor_ohm: 100, capacitance_uF: 1000 };
const judge = (more: object) => {
  const { verdict, reasons, closeAllowed } = preCharge({ ...PACK, ...more });
  return { verdict, codes: reasons.map((r) => r.code), closeAllowed };
};

describe('a bus that is live too soon', () => {
  test('at the pack’s voltage after five milliseconds: not good, and no closing', () =>
    expect(judge({ bus_V: 399, elapsed_s: 0.005 })).toEqual({
      verdict: 'fail',
      codes: ['precharge_too_fast'],
      closeAllowed: false,
    }));
  test('at the pack’s voltage before it is charged: not good, with no reading and with one', () => {
    expect(judge({ initialBus_V: 398 })).toMatchObject({ verdict: 'fail', codes: ['bus_live_before'] });
    expect(judge({ initialBus_V: 398, bus_V: 399, elapsed_s: 1 })).toEqual({
      verdict: 'fail',
      codes: ['bus_live_before'],
      closeAllowed: false,
    });
  });
  test('as it should rise: waited for, then closed', () => {
    expect(judge({ bus_V: 252, elapsed_s: 0.1 })).toMatchObject({
      codes: ['keep_waiting'],
      closeAllowed: false,
    });
    expect(judge({ bus_V: 390, elapsed_s: 0.5 })).toEqual({ verdict: 'ok', codes: [], closeAllowed: true });
  });
});

test('steel that shows rust is blasted again, whatever time is left', () => {
  const c = calculatorNamed('blastToPrime')!;
  const told = (input: object) => toldOf(c, input as never, c.work(input as never));
  expect(told({ hoursSinceBlast_h: 1, rh_pct: 40, bloomSeen: true }).right).toEqual(['Blast it again.']);
  expect(told({ hoursSinceBlast_h: 1, rh_pct: 40 }).right).toEqual(['Prime within 420 minutes.']);
});

test('a stack of wedges that nobody lays is refused at its field, before its choices are tried', () => {
  const solve = (n: number) =>
    driveline({
      ...{ trans_deg: 3, shaft_deg: 5, pinion_deg: 1, shaftMax_rpm: 3000 },
      solve: { wedgeStock_deg: [1, 2], existingWedges_deg: Array<number>(n).fill(1) },
    });
  expect(() => solve(6)).not.toThrow();
  expect(() => solve(7)).toThrow(/existingWedges_deg/);
});

describe('cells are judged by what they are', () => {
  const cells = (volts: number, more: object = {}) => {
    const { verdict, reasons } = tapSurvey({
      kind: 'cells',
      readings_V: Array<number>(8).fill(volts),
      packReading_V: 8 * volts,
      ...more,
    } as never);
    return { verdict, codes: reasons.map((r) => r.code) };
  };
  // Full at rest: LFP 3.65 V, LTO 2.8 V, NMC 4.20 V; values of cell makers' sheets, from memory.
  test.each([
    ['lfp', 3.9, 'fail', ['cell_over_maximum']],
    ['lfp', 3.3, 'ok', []],
    ['lto', 3.3, 'fail', ['cell_over_maximum']],
    ['lto', 2.3, 'ok', []],
    ['nmc', 3.9, 'ok', []],
    ['nmc', 2.3, 'fail', ['cell_under_minimum']],
  ] as const)('%s at %f V: %s', (chemistry, volts, verdict, codes) =>
    expect(cells(volts, { chemistry })).toEqual({ verdict, codes }),
  );
  test('nobody said what they are: never well', () => {
    expect(cells(3.9)).toEqual({ verdict: 'watch', codes: ['cells_not_judged'] });
    expect(cells(3.9, { cellMin_V: 2.8 })).toMatchObject({ codes: ['cells_not_judged'] });
    expect(cells(3.9, { cellMin_V: 2.8, cellMax_V: 4.2 })).toEqual({ verdict: 'ok', codes: [] });
  });
});

describe('tappets', () => {
  const engine = { bore_in: 4, stroke_in: 3.5, cylinders: 8, chamber_cc: 76, gasketBore_in: 4.1, gasket_in: 0.04, deckClearance_in: 0.02, pistonVolume_cc: 6 }; // prettier-ignore
  const judged = (pushrod: object) => {
    const result = compressionRatio({ ...engine, deckSkim_in: 0.01, ...pushrod } as never);
    return { codes: result.reasons.map((r) => r.code), rod: result.pushrod! };
  };
  test('solid ones have lash: no preload is wanted of them', () => {
    const { codes, rod } = judged({ pushrod: { tappets: 'solid', length_in: 8, presentPreload_in: -0.02 } });
    expect(codes).toEqual(['lash_not_judged']);
    // Skimmed by 0.010 in, the lash of 0.020 is 0.010, and a pushrod shorter by as much gives it back.
    expect(rod.preloadIfKept_in).toBeCloseTo(-0.01, 12);
    expect(rod.newLength_in).toBeCloseTo(7.99, 12);
  });
  test('a solid one without lash holds its valve open', () =>
    expect(judged({ pushrod: { tappets: 'solid', length_in: 8, presentPreload_in: -0.005 } }).codes).toEqual([
      'valve_held_open',
    ]));
  test('hydraulic ones are judged by their preload, and what was assumed is said', () => {
    const rod = { length_in: 8, presentPreload_in: 0.03 };
    expect(judged({ pushrod: { ...rod, tappets: 'hydraulic' } }).codes).toEqual([]);
    expect(judged({ pushrod: rod }).codes).toEqual(['tappets_assumed']);
    expect(judged({ pushrod: { ...rod, tappets: 'hydraulic', presentPreload_in: -0.02 } }).codes).toEqual([
      'preload',
    ]);
  });
});

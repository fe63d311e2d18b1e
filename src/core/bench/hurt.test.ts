/**
 * Advice that could hurt somebody. Nasty cases: a bus that has the pack’s voltage before or just after its charge begins, rust that is
 * seen while the clock still allows the primer.
 */
import { describe, expect, test } from '@jest/globals';
import { calculatorNamed } from './registry/index.ts';
import { toldOf } from './registry/told.ts';
import { preCharge } from './preCharge.ts';

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

/** Rates. Nasty cases: none at all, two on one day, a person's wide rate against everybody's narrow one, the day before. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { WORKS } from '../estimate/lines.ts';
import { addDays } from '../time/days.ts';
import { rateOn, whyNotDropRate, whyNotRate, type Rate } from './rates.ts';

const TODAY = '2026-03-11';
const rate = (more: Partial<Rate>): Rate => ({
  personId: null,
  work: null,
  from: '2000-01-01',
  chargeMinor: null,
  costMinor: null,
  ...more,
});

describe('the rate of an hour', () => {
  const rates = [
    rate({ work: 'paint', chargeMinor: 6200 }),
    rate({ work: 'paint', from: '2026-04-01', chargeMinor: 6800 }),
    rate({ costMinor: 2500 }),
    rate({ personId: 'nell', from: '2026-01-01', costMinor: 3100 }),
    rate({ personId: 'nell', work: 'paint', from: '2026-02-01', costMinor: 3600, chargeMinor: 7000 }),
  ];
  test.each([
    ['everybody’s, before', 'otto', 'paint', '2026-03-31', 6200, 2500],
    ['everybody’s, from the day on', 'otto', 'paint', '2026-04-01', 6800, 2500],
    ['nothing is charged where nothing was said', 'otto', 'trim', '2026-03-01', 0, 2500],
    ['her own cost, the shop’s charge', 'nell', 'paint', '2026-01-15', 6200, 3100],
    ['her own for the kind of work', 'nell', 'paint', '2026-02-01', 7000, 3600],
    ['her own for all other work', 'nell', 'trim', '2026-02-01', 0, 3100],
    ['work of no kind', 'nell', null, '2026-02-01', 0, 3100],
    ['nobody in particular', null, 'paint', '2026-05-01', 6800, 2500],
  ] as const)('%s', (_name, personId, work, day, chargeMinor, costMinor) =>
    expect(rateOn(rates, { personId, work, day })).toEqual({ chargeMinor, costMinor }),
  );

  test('without any, nothing', () =>
    expect(rateOn([], { personId: 'x', work: 'trim', day: TODAY })).toEqual({
      chargeMinor: 0,
      costMinor: 0,
    }));
});

describe('a rate that may be kept', () => {
  const known = [
    rate({ chargeMinor: 6000 }),
    rate({ personId: 'nell', from: '2026-01-01', costMinor: 3100 }),
  ];
  const refused = (more: Partial<Rate>): string[] =>
    whyNotRate(known, rate({ costMinor: 1, from: TODAY, ...more }), TODAY).map((f) => f.field);
  test('holds from today or later; the first of a person may hold for what they did before', () => {
    expect(refused({})).toEqual([]);
    expect(refused({ from: addDays(TODAY, 30) })).toEqual([]);
    expect(refused({ from: addDays(TODAY, -1) })).toEqual(['from']);
    expect(refused({ personId: 'nell', from: addDays(TODAY, -1) })).toEqual(['from']);
    expect(refused({ personId: 'otto', from: '2020-01-01' })).toEqual([]);
    expect(refused({ costMinor: null })).toEqual(['costMinor']);
    expect(refused({ from: '2099-01-01' })).toEqual(['from']);
  });

  test('only one that does not hold yet is taken back', () => {
    expect(whyNotDropRate({ from: addDays(TODAY, 1) }, TODAY)).toBeNull();
    expect(whyNotDropRate({ from: TODAY }, TODAY)).toMatch(/holds already/);
  });

  test('no rate that is let in changes an hour worked before today (seed 41)', () => {
    const day = fc.integer({ min: -400, max: 400 }).map((n) => addDays(TODAY, n));
    const any = fc.record({
      personId: fc.constantFrom(null, 'nell', 'otto'),
      work: fc.constantFrom(null, ...WORKS),
      from: day,
      chargeMinor: fc.option(fc.nat(9000), { nil: null }),
      costMinor: fc.option(fc.nat(9000), { nil: null }),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 12 }), any, fc.constantFrom(...WORKS), (before, next, work) => {
        const of = [...before, rate({ personId: 'nell' }), rate({ personId: 'otto' })];
        if (whyNotRate(of, next, TODAY).length > 0) return;
        for (const personId of ['nell', 'otto'])
          for (const back of [1, 40, 390]) {
            const hour = { personId, work, day: addDays(TODAY, -back) };
            expect(rateOn([...of, next], hour)).toEqual(rateOn(of, hour));
          }
      }),
      { seed: 41, numRuns: 300 },
    );
  });
});

/** Pauses. Nasty cases: over midnight, over a leap day, before the promise was given, still running, of the shop's own making. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { addDays, daysBetween } from '../time/days.ts';
import { pausedDays, promiseNow, storageMinor, type Pause } from './pauses.ts';

const pause = (from: string, to: string | null, side: Pause['side'] = 'customer'): Pause => ({
  side,
  reason: 'at sea',
  from,
  to,
});

test.each([
  [[pause('2026-03-02', '2026-03-12')], 10],
  [[pause('2026-03-02', '2026-03-02')], 0],
  [[pause('2026-03-02', null)], 9],
  [[pause('2028-02-28', '2028-03-01')], 2],
  [[pause('2026-03-02', null, 'shop')], 0],
  [[pause('2026-02-01', '2026-02-05'), pause('2026-03-02', '2026-03-04')], 6],
  [[], 0],
])('%j took %i days', (pauses, days) => {
  expect(pausedDays(pauses, null, '2026-03-11')).toBe(days);
});

test('what was before the promise was given moves it no more; a running pause moves it day by day', () => {
  const pauses = [pause('2026-02-01', '2026-02-11'), pause('2026-03-02', null)];
  expect(promiseNow('2026-05-01', '2026-02-06', pauses, '2026-03-11')).toBe('2026-05-15');
  expect(promiseNow('2026-05-01', '2026-02-06', pauses, '2026-03-12')).toBe('2026-05-16');
  expect(promiseNow('2026-05-01', null, pauses, '2026-03-11')).toBe('2026-05-20');
  expect(promiseNow(null, null, pauses, '2026-03-11')).toBeNull();
});

test('time that is worked and time that rests add up: no pause takes a day of work away (seed 3)', () => {
  const ends = fc.tuple(fc.nat(60), fc.nat(60)).map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const);
  fc.assert(
    fc.property(ends, fc.nat(90), ([from, to], span) => {
      const start = '2026-01-01';
      const pauses = [pause(addDays(start, from), addDays(start, to))];
      const promised = addDays(start, span);
      const now = promiseNow(promised, start, pauses, addDays(start, 61))!;
      expect(daysBetween(start, now) - (to - from)).toBe(span);
      expect(storageMinor(pauses, 450, addDays(start, 61))).toBe((to - from) * 450);
    }),
    { seed: 3, numRuns: 200 },
  );
});

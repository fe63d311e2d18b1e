/** Which copies are kept. Nasty cases: none, several on one day, gaps, the turn of a year, names that are no copies. */
import { describe, expect, test } from '@jest/globals';
import { addDays, type Day } from '../time/days.ts';
import { instantOf, isStamp, KEPT, keptCopies, stampOf } from './retention.ts';

const copyOn = (day: Day, time = '03-00-00'): string => `${day}T${time}`;
const everyDay = (from: Day, days: number): string[] =>
  Array.from({ length: days }, (_, i) => copyOn(addDays(from, i)));

describe('copies that are kept', () => {
  test('of none, none', () => expect(keptCopies([])).toEqual([]));

  test('of two years of daily copies: seven days, four weeks, twelve months, the newest of each', () => {
    const kept = keptCopies(everyDay('2025-01-01' as Day, 730));
    expect(kept.slice(0, 7)).toEqual(everyDay('2026-12-25' as Day, 7).reverse());
    // Weeks end on Sunday: 2026-12-27 and 20th are among the days or follow them (ISO 8601).
    expect(kept).toContain(copyOn('2026-12-20' as Day));
    expect(kept).toContain(copyOn('2026-12-13' as Day));
    for (const monthEnd of ['2026-11-30', '2026-02-28', '2026-01-31'])
      expect(kept).toContain(copyOn(monthEnd as Day));
    expect(kept).not.toContain(copyOn('2025-12-31' as Day));
    expect(kept.length).toBeLessThanOrEqual(KEPT.daily + KEPT.weekly + KEPT.monthly);
  });

  test('the newest of several on one day; and the newest copy of all is always kept', () => {
    const day = '2026-11-30' as Day;
    expect(keptCopies([copyOn(day, '03-00-00'), copyOn(day, '17-30-00'), copyOn(day, '09-00-00')])).toEqual([
      copyOn(day, '17-30-00'),
    ]);
  });

  test('a shop that was shut for months loses nothing of what it has', () => {
    const few = [copyOn('2026-01-05' as Day), copyOn('2026-06-01' as Day), copyOn('2026-11-30' as Day)];
    expect(keptCopies(few)).toEqual([...few].reverse());
  });

  test('names that are no copies are let alone', () =>
    expect(keptCopies(['.making-2026-11-30T03-00-00', 'old', '2026-11-30'])).toEqual([]));
});

test('a stamp and its instant', () => {
  expect(stampOf('2026-11-30T02:57:12.345Z')).toBe('2026-11-30T02-57-12');
  expect(instantOf('2026-11-30T02-57-12')).toBe('2026-11-30T02:57:12.000Z');
  expect(isStamp('2026-11-30T02:57:12')).toBe(false);
  expect(() => instantOf('../../etc')).toThrow('not the name of a copy');
});

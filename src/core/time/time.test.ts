/**
 * Nasty cases: days that do not exist, leap years, year ends, both ends of daylight saving, zones a day apart,
 * half-hour offsets, midnight.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  addDays,
  agoInWords,
  dayFromParts,
  dayOf,
  daysBetween,
  formatDay,
  isDay,
  startOfMonth,
  weekdayOf,
} from './days.ts';
import { formatMinutes } from './hours.ts';
import { isTimeZone, noonOf, whenOf } from './zones.ts';

describe('calendar days', () => {
  // Gregorian rule: leap where divisible by 4, but not by 100 unless by 400.
  test.each([
    ['2024-02-29', true],
    ['2026-02-29', false],
    ['1900-02-29', false],
    ['2000-02-29', true],
    ['2026-13-01', false],
    ['2026-04-31', false],
    ['2026-3-1', false],
    ['tomorrow', false],
  ])('%s is a day: %s', (text, is) => expect(isDay(text)).toBe(is));

  // ISO 8601 counts Monday as 1; 1 January 2000 was a Saturday, 29 February 2024 a Thursday.
  test.each([
    ['2000-01-01', 6],
    ['2024-02-29', 4],
    ['2026-03-11', 3],
    ['1969-07-20', 7],
  ])('%s is weekday %i', (day, weekday) => expect(weekdayOf(day)).toBe(weekday));

  test('adding days and counting them are each other’s inverse (property, seed 42)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 80_000 }),
        fc.integer({ min: -40_000, max: 40_000 }),
        (start, n) => {
          const day = addDays('1900-01-01', start);
          expect(isDay(day)).toBe(true);
          expect(daysBetween(day, addDays(day, n))).toBe(n);
          expect((weekdayOf(day) - 1 + ((n % 7) + 7)) % 7).toBe(weekdayOf(addDays(day, n)) - 1);
        },
      ),
      { seed: 42, numRuns: 500 },
    );
  });

  test('months begin where they should, over the year end', () => {
    expect(startOfMonth('2026-12-31', 1)).toBe('2027-01-01');
    expect(startOfMonth('2026-01-15', -1)).toBe('2025-12-01');
    expect(dayFromParts(2026, 2, 30)).toBeNull();
  });

  test('are written with the year only where it is another', () => {
    expect(formatDay('2026-12-04', 'en-GB', '2026-03-11')).toBe('Fri 4 Dec');
    expect(formatDay('2027-01-04', 'en-GB', '2026-03-11')).toMatch(/Mon,? 4 Jan 2027/);
    expect(agoInWords('2026-03-10', '2026-03-11')).toBe('yesterday');
    expect(agoInWords('2026-02-27', '2026-03-11')).toBe('12 days ago');
  });
});

describe('instants and days (offsets from the IANA time zone database)', () => {
  test('one instant is two days in two zones', () => {
    const instant = '2026-03-11T11:30:00.000Z';
    expect(dayOf(instant, 'Pacific/Auckland')).toBe('2026-03-12');
    expect(dayOf(instant, 'Pacific/Honolulu')).toBe('2026-03-11');
    expect(dayOf('2026-03-11T00:00:00.000Z', 'America/New_York')).toBe('2026-03-10');
  });

  test.each([
    ['2026-03-28', 'Europe/London', '2026-03-28T12:00:00.000Z'], // the day before clocks go forward
    ['2026-03-29', 'Europe/London', '2026-03-29T11:00:00.000Z'], // the day they do
    ['2026-10-25', 'Europe/London', '2026-10-25T12:00:00.000Z'], // the day they go back
    ['2026-03-11', 'Asia/Kolkata', '2026-03-11T06:30:00.000Z'],
    ['2026-03-11', 'Pacific/Kiritimati', '2026-03-10T22:00:00.000Z'],
    ['2026-03-11', 'Pacific/Pago_Pago', '2026-03-11T23:00:00.000Z'],
  ])('noon of %s in %s is %s', (day, zone, instant) => {
    expect(noonOf(day, zone)).toBe(instant);
    expect(dayOf(instant, zone)).toBe(day);
  });

  test('what is said to be of an earlier day is put at its noon; today, the future and long ago are not', () => {
    const now = '2026-03-11T10:00:00.000Z';
    expect(whenOf(undefined, now, 'Europe/London')).toBe(now);
    expect(whenOf('2026-03-11', now, 'Europe/London')).toBe(now);
    expect(whenOf('2026-03-12', now, 'Europe/London')).toBe(now);
    expect(whenOf('2026-03-10', now, 'Europe/London')).toBe('2026-03-10T12:00:00.000Z');
    expect(whenOf('1961-03-10', now, 'Europe/London')).toBe(now);
  });

  test('a zone that is none', () => {
    expect(isTimeZone('Europe/London')).toBe(true);
    expect(isTimeZone('Saltmarsh')).toBe(false);
  });
});

test('working time reads as people say it', () => {
  expect([45, 60, 90, 8835].map(formatMinutes)).toEqual(['45 min', '1 h', '1 h 30 min', '147 h 15 min']);
});

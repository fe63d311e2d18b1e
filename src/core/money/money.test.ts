/** Nasty cases: currencies without minor units or with three digits, amounts that binary floats cannot hold, overflow. */
import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import { allocate, formatMoney, forMinutes, minorDigits, shareOf, taxWithin, toMinor } from './money.ts';

describe('minor digits, by ISO 4217:2015 table A.1', () => {
  test.each([
    ['GBP', 2],
    ['EUR', 2],
    ['USD', 2],
    ['JPY', 0],
    ['KRW', 0],
    ['KWD', 3],
    ['BHD', 3],
  ])('%s has %i', (currency, digits) => expect(minorDigits(currency)).toBe(digits));

  test('a code that is none is refused', () => expect(() => minorDigits('pounds')).toThrow(RangeError));
});

describe('typed money to minor units', () => {
  test.each([
    [46.5, 'GBP', 4650],
    [1.005, 'GBP', 101], // binary floats hold 1.00499…; the typed decimal is rounded half away from zero
    [-1.005, 'GBP', -101],
    [0.1 + 0.2, 'GBP', 30],
    [1234.5, 'JPY', 1235],
    [1.2345, 'KWD', 1235],
    [0, 'EUR', 0],
    [8.99, 'EUR', 899],
  ])('%d %s is %d', (major, currency, minor) => expect(toMinor(major, currency)).toBe(minor));

  test('beyond the safe integers there is no answer', () => {
    expect(toMinor(1e17, 'GBP')).toBeNull();
    expect(toMinor(Number.MAX_SAFE_INTEGER / 100, 'GBP')).not.toBeNull();
  });
});

test('minor units are written as the shop writes them (Unicode CLDR)', () => {
  expect(formatMoney(4650, 'GBP', 'en-GB')).toBe('£46.50');
  expect(formatMoney(125_000, 'EUR', 'de-AT').replace(/\s/g, ' ')).toBe('€ 1.250,00');
  expect(formatMoney(1235, 'JPY', 'en-US')).toBe('¥1,235');
});

describe('shares, taxes and time', () => {
  // By hand: 5 % of 0.10 is half a penny, which goes up; a refund goes down by the same.
  test.each([
    [10, 500, 1],
    [-10, 500, -1],
    [9, 500, 0],
    [66_674, 2000, 13_335],
    [Number.MAX_SAFE_INTEGER, 10_000, Number.MAX_SAFE_INTEGER],
  ])('%d minor units at %d basis points is %d', (minor, bp, share) => expect(shareOf(minor, bp)).toBe(share));

  // 119.00 with 19 % in it holds exactly 19.00; 100.00 with 20 % in it holds 16.67 (16.666…).
  test.each([
    [11_900, 1900, 1900],
    [10_000, 2000, 1667],
    [10_000, 0, 0],
  ])('%d gross at %d basis points holds %d of tax', (gross, bp, tax) =>
    expect(taxWithin(gross, bp)).toBe(tax),
  );

  // 7 h 20 min at 66.00 is 484.00; one minute at 60.01 is 1.00016…; half a penny goes up.
  test.each([
    [440, 6600, 48_400],
    [1, 6001, 100],
    [1, 30, 1],
  ])('%d minutes at %d an hour is %d', (minutes, rate, minor) =>
    expect(forMinutes(minutes, rate)).toBe(minor),
  );

  test('more than can be counted exactly is refused', () => {
    expect(() => shareOf(Number.MAX_SAFE_INTEGER, 20_000)).toThrow(RangeError);
  });
});

describe('allocation', () => {
  // The textbook case: 100 in thirds leaves one over, which goes to the first.
  test.each([
    [100, [1, 1, 1], [34, 33, 33]],
    [5, [3, 7], [2, 3]],
    [-100, [1, 1, 1], [-34, -33, -33]],
    [0, [1, 2], [0, 0]],
    [7, [0, 1], [0, 7]],
  ])('%d by %j is %j', (minor, weights, parts) => {
    expect(allocate(minor, weights).map((p) => p + 0)).toEqual(parts);
  });

  test('seed 5: the parts always sum to the whole, and differ from the exact share by less than one', () => {
    const weights = fc.array(fc.integer({ min: 0, max: 1_000_000 }), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(fc.integer({ min: -1e12, max: 1e12 }), weights, (minor, w) => {
        const all = w.reduce((s, x) => s + x, 0);
        fc.pre(all > 0);
        const parts = allocate(minor, w);
        expect(parts.reduce((s, p) => s + p, 0)).toBe(minor);
        parts.forEach((p, i) => expect(Math.abs(p - (minor / all) * w[i]!)).toBeLessThan(1.001));
      }),
      { seed: 5 },
    );
  });

  test('weights that are all zero, or below zero, are refused', () => {
    expect(() => allocate(5, [0, 0])).toThrow(RangeError);
    expect(() => allocate(5, [2, -1])).toThrow(RangeError);
  });
});

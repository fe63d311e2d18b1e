/** Nasty cases: currencies without minor units or with three digits, amounts that binary floats cannot hold, overflow. */
import { describe, expect, test } from '@jest/globals';
import { formatMoney, minorDigits, toMinor } from './money.ts';

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

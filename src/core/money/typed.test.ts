/** Amounts and numbers as they are typed. Nasty cases: either mark in either country, groups of three, signs of another currency, spaces, nonsense. */
import { describe, expect, test } from '@jest/globals';
import { formatMoney } from './money.ts';
import { rateTyped, readAmount, readNumber, wholeTyped } from './typed.ts';

const GB = { currency: 'GBP', locale: 'en-GB' };
const DE = { currency: 'EUR', locale: 'de-DE' };
const US = { currency: 'USD', locale: 'en-US' };
const KW = { currency: 'KWD', locale: 'en-GB' };
const ASKED = { ambiguous: true };

describe('an amount', () => {
  test.each([
    ['18,500', GB, 1_850_000],
    ['18.50', GB, 1850],
    ['18,50', GB, 1850],
    ['1,234,567.89', GB, 123_456_789],
    ['£95', GB, 9500],
    ['95 GBP', GB, 9500],
    ['18 500', GB, 1_850_000],
    ['.5', GB, 50],
    ['$95', US, 9500],
    ['18.500', DE, 1_850_000],
    ['18,50', DE, 1850],
    ['18.50', DE, 1850],
    ['1.234.567,89', DE, 123_456_789],
    ['1.250,00 €', DE, 125_000],
    ['18.500', KW, 18_500],
    ['-12.50', GB, -1250],
  ])('%s in %o', (text, shop, minor) => expect(readAmount(text, shop)).toEqual({ value: minor }));

  test.each([
    ['18.500', GB],
    ['18,500', DE],
    ['1.234', US],
  ])('%s in %o is asked', (text, shop) => expect(readAmount(text, shop)).toEqual(ASKED));

  test.each([
    ['$95', GB],
    ['95 €', GB],
    ['', GB],
    ['ninety', GB],
    ['1,23,456', GB],
    ['1.234,5.6', DE],
    ['12 5', GB],
    ['--5', GB],
    ['1e9', GB],
    ['999999999999999999', GB],
  ])('%s in %o is none', (text, shop) => expect(readAmount(text, shop)).toBeNull());

  test('what this runtime writes for an amount is read back as that amount, in every shop (property, by counting)', () => {
    for (const shop of [GB, DE, US])
      for (const minor of [0, 1, 99, 100, 99_999, 100_000, 123_456, 12_345_678_900])
        expect([shop.locale, readAmount(formatMoney(minor, shop.currency, shop.locale), shop)]).toEqual([
          shop.locale,
          { value: minor },
        ]);
  });
});

describe('a number', () => {
  test.each([
    ['1.5', 1.5],
    ['1,5', 1.5],
    ['0.125', 0.125],
    ['0,125', 0.125],
    ['12 000', 12_000],
    ['-3', -3],
    ['1,234,567', 1_234_567],
  ])('%s', (text, value) => expect(readNumber(text)).toEqual({ value }));
  test.each(['1,500', '1.500', '18.500'])('%s is asked', (text) => expect(readNumber(text)).toEqual(ASKED));
  test.each(['', 'x', '1..5', '£5'])('%s is none', (text) => expect(readNumber(text)).toBeNull());
});

describe('a whole number', () => {
  test.each([
    ['1961', 1961],
    ['120,400', 120_400],
    ['120.400', 120_400],
    ['12 000', 12_000],
  ])('%s', (text, value) => expect(wholeTyped(text)).toBe(value));
  test.each(['', '1.5', '1,25', '1e3', '0x10', '-3', '1,2345'])('%s is none', (text) =>
    expect(wholeTyped(text)).toBeNull(),
  );
});

describe('a rate between two currencies', () => {
  test.each([
    ['1.172', 'en-GB', 1.172],
    ['1,172', 'de-DE', 1.172],
    ['1,850', 'en-GB', 1850],
    ['1.850', 'de-DE', 1850],
    ['0.86', 'de-DE', 0.86],
  ])('%s in %s', (text, locale, value) => expect(rateTyped(text, locale)).toBe(value));
});

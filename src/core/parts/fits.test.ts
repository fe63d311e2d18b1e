/**
 * What a part fits. Nasty cases: the engine of another year than the car, a catalogue open at one end, numbers of another
 * series, with letters and strokes in them, longer than a number can hold, none at all.
 */
import { describe, expect, test } from '@jest/globals';
import { whyMayNotFit, whyNotSerialRange } from './fits.ts';

describe('what it fits', () => {
  const engine = { kind: 'engine', year: 1964 };
  test.each([
    [
      { fitsFrom: 1959, fitsTo: 1962 },
      engine,
      1961,
      'the engine is of 1964, and its catalogue says 1959 to 1962',
    ],
    [{ fitsFrom: 1963 }, engine, 1961, null],
    [{ fitsTo: 1962 }, null, 1961, null],
    [{ fitsTo: 1960 }, null, 1961, 'the car is of 1961, and its catalogue says up to 1960'],
    [
      { fitsFrom: 1962 },
      { kind: 'gearbox' },
      1961,
      'the gearbox is of 1961, and its catalogue says from 1962 on',
    ],
    [{}, engine, 1961, null],
    [{ fitsTo: 1900 }, null, null, null],
  ])('%j for %j in a car of %s', (fits, unit, vehicleYear, why) => {
    expect(whyMayNotFit(fits, { unit, vehicleYear, chassisNumber: '' })).toBe(why);
  });
});

describe('by number', () => {
  const range = { serialFrom: 'E 1200', serialTo: 'E 3399' };
  const of = (number: string) => ({ unit: { kind: 'engine', number }, vehicleYear: null, chassisNumber: '' });
  test.each([
    ['E1200', null],
    ['e-3399', null],
    ['E 0001250 B', null],
    ['E3400', 'the engine is number E3400, and its catalogue says E 1200 to E 3399'],
    ['F 1300', 'the engine is number F 1300, of another series: its catalogue says E 1200 to E 3399'],
    ['', null],
    ['filed off', null],
  ])('%s', (number, why) => expect(whyMayNotFit(range, of(number))).toBe(why));

  test('for the car itself its chassis counts; a catalogue without letters counts within any series', () => {
    const car = { unit: null, vehicleYear: 1958, chassisNumber: 'HV/58/0412' };
    expect(whyMayNotFit({ serialFrom: '500' }, car)).toBe(
      'the car is number HV/58/0412, and its catalogue says from 500 on',
    );
    expect(whyMayNotFit({ serialTo: '500' }, car)).toBeNull();
    expect(whyMayNotFit({ fitsTo: 1957, serialTo: '500' }, car)).toMatch(/^the car is of 1958/);
  });

  test('digits beyond what a number holds exactly are compared as they are', () => {
    const long = { serialFrom: '90071992547409930', serialTo: '90071992547409932' };
    expect(whyMayNotFit(long, of('90071992547409931'))).toBeNull();
    expect(whyMayNotFit(long, of('90071992547409933'))).toMatch(/is number/);
  });

  test('a range has two ends of one series, the first before the last', () => {
    expect(whyNotSerialRange({ serialFrom: 'E 10', serialTo: 'E 9' })).toMatch(/before the first/);
    expect(whyNotSerialRange({ serialFrom: 'E 10', serialTo: 'F 90' })).toMatch(/another series/);
    expect(whyNotSerialRange({ serialFrom: 'E', serialTo: 'F 90' })).toMatch(/digits/);
    expect(whyNotSerialRange({ serialFrom: 'E 10', serialTo: 'e10' })).toBeNull();
    expect(whyNotSerialRange({ serialFrom: 'E' })).toBeNull();
  });
});

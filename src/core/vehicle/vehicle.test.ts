/**
 * A vehicle's numbers and registers. Nasty cases: small letters, spaces, I, O and Q, 16 and 18 characters, a wrong check
 * digit, one that is X, two places swapped, a car without a year, a unit cast the year before, numbers written otherwise.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { registerSentence, whyNotMet, whyPartsForUnit, type Unit } from './registers.ts';
import { checkDigit, checkNumber, modelYears } from './vin.ts';

describe('the check digit of a 17-character number', () => {
  test('the worked example of the regulation: 411 over 11 leaves 4', () => {
    // 49 CFR 565.15(c)(4), table V: values 1 7 4 1 8 5 9 8 – 5 7 1 1 8 3 4 1, products add up to 411.
    expect(checkDigit('1G4AH59H?5G118341')).toBe('4');
    expect(checkNumber('1G4AH59H45G118341')).toEqual({ form: 'vin', fits: true });
  });

  test('seventeen ones: the weights but the ninth add up to 89, and 89 over 11 leaves 1', () => {
    expect(checkNumber('1'.repeat(17))).toEqual({ form: 'vin', fits: true });
  });

  test('a remainder of ten is written X', () => {
    // By hand: a 1 in place 8 weighs 10; all other places are 0.
    expect(checkDigit('00000001?00000000')).toBe('X');
    expect(checkNumber('00000001X00000000')).toEqual({ form: 'vin', fits: true });
  });

  test('small letters, spaces and hyphens are the same number', () => {
    expect(checkNumber(' 1g4ah59h4-5g118341 ')).toEqual({ form: 'vin', fits: true });
  });

  test.each(['I', 'O', 'Q', 'Ä', '*'])('%s cannot stand in it, and it says where', (c) => {
    expect(checkNumber(`1G4A${c}59H45G118341`)).toMatchObject({
      fits: false,
      why: expect.stringContaining('in place 5'),
    });
  });

  test('what is not 17 characters is an older number, and free', () => {
    for (const number of ['', 'SM 4711', '1G4AH59H45G11834', '1G4AH59H45G1183411'])
      expect(checkNumber(number)).toEqual({ form: 'free' });
  });

  test('one character misread is noticed wherever its value differs (seed 17)', () => {
    const places = fc.integer({ min: 0, max: 16 }).filter((i) => i !== 8);
    const digits = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 17, maxLength: 17 });
    fc.assert(
      fc.property(digits, places, fc.integer({ min: 1, max: 9 }), (number, place, by) => {
        const vin = number.join('');
        const right = vin.slice(0, 8) + checkDigit(vin)! + vin.slice(9);
        const wrong = [...right];
        wrong[place] = String((Number(right[place]) + by) % 10);
        expect(checkNumber(right)).toMatchObject({ fits: true });
        expect(checkNumber(wrong.join(''))).toMatchObject({ fits: false });
      }),
      { seed: 17, numRuns: 300 },
    );
  });
});

describe('the model year in the tenth place', () => {
  // 49 CFR 565.15(d)(1), table VII: 5 is 2005, A is 1980 or 2010, X is 1999, Y is 2000; I, O, Q, U, Z and 0 are not used.
  test.each([
    ['5', [2005]],
    ['A', [1980, 2010]],
    ['X', [1999]],
    ['Y', [2000]],
    ['M', [1991, 2021]],
    ['U', []],
    ['0', []],
  ])('%s', (code, years) => expect(modelYears(`11111111?${code}1111111`, 2026)).toEqual(years));

  test('other numbers tell no year', () => expect(modelYears('SM 4711', 2026)).toEqual([]));
});

describe('a unit that is not the car’s own', () => {
  const unit = (more: Partial<Unit>): Unit => ({
    kind: 'engine',
    number: '',
    papersNumber: '',
    evidence: '',
    ...more,
  });
  test.each<[string, Partial<Unit>, number | null, RegExp | null]>([
    [
      'cast after the car was built',
      { year: 1968 },
      1961,
      /later replacement.*for the engine, not for the car/,
    ],
    ['cast the year before', { year: 1960 }, 1961, null],
    ['of the same year', { year: 1961 }, 1961, null],
    ['much older', { year: 1952, kind: 'rear axle' }, 1961, /out of an older one.*rear axle/],
    ['of a car without a year', { year: 1968 }, null, null],
    [
      'with another number than in the papers',
      { number: 'E 900', papersNumber: 'E 412' },
      1961,
      /was changed/,
    ],
    ['whose number is only written otherwise', { number: 'e-412', papersNumber: 'E 412' }, 1961, null],
    ['of which nothing is known', {}, 1961, null],
  ])('%s', (_, more, year, words) => {
    const why = whyPartsForUnit(unit(more), year);
    if (words === null) expect(why).toBeNull();
    else expect(why).toMatch(words);
  });
});

test('a requirement is ticked only with what shows it', () => {
  expect(whyNotMet({ text: 'keeps its bell', met: true, evidence: ' ' })).toContain('what shows');
  expect(whyNotMet({ text: 'keeps its bell', met: true, evidence: 'rung on the road run' })).toBeNull();
  expect(whyNotMet({ text: 'keeps its bell', met: false, evidence: '' })).toBeNull();
});

test('rows read as sentences, with nothing where nothing is known', () => {
  expect(
    registerSentence('unit', {
      kind: 'engine',
      number: 'E 412',
      papersNumber: '',
      year: 1961,
      evidence: 'cast behind the pump',
    }),
  ).toBe('Unit: engine E 412, of 1961, cast behind the pump');
  expect(registerSentence('belonging', { kind: 'keys', what: 'one key', keptAt: '', givenBack: true })).toBe(
    'Came with it: one key, given back',
  );
  expect(
    registerSentence('provenance', {
      component: 'hood cover',
      state: 'later replacement',
      evidence: 'wrong grain',
      earlierWork: true,
      originalKept: '',
    }),
  ).toBe('Provenance: hood cover, later replacement, earlier work, wrong grain');
  expect(registerSentence('requirement', { text: 'keeps its bell', met: false, evidence: '' })).toBe(
    'Must hold at hand-over: keeps its bell',
  );
});

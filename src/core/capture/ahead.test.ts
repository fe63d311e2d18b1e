/**
 * What is to come, is not so or is only quoted counts nothing. Nasty cases: a word of the future in a line of something done,
 * hours of two clauses, what one had to do, a name for it in each form, letters with either apostrophe.
 */
import { describe, expect, test } from '@jest/globals';
import { parseLine, type CaptureContext } from './index.ts';
import { NOTHING_PUT_RIGHT, understand } from './understood.ts';

const SHOP: CaptureContext = {
  ...{ today: '2026-03-11', currency: 'GBP', units: 'imperial', locale: 'en-GB' },
  ...{ builds: [{ id: '1', name: 'hearse' }], people: [], vendors: [], parts: [], places: [] },
};
const read = (text: string) => parseLine(text, SHOP);

describe('counts nothing, and asks', () => {
  test.each([
    'will take 5 hours to paint',
    'hearse needs 3 hours on the roof',
    'going to fit the doors, 2h',
    'we have to fit new hoses, 80',
    'never fitted the hoses',
    'don’t fit the hoses, 3h',
    "haven't done the brakes, 2h",
    'has to be painted again, 6 hours',
    'to be fitted: door glass, 1h',
    'I’ll do the seals tomorrow, 2h',
    'didn’t fit the lamp, 20 minutes',
    'estimate 6 hours to do the sills',
    'would never have fitted that, 3h',
    'should be done by friday, 4h',
    'painted the doors, will flat them tomorrow, 3h',
    'if we fit the old ones it is 2h',
    'not yet fitted the pump, 1h',
  ])('%s', (text) => {
    const { kind, minutes, moneyMinor, ahead } = read(text);
    expect({ kind, minutes, moneyMinor }).toEqual({
      kind: 'note',
      minutes: undefined,
      moneyMinor: undefined,
    });
    expect(ahead).toBeDefined();
    const { audience, facts } = understand(read(text), NOTHING_PUT_RIGHT);
    expect({ audience, minutes: facts.minutes, money: facts.moneyMinor }).toEqual({
      audience: 'shop',
      minutes: undefined,
      money: undefined,
    });
  });
});

describe('counts, since it was done', () => {
  test.each([
    ['had to drill it out, 2h', 120],
    ['fitted the pump, should hold now, 2h', 120],
    ['did the doors, 3h, will flat them tomorrow', 180],
    ['did serving hatch hinges, 3h', 180],
  ])('%s', (text, minutes) => {
    expect(read(text).minutes).toBe(minutes);
    expect(read(text).ahead).toBeUndefined();
  });
});

test('said to have been done after all, its hours and money are there again', () => {
  const parsed = read('don’t know how, but we have to fit new hoses, 80, 2h');
  const { kind, facts } = understand(parsed, { ...NOTHING_PUT_RIGHT, kind: 'fitted' });
  expect({ kind, minutes: facts.minutes }).toEqual({ kind: 'fitted', minutes: 120 });
});

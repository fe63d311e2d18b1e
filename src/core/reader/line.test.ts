/**
 * Lines as they are typed into the log. The example lines were made for rules that are gone, and the reader is not trained on them. Nasty
 * cases: nothing written, only an address, what is to come and its hours, a word of the kind in front, what somebody else will do.
 */
import { beforeAll, describe, expect, test } from '@jest/globals';
import { SPOKEN_SHOP } from '#tests/data/spokenShop.ts';
import { AMERICAN, BRITISH, CONTINENTAL, NOT_OVER_READ } from '#tests/data/lines.ts';
import { loadWeights, readLine } from './line.ts';

beforeAll(() => loadWeights());
const read = (text: string) => readLine(text, SPOKEN_SHOP);

test('at least 95 of 100 example lines are of the kind that they should be', () => {
  const lines = [...BRITISH, ...AMERICAN, ...CONTINENTAL, ...NOT_OVER_READ].filter(
    ([text]) => text.trim() !== '',
  );
  const wrong = lines.filter(([text, { kind }]) => read(text).line.kind !== kind);
  expect(wrong.length / lines.length).toBeLessThanOrEqual(0.05);
});

describe('what is to come, is not so or is only estimated is never done without a question', () => {
  test.each([
    'will take 5 hours to paint',
    'hearse needs 3 hours on the roof',
    'going to fit the doors, 2h',
    'we have to fit new hoses, 80',
    'never fitted the hoses',
    'don’t fit the hoses, 3h',
    "haven't done the brakes, 2h",
    "haven't touched the wiring",
    'has to be painted again, 6 hours',
    'to be fitted: door glass, 1h',
    'I’ll do the seals tomorrow, 2h',
    'didn’t fit the lamp, 20 minutes',
    'estimate 6 hours to do the sills',
    'would never have fitted that, 3h',
    'should be done by friday, 4h',
    'if we fit the old ones it is 2h',
    'not yet fitted the pump, 1h',
    'once the hood frame is back we fit the hood, 4h',
    'ring Cobb Springs on thursday',
  ])('%s', (text) => {
    const { line, asks } = read(text);
    expect([text, ['planned', 'note', 'needs'].includes(line.kind) || asks.includes('tense')]).toEqual([
      text,
      true,
    ]);
  });
});

describe('what was done is', () => {
  test.each([
    ['had to drill it out, 2h', 120],
    ['did serving hatch hinges, 3h', 180],
    ['fitted a bracket, one hour', 60],
    ['joss welded the nearside sill, 2.5h', 150],
  ])('%s', (text, minutes) => {
    const { line, asks } = read(text);
    expect(['did', 'fitted']).toContain(line.kind);
    expect({ minutes: line.minutes, asks: asks.filter((a) => a !== 'kind') }).toEqual({ minutes, asks: [] });
  });
});

test('a line may begin with the word of its kind', () => {
  expect(read('note fitted by the last owner').line.kind).toBe('note');
  expect(read('decided painted wheels').line.kind).toBe('decided');
  expect(read('planned: fit the doors, 2h').line.kind).toBe('planned');
  expect(read('should have said offside').line.kind).toBe('correction');
});

test('what is to be ordered is needed', () => {
  for (const text of ['order hydraulic hoses', 'need to order hydraulic hoses'])
    expect(read(text).line).toMatchObject({ kind: 'needs', subject: 'hydraulic hoses' });
});

test('the car in front says nothing of what it is', () => {
  const { line } = read('microcar: hood frame is back from the welder');
  expect(line).toMatchObject({ kind: 'arrived', build: { id: 'micro' } });
  // The car says nothing of what it is.
  expect(read('hearse: hood frame is back from the welder').because).toEqual(
    read('microcar: hood frame is back from the welder').because,
  );
});

test('of nothing that is said, nothing is in doubt', () => {
  for (const text of ['', '  ', '!!!', '🔧'])
    expect(read(text)).toMatchObject({ line: { kind: 'note', subject: '' }, asks: [] });
});

/**
 * What must hold of anything that is read. Nasty cases: nothing, one letter, a hundred thousand characters, no letters at all, half a
 * surrogate pair, a price that nobody said, a part that is called like a car, a car that is only mentioned, work that was not done.
 */
import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectEveryWordOnce } from '#tests/support/everyWord.ts';
import { SPOKEN_SHOP } from '#tests/data/spokenShop.ts';
import { entryKindOf } from './entryKinds.ts';
import { dictated } from './dictation.ts';
import { loadWeights, read, type Piece } from './index.ts';

beforeAll(() => loadWeights());

const piecesOf = (text: string): Piece[] => read(text, SPOKEN_SHOP).pieces;
const saidIn = (text: string): string[] => piecesOf(text).map((p) => text.slice(p.start, p.end));

/** Every word stands in one run, in order; every probability is one. */
function expectWhole(text: string): void {
  const result = read(text, SPOKEN_SHOP);
  expectEveryWordOnce(text, result);
  for (const p of result.pieces)
    for (const likely of Object.values(p.probability)) {
      expect(likely).toBeGreaterThanOrEqual(0);
      expect(likely).toBeLessThanOrEqual(1 + 1e-9);
    }
}

describe('any text', () => {
  test.each([
    ['nothing', ''],
    ['blanks', ' \n\t '],
    ['marks alone', '... --- !!!'],
    ['one letter', 'x'],
    ['another script', 'печка течёт 三 カーブ'],
    ['half a pair', '\ud800 fitted \udc00 the pump'],
    ['one long word', 'x'.repeat(20_000)],
    ['figures alone', '1 2 3 4 5 6 7 8 9 10 11 12'],
  ])('%s', (_name, text) => expectWhole(text));

  test('whatever is typed (seed 18)', () => {
    const word = fc.oneof(
      fc.constantFrom(
        'the',
        'hearse',
        'estate',
        'and',
        'fitted',
        'two',
        'hours',
        '4.50',
        '.',
        ',',
        'next',
        'not',
        '£',
        'um',
      ),
      fc.string({ unit: 'grapheme', maxLength: 8 }),
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 40 }), (words) => expectWhole(words.join(' '))),
      { seed: 18, numRuns: 300 },
    );
  });

  test('the same text is read the same', () => {
    const text = 'right the hearse got its lacquer and the estate needs a seal';
    expect(read(text, SPOKEN_SHOP)).toEqual(read(text, SPOKEN_SHOP));
  });

  test('what nobody ends is cut, so that no piece is longer than anybody speaks of one thing', () => {
    for (const words of saidIn('fitted the pump and the '.repeat(800)))
      expect(words.split(' ').length).toBeLessThanOrEqual(61);
  });
});

describe('which car', () => {
  const carsIn = (text: string, at: string | null = null) =>
    read(text, { ...SPOKEN_SHOP, at }).pieces.map((p) => [p.buildId, p.carBy]);

  test('each as it is turned to; what follows is of it', () => {
    const text =
      'right so the hearse we welded the sill um we’re still waiting on the glass then over to the estate the canvas is on and moving on to the microcar the drums are off';
    const cars = carsIn(text);
    expect([...new Set(cars.map(([id]) => id))]).toEqual(['hearse', 'estate', 'micro']);
    expect(cars).toContainEqual(['hearse', 'carried']);
  });

  test('what is said in one breath with the next car is of the car before; the words that turn are of neither', () => {
    const text =
      'the hearse joss bolted the tray in two hours next up the estate cleaned the lamp half an hour on to the microcar fitted the strainer one hour';
    const said = read(text, SPOKEN_SHOP).pieces.map((p) => [
      p.buildId,
      text.slice(p.start, p.end),
      p.facts.minutes,
    ]);
    expect(said).toEqual([
      ['hearse', expect.stringMatching(/bolted the tray in two hours$/), 120],
      ['estate', 'cleaned the lamp half an hour', 30],
      ['micro', 'fitted the strainer one hour', 60],
    ]);
  });

  test('by its customer', () => {
    expect(carsIn('this is hugh’s and we have put the gutter strip on')[0]![0]).toBe('estate');
  });

  test('on a car’s page it is that car until another is turned to', () => {
    expect(carsIn('welded the sill', 'camper')).toEqual([['camper', 'page']]);
  });

  test('nobody named, no page open: it asks', () => {
    const [piece] = piecesOf('fitted the brake booster, two hours');
    expect(piece).toMatchObject({ buildId: null, carBy: 'none' });
    expect(piece!.asks).toContain('car');
  });
});

describe('what was not done is not told as done', () => {
  test.each([
    ['haven’t touched the wiring'],
    ['we’re going to fit the pump on Monday'],
    ['it still needs the door glass'],
    ['not started on the sills yet'],
    ['if the head’s cracked we’ll do the valves as well'],
    ['I’ll ring Dex about it on Thursday'],
    ['waiting on the chrome'],
  ])('%s', (text) => {
    for (const { kind, tense } of read(text, { ...SPOKEN_SHOP, at: 'hearse' }).pieces)
      expect(['did', 'fitted', 'hours', 'spent', 'arrived', 'resumed']).not.toContain(
        entryKindOf(kind, tense),
      );
  });
});

test('when they said that it comes belongs to what is waited for', () => {
  const text = 'we are still waiting on the mirror glass they said friday';
  const pieces = read(text, { ...SPOKEN_SHOP, at: 'hearse' }).pieces;
  expect(pieces.map((p) => [p.kind, p.facts.due])).toEqual([['held', '2026-03-13']]);
});

describe('amounts', () => {
  test('of what is to come are an estimate', () => {
    for (const piece of piecesOf(
      'the camper we’re going to paint the sill on monday that’ll be another two hours',
    ))
      expect([piece.facts.role ?? 'estimate', piece.asks.includes('amount')]).not.toEqual(['worked', false]);
  });

  test.each([
    ['the hearse is a nineteen sixty four and it has been here since two o’clock'],
    ['the estate had a million and one things wrong with it'],
    ['I was up at five this morning with the float'],
    ['the drophead took a seventeen inch wheel'],
  ])('nobody said one: %s', (text) => {
    for (const { facts } of piecesOf(text))
      expect([facts.minutes, facts.moneyMinor]).toEqual([undefined, undefined]);
  });
});

describe('dictated', () => {
  const said = (text: string) =>
    dictated(text, SPOKEN_SHOP).map(({ is, text: words, car }) => [is, words, car?.name]);

  test('begins with a capital, without what one says while thinking', () => {
    const [first] = dictated('um i welded the uh sill', { ...SPOKEN_SHOP, at: 'hearse' }).filter(
      (d) => d.is === 'entry',
    );
    expect(first!.text).toBe('I welded the sill');
  });

  test('what is next for a car', () => {
    expect(said('moving on to the microcar next is the hood on')).toContainEqual([
      'next',
      'The hood on',
      'microcar',
    ]);
  });

  test('chatter is set aside, not lost', () => {
    const all = said(
      'good morning everybody put the kettle on somebody the hearse has got its doors back on',
    );
    expect(all[0]![0]).toBe('chatter');
    expect(all.at(-1)).toEqual(['entry', expect.stringMatching(/doors back on/), 'hearse']);
  });
});

/**
 * Estimates as tables. Nasty cases: numbers of other countries, numbers that can be read two ways, formulas in cells,
 * headers in other words and twice, empty rows, a low above the likely, a currency without minor units, out and in again.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CLASSES } from '../log/kinds.ts';
import { COLUMNS, guessColumns, readTable, tableOf, type TableLine } from './exchange.ts';
import { WORKS, type ThreePoint } from './lines.ts';

const GBP = { currency: 'GBP', locale: 'en-GB' };

describe('an amount in a cell, as the shop writes them', () => {
  test.each<[string, number | null, number | null]>([
    ['46.50', 4650, 4650],
    ['46,50', 4650, 4650],
    ['£46.50', 4650, 4650],
    ['1,234.56', 123_456, 123_456],
    ['1.234,56', 123_456, 123_456],
    ['1 234,56', 123_456, 123_456],
    ["1'234.56", 123_456, 123_456],
    ['1,234,567', 123_456_700, 123_456_700],
    ['1234', 123_400, 123_400],
    ['18,500', 1_850_000, null],
    ['18.500', null, 1_850_000],
    ['1,23,456', null, null],
    ['1.2.3', null, null],
    ['-5', null, null],
    ['twelve', null, null],
    ['=1+1', null, null],
  ])('"%s" is %s in an English shop and %s in a German one', (text, english, german) => {
    const parts = (locale: string) => {
      const { lines, faults } = readTable([['Sills', text]], ['title', 'parts'], { currency: 'GBP', locale });
      return faults.length > 0 ? null : lines[0]!.parts.likely;
    };
    expect([parts('en-GB'), parts('de-DE')]).toEqual([english, german]);
  });
});

test('headers are known by their own and by other words, each column once', () => {
  expect(guessColumns([' Title ', 'Reason', 'HRS', 'Hours_Low', 'Price', 'Colour', 'Description'])).toEqual([
    'title',
    'why',
    'hours',
    'hours low',
    'parts',
    null,
    null,
  ]);
  expect(guessColumns([])).toEqual([]);
});

describe('rows come in', () => {
  const read = (row: string[], header = ['title', 'class', 'hours low', 'hours', 'hours high', 'parts']) =>
    readTable([row], guessColumns(header), GBP);

  test('what is not given is what it usually is', () => {
    expect(read(['Sills']).lines).toEqual([
      {
        title: 'Sills',
        why: '',
        class: 'should',
        work: 'mechanical',
        minutes: { low: 0, likely: 0, high: 0 },
        parts: { low: 0, likely: 0, high: 0 },
        outwork: { low: 0, likely: 0, high: 0 },
        sundriesMinor: 0,
        access: [],
        laterExtraMinor: 0,
      },
    ]);
    expect(read(['Sills', 'MUST', '', '1.5', '', '1.234,50']).lines[0]).toMatchObject({
      class: 'must',
      minutes: { low: 90, likely: 90, high: 90 },
      parts: { low: 123_450, likely: 123_450, high: 123_450 },
    });
  });

  test.each<[string, string[], string, RegExp]>([
    ['no title', ['', 'must'], 'title', /what is to be done/],
    ['a class that is none', ['Sills', 'urgent'], 'class', /“urgent” is none of safety, must/],
    ['a low above the likely', ['Sills', '', '5', '3', '9'], 'hours', /low is above/],
    ['no likely one', ['Sills', '', '5', '', '9'], 'hours', /likely one is missing/],
    ['a number of two readings', ['Sills', '', '', '', '', '1.234'], 'parts', /two ways/],
    ['a formula', ['Sills', '', '', '', '', '=2*3'], 'parts', /is no number/],
    ['more than a line can hold', ['Sills', '', '', '99999'], 'hours', /too much/],
    ['a title without end', ['x'.repeat(161)], 'title', /at most 160/],
  ])('%s is said with its row and column', (_, row, column, reason) => {
    expect(read(row).faults).toEqual([{ row: 2, column, reason: expect.stringMatching(reason) }]);
  });

  test('empty rows are passed over, and rows keep their numbers', () => {
    const { lines, faults } = readTable([['Sills'], ['', ' '], [], ['', 'odd']], ['title', 'class'], GBP);
    expect(lines).toHaveLength(2);
    expect(faults.map((f) => f.row)).toEqual([5, 5]);
  });

  test('a guard before a formula is not part of the words', () => {
    expect(readTable([["'=cmd()"], ["'tis"]], ['title'], GBP).lines.map((l) => l.title)).toEqual([
      '=cmd()',
      "'tis",
    ]);
  });
});

test.each(['GBP', 'JPY', 'KWD'])('out and in again nothing is lost, in %s (seed 23)', (currency) => {
  const three = (most: number, step: number): fc.Arbitrary<ThreePoint> =>
    fc
      .array(fc.integer({ min: 0, max: most }), { minLength: 3, maxLength: 3 })
      .map((n) => n.sort((a, b) => a - b).map((x) => x * step))
      .map(([low, likely, high]) => ({ low: low!, likely: likely!, high: high! }));
  const text = fc.string({ minLength: 1, maxLength: 40 }).map((s) => `a${s}`.trim());
  const line: fc.Arbitrary<TableLine> = fc.record({
    title: text,
    why: text,
    class: fc.constantFrom(...CLASSES),
    work: fc.constantFrom(...WORKS),
    // Hours go out with two places: quarters of an hour come back whole.
    minutes: three(400, 15),
    parts: three(9_999_999, 1),
    outwork: three(9_999_999, 1),
    sundriesMinor: fc.integer({ min: 0, max: 9_999_999 }),
    access: fc.constantFrom([], ['engine out'], ['engine out', 'dash out']),
    laterExtraMinor: fc.integer({ min: 0, max: 9_999_999 }),
  });
  fc.assert(
    fc.property(fc.array(line, { maxLength: 5 }), (lines) => {
      const [header, ...rows] = tableOf(lines, currency);
      expect(header).toEqual([...COLUMNS]);
      expect(readTable(rows, guessColumns(header!), { currency, locale: 'en-GB' })).toEqual({
        lines,
        faults: [],
      });
    }),
    { seed: 23, numRuns: 100 },
  );
});

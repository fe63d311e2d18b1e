/**
 * While it is apart. Nasty cases: names written otherwise, an opening of one line alone, one whose hours are not known, two
 * openings for one line, tax in the prices and on top, nothing that must be done, nothing that could wait.
 */
import { describe, expect, test } from '@jest/globals';
import { apart, laterExtraOf, type Opening } from './apart.ts';
import { NOTHING, type EstimateLine, type Terms } from './lines.ts';

const rates = {
  mechanical: 6000,
  metalwork: 6000,
  paint: 6000,
  trim: 6000,
  electrical: 6000,
  machining: 6000,
};
const terms: Terms = { rates, taxBp: 2000, taxIncluded: false, sharedRisk: 0.3 };
const line = (
  id: string,
  c: EstimateLine['class'],
  pounds: number,
  access: string[],
): EstimateLine & { laterExtraMinor: number } => ({
  id,
  title: id,
  why: '',
  class: c,
  work: 'mechanical',
  minutes: NOTHING,
  parts: { low: pounds * 100, likely: pounds * 100, high: pounds * 100 },
  outwork: NOTHING,
  sundriesMinor: 0,
  needs: [],
  access,
  laterExtraMinor: 0,
});
const engineOut: Opening = { name: 'Engine out', work: 'mechanical', minutes: 600 };

describe('an optional line behind an opening', () => {
  // By hand: ten hours at £60 are £600, with 20 % tax £720. A clutch of £200 is £240 with tax.
  const clutch = line('clutch', 'should', 200, ['engine out']);
  const seal = line('seal', 'must', 100, [' Engine Out ']);

  test('costs its own price now, and the opening once more later', () => {
    expect(apart([seal, clutch], [engineOut], terms)).toEqual([
      {
        name: 'engine out',
        againMinor: 72_000,
        must: ['seal'],
        options: [{ id: 'clutch', nowMinor: 24_000, laterMinor: 96_000 }],
        // £120 must be done, £360 could be: three times.
        step: { mustMinor: 12_000, allMinor: 36_000 },
      },
    ]);
  });

  test('with the tax in the prices nothing is put on top', () => {
    const [opened] = apart([seal, clutch], [engineOut], { ...terms, taxIncluded: true });
    expect(opened).toMatchObject({ againMinor: 60_000, options: [{ nowMinor: 20_000, laterMinor: 80_000 }] });
  });

  test('while the hours are not known there is no later price but what was said', () => {
    const said = { ...clutch, laterExtraMinor: 5_000 };
    expect(apart([seal, said], [], terms)).toMatchObject([
      { againMinor: null, options: [{ nowMinor: 24_000, laterMinor: 29_000 }] },
    ]);
  });

  test('behind two openings both are paid again, and only where another line shares them', () => {
    const axle: Opening = { name: 'axle out', work: 'mechanical', minutes: 120 };
    const both = line('both', 'nice', 50, ['engine out', 'axle out', 'dash out']);
    const dash: Opening = { name: 'dash out', work: 'trim', minutes: 900 };
    const other = line('other', 'must', 10, ['axle out']);
    // £720 and £144; nobody else needs the dash out, so it is not open now either.
    expect(laterExtraOf(both, [seal, other, both], [engineOut, axle, dash], terms)).toBe(86_400);
  });
});

test('an opening for one line alone is no reason to talk, nor is none', () => {
  expect(apart([line('a', 'must', 1, ['dash out']), line('b', 'nice', 1, [])], [engineOut], terms)).toEqual(
    [],
  );
  expect(apart([], [engineOut], terms)).toEqual([]);
});

test.each([
  ['nothing must be done', [line('a', 'nice', 100, ['x']), line('b', 'should', 900, ['x'])], null],
  ['nothing could wait', [line('a', 'must', 100, ['x']), line('b', 'safety', 900, ['x'])], null],
  ['half as much again', [line('a', 'must', 100, ['x']), line('b', 'should', 50, ['x'])], null],
  [
    'twice as much',
    [line('a', 'must', 100, ['x']), line('b', 'should', 100, ['x'])],
    { mustMinor: 12_000, allMinor: 24_000 },
  ],
])('a step: %s', (_, lines, step) => expect(apart(lines, [], terms)[0]!.step).toEqual(step));

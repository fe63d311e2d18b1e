/**
 * Narrations. Nasty cases: nothing at all, no stop for three hundred words, a car that is only mentioned, nobody named at all,
 * chatter only, the same car twice, ten thousand characters, letters of any script.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CARS, NARRATIONS, type SaidEntry } from '#tests/data/narrations.ts';
import type { CaptureContext } from '../types.ts';
import { parseNarration, type Piece } from './narration.ts';

const CONTEXT: CaptureContext = {
  today: '2026-03-11',
  currency: 'GBP',
  units: 'imperial',
  locale: 'en-GB',
  builds: CARS,
  people: [{ id: 'joss', name: 'Joss Arkwright' }],
  vendors: ['Tern & Sons', 'Skerry Electrics', 'Cobb Springs'].map((name) => ({ id: name, name })),
  parts: [],
  places: ['Bay 2', 'Lift 1', 'Booth'].map((name) => ({ id: name, name })),
};

/** A piece in the words of the expectation. */
const saidOf = (p: Piece, wanted: SaidEntry | undefined): SaidEntry => ({
  car: p.car?.name ?? 'none',
  kind: p.is === 'next' ? 'next' : p.line.kind,
  has: wanted && p.text.includes(wanted.has) ? wanted.has : p.text,
  ...(p.line.minutes === undefined ? {} : { minutes: p.line.minutes }),
  ...(p.line.moneyMinor === undefined ? {} : { money: p.line.moneyMinor }),
});

test.each(NARRATIONS.map((n) => [n.name, n] as const))('%s', (_name, { text, entries, aside = [] }) => {
  const pieces = parseNarration(text, CONTEXT);
  const kept = pieces.filter((p) => p.is === 'entry' || p.is === 'next');
  expect(kept.map((p, i) => saidOf(p, entries[i]))).toEqual(entries);
  const chatter = pieces.filter((p) => p.is === 'chatter').map((p) => text.slice(p.start, p.end));
  for (const words of aside) expect(chatter.join(' | ')).toContain(words);
});

describe('of any text', () => {
  test('every word stands in exactly one piece, in order, and nothing is thrown (seed 51)', () => {
    const word = fc.constantFrom(
      ...[
        'the',
        'hearse',
        'ice-cream',
        'van',
        'and',
        'then',
        'did',
        'ordered',
        'two',
        'hours',
        '46.50',
        'next',
        'to',
        'the other one',
      ],
      ...[
        '.',
        ',',
        '?',
        'kettle',
        'found',
        'ß',
        'перед',
        '後',
        '🚗',
        'Tern & Sons',
        'back',
        'over',
        'friday',
        ';',
        ':',
      ],
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 60 }), (words) => {
        const text = words.join(' ');
        const pieces = parseNarration(text, CONTEXT);
        let at = 0;
        for (const p of pieces) {
          expect(p.start).toBeGreaterThanOrEqual(at);
          expect(p.end).toBeGreaterThan(p.start);
          expect(text.slice(p.start, p.end)).toContain(p.text);
          // Between pieces stand only stops and spaces.
          expect(text.slice(at, p.start)).toMatch(/^[\s.!?;]*$/);
          at = p.end;
        }
        expect(text.slice(at)).toMatch(/^[\s.!?;]*$/);
      }),
      { seed: 51, numRuns: 400 },
    );
  });

  test('before any car is named it is the one that one stands at; without one somebody must say', () => {
    const [piece] = parseNarration('did the hinges, 2h', CONTEXT, { id: 'hearse', name: 'hearse' });
    expect([piece!.car?.id, piece!.unsure]).toEqual(['hearse', []]);
    const [lost] = parseNarration('did the hinges, 2h', CONTEXT);
    expect([lost!.car, lost!.unsure]).toEqual([null, ['car']]);
  });

  test('nothing is nothing; ten thousand characters are read', () => {
    expect(parseNarration('', CONTEXT)).toEqual([]);
    expect(parseNarration(' \n ', CONTEXT)).toEqual([]);
    const long = 'now the hearse did the floor slats two hours '.repeat(220);
    expect(parseNarration(long, CONTEXT)).toHaveLength(220);
  });
});

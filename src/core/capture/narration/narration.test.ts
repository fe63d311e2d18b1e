/**
 * Narrations. Nasty cases: nothing at all, no stop for three hundred words, a car that is only mentioned, nobody named at all,
 * chatter only, the same car twice, ten thousand characters, letters of any script.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { NARRATIONS, SHOP_OF_NARRATIONS, type SaidEntry } from '#tests/data/narrations.ts';
import { COLD_NARRATIONS } from '#tests/data/coldNarrations.ts';
import { FRESH_NARRATIONS } from '#tests/data/freshNarrations.ts';
import { FURTHER_NARRATIONS } from '#tests/data/furtherNarrations.ts';
import { LAST_NARRATIONS } from '#tests/data/lastNarrations.ts';
import { LATER_NARRATIONS } from '#tests/data/laterNarrations.ts';
import { LATEST_NARRATIONS } from '#tests/data/latestNarrations.ts';
import { LONG_NARRATIONS } from '#tests/data/longNarrations.ts';
import { MORE_NARRATIONS } from '#tests/data/moreNarrations.ts';
import { UNSEEN_NARRATIONS } from '#tests/data/unseenNarrations.ts';
import { UNTOUCHED_NARRATIONS } from '#tests/data/untouchedNarrations.ts';
import { scoreNarrations } from '#tests/support/scoreNarrations.ts';
import { parseNarration, type Piece } from './narration.ts';

const CONTEXT = SHOP_OF_NARRATIONS;

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

test('a run without end is cut, so that no piece is longer than anybody speaks of one thing', () => {
  const pieces = parseNarration('and the '.repeat(1200), CONTEXT);
  expect(pieces.length).toBeGreaterThan(10);
  for (const p of pieces) expect(p.text.split(' ').length).toBeLessThanOrEqual(151);
});

/** Not all are read whole yet; these are the shares below which they must not fall. `npm run bench` says what they are. */
describe.each([
  ['longer ones', LONG_NARRATIONS, 0],
  ['more of them', MORE_NARRATIONS, 0],
  // One is a bad line with words missing: two amounts of it are given to what stands beside them.
  ['longer ones again', FURTHER_NARRATIONS, 2],
  ['shorter ones', [...UNSEEN_NARRATIONS, ...LATEST_NARRATIONS], 1],
  ['ones as speech really runs', LAST_NARRATIONS, 0],
  ['ones that the rules were not made with', UNTOUCHED_NARRATIONS, 0],
])('%s', (_name, narrations, invented) => {
  const score = scoreNarrations(narrations, CONTEXT);
  const share = (of: number, all: number): number => of / all;

  test('whose thing it is, and what kind', () => {
    expect(share(score.car, score.entries)).toBeGreaterThanOrEqual(0.95);
    expect(share(score.kind, score.entries)).toBeGreaterThanOrEqual(0.9);
  });

  test('hours and money', () => {
    expect(share(score.amountsRight, score.amountsWanted)).toBeGreaterThanOrEqual(0.97);
    expect(score.amountsInvented).toBeLessThanOrEqual(invented);
  });
});

test.each([
  ['did the tap, two hours, no, sorry, one hour', 60],
  ['did the tap, an hour, no, an hour and a half', 90],
  ['did the tap, two hours, make that three hours', 180],
  ['did the tap, two hours, and the sink, one hour', 120, 60],
  ['did the tap, two hours, nothing else, one hour', 180],
])('what is taken back at once does not count: “%s”', (text, ...minutes) => {
  expect(parseNarration(text, CONTEXT, { id: 'camper', name: 'camper' }).map((p) => p.line.minutes)).toEqual(
    minutes,
  );
});

test.each([
  ['ordered ten from Cobb Springs, 6.50', 650],
  ['ordered clips from Cobb Springs, 6.50', 650],
  ['found the tap dripping, 6 and a quarter of an hour', 600],
])('a count is no price: “%s”', (text, money) => {
  expect(parseNarration(text, CONTEXT)[0]!.line.moneyMinor).toBe(money);
});

test.each([
  ['once cold', COLD_NARRATIONS, { car: 0.94, kind: 0.89, amounts: 0.97, invented: 0 }],
  ['once fresh', FRESH_NARRATIONS, { car: 0.97, kind: 0.93, amounts: 0.96, invented: 1 }],
  ['half sentences and stories', LATER_NARRATIONS, { car: 0.96, kind: 0.94, amounts: 0.93, invented: 4 }],
] as const)('%s: not all that is wanted yet, and no worse than this', (_name, all, least) => {
  const score = scoreNarrations(all, CONTEXT);
  expect(score.car / score.entries).toBeGreaterThanOrEqual(least.car);
  expect(score.kind / score.entries).toBeGreaterThanOrEqual(least.kind);
  expect(score.amountsRight / score.amountsWanted).toBeGreaterThanOrEqual(least.amounts);
  expect(score.amountsInvented).toBeLessThanOrEqual(least.invented);
});

test.each([
  ['Walking out to the estate now. Stripped the door, an hour', 'estate', 'did', 60],
  ['I am under the rally car so the diff is back in two hours', 'rally car', 'fitted', 120],
  ['The hearse. Paint goes on tomorrow', 'hearse', 'next', undefined],
  ['Meanwhile Joss stripped the rally car’s gearbox, three hours', 'rally car', 'did', 180],
  ['While it dries I did the wheels of the rally car, three hours', 'rally car', 'did', 180],
  ['The estate. Still need the wiper arms', 'estate', 'waiting', undefined],
  ['Estate, no tailgate glass yet', 'estate', 'waiting', undefined],
  ['The camper: gas locker resealed, an hour', 'camper', 'did', 60],
  ['Hugh popped in. He wants the wheels silver', 'estate', 'decided', undefined],
])('how one walks and puts it: “%s”', (text, car, kind, minutes) => {
  const piece = parseNarration(text, CONTEXT).at(-1)!;
  expect([piece.car?.name, piece.is === 'next' ? 'next' : piece.line.kind, piece.line.minutes]).toEqual([car, kind, minutes]); // prettier-ignore
});

test.each([
  ['Marta’s, polished the panels, two hours', 'ice-cream van', 'did'],
  ['Hugh wants to wait with the chrome', 'estate', 'decided'],
  ['told Ruan the chrome is late', 'drophead', 'told'],
  ['told Dex the hearse will be ready on Friday', 'hearse', 'told'],
  ['By the door stands the milk float', 'milk float', 'note'],
  ['helped Joss with the camper for an hour', 'camper', 'did'],
  ['spent 4.10 on bulbs for the microcar', 'microcar', 'spent'],
  // Two cars have a customer called so: nobody is guessed.
  ['asked Ilse about the seats', 'none', 'asked'],
])('whose car it is, by its customer or from within the sentence: “%s”', (text, car, kind) => {
  const piece = parseNarration(text, CONTEXT).at(-1)!;
  expect([piece.car?.name ?? 'none', piece.is === 'turn' ? 'note' : piece.line.kind]).toEqual([car, kind]);
});

test.each([
  ['fitted the contactor, two hours, and the fuse holder, half an hour', [['fitted', 120], ['fitted', 30]]], // prettier-ignore
  ['set the brake up, an hour, and the shoes are down to the rivets, 42 and two hours, safety', [['did', 60], ['found', 120]]], // prettier-ignore
  ['took the hubs off, two hours, no, call it two and a half', [['did', 150]]],
  ['wired the fan in an hour and three quarters', [['did', 105]]],
  ['found the strap torn, 14 and a quarter hour, nice', [['found', 15]]],
  ['sanded it, four yesterday and two hours today, so six hours all told', [['did', 360]]],
  ['the joints are in, an hour and a half', [['fitted', 90]]],
  ['got the stove out, forty five minutes', [['did', 45]]],
  ['put a breaker in, half an hour', [['fitted', 30]]],
  ['put a coat of primer on, an hour', [['did', 60]]],
] as const)('what was done and how long: “%s”', (text, things) => {
  const pieces = parseNarration(text, CONTEXT, { id: 'camper', name: 'camper' });
  expect(pieces.map((p) => [p.line.kind, p.line.minutes])).toEqual(things);
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

  test('what is a part of every car turns to no car by itself, only as its whole name', () => {
    const builds = [
      { id: 'pump', name: 'fire pump' },
      { id: 'plough', name: 'snow plough' },
    ];
    const cars = (text: string) =>
      parseNarration(text, { ...CONTEXT, builds })
        .filter((p) => p.is === 'entry')
        .map((p) => p.car?.id);
    expect(cars('Snow plough. The pump is leaking. Fitted the pump, 2 hours.')).toEqual(['plough', 'plough']);
    expect(cars('Snow plough. Found a leak. On to the fire pump. Fitted a hose.')).toEqual([
      'plough',
      'pump',
    ]);
  });

  test('nothing is nothing; ten thousand characters are read', () => {
    expect(parseNarration('', CONTEXT)).toEqual([]);
    expect(parseNarration(' \n ', CONTEXT)).toEqual([]);
    const long = 'now the hearse did the floor slats two hours '.repeat(220);
    expect(parseNarration(long, CONTEXT)).toHaveLength(220);
  });
});

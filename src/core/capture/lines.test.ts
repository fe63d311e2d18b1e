/**
 * The log line against example lines. Nasty cases: numbers that are no money, years, sizes, lists of numbers, other
 * people's currencies, both decimal marks, empty lines; and, in the property test, any text at all.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { hidePrices } from './hidePrices.ts';
import { factsOf, parseLine, type CaptureContext } from './index.ts';
import {
  AMERICAN,
  BRITISH,
  CONTINENTAL,
  NOT_OVER_READ,
  type Example,
  type Expected,
} from '#tests/data/lines.ts';

const named = (...names: string[]) => names.map((name) => ({ id: name, name }));

const GB: CaptureContext = {
  today: '2026-03-11',
  currency: 'GBP',
  units: 'imperial',
  locale: 'en-GB',
  builds: [
    { id: '1', name: 'microcar', aliases: ['B-0105', 'Pipit Three microcar', 'Pipit Three', 'Ilse Brandt'] },
    { id: '2', name: 'hearse', aliases: ['B-0107', 'Harrow & Vane hearse', 'Dex Marlow'] },
    { id: '3', name: 'milk float', aliases: ['B-0104', 'Dairyman Six milk float', 'Noor Castellan'] },
    { id: '4', name: 'ice-cream van', aliases: ['B-0101', 'Dolcino ice-cream van', 'Marta Quill'] },
  ],
  people: named('Wren Osgood', 'Joss Arkwright', 'Milo Tarrant', 'Petra Vosk'),
  vendors: named(
    'Tern & Sons',
    'Halcyon Platers',
    'Grist Foundry',
    'Marram Glass',
    'Oldgate Machine Works',
    'Cobb Springs',
    'Skerry Electrics',
  ),
  parts: [],
  places: named('Lift 1', 'Lift 2', 'Bay 1', 'Bay 3', 'Booth', 'Blast room', 'Yard'),
};
const US: CaptureContext = { ...GB, currency: 'USD', locale: 'en-US' };
const AT: CaptureContext = { ...GB, currency: 'EUR', locale: 'de-AT', units: 'metric' };

/** What was understood of a line of that kind, in the words of the table; the subject only where the row names one. */
function understood(text: string, context: CaptureContext, expected: Expected): Expected {
  const p = parseLine(text, context, expected.kind);
  const measures = p.measures.map((m) => `${m.value} ${m.unit}`).join(', ');
  const all: Record<string, unknown> = {
    kind: p.kind,
    subject: expected.subject === undefined ? undefined : p.subject,
    build: p.build?.name,
    zone: p.zone,
    minutes: p.minutes,
    money: p.moneyMinor,
    quantity: p.quantity,
    due: p.due,
    on: p.on,
    vendor: p.vendor?.name,
    person: p.person?.name,
    place: p.place?.name,
    class: p.class,
    measures: measures === '' ? undefined : measures,
  };
  return Object.fromEntries(Object.entries(all).filter(([, v]) => v !== undefined)) as unknown as Expected;
}

const groups: [string, CaptureContext, Example[]][] = [
  ['British', GB, BRITISH],
  ['not over-read', GB, NOT_OVER_READ],
  ['American', US, AMERICAN],
  ['Continental', AT, CONTINENTAL],
];

describe.each(groups)('%s lines', (_, context, examples) => {
  test.each(examples)('%s', (text, expected) => {
    expect(understood(text, context, expected)).toEqual(expected);
  });
});

test('there are at least 250 example lines, and no line stands twice in a group', () => {
  expect(groups.reduce((n, [, , lines]) => n + lines.length, 0)).toBeGreaterThanOrEqual(250);
  for (const [, , lines] of groups) expect(new Set(lines.map(([text]) => text)).size).toBe(lines.length);
});

const WORDS = ['found', 'did', 'ordered', 'waiting on', 'spent', '£', '$', '12', '46.50', '1/2', 'half', 'an hour', 'five', 'twenty', 'hundred', 'thousand', 'point', 'dozen', 'grand', 'of', 'each', 'per', 'and', ',', 'must', 'left', 'friday', 'next', 'week', 'microcar', ':', 'from', 'Tern & Sons', 'two', 'seventy', 'thou', '1.250,00', '🔧', "'", '-', '½', 'x4', '\u202e', '\n']; // prettier-ignore

describe('any text (property, seed 20260311)', () => {
  const anyText = fc.oneof(
    fc.string({ unit: 'grapheme', maxLength: 300 }),
    fc.array(fc.constantFrom(...WORDS), { maxLength: 60 }).map((w) => w.join(' ')),
    fc.string({ unit: 'binary', maxLength: 200 }),
  );

  test('gives a result, spans lie inside the text in order, nothing throws', () => {
    fc.assert(
      fc.property(anyText, fc.constantFrom(GB, US, AT), (text, context) => {
        const p = parseLine(text, context);
        for (const s of p.spans) {
          expect(s.start).toBeGreaterThanOrEqual(0);
          expect(s.end).toBeGreaterThan(s.start);
          expect(s.end).toBeLessThanOrEqual(text.length);
        }
        expect([...p.spans].sort((a, b) => a.start - b.start || a.end - b.end)).toEqual(p.spans);
        for (const n of [p.minutes, p.moneyMinor, p.quantity])
          if (n !== undefined) expect(Number.isSafeInteger(n) && n >= 0).toBe(true);
        for (const day of [p.due, p.on]) if (day !== undefined) expect(day).toMatch(/^\d{4}-\d\d-\d\d$/);
        expect(parseLine(text, context)).toEqual(p);
      }),
      { seed: 20260311, numRuns: 3000 },
    );
  });

  test('every part that is a name or a subject stands in the text where its span says', () => {
    fc.assert(
      fc.property(anyText, (text) => {
        const p = parseLine(text, GB);
        const subject = p.spans.find((s) => s.field === 'subject');
        expect(subject ? text.slice(subject.start, subject.end) : '').toBe(p.subject);
      }),
      { seed: 20260311, numRuns: 1000 },
    );
  });

  test('a line may end in the middle of a number', () => {
    for (const text of [
      'she said don’t go over a thousand',
      'wet sanded with two thousand',
      'spent five hundred and',
    ])
      expect(parseLine(text, GB).spans.every((s) => s.end <= text.length)).toBe(true);
    expect(parseLine('spent two thousand', GB).moneyMinor).toBe(200_000);
    expect(hidePrices('we paid two thousand', GB)).toBe('we paid ···');
  });

  test('four thousand words are read', () => {
    const long = Array.from({ length: 4000 }, (_, i) => WORDS[i % WORDS.length]).join(' ');
    expect(parseLine(long, GB).kind).toBe('found');
  });
});

describe('parts that the shop knows', () => {
  const parts = named('rear axle', 'window winder', '12 volt coil', 'left hand lamp');
  const withParts: CaptureContext = { ...GB, parts };
  const lines: Example[] = [
    [
      'ordered rear axle from Cobb Springs, 310',
      { kind: 'ordered', subject: 'rear axle', vendor: 'Cobb Springs', money: 31000 },
    ],
    [
      'ordered 2 window winders, 46.50',
      { kind: 'ordered', subject: 'window winders', quantity: 2, money: 4650 },
    ],
    ['fitted 12 volt coil, 1h', { kind: 'fitted', subject: '12 volt coil', minutes: 60 }],
    ['arrived: left hand lamp', { kind: 'arrived', subject: 'left hand lamp' }],
    ['found rot in the rear axle casing', { kind: 'found', subject: 'rear axle' }],
  ];
  test.each(lines)('%s', (text, expected) => expect(understood(text, withParts, expected)).toEqual(expected));
});

describe('what is kept of a line', () => {
  test('facts are names and numbers, nothing empty', () => {
    expect(factsOf(parseLine('ordered 2 winders from Tern & Sons, 46.50', GB))).toEqual({
      subject: 'winders',
      quantity: 2,
      vendor: 'Tern & Sons',
      moneyMinor: 4650,
    });
    expect(factsOf(parseLine('', GB))).toEqual({});
  });

  test('prices are hidden in text, and nothing else is', () => {
    expect(hidePrices('ordered 2 winders, £46.50, due friday', GB)).toBe(
      'ordered 2 winders, ···, due friday',
    );
    expect(hidePrices('found rot, 60 and four hours', GB)).toBe('found rot, ··· and four hours');
    // What counts or measures stays; what may be a price does not.
    for (const plain of [
      'it has stood 13 years',
      'moved to lift 3',
      'kept on shelf 4',
      'found where to get 2 layshaft bearings',
      'they broke, 3 h lost',
      'three of them, and two screws missing',
      'twelve bolts and a dozen door clips to go back',
      'fourteen hours of it, twenty years old',
      'the second one is the wrong one',
      'found steering box free play 2 in at the rim',
      'seit elf Jahren in der Scheune',
    ])
      expect(hidePrices(plain, GB)).toBe(plain);
    for (const priced of [
      'he gave me 8 for it',
      'took 12 cash',
      '15 each, no more',
      'asked 20 at most',
      'paid 250 last year',
      'he paid 250 in march',
      'he paid 250 in cash',
      'she had 90 in the end',
      'rook owes 300 since monday',
    ])
      expect(hidePrices(priced, GB)).toContain('···');
    expect(hidePrices('write to dex.m@example.org about it', GB)).toBe('write to ··· about it');
    expect(hidePrices('note they want £90 for it, or 85 quid cash', GB)).toBe(
      'note they want ··· for it, or ··· cash',
    );
    expect(hidePrices('fitted 4 M8 bolts to B-0105, 3h, 40 Nm, on lift 1', GB)).toBe(
      'fitted 4 M8 bolts to B-0105, 3h, 40 Nm, on lift 1',
    );
  });

  test.each([
    ['estimate went to him at 8,400', '8,400'],
    ['budget is 12000', '12000'],
    ['we charge 55 an hour', '55'],
    ['note he has about 8.4k left', '8.4'],
    ['she said two hundred and fifty for the lot', 'fifty'],
    ['three grand is the most he will pay', 'three grand'],
    ['decided 1200, not 1500', '1500'],
    ['told him it is £1,250.50 all in', '250'],
    ['we charge fifty five an hour', 'fifty'],
    ['we charge fifty-five an hour', 'five'],
    ['he pays five an hour', 'five'],
    ['eighty-five all in', 'eighty'],
    ['it was two fifty for the pair', 'fifty'],
    ['she offered twelve for it', 'twelve'],
    ['a dozen pounds', 'dozen'],
    ['fifteen hundred is his limit', 'fifteen'],
    ['we pay 15 roughly', '15'],
    ['charged 18 extra', '18'],
    ['he said 15 thanks', '15'],
    ['Angebot war fünfundfünfzig die Stunde', 'fünfundfünfzig'],
    ['er zahlt zwölfhundert', 'zwölfhundert'],
  ])('a number that nothing accounts for is hidden: %s', (text, price) => {
    expect(hidePrices(text, GB)).not.toContain(price);
  });
});

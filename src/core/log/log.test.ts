/** The registry of kinds, what corrections make of entries, and how entries add up and read back. */
import { describe, expect, test } from '@jest/globals';
import { correction, entry } from '#tests/support/entries.ts';
import { whyNotCorrect } from './corrections.ts';
import { effectiveEntries, totalsOf } from './entries.ts';
import {
  BOUGHT_KINDS,
  FIELD_WORDS,
  KIND_SPECS,
  KINDS,
  LETTER_SECTIONS,
  whyNotFacts,
  type FactField,
} from './kinds.ts';
import { customerSentence, figuresInWords, inSentence, plainText, shopSentence } from './sentences.ts';
import { movesWholeCar } from './standing.ts';

const manner = { currency: 'GBP', locale: 'en-GB', today: '2026-03-11' };

describe('every kind of entry', () => {
  test.each(KINDS)(
    '%s has a shape, a sentence for the shop, and one for the customer or a reason for none',
    (kind) => {
      const spec = KIND_SPECS[kind];
      expect(spec.word).not.toBe('');
      expect(spec.help).toMatch(/\.$/);
      expect(spec.fields.length).toBeGreaterThan(0);
      for (const field of spec.fields) expect(FIELD_WORDS[field]).toBeTruthy();
      const told = { kind, text: 'door catch', facts: { subject: 'door catch' } };
      expect(shopSentence(told)).toContain('door catch');
      const sentence = customerSentence(told, manner);
      if ('never' in spec.letter) {
        expect(spec.letter.never.length).toBeGreaterThan(10);
        expect(sentence).toBeNull();
      } else {
        expect(LETTER_SECTIONS).toContain(spec.letter.section);
        expect(sentence).toMatch(/^\p{Lu}.*[.!?…]$/u);
      }
    },
  );

  test('money counts as spent only where it has been spent, and once', () => {
    const counted = KINDS.filter((k) => KIND_SPECS[k].money === 'spent');
    expect(counted).toEqual(['did', 'arrived', 'spent']);
    expect(BOUGHT_KINDS).toEqual(['did', 'ordered', 'arrived', 'spent']);
  });

  test('facts that mean nothing for a kind are refused by name', () => {
    expect(whyNotFacts('waiting', { minutes: 60 })).toEqual([
      { field: 'minutes' satisfies FactField, reason: '“Waiting” entries do not carry hours' },
    ]);
    expect(whyNotFacts('did', { minutes: 60, subject: 'x' })).toEqual([]);
  });
});

describe('corrections', () => {
  const now = { kind: 'spent', text: 'spent 81', facts: { moneyMinor: 8100 }, audience: 'shop' } as const;

  test('the newest one holds, in whatever order they are read; first words are kept', () => {
    const first = entry({ kind: 'spent', text: 'spent 18', facts: { moneyMinor: 1800 } });
    const one = correction(first, { ...now, text: 'spent 80' });
    const two = correction(first, now);
    for (const order of [
      [first, one, two],
      [two, first, one],
    ]) {
      const [e, ...rest] = effectiveEntries(order);
      expect(rest).toEqual([]);
      expect(e).toMatchObject({
        text: 'spent 81',
        facts: { moneyMinor: 8100 },
        original: { kind: 'spent', text: 'spent 18' },
        withdrawn: false,
      });
    }
  });

  test('withdrawn, and then said again after all', () => {
    const first = entry({ kind: 'did', text: 'did doors' });
    const gone = correction(first, 'withdrawn');
    expect(effectiveEntries([first, gone])[0]).toMatchObject({ withdrawn: true, text: 'did doors' });
    expect(effectiveEntries([first, gone, correction(first, now)])[0]).toMatchObject({
      withdrawn: false,
      text: 'spent 81',
    });
  });

  test('what may not be corrected says why', () => {
    expect(whyNotCorrect({ kind: 'did', hasMoney: false, aboutType: null }, false)).toBeNull();
    expect(whyNotCorrect({ kind: 'did', hasMoney: true, aboutType: null }, true)).toBeNull();
    expect(whyNotCorrect({ kind: 'did', hasMoney: true, aboutType: null }, false)).toContain('price');
    expect(whyNotCorrect({ kind: 'told', hasMoney: false, aboutType: 'letter' }, true)).toContain('unsent');
    expect(whyNotCorrect({ kind: 'correction', hasMoney: false, aboutType: 'entry' }, true)).toContain(
      'already',
    );
  });
});

test('sums by kind become the build’s totals', () => {
  const totals = totalsOf([
    { kind: 'spent', count: 2, moneyMinor: 3000, minutes: 0 },
    { kind: 'ordered', count: 1, moneyMinor: 4650, minutes: 0 },
    { kind: 'arrived', count: 1, moneyMinor: 4650, minutes: 0 },
    { kind: 'did', count: 1, moneyMinor: 100, minutes: 180 },
    { kind: 'hours', count: 1, moneyMinor: 0, minutes: 60 },
    { kind: 'found', count: 1, moneyMinor: 6000, minutes: 240 },
  ]);
  expect(totals).toMatchObject({
    workedMinutes: 240,
    estimateMinor: 6000,
    estimateMinutes: 240,
  });
  expect(totals.byKind.arrived).toEqual({ count: 1, moneyMinor: 4650, minutes: 0 });
});

describe('sentences for the customer', () => {
  test.each([
    [
      'did',
      'did serving hatch hinges, 3h',
      { subject: 'serving hatch hinges', minutes: 180 },
      'Serving hatch hinges.',
    ],
    [
      'found',
      'found tailgate post rotten left side, let in new metal, 60 and four hours, must',
      { moneyMinor: 6000, minutes: 240, class: 'must' },
      'Tailgate post rotten left side, let in new metal.',
    ],
    ['did', 'repaired wheel rims, 2h 30', { minutes: 150 }, 'Repaired wheel rims.'],
    ['did', 'sanded the roof, an hour and a half', { minutes: 90 }, 'Sanded the roof.'],
    ['did', 'fitted new floor, £1,250.00', { moneyMinor: 125_000 }, 'Fitted new floor.'],
    ['did', '3h', { minutes: 180 }, '3h.'],
    [
      'fitted',
      'fitted window winders, 1.5h',
      { subject: 'window winders', minutes: 90, quantity: 2 },
      '2 window winders fitted.',
    ],
    [
      'fitted',
      'trial fitted board racks, 4h',
      { subject: 'board racks', minutes: 240 },
      'Trial fitted board racks.',
    ],
    [
      'ordered',
      'ordered 2 rear lamp lenses',
      {
        subject: 'lamp lenses',
        zone: 'rear',
        quantity: 2,
        vendor: 'Skerry Electrics',
        due: '2026-03-13',
        moneyMinor: 2380,
      },
      '2 rear lamp lenses ordered from Skerry Electrics, expected Fri 13 Mar.',
    ],
    [
      'arrived',
      'hood frame is back from the welder',
      { subject: 'hood frame', vendor: 'welder' },
      'Hood frame arrived from the welder.',
    ],
    [
      'waiting',
      'waiting on glass',
      { subject: 'glass', on: '2026-03-09' },
      'Waiting for the glass since Mon 9 Mar.',
    ],
    ['waiting', 'waiting on Ilse to decide', { subject: 'Ilse to decide' }, 'Waiting for Ilse to decide.'],
    ['asked', 'question: black or blue carpet?', {}, 'Black or blue carpet?'],
  ] as const)('%s: %s', (kind, text, facts, sentence) => {
    expect(customerSentence({ kind, text, facts }, manner)).toBe(sentence);
  });

  test('the leading word that only says the kind is left away, never the whole line', () => {
    expect(plainText({ kind: 'found', text: 'found rot', facts: {} })).toBe('rot');
    expect(plainText({ kind: 'found', text: 'found', facts: {} })).toBe('found');
  });

  test('figures in words', () => {
    expect(figuresInWords({ moneyMinor: 6000, minutes: 240 }, manner)).toBe('£60.00 and 4 h');
    expect(figuresInWords({ subject: 'x' }, manner)).toBeNull();
  });
});

test('moving the car, or a part of it', () => {
  expect(movesWholeCar({ place: 'Lift 1' }, 'microcar')).toBe(true);
  expect(movesWholeCar({ place: 'Lift 1', subject: 'Microcar' }, 'microcar')).toBe(true);
  expect(movesWholeCar({ place: 'Lift 1', subject: 'the car' }, 'microcar')).toBe(true);
  expect(movesWholeCar({ place: 'Booth', subject: 'doors' }, 'microcar')).toBe(false);
  expect(movesWholeCar({ subject: 'doors' }, 'microcar')).toBe(false);
});

test.each([
  ['Epoxy primer on bare steel', 'epoxy primer on bare steel'],
  ['RPM set', 'RPM set'],
  ['A pillar', 'a pillar'],
  ['Öl und Filter', 'öl und Filter'],
  ['', ''],
])('“%s” inside a sentence', (title, expected) => {
  expect(inSentence(title)).toBe(expected);
});

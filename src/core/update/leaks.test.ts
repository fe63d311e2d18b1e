/**
 * Trying to leak on purpose. Nasty cases: other case, accents, hidden characters, letters of other scripts, spacing of numbers,
 * possessives, first names that are words, one family, one maker, a note copied in part, rates as they are written elsewhere,
 * what was said to be meant.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { leaksOf, whyNotWith, type LeakGuard } from './leaks.ts';
import { amountMinor } from './moneyLeaks.ts';
import type { Letter } from './letter.ts';

const GUARD: LeakGuard = {
  currency: 'GBP',
  own: [
    'Saltmarsh Coachworks',
    'Ilse Brandt',
    'Pipit Three microcar',
    'microcar',
    'B-0105',
    'Petra Vosk',
    'Halcyon Platers',
  ],
  customers: [
    { name: 'Dex Marlow', email: 'dex@example.org', phone: '+44 1632 960 123' },
    { name: 'Will Brandt', email: 'will@example.org', phone: null },
  ],
  cars: [
    { nickname: 'hearse', vehicle: 'Corvane Landau', codes: ['B-0107', 'CVN 417L', 'LND0044871'] },
    { nickname: 'ice-cream van', vehicle: 'Pipit Eight', codes: ['B-0101', 'AB'] },
  ],
  people: ['Petra Vosk', 'Joss Tully'],
  absences: ['knee operation'],
  ratesMinor: [2800, 4650],
  costsMinor: [6200],
  internal: ['he still owes us for the second pair of lamps and argues', 'nice car'],
  told: ['The second pair of lamps is here.'],
};

function letterOf(text: string, more: Partial<Letter> = {}): Letter {
  return {
    subject: 'News',
    greeting: 'Dear Ilse,',
    parts: [{ id: 'other', title: 'Also', items: [{ id: 'i', text, leftOut: false }] }],
    closing: 'Wren',
    ...more,
  };
}
const marks = (text: string): [string, boolean][] =>
  leaksOf(letterOf(text), GUARD).map((l) => [l.words, l.isSure]);

describe('another customer', () => {
  test.each([
    ['Dex Marlow rang about it.', 'Dex Marlow'],
    ['DEX  MARLOW rang.', 'DEX  MARLOW'],
    ['that is dex marlow’s seat', 'dex marlow'],
    ['Déx Mårlow rang.', 'Déx Mårlow'],
    ['D\u00adex Mar\u200blow rang.', 'D\u00adex Mar\u200blow'],
    ['Dех Маrlоw rang.', 'Dех Маrlоw'], // Cyrillic е, х, М, а, о
    ['Dex\nMarlow', 'Dex\nMarlow'],
    ['write to Dex@Example.org', 'Dex@Example.org'],
    ['ring +44 1632 960123', '44 1632 960123'],
  ])('%j', (text, words) => {
    expect(marks(text)).toEqual([[words, true]]);
  });

  test('one name alone may be somebody else: it is for the owner to say', () => {
    expect(marks('Dex says hello.')).toEqual([['Dex', false]]);
    expect(marks('from marlow')).toEqual([['marlow', false]]);
  });

  test('a name that is a word is one only where it is written as a name', () => {
    expect(marks('It will run. Will it? We will.')).toEqual([]);
    expect(marks('Ask Will about it.')).toEqual([['Will', false]]);
  });

  test('made of words that are each somebody’s here, it is another’s all the same', () => {
    const guard = {
      ...GUARD,
      customers: [{ name: 'Petra Brandt', email: '', phone: null }],
      cars: [{ nickname: 'Three Platers', vehicle: 'Pipit Platers', codes: [] }],
    };
    const found = leaksOf(letterOf('Petra Brandt rang about the Pipit Platers.'), guard);
    expect(found.map((l) => [l.words, l.isSure])).toEqual([
      ['Petra Brandt', true],
      ['Pipit Platers', true],
    ]);
  });

  test('below a photograph that goes; not below one that stays', () => {
    const captions = new Map([
      [
        'i',
        [
          { id: 'p1', caption: 'the seat of Dex Marlow' },
          { id: 'p2', caption: 'B-0107' },
        ],
      ],
    ]);
    const letter = letterOf('Fine.', {
      parts: [
        { id: 'found', title: 'f', items: [{ id: 'i', text: 'Fine.', leftOut: false, media: ['p1'] }] },
      ],
    });
    expect(leaksOf(letter, GUARD, captions).map((l) => [l.where, l.words])).toEqual([['i', 'Dex Marlow']]);
  });

  test.each(['%s min', '2 h %s min', '%s h', 'about %s mm of it', '%s Stunden', '%s miles'])(
    '“%s” is no money, whatever something costs the shop',
    (words) => {
      expect(marks(`It took ${words.replace('%s', '62')}.`)).toEqual([]);
      expect(marks('It took 62 in all.')).toEqual([['62', false]]);
    },
  );

  test('a small whole number is a count, unless it is written as money', () => {
    const guard = { ...GUARD, costsMinor: [500] };
    const found = (text: string) => leaksOf(letterOf(text), guard).map((l) => l.words);
    expect(found('5 bolts ordered, 5.')).toEqual([]);
    expect(found('Bolts, £5.')).toEqual(['5']);
    expect(found('Bolts, 5 €.')).toEqual(['5']);
    expect(found('Bolts, 5.00.')).toEqual(['5.00']);
  });

  test('a name of the customer’s own family is theirs', () => {
    expect(marks('Ilse Brandt, and the Brandt key.')).toEqual([]);
    expect(marks('Will Brandt has the key.')).toEqual([['Will Brandt', true]]);
  });
});

describe('another car', () => {
  test.each([
    ['as on B-0107', 'B-0107'],
    ['as on b 0107', 'b 0107'],
    ['as on B0107', 'B0107'],
    ['plate cvn417l', 'cvn417l'],
    ['frame LND 004-4871', 'LND 004-4871'],
    ['like the Corvane Landau', 'Corvane Landau'],
  ])('%j', (text, words) => {
    expect(marks(text)).toEqual([[words, true]]);
  });

  test('its nickname may be only a word; one maker’s name is no other car', () => {
    expect(marks('It looks like a hearse.')).toEqual([['hearse', false]]);
    expect(marks('A Pipit part. The code AB.')).toEqual([]);
    expect(marks('your B-0105, the microcar')).toEqual([]);
  });
});

describe('money of the shop', () => {
  test.each([
    ['Petra at £28.00 an hour', '28.00'],
    ['28/h', '28'],
    ['hourly 46,50', '46,50'],
    ['46.5 is not it, but £46.50 per hour is', '46.50'],
  ])('a rate: %j', (text, words) => {
    expect(marks(text)).toContainEqual([words, true]);
  });

  test('the same figure without an hour is a price', () => {
    expect(marks('A hood catch, £28.00.')).toEqual([]);
  });

  test('what the shop pays', () => {
    expect(marks('The dynamo cost us £62.00.')).toEqual([['62.00', true]]);
    expect(marks('We paid £50 for it.')).toEqual([['50', false]]);
    expect(marks('The dynamo, £62.00.')).toEqual([['62.00', false]]);
    expect(marks('The dynamo, £82.00.')).toEqual([]);
  });

  test('a figure that is worked out is not looked at: it is the customer’s price', () => {
    const letter = letterOf('x', {
      parts: [
        {
          id: 'costs',
          title: 'Costs',
          items: [{ id: 'c', text: 'Spent £62.00.', leftOut: false, fixed: true }],
        },
      ],
    });
    expect(leaksOf(letter, GUARD)).toEqual([]);
  });

  test.each([
    ['1,250.00', 'GBP', 125_000],
    ['1.250,00', 'EUR', 125_000],
    ["1'250", 'CHF', 125_000],
    ['1 250,5', 'EUR', 1_250_500], // one decimal is none: rather too much than a leak read away
    ['62', 'GBP', 6200],
    ['1500', 'JPY', 1500],
    ['1.250', 'KWD', 1250],
  ])('%s in %s', (written, currency, minor) => {
    expect(amountMinor(written, currency)).toBe(minor);
  });
});

describe('people and notes', () => {
  test('a private matter beside a name; the same word alone is none', () => {
    expect(marks('Petra is ill, so it waits.')).toEqual([['ill', false]]);
    expect(marks('The holiday is over.')).toEqual([]);
    expect(marks('It waits. Joss had a knee operation.')).toEqual([['knee operation', true]]);
  });

  test('a note copied in part is known, also across a comma; what is told to customers too is not', () => {
    expect(marks('I fear he still owes us, for the second pair.')).toEqual([
      ['he still owes us, for the second pair', true],
    ]);
    expect(marks('The second pair of lamps is here. A nice car.')).toEqual([]);
  });
});

test('everywhere that is read: subject, greeting, headings, closing; not what is left out', () => {
  const letter = letterOf('fine', {
    subject: 'News of B-0107',
    greeting: 'Dear Dex Marlow,',
    closing: 'B 0107',
    parts: [
      {
        id: 'done',
        title: 'Dex Marlow',
        items: [{ id: 'i', text: 'Dex Marlow', leftOut: true }],
      },
    ],
  });
  expect(leaksOf(letter, GUARD).map((l) => l.where)).toEqual(['subject', 'greeting', 'done', 'closing']);
});

test('said to be meant, a doubtful word may stay; a sure one may not', () => {
  const meant = ['hearse', 'Dex Marlow'];
  expect(leaksOf(letterOf('Like a HEARSE.', { meant }), GUARD)).toEqual([]);
  expect(leaksOf(letterOf('Dex Marlow', { meant }), GUARD)).toHaveLength(1);
});

test('what is in the way is said, with how much more there is', () => {
  expect(whyNotWith([])).toBeNull();
  const why = whyNotWith(leaksOf(letterOf('Dex Marlow and B-0107'), GUARD));
  expect(why).toBe('“Dex Marlow” is not for this customer: Dex Marlow is another customer. And 1 more.');
});

test('wherever a full name stands and however it is dressed up, it is found (property, seed 11)', () => {
  const between = fc.constantFrom(' ', '  ', '\u00a0', '-', ', ', '\u200b ');
  const around = fc.stringMatching(/^[ .,;:!?()"“”]{0,4}$/);
  const cased = fc.constantFrom(
    (s: string) => s,
    (s: string) => s.toUpperCase(),
    (s: string) => s.toLowerCase(),
    (s: string) => s.normalize('NFD'),
  );
  fc.assert(
    fc.property(around, between, cased, around, (before, gap, dress, after) => {
      const text = `Some words${before} ${dress(`Dex${gap}Marlow`)}${after} more words`;
      expect(leaksOf(letterOf(text), GUARD).some((l) => l.isSure)).toBe(true);
    }),
    { seed: 11, numRuns: 300 },
  );
});

test('ordinary letters of a workshop have nothing in them', () => {
  const letters = [
    'The floor is in, and the doors close. We will hang the hood on Thursday.',
    'Found the brake pipes corroded through at the rear. To put right: about £180.00 and 4 h.',
    'Waiting for the hood frame from Halcyon Platers since Mon 2 Mar, due Fri 6 Mar.',
    'Petra has cut the cover in cheap cloth first; it fits. 28 hood studs ordered.',
    'It may rain on the day. Long bolts, short bolts and green primer are here.',
  ];
  for (const text of letters) expect(marks(text)).toEqual([]);
});

/** What is typed into a chip. Nasty cases: a decimal comma, a currency without minor units, nothing, nonsense, too much. */
import { expect, test } from '@jest/globals';
import { addable, factFrom, factText, fieldWord, typedFrom } from './facts.ts';

/** Each currency where it is at home. */
const inShop = (currency: string) => ({ currency, locale: currency === 'EUR' ? 'de-DE' : 'en-GB' });

const manner = { currency: 'GBP', locale: 'en-GB', today: '2026-03-11' };

test.each([
  ['moneyMinor', '46.50', 'GBP', { fact: 4650 }],
  ['moneyMinor', '46,5', 'EUR', { fact: 4650 }],
  ['moneyMinor', '1250', 'JPY', { fact: 1250 }],
  ['moneyMinor', '-1', 'GBP', { fault: 'an amount, as in 46.50' }],
  ['moneyMinor', 'lots', 'GBP', { fault: 'an amount, as in 46.50' }],
  ['moneyMinor', '', 'GBP', { fault: 'an amount, as in 46.50' }],
  ['minutes', '2.5', 'GBP', { fact: 150 }],
  ['minutes', '0', 'GBP', { fault: 'hours, as in 1.5' }],
  ['minutes', '1001', 'GBP', { fault: 'hours, as in 1.5' }],
  ['quantity', '3', 'GBP', { fact: 3 }],
  ['quantity', '0', 'GBP', { fault: 'a number' }],
  ['due', '2026-03-13', 'GBP', { fact: '2026-03-13' }],
  ['due', '2026-02-30', 'GBP', { fault: 'a day' }],
  ['vendor', '  Tern & Sons ', 'GBP', { fact: 'Tern & Sons' }],
  [
    'measures',
    '118 psi, 121.5 psi',
    'GBP',
    {
      fact: [
        { value: 118, unit: 'psi' },
        { value: 121.5, unit: 'psi' },
      ],
    },
  ],
  [
    'measures',
    '82,05 mm; -1 deg',
    'EUR',
    {
      fact: [
        { value: 82.05, unit: 'mm' },
        { value: -1, unit: 'deg' },
      ],
    },
  ],
  ['measures', 'tight', 'GBP', { fault: 'numbers with their units, as in 118 psi, 121 psi' }],
  ['subject', '   ', 'GBP', { fault: 'say what, or take it away' }],
] as const)('%s from "%s" in %s', (field, text, currency, expected) => {
  expect(factFrom(field, text, inShop(currency))).toEqual(expected);
});

test.each([
  ['moneyMinor', 4650, '46.50'],
  ['minutes', 150, '2.5'],
  ['minutes', 20, '0.33'],
  ['due', '2026-03-13', '2026-03-13'],
] as const)('%s is shown for typing as %j', (field, value, typed) => {
  expect(typedFrom(field, { [field]: value }, inShop('GBP'))).toBe(typed);
});

test('typing and reading back money is the identity', () => {
  for (const minor of [0, 1, 99, 100, 4650, 123_456_789])
    expect(
      factFrom('moneyMinor', typedFrom('moneyMinor', { moneyMinor: minor }, inShop('KWD')), inShop('KWD')),
    ).toEqual({
      fact: minor,
    });
});

test('chips read as people say it', () => {
  const facts = {
    moneyMinor: 4650,
    minutes: 90,
    due: '2026-03-13',
    measures: [
      { value: 1.5, unit: 'thou' },
      { value: 3, unit: 'mm' },
    ],
  };
  expect(factText('moneyMinor', facts, manner)).toBe('£46.50');
  expect(factText('minutes', facts, manner)).toBe('1 h 30 min');
  expect(factText('due', facts, manner)).toBe('Fri 13 Mar');
  expect(factText('measures', facts, manner)).toBe('1.5 thou, 3 mm');
  expect([fieldWord('on', 'waiting'), fieldWord('on', 'did'), fieldWord('zone', 'did')]).toEqual([
    'since',
    'on',
    'where on the car',
  ]);
});

test('only what means something for the kind, and is not there yet, can be added', () => {
  expect(addable('waiting', { subject: 'glass' })).toEqual([
    'quantity',
    'zone',
    'measures',
    'vendor',
    'place',
    'on',
    'due',
    'person',
  ]);
});

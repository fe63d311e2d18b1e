/** Parts as a table. Nasty cases: out and in again, other headers, a comma that can be read two ways, a formula, a year that is none. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { guessPartColumns, readParts, tableOfParts, type PartRowOut } from './exchange.ts';
import { SOURCES } from './parts.ts';

const cell = fc.stringMatching(/^[a-z0-9 .,;"äß]{0,20}$/).map((s) => s.trim());
const part: fc.Arbitrary<PartRowOut> = fc.record(
  {
    car: cell,
    state: fc.constant('to order'),
    due: fc.constant(null),
    what: cell.filter((s) => s !== ''),
    quantity: fc.integer({ min: 1, max: 999 }),
    number: cell,
    supersededBy: cell.filter((s) => s !== ''),
    catalogue: cell,
    fitsFrom: fc.integer({ min: 1880, max: 1950 }),
    fitsTo: fc.integer({ min: 1950, max: 2100 }),
    source: fc.constantFrom(...SOURCES),
    sourceNote: cell,
    vendor: cell,
    priceMinor: fc.integer({ min: 0, max: 99_999 }),
    depositMinor: fc.integer({ min: 0, max: 99_999 }),
    costMinor: fc.integer({ min: 0, max: 99_999 }),
    serialFrom: fc.nat(4999).map((n) => `E ${n}`),
    serialTo: fc.nat(4999).map((n) => `E ${n + 5000}`),
    instead: cell,
    insteadTriedBy: cell.filter((s) => s !== ''),
  },
  {
    requiredKeys: [
      'car',
      'state',
      'due',
      'what',
      'quantity',
      'number',
      'catalogue',
      'source',
      'sourceNote',
      'vendor',
      'instead',
    ],
  },
);

test('what goes out comes in again as it was (seed 7)', () => {
  fc.assert(
    fc.property(fc.array(part, { maxLength: 8 }), fc.constantFrom('GBP', 'JPY'), (parts, currency) => {
      const [header = [], ...rows] = tableOfParts(parts, currency);
      const { parts: read, faults } = readParts(rows, guessPartColumns(header), {
        currency,
        locale: 'en-GB',
      });
      expect(faults).toEqual([]);
      const outOnly = (i: number) => ({ car: parts[i]!.car, state: parts[i]!.state, due: null });
      expect(read.map((p, i) => ({ ...p, ...outOnly(i) }))).toEqual(parts);
    }),
    { seed: 7, numRuns: 150 },
  );
});

test('headers of other lists; what is not there is left as usual', () => {
  const columns = guessPartColumns(['Description', 'Qty', 'Part No.', 'Vendor', 'colour']);
  expect(columns).toEqual(['what', 'quantity', 'number', 'supplier', null]);
  expect(
    readParts([['king pin', '2', 'KP-9', 'Cobb', 'red']], columns, { currency: 'GBP', locale: 'en-GB' })
      .parts,
  ).toEqual([
    {
      what: 'king pin',
      quantity: 2,
      number: 'KP-9',
      catalogue: '',
      source: 'supplier',
      sourceNote: '',
      vendor: 'Cobb',
      instead: '',
    },
  ]);
});

test.each([
  [['', '2'], 'what', 'say what is needed'],
  [['pin', '1.5'], 'quantity', 'a whole number from 1 to 100000'],
  [['pin', '1,234'], 'quantity', 'can be read two ways'],
  [['pin', '', 'sixty'], 'price', 'is no number'],
  [['pin', '', '', '1790'], 'fits from', 'from 1880 to 2100'],
  [['pin', '', '', '1960', '1950'], 'fits to', 'the last year is before the first'],
  [['pin', '', '', '', '', 'the moon'], 'source', 'is none of supplier'],
  [['pin', '', '', '', '', '', 'E 90', 'E 10'], 'number to', 'the last number is before the first'],
])('%j: at “%s” %s', (row, column, reason) => {
  const columns = [
    'what',
    'quantity',
    'price',
    'fits from',
    'fits to',
    'source',
    'number from',
    'number to',
  ] as const;
  expect(readParts([row], columns, { currency: 'GBP', locale: 'en-GB' }).faults).toEqual([
    { row: 2, column, reason: expect.stringContaining(reason) },
  ]);
});

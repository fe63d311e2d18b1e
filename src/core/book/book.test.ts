/** What a book says of its files and its tables. Nasty cases: a picture twice, one that nobody shows, nothing at all. */
import { describe, expect, test } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { bookTables, bytesInWords, faultsOfBook, pictureFile, picturesOf, type Book } from './book.ts';
import { withoutLeaks } from './leaks.ts';
import { BOOK_SCHEMA } from './schema.ts';

const picture = (n: number, caption = '') => ({
  ...{ file: pictureFile(n), sha256: 'ab'.repeat(32), width: 4, height: 3, caption, takenAt: null },
});
const BOOK: Book = {
  format: 'avrik-book',
  version: 1,
  boundAt: '2026-03-11T10:00:00.000Z',
  shop: { name: 'Shop', currency: 'GBP', units: 'imperial', locale: 'en-GB', timeZone: 'Europe/London' },
  customer: { name: 'Ilse Brandt', email: 'ilse@example.org' },
  build: {
    ...{ number: 'B-0007', nickname: 'tourer', standard: 'driver', complaint: 'It pulls left.' },
    arrivedAt: '2026-01-05T09:00:00.000Z',
  },
  vehicle: {
    ...{ name: 'Linnet tourer', year: 1957, chassisNumber: 'LT 1', plate: '', odometer: null },
    ...{ odometerUnit: 'mi', evidence: '' },
  },
  registers: {
    unit: [],
    belonging: [],
    provenance: [
      { component: 'bonnet', state: 'original', evidence: 'stamped', earlierWork: false, originalKept: '' },
    ],
    requirement: [],
  },
  logbook: [
    {
      at: '2026-01-06T09:00:00.000Z',
      kind: 'found',
      text: 'found a worn pin',
      facts: { moneyMinor: 8000 },
      pictures: [picture(1, 'the pin'), picture(2)],
    },
    { at: '2026-01-07T09:00:00.000Z', kind: 'did', text: '=1+1', facts: { minutes: 60 }, pictures: [] },
  ],
  parts: [
    {
      what: 'pin',
      number: 'LT-7',
      quantity: 2,
      catalogue: '',
      instead: '',
      source: 'supplier',
      fittedOn: null,
      old: null,
    },
  ],
  costs: {
    agreedMinor: 1,
    spentMinor: 2,
    receivedMinor: 3,
    lines: [{ title: 'Axle', agreedMinor: 1, spentMinor: 2 }],
  },
  cautions: [],
  followUps: [{ title: 'Re-torque', dueOn: null, dueMiles: 50, doneOn: null }],
};

/** The published shape, used as any other program would use it. */
const fits = new Ajv2020({ strict: true, allErrors: true }).compile(BOOK_SCHEMA);

describe('the shape', () => {
  test('a whole book, and the barest one, fit the schema', () => {
    expect([fits(BOOK), fits.errors]).toEqual([true, null]);
    expect(fits({ ...BOOK, logbook: [], parts: [], costs: null, followUps: [] })).toBe(true);
  });

  test.each([
    ['half a penny', { ...BOOK, costs: { ...BOOK.costs, spentMinor: 0.5 } }],
    ['a day in another form', { ...BOOK, followUps: [{ ...BOOK.followUps[0], dueOn: '11/03/2026' }] }],
    [
      'a picture outside of its folder',
      { ...BOOK, logbook: [{ ...BOOK.logbook[0], pictures: [{ ...picture(1), file: '../x.jpg' }] }] },
    ],
    ['who did it', { ...BOOK, logbook: [{ ...BOOK.logbook[1], facts: { person: 'Joss' } }] }],
  ])('%s does not', (_name, book) => {
    expect(fits(book)).toBe(false);
  });
});

describe('its files', () => {
  const files = (...names: string[]): ReadonlySet<string> => new Set(names);
  const [one, two] = [pictureFile(1), pictureFile(2)];
  test.each<[string, Book, ReadonlySet<string>, string[]]>([
    ['all there', BOOK, files(one, two, 'book.json'), []],
    ['one missing', BOOK, files(one), [`logbook[0].pictures[1]: ${two} is not in the archive`]],
    [
      'one that nobody shows',
      BOOK,
      files(one, two, pictureFile(3)),
      ['pictures/00003.jpg: nothing in the logbook shows it'],
    ],
    [
      'one twice',
      { ...BOOK, logbook: [{ ...BOOK.logbook[0]!, pictures: [picture(1), picture(1)] }] },
      files(one),
      [`logbook[0].pictures[1]: ${one} stands there twice`],
    ],
  ])('%s', (_name, book, names, faults) => {
    expect(faultsOfBook(book, names)).toEqual(faults);
  });
});

test('tables hold each thing once; without costs there is no table of them', () => {
  const tables = new Map(bookTables(BOOK).map((t) => [t.file, t]));
  expect(tables.get('logbook.csv')!.rows).toEqual([
    [
      '2026-01-06T09:00:00.000Z',
      'found',
      'found a worn pin',
      '',
      8000,
      '',
      'pictures/00001.jpg pictures/00002.jpg',
    ],
    ['2026-01-07T09:00:00.000Z', 'did', '=1+1', 60, '', '', ''],
  ]);
  expect(tables.get('costs.csv')!.rows).toEqual([['Axle', 1, 2]]);
  for (const { head, rows } of tables.values()) for (const r of rows) expect(r).toHaveLength(head.length);
  expect(bookTables({ ...BOOK, costs: null }).map((t) => t.file)).not.toContain('costs.csv');
});

describe('what is not for its customer', () => {
  const guard = {
    currency: 'GBP',
    own: ['Ilse Brandt', 'Linnet tourer', 'tourer'],
    customers: [{ name: 'Odo Lark', email: 'odo@example.org', phone: null }],
    cars: [{ nickname: 'barge', vehicle: 'Heron barge', codes: ['HB 9931'] }],
    people: [],
    absences: [],
    ratesMinor: [],
    costsMinor: [],
    internal: ['the weld will never be noticed by anybody'],
    told: [],
  };
  const said = (text: string): Book => ({
    ...BOOK,
    logbook: [{ at: BOOK.boundAt, kind: 'did', text, facts: {}, pictures: [picture(1, text)] }],
    registers: { ...BOOK.registers, provenance: [{ ...BOOK.registers.provenance[0]!, evidence: text }] },
    parts: [{ ...BOOK.parts[0]!, instead: text }],
    followUps: [{ ...BOOK.followUps[0]!, title: text }],
    build: { ...BOOK.build, complaint: text },
    vehicle: { ...BOOK.vehicle, evidence: text },
    costs: { ...BOOK.costs!, lines: [{ title: text, agreedMinor: 1, spentMinor: 1 }] },
  });

  test.each(['as for Odo Lark', 'off the Heron barge', 'chassis HB 9931', 'write to odo@example.org'])(
    '“%s” stands nowhere in it, wherever it was written',
    (text) => {
      const { book, leftOut } = withoutLeaks(said(text), guard, [text]);
      expect(JSON.stringify(book)).not.toContain(text);
      expect(leftOut.every((l) => l.isSure)).toBe(true);
      expect(picturesOf(book)).toEqual([]);
    },
  );

  test('a note of the shop is left out where it is said; a book with nothing of it is the same', () => {
    const note = said('the weld will never be noticed by anybody');
    expect(JSON.stringify(withoutLeaks(note, guard, []).book.logbook)).toBe('[]');
    expect(withoutLeaks(BOOK, guard, [])).toEqual({ book: BOOK, leftOut: [] });
  });
});

test.each([
  [0, '0 kB'],
  [999, '1 kB'],
  [999_999, '1000 kB'],
  [12_400_000, '12 MB'],
])('%d bytes are %s', (bytes, words) => {
  expect(bytesInWords(bytes)).toBe(words);
});

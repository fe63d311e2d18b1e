/** What the owner must see to. Nasty cases: no copy ever, exactly two days, a tiny disk, several at once, copies made elsewhere. */
import { describe, expect, test } from '@jest/globals';
import { DISK, upkeepAlarms, type UpkeepFacts } from './alarms.ts';

const NOW = '2026-11-30T12:00:00.000Z';
const WELL: UpkeepFacts = {
  copies: { made: 'daily', lastGood: '2026-11-30T03:00:00.000Z', fault: null },
  disk: { freeBytes: 80 * 2 ** 30, totalBytes: 250 * 2 ** 30 },
  mail: { whyNot: null, tried: true, perhaps: 0, waiting: 0 },
};
const of = (more: Partial<UpkeepFacts>, since = '2026-01-01T00:00:00.000Z') =>
  upkeepAlarms({ ...WELL, ...more }, NOW, since);

test('where all is well, nothing is said', () => expect(of({})).toEqual([]));

describe('copies', () => {
  const copies = (more: Partial<UpkeepFacts['copies']>) => ({ copies: { ...WELL.copies, ...more } });
  test('a copy of two days is not old, a second later it is', () => {
    expect(of(copies({ lastGood: '2026-11-28T12:00:00.000Z' }))).toEqual([]);
    expect(of(copies({ lastGood: '2026-11-28T11:59:59.000Z' }))).toEqual(['copy-old']);
  });
  test('no copy ever: two days are given from the shop’s first', () => {
    expect(of(copies({ lastGood: null }), '2026-11-29T12:00:00.000Z')).toEqual([]);
    expect(of(copies({ lastGood: null }), '2026-11-01T12:00:00.000Z')).toEqual(['copy-old']);
  });
  test('one that failed is said, with a good one of this morning too', () =>
    expect(of(copies({ fault: 'no room' }))).toEqual(['copy-fault']));
  test('switched off is said; made elsewhere is not ours to judge', () => {
    expect(of(copies({ made: 'off', lastGood: null }))).toEqual(['copies-off']);
    expect(of(copies({ made: 'elsewhere', lastGood: null }))).toEqual([]);
  });
});

describe('the disk', () => {
  const disk = (freeBytes: number, totalBytes = 250 * 2 ** 30) => of({ disk: { freeBytes, totalBytes } });
  test('low and full, from both sides of each limit', () => {
    expect(disk(DISK.lowBytes)).toEqual([]);
    expect(disk(DISK.lowBytes - 1)).toEqual(['disk-low']);
    expect(disk(DISK.fullBytes)).toEqual(['disk-low']);
    expect(disk(DISK.fullBytes - 1)).toEqual(['disk-full']);
  });
  test('a small disk is judged by its share', () => expect(disk(2 * 2 ** 30, 20 * 2 ** 30)).toEqual([]));
});

test('mail that cannot go is not also asked to be tried; the most urgent comes first', () => {
  const mail = { whyNot: 'no mail server is set', tried: false, perhaps: 1, waiting: 3 };
  expect(of({ mail, disk: { freeBytes: 0, totalBytes: 1 } })).toEqual([
    'disk-full',
    'mail-off',
    'mail-perhaps',
  ]);
  expect(of({ mail: { ...mail, whyNot: null, perhaps: 0 } })).toEqual(['mail-untried']);
});

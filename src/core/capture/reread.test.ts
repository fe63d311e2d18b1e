/** A line put right by its words. Nasty cases: an amount that goes, one chosen by hand, another kind, words of the day it happened. */
import { expect, test } from '@jest/globals';
import { parseLine, type CaptureContext } from './index.ts';
import { reread, type Worded } from './reread.ts';

const context: CaptureContext = {
  today: '2026-03-11',
  currency: 'GBP',
  units: 'metric',
  locale: 'en-GB',
  builds: [],
  people: [],
  vendors: [],
  parts: [],
  places: [],
};
const read = (text: string) => parseLine(text, context);
const found: Worded = {
  text: 'found sill rotten, 55, 1h',
  kind: 'found',
  facts: { subject: 'sill', moneyMinor: 5500, minutes: 60 },
};

test('money and hours follow the words', () => {
  expect(reread(found, 'found sill rotten, 75, 2h', read).facts).toEqual({
    subject: 'sill',
    moneyMinor: 7500,
    minutes: 120,
  });
  expect(reread(found, 'found sill rotten', read).facts).toEqual({ subject: 'sill' });
});

test('what was chosen by hand stays', () => {
  const chosen = { ...found, facts: { ...found.facts, moneyMinor: 9900, class: 'must' as const } };
  expect(reread(chosen, 'found sill rotten, 75, 2h', read).facts).toMatchObject({
    moneyMinor: 9900,
    minutes: 120,
    class: 'must',
  });
});

test('another kind takes only what it may carry; a kind that was chosen stays', () => {
  expect(reread(found, 'did sill, 2h', read)).toMatchObject({ kind: 'did', facts: { minutes: 120 } });
  expect(reread({ ...found, kind: 'note' }, 'did sill, 2h', read).kind).toBe('note');
});

test('a day is that of when it happened', () => {
  const waiting: Worded = {
    text: 'waiting on glass, due friday',
    kind: 'waiting',
    facts: { subject: 'glass', due: '2026-03-13' },
  };
  expect(reread(waiting, 'waiting on door glass, due friday', read).facts).toMatchObject({
    subject: 'door glass',
    due: '2026-03-13',
  });
});

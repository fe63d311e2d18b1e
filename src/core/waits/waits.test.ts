/** Nasty cases: an end that shares words with another wait, ended all at once, corrected away, a due day already past. */
import { describe, expect, test } from '@jest/globals';
import { correction, entry } from '#tests/support/entries.ts';
import { effectiveEntries, type Entry } from '../log/entries.ts';
import { reasonsNow } from './attention.ts';
import { openWaits, typedHold, waitInWords, type WaitEntry } from './waits.ts';

const waits = (...entries: Entry[]) =>
  openWaits(effectiveEntries(entries), 'Europe/London').map((w) => w.subject);
const waitFor = (subject: string, more: Entry['facts'] = {}) =>
  entry({ kind: 'waiting', text: `waiting on ${subject}`, facts: { subject, ...more } });

describe('open waits', () => {
  const ending = (e: Entry, ...ends: Entry[]): WaitEntry => ({
    ...effectiveEntries([e])[0]!,
    ends: ends.map((w) => w.id),
  });
  const openOf = (said: readonly Entry[], ends: readonly WaitEntry[]): string[] =>
    openWaits([...effectiveEntries(said), ...ends], 'Europe/London').map((w) => w.subject);

  test('what arrives ends the wait that it points at, whatever words they share', () => {
    const [glass, seal] = [waitFor('sliding glass'), waitFor('door seal')];
    const came = entry({ kind: 'arrived', text: 'it is here', facts: { subject: 'door seal' } });
    expect(openOf([glass, seal], [ending(came, glass)])).toEqual(['door seal']);
    expect(openOf([glass, seal], [ending(came, glass, seal)])).toEqual([]);
    expect(openOf([glass, seal], [ending(came)])).toHaveLength(2);
  });

  test('going again without a thing ends all, with one only that', () => {
    const [glass, seal] = [waitFor('sliding glass'), waitFor('door seal')];
    expect(waits(glass, seal, entry({ kind: 'resumed', text: 'going again' }))).toEqual([]);
    const goesOn = entry({ kind: 'resumed', text: 'resumed seal', facts: { subject: 'door seals' } });
    expect(openOf([glass, seal], [ending(goesOn, seal)])).toEqual(['sliding glass']);
    expect(openOf([glass, seal], [ending(goesOn)])).toHaveLength(2);
  });

  test('waiting for it again after it came is a new wait', () => {
    const [glass, came, again] = [
      waitFor('glass'),
      entry({ kind: 'arrived', text: 'glass', facts: { subject: 'glass' } }),
      waitFor('glass'),
    ];
    expect(openOf([again, glass], [ending(came, glass)])).toEqual(['glass']);
  });

  test('a wait that should never have been logged is none', () => {
    const glass = waitFor('glass');
    expect(waits(glass, correction(glass, 'withdrawn'))).toEqual([]);
  });

  test('since when: as said, else the day it was logged in the shop’s zone; the place on the car stays with the thing', () => {
    const late = entry({
      kind: 'waiting',
      text: 'waiting on lenses',
      at: '2026-03-11T23:30:00.000Z',
      facts: { subject: 'lamp lenses', zone: 'rear' },
    });
    const said = waitFor('glass', { on: '2026-03-02' });
    expect(openWaits(effectiveEntries([late, said]), 'Europe/Berlin')).toEqual([
      expect.objectContaining({ subject: 'rear lamp lenses', since: '2026-03-12' }),
      expect.objectContaining({ since: '2026-03-02' }),
    ]);
  });
});

test('for whom, where only a person is named; for what, where a person is to do it', () => {
  const [petra, sill] = [
    entry({ kind: 'waiting', text: 'waiting on Petra, due in two weeks', facts: { person: 'Petra Vosk' } }),
    waitFor('finish the sill', { person: 'Petra Vosk' }),
  ];
  const words = openWaits(effectiveEntries([petra, sill]), 'Europe/London').map((w) =>
    waitInWords(typedHold(w), '2026-03-11', 'en-GB').replace(/^Waiting .+? for /, ''),
  );
  expect(words).toEqual(['Petra Vosk', 'Petra Vosk: finish the sill']);
});

test('a wait in words', () => {
  const wait = { entryId: 'e', subject: 'glass', since: '2026-03-02', due: '2026-03-13' };
  expect(waitInWords(typedHold(wait), '2026-03-11', 'en-GB')).toBe(
    'Waiting 9 days for the glass (due Fri 13 Mar)',
  );
  expect(waitInWords(typedHold({ ...wait, vendor: 'welder' }), '2026-03-16', 'en-GB')).toBe(
    'Waiting 14 days for the glass from the welder (was due Fri 13 Mar)',
  );
  expect(
    waitInWords(typedHold({ entryId: 'e', subject: 'Ilse', since: '2026-03-11' }), '2026-03-11', 'en-GB'),
  ).toBe('Waiting since today for Ilse');
});

describe('why a build needs a person now', () => {
  const calm = { holds: [], promised: null, toldOn: '2026-03-05', tellEveryDays: 14, question: null };
  const reasons = (more: object, today = '2026-03-11') => reasonsNow({ ...calm, ...more }, today, 'en-GB');
  const glass = { what: 'the glass from Marram Glass', until: '2026-03-10' };

  test('nothing presses', () => expect(reasons({})).toEqual([]));
  test('a wait past its due day, not one due today', () => {
    expect(reasons({ holds: [glass] })).toEqual(['late by a day: the glass from Marram Glass']);
    expect(reasons({ holds: [glass] }, '2026-03-10')).toEqual([]);
    expect(reasons({ holds: [{ ...glass, until: null }] })).toEqual([]);
  });
  test('a question that nobody has answered comes first, and is short', () => {
    const question = { name: 'Ilse', text: 'Will it be blue?' };
    expect(reasons({ question, holds: [glass] })[0]).toBe('Ilse asks: “Will it be blue?”');
    expect(reasons({ question: { ...question, text: 'x'.repeat(300) } })[0]!.length).toBeLessThan(100);
  });
  test('a promise near while it waits, or passed', () => {
    expect(reasons({ promised: '2026-03-20', holds: [{ ...glass, until: '2026-03-12' }] })).toEqual([
      'promised for Fri 20 Mar, and still waiting',
    ]);
    expect(reasons({ promised: '2026-03-20' })).toEqual([]);
    expect(reasons({ promised: '2026-03-10' })).toEqual(['promised for Tue 10 Mar']);
  });
  test('a customer who has not heard for longer than agreed', () => {
    expect(reasons({ toldOn: '2026-02-25' })).toEqual([]);
    expect(reasons({ toldOn: '2026-02-24' })).toEqual(['not told for 15 days, wants to hear every 14']);
  });
});

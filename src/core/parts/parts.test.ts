/**
 * Parts. Nasty cases: fitted before it came, ordered from nobody, wrong without a word, bagged without a bag, the engine of
 * another year than the car, a catalogue open at one end, due today.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  actsFor,
  CORES,
  coreAfter,
  bySupplier,
  isOverdue,
  PART_ACTS,
  PART_STATES,
  stateAfter,
  whyMayNotFit,
  whyNotDone,
  type PartDone,
  type PartNow,
  type PartState,
} from './parts.ts';

const now = (state: PartState, more: Partial<PartNow> = {}): PartNow => ({
  state,
  core: null,
  creditMinor: 0,
  ...more,
});

describe('what is done with a part', () => {
  test.each([
    ['to order', { act: 'order', vendor: 'Tern & Sons' }, [], 'ordered'],
    ['to order', { act: 'order', vendor: ' ' }, ['vendor'], null],
    ['ordered', { act: 'new date' }, ['due'], null],
    ['ordered', { act: 'arrive', check: 'right' }, [], 'arrived'],
    ['ordered', { act: 'arrive', check: 'damaged' }, ['note'], null],
    ['ordered', { act: 'arrive', check: 'faulty when tested', note: 'leaks' }, [], 'wrong'],
    ['ordered', { act: 'fit', fate: 'scrapped' }, ['act'], null],
    ['arrived', { act: 'fit' }, ['fate'], null],
    ['arrived', { act: 'fit', fate: 'bagged' }, ['bag'], null],
    ['arrived', { act: 'fit', fate: 'bagged', bag: '17' }, [], 'fitted'],
    ['wrong', { act: 'send back' }, [], 'returned'],
    ['returned', { act: 'take up again' }, [], 'to order'],
    ['fitted', { act: 'order', vendor: 'Tern' }, ['act'], null],
    ['fitted', { act: 'failed' }, ['note'], null],
    ['fitted', { act: 'failed', note: 'seized in a week' }, [], 'wrong'],
    ['fitted', { act: 'core sent' }, ['act'], null],
    ['fitted', { act: 'credited', creditMinor: 100 }, ['act'], null],
    ['returned', { act: 'credited' }, ['creditMinor'], null],
    ['returned', { act: 'credited', creditMinor: 100 }, [], 'returned'],
  ] as [PartState, PartDone, string[], PartState | null][])('%s, %j', (state, done, fields, after) => {
    expect(whyNotDone(now(state), done).map((f) => f.field)).toEqual(fields);
    if (after) expect(stateAfter(now(state), done)).toBe(after);
  });

  test('a core is owed once it is fitted, goes back, and is credited; then nothing is owed for it any more', () => {
    const fitted = coreAfter(now('arrived'), { act: 'fit', fate: 'core to send back' });
    expect(fitted).toBe('to send');
    const sent = coreAfter(now('fitted', { core: fitted }), { act: 'core sent' });
    expect(sent).toBe('sent');
    expect(actsFor(now('fitted', { core: sent }))).toContain('credited');
    const paid = coreAfter(now('fitted', { core: sent }), { act: 'credited', creditMinor: 2400 });
    expect(paid).toBe('credited');
    expect(actsFor(now('fitted', { core: paid, creditMinor: 2400 }))).not.toContain('credited');
    expect(coreAfter(now('arrived'), { act: 'fit', fate: 'scrapped' })).toBeNull();
    expect(actsFor(now('returned', { creditMinor: 100 }))).not.toContain('credited');
  });

  test('from every state something can be done, and every act leads somewhere (seed 9)', () => {
    for (const s of PART_STATES) expect(actsFor(now(s)).length).toBeGreaterThan(0);
    fc.assert(
      fc.property(
        fc.constantFrom(...PART_ACTS),
        fc.constantFrom(...PART_STATES),
        fc.constantFrom(null, ...CORES),
        (act, state, core) => {
          const faults = whyNotDone(now(state, { core }), { act });
          return faults.some((f) => f.field === 'act') === !actsFor(now(state, { core })).includes(act);
        },
      ),
      { seed: 9, numRuns: 100 },
    );
  });
});

describe('what it fits', () => {
  const engine = { kind: 'engine', year: 1964 };
  test.each([
    [
      { fitsFrom: 1959, fitsTo: 1962 },
      engine,
      1961,
      'the engine is of 1964, and its catalogue says 1959 to 1962',
    ],
    [{ fitsFrom: 1963 }, engine, 1961, null],
    [{ fitsTo: 1962 }, null, 1961, null],
    [{ fitsTo: 1960 }, null, 1961, 'the car is of 1961, and its catalogue says up to 1960'],
    [
      { fitsFrom: 1962 },
      { kind: 'gearbox' },
      1961,
      'the gearbox is of 1961, and its catalogue says from 1962 on',
    ],
    [{}, engine, 1961, null],
    [{ fitsTo: 1900 }, null, null, null],
  ])('%j for %j in a car of %s', (fits, unit, vehicleYear, why) => {
    expect(whyMayNotFit(fits, { unit, vehicleYear })).toBe(why);
  });
});

test('overdue is past its day, not on it, and only while it is ordered', () => {
  const at = (state: PartState, due: string | null): boolean => isOverdue({ state, due }, '2026-03-11');
  expect([
    at('ordered', '2026-03-10'),
    at('ordered', '2026-03-11'),
    at('ordered', null),
    at('arrived', '2026-03-01'),
  ]).toEqual([true, false, false, false]);
});

test('one call serves several cars: the supplier with most to order first, those without one last', () => {
  const part = (id: string, vendor: string) => ({ id, vendor });
  const groups = bySupplier([
    part('a', ''),
    part('b', 'Tern'),
    part('c', 'Cobb'),
    part('d', 'Tern'),
    part('e', ''),
  ]);
  expect(groups.map((g) => [g.vendor, g.parts.map((p) => p.id)])).toEqual([
    ['Tern', ['b', 'd']],
    ['Cobb', ['c']],
    ['', ['a', 'e']],
  ]);
});

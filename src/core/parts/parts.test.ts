/**
 * Parts. Nasty cases: fitted before it came, ordered from nobody, wrong without a word, bagged without a bag,
 * due today, asked and not answered.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  actsFor,
  ASKED,
  bySupplier,
  coreAfter,
  CORES,
  fateAfter,
  inTwo,
  isOverdue,
  owedFor,
  PART_ACTS,
  PART_STATES,
  stateAfter,
  type PartDone,
  type PartNow,
  type PartState,
  whyNotDone,
} from './parts.ts';

const now = (state: PartState, more: Partial<PartNow> = {}): PartNow => ({
  state,
  core: null,
  creditMinor: 0,
  oldFate: null,
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
    ['ordered', { act: 'fit', fate: 'scrapped' }, [], 'fitted'],
    ['to order', { act: 'fit', fate: 'scrapped' }, ['act'], null],
    ['to order', { act: 'order', isByLine: true }, [], 'ordered'],
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
    ['fitted', { act: 'old one settled', fate: 'scrapped' }, ['act'], null],
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

test('an old part that its owner is asked about waits for their word, and takes it once', () => {
  const fate = fateAfter(now('arrived'), { act: 'fit', fate: ASKED });
  const asked = now('fitted', { oldFate: fate });
  expect(actsFor(asked)).toContain('old one settled');
  const said = (more: Partial<PartDone>): string[] =>
    whyNotDone(asked, { act: 'old one settled', ...more }).map((f) => f.field);
  expect([said({}), said({ fate: ASKED }), said({ fate: 'bagged' }), said({ fate: 'scrapped' })]).toEqual([
    ['fate'],
    ['fate'],
    ['bag'],
    [],
  ]);
  const settled = { act: 'old one settled', fate: 'core to send back' } as const;
  expect(stateAfter(asked, settled)).toBe('fitted');
  expect([fateAfter(asked, settled), coreAfter(asked, settled)]).toEqual(['core to send back', 'to send']);
  expect(actsFor(now('fitted', { oldFate: 'scrapped' }))).not.toContain('old one settled');
  expect(fateAfter(asked, { act: 'take up again' })).toBeNull();
});

test('what is owed for a part: its core until it is sent and paid, a credit for what went back', () => {
  expect([
    owedFor(now('fitted', { core: 'to send' })),
    owedFor(now('fitted', { core: 'sent' })),
    owedFor(now('fitted', { core: 'credited', creditMinor: 2400 })),
    owedFor(now('returned')),
    owedFor(now('returned', { creditMinor: 100 })),
    owedFor(now('wrong')),
  ]).toEqual(['core to send', 'core', null, 'credit', null, null]);
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

test('a part as two: numbers and prices add up to what was there, whatever the count (seed 43)', () => {
  const part = fc.record(
    {
      quantity: fc.integer({ min: 2, max: 500 }),
      costMinor: fc.integer({ min: 0, max: 1_000_000_000 }),
      priceMinor: fc.integer({ min: 0, max: 1_000_000_000 }),
      depositMinor: fc.integer({ min: 0, max: 1_000_000_000 }),
    },
    { requiredKeys: ['quantity'] },
  );
  fc.assert(
    fc.property(part, fc.nat(), (whole, n) => {
      const count = 1 + (n % (whole.quantity - 1));
      const [some, rest] = inTwo(whole, count);
      expect(some.quantity).toBe(count);
      for (const field of Object.keys(whole) as (keyof typeof whole)[])
        expect(some[field]! + rest[field]!).toBe(whole[field]);
    }),
    { seed: 43 },
  );
  expect(inTwo({ quantity: 4, costMinor: 2801 }, 1)).toEqual([
    { quantity: 1, costMinor: 700 },
    { quantity: 3, costMinor: 2101 },
  ]);
  for (const count of [0, 4, -1]) expect(() => inTwo({ quantity: 4 }, count)).toThrow(RangeError);
});

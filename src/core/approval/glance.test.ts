/** Money at a glance. Nasty cases: nothing sent, nothing agreed, no budget, a line dearer since it was agreed, one begun unasked. */
import { expect, test } from '@jest/globals';
import { NOTHING, type EstimateLine, type Terms } from '../estimate/lines.ts';
import type { LineStanding } from './answers.ts';
import { glanceAt, type GlanceInput } from './glance.ts';
import { freeze } from './revision.ts';

const rates = {
  mechanical: 6000,
  metalwork: 6000,
  paint: 6000,
  trim: 6000,
  electrical: 6000,
  machining: 6000,
};
const terms: Terms = { rates, taxBp: 2000, taxIncluded: false, sharedRisk: 0.3 };
const line = (id: string, pounds: number, high = pounds): EstimateLine => ({
  id,
  title: id,
  why: '',
  class: 'must',
  work: 'mechanical',
  minutes: NOTHING,
  parts: { low: pounds * 100, likely: pounds * 100, high: high * 100 },
  outwork: NOTHING,
  sundriesMinor: 0,
  needs: [],
  access: [],
});
const stands = (state: LineStanding['state'], approvedMinor = 0): LineStanding => ({ state, approvedMinor });
const first = freeze([{ ...line('sill', 100), proposal: 'do' }], terms, {
  number: 1,
  currency: 'GBP',
  note: '',
  budgetMinor: null,
});
const at = (lines: GlanceInput['lines'], more: Partial<GlanceInput> = {}) =>
  glanceAt({ lines, terms, first, budgetMinor: 50_000, ...more });

test('nothing yet', () => {
  expect(glanceAt({ lines: [], terms, first: undefined, budgetMinor: null })).toEqual({
    agreedMinor: 0,
    changesMinor: 0,
    discretionMinor: 0,
    leftOfBudgetMinor: null,
    endMinor: 0,
    endP80Minor: 0,
  });
  expect(at([{ ...line('sill', 100), standing: stands('asked'), discretionMinor: null }])).toMatchObject({
    agreedMinor: 0,
    leftOfBudgetMinor: 50_000,
    endMinor: 0,
  });
});

test('agreed, a change, one begun unasked, one that waits', () => {
  // By hand, 20 % on top: £120 agreed first, £240 as a change, £12 unasked; £500 − 120 − 240 − 12 = £128.
  const now = at([
    { ...line('sill', 100), standing: stands('approved', 12_000), discretionMinor: null },
    { ...line('valve', 200, 500), standing: stands('approved', 24_000), discretionMinor: null },
    { ...line('clips', 10), standing: stands('open'), discretionMinor: 1_200 },
    { ...line('chime', 300), standing: stands('waits'), discretionMinor: null },
  ]);
  expect(now).toMatchObject({
    agreedMinor: 36_000,
    changesMinor: 24_000,
    discretionMinor: 1_200,
    leftOfBudgetMinor: 12_800,
    // The valve’s three points are 200, 200 and 500: expected (200 + 800 + 500) / 6 = 250. 120 + 300 + 12 = £432.
    endMinor: 43_200,
  });
  // Its spread is (500 − 200) / 6 = 50; 0.8416 · 50 · 1.2 = £50.50 above.
  expect(now.endP80Minor).toBe(48_250);
});

test('more agreed than the budget holds is shown as less than nothing', () => {
  const over = at([{ ...line('sill', 500), standing: stands('changed', 60_000), discretionMinor: null }]);
  expect(over.leftOfBudgetMinor).toBe(-10_000);
  expect(over.endMinor).toBe(60_000);
});

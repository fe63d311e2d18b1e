/**
 * The plan on a customer's page. Nasty cases: a promise that has passed, one that moved three times and back, lines with money
 * on them and no hours, a car that waits for nothing.
 */
import { describe, expect, test } from '@jest/globals';
import { planParts, type PlanInput } from './plan.ts';

const line = (id: string, spentMinutes: number, toGoMinutes: number, isBegun = spentMinutes > 0) => ({
  id,
  title: `The ${id}`,
  spentMinutes,
  toGoMinutes,
  isBegun,
});
const plan = (more: Partial<PlanInput> = {}) => {
  const parts = planParts({
    ready: { promised: null, told: null, restedDays: 0, waited: [] },
    promises: [],
    lines: [],
    waits: [],
    rests: new Set(),
    holds: { binding: null, others: [] },
    manner: { currency: 'GBP', locale: 'en-GB', today: '2026-03-11' },
    ...more,
  });
  return Object.fromEntries(parts.map((p) => [p.title, p.items.map((i) => i.text)]));
};
const ready = (promised: string) => ({ promised, told: null, restedDays: 0, waited: [] });

describe('the plan in words', () => {
  test('with nothing known it says that no day is promised, and nothing else', () => {
    expect(plan()).toEqual({ 'When it will be ready': ['No day is promised yet.'] });
  });

  test('a promise that passed is said to have passed', () => {
    expect(plan({ ready: ready('2026-03-01') })['When it will be ready']).toEqual([
      'It was promised for Sun 1 Mar. That day has passed, and there is no new one yet.',
    ]);
  });

  test('every day that it was said to be stays on record, told twice or not', () => {
    const promises = [
      { on: '2026-01-05', promised: '2026-02-20' },
      { on: '2026-01-26', promised: '2026-02-20' },
      { on: '2026-02-09', promised: '2026-03-10' },
      { on: '2026-03-02', promised: '2026-03-26' },
    ];
    expect(plan({ ready: ready('2026-03-26'), promises })['When it will be ready']).toEqual([
      'Promised for Thu 26 Mar.',
      'On Mon 5 Jan I wrote that it would be Fri 20 Feb.',
      'On Mon 9 Feb I wrote that it would be Tue 10 Mar.',
    ]);
    // Moved since the last letter: what that one said is earlier now, too.
    expect(plan({ ready: ready('2026-04-02'), promises })['When it will be ready']).toHaveLength(4);
  });

  test('lines by how far they are, and how far in words that no hour has to be argued about', () => {
    const lines = [
      line('sill', 60, 540),
      line('floor', 0, 480),
      line('loom', 600, 0),
      line('hood', 300, 300),
      line('tank', 0, 240, true),
      line('brakes', 540, 60),
    ];
    expect(plan({ lines })['How far it is']).toEqual([
      'In work: the sill, begun.',
      'In work: the hood, about half done.',
      'In work: the tank, begun.',
      'In work: the brakes, nearly done.',
      'Still to come: the floor.',
      'Done: the loom.',
    ]);
  });

  test('what it waits for, as the letters say it', () => {
    const waits = [
      { entryId: 'e', subject: 'hood frame', vendor: 'the plater', since: '2026-03-02', due: '2026-03-06' },
    ];
    expect(plan({ waits: waits as never })['What it waits for']![0]).toMatch(
      /^Waiting for the hood frame.*since Mon 2 Mar, which was due on Fri 6 Mar\.$/,
    );
  });
});

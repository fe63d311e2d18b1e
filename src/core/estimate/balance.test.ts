/**
 * What can wait to pay for an overrun. Checked against trying every set (small cases) and against an exact mixed-integer
 * solver from the registry (HiGHS). Nasty cases: nothing covers it, nothing needed, circles, chains of needs, pins that
 * contradict, a safety line that needs a line, equal losses.
 */
import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import highsLoader, { type Highs } from 'highs';
import { balanceModel } from '#tests/support/balanceModel.ts';
import { balance, type Waiting } from './balance.ts';

const item = (id: string, savesMinor: number, loss: number, more: Partial<Waiting> = {}): Waiting => ({
  id,
  savesMinor,
  loss,
  needs: [],
  whyNot: null,
  ...more,
});

const closed = (set: ReadonlySet<string>, lines: readonly Waiting[]): boolean =>
  lines.every((l) => set.has(l.id) || l.needs.every((n) => !set.has(n)));
const savesOf = (set: ReadonlySet<string>, lines: readonly Waiting[]): number =>
  lines.reduce((s, l) => s + (set.has(l.id) ? l.savesMinor : 0), 0);

/** The set without a line and all that this line needs. */
function restored(set: ReadonlySet<string>, id: string, lines: readonly Waiting[]): Set<string> {
  const left = new Set(set);
  const open = [id];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    left.delete(next);
    open.push(...(lines.find((l) => l.id === next)?.needs ?? []).filter((n) => left.has(n)));
  }
  return left;
}

/** Every lean set, by trying all of them: losses in order. */
function byTrying(lines: readonly Waiting[], over: number): number[] {
  const losses: number[] = [];
  for (let mask = 0; mask < 2 ** lines.length; mask += 1) {
    const set = new Set(lines.filter((_, i) => mask & (1 << i)).map((l) => l.id));
    if (lines.some((l) => l.whyNot !== null && set.has(l.id))) continue;
    if (!closed(set, lines) || savesOf(set, lines) < over) continue;
    if ([...set].some((id) => savesOf(restored(set, id, lines), lines) >= over)) continue;
    losses.push(lines.reduce((s, l) => s + (set.has(l.id) ? l.loss : 0), 0));
  }
  return losses.sort((a, b) => a - b);
}

const cases = (most: number) =>
  fc
    .array(
      fc.record({
        savesMinor: fc.integer({ min: 100, max: 90_000 }),
        loss: fc.integer({ min: 0, max: 90_000 }),
        safety: fc.integer({ min: 0, max: 9 }),
        needs: fc.array(fc.nat(), { maxLength: 2 }),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((raw) =>
      raw.map((r, i) =>
        item(`l${i}`, r.savesMinor, r.loss, {
          needs: i === 0 ? [] : [...new Set(r.needs.map((n) => `l${n % i}`))],
          whyNot: r.safety === 0 ? 'a safety line' : null,
        }),
      ),
    );
const share = fc.double({ min: 0.02, max: 0.95, noNaN: true });
const total = (lines: readonly Waiting[]): number => lines.reduce((s, l) => s + l.savesMinor, 0);

test('seed 11: the best five are the best five that trying everything finds', () => {
  fc.assert(
    fc.property(cases(10), share, (lines, part) => {
      const over = Math.ceil(total(lines) * part);
      const found = balance(lines, over, { most: 5 }).alternatives;
      expect(found.map((a) => a.loss)).toEqual(byTrying(lines, over).slice(0, 5));
      for (const a of found) {
        const set = new Set(a.putOff);
        expect(closed(set, lines)).toBe(true);
        expect(savesOf(set, lines)).toBe(a.savesMinor);
        expect(a.savesMinor).toBeGreaterThanOrEqual(over);
      }
    }),
    { seed: 11, numRuns: 300 },
  );
});

describe('against an exact solver', () => {
  let highs: Highs;
  beforeAll(async () => {
    highs = await highsLoader();
  });

  /** The least loss by HiGHS: a cover with precedence, all variables binary. */
  function bySolver(lines: readonly Waiting[], over: number): number | null {
    if (lines.every((l) => l.whyNot !== null)) return null;
    const model = balanceModel(lines, over);
    const done = highs.solve(model, { mip_rel_gap: 0, mip_abs_gap: 0 });
    return done.Status === 'Optimal' ? Math.round(done.ObjectiveValue) : null;
  }

  test('seed 12: up to sixty lines with precedence', () => {
    fc.assert(
      fc.property(cases(60), share, (lines, part) => {
        const over = Math.ceil(total(lines) * part);
        expect(balance(lines, over).alternatives[0]?.loss ?? null).toBe(bySolver(lines, over));
      }),
      { seed: 12, numRuns: 40 },
    );
  });
});

describe('by hand', () => {
  const lines = [
    item('trim', 40_000, 4000),
    item('signwriting', 90_000, 20_000),
    item('wings', 60_000, 60_000),
    item('paint', 120_000, 90_000, { needs: ['wings'] }),
    item('brakes', 50_000, 0, { whyNot: 'a safety line is never put off' }),
  ];

  test('the cheapest regret that covers it comes first', () => {
    expect(balance(lines, 70_000).alternatives[0]).toEqual({
      putOff: ['signwriting'],
      savesMinor: 90_000,
      loss: 20_000,
    });
  });

  test('a line that a kept line needs cannot wait by itself', () => {
    const { alternatives } = balance(lines, 100_000, { pins: { kept: ['signwriting'] } });
    expect(alternatives.map((a) => a.putOff)).toEqual([['paint']]);
    expect(balance(lines, 100_000, { pins: { off: ['wings'] } }).alternatives[0]!.putOff.sort()).toEqual([
      'paint',
      'wings',
    ]);
  });

  test('a pin that cannot hold says why', () => {
    expect(balance(lines, 1, { pins: { off: ['brakes'] } })).toMatchObject({
      alternatives: [],
      refused: [{ id: 'brakes', reason: 'a safety line is never put off' }],
    });
    const { refused } = balance(lines, 1, { pins: { off: ['wings'], kept: ['paint'] } });
    expect(refused).toContainEqual({ id: 'paint', reason: 'you chose to keep it' });
    expect(refused).toContainEqual({ id: 'wings', reason: 'a line that is kept needs it' });
  });

  test('what nothing covers is said with the most that could be saved', () => {
    expect(balance(lines, 400_000)).toEqual({ alternatives: [], mostMinor: 310_000, refused: [] });
  });

  test('nothing over needs nothing put off', () => {
    expect(balance(lines, 0).alternatives).toEqual([{ putOff: [], savesMinor: 0, loss: 0 }]);
    expect(balance([], 0).alternatives).toHaveLength(1);
    expect(balance([], 5)).toMatchObject({ alternatives: [], mostMinor: 0 });
  });

  test('a circle of needs is refused', () => {
    expect(() => balance([item('a', 5, 1, { needs: ['b'] }), item('b', 5, 1, { needs: ['a'] })], 5)).toThrow(
      RangeError,
    );
  });
});

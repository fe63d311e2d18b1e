/** The picture of money over time. Nasty cases: one day only, nothing at all, a credit below nothing, a very narrow picture. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { addDays } from '#core/time/days.ts';
import { EDGE, HEIGHT, shapesOf } from './shapes.ts';

const TODAY = '2026-03-31';
const point = (day: string, approvedMinor = 0, spentMinor = 0, committedMinor = 0) => ({
  day,
  approvedMinor,
  spentMinor,
  committedMinor,
});
const range = (day: string, expectedMinor: number, by: number) => ({
  day,
  expectedMinor,
  p20Minor: expectedMinor - by,
  p80Minor: expectedMinor + by,
});

/** Every number that stands in a path. */
const numbersOf = (path: string | null): number[] =>
  (path ?? '').match(/-?\d+(?:\.\d+)?/g)?.map(Number) ?? [];

describe('what is drawn', () => {
  const of = {
    today: TODAY,
    overTime: [
      point('2026-03-01', 10_000),
      point('2026-03-16', 10_000, 4000, 2000),
      point(TODAY, 10_000, 6000),
    ],
    expected: [range('2026-03-01', 10_000, 1000), range(TODAY, 9000, 500)],
  };
  const shapes = shapesOf(of, 400);

  test('begins at its first day and ends today, edge to edge; nothing is at the foot', () => {
    const xs = numbersOf(shapes.agreed).filter((_, i) => i % 2 === 0);
    expect(Math.min(...xs)).toBeCloseTo(EDGE.left, 6);
    expect(Math.max(...xs)).toBeCloseTo(400 - EDGE.right, 6);
    expect(shapes.moneyTicks[0]).toEqual({ value: 0, y: HEIGHT - EDGE.bottom });
  });

  test('money is to scale: twice as much stands twice as high', () => {
    const foot = HEIGHT - EDGE.bottom;
    const [at4, at8] = [4000, 8000].map((v) => foot - shapes.moneyTicks.find((t) => t.value === v)!.y);
    expect(at8! / at4!).toBeCloseTo(2, 9);
    const [first, last] = shapes.ends;
    expect((foot - first!.mid) / (foot - last!.mid)).toBeCloseTo(10_000 / 9000, 9);
    expect(first!.low - first!.high).toBeCloseTo(2 * (last!.low - last!.high), 9);
  });
});

test('whatever the figures, every number of it is one, and lies in the picture (seed 61)', () => {
  const day = fc.integer({ min: 0, max: 400 }).map((n) => addDays(TODAY, -n));
  const money = fc.integer({ min: 0, max: 10_000_000 });
  const points = fc.array(
    fc.tuple(day, money, money, money).map(([d, a, s, c]) => point(d, a, s, c)),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(
      points,
      fc.array(fc.tuple(day, money)),
      fc.integer({ min: 200, max: 1600 }),
      (of, told, width) => {
        const overTime = [...of, point(TODAY)].sort((a, b) => (a.day < b.day ? -1 : 1));
        const expected = [...told.map(([d, m]) => range(d, m, 0)), range(TODAY, 0, 0)].sort((a, b) =>
          a.day < b.day ? -1 : 1,
        );
        const shapes = shapesOf({ today: TODAY, overTime, expected }, width);
        for (const path of [shapes.agreed, shapes.spent, shapes.committed, shapes.range]) {
          expect(path).not.toMatch(/NaN|Infinity/);
          const numbers = numbersOf(path);
          for (const [i, n] of numbers.entries()) {
            expect(n).toBeGreaterThanOrEqual(0);
            expect(n).toBeLessThanOrEqual((i % 2 === 0 ? width : HEIGHT) + 0.001);
          }
        }
      },
    ),
    { seed: 61, numRuns: 150 },
  );
});

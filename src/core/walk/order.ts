/** The order in which one meets the cars: a short way from place to place across the plan. */
import type { Spot } from '../plan/floorPlan.ts';

export interface Stop {
  id: string;
  spot: Spot;
}

interface Point {
  x: number;
  y: number;
}

const middle = ({ x, y, w, h }: Spot): Point => ({ x: x + w / 2, y: y + h / 2 });
const apart = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Where a walk begins: the plan's upper left corner. */
const DOOR: Point = { x: 0, y: 0 };

/** The length of a way that begins at the door and does not come back. */
const wayLength = (points: readonly Point[]): number =>
  points.reduce((sum, p, i) => sum + apart(i === 0 ? DOOR : points[i - 1]!, p), 0);

/** Always on to the nearest that is left; of two as near, the one that was named first. */
function nearestFirst(stops: readonly Stop[]): Stop[] {
  const left = [...stops];
  const way: Stop[] = [];
  let at = DOOR;
  while (left.length > 0) {
    const next = left.reduce((best, s) =>
      apart(at, middle(s.spot)) < apart(at, middle(best.spot)) ? s : best,
    );
    left.splice(left.indexOf(next), 1);
    way.push(next);
    at = middle(next.spot);
  }
  return way;
}

/** So little is no shorter way: rounding of the square root. */
const NOISE = 1e-9;

/**
 * A short way past all stops from the door: nearest first, then stretches are turned round for as long as that shortens it
 * (2-opt: Croes, "A method for solving traveling-salesman problems", Operations Research 6, 1958). The same stops in the same
 * order give the same way.
 */
export function walkOrder(stops: readonly Stop[]): Stop[] {
  let way = nearestFirst(stops);
  const length = (w: readonly Stop[]): number => wayLength(w.map((s) => middle(s.spot)));
  for (let better = true; better;) {
    better = false;
    for (let i = 0; i < way.length - 1; i += 1)
      for (let k = i + 1; k < way.length; k += 1) {
        const turned = [...way.slice(0, i), ...way.slice(i, k + 1).reverse(), ...way.slice(k + 1)];
        if (length(turned) < length(way) - NOISE) {
          way = turned;
          better = true;
        }
      }
  }
  return way;
}

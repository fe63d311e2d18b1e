/** What is lost by putting a line off, in points: one point is one minor unit of regret. */
import type { LineClass } from '../log/kinds.ts';

/** Regret for each unit of the work left undone, by class. Common practice, no published source. */
const CLASS_WEIGHT: Record<Exclude<LineClass, 'safety'>, number> = { must: 1, should: 0.4, nice: 0.1 };

/** How far the customer's own words raise or lower it. Common practice, no published source. */
export const WISH_WEIGHT = { wanted: 2, none: 1, 'can wait': 0.25 } as const;
export type Wish = keyof typeof WISH_WEIGHT;

export interface Regret {
  class: LineClass;
  savesMinor: number;
  wish: Wish;
  /** What the same work costs more when it is done later: the access paid again. */
  laterExtraMinor: number;
}

/** A safety line is never put off, so it has no price here. */
export const lossOf = (r: Regret): number =>
  r.class === 'safety'
    ? Infinity
    : Math.round(r.savesMinor * CLASS_WEIGHT[r.class] * WISH_WEIGHT[r.wish]) + r.laterExtraMinor;

/** What can be undone: states of a thing, one step for what was typed in one go at one place. */

export interface History<T> {
  past: readonly T[];
  now: T;
  future: readonly T[];
  /** Where the newest step was made, and when it was last added to. */
  place: string | null;
  at: number;
}

/** Typing on at one place within this is one step. */
const ONE_GO_MS = 1000;
const MOST_STEPS = 200;

export const beginHistory = <T>(now: T): History<T> => ({ past: [], now, future: [], place: null, at: 0 });

/** A change at a place; `place` null is a step of its own. */
export function changed<T>(h: History<T>, now: T, place: string | null, at: number): History<T> {
  const goesOn = place !== null && place === h.place && at - h.at < ONE_GO_MS && h.past.length > 0;
  return { past: goesOn ? h.past : [...h.past, h.now].slice(-MOST_STEPS), now, future: [], place, at };
}

export function undone<T>(h: History<T>): History<T> {
  const before = h.past.at(-1);
  if (before === undefined) return h;
  return { past: h.past.slice(0, -1), now: before, future: [h.now, ...h.future], place: null, at: 0 };
}

export function redone<T>(h: History<T>): History<T> {
  const [next, ...future] = h.future;
  if (next === undefined) return h;
  return { past: [...h.past, h.now], now: next, future, place: null, at: 0 };
}

/** Every state with what somebody else changed put in, so that undoing takes back one’s own changes only. */
export const throughout = <T>(h: History<T>, change: (state: T) => T): History<T> => ({
  ...h,
  past: h.past.map(change),
  now: change(h.now),
  future: h.future.map(change),
});

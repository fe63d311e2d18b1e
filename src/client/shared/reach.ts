/** Whether the shop's server answers, and since when what is shown was seen. */
import { useSyncExternalStore } from 'react';
import { SEEN_HEADER } from './seen.ts';

interface Reach {
  answers: boolean;
  /** The oldest of what is shown from this device's store, as an instant; null while nothing is. */
  seenAt: string | null;
}

let reach: Reach = { answers: true, seenAt: null };
const listeners = new Set<() => void>();
const returns = new Set<() => void>();

function set(next: Reach): void {
  if (next.answers === reach.answers && next.seenAt === reach.seenAt) return;
  const isBack = next.answers && !reach.answers;
  reach = next;
  for (const tell of listeners) tell();
  if (isBack) for (const tell of returns) tell();
}

export const noAnswer = (): void => set({ ...reach, answers: false });

/** Notes where an answer came from. */
export function noteAnswer(headers: Headers): void {
  const seen = headers.get(SEEN_HEADER);
  if (seen === null) set({ answers: true, seenAt: null });
  else {
    const at = new Date(seen).toISOString();
    set({ answers: false, seenAt: reach.seenAt !== null && reach.seenAt < at ? reach.seenAt : at });
  }
}

/** Hears when the server answers again. */
export function onReturn(tell: () => void): () => void {
  returns.add(tell);
  return () => returns.delete(tell);
}

/** As it stands. */
export const reachNow = (): Reach => reach;

export const useReach = (): Reach =>
  useSyncExternalStore((tell) => {
    listeners.add(tell);
    return () => listeners.delete(tell);
  }, reachNow);

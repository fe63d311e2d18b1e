/**
 * How many connections those may have who change something. What waits for a car that somebody else holds waits here, before it
 * takes a connection: reading, signing in and logging on other cars go on meanwhile.
 */
import { AsyncLocalStorage } from 'node:async_hooks';
import pLimit, { type LimitFunction } from 'p-limit';
import { Refusal } from '../http/refusal.ts';

/** Of the ten connections of a pool, so many at once for changes. */
const AT_ONCE = 7;
/** For changes of one thing, which follow one another in the database anyway: one works, one is ready. */
const OF_ONE = 2;

interface Writer {
  /** What others are told once it is kept: builds by their ids, and topics. */
  news: readonly string[];
  /** What it changes, mostly a build; null where that is no one thing. */
  of: string | null;
  /** Whether whoever asked has gone. */
  hasGone: () => boolean;
}

const writers = new AsyncLocalStorage<Writer>();
const all = pLimit(AT_ONCE);
const byThing = new Map<string, LimitFunction>();

/** Work that changes something, with all that it begins. */
export const asWriter = <T>(writer: Writer, work: () => Promise<T>): Promise<T> => writers.run(writer, work);

/** What is to be told of the change that begins here. */
export const newsOfWriter = (): readonly string[] => writers.getStore()?.news ?? [];

/** Waits for its turn where it is the work of a writer; nobody works for one who has gone while waiting. */
export async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const writer = writers.getStore();
  if (!writer) return work();
  const ofAll = (): Promise<T> =>
    all(() => {
      if (writer.hasGone()) throw new Refusal('unavailable', 'Nobody waits for this any more.');
      // What it begins meanwhile has its turn already: it would wait for itself.
      return writers.exit(work);
    });
  if (writer.of === null) return ofAll();
  const turn = byThing.get(writer.of) ?? pLimit(OF_ONE);
  byThing.set(writer.of, turn);
  try {
    return await turn(ofAll);
  } finally {
    if (turn.activeCount + turn.pendingCount === 0) byThing.delete(writer.of);
  }
}

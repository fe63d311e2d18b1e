import { setImmediate as nextTurn } from 'node:timers/promises';
import pLimit, { type LimitFunction } from 'p-limit';

const queues = new WeakMap<object, LimitFunction>();

/**
 * Work of some milliseconds that is done many times over, for one build after another: one in each turn of the event loop, so that
 * others are answered in between.
 *
 * @param of whose work it is, mostly a transaction: nobody waits for the work of another
 */
export function inItsTurn<T>(of: object, work: () => T): Promise<T> {
  let queue = queues.get(of);
  if (!queue) queues.set(of, (queue = pLimit(1)));
  return queue(async () => {
    await nextTurn();
    return work();
  });
}

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

/** So many of what is said of one thing take a few milliseconds. */
const AT_ONCE = 200;

/** As `map`, a few hundred in each turn: for lists that some shop has thousands of. */
export async function mapInTurns<Thing, Made>(
  of: object,
  things: readonly Thing[],
  make: (thing: Thing) => Made,
): Promise<Made[]> {
  const made: Made[] = [];
  for (let from = 0; from < things.length; from += AT_ONCE)
    made.push(...(await inItsTurn(of, () => things.slice(from, from + AT_ONCE).map(make))));
  return made;
}

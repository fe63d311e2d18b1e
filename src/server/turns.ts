import { setImmediate as nextTurn } from 'node:timers/promises';
import pLimit from 'p-limit';

const oneByOne = pLimit(1);

/**
 * Work of some milliseconds that is done many times over, for one build after another: one in each turn of the event loop, so that
 * others are answered in between.
 */
export const inItsTurn = <T>(work: () => T): Promise<T> =>
  oneByOne(async () => {
    await nextTurn();
    return work();
  });

/** Keeps the server running: one that ends by itself is started again, sooner the longer it had run. */
import { setTimeout as sleep } from 'node:timers/promises';
import { say } from './say.mjs';

const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 60_000;
/** A server that ran for so long was well: its end begins the count anew. */
const WELL_AFTER_MS = 5 * 60_000;
const LOOK_EVERY_MS = 2000;

/** Waits before the next start: doubled with every end in a row, up to a minute. */
const waitBefore = (endsInARow) => Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (endsInARow - 1));

/**
 * Starts by `serve`; `ready` is fulfilled when it listens, and throws where it does not come up.
 * @param serve starts the server once: `{ server, listening }`
 * @param keepUp looks after the database, and starts it again where it is down; may be missing
 */
export function keepRunning(serve, { keepUp }) {
  let current = serve();
  let stopping = false;
  let since = Date.now();

  const watch = async () => {
    for (let ends = 0; !stopping;) {
      const code = await new Promise((resolve) => {
        if (current.server.exitCode !== null || current.server.signalCode !== null) resolve(null);
        else current.server.once('exit', (status, signal) => resolve(signal ?? status));
      });
      if (stopping) return;
      ends = Date.now() - since > WELL_AFTER_MS ? 1 : ends + 1;
      const wait = waitBefore(ends);
      say(`The server ended (${code}); it is started again in ${(wait / 1000).toFixed(1)} s.`);
      await sleep(wait);
      if (stopping) return;
      current = serve();
      since = Date.now();
      await current.listening.then(
        () => say('The server is up again.'),
        () => undefined, // its end is seen by the next round
      );
    }
  };
  // A first start that fails is not tried again: `ready` throws, and a person stands there.
  const ready = current.listening.then(() => {
    since = Date.now();
    void watch();
  });

  const looking = keepUp
    ? setInterval(() => {
        if (!stopping) keepUp();
      }, LOOK_EVERY_MS)
    : undefined;

  return {
    ready,
    stop: async () => {
      stopping = true;
      clearInterval(looking);
      const { server } = current;
      if (server.exitCode !== null || server.signalCode !== null) return;
      server.kill('SIGTERM');
      await new Promise((resolve) => server.once('exit', resolve));
    },
  };
}

/**
 * The job queue in a thread of its own: what it works out (a book of 500 pages, the mail of a letter) holds up nobody who waits
 * for an answer, and where it takes too much memory, the thread ends and not the server.
 */
import { once } from 'node:events';
import { setTimeout as sleep } from 'node:timers/promises';
import { Worker } from 'node:worker_threads';
import type { Logger } from 'pino';
import { threadFile } from '../root.ts';

const MEMORY_MB = 1024;
const AGAIN_AFTER_MS = 2000;

export interface Jobs {
  stop: () => Promise<void>;
}

/** Starts it, and starts it again whenever it ends by itself. Throws where it does not come up the first time. */
export async function startJobs(log: Logger, standInUrl: string | null): Promise<Jobs> {
  let isOver = false;
  const begin = async (): Promise<Worker> => {
    const worker = new Worker(threadFile('jobs'), {
      workerData: { standInUrl },
      // What reads TypeScript is loaded by the thread itself.
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    });
    worker.on('error', (err) => log.error({ err }, 'the job queue broke'));
    worker.once('exit', () => void again());
    const [said] = (await Promise.race([once(worker, 'message'), once(worker, 'exit')])) as unknown[];
    if (said !== 'ready') throw new Error('the job queue did not start');
    return worker;
  };
  let isUp = false;
  let worker: Worker;
  const again = async (): Promise<void> => {
    if (!isUp || isOver) return;
    log.warn('the job queue ended; it is started again');
    isUp = false;
    for (;;) {
      await sleep(AGAIN_AFTER_MS);
      if (isOver) return;
      try {
        worker = await begin();
        isUp = true;
        return;
      } catch (err) {
        log.error({ err }, 'the job queue does not start');
      }
    }
  };
  worker = await begin();
  isUp = true;
  return {
    stop: async () => {
      isOver = true;
      if (!isUp) return;
      const ended = once(worker, 'exit');
      worker.postMessage('stop');
      await ended;
    },
  };
}

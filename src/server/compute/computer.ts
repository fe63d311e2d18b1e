/** Runs the tasks of `tasks.ts` in threads, each within a time and a size of memory; the server answers others meanwhile. */
import workerpool from 'workerpool';
import { Refusal } from '../http/refusal.ts';
import { threadFile } from '../root.ts';
import type { Task, Tasks } from './tasks.ts';

export interface Computer {
  /** Refuses with `too-large` what takes too long or too much memory, and with `unavailable` where too much waits already. */
  run: <T extends Task>(task: T, ...args: Parameters<Tasks[T]>) => Promise<Awaited<ReturnType<Tasks[T]>>>;
  stop: () => Promise<void>;
}

export interface ComputerLimits {
  timeoutMs: number;
  memoryMb: number;
  mostThreads: number;
  mostWaiting: number;
}

const LIMITS: ComputerLimits = { timeoutMs: 10_000, memoryMb: 512, mostThreads: 2, mostWaiting: 100 };

const tooMuch = (): Refusal =>
  new Refusal('too-large', 'This is more than can be worked out in one go. Nothing was kept.');

/** A thread reads its modules when it is made: seconds on a busy machine, and no fault of the task that waits for it. */
const MAKING_MS = 60_000;

/** Threads start with their first task, whose time counts from where it begins. */
export function openComputer(limits: Partial<ComputerLimits> = {}): Computer {
  const { timeoutMs, memoryMb, mostThreads, mostWaiting } = { ...LIMITS, ...limits };
  const pool = workerpool.pool(threadFile('compute'), {
    workerType: 'thread',
    maxWorkers: mostThreads,
    maxQueueSize: mostWaiting,
    workerTerminateTimeout: 0,
    workerThreadOpts: {
      // Nothing of the environment: a thread has no use for a password.
      env: {},
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: memoryMb },
    },
  });
  return {
    run: async (task, ...args) => {
      let begun = false;
      try {
        const answer = pool.exec(task, args, {
          on: () => {
            begun = true;
            answer.timeout(timeoutMs);
          },
        });
        return await answer.timeout(MAKING_MS);
      } catch (error) {
        throw refusalOf(error, begun);
      }
    },
    stop: async () => {
      await pool.terminate(true);
    },
  };
}

const busy = (): Refusal =>
  new Refusal('unavailable', 'The shop’s server is busy. Try again in a moment. Nothing was kept.');

function refusalOf(error: unknown, begun: boolean): unknown {
  if (error instanceof workerpool.Promise.TimeoutError) return begun ? tooMuch() : busy();
  const { message = '', code } = error as { message?: string; code?: string };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY' || /out of memory|memory limit/i.test(message)) return tooMuch();
  if (/queue size/i.test(message)) return busy();
  return error;
}

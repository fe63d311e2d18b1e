/** Runs the tasks of `tasks.ts` in threads, each within a time and a size of memory; the server answers others meanwhile. */
import { fileURLToPath } from 'node:url';
import workerpool from 'workerpool';
import { Refusal } from '../http/refusal.ts';
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

const THREAD = fileURLToPath(new URL('./thread.mjs', import.meta.url));

const tooMuch = (): Refusal =>
  new Refusal('too-large', 'This is more than can be worked out in one go. Nothing was kept.');

/** Threads start with their first task. */
export function openComputer(limits: Partial<ComputerLimits> = {}): Computer {
  const { timeoutMs, memoryMb, mostThreads, mostWaiting } = { ...LIMITS, ...limits };
  const pool = workerpool.pool(THREAD, {
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
      try {
        return await pool.exec(task, args).timeout(timeoutMs);
      } catch (error) {
        throw refusalOf(error);
      }
    },
    stop: async () => {
      await pool.terminate(true);
    },
  };
}

function refusalOf(error: unknown): unknown {
  if (error instanceof workerpool.Promise.TimeoutError) return tooMuch();
  const { message = '', code } = error as { message?: string; code?: string };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY' || /out of memory|memory limit/i.test(message)) return tooMuch();
  if (/queue size/i.test(message))
    return new Refusal('unavailable', 'The shop’s server is busy. Try again in a moment. Nothing was kept.');
  return error;
}

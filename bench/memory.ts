/** What a process holds, and the most of it while something is done (Linux). */
import { readFileSync } from 'node:fs';

const SAMPLE_MS = 20;

/** Megabytes. */
const residentMb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;

export interface Watched {
  /** Megabytes. */
  before: number;
  most: number;
  seconds: number;
}

export async function watched(pid: number, work: () => Promise<unknown>): Promise<Watched> {
  const before = residentMb(pid);
  let most = before;
  const watch = setInterval(() => (most = Math.max(most, residentMb(pid))), SAMPLE_MS);
  const began = performance.now();
  try {
    await work();
  } finally {
    clearInterval(watch);
  }
  return { before, most, seconds: (performance.now() - began) / 1000 };
}

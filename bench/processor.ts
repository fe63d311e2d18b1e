/** How much of the processor's time a host took away from this machine, and how much processes used. */
import { readdirSync, readFileSync } from 'node:fs';

interface ProcessorTime {
  all: number;
  stolen: number;
}

const STEAL = 7;
/** In /proc/<pid>/stat, behind the name of the program. */
const USED = 11;
/** A second (Linux). */
const TICKS = 100;

/** Ticks since the machine started, from the first line of /proc/stat: user nice system idle iowait irq softirq steal. */
export function processorTime(): ProcessorTime {
  const [line] = readFileSync('/proc/stat', 'utf8').split('\n');
  const ticks = line!
    .trim()
    .split(/\s+/)
    .slice(1, STEAL + 2)
    .map(Number);
  return { all: ticks.reduce((sum, t) => sum + t, 0), stolen: ticks[STEAL] ?? 0 };
}

export const stolenShare = (from: ProcessorTime, to: ProcessorTime): number =>
  to.all === from.all ? 0 : (to.stolen - from.stolen) / (to.all - from.all);

/** The ticks that a process used, and those that it started and that have ended; 0 where it has ended itself. */
function ticksOf(pid: number): number {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
    return fields.slice(USED, USED + 4).reduce((sum, f) => sum + Number(f), 0);
  } catch {
    return 0;
  }
}

const isDatabase = (pid: string): boolean => {
  try {
    return readFileSync(`/proc/${pid}/comm`, 'utf8').trim() === 'postgres';
  } catch {
    return false;
  }
};

/** Seconds of processor that a process and the database servers of this machine have used so far. */
export function usedSeconds(pid: number): number {
  const pids = readdirSync('/proc').filter((name) => /^\d+$/.test(name) && isDatabase(name));
  return [pid, ...pids.map(Number)].reduce((sum, p) => sum + ticksOf(p), 0) / TICKS;
}

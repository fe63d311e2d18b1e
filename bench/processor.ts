/** How much of the processor's time a host took away from this machine. */
import { readFileSync } from 'node:fs';

interface ProcessorTime {
  all: number;
  stolen: number;
}

const STEAL = 7;

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

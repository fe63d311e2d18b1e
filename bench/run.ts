/** Runs every benchmark in one go and writes what it found beside the goals. */
import { writeFileSync } from 'node:fs';
import os from 'node:os';
import { benchBook } from './book.ts';
import { benchBrowser } from './browser.ts';
import { benchCalculators } from './calculators.ts';
import { benchEndpoints } from './endpoints.ts';
import { benchEstimate } from './estimate.ts';
import { benchLarge } from './large.ts';
import { benchParser } from './parser.ts';
import type { Line } from './line.ts';
import { benchReader } from './reader.ts';
import { benchScreens } from './screens.ts';
import { benchUploads } from './uploads.ts';
import { startBenchServers } from './servers.ts';

const round = (n: number): number => Number(n.toPrecision(3));

const isMissed = ({ value, goal }: Line): boolean =>
  goal !== undefined &&
  ((goal.atLeast !== undefined && value < goal.atLeast) ||
    (goal.atMost !== undefined && value > goal.atMost));

function verdict(line: Line): string {
  const { goal } = line;
  if (!goal) return '';
  const said = goal.atLeast === undefined ? `at most ${goal.atMost}` : `at least ${goal.atLeast}`;
  return `${isMissed(line) ? 'MISSED' : 'met'} (${said})`;
}

/** `npm run bench -- uploads` runs that one alone, and writes nothing. */
const PARTS = {
  parser: benchParser,
  reader: benchReader,
  calculators: benchCalculators,
  estimate: benchEstimate,
  uploads: benchUploads,
  book: benchBook,
  endpoints: benchEndpoints,
  screens: benchScreens,
  browser: benchBrowser,
  // Fills the shop for what comes after it, so it comes last.
  large: benchLarge,
};
const wanted = process.argv.slice(2);

const servers = await startBenchServers();
try {
  const lines: Line[] = [];
  for (const [name, part] of Object.entries(PARTS)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const found = await part(servers);
    for (const l of found)
      console.log(
        `${l.what.padEnd(76)} ${String(round(l.value)).padStart(8)} ${l.unit.padEnd(12)} ${verdict(l)}`,
      );
    lines.push(...found);
  }
  const machine = { cores: os.cpus().length, node: process.version };
  const results = { machine, lines: lines.map((l) => ({ ...l, value: round(l.value) })) };
  const missed = lines.filter(isMissed).length;
  if (missed > 0) console.log(`${missed} of ${lines.length} missed their goal`);
  process.exitCode = missed === 0 ? 0 : 1;
  if (wanted.length === 0)
    writeFileSync(new URL('./results.json', import.meta.url), `${JSON.stringify(results, null, 2)}\n`);
} finally {
  await servers.stop();
}

#!/usr/bin/env node
/**
 * `npm run bench`: ratios taken side by side in one run, printed and written to bench/results.json.
 * Everything runs on this machine: a throw-away cluster, the built client, Chromium.
 */
import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import path from 'node:path';
import { ensureDatabase } from './lib/database.mjs';
import { ensureBuild, ensureChromium, ensureNpmPackages, ensurePostgres, ROOT } from './lib/packages.mjs';
import { startCluster, throwAwayFolder } from './lib/postgres.mjs';
import { run } from './lib/say.mjs';

async function main() {
  ensureNpmPackages();
  ensureBuild();
  ensureChromium();
  const bin = ensurePostgres();
  const folder = throwAwayFolder();
  const cluster = await startCluster({ bin, folder });
  let status;
  try {
    ensureDatabase(bin, cluster.url('postgres'), 'avrik_bench');
    const done = spawnSync(process.execPath, ['--import', 'tsx', 'bench/run.ts', ...process.argv.slice(2)], {
      cwd: ROOT,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: {
        ...process.env,
        AVRIK_BENCH_DATABASE: cluster.url('avrik_bench'),
        AVRIK_BENCH_DATA: path.join(folder, 'data'),
      },
    });
    status = done.status ?? 1;
  } finally {
    cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  process.exit(status);
}

await run(main);

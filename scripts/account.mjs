#!/usr/bin/env node
/**
 * For whoever is at the machine: a way back in for somebody who is locked out.
 *
 *   npm run account -- EMAIL                a link by which they set a new password; it holds for an hour
 *   npm run account -- EMAIL --factor-off   turns their second factor off, where the telephone and the codes are lost
 *
 * Avrik may be running or not. The owner can read under "Sign-ins and changes" that it was done.
 */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { readObject } from './lib/files.mjs';
import { ensureNpmPackages, ensurePostgres, ROOT } from './lib/packages.mjs';
import { clusterUrl, startCluster } from './lib/postgres.mjs';
import { whoRuns } from './lib/running.mjs';
import { run, Told } from './lib/say.mjs';
import { secretsFile } from './lib/secrets.mjs';

const folder = path.resolve(process.env.AVRIK_DATA ?? path.join(ROOT, 'data'));
const args = process.argv.slice(2);
const email = args.find((a) => !a.startsWith('--'));

function account(adminUrl, secret) {
  const url = whoRuns(folder)?.url ?? process.env.AVRIK_URL ?? `http://localhost:${process.env.PORT ?? 4100}`;
  const command = args.includes('--factor-off') ? 'factor-off' : 'link';
  const done = spawnSync(process.execPath, ['--import', 'tsx', 'src/server/accountCli.ts', command, email], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, AVRIK_ADMIN_URL: adminUrl, AVRIK_SECRET: secret, AVRIK_URL: url },
  });
  return done.status ?? 1;
}

await run(async () => {
  if (!email) throw new Told('Say whose: npm run account -- wren@saltmarsh.example');
  ensureNpmPackages();
  const secrets = readObject(secretsFile(folder));
  if (secrets.state !== 'there') throw new Told(`${secretsFile(folder)} is ${secrets.state}.`);
  const { secret } = secrets.value;
  if (process.env.DATABASE_URL) {
    process.exitCode = account(process.env.DATABASE_URL, secret);
    return;
  }
  if (whoRuns(folder)) {
    process.exitCode = account(clusterUrl(folder, 'avrik'), secret);
    return;
  }
  if (!existsSync(path.join(folder, 'pg'))) throw new Told(`There is no database in ${folder}.`);
  const cluster = await startCluster({ bin: ensurePostgres(), folder });
  try {
    process.exitCode = account(cluster.url('avrik'), secret);
  } finally {
    cluster.stop();
  }
});

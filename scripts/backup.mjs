#!/usr/bin/env node
/**
 * Keeps a copy of everything, or puts one back.
 *
 *   npm run backup                      into a new folder under <data>/backups, while Avrik runs or not
 *   npm run backup -- --restore FOLDER  puts that copy back; Avrik must be stopped, and what is there now is replaced
 *
 * A copy is a folder with the database (pg_dump's own format), the photographs, and the secrets that customers' links
 * are made from.
 */
import { spawnSync } from 'node:child_process';
import { copyFileSync, cpSync, existsSync, mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { ensurePostgres, ROOT } from './lib/packages.mjs';
import { clusterUrl, startCluster } from './lib/postgres.mjs';
import { run, say, Told } from './lib/say.mjs';

const folder = path.resolve(process.env.AVRIK_DATA ?? path.join(ROOT, 'data'));
const restoring = process.argv.indexOf('--restore');

function must(command, args, what) {
  const done = spawnSync(command, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
  if (done.status !== 0) throw new Told(`${what} failed:\n${done.stderr}`);
}

/** Works with the running cluster, or starts it for as long as the work takes. */
async function withCluster(bin, work) {
  if (existsSync(path.join(folder, 'running.json'))) return work(clusterUrl(folder, 'avrik'));
  const cluster = await startCluster({ bin, folder });
  try {
    await work(cluster.url('avrik'));
  } finally {
    cluster.stop();
  }
}

/** Photographs that are there already are left: a name is its content. Uploads still on their way are not copied. */
function copyPhotos(from, to) {
  const source = path.join(from, 'photos');
  if (!existsSync(source)) return;
  const kept = (file) => path.basename(path.dirname(file)) !== 'incoming';
  cpSync(source, path.join(to, 'photos'), { recursive: true, force: false, filter: kept });
}

async function backup(bin) {
  const stamp = new Date().toISOString().slice(0, 19).replaceAll(':', '-');
  const target = path.join(folder, 'backups', stamp);
  mkdirSync(target, { recursive: true, mode: 0o700 });
  await withCluster(bin, (url) =>
    must(`${bin}/pg_dump`, ['-Fc', '-f', path.join(target, 'avrik.dump'), url], 'The copy'),
  );
  // After the database: what it names has been on the disk before, and files are never changed.
  copyPhotos(folder, target);
  copyFileSync(path.join(folder, 'secrets.json'), path.join(target, 'secrets.json'));
  say(`Kept in ${target}`);
}

async function restore(bin, from) {
  if (existsSync(path.join(folder, 'running.json')))
    throw new Told('Avrik is running. Stop it first (Ctrl-C).');
  if (!from || !existsSync(path.join(from, 'avrik.dump')))
    throw new Told('Say which folder: npm run backup -- --restore FOLDER');
  mkdirSync(folder, { recursive: true });
  const { appPassword } = JSON.parse(readFileSync(path.join(from, 'secrets.json'), 'utf8'));
  const cluster = await startCluster({ bin, folder });
  try {
    // The roles are the cluster's, not the database's: a new machine has none yet. The next start completes them.
    const roles = ['avrik_app login', 'avrik_jobs nologin'].map(
      (r) => `do $$ begin create role ${r}; exception when duplicate_object then null; end $$;`,
    );
    const psql = (sql) =>
      must(`${bin}/psql`, ['-Xq', '-d', cluster.url('postgres'), '-c', sql], 'Making room');
    for (const sql of [
      ...roles,
      'grant avrik_jobs to avrik_app',
      'drop database if exists avrik',
      'create database avrik',
    ])
      psql(sql);
    psql(`alter role avrik_app password '${appPassword}'`);
    must(
      `${bin}/pg_restore`,
      ['--exit-on-error', '-d', cluster.url('avrik'), path.join(from, 'avrik.dump')],
      'Putting it back',
    );
    copyPhotos(from, folder);
    copyFileSync(path.join(from, 'secrets.json'), path.join(folder, 'secrets.json'));
  } finally {
    cluster.stop();
  }
  say(`Put back from ${from}. Start with: npm start`);
}

await run(async () => {
  if (process.env.DATABASE_URL)
    throw new Told(
      'A database given by DATABASE_URL is backed up with its own tools (pg_dump as a superuser).',
    );
  const bin = ensurePostgres();
  if (restoring > 0)
    return restore(bin, process.argv[restoring + 1] && path.resolve(process.argv[restoring + 1]));
  if (!existsSync(path.join(folder, 'pg'))) throw new Told(`There is nothing in ${folder} to keep.`);
  return backup(bin);
});

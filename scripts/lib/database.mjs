/** Makes a database of a cluster if it is not there, with the tools of PostgreSQL itself. */
import { spawnSync } from 'node:child_process';
import { Told } from './say.mjs';

export function ensureDatabase(bin, adminUrl, name) {
  const psql = (sql) => spawnSync(`${bin}/psql`, ['-XtAq', '-d', adminUrl, '-c', sql], { encoding: 'utf8' });
  if (psql(`select 1 from pg_database where datname = '${name}'`).stdout.trim() === '1') return;
  const made = psql(`create database ${name}`);
  if (made.status !== 0) throw new Told(`Could not make the database:\n${made.stderr}`);
}

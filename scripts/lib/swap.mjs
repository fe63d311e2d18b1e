/**
 * Puts what was restored beside into the place of what is there, and keeps that. Each step can be done again: a power cut in
 * the middle is finished by the next start, from `restoring.json`, which is written only when everything beside was compared.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { readObject, writeWhole } from './files.mjs';
import { Told } from './say.mjs';

const FILES = ['photos', 'secrets.json'];
const journal = (folder) => path.join(folder, 'restoring.json');

function psql(bin, url, sql) {
  const done = spawnSync(`${bin}/psql`, ['-XtAq', '-v', 'ON_ERROR_STOP=1', '-d', url, '-c', sql], {
    encoding: 'utf8',
  });
  if (done.status !== 0) throw new Told(`The database refused a step of the restore:\n${done.stderr}`);
  return done.stdout.trim();
}

const databases = (bin, url) => psql(bin, url, 'select datname from pg_database order by 1').split('\n');

function renameDatabase(bin, url, from, to) {
  psql(bin, url, `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${from}'`);
  psql(bin, url, `alter database ${from} rename to ${to}`);
}

/** The mark of a restore that was interrupted while it was swapped in, or null. */
export function interrupted(folder) {
  const { state, value } = readObject(journal(folder));
  return state === 'there' ? value.mark : null;
}

/** @param url the administrator's connection of the database `postgres` */
export function swapIn({ bin, url, folder, mark }) {
  writeWhole(journal(folder), JSON.stringify({ mark }));
  const restored = `avrik_restored_${mark}`;
  if (databases(bin, url).includes(restored)) {
    if (databases(bin, url).includes('avrik')) renameDatabase(bin, url, 'avrik', `avrik_before_${mark}`);
    renameDatabase(bin, url, restored, 'avrik');
  }
  for (const name of FILES) {
    const there = path.join(folder, name);
    const beside = `${there}.restored-${mark}`;
    if (!existsSync(beside)) continue;
    if (existsSync(there)) renameSync(there, `${there}.before-${mark}`);
    renameSync(beside, there);
  }
  rmSync(journal(folder));
}

const markOf = (name) => /^(?:avrik_before_|(?:photos|secrets\.json)\.before-)(\d+)$/.exec(name)?.[1];

/** Marks of what earlier restores replaced, newest first. */
export function replaced({ bin, url, folder }) {
  const names = [...databases(bin, url), ...readdirSync(folder)];
  return [...new Set(names.map(markOf).filter(Boolean))].sort().reverse();
}

/** Swaps back what the restore `mark` replaced; what was restored is kept as `newMark`. */
export function swapBack({ bin, url, folder, mark, newMark }) {
  const before = `avrik_before_${mark}`;
  if (databases(bin, url).includes(before)) renameDatabase(bin, url, before, `avrik_restored_${newMark}`);
  for (const name of FILES) {
    const from = path.join(folder, `${name}.before-${mark}`);
    if (existsSync(from)) renameSync(from, path.join(folder, `${name}.restored-${newMark}`));
  }
  swapIn({ bin, url, folder, mark: newMark });
}

/** Throws away what restores replaced; only ever when told to. */
export function discardReplaced({ bin, url, folder }) {
  const marks = replaced({ bin, url, folder });
  for (const mark of marks) {
    psql(bin, url, `drop database if exists avrik_before_${mark} with (force)`);
    for (const name of FILES)
      rmSync(path.join(folder, `${name}.before-${mark}`), { recursive: true, force: true });
  }
  return marks.length;
}

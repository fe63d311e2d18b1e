/**
 * What `npm run backup` and the daily copy run, with the cluster up: `make`, `list`, `verify COPY`, `restore COPY MARK`.
 * The last line on standard output is the result as JSON. Faults that a person can act on end it with their words alone.
 */
import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import {
  backupsIn,
  makeCopy,
  manifestOf,
  prune,
  readStatus,
  stampsIn,
  verifyCopy,
  writeStatus,
} from './copies.ts';
import type { Cluster } from './database.ts';
import { CopyFault, wordsOf } from './faults.ts';
import { restoreCopy, restorePlain } from './restore.ts';
import { keyIn, keyOf, type Key } from './sealed.ts';

function must(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; use "npm run backup"`);
  return value;
}

const folder = must('AVRIK_DATA');
const cluster: Cluster = {
  bin: must('AVRIK_PG_BIN'),
  url: (database) => must('AVRIK_CLUSTER_URL').replace('{database}', database),
};
const keyFile = process.env.AVRIK_BACKUP_KEY ?? path.join(folder, 'backup-key.txt');

/** The key of copies that are there: never made anew, since another one opens none of them. */
async function existingKey(): Promise<Key> {
  const text = await readFile(keyFile, 'utf8').catch(() => null);
  if (text === null)
    throw new CopyFault(
      `The key of the copies is not at ${keyFile}. Say where it is: npm run backup -- … --key FILE`,
    );
  return keyOf(text, keyFile);
}

/** A copy by its stamp, or by the path of its folder wherever it was carried. */
function copyAt(name: string): { copy: string; backups: string } {
  const own = path.join(backupsIn(folder), 'copies', name);
  const copy = existsSync(own) ? own : path.resolve(name);
  if (!existsSync(copy))
    throw new CopyFault(`There is no copy ${name}. Those that are: npm run backup -- --list`);
  return { copy, backups: path.resolve(copy, '../..') };
}

async function make(): Promise<object> {
  const now = new Date().toISOString();
  const backups = backupsIn(folder);
  const before = await readStatus(folder);
  try {
    const key = (await stampsIn(backups)).length > 0 ? await existingKey() : await keyIn(keyFile);
    const { stamp, damaged } = await makeCopy({ cluster, database: 'avrik', folder }, key, now);
    await prune(backups, key);
    const count = (await stampsIn(backups)).length;
    const fault =
      damaged.length === 0
        ? null
        : `Damaged on this disk, and in no copy: ${damaged.length} of the photographs (${damaged.slice(0, 3).join(', ')}).`;
    await writeStatus(folder, { lastGood: now, lastTried: now, fault, count });
    return { stamp, fault, copy: path.join(backups, 'copies', stamp), keyFile };
  } catch (error) {
    const count = (await stampsIn(backups)).length;
    await writeStatus(folder, {
      lastGood: before?.lastGood ?? null,
      lastTried: now,
      fault: wordsOf(error),
      count,
    }).catch(
      () => undefined, // a full disk: the fault itself is said below
    );
    throw error;
  }
}

async function list(): Promise<object> {
  const key = await existingKey();
  const copies = [];
  for (const stamp of await stampsIn(backupsIn(folder))) {
    const { madeAt, tables, photos } = await manifestOf(copyAt(stamp).copy, key);
    copies.push({ stamp, madeAt, rows: tables.reduce((n, t) => n + t.rows, 0), photos: photos.length });
  }
  return { copies };
}

async function verify(name: string): Promise<object> {
  const at = copyAt(name);
  const { tables, photos } = await verifyCopy(cluster, { ...at, key: await existingKey() });
  return { rows: tables.reduce((n, t) => n + t.rows, 0), photos: photos.length };
}

async function restore(name: string, mark: string): Promise<object> {
  const at = copyAt(name);
  const target = { cluster, folder, mark };
  if (existsSync(path.join(at.copy, 'avrik.dump'))) return restorePlain(target, at.copy);
  return restoreCopy(target, { ...at, key: await existingKey() });
}

const [command, ...rest] = process.argv.slice(2);
const COMMANDS: Record<string, () => Promise<object>> = {
  make,
  list,
  verify: () => verify(rest[0] ?? ''),
  restore: () => restore(rest[0] ?? '', rest[1] ?? ''),
};

try {
  process.stdout.write(`${JSON.stringify(await COMMANDS[command ?? '']!())}\n`);
} catch (error) {
  process.stderr.write(
    `${error instanceof CopyFault ? error.message : ((error as Error)?.stack ?? String(error))}\n`,
  );
  process.exitCode = 1;
}

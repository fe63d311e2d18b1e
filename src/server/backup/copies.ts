/**
 * Copies of everything: the database, the photographs, the secrets. Each is encrypted, is read back and compared before it
 * counts, and holds photographs once for all copies.
 *
 *   <backups>/objects/<first two of the hash>/<hash>.age   photographs, papers and voice notes, by SHA-256 of their content
 *   <backups>/copies/<stamp>/manifest.age                  what belongs to the copy, with sums
 *   <backups>/copies/<stamp>/dump.age, secrets.age         the database (pg_dump -Fc), secrets.json
 */
import { createReadStream } from 'node:fs';
import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { isStamp, keptCopies, stampOf } from '#core/backup/retention.ts';
import { dropDatabase, dump, restoreInto, withClient, type Cluster } from './database.ts';
import { CopyFault } from './faults.ts';
import { openFrom, openText, sealText, sealTo, type Bytes, type Key } from './sealed.ts';
import { tablesThatDiffer, tableSums, type TableSum } from './tables.ts';

export interface Source {
  cluster: Cluster;
  database: string;
  /** The data folder. */
  folder: string;
}

interface PhotoKept {
  shopId: string;
  sha256: string;
  bytes: number;
}

export interface Manifest {
  format: 1;
  madeAt: string;
  migrations: string[];
  tables: TableSum[];
  dump: Bytes;
  photos: PhotoKept[];
}

export const backupsIn = (folder: string): string => path.join(folder, 'backups');
const copyFolder = (backups: string, stamp: string): string => path.join(backups, 'copies', stamp);
export const objectFile = (backups: string, hash: string): string =>
  path.join(backups, 'objects', hash.slice(0, 2), `${hash}.age`);

const HASH = /^[0-9a-f]{64}$/;

/** Every kept file under `photos`; what is on its way in is not one yet. */
async function photosUnder(folder: string): Promise<(PhotoKept & { file: string })[]> {
  const found: (PhotoKept & { file: string })[] = [];
  for (const entry of await readdir(folder, { recursive: true, withFileTypes: true }).catch(() => []))
    if (entry.isFile() && HASH.test(entry.name)) {
      const file = path.join(entry.parentPath, entry.name);
      const [shopId = ''] = path.relative(folder, file).split(path.sep);
      found.push({ shopId, sha256: entry.name, bytes: (await stat(file)).size, file });
    }
  return found.sort((a, b) => a.shopId.localeCompare(b.shopId) || a.sha256.localeCompare(b.sha256));
}

const isThere = (file: string): Promise<boolean> =>
  stat(file).then(
    () => true,
    () => false,
  );

/**
 * Encrypts what no copy holds yet. Answers the files whose content is no longer what their names say: the disk has changed
 * them, and no copy held them while they were whole. They are left out, since one of them must not stop every copy.
 */
async function keepPhotos(
  backups: string,
  photos: readonly (PhotoKept & { file: string })[],
  key: Key,
): Promise<Set<string>> {
  const damaged = new Set<string>();
  for (const photo of photos) {
    const target = objectFile(backups, photo.sha256);
    if (await isThere(target)) continue;
    const { sha256 } = await sealTo(target, createReadStream(photo.file), key);
    if (sha256 === photo.sha256) continue;
    await rm(target);
    damaged.add(photo.file);
  }
  return damaged;
}

const migrationsOf = async (url: string): Promise<string[]> =>
  withClient(url, async (client) =>
    (await client.query<{ name: string }>('select name from knex_migrations order by id')).rows.map(
      (r) => r.name,
    ),
  );

/** The dump and the sums are of one snapshot: what is written meanwhile is in neither. */
async function keepDatabase(
  source: Source,
  target: string,
  key: Key,
): Promise<{ dump: Bytes; tables: TableSum[] }> {
  const { cluster, database } = source;
  return withClient(cluster.url(database), async (client) => {
    await client.query('begin isolation level repeatable read, read only');
    const { rows } = await client.query<{ id: string }>('select pg_export_snapshot() as id');
    const { out, ended } = dump(cluster, database, rows[0]!.id);
    const sealed = await sealTo(path.join(target, 'dump.age'), out, key);
    await ended;
    return { dump: sealed, tables: await tableSums(client) };
  });
}

/** The manifest of a copy. */
export async function manifestOf(copy: string, key: Key): Promise<Manifest> {
  const manifest = JSON.parse(await openText(path.join(copy, 'manifest.age'), key)) as Manifest;
  if (manifest.format !== 1) throw new CopyFault(`${copy} was made by a newer Avrik than this one.`);
  return manifest;
}

/** Puts the copy's database into a new one beside, and compares every table. Throws, and leaves none, where it differs. */
export async function restoreDatabase(
  { cluster, copy, key, work }: { cluster: Cluster; copy: string; key: Key; work: string },
  database: string,
): Promise<Manifest> {
  const manifest = await manifestOf(copy, key);
  const file = path.join(work, `${database}.dump`);
  try {
    const read = await openFrom(path.join(copy, 'dump.age'), key, file);
    if (read.sha256 !== manifest.dump.sha256 || read.bytes !== manifest.dump.bytes)
      throw new CopyFault(`The database in ${copy} is not the one that its manifest names.`);
    await restoreInto(cluster, database, file);
    const differ = tablesThatDiffer(manifest.tables, await withClient(cluster.url(database), tableSums));
    if (differ.length > 0) {
      await dropDatabase(cluster, database);
      throw new CopyFault(
        `The database in ${copy} does not come out as it went in: ${differ.slice(0, 5).join('; ')}.`,
      );
    }
    return manifest;
  } finally {
    await rm(file, { force: true });
  }
}

/** Every photograph of a copy, decrypted and hashed. */
async function verifyPhotos(backups: string, photos: readonly PhotoKept[], key: Key): Promise<void> {
  for (const hash of new Set(photos.map((p) => p.sha256))) {
    const { sha256 } = await openFrom(objectFile(backups, hash), key, null);
    if (sha256 !== hash) throw new CopyFault(`The photograph ${hash} in the copies is damaged.`);
  }
}

/** Reads a whole copy back: the database into a scratch one, which is dropped again, and every photograph. */
export async function verifyCopy(
  cluster: Cluster,
  { backups, copy, key }: { backups: string; copy: string; key: Key },
): Promise<Manifest> {
  const scratch = `avrik_check_${process.pid}`;
  const manifest = await restoreDatabase({ cluster, copy, key, work: backups }, scratch);
  await dropDatabase(cluster, scratch);
  await openText(path.join(copy, 'secrets.age'), key);
  await verifyPhotos(backups, manifest.photos, key);
  return manifest;
}

export interface Made {
  stamp: string;
  /** Photographs that the disk had damaged before any copy held them: not in the copy. */
  damaged: string[];
}

/**
 * Makes a copy and reads it back. What is not whole never has a copy's name.
 * @param now UTC ISO instant
 */
export async function makeCopy(source: Source, key: Key, now: string): Promise<Made> {
  const backups = backupsIn(source.folder);
  const stamp = stampOf(now);
  const making = copyFolder(backups, `.making-${stamp}`);
  await mkdir(making, { recursive: true, mode: 0o700 });
  try {
    const { dump: dumped, tables } = await keepDatabase(source, making, key);
    // After the database: what it names has been on the disk before, and files are never changed.
    const photos = await photosUnder(path.join(source.folder, 'photos'));
    const damaged = await keepPhotos(backups, photos, key);
    await sealText(
      path.join(making, 'secrets.age'),
      await readFile(path.join(source.folder, 'secrets.json'), 'utf8'),
      key,
    );
    const manifest: Manifest = {
      format: 1,
      madeAt: now,
      migrations: await migrationsOf(source.cluster.url(source.database)),
      tables,
      dump: dumped,
      photos: photos
        .filter((p) => !damaged.has(p.file))
        .map(({ shopId, sha256, bytes }) => ({ shopId, sha256, bytes })),
    };
    await sealText(path.join(making, 'manifest.age'), JSON.stringify(manifest), key);
    await verifyCopy(source.cluster, { backups, copy: making, key });
    await rename(making, copyFolder(backups, stamp));
    return { stamp, damaged: [...damaged] };
  } finally {
    await rm(making, { recursive: true, force: true });
  }
}

/** Stamps of the copies that are there, newest first. */
export async function stampsIn(backups: string): Promise<string[]> {
  const names = await readdir(path.join(backups, 'copies')).catch(() => []);
  return names.filter(isStamp).sort().reverse();
}

/** Takes away the copies that are not kept any more, then the photographs that no copy needs. */
export async function prune(backups: string, key: Key): Promise<void> {
  const stamps = await stampsIn(backups);
  const kept = keptCopies(stamps);
  for (const stamp of stamps.filter((s) => !kept.includes(s)))
    await rm(copyFolder(backups, stamp), { recursive: true, force: true });
  const needed = new Set<string>();
  // A copy whose manifest cannot be read stops here: what it needs is not known, so nothing is taken away.
  for (const stamp of kept)
    for (const { sha256 } of (await manifestOf(copyFolder(backups, stamp), key)).photos) needed.add(sha256);
  for (const entry of await readdir(path.join(backups, 'objects'), {
    recursive: true,
    withFileTypes: true,
  }).catch(() => []))
    if (entry.isFile() && !needed.has(entry.name.replace(/\.age(?:\.part)?$/, '')))
      await rm(path.join(entry.parentPath, entry.name), { force: true });
}

/** What the shop's page shows of the copies; written by whoever makes them, read by the server. */
export interface CopiesStatus {
  /** UTC ISO instant at which the newest whole copy was begun. */
  lastGood: string | null;
  lastTried: string;
  /** Why the last one did not come about, or what is missing in it. */
  fault: string | null;
  count: number;
}

const statusFile = (folder: string): string => path.join(backupsIn(folder), 'status.json');

export async function writeStatus(folder: string, status: CopiesStatus): Promise<void> {
  const file = statusFile(folder);
  await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
  await writeFile(`${file}.part`, JSON.stringify(status));
  await rename(`${file}.part`, file);
}

/** Null where no copy was ever tried, or the file cannot be read. */
export async function readStatus(folder: string): Promise<CopiesStatus | null> {
  const text = await readFile(statusFile(folder), 'utf8').catch(() => null);
  if (text === null) return null;
  try {
    return JSON.parse(text) as CopiesStatus;
  } catch {
    return null;
  }
}

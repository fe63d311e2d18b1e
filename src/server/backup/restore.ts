/**
 * Puts a copy back: beside what is there, compared with what was kept, and only then ready to be swapped in
 * (scripts/lib/swap.mjs). Whatever goes wrong here leaves what is there as it was.
 */
import { createHash } from 'node:crypto';
import { copyFile, mkdir, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { NEWEST_MIGRATION, MIGRATION_NAMES } from '../db/migrate.ts';
import { objectFile, restoreDatabase, type Manifest } from './copies.ts';
import { dropDatabase, restoreInto, withClient, type Cluster } from './database.ts';
import { CopyFault } from './faults.ts';
import { openFrom, openText, type Key } from './sealed.ts';

interface Target {
  cluster: Cluster;
  folder: string;
  /** What the new database, photographs and secrets are marked with until they are swapped in. */
  mark: string;
}

const restoredDatabase = (mark: string): string => `avrik_restored_${mark}`;
const restoredPath = (folder: string, name: string, mark: string): string =>
  path.join(folder, `${name}.restored-${mark}`);

/** A newer Avrik has tables that this one does not know. */
function refuseNewer(migrations: readonly string[]): void {
  const strange = migrations.filter((m) => !MIGRATION_NAMES.includes(m));
  if (strange.length > 0)
    throw new CopyFault(
      `The copy was made by a newer Avrik (it knows ${strange[0]}; this one knows up to ${NEWEST_MIGRATION}). Update first.`,
    );
}

/** Takes away what a restore that did not come about left beside. */
async function clear({ cluster, folder, mark }: Target): Promise<void> {
  await dropDatabase(cluster, restoredDatabase(mark));
  for (const name of ['photos', 'secrets.json'])
    await rm(restoredPath(folder, name, mark), { recursive: true, force: true });
}

export interface Restored {
  tables: number;
  rows: number;
  photos: number;
}

const told = ({ tables, photos }: Pick<Manifest, 'tables' | 'photos'>): Restored => ({
  tables: tables.length,
  rows: tables.reduce((n, t) => n + t.rows, 0),
  photos: photos.length,
});

/** A copy of this version: everything is compared with its manifest. */
export async function restoreCopy(
  target: Target,
  from: { copy: string; backups: string; key: Key },
): Promise<Restored> {
  const { cluster, folder, mark } = target;
  try {
    const manifest = await restoreDatabase(
      { cluster, copy: from.copy, key: from.key, work: folder },
      restoredDatabase(mark),
    );
    refuseNewer(manifest.migrations);
    for (const { shopId, sha256 } of manifest.photos) {
      const file = path.join(restoredPath(folder, 'photos', mark), shopId, sha256.slice(0, 2), sha256);
      await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
      const read = await openFrom(objectFile(from.backups, sha256), from.key, file);
      if (read.sha256 !== sha256) throw new CopyFault(`The photograph ${sha256} in the copy is damaged.`);
    }
    const secrets = await openText(path.join(from.copy, 'secrets.age'), from.key);
    JSON.parse(secrets);
    await writeFile(restoredPath(folder, 'secrets.json', mark), secrets, { mode: 0o600 });
    return told(manifest);
  } catch (error) {
    await clear(target);
    throw error;
  }
}

/** A folder as earlier versions made it: plain, without sums. Its database must be read to its end, its photographs by hash. */
export async function restorePlain(target: Target, copy: string): Promise<Restored> {
  const { cluster, folder, mark } = target;
  try {
    const dumped = path.join(copy, 'avrik.dump');
    if ((await stat(dumped)).size === 0) throw new CopyFault(`${dumped} is empty.`);
    await restoreInto(cluster, restoredDatabase(mark), dumped);
    const rows = await withClient(cluster.url(restoredDatabase(mark)), async (client) => {
      refuseNewer(
        (await client.query<{ name: string }>('select name from knex_migrations')).rows.map((r) => r.name),
      );
      return Number((await client.query<{ n: string }>('select count(*) as n from entries')).rows[0]!.n);
    });
    const photos = await copyPlainPhotos(path.join(copy, 'photos'), restoredPath(folder, 'photos', mark));
    JSON.parse(await readFile(path.join(copy, 'secrets.json'), 'utf8'));
    await copyFile(path.join(copy, 'secrets.json'), restoredPath(folder, 'secrets.json', mark));
    return { tables: 1, rows, photos };
  } catch (error) {
    await clear(target);
    throw error;
  }
}

async function copyPlainPhotos(from: string, to: string): Promise<number> {
  let count = 0;
  for (const entry of await readdir(from, { recursive: true, withFileTypes: true }).catch(() => [])) {
    if (!entry.isFile()) continue;
    const file = path.join(entry.parentPath, entry.name);
    const bytes = await readFile(file);
    if (createHash('sha256').update(bytes).digest('hex') !== entry.name)
      throw new CopyFault(`The photograph ${file} in the copy is damaged.`);
    const target = path.join(to, path.relative(from, file));
    await mkdir(path.dirname(target), { recursive: true, mode: 0o700 });
    await writeFile(target, bytes, { mode: 0o600 });
    count += 1;
  }
  return count;
}

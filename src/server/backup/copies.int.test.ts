/**
 * Copies of everything. Nasty cases: written while it is copied, a photograph that the disk has damaged, before and after a copy
 * held it, a copy that is changed, a key of another, a row that is not what it was, copies that are old.
 */
import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createHash } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import { adminUrl } from '#tests/support/cluster.ts';
import { line, makeBuild, openShop } from '#tests/support/server.ts';
import { backupsIn, makeCopy, manifestOf, objectFile, prune, stampsIn, verifyCopy } from './copies.ts';
import type { Cluster } from './database.ts';
import { keyIn, type Key } from './sealed.ts';
import { tablesThatDiffer } from './tables.ts';

const it = openShop('copies');
/** Debian’s wrappers choose the programs of the newest version. */
const cluster: Cluster = { bin: '/usr/bin', url: adminUrl };
let folder: string;
let key: Key;
let database: string;
let buildId: string;

const inPhotos = (bytes: Buffer): string => {
  const hash = createHash('sha256').update(bytes).digest('hex');
  return path.join(folder, 'photos', it.shop.id, hash.slice(0, 2), hash);
};
async function keepPhoto(words: string): Promise<{ file: string; hash: string }> {
  const file = inPhotos(Buffer.from(words));
  await mkdir(path.dirname(file), { recursive: true });
  await writeFile(file, words);
  return { file, hash: path.basename(file) };
}
const copy = (at: string) => makeCopy({ cluster, database, folder }, key, at);
const copyFolder = (stamp: string): string => path.join(backupsIn(folder), 'copies', stamp);

beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'avrik-copies-'));
  key = await keyIn(path.join(folder, 'backup-key.txt'));
  database = new URL(it.server.adminUrl).pathname.slice(1);
  await writeFile(path.join(folder, 'secrets.json'), '{"secret":"s"}');
  buildId = await makeBuild(it.owner);
});
afterAll(() => rm(folder, { recursive: true, force: true }));

test('a copy holds what was there when it began, whatever is written meanwhile', async () => {
  let writing = true;
  let written = 0;
  const writer = (async () => {
    while (writing) {
      await it.owner.post(pathOf('entryAdd', { buildId })).send(line()).expect(200);
      written += 1;
    }
  })();
  const { stamp, damaged } = await copy('2026-03-11T10:00:00.000Z');
  writing = false;
  await writer;
  expect(damaged).toEqual([]);
  expect(written).toBeGreaterThan(0);
  const manifest = await verifyCopy(cluster, { backups: backupsIn(folder), copy: copyFolder(stamp), key });
  expect(manifest.tables.find((t) => t.name === 'public.entries')!.rows).toBeLessThan(written + 1);
  expect(manifest.migrations).toContain('20261124_create_shop');
});

test('photographs are held once for all copies, encrypted; nothing half made stays', async () => {
  const { hash } = await keepPhoto('a picture of a tailgate');
  await copy('2026-03-12T10:00:00.000Z');
  const object = objectFile(backupsIn(folder), hash);
  const bytes = await readFile(object);
  expect(bytes.toString('latin1')).toMatch(/^age-encryption\.org\/v1\n/);
  expect(bytes.toString('latin1')).not.toContain('tailgate');
  await copy('2026-03-13T10:00:00.000Z');
  expect(await readFile(object)).toEqual(bytes);
  expect(await readdir(path.join(backupsIn(folder), 'copies'))).toHaveLength(3);
});

test('a photograph that the disk damaged: copied while it was whole it stays whole, else it is named and left out', async () => {
  const whole = await keepPhoto('a picture of a door');
  await copy('2026-03-14T10:00:00.000Z');
  await writeFile(whole.file, 'a picture of noise');
  const late = await keepPhoto('a picture of a hinge');
  await writeFile(late.file, 'noise');
  const { stamp, damaged } = await copy('2026-03-15T10:00:00.000Z');
  expect(damaged).toEqual([late.file]);
  const { photos } = await manifestOf(copyFolder(stamp), key);
  expect(photos.map((p) => p.sha256)).toContain(whole.hash);
  expect(photos.map((p) => p.sha256)).not.toContain(late.hash);
  await rm(late.file);
});

describe('a copy that is not what it was', () => {
  test.each(['dump.age', 'manifest.age', 'secrets.age'])(
    '%s changed in one byte is refused',
    async (name) => {
      const [stamp] = await stampsIn(backupsIn(folder));
      const file = path.join(copyFolder(stamp!), name);
      const right = await readFile(file);
      const wrong = Buffer.from(right);
      wrong[wrong.length - 20]! ^= 1;
      await writeFile(file, wrong);
      const verify = () => verifyCopy(cluster, { backups: backupsIn(folder), copy: copyFolder(stamp!), key });
      await expect(verify()).rejects.toThrow('cut short or changed');
      await writeFile(file, right);
      await verify();
    },
  );

  test('another’s key opens nothing, and says so', async () => {
    const other = await keyIn(path.join(folder, 'other-key.txt'));
    const [stamp] = await stampsIn(backupsIn(folder));
    await expect(manifestOf(copyFolder(stamp!), other)).rejects.toThrow('made with another key');
  });

  test('no scratch database is left', async () => {
    const { rows } = await it.server.admin.query(
      "select 1 from pg_database where datname like 'avrik_check%'",
    );
    expect(rows).toEqual([]);
  });

  test('tables are told apart by number and by content', () => {
    const one = { name: 'entries', rows: 3, sum: '9' };
    expect(tablesThatDiffer([one], [one])).toEqual([]);
    expect(tablesThatDiffer([one], [{ ...one, rows: 2 }])).toEqual(['entries has 2 rows instead of 3']);
    expect(tablesThatDiffer([one], [{ ...one, sum: '8' }])).toEqual(['entries has other content']);
    expect(tablesThatDiffer([one], [])).toEqual(['entries is missing']);
    expect(tablesThatDiffer([], [one])).toEqual(['entries should not be there']);
  });
});

test('old copies go, and the photographs that only they held', async () => {
  const gone = inPhotos(Buffer.from('a picture of a tailgate'));
  await rm(gone);
  for (let day = 16; day < 31; day += 1) await copy(`2026-03-${day}T10:00:00.000Z`);
  await prune(backupsIn(folder), key);
  const left = await stampsIn(backupsIn(folder));
  expect(left.length).toBeLessThan(15);
  expect(left[0]).toBe('2026-03-30T10-00-00');
  const needed = new Set<string>();
  for (const stamp of left)
    for (const { sha256 } of (await manifestOf(copyFolder(stamp), key)).photos) needed.add(sha256);
  const held = (await readdir(path.join(backupsIn(folder), 'objects'), { recursive: true }))
    .filter((f) => f.endsWith('.age'))
    .map((f) => path.basename(f, '.age'));
  expect(new Set(held)).toEqual(needed);
}, 120_000);

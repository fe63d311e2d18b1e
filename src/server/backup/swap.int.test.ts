/**
 * A restore that a power cut interrupts while it is swapped in. Nasty cases: the cut after each of its steps, and twice in the
 * same place. What finishes it is what the next start runs.
 */
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import pg from 'pg';
import { adminUrl } from '#tests/support/cluster.ts';

interface Swap {
  interrupted: (folder: string) => string | null;
  swapIn: (of: { bin: string; url: string; folder: string; mark: string }) => void;
}
const script = (name: string): string => path.resolve('scripts/lib', name);

const MARK = '20260311';
const { swapIn, interrupted } = (await import(script('swap.mjs'))) as Swap;
const { ensurePostgres } = (await import(script('packages.mjs'))) as { ensurePostgres: () => string };
const bin = ensurePostgres();
const url = adminUrl('postgres');

let admin: pg.Client;
let folder: string;
const inFolder = (name: string): string => path.join(folder, name);
const names = async (): Promise<string[]> => {
  const { rows } = await admin.query<{ datname: string }>(
    `select datname from pg_database where datname = 'avrik' or datname ~ '^avrik_(restored|before)_' order by 1`,
  );
  return rows.map((r) => r.datname);
};
const dropAll = async (): Promise<void> => {
  for (const name of await names()) await admin.query(`drop database ${name} with (force)`);
};

beforeAll(async () => {
  admin = new pg.Client(url);
  await admin.connect();
});
beforeEach(async () => {
  await dropAll();
  folder = mkdtempSync(path.join(tmpdir(), 'avrik-swap-'));
  await admin.query('create database avrik');
  await admin.query(`create database avrik_restored_${MARK}`);
  for (const [name, words] of [
    ['photos', 'old'],
    [`photos.restored-${MARK}`, 'new'],
  ] as const) {
    mkdirSync(inFolder(name));
    writeFileSync(path.join(inFolder(name), 'a.jpg'), words);
  }
  writeFileSync(inFolder('secrets.json'), 'old');
  writeFileSync(inFolder(`secrets.json.restored-${MARK}`), 'new');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));
afterAll(async () => {
  await dropAll();
  await admin.end();
});

/** The steps of a swap, in their order; the journal is written before the first of them. */
const STEPS: readonly (() => Promise<unknown> | void)[] = [
  () => writeFileSync(inFolder('restoring.json'), JSON.stringify({ mark: MARK })),
  () => admin.query(`alter database avrik rename to avrik_before_${MARK}`),
  () => admin.query(`alter database avrik_restored_${MARK} rename to avrik`),
  () => renameSync(inFolder('photos'), inFolder(`photos.before-${MARK}`)),
  () => renameSync(inFolder(`photos.restored-${MARK}`), inFolder('photos')),
  () => renameSync(inFolder('secrets.json'), inFolder(`secrets.json.before-${MARK}`)),
  () => renameSync(inFolder(`secrets.json.restored-${MARK}`), inFolder('secrets.json')),
];

test.each(STEPS.map((_, i) => i))(
  'cut after step %i: finished as if nothing had happened, and all of the old is kept',
  async (last) => {
    for (const step of STEPS.slice(0, last + 1)) await step();
    const mark = interrupted(folder);
    expect(mark).toBe(MARK);
    swapIn({ bin, url, folder, mark: mark! });
    expect(await names()).toEqual(['avrik', `avrik_before_${MARK}`]);
    expect(readFileSync(path.join(inFolder('photos'), 'a.jpg'), 'utf8')).toBe('new');
    expect(readFileSync(path.join(inFolder(`photos.before-${MARK}`), 'a.jpg'), 'utf8')).toBe('old');
    expect(readFileSync(inFolder('secrets.json'), 'utf8')).toBe('new');
    expect(readFileSync(inFolder(`secrets.json.before-${MARK}`), 'utf8')).toBe('old');
    expect(readdirSync(folder).filter((n) => n.includes('restored'))).toEqual([]);
    expect(existsSync(inFolder('restoring.json'))).toBe(false);
    expect(interrupted(folder)).toBeNull();
  },
);

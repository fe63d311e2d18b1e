#!/usr/bin/env node
/**
 * Copies of everything: made, looked at, read back, put back.
 *
 *   npm run backup                            makes one now, under <data>/backups; Avrik may be running
 *   npm run backup -- --list                  the copies that are there
 *   npm run backup -- --verify COPY           reads a whole copy back, and changes nothing
 *   npm run backup -- --restore COPY          puts it back; Avrik must be stopped. What is there now is kept beside
 *   npm run backup -- --undo-restore          swaps back what the last restore replaced
 *   npm run backup -- --discard-replaced      throws away what restores replaced
 *   … --key FILE                              the key of the copies, where it is not in the data folder
 *
 * COPY is a name of the list, or the path of a copy's folder on another disk. Copies are encrypted: without the key in
 * <data>/backup-key.txt, of which another copy belongs elsewhere, nobody can read them.
 */
import { copyFileSync, existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { runCopies } from './lib/copies.mjs';
import { ensureNpmPackages, ensurePostgres, ROOT } from './lib/packages.mjs';
import { clusterUrl, startCluster } from './lib/postgres.mjs';
import { claim, release, whoRuns } from './lib/running.mjs';
import { run, say, Told } from './lib/say.mjs';
import { discardReplaced, interrupted, replaced, swapBack, swapIn } from './lib/swap.mjs';

const folder = path.resolve(process.env.AVRIK_DATA ?? path.join(ROOT, 'data'));
const args = process.argv.slice(2);
const valueOf = (flag) => (args.includes(flag) ? args[args.indexOf(flag) + 1] : undefined);
const KNOWN = ['--list', '--verify', '--restore', '--undo-restore', '--discard-replaced', '--key'];

function whichCopy(flag) {
  const copy = valueOf(flag);
  if (!copy || copy.startsWith('--')) throw new Told(`Say which copy: npm run backup -- ${flag} COPY`);
  return existsSync(path.resolve(copy)) ? path.resolve(copy) : copy;
}

/** Works with the running cluster, or starts it for as long as the work takes. */
async function withCluster(bin, work) {
  if (whoRuns(folder)) return work(clusterUrl(folder, 'postgres'));
  const cluster = await startCluster({ bin, folder });
  try {
    return await work(cluster.url('postgres'));
  } finally {
    cluster.stop();
  }
}

/** As `withCluster`, with the folder claimed, so that nobody starts Avrik meanwhile. */
async function alone(bin, work) {
  if (whoRuns(folder)) throw new Told('Avrik is running. Stop it first (Ctrl-C).');
  mkdirSync(folder, { recursive: true });
  claim(folder, 'a restore');
  try {
    const cluster = await startCluster({ bin, folder });
    try {
      const at = { bin, url: cluster.url('postgres'), folder };
      const mark = interrupted(folder);
      if (mark) {
        swapIn({ ...at, mark });
        say('A restore that had been interrupted was finished first.');
      }
      return await work(at);
    } finally {
      cluster.stop();
    }
  } finally {
    release(folder);
  }
}

/** A mark of digits only: it stands in the name of a database. */
const newMark = () => new Date().toISOString().replaceAll(/\D/g, '').slice(0, 14);

const env = () => (valueOf('--key') ? { AVRIK_BACKUP_KEY: path.resolve(valueOf('--key')) } : {});
const copies = (...command) => runCopies(folder, command, env()).done;

async function make(bin) {
  if (!existsSync(path.join(folder, 'pg'))) throw new Told(`There is nothing in ${folder} to keep.`);
  const { copy, keyFile, fault } = await withCluster(bin, () => copies('make'));
  say(`Kept in ${copy}, and read back: nothing is missing.`);
  if (fault) say(fault);
  say(`Its key is in ${keyFile}. Keep another copy of the key elsewhere: without it no copy can be opened.`);
}

async function list(bin) {
  const { copies: found } = await withCluster(bin, () => copies('list'));
  if (found.length === 0) say(`There is no copy in ${path.join(folder, 'backups')}.`);
  for (const c of found) say(`${c.stamp}   ${c.rows} rows, ${c.photos} photographs and papers`);
}

async function verify(bin) {
  const copy = whichCopy('--verify');
  const { rows, photos } = await withCluster(bin, () => copies('verify', copy));
  say(`${copy} is whole: ${rows} rows, ${photos} photographs and papers.`);
}

async function restore(bin) {
  const copy = whichCopy('--restore');
  const mark = newMark();
  await alone(bin, async (at) => {
    const { rows, photos } = await copies('restore', copy, mark);
    swapIn({ ...at, mark });
    // The next copies are made with the same key: one is enough to keep.
    const key = valueOf('--key');
    const own = path.join(folder, 'backup-key.txt');
    if (key && !existsSync(own)) copyFileSync(key, own);
    say(`Put back from ${copy}: ${rows} rows, ${photos} photographs and papers. Start with: npm start`);
    if (replaced(at).includes(mark))
      say('What was there before is kept: --undo-restore swaps it back, --discard-replaced throws it away.');
  });
}

const undo = (bin) =>
  alone(bin, async (at) => {
    const [mark] = replaced(at);
    if (!mark) throw new Told('No restore has replaced anything here.');
    swapBack({ ...at, mark, newMark: newMark() });
    say('What the last restore had replaced is back. Start with: npm start');
  });

const discard = (bin) =>
  withCluster(bin, async (url) =>
    say(`Thrown away: what ${discardReplaced({ bin, url, folder })} restores replaced.`),
  );

await run(async () => {
  const unknown = args.find((a) => a.startsWith('--') && !KNOWN.includes(a));
  if (unknown) throw new Told(`"${unknown}" is not known. Known: ${KNOWN.join(', ')}.`);
  if (process.env.DATABASE_URL)
    throw new Told(
      'A database given by DATABASE_URL is backed up with its own tools (pg_dump as a superuser).',
    );
  ensureNpmPackages();
  const bin = ensurePostgres();
  const command =
    {
      '--list': list,
      '--verify': verify,
      '--restore': restore,
      '--undo-restore': undo,
      '--discard-replaced': discard,
    }[args.find((a) => a !== '--key' && a.startsWith('--'))] ?? make;
  await command(bin);
});

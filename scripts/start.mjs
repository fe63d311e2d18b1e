#!/usr/bin/env node
/**
 * Starts Avrik: installs what is missing, builds, starts the private PostgreSQL, migrates, serves; keeps the server and the
 * database running, and makes a copy of everything once a day.
 *
 *   npm start                    the demo shop, if there is nothing yet
 *   npm start -- --no-demo       an empty shop with a first-run page
 *   npm start -- --fresh         sets the data aside in a folder of its own, and begins anew; it asks before
 *   npm start -- --prepare       installs and builds what a start needs, and starts nothing
 *   npm start -- --new-secrets   makes new secrets where secrets.json is lost; all data stays
 *
 * PORT, AVRIK_DATA (data folder), DATABASE_URL (an existing PostgreSQL), AVRIK_URL (address people use), SMTP_URL (a real
 * mail server) and AVRIK_BACKUP=off (no daily copy) are honoured.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { createInterface } from 'node:readline/promises';
import { keepDaily } from './lib/copies.mjs';
import { ensureDatabase, holdsShop } from './lib/database.mjs';
import { ensureBuild, ensureNpmPackages, ensurePostgres, ROOT } from './lib/packages.mjs';
import { reachable, startCluster } from './lib/postgres.mjs';
import { claim, release, whoRuns } from './lib/running.mjs';
import { run, say, Told } from './lib/say.mjs';
import { secretsIn } from './lib/secrets.mjs';
import { keepRunning } from './lib/supervise.mjs';
import { interrupted, swapIn } from './lib/swap.mjs';

const FLAGS = new Set(['--no-demo', '--fresh', '--yes', '--new-secrets', '--prepare']);
const args = process.argv.slice(2);
const unknown = args.find((a) => !FLAGS.has(a));
const wants = (flag) => args.includes(flag);
const port = Number(process.env.PORT ?? 4100);

/** The data folder; beside the project when PostgreSQL's user cannot walk there. */
function dataFolder() {
  if (process.env.AVRIK_DATA) return path.resolve(process.env.AVRIK_DATA);
  const own = path.join(ROOT, 'data');
  if (process.env.DATABASE_URL || existsSync(own)) return own;
  mkdirSync(own, { recursive: true });
  if (reachable(own)) return own;
  rmSync(own, { recursive: true });
  const other = path.join('/var/tmp', `avrik-data-${Buffer.from(ROOT).toString('hex').slice(-24)}`);
  say(`PostgreSQL’s user cannot reach ${own}, so the data is kept in ${other}`);
  return other;
}

const CONTENTS = ['pg', 'pg-secret.json', 'outbox', 'photos', 'secrets.json'];

/** Nothing is deleted: what is there is moved into a folder of its own, from which it can be moved back. */
async function setAsideAll(folder) {
  if (process.env.DATABASE_URL) throw new Told('--fresh does not empty a database given by DATABASE_URL.');
  const there = CONTENTS.filter((name) => existsSync(path.join(folder, name)));
  if (there.length === 0) return;
  if (whoRuns(folder)) throw new Told('Avrik is running. Stop it first (Ctrl-C).');
  if (!wants('--yes')) {
    if (!process.stdin.isTTY)
      throw new Told('--fresh sets all data aside and must ask first. Without a terminal, add --yes.');
    const ask = createInterface({ input: process.stdin, output: process.stdout });
    const answer = await ask.question(`Set everything in ${folder} aside and begin anew? Type "set aside": `);
    ask.close();
    if (answer.trim() !== 'set aside') throw new Told('Nothing was changed.');
  }
  const stamp = new Date().toISOString().slice(0, 19).replaceAll(':', '-');
  const aside = path.join(folder, 'set-aside', stamp);
  // PostgreSQL's user must still be able to walk there, should it be moved back or looked at.
  mkdirSync(aside, { recursive: true });
  for (const name of there) renameSync(path.join(folder, name), path.join(aside, name));
  say(`What was there is kept in ${aside}`);
}

const isEmpty = (folder) => !existsSync(folder) || readdirSync(folder).length === 0;

/** Photographs or copies without a database mean that the database was lost or moved, not that this is a first start. */
function refuseLostDatabase(folder) {
  if (!isEmpty(path.join(folder, 'pg'))) return;
  const left = ['photos', 'backups'].filter((name) => !isEmpty(path.join(folder, name)));
  if (left.length === 0) return;
  throw new Told(
    `${folder} holds ${left.join(' and ')}, but no database (its folder "pg" is missing or empty). Nothing was touched.
Put back a copy (npm run backup -- --list), put the folder "pg" back, set DATABASE_URL again if the database stands
elsewhere, or begin anew: npm start -- --fresh sets aside what is there.`,
  );
}

async function database(folder) {
  if (process.env.DATABASE_URL)
    return { adminUrl: process.env.DATABASE_URL, isPrivate: false, stop: () => {} };
  if (!wants('--fresh')) refuseLostDatabase(folder);
  const bin = ensurePostgres();
  const cluster = await startCluster({ bin, folder });
  const mark = interrupted(folder);
  if (mark) {
    say('A restore was interrupted while it was swapped in; it is finished now.');
    swapIn({ bin, url: cluster.url('postgres'), folder, mark });
  }
  ensureDatabase(bin, cluster.url('postgres'), 'avrik');
  return { adminUrl: cluster.url('avrik'), isPrivate: true, stop: cluster.stop, keepUp: cluster.keepUp };
}

/** Brings the database up to date, in a process of its own: the server never has the owner's connection. */
function migrate(adminUrl, options) {
  const code =
    "import('./dist/server/migrate.mjs').then((m) => m.migrate(process.env.AVRIK_ADMIN_URL, JSON.parse(process.env.AVRIK_MIGRATE))).catch((e) => { process.stderr.write(e.forPeople ? e.message : String(e.stack)); process.exit(1); })";
  const done = spawnSync(process.execPath, ['--enable-source-maps', '-e', code], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'pipe'],
    encoding: 'utf8',
    env: { ...process.env, AVRIK_ADMIN_URL: adminUrl, AVRIK_MIGRATE: JSON.stringify(options) },
  });
  if (done.status !== 0) throw new Told(`The database could not be brought up to date:\n${done.stderr}`);
}

function appUrl(adminUrl, appPassword) {
  const url = new URL(adminUrl);
  url.username = 'avrik_app';
  url.password = appPassword;
  return url.href;
}

/** Starts the server once; `listening` is fulfilled by its "listening" line. */
function serve(env) {
  const server = spawn(process.execPath, ['--enable-source-maps', 'dist/server/main.mjs'], {
    cwd: ROOT,
    // Its own group: Ctrl-C reaches this script first, which then stops the server and the cluster in that order. The
    // pipe at its standard input ends when this script does, however it ends, and the server then stops by itself.
    detached: true,
    stdio: ['pipe', 'pipe', 'inherit'],
    // Without it glibc keeps a store of freed memory for each thread, which photographs fill: a third more in all.
    env: { ...process.env, MALLOC_ARENA_MAX: '2', ...env },
  });
  const listening = new Promise((resolve, reject) => {
    server.stdout.on('data', (chunk) => {
      for (const line of String(chunk).split('\n')) {
        if (/^listening \d+$/.test(line)) resolve();
        else if (line.trim() !== '') say(line);
      }
    });
    server.once('exit', (code) => reject(new Told(`The server ended (${code}); it says why above.`)));
  });
  return { server, listening };
}

async function main() {
  if (unknown) throw new Told(`"${unknown}" is not known. Known: ${[...FLAGS].join(', ')}.`);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Told(`PORT is "${process.env.PORT}", not a port.`);
  const url = process.env.AVRIK_URL ?? `http://localhost:${port}`;
  ensureNpmPackages();
  if (!process.env.DATABASE_URL) ensurePostgres();
  if (wants('--prepare')) {
    ensureBuild();
    say('Ready to start.');
    return;
  }
  const folder = dataFolder();
  mkdirSync(folder, { recursive: true });
  if (wants('--fresh')) await setAsideAll(folder);
  claim(folder, url);
  let cluster;
  let supervised;
  let copies;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    copies?.stop();
    await supervised?.stop();
    cluster?.stop();
    release(folder);
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
  try {
    ensureBuild();
    cluster = await database(folder);
    const hasShop = holdsShop(cluster.adminUrl);
    const secrets = secretsIn(folder, { hasShop, allowNew: wants('--new-secrets') });
    migrate(cluster.adminUrl, { ...secrets, isPrivate: cluster.isPrivate, allowNew: wants('--new-secrets') });
    const env = {
      AVRIK_APP_URL: appUrl(cluster.adminUrl, secrets.appPassword),
      AVRIK_SECRET: secrets.secret,
      AVRIK_URL: url,
      AVRIK_DEMO: wants('--no-demo') ? '0' : '1',
      AVRIK_DATA: folder,
      PORT: String(port),
      AVRIK_SUPERVISED: '1',
      AVRIK_COPIES: cluster.isPrivate ? (process.env.AVRIK_BACKUP === 'off' ? 'off' : 'daily') : 'elsewhere',
    };
    supervised = keepRunning(() => serve(env), { keepUp: cluster.keepUp });
    await supervised.ready;
    if (env.AVRIK_COPIES === 'daily') copies = keepDaily(folder);
  } catch (error) {
    if (!stopping)
      process.stderr.write(`\n${error instanceof Told ? error.message : (error?.stack ?? error)}\n`);
    return stop(1);
  }
  say(`\nAvrik is open at ${url}`);
  say(
    wants('--no-demo')
      ? 'First run: the page there makes the owner’s account.'
      : 'Sign in there with one press as the demo owner.',
  );
  say(`Data: ${folder}    Stop: Ctrl-C`);
}

await run(main);

#!/usr/bin/env node
/**
 * Starts Avrik: installs what is missing, builds, starts the private PostgreSQL, migrates, serves.
 *
 *   npm start                  the demo shop, if the database is empty
 *   npm start -- --no-demo     an empty shop with a first-run page
 *   npm start -- --fresh       throws the data away first, and asks before it does
 *
 * PORT, AVRIK_DATA (data folder), DATABASE_URL (an existing PostgreSQL), AVRIK_URL (address people use) and SMTP_URL
 * (a real mail server) are honoured.
 */
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createInterface } from 'node:readline/promises';
import { ensureDatabase } from './lib/database.mjs';
import { ensureBuild, ensureNpmPackages, ensurePostgres, ROOT } from './lib/packages.mjs';
import { reachable, startCluster } from './lib/postgres.mjs';
import { run, say, Told } from './lib/say.mjs';

const FLAGS = new Set(['--no-demo', '--fresh', '--yes']);
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

const lockFile = (folder) => path.join(folder, 'running.json');

function refuseSecondStart(folder) {
  if (!existsSync(lockFile(folder))) return;
  const { pid, url } = JSON.parse(readFileSync(lockFile(folder), 'utf8'));
  if (isAlive(pid)) throw new Told(`Avrik runs already, at ${url} (process ${pid}). Stop that one first.`);
}

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs');
  } catch {
    return false;
  }
}

async function throwAway(folder) {
  if (process.env.DATABASE_URL) throw new Told('--fresh does not empty a database given by DATABASE_URL.');
  if (!existsSync(path.join(folder, 'pg'))) return;
  if (!wants('--yes')) {
    if (!process.stdin.isTTY)
      throw new Told('--fresh throws all data away and must ask first. Without a terminal, add --yes.');
    const ask = createInterface({ input: process.stdin, output: process.stdout });
    const answer = await ask.question(`Throw away everything in ${folder}? Type "throw away" to do it: `);
    ask.close();
    if (answer.trim() !== 'throw away') throw new Told('Nothing was thrown away.');
  }
  for (const name of ['pg', 'pg-secret.json', 'outbox', 'photos', 'secrets.json'])
    rmSync(path.join(folder, name), { recursive: true, force: true });
  say('Thrown away.');
}

function secretsIn(folder) {
  const file = path.join(folder, 'secrets.json');
  if (!existsSync(file)) {
    const fresh = { secret: randomBytes(32).toString('hex'), appPassword: randomBytes(24).toString('hex') };
    writeFileSync(file, JSON.stringify(fresh), { mode: 0o600 });
  }
  return JSON.parse(readFileSync(file, 'utf8'));
}

async function database(folder) {
  if (process.env.DATABASE_URL) return { adminUrl: process.env.DATABASE_URL, stop: () => {} };
  const bin = ensurePostgres();
  const cluster = await startCluster({ bin, folder });
  ensureDatabase(bin, cluster.url('postgres'), 'avrik');
  return { adminUrl: cluster.url('avrik'), stop: cluster.stop };
}

function migrate(adminUrl, appPassword) {
  const code =
    "import('./src/server/db/migrate.ts').then((m) => m.migrate(process.env.AVRIK_ADMIN_URL, process.env.AVRIK_APP_PASSWORD))";
  const done = spawnSync(process.execPath, ['--import', 'tsx', '-e', code], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'pipe'],
    encoding: 'utf8',
    env: { ...process.env, AVRIK_ADMIN_URL: adminUrl, AVRIK_APP_PASSWORD: appPassword },
  });
  if (done.status !== 0) throw new Told(`The database could not be brought up to date:\n${done.stderr}`);
}

function appUrl(adminUrl, appPassword) {
  const url = new URL(adminUrl);
  url.username = 'avrik_app';
  url.password = appPassword;
  return url.href;
}

/** Starts the server and waits for its "listening". */
function serve(folder, env) {
  const server = spawn(process.execPath, ['--import', 'tsx', 'src/server/main.ts'], {
    cwd: ROOT,
    // Its own group: Ctrl-C reaches this script first, which then stops the server and the cluster in that order.
    detached: true,
    stdio: ['ignore', 'pipe', 'inherit'],
    // Without it glibc keeps a store of freed memory for each thread, which photographs fill: a third more in all.
    env: { ...process.env, MALLOC_ARENA_MAX: '2', ...env, AVRIK_DATA: folder, PORT: String(port) },
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
  const folder = dataFolder();
  mkdirSync(folder, { recursive: true });
  refuseSecondStart(folder);
  if (wants('--fresh')) await throwAway(folder);
  ensureBuild();
  writeFileSync(lockFile(folder), JSON.stringify({ pid: process.pid, url }));
  let cluster;
  let child;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    if (child && child.exitCode === null) {
      child.kill('SIGTERM');
      await new Promise((resolve) => child.once('exit', resolve));
    }
    cluster?.stop();
    rmSync(lockFile(folder), { force: true });
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
  try {
    const { secret, appPassword } = secretsIn(folder);
    cluster = await database(folder);
    migrate(cluster.adminUrl, appPassword);
    const { server, listening } = serve(folder, {
      AVRIK_APP_URL: appUrl(cluster.adminUrl, appPassword),
      AVRIK_SECRET: secret,
      AVRIK_URL: url,
      AVRIK_DEMO: wants('--no-demo') ? '0' : '1',
    });
    child = server;
    await listening;
    server.once('exit', (code) => void stop(code ?? 1));
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

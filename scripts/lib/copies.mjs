/** Runs the program that makes and reads copies (src/server/backup/cli.ts), and makes one a day while Avrik runs. */
import { spawn } from 'node:child_process';
import path from 'node:path';
import { readObject } from './files.mjs';
import { ensurePostgres, ROOT } from './packages.mjs';
import { clusterUrl } from './postgres.mjs';
import { say, Told } from './say.mjs';

/** What the program answered; a `Told` error with its words where it failed. The cluster of `folder` must run. */
export function runCopies(folder, args, env = {}) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'src/server/backup/cli.ts', ...args], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: {
      ...process.env,
      AVRIK_DATA: folder,
      AVRIK_PG_BIN: ensurePostgres(),
      AVRIK_CLUSTER_URL: clusterUrl(folder, '{database}'),
      ...env,
    },
  });
  let out = '';
  let said = '';
  child.stdout.on('data', (chunk) => (out += String(chunk)));
  child.stderr.on('data', (chunk) => (said += String(chunk)));
  const done = new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('close', (code) => {
      if (code === 0) resolve(JSON.parse(out.trim().split('\n').at(-1)));
      else reject(new Told(said.trim() || `The copy program ended (${code}).`));
    });
  });
  return { done, stop: () => child.kill('SIGTERM') };
}

const DAY_MS = 24 * 3600_000;
const LOOK_EVERY_MS = 10 * 60_000;
/** The first copy leaves the start alone. */
const FIRST_AFTER_MS = 60_000;

/** When the newest whole copy was made, in milliseconds since 1970; 0 where there is none. */
function lastGood(folder) {
  const { state, value } = readObject(path.join(folder, 'backups', 'status.json'));
  return state === 'there' && value.lastGood ? Date.parse(value.lastGood) : 0;
}

/** Makes a copy whenever the newest is a day old. A failure is said here and on the shop's page, and tried again. */
export function keepDaily(folder) {
  let running = null;
  const look = async () => {
    if (running || Date.now() - lastGood(folder) < DAY_MS) return;
    running = runCopies(folder, ['make']);
    try {
      const { copy, fault } = await running.done;
      say(`Copied: ${copy}`);
      if (fault) say(fault);
    } catch (error) {
      say(`The daily copy did not come about: ${error.message}`);
    } finally {
      running = null;
    }
  };
  const first = setTimeout(() => void look(), FIRST_AFTER_MS);
  const each = setInterval(() => void look(), LOOK_EVERY_MS);
  return {
    stop: () => {
      clearTimeout(first);
      clearInterval(each);
      running?.stop();
    },
  };
}

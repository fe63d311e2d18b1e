/** Avrik started as a person starts it, beside the one that the journeys share. */
import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect } from '@playwright/test';
import pg from 'pg';

export const data = process.env.AVRIK_TEST_DATA!;
export const cluster = process.env.AVRIK_TEST_CLUSTER!;

export interface Started {
  child: ChildProcess;
  out: () => string;
  stop: () => Promise<number | null>;
  /** Kills the server and what would start it again: they can finish nothing any more. */
  kill: () => Promise<void>;
  serverPid: () => number;
}

export async function start(args: string[], env: Record<string, string>): Promise<Started> {
  const child = spawn(process.execPath, ['scripts/start.mjs', ...args], {
    env: { ...process.env, AVRIK_BACKUP: 'off', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let out = '';
  child.stdout!.on('data', (c) => (out += String(c)));
  child.stderr!.on('data', (c) => (out += String(c)));
  const hasEnded = (): boolean => child.exitCode !== null || child.signalCode !== null;
  await expect.poll(() => hasEnded() || out.includes('Avrik is open at'), { timeout: 90_000 }).toBe(true);
  if (hasEnded()) throw new Error(`Avrik did not start: ${out}`);
  const ended = () => new Promise<number | null>((resolve) => void child.once('exit', resolve));
  const stop = () => {
    const end = ended();
    child.kill('SIGINT');
    return end;
  };
  const kill = async () => {
    const end = ended();
    const server = serverPid();
    child.kill('SIGKILL');
    process.kill(server, 'SIGKILL');
    await end;
  };
  const serverPid = (): number =>
    Number(readFileSync(`/proc/${child.pid}/task/${child.pid}/children`, 'utf8').trim().split(' ')[0]);
  return { child, out: () => out, stop, kill, serverPid };
}

/** What a server on a database of its own in the journeys' cluster is started with. */
export async function ownDatabase(name: string, port: number): Promise<Record<string, string>> {
  const admin = new pg.Client(cluster.replace('{database}', 'postgres'));
  await admin.connect();
  await admin.query(`create database avrik_${name}`);
  await admin.end();
  const folder = path.join(data, name);
  // Both shops' servers are one role of one cluster: with a password of its own this one would lock the other out.
  mkdirSync(folder, { recursive: true });
  copyFileSync(path.join(data, 'secrets.json'), path.join(folder, 'secrets.json'));
  return {
    PORT: String(port),
    AVRIK_DATA: folder,
    DATABASE_URL: cluster.replace('{database}', `avrik_${name}`),
  };
}

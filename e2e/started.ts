/** Avrik started as a person starts it, beside the one that the journeys share. */
import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, cpSync, mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect } from '@playwright/test';
import pg from 'pg';

export const data = process.env.AVRIK_TEST_DATA!;
const cluster = process.env.AVRIK_TEST_CLUSTER!;
export const databaseUrl = (name: string): string => cluster.replace('{database}', name);

/** Where the shop of a lane of journeys keeps its data. */
export function laneOf(baseURL: string | undefined): { folder: string; databaseUrl: string } {
  const { port } = new URL(baseURL!);
  return { folder: path.join(data, port), databaseUrl: databaseUrl(`avrik_e2e_${port}`) };
}

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
  // The demo shop is filled meanwhile, beside the other lane.
  await expect.poll(() => hasEnded() || out.includes('Avrik is open at'), { timeout: 240_000 }).toBe(true);
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

/** What a server on a database of its own in the journeys' cluster is started with: an empty one, or a copy of the demo shop. */
export async function ownDatabase(
  name: string,
  port: number,
  holds: 'nothing' | 'demo',
): Promise<Record<string, string>> {
  const admin = new pg.Client(databaseUrl('postgres'));
  await admin.connect();
  await admin.query(`create database avrik_${name} ${holds === 'demo' ? 'template avrik_demo' : ''}`);
  await admin.end();
  const folder = path.join(data, name);
  // All shops' servers are one role of one cluster: with a password of its own this one would lock the others out.
  if (holds === 'demo') cpSync(path.join(data, 'demo'), folder, { recursive: true });
  else {
    mkdirSync(folder, { recursive: true });
    copyFileSync(path.join(data, 'demo/secrets.json'), path.join(folder, 'secrets.json'));
  }
  return { PORT: String(port), AVRIK_DATA: folder, DATABASE_URL: databaseUrl(`avrik_${name}`) };
}

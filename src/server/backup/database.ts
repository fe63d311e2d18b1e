/** Dumping a database and putting a dump into another one, with PostgreSQL's own tools. */
import { spawn } from 'node:child_process';
import type { Readable } from 'node:stream';
import pg from 'pg';
import { CopyFault } from './faults.ts';

/** How to reach the cluster as its administrator. */
export interface Cluster {
  /** Folder of pg_dump and pg_restore. */
  bin: string;
  /** Connection of a database in it. */
  url: (database: string) => string;
}

export async function withClient<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  // A lost connection fails the query that was running, which says so.
  client.on('error', () => undefined);
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end().catch(() => undefined);
  }
}

interface Running {
  out: Readable;
  /** Throws with the tool's own words where it failed. */
  ended: Promise<void>;
}

function tool(command: string, args: readonly string[], what: string): Running {
  const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  child.stderr.on('data', (chunk) => (said += String(chunk)));
  const ended = new Promise<void>((resolve, reject) => {
    child.once('error', reject);
    child.once('close', (code) =>
      code === 0 ? resolve() : reject(new CopyFault(`${what} failed: ${said.trim()}`)),
    );
  });
  // Awaited later: until then a failure must not count as one that nobody sees.
  ended.catch(() => undefined);
  return { out: child.stdout, ended };
}

/** The database as pg_dump's custom format, of an exported snapshot. */
export const dump = ({ bin, url }: Cluster, database: string, snapshot: string): Running =>
  tool(`${bin}/pg_dump`, ['-Fc', `--snapshot=${snapshot}`, url(database)], 'Copying the database');

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** The roles are the cluster's, not the database's: a new machine has none yet. The next start completes them. */
const ROLES = ['avrik_app login', 'avrik_jobs nologin']
  .map((r) => `begin create role ${r}; exception when duplicate_object then null; end;`)
  .join(' ');

/** A new database from a dump. Throws where it is not whole, and leaves no database then. */
export async function restoreInto(cluster: Cluster, database: string, file: string): Promise<void> {
  await withClient(cluster.url('postgres'), async (admin) => {
    await admin.query(`do $$ begin ${ROLES} end $$`);
    await admin.query('grant avrik_jobs to avrik_app');
    await admin.query(`create database ${quoted(database)} template template0`);
  });
  const { out, ended } = tool(
    `${cluster.bin}/pg_restore`,
    ['--exit-on-error', '-d', cluster.url(database), file],
    'Reading the copy of the database',
  );
  out.resume();
  await ended.catch(async (error: unknown) => {
    await dropDatabase(cluster, database);
    throw error;
  });
}

/** Only for what was made to be looked at: a database that people worked in is never dropped here. */
export const dropDatabase = ({ url }: Cluster, database: string): Promise<void> =>
  withClient(url('postgres'), async (admin) => {
    await admin.query(`drop database if exists ${quoted(database)} with (force)`);
  });

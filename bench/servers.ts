/**
 * Two servers in processes of their own, on the same database: the application, and bare Express handlers that send the
 * same statements in the same transactions and answer with the rows. The bare ones know no sign-in, no rules, no headers.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import pg from 'pg';
import { migrate } from '../src/server/db/migrate.ts';

export interface BenchServers {
  app: string;
  bare: string;
  cookie: string;
  buildId: string;
  /** Process of the application. */
  appPid: number;
  /** Starts the application once more, on a copy of the demo shop, for the time of some work. */
  beside: <T>(
    fill: (client: pg.Client) => Promise<void>,
    work: (app: string, cookie: string) => Promise<T>,
  ) => Promise<T>;
  stop: () => Promise<void>;
}

const APP_PORT = 4189;
const BARE_PORT = 4188;
const BESIDE_PORT = 4187;
const PASSWORD = 'bench';

function launch(file: string, env: Record<string, string>): Promise<ChildProcess> {
  const child = spawn(process.execPath, file.endsWith('.ts') ? ['--import', 'tsx', file] : [file], {
    env: { ...process.env, MALLOC_ARENA_MAX: '2', ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`${file} ended (${code})`)));
    child.stdout!.on('data', (chunk) => String(chunk).includes('listening') && resolve(child));
  });
}

const stopped = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    child.removeAllListeners('exit');
    child.once('exit', () => resolve());
    child.kill('SIGTERM');
  });

export async function startBenchServers(): Promise<BenchServers> {
  const adminUrl = process.env.AVRIK_BENCH_DATABASE!;
  const secret = 'for the benchmark only';
  await migrate(adminUrl, { appPassword: PASSWORD, secret, isPrivate: true, allowNew: false });
  const url = new URL(adminUrl);
  url.username = 'avrik_app';
  url.password = PASSWORD;
  const env = {
    PORT: String(APP_PORT),
    AVRIK_DATA: process.env.AVRIK_BENCH_DATA!,
    AVRIK_APP_URL: url.href,
    AVRIK_SECRET: secret,
    AVRIK_DEMO: '1',
    NODE_ENV: 'production',
  };
  // What filled the demo shop holds on to its memory; a server of every day has only opened it.
  await stopped(await launch('dist/server/main.mjs', env));
  const besideUrl = new URL(adminUrl);
  besideUrl.pathname = `${besideUrl.pathname}_beside`;
  await onDatabase(new URL('/postgres', adminUrl).href, (client) =>
    client.query(
      `create database ${besideUrl.pathname.slice(1)} template ${new URL(adminUrl).pathname.slice(1)}`,
    ),
  );
  const app = await launch('dist/server/main.mjs', env);
  const at = `http://localhost:${APP_PORT}`;
  const { cookie, buildId } = await enter(at);
  const bare = await launch('bench/bare.ts', { ...env, PORT: String(BARE_PORT), AVRIK_DEMO: '' });
  return {
    app: at,
    bare: `http://localhost:${BARE_PORT}`,
    cookie,
    buildId,
    appPid: app.pid!,
    beside: async (fill, work) => {
      await onDatabase(besideUrl.href, fill);
      const appUrl = new URL(url);
      appUrl.pathname = besideUrl.pathname;
      const other = await launch('dist/server/main.mjs', {
        ...env,
        PORT: String(BESIDE_PORT),
        AVRIK_APP_URL: appUrl.href,
      });
      const there = `http://localhost:${BESIDE_PORT}`;
      try {
        return await work(there, (await enter(there)).cookie);
      } finally {
        await stopped(other);
      }
    },
    stop: async () => {
      await stopped(bare);
      await stopped(app);
    },
  };
}

/** Work on a database as the owner of its tables. */
export async function onDatabase<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** Signs in to the demo shop; answers what the handlers need. */
async function enter(at: string): Promise<{ cookie: string; buildId: string }> {
  const response = await fetch(`${at}/api/session/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ role: 'owner' }),
  });
  const cookie = response.headers.get('set-cookie')!.split(';')[0]!;
  const floor = (await (await fetch(`${at}/api/floor`, { headers: { cookie } })).json()) as {
    builds: { id: string }[];
  };
  return { cookie, buildId: floor.builds[0]!.id };
}

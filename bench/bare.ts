/**
 * Bare Express handlers that send the very statements which the application sends for the same request, in the same transaction,
 * and answer with the rows. They know no sign-in, no rules, no shape of an answer. What the application asks is listened to, not
 * written down: `POST /learn` has an application in this process answer a request, and `/replay` sends what it asked.
 */
import 'reflect-metadata';
import type { AddressInfo } from 'node:net';
import express from 'express';
import pg from 'pg';
import { createApp } from '../src/server/app.ts';
import { SETTINGS } from '../src/server/db/pool.ts';
import { openDeps } from '../src/server/environment.ts';

/** A statement as it goes over the wire. */
interface Statement {
  text: string;
  name?: string;
  values?: unknown[];
}

const app = createApp(openDeps('smtp://127.0.0.1:1'), null);
const inner = app.express.listen(0, '127.0.0.1');
await new Promise((resolve) => inner.once('listening', resolve));
const base = `http://127.0.0.1:${(inner.address() as AddressInfo).port}`;

let heard: Statement[] | null = null;
const send = pg.Client.prototype.query as (this: pg.Client, ...args: unknown[]) => unknown;
pg.Client.prototype.query = function query(this: pg.Client, ...args: unknown[]) {
  const [asked] = args;
  if (heard) heard.push(typeof asked === 'string' ? { text: asked } : { ...(asked as Statement) });
  return send.apply(this, args);
} as typeof pg.Client.prototype.query;

/** What a request asks the database for, without what is asked about who is signed in. */
async function learn(path: string, init: RequestInit): Promise<Statement[]> {
  const ask = async (): Promise<void> => {
    const answer = await fetch(base + path, init);
    await answer.arrayBuffer();
    // What is refused is learnt too: a route may want more than its address.
    if (answer.status >= 500) throw new Error(`${path}: ${answer.status}`);
  };
  heard = [];
  await ask();
  const said = heard;
  heard = null;
  const first = said.findIndex((s) => /^begin/.test(s.text));
  return said.slice(first, said.findLastIndex((s) => /commit$/.test(s.text)) + 1);
}

const pool = new pg.Pool({ connectionString: process.env.AVRIK_APP_URL!, max: 10 });
pool.on('connect', (client) => void send.call(client, SETTINGS));

interface Learnt {
  statements: Statement[];
  /** In the values, what each request has a new one of. */
  id?: string;
}
const learnt = new Map<string, Learnt>();

/** The values with another id in the place of the one that was learnt, in texts of JSON as well. */
const withId = (values: readonly unknown[], id: string, other: string): unknown[] =>
  values.map((v) => (typeof v === 'string' ? v.replaceAll(id, other) : v));

const bare = express();
bare.use(express.json({ limit: '2mb' }));
bare.post('/learn/:name', async (req, res) => {
  const { path, method, cookie, body, id } = req.body as Record<string, string | undefined> & {
    path: string;
  };
  const headers = { cookie: cookie ?? '', 'content-type': 'application/json' };
  const statements = await learn(path, { method, headers, body, redirect: 'manual' });
  learnt.set(req.params.name, { statements, ...(id === undefined ? {} : { id }) });
  // Begin and commit ask nothing.
  res.json({ statements: statements.filter((s) => !/^begin|commit$/.test(s.text)).length });
});
bare.all('/replay/:name', async (req, res) => {
  const { statements, id } = learnt.get(req.params.name)!;
  const other = (req.body as { id?: string } | undefined)?.id;
  const client = await pool.connect();
  try {
    const rows: unknown[] = [];
    for (const { values, ...statement } of statements) {
      const own = values && id && other ? withId(values, id, other) : values;
      const done = (await send.call(client, { ...statement, values: own })) as
        pg.QueryResult | pg.QueryResult[];
      rows.push(Array.isArray(done) ? done.map((d) => d.rows) : done.rows);
    }
    res.json(rows);
  } catch (error) {
    await client.query('rollback');
    throw error;
  } finally {
    client.release();
  }
});
bare.listen(Number(process.env.PORT), '127.0.0.1', () => process.stdout.write('listening\n'));

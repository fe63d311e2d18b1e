/**
 * What a technician is sent, walked whole: every route that reads and that they may ask, over the demo shop, with a price written
 * into every text that anybody typed. Nasty cases: prices with the sign of the currency and without, in words, an address of
 * mail, a name that holds one, a search by the price itself, two versions that differ.
 */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { paramNames, type RouteSpec } from '#contract/route.ts';
import { pathOf, ROUTES, type RouteName } from '#contract/routes.ts';
import { startDemoServer, type Agent, type TestServer } from '#tests/support/server.ts';
import supertest from 'supertest';

let server: TestServer;
let technician: Agent;
let buildIds: string[];

/** Columns and fields of JSON in which people write sentences. */
const TYPED =
  /^(text|entry_text|words|what|note|notes|next_step|complaint|caption|answer|question|sourceNote|title|reason|first)$/;
const MARKED = ' for £731.42';
const PLAIN =
  ', he offered 8,641 to rook@example.org, two grand at most, fifty five an hour, 17 roughly, zweiundsiebzig bar';
/** Of these none may be sent; the digits of an id are none of them. */
const SECRETS =
  /731[.,]42|(?<![\w-])(?:73142|8,?641)(?![\w-])|rook@example|two grand|fifty five|17 roughly|zweiundsiebzig/;

/** Writes prices behind every text of the database that was typed. */
async function spoil(): Promise<number> {
  const { rows } = await server.admin.query<{ table_name: string; column_name: string; data_type: string }>(
    `select c.table_name, c.column_name, c.data_type from information_schema.columns c
     join information_schema.tables t using (table_schema, table_name)
     where c.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER'`,
  );
  await server.admin.query("set session_replication_role = 'replica'");
  let spoilt = 0;
  const change = async (table: string, column: string, to: string, where: string, values: string[]) => {
    const { rowCount } = await server.admin.query(
      `update "${table}" set "${column}" = ${to} where ${where}`,
      values,
    );
    spoilt += rowCount ?? 0;
  };
  for (const { table_name: table, column_name: column, data_type: type } of rows) {
    const all = column === 'title' ? MARKED : MARKED + PLAIN;
    if (type === 'text' && TYPED.test(column))
      await change(table, column, `"${column}" || $1`, `length("${column}") > 2`, [all]);
    // What a calculator says was worked out: nobody types into it.
    if (type === 'jsonb' && column !== 'told')
      for (const key of ['text', 'what', 'note', 'words', 'sourceNote', 'reason', 'title'])
        await change(
          table,
          column,
          `regexp_replace("${column}"::text, $1, '\\1' || $2 || '"', 'g')::jsonb`,
          `"${column}"::text ~ $1`,
          // A part is called by its sizes: what names the currency is all that is hidden there.
          [`("${key}": "[^"\\\\]{3,})"`, /text|note|words|Note|reason/.test(key) ? MARKED + PLAIN : MARKED],
        );
  }
  await server.admin.query("set session_replication_role = 'origin'");
  return spoilt;
}

/** The ids that stand in the database for what a route is asked by. */
const TABLES: Record<string, string> = {
  buildId: 'builds',
  entryId: 'entries',
  photoId: 'photos',
  paperId: 'papers',
  batchId: 'batches',
  partId: 'parts',
  taskId: 'tasks',
  donorId: 'donors',
};

beforeAll(async () => {
  server = await startDemoServer();
  technician = supertest.agent(server.app.express);
  await technician.post(pathOf('signInDemo')).send({ role: 'technician' }).expect(200);
  const { rows } = await server.admin.query<{ id: string }>('select id from builds order by number');
  buildIds = rows.map((r) => r.id);
  expect(await spoil()).toBeGreaterThan(1500);
}, 180_000);
afterAll(() => server.stop());

/** The stream of news never ends by itself; it names builds and numbers of entries only. */
const names = (Object.keys(ROUTES) as RouteName[]).filter((name) => {
  const { method, allow } = ROUTES[name] as RouteSpec;
  return method === 'get' && (allow === 'anyone' || allow.includes('technician')) && name !== 'live';
});

async function addressesOf(name: RouteName): Promise<string[]> {
  const { path } = ROUTES[name] as RouteSpec;
  const params = paramNames(path);
  if (params.length === 0) return [path];
  const own = params.filter((p) => p !== 'buildId');
  if (own.length === 0) return buildIds.map((id) => path.replace(':buildId', id));
  const [param] = own;
  const table = TABLES[param!];
  if (own.length > 1 || table === undefined) return [];
  const { rows } = await server.admin.query<{ id: string; build_id: string }>(
    `select id, to_jsonb(t) ->> 'build_id' as build_id from "${table}" t limit 8`,
  );
  return rows.map((r) => path.replace(`:${param}`, r.id).replace(':buildId', r.build_id));
}

let looked = 0;
test.each(names)('%s tells no price', async (name) => {
  for (const address of await addressesOf(name)) {
    const { body, text, type, status } = await technician.get(address);
    if (status !== 200 || !/json/.test(type)) continue;
    looked += 1;
    const at = text.search(SECRETS);
    expect(at < 0 ? '' : `${address}: …${text.slice(Math.max(0, at - 160), at + 40)}…`).toBe('');
    expect(JSON.stringify(body).match(/"\w*Minor":-?\d+/g) ?? []).toEqual([]);
  }
});

test('the walk looked at what there is', () => {
  expect(looked).toBeGreaterThan(150);
});

test('a search by a hidden price finds nothing, and by a word that is shown it does', async () => {
  const found = async (q: string): Promise<number> => {
    const answers = await Promise.all(
      buildIds.map((buildId) => technician.get(pathOf('entriesList', { buildId })).query({ q })),
    );
    return answers.reduce((sum, { body }) => sum + (body as { entries: unknown[] }).entries.length, 0);
  };
  expect(await found('offered')).toBeGreaterThan(100);
  for (const price of ['731.42', '731', '8,641', '641', 'two grand', 'rook@'])
    expect([price, await found(price)]).toEqual([price, 0]);
});

test('what was read without its price is not kept without it', async () => {
  const { rows } = await server.admin.query<{ id: string; caption: string; version: number }>(
    `select id, caption, version from photos where caption ~ 'offered' order by id limit 1`,
  );
  const { id, caption, version } = rows[0]!;
  const save = (words: string) =>
    technician.put(pathOf('photoSave', { photoId: id })).send({ version, caption: words, marks: [] });
  const { body } = await save(caption.replace(/£731.*/, '···')).expect(403);
  expect(body.detail).toContain('which would be lost');
  const now = await server.admin.query<{ caption: string }>('select caption from photos where id = $1', [id]);
  expect(now.rows[0]!.caption).toBe(caption);
});

test('a refusal that brings what is there now brings no price either', async () => {
  const { rows } = await server.admin.query<{ id: string }>(
    `select id from photos where caption ~ 'offered' order by id limit 1`,
  );
  const answer = await technician
    .put(pathOf('photoSave', { photoId: rows[0]!.id }))
    .send({ version: 99_999, caption: 'new', marks: [] });
  expect(answer.status).toBe(409);
  expect(answer.text).toContain('offered');
  expect(answer.text).not.toMatch(SECRETS);
});

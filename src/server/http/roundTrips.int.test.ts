/**
 * How often a request asks the database, for every route that reads: over the demo shop, and over one with the same cars four
 * times. Nothing may grow with the cars. Begin and commit are not counted.
 */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import pg from 'pg';
import supertest from 'supertest';
import type { RouteSpec } from '#contract/route.ts';
import { pathOf, ROUTES, type RouteName } from '#contract/routes.ts';
import { startDemoServer, type Agent, type TestServer } from '#tests/support/server.ts';

/** More than this for one request is a loop in which somebody asks again and again. */
const MOST = 20;
const MOST_OF: Partial<Record<RouteName, number>> = {
  floor: 12,
};

let server: TestServer;
let owner: Agent;
let asked = 0;

/** Begin and commit ask nothing; the session is read from its own table, at most every few seconds. */
const isNone = (query: unknown): boolean =>
  /^(?:begin|commit|rollback)|sessions\b/.test(
    typeof query === 'string' ? query : ((query as { text?: string }).text ?? ''),
  );

/** Three more of each car, with its lines, revisions, answers, tasks, parts and instalments. */
const COPIES = `
  create function copied(id uuid, n int) returns uuid immutable language sql as 'select md5(id::text || n)::uuid';
  insert into builds select (jsonb_populate_record(null::builds, to_jsonb(t) || jsonb_build_object(
      'id', copied(t.id, n), 'number', t.number || '-' || n, 'nickname', t.nickname || ' ' || n, 'place_id', null))).*
    from builds t, generate_series(1, 3) n;
  insert into estimate_lines select (jsonb_populate_record(null::estimate_lines, to_jsonb(t) || jsonb_build_object(
      'id', copied(t.id, n), 'build_id', copied(t.build_id, n), 'finding_id', null))).*
    from estimate_lines t, generate_series(1, 3) n;
  insert into revisions select (jsonb_populate_record(null::revisions, to_jsonb(t) || jsonb_build_object(
      'id', copied(t.id, n), 'build_id', copied(t.build_id, n)))).*
    from revisions t, generate_series(1, 3) n;
  insert into tasks select (jsonb_populate_record(null::tasks, to_jsonb(t) || jsonb_build_object(
      'id', copied(t.id, n), 'build_id', copied(t.build_id, n), 'line_id', copied(t.line_id, n)))).*
    from tasks t, generate_series(1, 3) n;
  insert into parts select (jsonb_populate_record(null::parts, to_jsonb(t) || jsonb_build_object(
      'id', copied(t.id, n), 'build_id', copied(t.build_id, n), 'line_id', copied(t.line_id, n)))).*
    from parts t, generate_series(1, 3) n;
  insert into instalments select (jsonb_populate_record(null::instalments, to_jsonb(t) || jsonb_build_object(
      'id', copied(t.id, n), 'build_id', copied(t.build_id, n)))).*
    from instalments t, generate_series(1, 3) n;`;

beforeAll(async () => {
  server = await startDemoServer();
  owner = supertest.agent(server.app.express);
  await owner.post(pathOf('signInDemo')).send({ role: 'owner' }).expect(200);
  const { query } = pg.Client.prototype as unknown as { query: (...given: unknown[]) => unknown };
  Object.assign(pg.Client.prototype, {
    query(this: pg.Client, ...given: unknown[]) {
      if (this !== server.admin && !isNone(given[0])) asked += 1;
      return query.apply(this, given);
    },
  });
}, 180_000);
afterAll(() => server.stop());

/** The most that a route asks, over all cars that it may be asked of. */
async function counts(buildIds: readonly string[]): Promise<Map<RouteName, number>> {
  const most = new Map<RouteName, number>();
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const { method, path } = ROUTES[name] as RouteSpec;
    const others = [...path.matchAll(/:(\w+)/g)].some(([, param]) => param !== 'buildId');
    // The stream of news never ends by itself.
    if (method !== 'get' || others || name === 'live') continue;
    for (const id of path.includes(':buildId') ? buildIds : ['']) {
      asked = 0;
      const { status } = await owner.get(path.replace(':buildId', id));
      if (status >= 500) throw new Error(`${name}: ${status}`);
      most.set(name, Math.max(most.get(name) ?? 0, asked));
    }
  }
  return most;
}

test('no request asks more often than it must, and none more often where there are more cars', async () => {
  const { rows } = await server.admin.query<{ id: string }>('select id from builds order by number');
  const buildIds = rows.map((r) => r.id);
  const few = await counts(buildIds);
  await server.admin.query("set session_replication_role = 'replica'");
  await server.admin.query(COPIES);
  await server.admin.query("set session_replication_role = 'origin'");
  const many = await counts(buildIds);
  const grown = [...many].filter(([name, n]) => n > few.get(name)!);
  console.log(
    [...many]
      .sort((a, b) => b[1] - a[1])
      .slice(0, 14)
      .join(' '),
  );
  expect(grown).toEqual([]);
  expect([...many].filter(([name, n]) => n > (MOST_OF[name] ?? MOST))).toEqual([]);
  expect(many.size).toBeGreaterThan(40);
}, 180_000);

/**
 * What a request asks of the database, for every route that reads: over the demo shop, over one with 40 open builds, and over the
 * same shop ten years on. No statement may be repeated for each build; and what ended in ten years may cost a page of today
 * nothing: neither rows that are read for it nor bytes that are sent. How long it all takes is in the benchmark.
 *
 * Begin and commit are not counted. What is read is counted by PostgreSQL in blocks of 8 KiB, from memory or not.
 */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type pg from 'pg';
import supertest from 'supertest';
import { paramNames, type RouteSpec } from '#contract/route.ts';
import { pathOf, ROUTES, type RouteName } from '#contract/routes.ts';
import { linkUrl } from '../links.ts';
import { watchQueries } from '#tests/support/queries.ts';
import { fillMonth, fillTenYears } from '#tests/support/tenYears.ts';
import { nextId, startDemoServer, type Agent, type TestServer } from '#tests/support/server.ts';

/** More than this for one request is a loop in which somebody asks again and again. */
const MOST = 20;
const MOST_OF: Partial<Record<RouteName, number>> = {
  floor: 12,
};
/** So many times the rows may be taken after ten years, and so many whatever were taken before: a list that is cut is full then. */
const MORE_ROWS = 1.5;
const ROWS = 150;
/**
 * What a customer reads is held against the names of all other customers and cars that there ever were: so many rows more for each
 * build.
 */
const HELD_AGAINST_OTHERS = new Set<RouteName>(['letterRedraft', 'letterRead', 'letterSave', 'letterPage']);
const ROWS_OF_OTHERS = 2;
/**
 * Blocks may be read so many times as often, and so many whatever were read before: rows of one build lie further apart, and an
 * index is gone down instead of a small table through. What goes through the entries of ten years reads tens of thousands.
 */
const MORE_BLOCKS = 2.5;
const BLOCKS = 2500;
/** Builds whose pages are compared after ten years. */
const LOOKED_AT = 4;
/** A list that is cut at a number of rows is full after ten years. */
const BYTES = 40_000;

interface Asked {
  statements: number;
  /** Of them, those that had been asked in the same request already. */
  repeated: number;
  rows: number;
  blocks: number;
  bytes: number;
}

let server: TestServer;
let owner: Agent;
let statements: string[] = [];
let rowsRead = 0;

/** Rows of an answer; statements that went as one have theirs in a column each. */
function rowsIn({ rows: all, rowCount }: pg.QueryResult<Record<string, unknown>>): number {
  const [row] = all;
  const columns = row && all.length === 1 ? Object.entries(row) : [];
  const wentAsOne =
    columns.length > 0 && columns.every(([name, of]) => /^r\d+$/.test(name) && Array.isArray(of));
  return wentAsOne ? columns.reduce((sum, [, of]) => sum + (of as unknown[]).length, 0) : (rowCount ?? 0);
}

/** Begin, and commit with what it tells others, ask nothing; the session is read from its own table, at most every few seconds. */
const isNone = (text: string): boolean => /^(?:begin|commit|rollback|insert into news)|sessions\b/.test(text);

beforeAll(async () => {
  server = await startDemoServer();
  await server.admin.query('create extension pg_stat_statements');
  owner = supertest.agent(server.app.express);
  await owner.post(pathOf('signInDemo')).send({ role: 'owner' }).expect(200);
  watchQueries((client, text, answer) => {
    if (client === server.admin || isNone(text)) return;
    statements.push(text);
    // What sets a connection up is several statements, with as many answers.
    void Promise.resolve(answer as pg.QueryResult | pg.QueryResult[] | undefined).then(
      (result) => (rowsRead += [result ?? []].flat().reduce((sum, of) => sum + rowsIn(of), 0)),
      () => undefined,
    );
  });
}, 180_000);
afterAll(() => server.stop());

/** Blocks that all statements of the app have read so far. */
async function blocksSoFar(): Promise<number> {
  const { rows: all } = await server.admin.query<{ blocks: number }>(
    `select coalesce(sum(shared_blks_hit + shared_blks_read), 0)::int as blocks
     from pg_stat_statements(false)
     where dbid = (select oid from pg_database where datname = current_database())
       and userid = (select oid from pg_roles where rolname = 'avrik_app')`,
  );
  return all[0]!.blocks;
}

/** `isRead`: whether blocks are looked at too. */
async function asked(what: string, ask: () => supertest.Test, isRead: boolean): Promise<Asked> {
  statements = [];
  const before = isRead ? await blocksSoFar() : 0;
  rowsRead = 0;
  const { status, headers, text, body } = await ask();
  if (status >= 500) throw new Error(`${what}: ${status}`);
  const read = rowsRead;
  const after = isRead ? await blocksSoFar() : 0;
  return {
    statements: statements.length,
    repeated: statements.length - new Set(statements).size,
    rows: read,
    blocks: after - before,
    bytes: Number(headers['content-length'] ?? (text ?? String(body)).length),
  };
}

interface Draft {
  id: string;
  version: number;
  content: object;
}

/** A letter is drafted anew, opened, and kept as its editor keeps it while somebody writes. */
async function letterOf(buildId: string, isRead: boolean): Promise<[RouteName, Asked][]> {
  const drafted = await owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() });
  // Where a build is waited for by nobody, there is no letter.
  if (drafted.status !== 200) return [];
  const { id: letterId, version } = drafted.body as Draft;
  const path = pathOf('letterRead', { letterId });
  const again = () => owner.post(pathOf('letterRedraft', { letterId })).send({ version });
  const redrafted = await asked('letterRedraft', again, isRead);
  const draft = (await owner.get(path).expect(200)).body as Draft;
  const save = () => owner.put(path).send({ version: draft.version, content: draft.content });
  return [
    ['letterRedraft', redrafted],
    ['letterRead', await asked(path, () => owner.get(path), isRead)],
    ['letterSave', await asked('letterSave', save, isRead)],
  ];
}

/** What a customer reads through their link. */
async function pagesOf(buildId: string, isRead: boolean): Promise<[RouteName, Asked][]> {
  const { rows } = await server.admin.query<{ id: string }>(
    'select id from customer_links where build_id = $1 and revoked_at is null order by made_at limit 1',
    [buildId],
  );
  const pages: [RouteName, Asked][] = [];
  for (const { id } of rows) {
    const page = new URL(linkUrl(server.deps, id)).pathname;
    const open = (path: string) => asked(path, () => owner.get(path), isRead);
    pages.push(['letterPage', await open(page)], ['estimatePage', await open(`${page}/estimate`)]);
  }
  return pages;
}

/** The most that each route asks, over all builds that it may be asked of. */
async function all(buildIds: readonly string[], isRead = false): Promise<Map<RouteName, Asked>> {
  const most = new Map<RouteName, Asked>();
  const count = (name: RouteName, one: Asked): void => {
    const till = most.get(name) ?? one;
    most.set(name, {
      statements: Math.max(till.statements, one.statements),
      repeated: Math.max(till.repeated, one.repeated),
      rows: Math.max(till.rows, one.rows),
      blocks: Math.max(till.blocks, one.blocks),
      bytes: Math.max(till.bytes, one.bytes),
    });
  };
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const { method, path } = ROUTES[name] as RouteSpec;
    const others = paramNames(path).some((param) => param !== 'buildId');
    // The stream of news never ends by itself.
    if (method !== 'get' || others || name === 'live') continue;
    for (const id of path.includes(':buildId') ? buildIds : ['']) {
      const at = path.replace(':buildId', id);
      count(name, await asked(at, () => owner.get(at), isRead));
    }
  }
  for (const id of buildIds)
    for (const [name, one] of [...(await letterOf(id, isRead)), ...(await pagesOf(id, isRead))])
      count(name, one);
  return most;
}

test('no request asks more often where there are more builds, nor reads or sends more where there were more', async () => {
  const { rows } = await server.admin.query<{ id: string }>('select id from builds order by number');
  const buildIds = rows.map((r) => r.id);
  const few = await all(buildIds);
  await fillMonth(server.admin);
  const month = await all(buildIds);
  const repeated = [...month].filter(([name, { repeated: n }]) => n > few.get(name)!.repeated);
  expect(repeated).toEqual([]);
  expect([...month].filter(([name, { statements: n }]) => n > (MOST_OF[name] ?? MOST))).toEqual([]);
  expect(month.size).toBeGreaterThan(40);

  const looked = buildIds.slice(0, LOOKED_AT);
  const before = await all(looked, true);
  await fillTenYears(server.admin);
  const counted = await server.admin.query<{ builds: number; entries: number; ledger: number }>(
    `select (select count(*) from builds)::int as builds, (select count(*) from entries where kind <> 'correction')::int as entries,
       (select count(*) from ledger)::int as ledger`,
  );
  const { builds, entries, ledger } = counted.rows[0]!;
  expect(builds).toBeGreaterThanOrEqual(1000);
  expect(entries).toBeGreaterThanOrEqual(500_000);
  expect(ledger).toBe(entries);
  const years = await all(looked, true);
  const more = [...years].flatMap(([name, now]) => {
    const then = before.get(name)!;
    const others = HELD_AGAINST_OTHERS.has(name) ? ROWS_OF_OTHERS * builds : 0;
    const isMore =
      now.rows > MORE_ROWS * then.rows + ROWS + others ||
      now.blocks > MORE_BLOCKS * then.blocks + BLOCKS ||
      now.bytes > Math.max(MORE_ROWS * then.bytes, BYTES);
    return isMore ? [{ name, then, now }] : [];
  });
  expect(more).toEqual([]);
}, 420_000);

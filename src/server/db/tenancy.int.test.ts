/**
 * Shops are kept apart by the database itself. Nasty cases: no shop set, another shop set, a row smuggled into another
 * shop, the door policies opened by the wrong key, a table added without a policy.
 */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import pg from 'pg';
import { pathOf } from '#contract/routes.ts';
import {
  line,
  makeBuild,
  makeShop,
  nextId,
  signedIn,
  startServer,
  type Agent,
  type TestServer,
  type TestShop,
} from '#tests/support/server.ts';
import { appUrl } from '#tests/support/cluster.ts';
import { atTheDoor, inShop } from './pool.ts';

let server: TestServer;
let [one, two]: TestShop[] = [];
let owners: Agent[];
let builds: string[];

beforeAll(async () => {
  server = await startServer();
  one = await makeShop(server, 'one');
  two = await makeShop(server, 'two');
  owners = [await signedIn(server, one, 'owner'), await signedIn(server, two, 'owner')];
  builds = [await makeBuild(owners[0]!), await makeBuild(owners[1]!)];
  for (const i of [0, 1])
    await owners[i]!.post(pathOf('entryAdd', { buildId: builds[i]! }))
      .send(line())
      .expect(200);
});
afterAll(() => server.stop());

interface Table {
  name: string;
  forced: boolean;
  enabled: boolean;
  policies: number;
  shop: boolean;
}

const tables = async (): Promise<Table[]> =>
  (
    await server.admin.query<Table>(`
      select c.relname as name, c.relforcerowsecurity as forced, c.relrowsecurity as enabled,
        (select count(*)::int from pg_policy p where p.polrelid = c.oid) as policies,
        exists (select from pg_attribute a where a.attrelid = c.oid and a.attname = 'shop_id') or c.relname = 'shops' as shop
      from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where n.nspname = 'public' and c.relkind = 'r'`)
  ).rows;

describe('the rules stand in the database', () => {
  test('every table of a shop has row-level security, forced, with a policy; the others are known by name', async () => {
    const all = await tables();
    const ofShops = all.filter((t) => t.shop);
    expect(ofShops.length).toBeGreaterThanOrEqual(11);
    for (const t of ofShops)
      expect(t).toMatchObject({ forced: true, enabled: true, policies: expect.any(Number) });
    expect(ofShops.filter((t) => t.policies === 0)).toEqual([]);
    const others = all
      .filter((t) => !t.shop)
      .map((t) => t.name)
      .sort();
    expect(others).toEqual([
      'installation',
      'knex_migrations',
      'knex_migrations_lock',
      'queue_workers',
      'sessions',
    ]);
  });

  test('shop_id leads the primary key of every table of a shop', async () => {
    const { rows } = await server.admin.query<{ name: string; first: string }>(
      `
      select c.relname as name, a.attname as first from pg_index i
      join pg_class c on c.oid = i.indrelid join pg_attribute a on a.attrelid = c.oid and a.attnum = i.indkey[0]
      where i.indisprimary and c.relname = any($1)`,
      [(await tables()).filter((t) => t.shop && t.name !== 'shops').map((t) => t.name)],
    );
    expect(rows.length).toBeGreaterThanOrEqual(10);
    for (const r of rows) expect(r).toEqual({ name: r.name, first: 'shop_id' });
  });

  test('the app’s role is no superuser, bypasses nothing, and owns nothing of a shop', async () => {
    const { rows } = await server.admin.query(
      `select rolsuper, rolbypassrls, rolcreaterole, rolcreatedb from pg_roles where rolname = 'avrik_app'`,
    );
    expect(rows).toEqual([
      { rolsuper: false, rolbypassrls: false, rolcreaterole: false, rolcreatedb: false },
    ]);
    const owned = await server.admin.query(
      `select relname from pg_class where pg_has_role('avrik_app', relowner, 'usage') and relnamespace = 'public'::regnamespace`,
    );
    expect(owned.rows).toEqual([]);
  });
});

describe('what a connection sees', () => {
  const countAll =
    'select (select count(*) from builds) + (select count(*) from entries) + (select count(*) from people) + (select count(*) from letters) + (select count(*) from entries_now) as n';

  test('nothing without a shop, and again nothing after a transaction that had one', async () => {
    const client = new pg.Client({ connectionString: appUrl(new URL(server.adminUrl).pathname.slice(1)) });
    await client.connect();
    expect((await client.query(countAll)).rows[0].n).toBe('0');
    await client.query(`begin; select set_config('app.shop_id', '${one!.id}', true)`);
    expect(Number((await client.query(countAll)).rows[0].n)).toBeGreaterThan(3);
    await client.query('commit');
    expect((await client.query(countAll)).rows[0].n).toBe('0');
    expect((await client.query('select count(*) from shops where not is_demo')).rows[0].count).toBe('0');
    await client.end();
  });

  test('only its own shop, even when it asks for the other by name', async () => {
    const seen = await inShop(server.deps.db, one!.id, (tx) =>
      tx.rows('select shop_id from entries where shop_id = :other', { other: two!.id }),
    );
    expect(seen).toEqual([]);
  });

  test('a row cannot be put into another shop', async () => {
    const smuggle = inShop(server.deps.db, one!.id, (tx) =>
      tx.run('insert into vendors (shop_id, id, name) values (:other, :id, :name)', {
        other: two!.id,
        id: nextId(),
        name: 'Nobody',
      }),
    );
    await expect(smuggle).rejects.toThrow('row-level security');
  });

  test('a shop id that is no UUID never reaches the database', async () => {
    await expect(inShop(server.deps.db, "x'; drop table entries; --", async () => 1)).rejects.toThrow(
      'not a shop id',
    );
  });

  test('the doors show one person by address and one link by hash, nothing else', async () => {
    const people = (email: string) =>
      atTheDoor(server.deps.db, { email }, (tx) => tx.rows('select email from people'));
    expect(await people(one!.people.owner.email)).toEqual([{ email: one!.people.owner.email }]);
    expect(await people("' or true --")).toEqual([]);
    expect(await people('')).toEqual([]);
    const links = await atTheDoor(server.deps.db, { linkHash: 'ab'.repeat(32) }, (tx) =>
      tx.rows('select 1 from customer_links'),
    );
    expect(links).toEqual([]);
    const entries = await atTheDoor(server.deps.db, { email: one!.people.owner.email }, (tx) =>
      tx.rows('select 1 from entries'),
    );
    expect(entries).toEqual([]);
  });

  test('a transaction that fails leaves nothing', async () => {
    const id = nextId();
    const broken = inShop(server.deps.db, one!.id, async (tx) => {
      await tx.run('insert into vendors (shop_id, id, name) values (:shopId, :id, :name)', {
        id,
        name: 'Half',
      });
      throw new Error('stop');
    });
    await expect(broken).rejects.toThrow('stop');
    expect(
      await inShop(server.deps.db, one!.id, (tx) => tx.rows('select 1 from vendors where id = :id', { id })),
    ).toEqual([]);
  });
});

test('over HTTP, another shop’s build is not there: to read, to write, to draft', async () => {
  const mine = owners[0]!;
  const buildId = builds[1]!;
  await mine.get(pathOf('buildRead', { buildId })).expect(404);
  expect((await mine.get(pathOf('entriesList', { buildId })).expect(200)).body.entries).toEqual([]);
  await mine.post(pathOf('entryAdd', { buildId })).send(line()).expect(404);
  await mine.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(404);
  expect((await mine.get(pathOf('floor')).expect(200)).body.builds).toHaveLength(1);
});

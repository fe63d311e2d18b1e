/**
 * The reads of a transaction: asked side by side they must answer what they answer alone. Nasty cases: every type that the driver
 * reads in its own way, no rows, many rows, quotes and dollars in values, the same twice, a write in between, one that fails.
 */
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { watchQueries } from '#tests/support/queries.ts';
import { makeShop, nextId, startServer, type TestServer } from '#tests/support/server.ts';
import { inShop, type Bindings, type Tx } from './pool.ts';

let server: TestServer;
let asked: string[] = [];
let unwatch: () => void;

beforeAll(async () => {
  server = await startServer();
  unwatch = watchQueries((client, text) => {
    if (client !== server.admin && !/^(?:begin|commit|rollback|set )/.test(text)) asked.push(text);
  });
});
afterAll(async () => {
  unwatch();
  await server.stop();
});
beforeEach(() => void (asked = []));

const reading = <T>(work: (tx: Tx) => Promise<T>): Promise<T> => inShop(server.deps.db, nextId(), work);

const STATEMENTS: [string, Bindings][] = [
  ['select true as yes, false as no, null::boolean as neither', {}],
  ['select 1::int2 as small, 2 as whole, 9007199254740991::int8 as big, 1.5::float8 as half', {}],
  [`select :text::text as said, 'it''s $1 :text' as quoted`, { text: `o'clock $1 "x" \\ “ü” 漢字 \u0001` }],
  [`select date '2026-02-28' as day, null::date as none`, {}],
  [
    `select timestamptz '2026-03-29 02:30:00.123456+02' as at, timestamptz '2026-07-01 00:00+00' as round, null::timestamptz as none`,
    {},
  ],
  [`select '019e0000-0000-7000-8000-000000000001'::uuid as id, 'c'::char as c`, {}],
  [
    `select '{"b": [1, 2.50], "a": null, "at": "2026-03-11T10:00:00+00:00"}'::jsonb as b, '{"x": 1}'::json as j`,
    {},
  ],
  [
    `select array['a', null, 'c,"d"'] as texts, array[1, 2] as numbers, '{}'::text[] as none, :ids::uuid[] as ids`,
    { ids: ['019e0000-0000-7000-8000-000000000001'] },
  ],
  [`select n, timestamptz '2026-01-01' + n * interval '1 hour' as at from generate_series(3, 1, -1) n`, {}],
  ['select 1 as one where false', {}],
  ['select 0.10::numeric as exact', {}],
  [`select '\\x00ff'::bytea as bytes`, {}],
  ['select n from generate_series(1, :last::int) n', { last: 600 }],
];

test('asked side by side, and often, they answer what they answer alone', async () => {
  const alone: unknown[][] = [];
  for (const [sql, bindings] of STATEMENTS) alone.push(await reading((tx) => tx.rows(sql, bindings)));
  expect(alone[4]).toEqual([
    { at: '2026-03-29T00:30:00.123Z', round: '2026-07-01T00:00:00.000Z', none: null },
  ]);
  for (let i = 0; i < 8; i += 1) {
    asked = [];
    const together = await reading((tx) =>
      Promise.all(STATEMENTS.map(([sql, bindings]) => tx.rows(sql, bindings))),
    );
    expect(together).toEqual(alone);
    // The exact number, the bytes and the long one go alone; the others as one.
    expect(asked).toHaveLength(4);
  }
});

describe('what was read', () => {
  const COUNT = `select count(*)::int as n from vendors where shop_id = :shopId`;
  const add = (tx: Tx): Promise<number> =>
    tx.run(`insert into vendors (shop_id, id, name) values (:shopId, :id, 'Tern & Sons ' || :id)`, {
      id: nextId(),
    });
  const inTheShop = <T>(work: (tx: Tx) => Promise<T>): Promise<T> => inShop(server.deps.db, shopId, work);
  let shopId: string;
  beforeAll(async () => void (shopId = (await makeShop(server, 'reads')).id));

  test('is not read again, with the same values', async () => {
    await inTheShop(async (tx) => {
      await tx.one(COUNT);
      await Promise.all([tx.one(COUNT), tx.one(COUNT)]);
      await tx.one('select :n::int as n', { n: 1 });
      await tx.one('select :n::int as n', { n: 2 });
    });
    expect(asked).toHaveLength(3);
  });

  test('is read again behind a change, and behind a lock', async () => {
    await inTheShop(async (tx) => {
      const before = (await tx.one<{ n: number }>(COUNT))!.n;
      await add(tx);
      expect(await tx.one(COUNT)).toEqual({ n: before + 1 });
      await tx.rows('select id from vendors where shop_id = :shopId for update');
      await tx.one(COUNT);
    });
    expect(asked.filter((text) => text.includes('count(*)'))).toHaveLength(3);
  });

  test('asked before and behind a change, nobody having waited: it stands in between', async () => {
    await inTheShop(async (tx) => {
      const [before, , behind] = await Promise.all([
        tx.one<{ n: number }>(COUNT),
        add(tx),
        tx.one<{ n: number }>(COUNT),
      ]);
      expect(behind!.n).toBe(before!.n + 1);
    });
  });

  test('is kept from whoever would change it for others', async () => {
    await inTheShop(async (tx) => {
      const [row] = await tx.rows<{ what: { n: number } }>(`select '{"n": 1}'::jsonb as what`);
      expect(() => (row!.what.n = 2)).toThrow(TypeError);
    });
  });
});

test('where one fails, all beside it fail, the reason is told, and the next transaction is whole', async () => {
  const wrong = 'select 1 / :n::int as n';
  await reading((tx) => tx.rows(wrong, { n: 1 }));
  await reading((tx) => tx.rows('select 2 as two'));
  await expect(
    reading((tx) => Promise.all([tx.rows('select 2 as two'), tx.rows(wrong, { n: 0 })])),
  ).rejects.toThrow('division by zero');
  expect(await reading((tx) => tx.rows('select 2 as two'))).toEqual([{ two: 2 }]);
});

/**
 * Every statement of the server is prepared against the migrated schema, and its columns are held against the type that its
 * rows are read as. Planted faults: a wrong column, a wrong table, a column that is read and not selected, a number read as
 * text, a name that nothing is bound to.
 */
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import pg from 'pg';
import ts from 'typescript';
import { adminUrl, migratedDatabase } from '#tests/support/cluster.ts';
import { prepared } from './pool.ts';
import { statementsOf, type FieldKind, type Statement } from '#tests/support/statements.ts';

const ROOT = path.resolve(import.meta.dirname, '../../..');
/** Texts that are put together while the server runs; each is run by the test of its feature. */
const PUT_TOGETHER = ['src/server/features/entries/entries.queries.ts'];

const config = ts.getParsedCommandLineOfConfigFile(
  path.join(ROOT, 'tsconfig.json'),
  {},
  {
    ...ts.sys,
    onUnRecoverableConfigFileDiagnostic: (d) => {
      throw new Error(String(d.messageText));
    },
  },
)!;

interface Column {
  name: string;
  dataTypeID: number;
}

/** PostgreSQL's own numbers of its types (pg_type.dat), and what the driver makes of each. */
const KINDS: [FieldKind, number[]][] = [
  ['boolean', [16]],
  // int8 is read as a number by the pool's own parser.
  ['number', [20, 21, 23, 26, 700, 701]],
  // name, text, char, varchar, date, timestamptz, uuid, numeric
  ['string', [18, 19, 25, 1042, 1043, 1082, 1184, 2950, 1700]],
];
/** json and jsonb hold anything. */
const ANYTHING = new Set([114, 3802]);

const NAME = `avrik_test_${process.pid}_statements`;
let database: { drop: () => Promise<void> };
let client: pg.Client;

/** The columns of a statement, which is prepared and described, and not run. */
const described = (sql: string): Promise<Column[]> =>
  new Promise((resolve, reject) => {
    let columns: Column[] = [];
    client.query({
      submit: (connection: pg.Connection) => {
        connection.parse({ name: '', text: sql, types: [] }, true);
        connection.describe({ type: 'S', name: '' }, true);
        connection.sync();
      },
      handleRowDescription: ({ fields }: { fields: Column[] }) => void (columns = fields),
      handleError: reject,
      handleReadyForQuery: () => resolve(columns),
    });
  });

const namesIn = (sql: string): string[] => [...new Set(prepared(sql).keys)];

function faultsOfRow(row: Map<string, FieldKind>, columns: readonly Column[]): string[] {
  const types = new Map(columns.map((c) => [c.name, c.dataTypeID]));
  return [...row].flatMap(([field, kind]) => {
    const type = types.get(field);
    if (type === undefined) return [`“${field}” is read, and is not selected`];
    const known = KINDS.find(([, numbers]) => numbers.includes(type))?.[0] ?? 'other';
    return kind === 'other' || ANYTHING.has(type) || known === kind
      ? []
      : [`“${field}” is a ${known}, read as a ${kind}`];
  });
}

async function faultsOf({ at, texts, bound, row }: Statement): Promise<string[]> {
  const where = path.relative(ROOT, at);
  if (!texts)
    return PUT_TOGETHER.some((f) => where.startsWith(f)) ? [] : [`${where}: cannot be told before it runs`];
  const faults: string[] = [];
  for (const text of texts) {
    const names = namesIn(text);
    const free = bound ? names.filter((n) => n !== 'shopId' && !bound.includes(n)) : [];
    faults.push(...free.map((n) => `nothing is bound to :${n}`));
    const columns = await described(prepared(text).text).catch((e: Error) => void faults.push(e.message));
    if (columns && row) faults.push(...faultsOfRow(row, columns));
  }
  return [...new Set(faults)].map((f) => `${where}: ${f}`);
}

async function allFaults(
  files: readonly string[],
  planted?: Record<string, string>,
): Promise<[number, string[]]> {
  const statements = statementsOf(files, config.options, planted);
  const faults: string[] = [];
  for (const s of statements) faults.push(...(await faultsOf(s)));
  return [statements.length, faults];
}

beforeAll(async () => {
  database = await migratedDatabase(NAME);
  client = new pg.Client({ connectionString: adminUrl(NAME) });
  await client.connect();
});
afterAll(async () => {
  await client.end();
  await database.drop();
});

test('every statement fits the schema, and the type that its rows are read as', async () => {
  const files = config.fileNames.filter((f) => f.includes('/src/server/') && !f.includes('.test.'));
  const [count, faults] = await allFaults(files);
  expect(faults).toEqual([]);
  expect(count).toBeGreaterThan(300);
}, 120_000);

describe('a fault that is planted is found', () => {
  test.each([
    ["tx.one<{ id: string }>('select id from builds where nick = 1')", 'column "nick" does not exist'],
    ["tx.run('delete from cars')", 'relation "cars" does not exist'],
    ["tx.rows<{ id: string; name: string }>('select id from builds')", '“name” is read, and is not selected'],
    ["tx.rows<{ id: number }>('select id from builds')", '“id” is a string, read as a number'],
    ["tx.run('delete from builds where id = :buildId', { id: '1' })", 'nothing is bound to :buildId'],
  ])(
    '%s',
    async (code, fault) => {
      const file = path.join(ROOT, 'src/server/db/planted.ts');
      const text = `import type { Tx } from './pool.ts';\nexport const planted = (tx: Tx): unknown => ${code};`;
      const [, faults] = await allFaults([file], { [file]: text });
      expect(faults.join()).toContain(fault);
    },
    60_000,
  );
});

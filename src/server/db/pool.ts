/** The database as features see it: one transaction a request, with the shop set. */
import { createHash } from 'node:crypto';
import knexFactory, { type Knex } from 'knex';
import pLimit, { type LimitFunction } from 'p-limit';
import pg from 'pg';
import { isUuid } from '../uuid.ts';
import { readsOn, type Prepared, type Row, type Value } from './reads.ts';
import { inTurn, newsOfWriter } from './writers.ts';

/**
 * A running transaction. Queries take it first; bindings are named (`:shopId`).
 *
 * What it has read it does not read again: the same statement with the same values gives the same rows until the transaction
 * writes or takes a lock; and what is asked side by side goes as one statement. So the parts of a request may each ask for what
 * they need. Rows are shared: nobody changes them.
 */
export interface Tx {
  shopId: string;
  rows<R>(sql: string, bindings?: Bindings): Promise<R[]>;
  /** The one row, or undefined; more than one is a fault of the query. */
  one<R>(sql: string, bindings?: Bindings): Promise<R | undefined>;
  /** Runs a statement; answers how many rows it touched. */
  run(sql: string, bindings?: Bindings): Promise<number>;
}
export type Bindings = Record<string, Value>;

export type Database = Knex;

const [INT8, DATE, TIMESTAMPTZ] = [20, 1082, 1184];

/** Instants stay UTC ISO strings, days stay `YYYY-MM-DD`, and counters are numbers within the safe range. */
function parserFor(oid: number, format?: 'text' | 'binary'): (value: string) => unknown {
  if (oid === INT8) return Number;
  if (oid === DATE) return (value) => value;
  if (oid === TIMESTAMPTZ) return (value) => new Date(value).toISOString();
  return pg.types.getTypeParser(oid, format ?? 'text') as (value: string) => unknown;
}

/** No statement of a request takes as long, and nobody waits as long for what somebody else holds. */
const LONGEST_STATEMENT = '30s';
const LONGEST_WAIT = '10s';

/**
 * What holds on every connection. Compiling a statement to machine code takes a second and pays after a minute of running; the
 * planner's guesses over a shop of years have it done for statements of ten milliseconds. A plan is made once for a statement, and
 * not for its values: of what is asked side by side, planning takes longer than running.
 */
export const SETTINGS = `set jit = off; set plan_cache_mode = force_generic_plan;
  set statement_timeout = '${LONGEST_STATEMENT}'; set lock_timeout = '${LONGEST_WAIT}'`;

const settled = (connection: pg.Client, done: (error: Error | null, connection: pg.Client) => void): void =>
  void connection.query(SETTINGS).then(
    () => done(null, connection),
    (error: Error) => done(error, connection),
  );

export function openDatabase(url: string, max = 10): Database {
  return knexFactory({
    client: 'pg',
    connection: {
      connectionString: url,
      types: { getTypeParser: parserFor },
      application_name: 'avrik',
    } as Knex.PgConnectionConfig,
    pool: { min: 0, max, afterCreate: settled },
  });
}

const HEX = /^[0-9a-f]*$/;

interface Settings {
  'app.shop_id'?: string;
  'app.sign_in_email'?: string;
  'app.link_hash'?: string;
}

function setting(name: string, value: string): string {
  const safe =
    name === 'app.sign_in_email'
      ? `convert_from('\\x${Buffer.from(value).toString('hex')}', 'UTF8')`
      : `'${value}'`;
  return `set_config('${name}', ${safe}, true)`;
}

/** BEGIN and the settings go in one round trip: a transaction then costs one more, not two. */
const begin = (settings: Settings, as = ''): string =>
  Object.keys(settings).length === 0 ? `begin ${as}` : `begin ${as}; ${settingsQuery(settings)}`;

function settingsQuery(settings: Settings): string {
  const { 'app.shop_id': shopId, 'app.link_hash': linkHash } = settings;
  if (shopId !== undefined && shopId !== '' && !isUuid(shopId)) throw new Error('not a shop id');
  if (linkHash !== undefined && !HEX.test(linkHash)) throw new Error('not a hash');
  return `select ${Object.entries(settings)
    .map(([name, value]) => setting(name, value as string))
    .join(', ')}`;
}

const WHAT = /^[a-z0-9 -]+$/;

/** COMMIT, and what other screens read anew after it, in one round trip. */
function commitTelling({ 'app.shop_id': shopId }: Settings, news: readonly string[]): string {
  if (!shopId || news.length === 0) return 'commit';
  if (!isUuid(shopId) || !news.every((what) => WHAT.test(what))) throw new Error('not news');
  const rows = news.map((what) => `('${shopId}', '${what}')`).join(', ');
  return `insert into news (shop_id, what) values ${rows} on conflict do nothing; commit`;
}

/** A connection whose transaction takes everything that is done through one database object. */
interface Outer {
  connection: pg.Client;
  /** One at a time: they share the connection. */
  inTurn: LimitFunction;
}
const outers = new WeakMap<Database, Outer>();

const committed = new WeakMap<Database, Set<() => void>>();

/** Calls `told` after each transaction through this object that changed something; the returned function ends that. */
export function onCommit(db: Database, told: () => void): () => void {
  const all = committed.get(db) ?? new Set();
  committed.set(db, all.add(told));
  return () => void all.delete(told);
}

async function inTransaction<T>(
  db: Database,
  settings: Settings,
  work: (tx: Tx) => Promise<T>,
  as?: string,
): Promise<T> {
  const news = newsOfWriter();
  const outer = outers.get(db);
  if (outer) return outer.inTurn(() => inOuter(outer.connection, settings, work));
  return inTurn(() =>
    onConnection(db, async (connection) => {
      try {
        await connection.query(begin(settings, as));
        let hasChanged = false;
        const changes = (): void => void (hasChanged = true);
        const done = await work(txOn(connection, settings['app.shop_id'] ?? '', changes));
        await connection.query(hasChanged ? commitTelling(settings, news) : 'commit');
        if (hasChanged) for (const told of committed.get(db) ?? []) told();
        return done;
      } catch (error) {
        await connection.query('rollback').catch(() => undefined);
        throw error;
      }
    }),
  );
}

async function onConnection<T>(db: Database, work: (connection: pg.Client) => Promise<T>): Promise<T> {
  const client = db.client as Knex.Client;
  const connection = (await client.acquireConnection()) as pg.Client;
  try {
    return await work(connection);
  } finally {
    await client.releaseConnection(connection);
  }
}

/**
 * Work that is a part of the outer transaction. It has no savepoint: what goes wrong in it ends the whole, and thousands of
 * savepoints in one transaction make PostgreSQL go through all of them at each row that they lock.
 */
async function inOuter<T>(
  connection: pg.Client,
  settings: Settings,
  work: (tx: Tx) => Promise<T>,
): Promise<T> {
  // A setting of the one before must not reach into this one.
  const all: Settings = { 'app.shop_id': '', 'app.sign_in_email': '', 'app.link_hash': '', ...settings };
  await connection.query(settingsQuery(all));
  return work(txOn(connection, settings['app.shop_id'] ?? ''));
}

/**
 * Work whose transactions are all one: what is done through the database object that it gets holds as a whole, or not at all.
 * Work inside other work of the same object would wait for itself.
 */
export const allOrNothing = <T>(db: Database, work: (db: Database) => Promise<T>): Promise<T> =>
  onConnection(db, async (connection) => {
    const whole = Object.create(db) as Database;
    outers.set(whole, { connection, inTurn: pLimit(1) });
    // A plan made while the tables are all but empty goes through all of their rows.
    await connection.query('begin; set local enable_seqscan = off');
    try {
      const done = await work(whole);
      await connection.query('commit');
      return done;
    } catch (error) {
      await connection.query('rollback').catch(() => undefined);
      throw error;
    }
  });

const READS = /^\s*(?:select|with)\b/i;
/** Words of what changes or locks something, or calls what does. A read that holds one of them is only asked each time. */
const CHANGES =
  /\b(?:insert|update|delete|merge|share|nextval|setval|set_config|pg_notify|pg_(?:try_)?advisory\w*|add_job)\b/i;

const nameOf = (text: string): string => createHash('sha1').update(text).digest('hex');

const statements = new Map<string, Prepared>();

/** Puts numbers in the place of named bindings (`:id`); a cast (`::int`) and what is quoted stay. */
export function prepared(sql: string): Prepared {
  const known = statements.get(sql);
  if (known) return known;
  const keys: string[] = [];
  const text = sql.replace(/'[^']*'|::\w+|:(\w+)/g, (match, key?: string) =>
    key === undefined ? match : `$${keys.push(key)}`,
  );
  const reads = READS.test(sql) && !CHANGES.test(sql);
  const statement = { name: nameOf(text), text, keys, reads };
  statements.set(sql, statement);
  return statement;
}

/** @param changes told before each statement that changes something */
function txOn(connection: pg.Client, shopId: string, changes: () => void = () => undefined): Tx {
  // Asked side by side, they go one after the other: they share the connection.
  const inTurn = pLimit(1);
  const reads = readsOn(connection, inTurn, nameOf);
  const valuesOf = ({ keys, text }: Prepared, bindings: Bindings = {}): Value[] => {
    const all: Bindings = { shopId, ...bindings };
    return keys.map((key) => {
      if (all[key] === undefined) throw new Error(`:${key} is bound to nothing in: ${text}`);
      return all[key];
    });
  };
  // Half of the time of a short statement is its plan: a connection makes it once.
  const change = async (statement: Prepared, values: Value[]): Promise<pg.QueryResult<Row>> => {
    reads.forget();
    changes();
    const { name, text } = statement;
    return inTurn(() => connection.query<Row>({ name, text, values })).finally(reads.forget);
  };
  const rowsOf = async (sql: string, bindings?: Bindings): Promise<Row[]> => {
    const statement = prepared(sql);
    const values = valuesOf(statement, bindings);
    return statement.reads ? reads.ask(statement, values) : (await change(statement, values)).rows;
  };
  return {
    shopId,
    rows: async <R>(sql: string, bindings?: Bindings) => (await rowsOf(sql, bindings)) as R[],
    one: async <R>(sql: string, bindings?: Bindings) => {
      const rows = await rowsOf(sql, bindings);
      if (rows.length > 1) throw new Error(`one row expected, ${rows.length} found`);
      return rows[0] as R | undefined;
    },
    run: async (sql, bindings) => {
      const statement = prepared(sql);
      return (await change(statement, valuesOf(statement, bindings))).rowCount ?? 0;
    },
  };
}

/** Work in one shop: row-level security shows and takes only this shop's rows. Commits if `work` returns. */
export const inShop = <T>(db: Database, shopId: string, work: (tx: Tx) => Promise<T>): Promise<T> =>
  inTransaction(db, { 'app.shop_id': shopId }, work);

/**
 * Work that only reads, all of it as it stood at one moment, however long it takes. As a part of an outer transaction it sees what
 * that one sees.
 */
export const inSnapshot = <T>(db: Database, shopId: string, work: (tx: Tx) => Promise<T>): Promise<T> =>
  inTransaction(db, { 'app.shop_id': shopId }, work, 'isolation level repeatable read, read only');

/** Before anybody is known: sees no shop's rows but those a door policy lets through. */
export const atTheDoor = <T>(
  db: Database,
  door: { email?: string; linkHash?: string },
  work: (tx: Tx) => Promise<T>,
): Promise<T> =>
  inTransaction(
    db,
    {
      ...(door.email === undefined ? {} : { 'app.sign_in_email': door.email }),
      ...(door.linkHash === undefined ? {} : { 'app.link_hash': door.linkHash }),
    },
    work,
  );

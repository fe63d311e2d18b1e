/**
 * The reads of one transaction. What was read is not read again, and reads that are asked side by side go to PostgreSQL as one
 * statement: a page that needs thirty tables waits for a few round trips, not for thirty.
 */
import type pg from 'pg';

/** A statement as PostgreSQL takes it: values by number, and the name under which a connection keeps its plan. */
export interface Prepared {
  name: string;
  text: string;
  /** Whose value each number stands for. */
  keys: readonly string[];
  /** Whether it changes nothing, locks nothing and calls nothing that does. */
  reads: boolean;
}

export type Value = string | number | boolean | null | Buffer | readonly string[];
export type Row = Record<string, unknown>;

const [INT8, TIMESTAMPTZ] = [20, 1184];
/**
 * Types whose JSON says the same as what the driver reads (pg_type.dat): boolean, the integers, text of all sorts, dates, uuids,
 * floats, JSON, and lists of text, integers and uuids. Instants are told from their text; whatever is of another type is asked
 * alone.
 */
const AS_JSON = new Set([
  16,
  18,
  19,
  INT8,
  21,
  23,
  25,
  114,
  700,
  701,
  1005,
  1007,
  1009,
  1015,
  1016,
  1042,
  1043,
  1082,
  TIMESTAMPTZ,
  2950,
  2951,
  3802,
]);

/** So many rows, or characters in them, are read quicker as rows than as JSON, which is read in one go while everybody waits. */
const [MANY, LONG] = [500, 100_000];

const isLong = (rows: readonly Row[]): boolean =>
  rows.length > MANY ||
  rows.reduce((sum, row) => {
    for (const value of Object.values(row)) if (typeof value === 'string') sum += value.length;
    return sum;
  }, 0) > LONG;

/** What is known of a statement once it has been run. */
interface Answered {
  fitJson: boolean;
  /** Columns that are read from text where they come in JSON. */
  instants: readonly string[];
  /** Whether it gave many rows, or long ones, the last time. */
  isLong: boolean;
}
const answered = new Map<string, Answered>();

function learn(name: string, fields: readonly pg.FieldDef[]): Answered {
  let known = answered.get(name);
  if (!known) {
    known = {
      fitJson: fields.length > 0 && fields.every((f) => AS_JSON.has(f.dataTypeID)),
      instants: fields.filter((f) => f.dataTypeID === TIMESTAMPTZ).map((f) => f.name),
      isLong: false,
    };
    answered.set(name, known);
  }
  return known;
}

function goesWithOthers({ name }: Prepared): boolean {
  const known = answered.get(name);
  return known !== undefined && known.fitJson && !known.isLong;
}

interface Asked {
  statement: Prepared;
  values: readonly Value[];
  answer: (rows: Row[]) => void;
  fail: (error: unknown) => void;
}

/** Numbers of its values, from `first` on. */
const renumbered = (text: string, first: number): string =>
  text.replace(/'[^']*'|\$(\d+)/g, (match, n?: string) =>
    n === undefined ? match : `$${Number(n) + first}`,
  );

const whole = new Map<string, { name: string; text: string }>();

/** Several statements as one of one row: a column for the rows of each. */
function together(all: readonly Asked[], nameOf: (text: string) => string): { name: string; text: string } {
  const key = all.map((a) => a.statement.name).join();
  let made = whole.get(key);
  if (!made) {
    let first = 0;
    const columns = all.map(({ statement, values }, i) => {
      const text = renumbered(statement.text, first);
      first += values.length;
      return `(select coalesce(json_agg(q), '[]') from (${text}) q) as r${i}`;
    });
    const text = `select ${columns.join(', ')}`;
    whole.set(key, (made = { name: nameOf(text), text }));
  }
  return made;
}

function inDriversForm(rows: Row[], { instants }: Answered): Row[] {
  for (const row of rows)
    for (const field of instants)
      if (row[field] !== null) row[field] = new Date(row[field] as string).toISOString();
  return rows;
}

/** Runs what was asked side by side. */
async function run(
  connection: pg.Client,
  all: readonly Asked[],
  nameOf: (text: string) => string,
): Promise<void> {
  const [joined, alone]: [Asked[], Asked[]] = [[], []];
  for (const a of all) (goesWithOthers(a.statement) ? joined : alone).push(a);
  if (joined.length === 1) alone.push(joined.pop()!);
  try {
    for (const { statement, values, answer } of alone) {
      const result = await connection.query<Row>({
        name: statement.name,
        text: statement.text,
        values: [...values],
      });
      learn(statement.name, result.fields).isLong = isLong(result.rows);
      answer(result.rows);
    }
    if (joined.length === 0) return;
    const values = joined.flatMap((a) => a.values);
    const { rows } = await connection.query<Record<string, Row[]>>({ ...together(joined, nameOf), values });
    joined.forEach(({ statement, answer }, i) => {
      const known = answered.get(statement.name)!;
      const own = inDriversForm(rows[0]![`r${i}`]!, known);
      known.isLong = isLong(own);
      answer(own);
    });
  } catch (error) {
    for (const { fail } of all) fail(error);
  }
}

const deepFrozen = <T>(value: T): T => {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value) && !Buffer.isBuffer(value)) {
    Object.freeze(value);
    Object.values(value).forEach(deepFrozen);
  }
  return value;
};

export interface Reads {
  ask: (statement: Prepared, values: readonly Value[]) => Promise<Row[]>;
  /** Something is changed: what was read may be otherwise now, and what is asked from here on is asked behind it. */
  forget: () => void;
}

/** `inTurn`: what the connection does goes one after the other. */
export function readsOn(
  connection: pg.Client,
  inTurn: (work: () => Promise<void>) => Promise<void>,
  nameOf: (text: string) => string,
): Reads {
  const known = new Map<string, Promise<Row[]>>();
  let gathered: Asked[] | null = null;
  const gather = (asked: Asked): void => {
    if (gathered) {
      gathered.push(asked);
      return;
    }
    const all = (gathered = [asked]);
    void inTurn(async () => {
      // Whatever is asked in the same turn has been asked then: promises go before the next tick.
      await new Promise<void>((done) => process.nextTick(done));
      if (gathered === all) gathered = null;
      await run(connection, all, nameOf);
    });
  };
  return {
    ask: (statement, values) => {
      const key = `${statement.name} ${JSON.stringify(values)}`;
      let rows = known.get(key);
      if (!rows) {
        rows = new Promise<Row[]>((answer, fail) => gather({ statement, values, answer, fail }));
        // Tests find whoever changes rows that others share.
        if (process.env.NODE_ENV === 'test') rows = rows.then(deepFrozen);
        known.set(key, rows);
      }
      return rows;
    },
    forget: () => {
      known.clear();
      gathered = null;
    },
  };
}

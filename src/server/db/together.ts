/**
 * Queries that many ask at once, each for one thing. What is asked within one turn of a transaction becomes one statement, so
 * that the statements of a request do not grow with the builds that it looks at. What was read is remembered by the transaction
 * itself (`reads.ts`).
 */
import DataLoader from 'dataloader';
import { inItsTurn } from '../turns.ts';
import type { Tx } from './pool.ts';

/** `ask` answers many questions in their order. */
export function together<Question, Answer>(
  ask: (tx: Tx, questions: readonly Question[]) => Promise<Answer[]>,
): (tx: Tx, question: Question) => Promise<Answer> {
  const loaders = new WeakMap<Tx, DataLoader<Question, Answer>>();
  return (tx, question) => {
    let loader = loaders.get(tx);
    if (!loader) {
      loader = new DataLoader((questions: readonly Question[]) => ask(tx, questions), { cache: false });
      loaders.set(tx, loader);
    }
    return loader.load(question);
  };
}

/** A query of the rows of some things, mostly builds, to be asked for one of them. `keyOf`: of which of them a row is. */
export const rowsPer = <Row>(
  rowsOf: (tx: Tx, ids: readonly string[]) => Promise<Row[]>,
  keyOf: (row: Row) => string,
): ((tx: Tx, id: string) => Promise<Row[]>) =>
  together(async (tx, asked: readonly string[]) => {
    const byId = new Map<string, Row[]>(asked.map((id) => [id, []]));
    for (const row of await rowsOf(tx, [...byId.keys()])) byId.get(keyOf(row))!.push(row);
    return asked.map((id) => byId.get(id)!);
  });

interface Texts {
  buildId: string;
  rows: string;
}

/** A query with a column "buildId" as one of a text of JSON for each build; only of types whose JSON says the same as the driver. */
export const asTexts = (sql: string): string =>
  `select "buildId", json_agg(q)::text as rows from (${sql}) q group by "buildId"`;

/** As `rowsPer`, for some thousand rows of all builds together: those of a build come as one text, which is read in its turn. */
export function manyRowsPer<Row>(
  textsOf: (tx: Tx, buildIds: readonly string[]) => Promise<Texts[]>,
): (tx: Tx, buildId: string) => Promise<Row[]> {
  const textOf = rowsPer(textsOf, (t) => t.buildId);
  return async (tx, buildId) => {
    const [of] = await textOf(tx, buildId);
    return of ? inItsTurn(tx, () => JSON.parse(of.rows) as Row[]) : [];
  };
}

/** A query whose answer does not change while a transaction runs, also where it writes: it is asked once in all of it. */
export function oncePerTransaction<Answer>(query: (tx: Tx) => Promise<Answer>): (tx: Tx) => Promise<Answer> {
  const answers = new WeakMap<Tx, Promise<Answer>>();
  return (tx) => {
    let answer = answers.get(tx);
    if (!answer) answers.set(tx, (answer = query(tx)));
    return answer;
  };
}

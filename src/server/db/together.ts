/**
 * Queries that many ask at once, each for one build. What is asked within one turn of a transaction becomes one statement, so
 * that the statements of a request do not grow with the builds that it looks at. Nothing is remembered: a question that is
 * asked later is asked anew.
 */
import DataLoader from 'dataloader';
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

/** A query of the rows of some builds, to be asked for one. `buildOf`: of which of them a row is. */
export const rowsPerBuild = <Row>(
  rowsOf: (tx: Tx, buildIds: readonly string[]) => Promise<Row[]>,
  buildOf: (row: Row) => string,
): ((tx: Tx, buildId: string) => Promise<Row[]>) =>
  together(async (tx, asked: readonly string[]) => {
    const byBuild = new Map<string, Row[]>(asked.map((id) => [id, []]));
    for (const row of await rowsOf(tx, [...byBuild.keys()])) byBuild.get(buildOf(row))!.push(row);
    return asked.map((id) => byBuild.get(id)!);
  });

/** A query of the shop that several parts of a request ask. */
export function oncePerTurn<Answer>(query: (tx: Tx) => Promise<Answer>): (tx: Tx) => Promise<Answer> {
  const asked = together(async (tx, all: readonly string[]) => {
    const answer = await query(tx);
    return all.map(() => answer);
  });
  return (tx) => asked(tx, tx.shopId);
}

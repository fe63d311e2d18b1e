import pg from 'pg';

type Query = (this: pg.Client, ...given: unknown[]) => unknown;

const textOf = (query: unknown): string =>
  typeof query === 'string' ? query : ((query as { text?: string }).text ?? '');

/** Tells of every query of any connection, with what it comes to; the answer ends the watch. */
export function watchQueries(seen: (client: pg.Client, text: string, answer: unknown) => void): () => void {
  const client = pg.Client.prototype as { query: Query };
  const { query } = client;
  client.query = function (...given) {
    const answer = query.apply(this, given);
    seen(this, textOf(given[0]), answer);
    return answer;
  };
  return () => void (client.query = query);
}

import type { PaperView } from '#contract/papers.ts';
import type { Tx } from '../../db/pool.ts';

export interface PaperRow {
  id: string;
  build_id: string;
  name: string;
  hash: string;
  bytes: number;
  person: string;
  added_at: string;
  given_at: string | null;
  removed_at: string | null;
}

export const toPaper = (r: PaperRow): PaperView => ({
  id: r.id,
  name: r.name,
  bytes: r.bytes,
  person: r.person,
  addedAt: r.added_at,
  givenAt: r.given_at,
});

const ROW = `select p.*, o.name as person from papers p join people o on o.shop_id = p.shop_id and o.id = p.person_id
  where p.shop_id = :shopId`;

/** Taken away or not: an id is used once. */
export const paperById = (tx: Tx, id: string): Promise<PaperRow | undefined> =>
  tx.one(`${ROW} and p.id = :id`, { id });

/** The newest first. */
export const papersOf = (tx: Tx, buildId: string): Promise<PaperRow[]> =>
  tx.rows(`${ROW} and p.build_id = :buildId and p.removed_at is null order by p.added_at desc, p.id desc`, {
    buildId,
  });

/** What the customer has, the newest first. */
export const papersGiven = async (tx: Tx, buildId: string): Promise<PaperRow[]> =>
  (await papersOf(tx, buildId)).filter((p) => p.given_at !== null);

export const insertPaper = (
  tx: Tx,
  p: {
    id: string;
    buildId: string;
    name: string;
    hash: string;
    bytes: number;
    personId: string;
    now: string;
  },
): Promise<number> =>
  tx.run(
    `insert into papers (shop_id, id, build_id, name, hash, bytes, person_id, added_at)
     values (:shopId, :id, :buildId, :name, :hash, :bytes, :personId, :now)`,
    p,
  );

export const setGiven = (tx: Tx, id: string, at: string | null): Promise<number> =>
  tx.run('update papers set given_at = :at where shop_id = :shopId and id = :id', { id, at });

export const setRemoved = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run('update papers set removed_at = :now, given_at = null where shop_id = :shopId and id = :id', {
    id,
    now,
  });

/** What a line may be about that is counted in pieces. */
import type { Tx } from '../../db/pool.ts';

interface CountedRow {
  id: string;
  what: string;
  state: string;
  quantity: number;
  vendor: string;
}

/** More open parts than anybody names by a line. */
const MOST = 500;

/** Parts that something is still to happen to, the newest first. */
export const openParts = (tx: Tx, buildId: string): Promise<CountedRow[]> =>
  tx.rows(
    `select id, content ->> 'what' as what, state, (content ->> 'quantity')::int as quantity, vendor from parts
     where shop_id = :shopId and build_id = :buildId and removed_at is null
       and state in ('to find', 'to order', 'ordered', 'arrived')
     order by made_at desc, id limit ${MOST}`,
    { buildId },
  );

/** Pieces that are out with a batch, or missing from one. */
export const piecesAway = (tx: Tx, buildId: string): Promise<CountedRow[]> =>
  tx.rows(
    `select p.id, p.content ->> 'what' as what, p.state, (p.content ->> 'count')::int as quantity, b.vendor from pieces p
     join batches b on b.shop_id = p.shop_id and b.id = p.batch_id
     where p.shop_id = :shopId and p.build_id = :buildId and p.removed_at is null and p.state in ('out', 'missing')
     order by p.made_at, p.id limit ${MOST}`,
    { buildId },
  );

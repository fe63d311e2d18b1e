/** What a line may be about that is counted in pieces, and what somebody is at. */
import type { OpenThing } from '#core/acts/acts.ts';
import type { Tx } from '../../db/pool.ts';

type CountedThing = Pick<OpenThing, 'id' | 'name' | 'state'> & {
  type: 'part' | 'piece';
  quantity: number;
  vendor: string;
};

/** More than anybody names by a line. */
const MOST = 500;

/** Parts that something is still to happen to, the newest first, and pieces that are out with a batch, or missing from one. */
export const countedThings = (tx: Tx, buildId: string): Promise<CountedThing[]> =>
  tx.rows(
    `(select 'part' as type, id, content ->> 'what' as name, state, (content ->> 'quantity')::int as quantity, vendor
      from parts
      where shop_id = :shopId and build_id = :buildId and removed_at is null
        and state in ('to find', 'to order', 'ordered', 'arrived')
      order by made_at desc, id limit ${MOST})
     union all
     (select 'piece', p.id, p.content ->> 'what', p.state, g.sent - g.back, b.vendor from pieces p
      join batches b on b.shop_id = p.shop_id and b.id = p.batch_id
      join batch_pieces g on g.shop_id = p.shop_id and g.batch_id = p.batch_id and g.piece_id = p.id
      where p.shop_id = :shopId and p.build_id = :buildId and p.removed_at is null and p.state in ('out', 'missing')
      order by p.made_at, p.id limit ${MOST})`,
    { buildId },
  );

/** Tasks of a build that a person is at now. */
export const tasksUnderHand = async (tx: Tx, buildId: string, personId: string): Promise<string[]> =>
  (
    await tx.rows<{ id: string }>(
      `select task_id as id from spells
       where shop_id = :shopId and build_id = :buildId and person_id = :personId and ended_at is null`,
      { buildId, personId },
    )
  ).map((r) => r.id);

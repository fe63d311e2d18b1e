import type { Pinned, PlanBatchView, PlanCarView, PlanPieceView, PlanPlaceView } from '#contract/plan.ts';
import type { Tx } from '../../db/pool.ts';
import { IS_HERE } from '../builds/index.ts';

export const places = (tx: Tx): Promise<PlanPlaceView[]> =>
  tx.rows(
    `select id, name, kind, closed, position, version, spot from places
     where shop_id = :shopId and not closed order by position, name collate people_order`,
  );

export const cars = (tx: Tx): Promise<PlanCarView[]> =>
  tx.rows(
    `select id as "buildId", number, nickname, place_id as "placeId", placed_at as "placedAt", pinned
     from builds b
     where shop_id = :shopId and ${IS_HERE} order by number`,
  );

export const pieces = (tx: Tx): Promise<PlanPieceView[]> =>
  tx.rows(
    `select p.id, p.version, p.build_id as "buildId", b.nickname, p.content ->> 'what' as what,
       p.place_id as "placeId", p.is_large as "isLarge"
     from pieces p join builds b on b.shop_id = p.shop_id and b.id = p.build_id
     where p.shop_id = :shopId and p.place_id is not null and p.removed_at is null and p.state in ('off', 'ready') and ${IS_HERE}
     order by b.number, p.made_at, p.id`,
  );

export const batchesOut = (tx: Tx): Promise<(Omit<PlanBatchView, 'number'> & { number: number })[]> =>
  tx.rows(
    `select o.id, o.number, o.vendor, o.treatment, o.promised, json_agg(json_build_object(
         'buildId', c.build_id, 'nickname', c.nickname, 'pieces', c.pieces) order by c.nickname) as cars
     from batches o
     join (
       select g.batch_id, p.build_id, b.nickname, sum(g.sent - g.back)::int as pieces
       from batch_pieces g
       join pieces p on p.shop_id = g.shop_id and p.id = g.piece_id
       join builds b on b.shop_id = p.shop_id and b.id = p.build_id
       where g.shop_id = :shopId group by g.batch_id, p.build_id, b.nickname having sum(g.sent - g.back) > 0
     ) c on c.batch_id = o.id
     where o.shop_id = :shopId and o.state = 'out' group by o.id, o.number, o.vendor, o.treatment, o.promised
     order by o.vendor, o.number`,
  );

export const pinnedOf = async (tx: Tx, buildId: string): Promise<Pinned | null> =>
  (
    await tx.one<{ pinned: Pinned | null }>(
      'select pinned from builds where shop_id = :shopId and id = :buildId',
      { buildId },
    )
  )?.pinned ?? null;

export const savePinned = (tx: Tx, buildId: string, pinned: Pinned | null): Promise<number> =>
  tx.run('update builds set pinned = :pinned::jsonb where shop_id = :shopId and id = :buildId', {
    buildId,
    pinned: pinned === null ? null : JSON.stringify(pinned),
  });

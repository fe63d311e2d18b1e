import type { Pinned, PlanCarView, PlanPlaceView, WantedPlaceView } from '#contract/plan.ts';
import type { Tx } from '../../db/pool.ts';

export const places = (tx: Tx): Promise<PlanPlaceView[]> =>
  tx.rows(
    `select id, name, kind, closed, position, version, spot from places
     where shop_id = :shopId and not closed order by position, name collate people_order`,
  );

export const cars = (tx: Tx): Promise<PlanCarView[]> =>
  tx.rows(
    `select id as "buildId", number, nickname, place_id as "placeId", placed_at as "placedAt", pinned,
       standing -> 'waits' -> 0 ->> 'subject' as "waitsFor" from builds
     where shop_id = :shopId order by number`,
  );

/** Tasks that nothing else holds up than where their car stands. */
export const wanted = (tx: Tx): Promise<WantedPlaceView[]> =>
  tx.rows(
    `select t.content ->> 'place' as kind, b.id as "buildId", b.nickname, t.content ->> 'title' as task
     from tasks t
     join builds b on b.shop_id = t.shop_id and b.id = t.build_id
     left join places p on p.shop_id = b.shop_id and p.id = b.place_id
     where t.shop_id = :shopId and t.state = 'to do' and t.content ->> 'place' is not null
       and t.content ->> 'place' not in ('bench', 'vendor')
       and t.content ->> 'place' is distinct from p.kind
       and not exists (
         select from task_needs n join tasks f on f.shop_id = n.shop_id and f.id = n.needs_id
         where n.shop_id = t.shop_id and n.task_id = t.id and f.state in ('to do', 'going'))
     order by b.number, t.position`,
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

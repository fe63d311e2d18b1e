import type { WalkCarView } from '#contract/walk.ts';
import type { Pause } from '#core/pauses/pauses.ts';
import type { Spot } from '#core/plan/floorPlan.ts';
import type { PlaceKind } from '#core/shop/places.ts';
import type { Tx } from '../../db/pool.ts';
import { IS_HERE, PAUSES } from '../builds/index.ts';

export const openWalk = (tx: Tx, personId: string): Promise<{ id: string; began_at: string } | undefined> =>
  tx.one(
    'select id, began_at from walks where shop_id = :shopId and person_id = :personId and ended_at is null',
    {
      personId,
    },
  );

/** The walk that somebody is on, if they are on one, and when the last of all ended. */
export const walksNow = async (
  tx: Tx,
  personId: string,
): Promise<{ id: string | null; beganAt: string | null; lastAt: string | null }> =>
  (await tx.one(
    `select o.id, o.began_at as "beganAt", l.at as "lastAt"
     from (select max(ended_at) as at from walks where shop_id = :shopId) l
     left join walks o on o.shop_id = :shopId and o.person_id = :personId and o.ended_at is null`,
    { personId },
  ))!;

export const walkById = (
  tx: Tx,
  id: string,
): Promise<{ id: string; person_id: string; ended_at: string | null } | undefined> =>
  tx.one('select id, person_id, ended_at from walks where shop_id = :shopId and id = :id', { id });

export const insertWalk = (tx: Tx, w: { id: string; personId: string; now: string }): Promise<number> =>
  tx.run(
    'insert into walks (shop_id, id, person_id, began_at) values (:shopId, :id, :personId, :now) on conflict do nothing',
    w,
  );

export const endWalk = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run('update walks set ended_at = :now where shop_id = :shopId and id = :id and ended_at is null', {
    id,
    now,
  });

/** Looked at again, it is the first look that counts. */
export const insertSeen = (tx: Tx, s: { walkId: string; buildId: string; at: string }): Promise<number> =>
  tx.run(
    `insert into walk_cars (shop_id, walk_id, build_id, seen_at) values (:shopId, :walkId, :buildId, :at)
     on conflict do nothing`,
    s,
  );

export interface WalkRow extends Omit<WalkCarView, 'binding' | 'promised'> {
  promised: string | null;
  promisedOn: string | null;
  pauses: Pause[] | null;
}

/** So many of the newest entries stand beside a car. */
const SHOWN = 6;

/** Every car with what has happened to it since somebody walked past, by number. */
export const walkRows = (tx: Tx, walkId: string): Promise<WalkRow[]> =>
  tx.rows(
    `select b.id as "buildId", b.number, b.nickname, v.name as vehicle, c.name as customer, p.name as place,
       b.place_id as "placeId", b.promised, b.promised_on as "promisedOn", b.next_step as next,
       ${PAUSES} as pauses,
       w.seen_at as "seenAt", l.before,
       coalesce(e.since, '[]') as since, greatest(0, h.n - ${SHOWN}) as more
     from builds b
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
     left join places p on p.shop_id = b.shop_id and p.id = b.place_id
     left join walk_cars w on w.shop_id = b.shop_id and w.build_id = b.id and w.walk_id = :walkId
     left join lateral (
       select max(o.seen_at) as before from walk_cars o
       where o.shop_id = b.shop_id and o.build_id = b.id and o.walk_id <> :walkId
     ) l on true
     left join lateral (
       select json_agg(json_build_object('id', s.id, 'at', s.at, 'kind', s.kind, 'text', s.text)
           order by s.at desc, s.seq desc) as since
       from (
         select n.id, n.at, n.seq, n.kind, n.text from entries_now n
         where n.shop_id = b.shop_id and n.build_id = b.id and not n.withdrawn
           and n.recorded_at > coalesce(l.before, '-infinity')
         order by n.at desc, n.seq desc limit ${SHOWN}
       ) s
     ) e on true
     left join lateral (
       select count(*)::int as n from ledger h
       where h.shop_id = b.shop_id and h.build_id = b.id and not h.withdrawn
         and h.recorded_at > coalesce(l.before, '-infinity')
     ) h on true
     where b.shop_id = :shopId and ${IS_HERE} order by b.number`,
    { walkId },
  );

export const drawnPlaces = (
  tx: Tx,
): Promise<{ id: string; name: string; kind: PlaceKind; position: number; spot: Spot | null }[]> =>
  tx.rows(
    `select id, name, kind, position, spot from places where shop_id = :shopId and not closed
     order by position, name collate people_order`,
  );

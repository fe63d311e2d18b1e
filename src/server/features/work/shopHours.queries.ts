import type { HoursRow } from '#contract/work.ts';
import { WORKED_KINDS } from '#core/log/kinds.ts';
import type { Tx } from '../../db/pool.ts';

/** Of an entry `e`: whoever is named in it (“Joss did the sills, 6h”), else whoever wrote it. */
export const WHO_WORKED = `coalesce((
  select p.id from people p where p.shop_id = e.shop_id and p.name = e.facts ->> 'person'
  order by p.has_left, p.id limit 1), e.person_id)`;

export const peopleHere = (tx: Tx): Promise<{ id: string; name: string }[]> =>
  tx.rows(
    'select id, name from people where shop_id = :shopId and not has_left order by name collate people_order',
  );

/** Hours of a person from one day to another: those logged on cars, and those for the shop. */
export const hoursOf = (
  tx: Tx,
  asked: { personId: string; from: string; to: string; timeZone: string },
): Promise<HoursRow[]> =>
  tx.rows(
    `select * from (
       select e.id, (e.at at time zone :timeZone)::date as day, (e.facts ->> 'minutes')::int as minutes, e.text as what,
         e.build_id as "buildId", b.nickname
       from entries_now e join builds b on b.shop_id = e.shop_id and b.id = e.build_id
       where e.shop_id = :shopId and ${WHO_WORKED} = :personId and not e.withdrawn
         and e.kind = any(:worked) and e.facts ->> 'minutes' is not null
         and e.at >= :from::date::timestamp at time zone :timeZone
         and e.at < (:to::date + 1)::timestamp at time zone :timeZone
       union all
       select h.id, h.day, h.minutes, h.what, null, null from shop_hours h
       where h.shop_id = :shopId and h.person_id = :personId and h.removed_at is null and h.day between :from and :to
     ) w order by day, nickname nulls last, id`,
    { ...asked, worked: WORKED_KINDS },
  );

export const ownerOfHours = async (tx: Tx, id: string): Promise<string | undefined> =>
  (
    await tx.one<{ person_id: string }>(
      'select person_id from shop_hours where shop_id = :shopId and id = :id',
      { id },
    )
  )?.person_id;

export const saveHours = (
  tx: Tx,
  h: {
    id: string;
    personId: string;
    day: string;
    minutes: number;
    what: string;
    removedAt: string | null;
    now: string;
  },
): Promise<number> =>
  tx.run(
    `insert into shop_hours (shop_id, id, person_id, day, minutes, what, removed_at, made_at)
     values (:shopId, :id, :personId, :day, :minutes, :what, :removedAt, :now)
     on conflict (shop_id, id) do update set day = :day, minutes = :minutes, what = :what, removed_at = :removedAt`,
    h,
  );

import type { HoursRow } from '#contract/work.ts';
import { WORKED_KINDS } from '#core/log/kinds.ts';
import type { Tx } from '../../db/pool.ts';

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
       select e.id, (h.at at time zone :timeZone)::date as day, h.minutes, e.text as what,
         h.build_id as "buildId", b.nickname
       from ledger h
       join entries_now e on e.shop_id = h.shop_id and e.id = h.entry_id
       join builds b on b.shop_id = h.shop_id and b.id = h.build_id
       where h.shop_id = :shopId and h.person_id = :personId and not h.withdrawn
         and h.kind = any(:worked) and h.minutes is not null
         and h.at >= :from::date::timestamp at time zone :timeZone
         and h.at < (:to::date + 1)::timestamp at time zone :timeZone
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

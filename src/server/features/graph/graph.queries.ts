import type { Owed } from '#core/graph/readiness.ts';
import type { PartState } from '#core/parts/parts.ts';
import type { PauseSide } from '#core/pauses/pauses.ts';
import type { Hand } from '#core/shop/away.ts';
import type { PlaceKind } from '#core/shop/places.ts';
import type { Wait } from '#core/waits/waits.ts';
import type { Tx } from '../../db/pool.ts';
import { IS_HERE, WAITS_NOW } from '../builds/index.ts';

export interface BuildRow {
  id: string;
  nickname: string;
  customer: string;
  placeId: string | null;
  placeKind: PlaceKind | null;
  nextStep: string;
  waits: Wait[];
  lastAt: string;
  pinned: object | null;
  /** Sent and not answered: since when. */
  askedAt: string | null;
  isWorkedOn: boolean;
  /** Money on account without which work stops, and that is not in. */
  owed: Owed[];
  /** For whose reasons it rests, while it does, and the entry that says so. */
  rests: { side: PauseSide; entryId: string } | null;
}

/** Every build that is here, and the one that is asked about, with what holds it apart from its tasks and parts. */
export const buildRows = (tx: Tx, only?: string): Promise<BuildRow[]> =>
  tx.rows(
    `select b.id, b.nickname, c.name as customer, b.place_id as "placeId", p.kind as "placeKind",
       b.next_step as "nextStep", ${WAITS_NOW} as waits, b.pinned,
       coalesce((b.standing -> 'doing' ->> 'at')::timestamptz, b.arrived_at) as "lastAt",
       (select r.sent_at from revisions r
        where r.shop_id = b.shop_id and r.build_id = b.id
          and r.number = (select max(n.number) from revisions n where n.shop_id = b.shop_id and n.build_id = b.id)
          and not exists (select from answers a where a.shop_id = r.shop_id and a.revision_id = r.id)
       ) as "askedAt",
       exists (select from spells s where s.shop_id = b.shop_id and s.build_id = b.id and s.ended_at is null)
         as "isWorkedOn",
       (select json_build_object('side', h.side, 'entryId', h.entry_id) from pauses h
        where h.shop_id = b.shop_id and h.build_id = b.id and h.to_day is null) as rests,
       coalesce((select json_agg(json_build_object('what', i.what, 'askedOn', i.asked_on, 'due', i.due)
           order by i.asked_on, i.id)
         from instalments i where i.shop_id = b.shop_id and i.build_id = b.id and i.removed_at is null
           and i.holds and i.received_minor < i.asked_minor), '[]') as owed
     from builds b
     join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
     left join places p on p.shop_id = b.shop_id and p.id = b.place_id
     where b.shop_id = :shopId and (${IS_HERE} or b.id = :only::uuid) order by b.number`,
    { only: only ?? null },
  );

export interface OpenPart {
  buildId: string;
  /** The task that cannot be begun without it. */
  taskId: string | null;
  what: string;
  state: PartState;
  vendor: string;
  due: string | null;
  madeAt: string;
}

/** Parts that are not here yet, or not as they should be. */
export const openParts = (tx: Tx, buildId?: string): Promise<OpenPart[]> =>
  tx.rows(
    `select build_id as "buildId", (content ->> 'taskId')::uuid as "taskId", content ->> 'what' as what, state, vendor, due, made_at as "madeAt" from parts
     where shop_id = :shopId and removed_at is null and state in ('to find', 'to order', 'ordered', 'wrong')
       and (:buildId::uuid is null or build_id = :buildId)
     order by made_at, id`,
    { buildId: buildId ?? null },
  );

/** Those who work here now, what they do, and when they are away. */
export const hands = (tx: Tx): Promise<Hand[]> =>
  tx.rows(
    `select p.name, p.skills, coalesce((
       select json_agg(json_build_object('from', a.from_day, 'to', a.to_day) order by a.from_day) from absences a
       where a.shop_id = p.shop_id and a.person_id = p.id and a.removed_at is null), '[]') as away
     from people p where p.shop_id = :shopId and not p.has_left order by p.name`,
  );

import type { TellBy } from '#contract/builds.ts';
import type { Tx } from '../../db/pool.ts';

export interface DueRow {
  buildId: string;
  nickname: string;
  vehicle: string;
  customer: string;
  tellBy: TellBy;
  tellEveryDays: number;
  toldAt: string | null;
  arrivedAt: string;
  promised: string | null;
  draftId: string | null;
  /** Entries for the customer since the last letter. */
  news: number;
}

/** Every build with when its customer was told last, and how much there is to tell. */
export const dueRows = (tx: Tx): Promise<DueRow[]> =>
  tx.rows(
    `select b.id as "buildId", b.nickname, v.name as vehicle, c.name as customer, c.tell_by as "tellBy",
       c.tell_every_days as "tellEveryDays", b.standing ->> 'toldAt' as "toldAt", b.arrived_at as "arrivedAt", b.promised,
       d.id as "draftId",
       (select count(*) from entries e where e.shop_id = b.shop_id and e.build_id = b.id and e.seq > b.told_up_to
          and e.audience = 'customer' and e.kind <> 'told') as news
     from builds b
     join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     left join letters d on d.shop_id = b.shop_id and d.build_id = b.id and d.state = 'draft'
     where b.shop_id = :shopId and b.stage <> 'closed' order by b.number`,
  );

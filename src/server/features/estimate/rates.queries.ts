import type { RateView } from '#contract/rates.ts';
import type { Tx } from '../../db/pool.ts';

/** Every rate that holds, held or will hold. */
/** A rate `r` as it is seen. */
export const RATE_AS_JSON = `json_build_object('id', r.id, 'personId', r.person_id, 'work', r.work, 'from', r.from_day,
  'chargeMinor', r.charge_minor, 'costMinor', r.cost_minor)`;

export const ratesOf = async (tx: Tx): Promise<RateView[]> =>
  (
    await tx.rows<{ rate: RateView }>(
      `select ${RATE_AS_JSON} as rate from rates r where r.shop_id = :shopId order by r.from_day, r.id`,
    )
  ).map((r) => r.rate);

/** Keeps a rate; one for the same person, work and day is changed. A figure that is null stays as it was. */
export const saveRate = (tx: Tx, r: RateView): Promise<number> =>
  tx.run(
    `insert into rates (shop_id, id, person_id, work, from_day, charge_minor, cost_minor)
     values (:shopId, :id, :personId, :work, :from, :chargeMinor, :costMinor)
     on conflict (shop_id, coalesce(person_id, '00000000-0000-0000-0000-000000000000'), coalesce(work, ''), from_day)
     do update set charge_minor = coalesce(excluded.charge_minor, rates.charge_minor),
       cost_minor = coalesce(excluded.cost_minor, rates.cost_minor)`,
    { ...r },
  );

export const dropRate = (tx: Tx, id: string): Promise<number> =>
  tx.run('delete from rates where shop_id = :shopId and id = :id', { id });

export const isPerson = async (tx: Tx, id: string): Promise<boolean> =>
  (await tx.one('select 1 from people where shop_id = :shopId and id = :id', { id })) !== undefined;

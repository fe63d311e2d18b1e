import type { RateView } from '#contract/rates.ts';
import type { Tx } from '../../db/pool.ts';
import { oncePerTurn } from '../../db/together.ts';

/** Every rate that holds, held or will hold. */
export const ratesOf = oncePerTurn((tx) =>
  tx.rows<RateView>(
    `select id, person_id as "personId", work, from_day as "from", charge_minor as "chargeMinor",
       cost_minor as "costMinor"
     from rates where shop_id = :shopId order by from_day, id`,
  ),
);

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

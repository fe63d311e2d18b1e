import type { LabelledThing } from '#contract/labels.ts';
import type { Tx } from '../../db/pool.ts';

type Row = Omit<LabelledThing, 'code'>;

/** Everything that carries a label, where a condition on its id `t.id` holds. */
const things = (where: string): string => `
  select 'part' as type, t.id, t.build_id as "buildId", t.content ->> 'what' as what,
    b.nickname || ', ' || c.name as whose, t.content ->> 'number' as number
  from parts t join builds b on b.shop_id = t.shop_id and b.id = t.build_id
  join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
  where t.shop_id = :shopId and t.removed_at is null and ${where}
  union all
  select 'piece', t.id, t.build_id,
    case when t.content ->> 'count' = '1' then t.content ->> 'what' else (t.content ->> 'count') || ' ' || (t.content ->> 'what') end,
    b.nickname || ', ' || c.name,
    case when t.content ->> 'bag' = '' then '' else 'bag ' || (t.content ->> 'bag') end
  from pieces t join builds b on b.shop_id = t.shop_id and b.id = t.build_id
  join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
  where t.shop_id = :shopId and t.removed_at is null and ${where}
  union all
  select 'batch', t.id, null, 'O-' || lpad(t.number::text, 3, '0') || ', ' || t.treatment, t.vendor, ''
  from batches t where t.shop_id = :shopId and ${where}
  union all
  select 'place', t.id, null, t.name, t.kind, '' from places t where t.shop_id = :shopId and ${where}`;

export const thingsById = (tx: Tx, ids: readonly string[]): Promise<Row[]> =>
  tx.rows(things('t.id = any(:ids)'), { ids });

export const thingsByTail = (tx: Tx, tail: string): Promise<Row[]> =>
  tx.rows(things('right(t.id::text, 10) = :tail'), { tail });

import type { LeakGuard } from '#core/update/leaks.ts';
import type { Tx } from '../../db/pool.ts';
import type { EntryRow } from '../entries/index.ts';

/** When the last letter went, and the day that it named for the car to be ready. */
export const lastSent = (
  tx: Tx,
  buildId: string,
): Promise<{ sent_at: string; promised: string | null } | undefined> =>
  tx.one(
    `select sent_at, promised from letters
     where shop_id = :shopId and build_id = :buildId and state = 'sent' order by sent_at desc, id desc limit 1`,
    { buildId },
  );

/** The days that letters promised, oldest first. */
export const promisesTold = (tx: Tx, buildId: string): Promise<{ sent_at: string; promised: string }[]> =>
  tx.rows(
    `select sent_at, promised from letters
     where shop_id = :shopId and build_id = :buildId and state = 'sent' and promised is not null
     order by sent_at, id`,
    { buildId },
  );

/**
 * What a draft is made from: entries kept since the last letter, and every entry that a correction among them names,
 * with all corrections of it (so that "I wrote …" quotes what was told).
 */
export const entriesForDraft = (
  tx: Tx,
  buildId: string,
  toldUpTo: number,
): Promise<(EntryRow & { media: string[]; thing_due: string | null })[]> =>
  tx.rows(
    `with touched as (
       select corrects_id as id from entries
       where shop_id = :shopId and build_id = :buildId and seq > :toldUpTo and corrects_id is not null
     )
     select e.*, coalesce((
         select array_agg(p.id order by coalesce(p.taken_at, p.recorded_at), p.id) from photos p
         where p.shop_id = e.shop_id and p.entry_id = e.id and p.removed_at is null), '{}') as media,
       case when e.about_type = 'part'
         then (select t.due from parts t where t.shop_id = e.shop_id and t.id = e.about_id) end as thing_due
     from entries e
     where e.shop_id = :shopId and e.build_id = :buildId
       and (e.seq > :toldUpTo or e.id in (select id from touched) or e.corrects_id in (select id from touched))
     order by e.seq`,
    { buildId, toldUpTo },
  );

/** Questions to the customer that a letter told, after which nothing was decided. Estimates are asked on their own page. */
export const openQuestions = (
  tx: Tx,
  buildId: string,
  toldUpTo: number,
): Promise<{ id: string; text: string; at: string }[]> =>
  tx.rows(
    `with posted as (
       select entry_id, seq, kind from ledger
       where shop_id = :shopId and build_id = :buildId and not withdrawn and kind in ('asked', 'decided')
     )
     select e.id, e.text, e.at from entries_now e
     where e.shop_id = :shopId and e.audience = 'customer' and e.about_type is null and e.facts ->> 'vendor' is null
       and e.id in (select entry_id from posted where kind = 'asked' and seq <= :toldUpTo
         and seq > coalesce((select max(seq) from posted where kind = 'decided'), 0))
     order by e.seq desc limit 10`,
    { buildId, toldUpTo },
  );

/** Findings for the customer that no figure and no line goes with. */
export const findingsWithoutPrice = (tx: Tx, buildId: string): Promise<{ id: string; text: string }[]> =>
  tx.rows(
    `select e.id, e.text from entries_now e
     where e.shop_id = :shopId and e.build_id = :buildId and e.kind = 'found' and e.audience = 'customer'
       and not e.withdrawn and e.facts ->> 'moneyMinor' is null and e.facts ->> 'minutes' is null
       and not exists (select from estimate_lines l
         where l.shop_id = e.shop_id and l.finding_id = e.id and l.removed_at is null)
     order by e.seq desc limit 20`,
    { buildId },
  );

/** Photographs of entries since the last letter, with what they are of. */
export const picturesSince = (
  tx: Tx,
  buildId: string,
  toldUpTo: number,
): Promise<{ id: string; of: string }[]> =>
  tx.rows(
    `select p.id, case when p.caption <> '' then p.caption else e.text end as of from photos p
     join entries_now e on e.shop_id = p.shop_id and e.id = p.entry_id
     where p.shop_id = :shopId and p.build_id = :buildId and p.removed_at is null and e.seq > :toldUpTo and not e.withdrawn
     order by coalesce(p.taken_at, p.recorded_at), p.id limit 60`,
    { buildId, toldUpTo },
  );

interface OwnRow {
  words: (string | null)[];
  people: string[];
  absences: string[];
}

/** What a letter of this build may always say, the people of the shop, and why they are away. */
export const ownWords = (tx: Tx, buildId: string): Promise<OwnRow | undefined> =>
  tx.one(
    `select array[c.name, c.email, c.phone, v.name, b.nickname, b.number, v.plate, v.chassis_number]
         || (select coalesce(array_agg(n.name), '{}') from vendors n where n.shop_id = b.shop_id)
         || (select coalesce(array_agg(p.name), '{}') from people p where p.shop_id = b.shop_id)
         || (select coalesce(array_agg(r.content ->> 'number'), '{}') from register_rows r
             where r.shop_id = b.shop_id and r.vehicle_id = b.vehicle_id and r.register = 'unit' and r.removed_at is null)
         as words,
       (select coalesce(array_agg(p.name), '{}') from people p where p.shop_id = b.shop_id) as people,
       (select coalesce(array_agg(distinct a.reason), '{}') from absences a
        where a.shop_id = b.shop_id and a.removed_at is null and a.reason <> '') as absences
     from builds b
     join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     where b.shop_id = :shopId and b.id = :buildId`,
    { buildId },
  );

export const otherCustomers = async (tx: Tx, buildId: string): Promise<LeakGuard['customers'][number][]> =>
  tx.rows(
    `select name, email, phone from customers
     where shop_id = :shopId and id <> (select customer_id from builds where shop_id = :shopId and id = :buildId)`,
    { buildId },
  );

/** Cars of other customers with every number by which one would know them. */
export const otherCars = (tx: Tx, buildId: string): Promise<LeakGuard['cars'][number][]> =>
  tx.rows(
    `select o.nickname, v.name as vehicle,
       array_remove(array[o.number, v.plate, v.chassis_number]
         || (select coalesce(array_agg(r.content ->> 'number'), '{}') from register_rows r
             where r.shop_id = o.shop_id and r.vehicle_id = o.vehicle_id and r.register = 'unit'
               and r.removed_at is null), '') as codes
     from builds o
     join vehicles v on v.shop_id = o.shop_id and v.id = o.vehicle_id
     join builds b on b.shop_id = o.shop_id and b.id = :buildId
     where o.shop_id = :shopId and o.customer_id <> b.customer_id`,
    { buildId },
  );

/** What somebody wrote for the shop, and what for the customer. What Avrik itself wrote down is no note of anybody’s. */
export const saidHere = async (tx: Tx, buildId: string): Promise<{ internal: string[]; told: string[] }> => {
  const rows = await tx.rows<{ audience: string; text: string }>(
    `select audience, text from entries_now
     where shop_id = :shopId and build_id = :buildId and kind <> 'told' and not withdrawn
       and (audience = 'customer' or about_type is null)`,
    { buildId },
  );
  const of = (audience: string): string[] => rows.filter((r) => r.audience === audience).map((r) => r.text);
  return { internal: of('shop'), told: of('customer') };
};

/** What things of this build cost the shop, where their price is another. */
export const shopCosts = async (tx: Tx, buildId: string): Promise<number[]> => {
  const rows = await tx.rows<{ minor: number }>(
    `select distinct c.minor from (
       select coalesce(i.amount_minor, (p.content ->> 'costMinor')::bigint) as minor,
         (p.content ->> 'priceMinor')::bigint as price
       from parts p left join invoice_items i on i.shop_id = p.shop_id and i.part_id = p.id
       where p.shop_id = :shopId and p.build_id = :buildId and p.removed_at is null
     ) c where c.minor is not null and c.minor > 0 and c.minor is distinct from c.price`,
    { buildId },
  );
  return rows.map((r) => r.minor);
};

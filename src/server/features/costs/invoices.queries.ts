import { groupBy } from '#core/lists/groupBy.ts';
import type { InvoiceItemDto, InvoiceView, OpenOrderView } from '#contract/costs.ts';
import type { Tx } from '../../db/pool.ts';

export interface InvoiceRow {
  id: string;
  version: number;
  vendor: string;
  number: string;
  day: string;
  totalMinor: number;
}

const INVOICES =
  'select id, version, vendor, number, day, total_minor as "totalMinor" from invoices where shop_id = :shopId';

/** The newest first. */
export const newestInvoices = (tx: Tx, most: number): Promise<InvoiceRow[]> =>
  tx.rows(`${INVOICES} order by day desc, made_at desc, id limit ${most}`);

export const invoiceById = (tx: Tx, id: string): Promise<InvoiceRow | undefined> =>
  tx.one(`${INVOICES} and id = :id`, { id });

export const invoiceNumbered = (tx: Tx, vendor: string, number: string): Promise<InvoiceRow | undefined> =>
  tx.one(`${INVOICES} and lower(vendor) = lower(:vendor) and lower(number) = lower(:number)`, {
    vendor,
    number,
  });

export async function itemsOf(
  tx: Tx,
  invoiceIds: readonly string[],
): Promise<Map<string, InvoiceView['items']>> {
  const rows = await tx.rows<{ invoiceId: string; item: InvoiceView['items'][number] }>(
    `select i.invoice_id as "invoiceId", jsonb_strip_nulls(jsonb_build_object('what', i.what,
         'amountMinor', i.amount_minor, 'partId', i.part_id, 'batchId', i.batch_id, 'buildId', i.build_id,
         'lineId', i.line_id))
       || jsonb_build_object('orderedMinor', i.ordered_minor, 'nickname', coalesce(b.nickname, c.nickname)) as item
     from invoice_items i
     left join builds b on b.shop_id = i.shop_id and b.id = i.build_id
     left join parts p on p.shop_id = i.shop_id and p.id = i.part_id
     left join builds c on c.shop_id = p.shop_id and c.id = p.build_id
     where i.shop_id = :shopId and i.invoice_id = any(:invoiceIds::uuid[]) order by i.invoice_id, i.position`,
    { invoiceIds },
  );
  return new Map([...groupBy(rows, (r) => r.invoiceId)].map(([id, of]) => [id, of.map((r) => r.item)]));
}

/** Written as its index says it (`parts_to_invoice`). */
const TO_INVOICE = `removed_at is null and not is_invoiced and state in ('ordered', 'arrived', 'wrong', 'fitted')
         and vendor <> '' and history @> '[{"act": "order"}]'`;

/** What was ordered and is on no invoice but this one. */
export const openOrders = (tx: Tx, butInvoice: string | null): Promise<OpenOrderView[]> =>
  tx.rows(
    `select p.id as "partId", null as "batchId", p.vendor,
       case when (p.content ->> 'quantity')::int > 1 then (p.content ->> 'quantity') || ' ' else '' end
         || (p.content ->> 'what') as what,
       b.nickname, coalesce((p.content ->> 'costMinor')::bigint, (p.content ->> 'priceMinor')::bigint)
         + coalesce((p.content ->> 'depositMinor')::bigint, 0) as "orderedMinor",
       p.state <> 'ordered' as "isHere"
     from parts p join builds b on b.shop_id = p.shop_id and b.id = p.build_id
     where p.shop_id = :shopId and p.removed_at is null and p.id in (
       select id from parts where shop_id = :shopId and ${TO_INVOICE}
       union all select part_id from invoice_items
       where shop_id = :shopId and invoice_id = :butInvoice::uuid and part_id is not null)
     union all
     select null, t.id, t.vendor, 'O-' || lpad(t.number::text, 3, '0') || ', ' || t.treatment, null, t.price_minor,
       t.state = 'back'
     from batches t
     where t.shop_id = :shopId and t.sent_at is not null
       and not exists (select from invoice_items i where i.shop_id = t.shop_id and i.batch_id = t.id
         and i.invoice_id is distinct from :butInvoice::uuid)
     order by 3, 4`,
    { butInvoice },
  );

export const isBuild = async (tx: Tx, id: string): Promise<boolean> =>
  (await tx.one('select 1 from builds where shop_id = :shopId and id = :id', { id })) !== undefined;

export const saveInvoice = (tx: Tx, i: Omit<InvoiceRow, 'version'> & { now: string }): Promise<number> =>
  tx.run(
    `insert into invoices (shop_id, id, vendor, number, day, total_minor, made_at)
     values (:shopId, :id, :vendor, :number, :day, :totalMinor, :now)
     on conflict (shop_id, id) do update set vendor = :vendor, number = :number, day = :day,
       total_minor = :totalMinor, version = invoices.version + 1`,
    { ...i },
  );

export async function setItems(
  tx: Tx,
  invoiceId: string,
  items: readonly (InvoiceItemDto & { orderedMinor: number | null })[],
): Promise<void> {
  await tx.run(
    `with gone as (
       delete from invoice_items where shop_id = :shopId and invoice_id = :invoiceId returning part_id)
     update parts set is_invoiced = false where shop_id = :shopId and id in (select part_id from gone)`,
    { invoiceId },
  );
  for (const [position, i] of items.entries())
    await tx.run(
      `insert into invoice_items
         (shop_id, invoice_id, position, part_id, batch_id, build_id, line_id, what, amount_minor, ordered_minor)
       values (:shopId, :invoiceId, :position, :partId, :batchId, :buildId, :lineId, :what, :amountMinor, :orderedMinor)`,
      {
        invoiceId,
        position,
        partId: i.partId ?? null,
        batchId: i.batchId ?? null,
        buildId: i.buildId ?? null,
        lineId: i.lineId ?? null,
        what: i.what,
        amountMinor: i.amountMinor,
        orderedMinor: i.orderedMinor,
      },
    );
  await tx.run('update parts set is_invoiced = true where shop_id = :shopId and id = any(:partIds::uuid[])', {
    partIds: items.flatMap((i) => i.partId ?? []),
  });
}

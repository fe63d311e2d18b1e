/** What a build's money is read from: hours, things, outwork, sundries, each with its day. */
import type { Uncharged } from '#core/costs/costs.ts';
import { BOUGHT_KINDS, WORKED_KINDS, type Kind } from '#core/log/kinds.ts';
import type { Work } from '#core/estimate/lines.ts';
import type { PartHistory } from '#contract/parts.ts';
import type { PartState } from '#core/parts/parts.ts';
import type { Tx } from '../../db/pool.ts';
import { rowsPer } from '../../db/together.ts';
import { WHO_WORKED } from '../work/index.ts';

type Belongs = 'line' | 'task' | 'change' | 'discretion' | 'warranty' | 'shop';

interface Belonging {
  lineId: string | null;
  /** Null while nobody has said. */
  belongs: Belongs | null;
}

export interface HourRow extends Belonging {
  buildId: string;
  what: string;
  personId: string | null;
  at: string;
  minutes: number;
  work: Work | null;
}

/** Everything worked on a build, whether anybody said where it belongs or not. */
export const hourRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<HourRow>(
      `select e.build_id as "buildId", e.text as what, ${WHO_WORKED} as "personId", e.at, (e.facts ->> 'minutes')::int as minutes,
       b.line_id as "lineId", b.belongs, coalesce(t.content ->> 'work', l.content ->> 'work') as work
     from entries_now e
     left join entry_belongs b on b.shop_id = e.shop_id and b.entry_id = e.id
     left join tasks t on t.shop_id = b.shop_id and t.id = b.task_id
     left join estimate_lines l on l.shop_id = b.shop_id and l.id = b.line_id
     where e.shop_id = :shopId and e.build_id = any(:buildIds::uuid[]) and not e.withdrawn
       and e.kind = any(:worked) and e.facts ->> 'minutes' is not null
     order by e.seq`,
      { buildIds, worked: WORKED_KINDS },
    ),
  (r) => r.buildId,
);

export interface BoughtRow extends Belonging {
  kind: Kind;
  buildId: string;
  what: string;
  at: string;
  moneyMinor: number;
}

/** Bought by a line of the logbook: parts, pieces and batches post by themselves. */
export const boughtRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<BoughtRow>(
      `select e.build_id as "buildId", e.kind, e.text as what, e.at, (e.facts ->> 'moneyMinor')::bigint as "moneyMinor", b.line_id as "lineId", b.belongs
     from entries_now e
     left join entry_belongs b on b.shop_id = e.shop_id and b.entry_id = e.id
     where e.shop_id = :shopId and e.build_id = any(:buildIds::uuid[]) and not e.withdrawn
       and e.kind = any(:bought) and e.facts ->> 'moneyMinor' is not null
       and coalesce(e.about_type, '') not in ('part', 'piece', 'batch')
     order by e.seq`,
      { buildIds, bought: BOUGHT_KINDS },
    ),
  (r) => r.buildId,
);

export interface PartRow {
  buildId: string;
  lineId: string | null;
  what: string;
  state: PartState;
  history: PartHistory[];
  madeAt: string;
  priceMinor: number | null;
  costMinor: number | null;
  depositMinor: number;
  creditMinor: number;
  invoicedMinor: number | null;
  invoicedOn: string | null;
}

export const partRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<PartRow>(
      `select p.build_id as "buildId", p.line_id as "lineId", p.content ->> 'what' as what, p.state, p.history, p.made_at as "madeAt",
       (p.content ->> 'priceMinor')::bigint as "priceMinor", (p.content ->> 'costMinor')::bigint as "costMinor",
       coalesce((p.content ->> 'depositMinor')::bigint, 0) as "depositMinor", p.credit_minor as "creditMinor",
       i.amount_minor as "invoicedMinor", v.day as "invoicedOn"
     from parts p
     left join invoice_items i on i.shop_id = p.shop_id and i.part_id = p.id
     left join invoices v on v.shop_id = i.shop_id and v.id = i.invoice_id
     where p.shop_id = :shopId and p.build_id = any(:buildIds::uuid[]) and p.removed_at is null order by p.made_at, p.id`,
      { buildIds },
    ),
  (r) => r.buildId,
);

export interface OutworkRow {
  /** The build that was asked about. */
  askedOf: string;
  batchId: string;
  lineId: string | null;
  what: string;
  /** Of the batch; all its pieces, of every build, share what it costs. */
  pieceId: string;
  buildId: string;
  sent: number;
  priceMinor: number | null;
  sentAt: string;
  backAt: string | null;
  invoicedMinor: number | null;
  invoicedOn: string | null;
}

/** The pieces of every batch that one of the build's pieces went with. */
export const outworkRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<OutworkRow>(
      `select a.asked_of as "askedOf", b.id as "batchId", t.line_id as "lineId", p.content ->> 'what' as what, p.id as "pieceId",
       p.build_id as "buildId", g.sent, g.price_minor as "priceMinor", b.sent_at as "sentAt",
       case when g.back = g.sent then coalesce(g.back_at, b.back_at) end as "backAt",
       i.amount_minor as "invoicedMinor", v.day as "invoicedOn"
     from (
       select distinct x.build_id as asked_of, o.batch_id from batch_pieces o
       join pieces x on x.shop_id = o.shop_id and x.id = o.piece_id
       where o.shop_id = :shopId and x.build_id = any(:buildIds::uuid[])) a
     join batch_pieces g on g.shop_id = :shopId and g.batch_id = a.batch_id
     join batches b on b.shop_id = g.shop_id and b.id = g.batch_id and b.sent_at is not null
     join pieces p on p.shop_id = g.shop_id and p.id = g.piece_id
     left join tasks t on t.shop_id = p.shop_id and t.id = p.task_id
     left join invoice_items i on i.shop_id = g.shop_id and i.batch_id = g.batch_id
     left join invoices v on v.shop_id = i.shop_id and v.id = i.invoice_id
     order by b.number, p.id`,
      { buildIds },
    ),
  (r) => r.askedOf,
);

export interface InvoicedRow {
  buildId: string;
  lineId: string | null;
  what: string;
  day: string;
  amountMinor: number;
}

/** On an invoice and never ordered here: carriage, and what came with it. */
export const invoicedRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<InvoicedRow>(
      `select i.build_id as "buildId", i.line_id as "lineId", i.what, v.day, i.amount_minor as "amountMinor" from invoice_items i
     join invoices v on v.shop_id = i.shop_id and v.id = i.invoice_id
     where i.shop_id = :shopId and i.build_id = any(:buildIds::uuid[]) and i.part_id is null and i.batch_id is null
     order by v.day, i.invoice_id, i.position`,
      { buildIds },
    ),
  (r) => r.buildId,
);

/** Where something belongs that is on no line. */
export const unchargedOf = ({ lineId, belongs }: Belonging): Uncharged | null => {
  if (lineId !== null) return null;
  return belongs === 'task' || belongs === 'warranty' || belongs === 'shop' ? belongs : 'nowhere';
};

/** Builds whose money is still looked at: one that went home may owe some until it is closed. */
export const buildIds = async (tx: Tx): Promise<string[]> =>
  (
    await tx.rows<{ id: string }>(
      `select id from builds where shop_id = :shopId and stage <> 'closed' order by number`,
    )
  ).map((b) => b.id);

/** What a build's money is read from: hours, things, outwork, sundries, each with its day. */
import type { Uncharged } from '#core/costs/costs.ts';
import { BOUGHT_KINDS, WORKED_KINDS, type Kind } from '#core/log/kinds.ts';
import type { Work } from '#core/estimate/lines.ts';
import type { PartHistory } from '#contract/parts.ts';
import type { PartState } from '#core/parts/parts.ts';
import type { Day } from '#core/time/days.ts';
import type { Tx } from '../../db/pool.ts';
import { asTexts, manyRowsPer, rowsPer } from '../../db/together.ts';
import { inItsTurn } from '../../turns.ts';

/** The day of an instant where the shop is. `s`: its row. */
const DAY = (instant: string): string => `(${instant} at time zone s.time_zone)::date`;

type Belongs = 'line' | 'task' | 'change' | 'discretion' | 'warranty' | 'shop';

interface Belonging {
  lineId: string | null;
  /** Null while nobody has said. */
  belongs: Belongs | null;
}

/** What one person worked at one thing. */
interface HoursOf extends Belonging {
  buildId: string;
  personId: string | null;
  taskId: string | null;
  worked: [day: Day, minutes: number][];
}

const hoursOf = manyRowsPer<HoursOf>((tx, buildIds) =>
  tx.rows(
    asTexts(`select h.build_id as "buildId", h.person_id as "personId", h.task_id as "taskId", h.line_id as "lineId", h.belongs,
     json_agg(json_build_array(${DAY('h.at')}, h.minutes)) as worked
   from ledger h join shops s on s.id = h.shop_id
   where h.shop_id = :shopId and h.build_id = any(:buildIds::uuid[]) and not h.withdrawn
     and h.kind = any(:worked) and h.minutes is not null
   group by h.build_id, h.person_id, h.task_id, h.line_id, h.belongs`),
    { buildIds, worked: WORKED_KINDS },
  ),
);

/** Tasks and lines of a build, those that left its estimate too. */
const worksOf = rowsPer(
  (tx, buildIds) =>
    tx.rows<{ buildId: string; id: string; work: Work }>(
      `select build_id as "buildId", id, content ->> 'work' as work from tasks
     where shop_id = :shopId and build_id = any(:buildIds::uuid[])
     union all
     select build_id, id, content ->> 'work' from estimate_lines
     where shop_id = :shopId and build_id = any(:buildIds::uuid[])`,
      { buildIds },
    ),
  (r) => r.buildId,
);

export interface HourRow extends Belonging {
  personId: string | null;
  work: Work | null;
  day: Day;
  minutes: number;
}

/** Everything worked on a build, whether anybody said where it belongs or not; the kind of work is its task's, else its line's. */
export async function hourRows(tx: Tx, buildId: string): Promise<HourRow[]> {
  const [hours, works] = await Promise.all([hoursOf(tx, buildId), worksOf(tx, buildId)]);
  return inItsTurn(tx, () => {
    const workOf = new Map<string | null, Work>(works.map((w) => [w.id, w.work]));
    return hours.flatMap(({ personId, lineId, taskId, belongs, worked }) => {
      const work = workOf.get(taskId) ?? workOf.get(lineId) ?? null;
      return worked.map(([day, minutes]) => ({ personId, lineId, belongs, work, day, minutes }));
    });
  });
}

export interface BoughtRow extends Belonging {
  kind: Kind;
  buildId: string;
  day: Day;
  moneyMinor: number;
}

/** Bought by a line of the logbook: parts, pieces and batches post by themselves. */
export const boughtRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<BoughtRow>(
      `select build_id as "buildId", kind, ${DAY('at')} as day, money_minor as "moneyMinor", line_id as "lineId", belongs
     from ledger join shops s on s.id = shop_id
     where shop_id = :shopId and build_id = any(:buildIds::uuid[]) and not withdrawn
       and kind = any(:bought) and money_minor is not null
       and coalesce(about_type, '') not in ('part', 'piece', 'batch')
     order by seq`,
      { buildIds, bought: BOUGHT_KINDS },
    ),
  (r) => r.buildId,
);

export interface PartRow {
  buildId: string;
  lineId: string | null;
  state: PartState;
  history: PartHistory[];
  madeOn: Day;
  priceMinor: number | null;
  costMinor: number | null;
  depositMinor: number;
  creditMinor: number;
  invoicedMinor: number | null;
  invoicedOn: string | null;
}

export const partRows = manyRowsPer<PartRow>((tx, buildIds) =>
  tx.rows(
    asTexts(`select p.build_id as "buildId", p.line_id as "lineId", p.state, p.history, ${DAY('p.made_at')} as "madeOn",
     (p.content ->> 'priceMinor')::bigint as "priceMinor", (p.content ->> 'costMinor')::bigint as "costMinor",
     coalesce((p.content ->> 'depositMinor')::bigint, 0) as "depositMinor", p.credit_minor as "creditMinor",
     i.amount_minor as "invoicedMinor", v.day as "invoicedOn"
   from parts p
   join shops s on s.id = p.shop_id
   left join invoice_items i on i.shop_id = p.shop_id and i.part_id = p.id
   left join invoices v on v.shop_id = i.shop_id and v.id = i.invoice_id
   where p.shop_id = :shopId and p.build_id = any(:buildIds::uuid[]) and p.removed_at is null`),
    { buildIds },
  ),
);

export interface OutworkRow {
  /** The build that was asked about. */
  askedOf: string;
  batchId: string;
  lineId: string | null;
  /** Of the batch; all its pieces, of every build, share what it costs. */
  pieceId: string;
  buildId: string;
  sent: number;
  priceMinor: number | null;
  sentOn: Day;
  backOn: Day | null;
  invoicedMinor: number | null;
  invoicedOn: string | null;
}

/** The pieces of every batch that one of the build's pieces went with. */
export const outworkRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<OutworkRow>(
      `select a.asked_of as "askedOf", b.id as "batchId", t.line_id as "lineId", p.id as "pieceId",
       p.build_id as "buildId", g.sent, g.price_minor as "priceMinor", ${DAY('b.sent_at')} as "sentOn",
       case when g.back = g.sent then ${DAY('coalesce(g.back_at, b.back_at)')} end as "backOn",
       i.amount_minor as "invoicedMinor", v.day as "invoicedOn"
     from (
       select distinct x.build_id as asked_of, o.batch_id from batch_pieces o
       join pieces x on x.shop_id = o.shop_id and x.id = o.piece_id
       where o.shop_id = :shopId and x.build_id = any(:buildIds::uuid[])) a
     join shops s on s.id = :shopId
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
  day: string;
  amountMinor: number;
}

/** On an invoice and never ordered here: carriage, and what came with it. */
export const invoicedRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<InvoicedRow>(
      `select i.build_id as "buildId", i.line_id as "lineId", v.day, i.amount_minor as "amountMinor" from invoice_items i
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

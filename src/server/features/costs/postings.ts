/** The postings of a build: every hour, part, batch and sundry with its line, its days, its price and its cost. */
import { groupBy } from '#core/lists/groupBy.ts';
import { withAddition, type Posting } from '#core/costs/costs.ts';
import type { ratesByHour } from '#core/costs/rates.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { allocate, forMinutes } from '#core/money/money.ts';
import type { PartAct } from '#core/parts/parts.ts';
import type { Day } from '#core/time/days.ts';
import type { Tx } from '../../db/pool.ts';
import * as q from './postings.queries.ts';

export interface Manner {
  ratesOn: ReturnType<typeof ratesByHour>;
  additionBp: number;
}

function hourPosting({ ratesOn }: Manner, h: q.HourRow): Posting {
  const { chargeMinor, costMinor } = ratesOn(h);
  return {
    kind: 'hours',
    lineId: h.lineId,
    uncharged: q.unchargedOf(h),
    committedOn: null,
    spentOn: h.day,
    priceMinor: forMinutes(h.minutes, chargeMinor),
    costMinor: forMinutes(h.minutes, costMinor),
  };
}

/** What a line ordered without a part of the list is on order: nobody has said that it is here. */
function boughtPosting({ additionBp }: Manner, b: q.BoughtRow): Posting {
  const isOrdered = KIND_SPECS[b.kind].money === 'on order';
  return {
    kind: 'sundry',
    lineId: b.lineId,
    uncharged: q.unchargedOf(b),
    committedOn: isOrdered ? b.day : null,
    spentOn: isOrdered ? null : b.day,
    priceMinor: withAddition(b.moneyMinor, additionBp),
    costMinor: b.moneyMinor,
  };
}

const lastOf = (p: q.PartRow, act: PartAct): Day | null =>
  p.history.findLast((h) => h.act === act)?.on ?? null;

const earlier = (a: Day | null, b: Day | null): Day | null =>
  a === null ? b : b === null ? a : a < b ? a : b;

/** What went back costs nothing until its credit says what of it is kept; a customer never pays for it. */
function partPosting({ additionBp }: Manner, p: q.PartRow): Posting {
  const paid =
    (p.invoicedMinor ?? p.costMinor ?? p.priceMinor ?? 0) + (p.invoicedMinor === null ? p.depositMinor : 0);
  const isBack = p.state === 'returned';
  const costMinor = isBack && p.creditMinor === 0 ? 0 : paid - p.creditMinor;
  const price = p.priceMinor ?? withAddition(p.invoicedMinor ?? p.costMinor ?? 0, additionBp);
  const isOrdered = p.state === 'ordered';
  const isHere = p.state === 'arrived' || p.state === 'fitted' || p.state === 'wrong' || isBack;
  const ordered = lastOf(p, 'order');
  const here = isHere ? (lastOf(p, 'arrive') ?? lastOf(p, 'fit') ?? ordered ?? p.madeOn) : null;
  return {
    kind: 'part',
    lineId: p.lineId,
    uncharged: p.lineId === null ? 'nowhere' : null,
    committedOn: isOrdered || isHere ? (ordered ?? here ?? p.madeOn) : null,
    spentOn: earlier(here, p.invoicedOn),
    priceMinor: isBack ? 0 : price + p.depositMinor - p.creditMinor,
    costMinor,
  };
}

/** The invoiced sum of a batch over its pieces, as its price was shared: by the number of things. */
function outworkPostings({ additionBp }: Manner, rows: readonly q.OutworkRow[], buildId: string): Posting[] {
  return [...groupBy(rows, (r) => r.batchId).values()].flatMap((of) => {
    const invoiced = of[0]!.invoicedMinor;
    const shares =
      invoiced === null
        ? null
        : allocate(
            invoiced,
            of.map((r) => r.sent),
          );
    return of.flatMap((r, i): Posting[] => {
      if (r.buildId !== buildId) return [];
      const costMinor = shares ? shares[i]! : (r.priceMinor ?? 0);
      return [
        {
          kind: 'outwork',
          lineId: r.lineId,
          uncharged: r.lineId === null ? 'nowhere' : null,
          committedOn: r.sentOn,
          spentOn: earlier(r.backOn, r.invoicedOn),
          priceMinor: withAddition(costMinor, additionBp),
          costMinor,
        },
      ];
    });
  });
}

const invoicedPosting = ({ additionBp }: Manner, i: q.InvoicedRow): Posting => ({
  kind: 'sundry',
  lineId: i.lineId,
  uncharged: i.lineId === null ? 'shop' : null,
  committedOn: null,
  spentOn: i.day,
  priceMinor: withAddition(i.amountMinor, additionBp),
  costMinor: i.amountMinor,
});

/** What is on a line that left the estimate lies on no line, as if nobody had said where it belongs. */
const onLines = <R extends { lineId: string | null }>(
  rows: readonly R[],
  lineIds: ReadonlySet<string>,
): R[] =>
  rows.map((r) => (r.lineId === null || lineIds.has(r.lineId) ? r : { ...r, lineId: null, belongs: null }));

/** What a build's postings are worked out from. */
export interface PostingRows {
  hours: q.HourRow[];
  bought: q.BoughtRow[];
  parts: q.PartRow[];
  outwork: q.OutworkRow[];
  invoiced: q.InvoicedRow[];
}

export async function postingRows(tx: Tx, buildId: string): Promise<PostingRows> {
  const [hours, bought, parts, outwork, invoiced] = await Promise.all([
    q.hourRows(tx, buildId),
    q.boughtRows(tx, buildId),
    q.partRows(tx, buildId),
    q.outworkRows(tx, buildId),
    q.invoicedRows(tx, buildId),
  ]);
  return { hours, bought, parts, outwork, invoiced };
}

/** Everything that a build's money is made of, and its hours. `lineIds`: the lines that are on its estimate. */
export function postingsOf(
  rows: PostingRows,
  buildId: string,
  manner: Manner,
  lineIds: ReadonlySet<string>,
): { postings: Posting[]; hours: q.HourRow[] } {
  const hours = onLines(rows.hours, lineIds);
  const postings = [
    ...hours.map((h) => hourPosting(manner, h)),
    ...onLines(rows.bought, lineIds).map((b) => boughtPosting(manner, b)),
    ...onLines(rows.parts, lineIds).map((p) => partPosting(manner, p)),
    ...outworkPostings(manner, onLines(rows.outwork, lineIds), buildId),
    ...onLines(rows.invoiced, lineIds).map((i) => invoicedPosting(manner, i)),
  ];
  return { postings, hours };
}

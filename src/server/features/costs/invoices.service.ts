/** Suppliers' invoices against what was ordered from them. */
import type {
  InvoiceItemDto,
  InvoicePutDto,
  InvoicesView,
  InvoiceView,
  OpenOrderView,
} from '#contract/costs.ts';
import type { FieldFault } from '#contract/problem.ts';
import { canonical } from '#core/approval/canonical.ts';
import { invoiceFigures } from '#core/costs/invoices.ts';
import { holdName } from '../../db/lock.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, invalidFields } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { isLineOf } from '../work/index.ts';
import { todayOf } from '../estimate/index.ts';
import * as q from './invoices.queries.ts';

/** Shown at once. */
const MOST_SHOWN = 100;

const viewOf = (row: q.InvoiceRow, items: InvoiceView['items']): InvoiceView => ({
  ...row,
  items,
  figures: invoiceFigures(
    row.totalMinor,
    items.map((i) => ({
      what: i.what,
      amountMinor: i.amountMinor,
      orderedMinor: i.orderedMinor,
      isOrdered: i.partId !== undefined || i.batchId !== undefined,
    })),
  ),
});

async function invoicesNow(tx: Tx, deps: Deps): Promise<InvoicesView> {
  const rows = await q.newestInvoices(tx, MOST_SHOWN + 1);
  const shown = rows.slice(0, MOST_SHOWN);
  const items = await q.itemsOf(
    tx,
    shown.map((r) => r.id),
  );
  return {
    today: await todayOf(tx, deps),
    invoices: shown.map((r) => viewOf(r, items.get(r.id) ?? [])),
    more: rows.length > MOST_SHOWN,
    open: await q.openOrders(tx, null),
  };
}

export const readInvoices = (deps: Deps, who: SignedIn): Promise<InvoicesView> =>
  inShop(deps.db, who.shopId, (tx) => invoicesNow(tx, deps));

const orderOf = (open: readonly OpenOrderView[], i: InvoiceItemDto): OpenOrderView | undefined =>
  open.find((o) => (i.partId === undefined ? o.batchId === i.batchId : o.partId === i.partId));

/** What no class can check by itself: what a row names was ordered and is on no other invoice; a line is of its build. */
async function faultsOf(
  tx: Tx,
  items: readonly InvoiceItemDto[],
  open: readonly OpenOrderView[],
): Promise<FieldFault[]> {
  const faults: FieldFault[] = [];
  const named = new Set<string>();
  for (const [at, i] of items.entries()) {
    const id = i.partId ?? i.batchId;
    const field = `items.${at}.what`;
    if (id !== undefined && !orderOf(open, i))
      faults.push({ field, reason: 'it was not ordered, or it is on another invoice already' });
    if (id !== undefined && named.has(id)) faults.push({ field, reason: 'it is named twice' });
    if (id !== undefined) named.add(id);
    if (i.lineId !== undefined && i.buildId === undefined)
      faults.push({ field, reason: 'say for which car' });
    if (i.buildId !== undefined && !(await q.isBuild(tx, i.buildId)))
      faults.push({ field, reason: 'that car is not here' });
    if (i.buildId !== undefined && i.lineId !== undefined && !(await isLineOf(tx, i.buildId, i.lineId)))
      faults.push({ field, reason: 'that line is not on the estimate' });
  }
  return faults;
}

/** Takes an invoice down (version 0), or changes it. The same again changes nothing. */
export const putInvoice = (
  deps: Deps,
  who: SignedIn,
  id: string,
  { version, items, ...said }: InvoicePutDto,
): Promise<InvoicesView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await holdName(tx, 'invoices');
    const known = await q.invoiceById(tx, id);
    const kept = { id, ...said, vendor: said.vendor.trim(), number: said.number.trim() };
    const before = known && (await q.itemsOf(tx, [id])).get(id)!;
    const bare = before?.map((i) => ({ ...i, orderedMinor: undefined, nickname: undefined }));
    if (known && canonical([{ ...known, version: 0 }, bare]) === canonical([{ ...kept, version: 0 }, items]))
      return invoicesNow(tx, deps);
    if ((known?.version ?? 0) !== version) throw changedMeanwhile('this invoice', known);
    const twin = await q.invoiceNumbered(tx, kept.vendor, kept.number);
    if (twin && twin.id !== id)
      throw invalidAt('number', `${kept.vendor}’s ${kept.number} is taken down already`);
    const open = await q.openOrders(tx, id);
    const faults = await faultsOf(tx, items, open);
    if (faults.length > 0) throw invalidFields(faults);
    await q.saveInvoice(tx, { ...kept, now: deps.clock.now() });
    // What was agreed with the order is kept as it is now: a price changed later does not change this comparison.
    const orderedOf = (i: InvoiceItemDto): number | null =>
      before?.find(
        (b) => b.partId === i.partId && b.batchId === i.batchId && (b.partId ?? b.batchId) !== undefined,
      )?.orderedMinor ??
      orderOf(open, i)?.orderedMinor ??
      null;
    await q.setItems(
      tx,
      id,
      items.map((i) => ({
        ...i,
        orderedMinor: i.partId === undefined && i.batchId === undefined ? null : orderedOf(i),
      })),
    );
    return invoicesNow(tx, deps);
  });

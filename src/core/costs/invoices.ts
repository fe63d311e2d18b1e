/** What a supplier asks for against what was ordered. */

/** A row of an invoice. Money as the shop writes its prices, in minor units. */
export interface InvoiceItem {
  what: string;
  amountMinor: number;
  /** What was agreed when it was ordered; null where nothing was ordered, or no price was named. */
  orderedMinor: number | null;
  /** Ordered here and named on it. */
  isOrdered: boolean;
}

export interface Difference {
  what: string;
  /** In words. */
  reason: 'dearer than ordered' | 'cheaper than ordered' | 'not ordered' | 'no price was named';
  byMinor: number;
}

export interface InvoiceFigures {
  /** What its rows come to. */
  sumMinor: number;
  /** What it asks for beyond its rows; below nothing where the rows come to more. */
  openMinor: number;
  differences: Difference[];
}

function differenceOf({ what, amountMinor, orderedMinor, isOrdered }: InvoiceItem): Difference[] {
  if (!isOrdered) return [{ what, reason: 'not ordered', byMinor: amountMinor }];
  if (orderedMinor === null) return [{ what, reason: 'no price was named', byMinor: amountMinor }];
  const byMinor = amountMinor - orderedMinor;
  if (byMinor === 0) return [];
  return [{ what, reason: byMinor > 0 ? 'dearer than ordered' : 'cheaper than ordered', byMinor }];
}

/** The largest difference first. */
export function invoiceFigures(totalMinor: number, items: readonly InvoiceItem[]): InvoiceFigures {
  const sumMinor = items.reduce((s, i) => s + i.amountMinor, 0);
  return {
    sumMinor,
    openMinor: totalMinor - sumMinor,
    differences: items
      .flatMap(differenceOf)
      .sort((a, b) => Math.abs(b.byMinor) - Math.abs(a.byMinor) || (a.what < b.what ? -1 : 1)),
  };
}

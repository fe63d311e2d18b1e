/** Invoices against orders. Nasty cases: a penny, a credit note, nothing ordered, an order without a price. */
import { expect, test } from '@jest/globals';
import { invoiceFigures } from './invoices.ts';

test('by hand: one as ordered, one dearer, one cheaper, one without a price, carriage; and what is left open', () => {
  const item = (what: string, amountMinor: number, orderedMinor: number | null, isOrdered = true) => ({
    what,
    amountMinor,
    orderedMinor,
    isOrdered,
  });
  const figures = invoiceFigures(25_300, [
    item('king pin set', 9400, 9400),
    item('track rod end', 5100, 4650),
    item('hose', 1199, 1200),
    item('gasket', 700, null),
    item('carriage', 1150, null, false),
  ]);
  expect(figures.sumMinor).toBe(17_549);
  expect(figures.openMinor).toBe(7751);
  expect(figures.differences).toEqual([
    { what: 'carriage', reason: 'not ordered', byMinor: 1150 },
    { what: 'gasket', reason: 'no price was named', byMinor: 700 },
    { what: 'track rod end', reason: 'dearer than ordered', byMinor: 450 },
    { what: 'hose', reason: 'cheaper than ordered', byMinor: -1 },
  ]);
});

test('a credit note has a sum below nothing, and is compared the same way', () => {
  const figures = invoiceFigures(-4650, [
    { what: 'core', amountMinor: -4650, orderedMinor: null, isOrdered: false },
  ]);
  expect([figures.sumMinor, figures.openMinor]).toEqual([-4650, 0]);
});

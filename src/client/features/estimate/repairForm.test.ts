/** The form of the comparison. Nasty cases: nothing typed, words, a decimal comma, points out of order, only the likely one. */
import { describe, expect, test } from '@jest/globals';
import { compare, emptyRepair, lineOfChoice, type RepairForm } from './repairForm.ts';

const hours = (optimistic_h: string, likely_h: string, pessimistic_h: string) => ({
  optimistic_h,
  likely_h,
  pessimistic_h,
});
const typed = (more: Partial<RepairForm> = {}): RepairForm => ({
  ...emptyRepair('repaint'),
  thing: 'Nearside sill',
  repairHours: hours('6', '10', '20'),
  fittingHours: hours('', '5', ''),
  growthFactor: '1',
  repairMaterials: '100',
  panelPrice: '600',
  paintFull: '500',
  ...more,
});

describe('what is typed', () => {
  test('compares as soon as it is whole; only the likely hours are enough', () => {
    // By hand: (6 + 40 + 20) / 6 = 11 h; 80 · 11 + 100 + 500 = 1480. 80 · 5 + 600 + 500 = 1500.
    expect(compare(typed(), 80)).toMatchObject({ result: { repairCost: 1480, replaceCost: 1500 } });
    expect(compare(emptyRepair('repaint'), 80)).toMatchObject({ code: 'missing', reason: 'still missing' });
  });

  test.each<[string, Partial<RepairForm>, string, string]>([
    ['words', { panelPrice: 'dear' }, 'panelPrice', 'a number, as in 12.5'],
    [
      'points out of order',
      { repairHours: hours('12', '10', '20') },
      'repairHours.likely_h',
      'below the one before it',
    ],
    ['a growth below one', { growthFactor: '0,9' }, 'growthFactor', 'outside what it can be'],
    ['to blend in without its price', { paintStrategy: 'preserve' }, 'paintBlend', 'still missing'],
  ])('%s is named at its field', (_, more, field, reason) =>
    expect(compare(typed(more), 80)).toMatchObject({ field, reason }),
  );

  test('a decimal comma is a decimal point', () =>
    expect(compare(typed({ growthFactor: '1,5', repairHours: hours('', '10', '') }), 80)).toMatchObject({
      result: { repairMeanHours_h: 15 },
    }));
});

test('the way that is chosen becomes a line: hours grown for the repair, goods and paint as parts', () => {
  expect(lineOfChoice(typed({ growthFactor: '1.2' }), 'repair', 'GBP')).toMatchObject({
    title: 'Nearside sill: new metal let in',
    work: 'metalwork',
    minutes: { low: 432, likely: 720, high: 1440 },
    parts: { low: 60_000, likely: 60_000, high: 60_000 },
  });
  const kept = typed({ paintStrategy: 'preserve', paintBlend: '250', fittingMaterials: '40' });
  expect(lineOfChoice(kept, 'repair', 'GBP').parts.likely).toBe(35_000);
  expect(lineOfChoice(kept, 'replace', 'GBP')).toMatchObject({
    title: 'Nearside sill: new panel fitted',
    minutes: { low: 300, likely: 300, high: 300 },
    parts: { likely: 114_000 },
  });
});

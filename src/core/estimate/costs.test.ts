/** Costs of a line. Nasty cases: nothing agreed, to the penny at the threshold, a part sent back, another order of parts. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PART_STATES } from '../parts/parts.ts';
import { costsOf, type CostInput } from './costs.ts';

const line: CostInput = {
  approvedMinor: 60_000,
  perHourMinor: 6000,
  taxBp: 2000,
  taxIncluded: false,
  spentMinutes: 150,
  toGoMinutes: 60,
  parts: [
    { state: 'fitted', priceMinor: 5000 },
    { state: 'ordered', priceMinor: 8000 },
    { state: 'to order', priceMinor: 2000 },
    { state: 'returned', priceMinor: 99_900 },
  ],
};

test('by hand: two and a half hours at £60 and a £50 part, £80 on order, an hour and £20 to go', () => {
  // With 20 %: (150 + 50) → 240; 80 → 96; (60 + 20) → 96. Together £432.
  expect(costsOf(line)).toEqual({
    spentMinor: 24_000,
    committedMinor: 9600,
    toGoMinor: 9600,
    expectedMinor: 43_200,
    isOver: false,
  });
  expect(costsOf({ ...line, taxIncluded: true }).expectedMinor).toBe(36_000);
});

test('a tenth over is still in it; a penny more is not; what was never agreed is not over', () => {
  // £432 is a tenth over £392.72 (39 272 + 3927 = 43 199) by a penny, and inside a tenth over £392.73.
  expect(costsOf({ ...line, approvedMinor: 39_272 }).isOver).toBe(true);
  expect(costsOf({ ...line, approvedMinor: 39_273 }).isOver).toBe(false);
  expect(costsOf({ ...line, approvedMinor: 0 }).isOver).toBe(false);
});

test('no order of the same parts changes a sum, and what is expected is the three together (seed 12)', () => {
  const parts = fc.array(
    fc.record({ state: fc.constantFrom(...PART_STATES), priceMinor: fc.nat(1_000_000) }),
  );
  fc.assert(
    fc.property(parts, fc.nat(5000), fc.nat(5000), (of, spentMinutes, toGoMinutes) => {
      const costs = costsOf({ ...line, spentMinutes, toGoMinutes, parts: of });
      expect(costsOf({ ...line, spentMinutes, toGoMinutes, parts: [...of].reverse() })).toEqual(costs);
      expect(costs.spentMinor + costs.committedMinor + costs.toGoMinor).toBe(costs.expectedMinor);
    }),
    { seed: 12, numRuns: 200 },
  );
});

import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { groupBy } from './groupBy.ts';

// ECMA-262 (2024), 24.1.2.1 Map.groupBy: groups in the order of their first thing, things in their own order.
test('every thing is in the group of its key, in its place', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(9)), (numbers) => {
      const groups = groupBy(numbers, (n) => n % 3);
      expect([...groups.keys()]).toEqual([...new Set(numbers.map((n) => n % 3))]);
      for (const [key, of] of groups) expect(of).toEqual(numbers.filter((n) => n % 3 === key));
    }),
  );
});

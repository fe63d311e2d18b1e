/** The binding wait. Nasty cases: nothing known at all, all at once, an end nobody knows, the same twice, another order. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { addDays } from '../time/days.ts';
import { bindingWait, HOLD_KINDS, holdInWords, type Hold } from './binding.ts';

const hold = (what: string, since: string, until: string | null): Hold => ({
  kind: 'part',
  what,
  since,
  until,
  act: 'ring them',
});
const day = fc.nat(400).map((n) => addDays('2026-01-01', n));
const holds = fc.array(
  fc.record({
    kind: fc.constantFrom(...HOLD_KINDS),
    what: fc.string({ maxLength: 4 }),
    since: day,
    until: fc.option(day),
    act: fc.string({ maxLength: 1 }),
  }),
  { maxLength: 12 },
);

test('exactly one for a build that is not worked on, none for one that is; it is the last to end (seed 6)', () => {
  fc.assert(
    fc.property(holds, fc.boolean(), (given, canBeWorkedOn) => {
      const wait = bindingWait({ canBeWorkedOn, holds: given, idleSince: '2026-01-01' });
      if (canBeWorkedOn) return wait === null;
      if (given.length === 0) return wait?.kind === 'plan';
      const unknown = given.some((h) => h.until === null);
      const last = given
        .map((h) => h.until ?? '')
        .sort()
        .at(-1)!;
      return wait !== null && given.includes(wait) && wait.until === (unknown ? null : last);
    }),
    { seed: 6, numRuns: 400 },
  );
});

test('the order in which they are told changes nothing (seed 8)', () => {
  fc.assert(
    fc.property(holds, (given) => {
      const of = (list: Hold[]): Hold | null =>
        bindingWait({ canBeWorkedOn: false, holds: list, idleSince: '2026-01-01' });
      expect(of([...given].reverse())).toEqual(of(given));
    }),
    { seed: 8, numRuns: 200 },
  );
});

test('the last to end holds it; of two that end together, the one that has held longest', () => {
  const [a, b, c] = [
    hold('a', '2026-03-01', '2026-03-20'),
    hold('b', '2026-03-02', '2026-03-27'),
    hold('c', '2026-02-01', '2026-03-27'),
  ];
  const of = (...list: Hold[]) =>
    bindingWait({ canBeWorkedOn: false, holds: list, idleSince: '2026-01-01' })?.what;
  expect([of(a!, b!), of(a!, b!, c!), of(a!, hold('d', '2026-03-10', null), b!)]).toEqual(['b', 'c', 'd']);
});

test('in words', () => {
  expect(holdInWords(hold('the glass', '2026-03-02', '2026-03-20'), '2026-03-11', 'en-GB')).toBe(
    'the glass, since Mon 2 Mar (should end Fri 20 Mar)',
  );
  expect(holdInWords(hold('the glass', '2026-03-02', '2026-03-10'), '2026-03-11', 'en-GB')).toMatch(
    /should have ended/,
  );
  expect(holdInWords(hold('an answer', '2026-03-02', null), '2026-03-11', 'en-GB')).toBe(
    'an answer, since Mon 2 Mar',
  );
});

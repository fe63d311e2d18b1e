/** The registry of what lines do. */
import { expect, test } from '@jest/globals';
import { ACT_SPECS, LINE_ACTS, THING_TYPES, whyNotTogether, type ActOn } from './acts.ts';

test.each(LINE_ACTS)('%s says what it can be done to, and has words for before and after', (act) => {
  const { on, will, did } = ACT_SPECS[act];
  expect(on.length).toBeGreaterThan(0);
  for (const type of on) expect(THING_TYPES).toContain(type);
  expect([will, did]).toEqual([expect.stringMatching(/^\p{Lu}/u), expect.stringMatching(/^\p{Lu}/u)]);
});

test('every kind of thing has an act', () => {
  const acted = new Set(LINE_ACTS.flatMap((act) => ACT_SPECS[act].on));
  expect([...THING_TYPES].filter((t) => !acted.has(t))).toEqual([]);
});

test('one thing once, and only what can be done to it', () => {
  const receive: ActOn = { act: 'receive', type: 'part', id: 'a' };
  const release: ActOn = { act: 'release', type: 'hold', id: 'h' };
  expect(whyNotTogether([receive, release])).toEqual([]);
  expect(whyNotTogether([receive, { ...receive, act: 'fit' }])).toEqual([
    { at: 1, reason: 'the same thing is named twice' },
  ]);
  expect(whyNotTogether([{ ...release, type: 'task' }])).toEqual([
    { at: 0, reason: '“release” cannot be done to a task' },
  ]);
});

/** How well runs of speech are read: what was written before the rules, and what was written after them, kept apart. */
import { COLD_NARRATIONS } from '../tests/data/coldNarrations.ts';
import { FRESH_NARRATIONS } from '../tests/data/freshNarrations.ts';
import { FURTHER_NARRATIONS } from '../tests/data/furtherNarrations.ts';
import { LAST_NARRATIONS } from '../tests/data/lastNarrations.ts';
import { LATER_NARRATIONS } from '../tests/data/laterNarrations.ts';
import { LATEST_NARRATIONS } from '../tests/data/latestNarrations.ts';
import { LONG_NARRATIONS } from '../tests/data/longNarrations.ts';
import { MORE_NARRATIONS } from '../tests/data/moreNarrations.ts';
import { NARRATIONS, SHOP_OF_NARRATIONS, type Narration } from '../tests/data/narrations.ts';
import { UNSEEN_NARRATIONS } from '../tests/data/unseenNarrations.ts';
import { UNTOUCHED_NARRATIONS } from '../tests/data/untouchedNarrations.ts';
import { scoreNarrations } from '../tests/support/scoreNarrations.ts';
import type { Line } from './line.ts';

const percent = (of: number, all: number): number => Math.round((1000 * of) / all) / 10;

function linesOf(name: string, narrations: readonly Narration[]): Line[] {
  const s = scoreNarrations(narrations, SHOP_OF_NARRATIONS);
  const what = (of: string): string => `${narrations.length} narrations ${name}: ${of}`;
  const kinds = Object.entries(s.byKind)
    .filter(([, k]) => k.wanted > 0 || k.found > 0)
    .map(([kind, k]): Line[] => [
      { what: what(`${kind}, precision`), value: k.found === 0 ? 0 : percent(k.right, k.found), unit: '%' },
      { what: what(`${kind}, recall`), value: k.wanted === 0 ? 0 : percent(k.right, k.wanted), unit: '%' },
    ])
    .flat();
  return [
    {
      what: what('the car of a thing is right'),
      value: percent(s.car, s.entries),
      unit: '%',
      goal: { atLeast: 95 },
    },
    { what: what('its kind is right'), value: percent(s.kind, s.entries), unit: '%', goal: { atLeast: 90 } },
    {
      what: what('hours, money, days and measures are right'),
      value: percent(s.amountsRight, s.amountsWanted),
      unit: '%',
      goal: { atLeast: 97 },
    },
    { what: what('amounts that nobody said'), value: s.amountsInvented, unit: '', goal: { atMost: 0 } },
    ...kinds,
  ];
}

export const benchNarrations = (): Line[] => [
  ...linesOf('that the rules were made with', [
    ...NARRATIONS,
    ...LONG_NARRATIONS,
    ...MORE_NARRATIONS,
    ...FURTHER_NARRATIONS,
    ...COLD_NARRATIONS,
    ...FRESH_NARRATIONS,
    ...UNSEEN_NARRATIONS,
    ...LATEST_NARRATIONS,
    ...LATER_NARRATIONS,
    ...LAST_NARRATIONS,
  ]),
  ...linesOf('not seen by them', UNTOUCHED_NARRATIONS),
];

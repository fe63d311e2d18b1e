/**
 * Ways to do it. Nasty cases: one way or four, the same name twice, weeks that fall, a held way that is not one of them,
 * a line of a way that is gone, an answer that takes two ways at once, a safety line in the way that is left.
 */
import { describe, expect, test } from '@jest/globals';
import {
  answersOfPick,
  pickOf,
  standingOf,
  takenWay,
  whyNotAnswers,
  whyNotRoadworthy,
  type LineAnswer,
} from '../approval/answers.ts';
import { freeze, settleWays, whyNotSend } from '../approval/revision.ts';
import { NOTHING, type EstimateLine, type Terms } from './lines.ts';
import { compareWays, counts, weeksInWords, whyNotChoice, type Choice } from './ways.ts';

const each = 6000;
const terms: Terms = {
  rates: { mechanical: each, metalwork: each, paint: each, trim: each, electrical: each, machining: each },
  taxBp: 2000,
  taxIncluded: false,
  sharedRisk: 0.3,
};
type Line = EstimateLine & { proposal: 'do' | 'wait'; wayId?: string };
const line = (id: string, pounds: number, more: Partial<Line> = {}): Line => ({
  id,
  title: `The ${id}`,
  why: '',
  class: 'must',
  work: 'mechanical',
  minutes: NOTHING,
  parts: { low: pounds * 100, likely: pounds * 100, high: pounds * 100 },
  outwork: NOTHING,
  sundriesMinor: 0,
  needs: [],
  access: [],
  proposal: 'do',
  ...more,
});
const choice: Choice = {
  id: 'c',
  title: 'Axle housing',
  heldId: 'whole',
  ways: [
    {
      id: 'whole',
      name: 'Blasted whole and sealed',
      risk: 'Grit may find a way in',
      weeksLow: 1,
      weeksHigh: 1,
    },
    { id: 'bare', name: 'Stripped bare first', risk: 'None known', weeksLow: 2, weeksHigh: 4 },
  ],
};
const LINES = [
  line('pipes', 100),
  line('blast', 50, { wayId: 'whole' }),
  line('strip', 200, { wayId: 'bare' }),
  line('bearings', 80, { wayId: 'bare', class: 'safety' }),
];
const sent = freeze(
  settleWays(LINES, [choice]),
  terms,
  { number: 1, currency: 'GBP', note: '', budgetMinor: null },
  new Map(),
  [choice],
);

describe('a choice', () => {
  test.each([
    ['as it is', choice, []],
    ['one way', { ...choice, ways: choice.ways.slice(0, 1) }, ['ways']],
    [
      'four ways',
      {
        ...choice,
        ways: [
          ...choice.ways,
          { ...choice.ways[0]!, id: 'x', name: 'x' },
          { ...choice.ways[0]!, id: 'y', name: 'y' },
        ],
      },
      ['ways'],
    ],
    ['the same name', { ...choice, ways: choice.ways.map((w) => ({ ...w, name: ' Same ' })) }, ['ways']],
    ['weeks that fall', { ...choice, ways: choice.ways.map((w) => ({ ...w, weeksLow: 9 })) }, ['ways']],
    ['a stranger held', { ...choice, heldId: 'else' }, ['heldId']],
  ])('%s', (_, given, fields) => {
    expect(whyNotChoice(given).map((f) => f.field)).toEqual(fields);
  });

  test('only the held way counts; a line of a way that is gone counts like any other', () => {
    expect(LINES.filter((l) => counts(l, [choice])).map((l) => l.id)).toEqual(['pipes', 'blast']);
    expect(counts({ wayId: 'gone' }, [choice])).toBe(true);
    // By hand: £100 and £50 with 20 % are £180.
    expect(sent).toMatchObject({ grossMinor: 18_000 });
    expect(sent.lines.map((l) => l.proposal)).toEqual(['do', 'do', 'other way', 'other way']);
  });

  test('side by side: its own lines, and everything that would then be done', () => {
    const compared = compareWays(choice, [choice], LINES, terms);
    // By hand, with 20 %: whole £50 → 60 and (100 + 50) → 180; bare £280 → 336 and (100 + 280) → 456.
    expect(compared.map((c) => [c.lines, c.own.grossMinor, c.whole.grossMinor])).toEqual([
      [['blast'], 6000, 18_000],
      [['strip', 'bearings'], 33_600, 45_600],
    ]);
    expect(sent.choices![0]!.ways.map((w) => w.grossMinor)).toEqual([18_000, 45_600]);
  });

  test('is not sent with a way that holds nothing', () => {
    expect(whyNotSend(settleWays(LINES.slice(0, 2), [choice]), [choice])).toMatch(
      /no line belongs to “Stripped bare first”/,
    );
    expect(whyNotSend(settleWays(LINES, [choice]), [choice])).toBeNull();
  });

  test('weeks in words', () => {
    expect(
      [
        [0, 0],
        [1, 1],
        [2, 2],
        [1, 3],
      ].map(([weeksLow, weeksHigh]) => weeksInWords({ weeksLow: weeksLow!, weeksHigh: weeksHigh! })),
    ).toEqual(['no weeks', 'a week', '2 weeks', '1 to 3 weeks']);
  });
});

describe('an answer to it', () => {
  const frozen = sent.choices![0]!;
  const rest: LineAnswer[] = [{ lineId: 'pipes', answer: 'approve' }];
  const answer = (pick: string, question?: string): LineAnswer[] => [
    ...answersOfPick(sent, frozen, { pick, ...(question === undefined ? {} : { question }) }),
    ...rest,
  ];

  test('takes one way whole, and leaves the other to it', () => {
    const given = answer('bare');
    expect(given.map((g) => g.answer)).toEqual(['other way', 'approve', 'approve', 'approve']);
    expect(whyNotAnswers(sent, given, false)).toEqual([]);
    expect([takenWay(sent, frozen, given), pickOf(sent, frozen, given)]).toEqual(['bare', { pick: 'bare' }]);
    const states = sent.lines.map((l) => standingOf(l, sent, [{ revision: sent, answers: given }]).state);
    expect(states).toEqual(['approved', 'other way', 'approved', 'approved']);
  });

  test('a safety line in the way that is left makes nothing unsafe', () => {
    const given = answer('whole');
    expect(whyNotAnswers(sent, given, false)).toEqual([]);
    const lines = sent.lines.map((l) => ({
      title: l.title,
      class: l.class,
      state: standingOf(l, sent, [{ revision: sent, answers: given }]).state,
    }));
    expect(whyNotRoadworthy(lines)).toEqual([]);
  });

  test.each(['wait', 'decline'])('“%s” is said of the way that was advised', (pick) => {
    expect(answer(pick).map((g) => [g.lineId, g.answer])).toEqual([
      ['blast', pick],
      ['strip', 'other way'],
      ['bearings', 'other way'],
      ['pipes', 'approve'],
    ]);
    expect(pickOf(sent, frozen, answer(pick))).toEqual({ pick });
  });

  test('a question needs its words', () => {
    expect(whyNotAnswers(sent, answer('ask', 'Is grit dear?'), false)).toEqual([]);
    expect(whyNotAnswers(sent, answer('ask', ' '), false)).toMatchObject([{ field: 'choice.c' }]);
    expect(pickOf(sent, frozen, answer('ask', 'Why?'))).toEqual({ pick: 'ask', question: 'Why?' });
  });

  test('none, two at once, or nonsense is refused at the choice', () => {
    expect(whyNotAnswers(sent, rest, false)).toMatchObject([{ field: 'choice.c' }]);
    expect(answersOfPick(sent, frozen, { pick: 'approve' })).toEqual([]);
    const both: LineAnswer[] = sent.lines.map((l) => ({ lineId: l.id, answer: 'approve' }));
    expect(whyNotAnswers(sent, both, false)).toMatchObject([{ field: 'choice.c' }]);
    const without: LineAnswer[] = [...answer('whole').slice(0, -1), { lineId: 'pipes', answer: 'other way' }];
    expect(whyNotAnswers(sent, without, false)).toMatchObject([{ field: 'line.pipes' }]);
  });
});

/**
 * How a job stands. Nasty cases: nothing on it, only dropped tasks, turned down after an hour of looking, done on one line and asked on
 * another, begun without asking, a way that was not chosen, a car that went home with work left on it.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { LineState } from '../approval/answers.ts';
import { canBeSplit, inOrderOfNeed, JOB_STATES, jobState, type JobThings } from './jobs.ts';

const NOTHING: JobThings = { findings: 0, lines: [], tasks: [], spentMinutes: 0, isHandedOver: false };
const line = (state: LineState, more: Partial<JobThings['lines'][number]> = {}) => ({
  state,
  isBegun: false,
  isFinished: false,
  ...more,
});
const state = (more: Partial<JobThings>) => jobState({ ...NOTHING, ...more });

describe('how a job stands', () => {
  test.each<[string, Partial<JobThings>, ReturnType<typeof jobState>]>([
    ['nothing on it', {}, null],
    ['only a task that was dropped', { tasks: [{ state: 'dropped', hasLine: false }] }, null],
    [
      'only a task that was dropped after an hour',
      { tasks: [{ state: 'dropped', hasLine: false }], spentMinutes: 60 },
      'put off',
    ],
    ['a finding', { findings: 1 }, 'found'],
    ['a finding and a line', { findings: 1, lines: [line('open')] }, 'priced'],
    ['sent', { lines: [line('asked')] }, 'asked'],
    ['with a question about it', { lines: [line('question')] }, 'asked'],
    ['changed since it was agreed', { lines: [line('changed')] }, 'asked'],
    ['put off', { lines: [line('waits')] }, 'put off'],
    ['turned down', { lines: [line('declined')] }, 'declined'],
    ['a way that was not chosen', { lines: [line('other way')] }, 'declined'],
    ['turned down after an hour of looking', { lines: [line('declined')], spentMinutes: 60 }, 'declined'],
    ['agreed', { lines: [line('approved')] }, 'agreed'],
    ['one line agreed, one asked', { lines: [line('asked'), line('approved')] }, 'agreed'],
    ['one line asked, one put off', { lines: [line('waits'), line('asked')] }, 'asked'],
    ['hours on it', { lines: [line('approved')], spentMinutes: 30 }, 'in work'],
    ['begun without asking', { lines: [line('open', { isBegun: true })], spentMinutes: 30 }, 'in work'],
    [
      'somebody is at it',
      { tasks: [{ state: 'going', hasLine: true }], lines: [line('declined')] },
      'in work',
    ],
    [
      'done on one line, turned down on another',
      { lines: [line('approved', { isFinished: true }), line('declined')], spentMinutes: 30 },
      'done',
    ],
    ['all of it done', { lines: [line('approved', { isFinished: true })], spentMinutes: 30 }, 'done'],
    [
      'done on one line, agreed on another',
      { lines: [line('approved', { isFinished: true }), line('approved')], spentMinutes: 30 },
      'in work',
    ],
    [
      'done on one line, asked on another',
      { lines: [line('approved', { isFinished: true }), line('asked')], spentMinutes: 30 },
      'asked',
    ],
    ['tasks of no line', { tasks: [{ state: 'to do', hasLine: false }] }, 'planned'],
    [
      'one of them done',
      {
        tasks: [
          { state: 'done', hasLine: false },
          { state: 'to do', hasLine: false },
        ],
      },
      'in work',
    ],
    ['all of them done', { findings: 1, tasks: [{ state: 'done', hasLine: false }] }, 'done'],
    [
      'the car went home',
      { lines: [line('approved', { isFinished: true })], isHandedOver: true },
      'handed over',
    ],
    ['the car went home without it', { lines: [line('approved')], isHandedOver: true }, 'agreed'],
  ])('%s', (_, things, expected) => expect(state(things)).toBe(expected));

  const LINE_STATES: LineState[] = [
    'open',
    'asked',
    'approved',
    'waits',
    'declined',
    'other way',
    'question',
    'changed',
  ];
  const things = fc.record<JobThings>({
    findings: fc.nat(3),
    lines: fc.array(
      fc.record({ state: fc.constantFrom(...LINE_STATES), isBegun: fc.boolean(), isFinished: fc.boolean() }),
      { maxLength: 4 },
    ),
    tasks: fc.array(
      fc.record({
        state: fc.constantFrom('to do' as const, 'going' as const, 'done' as const, 'dropped' as const),
        hasLine: fc.boolean(),
      }),
      {
        maxLength: 4,
      },
    ),
    spentMinutes: fc.nat(600),
    isHandedOver: fc.boolean(),
  });

  test('it is one of the states, and none only where nothing belongs to it (seed 41)', () => {
    fc.assert(
      fc.property(things, (of) => {
        const is = jobState(of);
        const isEmpty =
          of.findings === 0 &&
          of.lines.length === 0 &&
          of.spentMinutes === 0 &&
          of.tasks.every((t) => t.state === 'dropped');
        expect(is === null).toBe(isEmpty);
        if (is !== null) expect(JOB_STATES).toContain(is);
      }),
      { seed: 41 },
    );
  });

  test('the order of its lines and tasks does not matter (seed 42)', () => {
    fc.assert(
      fc.property(things, (of) => {
        const turned = { ...of, lines: of.lines.toReversed(), tasks: of.tasks.toReversed() };
        expect(jobState(turned)).toBe(jobState(of));
      }),
      { seed: 42 },
    );
  });
});

test('what is under hand comes first, what is over last; those alike stay as they came', () => {
  const jobs = JOB_STATES.flatMap((s) => [
    { state: s, at: 1 },
    { state: s, at: 2 },
  ]);
  const ordered = inOrderOfNeed(jobs);
  expect([ordered[0]!.state, ordered.at(-1)!.state]).toEqual(['in work', 'declined']);
  expect(ordered).toHaveLength(jobs.length);
  for (const s of JOB_STATES) expect(ordered.filter((j) => j.state === s).map((j) => j.at)).toEqual([1, 2]);
});

test('what goes with its line cannot be split off it', () => {
  const job = { findings: [], lines: [{}], tasks: [{ lineId: 'a' }, { lineId: 'a' }] };
  expect(canBeSplit(job)).toBe(false);
  expect(canBeSplit({ ...job, findings: [{}] })).toBe(true);
  expect(canBeSplit({ ...job, tasks: [{ lineId: null }] })).toBe(true);
});

/**
 * What holds tasks and builds up. Nasty cases: a place that is free, all that are taken, a car that does not roll, a person and a place
 * at once, money that is not in, a pause, a cure at its last minute, one hold of several tasks, a task behind another.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Standing } from '../plan/floorPlan.ts';
import type { Hold } from '../waits/binding.ts';
import { freeingActs } from '../waits/frees.ts';
import type { Task } from '../work/tasks.ts';
import { buildHolds, type BuildToJudge } from './build.ts';
import { firstMove, placeWanted, readiness, wordsAt, type Ground, type TaskToDo } from './readiness.ts';

const NOW = '2026-03-11T10:00:00.000Z';

const todo = (
  id: string,
  more: Omit<Partial<TaskToDo>, 'task'> & { task?: Partial<Task> } = {},
): TaskToDo => ({
  lineId: null,
  place: null,
  work: 'metalwork',
  ...more,
  task: { id, title: id, state: 'to do', needs: [], gate: null, doneAt: null, ...more.task },
});
const ground = (tasks: readonly TaskToDo[], more: Partial<Ground> = {}): Ground => ({
  now: NOW,
  timeZone: 'Europe/London',
  build: { id: 'rally', customer: 'Ruan Teague', placeKind: 'yard', idleSince: '2026-03-09' },
  tasks: new Map(tasks.map((t) => [t.task.id, t.task])),
  lines: new Map(),
  places: [{ id: 'lift', name: 'Lift 1', kind: 'lift', closed: false }],
  standing: [],
  away: new Map(),
  owed: [],
  parts: new Map(),
  rest: null,
  ...more,
});
const hearse = (pinned: Standing['pinned'] = null): Standing => ({
  buildId: 'hearse',
  nickname: 'hearse',
  placeId: 'lift',
  pinned,
});
const heldBy = (t: TaskToDo, more: Partial<Ground> = {}): [string, string][] =>
  readiness(t, ground([t], more)).map((h) => [h.kind, h.act]);

describe('a task', () => {
  const axle = todo('axle out', { place: 'lift' });

  test('a place that is free holds nobody: the car is moved to it first', () => {
    expect(heldBy(axle)).toEqual([]);
    expect(firstMove(axle, ground([axle]))).toBe('move it to Lift 1, which is free');
  });

  test('one that is taken does; who rolls is moved, and who does not is made to first', () => {
    expect(heldBy(axle, { standing: [hearse()] })).toEqual([['place', 'move the hearse']]);
    const stuck = hearse({ by: 'no rear axle', freedBy: 'put the axle back' });
    expect(heldBy(axle, { standing: [stuck] })).toEqual([
      ['place', 'put the axle back: then move the hearse'],
    ]);
    const there = ground([axle], { standing: [hearse()] });
    expect(readiness(axle, { ...there, build: { ...there.build, placeKind: 'lift' } })).toEqual([]);
  });

  test('its place is wanted where nothing else holds it, with who stands there and what would make room', () => {
    const wanted = (more: Partial<Ground>) => {
      const there = ground([axle], more);
      return placeWanted(axle, readiness(axle, there), there)?.words ?? null;
    };
    expect(wanted({})).toBe('move it to Lift 1, which is free');
    expect(wanted({ standing: [hearse()] })).toBe('needs a lift: taken by the hearse; move the hearse');
    const rest = { words: 'Ruan is at sea', act: 'ask Ruan', since: '2026-03-01', until: null };
    expect(wanted({ standing: [hearse()], rest })).toBeNull();
    expect(wanted({ rest })).toBeNull();
    const { build } = ground([]);
    expect(wanted({ build: { ...build, placeKind: 'lift' } })).toBeNull();
  });

  test('a taken booth does not hide that the painter is sick', () => {
    const paint = todo('clear coat', { place: 'lift', work: 'paint' });
    const away = new Map([['paint' as const, { name: 'Fay', since: '2026-03-10', back: '2026-03-16' }]]);
    expect(heldBy(paint, { standing: [hearse()], away }).map(([kind]) => kind)).toEqual(['place', 'person']);
  });

  test('money without which work stops, and a pause, hold every task', () => {
    const rest = { words: 'Ruan is at sea', act: 'ask Ruan', since: '2026-03-01', until: null };
    const owed = [{ what: 'first instalment', askedOn: '2026-03-02', due: null }];
    expect(heldBy(todo('sill'), { rest, owed })).toEqual([
      ['payment', 'ring Ruan Teague about it'],
      ['said', 'ask Ruan'],
    ]);
  });

  test('a part that it needs and that is not here; another’s part holds it not', () => {
    const pins: Hold = {
      kind: 'part',
      what: 'the king pins from Cobb Springs',
      since: '2026-03-01',
      until: '2026-03-20',
      act: 'ring Cobb Springs',
    };
    const parts = new Map([['axle', [pins]]]);
    expect(readiness(todo('axle'), ground([], { parts }))).toMatchObject([
      { kind: 'part', until: '2026-03-20', words: 'not here: the king pins from Cobb Springs' },
    ]);
    expect(heldBy(todo('sill'), { parts })).toEqual([]);
  });

  test('a line that is not agreed, in the words of whoever may not begin it', () => {
    const lines = new Map([['l', { title: 'Sills', whyNot: 'not agreed yet' }]]);
    const [hold] = readiness(todo('sill', { lineId: 'l' }), ground([], { lines }));
    expect(hold).toMatchObject({ kind: 'answer', act: 'ask Ruan Teague', words: 'not agreed yet' });
  });

  test('a cure says how long it still takes, and is over at its minute', () => {
    const base = todo('base', { task: { state: 'done', doneAt: '2026-03-11T09:40:00.000Z' } });
    const clear = todo('clear', {
      task: { needs: [{ taskId: 'base', reason: 'solvent must leave', waitAtLeast: 30 }] },
    });
    const of = ground([base, clear]);
    const [cure] = readiness(clear, of);
    expect(cure).toMatchObject({ kind: 'cure', endsAt: '2026-03-11T10:10:00.000Z' });
    expect(wordsAt(cure!, '2026-03-11T10:08:30.000Z')).toBe('another 2 min after “base”: solvent must leave');
    expect(readiness(clear, { ...of, now: '2026-03-11T10:10:00.000Z' })).toEqual([]);
  });

  test.each(['going', 'done', 'dropped'] as const)('one that is %s is held by nothing', (state) => {
    expect(heldBy(todo('sill', { place: 'lift', task: { state } }), { standing: [hearse()] })).toEqual([]);
  });
});

describe('a build', () => {
  const judge = (tasks: TaskToDo[], more: Partial<BuildToJudge> & { ground?: Ground } = {}) =>
    buildHolds({
      tasks,
      ground: ground(tasks),
      isWorkedOn: false,
      nextStep: '',
      apart: [],
      idleSince: '2026-03-09',
      ...more,
    });
  const glass: Hold = {
    kind: 'vendor',
    what: 'the glass',
    since: '2026-03-09',
    until: null,
    act: 'ring Marram Glass',
  };

  test('one task that can be begun is enough, whatever else is waited for', () => {
    expect(judge([todo('sill')], { apart: [glass] }).binding).toBeNull();
  });

  test('without tasks all that is waited for has to end; what is next, said in words, is gone on with', () => {
    expect(judge([], { apart: [glass] })).toMatchObject({ binding: glass, ways: [[0]] });
    expect(judge([], { nextStep: 'sills' }).binding).toBeNull();
    expect(judge([]).binding).toMatchObject({ kind: 'plan' });
  });

  test('a task behind another is no way to get going; each other task is one', () => {
    const first = todo('first', { place: 'lift' });
    const second = todo('second', { task: { gate: 'seen', needs: [] } });
    const behind = todo('behind', { task: { needs: [{ taskId: 'first', reason: 'so' }] } });
    const tasks = [first, second, behind];
    const { binding, others, ways, ofTasks } = judge(tasks, {
      ground: ground(tasks, { standing: [hearse()] }),
      apart: [glass],
    });
    const all = [binding!, ...others];
    expect(all.map((h) => h.kind).sort()).toEqual(['gate', 'place', 'vendor']);
    expect(ways.map((way) => way.map((i) => all[i]!.kind))).toEqual([['place'], ['gate']]);
    expect(ofTasks.get('behind')!.map((h) => h.kind)).toEqual(['task']);
  });

  test('one pause over three tasks is one hold', () => {
    const tasks = ['a', 'b', 'c'].map((id) => todo(id));
    const rest = { words: 'Ruan is at sea', act: 'ask Ruan', since: '2026-03-01', until: null };
    const { binding, others } = judge(tasks, { ground: ground(tasks, { rest }) });
    expect([binding!.what, others]).toEqual(['Ruan is at sea', []]);
    // It binds before what has held longer and ends later.
    const rests = judge(tasks, {
      ground: ground(tasks, { rest: { ...rest, until: '2026-03-20' } }),
      apart: [glass],
    });
    expect(rests.binding).toMatchObject({ what: 'Ruan is at sea' });
  });

  test('it is held by exactly one thing unless a task can be begun; an act that frees it, done, lets one begin (seed 23)', () => {
    const tasks = fc.array(
      fc.record({
        state: fc.constantFrom('to do' as const, 'done' as const, 'dropped' as const),
        place: fc.constantFrom(null, 'lift' as const),
        work: fc.constantFrom('paint' as const, 'metalwork' as const),
        gate: fc.constantFrom(null, 'seen'),
        lineId: fc.constantFrom(null, 'l'),
      }),
      { maxLength: 5 },
    );
    const shop = fc.record({
      taken: fc.boolean(),
      sick: fc.boolean(),
      agreed: fc.boolean(),
      owed: fc.boolean(),
      paused: fc.boolean(),
    });
    type Shop = { taken: boolean; sick: boolean; agreed: boolean; owed: boolean; paused: boolean };
    const at = (of: readonly TaskToDo[], s: Shop): Ground =>
      ground(of, {
        standing: s.taken ? [hearse()] : [],
        away: new Map(s.sick ? [['paint' as const, { name: 'Fay', since: '2026-03-10', back: null }]] : []),
        lines: new Map([['l', { title: 'Sills', whyNot: s.agreed ? null : 'not agreed' }]]),
        owed: s.owed ? [{ what: 'deposit', askedOn: '2026-03-02', due: null }] : [],
        rest: s.paused ? { words: 'at sea', act: 'ask Ruan', since: '2026-03-01', until: null } : null,
      });
    /** The shop once the act is done. */
    const after = (s: Shop, act: string): Shop => ({
      taken: s.taken && act !== 'move the hearse',
      sick: s.sick && !act.startsWith('find somebody else'),
      agreed: s.agreed || act === 'ask Ruan Teague',
      owed: s.owed && act !== 'ring Ruan Teague about it',
      paused: s.paused && act !== 'ask Ruan',
    });
    fc.assert(
      fc.property(tasks, shop, (given, s) => {
        const of = given.map(({ state, gate, ...t }, i) => todo(`t${i}`, { ...t, task: { state, gate } }));
        const judged = judge(of, { ground: at(of, s) });
        const isReady = of.some((t) => t.task.state === 'to do' && readiness(t, at(of, s)).length === 0);
        expect(judged.binding === null).toBe(isReady);
        const [act] = freeingActs([{ buildId: 'b', nickname: 'b', ...judged }], '2026-03-11').filter(
          (a) => a.frees.length > 0,
        );
        if (!act || !of.some((t) => t.task.state === 'to do') || act.act === 'look, and sign it') return;
        const then = at(of, after(s, act.act));
        expect(of.some((t) => t.task.state === 'to do' && readiness(t, then).length === 0)).toBe(true);
      }),
      { seed: 23, numRuns: 400 },
    );
  });
});

/**
 * Playbooks, tasks, progress, spells. Nasty cases: needs in a circle, a branch not taken in the middle of a chain, a
 * misspelt field brought in, a wait that ends this very minute, a dropped task, midnight, a night shift, the clocks
 * going forward, a stop before its start.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { formatMinutes } from '../time/hours.ts';
import { CAUTIONS } from './cautions.ts';
import { isWanted, readPlaybook, stepsWanted, type Playbook } from './playbook.ts';
import { PLAYBOOKS } from './playbooks/index.ts';
import { addUp, overrunOf, progressInWords, progressOf } from './progress.ts';
import { isForgotten, minutesBetween, whyNotEnd } from './spells.ts';
import { countdowns, inOrder, longestWaits, waitingFor, whyNotNeeds, type Task } from './tasks.ts';

const ZONE = 'Europe/London';

/** Every way in which a playbook's decisions can fall. */
function fallings(p: Playbook): Record<string, string>[] {
  return (p.decisions ?? []).reduce<Record<string, string>[]>(
    (all, d) => all.flatMap((fallen) => d.options.map((o) => ({ ...fallen, [d.key]: o.key }))),
    [{}],
  );
}

describe('the playbooks that come with it', () => {
  test('are at least fourteen, each its own', () => {
    expect(PLAYBOOKS.length).toBeGreaterThanOrEqual(14);
    expect(new Set(PLAYBOOKS.map((p) => p.id)).size).toBe(PLAYBOOKS.length);
  });

  test.each(PLAYBOOKS.map((p) => [p.id, p] as const))('%s reads back as it was written, as JSON', (_, p) => {
    expect(readPlaybook(JSON.parse(JSON.stringify(p)))).toEqual({ playbook: p });
  });

  test.each(PLAYBOOKS.map((p) => [p.id, p] as const))(
    '%s can be done to its end however its decisions fall',
    (_, p) => {
      for (const fallen of fallings(p)) {
        const steps = stepsWanted(p, fallen);
        const done = new Set<string>();
        for (let before = -1; before < done.size;) {
          before = done.size;
          for (const s of steps) if (s.needs.every((n) => done.has(n.step))) done.add(s.key);
        }
        expect(done.size).toBe(steps.length);
      }
    },
  );

  // What the trade will not have otherwise (common practice).
  test('doors are hung before the outer sill; leather waits for the trial cover; no boring before the pistons are measured', () => {
    const needsOf = (id: string, step: string): string[] =>
      PLAYBOOKS.find((p) => p.id === id)!
        .steps.find((s) => s.key === step)!
        .needs.map((n) => n.step);
    expect(needsOf('structural-metalwork', 'outer')).toContain('doors');
    expect(needsOf('structural-metalwork', 'doors')).toContain('inner');
    expect(needsOf('interior-trim', 'cut')).toContain('trial');
    expect(needsOf('engine-rebuild', 'bore')).toContain('pistons');
    const primer = PLAYBOOKS.find((p) => p.id === 'blast-to-paint')!.steps.find((s) => s.key === 'etch')!;
    expect(primer.needs[0]).toMatchObject({ step: 'blast', waitAtMost: 240 });
  });

  test('hot work, high voltage, springs and isocyanates carry their cautions', () => {
    const said = new Set(PLAYBOOKS.flatMap((p) => p.steps.flatMap((s) => s.cautions ?? [])));
    for (const c of [
      'hot work',
      'high voltage',
      'springs',
      'isocyanates',
      'lifting',
      'fuel',
      'brakes',
      'dust',
    ] as const)
      expect(said).toContain(c);
    for (const p of PLAYBOOKS)
      for (const s of p.steps) if (s.place === 'booth') expect(s.cautions).toContain('isocyanates');
    expect(Object.values(CAUTIONS).every((c) => c.length > 20)).toBe(true);
  });
});

describe('reading a playbook', () => {
  const step = { key: 'a', title: 'A', work: 'trim', minutes: 60, needs: [] };
  const small = { id: 'small', title: 'Small', about: 'A test', steps: [step] };
  const paths = (value: unknown): string[] => {
    const read = readPlaybook(value);
    return 'faults' in read ? read.faults.map((f) => f.path) : [];
  };
  test.each([
    ['as it should be', small, []],
    ['nothing', null, ['', 'id', 'title', 'about', 'steps']],
    ['a list', [], ['', 'id', 'title', 'about', 'steps']],
    ['a misspelt field', { ...small, stepz: [] }, ['stepz']],
    ['no step', { ...small, steps: [] }, ['steps']],
    ['an unknown kind of work', { ...small, steps: [{ ...step, work: 'magic' }] }, ['steps.0.work']],
    ['half a minute', { ...small, steps: [{ ...step, minutes: 0.5 }] }, ['steps.0.minutes']],
    [
      'a caution nobody knows',
      { ...small, steps: [{ ...step, cautions: ['bees'] }] },
      ['steps.0.cautions.0'],
    ],
    [
      'a need without a reason',
      { ...small, steps: [step, { ...step, key: 'b', needs: [{ step: 'a' }] }] },
      ['steps.1.needs.0.reason'],
    ],
    [
      'a need of nothing',
      { ...small, steps: [{ ...step, needs: [{ step: 'x', reason: 'so' }] }] },
      ['steps.0.needs.0.step'],
    ],
    ['a need of itself', { ...small, steps: [{ ...step, needs: [{ step: 'a', reason: 'so' }] }] }, ['steps']],
    ['the same key twice', { ...small, steps: [step, step] }, ['steps']],
    [
      'a branch of no decision',
      { ...small, steps: [{ ...step, when: { decision: 'd', is: 'x' } }] },
      ['steps.0.when'],
    ],
    [
      'a follow-up without a when',
      { ...small, followUps: [{ title: 'Again', after: 'a' }] },
      ['followUps.0'],
    ],
    [
      'a follow-up of no step',
      { ...small, followUps: [{ title: 'Again', after: 'z', days: 3 }] },
      ['followUps.0.after'],
    ],
  ])('%s', (_, value, expected) => {
    expect(paths(value)).toEqual(expected);
  });

  test('anything at all is read or refused, and never throws (seed 11)', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const read = readPlaybook(value);
        return 'faults' in read ? read.faults.length > 0 : read.playbook.steps.length > 0;
      }),
      { seed: 11, numRuns: 300 },
    );
  });

  test('what waits for a branch that is not taken waits for what came before it', () => {
    const rebuild = PLAYBOOKS.find((p) => p.id === 'engine-rebuild')!;
    const keys = (fallen: Record<string, string>) => stepsWanted(rebuild, fallen).map((s) => s.key);
    expect(keys({ bores: 'bore', crank: 'polish' })).not.toContain('sleeve');
    expect(keys({})).not.toContain('bore');
    const trial = stepsWanted(rebuild, { bores: 'hone', crank: 'grind' }).find((s) => s.key === 'trial')!;
    expect(trial.needs.map((n) => n.step)).toEqual(['hone', 'pistons', 'balance']);
    expect(
      isWanted(
        rebuild.steps.find((s) => s.key === 'bore')!,
        { bores: 'hone' },
      ),
    ).toBe(false);
  });
});

const task = (id: string, more: Partial<Task> = {}): Task => ({
  id,
  title: `The ${id}`,
  state: 'to do',
  needs: [],
  gate: null,
  doneAt: null,
  ...more,
});
const mapOf = (tasks: readonly Task[]) => new Map(tasks.map((t) => [t.id, t]));
const NOW = '2026-03-11T10:00:00.000Z';

describe('tasks', () => {
  const blast = task('blast', { state: 'done', doneAt: '2026-03-11T07:00:00.000Z' });
  const primer = task('primer', {
    needs: [{ taskId: 'blast', reason: 'bare steel rusts', waitAtMost: 240 }],
  });

  test('what must come first is named with its reason', () => {
    const sill = task('sill', { needs: [{ taskId: 'door', reason: 'so that the sill follows it' }] });
    expect(waitingFor(sill, mapOf([task('door'), sill]), NOW)).toEqual([
      { onTaskId: 'door', words: '“The door” comes first: so that the sill follows it' },
    ]);
    expect(waitingFor(sill, mapOf([task('door', { state: 'dropped' }), sill]), NOW)).toEqual([]);
    expect(waitingFor({ ...sill, state: 'going' }, mapOf([task('door')]), NOW)).toEqual([]);
  });

  test.each([
    ['2026-03-11T09:59:59.999Z', 1],
    ['2026-03-11T10:00:00.000Z', 0],
  ])('a shortest wait of three hours at %s', (now, open) => {
    const clear = task('clear', {
      needs: [{ taskId: 'blast', reason: 'solvent must leave', waitAtLeast: 180 }],
    });
    const waits = waitingFor(clear, mapOf([blast, clear]), now);
    expect(waits).toHaveLength(open);
    if (open)
      expect(waits[0]).toMatchObject({
        from: '2026-03-11T10:00:00.000Z',
        words: 'after “The blast”: solvent must leave',
      });
  });

  test('a gate is the last thing it waits for, and is named', () => {
    const bore = task('bore', { gate: 'pistons in hand and measured' });
    expect(waitingFor(bore, mapOf([bore]), NOW)).toEqual([
      { onTaskId: null, words: 'first to be seen: pistons in hand and measured' },
    ]);
  });

  test('a longest wait counts down, is an alarm in its last quarter, and can have run out', () => {
    // By hand: done at 7, four hours are until 11; at 10 an hour is left, a quarter of four.
    const at = (now: string) => countdowns(longestWaits([blast, primer]), now)[0]!;
    expect(at(NOW)).toMatchObject({
      taskId: 'primer',
      until: '2026-03-11T11:00:00.000Z',
      minutesLeft: 60,
      isAlarm: true,
    });
    expect(at('2026-03-11T09:59:00.000Z')).toMatchObject({ minutesLeft: 61, isAlarm: false });
    expect(at('2026-03-11T11:30:00.000Z').minutesLeft).toBe(-30);
    expect(longestWaits([blast, { ...primer, state: 'going' }])).toEqual([]);
    expect(longestWaits([{ ...blast, state: 'to do', doneAt: null }, primer])).toEqual([]);
  });

  test('needs in a circle, of a stranger, or without a reason are refused', () => {
    const [a, b] = [task('a'), task('b', { needs: [{ taskId: 'a', reason: 'so' }] })];
    expect(whyNotNeeds('a', [{ taskId: 'b', reason: 'so' }], mapOf([a, b]))).toMatch(/circle/);
    expect(whyNotNeeds('a', [{ taskId: 'x', reason: 'so' }], mapOf([a, b]))).toMatch(/not there/);
    expect(whyNotNeeds('b', [{ taskId: 'a', reason: ' ' }], mapOf([a, b]))).toMatch(/say why/);
    expect(whyNotNeeds('b', [{ taskId: 'a', reason: 'so' }], mapOf([a, b]))).toBeNull();
  });

  test('in order: nothing stands before what it needs, and nothing is lost, circles neither (seed 3)', () => {
    const some = fc.array(fc.array(fc.nat(14), { maxLength: 3 }), { minLength: 1, maxLength: 15 });
    fc.assert(
      fc.property(some, fc.boolean(), (needs, mayCircle) => {
        const tasks = needs.map((of, i) =>
          task(String(i), {
            needs: of.filter((n) => mayCircle || n < i).map((n) => ({ taskId: String(n), reason: 'so' })),
          }),
        );
        const ordered = inOrder([...tasks].reverse());
        expect([...ordered].map((t) => t.id).sort()).toEqual(tasks.map((t) => t.id).sort());
        const at = new Map(ordered.map((t, i) => [t.id, i]));
        if (!mayCircle)
          for (const t of ordered)
            for (const n of t.needs) expect(at.get(n.taskId)!).toBeLessThan(at.get(t.id)!);
      }),
      { seed: 3, numRuns: 200 },
    );
  });
});

describe('progress', () => {
  test('is what was spent of what was spent and is to go, and never a hundred while something is to go', () => {
    expect(progressOf({ spentMinutes: 420, toGoMinutes: 180 })).toBeCloseTo(0.7, 12);
    expect(progressOf({ spentMinutes: 0, toGoMinutes: 0 })).toBe(0);
    expect(progressInWords({ spentMinutes: 420, toGoMinutes: 180 }, formatMinutes)).toBe(
      '7 h spent, 3 h to go (70 %)',
    );
    expect(progressInWords({ spentMinutes: 59_999, toGoMinutes: 1 }, formatMinutes)).toMatch(/\(99 %\)/);
    expect(progressInWords({ spentMinutes: 60, toGoMinutes: 0 }, formatMinutes)).toMatch(/\(100 %\)/);
    expect(overrunOf({ spentMinutes: 600, toGoMinutes: 300 }, 600)).toBe(1.5);
    expect(overrunOf({ spentMinutes: 600, toGoMinutes: 300 }, 0)).toBeNull();
  });

  test('adds up in any order (seed 5)', () => {
    const effort = fc.record({ spentMinutes: fc.nat(10_000), toGoMinutes: fc.nat(10_000) });
    fc.assert(
      fc.property(fc.array(effort), (efforts) => {
        expect(addUp([...efforts].reverse())).toEqual(addUp(efforts));
      }),
      { seed: 5, numRuns: 100 },
    );
  });
});

describe('spells', () => {
  const since = (startedAt: string) => ({ startedAt, endedAt: null });
  test.each([
    ['at half past six', '2026-03-11T09:00:00.000Z', '2026-03-11T18:30:00.000Z', false],
    ['in the evening', '2026-03-11T09:00:00.000Z', '2026-03-11T19:00:00.000Z', true],
    ['at midnight', '2026-03-11T09:00:00.000Z', '2026-03-12T00:00:00.000Z', true],
    ['begun at night, an hour in', '2026-03-11T20:00:00.000Z', '2026-03-11T21:00:00.000Z', false],
    ['begun at night, next morning', '2026-03-11T20:00:00.000Z', '2026-03-12T08:01:00.000Z', true],
    // Seven in the evening is six in UTC once the clocks have gone forward.
    ['after the clocks went forward', '2026-03-30T08:00:00.000Z', '2026-03-30T18:00:00.000Z', true],
  ])('forgotten or not, %s', (_, startedAt, now, forgotten) => {
    expect(isForgotten(since(startedAt), now, ZONE)).toBe(forgotten);
    expect(isForgotten({ startedAt, endedAt: now }, now, ZONE)).toBe(false);
  });

  test('an end lies between its start and now, and nobody works for thirteen hours', () => {
    const end = (endedAt: string): string | null =>
      whyNotEnd('2026-03-11T08:00:00.000Z', endedAt, '2026-03-12T08:00:00.000Z');
    expect(end('2026-03-11T12:00:00.000Z')).toBeNull();
    expect(end('2026-03-11T08:00:00.000Z')).toMatch(/before it was begun/);
    expect(end('2026-03-12T08:00:00.001Z')).toMatch(/still to come/);
    expect(end('2026-03-11T21:00:00.000Z')).toMatch(/twelve hours/);
    expect(minutesBetween('2026-03-11T08:00:00.000Z', '2026-03-11T08:00:01.000Z')).toBe(1);
  });
});

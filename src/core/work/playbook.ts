/**
 * Playbooks: patterns of work that turn an approved line into tasks, with their order and its reasons, waits, gates,
 * branches that a reading decides, and what is due after hand-over.
 */
import { WORKS, type Work } from '../estimate/lines.ts';
import { PLACE_KINDS, type PlaceKind } from '../shop/places.ts';
import { isCaution, type Caution } from './cautions.ts';

/** That one step comes before another, and why. Waits are in minutes between the end of the one and the start of the other. */
export interface Need {
  step: string;
  reason: string;
  /** Cure, flash-off, cooling: not before this long. */
  waitAtLeast?: number;
  /** Bare steel to primer: not later than this. */
  waitAtMost?: number;
}

export interface Step {
  key: string;
  title: string;
  work: Work;
  /** Where it is done; absent where that does not matter. */
  place?: PlaceKind;
  /** Usual hours, as minutes: common practice, for the shop to change. */
  minutes: number;
  needs: readonly Need[];
  cautions?: readonly Caution[];
  /** What must be seen before it is begun, in words that somebody signs: “pistons in hand and measured”. */
  gate?: string;
  /** Things to count off: rivets drilled, cell taps measured. */
  count?: { of: string; total: number };
  /** Only when a decision fell this way. */
  when?: { decision: string; is: string };
}

export interface Decision {
  key: string;
  question: string;
  /** What decides it: the reading and its limit. */
  by: string;
  options: readonly { key: string; label: string }[];
}

/** Due after hand-over, from the day that the work was done. */
export interface FollowUpRule {
  title: string;
  /** The step that makes it due. */
  after: string;
  days?: number;
  miles?: number;
}

export interface Playbook {
  id: string;
  title: string;
  /** When to use it. */
  about: string;
  decisions?: readonly Decision[];
  steps: readonly Step[];
  followUps?: readonly FollowUpRule[];
}

export interface PlaybookFault {
  /** Where in it: `steps.3.needs.0.step`. */
  path: string;
  reason: string;
}

const MOST_STEPS = 80;
const MOST_MINUTES = 60_000;

class Reader {
  readonly faults: PlaybookFault[] = [];
  fault(path: string, reason: string): void {
    this.faults.push({ path, reason });
  }
  object(value: unknown, path: string, fields: readonly string[]): Record<string, unknown> {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) {
      this.fault(path, 'should be an object');
      return {};
    }
    for (const key of Object.keys(value))
      if (!fields.includes(key)) this.fault(path === '' ? key : `${path}.${key}`, 'nobody knows this field');
    return value as Record<string, unknown>;
  }
  list(value: unknown, path: string, most: number): unknown[] {
    if (value === undefined) return [];
    if (!Array.isArray(value)) this.fault(path, 'should be a list');
    else if (value.length > most) this.fault(path, `at most ${most}`);
    else return value as unknown[];
    return [];
  }
  words(value: unknown, path: string, most: number): string {
    if (typeof value !== 'string' || value.trim() === '') this.fault(path, 'words are missing');
    else if (value.length > most) this.fault(path, `at most ${most} characters`);
    else return value.trim();
    return '';
  }
  whole(value: unknown, path: string, least: number, most: number): number {
    if (typeof value === 'number' && Number.isInteger(value) && value >= least && value <= most) return value;
    this.fault(path, `a whole number from ${least} to ${most}`);
    return least;
  }
  one<T extends string>(value: unknown, path: string, of: readonly T[]): T {
    if (typeof value === 'string' && (of as readonly string[]).includes(value)) return value as T;
    this.fault(path, `one of: ${of.join(', ')}`);
    return of[0]!;
  }
}

const KEY = /^[a-z0-9][a-z0-9-]{0,39}$/;

function readNeed(r: Reader, value: unknown, path: string): Need {
  const o = r.object(value, path, ['step', 'reason', 'waitAtLeast', 'waitAtMost']);
  const wait = (key: 'waitAtLeast' | 'waitAtMost'): { [K in typeof key]?: number } =>
    o[key] === undefined ? {} : { [key]: r.whole(o[key], `${path}.${key}`, 1, MOST_MINUTES) };
  return {
    step: r.words(o.step, `${path}.step`, 40),
    reason: r.words(o.reason, `${path}.reason`, 200),
    ...wait('waitAtLeast'),
    ...wait('waitAtMost'),
  };
}

const STEP_FIELDS = [
  'key',
  'title',
  'work',
  'place',
  'minutes',
  'needs',
  'cautions',
  'gate',
  'count',
  'when',
];

function readStep(r: Reader, value: unknown, path: string): Step {
  const o = r.object(value, path, STEP_FIELDS);
  const cautions = r
    .list(o.cautions, `${path}.cautions`, 10)
    .map((c, i) =>
      typeof c === 'string' && isCaution(c) ? c : r.fault(`${path}.cautions.${i}`, 'no such caution'),
    )
    .filter((c): c is Caution => c !== undefined);
  const step: Step = {
    key: r.words(o.key, `${path}.key`, 40),
    title: r.words(o.title, `${path}.title`, 160),
    work: r.one(o.work, `${path}.work`, WORKS),
    minutes: r.whole(o.minutes, `${path}.minutes`, 0, MOST_MINUTES),
    needs: r.list(o.needs, `${path}.needs`, 20).map((n, i) => readNeed(r, n, `${path}.needs.${i}`)),
    ...(o.place === undefined ? {} : { place: r.one(o.place, `${path}.place`, PLACE_KINDS) }),
    ...(cautions.length === 0 ? {} : { cautions }),
    ...(o.gate === undefined ? {} : { gate: r.words(o.gate, `${path}.gate`, 200) }),
  };
  if (step.key !== '' && !KEY.test(step.key)) r.fault(`${path}.key`, 'small letters, figures and dashes');
  if (o.count !== undefined) {
    const c = r.object(o.count, `${path}.count`, ['of', 'total']);
    step.count = {
      of: r.words(c.of, `${path}.count.of`, 60),
      total: r.whole(c.total, `${path}.count.total`, 1, 100_000),
    };
  }
  if (o.when !== undefined) {
    const w = r.object(o.when, `${path}.when`, ['decision', 'is']);
    step.when = {
      decision: r.words(w.decision, `${path}.when.decision`, 40),
      is: r.words(w.is, `${path}.when.is`, 40),
    };
  }
  return step;
}

function readDecision(r: Reader, value: unknown, path: string): Decision {
  const o = r.object(value, path, ['key', 'question', 'by', 'options']);
  const options = r.list(o.options, `${path}.options`, 10).map((v, i) => {
    const option = r.object(v, `${path}.options.${i}`, ['key', 'label']);
    return {
      key: r.words(option.key, `${path}.options.${i}.key`, 40),
      label: r.words(option.label, `${path}.options.${i}.label`, 120),
    };
  });
  if (options.length < 2) r.fault(`${path}.options`, 'at least two');
  return {
    key: r.words(o.key, `${path}.key`, 40),
    question: r.words(o.question, `${path}.question`, 160),
    by: r.words(o.by, `${path}.by`, 300),
    options,
  };
}

function readFollowUp(r: Reader, value: unknown, path: string): FollowUpRule {
  const o = r.object(value, path, ['title', 'after', 'days', 'miles']);
  if (o.days === undefined && o.miles === undefined) r.fault(path, 'say after how many days or miles');
  return {
    title: r.words(o.title, `${path}.title`, 160),
    after: r.words(o.after, `${path}.after`, 40),
    ...(o.days === undefined ? {} : { days: r.whole(o.days, `${path}.days`, 0, 3650) }),
    ...(o.miles === undefined ? {} : { miles: r.whole(o.miles, `${path}.miles`, 1, 100_000) }),
  };
}

/** The steps that lie on a circle of needs, in the order of the playbook; empty where there is none. */
function circle(steps: readonly Step[]): string[] {
  const left = new Map(steps.map((s) => [s.key, s.needs.map((n) => n.step)]));
  for (let gone = true; gone;) {
    gone = false;
    for (const [key, needs] of left)
      if (!needs.some((n) => left.has(n))) {
        left.delete(key);
        gone = true;
      }
  }
  return [...left.keys()];
}

/** What does not hold together: steps, needs, decisions and follow-ups that name each other wrongly. */
function checkWhole(r: Reader, p: Playbook): void {
  const keys = new Set(p.steps.map((s) => s.key));
  if (keys.size < p.steps.length) r.fault('steps', 'two steps have the same key');
  const options = new Map((p.decisions ?? []).map((d) => [d.key, new Set(d.options.map((o) => o.key))]));
  p.steps.forEach((s, i) => {
    s.needs.forEach((n, j) => {
      if (!keys.has(n.step)) r.fault(`steps.${i}.needs.${j}.step`, `there is no step “${n.step}”`);
      if ((n.waitAtLeast ?? 0) > (n.waitAtMost ?? Infinity))
        r.fault(`steps.${i}.needs.${j}.waitAtMost`, 'the longest wait is shorter than the shortest');
    });
    if (s.when && !options.get(s.when.decision)?.has(s.when.is))
      r.fault(`steps.${i}.when`, `no decision “${s.when.decision}” can fall “${s.when.is}”`);
  });
  (p.followUps ?? []).forEach((f, i) => {
    if (!keys.has(f.after)) r.fault(`followUps.${i}.after`, `there is no step “${f.after}”`);
  });
  const round = circle(p.steps);
  if (round.length > 0) r.fault('steps', `these wait for each other in a circle: ${round.join(', ')}`);
}

/**
 * Reads a playbook from anything (a file brought in, a form), naming every fault by its path. Unknown fields are refused,
 * so that a misspelt one is not lost in silence.
 */
export function readPlaybook(value: unknown): { playbook: Playbook } | { faults: PlaybookFault[] } {
  const r = new Reader();
  const o = r.object(value, '', ['id', 'title', 'about', 'decisions', 'steps', 'followUps']);
  const decisions = r.list(o.decisions, 'decisions', 10).map((d, i) => readDecision(r, d, `decisions.${i}`));
  const followUps = r.list(o.followUps, 'followUps', 30).map((f, i) => readFollowUp(r, f, `followUps.${i}`));
  const playbook: Playbook = {
    id: r.words(o.id, 'id', 40),
    title: r.words(o.title, 'title', 120),
    about: r.words(o.about, 'about', 600),
    steps: r.list(o.steps, 'steps', MOST_STEPS).map((s, i) => readStep(r, s, `steps.${i}`)),
    ...(decisions.length === 0 ? {} : { decisions }),
    ...(followUps.length === 0 ? {} : { followUps }),
  };
  if (playbook.id !== '' && !KEY.test(playbook.id)) r.fault('id', 'small letters, figures and dashes');
  if (playbook.steps.length === 0) r.fault('steps', 'at least one step');
  if (r.faults.length === 0) checkWhole(r, playbook);
  return r.faults.length > 0 ? { faults: r.faults } : { playbook };
}

/** How decisions fell, by key; one that has not fallen yet is absent. */
export type Fallen = Readonly<Record<string, string>>;

/** Whether a step is to be done: it hangs on no decision, or on one that fell its way. */
export const isWanted = ({ when }: Step, fallen: Fallen): boolean =>
  when === undefined || fallen[when.decision] === when.is;

/**
 * The steps to be done when the decisions fall like this, with needs that lead through steps left out: what waits for a
 * step that is not done waits for what that one waited for, with its reason.
 */
export function stepsWanted(p: Playbook, fallen: Fallen): Step[] {
  const byKey = new Map(p.steps.map((s) => [s.key, s]));
  const through = (needs: readonly Need[]): Need[] =>
    needs.flatMap((n) => {
      const step = byKey.get(n.step)!;
      return isWanted(step, fallen) ? [n] : through(step.needs);
    });
  return p.steps
    .filter((s) => isWanted(s, fallen))
    .map((s) => {
      const needs = new Map(through(s.needs).map((n) => [n.step, n]));
      return { ...s, needs: [...needs.values()] };
    });
}

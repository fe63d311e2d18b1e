/**
 * A job: one piece of work as the customer would name it, from what was found to what was done. Its findings, the lines that price
 * it, its tasks and what they use belong to it by id; how it stands is worked out from them and kept nowhere.
 */
import type { LineCosts } from '../costs/costs.ts';
import type { LineState } from '../approval/answers.ts';
import type { TaskState } from '../work/tasks.ts';

/** In the order in which a job goes through them; `put off`, `declined` and `planned` stand beside that way. */
export const JOB_STATES = [
  'found',
  'priced',
  'asked',
  'put off',
  'declined',
  'planned',
  'agreed',
  'in work',
  'done',
  'handed over',
] as const;
export type JobState = (typeof JOB_STATES)[number];

/** What decides how a job stands. */
export interface JobThings {
  /** Findings that were not withdrawn. */
  findings: number;
  lines: readonly {
    state: LineState;
    /** Begun inside what may be spent without asking. */
    isBegun: boolean;
    /** None of its tasks is left; without tasks: its hours are worked. */
    isFinished: boolean;
  }[];
  /** Every task, those of its lines too. */
  tasks: readonly { state: TaskState; hasLine: boolean }[];
  /** All hours on its lines and tasks. */
  spentMinutes: number;
  /** The car went home. */
  isHandedOver: boolean;
}

/** What stands on an estimate that has not gone out, is asked, or has an answer; the first that any line has decides. */
const BY_LINES: readonly [JobState, readonly LineState[]][] = [
  ['agreed', ['approved']],
  ['asked', ['asked', 'question', 'changed']],
  ['priced', ['open']],
  ['put off', ['waits']],
  ['declined', ['declined', 'other way']],
];

const stateByLines = (lines: JobThings['lines']): JobState | undefined =>
  BY_LINES.find(([, states]) => lines.some((l) => states.includes(l.state)))?.[0];

/** Lines that are to be carried out: agreed, or begun without asking. */
const isOn = ({ state, isBegun }: JobThings['lines'][number]): boolean => state === 'approved' || isBegun;

/**
 * How a job stands; null where nothing belongs to it any more.
 * Work under hand goes before what the customer answered; what is done is not over while another line of it waits for an answer; what was turned down and is not under hand is not in work because somebody
 * looked at it for an hour.
 */
export function jobState({ findings, lines, tasks, spentMinutes, isHandedOver }: JobThings): JobState | null {
  const alive = tasks.filter((t) => t.state !== 'dropped');
  if (findings === 0 && lines.length === 0 && alive.length === 0)
    // Begun, and all of it dropped since: its hours are still somebody’s.
    return spentMinutes > 0 ? 'put off' : null;
  if (alive.some((t) => t.state === 'going')) return 'in work';
  const on = lines.filter(isOn);
  const own = alive.filter((t) => !t.hasLine);
  const isPlanned = on.length > 0 || own.length > 0;
  if (isPlanned && on.every((l) => l.isFinished) && own.every((t) => t.state === 'done')) {
    const rest = stateByLines(lines.filter((l) => !isOn(l)));
    if (rest === 'asked' || rest === 'priced') return rest;
    return isHandedOver ? 'handed over' : 'done';
  }
  const isBegun = spentMinutes > 0 || alive.some((t) => t.state === 'done');
  if (isPlanned && isBegun) return 'in work';
  const byLines = stateByLines(lines);
  if (byLines !== undefined) return byLines;
  return own.length > 0 ? 'planned' : 'found';
}

/** A job that nothing more is to happen to, by itself. */
export const isOver = (state: JobState): boolean =>
  state === 'done' || state === 'handed over' || state === 'declined';

/** Under hand first, then what waits for somebody, then what is over. */
const BY_NEED: readonly JobState[] = [
  'in work',
  'agreed',
  'planned',
  'asked',
  'priced',
  'found',
  'put off',
  'done',
  'handed over',
  'declined',
];

/** In the order in which they need somebody; those alike stay as they came. */
export const inOrderOfNeed = <Job extends { state: JobState }>(jobs: readonly Job[]): Job[] =>
  jobs.toSorted((a, b) => BY_NEED.indexOf(a.state) - BY_NEED.indexOf(b.state));

/** Whether there are two things at least of which one can go: findings, lines, and tasks without a line. */
export const canBeSplit = (job: {
  findings: readonly unknown[];
  lines: readonly unknown[];
  tasks: readonly { lineId: string | null }[];
}): boolean => job.findings.length + job.lines.length + job.tasks.filter((t) => t.lineId === null).length > 1;

/** Minor units with tax. */
export interface JobMoney {
  /** What its lines are expected to cost, agreed or not. */
  priceMinor: number;
  agreedMinor: number;
  spentMinor: number;
  /** What is agreed or begun of it comes to, by what was spent so far. */
  expectedMinor: number;
}

/** What the lines of a job come to, from the costs of all lines of the build. */
export function jobMoney(
  lines: readonly { id: string; priceMinor?: number }[],
  costs: readonly {
    id: string;
    approvedMinor: number;
    costs: Pick<LineCosts, 'spentMinor' | 'expectedMinor'>;
  }[],
): JobMoney {
  const own = costs.filter((c) => lines.some((l) => l.id === c.id));
  const sum = (of: (c: (typeof own)[number]) => number): number => own.reduce((s, c) => s + of(c), 0);
  return {
    priceMinor: lines.reduce((s, l) => s + (l.priceMinor ?? 0), 0),
    agreedMinor: sum((c) => c.approvedMinor),
    spentMinor: sum((c) => c.costs.spentMinor),
    expectedMinor: sum((c) => c.costs.expectedMinor),
  };
}

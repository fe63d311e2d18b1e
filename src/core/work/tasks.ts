/** Tasks of a build: what can be begun now, why the others cannot, and what runs out while it waits. */
export type TaskState = 'to do' | 'going' | 'done' | 'dropped';

/** That one task comes before another, with its reason; waits in minutes after the earlier one is done. */
export interface TaskNeed {
  taskId: string;
  reason: string;
  waitAtLeast?: number;
  waitAtMost?: number;
}

export interface Task {
  id: string;
  title: string;
  state: TaskState;
  needs: readonly TaskNeed[];
  /** What must be seen before it is begun; null when there is nothing, or once it was signed. */
  gate: string | null;
  /** When it was done, as an instant; null before. */
  doneAt: string | null;
  /** Pieces of the car that it needs and that are not here: “2 door hinges, out for plate to Halcyon Platers”. */
  away?: readonly string[];
}

export interface Waiting {
  /** The task that must come first, or null for a gate and for a piece that is away. */
  onTaskId: string | null;
  words: string;
  /** From when it may be begun, where a wait runs already; the words leave the time that is left to whoever shows it. */
  from?: string;
  isAway?: true;
}

const MS = 60_000;
const later = (instant: string, minutes: number): string =>
  new Date(Date.parse(instant) + minutes * MS).toISOString();

/** A dropped task holds nothing up. */
const isOver = (t: Task | undefined): boolean => t === undefined || t.state === 'dropped';

/**
 * Why a task cannot be begun at this instant: what must come first, each with its reason, then waits that still run, then
 * pieces that are away, its gate. Empty where it can, or where it is going or over already.
 */
export function waitingFor(task: Task, tasks: ReadonlyMap<string, Task>, now: string): Waiting[] {
  if (task.state !== 'to do') return [];
  const found = task.needs.flatMap((need): Waiting[] => {
    const first = tasks.get(need.taskId);
    if (first === undefined || isOver(first)) return [];
    if (first.doneAt === null)
      return [{ onTaskId: first.id, words: `“${first.title}” comes first: ${need.reason}` }];
    const from = later(first.doneAt, need.waitAtLeast ?? 0);
    if (from <= now) return [];
    return [{ onTaskId: first.id, from, words: `after “${first.title}”: ${need.reason}` }];
  });
  for (const piece of task.away ?? [])
    found.push({ onTaskId: null, words: `not here: ${piece}`, isAway: true });
  return task.gate === null ? found : [...found, { onTaskId: null, words: `first to be seen: ${task.gate}` }];
}

/** A longest wait that runs: the earlier task is done, the later not begun. */
export interface LongestWait {
  taskId: string;
  title: string;
  /** After which task it runs, and since when. */
  after: string;
  doneAt: string;
  reason: string;
  waitAtMost: number;
}

export function longestWaits(tasks: readonly Task[]): LongestWait[] {
  const byId = new Map(tasks.map((t) => [t.id, t]));
  return tasks
    .filter((t) => t.state === 'to do')
    .flatMap((t) =>
      t.needs.flatMap(({ taskId, reason, waitAtMost }): LongestWait[] => {
        const first = byId.get(taskId);
        if (waitAtMost === undefined || !first?.doneAt || isOver(first)) return [];
        const { title: after, doneAt } = first;
        return [{ taskId: t.id, title: t.title, after, doneAt, reason, waitAtMost }];
      }),
    );
}

export interface Countdown {
  /** The last instant at which the task may be begun. */
  until: string;
  minutesLeft: number;
  isAlarm: boolean;
}

/** Share of a longest wait, and at least this many minutes, from which it is an alarm. Common practice. */
const ALARM_SHARE = 0.25;
const ALARM_MINUTES = 30;

/** Longest waits as they run down, the most urgent first. In its last quarter, or half an hour, one is an alarm. */
export function countdowns<W extends LongestWait>(waits: readonly W[], now: string): (W & Countdown)[] {
  return waits
    .map((w) => {
      const until = later(w.doneAt, w.waitAtMost);
      const minutesLeft = Math.floor((Date.parse(until) - Date.parse(now)) / MS);
      const isAlarm = minutesLeft <= Math.max(ALARM_MINUTES, w.waitAtMost * ALARM_SHARE);
      return { ...w, until, minutesLeft, isAlarm };
    })
    .sort((a, b) => a.minutesLeft - b.minutesLeft || (a.taskId < b.taskId ? -1 : 1));
}

/** Why a need between two tasks cannot be, or null: none to itself, none in a circle, none to another build's. */
export function whyNotNeeds(
  taskId: string,
  needs: readonly TaskNeed[],
  tasks: ReadonlyMap<string, Pick<Task, 'id' | 'needs'>>,
): string | null {
  if (needs.some((n) => !tasks.has(n.taskId) && n.taskId !== taskId))
    return 'a task that is not there comes first';
  const seen = new Set<string>();
  const open = needs.map((n) => n.taskId);
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (next === taskId) return 'these tasks would wait for each other in a circle';
    if (seen.has(next)) continue;
    seen.add(next);
    open.push(...(tasks.get(next)?.needs ?? []).map((n) => n.taskId));
  }
  if (needs.some((n) => n.reason.trim() === '')) return 'say why it comes first';
  return null;
}

/** Of a task, in characters. */
export const LONGEST_TITLE = 160;

/** Tasks in an order in which they can be done: their own, with each behind all that it needs. */
export function inOrder<T extends Pick<Task, 'id' | 'needs'>>(tasks: readonly T[]): T[] {
  const left = [...tasks];
  const placed = new Set<string>();
  const known = new Set(tasks.map((t) => t.id));
  const ordered: T[] = [];
  while (left.length > 0) {
    const at = left.findIndex((t) => t.needs.every((n) => !known.has(n.taskId) || placed.has(n.taskId)));
    const [next] = left.splice(Math.max(at, 0), 1);
    placed.add(next!.id);
    ordered.push(next!);
  }
  return ordered;
}

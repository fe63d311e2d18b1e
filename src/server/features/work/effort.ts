/** How far the work on each line is: hours spent, hours to go, whether anything is left of it. */
import { toGoUnsaid } from '#core/work/progress.ts';
import type { Tx } from '../../db/pool.ts';
import * as q from './work.queries.ts';

export interface LineEffort {
  /** All hours that belong to it, by task or not. */
  spentMinutes: number;
  /** What those who are at it say is left; what was estimated while nobody has said anything. */
  toGoMinutes: number;
  /** None of its tasks is left; without tasks: its hours are worked. */
  isFinished: boolean;
}

export const toGoOf = (t: q.TaskRow): number =>
  t.state === 'done' ? 0 : (t.to_go_minutes ?? toGoUnsaid(t.content.minutes, t.spent_minutes));

export function effortOf(
  line: { id: string; minutes: number },
  tasks: readonly q.TaskRow[],
  spent: ReadonlyMap<string, number>,
): LineEffort {
  const own = tasks.filter((t) => t.line_id === line.id && t.state !== 'dropped');
  const spentMinutes = spent.get(line.id) ?? 0;
  const toGoMinutes =
    own.length > 0 ? own.reduce((sum, t) => sum + toGoOf(t), 0) : toGoUnsaid(line.minutes, spentMinutes);
  const isFinished =
    own.length > 0 ? own.every((t) => t.state === 'done') : spentMinutes > 0 && toGoMinutes === 0;
  return { spentMinutes, toGoMinutes, isFinished };
}

/** What tells the effort of each line of a build. */
export async function effortByLine(
  tx: Tx,
  buildId: string,
): Promise<(lines: readonly { id: string; minutes: number }[]) => Map<string, LineEffort>> {
  const [tasks, spent] = await Promise.all([q.tasksOf(tx, buildId), q.spentByLine(tx, buildId)]);
  return (lines) => new Map(lines.map((l) => [l.id, effortOf(l, tasks, spent)]));
}

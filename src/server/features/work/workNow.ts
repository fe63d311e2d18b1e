/** The work of a build as it stands, and how a change of it is made. */
import { type RunningView, type WorkView } from '#contract/work.ts';
import { addDays, dayOf } from '#core/time/days.ts';
import { type Task } from '#core/work/tasks.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate, type BuildKey } from '../builds/index.ts';
import { tasksByBuild } from '../graph/index.ts';
import { shopOf } from '../session/index.ts';
import { runningSpells, workOf } from './view.ts';
import * as q from './work.queries.ts';

export const readWork = (deps: Deps, who: SignedIn, buildId: string): Promise<WorkView> =>
  inShop(deps.db, who.shopId, (tx) => workOf(tx, deps, who, buildId));

/** What is due within a week is worth seeing. */
const DUE_WITHIN_DAYS = 7;

export const readRunning = (deps: Deps, who: SignedIn): Promise<RunningView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const now = deps.clock.now();
    const today = dayOf(now, (await shopOf(tx)).timeZone);
    return {
      now,
      spells: await runningSpells(tx),
      waits: await q.longestWaits(tx),
      due: await q.dueBy(tx, addDays(today, DUE_WITHIN_DAYS)),
    };
  });

/** Runs a change with the build held; answers with the work as it is then. */
export const changingWork = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  change: (tx: Tx, build: BuildKey) => Promise<unknown>,
): Promise<WorkView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    await change(tx, build);
    return workOf(tx, deps, who, buildId);
  });

/** The tasks of a build as the rules of core see them. */
export async function tasksNow(tx: Tx, buildId: string): Promise<Map<string, Task>> {
  const tasks = (await tasksByBuild(tx, buildId)).get(buildId) ?? [];
  return new Map(tasks.map(({ task }) => [task.id, task]));
}

/** A task of this build, held. */
export async function taskOf(tx: Tx, buildId: string, id: string): Promise<q.TaskRow> {
  const task = await q.taskById(tx, id);
  if (task?.build_id !== buildId) throw notFound('task');
  return task;
}

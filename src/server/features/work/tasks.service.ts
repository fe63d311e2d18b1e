/** Tasks: written, changed, counted, dropped; gates signed. */
import {
  MOST_TASKS,
  type TaskActDto,
  type TaskCountDto,
  type TaskPutDto,
  type WorkView,
} from '#contract/work.ts';
import { whyNotNeeds } from '#core/work/tasks.ts';
import { type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { logIn, sameWritten } from '../entries/index.ts';
import { workOf } from './view.ts';
import { doneTo } from './doing.ts';
import * as q from './work.queries.ts';
import { changeIn, planIn, sayPlanned, type Written } from './written.ts';

import { changingWork, taskOf, tasksNow } from './workNow.ts';
/** Makes a task (version 0) or changes it. The same again changes nothing. */
export const putTask = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: TaskPutDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx, build) => {
    const { version, lineId = null, needs, count, ...said } = dto;
    const known = await q.taskById(tx, id);
    if (known && known.build_id !== buildId) throw notFound('task');
    const before = known?.content;
    const content: q.TaskContent = {
      ...said,
      ...(count === undefined ? {} : { count: { ...count, counted: before?.count?.counted ?? 0 } }),
      ...(before?.gateSigned && before.gate === said.gate ? { gateSigned: before.gateSigned } : {}),
      ...(before?.followUps ? { followUps: before.followUps } : {}),
    };
    const tasks = await tasksNow(tx, buildId);
    const is: Written = { content, lineId, needs };
    const was = known && { content: known.content, lineId: known.line_id, needs: tasks.get(id)!.needs };
    if (was && sameWritten(was, is)) return;
    if ((known?.version ?? 0) !== version) throw changedMeanwhile('this task', known);
    if (!known && tasks.size >= MOST_TASKS) throw new Refusal('too-many', `At most ${MOST_TASKS} tasks.`);
    const refused = whyNotNeeds(id, needs, tasks);
    if (refused !== null) throw invalidAt('needs', refused);
    if (lineId !== null) await lineOfBuild(tx, deps, who, buildId, lineId);
    if (was) return changeIn(tx, deps, who, build, id, was, is);
    const made = await planIn(tx, deps, buildId, id, is);
    const { title, minutes } = content;
    await sayPlanned(tx, deps, who, build, { text: `planned ${title}`, subject: title, minutes }, [made]);
  });

/** A line of this build, or a refusal at its field. */
async function lineOfBuild(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  buildId: string,
  lineId: string,
): Promise<void> {
  const { lines } = await workOf(tx, deps, who, buildId);
  if (!lines.some((l) => l.id === lineId)) throw invalidAt('lineId', 'that line is not on the estimate');
}

/** Signs a gate, drops a task, or takes one up again that was dropped or done. */
export const actOnTask = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  taskId: string,
  { act, version }: TaskActDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx, build) => {
    const task = await taskOf(tx, buildId, taskId);
    if (act === 'sign gate' && task.content.gateSigned) return;
    const after = { drop: 'dropped', 'take up again': 'to do', 'sign gate': null }[act];
    if (task.state === after && task.version === version + 1) return;
    if (task.version !== version) throw changedMeanwhile('this task', task);
    if ((await q.openSpells(tx)).some((s) => s.taskId === taskId))
      throw new Refusal('conflict', 'Somebody is at it just now. Stop that first.');
    const { title, gate } = task.content;
    const log = (text: string, more?: Parameters<typeof doneTo>[2]): Promise<void> =>
      logIn(tx, deps, build, {
        personId: who.personId,
        kind: 'decided',
        text,
        facts: { subject: title.slice(0, 300) },
        audience: 'shop',
        about: { type: 'task', id: taskId },
        acts: [doneTo(act, task, more)],
      });
    if (act === 'drop') {
      if (task.state === 'dropped') return;
      await log(`dropped: ${title}`);
      return q.setState(tx, { id: taskId, state: 'dropped', toGoMinutes: 0, doneAt: null });
    }
    if (act === 'take up again') {
      await log(`taken up again: ${title}`, { due: await q.openFollowUps(tx, taskId) });
      await q.dropFollowUps(tx, taskId);
      return q.setState(tx, { id: taskId, state: 'to do', toGoMinutes: null, doneAt: null });
    }
    if (gate === undefined) throw invalidAt('act', 'there is nothing to be seen first');
    await log(`seen: ${gate}; ${title} may begin`, { signs: true });
    const content = { ...task.content, gateSigned: { by: who.name, at: deps.clock.now() } };
    return q.saveTask(tx, { id: taskId, lineId: task.line_id, content });
  });

export const countOn = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  taskId: string,
  { counted }: TaskCountDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx) => {
    const task = await taskOf(tx, buildId, taskId);
    const { count } = task.content;
    if (!count) throw invalidAt('counted', 'nothing is counted here');
    if (counted > count.total) throw invalidAt('counted', `there are only ${count.total}`);
    if (count.counted === counted) return;
    const content = { ...task.content, count: { ...count, counted } };
    await q.saveTask(tx, { id: taskId, lineId: task.line_id, content });
  });

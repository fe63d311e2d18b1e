/** Tasks as they are written down and changed: each keeps an entry, and goes or stands as it did when that is taken back. */
import type { DoneAct } from '#core/acts/acts.ts';
import type { TaskNeed } from '#core/work/tasks.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import type { BuildKey } from '../builds/index.ts';
import {
  actedSince,
  changedFields,
  doneSince,
  logIn,
  sameWritten,
  type ChangeBefore,
  type Revision,
} from '../entries/index.ts';
import { tasksNow } from './workNow.ts';
import * as q from './work.queries.ts';

/** What is written about a task, apart from what was done of it. */
export interface Written {
  content: q.TaskContent;
  lineId: string | null;
  needs: readonly TaskNeed[];
}

export const planned = (id: string): DoneAct => ({ act: 'plan', type: 'task', id, before: null });

const NAMES = {
  title: 'name',
  work: 'trade',
  place: 'place',
  minutes: 'hours',
  cautions: 'cautions',
  gate: 'what must be seen first',
  gateSigned: 'what must be seen first',
  count: 'count',
  lineId: 'line',
  needs: 'what comes first',
} as const;

const flat = ({ content, ...more }: Written) => ({ ...content, ...more });

/** Writes a task down; the caller holds the build. Without a line it is of the job of what it needs, else one by itself. */
export async function planIn(
  tx: Tx,
  deps: Deps,
  buildId: string,
  id: string,
  { content, lineId, needs }: Written,
): Promise<DoneAct> {
  const needed = new Set(needs.map((n) => n.taskId));
  const jobId = (await q.tasksOf(tx, buildId)).find((t) => needed.has(t.id) && t.job_id !== null)?.job_id;
  await q.insertTask(tx, {
    ...{ id, buildId, lineId, content, now: deps.clock.now() },
    jobId: lineId === null ? (jobId ?? null) : null,
  });
  await q.setNeeds(tx, id, needs);
  return planned(id);
}

/** Says in the logbook what was planned. */
export const sayPlanned = (
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  { text, subject, minutes }: { text: string; subject: string; minutes: number },
  acts: DoneAct[],
): Promise<void> =>
  logIn(tx, deps, build, {
    personId: who.personId,
    kind: 'planned',
    text,
    facts: { subject: subject.slice(0, 300), ...(minutes === 0 ? {} : { minutes }) },
    about: { type: 'task', id: acts[0]!.id },
    acts,
  });

/** Changes what is written about a task, and says so. */
export async function changeIn(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  id: string,
  was: Written,
  is: Written,
): Promise<void> {
  await q.saveTask(tx, { id, lineId: is.lineId, content: is.content });
  await q.setNeeds(tx, id, is.needs);
  const { title } = is.content;
  const change: DoneAct<ChangeBefore<Written>> = { act: 'change', type: 'task', id, before: { was, is } };
  await logIn(tx, deps, build, {
    personId: who.personId,
    kind: 'note',
    text: `task ${title}: ${changedFields(flat(was), flat(is), NAMES).join(', ')} changed`,
    facts: { subject: title.slice(0, 300) },
    about: { type: 'task', id },
    acts: [change],
  });
}

/** It was never planned; refused where something was done with it since, or something waits for it. */
export async function takeBackPlan(tx: Tx, done: DoneAct, entryId: string): Promise<void> {
  const task = await q.taskById(tx, done.id);
  if (!task) return;
  if ((await q.isReferredTo(tx, task.id)) || (await actedSince(tx, entryId, done)))
    throw doneSince(task.content.title);
  await q.setNeeds(tx, task.id, []);
  await q.deleteTask(tx, task.id);
}

/** What is written about it is as it was, unless something was done with it or written about it since. */
export async function takeBackChange(tx: Tx, done: DoneAct, entryId: string): Promise<void> {
  const task = await q.taskById(tx, done.id);
  if (!task) return;
  const { was, is } = (done as DoneAct<ChangeBefore<Written>>).before!;
  const { needs } = (await tasksNow(tx, task.build_id)).get(task.id)!;
  const now = { content: task.content, lineId: task.line_id, needs };
  if (!sameWritten(now, is) || (await actedSince(tx, entryId, done))) throw doneSince(task.content.title);
  await q.saveTask(tx, { id: task.id, lineId: was.lineId, content: was.content });
  await q.setNeeds(tx, task.id, was.needs);
}

/** A task that one entry plans takes the hours that it says when they are put right, unless somebody wrote others since. */
export async function revisePlan(tx: Tx, { id }: DoneAct, { was, now }: Revision): Promise<void> {
  const task = await q.taskById(tx, id);
  const { minutes = 0 } = now;
  if (!task || task.content.minutes !== (was.minutes ?? 0) || task.content.minutes === minutes) return;
  await q.saveTask(tx, { id, lineId: task.line_id, content: { ...task.content, minutes } });
}

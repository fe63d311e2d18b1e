/** Tasks and the hours on them. Every stop is an entry of the logbook. */
import { v7 as uuidv7 } from 'uuid';
import {
  MOST_TASKS,
  type BelongsDto,
  type FollowUpDoneDto,
  type RunningView,
  type SpellStopDto,
  type TaskActDto,
  type TaskCountDto,
  type TaskHoursDto,
  type TaskPutDto,
  type WorkView,
} from '#contract/work.ts';
import { canonical } from '#core/approval/canonical.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { addDays, dayOf } from '#core/time/days.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { minutesBetween, whyNotEnd } from '#core/work/spells.ts';
import { waitingFor, whyNotNeeds, type Task } from '#core/work/tasks.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate, type BuildKey } from '../builds/index.ts';
import { keep } from '../entries/index.ts';
import { beginIn } from '../estimate/index.ts';
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

const invalid = (field: string, reason: string): Refusal =>
  new Refusal('invalid', `${reason}. Nothing was kept.`, { fields: [{ field, reason }] });

const conflict = (current: unknown): Refusal =>
  new Refusal('conflict', 'Somebody changed this task meanwhile. Yours is kept on the page.', { current });

/** The tasks of a build as the rules of core see them. */
async function tasksNow(tx: Tx, buildId: string): Promise<Map<string, Task>> {
  const needs = await q.needsOf(tx, buildId);
  const rows = await q.tasksOf(tx, buildId);
  return new Map(
    rows.map((t) => [
      t.id,
      {
        id: t.id,
        title: t.content.title,
        state: t.state,
        needs: needs.get(t.id) ?? [],
        gate: t.content.gateSigned ? null : (t.content.gate ?? null),
        doneAt: t.done_at,
      },
    ]),
  );
}

/** A task of this build, held. */
async function taskOf(tx: Tx, buildId: string, id: string): Promise<q.TaskRow> {
  const task = await q.taskById(tx, id);
  if (task?.build_id !== buildId) throw notFound('task');
  return task;
}

/** Makes a task (version 0) or changes it. The same again changes nothing. */
export const putTask = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: TaskPutDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx) => {
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
    const same =
      known !== undefined &&
      canonical([known.content, known.line_id, tasks.get(id)!.needs]) === canonical([content, lineId, needs]);
    if (same) return;
    if ((known?.version ?? 0) !== version) throw conflict(known);
    if (!known && tasks.size >= MOST_TASKS) throw new Refusal('too-many', `At most ${MOST_TASKS} tasks.`);
    const refused = whyNotNeeds(id, needs, tasks);
    if (refused !== null) throw invalid('needs', refused);
    if (lineId !== null) await lineOfBuild(tx, deps, who, buildId, lineId);
    if (known) await q.saveTask(tx, { id, lineId, content });
    else await q.insertTask(tx, { id, buildId, lineId, content, now: deps.clock.now() });
    await q.setNeeds(tx, id, needs);
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
  if (!lines.some((l) => l.id === lineId)) throw invalid('lineId', 'that line is not on the estimate');
}

/** Begins a spell of work. Refused with the reason while something must come first, or the customer has not agreed. */
export const startTask = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  taskId: string,
  spellId: string,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx) => {
    const task = await taskOf(tx, buildId, taskId);
    const known = await q.spellById(tx, spellId);
    if (known?.taskId === taskId && known.personId === who.personId) return;
    if (known) throw new Refusal('conflict', 'Another spell was begun under this id already.');
    const open = await q.openSpellOf(tx, who.personId);
    if (open)
      throw new Refusal('conflict', `You are at “${open.task}” (${open.nickname}). Stop that first.`, {
        current: open,
      });
    const tasks = await tasksNow(tx, buildId);
    const waits = waitingFor(tasks.get(taskId)!, tasks, deps.clock.now());
    if (waits.length > 0) throw new Refusal('forbidden', `${waits.map((w) => w.words).join('; ')}.`);
    if (task.state === 'dropped') throw new Refusal('forbidden', 'It was dropped. Take it up again first.');
    if (task.line_id !== null) await beginIn(tx, deps, who, buildId, task.line_id);
    await q.startSpell(tx, {
      id: spellId,
      personId: who.personId,
      buildId,
      taskId,
      now: deps.clock.now(),
    });
    await q.setState(tx, { id: taskId, state: 'going', toGoMinutes: task.to_go_minutes, doneAt: null });
  });

interface Worked {
  entryId: string;
  personId: string;
  minutes: number;
  toGoMinutes: number;
  done: boolean;
  at: string;
}

/** Logs work on a task, and says where it belongs. */
async function logWork(tx: Tx, deps: Deps, build: BuildKey, task: q.TaskRow, w: Worked): Promise<void> {
  const kind = w.done ? 'did' : 'hours';
  const long = formatMinutes(w.minutes);
  await keep(tx, build, await shopOf(tx), {
    id: w.entryId,
    build_id: build.id,
    at: w.at,
    recorded_at: deps.clock.now(),
    person_id: w.personId,
    kind,
    text: w.done ? `did ${task.content.title}, ${long}` : `${long} on ${task.content.title}`,
    facts: { subject: task.content.title.slice(0, 300), minutes: w.minutes },
    audience: KIND_SPECS[kind].audience,
    about_type: 'task',
    about_id: task.id,
    corrects_id: null,
    now: null,
  });
  await q.saveBelongs(tx, {
    entryId: w.entryId,
    buildId: build.id,
    taskId: task.id,
    lineId: task.line_id,
    belongs: task.line_id === null ? 'task' : 'line',
  });
}

/** Leaves the task as far as it is; what is due after it is made when it is done. */
async function leave(
  tx: Tx,
  task: q.TaskRow,
  { done, toGoMinutes, at }: Pick<Worked, 'done' | 'toGoMinutes' | 'at'>,
): Promise<void> {
  const going = (await q.openSpells(tx)).some((s) => s.taskId === task.id);
  await q.setState(tx, {
    id: task.id,
    state: done ? 'done' : going ? 'going' : 'to do',
    toGoMinutes: done ? 0 : toGoMinutes,
    doneAt: done ? at : null,
  });
  if (done) await makeFollowUps(tx, task, dayOf(at, (await shopOf(tx)).timeZone));
}

async function makeFollowUps(tx: Tx, task: q.TaskRow, doneOn: string): Promise<void> {
  await q.dropFollowUps(tx, task.id);
  for (const rule of task.content.followUps ?? [])
    await q.insertFollowUp(tx, {
      id: uuidv7(),
      buildId: task.build_id,
      taskId: task.id,
      title: rule.title,
      dueOn: rule.days === undefined ? null : addDays(doneOn, rule.days),
      dueMiles: rule.miles ?? null,
    });
}

/** Nothing is to go when it is done; and done is not said while somebody else is at it. */
async function refuseDone(
  tx: Tx,
  task: q.TaskRow,
  dto: SpellStopDto | TaskHoursDto,
  spellId: string,
): Promise<void> {
  if (!dto.done) return;
  if (dto.toGoMinutes > 0) throw invalid('toGoMinutes', 'nothing is to go when it is done');
  const other = (await q.openSpells(tx)).find((s) => s.taskId === task.id && s.id !== spellId);
  if (other) throw invalid('done', `${other.person} is still at it`);
}

/** Ends a spell, one's own or one that somebody forgot. The same again changes nothing. */
export const stopSpell = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  spellId: string,
  dto: SpellStopDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx, build) => {
    const spell = await q.spellById(tx, spellId);
    if (spell?.buildId !== buildId) throw notFound('spell');
    if (spell.endedAt !== null) return;
    const now = deps.clock.now();
    const endedAt = dto.endedAt === undefined ? now : new Date(dto.endedAt).toISOString();
    const refused = dto.endedAt === undefined ? null : whyNotEnd(spell.startedAt, endedAt, now);
    if (refused !== null) throw invalid('endedAt', refused);
    if (dto.endedAt === undefined && whyNotEnd(spell.startedAt, now, now)?.includes('twelve'))
      throw invalid('endedAt', 'it has gone on for more than twelve hours: say when it ended');
    const task = await taskOf(tx, buildId, spell.taskId);
    await refuseDone(tx, task, dto, spellId);
    const worked = {
      entryId: uuidv7(),
      personId: spell.personId,
      minutes: minutesBetween(spell.startedAt, endedAt),
      toGoMinutes: dto.toGoMinutes,
      done: dto.done,
      at: endedAt,
    };
    await logWork(tx, deps, build, task, worked);
    await q.endSpell(tx, { id: spellId, endedAt, entryId: worked.entryId });
    await leave(tx, task, worked);
  });

/** Hours typed later, by whoever worked them. */
export const typeHours = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  taskId: string,
  dto: TaskHoursDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx, build) => {
    const task = await taskOf(tx, buildId, taskId);
    if ((await q.workedMinutes(tx, buildId, dto.id)) !== undefined) return;
    await refuseDone(tx, task, dto, '');
    if (task.line_id !== null) await beginIn(tx, deps, who, buildId, task.line_id);
    const { id: entryId, minutes, toGoMinutes, done } = dto;
    const worked = { entryId, personId: who.personId, minutes, toGoMinutes, done, at: deps.clock.now() };
    await logWork(tx, deps, build, task, worked);
    await leave(tx, task, worked);
  });

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
    if (task.version !== version) throw conflict(task);
    if ((await q.openSpells(tx)).some((s) => s.taskId === taskId))
      throw new Refusal('conflict', 'Somebody is at it just now. Stop that first.');
    const now = deps.clock.now();
    if (act === 'drop') return q.setState(tx, { id: taskId, state: 'dropped', toGoMinutes: 0, doneAt: null });
    if (act === 'take up again') {
      await q.dropFollowUps(tx, taskId);
      return q.setState(tx, { id: taskId, state: 'to do', toGoMinutes: null, doneAt: null });
    }
    if (task.content.gate === undefined) throw invalid('act', 'there is nothing to be seen first');
    const content = { ...task.content, gateSigned: { by: who.name, at: now } };
    await q.saveTask(tx, { id: taskId, lineId: task.line_id, content });
    return keep(tx, build, await shopOf(tx), {
      id: uuidv7(),
      build_id: buildId,
      at: now,
      recorded_at: now,
      person_id: who.personId,
      kind: 'decided',
      text: `seen: ${task.content.gate}; ${task.content.title} may begin`,
      facts: { subject: task.content.title.slice(0, 300) },
      audience: 'shop',
      about_type: 'task',
      about_id: taskId,
      corrects_id: null,
      now: null,
    });
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
    if (!count) throw invalid('counted', 'nothing is counted here');
    if (counted > count.total) throw invalid('counted', `there are only ${count.total}`);
    if (count.counted === counted) return;
    const content = { ...task.content, count: { ...count, counted } };
    await q.saveTask(tx, { id: taskId, lineId: task.line_id, content });
  });

/** Says where logged work belongs. To a line only where the customer has agreed to it, or the discretion limit allows it. */
export const settleEntry = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  entryId: string,
  { belongs, lineId }: BelongsDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx) => {
    if ((await q.workedMinutes(tx, buildId, entryId)) === undefined) throw notFound('entry');
    if (belongs === 'line' && lineId === undefined) throw invalid('lineId', 'say which line');
    const toLine = belongs === 'line' ? lineId! : null;
    if (toLine !== null) await beginIn(tx, deps, who, buildId, toLine);
    await q.saveBelongs(tx, { entryId, buildId, taskId: null, lineId: toLine, belongs });
  });

/** A follow-up that was done: said in the logbook. */
export const finishFollowUp = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  followUpId: string,
  { said, entryId }: FollowUpDoneDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx, build) => {
    const known = await q.followUpById(tx, followUpId);
    if (known?.build_id !== buildId) throw notFound('follow-up');
    if (known.done_at !== null) return;
    const now = deps.clock.now();
    await keep(tx, build, await shopOf(tx), {
      id: entryId,
      build_id: buildId,
      at: now,
      recorded_at: now,
      person_id: who.personId,
      kind: 'did',
      text: `did ${known.title}: ${said.trim()}`,
      facts: { subject: known.title.slice(0, 300) },
      audience: 'customer',
      about_type: 'follow-up',
      about_id: followUpId,
      corrects_id: null,
      now: null,
    });
    await q.finishFollowUp(tx, followUpId, now);
  });

/** Tasks and agreed lines, as a line of the log acts on them: begun, stopped, worked on, finished. */
import { v7 as uuidv7 } from 'uuid';
import { MOST_TASKS } from '#contract/work.ts';
import { minutesBetween } from '#core/work/spells.ts';
import { titleOf } from '#core/capture/planned.ts';
import { LONGEST_TITLE } from '#core/work/tasks.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { LineCall, Prepare, Prepared, TakeBack } from '../entries/index.ts';
import { beginIn, workableLines } from '../estimate/index.ts';
import { doneTo } from './doing.ts';
import { belongToTask, leave, refuseDone, refuseEnd, refuseStart, startIn } from './hours.service.ts';
import * as q from './work.queries.ts';
import { planIn } from './written.ts';
import { taskOf } from './workNow.ts';

/** What is left after so many minutes, where nobody says so: what was said before, less these; else as estimated. */
function leftAfter(task: q.TaskRow, { act }: LineCall, minutes: number): number | null {
  if (act.isDone) return 0;
  if (act.toGoMinutes !== undefined) return act.toGoMinutes;
  return task.to_go_minutes === null ? null : Math.max(0, task.to_go_minutes - minutes);
}

/** Hours of the line's entry go to a task; it is left as far as it is. */
async function bookOn(call: LineCall, task: q.TaskRow, minutes: number): Promise<void> {
  const { tx, line, act, at } = call;
  await belongToTask(tx, line.id, task);
  const toGoMinutes = leftAfter(task, call, minutes);
  await leave(tx, task, { done: act.isDone === true, toGoMinutes, at });
}

async function start({ tx, deps, who, build, line, at }: LineCall, task: q.TaskRow): Promise<Prepared> {
  await refuseStart(tx, deps, who, build.id, task);
  return {
    done: doneTo('start', task, { begins: line.id }),
    said: { kind: 'note', facts: { subject: task.content.title.slice(0, 300) } },
    perform: () => startIn(tx, deps, who, build.id, task, { id: line.id, at }),
  };
}

/** Ends the spell of whoever says so; how long it took is its own length, whatever stands in the line. */
async function stop(call: LineCall, task: q.TaskRow): Promise<Prepared> {
  const { tx, deps, who, line, act, at: endedAt } = call;
  const spell = await q.openSpellOf(tx, who.personId);
  if (spell?.taskId !== task.id) throw invalidAt('does', `you are not at “${task.content.title}” just now`);
  refuseEnd(spell.startedAt, endedAt, deps.clock.now());
  await refuseDone(tx, task, { done: act.isDone === true, toGoMinutes: 0 }, spell.id);
  const minutes = minutesBetween(spell.startedAt, endedAt);
  return {
    done: doneTo('stop', task, { ends: spell.id }),
    said: {
      kind: act.isDone ? 'did' : 'hours',
      facts: { subject: task.content.title.slice(0, 300), minutes },
    },
    perform: async () => {
      await q.endSpell(tx, { id: spell.id, endedAt, entryId: line.id });
      await bookOn(call, task, minutes);
    },
  };
}

async function work(call: LineCall, task: q.TaskRow): Promise<Prepared> {
  const { tx, deps, who, build, line, act } = call;
  const { minutes } = line.facts;
  if (minutes === undefined) throw invalidAt('facts.minutes', 'say how long it took');
  await refuseDone(tx, task, { done: act.isDone === true, toGoMinutes: act.toGoMinutes ?? 0 }, '');
  return {
    done: doneTo('work', task),
    perform: async () => {
      if (task.line_id !== null) await beginIn(tx, deps, who, build.id, task.line_id);
      await bookOn(call, task, minutes);
    },
  };
}

async function finish({ tx, act, at }: LineCall, task: q.TaskRow): Promise<Prepared> {
  await refuseDone(tx, task, { done: true, toGoMinutes: 0 }, '');
  return {
    done: doneTo(act.act, task),
    perform: () => leave(tx, task, { done: true, toGoMinutes: 0, at }),
  };
}

const ON_TASK = { start, stop, work, finish } as const;

/** A task that a line writes down: so long as the line says, or no time at all. */
async function plan({ tx, deps, build, line, act }: LineCall): Promise<Prepared> {
  const { minutes = 0 } = line.facts;
  if ((await q.tasksOf(tx, build.id)).length >= MOST_TASKS)
    throw new Refusal('too-many', `At most ${MOST_TASKS} tasks.`);
  const content: q.TaskContent = {
    title: titleOf(line.text),
    work: 'mechanical',
    minutes,
    cautions: [],
  };
  const made = await planIn(tx, deps, build.id, act.id, { content, lineId: null, needs: [] });
  return { done: made, perform: async () => {} };
}

export const prepareTask: Prepare = async (call) => {
  const { tx, build, act } = call;
  const known = await q.taskById(tx, act.id);
  if (act.act === 'plan') {
    if (known) throw invalidAt('does', 'that task is there already');
    return plan(call);
  }
  const task = await taskOf(tx, build.id, act.id);
  if (task.state === 'dropped') throw new Refusal('forbidden', 'It was dropped. Take it up again first.');
  return ON_TASK[act.act as keyof typeof ON_TASK](call, task);
};

/** Hours on an agreed line that has no tasks yet. Finished, it gets one, which says so. */
export const prepareLine: Prepare = async (call) => {
  const { tx, deps, who, build, line: said, act } = call;
  const lines = await workableLines(tx, deps, build.id, false);
  const line = lines.find((l) => l.id === act.id);
  if (!line) throw notFound('line');
  const { minutes } = said.facts;
  if (minutes === undefined) throw invalidAt('facts.minutes', 'say how long it took');
  const taskId = uuidv7();
  const done = act.isDone === true;
  return {
    done: done
      ? { act: 'work', type: 'task', id: taskId, before: null }
      : { act: 'work', type: 'line', id: line.id, before: null },
    perform: async () => {
      await beginIn(tx, deps, who, build.id, line.id);
      if (!done)
        return void (await q.saveBelongs(tx, {
          entryId: said.id,
          taskId: null,
          lineId: line.id,
          belongs: 'line',
        }));
      const content = {
        title: line.title.slice(0, LONGEST_TITLE),
        work: line.work,
        minutes: line.minutes,
        cautions: [],
      };
      await q.insertTask(tx, {
        id: taskId,
        buildId: build.id,
        lineId: line.id,
        content,
        now: deps.clock.now(),
      });
      await bookOn(call, (await q.taskById(tx, taskId))!, minutes);
    },
  };
};

export const takeBackOfLine: TakeBack = async (tx, _deps, _done, entryId) => {
  await q.dropBelongs(tx, entryId);
};

/** What is done to a task, whoever says it and where: how its entry keeps it, and how it is taken back. */
import type { DoneAct, LineAct } from '#core/acts/acts.ts';
import { whyNotEnd } from '#core/work/spells.ts';
import type { TaskState } from '#core/work/tasks.ts';
import type { Tx } from '../../db/pool.ts';
import { Refusal } from '../../http/refusal.ts';
import { actedSince, doneSince, type TakeBack } from '../entries/index.ts';
import * as q from './work.queries.ts';
import { takeBackChange, takeBackPlan } from './written.ts';

/** How a task stood before an act. */
export interface TaskBefore {
  state: TaskState;
  toGoMinutes: number | null;
  doneAt: string | null;
  /** The spell that the act begins, or ends. */
  begins?: string;
  ends?: string;
  /** Its gate was signed by the act. */
  signs?: true;
  /** What was due after it, and went with the act. */
  due?: q.NewFollowUp[];
}

/** The act as its entry keeps it. */
export const doneTo = (
  act: string,
  t: q.TaskRow,
  more: Pick<TaskBefore, 'begins' | 'ends' | 'signs' | 'due'> = {},
): DoneAct<TaskBefore> => ({
  act,
  type: 'task',
  id: t.id,
  before: { state: t.state, toGoMinutes: t.to_go_minutes, doneAt: t.done_at, ...more },
});

/** Takes back what an entry did to a task: its spell, its hours, how it was left. */
export const takeBackOfTask: TakeBack = async (tx, deps, done, entryId) => {
  if (done.act === ('plan' satisfies LineAct)) return takeBackPlan(tx, done, entryId);
  if (done.act === 'change') return takeBackChange(tx, done, entryId);
  const { id, before } = done as DoneAct<TaskBefore>;
  const task = await q.taskById(tx, id);
  if (!task) return;
  await q.dropBelongs(tx, entryId);
  // A task that was made to say that its line is finished.
  if (before === null)
    return void (await q.setState(tx, { id, state: 'dropped', toGoMinutes: 0, doneAt: null }));
  if (await actedSince(tx, entryId, done)) {
    // Hours are no longer those of the task; how it stands, what was done since says.
    if (done.act === ('work' satisfies LineAct) || done.act === ('stop' satisfies LineAct)) return;
    throw doneSince(task.content.title);
  }
  if (before.signs) {
    const { gateSigned, ...content } = task.content;
    return void (gateSigned && (await q.saveTask(tx, { id, lineId: task.line_id, content })));
  }
  if (before.begins !== undefined) await q.dropSpell(tx, before.begins);
  if (before.ends !== undefined) await reopen(tx, before.ends, deps.clock.now());
  if (before.state !== 'done') await q.dropFollowUps(tx, id);
  for (const due of before.due ?? []) await q.insertFollowUp(tx, due);
  const { toGoMinutes, doneAt } = before;
  const isGoing = (await q.openSpells(tx)).some((s) => s.taskId === id);
  const state = before.state === 'going' && !isGoing ? 'to do' : before.state;
  await q.setState(tx, { id, state, toGoMinutes, doneAt });
};

/**
 * The spell goes on as if it had not been ended, unless its person is at something else by now. One that began longer ago than anybody
 * works stays ended, and only its hours are withdrawn.
 */
async function reopen(tx: Tx, spellId: string, now: string): Promise<void> {
  const spell = (await q.spellById(tx, spellId))!;
  if (whyNotEnd(spell.startedAt, now, now) !== null) return;
  const other = await q.openSpellOf(tx, spell.personId);
  if (other)
    throw new Refusal(
      'conflict',
      `${other.person} is at “${other.task}” (${other.nickname}) by now. Nothing was changed.`,
    );
  await q.reopenSpell(tx, spellId);
}

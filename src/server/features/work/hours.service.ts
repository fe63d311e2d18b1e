/** Hours on tasks. Every stop is an entry of the logbook, and says where it belongs. */
import { v7 as uuidv7 } from 'uuid';
import {
  type BelongsDto,
  type SpellStopDto,
  type TaskHoursDto,
  type TaskStartDto,
  type WorkView,
} from '#contract/work.ts';
import type { DoneAct } from '#core/acts/acts.ts';
import { wordsAt } from '#core/graph/readiness.ts';
import { dayOf } from '#core/time/days.ts';
import { inSentence } from '#core/log/sentences.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { minutesBetween, whyNotEnd } from '#core/work/spells.ts';
import { type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { type BuildKey } from '../builds/index.ts';
import { logIn, seesPrices } from '../entries/index.ts';
import { addLineIn, beginIn } from '../estimate/index.ts';
import { nodeOf, readinessIn } from '../graph/index.ts';
import { shopOf } from '../session/index.ts';
import { doneTo } from './doing.ts';
import * as q from './work.queries.ts';

import { changingWork, taskOf } from './workNow.ts';
import { makeFollowUps } from './followUps.service.ts';
/** Begins a spell of work. Refused with the reason while something must come first, or the customer has not agreed. */
export const startTask = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  taskId: string,
  { spellId, anyway }: TaskStartDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx, build) => {
    const task = await taskOf(tx, buildId, taskId);
    const known = await q.spellById(tx, spellId);
    if (known?.taskId === taskId && known.personId === who.personId) return;
    if (known) throw new Refusal('conflict', 'Another spell was begun under this id already.');
    const overridden = await refuseStart(tx, deps, who, buildId, task, anyway);
    const { title } = task.content;
    const said =
      overridden === null
        ? { kind: 'note' as const, text: `began ${inSentence(title)}` }
        : {
            kind: 'decided' as const,
            text: `begun all the same: ${title}. ${anyway!.trim()} (${overridden})`,
          };
    await logIn(tx, deps, build, {
      ...said,
      personId: who.personId,
      facts: { subject: title.slice(0, 300) },
      audience: 'shop',
      about: { type: 'task', id: taskId },
      acts: [doneTo('start', task, { begins: spellId })],
    });
    await startIn(tx, deps, who, buildId, task, { id: spellId, at: deps.clock.now() });
  });

/**
 * Throws a refusal with the reason where a task cannot be begun by this person now. `anyway`: why the desk has it begun all the
 * same; then it answers what is overridden, or null where nothing is.
 */
export async function refuseStart(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  buildId: string,
  task: q.TaskRow,
  anyway?: string,
): Promise<string | null> {
  const open = await q.openSpellOf(tx, who.personId);
  if (open)
    throw new Refusal('conflict', `You are at “${open.task}” (${open.nickname}). Stop that first.`, {
      current: open,
    });
  if (task.state === 'dropped') throw new Refusal('forbidden', 'It was dropped. Take it up again first.');
  const node = await nodeOf(tx, deps, buildId, seesPrices(who));
  const { holds } = readinessIn(node, task.id);
  // Of what is not agreed `beginIn` says why, and lets the discretion limit bear it.
  const held = holds.filter((h) => h.kind !== 'answer').map((h) => wordsAt(h, node.ground.now));
  if (held.length === 0) return null;
  const words = `${held.join('; ')}.`;
  if (anyway === undefined) throw new Refusal('forbidden', words);
  if (!seesPrices(who))
    throw new Refusal('forbidden', `${words} Only the owner or the office can start it all the same.`);
  return words;
}

/** Begins a spell; what the customer has not agreed to is refused. */
export async function startIn(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  buildId: string,
  task: q.TaskRow,
  { id, at }: { id: string; at: string },
): Promise<void> {
  if (task.line_id !== null) await beginIn(tx, deps, who, buildId, task.line_id);
  await q.startSpell(tx, { id, personId: who.personId, buildId, taskId: task.id, now: at });
  await q.setState(tx, { id: task.id, state: 'going', toGoMinutes: task.to_go_minutes, doneAt: null });
}

interface Worked {
  entryId: string;
  personId: string;
  minutes: number;
  toGoMinutes: number;
  done: boolean;
  at: string;
}

/** Logs work on a task, and says where it belongs. */
async function logWork(
  tx: Tx,
  deps: Deps,
  build: BuildKey,
  task: q.TaskRow,
  w: Worked,
  act: DoneAct,
): Promise<void> {
  const long = formatMinutes(w.minutes);
  const title = inSentence(task.content.title);
  await logIn(tx, deps, build, {
    id: w.entryId,
    at: w.at,
    personId: w.personId,
    kind: w.done ? 'did' : 'hours',
    text: w.done ? `did ${title}, ${long}` : `${long} on ${title}`,
    facts: { subject: task.content.title.slice(0, 300), minutes: w.minutes },
    about: { type: 'task', id: task.id },
    acts: [act],
  });
  await belongToTask(tx, w.entryId, task);
}

/** Hours of an entry are those of a task, and of its line where it has one. */
export const belongToTask = (tx: Tx, entryId: string, task: q.TaskRow): Promise<number> =>
  q.saveBelongs(tx, {
    entryId,
    taskId: task.id,
    lineId: task.line_id,
    belongs: task.line_id === null ? 'task' : 'line',
  });

/** Leaves the task as far as it is; what is due after it is made when it is done. */
export async function leave(
  tx: Tx,
  task: q.TaskRow,
  { done, toGoMinutes, at }: Pick<Worked, 'done' | 'at'> & { toGoMinutes: number | null },
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

/** Nothing is to go when it is done; and done is not said while somebody else is at it. */
export async function refuseDone(
  tx: Tx,
  task: q.TaskRow,
  dto: Pick<SpellStopDto | TaskHoursDto, 'done' | 'toGoMinutes'>,
  spellId: string,
): Promise<void> {
  if (!dto.done) return;
  if (dto.toGoMinutes > 0) throw invalidAt('toGoMinutes', 'nothing is to go when it is done');
  const other = (await q.openSpells(tx)).find((s) => s.taskId === task.id && s.id !== spellId);
  if (other) throw invalidAt('done', `${other.person} is still at it`);
}

/** Throws a refusal where a spell cannot have ended then. One that ends now may be of no length, and not of twelve hours. */
export function refuseEnd(startedAt: string, endedAt: string, now: string): void {
  const refused = whyNotEnd(startedAt, endedAt, now);
  if (refused === null) return;
  if (endedAt !== now) throw invalidAt('endedAt', refused);
  if (refused.includes('twelve'))
    throw invalidAt('endedAt', 'it has gone on for more than twelve hours: say when it ended');
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
    refuseEnd(spell.startedAt, endedAt, now);
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
    await logWork(tx, deps, build, task, worked, doneTo('stop', task, { ends: spellId }));
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
    if (await q.postedEntry(tx, buildId, dto.id)) return;
    await refuseDone(tx, task, dto, '');
    if (task.line_id !== null) await beginIn(tx, deps, who, buildId, task.line_id);
    const { id: entryId, minutes, toGoMinutes, done } = dto;
    const worked = { entryId, personId: who.personId, minutes, toGoMinutes, done, at: deps.clock.now() };
    await logWork(tx, deps, build, task, worked, doneTo('work', task));
    await leave(tx, task, worked);
  });

/**
 * Says where logged work, or what was bought, belongs. To a line only where the customer has agreed to it, or the discretion limit
 * allows it; a change, and what the discretion limit is to bear, gets a line of its own.
 */
export const settleEntry = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  entryId: string,
  { belongs, lineId }: BelongsDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx) => {
    const entry = await q.postedEntry(tx, buildId, entryId);
    if (!entry) throw notFound('entry');
    const onLine = belongs === 'line' || belongs === 'change' || belongs === 'discretion';
    if (onLine && lineId === undefined) throw invalidAt('lineId', 'say which line');
    const before = await q.belongsOf(tx, entryId);
    if (before?.belongs === belongs && before.lineId === (lineId ?? null)) return;
    if (belongs === 'change' || belongs === 'discretion')
      await addLineIn(tx, buildId, lineId!, {
        title: entry.subject ?? entry.text,
        minutes: entry.minutes ?? 0,
        moneyMinor: entry.moneyMinor ?? 0,
      });
    // Work that is asked as a change was done already: it is on its line at once, and the customer is still to say.
    if (belongs === 'line' || belongs === 'discretion') await beginIn(tx, deps, who, buildId, lineId!);
    await q.saveBelongs(tx, { entryId, taskId: null, lineId: onLine ? lineId! : null, belongs });
  });

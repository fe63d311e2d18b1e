/** A build's work as it is shown. */
import type { LooseEntryView, SpellView, TaskView, WorkLineView, WorkView } from '#contract/work.ts';
import type { TaskNeed } from '#core/work/tasks.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail } from '../builds/index.ts';
import { seesPrices } from '../entries/index.ts';
import { workableLines, type WorkableLine } from '../estimate/index.ts';
import { awayByTask, awayPieces } from '../outwork/index.ts';
import { effortOf, toGoOf } from './effort.ts';
import * as q from './work.queries.ts';

function taskView(t: q.TaskRow, needs: TaskNeed[], away: string[]): TaskView {
  const { title, work, place, minutes, cautions, gate, gateSigned, count } = t.content;
  return {
    id: t.id,
    version: t.version,
    lineId: t.line_id,
    title,
    work,
    place: place ?? null,
    minutes,
    cautions,
    gate: gate ?? null,
    gateSigned: gateSigned ?? null,
    count: count ?? null,
    needs,
    away,
    state: t.state,
    spentMinutes: t.spent_minutes,
    toGoMinutes: toGoOf(t),
    doneAt: t.done_at,
  };
}

export async function runningSpells(tx: Tx): Promise<SpellView[]> {
  const spells = await q.openSpells(tx);
  return Promise.all(
    spells.map(async ({ id, personId, person, buildId, nickname, taskId, task, startedAt }) => {
      const toGoMinutes = toGoOf((await q.taskById(tx, taskId))!);
      return { id, personId, person, buildId, nickname, taskId, task, startedAt, toGoMinutes };
    }),
  );
}

/** A line with its hours. */
function lineView(
  line: WorkableLine,
  spent: ReadonlyMap<string, number>,
  tasks: readonly q.TaskRow[],
): WorkLineView {
  const { spentMinutes, toGoMinutes } = effortOf(line, tasks, spent);
  const { id, title, state, minutes: estimatedMinutes, whyNot } = line;
  return { id, title, state, estimatedMinutes, spentMinutes, toGoMinutes, whyNot };
}

function looseView(
  { entryId, text, at, minutes, moneyMinor }: q.LooseRow,
  withPrices: boolean,
): LooseEntryView {
  return { entryId, text, at, minutes, ...(moneyMinor === null || !withPrices ? {} : { moneyMinor }) };
}

export async function workOf(tx: Tx, deps: Deps, who: SignedIn, buildId: string): Promise<WorkView> {
  const build = await buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  const needs = await q.needsOf(tx, buildId);
  const spent = await q.spentByLine(tx, buildId);
  const lines = await workableLines(tx, deps, buildId, seesPrices(who));
  const tasks = await q.tasksOf(tx, buildId);
  const away = awayByTask(await awayPieces(tx, buildId));
  const loose = await q.looseEntries(tx, buildId);
  return {
    buildId,
    nickname: build.nickname,
    now: deps.clock.now(),
    tasks: tasks.map((t) => taskView(t, needs.get(t.id) ?? [], away.get(t.id) ?? [])),
    lines: lines.map((l) => lineView(l, spent, tasks)),
    spells: (await runningSpells(tx)).filter((s) => s.buildId === buildId),
    loose: loose.map((e) => looseView(e, seesPrices(who))),
    followUps: await q.followUpsOf(tx, buildId),
  };
}

/** A build's work as it is shown. */
import type { SpellView, TaskView, WorkLineView, WorkView } from '#contract/work.ts';
import { hidePrices } from '#core/capture/hidePrices.ts';
import { costsOf } from '#core/estimate/costs.ts';
import { dayOf } from '#core/time/days.ts';
import { toGoUnsaid } from '#core/work/progress.ts';
import type { TaskNeed } from '#core/work/tasks.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail } from '../builds/index.ts';
import { priceContext, seesPrices } from '../entries/index.ts';
import { workableLines, type WorkableLine } from '../estimate/index.ts';
import { awayByTask, awayPieces } from '../outwork/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './work.queries.ts';

const toGoOf = (t: q.TaskRow): number =>
  t.state === 'done' ? 0 : (t.to_go_minutes ?? toGoUnsaid(t.content.minutes, t.spent_minutes));

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
  const spells: SpellView[] = [];
  for (const { id, personId, person, buildId, nickname, taskId, task, startedAt } of await q.openSpells(tx)) {
    const toGoMinutes = toGoOf((await q.taskById(tx, taskId))!);
    spells.push({ id, personId, person, buildId, nickname, taskId, task, startedAt, toGoMinutes });
  }
  return spells;
}

/** A line with its hours, and for those who see prices what it costs. */
function lineView(
  line: WorkableLine,
  spentMinutes: number,
  tasks: readonly q.TaskRow[],
  parts: readonly q.PartOfLine[],
  withPrices: boolean,
): WorkLineView {
  const own = tasks.filter((t) => t.line_id === line.id && t.state !== 'dropped');
  const toGoMinutes =
    own.length > 0 ? own.reduce((sum, t) => sum + toGoOf(t), 0) : toGoUnsaid(line.minutes, spentMinutes);
  const { id, title, state, minutes: estimatedMinutes, whyNot, approvedMinor } = line;
  const view = { id, title, state, estimatedMinutes, spentMinutes, toGoMinutes, whyNot };
  if (!withPrices) return view;
  const ofLine = parts.filter((p) => p.lineId === id);
  return { ...view, approvedMinor, costs: costsOf({ ...line, spentMinutes, toGoMinutes, parts: ofLine }) };
}

export async function workOf(tx: Tx, deps: Deps, who: SignedIn, buildId: string): Promise<WorkView> {
  const build = await buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  const needs = await q.needsOf(tx, buildId);
  const spent = await q.spentByLine(tx, buildId);
  const lines = await workableLines(tx, buildId, seesPrices(who));
  const tasks = await q.tasksOf(tx, buildId);
  const parts = await q.partsByLine(tx, buildId);
  const away = awayByTask(await awayPieces(tx, buildId));
  const loose = await q.looseEntries(tx, buildId);
  const shop = await shopOf(tx);
  const context = priceContext(shop, dayOf(deps.clock.now(), shop.timeZone));
  return {
    buildId,
    nickname: build.nickname,
    now: deps.clock.now(),
    tasks: tasks.map((t) => taskView(t, needs.get(t.id) ?? [], away.get(t.id) ?? [])),
    lines: lines.map((l) => lineView(l, spent.get(l.id) ?? 0, tasks, parts, seesPrices(who))),
    spells: (await runningSpells(tx)).filter((s) => s.buildId === buildId),
    loose: seesPrices(who) ? loose : loose.map((e) => ({ ...e, text: hidePrices(e.text, context) })),
    followUps: await q.followUpsOf(tx, buildId),
  };
}

/** A build's work as it is shown. */
import type { LooseEntryView, SpellView, TaskView, WorkLineView, WorkView } from '#contract/work.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import { seesPrices } from '../entries/index.ts';
import type { WorkableLine } from '../estimate/index.ts';
import { nodeOf, readinessIn, type BuildNode } from '../graph/index.ts';
import { effortOf, toGoOf } from './effort.ts';
import * as q from './work.queries.ts';

function taskView(t: q.TaskRow, node: BuildNode): TaskView {
  const { title, work, place, minutes, cautions, gate, gateSigned, count } = t.content;
  const { holds, first } = readinessIn(node, t.id);
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
    needs: [...(node.ground.tasks.get(t.id)?.needs ?? [])],
    away: node.away.get(t.id) ?? [],
    holds: holds.map(({ kind, words, endsAt }) => ({
      kind,
      words,
      ...(endsAt === undefined ? {} : { endsAt }),
    })),
    first,
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

/** Spells of one build that go on, with what is left of their tasks. */
async function spellsOf(tx: Tx, buildId: string, tasks: readonly q.TaskRow[]): Promise<SpellView[]> {
  const toGo = new Map(tasks.map((t) => [t.id, toGoOf(t)]));
  return (await q.openSpells(tx))
    .filter((s) => s.buildId === buildId)
    .map(({ id, personId, person, nickname, taskId, task, startedAt }) => ({
      ...{ id, personId, person, buildId, nickname, taskId, task, startedAt },
      toGoMinutes: toGo.get(taskId)!,
    }));
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
  const node = await nodeOf(tx, deps, buildId, seesPrices(who));
  const spent = await q.spentByLine(tx, buildId);
  const tasks = await q.tasksOf(tx, buildId);
  const loose = await q.looseEntries(tx, buildId);
  return {
    buildId,
    nickname: node.nickname,
    now: deps.clock.now(),
    tasks: tasks.map((t) => taskView(t, node)),
    lines: node.lines.map((l) => lineView(l, spent, tasks)),
    spells: await spellsOf(tx, buildId, tasks),
    loose: loose.map((e) => looseView(e, seesPrices(who))),
    followUps: await q.followUpsOf(tx, buildId),
  };
}

/** The demo's work: playbooks used, hours started and stopped, gates seen; through the services, at the hours of their day. */
import { readPlaybooks, usePlaybook } from '#server/features/work/playbooks.service.ts';
import { startTask, stopSpell } from '#server/features/work/hours.service.ts';
import { actOnTask, countOn, putTask } from '#server/features/work/tasks.service.ts';
import { readWork } from '#server/features/work/workNow.ts';
import type { Deps } from '#server/deps.ts';
import type { SignedIn } from '#server/http/session.ts';
import type { Work } from '#core/estimate/lines.ts';
import type { LineIds } from './fillEstimates.ts';
import { fieldsOf } from './fillParts.ts';

export interface Working {
  deps: Deps;
  who: SignedIn;
  buildId: string;
  /** Ids of the build's estimate lines, and of its tasks, by their short names. */
  lines: LineIds;
  tasks: Map<string, string>;
  /** When the work before this one ended: two steps of a day come one after the other. */
  before: { ended: string };
  id: () => string;
  setClock: (instant: string) => void;
  /** When the demo is made: what is done today was done before that. */
  madeAt: string;
  isToday: boolean;
}

const HOUR_MS = 3_600_000;
const later = (instant: string, hours: number): string =>
  new Date(Date.parse(instant) + hours * HOUR_MS).toISOString();

function taskId(w: Working, key: string): string {
  const id = w.tasks.get(key);
  if (id === undefined) throw new Error(`the demo has no task "${key}"`);
  return id;
}

/** "engine-top-end valve head-face=flat": a playbook, the line's short name or a dash, how its decisions fell. */
async function fromPlaybook(w: Working, rule: string): Promise<void> {
  const [playbookId = '', line = '-', ...decisions] = rule.split(' ');
  const fallen = Object.fromEntries(decisions.map((d) => d.split('=') as [string, string]));
  const { playbooks } = await readPlaybooks(w.deps, w.who);
  const playbook = playbooks.find((p) => p.id === playbookId);
  if (!playbook) throw new Error(`the demo has no playbook "${playbookId}"`);
  for (const s of playbook.steps) w.tasks.set(s.key, w.id());
  await usePlaybook(w.deps, w.who, w.buildId, {
    playbookId,
    fallen,
    taskIds: Object.fromEntries(playbook.steps.map((s) => [s.key, taskId(w, s.key)])),
    ...(line === '-' ? {} : { lineId: w.lines.get(line)! }),
  });
}

/** "blast 5 done" or "fill 6 go 9": a step, the hours it took, and whether it is done or how many hours are to go. */
async function worked(w: Working, rule: string): Promise<void> {
  const [key = '', took = '', state = '', left = '0'] = rule.split(' ');
  const morning = w.deps.clock.now();
  const free = morning > w.before.ended ? morning : w.before.ended;
  const from = w.isToday ? later(w.madeAt, -1 - Number(took)) : free;
  w.setClock(from);
  const spellId = w.id();
  await startTask(w.deps, w.who, w.buildId, taskId(w, key), { spellId });
  w.before.ended = later(from, Number(took));
  w.setClock(w.before.ended);
  await stopSpell(w.deps, w.who, w.buildId, spellId, {
    toGoMinutes: Math.round(Number(left) * 60),
    done: state === 'done',
  });
}

/** "prime title=Frame primed; work=paint; hours=2; after=blast; why=…; rest=24; gate=…": a task of its own. */
async function ownTask(w: Working, key: string, rule: string): Promise<void> {
  const f = fieldsOf(rule);
  w.tasks.set(key, w.id());
  const need = { reason: f.why ?? '', ...(f.rest === undefined ? {} : { waitAtLeast: Number(f.rest) * 60 }) };
  await putTask(w.deps, w.who, w.buildId, taskId(w, key), {
    version: 0,
    title: f.title!,
    work: f.work as Work,
    minutes: Math.round(Number(f.hours) * 60),
    cautions: [],
    needs: f.after === undefined ? [] : [{ taskId: taskId(w, f.after), ...need }],
    ...(f.gate === undefined ? {} : { gate: f.gate }),
  });
}

async function seen(w: Working, key: string): Promise<void> {
  const { tasks } = await readWork(w.deps, w.who, w.buildId);
  const { id, version } = tasks.find((t) => t.id === taskId(w, key))!;
  await actOnTask(w.deps, w.who, w.buildId, id, { act: 'sign gate', version });
}

/** A row of a story that is about work, or false where it is about something else. */
export async function work(w: Working, text: string): Promise<boolean> {
  const [word = '', ...words] = text.split(' ');
  const rule = words.join(' ');
  if (word === '@playbook') await fromPlaybook(w, rule);
  else if (word === '@worked') await worked(w, rule);
  else if (word === '@seen') await seen(w, rule);
  else if (word === '@task') await ownTask(w, words[0]!, words.slice(1).join(' '));
  else if (word === '@at') {
    if (w.isToday) w.setClock(later(w.madeAt, -0.8));
    await startTask(w.deps, w.who, w.buildId, taskId(w, rule), { spellId: w.id() });
  } else if (word === '@count') {
    const [key = '', counted = '0'] = words;
    await countOn(w.deps, w.who, w.buildId, taskId(w, key), { counted: Number(counted) });
  } else return false;
  return true;
}

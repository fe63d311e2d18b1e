/** Playbooks: those that came, the shop's own and its changes; and using one on a line. */
import type {
  PastPlaybookView,
  PlaybookPutDto,
  PlaybooksView,
  PlaybookUseDto,
  PlaybookView,
  WorkView,
} from '#contract/work.ts';
import { MOST_TASKS } from '#contract/work.ts';
import { canonical } from '#core/approval/canonical.ts';
import { readPlaybook, stepsWanted, type Playbook, type Step } from '#core/work/playbook.ts';
import { inOrder } from '#core/work/tasks.ts';
import { PLAYBOOKS } from '#core/work/playbooks/index.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { isUuid } from '../../uuid.ts';
import { insertJob } from '../jobs/index.ts';
import { changingWork } from './workNow.ts';
import * as books from './playbooks.queries.ts';
import * as q from './work.queries.ts';
import { planned, sayPlanned } from './written.ts';

/** Of one shop. */
const MOST_PLAYBOOKS = 200;

/** As they hold: the shop's changes laid over those that came, its own after them. */
async function playbooksNow(tx: Tx): Promise<PlaybooksView['playbooks']> {
  const changed = new Map((await books.changedPlaybooks(tx)).map((r) => [r.id, r]));
  const came = PLAYBOOKS.map((p) => {
    const own = changed.get(p.id);
    changed.delete(p.id);
    return { ...(own?.content ?? p), version: own?.version ?? 0 };
  });
  return [...came, ...[...changed.values()].map(({ content, version }) => ({ ...content, version }))];
}

export const readPlaybooks = (deps: Deps, who: SignedIn): Promise<PlaybooksView> =>
  inShop(deps.db, who.shopId, async (tx) => ({ playbooks: await playbooksNow(tx) }));

/** One playbook, and what it said before. */
export const readOnePlaybook = (deps: Deps, who: SignedIn, id: string): Promise<PlaybookView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const playbook = (await playbooksNow(tx)).find((p) => p.id === id);
    if (!playbook) throw notFound('playbook');
    return { playbook, past: await books.pastOfPlaybook(tx, id) };
  });

/** Older words of one playbook that are kept. */
const MOST_PAST = 30;

/** What it said until now joins what it said before. */
async function pastWith(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  known: PlaybooksView['playbooks'][number] | undefined,
): Promise<PastPlaybookView[]> {
  if (!known) return [];
  const { version, ...content } = known;
  const before = await books.pastOfPlaybook(tx, known.id);
  return [{ version, until: deps.clock.now(), by: who.name, content }, ...before].slice(0, MOST_PAST);
}

/** Brings a playbook in, or changes one; every fault of it is named by its path. */
export const putPlaybook = (
  deps: Deps,
  who: SignedIn,
  id: string,
  { version, content }: PlaybookPutDto,
): Promise<PlaybooksView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const read = readPlaybook(content);
    if ('faults' in read) {
      const fields = read.faults.map((f) => ({ field: `content.${f.path}`, reason: f.reason }));
      throw new Refusal('invalid', `${read.faults[0]!.path}: ${read.faults[0]!.reason}. Nothing was kept.`, {
        fields,
      });
    }
    const { playbook } = read;
    if (playbook.id !== id)
      throw new Refusal('invalid', 'id: it says another name than its address.', {
        fields: [{ field: 'content.id', reason: 'it says another name than its address' }],
      });
    const before = await playbooksNow(tx);
    const known = before.find((p) => p.id === id);
    if (known && canonical({ ...known, version: 0 }) === canonical({ ...playbook, version: 0 }))
      return { playbooks: before };
    if (!known && before.length >= MOST_PLAYBOOKS)
      throw new Refusal('too-many', `At most ${MOST_PLAYBOOKS} playbooks.`);
    const past = await pastWith(tx, deps, who, known);
    const kept =
      version === 0
        ? await books.insertPlaybook(tx, playbook, past)
        : await books.savePlaybook(tx, playbook, version, past);
    if (kept === 0)
      throw new Refusal('conflict', 'Somebody changed this playbook meanwhile. Yours is kept on the page.', {
        current: { playbooks: before },
      });
    return { playbooks: await playbooksNow(tx) };
  });

function contentOf(step: Step, playbook: Playbook): q.TaskContent {
  const followUps = (playbook.followUps ?? []).filter((f) => f.after === step.key);
  return {
    title: step.title,
    work: step.work,
    ...(step.place === undefined ? {} : { place: step.place }),
    minutes: step.minutes,
    cautions: [...(step.cautions ?? [])],
    ...(step.gate === undefined ? {} : { gate: step.gate }),
    ...(step.count === undefined ? {} : { count: { ...step.count, counted: 0 } }),
    ...(followUps.length === 0 ? {} : { followUps }),
  };
}

/** Makes the tasks of a playbook for a line, all or none. The same ids again are the same tasks. */
export const usePlaybook = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: PlaybookUseDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx, build) => {
    const playbook = (await playbooksNow(tx)).find((p) => p.id === dto.playbookId);
    if (!playbook) throw notFound('playbook');
    const undecided = (playbook.decisions ?? []).find(
      (d) => !d.options.some((o) => o.key === dto.fallen[d.key]),
    );
    if (undecided)
      throw new Refusal('invalid', `${undecided.question} Decide that first.`, {
        fields: [{ field: `fallen.${undecided.key}`, reason: 'decide this first' }],
      });
    const steps = stepsWanted(playbook, dto.fallen);
    const unnamed = steps.find((s) => !isUuid(dto.taskIds[s.key] ?? ''));
    if (unnamed)
      throw new Refusal('invalid', `taskIds: an id for “${unnamed.key}” is missing.`, {
        fields: [{ field: `taskIds.${unnamed.key}`, reason: 'an id is missing' }],
      });
    const idOf = (key: string): string => dto.taskIds[key]!;
    const known = await q.tasksOf(tx, buildId);
    if (known.some((t) => t.id === idOf(steps[0]!.key))) return;
    if (known.length + steps.length > MOST_TASKS)
      throw new Refusal('too-many', `At most ${MOST_TASKS} tasks.`);
    if (dto.lineId !== undefined && !(await q.isLineOf(tx, buildId, dto.lineId))) throw notFound('line');
    const lineId = dto.lineId ?? null;
    // On no line it is a job by itself: all of its tasks are of it.
    const jobId = lineId === null ? idOf(steps[0]!.key) : null;
    if (jobId !== null)
      await insertJob(tx, { id: jobId, buildId, title: playbook.title.slice(0, 160), isNamed: true });
    for (const step of steps)
      await q.insertTask(tx, {
        id: idOf(step.key),
        buildId,
        lineId,
        jobId,
        content: contentOf(step, playbook),
        now: deps.clock.now(),
      });
    const made = steps.map((s) => ({
      id: idOf(s.key),
      needs: s.needs.map(({ step, ...need }) => ({ ...need, taskId: idOf(step) })),
    }));
    for (const { id, needs } of made) await q.setNeeds(tx, id, needs);
    const text = `planned ${playbook.title}, from the playbook: ${steps.length === 1 ? 'one task' : `${steps.length} tasks`}`;
    const minutes = steps.reduce((sum, s) => sum + s.minutes, 0);
    const acts = inOrder(made).map((t) => planned(t.id));
    await sayPlanned(tx, deps, who, build, { text, subject: playbook.title, minutes }, acts);
  });

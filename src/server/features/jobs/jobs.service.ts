/** The jobs of a build: how each stands, seen from everything that belongs to it; named, joined, split. */
import { groupBy } from '#core/lists/groupBy.ts';
import type { EstimateLineView } from '#contract/estimate.ts';
import type { JobJoinDto, JobPutDto, JobSplitDto, JobsView, JobView } from '#contract/jobs.ts';
import { wordsAt } from '#core/graph/readiness.ts';
import { inOrderOfNeed, isOver, jobState } from '#core/jobs/jobs.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate, type BuildKey } from '../builds/index.ts';
import { entryById, logIn, seesPrices } from '../entries/index.ts';
import { estimateNow, lineViews } from '../estimate/index.ts';
import { nodeOf, type BuildNode } from '../graph/index.ts';
import { effortOf, spentByLine, tasksOf, toGoOf, type LineEffort, type TaskRow } from '../work/index.ts';
import * as q from './jobs.queries.ts';

/** Rows by the job that they belong to. */
function byJob<Row>(rows: readonly Row[], jobOf: (row: Row) => string | undefined): (jobId: string) => Row[] {
  const of = groupBy(rows, jobOf);
  return (jobId) => of.get(jobId) ?? [];
}

/** Why none of these tasks can be begun; null where one can, somebody is at one, or there is none. */
function heldBy(tasks: readonly TaskRow[], { ofTasks, ground }: BuildNode): string | null {
  if (tasks.some((t) => t.state === 'going')) return null;
  const open = tasks.filter((t) => t.state === 'to do').map((t) => ofTasks.get(t.id) ?? []);
  if (open.length === 0 || open.some((holds) => holds.length === 0)) return null;
  // A task that another of the build comes before says nothing that the other does not.
  const first = open.find((holds) => holds.every((h) => h.kind !== 'task')) ?? open[0]!;
  return first.map((h) => wordsAt(h, ground.now)).join('; ');
}

/** What the jobs of a build are seen from. */
interface JobSources {
  node: BuildNode;
  isHandedOver: boolean;
  lines: (jobId: string) => { line: EstimateLineView; priceMinor: number; effort: LineEffort }[];
  /** Those that were dropped only where somebody had worked at them. */
  tasks: (jobId: string) => TaskRow[];
  findings: (jobId: string) => q.FindingRow[];
  parts: (jobId: string) => q.PartRow[];
  /** The newest first. */
  told: (jobId: string) => q.ToldRow[];
  timeZone: string;
  withPrices: boolean;
}

async function sourcesOf(tx: Tx, deps: Deps, who: SignedIn, buildId: string): Promise<JobSources> {
  const withPrices = seesPrices(who);
  const [now, all, spent, node, found, toCome, told] = await Promise.all([
    estimateNow(tx, deps, buildId),
    tasksOf(tx, buildId),
    spentByLine(tx, buildId),
    nodeOf(tx, deps, buildId, withPrices),
    q.findingsOf(tx, buildId),
    q.partsToCome(tx, buildId),
    q.toldOf(tx, buildId),
  ]);
  const lines = lineViews(now).map((line, i) => ({
    line,
    priceMinor: now.frozen.lines[i]!.grossMinor,
    effort: effortOf({ id: line.id, minutes: now.lines[i]!.minutes.likely }, all, spent),
  }));
  const jobOfLine = new Map(now.rows.map((l) => [l.id, l.job_id]));
  const jobOfTask = new Map(all.map((t) => [t.id, t.job_id ?? jobOfLine.get(t.line_id!)]));
  const jobOf = ({ lineId, taskId }: { lineId: string | null; taskId: string | null }) =>
    jobOfLine.get(lineId ?? '') ?? jobOfTask.get(taskId ?? '');
  const { stage } = now.build;
  return {
    node,
    isHandedOver: stage === 'handed over' || stage === 'closed',
    withPrices,
    lines: byJob(lines, ({ line }) => jobOfLine.get(line.id)),
    tasks: byJob(
      all.filter((t) => t.state !== 'dropped' || t.spent_minutes > 0),
      (t) => jobOfTask.get(t.id),
    ),
    findings: byJob(found, (f) => f.jobId),
    parts: byJob(toCome, jobOf),
    told: byJob(told, (t) => t.jobId ?? jobOf(t)),
    timeZone: now.shop.timeZone,
  };
}

function toldView({ told, timeZone }: JobSources, jobId: string): JobView['told'] {
  const [newest] = told(jobId);
  return newest?.letterId ? { letterId: newest.letterId, on: dayOf(newest.at!, timeZone) } : null;
}

/** One job as it stands; none where nothing belongs to it any more. */
function jobView({ id, title, version }: q.JobRow, of: JobSources): JobView[] {
  const lines = of.lines(id);
  const tasks = of.tasks(id);
  const alive = tasks.filter((t) => t.state !== 'dropped');
  const findings = of.findings(id);
  const loose = tasks.filter((t) => t.line_id === null);
  const add = (ofLine: (e: LineEffort) => number, ofTask: (t: TaskRow) => number): number =>
    lines.reduce((s, l) => s + ofLine(l.effort), 0) + loose.reduce((s, t) => s + ofTask(t), 0);
  const spentMinutes = add(
    (e) => e.spentMinutes,
    (t) => t.spent_minutes,
  );
  const state = jobState({
    findings: findings.length,
    lines: lines.map(({ line, effort }) => ({
      state: line.standing.state,
      isBegun: line.discretionMinor !== null,
      isFinished: effort.isFinished,
    })),
    tasks: tasks.map((t) => ({ state: t.state, hasLine: t.line_id !== null })),
    spentMinutes,
    isHandedOver: of.isHandedOver,
  });
  if (state === null) return [];
  return [
    {
      ...{ id, version, title, state, spentMinutes },
      findings: findings.map((f) => ({ id: f.id, text: f.text, class: f.class })),
      lines: lines.map(({ line, priceMinor }) => ({
        ...{ id: line.id, title: line.title, state: line.standing.state },
        ...(of.withPrices ? { priceMinor } : {}),
      })),
      tasks: alive.map((t) => ({
        ...{ id: t.id, title: t.content.title, isDone: t.state === 'done', lineId: t.line_id },
      })),
      told: toldView(of, id),
      news: of.told(id).reduce((sum, t) => sum + t.news, 0),
      parts: of.parts(id).map((p) => ({ id: p.id, what: p.what, state: p.state, due: p.due })),
      toGoMinutes: isOver(state) ? 0 : add((e) => e.toGoMinutes, toGoOf),
      heldBy: isOver(state) ? null : heldBy(tasks, of.node),
    },
  ];
}

async function viewOf(tx: Tx, deps: Deps, who: SignedIn, buildId: string): Promise<JobsView> {
  const sources = await sourcesOf(tx, deps, who, buildId);
  const jobs = await q.jobsOf(tx, buildId);
  return {
    buildId,
    nickname: sources.node.nickname,
    jobs: inOrderOfNeed(jobs.flatMap((job) => jobView(job, sources))),
  };
}

export const readJobs = (deps: Deps, who: SignedIn, buildId: string): Promise<JobsView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps, who, buildId));

/** A job of this build. */
async function jobIn(tx: Tx, buildId: string, id: string): Promise<q.JobRow> {
  const job = await q.jobById(tx, id);
  if (job?.buildId !== buildId) throw notFound('job');
  return job;
}

const changing = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  change: (tx: Tx, build: BuildKey) => Promise<unknown>,
): Promise<JobsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    await change(tx, build);
    return viewOf(tx, deps, who, buildId);
  });

/** Names a job; from then on it is not called after its line any more. The same name again changes nothing. */
export const putJob = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  { version, title: said }: JobPutDto,
): Promise<JobsView> =>
  changing(deps, who, buildId, async (tx) => {
    const job = await jobIn(tx, buildId, id);
    const title = said.trim();
    if (job.title === title) return;
    if (job.version !== version) throw changedMeanwhile('this job', job);
    await q.nameJob(tx, { id, title, isNamed: true });
  });

/** How jobs stood before they were joined or split. */
export interface JobBefore {
  from: string;
  to: string;
  ids: string[];
}

/** Everything of one job goes to another. */
export const joinJob = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  { entryId, toId }: JobJoinDto,
): Promise<JobsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    if (await entryById(tx, entryId)) return;
    const [from, to] = [await jobIn(tx, buildId, id), await jobIn(tx, buildId, toId)];
    if (from.id === to.id) throw invalidAt('toId', 'that is the same job');
    const ids = (await q.rootsOf(tx, from.id)).map((r) => r.id);
    if (ids.length === 0) throw new Refusal('conflict', `“${from.title}” has nothing on it any more.`);
    const before: JobBefore = { from: from.id, to: to.id, ids };
    await q.moveRoots(tx, before);
    await logIn(tx, deps, build, {
      id: entryId,
      personId: who.personId,
      kind: 'note',
      text: `“${from.title}” belongs to “${to.title}”: one job`,
      about: { type: 'job', id: to.id },
      acts: [{ act: 'join', type: 'job', id: to.id, before }],
    });
  });

/** Some of a job’s findings, lines and tasks become a job of their own. */
export const splitJob = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  { entryId, newId, title: said, things }: JobSplitDto,
): Promise<JobsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    if (await entryById(tx, entryId)) return;
    const job = await jobIn(tx, buildId, id);
    const roots = await q.rootsOf(tx, id);
    const ids = [...new Set(things.map((t) => t.id))];
    things.forEach((t, at) => {
      if (!roots.some((r) => r.type === t.type && r.id === t.id))
        throw invalidAt(`things.${at}`, `that is not of “${job.title}”, or goes with its line`);
    });
    if (ids.length === roots.length) throw invalidAt('things', 'something has to stay');
    const title = said.trim();
    if ((await q.insertJob(tx, { id: newId, buildId, title, isNamed: true })) === 0)
      throw invalidAt('newId', 'there is a job with this id already');
    const before: JobBefore = { from: id, to: newId, ids };
    await q.moveRoots(tx, before);
    await logIn(tx, deps, build, {
      id: entryId,
      personId: who.personId,
      kind: 'note',
      text: `“${title}” is a job of its own; it was part of “${job.title}”`,
      about: { type: 'job', id: newId },
      acts: [{ act: 'split', type: 'job', id: newId, before }],
    });
  });

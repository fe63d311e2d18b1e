/** What the pages say of a build, and that they say one thing of each fact. */
import { expect } from '@jest/globals';
import supertest from 'supertest';
import type { BuildView, FloorView } from '#contract/builds.ts';
import type { CostsDeskView, CostsView } from '#contract/costs.ts';
import type { OpenThingsView } from '#contract/entries.ts';
import type { JobsView } from '#contract/jobs.ts';
import type { LetterView } from '#contract/letters.ts';
import type { OutworkView, PiecesView } from '#contract/outwork.ts';
import type { PartsView } from '#contract/parts.ts';
import { pathOf } from '#contract/routes.ts';
import type { BuildWaitView, WaitsView } from '#contract/waits.ts';
import type { TaskView, WorkView } from '#contract/work.ts';
import type { OpenThing } from '#core/acts/acts.ts';
import { jobMoney } from '#core/jobs/jobs.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatMinutes } from '#core/time/hours.ts';
import { escapeHtml } from '#core/update/escape.ts';
import { allItems, figuresTold } from '#core/update/letter.ts';
import { inShop } from '#server/db/pool.ts';
import { standingFromLogbook } from '#server/features/entries/index.ts';
import { wrongSums } from './ledger.ts';
import { nextId, type openShop } from './server.ts';

type Shop = ReturnType<typeof openShop>;

export const reader =
  (it: Shop) =>
  async <T>(path: string): Promise<T> =>
    (await it.owner.get(path).expect(200)).body as T;

export const things = async (it: Shop, buildId: string): Promise<OpenThing[]> =>
  (await reader(it)<OpenThingsView>(pathOf('openThings', { buildId }))).things;

/** Everything that the pages say of a build, but for how often it was changed. */
export async function pages(it: Shop, buildId: string) {
  const read = reader(it);
  const [
    costs,
    desk,
    { waits },
    floor,
    build,
    work,
    { parts },
    partsDesk,
    { jobs },
    { pieces },
    outwork,
    open,
  ] = await Promise.all([
    read<CostsView>(pathOf('costsRead', { buildId })),
    read<CostsDeskView>(pathOf('costsDesk')),
    read<WaitsView>(pathOf('waitsRead')),
    read<FloorView>(pathOf('floor')),
    read<BuildView>(pathOf('buildRead', { buildId })),
    read<WorkView>(pathOf('workRead', { buildId })),
    read<PartsView>(pathOf('partsRead', { buildId })),
    read<{ parts: PartsView['parts'] }>(pathOf('partsDesk')),
    read<JobsView>(pathOf('jobsRead', { buildId })),
    read<PiecesView>(pathOf('piecesRead', { buildId })),
    read<OutworkView>(pathOf('outworkRead')),
    things(it, buildId),
  ]);
  return {
    ...{ build, work, parts, open, costs, jobs, pieces },
    batches: outwork.batches.filter((b) => b.pieces.some((p) => p.buildId === buildId)),
    partsDesk: partsDesk.parts.filter((p) => p.buildId === buildId),
    held: waits.find((w) => w.buildId === buildId)!,
    row: floor.builds.find((b) => b.id === buildId)!,
    onDesk: desk.builds.find((b) => b.buildId === buildId),
  };
}
export type Pages = Awaited<ReturnType<typeof pages>>;

/** One fact, one value, wherever it stands. */
export async function agree(it: Shop, buildId: string, p: Pages): Promise<void> {
  // Money: the desk of all cars and the page of this one.
  if (p.onDesk) expect(p.onDesk.build).toEqual(p.costs.build);
  else expect([p.costs.lines, p.costs.build.costMinor]).toEqual([[], 0]);
  const last = p.costs.overTime.at(-1)!;
  expect([last.spentMinor, last.committedMinor]).toEqual([
    p.costs.build.spentMinor,
    p.costs.build.committedMinor,
  ]);
  // Hours: the build page, and lines, tasks and what nobody put on a line.
  const onLines = p.costs.lines.reduce((sum, l) => sum + l.spentMinutes, 0);
  const borne = p.costs.borne.reduce((sum, b) => sum + b.minutes, 0);
  expect(onLines + borne).toBe(p.build.workedMinutes);
  // Waits: the Floor and the build page show what is typed; what holds it binds once.
  expect(p.row.waits).toEqual(p.build.waits);
  expect(p.row.doing).toEqual(p.build.doing);
  // It rests as long as the wait that says so is open.
  for (const pause of p.build.pauses.filter((x) => x.to === null))
    expect(p.build.waits.map((w) => w.entryId)).toContain(pause.entryId);
  bindsOnce(p.held, p.work.tasks);
  // Parts: the desk of all cars shows what is open of this one, as it is here.
  for (const part of p.partsDesk) expect(part).toEqual(p.parts.find((own) => own.id === part.id));
  const ordered = p.parts.filter((x) => x.state === 'ordered').map((x) => x.id);
  expect(p.open.flatMap((t) => (t.type === 'part' && t.state === 'ordered' ? [t.id] : [])).sort()).toEqual(
    ordered.sort(),
  );
  // Tasks: why they cannot be begun is one answer.
  for (const task of p.work.tasks.filter((t) => t.state === 'to do')) {
    const open = p.open.find((t) => t.id === task.id)!;
    expect([task.title, open.whyNot !== undefined]).toEqual([task.title, task.holds.length > 0]);
  }
  jobsAgree(p);
  // What is kept with the build and in the ledger is what the logbook says.
  const { rows } = await it.server.admin.query<{ standing: unknown }>(
    'select standing from builds where id = $1',
    [buildId],
  );
  expect(rows[0]!.standing).toEqual(
    await inShop(it.server.deps.db, it.shop.id, (tx) => standingFromLogbook(tx, buildId, 'Europe/London')),
  );
  expect(await wrongSums(it.server.admin)).toEqual([]);
}

/** Everything is of one job, and the jobs together come to what the lines and the tasks come to. */
function jobsAgree({ jobs, work, costs }: Pages): void {
  const ids = (of: readonly { id: string }[]): string[] => of.map((x) => x.id).sort();
  const findings = jobs.flatMap((j) => ids(j.findings));
  expect(new Set(findings).size).toBe(findings.length);
  expect(ids(jobs.flatMap((j) => j.tasks))).toEqual(ids(work.tasks.filter((t) => t.state !== 'dropped')));
  expect(ids(jobs.flatMap((j) => j.lines))).toEqual(ids(work.lines));
  const sum = (of: (j: (typeof jobs)[number]) => number): number => jobs.reduce((s, j) => s + of(j), 0);
  const money = jobs.map((j) => jobMoney(j.lines, costs.lines));
  expect(money.reduce((s, m) => s + m.agreedMinor, 0)).toBe(costs.build.approvedMinor);
  expect(money.reduce((s, m) => s + m.spentMinor, 0)).toBe(costs.build.spentMinor);
  expect(money.reduce((s, m) => s + m.expectedMinor, 0)).toBe(costs.build.expectedMinor);
  const ofTasks = costs.borne.find((b) => b.uncharged === 'task')?.minutes ?? 0;
  expect(sum((j) => j.spentMinutes)).toBe(costs.lines.reduce((s, l) => s + l.spentMinutes, 0) + ofTasks);
  // A job is held up where none of its tasks can be begun and nobody is at one.
  for (const job of jobs) {
    const own = work.tasks.filter((t) => job.tasks.some((x) => x.id === t.id));
    const left = own.filter((t) => t.state === 'to do');
    const isHeld =
      left.length > 0 && left.every((t) => t.holds.length > 0) && own.every((t) => t.state !== 'going');
    expect([job.title, job.heldBy !== null]).toEqual([job.title, isHeld]);
  }
}

/** Exactly one thing binds a build whose tasks all wait; none binds one where somebody can work. */
function bindsOnce({ binding, others }: BuildWaitView, tasks: readonly TaskView[]): void {
  const left = tasks.filter((t) => t.state === 'to do' || t.state === 'going');
  const canGoOn = left.some((t) => t.state === 'going' || t.holds.length === 0);
  if (left.length > 0) expect([canGoOn, binding === null]).toEqual([canGoOn, canGoOn]);
  if (binding !== null) expect(others).not.toContainEqual(binding);
}

/** The letter of this moment, and the customer’s page once it went, tell the money and the waits as the shop’s pages have them. */
export async function letterAgrees(it: Shop, buildId: string): Promise<void> {
  const { costs, build, held } = await pages(it, buildId);
  const say = (minor: number): string => formatMoney(minor, 'GBP', 'en-GB');
  const drafted = await it.owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200);
  const letter = drafted.body as LetterView;
  const items = allItems(letter.content);
  const textOf = (id: string): string | undefined => items.find((i) => i.id === id)?.text;
  const spent = textOf('costs-spent');
  if (spent === undefined) expect(textOf('costs-so-far')).toContain(formatMinutes(build.workedMinutes));
  else {
    expect(spent).toContain(say(costs.build.spentMinor));
    if (costs.build.committedMinor > 0) expect(spent).toContain(say(costs.build.committedMinor));
    expect(textOf('costs-end')).toContain(say(costs.build.expectedMinor));
  }
  for (const wait of build.waits.filter((w) => w.about === undefined))
    expect(textOf(`wait-${wait.entryId}`)).toContain(wait.subject);
  const waiting = items
    .filter((i) => i.id.startsWith('held-') || i.id.startsWith('wait-'))
    .map((i) => i.text);
  for (const hold of [held.binding, ...held.others])
    if (hold?.kind === 'part') expect(waiting.join('\n')).toContain(hold.what.replace(/ from .*$/, ''));
  const sent = await it.owner
    .post(pathOf('letterSend', { letterId: letter.id }))
    .send({ version: letter.version, figures: figuresTold(letter.content) });
  expect([sent.status, sent.body.detail]).toEqual([200, undefined]);
  const { link } = await reader(it)<BuildView>(pathOf('buildRead', { buildId }));
  const { text } = await supertest(it.server.app.express).get(new URL(link!.url!).pathname).expect(200);
  for (const item of items.filter((i) => i.fixed && !i.leftOut))
    expect(text).toContain(escapeHtml(item.text));
}

/**
 * Jobs, over HTTP. Nasty cases: a finding that becomes a line, a line that is dropped, a task of a line and one without, a finding that is
 * put right or withdrawn, joined twice, joined to itself or to another car’s, split of everything, of nothing, of what goes with its
 * line, taken back after more was moved, a technician, a hostile name; and that the jobs come to what the costs come to.
 */
import { describe, expect, test } from '@jest/globals';
import type { CostsView } from '#contract/costs.ts';
import type { EntryAddDto, OpenThingsView } from '#contract/entries.ts';
import type { JobsView, JobView } from '#contract/jobs.ts';
import type { LetterView } from '#contract/letters.ts';
import { pathOf } from '#contract/routes.ts';
import { jobMoney } from '#core/jobs/jobs.ts';
import { figuresTold } from '#core/update/letter.ts';
import { estimateLine, line, makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

const it = openShop('jobs');

const jobsOf = async (buildId: string, agent: Agent = it.owner): Promise<JobView[]> =>
  ((await agent.get(pathOf('jobsRead', { buildId })).expect(200)).body as JobsView).jobs;
const jobOf = async (buildId: string, id: string): Promise<JobView> =>
  (await jobsOf(buildId)).find((j) => j.id === id)!;
const titles = async (buildId: string): Promise<string[]> =>
  (await jobsOf(buildId)).map((j) => j.title).sort();

async function find(buildId: string, subject: string, more: Partial<EntryAddDto> = {}): Promise<string> {
  const entry = line({ kind: 'found', text: `found ${subject} worn`, facts: { subject }, ...more });
  await it.owner.post(pathOf('entryAdd', { buildId })).send(entry).expect(200);
  return entry.id;
}
const correct = (buildId: string, correctsId: string, body: object) =>
  it.owner.post(pathOf('entryCorrect', { buildId })).send({ id: nextId(), correctsId, ...body });

async function putLine(buildId: string, more: Parameters<typeof estimateLine>[0] = {}): Promise<string> {
  const lineId = nextId();
  await it.owner.put(pathOf('estimateLinePut', { buildId, lineId })).send(estimateLine(more)).expect(200);
  return lineId;
}
async function putTask(buildId: string, title: string, lineId?: string): Promise<string> {
  const taskId = nextId();
  const body = { version: 0, title, work: 'mechanical', minutes: 60, cautions: [], needs: [], lineId };
  await it.owner.put(pathOf('taskPut', { buildId, taskId })).send(body).expect(200);
  return taskId;
}
const join = (buildId: string, jobId: string, toId: string, entryId = nextId(), agent: Agent = it.owner) =>
  agent.post(pathOf('jobJoin', { buildId, jobId })).send({ entryId, toId });
const split = (buildId: string, jobId: string, more: object) =>
  it.owner
    .post(pathOf('jobSplit', { buildId, jobId }))
    .send({ entryId: nextId(), newId: nextId(), title: 'A job of its own', ...more });

describe('born', () => {
  test('with a finding; a line made from it is the same job and gives it its name', async () => {
    const buildId = await makeBuild(it.owner);
    const findingId = await find(buildId, 'king pins');
    expect(await jobsOf(buildId)).toMatchObject([{ title: 'king pins', state: 'found' }]);
    const lineId = await putLine(buildId, { title: 'King pins renewed', findingId });
    expect(await jobsOf(buildId)).toMatchObject([
      { title: 'King pins renewed', state: 'priced', findings: [{ id: findingId }], lines: [{ id: lineId }] },
    ]);
  });

  test('with a line; its tasks are of it, one without a line is a job by itself', async () => {
    const buildId = await makeBuild(it.owner);
    const lineId = await putLine(buildId, { title: 'Sills' });
    const taskId = await putTask(buildId, 'Cut the sills out', lineId);
    await putTask(buildId, 'Sweep the lift');
    expect(await jobsOf(buildId)).toMatchObject([
      { title: 'Sweep the lift', state: 'planned' },
      { title: 'Sills', tasks: [{ id: taskId, lineId }] },
    ]);
  });

  test('a task without a line is of the job of what it needs', async () => {
    const buildId = await makeBuild(it.owner);
    const first = await putTask(buildId, 'Frame primed');
    const taskId = nextId();
    const task = { version: 0, title: 'Enamel', work: 'paint', minutes: 60, cautions: [] };
    await it.owner
      .put(pathOf('taskPut', { buildId, taskId }))
      .send({ ...task, needs: [{ taskId: first, reason: 'dry' }] })
      .expect(200);
    expect(await jobsOf(buildId)).toMatchObject([
      { title: 'Frame primed', tasks: [{ id: first }, { id: taskId }] },
    ]);
  });

  test('a task that loses its line stays with the job; one that gets a line goes there', async () => {
    const buildId = await makeBuild(it.owner);
    const [sills, floor] = [
      await putLine(buildId, { title: 'Sills' }),
      await putLine(buildId, { title: 'Floor' }),
    ];
    const taskId = await putTask(buildId, 'Cut it out', sills);
    const put = (version: number, lineId?: string) =>
      it.owner
        .put(pathOf('taskPut', { buildId, taskId }))
        .send({
          version,
          title: 'Cut it out',
          work: 'mechanical',
          minutes: 60,
          cautions: [],
          needs: [],
          lineId,
        })
        .expect(200);
    const holder = async (): Promise<string> =>
      (await jobsOf(buildId)).find((j) => j.tasks.some((t) => t.id === taskId))!.title;
    await put(1);
    expect(await holder()).toBe('Sills');
    await put(2, floor);
    expect(await holder()).toBe('Floor');
  });

  test('a playbook on no line is one job', async () => {
    const buildId = await makeBuild(it.owner);
    const { playbooks } = (await it.owner.get(pathOf('playbooksRead')).expect(200)).body;
    const playbook = playbooks.find((p: { decisions?: unknown[] }) => !p.decisions?.length);
    const taskIds = Object.fromEntries(playbook.steps.map((s: { key: string }) => [s.key, nextId()]));
    await it.owner
      .post(pathOf('playbookUse', { buildId }))
      .send({ playbookId: playbook.id, fallen: {}, taskIds })
      .expect(200);
    const jobs = await jobsOf(buildId);
    expect(jobs).toHaveLength(1);
    expect(jobs[0]).toMatchObject({ title: playbook.title, tasks: { length: playbook.steps.length } });
  });

  test('a finding put right is called anew, one withdrawn is no job, one dropped from the estimate is found again', async () => {
    const buildId = await makeBuild(it.owner);
    const findingId = await find(buildId, 'bell');
    const now = { kind: 'found', text: 'found horn cracked', facts: { subject: 'horn' }, audience: 'shop' };
    await correct(buildId, findingId, { now }).expect(200);
    expect(await titles(buildId)).toEqual(['horn']);
    const lineId = await putLine(buildId, { title: 'Horn', findingId });
    await it.owner.delete(pathOf('estimateLineDrop', { buildId, lineId })).send({ version: 1 }).expect(200);
    expect(await jobsOf(buildId)).toMatchObject([{ state: 'found', lines: [] }]);
    await correct(buildId, findingId, { withdraw: true }).expect(200);
    expect(await jobsOf(buildId)).toEqual([]);
  });

  test('what a line adds to a job begins none; withdrawn, it is off it', async () => {
    const buildId = await makeBuild(it.owner);
    const first = await find(buildId, 'serving hatch');
    const { things } = (await it.owner.get(pathOf('openThings', { buildId })).expect(200))
      .body as OpenThingsView;
    expect(things).toContainEqual({ type: 'job', id: first, name: 'serving hatch', state: '' });
    const second = await find(buildId, 'hatch stay', { does: [{ act: 'add', type: 'job', id: first }] });
    expect(await jobsOf(buildId)).toMatchObject([{ findings: [{ id: first }, { id: second }] }]);
    await correct(buildId, second, { withdraw: true }).expect(200);
    expect(await jobsOf(buildId)).toMatchObject([{ findings: [{ id: first }] }]);
    const elsewhere = await makeBuild(it.owner);
    const entry = line({ kind: 'found', does: [{ act: 'add', type: 'job', id: first }] });
    await it.owner
      .post(pathOf('entryAdd', { buildId: elsewhere }))
      .send(entry)
      .expect(404);
  });
});

describe('named, joined, split', () => {
  test('a name that somebody gave stays, whatever its line is called', async () => {
    const buildId = await makeBuild(it.owner);
    const lineId = await putLine(buildId, { title: 'Sills' });
    const name = (version: number, title: string) =>
      it.owner.put(pathOf('jobPut', { buildId, jobId: lineId })).send({ version, title });
    await name(1, '  Both sills  ').expect(200);
    await name(1, 'Both sills').expect(200);
    await name(1, 'Other').expect(409);
    await it.owner
      .put(pathOf('estimateLinePut', { buildId, lineId }))
      .send(estimateLine({ version: 1, title: 'Sills, outer' }))
      .expect(200);
    expect(await titles(buildId)).toEqual(['Both sills']);
    await name(2, ' ').expect(400);
    await name(2, '<img src=x onerror=alert(1)>').expect(200);
    expect(await titles(buildId)).toEqual(['<img src=x onerror=alert(1)>']);
  });

  test('joined, twice, and taken back: as before', async () => {
    const buildId = await makeBuild(it.owner);
    const lineId = await putLine(buildId, { title: 'Paint' });
    await putTask(buildId, 'Flat it', lineId);
    const findingId = await find(buildId, 'run in the paint');
    const before = await jobsOf(buildId);
    const entryId = nextId();
    const all = await Promise.all([1, 2, 3].map(() => join(buildId, findingId, lineId, entryId)));
    expect(all.map((r) => r.status)).toEqual([200, 200, 200]);
    expect(await jobsOf(buildId)).toMatchObject([{ title: 'Paint', findings: [{ id: findingId }] }]);
    await correct(buildId, entryId, { withdraw: true }).expect(200);
    expect(await jobsOf(buildId)).toEqual(before);
  });

  test('split off, and taken back; not after it went on elsewhere', async () => {
    const buildId = await makeBuild(it.owner);
    const [a, b] = [
      await putLine(buildId, { title: 'Front wings' }),
      await putLine(buildId, { title: 'Rear wings' }),
    ];
    await join(buildId, b, a).expect(200);
    const [newId, entryId] = [nextId(), nextId()];
    const things = [{ type: 'line', id: b }];
    await split(buildId, a, { newId, entryId, title: 'The rear', things }).expect(200);
    expect(await titles(buildId)).toEqual(['Front wings', 'The rear']);
    const onward = nextId();
    await join(buildId, newId, a, onward).expect(200);
    await correct(buildId, entryId, { withdraw: true }).expect(409);
    await correct(buildId, onward, { withdraw: true }).expect(200);
    await correct(buildId, entryId, { withdraw: true }).expect(200);
    expect(await jobsOf(buildId)).toMatchObject([{ lines: [{ id: a }, { id: b }] }]);
  });

  test('refused, and nothing moves', async () => {
    const buildId = await makeBuild(it.owner);
    const other = await putLine(await makeBuild(it.owner));
    const a = await putLine(buildId, { title: 'Sills' });
    const b = await putLine(buildId, { title: 'Floor' });
    const taskId = await putTask(buildId, 'Cut it out', a);
    const before = await jobsOf(buildId);
    await join(buildId, a, a).expect(400);
    await join(buildId, a, other).expect(404);
    await join(buildId, a, nextId()).expect(404);
    await join(buildId, a, b, nextId(), it.technician).expect(403);
    await split(buildId, a, { things: [{ type: 'line', id: a }] }).expect(400);
    await split(buildId, a, { things: [] }).expect(400);
    await split(buildId, a, { things: [{ type: 'task', id: taskId }] }).expect(400);
    await split(buildId, a, { things: [{ type: 'line', id: b }] }).expect(400);
    expect(await jobsOf(buildId)).toEqual(before);
  });
});

describe('what it comes to', () => {
  test('hours, prices and progress are those of the work and of the costs', async () => {
    const terms = (await it.owner.get(pathOf('termsRead')).expect(200)).body;
    const rates = Object.fromEntries(Object.keys(terms.rates).map((work) => [work, 6000]));
    await it.owner
      .put(pathOf('termsSave'))
      .send({ ...terms, rates })
      .expect(200);
    const buildId = await makeBuild(it.owner, { discretionMinor: 1_000_000 });
    const [a, b] = [await putLine(buildId, { title: 'Sills' }), await putLine(buildId, { title: 'Floor' })];
    const taskId = await putTask(buildId, 'Cut the sills out', a);
    await it.owner
      .post(pathOf('taskHours', { buildId, taskId }))
      .send({ id: nextId(), minutes: 90, toGoMinutes: 30, done: false })
      .expect(200);
    const costs = (await it.owner.get(pathOf('costsRead', { buildId })).expect(200)).body as CostsView;
    const sills = await jobOf(buildId, a);
    expect(sills).toMatchObject({ state: 'in work', spentMinutes: 90, toGoMinutes: 30, heldBy: null });
    const money = (job: JobView) => jobMoney(job.lines, costs.lines);
    expect(money(sills)).toMatchObject({
      spentMinor: costs.lines.find((l) => l.id === a)!.costs.spentMinor,
      expectedMinor: costs.build.expectedMinor,
    });
    expect(costs.build.spentMinor).toBeGreaterThan(0);
    await join(buildId, b, a).expect(200);
    const both = await jobOf(buildId, a);
    expect(money(both).spentMinor).toBe(costs.build.spentMinor);
    expect(money(both).priceMinor).toBe(2 * money(sills).priceMinor);
  });

  test('parts of its line, and for its tasks, are to come; those for nothing are of no job', async () => {
    const buildId = await makeBuild(it.owner);
    const lineId = await putLine(buildId, { title: 'Gearbox' });
    const taskId = await putTask(buildId, 'Built up', lineId);
    const alone = await putTask(buildId, 'Sweep the lift');
    const part = (what: string, more: object) =>
      it.owner
        .put(pathOf('partPut', { buildId, partId: nextId() }))
        .send({
          ...{ version: 0, what, quantity: 1, number: '', catalogue: '', instead: '', source: 'supplier' },
          ...{ sourceNote: '', vendor: '', ...more },
        })
        .expect(200);
    await part('gasket', { lineId });
    await part('rings', { taskId });
    await part('broom', { taskId: alone });
    await part('rag', {});
    const of = async (id: string): Promise<string[]> => (await jobOf(buildId, id)).parts.map((p) => p.what);
    expect(await of(lineId)).toEqual(['gasket', 'rings']);
    expect(await of(alone)).toEqual(['broom']);
  });

  test('what holds it up is what refuses the start', async () => {
    const buildId = await makeBuild(it.owner);
    const a = await putLine(buildId, { title: 'Sills' });
    const taskId = await putTask(buildId, 'Cut the sills out', a);
    const { heldBy } = await jobOf(buildId, a);
    const { body } = await it.owner
      .post(pathOf('taskStart', { buildId, taskId }))
      .send({ spellId: nextId() })
      .expect(403);
    expect(body.detail).toContain(heldBy);
  });

  test('a technician sees no price of it', async () => {
    const buildId = await makeBuild(it.owner);
    await find(buildId, 'king pins', {
      text: 'found king pins worn, 240, 5h',
      facts: { subject: 'king pins', moneyMinor: 24000, minutes: 300 },
    });
    await putLine(buildId);
    const jobs = await jobsOf(buildId, it.technician);
    expect(jobs).toHaveLength(2);
    expect(JSON.stringify(jobs)).not.toMatch(/\b240\b|Minor/);
    expect(jobs.some((j) => j.findings.some((f) => f.text.includes('5h')))).toBe(true);
  });
});

describe('what its customer was told', () => {
  const draft = async (buildId: string): Promise<LetterView> =>
    (await it.owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200)).body;
  /** `without`: entries that are left out of it. */
  async function sendLetter(buildId: string, without: readonly string[] = []): Promise<string> {
    const { id: letterId, content, version } = await draft(buildId);
    const parts = content.parts.map((p) => ({
      ...p,
      items: p.items.map((i) => ({ ...i, leftOut: without.includes(i.id) })),
    }));
    const saved = await it.owner
      .put(pathOf('letterSave', { letterId }))
      .send({ version, content: { ...content, parts } })
      .expect(200);
    const kept = saved.body as LetterView;
    await it.owner
      .post(pathOf('letterSend', { letterId }))
      .send({ version: kept.version, figures: figuresTold(kept.content) })
      .expect(200);
    return letterId;
  }

  test('is what stood in a letter that went; what came since is news, what was left out was not told', async () => {
    const buildId = await makeBuild(it.owner);
    const worn = await find(buildId, 'king pins');
    const seized = await find(buildId, 'handbrake cable');
    const ofThem = async () =>
      (await jobsOf(buildId)).map(({ title, told, news }) => [title, told?.letterId ?? null, news]).sort();
    expect(await ofThem()).toEqual([
      ['handbrake cable', null, 1],
      ['king pins', null, 1],
    ]);
    const letterId = await sendLetter(buildId, [seized]);
    expect(await ofThem()).toEqual([
      ['handbrake cable', null, 0],
      ['king pins', letterId, 0],
    ]);
    expect((await jobOf(buildId, worn)).told!.on).toBe('2026-03-11');

    const taskId = await putTask(buildId, 'Ream the new bushes');
    await it.owner
      .post(pathOf('taskHours', { buildId, taskId }))
      .send({ id: nextId(), minutes: 60, done: false, toGoMinutes: 30 })
      .expect(200);
    const line2 = line({ kind: 'did', text: 'reamed', facts: { subject: 'reamed' }, audience: 'customer' });
    await it.owner
      .post(pathOf('entryAdd', { buildId }))
      .send({ ...line2, does: [{ act: 'add', type: 'job', id: worn }] })
      .expect(200);
    expect(await ofThem()).toEqual([
      ['Ream the new bushes', null, 0],
      ['handbrake cable', null, 0],
      ['king pins', letterId, 1],
    ]);
    const next = await sendLetter(buildId);
    expect((await jobOf(buildId, worn)).told!.letterId).toBe(next);
  });

  test('a draft has told nobody; what was withdrawn is no news', async () => {
    const buildId = await makeBuild(it.owner);
    const worn = await find(buildId, 'king pins');
    await draft(buildId);
    const more = await find(buildId, 'worn bush', { does: [{ act: 'add', type: 'job', id: worn }] });
    expect(await jobOf(buildId, worn)).toMatchObject({ told: null, news: 2 });
    await correct(buildId, more, { withdraw: true }).expect(200);
    expect(await jobOf(buildId, worn)).toMatchObject({ told: null, news: 1 });
  });
});

/**
 * What is written down about a car keeps an entry, and goes with it. Nasty cases: changed twice, taken back out of order, a task that
 * something waits for or that hours were worked on, a part that was ordered since, a whole playbook, a table of parts, one that is there.
 */
import { describe, expect, test } from '@jest/globals';
import type { CostsView } from '#contract/costs.ts';
import type { EntriesView, EntryAddDto, EntryView } from '#contract/entries.ts';
import type { PiecesView } from '#contract/outwork.ts';
import type { PartsView, PartView } from '#contract/parts.ts';
import { pathOf } from '#contract/routes.ts';
import type { TaskView, WorkView } from '#contract/work.ts';
import type { ActOn } from '#core/acts/acts.ts';
import { PLAYBOOKS } from '#core/work/playbooks/index.ts';
import { line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('written');

const partsOf = async (buildId: string): Promise<PartView[]> =>
  ((await it.owner.get(pathOf('partsRead', { buildId })).expect(200)).body as PartsView).parts;
const tasksOf = async (buildId: string): Promise<TaskView[]> =>
  ((await it.owner.get(pathOf('workRead', { buildId })).expect(200)).body as WorkView).tasks;
const logbook = async (buildId: string): Promise<EntryView[]> =>
  ((await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body as EntriesView).entries;
const said = async (buildId: string): Promise<string[]> =>
  (await logbook(buildId)).filter((e) => !e.withdrawn).map((e) => `${e.kind}: ${e.text}`);
const takeBack = (buildId: string, entryId: string) =>
  it.owner
    .post(pathOf('entryCorrect', { buildId }))
    .send({ id: nextId(), correctsId: entryId, withdraw: true });
const newest = async (buildId: string): Promise<string> => (await logbook(buildId))[0]!.id;
const say = (buildId: string, does: ActOn[], more: Partial<EntryAddDto>) =>
  it.owner.post(pathOf('entryAdd', { buildId })).send({ ...line(more), does });

const PART = {
  ...{
    version: 0,
    what: 'hydraulic hoses',
    quantity: 4,
    number: '',
    catalogue: '',
    instead: '',
    sourceNote: '',
  },
  ...{ source: 'supplier', vendor: '' },
};
const putPart = (buildId: string, partId: string, more: object = {}, agent = it.owner) =>
  agent.put(pathOf('partPut', { buildId, partId })).send({ ...PART, ...more });
const putTask = (buildId: string, taskId: string, more: object = {}) =>
  it.owner
    .put(pathOf('taskPut', { buildId, taskId }))
    .send({ version: 0, title: 'Filler', work: 'metalwork', minutes: 600, cautions: [], needs: [], ...more });

describe('parts', () => {
  test('needed and changed are said without prices; taken back the last first, each stands as before', async () => {
    const [buildId, partId] = [await makeBuild(it.owner), nextId()];
    await putPart(buildId, partId).expect(200);
    await putPart(buildId, partId).expect(200);
    const need = await newest(buildId);
    const written = await partsOf(buildId);
    await putPart(buildId, partId, {
      version: 1,
      quantity: 6,
      priceMinor: 2800,
      vendor: 'Tern & Sons',
    }).expect(200);
    const change = await newest(buildId);
    expect(await said(buildId)).toEqual([
      'note: parts list, hydraulic hoses: count, vendor, price changed',
      'needs: needs 4 hydraulic hoses',
    ]);
    const refused = await takeBack(buildId, need).expect(409);
    expect(refused.body.detail).toContain('Something was done with “hydraulic hoses” since');
    await takeBack(buildId, change).expect(200);
    expect((await partsOf(buildId)).map((p) => ({ ...p, version: 1 }))).toEqual(written);
    await takeBack(buildId, need).expect(200);
    expect(await partsOf(buildId)).toEqual([]);
  });

  test('ordered since, neither goes; the order taken back, both do', async () => {
    const [buildId, partId] = [await makeBuild(it.owner), nextId()];
    await putPart(buildId, partId).expect(200);
    const need = await newest(buildId);
    const order = (
      await say(buildId, [{ act: 'order', type: 'part', id: partId }], {
        kind: 'ordered',
        text: 'ordered the hoses',
        facts: { subject: 'hydraulic hoses', vendor: 'Tern & Sons', moneyMinor: 2800 },
      }).expect(200)
    ).body as EntryView;
    await takeBack(buildId, need).expect(409);
    await takeBack(buildId, order.id).expect(200);
    await takeBack(buildId, need).expect(200);
    expect(await partsOf(buildId)).toEqual([]);
  });

  test('by a line: on the list to be found, at no cost; twice is once, and one that is there is refused', async () => {
    const [buildId, id] = [await makeBuild(it.owner), nextId()];
    const needs: Partial<EntryAddDto> = {
      id: nextId(),
      kind: 'needs',
      text: 'needs 4 hydraulic hoses from Tern & Sons, 28',
      facts: { subject: 'hydraulic hoses', quantity: 4, vendor: 'Tern & Sons', moneyMinor: 2800 },
    };
    const does: ActOn[] = [{ act: 'need', type: 'part', id }];
    await Promise.all([say(buildId, does, needs).expect(200), say(buildId, does, needs).expect(200)]);
    expect(await partsOf(buildId)).toMatchObject([
      { id, what: 'hydraulic hoses', quantity: 4, vendor: 'Tern & Sons', state: 'to find' },
    ]);
    const { build } = (await it.owner.get(pathOf('costsRead', { buildId })).expect(200)).body as CostsView;
    expect([build.spentMinor, build.committedMinor]).toEqual([0, 0]);
    await say(buildId, does, { ...needs, id: nextId() }).expect(400);
    await say(buildId, [{ act: 'need', type: 'part', id: nextId() }], {
      kind: 'needs',
      text: 'it',
      facts: {},
    }).expect(400);
    await takeBack(buildId, needs.id!).expect(200);
    expect(await partsOf(buildId)).toEqual([]);
  });

  test('put right, a part and a task follow their entry, until somebody wrote or did something else', async () => {
    const [buildId, id, taskId] = [await makeBuild(it.owner), nextId(), nextId()];
    const facts = { subject: 'hydraulic hoses', quantity: 4 };
    const need = (
      await say(buildId, [{ act: 'need', type: 'part', id }], { kind: 'needs', text: 'needs 4 hoses', facts })
    ).body as EntryView;
    const plan = (
      await say(buildId, [{ act: 'plan', type: 'task', id: taskId }], {
        kind: 'planned',
        text: 'line the doors, 3 hours',
        facts: { subject: 'line the doors', minutes: 180 },
      })
    ).body as EntryView;
    const right = (entry: EntryView, now: EntryView['facts']) =>
      it.owner.post(pathOf('entryCorrect', { buildId })).send({
        ...{ id: nextId(), correctsId: entry.id },
        now: { kind: entry.kind, text: entry.text, facts: now, audience: entry.audience },
      });
    await right(need, { ...facts, quantity: 6 }).expect(200);
    await right(plan, { ...plan.facts, minutes: 240 }).expect(200);
    expect((await partsOf(buildId)).map((p) => p.quantity)).toEqual([6]);
    expect((await tasksOf(buildId)).map((t) => t.minutes)).toEqual([240]);
    const { version } = (await tasksOf(buildId))[0]!;
    await putTask(buildId, taskId, { version, title: 'line the doors', minutes: 300 }).expect(200);
    await right(plan, { ...plan.facts, minutes: 60 }).expect(200);
    expect((await tasksOf(buildId)).map((t) => t.minutes)).toEqual([300]);
    await say(buildId, [{ act: 'order', type: 'part', id }], { kind: 'ordered', text: 'ordered', facts });
    await right(need, { ...facts, quantity: 9 }).expect(200);
    expect((await partsOf(buildId)).map((p) => p.quantity)).toEqual([6]);
  });

  test('a table of parts is one entry, and all of them go with it', async () => {
    const buildId = await makeBuild(it.owner);
    await it.owner
      .post(pathOf('partsImport', { buildId }))
      .send({ id: nextId(), text: 'part;qty\nhose;2\nclip;8', keep: true })
      .expect(200);
    expect(await said(buildId)).toEqual(['needs: needs 2 parts, from a table']);
    await takeBack(buildId, await newest(buildId)).expect(200);
    expect(await partsOf(buildId)).toEqual([]);
  });

  test('in place of a piece: taken back, the part goes and the piece lies where it lay', async () => {
    const [buildId, pieceId, partId] = [await makeBuild(it.owner), nextId(), nextId()];
    const piece = { version: 0, entryId: nextId(), what: 'door seal', count: 1, bag: '12', note: '' };
    await it.owner
      .put(pathOf('piecePut', { buildId, pieceId }))
      .send({ ...piece, treatment: 'replace' })
      .expect(200);
    await it.owner.post(pathOf('pieceToPart', { buildId, pieceId })).send({ version: 1, partId }).expect(200);
    expect((await said(buildId))[0]).toBe('needs: needs door seal in place of the old');
    await takeBack(buildId, await newest(buildId)).expect(200);
    expect(await partsOf(buildId)).toEqual([]);
    const { pieces } = (await it.owner.get(pathOf('piecesRead', { buildId })).expect(200)).body as PiecesView;
    expect(pieces.map((p) => p.state)).toEqual(['off']);
  });
});

describe('tasks', () => {
  test('planned and changed; taken back the last first, each stands as before', async () => {
    const [buildId, first, second] = [await makeBuild(it.owner), nextId(), nextId()];
    await putTask(buildId, first).expect(200);
    await putTask(buildId, second, { title: 'Primer' }).expect(200);
    const plan = await newest(buildId);
    const written = await tasksOf(buildId);
    const needs = [{ taskId: first, reason: 'it is flat' }];
    await putTask(buildId, second, { version: 1, title: 'Epoxy primer', needs }).expect(200);
    const change = await newest(buildId);
    expect(await said(buildId)).toEqual([
      'note: task Epoxy primer: name, what comes first changed',
      'planned: planned Primer',
      'planned: planned Filler',
    ]);
    await takeBack(buildId, plan).expect(409);
    await takeBack(buildId, change).expect(200);
    const now = await tasksOf(buildId);
    expect(now.map((t) => ({ ...t, version: 1 }))).toEqual(written);
    await takeBack(buildId, plan).expect(200);
    expect((await tasksOf(buildId)).map((t) => t.title)).toEqual(['Filler']);
  });

  test('what something waits for, and what was worked on, stays', async () => {
    const [buildId, first, second] = [await makeBuild(it.owner), nextId(), nextId()];
    await putTask(buildId, first).expect(200);
    const plan = await newest(buildId);
    await putTask(buildId, second, { needs: [{ taskId: first, reason: 'it is flat' }] }).expect(200);
    expect((await takeBack(buildId, plan).expect(409)).body.detail).toContain('“Filler”');
    const partId = nextId();
    const other = await makeBuild(it.owner);
    const [task] = [nextId()];
    await putTask(other, task).expect(200);
    const planned = await newest(other);
    await putPart(other, partId, { taskId: task }).expect(200);
    await takeBack(other, planned).expect(409);
    await takeBack(other, await newest(other)).expect(200);
    const hours = { id: nextId(), minutes: 30, toGoMinutes: 60, done: false };
    await it.owner
      .post(pathOf('taskHours', { buildId: other, taskId: task }))
      .send(hours)
      .expect(200);
    await takeBack(other, planned).expect(409);
    await takeBack(other, hours.id).expect(200);
    await takeBack(other, planned).expect(200);
    expect(await tasksOf(other)).toEqual([]);
  });

  test('by a line: a task as long as it says; no hours are worked by it', async () => {
    const [buildId, id] = [await makeBuild(it.owner), nextId()];
    const { body } = await say(buildId, [{ act: 'plan', type: 'task', id }], {
      kind: 'planned',
      text: 'planned to line the doors, 3 hours',
      facts: { subject: 'line the doors', minutes: 180 },
    }).expect(200);
    expect(await tasksOf(buildId)).toMatchObject([
      { id, title: 'line the doors', minutes: 180, state: 'to do' },
    ]);
    expect((await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body.workedMinutes).toBe(0);
    await takeBack(buildId, (body as EntryView).id).expect(200);
    expect(await tasksOf(buildId)).toEqual([]);
  });

  test('a playbook is one entry, and all of its tasks go with it', async () => {
    const buildId = await makeBuild(it.owner);
    for (const book of PLAYBOOKS) {
      const taskIds = Object.fromEntries(book.steps.map((s) => [s.key, nextId()]));
      const fallen = Object.fromEntries((book.decisions ?? []).map((d) => [d.key, d.options[0]!.key]));
      await it.owner
        .post(pathOf('playbookUse', { buildId }))
        .send({ playbookId: book.id, fallen, taskIds })
        .expect(200);
      expect((await said(buildId))[0]).toMatch(
        /^planned: planned .+, from the playbook: (?:\d+ tasks|one task)$/,
      );
      const gone = await takeBack(buildId, await newest(buildId));
      expect([book.id, gone.status, gone.body.detail]).toEqual([book.id, 200, undefined]);
      expect(await tasksOf(buildId)).toEqual([]);
    }
  });
});

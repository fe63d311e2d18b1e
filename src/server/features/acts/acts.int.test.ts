/**
 * Lines that act, over HTTP. Nasty cases: sent ten times at once, two that receive the same part at once, a thing of another car, one
 * that is not there, an act that a kind of thing has not, taken back twice, taken back after something else was done, a start
 * that is refused, a technician's price, a line put right, a part withdrawn that the line made.
 */
import { describe, expect, test } from '@jest/globals';
import type { EntriesView, EntryAddDto, EntryView, OpenThingsView } from '#contract/entries.ts';
import type { OutworkView } from '#contract/outwork.ts';
import type { PartsView, PartView } from '#contract/parts.ts';
import { pathOf } from '#contract/routes.ts';
import type { TaskView, WorkView } from '#contract/work.ts';
import type { ActOn, OpenThing } from '#core/acts/acts.ts';
import { estimateLine, line, makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

const it = openShop('acts');

const say = (buildId: string, does: ActOn[], more: Partial<EntryAddDto> = {}, agent: Agent = it.owner) =>
  agent.post(pathOf('entryAdd', { buildId })).send({ ...line(more), does });
const kept = async (buildId: string, does: ActOn[], more: Partial<EntryAddDto> = {}): Promise<EntryView> =>
  (await say(buildId, does, more).expect(200)).body as EntryView;
const correct = (buildId: string, correctsId: string, body: object, agent: Agent = it.owner) =>
  agent.post(pathOf('entryCorrect', { buildId })).send({ id: nextId(), correctsId, ...body });
const takeBack = (buildId: string, entryId: string) => correct(buildId, entryId, { withdraw: true });
const partsOf = async (buildId: string, agent: Agent = it.owner): Promise<PartView[]> =>
  ((await agent.get(pathOf('partsRead', { buildId })).expect(200)).body as PartsView).parts;
const work = async (buildId: string): Promise<WorkView> =>
  (await it.owner.get(pathOf('workRead', { buildId })).expect(200)).body as WorkView;
const taskOf = async (buildId: string, id: string): Promise<TaskView> =>
  (await work(buildId)).tasks.find((t) => t.id === id)!;
/** Without jobs: a line and a task that has none are both one, and are looked at with the jobs. */
const things = async (buildId: string, agent: Agent = it.owner): Promise<OpenThing[]> =>
  ((await agent.get(pathOf('openThings', { buildId })).expect(200)).body as OpenThingsView).things.filter(
    (t) => t.type !== 'job',
  );
const costs = async (buildId: string) =>
  (await it.owner.get(pathOf('costsRead', { buildId })).expect(200)).body;
const waits = async (buildId: string): Promise<string[]> =>
  (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body.waits.map(
    (w: { subject: string }) => w.subject,
  );
const putTask = (buildId: string, taskId: string, more: object = {}) =>
  it.owner
    .put(pathOf('taskPut', { buildId, taskId }))
    .send({ version: 0, title: 'Filler', work: 'metalwork', minutes: 600, cautions: [], needs: [], ...more });

const ORDER: Partial<EntryAddDto> = {
  kind: 'ordered',
  text: 'ordered 4 hydraulic hoses from Tern & Sons, 28, due Friday',
  facts: {
    subject: 'hydraulic hoses',
    quantity: 4,
    vendor: 'Tern & Sons',
    moneyMinor: 2800,
    due: '2026-03-13',
  },
};
const order = async (buildId: string): Promise<{ partId: string; entry: EntryView }> => {
  const partId = nextId();
  return { partId, entry: await kept(buildId, [{ act: 'order', type: 'part', id: partId }], ORDER) };
};

/** A piece that is out with a batch of its own. */
async function pieceOut(
  buildId: string,
  { what = 'hinges', count = 2, promised }: { what?: string; count?: number; promised?: string } = {},
): Promise<{ pieceId: string; batchId: string }> {
  const [pieceId, batchId] = [nextId(), nextId()];
  await it.owner
    .put(pathOf('piecePut', { buildId, pieceId }))
    .send({ version: 0, entryId: nextId(), what, count, bag: '', note: '', treatment: 'plate' })
    .expect(200);
  await it.owner
    .put(pathOf('batchPut', { batchId }))
    .send({ version: 0, vendor: 'Halcyon Platers', treatment: 'plate', note: '', pieceIds: [pieceId] })
    .expect(200);
  await it.owner
    .post(pathOf('batchSend', { batchId }))
    .send({ version: 1, actId: nextId(), pieceIds: [pieceId], promised })
    .expect(200);
  return { pieceId, batchId };
}

describe('parts', () => {
  test('some of it came: two are here and two on order, with what they cost; taken back, it is one part again', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId, entry } = await order(buildId);
    const total = (await costs(buildId)).build;
    const some = (count: number): ActOn[] => [{ act: 'receive', type: 'part', id: partId, count }];
    const came = { kind: 'arrived', text: '2 hydraulic hoses arrived', facts: { quantity: 2 } } as const;
    await say(buildId, some(5), came).expect(400);
    await say(buildId, some(0), came).expect(400);
    const said = { ...line(came), does: some(2) };
    const twice = await Promise.all(
      [1, 2, 3].map(() => it.owner.post(pathOf('entryAdd', { buildId })).send(said)),
    );
    expect(twice.map((r) => r.status)).toEqual([200, 200, 200]);
    const two = await partsOf(buildId);
    expect(two.map((p) => [p.id === partId, p.quantity, p.state, p.costMinor])).toEqual(
      expect.arrayContaining([
        [true, 2, 'ordered', 1400],
        [false, 2, 'arrived', 1400],
      ]),
    );
    expect(two).toHaveLength(2);
    const parted = (await costs(buildId)).build;
    expect(parted.unallocated.spentMinor + parted.unallocated.committedMinor).toBe(
      total.unallocated.spentMinor + total.unallocated.committedMinor,
    );
    expect(parted.unallocated.spentMinor).toBeGreaterThan(0);
    // The order as a whole says no more how many each are and what they cost, and cannot go from under what came.
    const says = (facts: object) =>
      correct(buildId, entry.id, {
        now: {
          kind: 'ordered',
          text: 'ordered hoses',
          facts: { ...ORDER.facts, ...facts },
          audience: 'shop',
        },
      });
    await says({ quantity: 6 }).expect(409);
    await says({ moneyMinor: 5600 }).expect(409);
    await takeBack(buildId, entry.id).expect(409);
    await says({ due: '2026-03-20' }).expect(200);
    expect((await partsOf(buildId)).map((p) => [p.quantity, p.costMinor])).toEqual([
      [2, 1400],
      [2, 1400],
    ]);
    const rest = await kept(buildId, some(2), { ...came, text: 'the other 2 came' });
    await takeBack(buildId, said.id).expect(409);
    await takeBack(buildId, rest.id).expect(200);
    expect((await partsOf(buildId)).map((p) => p.state).sort()).toEqual(['arrived', 'ordered']);
    await takeBack(buildId, said.id).expect(200);
    expect((await partsOf(buildId)).map((p) => [p.quantity, p.state])).toEqual([[4, 'ordered']]);
  });

  test('some of it came, and that is taken back: one part on order, as before', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId } = await order(buildId);
    const [before] = await partsOf(buildId);
    const total = await costs(buildId);
    const came = await kept(buildId, [{ act: 'receive', type: 'part', id: partId, count: 3 }], {
      kind: 'arrived',
      text: '3 hydraulic hoses arrived',
      facts: { quantity: 3 },
    });
    await takeBack(buildId, came.id).expect(200);
    expect(await partsOf(buildId)).toEqual([{ ...before!, version: expect.any(Number) }]);
    expect((await costs(buildId)).build).toEqual(total.build);
  });

  test('ordered by a line, ten times at once: one part on order, one entry, its money committed', async () => {
    const buildId = await makeBuild(it.owner);
    const [partId, id] = [nextId(), nextId()];
    const sent = await Promise.all(
      Array.from({ length: 10 }, () =>
        say(buildId, [{ act: 'order', type: 'part', id: partId }], { ...ORDER, id }),
      ),
    );
    expect(sent.map((r) => r.status)).toEqual(Array(10).fill(200));
    expect(await partsOf(buildId)).toMatchObject([
      {
        id: partId,
        what: 'hydraulic hoses',
        quantity: 4,
        state: 'ordered',
        vendor: 'Tern & Sons',
        due: '2026-03-13',
        costMinor: 2800,
      },
    ]);
    expect((await costs(buildId)).build.unallocated).toEqual({ committedMinor: 2800, spentMinor: 0 });
    expect(await things(buildId)).toMatchObject([
      { type: 'part', id: partId, state: 'ordered', quantity: 4 },
    ]);
  });

  test('received by a line: the part is here and paid for, what waited for it goes on, and both are undone together', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId } = await order(buildId);
    const hold = line({
      kind: 'waiting',
      text: 'waiting on hydraulic hoses',
      facts: { subject: 'hydraulic hoses' },
    });
    await it.owner.post(pathOf('entryAdd', { buildId })).send(hold).expect(200);
    expect(await waits(buildId)).toEqual(['hydraulic hoses']);
    const entry = await kept(
      buildId,
      [
        { act: 'receive', type: 'part', id: partId },
        { act: 'release', type: 'hold', id: hold.id },
      ],
      {
        kind: 'arrived',
        text: '4 hydraulic hoses arrived',
        facts: { subject: 'hydraulic hoses', quantity: 4 },
      },
    );
    expect(entry.about).toEqual({ type: 'part', id: partId });
    expect(await waits(buildId)).toEqual([]);
    expect((await partsOf(buildId))[0]).toMatchObject({ state: 'arrived' });
    expect((await costs(buildId)).build.unallocated).toEqual({ committedMinor: 0, spentMinor: 2800 });
    await takeBack(buildId, entry.id).expect(200);
    expect(await waits(buildId)).toEqual(['hydraulic hoses']);
    const [back] = await partsOf(buildId);
    expect([back!.state, back!.due, back!.history.length]).toEqual(['ordered', '2026-03-13', 1]);
    // Taken back twice is taken back once.
    await takeBack(buildId, entry.id).expect(200);
    expect((await partsOf(buildId))[0]!.state).toBe('ordered');
  });

  test('what a line ends it points at: words in common end nothing', async () => {
    const buildId = await makeBuild(it.owner);
    const hold = line({ kind: 'waiting', text: 'waiting on door glass', facts: { subject: 'door glass' } });
    await it.owner.post(pathOf('entryAdd', { buildId })).send(hold).expect(200);
    await kept(buildId, [], {
      kind: 'arrived',
      text: 'door glass arrived',
      facts: { subject: 'door glass' },
    });
    expect(await waits(buildId)).toEqual(['door glass']);
  });

  test('an order is taken back before anything else was done with the part, not after', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId, entry } = await order(buildId);
    const here = await kept(buildId, [{ act: 'receive', type: 'part', id: partId }], {
      kind: 'arrived',
      text: 'hoses came',
      facts: { subject: 'hoses' },
    });
    expect((await takeBack(buildId, entry.id).expect(409)).body.detail).toMatch(/hydraulic hoses.*since/);
    expect((await partsOf(buildId))[0]!.state).toBe('arrived');
    await takeBack(buildId, here.id).expect(200);
    await takeBack(buildId, entry.id).expect(200);
    expect(await partsOf(buildId)).toEqual([]);
    expect((await costs(buildId)).build.unallocated).toEqual({ committedMinor: 0, spentMinor: 0 });
  });

  test('the parts page and the logbook take back the same way', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId } = await order(buildId);
    const entryId = nextId();
    await it.owner
      .post(pathOf('partAct', { buildId, partId }))
      .send({ version: (await partsOf(buildId))[0]!.version, entryId, act: 'arrive', check: 'right' })
      .expect(200);
    await takeBack(buildId, entryId).expect(200);
    expect((await partsOf(buildId))[0]!.state).toBe('ordered');
  });

  test('an order that is put right changes what it ordered; made a note, it ordered nothing', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId, entry } = await order(buildId);
    const { kind, text, facts, audience } = line(ORDER);
    const now = { kind, text, audience, facts: { ...facts, moneyMinor: 3800, due: '2026-03-20' } };
    await correct(buildId, entry.id, { now }).expect(200);
    expect((await partsOf(buildId))[0]).toMatchObject({ id: partId, costMinor: 3800, due: '2026-03-20' });
    await correct(buildId, entry.id, { now: { ...now, kind: 'note', facts: { subject: 'hoses' } } }).expect(
      200,
    );
    expect(await partsOf(buildId)).toEqual([]);
  });

  test('fitted by a line: what became of the old one is still to be said', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId } = await order(buildId);
    await kept(buildId, [{ act: 'fit', type: 'part', id: partId }], {
      kind: 'fitted',
      text: 'fitted the hoses',
      facts: { subject: 'hoses' },
    });
    expect((await partsOf(buildId))[0]).toMatchObject({ state: 'fitted', oldFate: 'not said yet' });
  });

  test('arrived damaged, it is not as it should be', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId } = await order(buildId);
    await kept(buildId, [{ act: 'receive', type: 'part', id: partId, check: 'damaged' }], {
      kind: 'arrived',
      text: 'hoses arrived, one is damaged',
      facts: { subject: 'hoses' },
    });
    expect((await partsOf(buildId))[0]!.state).toBe('wrong');
  });

  test('two that receive one part at the same time: one does, the other hears why not and keeps nothing', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId } = await order(buildId);
    const here = { kind: 'arrived', text: 'hoses arrived', facts: { subject: 'hoses' } } as const;
    const both = await Promise.all(
      [1, 2].map(() => say(buildId, [{ act: 'receive', type: 'part', id: partId }], here)),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 400]);
    const entries = (await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body.entries;
    expect(entries.filter((e: EntryView) => e.kind === 'arrived')).toHaveLength(1);
  });

  test('a technician orders, and sees no price of it; one that is there they do not change', async () => {
    const buildId = await makeBuild(it.owner);
    const partId = nextId();
    await say(buildId, [{ act: 'order', type: 'part', id: partId }], ORDER, it.technician).expect(200);
    expect(JSON.stringify(await partsOf(buildId, it.technician))).not.toMatch(/Minor|\b2800\b|, 28,/);
    expect((await partsOf(buildId))[0]!.costMinor).toBe(2800);
    expect(JSON.stringify(await things(buildId, it.technician))).not.toMatch(/Minor|\b2800\b/);
  });

  test.each([
    [
      'another car’s part',
      async (other: string) => [{ act: 'receive', type: 'part', id: (await order(other)).partId }],
      404,
    ],
    ['a part that is not there', async () => [{ act: 'receive', type: 'part', id: nextId() }], 404],
    ['a task that is not there', async () => [{ act: 'start', type: 'task', id: nextId() }], 404],
    ['a hold that is not open', async () => [{ act: 'release', type: 'hold', id: nextId() }], 404],
    ['an act that a part has not', async () => [{ act: 'start', type: 'part', id: nextId() }], 400],
    ['no act', async () => [{ act: 'polish', type: 'part', id: nextId() }], 400],
    ['an order of nothing', async () => [{ act: 'order', type: 'part', id: nextId() }], 400],
  ])('%s: refused, and nothing is kept', async (_name, does, status) => {
    const [buildId, other] = [await makeBuild(it.owner), await makeBuild(it.owner)];
    await say(buildId, (await does(other)) as ActOn[], { kind: 'note', text: 'so', facts: {} }).expect(
      status,
    );
    expect((await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body.entries).toEqual([]);
  });
});

describe('work', () => {
  test('started and stopped by lines: a spell, its hours on the task, and each undone', async () => {
    it.server.clock.set('2026-03-11T08:00:00.000Z');
    const buildId = await makeBuild(it.owner);
    const taskId = nextId();
    await putTask(buildId, taskId).expect(200);
    const begun = await kept(buildId, [{ act: 'start', type: 'task', id: taskId }], {
      kind: 'did',
      text: 'started the filler',
    });
    expect(begun).toMatchObject({
      kind: 'note',
      text: 'started the filler',
      about: { type: 'task', id: taskId },
    });
    expect((await work(buildId)).spells).toMatchObject([{ taskId }]);
    expect(await things(buildId)).toMatchObject([{ id: taskId, isMine: true }]);
    await takeBack(buildId, begun.id).expect(200);
    expect([(await work(buildId)).spells, (await taskOf(buildId, taskId)).state]).toEqual([[], 'to do']);

    await kept(buildId, [{ act: 'start', type: 'task', id: taskId }], { kind: 'note', text: 'start filler' });
    it.server.clock.set('2026-03-11T09:30:00.000Z');
    const stopped = await kept(buildId, [{ act: 'stop', type: 'task', id: taskId, toGoMinutes: 120 }], {
      kind: 'note',
      text: 'stop, 2h to go',
    });
    expect(stopped).toMatchObject({ kind: 'hours', facts: { minutes: 90 } });
    expect(await taskOf(buildId, taskId)).toMatchObject({
      state: 'to do',
      spentMinutes: 90,
      toGoMinutes: 120,
    });
    await takeBack(buildId, stopped.id).expect(200);
    expect((await work(buildId)).spells).toMatchObject([{ taskId }]);
    expect(await taskOf(buildId, taskId)).toMatchObject({
      state: 'going',
      spentMinutes: 0,
      toGoMinutes: 600,
    });
    const done = await kept(buildId, [{ act: 'stop', type: 'task', id: taskId, isDone: true }], {
      kind: 'did',
      text: 'finished the filler',
    });
    expect(done).toMatchObject({ kind: 'did', facts: { minutes: 90 } });
    expect(await taskOf(buildId, taskId)).toMatchObject({ state: 'done', spentMinutes: 90 });
  });

  test('written without a network, work begins and ends when it was said, and a part comes on its day', async () => {
    it.server.clock.set('2026-03-11T12:00:00.000Z');
    const buildId = await makeBuild(it.owner);
    const taskId = nextId();
    await putTask(buildId, taskId).expect(200);
    const hour = 3_600_000;
    await kept(buildId, [{ act: 'start', type: 'task', id: taskId }], {
      text: 'start filler',
      agoMs: 3 * hour,
    });
    expect((await work(buildId)).spells).toMatchObject([{ startedAt: '2026-03-11T09:00:00.000Z' }]);
    const early = await say(buildId, [{ act: 'stop', type: 'task', id: taskId }], {
      text: 'stop',
      agoMs: 4 * hour,
    });
    expect([early.status, early.body.fields[0].field]).toEqual([400, 'endedAt']);
    const stopped = await kept(buildId, [{ act: 'stop', type: 'task', id: taskId }], {
      text: 'stop',
      agoMs: hour,
    });
    expect(stopped).toMatchObject({ at: '2026-03-11T11:00:00.000Z', facts: { minutes: 120 } });
    const { partId } = await order(buildId);
    await kept(buildId, [{ act: 'receive', type: 'part', id: partId }], {
      kind: 'arrived',
      text: 'hoses came yesterday',
      facts: { subject: 'hoses', on: '2026-03-10' },
    });
    expect((await partsOf(buildId))[0]!.history.at(-1)).toMatchObject({ act: 'arrive', on: '2026-03-10' });
  });

  test('a start is refused with the reason that the work page gives, and keeps nothing', async () => {
    const buildId = await makeBuild(it.owner);
    const [first, second] = [nextId(), nextId()];
    await putTask(buildId, first, { title: 'Base coat' }).expect(200);
    await putTask(buildId, second, {
      title: 'Clear coat',
      needs: [{ taskId: first, reason: 'solvent must leave' }],
    }).expect(200);
    const refused = await say(buildId, [{ act: 'start', type: 'task', id: second }], { text: 'start clear' });
    expect([refused.status, refused.body.detail]).toEqual([
      403,
      '“Base coat” comes first: solvent must leave.',
    ]);
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId })).expect(200))
      .body as EntriesView;
    expect(entries.filter((e) => e.kind !== 'planned')).toEqual([]);
  });

  test('hours by a line reach the agreed line: costs, work and what is left of it; finished, it has a task that says so', async () => {
    const buildId = await makeBuild(it.owner, { discretionMinor: 1_000_000 });
    const lineId = nextId();
    const title = 'Brake booster and master cylinder';
    await it.owner
      .put(pathOf('estimateLinePut', { buildId, lineId }))
      .send(estimateLine({ title }))
      .expect(200);
    expect(await things(buildId)).toMatchObject([{ type: 'line', id: lineId, name: title }]);
    const said = {
      kind: 'fitted',
      text: 'Fitted brake booster and master cylinder, 2 hours',
      facts: { subject: 'brake booster and master cylinder', minutes: 120 },
    } as const;
    const some = await kept(buildId, [{ act: 'work', type: 'line', id: lineId, isDone: false }], said);
    const lineOf = async () => (await work(buildId)).lines.find((l) => l.id === lineId)!;
    expect(await lineOf()).toMatchObject({ spentMinutes: 120 });
    await takeBack(buildId, some.id).expect(200);
    expect(await lineOf()).toMatchObject({ spentMinutes: 0 });
    expect((await work(buildId)).loose).toEqual([]);
    const all = await kept(buildId, [{ act: 'work', type: 'line', id: lineId, isDone: true }], said);
    expect(await lineOf()).toMatchObject({ spentMinutes: 120, toGoMinutes: 0 });
    expect((await work(buildId)).tasks).toMatchObject([{ title, lineId, state: 'done', spentMinutes: 120 }]);
    const costed = (await costs(buildId)).lines.find((l: { id: string }) => l.id === lineId);
    expect(costed.spentMinutes).toBe(120);
    const facts = { ...said.facts, minutes: 180 };
    const audience = 'customer';
    await correct(buildId, all.id, { now: { ...said, facts, audience } }).expect(200);
    expect(await lineOf()).toMatchObject({ spentMinutes: 180 });
  });

  test('hours on a line that nobody agreed to are refused, as the work page refuses them', async () => {
    const buildId = await makeBuild(it.owner, { discretionMinor: 0 });
    const lineId = nextId();
    await it.owner
      .put(pathOf('estimateLinePut', { buildId, lineId }))
      .send(estimateLine({ title: 'Sills' }))
      .expect(200);
    expect((await things(buildId, it.technician))[0]!.whyNot).toBe(
      'not agreed yet: ask the owner or the office',
    );
    const said = { kind: 'did', text: 'did sills, 2h', facts: { subject: 'sills', minutes: 120 } } as const;
    const refused = await say(buildId, [{ act: 'work', type: 'line', id: lineId }], said).expect(403);
    expect(refused.body.detail).toMatch(/has not agreed to “Sills” yet/);
    // Without the line they are kept, and can be given to one later: before the first task as well.
    await say(buildId, [], said).expect(200);
    expect((await work(buildId)).loose).toMatchObject([{ minutes: 120 }]);
  });
});

test('what is back from its vendor is checked in with its batch, and out again when that is taken back', async () => {
  const buildId = await makeBuild(it.owner);
  const { pieceId, batchId } = await pieceOut(buildId, { what: 'door hinges', count: 4 });
  expect(await things(buildId)).toMatchObject([
    { type: 'piece', id: pieceId, state: 'out', vendor: 'Halcyon Platers' },
  ]);
  const entry = await kept(buildId, [{ act: 'come back', type: 'piece', id: pieceId }], {
    kind: 'arrived',
    text: 'hinges are back',
    facts: { subject: 'hinges' },
  });
  const batch = async () =>
    (await it.owner.get(pathOf('outworkRead')).expect(200)).body.batches.find(
      (b: { id: string }) => b.id === batchId,
    );
  expect((await batch()).state).toBe('back');
  expect(await things(buildId)).toEqual([]);
  await takeBack(buildId, entry.id).expect(200);
  expect((await batch()).state).toBe('out');
  expect(await things(buildId)).toMatchObject([{ state: 'out' }]);
});

test('some of what is out comes back; the rest is still out, and each is taken back by its line', async () => {
  const buildId = await makeBuild(it.owner);
  const { pieceId, batchId } = await pieceOut(buildId, { what: 'door hinges', count: 4 });
  const back = (count?: number): ActOn[] => [{ act: 'come back', type: 'piece', id: pieceId, count }];
  const said = { kind: 'arrived', text: '3 of the hinges are back', facts: { subject: 'hinges' } } as const;
  const isOut = async (): Promise<[string, number | undefined]> => {
    const { batches } = (await it.owner.get(pathOf('outworkRead')).expect(200)).body as OutworkView;
    return [batches.find((b) => b.id === batchId)!.state, (await things(buildId))[0]?.quantity];
  };
  const refused = await say(buildId, back(5), said).expect(400);
  expect(refused.body.fields).toEqual([
    { field: 'does', reason: 'of “door hinges” only 4 are still to come' },
  ]);
  const some = await kept(buildId, back(3), said);
  expect(await isOut()).toEqual(['out', 1]);
  const rest = await kept(buildId, back(), { ...said, text: 'the last hinge is back' });
  expect(await isOut()).toEqual(['back', undefined]);
  expect((await takeBack(buildId, some.id).expect(409)).body.detail).toMatch(/“door hinges” since/);
  await takeBack(buildId, rest.id).expect(200);
  await takeBack(buildId, some.id).expect(200);
  expect(await isOut()).toEqual(['out', 4]);
});

describe('one day a thing', () => {
  /** The days that the Floor, the build page, the parts list, and the graph of holds say of what a car waits for. */
  const daysOf = async (buildId: string): Promise<(string | null | undefined)[]> => {
    const { builds } = (await it.owner.get(pathOf('floor')).expect(200)).body;
    const row = builds.find((b: { id: string }) => b.id === buildId);
    const page = (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body;
    const { waits: all } = (await it.owner.get(pathOf('waitsRead')).expect(200)).body;
    const held = all.find((w: { buildId: string }) => w.buildId === buildId);
    return [
      ...row.waits.map((w: { due?: string }) => w.due),
      ...page.waits.map((w: { due?: string }) => w.due),
      ...[held.binding, ...held.others].map((h: { until: string | null } | null) => h?.until),
      ...(await partsOf(buildId)).map((p) => p.due),
    ];
  };
  const WAITING = {
    kind: 'waiting',
    text: 'waiting on hydraulic hoses, due 2 April',
    facts: { subject: 'hydraulic hoses', due: '2026-04-02' },
  } as const;
  const drafted = async (buildId: string): Promise<string> =>
    JSON.stringify(
      (await it.owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200)).body
        .content,
    );

  test('a wait for a part has the day of the part, whoever moves it; one hold, one sentence in the letter', async () => {
    it.server.clock.set('2026-03-11T10:00:00.000Z');
    const buildId = await makeBuild(it.owner);
    const { partId, entry: ordered } = await order(buildId);
    const said = await kept(buildId, [{ act: 'expect', type: 'part', id: partId }], WAITING);
    expect(said.acts).toEqual([{ act: 'new date', type: 'part', id: partId }]);
    expect(await daysOf(buildId)).toEqual(Array(4).fill('2026-04-02'));
    const letter = await drafted(buildId);
    expect(letter.match(/Waiting for/g)).toHaveLength(1);
    expect(letter).toContain('2 Apr');
    expect(letter).not.toContain('13 Mar');
    // The parts page moves it once more.
    const [part] = await partsOf(buildId);
    await it.owner
      .post(pathOf('partAct', { buildId, partId }))
      .send({ version: part!.version, entryId: nextId(), act: 'new date', due: '2026-04-09', note: '' })
      .expect(200);
    expect(await daysOf(buildId)).toEqual(Array(4).fill('2026-04-09'));
    await takeBack(buildId, said.id).expect(409);
    // Nor do words that are put right bring an older day back.
    const now = { ...WAITING, text: 'waiting on the hoses, due 2 April', audience: 'customer' };
    await correct(buildId, said.id, { now }).expect(200);
    const orderNow = { ...ORDER, text: 'ordered 4 new hoses', audience: 'customer' };
    await correct(buildId, ordered.id, { now: orderNow }).expect(200);
    expect(await daysOf(buildId)).toEqual(Array(4).fill('2026-04-09'));
    // Here, by whatever way: nothing waits for it any more.
    const here = await kept(buildId, [{ act: 'receive', type: 'part', id: partId }], {
      kind: 'arrived',
      facts: {},
    });
    expect(await waits(buildId)).toEqual([]);
    await takeBack(buildId, here.id).expect(200);
    expect(await daysOf(buildId)).toEqual(Array(4).fill('2026-04-09'));
  });

  test('a line that names no day points at the part and leaves its day; a part that is here is not waited for', async () => {
    const buildId = await makeBuild(it.owner);
    const { partId } = await order(buildId);
    const does: ActOn[] = [{ act: 'expect', type: 'part', id: partId }];
    const said = await kept(buildId, does, { ...WAITING, facts: { subject: 'hydraulic hoses' } });
    expect(await daysOf(buildId)).toEqual(Array(4).fill('2026-03-13'));
    await takeBack(buildId, said.id).expect(200);
    expect(await waits(buildId)).toEqual([]);
    expect(await partsOf(buildId)).toMatchObject([{ state: 'ordered', due: '2026-03-13' }]);
    await kept(buildId, [{ act: 'receive', type: 'part', id: partId }], { kind: 'arrived', facts: {} });
    await say(buildId, does, WAITING).expect(400);
  });

  test('a day that is put right, or said later, moves the part with it; taken back, the part has the day it had', async () => {
    for (const facts of [WAITING.facts, { subject: 'hydraulic hoses' }]) {
      const buildId = await makeBuild(it.owner);
      const { partId } = await order(buildId);
      const said = await kept(buildId, [{ act: 'expect', type: 'part', id: partId }], { ...WAITING, facts });
      const now = { ...WAITING, audience: 'customer', facts: { ...WAITING.facts, due: '2026-04-20' } };
      await correct(buildId, said.id, { now }).expect(200);
      expect(await daysOf(buildId)).toEqual(Array(4).fill('2026-04-20'));
      await takeBack(buildId, said.id).expect(200);
      expect(await partsOf(buildId)).toMatchObject([{ due: '2026-03-13' }]);
    }
  });

  test('a piece that is out: its day is the batch’s, on the desk of outside work too', async () => {
    const buildId = await makeBuild(it.owner);
    const { pieceId, batchId } = await pieceOut(buildId, { promised: '2026-03-20' });
    const promised = async (): Promise<string> =>
      (await it.owner.get(pathOf('outworkRead')).expect(200)).body.batches.find(
        (b: { id: string }) => b.id === batchId,
      ).promised;
    const said = await kept(buildId, [{ act: 'expect', type: 'piece', id: pieceId }], {
      ...WAITING,
      facts: { subject: 'hinges', due: '2026-04-02' },
    });
    expect(await promised()).toBe('2026-04-02');
    // The Floor and the build page have the wait without a day of its own; its hold says when the batch is expected.
    expect(await daysOf(buildId)).toEqual([undefined, undefined, '2026-04-02']);
    const letter = await drafted(buildId);
    expect(letter).toContain('expected back Thu 2 Apr');
    expect(letter.match(/expected/g)).toHaveLength(1);
    const now = { ...WAITING, audience: 'customer', facts: { subject: 'hinges', due: '2026-04-20' } };
    await correct(buildId, said.id, { now }).expect(200);
    expect(await promised()).toBe('2026-04-20');
    await takeBack(buildId, said.id).expect(200);
    expect(await promised()).toBe('2026-03-20');
    expect(await waits(buildId)).toEqual([]);
  });
});

describe('any act and its taking back give the state before, on every page that shows it', () => {
  /** Versions count the changes, and changes are not undone; all else is as it was. */
  const withoutVersions = (value: unknown): unknown =>
    JSON.parse(JSON.stringify(value), (key, v: unknown) => (key === 'version' ? undefined : v));
  const pagesOf = async (buildId: string): Promise<Record<string, unknown>> => {
    const page = async (route: 'partsRead' | 'workRead' | 'costsRead' | 'openThings' | 'piecesRead') =>
      withoutVersions((await it.owner.get(pathOf(route, { buildId })).expect(200)).body);
    const { waits: held } = (await it.owner.get(pathOf('waitsRead')).expect(200)).body;
    const { batches } = (await it.owner.get(pathOf('outworkRead')).expect(200)).body;
    const {
      waits: typed,
      place,
      workedMinutes,
    } = (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body;
    return {
      parts: await page('partsRead'),
      work: await page('workRead'),
      costs: await page('costsRead'),
      open: await page('openThings'),
      pieces: await page('piecesRead'),
      held: held.find((w: { buildId: string }) => w.buildId === buildId),
      batches: withoutVersions(batches),
      build: { typed, place, workedMinutes },
    };
  };

  test('one after the other', async () => {
    it.server.clock.set('2026-03-11T08:00:00.000Z');
    const buildId = await makeBuild(it.owner, { discretionMinor: 1_000_000 });
    const [task, mine, lineId] = [nextId(), nextId(), nextId()];
    const { partId } = await order(buildId);
    await putTask(buildId, task).expect(200);
    await putTask(buildId, mine, { title: 'Primer' }).expect(200);
    await it.owner
      .put(pathOf('estimateLinePut', { buildId, lineId }))
      .send(estimateLine({ title: 'Brakes' }))
      .expect(200);
    const { pieceId } = await pieceOut(buildId);
    const hold = line({ kind: 'waiting', text: 'waiting on glass', facts: { subject: 'glass' } });
    await it.owner.post(pathOf('entryAdd', { buildId })).send(hold).expect(200);
    // The discretion that hours on a line use stays used: work was begun on it. So it is begun before.
    const begun = { kind: 'did', text: 'did brakes, 1h', facts: { subject: 'brakes', minutes: 60 } } as const;
    await kept(buildId, [{ act: 'work', type: 'line', id: lineId }], begun);
    const acts: [ActOn, Partial<EntryAddDto>][] = [
      [{ act: 'order', type: 'part', id: nextId() }, ORDER],
      [
        { act: 'receive', type: 'part', id: partId },
        { kind: 'arrived', facts: { subject: 'hoses' } },
      ],
      [
        { act: 'receive', type: 'part', id: partId, check: 'wrong' },
        { kind: 'arrived', facts: {} },
      ],
      [
        { act: 'fit', type: 'part', id: partId },
        { kind: 'fitted', facts: {} },
      ],
      [
        { act: 'come back', type: 'piece', id: pieceId },
        { kind: 'arrived', facts: {} },
      ],
      [
        { act: 'start', type: 'task', id: task },
        { kind: 'note', facts: {} },
      ],
      [
        { act: 'work', type: 'task', id: task, toGoMinutes: 30 },
        { kind: 'did', facts: { minutes: 45 } },
      ],
      [
        { act: 'work', type: 'task', id: task, isDone: true },
        { kind: 'did', facts: { minutes: 45 } },
      ],
      [
        { act: 'finish', type: 'task', id: task },
        { kind: 'did', facts: {} },
      ],
      [
        { act: 'work', type: 'line', id: lineId },
        { kind: 'did', facts: { minutes: 45 } },
      ],
      [
        { act: 'release', type: 'hold', id: hold.id },
        { kind: 'resumed', facts: {} },
      ],
    ];
    for (const [act, said] of acts) {
      const before = await pagesOf(buildId);
      const entry = await kept(buildId, [act], said);
      expect([act.act, await pagesOf(buildId)]).not.toEqual([act.act, before]);
      await takeBack(buildId, entry.id).expect(200);
      expect([act.act, await pagesOf(buildId)]).toEqual([act.act, before]);
    }
    // A stop needs a spell that goes on.
    await kept(buildId, [{ act: 'start', type: 'task', id: mine }], { kind: 'note', facts: {} });
    const running = await pagesOf(buildId);
    it.server.clock.set('2026-03-11T09:00:00.000Z');
    const stop = await kept(buildId, [{ act: 'stop', type: 'task', id: mine }], { kind: 'note', facts: {} });
    await takeBack(buildId, stop.id).expect(200);
    it.server.clock.set('2026-03-11T08:00:00.000Z');
    expect(await pagesOf(buildId)).toEqual(running);
  });
});

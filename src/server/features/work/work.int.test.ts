/**
 * Work over HTTP. Nasty cases: a start pressed ten times at once, two people at one task, a stop of a spell that was
 * forgotten overnight, work before what must come first, before its gate, before the cure is over, on a line nobody
 * agreed to, needs in a circle, a playbook used twice, one brought in with faults, prices in a technician's answers.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { HoursView, PlaybooksView, PlaybookView, TaskPutDto, WorkView } from '#contract/work.ts';
import { PLAYBOOKS } from '#core/work/playbooks/index.ts';
import {
  estimateLine,
  line,
  makeBuild,
  nextId,
  openShop,
  withdrawEntry,
  type Agent,
} from '#tests/support/server.ts';

const it = openShop('work');

const read = async (buildId: string, agent: Agent = it.owner): Promise<WorkView> =>
  (await agent.get(pathOf('workRead', { buildId })).expect(200)).body as WorkView;
const put = (buildId: string, taskId: string, more: Partial<TaskPutDto> = {}) =>
  it.owner.put(pathOf('taskPut', { buildId, taskId })).send({
    version: 0,
    title: 'Sill',
    work: 'metalwork',
    minutes: 600,
    cautions: ['hot work'],
    needs: [],
    ...more,
  });
const start = (buildId: string, taskId: string, spellId = nextId(), agent: Agent = it.technician) =>
  agent.post(pathOf('taskStart', { buildId, taskId })).send({ spellId });
const stop = (buildId: string, spellId: string, more: object = {}, agent: Agent = it.technician) =>
  agent.post(pathOf('spellStop', { buildId, spellId })).send({ toGoMinutes: 120, done: false, ...more });
const act = (buildId: string, taskId: string, name: string, version: number) =>
  it.owner.post(pathOf('taskAct', { buildId, taskId })).send({ act: name, version });
const at = (instant: string): void => it.server.clock.set(instant);
const taskOf = async (buildId: string, id: string) => (await read(buildId)).tasks.find((t) => t.id === id)!;
const entriesOf = async (buildId: string): Promise<{ kind: string; text: string; person: string }[]> =>
  (await it.owner.get(pathOf('entriesList', { buildId }))).body.entries;

/** A build with one task that the technician has just begun. */
async function begun() {
  const buildId = await makeBuild(it.owner);
  const [taskId, spellId] = [nextId(), nextId()];
  await put(buildId, taskId).expect(200);
  await start(buildId, taskId, spellId).expect(200);
  return { buildId, taskId, spellId };
}
const withdraw = (buildId: string, text: string, status = 200) =>
  withdrawEntry(it.owner, buildId, text, status);

test('a start pressed ten times at once is one spell; its stop is one entry, with hours to go', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner);
  const [taskId, spellId] = [nextId(), nextId()];
  expect((await Promise.all([1, 2, 3].map(() => put(buildId, taskId)))).map((r) => r.status)).toEqual([
    200, 200, 200,
  ]);
  const starts = await Promise.all(Array.from({ length: 10 }, () => start(buildId, taskId, spellId)));
  expect(new Set(starts.map((r) => r.status))).toEqual(new Set([200]));
  expect((await read(buildId)).spells).toMatchObject([{ id: spellId, task: 'Sill', toGoMinutes: 600 }]);
  const second = await start(buildId, taskId).expect(409);
  expect(second.body.detail).toMatch(/You are at “Sill”/);
  at('2026-03-11T10:30:00.000Z');
  const stops = await Promise.all([1, 2, 3].map(() => stop(buildId, spellId, { toGoMinutes: 300 })));
  expect(new Set(stops.map((r) => r.status))).toEqual(new Set([200]));
  expect(await taskOf(buildId, taskId)).toMatchObject({
    state: 'to do',
    spentMinutes: 150,
    toGoMinutes: 300,
  });
  const hours = (await entriesOf(buildId)).filter((e) => e.kind === 'hours');
  expect(hours.map((e) => e.text)).toEqual(['2 h 30 min on sill']);
  const build = (await it.owner.get(pathOf('buildRead', { buildId }))).body;
  expect(build.workedMinutes).toBe(150);
});

test('two people at one task: it goes on until the last stops, and is not done under the other', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner);
  const [taskId, mine, theirs] = [nextId(), nextId(), nextId()];
  await put(buildId, taskId).expect(200);
  await start(buildId, taskId, mine, it.owner).expect(200);
  await start(buildId, taskId, theirs, it.technician).expect(200);
  at('2026-03-11T09:00:00.000Z');
  const early = await stop(buildId, mine, { done: true, toGoMinutes: 0 }, it.owner).expect(400);
  expect(early.body.fields).toEqual([expect.objectContaining({ field: 'done' })]);
  await stop(buildId, mine, {}, it.owner).expect(200);
  expect((await taskOf(buildId, taskId)).state).toBe('going');
  const both = await stop(buildId, theirs, { done: true, toGoMinutes: 5 }).expect(400);
  expect(both.body.fields).toEqual([expect.objectContaining({ field: 'toGoMinutes' })]);
  await stop(buildId, theirs, { done: true, toGoMinutes: 0 }).expect(200);
  expect(await taskOf(buildId, taskId)).toMatchObject({ state: 'done', spentMinutes: 120, toGoMinutes: 0 });
  expect((await entriesOf(buildId)).find((e) => e.kind === 'did')!.text).toBe('did sill, 1 h');
});

test('a stop that was forgotten is ended the next morning, by somebody else, at the time that is said', async () => {
  at('2026-03-11T15:00:00.000Z');
  const { buildId, taskId, spellId } = await begun();
  at('2026-03-12T08:00:00.000Z');
  const running = (await it.owner.get(pathOf('workRunning')).expect(200)).body;
  expect(running).toMatchObject({ now: '2026-03-12T08:00:00.000Z', spells: [{ id: spellId }] });
  expect((await stop(buildId, spellId, {}, it.owner).expect(400)).body.detail).toMatch(/say when it ended/);
  for (const endedAt of ['2026-03-11T14:00:00.000Z', '2026-03-12T09:00:00.000Z', 'teatime'])
    expect((await stop(buildId, spellId, { endedAt }, it.owner).expect(400)).body.fields).toEqual([
      expect.objectContaining({ field: 'endedAt' }),
    ]);
  await stop(buildId, spellId, { endedAt: '2026-03-11T17:00:00+00:00' }, it.owner).expect(200);
  const [entry] = await entriesOf(buildId);
  expect(entry).toMatchObject({ text: '2 h on sill', at: '2026-03-11T17:00:00.000Z' });
  expect(entry!.person).not.toBe('Wren Osgood');
  expect((await taskOf(buildId, taskId)).spentMinutes).toBe(120);
});

test('nothing is begun before what must come first, before its wait is over, or before its gate is signed', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner);
  const [base, clear, spell] = [nextId(), nextId(), nextId()];
  await put(buildId, base, { title: 'Base coat' }).expect(200);
  await put(buildId, clear, {
    title: 'Clear coat',
    gate: 'Booth clean',
    needs: [{ taskId: base, reason: 'solvent must leave', waitAtLeast: 30, waitAtMost: 240 }],
  }).expect(200);
  expect((await start(buildId, clear).expect(403)).body.detail).toBe(
    '“Base coat” comes first: solvent must leave; first to be seen: Booth clean.',
  );
  await start(buildId, base, spell).expect(200);
  at('2026-03-11T09:00:00.000Z');
  await stop(buildId, spell, { done: true, toGoMinutes: 0 }).expect(200);
  at('2026-03-11T09:10:00.000Z');
  expect((await start(buildId, clear).expect(403)).body.detail).toMatch(/^another 20 min after “Base coat”/);
  at('2026-03-11T09:30:00.000Z');
  expect((await start(buildId, clear).expect(403)).body.detail).toBe('first to be seen: Booth clean.');
  await act(buildId, clear, 'sign gate', 1).expect(200);
  expect((await taskOf(buildId, clear)).gateSigned).toMatchObject({ at: '2026-03-11T09:30:00.000Z' });
  const last = nextId();
  await start(buildId, clear, last).expect(200);
  await stop(buildId, last).expect(200);
  const circle = await put(buildId, base, { version: 3, needs: [{ taskId: clear, reason: 'so' }] }).expect(
    400,
  );
  expect(circle.body.detail).toMatch(/circle/);
});

test('work on a line that nobody agreed to is refused with the way out; a technician hears no price', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner, { discretionMinor: 0 });
  const [lineId, taskId] = [nextId(), nextId()];
  await it.owner
    .put(pathOf('estimateLinePut', { buildId, lineId }))
    .send(estimateLine({ title: 'Sills' }))
    .expect(200);
  await put(buildId, taskId, { lineId }).expect(200);
  const technician = await start(buildId, taskId).expect(403);
  expect(technician.body.detail).toBe('“Sills” is not agreed yet: ask the owner or the office.');
  const owner = await start(buildId, taskId, nextId(), it.owner).expect(403);
  expect(owner.body.detail).toMatch(/has not agreed to “Sills” yet.*Send the estimate, or record/);
  const seen = JSON.stringify(await read(buildId, it.technician));
  expect(seen).not.toMatch(/Minor|£|limit/);

  // Hours that were logged without a task are held to the same rule when they are given to the line.
  const entry = line({ kind: 'did', text: 'did the sills, 2h', facts: { subject: 'sills', minutes: 120 } });
  await it.technician.post(pathOf('entryAdd', { buildId })).send(entry).expect(200);
  expect((await read(buildId)).loose).toMatchObject([{ entryId: entry.id, minutes: 120 }]);
  const belongs = (body: object) =>
    it.owner.put(pathOf('entryBelongs', { buildId, entryId: entry.id })).send(body);
  await belongs({ belongs: 'line', lineId }).expect(403);
  await belongs({ belongs: 'line' }).expect(400);
  await belongs({ belongs: 'warranty' }).expect(200);
  expect((await read(buildId)).loose).toEqual([]);
});

test('what was done and bought on no line becomes a change, or goes within the discretion limit, with a line of its own', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner, { discretionMinor: 5000 });
  await put(buildId, nextId()).expect(200);
  const seal = line({ kind: 'did', text: 'did the seals, 1h', facts: { subject: 'seals', minutes: 60 } });
  const tape = line({
    kind: 'spent',
    text: 'spent 9.20 on tape',
    facts: { subject: 'tape', moneyMinor: 920 },
  });
  for (const entry of [seal, tape])
    await it.owner.post(pathOf('entryAdd', { buildId })).send(entry).expect(200);
  expect((await read(buildId)).loose).toMatchObject([{ moneyMinor: 920, minutes: null }, { minutes: 60 }]);
  expect(JSON.stringify((await read(buildId, it.technician)).loose)).not.toMatch(/\b920\b|9\.20/);
  const belongs = (entryId: string, body: object) =>
    it.owner.put(pathOf('entryBelongs', { buildId, entryId })).send(body).expect(200);
  const [change, within] = [nextId(), nextId()];
  await Promise.all([1, 2, 3].map(() => belongs(seal.id, { belongs: 'change', lineId: change })));
  await belongs(tape.id, { belongs: 'discretion', lineId: within });
  // A change is a new line: nothing gets onto one that nobody agreed to by calling it one.
  const round = line({ kind: 'did', text: 'did the rails, 1h', facts: { subject: 'rails', minutes: 60 } });
  await it.technician.post(pathOf('entryAdd', { buildId })).send(round).expect(200);
  await it.technician
    .put(pathOf('entryBelongs', { buildId, entryId: round.id }))
    .send({ belongs: 'change', lineId: change })
    .expect(409);
  await belongs(round.id, { belongs: 'warranty' });
  const dear = line({
    kind: 'spent',
    text: 'spent 50 on glue',
    facts: { subject: 'glue', moneyMinor: 5000 },
  });
  await it.owner.post(pathOf('entryAdd', { buildId })).send(dear).expect(200);
  const beyond = await it.owner
    .put(pathOf('entryBelongs', { buildId, entryId: dear.id }))
    .send({ belongs: 'discretion', lineId: nextId() })
    .expect(403);
  expect(beyond.body.detail).toMatch(/“glue”/);
  await belongs(dear.id, { belongs: 'shop' });
  const view = await read(buildId);
  expect(view.loose).toEqual([]);
  expect(view.lines).toMatchObject([
    { id: change, title: 'seals', state: 'open', spentMinutes: 60, estimatedMinutes: 60 },
    { id: within, title: 'tape', spentMinutes: 0 },
  ]);
  const estimate = (await it.owner.get(pathOf('estimateRead', { buildId })).expect(200)).body;
  expect(estimate.lines).toMatchObject([
    { id: change, discretionMinor: null },
    { id: within, sundriesMinor: 920, discretionMinor: 920 },
  ]);
});

test('hours for the shop are one’s own; the desk sees everybody’s week, a technician theirs', async () => {
  at('2026-03-11T08:00:00.000Z');
  const hours = (agent: Agent, id: string, body: object) =>
    agent
      .put(pathOf('shopHoursPut', { hoursId: id }))
      .send({ day: '2026-03-10', minutes: 90, what: 'swept the booth', isOff: false, ...body });
  const id = nextId();
  await Promise.all([1, 2].map(() => hours(it.technician, id, {}).expect(200)));
  const late = await hours(it.technician, nextId(), { day: '2026-03-12' }).expect(400);
  expect(late.body.fields).toEqual([{ field: 'day', reason: 'that day is still to come' }]);
  await hours(it.owner, id, { what: 'not mine' }).expect(404);
  const mine = (await it.technician.get(pathOf('hoursRead')).expect(200)).body as HoursView;
  expect([mine.from, mine.to, mine.people.length]).toEqual(['2026-03-09', '2026-03-15', 1]);
  expect(mine.rows.filter((r) => r.buildId === null)).toMatchObject([{ day: '2026-03-10', minutes: 90 }]);
  const theirs = { personId: mine.personId };
  const seen = (await it.owner.get(pathOf('hoursRead')).query(theirs).expect(200)).body as HoursView;
  expect(seen.rows).toEqual(mine.rows);
  const owner = ((await it.owner.get(pathOf('hoursRead')).expect(200)).body as HoursView).personId;
  await it.technician.get(pathOf('hoursRead')).query({ personId: owner }).expect(403);
  await hours(it.technician, id, { isOff: true }).expect(200);
  const after = (await it.technician.get(pathOf('hoursRead')).expect(200)).body as HoursView;
  expect(after.rows.filter((r) => r.buildId === null)).toEqual([]);
});

test('an agreed line shows its hours; inside the discretion limit work goes ahead and is told', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner, { discretionMinor: 1_000_000 });
  const [lineId, taskId, spellId] = [nextId(), nextId(), nextId()];
  await it.owner
    .put(pathOf('estimateLinePut', { buildId, lineId }))
    .send(estimateLine({ title: 'Hatch' }))
    .expect(200);
  await put(buildId, taskId, { lineId }).expect(200);
  await start(buildId, taskId, spellId).expect(200);
  at('2026-03-11T09:00:00.000Z');
  await stop(buildId, spellId).expect(200);
  const typed = { id: nextId(), minutes: 30, toGoMinutes: 60, done: false };
  const hours = () => it.technician.post(pathOf('taskHours', { buildId, taskId })).send(typed).expect(200);
  await Promise.all([hours(), hours()]);
  expect((await read(buildId)).lines).toMatchObject([
    { title: 'Hatch', spentMinutes: 90, estimatedMinutes: 60 },
  ]);
});

test('a playbook becomes tasks once, all of them, with their order; its follow-ups come when the work is done', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner);
  const book = PLAYBOOKS.find((p) => p.id === 'engine-top-end')!;
  const taskIds = Object.fromEntries(book.steps.map((s) => [s.key, nextId()]));
  const use = (body: object) => it.technician.post(pathOf('playbookUse', { buildId })).send(body);
  const open = await use({ playbookId: book.id, fallen: {}, taskIds }).expect(400);
  expect(open.body.fields).toEqual([{ field: 'fallen.head-face', reason: 'decide this first' }]);
  await use({ playbookId: book.id, fallen: { 'head-face': 'flat' }, taskIds: {} }).expect(400);
  const body = { playbookId: book.id, fallen: { 'head-face': 'flat' }, taskIds };
  const used = await Promise.all([1, 2, 3].map(() => use(body)));
  expect(used.map((r) => r.status)).toEqual([200, 200, 200]);
  const { tasks } = await read(buildId);
  expect(tasks).toHaveLength(book.steps.length - 1);
  expect(tasks.find((t) => t.id === taskIds.valves)!.needs).toEqual([
    { taskId: taskIds.read, reason: 'the measure says which are renewed' },
  ]);
  // What must come first is dropped, all but the last; its follow-ups are due by miles from the playbook.
  for (const t of tasks)
    if (t.id !== taskIds.retorque) await act(buildId, t.id, 'drop', t.version).expect(200);
  const spellId = nextId();
  await start(buildId, taskIds.retorque!, spellId).expect(200);
  at('2026-03-11T09:00:00.000Z');
  await stop(buildId, spellId, { done: true, toGoMinutes: 0 }).expect(200);
  const { followUps } = await read(buildId);
  expect(followUps.map((f) => [f.title, f.dueMiles])).toEqual([
    ['Head re-torque, then valve clearances', 50],
    ['Head re-torque, then valve clearances', 150],
  ]);
  const done = { said: 'all at 48 lb-ft, clearances 0.012', entryId: nextId() };
  const finish = () =>
    it.technician
      .post(pathOf('followUpDone', { buildId, followUpId: followUps[0]!.id }))
      .send(done)
      .expect(200);
  await Promise.all([finish(), finish()]);
  expect((await read(buildId)).followUps.filter((f) => f.doneAt !== null)).toHaveLength(1);
  const retorque = await taskOf(buildId, taskIds.retorque!);
  await act(buildId, retorque.id, 'take up again', retorque.version).expect(200);
  expect((await read(buildId)).followUps).toHaveLength(1);
  await withdraw(buildId, `taken up again: ${retorque.title}`);
  expect((await read(buildId)).followUps.map((f) => f.doneAt === null)).toEqual([true, false]);
  expect((await taskOf(buildId, retorque.id)).state).toBe('done');
});

test('a stop that is taken back goes on, if nobody works longer than that; else only its hours are gone', async () => {
  at('2026-03-12T08:00:00.000Z');
  const { buildId, taskId, spellId } = await begun();
  at('2026-03-12T09:00:00.000Z');
  await stop(buildId, spellId, { toGoMinutes: 0, done: true }).expect(200);
  await withdraw(buildId, 'did sill, 1 h');
  expect(await taskOf(buildId, taskId)).toMatchObject({ state: 'going', spentMinutes: 0, toGoMinutes: 600 });
  expect((await read(buildId)).spells).toMatchObject([
    { id: spellId, startedAt: '2026-03-12T08:00:00.000Z' },
  ]);
  at('2026-03-12T10:00:00.000Z');
  await stop(buildId, spellId, { toGoMinutes: 60 }).expect(200);
  at('2026-03-13T08:00:00.000Z');
  await withdraw(buildId, '2 h on sill');
  expect(await taskOf(buildId, taskId)).toMatchObject({ state: 'to do', spentMinutes: 0, toGoMinutes: 600 });
  expect((await read(buildId)).spells).toEqual([]);
});

test('a start that is taken back has not begun; one after which more was done stays', async () => {
  at('2026-03-12T08:00:00.000Z');
  const { buildId, taskId } = await begun();
  await withdraw(buildId, 'began sill');
  expect(await taskOf(buildId, taskId)).toMatchObject({ state: 'to do', spentMinutes: 0 });
  expect((await read(buildId)).spells).toEqual([]);
  const spellId = nextId();
  await start(buildId, taskId, spellId).expect(200);
  at('2026-03-12T09:00:00.000Z');
  await stop(buildId, spellId, { toGoMinutes: 60 }).expect(200);
  const refused = await withdraw(buildId, 'began sill', 409);
  expect(refused.body.detail).toMatch(/Something was done with “Sill” since/);
  await withdraw(buildId, '1 h on sill');
  await withdraw(buildId, 'began sill');
  expect(await taskOf(buildId, taskId)).toMatchObject({ state: 'to do', spentMinutes: 0, toGoMinutes: 600 });
});

test('hours that are taken back after more was done are gone; how the task stands stays as it was said last', async () => {
  at('2026-03-12T08:00:00.000Z');
  const buildId = await makeBuild(it.owner);
  const taskId = nextId();
  await put(buildId, taskId).expect(200);
  const type = (minutes: number, more: object = {}) =>
    it.owner
      .post(pathOf('taskHours', { buildId, taskId }))
      .send({ id: nextId(), minutes, done: false, toGoMinutes: 300, ...more })
      .expect(200);
  await type(60);
  await type(120, { done: true, toGoMinutes: 0 });
  await withdraw(buildId, '1 h on sill');
  expect(await taskOf(buildId, taskId)).toMatchObject({ state: 'done', spentMinutes: 120, toGoMinutes: 0 });
  await withdraw(buildId, 'did sill, 2 h');
  expect(await taskOf(buildId, taskId)).toMatchObject({ state: 'to do', spentMinutes: 0, toGoMinutes: 300 });
});

test('a gate whose signing is taken back holds again; what is dropped and taken up says so, and is taken back', async () => {
  const buildId = await makeBuild(it.owner);
  const taskId = nextId();
  await put(buildId, taskId, { gate: 'doors hung with their final hinges' }).expect(200);
  await act(buildId, taskId, 'sign gate', 1).expect(200);
  await withdraw(buildId, 'seen: doors hung with their final hinges; Sill may begin');
  expect((await taskOf(buildId, taskId)).gateSigned).toBeNull();
  const refused = await start(buildId, taskId).expect(403);
  expect(refused.body.detail).toMatch(/doors hung with their final hinges/);

  const { version } = await taskOf(buildId, taskId);
  await act(buildId, taskId, 'drop', version).expect(200);
  await act(buildId, taskId, 'take up again', version + 1).expect(200);
  const gone = await withdraw(buildId, 'dropped: Sill', 409);
  expect(gone.body.detail).toMatch(/Something was done with “Sill” since/);
  await withdraw(buildId, 'taken up again: Sill');
  expect((await taskOf(buildId, taskId)).state).toBe('dropped');
  await withdraw(buildId, 'dropped: Sill');
  expect((await taskOf(buildId, taskId)).state).toBe('to do');
});

test('counting goes up to its total', async () => {
  const buildId = await makeBuild(it.owner);
  const taskId = nextId();
  await put(buildId, taskId, { count: { of: 'rivets drilled', total: 220 } }).expect(200);
  const count = (counted: number) =>
    it.technician.put(pathOf('taskCount', { buildId, taskId })).send({ counted });
  await count(218).expect(200);
  expect((await count(221).expect(400)).body.detail).toMatch(/only 220/);
  expect((await taskOf(buildId, taskId)).count).toEqual({ of: 'rivets drilled', total: 220, counted: 218 });
});

test('playbooks: the owner changes one and brings one in; every fault is named by its path', async () => {
  const books = async (): Promise<PlaybooksView['playbooks']> =>
    (await it.technician.get(pathOf('playbooksRead')).expect(200)).body.playbooks;
  const before = await books();
  const brakes = PLAYBOOKS.find((p) => p.id === 'brake-overhaul')!;
  const save = (id: string, content: object, version = 0, agent: Agent = it.owner) =>
    agent.put(pathOf('playbookPut', { playbook: id })).send({ version, content });
  await save('brake-overhaul', brakes, 0, it.technician).expect(403);
  await save('brake-overhaul', { ...brakes, title: 'Brakes, our way' }).expect(200);
  await save('brake-overhaul', { ...brakes, title: 'Brakes, another way' }).expect(409);
  await save('brake-overhaul', { ...brakes, title: 'Brakes, another way' }, 1).expect(200);
  const faulty = await save('ours', {
    id: 'ours',
    title: 'Ours',
    about: 'A test',
    steps: [{ key: 'a' }],
  }).expect(400);
  expect(faulty.body.fields.map((f: { field: string }) => f.field)).toContain('content.steps.0.title');
  const { playbook, past } = (
    await it.technician.get(pathOf('playbookRead', { playbook: 'brake-overhaul' })).expect(200)
  ).body as PlaybookView;
  expect([playbook.title, ...past.map((p) => [p.version, p.content.title])]).toEqual([
    'Brakes, another way',
    [1, 'Brakes, our way'],
    [0, brakes.title],
  ]);
  await it.owner.get(pathOf('playbookRead', { playbook: 'nobodys' })).expect(404);
  await save('ours', { ...brakes, id: 'theirs' }).expect(400);
  await save('ours', { ...brakes, id: 'ours' }).expect(200);
  expect((await books()).map((p) => [p.id, p.version])).toEqual([
    ...before.map((p) => [p.id, p.id === 'brake-overhaul' ? 2 : 0]),
    ['ours', 1],
  ]);
});

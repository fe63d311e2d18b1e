/**
 * Waits over HTTP: exactly one for a build that stands still, none for one that can be worked on. Nasty cases: nothing
 * known of a build, a task that only its place holds up, a line nobody agreed to, a part overdue, an owner at sea.
 */
import { beforeAll, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { BuildWaitView, WaitsView } from '#contract/waits.ts';
import type { TaskView } from '#contract/work.ts';
import { estimateLine, line, makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

const it = openShop('waits');

beforeAll(async () => {
  for (const [position, name] of ['Lift 1', 'Yard'].entries())
    await it.owner
      .put(pathOf('placePut', { placeId: nextId() }))
      .send({ version: 0, name, kind: position === 0 ? 'lift' : 'yard', position, closed: false })
      .expect(200);
});

const waitOf = async (buildId: string): Promise<BuildWaitView> => {
  const { waits } = (await it.technician.get(pathOf('waitsRead')).expect(200)).body as WaitsView;
  return waits.find((w) => w.buildId === buildId)!;
};
const task = (buildId: string, more: object = {}, taskId = nextId()) =>
  it.owner
    .put(pathOf('taskPut', { buildId, taskId }))
    .send({ version: 0, title: 'Sill', work: 'metalwork', minutes: 60, cautions: [], needs: [], ...more })
    .expect(200);
const log = (buildId: string, more: object) =>
  it.owner.post(pathOf('entryAdd', { buildId })).send(line(more)).expect(200);

test('nothing known is a wait too: for somebody to plan; what is next, said in words, can be gone on with', async () => {
  const buildId = await makeBuild(it.owner);
  expect((await waitOf(buildId)).binding).toMatchObject({ kind: 'plan', since: '2026-03-11', until: null });
  await it.owner.put(pathOf('buildNext', { buildId })).send({ next: 'Sills first.', version: 1 }).expect(200);
  expect((await waitOf(buildId)).binding).toBeNull();
  await task(buildId);
  expect((await waitOf(buildId)).binding).toBeNull();
});

test('a place: one that is free holds nobody, and is named; one that is taken says who must make room', async () => {
  const [rally, hearse] = [
    await makeBuild(it.owner, { nickname: 'rally car' }),
    await makeBuild(it.owner, { nickname: 'hearse' }),
  ];
  const taskId = nextId();
  await task(rally, { title: 'Axle out', place: 'lift' }, taskId);
  const axle = async (): Promise<TaskView> =>
    (await it.owner.get(pathOf('workRead', { buildId: rally })).expect(200)).body.tasks[0];
  const start = (body: object, who: Agent = it.technician) =>
    who.post(pathOf('taskStart', { buildId: rally, taskId })).send({ spellId: nextId(), ...body });
  expect((await waitOf(rally)).binding).toBeNull();
  expect(await axle()).toMatchObject({ holds: [], first: 'move it to Lift 1, which is free' });
  await log(hearse, { kind: 'moved', text: 'moved to lift 1', facts: { place: 'lift 1' }, audience: 'shop' });
  expect((await waitOf(rally)).binding).toMatchObject({
    kind: 'place',
    what: 'a lift for “Axle out”',
    act: 'move the hearse',
  });
  // What the Floor says, the work page says, and a start is refused by; the desk may have it begun with its reason.
  const words = 'needs a lift: taken by the hearse';
  expect((await axle()).holds).toEqual([{ kind: 'place', words }]);
  expect((await start({}).expect(403)).body.detail).toBe(`${words}.`);
  expect((await start({ anyway: 'on stands' }).expect(403)).body.detail).toMatch(
    /Only the owner or the office/,
  );
  await start({ anyway: ' ' }, it.owner).expect(400);
  await start({ anyway: 'on stands in the yard' }, it.owner).expect(200);
  const [said] = (await it.owner.get(pathOf('entriesList', { buildId: rally })).expect(200)).body.entries;
  expect(said).toMatchObject({
    kind: 'decided',
    text: `begun all the same: Axle out. on stands in the yard (${words}.)`,
    audience: 'shop',
  });
  expect((await waitOf(rally)).binding).toBeNull();
  await log(hearse, { kind: 'moved', text: 'moved to yard', facts: { place: 'yard' }, audience: 'shop' });
  await log(rally, { kind: 'moved', text: 'moved to lift 1', facts: { place: 'lift 1' }, audience: 'shop' });
  expect(await axle()).toMatchObject({ holds: [], first: null });
});

test('of a part, a vendor, an answer and a gate, the last to end holds it; the others are named beside it', async () => {
  const buildId = await makeBuild(it.owner, { discretionMinor: 0 });
  const [partId, lineId] = [nextId(), nextId()];
  const part = { what: 'king pins', quantity: 1, number: '', catalogue: '', instead: '', sourceNote: '' };
  await it.owner
    .put(pathOf('partPut', { buildId, partId }))
    .send({ ...part, version: 0, source: 'supplier', vendor: 'Cobb Springs' })
    .expect(200);
  await it.owner
    .post(pathOf('partAct', { buildId, partId }))
    .send({ version: 1, entryId: nextId(), act: 'order', vendor: 'Cobb Springs', due: '2026-03-20' })
    .expect(200);
  const ordered = (await waitOf(buildId)).binding;
  expect(ordered).toMatchObject({
    kind: 'part',
    what: 'the king pins from Cobb Springs',
    until: '2026-03-20',
    act: 'ring Cobb Springs',
  });
  const glass = { subject: 'glass', vendor: 'Marram Glass', due: '2026-03-27' };
  await log(buildId, {
    kind: 'waiting',
    text: 'waiting on glass from Marram Glass',
    facts: glass,
    audience: 'customer',
  });
  expect((await waitOf(buildId)).binding).toMatchObject({
    kind: 'vendor',
    what: 'the glass from Marram Glass',
    until: '2026-03-27',
  });
  await it.owner
    .put(pathOf('estimateLinePut', { buildId, lineId }))
    .send(estimateLine({ title: 'Sills' }))
    .expect(200);
  await task(buildId, { title: 'Sills let in', lineId });
  const held = await waitOf(buildId);
  expect(held.binding).toMatchObject({ kind: 'answer', what: 'a yes to “Sills”', until: null });
  expect(held.others.map((h) => h.kind).sort()).toEqual(['part', 'vendor']);
  expect(JSON.stringify(held)).not.toMatch(/£|Minor/);
  await task(buildId, { title: 'Seen to', gate: 'the trial cover fits' });
  expect((await waitOf(buildId)).others.map((h) => h.kind).sort()).toEqual(['gate', 'part', 'vendor']);
  await task(buildId, { title: 'Free to go' });
  expect((await waitOf(buildId)).binding).toBeNull();
});

test('money without which work stops, and a pause, stop every task: the Floor, the work page and a start say the same', async () => {
  const buildId = await makeBuild(it.owner);
  const taskId = nextId();
  await task(buildId, { title: 'Sill' }, taskId);
  const start = () =>
    it.technician.post(pathOf('taskStart', { buildId, taskId })).send({ spellId: nextId() });
  const instalmentId = nextId();
  const asked = {
    version: 0,
    what: 'the first instalment',
    askedMinor: 90_000,
    holds: true,
  };
  await it.owner.put(pathOf('instalmentPut', { buildId, instalmentId })).send(asked).expect(200);
  expect((await waitOf(buildId)).binding).toMatchObject({ kind: 'payment' });
  expect((await start().expect(403)).body.detail).toBe('work stops until it is in: the first instalment.');
  await it.owner
    .post(pathOf('instalmentPaid', { buildId, instalmentId }))
    .send({ actId: nextId(), amountMinor: 90_000, on: '2026-03-10' })
    .expect(200);
  await it.owner
    .put(pathOf('pausePut', { buildId, pauseId: nextId() }))
    .send({ side: 'customer', reason: 'Ruan is at sea' })
    .expect(200);
  expect((await waitOf(buildId)).binding).toMatchObject({ kind: 'said' });
  expect((await start().expect(403)).body.detail).toMatch(/^on hold: .*Ruan is at sea/);
});

test('a part that a task needs holds that task, and no other, until it is here', async () => {
  const buildId = await makeBuild(it.owner);
  const [axle, sill, partId] = [nextId(), nextId(), nextId()];
  await task(buildId, { title: 'King pins in' }, axle);
  await task(buildId, { title: 'Sill' }, sill);
  const part = { what: 'king pins', quantity: 1, number: '', catalogue: '', instead: '', sourceNote: '' };
  const put = (taskId: string) =>
    it.owner
      .put(pathOf('partPut', { buildId, partId }))
      .send({ ...part, version: 0, source: 'supplier', vendor: 'Cobb Springs', taskId });
  expect((await put(nextId()).expect(400)).body.fields[0].field).toBe('taskId');
  await put(axle).expect(200);
  const holdsOf = async (id: string): Promise<string[]> =>
    (await it.owner.get(pathOf('workRead', { buildId })).expect(200)).body.tasks
      .find((t: TaskView) => t.id === id)
      .holds.map((h: { words: string }) => h.words);
  expect([await holdsOf(axle), await holdsOf(sill)]).toEqual([
    ['not here: the king pins from Cobb Springs'],
    [],
  ]);
  const start = () =>
    it.technician.post(pathOf('taskStart', { buildId, taskId: axle })).send({ spellId: nextId() });
  expect((await start().expect(403)).body.detail).toBe('not here: the king pins from Cobb Springs.');
  await it.owner
    .post(pathOf('entryAdd', { buildId }))
    .send({
      ...line({ kind: 'arrived', text: 'king pins are here', facts: { subject: 'king pins' } }),
      does: [{ act: 'receive', type: 'part', id: partId }],
    })
    .expect(200);
  expect(await holdsOf(axle)).toEqual([]);
  await start().expect(200);
});

/** Snags over HTTP. Nasty cases: the same press five times, ended twice, another car's, left without a reason, prices in words. */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { SnagsView } from '#contract/snags.ts';
import { line, makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

const it = openShop('snags');

const read = async (buildId: string, agent: Agent = it.technician): Promise<SnagsView> =>
  (await agent.get(pathOf('snagsRead', { buildId })).expect(200)).body as SnagsView;
const textsOf = async (buildId: string): Promise<string[]> =>
  (await it.owner.get(pathOf('entriesList', { buildId }))).body.entries.map((e: { text: string }) => e.text);

test('seen on the walk, put right with its time; each is one entry, however often it is sent', async () => {
  const buildId = await makeBuild(it.owner);
  const snagId = nextId();
  const put = (body: object, to = buildId, id = snagId) =>
    it.technician.put(pathOf('snagPut', { buildId: to, snagId: id })).send(body);
  const seen = { entryId: nextId(), station: 'front', what: 'badge is loose' };
  await Promise.all([1, 2, 3, 4, 5].map(() => put(seen).expect(200)));
  await put({ ...seen, entryId: nextId(), what: ' ' }, buildId, nextId()).expect(400);
  await put({ ...seen, entryId: nextId(), station: 'moon' }, buildId, nextId()).expect(400);
  const end = (body: object, to = buildId) =>
    it.technician.post(pathOf('snagEnd', { buildId: to, snagId })).send({ said: '', ...body });
  await end({ entryId: nextId(), state: 'right' }, await makeBuild(it.owner)).expect(404);
  const left = await end({ entryId: nextId(), state: 'left' }).expect(400);
  expect(left.body.fields).toEqual([{ field: 'said', reason: 'say why it stays as it is' }]);
  const right = { entryId: nextId(), state: 'right', minutes: 15 };
  await Promise.all([1, 2].map(() => end(right).expect(200)));
  await end({ ...right, entryId: nextId() }).expect(400);
  expect((await read(buildId)).snags).toMatchObject([{ what: 'badge is loose', state: 'right' }]);
  expect(await textsOf(buildId)).toEqual([
    'put right: badge is loose (front)',
    'to put right, front: badge is loose',
  ]);
});

test('what was in the way of a trial is to be put right; one with nothing in the way says that it fits', async () => {
  const buildId = await makeBuild(it.owner);
  const trial = (body: object, entryId = nextId()) =>
    it.technician.put(pathOf('trialPut', { buildId, entryId })).send(body);
  const entryId = nextId();
  const first = {
    what: 'the bonnet',
    inTheWay: [
      { id: nextId(), station: 'under the bonnet', what: 'filler cap, £4 too tall' },
      { id: nextId(), station: 'front', what: 'left hinge' },
    ],
  };
  await Promise.all([1, 2, 3].map(() => trial(first, entryId).expect(200)));
  const view = await read(buildId, it.owner);
  expect(view.snags.map((s) => [s.station, s.trial, s.state])).toEqual([
    ['front', 'the bonnet', 'open'],
    ['under the bonnet', 'the bonnet', 'open'],
  ]);
  expect(view.trials).toMatchObject([{ entryId, open: 2 }]);
  expect(JSON.stringify(await read(buildId))).not.toMatch(/£4/);
  await trial({ what: 'the bonnet', inTheWay: [] }).expect(200);
  expect((await read(buildId)).trials.map((t) => t.text)[0]).toBe('tried the bonnet in place: it fits');
});

test('put right by a line of the log, on its own page too; taken back, by whatever way it was ended, it is open again', async () => {
  const buildId = await makeBuild(it.owner);
  const [handle, glass, entryId] = [nextId(), nextId(), nextId()];
  const put = (snagId: string, what: string, id = nextId()) =>
    it.owner
      .put(pathOf('snagPut', { buildId, snagId }))
      .send({ entryId: id, station: 'rear', what })
      .expect(200);
  await put(handle, 'boot handle loose');
  await put(glass, 'lamp glass chipped', entryId);
  const states = async (): Promise<string[]> =>
    (await read(buildId)).snags.map((s) => `${s.what}: ${s.state}`);
  const said = line({
    kind: 'note',
    text: 'boot handle put right',
    does: [{ act: 'put right', type: 'snag', id: handle }],
  });
  const say = (body: object) => it.technician.post(pathOf('entryAdd', { buildId })).send(body);
  const all = await Promise.all([1, 2, 3].map(() => say(said)));
  expect(all.map((r) => [r.status, r.body.kind])).toEqual([1, 2, 3].map(() => [200, 'did']));
  expect(await states()).toEqual(['boot handle loose: right', 'lamp glass chipped: open']);
  await say(line({ does: [{ act: 'put right', type: 'snag', id: handle }] })).expect(400);
  await say(line({ does: [{ act: 'put right', type: 'snag', id: nextId() }] })).expect(404);
  const left = nextId();
  await it.owner
    .post(pathOf('snagEnd', { buildId, snagId: glass }))
    .send({ entryId: left, state: 'left', said: 'he likes it' })
    .expect(200);
  const withdraw = (correctsId: string) =>
    it.owner
      .post(pathOf('entryCorrect', { buildId }))
      .send({ id: nextId(), correctsId, withdraw: true })
      .expect(200);
  await withdraw(said.id);
  await withdraw(left);
  expect(await states()).toEqual(['boot handle loose: open', 'lamp glass chipped: open']);
  await withdraw(entryId);
  expect(await states()).toEqual(['boot handle loose: open']);
});

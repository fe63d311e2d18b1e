/** Snags over HTTP. Nasty cases: the same press five times, ended twice, another car's, left without a reason, prices in words. */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { SnagsView } from '#contract/snags.ts';
import { makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

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

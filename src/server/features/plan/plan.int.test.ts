/**
 * The plan over HTTP. Nasty cases: two cars sent to one lift at the same time, the same move twice, a move in the past, a
 * part that moves where a car stands, a place that the shop does not know, a place drawn over another.
 */
import { beforeAll, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { WaitsView } from '#contract/waits.ts';
import type { PlanView } from '#contract/plan.ts';
import { line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('plan');

const ids = { lift1: nextId(), lift2: nextId(), yard: nextId() };
const putPlace = (placeId: string, body: object) =>
  it.owner.put(pathOf('placePut', { placeId })).send({ version: 0, position: 1, closed: false, ...body });
beforeAll(async () => {
  await putPlace(ids.lift1, { name: 'Lift 1', kind: 'lift', spot: { x: 0, y: 0, w: 4, h: 4 } }).expect(200);
  await putPlace(ids.lift2, { name: 'Lift 2', kind: 'lift' }).expect(200);
  await putPlace(ids.yard, { name: 'Yard', kind: 'yard' }).expect(200);
});

const move = (buildId: string, to: string, more: object = {}) => {
  const facts = { place: to, ...more };
  const entry = line({ kind: 'moved', text: `moved to ${to}`, facts, audience: 'shop' });
  return it.technician.post(pathOf('entryAdd', { buildId })).send(entry);
};
const plan = async (): Promise<PlanView> =>
  (await it.technician.get(pathOf('planRead')).expect(200)).body as PlanView;
const placeOf = async (buildId: string) => (await plan()).cars.find((c) => c.buildId === buildId)!.placeId;

test('two cars sent to one lift at the same time: one stands there, the other is told the way out', async () => {
  const [rally, hearse] = [
    await makeBuild(it.owner, { nickname: 'rally car' }),
    await makeBuild(it.owner, { nickname: 'hearse' }),
  ];
  const both = await Promise.all([move(rally, 'lift 1'), move(hearse, 'Lift 1')]);
  expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
  const refused = both.find((r) => r.status === 409)!;
  expect(refused.body.detail).toMatch(
    /^The (rally car|hearse) stands on “Lift 1”: “Lift 2” is free\. Nothing was moved\.$/,
  );
  const [first, second] = both[0]!.status === 200 ? [rally, hearse] : [hearse, rally];
  expect([await placeOf(first!), await placeOf(second!)]).toEqual([ids.lift1, null]);
  await move(first!, 'lift 1').expect(200);
  await move(second!, 'lift 2').expect(200);
  await move(first!, 'Lift 2').expect(409);
  // What is no whole car, or was long ago, or goes where nobody knows, is written down as it is said.
  await move(first!, 'Lift 2', { subject: 'doors' }).expect(200);
  await move(first!, 'Lift 2', { on: '2026-03-01' }).expect(200);
  await move(first!, 'the beach').expect(200);
  expect(await placeOf(first!)).toBe(ids.lift1);
  await move(first!, 'yard').expect(200);
  expect(await placeOf(first!)).toBe(ids.yard);
});

test('what pins a car is said with what would free it, once, and is gone when it rolls', async () => {
  const buildId = await makeBuild(it.owner, { nickname: 'van' });
  const pin = (body: object) => it.technician.put(pathOf('pinnedSet', { buildId })).send(body);
  await pin({ by: '  ' }).expect(400);
  const body = { by: 'front axle off', freedBy: 'the dolly, half an hour' };
  await Promise.all([pin(body).expect(200), pin(body).expect(200)]);
  expect((await plan()).cars.find((c) => c.buildId === buildId)!.pinned).toEqual({
    ...body,
    since: '2026-03-11T10:00:00.000Z',
  });
  await pin({}).expect(200);
  expect((await plan()).cars.find((c) => c.buildId === buildId)!.pinned).toBeNull();
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
  expect(entries.map((e: { text: string }) => e.text)).toEqual([
    'rolls again',
    'does not roll: front axle off; to free it: the dolly, half an hour',
  ]);
});

test('a task that only waits for its place is named; where the car stands there, it is not', async () => {
  const buildId = await makeBuild(it.owner, { nickname: 'microcar' });
  const taskId = nextId();
  const task = {
    version: 0,
    title: 'Axle out',
    work: 'mechanical',
    place: 'lift',
    minutes: 60,
    cautions: [],
    needs: [],
  };
  await it.owner.put(pathOf('taskPut', { buildId, taskId })).send(task).expect(200);
  const wanted = async () =>
    ((await it.owner.get(pathOf('waitsRead')).expect(200)).body as WaitsView).waits.find(
      (w) => w.buildId === buildId,
    )!.places;
  expect(await wanted()).toEqual([
    { kind: 'lift', task: 'Axle out', words: expect.stringMatching(/^move it to Lift \d, which is free$/) },
  ]);
  await move(buildId, 'lift 1').expect(200);
  expect(await wanted()).toEqual([]);
});

test('a place drawn over another, or off the plan, is refused at its spot', async () => {
  const draw = (spot: object) => putPlace(ids.lift2, { version: 1, name: 'Lift 2', kind: 'lift', spot });
  for (const spot of [
    { x: 3, y: 0, w: 4, h: 4 },
    { x: 22, y: 0, w: 4, h: 4 },
  ])
    expect((await draw(spot).expect(400)).body.fields).toEqual([expect.objectContaining({ field: 'spot' })]);
  await draw({ x: 4, y: 0, w: 4, h: 4 }).expect(200);
  expect((await plan()).places.find((p) => p.id === ids.lift2)!.spot).toEqual({ x: 4, y: 0, w: 4, h: 4 });
});

/**
 * The walk round. Nasty cases: resumed, marked twice, two walks of one person, somebody else's walk, a car that is not there, a
 * technician who sees no prices, a device that was away for hours.
 */
import { describe, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { WalkCarView, WalkView } from '#contract/walk.ts';
import { line, makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

const it = openShop('walk');

const read = async (agent: Agent = it.owner): Promise<WalkView> =>
  (await agent.get(pathOf('walkRead')).expect(200)).body as WalkView;
const seen = (walkId: string, buildId: string, body: object = {}, agent: Agent = it.owner) =>
  agent.put(pathOf('walkSeen', { walkId, buildId })).send(body);
const car = (walk: WalkView, buildId: string): WalkCarView => walk.cars.find((c) => c.buildId === buildId)!;
const end = (walkId: string, agent: Agent = it.owner) => agent.post(pathOf('walkEnd', { walkId }));

describe('a walk', () => {
  test('begins with the first car that is looked at, is gone on with, and ends', async () => {
    const [a, b] = [await makeBuild(it.owner), await makeBuild(it.owner)];
    const before = await read();
    expect(before).toMatchObject({ beganAt: null, lastAt: null });
    await seen(before.walkId, a).expect(200);
    await seen(before.walkId, a).expect(200);
    const under = await read();
    expect(under.walkId).toBe(before.walkId);
    expect([car(under, a).seenAt, car(under, b).seenAt]).toEqual(['2026-03-11T10:00:00.000Z', null]);
    await end(before.walkId).expect(200);
    const after = await read();
    expect(after.walkId).not.toBe(before.walkId);
    expect(after).toMatchObject({ beganAt: null, lastAt: '2026-03-11T10:00:00.000Z' });
    expect(car(after, a)).toMatchObject({ seenAt: null, before: '2026-03-11T10:00:00.000Z' });
  });

  test('shows what has happened since the last one, newest first, and how much more there is', async () => {
    const buildId = await makeBuild(it.owner);
    const log = (text: string) =>
      it.owner
        .post(pathOf('entryAdd', { buildId }))
        .send(line({ text, facts: {} }))
        .expect(200);
    await log('did before');
    const first = await read();
    expect(car(first, buildId).since.map((e) => e.text)).toContain('did before');
    await seen(first.walkId, buildId).expect(200);
    await end(first.walkId).expect(200);
    it.server.clock.set('2026-03-12T10:00:00.000Z');
    for (let i = 0; i < 8; i += 1) await log(`did ${i}`);
    const { since, more } = car(await read(), buildId);
    expect(since.map((e) => e.text)).toEqual(['did 7', 'did 6', 'did 5', 'did 4', 'did 3', 'did 2']);
    expect(more).toBe(2);
    it.server.clock.set('2026-03-11T10:00:00.000Z');
  });

  test('on another device another walk begins; the one before is over', async () => {
    const buildId = await makeBuild(it.owner);
    const one = await read();
    await seen(one.walkId, buildId).expect(200);
    const other = nextId();
    await seen(other, buildId).expect(200);
    expect((await read()).walkId).toBe(other);
    // What the first device had still to send is not lost.
    await seen(one.walkId, buildId, { agoMs: 60_000 }).expect(200);
    await end(other).expect(200);
  });

  test('somebody else’s walk, and a car that is not there', async () => {
    const buildId = await makeBuild(it.owner);
    const { walkId } = await read();
    await seen(walkId, buildId).expect(200);
    await seen(walkId, buildId, {}, it.office).expect(404);
    await end(walkId, it.office).expect(404);
    await seen(walkId, nextId()).expect(404);
    expect((await seen(walkId, buildId, { agoMs: -1 }).expect(400)).body.fields[0]).toMatchObject({
      field: 'agoMs',
      reason: 'not in the future',
    });
    await end(walkId).expect(200);
  });

  test('a technician sees no price in what was logged', async () => {
    const buildId = await makeBuild(it.owner);
    await it.owner
      .post(pathOf('entryAdd', { buildId }))
      .send(line({ kind: 'spent', text: 'spent 96.50 on cloth', facts: { moneyMinor: 9650 } }))
      .expect(200);
    const words = JSON.stringify(car(await read(it.technician), buildId));
    expect(words).toContain('on cloth');
    expect(words).not.toContain('96.50');
  });
});

test('an entry of a device that was away is of the hour in which it was written', async () => {
  const buildId = await makeBuild(it.owner);
  const body = { ...line({ text: 'did away', facts: {} }), agoMs: 3 * 3600_000 };
  const kept = await it.owner.post(pathOf('entryAdd', { buildId })).send(body).expect(200);
  expect(kept.body).toMatchObject({ at: '2026-03-11T07:00:00.000Z' });
  // Sent again later, after a lost answer, it is the same entry.
  const again = await it.owner
    .post(pathOf('entryAdd', { buildId }))
    .send({ ...body, agoMs: 4 * 3600_000 })
    .expect(200);
  expect(again.body).toEqual(kept.body);
  for (const agoMs of [-5, 1.5, 100 * 24 * 3600_000])
    await it.owner
      .post(pathOf('entryAdd', { buildId }))
      .send({ ...body, id: nextId(), agoMs })
      .expect(400);
});

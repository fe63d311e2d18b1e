/**
 * What the server is asked from outside and by what is below it. Nasty cases: a name that is not ours (DNS rebinding), the demo door
 * where others reach the server, a database that is away, a disk that is full, a value beyond its column.
 */
import { describe, expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import { createApp } from '#server/app.ts';
import { line, makeBuild, nextId, openShop } from '#tests/support/server.ts';
import { refusalOfStorage } from './storageFaults.ts';

const it = openShop('outside');

describe('names', () => {
  const ask = (host: string) => supertest(it.server.app.express).get(pathOf('health')).set('host', host);
  test.each(['localhost:4100', '127.0.0.1', '[::1]:4100', '192.168.1.20:4100'])('%s is answered', (host) =>
    ask(host).expect(200),
  );
  test.each(['evil.example', 'localhost.evil.example', 'xn--lcalhost-n4a:4100'])('"%s" is not', (host) =>
    ask(host).expect(421),
  );
  test('a name that a setting gives is answered', async () => {
    const app = createApp({ ...it.server.deps, hosts: ['shop.lan'] }, null);
    await supertest(app.express).get(pathOf('health')).set('host', 'SHOP.lan:80').expect(200);
    await app.close();
  });
});

test('where others reach the server, the demo door is shut unless a setting opens it', async () => {
  const app = createApp({ ...it.server.deps, openDemo: false }, null);
  const ask = supertest.agent(app.express);
  expect((await ask.get(pathOf('sessionRead')).expect(200)).body.demo).toBe(false);
  await ask.post(pathOf('signInDemo')).send({ role: 'owner' }).expect(404);
  await app.close();
});

test('a full disk: the photograph is refused in words, and what was logged before is there', async () => {
  const buildId = await makeBuild(it.owner);
  const entry = line();
  await it.owner.post(pathOf('entryAdd', { buildId })).send(entry).expect(200);
  const full = (): Promise<never> =>
    Promise.reject(Object.assign(new Error('no space left'), { code: 'ENOSPC' }));
  const { incoming } = it.server.deps.photos;
  it.server.deps.photos.incoming = full;
  const { body } = await it.owner
    .put(pathOf('photoUpload', { buildId, entryId: entry.id, photoId: nextId() }))
    .set('content-type', 'application/octet-stream')
    .send(Buffer.from('x'))
    .expect(507);
  expect(body.detail).toContain('disk of the shop’s server is full');
  it.server.deps.photos.incoming = incoming;
  expect((await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body.entries).toHaveLength(1);
});

test('twelve who log on a car that is held: pages, sign-in and logging on other cars go on, and all twelve are kept', async () => {
  const [held, other] = [await makeBuild(it.owner), await makeBuild(it.owner)];
  await it.server.admin.query('begin');
  await it.server.admin.query('select from builds where id = $1 for update', [held]);
  const waiting = Array.from({ length: 12 }, () =>
    it.owner
      .post(pathOf('entryAdd', { buildId: held }))
      .send(line())
      .then((r) => r.status),
  );
  let kept = 0;
  for (const one of waiting) void one.then(() => (kept += 1));
  await new Promise((resolve) => setTimeout(resolve, 300));
  await Promise.all([
    it.owner.get(pathOf('floor')).expect(200),
    it.owner.get(pathOf('sessionRead')).expect(200),
    supertest(it.server.app.express).get(pathOf('health')).expect(200),
    it.owner
      .post(pathOf('entryAdd', { buildId: other }))
      .send(line())
      .expect(200),
  ]);
  expect(kept).toBe(0);
  await it.server.admin.query('rollback');
  expect(await Promise.all(waiting)).toEqual(Array(12).fill(200));
});

test('who waits too long for a car that is held is told so, and nothing of it is kept', async () => {
  const held = await makeBuild(it.owner);
  await it.server.admin.query('begin');
  await it.server.admin.query('select from builds where id = $1 for update', [held]);
  const { body } = await it.owner
    .post(pathOf('entryAdd', { buildId: held }))
    .send(line())
    .expect(503);
  expect(body.detail).toContain('took too long');
  await it.server.admin.query('rollback');
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId: held })).expect(200)).body;
  expect(entries).toEqual([]);
}, 30_000);

describe('what the database says', () => {
  test.each([
    ['57P01', 503],
    ['08006', 503],
    ['ECONNREFUSED', 503],
    ['53100', 507],
    ['ENOSPC', 507],
    ['22003', 400],
    ['23505', 409],
  ])('%s becomes %i', (code, status) => expect(refusalOfStorage({ code })?.status).toBe(status));
  test('what nobody knows stays a fault', () => expect(refusalOfStorage({ code: '42703' })).toBeNull());
});

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

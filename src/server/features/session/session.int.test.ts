/**
 * Signing in. Nasty cases: wrong password, unknown address, the same address in two shops, eleven tries, a session id
 * set beforehand, a sign-out, a second first run, two first runs at once, a demo door where there is no demo.
 */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import { createApp } from '#server/app.ts';
import { makeShop, nextId, startServer, type TestServer } from '#tests/support/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

const ask = () => supertest.agent(server.app.express);
const firstRun = (more: object = {}) => ({
  shopId: nextId(),
  personId: nextId(),
  shopName: 'Quay Works',
  currency: 'EUR',
  units: 'metric',
  locale: 'de-AT',
  timeZone: 'Europe/Vienna',
  ownerName: 'Lena Auer',
  email: 'Lena@Quay.example',
  password: 'ten letters',
  ...more,
});

describe('the first run', () => {
  test('an empty installation says so, and has no demo door', async () => {
    expect((await ask().get(pathOf('sessionRead')).expect(200)).body).toMatchObject({
      person: null,
      firstRun: true,
      demo: false,
    });
    await ask().post(pathOf('signInDemo')).send({ role: 'owner' }).expect(404);
  });

  test.each([
    ['currency', 'ABC'],
    ['timeZone', 'Saltmarsh'],
    ['locale', 'no such language'],
    ['password', 'short'],
    ['email', 'lena'],
    ['shopName', ''],
  ])('a %s of "%s" is refused at its field', async (field, value) => {
    const { body } = await ask()
      .post(pathOf('shopCreate'))
      .send(firstRun({ [field]: value }))
      .expect(400);
    expect(body.fields).toEqual([expect.objectContaining({ field })]);
  });

  test('of three at once one makes the shop, is its owner, and is signed in', async () => {
    const agents = [ask(), ask(), ask()];
    const answers = await Promise.all(
      agents.map((a, i) => a.post(pathOf('shopCreate')).send(firstRun({ email: `owner${i}@quay.example` }))),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409]);
    const won = answers.findIndex((a) => a.status === 200);
    const session = (await agents[won]!.get(pathOf('sessionRead')).expect(200)).body;
    expect(session).toMatchObject({
      person: { role: 'owner', name: 'Lena Auer' },
      shop: { name: 'Quay Works', currency: 'EUR', isDemo: false },
      firstRun: false,
      demo: false,
    });
    expect((await server.admin.query('select count(*)::int as n from shops')).rows[0].n).toBe(1);
  });
});

describe('the sign-in', () => {
  test('right address in any case, and password: a cookie that scripts cannot read and other sites do not send', async () => {
    const shop = await makeShop(server, 'door');
    const { headers } = await ask()
      .post(pathOf('signIn'))
      .send({ email: shop.people.owner.email.toUpperCase(), password: 'correct horse battery' })
      .expect(200);
    const cookie = headers['set-cookie']![0]!;
    expect(cookie).toMatch(/^avrik=.*; Path=\/; .*HttpOnly; SameSite=Lax$/i);
  });

  test('behind TLS the cookie is Secure and browsers are told to stay with https', async () => {
    const app = createApp({ ...server.deps, secure: true }, null);
    const { headers } = await supertest(app.express)
      .post(pathOf('signIn'))
      .set('x-forwarded-proto', 'https')
      .send({ email: 'owner@door.example', password: 'correct horse battery' })
      .expect(200);
    expect(headers['set-cookie']![0]).toMatch(/; Secure/);
    expect(headers['strict-transport-security']).toContain('max-age=31536000');
    await app.close();
  });

  test('wrong password and unknown address answer alike', async () => {
    const a = await ask()
      .post(pathOf('signIn'))
      .send({ email: 'owner@door.example', password: 'wrong' })
      .expect(401);
    const b = await ask()
      .post(pathOf('signIn'))
      .send({ email: 'nobody@door.example', password: 'wrong' })
      .expect(401);
    expect({ ...a.body, requestId: '' }).toEqual({ ...b.body, requestId: '' });
  });

  test('passwords are kept as argon2id, with the parameters of OWASP’s Password Storage Cheat Sheet', async () => {
    const { rows } = await server.admin.query<{ password_hash: string }>('select password_hash from people');
    for (const r of rows) expect(r.password_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  });

  test('the session id changes at sign-in, and after signing out the old one opens nothing', async () => {
    const agent = ask();
    const signIn = () =>
      agent
        .post(pathOf('signIn'))
        .send({ email: 'owner@door.example', password: 'correct horse battery' })
        .expect(200);
    const first = (await signIn()).headers['set-cookie']![0]!.split(';')[0]!;
    const second = (await signIn()).headers['set-cookie']![0]!.split(';')[0]!;
    expect(second).not.toBe(first);
    await supertest(server.app.express).get(pathOf('floor')).set('cookie', first).expect(401);
    await supertest(server.app.express).get(pathOf('floor')).set('cookie', second).expect(200);
    await agent.delete(pathOf('signOut')).expect(200);
    await supertest(server.app.express).get(pathOf('floor')).set('cookie', second).expect(401);
  });

  test('a forged cookie opens nothing', async () => {
    await supertest(server.app.express).get(pathOf('floor')).set('cookie', 'avrik=s%3Aabc.def').expect(401);
  });

  test('the eleventh wrong try has to wait, and a right one too', async () => {
    const other = await startServer();
    const shop = await makeShop(other, 'limit');
    const agent = supertest.agent(other.app.express);
    const attempt = (password: string) =>
      agent.post(pathOf('signIn')).send({ email: shop.people.owner.email, password });
    for (let i = 0; i < 10; i += 1) await attempt('wrong').expect(401);
    expect((await attempt('wrong').expect(429)).body.type).toBe('urn:avrik:problem:too-many');
    await attempt('correct horse battery').expect(429);
    await other.stop();
  });

  test('the demo door opens the demo shop only, in the role asked for', async () => {
    const session = (await ask().post(pathOf('signInDemo')).send({ role: 'technician' }).expect(200)).body;
    expect(session).toMatchObject({ person: { role: 'technician' }, shop: { isDemo: true } });
    await ask().post(pathOf('signInDemo')).send({ role: 'king' }).expect(400);
  });
});

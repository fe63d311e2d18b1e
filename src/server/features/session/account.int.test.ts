/**
 * Accounts. Nasty cases: a link used twice, too old, forged, of somebody who left, of another person; an address nobody has; a
 * common password; the wrong old one; a code used twice, an old one, a recovery code twice; tries from many addresses; a stream
 * that outlives its session; a record that somebody would change.
 */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { generateSync } from 'otplib';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { AccountEvent, AccountView, RecoveryCodes, SecondFactorBegun } from '#contract/account.ts';
import { startWorker, type Worker } from '#server/jobs/worker.ts';
import { makeBuild, makeShop, nextId, openShop, startServer, type Agent } from '#tests/support/server.ts';
import { RESET_MS, passwordToken } from './links.ts';

const it = openShop('account');
const PASSWORD = 'correct horse battery';
let worker: Worker;
beforeAll(async () => {
  worker = await startWorker(it.server.deps);
  it.server.beforeStop.push(() => worker.stop());
});

const ask = (): Agent => supertest.agent(it.server.app.express);
const enter = (email: string, password: string, code?: string) =>
  ask()
    .post(pathOf('signIn'))
    .send({ email, password, ...(code === undefined ? {} : { code }) });
const events = async (): Promise<AccountEvent[]> =>
  ((await it.owner.get(pathOf('accountEvents')).expect(200)).body as { events: AccountEvent[] }).events;
const setBy = (token: string, password: string) =>
  ask().post(pathOf('passwordSet')).send({ token, password });

async function until<T>(look: () => Promise<T | undefined>): Promise<T> {
  for (let i = 0; i < 200; i += 1) {
    const found = await look();
    if (found !== undefined) return found;
    await new Promise((r) => setTimeout(r, 50));
  }
  throw new Error('it did not come in ten seconds');
}
/** The link in the newest mail to an address. */
const mailedTo = (email: string, not = ''): Promise<string> =>
  until(async () => {
    const { mails } = (await it.owner.get(pathOf('outboxList'))).body as {
      mails: { to: string; text: string }[];
    };
    const texts = mails.filter((m) => m.to.includes(email)).map((m) => /\/password\/(\S+)/.exec(m.text)?.[1]);
    return texts.find((t) => t !== undefined && t !== not);
  });
const hashOf = async (id: string): Promise<string> =>
  (
    await it.server.admin.query<{ password_hash: string }>('select password_hash from people where id = $1', [
      id,
    ])
  ).rows[0]!.password_hash;

describe('a forgotten password', () => {
  test('a link comes by mail, works once, and signs its holder out everywhere', async () => {
    const { email } = it.shop.people.technician;
    const before = ask();
    await before.post(pathOf('signIn')).send({ email, password: PASSWORD }).expect(200);
    await ask().post(pathOf('passwordForgot')).send({ email: email.toUpperCase() }).expect(200);
    const token = await mailedTo(email);
    expect((await setBy(token, 'password12').expect(400)).body.fields[0].field).toBe('password');
    await setBy(token, 'a door in the hedge').expect(200);
    await setBy(token, 'another door in it').expect(404);
    await enter(email, PASSWORD).expect(401);
    await enter(email, 'a door in the hedge').expect(200);
    // A session that this process has looked at is believed for five seconds (decision 4).
    await new Promise((r) => setTimeout(r, 5200));
    await before.get(pathOf('floor')).expect(401);
    expect((await events()).map((e) => e.kind)).toEqual(
      expect.arrayContaining(['reset asked', 'password set', 'sign-in failed', 'signed in']),
    );
  });

  test('an address that nobody has is answered alike, and no mail goes', async () => {
    const known = await ask()
      .post(pathOf('passwordForgot'))
      .send({ email: it.shop.people.office.email })
      .expect(200);
    const unknown = await ask()
      .post(pathOf('passwordForgot'))
      .send({ email: 'nobody@account.example' })
      .expect(200);
    expect(unknown.body).toEqual(known.body);
  });

  test('too old, of a changed password, of another person, made up: worth nothing', async () => {
    const { id: personId } = it.shop.people.office;
    const holder = { shopId: it.shop.id, personId, passwordHash: await hashOf(personId) };
    const now = Date.parse(it.server.clock.now());
    const good = passwordToken(it.server.deps, holder, now + RESET_MS);
    await setBy(passwordToken(it.server.deps, holder, now - 1), 'a door in the hedge').expect(404);
    await setBy(passwordToken({ secret: 'guessed' }, holder, now + RESET_MS), 'a door in the hedge').expect(
      404,
    );
    await setBy(good.replace(personId, it.shop.people.owner.id), 'a door in the hedge').expect(404);
    await setBy(good.slice(0, -1), 'a door in the hedge').expect(404);
    await setBy('..', 'a door in the hedge').expect(404);
    await setBy(good, 'a door in the hedge').expect(200);
  });

  test('a fourth link within a quarter of an hour is not mailed', async () => {
    const statuses = [];
    for (let i = 0; i < 4; i += 1)
      statuses.push(
        (await ask().post(pathOf('passwordForgot')).send({ email: 'many@account.example' })).status,
      );
    expect(statuses).toEqual([200, 200, 200, 429]);
  });
});

describe('one’s own password', () => {
  test('is changed with the old one; common ones and one’s own name are refused; elsewhere one is signed out', async () => {
    const { email } = it.shop.people.owner;
    const change = (old: string, password: string) =>
      it.owner.put(pathOf('passwordChange')).send({ old, password });
    expect((await change('wrong', 'a door in the hedge').expect(400)).body.fields[0].field).toBe('old');
    for (const weak of ['1234567890', 'iloveyou12', 'Wren Osgood', email])
      expect((await change(PASSWORD, weak).expect(400)).body.fields[0].field).toBe('password');
    const elsewhere = ask();
    await elsewhere.post(pathOf('signIn')).send({ email, password: PASSWORD }).expect(200);
    const view = (await change(PASSWORD, 'a door in the hedge').expect(200)).body as AccountView;
    expect(view.sessions.map((s) => s.isThis)).toEqual([true]);
    await elsewhere.get(pathOf('accountRead')).expect(401);
    await change('a door in the hedge', PASSWORD).expect(200);
  });

  test('where one is signed in: listed, and ended one by one', async () => {
    const { email } = it.shop.people.owner;
    const other = ask();
    await other
      .post(pathOf('signIn'))
      .set('user-agent', 'Tablet')
      .send({ email, password: PASSWORD })
      .expect(200);
    const { sessions } = (await it.owner.get(pathOf('accountRead')).expect(200)).body as AccountView;
    const there = sessions.find((s) => s.device === 'Tablet')!;
    expect(JSON.stringify(sessions)).not.toContain('s%3A');
    await it.technician.delete(pathOf('sessionEnd', { session: there.id })).expect(401);
    await it.owner.delete(pathOf('sessionEnd', { session: there.id })).expect(200);
    await other.get(pathOf('accountRead')).expect(401);
    await it.owner.delete(pathOf('sessionEnd', { session: there.id })).expect(404);
  });
});

describe('people are invited', () => {
  test('without a password: they set their own by the link that the owner gets', async () => {
    const personId = nextId();
    const email = 'fay@account.example';
    const person = { version: 0, name: 'Fay Quill', email, role: 'technician', hasLeft: false };
    const lists = (await it.owner.put(pathOf('personPut', { personId })).send(person).expect(200)).body;
    expect(lists.people.find((p: { id: string }) => p.id === personId)).toMatchObject({ invited: true });
    const { url, mailed } = (await it.owner.post(pathOf('personInvite', { personId })).expect(200)).body;
    expect(mailed).toBe(true);
    const token = (url as string).split('/password/')[1]!;
    await setBy(token, 'a gate by the shore').expect(200);
    await enter(email, 'a gate by the shore').expect(200);
    expect((await events()).filter((e) => e.person === 'Fay Quill').map((e) => e.kind)).toEqual(
      expect.arrayContaining(['person changed', 'invited', 'password set', 'signed in']),
    );
    await it.owner
      .put(pathOf('personPut', { personId }))
      .send({ ...person, version: 2, hasLeft: true })
      .expect(200);
    await it.owner.post(pathOf('personInvite', { personId })).expect(404);
    await enter(email, 'a gate by the shore').expect(401);
  });
});

describe('the second factor', () => {
  /** Test vectors of RFC 6238, appendix B, for SHA-1, cut to six digits. */
  test.each([
    [59, '287082'],
    [1_111_111_109, '081804'],
    [1_111_111_111, '050471'],
    [1_234_567_890, '005924'],
    [2_000_000_000, '279037'],
  ])('its codes are those of RFC 6238: %i s', (epoch, code) => {
    expect(generateSync({ secret: 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ', epoch })).toBe(code);
  });

  test('on with a code; asked for at sign-in; no code twice; a recovery code once; off with the password', async () => {
    const { email } = it.shop.people.owner;
    const begun = (await it.owner.post(pathOf('secondFactorBegin')).expect(200)).body as SecondFactorBegun;
    const secret = begun.secret.replace(/ /g, '');
    expect(begun.uri).toContain(`secret=${secret}`);
    const at = (seconds: number): string => {
      it.server.clock.set(new Date(Date.parse('2026-03-11T10:00:00.000Z') + seconds * 1000).toISOString());
      return generateSync({ secret, epoch: Math.floor(Date.parse(it.server.clock.now()) / 1000) });
    };
    await enter(email, PASSWORD).expect(200); // It does not count yet.
    await it.owner.put(pathOf('secondFactorConfirm')).send({ code: '000000' }).expect(400);
    const { codes } = (
      await it.owner
        .put(pathOf('secondFactorConfirm'))
        .send({ code: at(0) })
        .expect(200)
    ).body as RecoveryCodes;
    expect(new Set(codes).size).toBe(10);
    const without = await enter(email, PASSWORD).expect(401);
    expect(without.body.fields[0].field).toBe('code');
    await enter(email, PASSWORD, at(0)).expect(401); // Used to confirm.
    const code = at(60);
    await enter(email, PASSWORD, code).expect(200);
    await enter(email, PASSWORD, code).expect(401);
    await enter(email, PASSWORD, at(0)).expect(401);
    it.server.clock.set('2026-03-11T10:10:00.000Z');
    await enter(email, 'not the password', codes[0]).expect(401);
    await enter(email, PASSWORD, codes[0]!.toUpperCase()).expect(200);
    await enter(email, PASSWORD, codes[0]).expect(401);
    const { rows } = await it.server.admin.query(
      'select totp_secret, recovery_hashes from people where totp_on',
    );
    expect(rows[0].totp_secret.toString('latin1')).not.toContain(secret);
    expect(rows[0].recovery_hashes).toHaveLength(9);
    await it.owner.post(pathOf('secondFactorOff')).send({ password: 'wrong' }).expect(400);
    await it.owner.post(pathOf('secondFactorOff')).send({ password: PASSWORD }).expect(200);
    await enter(email, PASSWORD).expect(200);
  });
});

test('what was noted is read by the owner only, and changed by nobody', async () => {
  await it.office.get(pathOf('accountEvents')).expect(401);
  for (const sql of ['update account_events set text = $1', 'delete from account_events where text <> $1'])
    await expect(it.server.admin.query(sql, ['x'])).rejects.toThrow('never changed');
});

describe('tries', () => {
  test('of one account are counted whatever address they come from; another account is not shut out', async () => {
    const other = await startServer();
    const shop = await makeShop(other, 'tries');
    const attempt = (email: string, password: string, from: number) =>
      supertest(other.app.express)
        .post(pathOf('signIn'))
        // Nobody’s word is taken for an address where no setting names a proxy.
        .set('x-forwarded-for', `203.0.113.${from}`)
        .send({ email, password });
    const { owner, office } = shop.people;
    const statuses = [];
    for (let i = 0; i < 12; i += 1) statuses.push((await attempt(owner.email, 'wrong', i)).status);
    expect(statuses).toEqual([...Array<number>(10).fill(401), 429, 429]);
    await attempt(owner.email.toUpperCase(), PASSWORD, 99).expect(429);
    await attempt(office.email, PASSWORD, 99).expect(200);
    await other.stop();
  });
});

describe('streams', () => {
  let http: Server;
  afterAll(() => {
    http.closeAllConnections();
    http.close();
  });

  test('end with the session, and twenty are enough for anybody', async () => {
    await it.server.app.hub.start();
    await new Promise<void>((resolve) => {
      http = it.server.app.express.listen(0, '127.0.0.1', () => resolve());
    });
    const { port } = http.address() as AddressInfo;
    const { email } = it.shop.people.owner;
    const agent = ask();
    const { headers } = await agent.post(pathOf('signIn')).send({ email, password: PASSWORD }).expect(200);
    const cookie = (headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
    const open = () => fetch(`http://127.0.0.1:${port}${pathOf('live')}`, { headers: { cookie } });
    const streams = await Promise.all(Array.from({ length: 20 }, open));
    expect(streams.map((s) => s.status)).toEqual(Array<number>(20).fill(200));
    expect((await open()).status).toBe(429);
    const ended = Promise.all(streams.map((s) => s.text()));
    await agent.delete(pathOf('signOut')).expect(200);
    // They end by themselves; otherwise this would never be fulfilled.
    expect(await ended).toHaveLength(20);
  });
});

test('links, the mail server and what is taken out stand in the record too, with who did it', async () => {
  const buildId = await makeBuild(it.owner);
  await it.owner.post(pathOf('linkRenew', { buildId })).send({}).expect(200);
  await it.owner
    .put(pathOf('mailServerPut'))
    .send({
      ...{ version: 0, host: 'localhost', port: 25, secure: 'none', userName: '' },
      fromAddress: 'a@b.example',
    })
    .expect(200);
  await it.owner.delete(pathOf('mailServerDrop')).expect(200);
  await it.owner.get(pathOf('partsCsv')).expect(200);
  await it.owner.get(pathOf('estimateCsv', { buildId })).expect(200);
  await it.owner.get(pathOf('estimateJson', { buildId })).expect(200);
  const taken = (await events()).filter((e) => e.kind === 'export');
  expect(taken.map((e) => e.by)).toEqual(['Wren Osgood', 'Wren Osgood', 'Wren Osgood']);
  expect(JSON.stringify(taken)).toMatch(/as JSON.*as CSV.*parts of all cars/s);
  const noted = (await events()).filter((e) => ['link', 'mail server'].includes(e.kind));
  expect(noted.map((e) => e.by)).toEqual(['Wren Osgood', 'Wren Osgood', 'Wren Osgood']);
  expect(JSON.stringify(noted)).toContain('localhost');
});

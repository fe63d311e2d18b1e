/**
 * Mail over HTTP and SMTP, both ways. Nasty cases: a server that refuses for good, that asks for a password, that is away; a password
 * read back; a demo shop that would send out; two at one setting; an answer sent twice, with nothing in it, with a file, from another's
 * address; an address that is made up, or whose link is closed; out of office; a report about a letter of another car.
 */
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import nodemailer from 'nodemailer';
import { SMTPServer } from 'smtp-server';
import { pathOf } from '#contract/routes.ts';
import type { EntriesView } from '#contract/entries.ts';
import type { LetterView } from '#contract/letters.ts';
import type { MailServerDto, OutboxView } from '#contract/mail.ts';
import type { QuestionView } from '#contract/questions.ts';
import { figuresTold } from '#core/update/letter.ts';
import { mailRevision } from '#server/features/estimate/index.ts';
import { mailLetter, textLetter } from '#server/features/letters/index.ts';
import { answerAddress, linkOfAddress } from '#server/mail/address.ts';
import { openPost } from '#server/mail/post.ts';
import { seal, unseal } from '#server/mail/seal.ts';
import {
  estimateLine,
  line,
  makeBuild,
  makeShop,
  nextId,
  openShop,
  signedIn,
} from '#tests/support/server.ts';

const it = openShop('mail');

/** A server as a shop would have one: it wants a name and a password, and takes what it is given. */
const taken: { from: string; raw: string }[] = [];
const real = new SMTPServer({
  authMethods: ['PLAIN', 'LOGIN'],
  allowInsecureAuth: true,
  disabledCommands: ['STARTTLS'],
  onAuth: ({ username, password }, _session, done) =>
    username === 'wren' && password === 'pass word'
      ? done(null, { user: 'wren' })
      : done(new Error('wrong password')),
  onData: (stream, session, done) => {
    let raw = '';
    stream.on('data', (c: Buffer) => (raw += c.toString()));
    stream.on('end', () => {
      const { mailFrom } = session.envelope;
      taken.push({ from: mailFrom === false ? '' : mailFrom.address, raw });
      done();
    });
  },
});
let port = 0;
beforeAll(async () => {
  await new Promise<void>((resolve) => real.listen(0, '127.0.0.1', resolve));
  ({ port } = real.server.address() as AddressInfo);
  it.server.deps.publicUrl = 'http://shop.example';
});
afterAll(() => new Promise<void>((resolve) => real.close(() => resolve())));

const put = (more: Partial<MailServerDto> = {}) =>
  it.owner.put(pathOf('mailServerPut')).send({
    ...{ version: 0, host: '127.0.0.1', port, secure: 'none', userName: 'wren', password: 'pass word' },
    ...{ fromAddress: 'shop@saltmarsh.example', ...more },
  });
const tryIt = async () => (await it.owner.post(pathOf('mailServerTry')).expect(200)).body;
const drop = () => it.owner.delete(pathOf('mailServerDrop')).expect(200);
const mails = async (): Promise<OutboxView['mails']> =>
  (await it.owner.get(pathOf('outboxList')).expect(200)).body.mails;
const entriesOf = async (buildId: string): Promise<EntriesView['entries']> =>
  (await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body.entries;
const questionsOf = async (buildId: string): Promise<QuestionView[]> =>
  (await it.owner.get(pathOf('questionsRead', { buildId })).expect(200)).body;

/** A letter that went, and the mail that carries it. */
async function sentLetter(more: object = {}) {
  const email = `${nextId()}@example.org`;
  const buildId = await makeBuild(it.owner, { customerEmail: email, ...more });
  await it.owner
    .post(pathOf('entryAdd', { buildId }))
    .send(line({ text: 'did the hinges' }))
    .expect(200);
  const { body: draft } = await it.owner
    .post(pathOf('letterDraft', { buildId }))
    .send({ id: nextId() })
    .expect(200);
  const letter = draft as LetterView;
  const figures = figuresTold(letter.content);
  await it.owner
    .post(pathOf('letterSend', { letterId: letter.id }))
    .send({ version: letter.version, figures })
    .expect(200);
  const job = { shopId: it.shop.id, letterId: letter.id };
  const go = (): Promise<void> => mailLetter(it.server.deps, openPost(it.server.deps), job, false);
  return { buildId, letterId: letter.id, email, job, go };
}
const letterOf = async (letterId: string): Promise<LetterView> =>
  (await it.owner.get(pathOf('letterRead', { letterId })).expect(200)).body;
const mailTo = async (email: string) => (await mails()).find((m) => m.to.includes(email))!;

describe('the shop’s own server', () => {
  test('tried: taken with its password; letters go through it from the shop’s address', async () => {
    expect((await it.owner.get(pathOf('mailServerRead')).expect(200)).body).toMatchObject({
      server: null,
      usual: 'stand-in',
      whyNot: null,
    });
    const { body } = await put().expect(200);
    expect(body.server).toMatchObject({ host: '127.0.0.1', hasPassword: true, version: 1 });
    expect(JSON.stringify(body)).not.toContain('pass word');
    expect(await tryIt()).toEqual({ to: it.shop.people.owner.email, why: null, released: 0 });
    const letter = await sentLetter();
    await letter.go();
    expect(taken.at(-1)!.from).toBe('shop@saltmarsh.example');
    expect(taken.at(-1)!.raw).not.toMatch(/Reply-To/i);
    // RFC 5322, 3.3 and 3.6.4: a date in its form, an identifier of the sender’s domain; and nothing of ours inside.
    expect(taken.at(-1)!.raw).toMatch(
      /^Date: [A-Z][a-z]{2}, \d{1,2} [A-Z][a-z]{2} \d{4} \d{2}:\d{2}:\d{2} \+0000\r$/m,
    );
    expect(taken.at(-1)!.raw).toMatch(/^Message-ID: <letter-[\w-]+@saltmarsh\.example>\r$/m);
    expect(taken.at(-1)!.raw).not.toMatch(/^X-Avrik|avrik\.invalid/im);
    expect((await letterOf(letter.letterId)).mail).toBe('accepted');
    await drop();
  });

  test('a wrong password, a server that is away, one that cannot hide what is said: in its own words', async () => {
    await put({ password: 'wrong' }).expect(200);
    expect((await tryIt()).why).toMatch(/wrong password|Invalid login/);
    await put({ version: 1, host: '127.0.0.1', port: 1 }).expect(200);
    expect((await tryIt()).why).toMatch(/ECONNREFUSED/);
    await put({ version: 2, secure: 'starttls' }).expect(200);
    expect((await tryIt()).why).toMatch(/STARTTLS|TLS/i);
    await drop();
  });

  test('the password is kept where it is not typed again, and goes to no other server', async () => {
    await put().expect(200);
    const { body } = await put({
      version: 1,
      fromAddress: 'other@saltmarsh.example',
      password: undefined,
    }).expect(200);
    expect(body.server).toMatchObject({ hasPassword: true, fromAddress: 'other@saltmarsh.example' });
    const { body: refused } = await put({ version: 2, host: 'localhost', password: undefined }).expect(400);
    expect(refused.fields[0].field).toBe('password');
    await put({ version: 1 }).expect(409);
    const { rows } = await it.server.admin.query('select password from mail_settings');
    expect(rows[0].password.toString('latin1')).not.toContain('pass word');
    expect(unseal(it.server.deps.secret, rows[0].password)).toBe('pass word');
    await drop();
  });

  test.each([
    ['host', 'two words'],
    ['port', 0],
    ['secure', 'maybe'],
    ['fromAddress', 'nobody'],
  ])('%s: %p is refused at its field', async (field, value) => {
    const { body } = await put({ [field]: value } as never).expect(400);
    expect(body.fields[0].field).toBe(field);
  });

  test('a demo shop sends nothing out; another shop has its own', async () => {
    const demo = await signedIn(it.server, await makeShop(it.server, 'mail-demo'), 'owner');
    const server = {
      version: 0,
      host: 'mail.example.org',
      port: 25,
      secure: 'none',
      userName: '',
      fromAddress: 'a@b.example',
    };
    const { body } = await demo.put(pathOf('mailServerPut')).send(server).expect(400);
    expect(body.fields[0].field).toBe('host');
    await demo
      .put(pathOf('mailServerPut'))
      .send({ ...server, host: 'localhost' })
      .expect(200);
    expect((await it.owner.get(pathOf('mailServerRead'))).body.server).toBeNull();
  });

  test('sealed anew it reads otherwise; changed, or under another secret, it does not open', () => {
    const sealed = seal('a secret', 'pass');
    expect(seal('a secret', 'pass').equals(sealed)).toBe(false);
    expect(() => unseal('another', sealed)).toThrow();
    sealed[14]! ^= 1;
    expect(() => unseal('a secret', sealed)).toThrow();
  });
});

describe('failures', () => {
  test('refused for good it is not tried again, and the letter says so', async () => {
    const letter = await sentLetter({ customerEmail: 'nobody@example.org' });
    await letter.go();
    const { mail, mailNote } = await letterOf(letter.letterId);
    expect([mail, mailNote]).toEqual(['failed', expect.stringContaining('no such mailbox')]);
  });

  test('an estimate that is refused for good is said in the logbook; one that may still go is tried again', async () => {
    const buildId = await makeBuild(it.owner, { customerEmail: 'nobody@example.org' });
    await it.owner
      .put(pathOf('estimateLinePut', { buildId, lineId: nextId() }))
      .send(estimateLine())
      .expect(200);
    const revisionId = nextId();
    await it.owner
      .post(pathOf('revisionSend', { buildId }))
      .send({ id: revisionId, note: '', after: 0 })
      .expect(200);
    const job = { shopId: it.shop.id, revisionId };
    const away = openPost({ ...it.server.deps, smtpUrl: 'smtp://127.0.0.1:1' });
    await expect(mailRevision(it.server.deps, away, job, false)).rejects.toThrow('ECONNREFUSED');
    const said = async () => (await entriesOf(buildId)).filter((e) => e.text.includes('could not be sent'));
    expect(await said()).toEqual([]);
    await mailRevision(it.server.deps, openPost(it.server.deps), job, false);
    expect(await said()).toMatchObject([
      {
        audience: 'shop',
        text: expect.stringMatching(/^Estimate 1 could not be sent to Ilse Brandt: .*no such mailbox/),
      },
    ]);
  });

  test('taken, and given back by another server: marked once, and said in the logbook', async () => {
    const letter = await sentLetter();
    await letter.go();
    const { id } = await mailTo(letter.email);
    for (let i = 0; i < 2; i += 1) await it.owner.post(pathOf('outboxReturn', { mail: id })).expect(200);
    expect(await letterOf(letter.letterId)).toMatchObject({
      mail: 'returned',
      mailNote: '550 5.1.1 no such mailbox',
    });
    const said = (await entriesOf(letter.buildId)).filter((e) => e.text.includes('came back'));
    expect(said).toHaveLength(1);
    expect(said[0]!.audience).toBe('shop');
  });

  test('a report about a letter of another car changes nothing', async () => {
    const [mine, other] = [await sentLetter(), await sentLetter()];
    await mine.go();
    await other.go();
    const { rows } = await it.server.admin.query('select id from customer_links where build_id = $1', [
      mine.buildId,
    ]);
    const to = answerAddress(it.server.deps, rows[0].id);
    const transport = nodemailer.createTransport({ url: it.server.deps.smtpUrl });
    const raw = `From: x@y.example\r\nTo: ${to}\r\nContent-Type: multipart/report; boundary="b"\r\n\r\n--b\r\n\r\n<letter-${other.letterId}@avrik.invalid>\r\n--b--\r\n`;
    await transport.sendMail({ envelope: { from: '', to }, raw });
    expect((await letterOf(other.letterId)).mail).toBe('accepted');
    expect((await letterOf(mine.letterId)).mail).toBe('accepted');
  });
});

describe('answers', () => {
  test('by mail to the stand-in: asked in the logbook, on the Floor, once', async () => {
    const letter = await sentLetter();
    await letter.go();
    const { id, canAnswer } = await mailTo(letter.email);
    expect(canAnswer).toBe(true);
    await it.owner
      .post(pathOf('outboxAnswer', { mail: id }))
      .send({ text: 'Can it be blue?' })
      .expect(200);
    const [question] = await questionsOf(letter.buildId);
    expect(question).toMatchObject({ name: 'Ilse Brandt', text: 'Can it be blue?', answeredAt: null });
    const asked = (await entriesOf(letter.buildId)).filter((e) => e.kind === 'asked');
    expect(asked.map((e) => e.text)).toEqual(['Ilse Brandt asks: Can it be blue?']);
    const floor = (await it.owner.get(pathOf('floor'))).body.builds.find(
      (b: { id: string }) => b.id === letter.buildId,
    );
    expect(floor.question.text).toBe('Can it be blue?');
  });

  const linkIdOf = async (buildId: string): Promise<string> =>
    (
      await it.server.admin.query(
        'select id from customer_links where build_id = $1 and revoked_at is null',
        [buildId],
      )
    ).rows[0].id;
  const mailIn = async (to: string, mail: object) => {
    const transport = nodemailer.createTransport({ url: it.server.deps.smtpUrl });
    return transport.sendMail({ from: 'Somebody <some@body.example>', to, ...mail });
  };

  test('the same mail twice is one; without words, with a file, very long; out of office is nothing', async () => {
    const { buildId } = await sentLetter();
    const to = answerAddress(it.server.deps, await linkIdOf(buildId));
    for (let i = 0; i < 2; i += 1) await mailIn(to, { text: 'Once?', messageId: '<one@body.example>' });
    await mailIn(to, { text: '> quoted', attachments: [{ filename: 'a.txt', content: 'x' }] });
    await mailIn(to, { text: 'ä'.repeat(9000) });
    await mailIn(to, { text: 'Away until Monday', headers: { 'Auto-Submitted': 'auto-replied' } });
    const texts = (await questionsOf(buildId)).map((q) => q.text);
    expect(texts).toHaveLength(3);
    expect(texts).toEqual(
      expect.arrayContaining(['Once?', '(no words)\n(with a file, not taken in)', `${'ä'.repeat(1999)}…`]),
    );
  });

  test('an address that is made up, or whose link is closed, is refused to its sender', async () => {
    const { buildId } = await sentLetter();
    const linkId = await linkIdOf(buildId);
    const to = answerAddress(it.server.deps, linkId);
    expect(linkOfAddress(it.server.deps, to.toUpperCase())).toBe(linkId);
    const forged = `${to[7] === 'a' ? to.replace('answer-a', 'answer-b') : to.replace(/^answer-./, 'answer-a')}`;
    expect(linkOfAddress(it.server.deps, forged)).toBeNull();
    await expect(mailIn(forged, { text: 'hello' })).rejects.toThrow(/nobody answers/);
    await expect(mailIn('letters@avrik.invalid', { text: 'hello' })).rejects.toThrow(/nobody answers/);
    await it.owner.delete(pathOf('linkRevoke', { buildId })).expect(200);
    await expect(mailIn(to, { text: 'hello' })).rejects.toThrow(/nobody answers/);
    expect(await questionsOf(buildId)).toEqual([]);
  });

  test('a technician, another shop’s mail, no mail', async () => {
    const letter = await sentLetter();
    await letter.go();
    const { id } = await mailTo(letter.email);
    await it.technician
      .post(pathOf('outboxAnswer', { mail: id }))
      .send({ text: 'x' })
      .expect(403);
    const other = await signedIn(it.server, await makeShop(it.server, 'mail-other'), 'owner');
    await other
      .post(pathOf('outboxAnswer', { mail: id }))
      .send({ text: 'x' })
      .expect(404);
    await it.owner
      .post(pathOf('outboxAnswer', { mail: '..%2F..%2Fsecrets' }))
      .send({ text: 'x' })
      .expect(404);
    await it.owner
      .post(pathOf('outboxAnswer', { mail: id }))
      .send({ text: ' ' })
      .expect(400);
  });
});

describe('text messages', () => {
  const tell = async (buildId: string, textTo: string) => {
    const { body } = await it.owner.get(pathOf('mannerRead', { buildId })).expect(200);
    const { version, detail, greeting, closing } = body;
    return it.owner
      .put(pathOf('mannerPut', { buildId }))
      .send({ version, detail, greeting, closing, textTo });
  };

  test('who wants one hears that there is a letter, and where; once, however often it is tried', async () => {
    const letter = await sentLetter();
    await textLetter(it.server.deps, letter.job);
    expect((await mails()).filter((m) => m.way === 'text')).toEqual([]);
    expect((await tell(letter.buildId, '+44 7700 900123')).status).toBe(200);
    for (let i = 0; i < 2; i += 1) await textLetter(it.server.deps, letter.job);
    const texts = (await mails()).filter((m) => m.way === 'text');
    expect(texts).toHaveLength(1);
    expect(texts[0]).toMatchObject({
      to: '+44 7700 900123',
      link: expect.stringContaining('/l/'),
      canAnswer: false,
    });
  });

  test.each(['12', 'ring me', '+44 7700 900123 extension 4'])('“%s” is no number', async (textTo) => {
    const buildId = await makeBuild(it.owner);
    const { status, body } = await tell(buildId, textTo);
    expect([status, body.fields?.[0]?.field]).toEqual([400, 'textTo']);
  });
});

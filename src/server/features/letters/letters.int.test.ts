/**
 * From the logbook to the customer's page, over real SMTP to the stand-in server. Nasty cases: two drafts at once, two
 * editors, sending twice at once, changing a sent letter behind the app's back, the mail server away, a link revoked,
 * another build's letters, hostile words.
 */
import { describe, expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { DueView, LetterView } from '#contract/letters.ts';
import { figuresTold } from '#core/update/letter.ts';
import { inShop } from '#server/db/pool.ts';
import { logIn } from '#server/features/entries/index.ts';
import { queueLetter } from '#server/jobs/queue.ts';
import { openPost } from '#server/mail/post.ts';
import { startWorker } from '#server/jobs/worker.ts';
import { line, makeBuild, makeShop, nextId, openShop, signedIn, type Agent } from '#tests/support/server.ts';
import { mailLetter } from './letters.mail.ts';

const it = openShop('letters');

const log = (buildId: string, more: object) =>
  it.owner.post(pathOf('entryAdd', { buildId })).send(line(more)).expect(200);
const draft = async (buildId: string, agent = it.owner): Promise<LetterView> =>
  (await agent.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200))
    .body as LetterView;
const send = (letter: LetterView, agent = it.owner) =>
  agent
    .post(pathOf('letterSend', { letterId: letter.id }))
    .send({ version: letter.version, figures: figuresTold(letter.content) });
const texts = (l: LetterView): string =>
  l.content.parts.flatMap((p) => p.items.map((i) => i.text)).join('\n');
const pathOfLink = async (buildId: string): Promise<string> =>
  new URL((await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body.link.url).pathname;
const page = (path: string) => supertest(it.server.app.express).get(path);

describe('words with a look', () => {
  const withItem = (letter: LetterView, item: object): LetterView['content'] => ({
    ...letter.content,
    parts: [
      { id: 'next', title: 'What is next', items: [{ id: 'own-1', leftOut: false, ...item } as never] },
    ],
  });
  const save = (letter: LetterView, content: LetterView['content']) =>
    it.owner.put(pathOf('letterSave', { letterId: letter.id })).send({ version: letter.version, content });

  test('bold, an address and a list are on the page and in the mail as they were written', async () => {
    const buildId = await makeBuild(it.owner);
    const letter = await draft(buildId);
    const text = 'Two things:\n- the sill\n- the colour card';
    const href = 'https://example.org/card';
    const marks = [
      { start: text.indexOf('sill'), end: text.indexOf('sill') + 4, bold: true },
      { start: text.indexOf('colour'), end: text.length, href },
    ];
    const kept = (await save(letter, withItem(letter, { text, marks })).expect(200)).body as LetterView;
    const html = 'Two things:<ul><li>the <b>sill</b></li><li>the <a href="https://example.org/card"';
    await send(kept).expect(200);
    expect((await page(await pathOfLink(buildId)).expect(200)).text).toContain(html);
    const job = { shopId: it.shop.id, letterId: letter.id };
    await mailLetter(it.server.deps, openPost(it.server.deps), job, false);
    const [newest] = await it.server.deps.outbox!.list(it.shop.id);
    const mail = await it.server.deps.outbox!.raw(it.shop.id, newest!.id);
    expect(mail!.html).toContain(html);
    expect(mail!.text).toContain(`    - the colour card (${href})`);
  });

  test('an address that would run a script is refused with its field, and so is one of a customer’s page', async () => {
    const letter = await draft(await makeBuild(it.owner));
    const marks = [{ start: 0, end: 3, href: 'javascript:alert(1)' }];
    const { body } = await save(letter, withItem(letter, { text: 'one', marks })).expect(400);
    expect(JSON.stringify(body.fields)).toContain('an address of the web, a mailbox or a telephone');
    const other = await makeBuild(it.owner);
    await send(await draft(other)).expect(200);
    const theirs = `https://avrik.example.org${await pathOfLink(other)}`;
    const kept = await save(
      letter,
      withItem(letter, { text: 'one', marks: [{ start: 0, end: 3, href: theirs }] }),
    ).expect(200);
    expect(kept.body.leaks).toMatchObject([{ where: 'own-1', isSure: true }]);
    await send(kept.body as LetterView).expect(400);
  });
});

describe('who else writes', () => {
  const here = (agent: Agent, letterId: string, body: object) =>
    agent.post(pathOf('letterHere', { letterId })).send({ place: '', ...body });

  test('each sees the other and where they are, until they leave or fall silent; nobody of another shop does', async () => {
    const letter = await draft(await makeBuild(it.owner));
    const [mine, theirs] = [nextId(), nextId()];
    await here(it.owner, letter.id, { pageId: mine, place: 'greeting' }).expect(200);
    const seen = await here(it.office, letter.id, { pageId: theirs }).expect(200);
    expect(seen.body).toMatchObject({ version: letter.version, others: [{ place: 'greeting' }] });
    expect((await here(it.owner, letter.id, { pageId: mine })).body.others).toHaveLength(1);
    await here(it.office, letter.id, { pageId: theirs, leaving: true }).expect(200);
    expect((await here(it.owner, letter.id, { pageId: mine })).body.others).toEqual([]);
    it.server.clock.set('2026-03-11T10:01:00.000Z');
    expect((await here(it.office, letter.id, { pageId: theirs })).body.others).toEqual([]);
    const stranger = await signedIn(it.server, await makeShop(it.server, 'letters-other'), 'owner');
    await here(stranger, letter.id, { pageId: nextId() }).expect(404);
    await here(it.owner, letter.id, { pageId: 'x' }).expect(400);
  });
});

describe('the draft', () => {
  test('tells what was logged for the customer, with the figures of the build page and the costs, and the next one begins after it', async () => {
    const buildId = await makeBuild(it.owner);
    await log(buildId, { text: 'did seat frame, 3h', facts: { subject: 'seat frame', minutes: 180 } });
    await log(buildId, {
      text: 'did hood cloth, 96.50',
      facts: { subject: 'hood cloth', moneyMinor: 9650 },
    });
    // What is ordered is not spent.
    await log(buildId, {
      kind: 'ordered',
      text: 'ordered hood catch, 40',
      facts: { subject: 'hood catch', moneyMinor: 4000 },
    });
    await log(buildId, { kind: 'note', text: 'note he never pays on time', audience: 'shop' });
    const letter = await draft(buildId);
    const { workedMinutes } = (await it.owner.get(pathOf('buildRead', { buildId }))).body;
    const costs = (await it.owner.get(pathOf('costsRead', { buildId }))).body;
    expect(costs.build.unallocated).toEqual({ spentMinor: 9650, committedMinor: 4000 });
    expect(workedMinutes).toBe(180);
    expect(texts(letter)).toContain('so far: £96.50. Hours worked so far: 3 h.');
    expect(texts(letter)).toContain('Seat frame.');
    expect(JSON.stringify(letter)).not.toContain('never pays');
    await send(letter).expect(200);
    await log(buildId, { text: 'did door catch, 2h', facts: { subject: 'door catch', minutes: 120 } });
    const next = await draft(buildId);
    expect(texts(next)).toContain('Door catch.');
    expect(texts(next)).not.toContain('Seat frame.');
    expect(texts(next)).toContain('Hours worked so far: 5 h.');
  });

  test('two who press at once get the same draft', async () => {
    const buildId = await makeBuild(it.owner);
    const [a, b] = await Promise.all([draft(buildId), draft(buildId, it.office)]);
    expect(a!.id).toBe(b!.id);
  });

  test('two who edit: the second is told, and sees what is there now', async () => {
    const letter = await draft(await makeBuild(it.owner));
    const save = (agent: Agent, subject: string) =>
      agent
        .put(pathOf('letterSave', { letterId: letter.id }))
        .send({ version: letter.version, content: { ...letter.content, subject } });
    await save(it.owner, 'first').expect(200);
    const { body } = await save(it.office, 'second').expect(409);
    expect(body.current.content.subject).toBe('first');
    await it.owner
      .put(pathOf('letterSave', { letterId: letter.id }))
      .send({ version: 2, content: { ...letter.content, subject: '' } })
      .expect(400);
    await it.owner
      .put(pathOf('letterSave', { letterId: letter.id }))
      .send({ version: 2, content: { ...letter.content, html: '<b>' } })
      .expect(400);
  });

  test('says when something was logged after it, and drafts again on request', async () => {
    const buildId = await makeBuild(it.owner);
    const letter = await draft(buildId);
    expect(letter.stale).toBe(false);
    await log(buildId, { text: 'did boot lid', facts: { subject: 'boot lid' } });
    expect((await it.owner.get(pathOf('letterRead', { letterId: letter.id }))).body.stale).toBe(true);
    const again = (
      await it.owner
        .post(pathOf('letterRedraft', { letterId: letter.id }))
        .send({ version: letter.version })
        .expect(200)
    ).body as LetterView;
    expect(again.stale).toBe(false);
    expect(texts(again)).toContain('Boot lid.');
  });
});

describe('sending', () => {
  test('pressed five times at once: one letter, one entry, one mail', async () => {
    const worker = await startWorker(it.server.deps);
    const buildId = await makeBuild(it.owner, { customerEmail: 'five@example.org' });
    const letter = await draft(buildId);
    const answers = await Promise.all(Array.from({ length: 5 }, () => send(letter)));
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200, 200]);
    const told = (await it.owner.get(`${pathOf('entriesList', { buildId })}?kinds=told`)).body.entries;
    expect(told).toEqual([
      expect.objectContaining({ about: { type: 'letter', id: letter.id }, audience: 'shop' }),
    ]);
    await until(
      async () =>
        (await it.owner.get(pathOf('letterRead', { letterId: letter.id }))).body.mail === 'accepted',
    );
    await worker.stop();
    const mails = (await it.owner.get(pathOf('outboxList'))).body.mails.filter((m: { to: string }) =>
      m.to.includes('five@'),
    );
    expect(mails).toHaveLength(1);
    expect(mails[0]).toMatchObject({
      subject: letter.content.subject,
      link: `http://localhost:4100${await pathOfLink(buildId)}`,
    });
  });

  test('what was left out is in neither mail nor page, and a sent letter never changes', async () => {
    const buildId = await makeBuild(it.owner);
    await log(buildId, { text: 'did secret thing', facts: { subject: 'secret thing' } });
    await log(buildId, { text: 'did <script>alert(1)</script> hinges', facts: {} });
    const letter = await draft(buildId);
    const parts = letter.content.parts.map((p) => ({
      ...p,
      items: p.items.map((i) => ({ ...i, leftOut: i.text.includes('ecret') })),
    }));
    const content = { ...letter.content, parts, subject: 'News of the microcar' };
    const saved = (
      await it.owner
        .put(pathOf('letterSave', { letterId: letter.id }))
        .send({ version: letter.version, content })
        .expect(200)
    ).body as LetterView;
    await send(saved).expect(200);
    const html = (await page(await pathOfLink(buildId)).expect(200)).text;
    expect(html).toContain('&lt;script&gt;alert(1)&lt;/script&gt; hinges');
    expect(html).not.toMatch(/ecret|<script/);
    await it.owner
      .put(pathOf('letterSave', { letterId: letter.id }))
      .send({ version: 3, content })
      .expect(409);
    for (const sql of [
      "update letters set content = '{}' where id = $1",
      'delete from letters where id = $1',
    ])
      await expect(it.server.admin.query(sql, [letter.id])).rejects.toThrow('a sent letter never changes');
  });

  test('a letter with nothing in it, or to nobody, is not sent', async () => {
    const letter = await draft(await makeBuild(it.owner));
    const parts = letter.content.parts.map((p) => ({
      ...p,
      items: p.items.map((i) => ({ ...i, leftOut: true })),
    }));
    const content = { ...letter.content, parts };
    const saved = (
      await it.owner
        .put(pathOf('letterSave', { letterId: letter.id }))
        .send({ version: letter.version, content })
        .expect(200)
    ).body as LetterView;
    expect((await send(saved).expect(400)).body.detail).toContain('nothing to tell');
  });

  test('with the mail server away the letter waits and says why; given up, it says so; back, it goes once', async () => {
    const buildId = await makeBuild(it.owner, { customerEmail: 'later@example.org' });
    const letter = await draft(buildId);
    await send(letter).expect(200);
    const job = { shopId: it.shop.id, letterId: letter.id };
    const state = async () =>
      (await it.owner.get(pathOf('letterRead', { letterId: letter.id }))).body as LetterView;
    const away = openPost({ ...it.server.deps, smtpUrl: 'smtp://127.0.0.1:1' });
    await expect(mailLetter(it.server.deps, away, job, false)).rejects.toThrow();
    expect(await state()).toMatchObject({
      mail: 'queued',
      mailNote: expect.stringContaining('ECONNREFUSED'),
    });
    await expect(mailLetter(it.server.deps, away, job, true)).rejects.toThrow();
    expect(await state()).toMatchObject({ mail: 'failed' });
    const there = openPost(it.server.deps);
    await mailLetter(it.server.deps, there, job, false);
    await mailLetter(it.server.deps, there, job, false);
    expect(await state()).toMatchObject({ mail: 'accepted', mailNote: null });
    const mails = (await it.owner.get(pathOf('outboxList'))).body.mails.filter((m: { to: string }) =>
      m.to.includes('later@'),
    );
    expect(mails).toHaveLength(1);
  });

  test('the queue’s job belongs to the transaction: rolled back, it was never there', async () => {
    const letterId = nextId();
    const rolled = inShop(it.server.deps.db, it.shop.id, async (tx) => {
      await queueLetter(tx, { shopId: it.shop.id, letterId });
      throw new Error('rolled back');
    });
    await expect(rolled).rejects.toThrow('rolled back');
    const { rows } = await it.server.admin.query(
      'select 1 from graphile_worker._private_jobs where key = $1',
      [`letter-${letterId}`],
    );
    expect(rows).toEqual([]);
  });
});

describe('only their car', () => {
  const other = () =>
    makeBuild(it.owner, {
      vehicleName: 'Corvane Landau',
      nickname: 'landau',
      customerName: 'Cass Hollin',
      customerEmail: 'cass@example.org',
    });
  const withWords = async (letter: LetterView, text: string, more: object = {}): Promise<LetterView> => {
    const parts = [
      ...letter.content.parts,
      { id: 'other', title: 'Also', items: [{ id: 'own-1', text, leftOut: false }] },
    ];
    const answer = await it.owner
      .put(pathOf('letterSave', { letterId: letter.id }))
      .send({ version: letter.version, content: { ...letter.content, ...more, parts } })
      .expect(200);
    return answer.body as LetterView;
  };

  test('a letter that names another customer or their car is stopped, with the words marked', async () => {
    const otherId = await other();
    const { number } = (await it.owner.get(pathOf('buildRead', { buildId: otherId }))).body;
    const buildId = await makeBuild(it.owner);
    const saved = await withWords(await draft(buildId), `As Cass Hollin saw on ${number}.`);
    expect(saved.leaks.map((l) => [l.words, l.where])).toEqual([
      ['Cass Hollin', 'own-1'],
      [number, 'own-1'],
    ]);
    const { body } = await send(saved).expect(400);
    expect(body.detail).toBe(
      '“Cass Hollin” is not for this customer: Cass Hollin is another customer. And 1 more. The letter was not sent.',
    );
    expect((await it.owner.get(pathOf('letterRead', { letterId: saved.id }))).body.state).toBe('draft');
  });

  test('a doubtful word goes once it is said to be meant; a sure one never', async () => {
    await other();
    const buildId = await makeBuild(it.owner);
    const doubtful = await withWords(await draft(buildId), 'It rides like a landau.');
    expect(doubtful.leaks).toMatchObject([{ words: 'landau', isSure: false }]);
    await send(doubtful).expect(400);
    const meant = (
      await it.owner
        .put(pathOf('letterSave', { letterId: doubtful.id }))
        .send({
          version: doubtful.version,
          content: { ...doubtful.content, meant: ['landau', 'Cass Hollin'] },
        })
        .expect(200)
    ).body as LetterView;
    expect(meant.leaks).toEqual([]);
    await send(meant).expect(200);
  });

  test('a rate, a note for the shop and a reason of absence', async () => {
    const buildId = await makeBuild(it.owner);
    await it.owner
      .put(pathOf('ratePut', { rateId: nextId() }))
      .send({ from: '2026-03-11', chargeMinor: 5170, costMinor: 2230 })
      .expect(200);
    const saved = await withWords(await draft(buildId), 'At £51.70 an hour.');
    expect(saved.leaks).toMatchObject([{ words: '51.70', isSure: true }]);
    const noted = await withWords(
      await draft(await buildWithNote()),
      'I know he haggles over every last bolt.',
    );
    expect(noted.leaks).toMatchObject([{ why: 'that is a note for the shop', isSure: true }]);
  });

  async function buildWithNote(): Promise<string> {
    const buildId = await makeBuild(it.owner);
    await log(buildId, { kind: 'note', text: 'he haggles over every last bolt of it', audience: 'shop' });
    return buildId;
  }
});

describe('figures', () => {
  test('those of the ledger at the moment of sending: where they changed since they were read, it is said and nothing goes', async () => {
    const buildId = await makeBuild(it.owner);
    const letter = await draft(buildId);
    await log(buildId, { kind: 'spent', text: 'spent 40 on primer', facts: { moneyMinor: 4000 } });
    const { body } = await send(letter).expect(409);
    expect(body.detail).toContain('The figures have changed since you read it');
    const now = body.current as LetterView;
    expect(texts(now)).toContain('so far: £40.00');
    await send(now).expect(200);
    const html = (await page(await pathOfLink(buildId)).expect(200)).text;
    expect(html).toContain('so far: £40.00');
  });

  test('a promise that moved is told with what the last letter said', async () => {
    const buildId = await makeBuild(it.owner, { promised: '2026-04-10' });
    await send(await draft(buildId)).expect(200);
    const build = (await it.owner.get(pathOf('buildRead', { buildId }))).body;
    await it.owner
      .put(pathOf('agreedPut', { buildId }))
      .send({
        version: build.version,
        complaint: '',
        standard: build.standard,
        promised: '2026-04-24',
        discretionMinor: 0,
        customerEmail: build.customerEmail,
        tellBy: 'mail',
        tellEveryDays: 14,
      })
      .expect(200);
    expect(texts(await draft(buildId))).toContain(
      'It was to be ready on Fri 10 Apr and is now promised for Fri 24 Apr: 14 days later.',
    );
  });
});

describe('how a customer is told', () => {
  const manner = { detail: 'brief', greeting: 'Good day {name},', closing: 'Yours, {owner}', textTo: '' };

  test('kept with its version, and the next draft is so; two at once: the second is told', async () => {
    const buildId = await makeBuild(it.owner);
    const path = pathOf('mannerPut', { buildId });
    const before = (await it.owner.get(pathOf('mannerRead', { buildId })).expect(200)).body;
    expect(before).toMatchObject({ version: 1, detail: 'full', greeting: '' });
    await it.owner
      .put(path)
      .send({
        version: 1,
        ...manner,
        metric: true,
        alsoCurrency: 'EUR',
        alsoRate: 1.17,
        alsoRateOn: '2026-03-01',
      })
      .expect(200);
    expect(
      (
        await it.office
          .put(path)
          .send({ version: 1, ...manner })
          .expect(409)
      ).body.current,
    ).toMatchObject({
      version: 2,
      alsoRate: 1.17,
    });
    const letter = await draft(buildId);
    expect(letter.content.greeting).toMatch(/^Good day \S+,$/);
    expect(texts(letter)).toContain('so far: £0.00 (about €0)');
    await it.owner
      .put(path)
      .send({ version: 2, ...manner })
      .expect(200);
    expect((await it.owner.get(pathOf('mannerRead', { buildId }))).body.alsoCurrency).toBeUndefined();
  });

  test('what is not right says which field and why', async () => {
    const buildId = await makeBuild(it.owner);
    const put = (more: object) =>
      it.owner
        .put(pathOf('mannerPut', { buildId }))
        .send({ version: 1, ...manner, ...more })
        .expect(400);
    expect((await put({ detail: 'long' })).body.fields).toEqual([
      { field: 'detail', reason: 'choose how much' },
    ]);
    expect((await put({ alsoCurrency: 'euro' })).body.fields[0]).toEqual({
      field: 'alsoCurrency',
      reason: 'three letters, as in EUR',
    });
    expect(
      (await put({ alsoCurrency: 'EUR', alsoRate: 0 })).body.fields.map((f: { field: string }) => f.field),
    ).toEqual(['alsoRate', 'alsoRateOn']);
  });

  test('the shop’s own words hold where a customer has none', async () => {
    await it.owner
      .put(pathOf('letterWordsSave'))
      .send({ greeting: 'Hello {name},', closing: '{shop}' })
      .expect(200);
    const letter = await draft(await makeBuild(it.owner));
    expect(letter.content.greeting).toMatch(/^Hello/);
    expect((await it.owner.get(pathOf('lettersDue'))).body.words).toEqual({
      greeting: 'Hello {name},',
      closing: '{shop}',
    });
    await it.office.put(pathOf('letterWordsSave')).send({ greeting: 'x', closing: '' }).expect(403);
    await it.owner.put(pathOf('letterWordsSave')).send({ greeting: '', closing: '' }).expect(200);
  });
});

test('who is due: by how often they wish to hear; told, they are not', async () => {
  const buildId = await makeBuild(it.owner, { tellEveryDays: 3, nickname: 'due car' });
  const due = async (): Promise<DueView> =>
    (await it.owner.get(pathOf('lettersDue')).expect(200)).body as DueView;
  const own = async () => (await due()).due.find((d) => d.buildId === buildId);
  expect(await own()).toBeUndefined();
  it.server.clock.set('2026-03-15T10:00:00.000Z');
  expect(await own()).toMatchObject({
    reasons: ['told 4 days ago, wants to hear every 3 days'],
    draftId: null,
  });
  const letter = await draft(buildId);
  expect((await own())!.draftId).toBe(letter.id);
  await send(letter).expect(200);
  expect(await own()).toBeUndefined();
  it.server.clock.set('2026-03-11T10:00:00.000Z');
});

describe('the customer’s page', () => {
  test('shows only what was sent, for that build only', async () => {
    const [mine, other] = [
      await makeBuild(it.owner),
      await makeBuild(it.owner, {
        vehicleName: 'Other Car',
        customerName: 'Dex Marlow',
        customerEmail: 'dex@example.org',
      }),
    ];
    await log(mine, { text: 'did mine', facts: { subject: 'mine' } });
    await log(other, { text: 'did theirs', facts: { subject: 'theirs' } });
    await send(await draft(mine)).expect(200);
    await send(await draft(other)).expect(200);
    await log(mine, { text: 'did not yet told', facts: { subject: 'not yet told' } });
    await draft(mine);
    const { text: html, headers } = await page(await pathOfLink(mine)).expect(200);
    expect(html).toContain('Mine.');
    expect(html).not.toMatch(/Theirs|Other Car|Dex|not yet told/);
    expect(headers).toMatchObject({ 'cache-control': 'private, no-store', 'x-robots-tag': 'noindex' });
    expect(html).not.toContain('<script');
  });

  test('the link is 256 bits, kept only as a hash, and opening it is noted', async () => {
    const buildId = await makeBuild(it.owner);
    await send(await draft(buildId)).expect(200);
    const path = await pathOfLink(buildId);
    const token = path.split('/').at(-1)!;
    expect(Buffer.from(token, 'base64url')).toHaveLength(32);
    const { rows } = await it.server.admin.query<{ dump: string }>(
      `select string_agg(l::text, '') as dump from customer_links l`,
    );
    expect(rows[0]!.dump).not.toContain(token);
    await page(path).expect(200);
    expect((await it.owner.get(pathOf('buildRead', { buildId }))).body.link.lastOpenedAt).toBe(
      '2026-03-11T10:00:00.000Z',
    );
  });

  test('renewed, the old link is closed and the new one opens; revoked, none does', async () => {
    const buildId = await makeBuild(it.owner);
    await send(await draft(buildId)).expect(200);
    const old = await pathOfLink(buildId);
    await it.owner.post(pathOf('linkRenew', { buildId })).expect(200);
    const fresh = await pathOfLink(buildId);
    await page(old).expect(404);
    await page(fresh).expect(200);
    await it.owner.delete(pathOf('linkRevoke', { buildId })).expect(200);
    expect((await page(fresh).expect(404)).text).toContain('There is no letter under this address');
    await page('/l/').expect(404);
    await page(`/l/${'x'.repeat(5000)}`).expect(404);
  });

  test('a letter whose link was revoked before the mail went is not mailed', async () => {
    const buildId = await makeBuild(it.owner);
    const letter = await draft(buildId);
    await send(letter).expect(200);
    await it.owner.delete(pathOf('linkRevoke', { buildId })).expect(200);
    await mailLetter(
      it.server.deps,
      openPost(it.server.deps),
      { shopId: it.shop.id, letterId: letter.id },
      false,
    );
    expect((await it.owner.get(pathOf('letterRead', { letterId: letter.id }))).body).toMatchObject({
      mail: 'failed',
      mailNote: expect.stringContaining('revoked'),
    });
  });

  test('one shop’s outbox shows none of another’s mail', async () => {
    const elsewhere = await signedIn(it.server, await makeShop(it.server, 'elsewhere'), 'owner');
    expect((await elsewhere.get(pathOf('outboxList')).expect(200)).body.mails).toEqual([]);
  });
});

test('what is kept while a letter is drafted is not in it, and is news for the next', async () => {
  const buildId = await makeBuild(it.owner);
  let release = (): void => undefined;
  const released = new Promise<void>((resolve) => (release = resolve));
  const { deps } = it.server;
  const underWay = inShop(deps.db, it.shop.id, async (tx) => {
    const said = { kind: 'did', text: 'did the late panel', personId: null } as const;
    await logIn(tx, deps, { id: buildId, nickname: 'microcar' }, said);
    await released;
  });
  // It is written beside the entry; only to be kept does it wait for the car.
  const drafting = draft(buildId);
  await new Promise((resolve) => setTimeout(resolve, 500));
  release();
  await underWay;
  const letter = await drafting;
  expect(texts(letter)).not.toContain('late panel');
  expect(letter.stale).toBe(true);
  const again = await it.owner
    .post(pathOf('letterRedraft', { letterId: letter.id }))
    .send({ version: letter.version })
    .expect(200);
  expect(texts(again.body as LetterView)).toContain('late panel');
  expect((again.body as LetterView).stale).toBe(false);
});

async function until(holds: () => Promise<boolean>): Promise<void> {
  const end = Date.now() + 20_000;
  while (!(await holds())) {
    if (Date.now() > end) throw new Error('waited twenty seconds for nothing');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/**
 * Others who are told. Nasty cases: the same press five times, the same address twice, the customer's own link renewed and closed beside
 * theirs, prices in every sentence of a letter that somebody without money reads, one taken away before the mail goes, an address that is refused, another car's reader, a technician, another shop.
 */
import { expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { LetterView } from '#contract/letters.ts';
import type { ReaderView } from '#contract/readers.ts';
import { figuresTold } from '#core/update/letter.ts';
import { mailLetter, mailReader } from '#server/features/letters/index.ts';
import { openPost } from '#server/mail/post.ts';
import { line, makeBuild, makeShop, nextId, openShop, signedIn, type Agent } from '#tests/support/server.ts';

const it = openShop('readers');
const WREN = { name: 'Wilma Brandt', email: 'wilma@example.org', scope: 'money' };

const put = (buildId: string, readerId = nextId(), more: object = {}, agent: Agent = it.owner) =>
  agent.put(pathOf('readerPut', { buildId, readerId })).send({ ...WREN, ...more });
const list = async (buildId: string): Promise<ReaderView[]> =>
  (await it.owner.get(pathOf('readersList', { buildId })).expect(200)).body;
const page = (url: string) => supertest(it.server.app.express).get(new URL(url).pathname);
const mailsTo = async (email: string) =>
  ((await it.owner.get(pathOf('outboxList'))).body.mails as { to: string; text: string }[]).filter((m) =>
    m.to.includes(email),
  );

async function send(buildId: string): Promise<string> {
  await it.owner
    .post(pathOf('entryAdd', { buildId }))
    .send(line({ text: 'did the hinges' }))
    .expect(200);
  const { body } = await it.owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200);
  const letter = body as LetterView;
  const figures = figuresTold(letter.content);
  await it.owner
    .post(pathOf('letterSend', { letterId: letter.id }))
    .send({ version: letter.version, figures })
    .expect(200);
  return letter.id;
}

test('a couple: each has a page of their own, and each letter goes to both', async () => {
  const buildId = await makeBuild(it.owner, { customerEmail: 'couple@example.org' });
  const readerId = nextId();
  const answers = await Promise.all([1, 2, 3, 4, 5].map(() => put(buildId, readerId)));
  expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200, 200]);
  const [reader] = await list(buildId);
  expect(reader).toMatchObject({ ...WREN, lastOpenedAt: null });
  const letterId = await send(buildId);
  const { rows } = await it.server.admin.query(
    'select key from graphile_worker._private_jobs where key like $1',
    [`letter-${letterId}%`],
  );
  expect(rows.map((r: { key: string }) => r.key).sort()).toEqual([
    `letter-${letterId}`,
    `letter-${letterId}-${readerId}`,
  ]);
  const post = openPost(it.server.deps);
  await mailLetter(it.server.deps, post, { shopId: it.shop.id, letterId }, false);
  await mailReader(it.server.deps, post, { shopId: it.shop.id, letterId, readerId }, false);
  expect(await mailsTo('couple@')).toHaveLength(1);
  const [theirs] = await mailsTo('wilma@');
  expect(theirs!.text).toContain('Wilma Brandt, this is what Ilse Brandt was written:');
  expect(theirs!.text).toContain(reader!.url);
  expect((await page(reader!.url).expect(200)).text).toContain('hinges');
  expect((await list(buildId))[0]!.lastOpenedAt).not.toBeNull();

  // The customer's link is renewed and closed without theirs.
  await it.owner.post(pathOf('linkRenew', { buildId })).expect(200);
  await it.owner.delete(pathOf('linkRevoke', { buildId })).expect(200);
  await page(reader!.url).expect(200);
  await it.owner.delete(pathOf('readerDrop', { buildId, readerId })).expect(200);
  await page(reader!.url).expect(404);
  await mailReader(it.server.deps, post, { shopId: it.shop.id, letterId, readerId }, false);
  expect(await mailsTo('wilma@')).toHaveLength(1);
});

test('letters only: no price reaches them by mail, on their page, in papers or by an address; changed, they see it', async () => {
  const buildId = await makeBuild(it.owner, { customerEmail: 'payer@example.org' });
  const readerId = nextId();
  await put(buildId, readerId, { email: 'club@example.org', scope: 'letters' }).expect(200);
  await it.owner
    .post(pathOf('entryAdd', { buildId }))
    .send(
      line({ text: 'spent 731.42 on lamps', kind: 'spent', facts: { subject: 'lamps', moneyMinor: 73_142 } }),
    )
    .expect(200);
  await it.owner
    .post(pathOf('entryAdd', { buildId }))
    .send(line({ text: 'did the hinges' }))
    .expect(200);
  const { body } = await it.owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200);
  const draft = body as LetterView;
  const content = {
    ...draft.content,
    closing: 'The other pair would be £864.10. Wren',
    parts: draft.content.parts.map((p) => ({
      ...p,
      items: p.items.map((i) => (i.fixed ? i : { ...i, text: `${i.text} That was 642 for both.` })),
    })),
  };
  const saved = (
    await it.owner
      .put(pathOf('letterSave', { letterId: draft.id }))
      .send({ version: draft.version, content })
      .expect(200)
  ).body as LetterView;
  await it.owner
    .post(pathOf('letterSend', { letterId: draft.id }))
    .send({ version: saved.version, figures: figuresTold(saved.content) })
    .expect(200);
  const [reader] = await list(buildId);
  const secret = /731[.,]42|864[.,]10|\b642\b/;
  const theirs = (await page(reader!.url).expect(200)).text;
  expect(theirs).toContain('hinges');
  expect(theirs).not.toMatch(secret);
  const { url } = (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body.link;
  const own = (await page(url).expect(200)).text;
  expect(own).toMatch(/731\.42/);
  expect(own).toMatch(/864\.10.*|642/);
  const post = openPost(it.server.deps);
  await mailReader(it.server.deps, post, { shopId: it.shop.id, letterId: draft.id, readerId }, false);
  const [mail] = await mailsTo('club@');
  expect(mail!.text).toContain('hinges');
  expect(mail!.text).not.toMatch(secret);
  for (const more of ['/estimate', `/revisions/${nextId()}`, '/book/book.pdf', `/papers/${nextId()}`])
    await page(reader!.url + more).expect(404);
  await put(buildId, readerId, { email: 'club@example.org', scope: 'money' }).expect(200);
  expect((await page(reader!.url).expect(200)).text).toMatch(secret);
  expect(
    (await put(buildId, readerId, { email: 'club@example.org', scope: 'all' }).expect(400)).body.fields[0]
      .field,
  ).toBe('scope');
});

test('an address that is refused for good is said in the logbook, once', async () => {
  const buildId = await makeBuild(it.owner);
  const readerId = nextId();
  await put(buildId, readerId, { name: 'No Body', email: 'nobody@example.org' }).expect(200);
  const letterId = await send(buildId);
  await mailReader(
    it.server.deps,
    openPost(it.server.deps),
    { shopId: it.shop.id, letterId, readerId },
    false,
  );
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
  const said = entries.filter((x: { text: string }) =>
    x.text.startsWith('The letter could not be sent to No Body'),
  );
  expect(said).toMatchObject([{ audience: 'shop' }]);
});

test('refused: the same address twice, no name, no address, too many, of another car, by a technician, in another shop', async () => {
  const [buildId, other] = [await makeBuild(it.owner), await makeBuild(it.owner)];
  const readerId = nextId();
  await put(buildId, readerId).expect(200);
  const twice = await put(buildId, nextId(), { email: 'WILMA@example.org' }).expect(400);
  expect(twice.body.fields).toEqual([{ field: 'email', reason: 'they are told already' }]);
  expect((await put(buildId, nextId(), { name: ' ' }).expect(400)).body.fields[0].field).toBe('name');
  expect((await put(buildId, nextId(), { email: 'no' }).expect(400)).body.fields[0].field).toBe('email');
  await put(other, readerId).expect(409);
  await it.owner.delete(pathOf('readerDrop', { buildId: other, readerId })).expect(404);
  await put(buildId, nextId(), { email: 'x@y.example' }, it.technician).expect(403);
  const elsewhere = await signedIn(it.server, await makeShop(it.server, 'readers-other'), 'owner');
  await put(buildId, nextId(), { email: 'x@y.example' }, elsewhere).expect(404);
  for (let i = 1; i < 20; i += 1) await put(buildId, nextId(), { email: `n${i}@example.org` }).expect(200);
  await put(buildId, nextId(), { email: 'one@more.example' }).expect(400);
  // Taken away and told again: a link of its own, the old one stays closed.
  const [first] = await list(buildId);
  await it.owner.delete(pathOf('readerDrop', { buildId, readerId: first!.id })).expect(200);
  await put(buildId, first!.id, { name: first!.name, email: first!.email }).expect(409);
  await put(buildId, nextId(), { email: first!.email }).expect(200);
});

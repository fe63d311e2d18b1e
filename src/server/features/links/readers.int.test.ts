/**
 * Others who are told. Nasty cases: the same press five times, the same address twice, the customer's own link renewed and closed beside
 * theirs, one taken away before the mail goes, an address that is refused, another car's reader, a technician, another shop.
 */
import { expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/access.ts';
import type { LetterView } from '#contract/letters.ts';
import type { ReaderView } from '#contract/readers.ts';
import { figuresTold } from '#core/update/letter.ts';
import { mailLetter, mailReader } from '#server/features/letters/index.ts';
import { openPost } from '#server/mail/post.ts';
import { line, makeBuild, makeShop, nextId, openShop, signedIn, type Agent } from '#tests/support/server.ts';

const it = openShop('readers');
const WREN = { name: 'Wilma Brandt', email: 'wilma@example.org' };

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

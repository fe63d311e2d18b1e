/**
 * A customer asks on their page and is answered. Nasty cases: nothing written, far too much, pressed twice, hostile words, another
 * site's form, a closed link, answered twice at once, an answer that would leak, another shop.
 */
import { describe, expect, test } from '@jest/globals';
import { openPost } from '#server/mail/post.ts';
import supertest, { type Test } from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { OpenThingsView } from '#contract/entries.ts';
import type { QuestionView } from '#contract/questions.ts';
import { line, makeBuild, makeShop, nextId, openShop, signedIn } from '#tests/support/server.ts';
import { mailAnswer } from './questions.mail.ts';

const it = openShop('questions');

async function linkOf(buildId: string): Promise<string> {
  await it.owner.post(pathOf('linkRenew', { buildId })).expect(200);
  return new URL((await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body.link.url).pathname;
}
const page = (path: string) => supertest(it.server.app.express).get(path);
const ask = (link: string, body: Record<string, string>): Test =>
  supertest(it.server.app.express)
    .post(`${link}/questions`)
    .type('form')
    .send({ id: nextId(), name: 'Ilse', ...body });
const list = async (buildId: string): Promise<QuestionView[]> =>
  (await it.owner.get(pathOf('questionsRead', { buildId })).expect(200)).body as QuestionView[];
const answer = (questionId: string, text: string, agent = it.owner) =>
  agent.post(pathOf('questionAnswer', { questionId })).send({ answer: text });

describe('a question', () => {
  test('stands on the page, in the logbook and on the Floor, until it is answered; then the answer does', async () => {
    const buildId = await makeBuild(it.owner, { customerEmail: 'ilse@example.org' });
    const link = await linkOf(buildId);
    const { headers } = await ask(link, { text: 'Will it be blue?\nDark blue?' }).expect(303);
    expect(headers.location).toBe(`${link}#questions`);
    expect((await page(link).expect(200)).text).toContain('Will it be blue?<br>Dark blue?');
    const row = async () =>
      (await it.owner.get(pathOf('floor'))).body.builds.find((b: { id: string }) => b.id === buildId);
    expect((await row()).question).toMatchObject({ name: 'Ilse', text: 'Will it be blue?\nDark blue?' });
    const [question] = await list(buildId);
    await answer(question!.id, 'Dark blue, as on your card.').expect(200);
    expect((await row()).question).toBeNull();
    expect((await page(link).expect(200)).text).toContain('Dark blue, as on your card.');
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
    expect(entries.slice(0, 2).map((e: { kind: string; text: string }) => `${e.kind} ${e.text}`)).toEqual([
      'told answered Ilse: Dark blue, as on your card.',
      'asked Ilse asks: Will it be blue?\nDark blue?',
    ]);
    await mailAnswer(
      it.server.deps,
      openPost(it.server.deps),
      {
        shopId: it.shop.id,
        questionId: question!.id,
      },
      false,
    );
    const mails = (await it.owner.get(pathOf('outboxList'))).body.mails;
    expect(mails[0]).toMatchObject({ subject: expect.stringContaining('your question') });
    expect(mails[0].text).toContain('Dark blue, as on your card.');
  });

  test('pressed twice it is one; hostile words are words', async () => {
    const buildId = await makeBuild(it.owner);
    const link = await linkOf(buildId);
    const id = nextId();
    const text = '<script>alert(1)</script>"\' & co';
    await ask(link, { id, text }).expect(303);
    await ask(link, { id, text }).expect(303);
    expect(await list(buildId)).toHaveLength(1);
    const html = (await page(link)).text;
    expect(html).toContain('&lt;script&gt;alert(1)&lt;/script&gt;&quot;&#39; &amp; co');
    expect(html).not.toContain('<script>');
  });

  test('nothing written, or too much: the page says so and keeps what was typed', async () => {
    const buildId = await makeBuild(it.owner);
    const link = await linkOf(buildId);
    const empty = await ask(link, { text: '  ', name: 'Ilse "B"' }).expect(400);
    expect(empty.text).toContain('write what you want to know');
    expect(empty.text).toContain('value="Ilse &quot;B&quot;"');
    const nameless = await ask(link, { text: 'kept words', name: '' }).expect(400);
    expect(nameless.text).toContain('write your name');
    expect(nameless.text).toContain('>kept words</textarea>');
    await ask(link, { text: 'x'.repeat(2001) }).expect(400);
    expect(await list(buildId)).toEqual([]);
  });

  test('another site’s form, and a link that is closed', async () => {
    const buildId = await makeBuild(it.owner);
    const link = await linkOf(buildId);
    await ask(link, { text: 'x' }).set('origin', 'https://elsewhere.example').expect(403);
    await ask(link, { text: 'x' }).set('origin', 'null').expect(403);
    await it.owner.delete(pathOf('linkRevoke', { buildId })).expect(200);
    expect((await ask(link, { text: 'x' }).expect(404)).text).toContain('There is no letter');
    expect(await list(buildId)).toEqual([]);
  });
});

describe('an answer', () => {
  async function asked(): Promise<{ buildId: string; id: string }> {
    const buildId = await makeBuild(it.owner);
    await ask(await linkOf(buildId), { text: 'When?' }).expect(303);
    return { buildId, id: (await list(buildId))[0]!.id };
  }

  test('once: the same again is the same, another is refused with what stands', async () => {
    const { id } = await asked();
    await answer(id, 'Soon.').expect(200);
    await answer(id, 'Soon.').expect(200);
    expect((await answer(id, 'Late.', it.office).expect(409)).body.current).toMatchObject({
      answer: 'Soon.',
    });
  });

  test('what is not for this customer is refused, as in a letter', async () => {
    await makeBuild(it.owner, {
      customerName: 'Cass Hollin',
      customerEmail: 'cass@example.org',
      nickname: 'landau',
      vehicleName: 'Corvane Landau',
    });
    const { id } = await asked();
    const { body } = await answer(id, 'After Cass Hollin’s car.').expect(400);
    expect(body.fields[0]).toMatchObject({
      field: 'answer',
      reason: expect.stringContaining('“Cass Hollin”'),
    });
  });

  test('by the desk of this shop only', async () => {
    const { buildId, id } = await asked();
    await answer(id, 'x', it.technician).expect(403);
    const elsewhere = await signedIn(it.server, await makeShop(it.server, 'elsewhere'), 'owner');
    await answer(id, 'x', elsewhere).expect(404);
    expect((await elsewhere.get(pathOf('questionsRead', { buildId })).expect(200)).body).toEqual([]);
    await answer(id, ' ').expect(400);
  });
});

describe('answered by word of mouth, as a line says', () => {
  const say = (buildId: string, id: string, more: object = {}, agent = it.owner) =>
    agent.post(pathOf('entryAdd', { buildId })).send({
      ...line({ kind: 'told', text: 'told Ilse it stays as it is' }),
      ...more,
      does: [{ act: 'answer', type: 'question', id }],
    });
  const floorQuestion = async (buildId: string) =>
    (await it.owner.get(pathOf('floor'))).body.builds.find((b: { id: string }) => b.id === buildId).question;
  async function asked(): Promise<{ buildId: string; link: string; id: string }> {
    const buildId = await makeBuild(it.owner);
    const link = await linkOf(buildId);
    await ask(link, { text: 'Will it be blue?' }).expect(303);
    return { buildId, link, id: (await list(buildId))[0]!.id };
  }
  const open = async (buildId: string, agent = it.owner) =>
    ((await agent.get(pathOf('openThings', { buildId })).expect(200)).body as OpenThingsView).things.filter(
      (t) => t.type === 'question',
    );

  test('it is over everywhere; the words of the line are not the customer’s to read; withdrawn, it is open again', async () => {
    const { buildId, link, id } = await asked();
    expect(await open(buildId)).toEqual([
      { type: 'question', id, name: '“Will it be blue?” (Ilse)', state: '' },
    ]);
    const { body: entry } = await say(buildId, id).expect(200);
    expect(await open(buildId)).toEqual([]);
    expect(await floorQuestion(buildId)).toBeNull();
    expect((await list(buildId))[0]).toMatchObject({ answer: '', answeredAt: expect.any(String) });
    const { text } = await page(link).expect(200);
    expect(text).toContain('Answered when we spoke');
    expect(text).not.toContain('stays as it is');
    const withdrawn = { id: nextId(), correctsId: entry.id, withdraw: true };
    await it.owner.post(pathOf('entryCorrect', { buildId })).send(withdrawn).expect(200);
    expect(await floorQuestion(buildId)).toMatchObject({ text: 'Will it be blue?' });
    expect((await page(link).expect(200)).text).toContain('It is with us; you will hear.');
  });

  test('not twice, not of another car, not by who reads no questions; then nothing is kept', async () => {
    const { buildId, id } = await asked();
    const other = await makeBuild(it.owner);
    await say(other, id).expect(404);
    await say(buildId, id, {}, it.technician).expect(403);
    expect(await open(buildId, it.technician)).toEqual([]);
    await answer(id, 'Dark blue.').expect(200);
    const { body } = await say(buildId, id).expect(400);
    expect(body.fields[0].reason).toBe('the question of Ilse has been answered already');
    expect((await list(buildId))[0]!.answer).toBe('Dark blue.');
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
    expect(entries.map((e: { text: string }) => e.text)).not.toContain('told Ilse it stays as it is');
  });
});

test('the money stands on the page, line by line, as the ledger has it', async () => {
  const buildId = await makeBuild(it.owner);
  const link = await linkOf(buildId);
  expect((await page(link).expect(200)).text).not.toContain('The money, as of today');
});

/**
 * The customer's estimate, as a browser without a script uses it, with the code coming by real SMTP to the stand-in.
 * Nasty cases: a page left open on an older revision, a safety line left out without a word, five wrong codes, an old
 * code, the code sent twice, another build's revision, a revoked link, hostile words, a form from another site.
 */
import { beforeAll, describe, expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { EstimateLineDto, EstimateView } from '#contract/estimate.ts';
import { startWorker } from '#server/jobs/worker.ts';
import { estimateLine, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('customers');
beforeAll(async () => {
  const rates = { mechanical: 6000, metalwork: 0, paint: 0, trim: 0, electrical: 0, machining: 0 };
  const terms = { version: 1, rates, taxBp: 2000, taxIncluded: false, sharedRisk: 0.3 };
  await it.owner.put(pathOf('termsSave')).send(terms).expect(200);
  const worker = await startWorker(it.server.deps);
  it.server.beforeStop.push(worker.stop);
});

interface Case {
  buildId: string;
  ids: string[];
  path: string;
  revisionId: string;
}

const read = async (buildId: string): Promise<EstimateView> =>
  (await it.owner.get(pathOf('estimateRead', { buildId })).expect(200)).body as EstimateView;
const put = (buildId: string, lineId: string, more: Partial<EstimateLineDto>) =>
  it.owner.put(pathOf('estimateLinePut', { buildId, lineId })).send(estimateLine(more)).expect(200);

async function send(buildId: string, after = 0): Promise<string> {
  const id = nextId();
  await it.owner.post(pathOf('revisionSend', { buildId })).send({ id, note: '', after }).expect(200);
  return id;
}

async function sent(lines: Partial<EstimateLineDto>[]): Promise<Case> {
  const buildId = await makeBuild(it.owner);
  const ids = lines.map(() => nextId());
  for (const [i, l] of lines.entries()) await put(buildId, ids[i]!, { title: `Line ${i}`, ...l });
  const revisionId = await send(buildId);
  const { url } = (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body.link;
  return { buildId, ids, path: `${new URL(url).pathname}/estimate`, revisionId };
}

const page = (path: string) => supertest(it.server.app.express).get(path);
const post = (path: string, body: Record<string, string>) =>
  supertest(it.server.app.express).post(path).type('form').send(body);
const form = (
  { ids, revisionId }: Case,
  answers: string[],
  more: Record<string, string> = {},
): Record<string, string> => ({
  revision: revisionId,
  name: 'Ilse Brandt',
  ...Object.fromEntries(ids.map((id, i) => [`line.${id}`, answers[i] ?? 'approve'])),
  ...more,
});
const waitingId = (html: string): string => /name="answer" value="([0-9a-f-]{36})"/.exec(html)![1]!;

async function mailOf(match: (text: string) => boolean): Promise<string> {
  for (let tries = 0; tries < 100; tries += 1) {
    const mails = (await it.owner.get(pathOf('outboxList')).expect(200)).body.mails as { text: string }[];
    const mail = mails.find((m) => match(m.text));
    if (mail) return mail.text;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the mail did not come');
}
let seenCodes = new Set<string>();
async function newCode(): Promise<string> {
  const code = /Your code is (\d{6})/;
  const text = await mailOf((t) => code.test(t) && !seenCodes.has(code.exec(t)![1]!));
  const found = code.exec(text)![1]!;
  seenCodes = seenCodes.add(found);
  return found;
}

describe('reading', () => {
  test('the mail brings the address; the page shows every line with its why, class and price, and no script', async () => {
    const c = await sent([{ title: 'Brake pipes', class: 'safety', why: 'Corroded all round' }]);
    expect(await mailOf((t) => t.includes(c.path))).toContain('£120.00');
    const { text, headers } = await page(c.path).expect(200);
    expect(text).toMatch(/Brake pipes.*£120\.00.*Safety: the car is not safe.*Corroded all round/s);
    expect(text).not.toContain('<script');
    expect(headers['referrer-policy']).toBe('same-origin');
    expect((await page(c.path.replace('/estimate', '')).expect(200)).text).toContain(`href="${c.path}"`);
  });

  test('hostile words stay words', async () => {
    const c = await sent([{ title: '<img src=x onerror=alert(1)>', why: '"><script>alert(1)</script>' }]);
    const { text } = await page(c.path).expect(200);
    expect(text).not.toMatch(/<img|<script/);
  });

  test('without an estimate, and behind a revoked link, there is nothing', async () => {
    const c = await sent([{}]);
    await it.owner.delete(pathOf('linkRevoke', { buildId: c.buildId })).expect(200);
    await page(c.path).expect(404);
    await post(c.path, form(c, [])).expect(404);
    await page('/l/nonsense/estimate').expect(404);
  });
});

describe('somebody who is told too', () => {
  const told = async (c: Case, scope: string, email: string): Promise<string> => {
    const readerId = nextId();
    await it.owner
      .put(pathOf('readerPut', { buildId: c.buildId, readerId }))
      .send({ name: 'Wilma Brandt', email, scope })
      .expect(200);
    const readers = (await it.owner.get(pathOf('readersList', { buildId: c.buildId })).expect(200)).body;
    const { url } = (readers as { id: string; url: string }[]).find((r) => r.id === readerId)!;
    return `${new URL(url).pathname}/estimate`;
  };

  test('reads it with money and cannot answer; with letters only there is no estimate', async () => {
    const c = await sent([{ title: 'Brake pipes' }]);
    const reading = await told(c, 'money', 'reads@example.org');
    const { text } = await page(reading).expect(200);
    expect(text).toContain('£120.00');
    expect(text).toContain('Ilse Brandt answers this estimate');
    expect(text).not.toContain('<form');
    await post(reading, form(c, [])).expect(403);
    await page(await told(c, 'letters', 'letters@example.org')).expect(404);
    expect((await read(c.buildId)).answers).toEqual([]);
  });

  test('who may approve gets the code at their own mailbox, and answers', async () => {
    const c = await sent([{ title: 'Brake pipes' }]);
    const path = await told(c, 'approve', 'approves@example.org');
    const asked = await post(path, form(c, [], { name: 'Wilma Brandt' })).expect(200);
    const code = await newCode();
    const { mails } = (await it.owner.get(pathOf('outboxList')).expect(200)).body as {
      mails: { to: string; text: string }[];
    };
    expect(mails.find((m) => m.text.includes(code))!.to).toContain('approves@example.org');
    await post(`${path}/code`, { answer: waitingId(asked.text), code }).expect(200);
    expect((await read(c.buildId)).answers).toMatchObject([{ name: 'Wilma Brandt', via: 'page' }]);
  });
});

describe('answering', () => {
  test('within an hour a page mails six codes and no more', async () => {
    const c = await sent([{}]);
    await it.server.admin.query(
      `insert into answer_codes (shop_id, id, revision_id, name, understood, given, code_hash, made_at)
       select $1, ('019e0000-0000-7000-9000-' || lpad(i::text, 12, '0'))::uuid, $2, 'Ilse', false, '[]', 'x',
         $3::timestamptz - interval '10 minutes' from generate_series(1, 6) as i`,
      [it.shop.id, c.revisionId, it.server.clock.now()],
    );
    const refused = await post(c.path, form(c, [])).expect(400);
    expect(refused.text).toContain('several codes were mailed to you within the hour');
  });

  test('answers, then the code from the mail: kept with the name, the hash and what was agreed, and logged', async () => {
    const c = await sent([{}, { class: 'nice' }]);
    const step = await post(c.path, form(c, ['approve', 'wait'])).expect(200);
    expect(step.text).toMatch(
      /Line 0.*Do it.*£120\.00.*Line 1.*Let it wait.*To be done, with tax.*£120\.00/s,
    );
    expect((await read(c.buildId)).answers).toEqual([]);
    const code = await newCode();
    const done = await post(`${c.path}/code`, { answer: waitingId(step.text), code }).expect(200);
    const view = await read(c.buildId);
    expect(done.text).toContain(view.revisions[0]!.hash);
    expect(view).toMatchObject({
      approvedMinor: 12_000,
      answers: [{ via: 'page', name: 'Ilse Brandt', takenBy: null, revision: 1 }],
      lines: [{ standing: { state: 'approved' } }, { standing: { state: 'waits' } }],
    });
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId: c.buildId }))).body;
    expect(entries[0]).toMatchObject({ kind: 'decided', text: expect.stringContaining('agreed to Line 0') });
    // Sent again, as a reload does: the same answer, kept once.
    await post(`${c.path}/code`, { answer: waitingId(step.text), code }).expect(200);
    expect((await read(c.buildId)).answers).toHaveLength(1);
    expect((await page(c.path)).text).toContain('You agreed to this.');
    // On their page: what they said and when, and the paper that they said it to.
    const home = c.path.replace('/estimate', '');
    const { text } = await page(home).expect(200);
    expect(text).toMatch(
      /What was agreed, and when.*Ilse Brandt<.*Line 0: agreed, £120\.00.*Line 1: put off, £120\.00/s,
    );
    expect(text).toContain(`href="${home}/estimates/${c.revisionId}" download>The estimate of `);
    const paper = await page(`${home}/estimates/${c.revisionId}`).expect(200);
    expect(paper.headers['content-type']).toBe('application/pdf');
    const other = await sent([{}]);
    await page(`${home}/estimates/${other.revisionId}`).expect(404);
  });

  test('what is missing is said at its line, and what was typed stays', async () => {
    const c = await sent([{}, {}]);
    const half = Object.fromEntries(
      Object.entries(form(c, ['approve'])).filter(([name]) => name !== `line.${c.ids[1]!}`),
    );
    const { text } = await post(c.path, { ...half, name: '' }).expect(400);
    expect(text).toContain('say what to do about “Line 1”');
    expect(text).toContain('write your name');
    expect(text).toMatch(new RegExp(`name="line.${c.ids[0]!}" value="approve" checked`));
    expect((await post(c.path, form(c, ['ask', 'approve'])).expect(400)).text).toContain(
      'write what you want to know',
    );
  });

  test('“all as you propose it” agrees to what is proposed, and lets wait what is proposed to wait', async () => {
    const c = await sent([{}, { proposal: 'wait' }]);
    const body = { revision: c.revisionId, name: 'Ilse Brandt', all: 'yes' };
    const step = await post(c.path, body).expect(200);
    await post(`${c.path}/code`, { answer: waitingId(step.text), code: await newCode() }).expect(200);
    expect((await read(c.buildId)).lines.map((l) => l.standing.state)).toEqual(['approved', 'waits']);
  });

  test('a safety line left out needs their explicit word', async () => {
    const c = await sent([{ title: 'Brake pipes', class: 'safety' }]);
    expect((await post(c.path, form(c, ['decline'])).expect(400)).text).toContain('is about safety');
    const step = await post(c.path, form(c, ['decline'], { understood: 'yes' })).expect(200);
    await post(`${c.path}/code`, { answer: waitingId(step.text), code: await newCode() }).expect(200);
    expect((await read(c.buildId)).notRoadworthy).toEqual(['“Brake pipes” was declined']);
  });

  test('a page left open on an older revision agrees to nothing, and shows what changed', async () => {
    const c = await sent([{}, { title: 'Old line' }]);
    const step = await post(c.path, form(c, [])).expect(200);
    const code = await newCode();
    await put(c.buildId, c.ids[0]!, { version: 1, title: 'Line 0', sundriesMinor: 5000 });
    await send(c.buildId, 1);
    const late = await post(c.path, form(c, [])).expect(409);
    expect(late.text).toMatch(/There is a newer estimate.*Line 0<\/b>: dearer, £120\.00 → £180\.00/s);
    // Not even with a code that was right for the older one.
    const withCode = await post(`${c.path}/code`, { answer: waitingId(step.text), code }).expect(409);
    expect(withCode.text).toContain('There is a newer estimate');
    expect((await read(c.buildId)).answers).toEqual([]);
  });

  test('five wrong codes are enough; an old code does not count', async () => {
    const c = await sent([{}]);
    const answer = waitingId((await post(c.path, form(c, [])).expect(200)).text);
    const code = await newCode();
    const wrong = code === '000000' ? '000001' : '000000';
    for (let i = 0; i < 5; i += 1)
      expect((await post(`${c.path}/code`, { answer, code: wrong }).expect(400)).text).toContain(
        'not the code',
      );
    expect((await post(`${c.path}/code`, { answer, code }).expect(400)).text).toContain('one try too many');
    const again = waitingId((await post(c.path, form(c, [])).expect(200)).text);
    const fresh = await newCode();
    const before = it.server.clock.now();
    it.server.clock.set(new Date(Date.parse(before) + 31 * 60_000).toISOString());
    expect((await post(`${c.path}/code`, { answer: again, code: fresh }).expect(400)).text).toContain(
      'half an hour',
    );
    it.server.clock.set(before);
    expect((await read(c.buildId)).answers).toEqual([]);
  });

  test('another build’s revision and another build’s waiting answer are not reached through this link', async () => {
    const [c, other] = [await sent([{}]), await sent([{}])];
    await post(c.path, { ...form(other, []), revision: other.revisionId }).expect(409);
    const step = await post(other.path, form(other, [])).expect(200);
    await post(`${c.path}/code`, { answer: waitingId(step.text), code: await newCode() }).expect(404);
    expect((await read(other.buildId)).answers).toEqual([]);
  });

  test('a form from another site is refused', async () => {
    const c = await sent([{}]);
    await post(c.path, form(c, [])).set('sec-fetch-site', 'cross-site').expect(403);
    await post(c.path, form(c, [])).set('origin', 'https://elsewhere.example').expect(403);
  });
});

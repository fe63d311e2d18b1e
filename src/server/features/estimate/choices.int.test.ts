/**
 * Ways to do it over HTTP, and as a customer without a script answers them. Nasty cases: the same request five times at
 * once, a way taken away under its lines, a stale version, another build's way, a pick that is no way, settled twice.
 */
import { beforeAll, expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { EstimateLineDto, EstimateView } from '#contract/estimate.ts';
import { startWorker } from '#server/jobs/worker.ts';
import { estimateLine, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('ways');
beforeAll(async () => {
  const rates = { mechanical: 6000, metalwork: 0, paint: 0, trim: 0, electrical: 0, machining: 0 };
  const terms = { version: 1, rates, taxBp: 2000, taxIncluded: false, sharedRisk: 0.3 };
  await it.owner.put(pathOf('termsSave')).send(terms).expect(200);
  it.server.beforeStop.push((await startWorker(it.server.deps)).stop);
});

/** The code in the only mail that has one. */
async function mailedCode(): Promise<string> {
  for (let tries = 0; tries < 100; tries += 1) {
    const { mails } = (await it.owner.get(pathOf('outboxList'))).body as { mails: { text: string }[] };
    const code = mails.map((m) => /Your code is (\d{6})/.exec(m.text)?.[1]).find((c) => c !== undefined);
    if (code !== undefined) return code;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('no code came');
}

const read = async (buildId: string): Promise<EstimateView> =>
  (await it.owner.get(pathOf('estimateRead', { buildId })).expect(200)).body as EstimateView;
const put = (buildId: string, lineId: string, more: Partial<EstimateLineDto>) =>
  it.owner.put(pathOf('estimateLinePut', { buildId, lineId })).send(estimateLine(more));
const way = (id: string, name: string) => ({ id, name, risk: 'none known', weeksLow: 1, weeksHigh: 2 });
const choice = (buildId: string, choiceId: string, body: object) =>
  it.owner.put(pathOf('choicePut', { buildId, choiceId })).send(body);
const settle = (buildId: string, choiceId: string, version: number) =>
  it.owner.post(pathOf('choiceSettle', { buildId, choiceId })).send({ version });

/** A build with a line in any case and one in each of two ways; the first way is held. */
async function offered() {
  const buildId = await makeBuild(it.owner);
  const [choiceId, whole, bare] = [nextId(), nextId(), nextId()];
  const body = {
    version: 0,
    title: 'Axle housing',
    heldId: whole,
    ways: [way(whole, 'Blasted whole'), way(bare, 'Stripped bare')],
  };
  const made = await Promise.all([1, 2, 3, 4, 5].map(() => choice(buildId, choiceId, body)));
  expect(made.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  const ids = { pipes: nextId(), blast: nextId(), strip: nextId() };
  await put(buildId, ids.pipes, { title: 'Pipes' }).expect(200);
  await put(buildId, ids.blast, { title: 'Blast', wayId: whole }).expect(200);
  await put(buildId, ids.strip, { title: 'Strip', wayId: bare, class: 'safety' }).expect(200);
  return { buildId, choiceId, whole, bare, body, ids };
}

test('one way counts; holding the other changes what is to be done, and both are told by their version', async () => {
  const { buildId, choiceId, bare, body, ids } = await offered();
  const proposals = async () =>
    Object.fromEntries((await read(buildId)).lines.map((l) => [l.title, l.proposal]));
  expect((await read(buildId)).choices).toMatchObject([{ id: choiceId, version: 1 }]);
  expect(await proposals()).toEqual({ Pipes: 'do', Blast: 'do', Strip: 'other way' });
  await choice(buildId, choiceId, { ...body, version: 1, heldId: bare }).expect(200);
  expect(await proposals()).toEqual({ Pipes: 'do', Blast: 'other way', Strip: 'do' });
  await choice(buildId, choiceId, { ...body, version: 1, title: 'Axle' }).expect(409);
  const begun = await it.owner
    .post(pathOf('estimateLineBegin', { buildId, lineId: ids.blast }))
    .send({})
    .expect(403);
  expect(begun.body.detail).toMatch(/not the one held/);
});

test('what cannot stand is refused at its field, and nothing is lost', async () => {
  const { buildId, choiceId, whole, bare, body } = await offered();
  const third = [way(whole, 'Blasted whole'), way(nextId(), 'Left as it is')];
  const gone = await choice(buildId, choiceId, { ...body, version: 1, ways: third }).expect(400);
  expect(gone.body.fields).toEqual([{ field: 'ways', reason: 'lines still belong to “Stripped bare”' }]);
  const again = await choice(buildId, nextId(), body).expect(400);
  expect(again.body.detail).toMatch(/one choice only/);
  const other = await offered();
  await put(buildId, nextId(), { wayId: other.bare }).expect(400);
  await choice(other.buildId, choiceId, { ...body, version: 1 }).expect(404);
  await put(buildId, nextId(), { wayId: bare }).expect(200);
});

test('settled: the held way’s lines stay, the others go, once however often it is asked', async () => {
  const { buildId, choiceId } = await offered();
  await settle(buildId, choiceId, 9).expect(409);
  expect((await Promise.all([1, 2, 3].map(() => settle(buildId, choiceId, 1)))).map((r) => r.status)).toEqual(
    [200, 200, 200],
  );
  const { lines, choices } = await read(buildId);
  expect(choices).toEqual([]);
  expect(lines.map((l) => [l.title, l.wayId, l.proposal])).toEqual([
    ['Pipes', undefined, 'do'],
    ['Blast', undefined, 'do'],
  ]);
});

test('the customer chooses the other way on a page without a script; the estimate then counts that one', async () => {
  const { buildId, choiceId, bare, ids } = await offered();
  const revisionId = nextId();
  await it.owner
    .post(pathOf('revisionSend', { buildId }))
    .send({ id: revisionId, note: '', after: 0 })
    .expect(200);
  const { url } = (await it.owner.get(pathOf('buildRead', { buildId }))).body.link;
  const path = `${new URL(url).pathname}/estimate`;
  const page = () => supertest(it.server.app.express).get(path).expect(200);
  expect((await page()).text).toMatch(
    /Axle housing: which way\?.*Blasted whole.*What stays at risk: none known/s,
  );
  const post = (to: string, body: object) =>
    supertest(it.server.app.express).post(to).type('form').send(body);
  const form = { revision: revisionId, name: 'Ilse Brandt', [`line.${ids.pipes}`]: 'approve' };
  expect((await post(path, form).expect(400)).text).toMatch(/say which way “Axle housing” is to be done/);
  await post(path, { ...form, [`choice.${choiceId}`]: 'nonsense' }).expect(400);
  const { text } = await post(path, { ...form, [`choice.${choiceId}`]: bare }).expect(200);
  expect(text).toMatch(/Axle housing<\/th><td colspan="2">Stripped bare/);
  const answer = /name="answer" value="([^"]+)"/.exec(text)![1]!;
  const code = await mailedCode();
  await post(`${path}/code`, { answer, code }).expect(200);
  const { lines, choices, approvedMinor } = await read(buildId);
  expect(choices).toMatchObject([{ heldId: bare, version: 2 }]);
  expect(Object.fromEntries(lines.map((l) => [l.title, l.standing.state]))).toEqual({
    Pipes: 'approved',
    Blast: 'other way',
    Strip: 'approved',
  });
  // By hand: each line is 1 h at 60.00 and a part of 40.00; with 20 % tax 120.00.
  expect(approvedMinor).toBe(24_000);
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
  expect(entries.find((e: { kind: string }) => e.kind === 'decided').text).toMatch(
    /Ilse Brandt for Axle housing: Stripped bare; agreed to/,
  );
  expect((await page()).text).toContain(`value="${bare}" checked`);
});

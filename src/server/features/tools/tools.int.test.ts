/**
 * Tools lent, over HTTP. Nasty cases: sent twice, two at once, an older version, days the wrong way round, no day of the calendar,
 * nothing written, hostile words, another shop, nobody signed in.
 */
import { expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { LoansView } from '#contract/tools.ts';
import { makeShop, nextId, openShop, signedIn, type Agent } from '#tests/support/server.ts';

const it = openShop('tools');

const LOAN = {
  version: 0,
  what: 'torque wrench',
  lentTo: 'Ruan Teague',
  lentOn: '2026-03-02',
  due: '2026-03-09',
};
const put = (loanId: string, more: object = {}, agent: Agent = it.technician) =>
  agent.put(pathOf('loanPut', { loanId })).send({ ...LOAN, ...more });
const list = async (agent: Agent = it.owner): Promise<LoansView['loans']> =>
  ((await agent.get(pathOf('loansRead')).expect(200)).body as LoansView).loans;

test('lent, changed, back, and not back after all; the same twice is once', async () => {
  const id = nextId();
  const [one, two] = await Promise.all([put(id), put(id)]);
  expect([one.status, two.status]).toEqual([200, 200]);
  expect(await list()).toEqual([{ ...LOAN, id, version: 1, backOn: null }]);
  await put(id, { version: 1, due: '2026-03-20' }).expect(200);
  await put(id, { version: 2, due: '2026-03-20', backOn: '2026-03-11' }).expect(200);
  expect(await list()).toMatchObject([{ due: '2026-03-20', backOn: '2026-03-11', version: 3 }]);
  await put(id, { version: 3, due: undefined }).expect(200);
  expect(await list()).toMatchObject([{ due: null, backOn: null }]);
});

test('who changes what was changed meanwhile is told, with what is there now', async () => {
  const id = nextId();
  await put(id).expect(200);
  await put(id, { version: 1, lentTo: 'Noor Castellan' }).expect(200);
  const { body } = await put(id, { version: 1, lentTo: 'Dex Marlow' }, it.owner).expect(409);
  expect(body.current).toMatchObject({ lentTo: 'Noor Castellan', version: 2 });
});

test.each([
  ['what', { what: ' ' }],
  ['what', { what: 'x'.repeat(161) }],
  ['lentTo', { lentTo: '' }],
  ['lentOn', { lentOn: '2026-02-30' }],
  ['lentOn', { lentOn: '2026-03-12', due: '2026-03-13' }],
  ['due', { due: '2026-03-01' }],
  ['backOn', { backOn: '2026-03-01' }],
  ['backOn', { backOn: '2026-03-12' }],
])('what cannot be is refused with its field: %s %j', async (field, more) => {
  const before = await list();
  expect((await put(nextId(), more).expect(400)).body.fields).toMatchObject([{ field }]);
  expect(await list()).toEqual(before);
});

test('hostile words are words; another shop sees nothing of it; nobody else does either', async () => {
  const id = nextId();
  const what = `'; drop table loans; -- <script>`;
  await put(id, { what }).expect(200);
  expect((await list()).find((l) => l.id === id)!.what).toBe(what);
  const elsewhere = await signedIn(it.server, await makeShop(it.server, 'tools-elsewhere'), 'owner');
  expect(await list(elsewhere)).toEqual([]);
  await put(id, { version: 1, what: 'theirs' }, elsewhere).expect(200);
  expect((await list()).find((l) => l.id === id)!.what).toBe(what);
  await supertest(it.server.app.express).get(pathOf('loansRead')).expect(401);
});

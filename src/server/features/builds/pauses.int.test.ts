/**
 * A build rests, over HTTP. Nasty cases: twice at once, ended twice, a second pause while one runs, over midnight, a new promise
 * after it, a technician.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { BuildView, PauseDto } from '#contract/builds.ts';
import type { WaitsView } from '#contract/waits.ts';
import { promiseNow } from '#core/pauses/pauses.ts';
import { line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('pauses');

const pause = (buildId: string, pauseId: string, more: Partial<PauseDto> = {}) =>
  it.owner
    .put(pathOf('pausePut', { buildId, pauseId }))
    .send({ reason: 'owner at sea until April', side: 'customer', ...more });
const end = (buildId: string, pauseId: string) => it.owner.post(pathOf('pauseEnd', { buildId, pauseId }));
const read = async (buildId: string): Promise<BuildView> =>
  (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body as BuildView;
const promised = ({ promised: p, promisedOn, pauses }: BuildView, today: string): string | null =>
  promiseNow(p, promisedOn, pauses, today);

test('the clock of a promise stands, however often it is pressed; the logbook says so; a new promise starts it anew', async () => {
  const buildId = await makeBuild(it.owner, { promised: '2026-05-01' });
  const pauseId = nextId();
  const sent = await Promise.all([1, 2, 3].map(() => pause(buildId, pauseId)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200]);
  const second = await pause(buildId, nextId()).expect(409);
  expect(second.body.detail).toBe(
    'It rests already, since 2026-03-11: owner at sea until April. Nothing was kept.',
  );
  const { waits } = (await it.owner.get(pathOf('waitsRead')).expect(200)).body as WaitsView;
  expect(waits.find((w) => w.buildId === buildId)?.binding).toMatchObject({
    kind: 'said',
    what: expect.stringContaining('owner at sea until April'),
  });
  const other = {
    kind: 'waiting',
    text: 'waiting on the owner’s papers',
    facts: { subject: 'owner’s papers' },
  };
  await it.owner
    .post(pathOf('entryAdd', { buildId }))
    .send(line({ ...other, kind: 'waiting', audience: 'shop' }))
    .expect(200);
  it.server.clock.set('2026-03-21T23:30:00.000Z');
  await Promise.all([end(buildId, pauseId).expect(200), end(buildId, pauseId).expect(200)]);
  const rested = await read(buildId);
  expect(rested.pauses).toEqual([
    {
      id: pauseId,
      entryId: expect.stringMatching(/^[0-9a-f-]{36}$/),
      side: 'customer',
      reason: 'owner at sea until April',
      from: '2026-03-11',
      to: '2026-03-21',
    },
  ]);
  expect(promised(rested, '2026-03-21')).toBe('2026-05-11');
  expect(rested.waits.map((w) => w.subject)).toEqual(['owner’s papers']);
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
  expect(entries.map((e: { kind: string; text: string }) => [e.kind, e.text]).reverse()).toEqual([
    ['waiting', 'rests: owner at sea until April'],
    ['waiting', 'waiting on the owner’s papers'],
    ['resumed', 'goes on again after: owner at sea until April'],
  ]);
  const { version, complaint, standard, tellEveryDays, customerEmail, tellBy, discretionMinor } = rested;
  await it.owner
    .put(pathOf('agreedPut', { buildId }))
    .send({
      version,
      complaint,
      standard,
      tellEveryDays,
      customerEmail,
      tellBy,
      discretionMinor,
      promised: '2026-05-20',
    })
    .expect(200);
  const anew = await read(buildId);
  expect(anew).toMatchObject({ promised: '2026-05-20', promisedOn: '2026-03-21' });
  expect(promised(anew, '2026-03-21')).toBe('2026-05-20');
  it.server.clock.set('2026-03-11T10:00:00.000Z');
});

test('for the shop’s own reasons no promise moves; what is missing is named; a technician may not', async () => {
  const buildId = await makeBuild(it.owner, { promised: '2026-05-01' });
  expect((await pause(buildId, nextId(), { reason: ' ' }).expect(400)).body.fields).toEqual([
    { field: 'reason', reason: 'say why it rests' },
  ]);
  await pause(buildId, nextId(), { side: 'nobody' as never }).expect(400);
  await pause(buildId, nextId(), { side: 'shop', reason: 'no room' }).expect(200);
  expect(promised(await read(buildId), '2026-04-11')).toBe('2026-05-01');
  await end(buildId, nextId()).expect(404);
  await it.technician
    .put(pathOf('pausePut', { buildId, pauseId: nextId() }))
    .send({})
    .expect(403);
});

test('what a day in store costs is the shop’s; a technician never hears it', async () => {
  const buildId = await makeBuild(it.owner);
  const terms = (await it.owner.get(pathOf('termsRead')).expect(200)).body;
  await it.owner
    .put(pathOf('termsSave'))
    .send({ ...terms, storagePerDayMinor: 450 })
    .expect(200);
  expect((await read(buildId)).storagePerDayMinor).toBe(450);
  await it.owner
    .put(pathOf('termsSave'))
    .send({ ...terms, storagePerDayMinor: undefined, version: terms.version + 1 })
    .expect(200);
  expect((await read(buildId)).storagePerDayMinor).toBe(450);
  const theirs = (await it.technician.get(pathOf('buildRead', { buildId })).expect(200)).body;
  expect(theirs).not.toHaveProperty('storagePerDayMinor');
});

/**
 * A build rests, over HTTP. Nasty cases: twice at once, ended twice, a second pause while one runs, over midnight, a new promise
 * after it, a technician; ended by a line, taken back, its entry withdrawn, begun again since.
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

test('it rests as long as its wait is open in the logbook, whoever ends it and how', async () => {
  it.server.clock.set('2026-03-11T10:00:00.000Z');
  const buildId = await makeBuild(it.owner, { promised: '2026-05-01' });
  const rests = async () => (await read(buildId)).pauses.map(({ id, from, to }) => [id, from, to]);
  const log = async (more: object): Promise<string> => {
    const said = line({ kind: 'resumed', audience: 'shop', ...more });
    await it.owner.post(pathOf('entryAdd', { buildId })).send(said).expect(200);
    return said.id;
  };
  const withdraw = (correctsId: string) =>
    it.owner
      .post(pathOf('entryCorrect', { buildId }))
      .send({ id: nextId(), correctsId, withdraw: true })
      .expect(200);
  const first = nextId();
  const { entryId } = (await pause(buildId, first).expect(200)).body.pauses[0];
  it.server.clock.set('2026-03-16T10:00:00.000Z');
  const does = [{ act: 'release', type: 'hold', id: entryId }];
  const goesOn = await log({ text: 'the owner is back', facts: {}, does });
  expect(await rests()).toEqual([[first, '2026-03-11', '2026-03-16']]);
  it.server.clock.set('2026-03-18T10:00:00.000Z');
  await withdraw(goesOn);
  expect(await rests()).toEqual([[first, '2026-03-11', null]]);
  expect(promised(await read(buildId), '2026-03-18')).toBe('2026-05-08');
  // Everything that it waits for is over.
  await log({ text: 'back at it', facts: {} });
  expect(await rests()).toEqual([[first, '2026-03-11', '2026-03-18']]);

  const second = nextId();
  const again = (await pause(buildId, second).expect(200)).body.pauses.at(-1).entryId as string;
  it.server.clock.set('2026-03-20T10:00:00.000Z');
  await withdraw(again);
  // It never rested: no day is taken off the clock of its promise.
  expect(await rests()).toEqual([[first, '2026-03-11', '2026-03-18']]);
  expect(promised(await read(buildId), '2026-03-30')).toBe('2026-05-08');
  it.server.clock.set('2026-03-11T10:00:00.000Z');
});

test('two rests are never open at once, whatever is taken back', async () => {
  const buildId = await makeBuild(it.owner);
  const [first, second] = [nextId(), nextId()];
  await pause(buildId, first).expect(200);
  await end(buildId, first).expect(200);
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body;
  const goesOn = entries.find((e: { kind: string }) => e.kind === 'resumed').id;
  await pause(buildId, second, { reason: 'no room' }).expect(200);
  await it.owner
    .post(pathOf('entryCorrect', { buildId }))
    .send({ id: nextId(), correctsId: goesOn, withdraw: true })
    .expect(200);
  expect((await read(buildId)).pauses.map((p) => [p.id, p.to === null])).toEqual([
    [first, false],
    [second, true],
  ]);
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

/**
 * Parts over HTTP. Nasty cases: the same order five times at once, fitted before it came, a stale version, another build's
 * part, a unit of another year, a technician who must see no price and must not lose one, a search with % in it.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/access.ts';
import type { PartActDto, PartPutDto, PartsDeskView, PartsView, PartView } from '#contract/parts.ts';
import { makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

const it = openShop('parts');

const PART: PartPutDto = {
  version: 0,
  what: 'exhaust valve',
  quantity: 1,
  number: 'OW-118',
  catalogue: 'Oldgate 1958',
  instead: '',
  source: 'supplier',
  sourceNote: '',
  vendor: 'Oldgate Machine Works',
  priceMinor: 4650,
};
const put = (buildId: string, partId: string, more: Partial<PartPutDto> = {}, agent: Agent = it.owner) =>
  agent.put(pathOf('partPut', { buildId, partId })).send({ ...PART, ...more });
const act = (buildId: string, partId: string, body: Partial<PartActDto>, agent: Agent = it.owner) =>
  agent.post(pathOf('partAct', { buildId, partId })).send({ version: 1, entryId: nextId(), ...body });
const read = async (buildId: string, agent: Agent = it.owner): Promise<PartsView> =>
  (await agent.get(pathOf('partsRead', { buildId })).expect(200)).body as PartsView;
const partOf = async (buildId: string): Promise<PartView> => (await read(buildId)).parts[0]!;
const desk = async (q = '', agent: Agent = it.owner): Promise<PartView[]> =>
  ((await agent.get(pathOf('partsDesk')).query({ q }).expect(200)).body as PartsDeskView).parts;

test('from need to fitted, with the old one bagged; each act is one entry, however often it is sent', async () => {
  const buildId = await makeBuild(it.owner);
  const partId = nextId();
  await Promise.all([put(buildId, partId).expect(200), put(buildId, partId).expect(200)]);
  const early = await act(buildId, partId, { act: 'fit', fate: 'scrapped' }).expect(400);
  expect(early.body.fields).toEqual([
    { field: 'act', reason: 'it is to find: that cannot be done with it now' },
  ]);
  const entryId = nextId();
  const order = {
    act: 'order',
    vendor: 'Oldgate Machine Works',
    due: '2026-03-20',
    priceMinor: 5000,
    entryId,
  } as const;
  const sent = await Promise.all([1, 2, 3, 4, 5].map(() => act(buildId, partId, order)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  expect(await partOf(buildId)).toMatchObject({
    state: 'ordered',
    due: '2026-03-20',
    priceMinor: 5000,
    version: 2,
  });
  await act(buildId, partId, { act: 'new date', due: '2026-03-27', note: 'their caster is ill' }).expect(409);
  await act(buildId, partId, {
    act: 'new date',
    due: '2026-03-27',
    note: 'their caster is ill',
    version: 2,
  }).expect(200);
  await act(buildId, partId, { act: 'arrive', check: 'right', version: 3 }).expect(200);
  await act(buildId, partId, { act: 'fit', fate: 'bagged', version: 4 }).expect(400);
  await act(buildId, partId, { act: 'fit', fate: 'bagged', bag: '17', version: 4 }).expect(200);
  const fitted = await partOf(buildId);
  expect(fitted.state).toBe('fitted');
  expect(fitted.history.map((h) => h.act)).toEqual(['order', 'new date', 'arrive', 'fit']);
  expect(fitted.history[0]!.entryId).toBe(entryId);
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
  expect(entries.map((e: { kind: string; text: string }) => [e.kind, e.text]).reverse()).toEqual([
    ['ordered', 'ordered exhaust valve from Oldgate Machine Works'],
    ['note', 'exhaust valve now expected 2026-03-27, before that 2026-03-20: their caster is ill'],
    ['arrived', 'exhaust valve arrived from Oldgate Machine Works'],
    ['fitted', 'fitted exhaust valve; the old one bagged, bag 17'],
  ]);
  const build = (await it.owner.get(pathOf('buildRead', { buildId }))).body;
  expect(build.spentMinor).toBe(5000);
});

test('a faulty one goes back and is needed again', async () => {
  const buildId = await makeBuild(it.owner);
  const partId = nextId();
  await put(buildId, partId).expect(200);
  await act(buildId, partId, { act: 'order', vendor: 'Cobb Springs' }).expect(200);
  await act(buildId, partId, { act: 'arrive', check: 'faulty when tested', version: 2 }).expect(400);
  await act(buildId, partId, {
    act: 'arrive',
    check: 'faulty when tested',
    note: 'leaks at the seat',
    version: 2,
  }).expect(200);
  expect((await partOf(buildId)).state).toBe('wrong');
  await act(buildId, partId, { act: 'send back', version: 3 }).expect(200);
  await act(buildId, partId, { act: 'take up again', version: 4 }).expect(200);
  expect(await partOf(buildId)).toMatchObject({ state: 'to order', vendor: 'Cobb Springs' });
});

test('a number that does not fit its unit warns with the reason; another vehicle’s unit is refused', async () => {
  const buildId = await makeBuild(it.owner);
  const [other, partId, unitId] = [await makeBuild(it.owner), nextId(), nextId()];
  const unit = { version: 0, kind: 'engine', number: 'E 4411', papersNumber: '', year: 1964, evidence: '' };
  await it.owner
    .put(pathOf('registerRowPut', { buildId, register: 'unit', rowId: unitId }))
    .send(unit)
    .expect(200);
  await put(buildId, partId, { unitId, fitsFrom: 1958, fitsTo: 1962 }).expect(200);
  expect(await partOf(buildId)).toMatchObject({
    unit: 'engine',
    whyMayNotFit: 'the engine is of 1964, and its catalogue says 1958 to 1962',
  });
  expect((await read(buildId)).units).toEqual([{ id: unitId, name: 'engine E 4411 1964' }]);
  const stranger = await put(other, nextId(), { unitId }).expect(400);
  expect(stranger.body.fields).toEqual([expect.objectContaining({ field: 'unitId' })]);
  await put(other, partId).expect(404);
  expect((await put(buildId, nextId(), { fitsFrom: 1962, fitsTo: 1958 }).expect(400)).body.fields).toEqual([
    expect.objectContaining({ field: 'fitsTo' }),
  ]);
});

test('a technician sees no price and loses none; the desk finds a part over all builds, with odd letters too', async () => {
  const buildId = await makeBuild(it.owner, { nickname: 'tricycle' });
  const partId = nextId();
  await put(buildId, partId, { what: '100% wool felt', number: '' }).expect(200);
  const seen = await read(buildId, it.technician);
  expect(JSON.stringify(seen)).not.toMatch(/priceMinor|4650/);
  const change = { what: '100% wool felt, grey', number: '', version: 1 };
  const { priceMinor, ...withoutPrice } = PART;
  await it.technician
    .put(pathOf('partPut', { buildId, partId }))
    .send({ ...withoutPrice, ...change })
    .expect(200);
  expect((await partOf(buildId)).priceMinor).toBe(priceMinor);
  expect((await desk('100% WOOL')).map((p) => [p.nickname, p.what])).toEqual([
    ['tricycle', '100% wool felt, grey'],
  ]);
  expect(await desk('100_ wool')).toEqual([]);
  expect((await desk('', it.technician)).some((p) => p.id === partId)).toBe(true);
});

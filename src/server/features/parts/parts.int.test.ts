/**
 * Parts over HTTP. Nasty cases: the same order five times at once, fitted before it came, a stale version, another build's
 * part, a unit of another year, a technician who must see no price and must not lose one, a search with % in it.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { PartActDto, PartPutDto, PartsDeskView, PartsView, PartView } from '#contract/parts.ts';
import { makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

const it = openShop('parts');

/** What was spent and ordered on no line of the estimate. */
const spentOn = async (buildId: string): Promise<object> =>
  (await it.owner.get(pathOf('costsRead', { buildId })).expect(200)).body.build.unallocated;

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
    ['needs', 'needs exhaust valve'],
    ['ordered', 'ordered exhaust valve from Oldgate Machine Works'],
    [
      'note',
      'exhaust valve now expected Fri, 27 Mar 2026, before that Fri, 20 Mar 2026: their caster is ill',
    ],
    ['arrived', 'exhaust valve arrived from Oldgate Machine Works'],
    ['fitted', 'fitted exhaust valve; the old one bagged, bag 17'],
  ]);
  expect(await spentOn(buildId)).toEqual({ spentMinor: 5000, committedMinor: 0 });
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
  expect(JSON.stringify(seen)).not.toMatch(/priceMinor|\b4650\b/);
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

test('a deposit counts until the old one is credited; the ledger follows; a technician can say neither', async () => {
  const buildId = await makeBuild(it.owner);
  const partId = nextId();
  await put(buildId, partId, { what: 'starter', priceMinor: 9000, depositMinor: 2500 }).expect(200);
  const ordered = { act: 'order', vendor: 'Skerry Electrics', priceMinor: 9000, version: 1 } as const;
  await act(buildId, partId, ordered).expect(200);
  expect(await spentOn(buildId)).toEqual({ spentMinor: 0, committedMinor: 11_500 });
  await act(buildId, partId, { act: 'arrive', check: 'right', version: 2 }).expect(200);
  await act(buildId, partId, { act: 'fit', fate: 'core to send back', version: 3 }).expect(200);
  expect((await partOf(buildId)).core).toBe('to send');
  await act(buildId, partId, { act: 'credited', creditMinor: 2500, version: 4 }).expect(400);
  await act(buildId, partId, { act: 'core sent', version: 4 }, it.technician).expect(200);
  const theirs = { act: 'credited', creditMinor: 2500, version: 5 } as const;
  expect((await act(buildId, partId, theirs, it.technician).expect(400)).body.fields).toEqual([
    { field: 'creditMinor', reason: 'say how much came back' },
  ]);
  await act(buildId, partId, theirs).expect(200);
  expect(await partOf(buildId)).toMatchObject({ core: 'credited', creditMinor: 2500, state: 'fitted' });
  expect(await spentOn(buildId)).toEqual({ spentMinor: 9000, committedMinor: 0 });
  const seen = JSON.stringify(await read(buildId, it.technician));
  expect(seen).not.toMatch(/Minor|\b(?:2500|9000)\b/);
});

test('a new part that failed: what it broke is a finding, the hours lost are on no line, the old one is in again', async () => {
  const buildId = await makeBuild(it.owner);
  const partId = nextId();
  await put(buildId, partId, { what: 'water pump' }).expect(200);
  await act(buildId, partId, { act: 'arrive', check: 'right' }).expect(200);
  await act(buildId, partId, { act: 'fit', fate: 'kept as a pattern', version: 2 }).expect(200);
  const failed = {
    act: 'failed',
    note: 'bearing let go after ten miles',
    broke: 'radiator core',
    lostMinutes: 150,
    oldIsBack: true,
    version: 3,
    entryId: nextId(),
  } as const;
  const sent = await Promise.all([1, 2, 3].map(() => act(buildId, partId, failed)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200]);
  expect((await partOf(buildId)).state).toBe('wrong');
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
  const words = entries.map((e: { kind: string; text: string }) => `${e.kind}: ${e.text}`);
  expect(words.slice(0, 3).reverse()).toEqual([
    'note: water pump failed: bearing let go after ten miles; it broke radiator core; 2 h 30 min lost; the old one is in again',
    'found: found radiator core broken by the faulty water pump',
    'hours: lost to the faulty water pump',
  ]);
  const { rows } = await it.server.admin.query(
    'select belongs, line_id from ledger where belongs is not null',
  );
  expect(rows).toContainEqual({ belongs: 'warranty', line_id: null });
});

test('a donor knows what was taken from it and what is still to be; a part cannot come from one that is not there', async () => {
  const [buildId, donorId, partId] = [await makeBuild(it.owner, { nickname: 'hearse' }), nextId(), nextId()];
  const donor = { version: 0, name: 'grey hearse', place: 'hedge behind the yard', note: '', isGone: false };
  const keep = (body: object, agent: Agent = it.technician) =>
    agent.put(pathOf('donorPut', { donorId })).send(body);
  expect((await put(buildId, partId, { donorId }).expect(400)).body.fields).toEqual([
    { field: 'donorId', reason: 'that vehicle is not on the list of donors' },
  ]);
  await Promise.all([keep(donor).expect(200), keep(donor).expect(200)]);
  await keep({ ...donor, name: ' ' }).expect(400);
  await keep({ ...donor, place: 'barn' }).expect(409);
  const from = { donorId, source: 'donor vehicle', what: 'tail door hinge', supersededBy: 'H-12' } as const;
  await put(buildId, partId, from).expect(200);
  expect(await partOf(buildId)).toMatchObject({ donorId, donor: 'grey hearse, hedge behind the yard' });
  expect((await desk('h-12')).map((p) => p.id)).toEqual([partId]);
  await act(buildId, partId, { act: 'arrive', check: 'right' }).expect(200);
  const { donors } = (await it.technician.get(pathOf('donorsRead')).expect(200)).body;
  expect(donors).toEqual([
    expect.objectContaining({
      id: donorId,
      parts: [
        expect.objectContaining({ partId, what: 'tail door hinge', nickname: 'hearse', state: 'arrived' }),
      ],
    }),
  ]);
});

test('words as long as they may be, in a script of long letters, are kept and found', async () => {
  const buildId = await makeBuild(it.owner);
  const long = {
    what: `袋${'🔧'.repeat(79)}`,
    number: 'Ж'.repeat(80),
    catalogue: '目'.repeat(120),
    instead: '代'.repeat(300),
    sourceNote: '注'.repeat(200),
    vendor: '店'.repeat(120),
  };
  const partId = nextId();
  await put(buildId, partId, long).expect(200);
  expect((await desk('жжж')).map((p) => p.id)).toEqual([partId]);
});

test('a list of parts comes in whole or not at all, once however often it is sent, and goes out again without formulas', async () => {
  const buildId = await makeBuild(it.owner, { nickname: 'snow plough' });
  const id = nextId();
  const bring = (text: string, keep: boolean, agent: Agent = it.owner) =>
    agent.post(pathOf('partsImport', { buildId })).send({ id, text, keep });
  const bad = 'part;qty;price\nhose;2;46,50\npin;two;9';
  const seen = (await bring(bad, false).expect(200)).body;
  expect(seen.columns).toEqual(['what', 'quantity', 'price']);
  expect(seen.faults).toEqual([expect.objectContaining({ row: 3, column: 'quantity' })]);
  await bring(bad, true).expect(400);
  expect((await read(buildId)).parts).toEqual([]);
  await bring('part\n"open', false).expect(400);
  const good = 'part;qty;price;vendor\nhose;2;46,50;Tern & Sons\n=1+1;1;;';
  await Promise.all([bring(good, true).expect(200), bring(good, true).expect(200)]);
  expect((await read(buildId)).parts.map((p) => [p.what, p.quantity, p.priceMinor, p.state])).toEqual([
    ['hose', 2, 4650, 'to find'],
    ['=1+1', 1, undefined, 'to find'],
  ]);
  await bring(good, true, it.technician).expect(403);
  const { text, headers } = await it.owner.get(pathOf('partsCsv')).expect(200);
  expect(headers['content-disposition']).toContain('parts.csv');
  expect(text).toMatch(/snow plough,to find,,hose,2,.*,Tern & Sons,46\.50,/);
  expect(text).toContain("'=1+1");
  await it.technician.get(pathOf('partsCsv')).expect(403);
});

test('the customer is asked what becomes of the old one, and their word settles it; it stands on the desk until then', async () => {
  const buildId = await makeBuild(it.owner);
  const partId = nextId();
  await put(buildId, partId).expect(200);
  await act(buildId, partId, { act: 'arrive', check: 'right' }).expect(200);
  const fit = { act: 'fit', fate: 'kept until the customer says', version: 2, entryId: nextId() } as const;
  await Promise.all([1, 2].map(() => act(buildId, partId, fit).expect(200)));
  expect(await partOf(buildId)).toMatchObject({ state: 'fitted', oldFate: 'kept until the customer says' });
  expect((await desk()).some((p) => p.id === partId)).toBe(true);
  const kinds = async (): Promise<[string, string][]> =>
    (await it.owner.get(pathOf('entriesList', { buildId }))).body.entries.map(
      (e: { kind: string; text: string }) => [e.kind, e.text],
    );
  expect((await kinds())[0]).toEqual([
    'asked',
    'what shall become of the old exhaust valve: back to you, kept, or scrapped?',
  ]);
  await act(buildId, partId, { act: 'old one settled', version: 3 }).expect(400);
  await act(buildId, partId, {
    act: 'old one settled',
    fate: 'returned to the customer',
    version: 3,
  }).expect(200);
  expect(await partOf(buildId)).toMatchObject({ state: 'fitted', oldFate: 'returned to the customer' });
  expect((await kinds())[0]).toEqual(['decided', 'old exhaust valve: returned to the customer']);
  expect((await desk()).some((p) => p.id === partId)).toBe(false);
});

test('a number that the unit’s own number lies outside of is warned of; a range the wrong way round is refused', async () => {
  const buildId = await makeBuild(it.owner);
  const unitId = nextId();
  await it.owner
    .put(pathOf('registerRowPut', { buildId, register: 'unit', rowId: unitId }))
    .send({ version: 0, kind: 'engine', number: 'E 4100', papersNumber: '', evidence: '' })
    .expect(200);
  const wrong = await put(buildId, nextId(), { serialFrom: 'E 3399', serialTo: 'E 1200' }).expect(400);
  expect(wrong.body.fields).toEqual([{ field: 'serialTo', reason: 'the last number is before the first' }]);
  const partId = nextId();
  await put(buildId, partId, { unitId, serialFrom: 'E 1200', serialTo: 'E 3399' }).expect(200);
  expect((await partOf(buildId)).whyMayNotFit).toBe(
    'the engine is number E 4100, and its catalogue says E 1200 to E 3399',
  );
});

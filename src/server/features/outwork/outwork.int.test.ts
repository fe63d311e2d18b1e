/**
 * Outwork over HTTP. Nasty cases: sent five times at once, a piece in two batches at once, back more than went, a piece
 * missing and found later, a stale version, another car's task, a technician who must see no price and lose none.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type {
  BatchBackDto,
  BatchPutDto,
  BatchSendDto,
  BatchView,
  OutworkView,
  PiecePutDto,
  PieceView,
} from '#contract/outwork.ts';
import type { PartsView } from '#contract/parts.ts';
import type { WaitsView } from '#contract/waits.ts';
import type { WorkView } from '#contract/work.ts';
import type { PlanView } from '#contract/plan.ts';
import { line, makeBuild, nextId, openShop, withdrawEntry, type Agent } from '#tests/support/server.ts';

const it = openShop('outwork');

const PIECE: PiecePutDto = {
  version: 0,
  entryId: '',
  what: 'door hinges',
  count: 4,
  bag: '12',
  note: '',
  treatment: 'plate',
};
const putPiece = (
  buildId: string,
  pieceId: string,
  more: Partial<PiecePutDto> = {},
  agent: Agent = it.owner,
) => agent.put(pathOf('piecePut', { buildId, pieceId })).send({ ...PIECE, entryId: nextId(), ...more });
const BATCH: Omit<BatchPutDto, 'pieceIds'> = {
  version: 0,
  vendor: 'Halcyon Platers',
  treatment: 'plate',
  note: '',
};
const putBatch = (
  batchId: string,
  pieceIds: string[],
  more: Partial<BatchPutDto> = {},
  agent: Agent = it.owner,
) => agent.put(pathOf('batchPut', { batchId })).send({ ...BATCH, pieceIds, ...more });
const send = (batchId: string, pieceIds: string[], more: Partial<BatchSendDto> = {}) =>
  it.technician
    .post(pathOf('batchSend', { batchId }))
    .send({ version: 1, actId: nextId(), pieceIds, ...more });
const back = (batchId: string, more: Partial<BatchBackDto>) =>
  it.technician
    .post(pathOf('batchBack', { batchId }))
    .send({ version: 2, actId: nextId(), came: [], isAll: false, ...more });
const read = async (agent: Agent = it.owner): Promise<OutworkView> =>
  (await agent.get(pathOf('outworkRead')).expect(200)).body as OutworkView;
const batchOf = async (id: string): Promise<BatchView> => (await read()).batches.find((b) => b.id === id)!;
const logbook = async (buildId: string): Promise<string[]> =>
  (await it.owner.get(pathOf('entriesList', { buildId }))).body.entries
    .map((e: { kind: string; text: string }) => `${e.kind}: ${e.text}`)
    .reverse();

/** Two cars with a piece each, in one batch. */
async function filled(more: Partial<BatchPutDto> = {}) {
  const [van, hearse] = [await makeBuild(it.owner), await makeBuild(it.owner)];
  const [hinges, handle, batchId] = [nextId(), nextId(), nextId()];
  await putPiece(van, hinges).expect(200);
  await putPiece(hearse, handle, { what: 'tailgate handle', count: 1, bag: '' }).expect(200);
  const begun = await Promise.all([1, 2].map(() => putBatch(batchId, [hinges, handle], more)));
  expect(begun.map((r) => r.status)).toEqual([200, 200]);
  return { van, hearse, hinges, handle, batchId };
}

test('out and back with a piece missing: known that day, in both logbooks, and found again later', async () => {
  const { van, hearse, hinges, handle, batchId } = await filled({
    priceMinor: 10_000,
    promised: '2026-03-20',
  });
  const actId = nextId();
  const sent = await Promise.all([1, 2, 3, 4, 5].map(() => send(batchId, [hinges, handle], { actId })));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  expect(await batchOf(batchId)).toMatchObject({ state: 'out', version: 2, sentOn: '2026-03-11' });
  expect(await logbook(van)).toEqual([
    'note: off: 4 door hinges, bag 12',
    expect.stringMatching(/^ordered: sent to Halcyon Platers for plating: 4 door hinges \(O-\d{3}\)$/),
  ]);
  const out = async (buildId: string): Promise<object> =>
    (await it.owner.get(pathOf('costsRead', { buildId })).expect(200)).body.build.unallocated;
  expect(await out(van)).toEqual({ spentMinor: 0, committedMinor: 8000 });
  expect(await out(hearse)).toEqual({ spentMinor: 0, committedMinor: 2000 });

  const tooMany = await back(batchId, { came: [{ pieceId: hinges, count: 5, check: 'right' }] }).expect(400);
  expect(tooMany.body.fields).toEqual([
    { field: `came.${hinges}`, reason: 'of “door hinges” only 4 pieces are still out' },
  ]);
  await back(batchId, { came: [{ pieceId: handle, count: 1, check: 'damaged' }] }).expect(400);
  await back(batchId, { came: [] }).expect(400);
  it.server.clock.set('2026-03-23T10:00:00.000Z');
  await back(batchId, {
    came: [{ pieceId: hinges, count: 3, check: 'right' }],
    isAll: true,
  }).expect(200);
  const now = await batchOf(batchId);
  expect(now).toMatchObject({ state: 'back', backOn: '2026-03-23' });
  expect(now.pieces.map((p) => [p.what, p.sent, p.back, p.state])).toEqual(
    expect.arrayContaining([
      ['door hinges', 4, 3, 'missing'],
      ['tailgate handle', 1, 0, 'missing'],
    ]),
  );
  expect((await logbook(van)).at(-1)).toMatch(
    /^note: back from Halcyon Platers: 3 door hinges; missing from O-\d{3}, Halcyon Platers: door hinges$/,
  );
  expect((await logbook(hearse)).at(-1)).toMatch(/^note: missing from O-\d{3}.*: tailgate handle$/);
  const waits = (await it.owner.get(pathOf('waitsRead')).expect(200)).body as WaitsView;
  expect(waits.waits.find((w) => w.buildId === hearse)?.binding).toMatchObject({
    kind: 'batch',
    what: expect.stringContaining('tailgate handle, missing since it was at Halcyon Platers'),
    act: 'ring Halcyon Platers and have it searched for today',
  });
  await back(batchId, { version: 2, came: [{ pieceId: handle, count: 1, check: 'right' }] }).expect(409);
  await back(batchId, { version: 3, came: [{ pieceId: handle, count: 1, check: 'right' }] }).expect(200);
  expect((await logbook(hearse)).at(-1)).toBe('arrived: back from Halcyon Platers: tailgate handle');
  expect((await batchOf(batchId)).backOn).toBe('2026-03-23');
  it.server.clock.set('2026-03-11T10:00:00.000Z');
});

test('what was not ticked into the box stays on its pile; what is in one batch is in no other', async () => {
  const { van, hinges, handle, batchId } = await filled();
  const other = nextId();
  const twice = await putBatch(other, [hinges]).expect(400);
  expect(twice.body.fields).toEqual([
    { field: 'pieceIds', reason: '“door hinges” lies in another batch already' },
  ]);
  const [a, b] = [nextId(), nextId()];
  const knob = nextId();
  await putPiece(van, knob, { what: 'knob', count: 1 }).expect(200);
  const raced = await Promise.all([putBatch(a, [knob]), putBatch(b, [knob])]);
  expect(raced.map((r) => r.status).sort()).toEqual([200, 400]);
  await send(batchId, []).expect(400);
  await send(batchId, [hinges]).expect(200);
  const after = await read();
  expect(after.pieces.find((p) => p.id === handle)).toMatchObject({ state: 'off', batchId: null });
  expect(after.pieces.find((p) => p.id === hinges)).toMatchObject({ state: 'out', batchId });
  const gone = await it.owner.delete(pathOf('batchDrop', { batchId })).send({ version: 2 }).expect(400);
  expect(gone.body.fields[0].reason).toBe('it has gone already');
  await putPiece(van, hinges, { version: 99, treatment: 'chrome' }).expect(409);
  const { version } = after.pieces.find((p) => p.id === hinges)!;
  expect(
    (await putPiece(van, hinges, { version, treatment: 'chrome' }).expect(400)).body.fields[0].field,
  ).toBe('treatment');
  await putPiece(van, nextId(), { taskId: nextId() }).expect(400);
  await putPiece(await makeBuild(it.owner), hinges, { version }).expect(404);
});

test('a promised day that moves keeps what it was; a technician changes it and neither sees nor loses the price', async () => {
  const { van, hinges, handle, batchId } = await filled({ priceMinor: 4650, promised: '2026-03-20' });
  await send(batchId, [hinges, handle]).expect(200);
  expect(JSON.stringify(await read(it.technician))).not.toMatch(/priceMinor|\b4650\b/);
  await putBatch(batchId, [hinges, handle], { version: 2, promised: '2026-03-27' }, it.technician).expect(
    200,
  );
  expect(await batchOf(batchId)).toMatchObject({
    priceMinor: 4650,
    promised: '2026-03-27',
    promisedBefore: [{ was: '2026-03-20', given: '2026-03-11' }],
  });
  expect((await logbook(van)).at(-1)).toBe(
    'note: 4 door hinges: Halcyon Platers now says Fri, 27 Mar 2026, before that Fri, 20 Mar 2026',
  );
  await putBatch(batchId, [hinges], { version: 3, vendor: 'Grist Foundry' }).expect(400);
});

test('a task that needs a piece waits for it by name, and may begin when it is back; its line has the cost', async () => {
  const buildId = await makeBuild(it.owner);
  const [taskId, pieceId, batchId] = [nextId(), nextId(), nextId()];
  const task = {
    version: 0,
    title: 'hang the door',
    work: 'metalwork',
    minutes: 60,
    cautions: [],
    needs: [],
  };
  await it.owner.put(pathOf('taskPut', { buildId, taskId })).send(task).expect(200);
  await putPiece(buildId, pieceId, { taskId }).expect(200);
  const start = () =>
    it.technician.post(pathOf('taskStart', { buildId, taskId })).send({ spellId: nextId() });
  const work = async (): Promise<WorkView> =>
    (await it.owner.get(pathOf('workRead', { buildId })).expect(200)).body as WorkView;
  expect((await work()).tasks[0]!.away).toEqual(['4 door hinges, still to go for plating']);
  await putBatch(batchId, [pieceId]).expect(200);
  await send(batchId, [pieceId]).expect(200);
  expect((await work()).tasks[0]!.away).toEqual([
    expect.stringMatching(/^4 door hinges, out for plating at Halcyon Platers \(O-\d{3}\)$/),
  ]);
  expect((await start()).status).not.toBe(200);
  await back(batchId, { came: [{ pieceId, count: 4, check: 'right' }] }).expect(200);
  expect((await work()).tasks[0]!.away).toEqual([]);
  await start().expect(200);
});

test('a piece that is to be replaced becomes a part, once; one that is done goes on the car, or to the next treatment', async () => {
  const buildId = await makeBuild(it.owner);
  const [pieceId, partId, done] = [nextId(), nextId(), nextId()];
  await putPiece(buildId, pieceId, { treatment: 'replace' }).expect(200);
  const become = (version: number) =>
    it.owner.post(pathOf('pieceToPart', { buildId, pieceId })).send({ version, partId });
  await Promise.all([become(1).expect(200), become(1).expect(200)]);
  const { parts } = (await it.owner.get(pathOf('partsRead', { buildId })).expect(200)).body as PartsView;
  expect(parts).toEqual([
    expect.objectContaining({ what: 'door hinges', quantity: 4, sourceNote: 'the old one in bag 12' }),
  ]);
  await putPiece(buildId, done, { treatment: 'blast', what: 'cover', count: 1 }).expect(200);
  const batchId = nextId();
  await putBatch(batchId, [done], { treatment: 'blast' }).expect(200);
  await send(batchId, [done]).expect(200);
  await back(batchId, { came: [{ pieceId: done, count: 1, check: 'right' }] }).expect(200);
  const pieces = async (): Promise<PieceView> =>
    (await it.owner.get(pathOf('piecesRead', { buildId }))).body.pieces.find((p: PieceView) => p.id === done);
  const ready = await pieces();
  expect(ready).toMatchObject({ state: 'ready', been: [expect.stringMatching(/^O-\d{3}, blast, Halcyon/)] });
  const { version, entryId } = ready;
  await putPiece(buildId, done, {
    version,
    entryId,
    what: 'cover',
    count: 1,
    treatment: 'powder coat',
  }).expect(200);
  expect(await pieces()).toMatchObject({ state: 'off', treatment: 'powder coat', batchId: null });
  await it.owner
    .post(pathOf('pieceAct', { buildId, pieceId: done }))
    .send({ version: version + 1, act: 'on the car' })
    .expect(200);
  expect(await pieces()).toMatchObject({ state: 'on' });
  expect((await logbook(buildId)).at(-1)).toBe('note: on the car again: cover');
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body;
  await it.owner
    .post(pathOf('entryCorrect', { buildId }))
    .send({ id: nextId(), correctsId: entries[0].id, withdraw: true })
    .expect(200);
  expect(await pieces()).toMatchObject({ state: 'off', treatment: 'powder coat' });
});

test('past batches are what the next is expected by; the manifest is a PDF', async () => {
  const days = [10, 12, 14];
  for (const n of days) {
    const { hinges, handle, batchId } = await filled({ vendor: 'Grist Foundry' });
    await send(batchId, [hinges, handle]).expect(200);
    it.server.clock.set(`2026-03-${11 + n}T10:00:00.000Z`);
    await back(batchId, {
      came: [
        { pieceId: hinges, count: 4, check: 'right' },
        { pieceId: handle, count: 1, check: 'right' },
      ],
    }).expect(200);
    it.server.clock.set('2026-03-11T10:00:00.000Z');
    const pdf = await it.technician.get(pathOf('batchPdf', { batchId })).expect(200);
    expect(pdf.headers['content-type']).toBe('application/pdf');
    expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  }
  const { past } = await read();
  const own = past.filter((p) => p.vendor === 'Grist Foundry');
  expect(own.map((p) => p.backOn).sort()).toEqual(['2026-03-21', '2026-03-23', '2026-03-25']);
  expect(own[0]).toMatchObject({ treatment: 'plate', sentOn: '2026-03-11', things: 5 });
});

test('a body off its frame takes a bay up: a car is refused there and told why; a bag takes up nothing', async () => {
  const buildId = await makeBuild(it.owner, { nickname: 'landau' });
  const [body, bag, bay] = [nextId(), nextId(), nextId()];
  const place = { version: 0, name: 'Bay 9', kind: 'bay', position: 9, closed: false };
  await it.owner
    .put(pathOf('placePut', { placeId: bay }))
    .send(place)
    .expect(200);
  for (const pieceId of [body, bag])
    await it.technician
      .put(pathOf('piecePut', { buildId, pieceId }))
      .send({ ...PIECE, entryId: nextId(), what: pieceId === body ? 'body' : 'hinges' })
      .expect(200);
  const stand = (pieceId: string, more: object) =>
    it.technician
      .put(pathOf('pieceStand', { buildId, pieceId }))
      .send({ version: 1, isLarge: false, placeId: bay, ...more });
  await stand(bag, {}).expect(200);
  await Promise.all([1, 2, 3].map(() => stand(body, { isLarge: true }).expect(200)));
  await stand(body, { isLarge: true, placeId: nextId(), version: 2 }).expect(400);
  const plan = (await it.technician.get(pathOf('planRead')).expect(200)).body as PlanView;
  expect(plan.pieces.map((p) => [p.what, p.placeId === bay, p.isLarge])).toEqual([
    ['body', true, true],
    ['hinges', true, false],
  ]);
  const other = await makeBuild(it.owner, { nickname: 'gig' });
  const moved = line({ kind: 'moved', text: 'moved to Bay 9', facts: { place: 'Bay 9' }, audience: 'shop' });
  const refused = await it.owner
    .post(pathOf('entryAdd', { buildId: other }))
    .send(moved)
    .expect(409);
  expect(refused.body.detail).toMatch(/^The body of the landau stands on “Bay 9”/);
  await stand(body, { version: 2, placeId: undefined }).expect(200);
  await it.owner
    .post(pathOf('entryAdd', { buildId: other }))
    .send(moved)
    .expect(200);
  const texts = (await it.owner.get(pathOf('entriesList', { buildId }))).body.entries.map(
    (e: { text: string }) => e.text,
  );
  expect(texts.slice(0, 2)).toEqual(['body back on its shelf', 'body to Bay 9']);
});

test('a batch whose sending is taken back has not gone: car by car, and the price is the others’ as long as it is out', async () => {
  const { van, hearse, hinges, handle, batchId } = await filled({ priceMinor: 10_000 });
  await send(batchId, [hinges, handle], { promised: '2026-03-20' }).expect(200);
  const before = await batchOf(batchId);
  expect(before).toMatchObject({ state: 'out', promised: '2026-03-20' });
  await withdrawEntry(it.owner, van, /^sent to/);
  const rest = await batchOf(batchId);
  expect(rest).toMatchObject({ state: 'out', promised: '2026-03-20', pieces: [{ id: handle, sent: 1 }] });
  const costs = async (buildId: string): Promise<object> =>
    (await it.owner.get(pathOf('costsRead', { buildId })).expect(200)).body.build.unallocated;
  expect(await costs(van)).toEqual({ spentMinor: 0, committedMinor: 0 });
  expect(await costs(hearse)).toEqual({ spentMinor: 0, committedMinor: 10_000 });
  const pieceOf = async (id: string): Promise<PieceView> => (await read()).pieces.find((p) => p.id === id)!;
  expect(await pieceOf(hinges)).toMatchObject({ state: 'off', batchId: null });

  await withdrawEntry(it.owner, hearse, /^sent to/);
  expect(await batchOf(batchId)).toMatchObject({ state: 'filling', sentOn: null, promised: null });
  expect(await pieceOf(handle)).toMatchObject({ state: 'off', batchId });
  expect(await costs(hearse)).toEqual({ spentMinor: 0, committedMinor: 0 });
  const { version } = await batchOf(batchId);
  await putBatch(batchId, [hinges, handle], { version, priceMinor: 10_000 }).expect(200);
  await send(batchId, [hinges, handle], { version: version + 1 }).expect(200);
  expect(await costs(van)).toEqual({ spentMinor: 0, committedMinor: 8000 });
});

test('a return that is taken back is out again; sent is not taken back under what came', async () => {
  const { van, hearse, hinges, handle, batchId } = await filled();
  await send(batchId, [hinges, handle]).expect(200);
  const came = [{ pieceId: hinges, count: 3, check: 'right' as const }];
  await back(batchId, { came, isAll: true }).expect(200);
  const refused = await withdrawEntry(it.owner, van, /^sent to/, 409);
  expect(refused.body.detail).toMatch(/Something was done with “door hinges” since/);
  await withdrawEntry(it.owner, van, /^back from/);
  const now = await batchOf(batchId);
  expect(now).toMatchObject({ state: 'out', backOn: null });
  expect(now.pieces.map((p) => [p.id, p.back, p.state])).toEqual(
    expect.arrayContaining([
      [hinges, 0, 'out'],
      [handle, 0, 'missing'],
    ]),
  );
  await withdrawEntry(it.owner, hearse, /^missing from/);
  expect((await batchOf(batchId)).pieces.map((p) => p.state)).toEqual(['out', 'out']);
  await withdrawEntry(it.owner, van, /^sent to/);
  await withdrawEntry(it.owner, hearse, /^sent to/);
  expect(await batchOf(batchId)).toMatchObject({ state: 'filling' });
});

test('what was written down by mistake is off no list; what stands in a bay goes back only where there is room', async () => {
  const buildId = await makeBuild(it.owner, { nickname: 'brougham' });
  const [body, other, bay, yard] = [nextId(), nextId(), nextId(), nextId()];
  for (const [placeId, name, kind] of [
    [bay, 'Bay 7', 'bay'],
    [yard, 'Yard 7', 'yard'],
  ] as const)
    await it.owner
      .put(pathOf('placePut', { placeId }))
      .send({ version: 0, name, kind, position: 7, closed: false })
      .expect(200);
  await putPiece(buildId, body, { what: 'body', count: 1, bag: '' }).expect(200);
  await putPiece(buildId, other, { what: 'bed', count: 1, bag: '' }).expect(200);
  const stand = (pieceId: string, placeId: string, version: number) =>
    it.technician
      .put(pathOf('pieceStand', { buildId, pieceId }))
      .send({ version, isLarge: true, placeId })
      .expect(200);
  await stand(body, bay, 1);
  await withdrawEntry(it.owner, buildId, 'off: body', 409);
  await stand(body, yard, 2);
  await stand(other, bay, 1);
  const refused = await withdrawEntry(it.owner, buildId, 'body to Yard 7', 409);
  expect(refused.body.detail).toMatch(/^“body” cannot go back: .*bed of the brougham.*“Bay 7”/);
  await withdrawEntry(it.owner, buildId, 'bed to Bay 7');
  await withdrawEntry(it.owner, buildId, 'body to Yard 7');
  const places = async (): Promise<Map<string, string | null>> =>
    new Map((await read()).pieces.map((p) => [p.id, p.placeId ?? null]));
  expect((await places()).get(body)).toBe(bay);
  expect((await places()).get(other)).toBeNull();
  const knob = nextId();
  await putPiece(buildId, knob, { what: 'knob', count: 1, bag: '' }).expect(200);
  await withdrawEntry(it.owner, buildId, 'off: knob');
  expect((await places()).has(knob)).toBe(false);
});

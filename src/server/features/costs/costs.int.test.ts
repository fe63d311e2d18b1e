/**
 * Costs over HTTP. Nasty cases: a rate that changes between two hours, a part invoiced before it is here and dearer than
 * ordered, the same invoice twice, money that comes in twice at once, more going back than came, a technician at the door.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { CostsView, InvoicePutDto, InvoicesView } from '#contract/costs.ts';
import type { WaitsView } from '#contract/waits.ts';
import { estimateLine, line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('costs');

const at = (instant: string): void => it.server.clock.set(instant);
const costs = async (buildId: string): Promise<CostsView> =>
  (await it.owner.get(pathOf('costsRead', { buildId })).expect(200)).body as CostsView;
const setRates = async (perHour: number, more: object = {}): Promise<void> => {
  const terms = (await it.owner.get(pathOf('termsRead')).expect(200)).body;
  const rates = Object.fromEntries(Object.keys(terms.rates).map((w) => [w, perHour]));
  await it.owner
    .put(pathOf('termsSave'))
    .send({ ...terms, rates, ...more })
    .expect(200);
};
const rate = (body: object, rateId = nextId()) => it.owner.put(pathOf('ratePut', { rateId })).send(body);
const onLine = async (buildId: string, entry: ReturnType<typeof line>, lineId: string): Promise<void> => {
  await it.technician.post(pathOf('entryAdd', { buildId })).send(entry).expect(200);
  await it.owner
    .put(pathOf('entryBelongs', { buildId, entryId: entry.id }))
    .send({ belongs: 'line', lineId })
    .expect(200);
};
const hour = () => line({ kind: 'did', text: 'did hinges, 1h', facts: { subject: 'hinges', minutes: 60 } });
/** A build with one line that may be worked on at once. */
async function withLine(): Promise<{ buildId: string; lineId: string }> {
  const buildId = await makeBuild(it.owner, { discretionMinor: 10_000_000 });
  const lineId = nextId();
  await it.owner
    .put(pathOf('estimateLinePut', { buildId, lineId }))
    .send(estimateLine({ parts: { low: 0, likely: 0, high: 0 } }))
    .expect(200);
  return { buildId, lineId };
}
const orderPart = async (
  buildId: string,
  lineId: string,
  costMinor: number,
  vendor: string,
): Promise<string> => {
  const partId = nextId();
  const part = { what: 'gasket', quantity: 1, number: '', catalogue: '', instead: '', source: 'supplier' };
  await it.owner
    .put(pathOf('partPut', { buildId, partId }))
    .send({ version: 0, ...part, sourceNote: '', vendor, lineId })
    .expect(200);
  await it.owner
    .post(pathOf('partAct', { buildId, partId }))
    .send({ version: 1, entryId: nextId(), act: 'order', vendor, costMinor })
    .expect(200);
  return partId;
};

test('a rate changes from a day; hours worked before keep the one they were worked by', async () => {
  at('2026-03-11T08:00:00.000Z');
  await setRates(6000);
  const { buildId, lineId } = await withLine();
  await onLine(buildId, hour(), lineId);
  expect((await costs(buildId)).lines[0]!.costs).toMatchObject({ spentMinor: 6000, costMinor: 0 });
  at('2026-03-12T08:00:00.000Z');
  await setRates(9000);
  await rate({ from: '2026-03-12', costMinor: 2500 }).expect(200);
  const past = await rate({ from: '2026-03-11', costMinor: 2000 }).expect(400);
  expect(past.body.fields).toMatchObject([{ field: 'from' }]);
  expect((await costs(buildId)).lines[0]!.costs).toMatchObject({ spentMinor: 6000, costMinor: 0 });
  await onLine(buildId, hour(), lineId);
  expect((await costs(buildId)).lines[0]!.costs).toMatchObject({ spentMinor: 15_000, costMinor: 2500 });
  const ahead = nextId();
  await rate({ from: '2026-04-01', chargeMinor: 9900 }, ahead).expect(200);
  await it.owner.delete(pathOf('rateDrop', { rateId: ahead })).expect(200);
  const { rates } = (await it.owner.get(pathOf('ratesRead')).expect(200)).body;
  const holding = rates.find((r: { costMinor: number | null }) => r.costMinor === 2500);
  await it.owner.delete(pathOf('rateDrop', { rateId: holding.id })).expect(403);
  await it.office.get(pathOf('ratesRead')).expect(403);
});

test('a part is committed when ordered, spent when invoiced, at what the invoice says; its price has the shop’s addition', async () => {
  at('2026-03-11T08:00:00.000Z');
  await setRates(0, { additionBp: 1000 });
  const { buildId, lineId } = await withLine();
  const partId = await orderPart(buildId, lineId, 4000, 'Tarn Supply');
  expect((await costs(buildId)).lines[0]!.costs).toMatchObject({
    spentMinor: 0,
    committedMinor: 4400,
    costMinor: 4000,
  });
  const read = async (): Promise<InvoicesView> =>
    (await it.office.get(pathOf('invoicesRead')).expect(200)).body as InvoicesView;
  expect((await read()).open.find((o) => o.partId === partId)).toMatchObject({
    what: 'gasket',
    vendor: 'Tarn Supply',
    orderedMinor: 4000,
    isHere: false,
  });
  const invoiceId = nextId();
  const invoice: InvoicePutDto = {
    version: 0,
    vendor: 'Tarn Supply',
    number: 'TS-88',
    day: '2026-03-12',
    totalMinor: 5450,
    items: [
      { what: 'gasket', amountMinor: 4300, partId },
      { what: 'carriage', amountMinor: 1000, buildId, lineId },
    ],
  };
  const put = (body: InvoicePutDto, id = invoiceId) =>
    it.office.put(pathOf('invoicePut', { invoiceId: id })).send(body);
  await Promise.all([1, 2].map(() => put(invoice)));
  await put(invoice).expect(200);
  const kept = (await read()).invoices.find((i) => i.id === invoiceId)!;
  expect(kept.version).toBe(1);
  expect(kept.figures).toEqual({
    sumMinor: 5300,
    openMinor: 150,
    differences: [
      { what: 'carriage', reason: 'not ordered', byMinor: 1000 },
      { what: 'gasket', reason: 'dearer than ordered', byMinor: 300 },
    ],
  });
  expect((await read()).open.some((o) => o.partId === partId)).toBe(false);
  // (43.00 + 10.00) and a tenth of each.
  expect((await costs(buildId)).lines[0]!.costs).toMatchObject({
    spentMinor: 5830,
    committedMinor: 0,
    costMinor: 5300,
  });
  const twin = await put(invoice, nextId()).expect(400);
  expect(twin.body.fields).toEqual([
    { field: 'number', reason: 'Tarn Supply’s TS-88 is taken down already' },
  ]);
  const again = await put({ ...invoice, number: 'TS-89' }, nextId()).expect(400);
  expect(again.body.fields).toEqual([
    { field: 'items.0.what', reason: 'it was not ordered, or it is on another invoice already' },
  ]);
  // A price that is changed later does not change what was compared.
  await put({ ...invoice, version: 1, totalMinor: 5300 }).expect(200);
  expect((await read()).invoices.find((i) => i.id === invoiceId)).toMatchObject({
    figures: { openMinor: 0 },
    items: [{ orderedMinor: 4000 }, { orderedMinor: null }],
  });
  await put({ ...invoice, version: 1, totalMinor: 1 }).expect(409);
});

test('what is on no line is borne by the shop, with its hours; nothing of it is on the customer’s lines', async () => {
  at('2026-03-11T08:00:00.000Z');
  await setRates(6000);
  const buildId = await makeBuild(it.owner);
  const entry = hour();
  await it.technician.post(pathOf('entryAdd', { buildId })).send(entry).expect(200);
  const before = await costs(buildId);
  expect(before.borne).toMatchObject([{ uncharged: 'nowhere', minutes: 60 }]);
  await it.owner
    .put(pathOf('entryBelongs', { buildId, entryId: entry.id }))
    .send({ belongs: 'warranty' })
    .expect(200);
  const after = await costs(buildId);
  expect(after.borne).toMatchObject([{ uncharged: 'warranty', minutes: 60 }]);
  expect(after.build).toMatchObject({ spentMinor: 0, expectedMinor: 0 });
});

test('money on account holds the work until it is in; it comes in once however often it is sent', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner);
  const instalmentId = nextId();
  const ask = { version: 0, what: 'before the metalwork', askedMinor: 250_000, holds: true };
  const put = (body: object) => it.office.put(pathOf('instalmentPut', { buildId, instalmentId })).send(body);
  await Promise.all([1, 2].map(() => put(ask)));
  const binding = async () =>
    ((await it.owner.get(pathOf('waitsRead')).expect(200)).body as WaitsView).waits.find(
      (w) => w.buildId === buildId,
    )!.binding;
  expect(await binding()).toMatchObject({
    kind: 'payment',
    what: 'money on account: before the metalwork',
    since: '2026-03-11',
  });
  const pay = (body: object) =>
    it.office.post(pathOf('instalmentPaid', { buildId, instalmentId })).send({ on: '2026-03-11', ...body });
  await pay({ actId: nextId(), amountMinor: 0 }).expect(400);
  await pay({ actId: nextId(), amountMinor: -1 }).expect(400);
  await pay({ actId: nextId(), amountMinor: 1, on: '2026-03-12' }).expect(400);
  const money = { actId: nextId(), amountMinor: 250_000 };
  const sent = await Promise.all([1, 2, 3].map(() => pay(money)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200]);
  expect((await costs(buildId)).instalments).toMatchObject([{ receivedMinor: 250_000, version: 2 }]);
  expect(await binding()).not.toMatchObject({ kind: 'payment' });
  const drop = (version: number) =>
    it.office.delete(pathOf('instalmentDrop', { buildId, instalmentId })).send({ version });
  await drop(2).expect(403);
  await pay({ actId: nextId(), amountMinor: -250_000 }).expect(200);
  await drop(2).expect(409);
  await drop(3).expect(200);
  await drop(3).expect(200);
  expect((await costs(buildId)).instalments).toEqual([]);
  for (const path of [pathOf('costsRead', { buildId }), pathOf('invoicesRead')])
    await it.technician.get(path).expect(403);
});

test('whoever does a kind of work is away: the car that could go on waits for them, by name, until they are back', async () => {
  at('2026-03-11T08:00:00.000Z');
  const buildId = await makeBuild(it.owner);
  await it.owner
    .put(pathOf('taskPut', { buildId, taskId: nextId() }))
    .send({ version: 0, title: 'Prime', work: 'paint', minutes: 60, cautions: [], needs: [] })
    .expect(200);
  const waits = async () =>
    ((await it.technician.get(pathOf('waitsRead')).expect(200)).body as WaitsView).waits.find(
      (w) => w.buildId === buildId,
    )!.binding;
  expect(await waits()).toBeNull();
  const { people } = (await it.owner.get(pathOf('shopLists')).expect(200)).body;
  const painter = people.find((p: { role: string }) => p.role === 'technician');
  await it.owner
    .put(pathOf('personPut', { personId: painter.id }))
    .send({ ...painter, id: undefined, invited: undefined, skills: ['paint'] })
    .expect(200);
  const absence = {
    version: 0,
    personId: painter.id,
    from: '2026-03-10',
    to: '2026-03-13',
    reason: 'ill',
    isOff: false,
  };
  const absenceId = nextId();
  const put = (body: object) => it.office.put(pathOf('absencePut', { absenceId })).send(body);
  const wrong = await put({ ...absence, to: '2026-03-01' }).expect(400);
  expect(wrong.body.fields).toEqual([{ field: 'to', reason: 'the last day is before the first' }]);
  await Promise.all([1, 2].map(() => put(absence).expect(200)));
  expect(await waits()).toMatchObject({
    kind: 'person',
    what: `${painter.name} for “Prime”`,
    since: '2026-03-10',
    until: '2026-03-14',
  });
  await put({ ...absence, version: 1, isOff: true }).expect(200);
  expect(await waits()).toBeNull();
});

test('what was on a line that left the estimate is borne by name: no hour and no part of it is lost', async () => {
  at('2026-03-11T08:00:00.000Z');
  await setRates(6000, { additionBp: 0 });
  const { buildId, lineId } = await withLine();
  await onLine(buildId, hour(), lineId);
  await orderPart(buildId, lineId, 4000, 'Tarn Supply');
  const before = await costs(buildId);
  await it.owner.delete(pathOf('estimateLineDrop', { buildId, lineId })).send({ version: 1 }).expect(200);
  const after = await costs(buildId);
  expect(after.lines).toEqual([]);
  expect(after.borne).toEqual([
    { uncharged: 'nowhere', minutes: 60, costMinor: before.build.costMinor, committedMinor: 4000 },
  ]);
  expect(after.build.costMinor).toBe(before.build.costMinor);
});

test('“Joss did it” posts at the rate of whoever is named, not of whoever wrote it down', async () => {
  at('2026-03-11T08:00:00.000Z');
  await setRates(6000);
  const { buildId, lineId } = await withLine();
  const { people } = (await it.owner.get(pathOf('shopLists')).expect(200)).body;
  const joss = people.find((p: { role: string }) => p.role === 'technician');
  await rate({ personId: joss.id, from: '2026-03-01', costMinor: 1900 }).expect(200);
  const said = line({
    kind: 'did',
    text: 'Joss did the hinges, 1h',
    facts: { subject: 'hinges', minutes: 60, person: joss.name },
  });
  await it.office.post(pathOf('entryAdd', { buildId })).send(said).expect(200);
  await it.owner
    .put(pathOf('entryBelongs', { buildId, entryId: said.id }))
    .send({ belongs: 'line', lineId })
    .expect(200);
  expect((await costs(buildId)).lines[0]!.costs.costMinor).toBe(1900);
  const hours = (await it.technician.get(pathOf('hoursRead')).expect(200)).body;
  expect(hours.rows.map((r: { what: string }) => r.what)).toContain('Joss did the hinges, 1h');
});

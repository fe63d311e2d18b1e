/**
 * Readings of a car. Nasty cases: the same reading twice, a calculator that is none, an input that is refused by its field, a reading that is
 * none of a car, a verdict that the sender made up, a finding of what is in order, two findings of one, a form of fields that are none, two
 * who change one specification, another shop, a reading taken hours ago without a network.
 */
import { describe, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { BenchView, DoneJobsView } from '#contract/bench.ts';
import { estimateLine, makeBuild, makeShop, nextId, openShop, signedIn } from '#tests/support/server.ts';

const it = openShop('bench');
const BAD = { trans_deg: 4, shaft_deg: 8, pinion_deg: 0, shaftMax_rpm: 4500 };
const GOOD = { trans_deg: 4, shaft_deg: 6, pinion_deg: 4, shaftMax_rpm: 3000 };
const reading = (more: object = {}) => ({
  ...{
    entryId: nextId(),
    calculator: 'driveline',
    input: BAD,
    what: '',
    moment: 'before',
    instrument: 'inclinometer',
  },
  ...{ loaded: 'loaded', forCustomer: false },
  ...more,
});
const put = (buildId: string, more: object = {}, readingId = nextId()) =>
  it.technician.put(pathOf('readingPut', { buildId, readingId })).send(reading(more));
const find = (buildId: string, readingId: string, entryId = nextId()) =>
  it.technician.post(pathOf('readingFinding', { buildId, readingId })).send({ entryId, text: 'driveline angles, joints 4.0° / 8.0°' }); // prettier-ignore
const entriesOf = async (
  buildId: string,
): Promise<{ kind: string; text: string; audience: string; at: string }[]> =>
  (await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body.entries;

describe('a reading', () => {
  test('is worked out again, frozen, said in the logbook; twice is once', async () => {
    const buildId = await makeBuild(it.owner);
    const id = nextId();
    const own = reading();
    const path = pathOf('readingPut', { buildId, readingId: id });
    await it.technician
      .put(path)
      .send({ ...own, verdict: 'ok', told: { verdict: 'ok' } })
      .expect(400);
    const send = () => it.technician.put(path).send(own).expect(200);
    await send();
    const { readings } = (await send()).body as BenchView;
    expect(readings).toHaveLength(1);
    expect(readings[0]).toMatchObject({ verdict: 'fail', moment: 'before', loaded: 'loaded', instrument: 'inclinometer', input: BAD }); // prettier-ignore
    expect(readings[0]!.told.reasons.map((r) => r.code)).toContain('cancel_fail');
    const said = (await entriesOf(buildId)).filter((e) => e.kind === 'reading');
    expect(said).toHaveLength(1);
    expect(said[0]).toMatchObject({ audience: 'shop' });
    expect(said[0]!.text).toMatch(
      /^Driveline angles before the work: not good\. Joints, under drive 4 \/ 8°/,
    );
  });

  test('taken hours ago without a network stands at its hour', async () => {
    const buildId = await makeBuild(it.owner);
    const { body } = await put(buildId, { agoMs: 3 * 3600_000 }).expect(200);
    expect((body as BenchView).readings[0]!.takenAt).toBe('2026-03-11T07:00:00.000Z');
  });

  test('what cannot be worked out is refused by its field, and nothing is kept', async () => {
    const buildId = await makeBuild(it.owner);
    const fields = async (more: object) => ((await put(buildId, more).expect(400)).body as { fields: { field: string }[] }).fields.map((f) => f.field); // prettier-ignore
    expect(await fields({ calculator: 'astrology' })).toEqual(['calculator']);
    expect(await fields({ calculator: 'constructor' })).toEqual(['calculator']);
    expect(await fields({ calculator: 'earnedValue', input: { bac: 1, pv: 0, ev: 0, ac: 0 } })).toEqual([
      'calculator',
    ]);
    expect(await fields({ input: { ...BAD, shaft_deg: '8' } })).toEqual(['input.shaft_deg']);
    expect(await fields({ input: {} })).toEqual(['input.trans_deg']);
    expect(await fields({ input: { ...BAD, note: 'x'.repeat(50_000) } })).toEqual(['input']);
    expect(await fields({ moment: 'during' })).toEqual(['moment']);
    const { body } = await it.owner.get(pathOf('benchRead', { buildId })).expect(200);
    expect((body as BenchView).readings).toEqual([]);
  });

  test('one that is not good becomes a finding for its price; a passed one after the work closes it, and tells both', async () => {
    const buildId = await makeBuild(it.owner);
    const id = nextId();
    await put(buildId, {}, id).expect(200);
    const entryId = nextId();
    await find(buildId, id, entryId).expect(200);
    await find(buildId, id, entryId).expect(200);
    await find(buildId, id).expect(409);
    const free = async () => ((await it.owner.get(pathOf('estimateRead', { buildId })).expect(200)).body.findings as { id: string }[]).map((f) => f.id); // prettier-ignore
    expect(await free()).toEqual([entryId]);
    const { body } = await put(buildId, { input: GOOD, moment: 'after', forCustomer: true }).expect(200);
    const [after, before] = (body as BenchView).readings;
    expect([after!.verdict, before!.closedBy]).toEqual(['ok', after!.id]);
    expect(await free()).toEqual([]);
    const entries = await entriesOf(buildId);
    const told = entries.find((e) => e.text.includes('after the work: ok'))!;
    expect(told.audience).toBe('customer');
    expect(told.text).toMatch(/Before: not good\. Joints, under drive 4 \/ 8°/);
    expect(entries.filter((e) => e.text.startsWith('brought right'))).toHaveLength(1);
  });

  test('of another thing, or still not good, closes nothing; what is in order is no finding', async () => {
    const buildId = await makeBuild(it.owner);
    const id = nextId();
    await put(buildId, { what: 'front shaft' }, id).expect(200);
    await find(buildId, id).expect(200);
    await put(buildId, { input: GOOD, moment: 'after', what: 'rear shaft' }).expect(200);
    const { body } = await put(buildId, { moment: 'after', what: 'front shaft' }).expect(200);
    expect((body as BenchView).readings.find((r) => r.id === id)!.closedBy).toBeNull();
    const good = nextId();
    await put(buildId, { input: GOOD }, good).expect(200);
    await find(buildId, good).expect(409);
    await find(await makeBuild(it.owner), id).expect(404);
  });

  test('one whose line is withdrawn counts no more: no finding of it, and nothing after the work tells it as the before', async () => {
    const buildId = await makeBuild(it.owner);
    const id = nextId();
    const { body: first } = await put(buildId, {}, id).expect(200);
    const { entryId } = (first as BenchView).readings[0]!;
    await it.technician
      .post(pathOf('entryCorrect', { buildId }))
      .send({ id: nextId(), correctsId: entryId, withdraw: true })
      .expect(200);
    await find(buildId, id).expect(409);
    const { body } = await put(buildId, { input: GOOD, moment: 'after' }).expect(200);
    const { readings } = body as BenchView;
    expect(readings.map((r) => r.isWithdrawn)).toEqual([false, true]);
    const told = (await entriesOf(buildId)).find((e) => e.text.includes('after the work: ok'))!;
    expect(told.text).not.toContain('Before:');
  });

  test('a signed record is signed by whom it says', async () => {
    const buildId = await makeBuild(it.owner);
    const { name } = (await it.technician.get(pathOf('sessionRead'))).body.person as { name: string };
    const record = (signedBy: string) => ({
      calculator: 'contactorSequence',
      input: { pack_V: 360, events: [{ step: 'closeNegative', signedBy }] },
    });
    const { body } = await put(buildId, record('Somebody Else')).expect(400);
    expect(body.fields[0].field).toBe('input.events[0].signedBy');
    await put(buildId, record(name)).expect(200);
  });

  test('of another shop is not there', async () => {
    const buildId = await makeBuild(it.owner);
    const other = await signedIn(it.server, await makeShop(it.server, 'bench-other'), 'owner');
    await other.get(pathOf('benchRead', { buildId })).expect(404);
    await other
      .put(pathOf('readingPut', { buildId, readingId: nextId() }))
      .send(reading())
      .expect(404);
  });
});

describe('what the maker wants, and the shop', () => {
  test('is kept by calculator, only at fields that it has; of two changes of one version the second is refused', async () => {
    const buildId = await makeBuild(it.owner);
    const send = (form: object, version?: number) =>
      it.technician
        .put(pathOf('benchSpecPut', { buildId, calculator: 'boreSurvey' }))
        .send({ form, version });
    const form = { nominal_in: '4', taperLimit_in: '0.004', 'cylinders#': '8', nonsense: 'x' };
    const { body } = await send(form).expect(200);
    expect((body as BenchView).specs).toEqual({ boreSurvey: { form: { nominal_in: '4', taperLimit_in: '0.004' }, version: 1 } }); // prettier-ignore
    await send({ nominal_in: '4.03' }, 1).expect(200);
    await send({ nominal_in: '4.06' }, 1).expect(409);
    await it.technician
      .put(pathOf('benchSpecPut', { buildId, calculator: 'nonsense' }))
      .send({ form })
      .expect(400);
  });

  test('limits of the shop are the desk’s to change, and everybody’s to read', async () => {
    const path = pathOf('benchLimitsPut', { calculator: 'boreSurvey' });
    await it.technician.put(path).send({ form: {} }).expect(403);
    await it.owner
      .put(path)
      .send({ form: { taperLimit_in: '0.004', nominal_in: '4' } })
      .expect(200);
    const { body } = await it.technician.get(pathOf('benchLimits')).expect(200);
    expect(body.limits).toEqual({ boreSurvey: { form: { taperLimit_in: '0.004' }, version: 1 } });
    await it.owner.put(path).send({ form: {}, version: 0 }).expect(409);
  });
});

describe('the shop’s finished work', () => {
  const jobs = async (agent = it.technician): Promise<DoneJobsView['jobs']> =>
    ((await agent.get(pathOf('benchJobs')).expect(200)).body as DoneJobsView).jobs;
  /** A line of two hours with one task, at which somebody was for three. */
  async function worked(buildId: string, done: boolean): Promise<void> {
    const [lineId, taskId] = [nextId(), nextId()];
    await it.owner
      .put(pathOf('estimateLinePut', { buildId, lineId }))
      .send(estimateLine({ title: 'Sills', work: 'metalwork', minutes: { low: 60, likely: 120, high: 300 } }))
      .expect(200);
    await it.owner
      .put(pathOf('taskPut', { buildId, taskId }))
      .send({ version: 0, title: 'Sill', work: 'metalwork', minutes: 120, cautions: [], needs: [], lineId })
      .expect(200);
    await it.technician
      .post(pathOf('taskHours', { buildId, taskId }))
      .send({ id: nextId(), minutes: 180, toGoMinutes: done ? 0 : 60, done })
      .expect(200);
  }

  test('each finished line with what it was estimated at and what it took; none that goes on, none of another shop', async () => {
    const buildId = await makeBuild(it.owner, { discretionMinor: 1_000_000 });
    await worked(buildId, false);
    expect(await jobs()).toEqual([]);
    await worked(buildId, true);
    expect(await jobs()).toEqual([
      expect.objectContaining({ kind: 'metalwork', title: 'Sills', estimatedMinutes: 120, tookMinutes: 180 }),
    ]);
    const other = await signedIn(it.server, await makeShop(it.server, 'bench-jobs'), 'owner');
    expect(await jobs(other)).toEqual([]);
  });
});

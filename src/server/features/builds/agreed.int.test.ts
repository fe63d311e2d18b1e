/**
 * What was agreed, agreed anew, over HTTP. Nasty cases: the same five times at once, two who change it together, a limit
 * below what was used, a stale version, a technician.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { AgreedPutDto, BuildView } from '#contract/builds.ts';
import { estimateLine, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('agreed');

const read = async (buildId: string): Promise<BuildView> =>
  (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body as BuildView;
async function bodyOf(buildId: string, more: Partial<AgreedPutDto> = {}): Promise<AgreedPutDto> {
  const b = await read(buildId);
  return {
    version: b.version,
    complaint: b.complaint,
    standard: b.standard,
    discretionMinor: b.discretionMinor!,
    customerEmail: b.customerEmail!,
    tellBy: b.tellBy,
    tellEveryDays: b.tellEveryDays,
    ...(b.budgetMinor ? { budgetMinor: b.budgetMinor } : {}),
    ...more,
  };
}
const put = (buildId: string, body: AgreedPutDto, agent = it.owner) =>
  agent.put(pathOf('agreedPut', { buildId })).send(body);
const decided = async (buildId: string): Promise<{ text: string; audience: string }[]> =>
  (await it.owner.get(pathOf('entriesList', { buildId }))).body.entries.filter(
    (e: { kind: string }) => e.kind === 'decided',
  );

test('each thing that changes is one entry, however often it is sent; money is for the next letter', async () => {
  const buildId = await makeBuild(it.owner, { budgetMinor: 600_000, discretionMinor: 10_000 });
  const body = await bodyOf(buildId, { budgetMinor: 900_000, customerEmail: 'new@address.example' });
  const sent = await Promise.all([1, 2, 3, 4, 5].map(() => put(buildId, body)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  expect(await read(buildId)).toMatchObject({ budgetMinor: 900_000, customerEmail: 'new@address.example' });
  const entries = await decided(buildId);
  expect(entries.map((e) => [e.audience, e.text]).sort()).toEqual([
    ['customer', 'decided budget: £9,000.00 (was £6,000.00)'],
    ['shop', expect.stringMatching(/^decided address for letters: new@address.example \(was /)],
  ]);
  const estimate = (await it.owner.get(pathOf('estimateRead', { buildId }))).body;
  expect(estimate).toMatchObject({ budgetMinor: 900_000, discretionMinor: 10_000 });
});

test('two who change it together: the second is told what is there now', async () => {
  const buildId = await makeBuild(it.owner);
  const body = await bodyOf(buildId);
  await put(buildId, { ...body, standard: 'show' }).expect(200);
  const second = await put(buildId, { ...body, promised: '2026-12-01' }, it.office).expect(409);
  expect(second.body.current).toMatchObject({ standard: 'show', version: body.version + 1 });
  await put(buildId, body, it.technician).expect(403);
});

test('the limit does not fall below what was spent inside it', async () => {
  const buildId = await makeBuild(it.owner, { discretionMinor: 100_000 });
  const lineId = nextId();
  await it.owner
    .put(pathOf('estimateLinePut', { buildId, lineId }))
    .send(
      estimateLine({
        minutes: { low: 0, likely: 0, high: 0 },
        parts: { low: 5000, likely: 5000, high: 5000 },
      }),
    )
    .expect(200);
  await it.owner.post(pathOf('estimateLineBegin', { buildId, lineId })).send({}).expect(200);
  const low = await put(buildId, await bodyOf(buildId, { discretionMinor: 4999 })).expect(400);
  expect(low.body.fields).toEqual([{ field: 'discretionMinor', reason: '£50.00 of it is used already' }]);
  await put(buildId, await bodyOf(buildId, { discretionMinor: 5000 })).expect(200);
});

/**
 * The walk round over HTTP. Nasty cases: the same finding sent five times at once, a checkpoint of another kind of
 * vehicle, a note dressed up as a finding, two who mark at once, prices before a technician, another shop’s build.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { InspectionView } from '#contract/inspection.ts';
import { line, makeBuild, makeShop, nextId, openShop, signedIn } from '#tests/support/server.ts';

const it = openShop('inspections');
const mark = (buildId: string, body: object, agent = it.technician) =>
  agent.post(pathOf('inspectionMark', { buildId })).send(body);
const read = async (buildId: string, agent = it.technician): Promise<InspectionView> =>
  (await agent.get(pathOf('inspectionRead', { buildId })).expect(200)).body as InspectionView;
const fork = () =>
  line({
    kind: 'found',
    text: 'found hose cracked, 40 and two hours, safety',
    facts: { subject: 'hose', zone: 'brake', moneyMinor: 4000, minutes: 120, class: 'safety' },
  });

test('a checkpoint is left fine, not seen, or not looked at again; the last who marks it stands there', async () => {
  const buildId = await makeBuild(it.owner);
  await mark(buildId, { checkpoint: 'brakes/fluid', mark: 'fine' }).expect(200);
  const { body } = await mark(buildId, { checkpoint: 'brakes/fluid', mark: 'not seen' }, it.owner).expect(
    200,
  );
  expect(body.marks).toEqual([
    { checkpoint: 'brakes/fluid', mark: 'not seen', by: 'Wren Osgood', at: expect.any(String) },
  ]);
  expect((await mark(buildId, { checkpoint: 'brakes/fluid', mark: 'none' }).expect(200)).body.marks).toEqual(
    [],
  );
});

test('a finding is logged with its checkpoint, once however often it is sent, and only for those who see prices in full', async () => {
  const buildId = await makeBuild(it.owner);
  const body = { checkpoint: 'brakes/hoses', mark: 'finding', finding: fork() };
  const sent = await Promise.all([1, 2, 3, 4, 5].map(() => mark(buildId, body)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  const seen = await read(buildId, it.owner);
  expect(seen.findings).toEqual([
    {
      checkpoint: 'brakes/hoses',
      entryId: body.finding.id,
      text: 'found hose cracked, 40 and two hours, safety',
    },
  ]);
  expect((await read(buildId)).findings[0]!.text).not.toContain('40');
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
  expect(entries).toHaveLength(1);
  const estimate = (await it.owner.get(pathOf('estimateRead', { buildId })).expect(200)).body;
  expect(estimate.findings).toEqual([expect.objectContaining({ subject: 'brake hose', class: 'safety' })]);
});

test('a second finding at one checkpoint stands beside the first; a withdrawn one is gone', async () => {
  const buildId = await makeBuild(it.owner);
  const [first, second] = [fork(), fork()];
  for (const finding of [first, second])
    await mark(buildId, { checkpoint: 'brakes/hoses', mark: 'finding', finding }).expect(200);
  expect((await read(buildId)).findings).toHaveLength(2);
  const withdraw = { id: nextId(), correctsId: first.id, withdraw: true };
  await it.owner.post(pathOf('entryCorrect', { buildId })).send(withdraw).expect(200);
  expect((await read(buildId)).findings.map((f) => f.entryId)).toEqual([second.id]);
});

test.each([
  ['a checkpoint of another kind of vehicle', { checkpoint: 'bare-engine/head', mark: 'fine' }, 'checkpoint'],
  ['gas where none is fitted', { checkpoint: 'gas/hose', mark: 'fine' }, 'checkpoint'],
  ['a mark nobody knows', { checkpoint: 'brakes/fluid', mark: 'ok' }, 'mark'],
  [
    'a note as a finding',
    { checkpoint: 'brakes/fluid', mark: 'finding', finding: line({ kind: 'note' }) },
    'finding',
  ],
  ['a finding marked fine', { checkpoint: 'brakes/fluid', mark: 'fine', finding: fork() }, 'finding'],
])('%s is refused, and nothing is kept', async (_, body, field) => {
  const buildId = await makeBuild(it.owner);
  const { body: problem } = await mark(buildId, body).expect(400);
  expect(problem.fields).toContainEqual(expect.objectContaining({ field }));
  expect(await read(buildId)).toMatchObject({ marks: [], findings: [] });
});

test('what is fitted decides the checkpoints; marks that no longer apply are kept for when they do again', async () => {
  const buildId = await makeBuild(it.owner);
  const fit = (fitted: object) => it.technician.put(pathOf('fittedSave', { buildId })).send(fitted);
  await fit({ body: 'van', gas: true, highVoltage: false }).expect(200);
  await mark(buildId, { checkpoint: 'gas/hose', mark: 'fine' }).expect(200);
  await fit({ body: 'van', gas: false, highVoltage: false }).expect(200);
  await mark(buildId, { checkpoint: 'gas/hose', mark: 'not seen' }).expect(400);
  expect((await read(buildId)).marks).toHaveLength(1);
  await fit({ body: 'boat', gas: false, highVoltage: false }).expect(400);
});

test('another shop’s build is not there', async () => {
  const buildId = await makeBuild(it.owner);
  const stranger = await signedIn(it.server, await makeShop(it.server, 'strangers'), 'owner');
  await stranger.get(pathOf('inspectionRead', { buildId })).expect(404);
  await mark(buildId, { checkpoint: 'brakes/fluid', mark: 'fine' }, stranger).expect(404);
  await stranger
    .put(pathOf('fittedSave', { buildId }))
    .send({ body: 'van', gas: true, highVoltage: true })
    .expect(404);
  expect((await read(buildId)).fitted.body).toBe('car');
});

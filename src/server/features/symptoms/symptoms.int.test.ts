/**
 * Symptoms over HTTP. Nasty cases: the same request five times at once, an entry of another build, a cause that is no
 * finding, an entry withdrawn after it was tied, a stale version, what a technician sees of prices.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { EntryAddDto } from '#contract/entries.ts';
import type { SymptomsView } from '#contract/symptoms.ts';
import { line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('symptoms');

const read = async (buildId: string, agent = it.owner): Promise<SymptomsView> =>
  (await agent.get(pathOf('symptomsRead', { buildId })).expect(200)).body as SymptomsView;
const put = (buildId: string, symptomId: string, more: object = {}) =>
  it.technician
    .put(pathOf('symptomPut', { buildId, symptomId }))
    .send({ version: 0, words: 'The carpet is wet', removed: false, ...more });
const tie = (buildId: string, symptomId: string, entryId: string, role?: string) =>
  it.technician.put(pathOf('symptomEntryPut', { buildId, symptomId, entryId })).send({ role });
async function log(buildId: string, more: Partial<EntryAddDto>): Promise<string> {
  const entry = line(more);
  await it.owner.post(pathOf('entryAdd', { buildId })).send(entry).expect(200);
  return entry.id;
}
const found = (buildId: string) =>
  log(buildId, {
    kind: 'found',
    text: 'found screen frame rotten, 260',
    facts: {
      subject: 'screen frame',
      moneyMinor: 26_000,
      cause: 'earlier work',
      remedy: 'make',
      effect: 'lets the rain in',
    },
  });

test('from the complaint to what shows it, tied once however often it is sent', async () => {
  const buildId = await makeBuild(it.owner, { complaint: 'It rains in.' });
  const id = nextId();
  const made = await Promise.all([1, 2, 3, 4, 5].map(() => put(buildId, id)));
  expect(made.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  const [cause, dry, proof] = [
    await found(buildId),
    await log(buildId, { kind: 'did', text: 'did water on the roof, dry' }),
    await log(buildId, { kind: 'did', text: 'did water on the screen, wet in a minute' }),
  ];
  await tie(buildId, id, dry, 'ruled out').expect(200);
  expect((await read(buildId)).symptoms[0]).toMatchObject({
    whyNotExplained: 'no cause found yet, only what it is not',
  });
  await Promise.all([1, 2, 3].map(() => tie(buildId, id, cause, 'cause').expect(200)));
  await tie(buildId, id, proof, 'proof').expect(200);
  const { complaint, symptoms } = await read(buildId);
  expect(complaint).toBe('It rains in.');
  expect(symptoms).toHaveLength(1);
  expect(symptoms[0]).toMatchObject({ words: 'The carpet is wet', version: 1, whyNotExplained: null });
  expect(symptoms[0]!.entries.map((e) => [e.role, e.entryId])).toEqual([
    ['cause', cause],
    ['ruled out', dry],
    ['proof', proof],
  ]);
  await tie(buildId, id, proof).expect(200);
  expect((await read(buildId)).symptoms[0]!.whyNotExplained).toMatch(/nothing shows it/);
});

test('a cause is a finding of this build; what is withdrawn says nothing any more', async () => {
  const buildId = await makeBuild(it.owner);
  const other = await makeBuild(it.owner);
  const id = nextId();
  await put(buildId, id).expect(200);
  const did = await log(buildId, { kind: 'did', text: 'did the hose test' });
  const wrong = await tie(buildId, id, did, 'cause').expect(400);
  expect(wrong.body.fields).toEqual([expect.objectContaining({ field: 'role' })]);
  await tie(buildId, id, await found(other), 'cause').expect(404);
  await tie(other, id, await found(other), 'cause').expect(404);
  const cause = await found(buildId);
  await tie(buildId, id, cause, 'cause').expect(200);
  await it.owner
    .post(pathOf('entryCorrect', { buildId }))
    .send({ id: nextId(), correctsId: cause, withdraw: true })
    .expect(200);
  const { symptoms, candidates } = await read(buildId);
  expect(symptoms[0]!.entries).toEqual([]);
  expect(candidates.map((c) => c.entryId)).toEqual([did]);
});

test('worded anew by its version, taken off, and nobody sees prices who should not', async () => {
  const buildId = await makeBuild(it.owner);
  const id = nextId();
  await put(buildId, id).expect(200);
  await put(buildId, id, { version: 1, words: 'Wet on the left' }).expect(200);
  const stale = await put(buildId, id, { version: 1, words: 'Wet on the right' }).expect(409);
  expect(stale.body.current.symptoms[0].words).toBe('Wet on the left');
  await tie(buildId, id, await found(buildId), 'cause').expect(200);
  const [entry] = (await read(buildId, it.technician)).symptoms[0]!.entries;
  expect(entry).toMatchObject({
    facts: { cause: 'earlier work', remedy: 'make', effect: 'lets the rain in' },
  });
  expect(JSON.stringify(entry)).not.toMatch(/\b260\b/);
  await put(buildId, id, { version: 2, words: 'Wet on the left', removed: true }).expect(200);
  expect((await read(buildId)).symptoms).toEqual([]);
});

test.each([
  ['cause', 'magic'],
  ['remedy', 'pray'],
  ['effect', ''],
])('a %s of “%s” is refused at its field', async (field, value) => {
  const buildId = await makeBuild(it.owner);
  const entry = line({ kind: 'found', text: 'found rust', facts: { [field]: value } });
  const { body } = await it.owner.post(pathOf('entryAdd', { buildId })).send(entry).expect(400);
  expect(body.fields).toEqual([expect.objectContaining({ field: `facts.${field}` })]);
});

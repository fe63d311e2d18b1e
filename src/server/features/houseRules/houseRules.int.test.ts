/**
 * House rules over HTTP. Nasty cases: the same answer five times at once, a rule the car does not meet, one changed by two
 * at once, another shop’s rules, refused and the past then told otherwise, a rule without its “found”.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { HouseRulesView, ProposalsView } from '#contract/houseRules.ts';
import { FIRST_RULES } from '#core/houseRules/rules.ts';
import { makeBuild, makeShop, nextId, openShop, signedIn } from '#tests/support/server.ts';

const it = openShop('house-rules');

const proposals = async (buildId: string): Promise<ProposalsView> =>
  (await it.technician.get(pathOf('proposalsRead', { buildId })).expect(200)).body as ProposalsView;
const settle = (buildId: string, body: object) =>
  it.technician.post(pathOf('proposalsSettle', { buildId })).send(body);
const past = (buildId: string, more: object) =>
  it.technician.put(pathOf('pastSave', { buildId })).send({ tyreCode: '', ownCar: false, ...more });
const save = (rule: string, more: object, agent = it.owner) =>
  agent.put(pathOf('ruleSave', { rule })).send({ version: 0, ...FIRST_RULES[rule], ...more });
const rules = async (agent = it.owner): Promise<HouseRulesView['rules']> =>
  ((await agent.get(pathOf('rulesRead')).expect(200)).body as HouseRulesView).rules;

test('what the past says decides what is proposed; accepted ones are findings, once however often they are sent', async () => {
  const buildId = await makeBuild(it.owner);
  expect((await proposals(buildId)).open.map((p) => p.rule)).toEqual(['hoses', 'weatherstrip']);
  await past(buildId, { stoodSince: 2018, tyreCode: '3510' }).expect(200);
  const { open } = await proposals(buildId);
  expect(open.map((p) => p.rule)).toEqual([
    'rubber',
    'seals',
    'tyres',
    'fuel',
    'hoses',
    'fluid',
    'weatherstrip',
  ]);
  const body = {
    accept: ['tyres', 'fuel'].map((rule) => ({ rule, id: nextId() })),
    refuse: ['weatherstrip'],
  };
  const sent = await Promise.all([1, 2, 3, 4, 5].map(() => settle(buildId, body)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  expect(await proposals(buildId)).toMatchObject({ accepted: 2, refused: 1 });
  expect((await proposals(buildId)).open.map((p) => p.rule)).toEqual(['rubber', 'seals', 'hoses', 'fluid']);
  const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
  expect(entries.map((e: { kind: string; facts: object }) => [e.kind, e.facts])).toEqual(
    expect.arrayContaining([
      ['found', { subject: 'tyres over the age limit by their date code', zone: 'wheel', class: 'safety' }],
      ['found', { subject: 'fuel that has turned', class: 'must' }],
    ]),
  );
  expect(entries[0].text).toMatch(/^found fuel that has turned.*It has stood 8 years\./);
  const { findings } = (await it.owner.get(pathOf('estimateRead', { buildId }))).body;
  expect(findings).toHaveLength(2);

  // Told otherwise, what was refused is asked again; what became a finding stays one.
  await past(buildId, { stoodSince: 2019, tyreCode: '3510' }).expect(200);
  expect(await proposals(buildId)).toMatchObject({ accepted: 2, refused: 0 });
});

test('what the rules do not propose cannot be accepted, and then nothing is', async () => {
  const buildId = await makeBuild(it.owner);
  await settle(buildId, {
    accept: [
      { rule: 'hoses', id: nextId() },
      { rule: 'tyres', id: nextId() },
    ],
    refuse: [],
  }).expect(409);
  expect(await proposals(buildId)).toMatchObject({ accepted: 0 });
  const bad = await past(buildId, { stoodSince: 1700, tyreCode: '35' }).expect(400);
  expect(bad.body.fields.map((f: { field: string }) => f.field).sort()).toEqual(['stoodSince', 'tyreCode']);
});

test('the shop changes a rule, switches one off, adds one; the second who changes it is told', async () => {
  const shop = await makeShop(it.server, 'rule-makers');
  const owner = await signedIn(it.server, shop, 'owner');
  const buildId = await makeBuild(owner, { standard: 'driver' });
  const open = async (): Promise<string[]> =>
    ((await owner.get(pathOf('proposalsRead', { buildId }))).body as ProposalsView).open.map((p) => p.rule);
  await save('hoses', { ageYears: 100 }, owner).expect(200);
  expect(await open()).toEqual(['weatherstrip']);
  await save('hoses', { ageYears: 50 }, owner).expect(409);
  await save('hoses', { version: 1, ageYears: 50 }, owner).expect(200);
  await save('weatherstrip', { off: true }, owner).expect(200);
  const own = { ...FIRST_RULES.hoses, finding: 'found bonnet cable to be renewed', zone: 'engine bay' };
  await owner
    .put(pathOf('ruleSave', { rule: 'our-own' }))
    .send({ version: 0, ...own })
    .expect(200);
  expect(await open()).toEqual(['hoses', 'our-own']);
  expect((await rules(owner)).map((r) => r.rule)).toEqual([...Object.keys(FIRST_RULES), 'our-own']);
  const bad = await owner
    .put(pathOf('ruleSave', { rule: 'our-own' }))
    .send({ version: 1, ...own, finding: 'bonnet cable', why: ' ', ageYears: 0 })
    .expect(400);
  expect(bad.body.fields.map((f: { field: string }) => f.field).sort()).toEqual([
    'ageYears',
    'finding',
    'why',
  ]);
  await owner
    .put(pathOf('ruleSave', { rule: 'Not A Name' }))
    .send({ version: 0, ...own })
    .expect(404);
  // Another shop has its own.
  expect((await rules()).find((r) => r.rule === 'hoses')).toMatchObject({ ageYears: 10, version: 0 });
});

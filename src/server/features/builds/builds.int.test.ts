/** Builds. Nasty cases: the same request twice at once, two who change what is next, unknown and malformed fields. */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import { makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('builds');

let vans = 0;
const body = (more: object = {}) => ({
  id: nextId(),
  customerId: nextId(),
  vehicleId: nextId(),
  vehicleName: 'Dolcino ice-cream van',
  nickname: `van ${(vans += 1)}`,
  customerName: 'Marta Quill',
  customerEmail: 'marta@example.org',
  standard: 'driver',
  ...more,
});

test('numbers count up, and the same request three times at once is one build', async () => {
  const once = body();
  const answers = await Promise.all([1, 2, 3].map(() => it.owner.post(pathOf('buildCreate')).send(once)));
  expect(answers.map((a) => a.status)).toEqual([200, 200, 200]);
  expect(new Set(answers.map((a) => a.body.number))).toEqual(new Set(['B-0001']));
  expect((await it.owner.post(pathOf('buildCreate')).send(body()).expect(200)).body.number).toBe('B-0002');
  expect((await it.owner.get(pathOf('floor'))).body.builds).toHaveLength(2);
});

test.each([
  ['nickname', ''],
  ['customerEmail', 'marta'],
  ['standard', 'shiny'],
  ['promised', '2026-02-30'],
  ['vehicleYear', 1850],
  ['tellEveryDays', 0],
  ['colour', 'red'],
  ['budgetMinor', 0],
  ['discretionMinor', 12.5],
  ['eventDay', '2026-13-01'],
  ['complaint', 'x'.repeat(4001)],
])('a %s of %j is refused at its field', async (field, value) => {
  const { body: problem } = await it.owner
    .post(pathOf('buildCreate'))
    .send(body({ [field]: value }))
    .expect(400);
  expect(problem.fields).toEqual([expect.objectContaining({ field })]);
});

test('two who change what is next: the second is told what is there now; the same words again change nothing', async () => {
  const buildId = await makeBuild(it.owner);
  const put = (next: string, version: number) =>
    it.owner.put(pathOf('buildNext', { buildId })).send({ next, version });
  expect((await put('Hood frame first.', 1).expect(200)).body).toMatchObject({
    next: 'Hood frame first.',
    version: 2,
  });
  expect((await put('Engine first.', 1).expect(409)).body.current).toMatchObject({
    next: 'Hood frame first.',
    version: 2,
  });
  expect((await put(' Hood frame first. ', 1).expect(200)).body.version).toBe(2);
  await put('x'.repeat(501), 2).expect(400);
});

test('the log line is told the names it should know', async () => {
  const known = (await it.owner.get(pathOf('known')).expect(200)).body;
  expect(known.builds).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ name: 'van 1', aliases: ['B-0001', 'Dolcino ice-cream van', 'Marta Quill'] }),
    ]),
  );
  expect(known.people.map((p: { name: string }) => p.name)).toEqual([
    'Ida Fenn',
    'Joss Arkwright',
    'Wren Osgood',
  ]);
});

test('what was agreed at intake stands on the build; a technician sees the words, and no money', async () => {
  const intake = {
    complaint: ' It smells of fuel. ',
    budgetMinor: 250_000,
    discretionMinor: 5000,
    eventDay: '2026-06-06',
  };
  const made = await it.owner.post(pathOf('buildCreate')).send(body(intake)).expect(200);
  expect(made.body).toMatchObject({ complaint: 'It smells of fuel.', eventDay: '2026-06-06' });
  const buildId = made.body.id as string;
  expect((await it.owner.get(pathOf('estimateRead', { buildId }))).body).toMatchObject({
    budgetMinor: 250_000,
    discretionMinor: 5000,
  });
  const seen = (await it.technician.get(pathOf('buildRead', { buildId })).expect(200)).body;
  expect(seen.complaint).toBe('It smells of fuel.');
  expect(JSON.stringify(seen)).not.toMatch(/\b(?:250000|5000)\b/);
});

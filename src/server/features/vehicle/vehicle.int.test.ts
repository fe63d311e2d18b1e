/**
 * The vehicle itself over HTTP. Nasty cases: two who write one row at once, the same row sent five times, an id of
 * another register, a tick without evidence, another shop’s build, a returning car, a row taken off and sent again.
 */
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { CustomersView } from '#contract/builds.ts';
import type { VehicleView } from '#contract/vehicle.ts';
import type { Register } from '#core/vehicle/registers.ts';
import { makeBuild, makeShop, nextId, openShop, signedIn } from '#tests/support/server.ts';

const it = openShop('vehicles');

const put = (buildId: string, register: Register, rowId: string, body: object, agent = it.technician) =>
  agent.put(pathOf('registerRowPut', { buildId, register, rowId })).send(body);
const read = async (buildId: string, agent = it.technician): Promise<VehicleView> =>
  (await agent.get(pathOf('vehicleRead', { buildId })).expect(200)).body as VehicleView;
const notes = async (buildId: string): Promise<string[]> =>
  ((await it.owner.get(pathOf('entriesList', { buildId }))).body.entries as { text: string }[]).map(
    (e) => e.text,
  );
const bell = { version: 0, text: 'keeps its bell', met: false, evidence: '' };
const engine = {
  version: 0,
  kind: 'engine',
  number: 'E 412',
  papersNumber: '',
  year: 1961,
  evidence: 'cast',
};

test('the identity is kept with its evidence, said in the logbook, and an old copy of it is refused', async () => {
  const buildId = await makeBuild(it.owner);
  const save = (more: object) =>
    it.technician.put(pathOf('identitySave', { buildId })).send({
      version: 1,
      name: 'Pipit Three microcar',
      year: 1957,
      chassisNumber: 'P3 1177',
      plate: 'SM 57',
      odometer: 23_411,
      odometerUnit: 'km',
      evidence: 'stamped on the bulkhead',
      ...more,
    });
  const kept = await save({}).expect(200);
  expect(kept.body.identity).toMatchObject({ version: 2, chassisNumber: 'P3 1177', odometer: 23_411 });
  expect(await notes(buildId)).toEqual([
    'Identity: Pipit Three microcar, of 1957, chassis P3 1177, plate SM 57, 23411 km, stamped on the bulkhead',
  ]);
  const late = await save({ plate: 'SM 58' }).expect(409);
  expect(late.body.current.identity.plate).toBe('SM 57');
  await save({ version: 2 }).expect(200);
  expect(await notes(buildId)).toHaveLength(1);
  const wrong = await save({ version: 2, odometer: -1, year: 1700 }).expect(400);
  expect(wrong.body.fields.map((f: { field: string }) => f.field).sort()).toEqual(['odometer', 'year']);
});

test('a row is one row however often it is sent; the second who changes it is told', async () => {
  const buildId = await makeBuild(it.owner);
  const rowId = nextId();
  const sent = await Promise.all([1, 2, 3, 4, 5].map(() => put(buildId, 'unit', rowId, engine)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  expect((await read(buildId)).rows.unit).toHaveLength(1);
  expect(await notes(buildId)).toEqual(['Unit: engine E 412, of 1961, cast']);
  await put(buildId, 'unit', rowId, { ...engine, version: 1, year: 1968 }, it.owner).expect(200);
  const late = await put(buildId, 'unit', rowId, { ...engine, version: 1, number: 'E 900' }).expect(409);
  expect(late.body.current.rows.unit[0]).toMatchObject({ year: 1968, version: 2 });
  await put(buildId, 'belonging', rowId, {
    version: 0,
    kind: 'keys',
    what: 'a key',
    keptAt: '',
    givenBack: false,
  }).expect(409);
});

test('a requirement is ticked only with its evidence; taken off it is gone, and the logbook remembers', async () => {
  const buildId = await makeBuild(it.owner, { requirements: ['fits under the boat-house door', ' '] });
  const [first] = (await read(buildId)).rows.requirement;
  expect(first).toMatchObject({ text: 'fits under the boat-house door', met: false, version: 1 });
  const rowId = nextId();
  await put(buildId, 'requirement', rowId, bell).expect(200);
  const bare = await put(buildId, 'requirement', rowId, { ...bell, version: 1, met: true }).expect(400);
  expect(bare.body.fields).toEqual([{ field: 'evidence', reason: 'say what shows that it holds' }]);
  const rung = { ...bell, version: 1, met: true, evidence: 'rung on the road run' };
  await put(buildId, 'requirement', rowId, rung).expect(200);
  const drop = () =>
    it.technician.delete(pathOf('registerRowDrop', { buildId, register: 'requirement', rowId }));
  await drop().expect(200);
  expect((await drop().expect(200)).body.rows.requirement).toHaveLength(1);
  await put(buildId, 'requirement', rowId, { ...rung, version: 3, evidence: 'again' }).expect(409);
  expect(await notes(buildId)).toEqual([
    'Taken off the list. Holds: keeps its bell, rung on the road run',
    'Holds: keeps its bell, rung on the road run',
    'Must hold at hand-over: keeps its bell',
  ]);
});

test('a returning car keeps its units and provenance; what came with it belongs to the build', async () => {
  const customerId = nextId();
  const vehicleId = nextId();
  const first = await makeBuild(it.owner, { customerId, vehicleId });
  await put(first, 'unit', nextId(), engine).expect(200);
  const key = { version: 0, kind: 'keys', what: 'one key', keptAt: 'office', givenBack: false };
  await put(first, 'belonging', nextId(), key).expect(200);
  const second = await makeBuild(it.owner, { customerId, vehicleId, tellBy: 'telephone' });
  const { rows } = await read(second);
  expect([rows.unit.length, rows.belonging.length]).toEqual([1, 0]);
  const { customers } = (await it.owner.get(pathOf('customersList')).expect(200)).body as CustomersView;
  const mine = customers.find((c) => c.id === customerId)!;
  expect(mine).toMatchObject({ name: 'Ilse Brandt', tellBy: 'mail' });
  expect(mine.vehicles).toEqual([{ id: vehicleId, name: 'Pipit Three microcar', year: 1957 }]);
});

test('fifty customers are listed, those who came last; a search finds the others', async () => {
  await it.server.admin.query(
    `insert into customers (shop_id, id, name, email, tell_every_days, tell_by)
     select $1, ('00000000-0000-7000-8000-' || lpad(n::text, 12, '0'))::uuid, 'Customer 100%_' || n, 'c' || n || '@example.org', 7, 'mail'
     from generate_series(1, 60) n`,
    [it.shop.id],
  );
  const found = async (q: string): Promise<CustomersView> =>
    (await it.owner.get(pathOf('customersList')).query({ q }).expect(200)).body as CustomersView;
  const all = await found('');
  expect([all.customers.length, all.more]).toEqual([50, true]);
  const names = all.customers.map((c) => c.name);
  expect(names).not.toContain('Customer 100%_1');
  expect([...names].sort(new Intl.Collator('und').compare)).toEqual(names);
  expect((await found('c1@example')).customers.map((c) => c.name)).toEqual(['Customer 100%_1']);
  expect(await found('100%_60')).toMatchObject({ customers: [{ name: 'Customer 100%_60' }], more: false });
  expect((await found('1005')).customers).toEqual([]);
});

test('what is no register, no row or another shop’s is not there; bad rows name their fields', async () => {
  const buildId = await makeBuild(it.owner);
  await put(buildId, 'nonsense' as Register, nextId(), engine).expect(404);
  const bad = await put(buildId, 'provenance', nextId(), {
    version: 0,
    component: '',
    state: 'shiny',
  }).expect(400);
  expect(bad.body.fields.map((f: { field: string }) => f.field)).toEqual(
    expect.arrayContaining(['component', 'state', 'evidence']),
  );
  const stranger = await signedIn(it.server, await makeShop(it.server, 'vehicle-strangers'), 'owner');
  await put(buildId, 'unit', nextId(), engine, stranger).expect(404);
  await stranger.get(pathOf('vehicleRead', { buildId })).expect(404);
});

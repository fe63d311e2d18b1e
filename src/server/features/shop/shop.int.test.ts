/**
 * The shop's lists over HTTP. Nasty cases: the same put ten times at once, two owners who leave at once, a name or an
 * address that is taken in another case, a new person without a password, a place closed under a car, a stale version,
 * another shop's rows, a session that outlives its person.
 */
import { expect, test } from '@jest/globals';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { ShopListsView } from '#contract/shop.ts';
import { makeBuild, makeShop, nextId, openShop, signedIn } from '#tests/support/server.ts';

const it = openShop('shop-lists');

const lists = async (): Promise<ShopListsView> =>
  (await it.owner.get(pathOf('shopLists')).expect(200)).body as ShopListsView;
const UNKEYED = {
  version: 0,
  name: 'Ansel Reed',
  email: 'Ansel@shop.example',
  role: 'technician',
  hasLeft: false,
};
const NEWCOMER = { ...UNKEYED, password: 'a long enough one' };
const person = (personId: string, body: object) => it.owner.put(pathOf('personPut', { personId })).send(body);
const place = (placeId: string, more: object = {}) =>
  it.owner
    .put(pathOf('placePut', { placeId }))
    .send({ version: 0, name: 'Lift 9', kind: 'lift', position: 9, closed: false, ...more });
const vendor = (vendorId: string, name: string, version = 0) =>
  it.owner.put(pathOf('vendorPut', { vendorId })).send({ version, name });
const enter = (email: string, password: string) =>
  supertest(it.server.app.express).post(pathOf('signIn')).send({ email, password });
const fieldsOf = (body: { fields?: { field: string }[] }): string[] =>
  (body.fields ?? []).map((f) => f.field);

test('a new person, sent ten times at once, is one who signs in by the address in any case', async () => {
  const id = nextId();
  const sent = await Promise.all(Array.from({ length: 10 }, () => person(id, NEWCOMER)));
  expect(sent.map((r) => r.status)).toEqual(Array.from({ length: 10 }, () => 200));
  expect((await lists()).people.filter((p) => p.name === 'Ansel Reed')).toEqual([
    expect.objectContaining({ id, email: 'ansel@shop.example', version: 1 }),
  ]);
  await enter('ANSEL@shop.example', NEWCOMER.password).expect(200);
});

test('who leaves is signed out, cannot come in, and is no longer known to the log line', async () => {
  const id = nextId();
  const [email, name] = ['bea@shop.example', 'Bea Lorn'];
  await person(id, { ...NEWCOMER, name, email }).expect(200);
  const bea = supertest.agent(it.server.app.express);
  await bea.post(pathOf('signIn')).send({ email, password: NEWCOMER.password }).expect(200);
  const { password } = NEWCOMER;
  await person(id, { ...UNKEYED, name, email, version: 1, hasLeft: true }).expect(200);
  await enter(email, password).expect(401);
  const { rows } = await it.server.admin.query(
    `select 1 from sessions where sess->'who'->>'personId' = '${id}'`,
  );
  expect(rows).toHaveLength(0);
  const known = (await it.owner.get(pathOf('known')).expect(200)).body;
  expect(known.people.map((p: { name: string }) => p.name)).not.toContain(name);
  // Back again, with another password.
  await person(id, { ...NEWCOMER, name, email, version: 2, password: 'another long one' }).expect(200);
  await enter(email, 'another long one').expect(200);
  await enter(email, password).expect(401);
});

test('the last owner stays, even where two leave at once', async () => {
  const { people } = await lists();
  const owner = people.find((p) => p.role === 'owner')!;
  const { id: ownerId, ...seen } = owner;
  const asTheyAre = { ...seen, invited: undefined };
  const alone = await person(ownerId, { ...asTheyAre, hasLeft: true }).expect(400);
  expect(fieldsOf(alone.body)).toEqual(['hasLeft']);
  const second = nextId();
  await person(second, { ...NEWCOMER, name: 'Cole Marsh', email: 'cole@shop.example', role: 'owner' }).expect(
    200,
  );
  const cole = {
    ...UNKEYED,
    name: 'Cole Marsh',
    email: 'cole@shop.example',
    role: 'owner',
  };
  const both = await Promise.all([
    person(second, { ...cole, version: 1, role: 'office' }),
    person(ownerId, { ...asTheyAre, role: 'office' }),
  ]);
  expect(both.map((r) => r.status).sort()).not.toEqual([200, 200]);
  expect((await lists()).people.some((p) => p.role === 'owner' && !p.hasLeft)).toBe(true);
  // Either of them may have been the quicker one; the next test asks as the first owner.
  await it.server.admin.query("update people set role = 'owner' where id = $1", [ownerId]);
});

test('faults name their field', async () => {
  const owner = await signedIn(it.server, it.shop, 'owner');
  const put = (body: object) => owner.put(pathOf('personPut', { personId: nextId() })).send(body);
  for (const [body, field] of [
    [{ ...NEWCOMER, name: 'Dill', email: 'dill@shop.example', password: 'qwertyuiop' }, 'password'],
    [{ ...NEWCOMER, name: 'Dill', email: 'ANSEL@SHOP.example' }, 'email'],
    [{ ...NEWCOMER, name: '  ', email: 'dill@shop.example' }, 'name'],
    [{ ...NEWCOMER, name: 'Dill', email: 'dill' }, 'email'],
    [{ ...NEWCOMER, name: 'Dill', email: 'dill@shop.example', role: 'king' }, 'role'],
  ] as const) {
    const r = await put(body);
    expect([r.status, fieldsOf(r.body)]).toEqual([400, [field]]);
  }
});

test('a place: known by name once, kept by its version, not closed under a car', async () => {
  const id = nextId();
  await place(id).expect(200);
  expect(fieldsOf((await place(nextId(), { name: 'LIFT 9' }).expect(400)).body)).toEqual(['name']);
  await place(id, { version: 1, name: 'Lift nine' }).expect(200);
  const stale = await place(id, { version: 1, name: 'Lift IX' }).expect(409);
  expect(stale.body.current.places).toEqual(
    expect.arrayContaining([expect.objectContaining({ name: 'Lift nine' })]),
  );
  const buildId = await makeBuild(it.owner);
  await it.server.admin.query(`update builds set place_id = '${id}' where id = '${buildId}'`);
  const closed = await place(id, { version: 2, name: 'Lift nine', closed: true }).expect(400);
  expect(fieldsOf(closed.body)).toEqual(['closed']);
  await it.server.admin.query(`update builds set place_id = null where id = '${buildId}'`);
  await place(id, { version: 2, name: 'Lift nine', closed: true }).expect(200);
  expect((await it.owner.get(pathOf('known'))).body.places).not.toContainEqual({ id, name: 'Lift nine' });
});

test('a vendor that the log line added can be renamed; another shop sees none of it', async () => {
  const id = nextId();
  await vendor(id, ' Tern & Sons ').expect(200);
  expect(fieldsOf((await vendor(nextId(), 'tern & sons').expect(400)).body)).toEqual(['name']);
  await vendor(id, 'Tern and Daughters', 1).expect(200);
  const other = await signedIn(it.server, await makeShop(it.server, 'elsewhere'), 'owner');
  const theirs = (await other.get(pathOf('shopLists')).expect(200)).body as ShopListsView;
  expect(theirs.vendors).toEqual([]);
  await other
    .put(pathOf('vendorPut', { vendorId: id }))
    .send({ version: 0, name: 'Tern' })
    .expect(200);
  expect((await lists()).vendors).toEqual([{ id, name: 'Tern and Daughters', version: 2 }]);
});

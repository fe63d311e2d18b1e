/** Route × role, walked whole: every route of the table, by nobody and by every role. And the outside of the house. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import supertest from 'supertest';
import { ROLES } from '#contract/access.ts';
import type { RouteSpec } from '#contract/route.ts';
import { pathOf, ROUTES, type RouteName } from '#contract/routes.ts';
import {
  makeShop,
  nextId,
  signedIn,
  startServer,
  type Agent,
  type TestServer,
} from '#tests/support/server.ts';

let server: TestServer;
let agents: Record<string, Agent>;

beforeAll(async () => {
  server = await startServer();
  const shop = await makeShop(server, 'access');
  agents = {};
  for (const role of ROLES) agents[role] = await signedIn(server, shop, role);
});
afterAll(() => server.stop());

const names = Object.keys(ROUTES) as RouteName[];
const params = {
  buildId: nextId(),
  readingId: nextId(),
  calculator: 'driveline',
  bookId: nextId(),
  readerId: nextId(),
  voiceId: nextId(),
  mail: 'nonsense',
  session: 'nonsense',
  bookFile: 'book.pdf',
  paperId: nextId(),
  letterId: nextId(),
  walkId: nextId(),
  questionId: nextId(),
  lineId: nextId(),
  donorId: nextId(),
  partId: nextId(),
  pauseId: nextId(),
  pieceId: nextId(),
  batchId: nextId(),
  code: 'nonsense',
  taskId: nextId(),
  spellId: nextId(),
  instalmentId: nextId(),
  invoiceId: nextId(),
  rateId: nextId(),
  absenceId: nextId(),
  hoursId: nextId(),
  snagId: nextId(),
  followUpId: nextId(),
  playbook: 'brake-overhaul',
  symptomId: nextId(),
  choiceId: nextId(),
  personId: nextId(),
  placeId: nextId(),
  vendorId: nextId(),
  revisionId: nextId(),
  entryId: nextId(),
  photoId: nextId(),
  register: 'unit',
  rule: 'tyres',
  rowId: nextId(),
  loanId: nextId(),
  jobId: nextId(),
  size: 'thumb',
  hash: 'nonsense',
  token: 'nonsense',
};

/** Asks with an empty body; for the stream of live news only the head is waited for. */
async function statusOf(agent: Agent, name: RouteName): Promise<number> {
  const spec: RouteSpec = ROUTES[name];
  const request = agent[spec.method](pathOf(name, params));
  if (name !== 'live') return (await (spec.method === 'get' ? request : request.send({}))).status;
  return new Promise((resolve) => {
    request.buffer(false).parse((res, done) => {
      resolve((res as unknown as { statusCode: number }).statusCode);
      (res as unknown as { destroy: () => void }).destroy();
      done(null, undefined);
    });
    request.then(
      (r) => resolve(r.status),
      () => undefined,
    );
  });
}

describe('the route table', () => {
  test('every route is served by exactly one feature', () => {
    const served = server.app.features.flatMap((f) => Object.keys(f)).sort();
    expect(served).toEqual([...names].sort());
  });

  test.each(names)('%s: allowed roles get in, the others and nobody do not', async (name) => {
    const { allow } = ROUTES[name] as RouteSpec;
    const nobody = await statusOf(supertest.agent(server.app.express), name);
    if (allow === 'anyone') expect([401, 403]).not.toContain(nobody);
    else expect(nobody).toBe(401);
    for (const role of ROLES) {
      // Signing out would end the walk; that it is open to anyone is seen above.
      if (name === 'signOut') continue;
      const status = await statusOf(agents[role]!, name);
      if (allow === 'anyone' || allow.includes(role)) expect([401, 403]).not.toContain(status);
      else expect(status).toBe(403);
    }
  });
});

describe('the outside', () => {
  test('security headers stand on pages, answers and errors', async () => {
    for (const path of [
      pathOf('sessionRead'),
      pathOf('floor'),
      pathOf('letterPage', params),
      '/api/nonsense',
    ]) {
      const { headers } = await supertest(server.app.express).get(path);
      const policy = headers['content-security-policy'];
      expect(policy).toContain("default-src 'none'");
      expect(policy).toMatch(/script-src 'self' 'nonce-[\w+/=]{20,}'/);
      expect(policy).not.toContain('unsafe');
      expect(headers).toMatchObject({
        'x-content-type-options': 'nosniff',
        'referrer-policy': 'no-referrer',
      });
      expect(headers['x-powered-by']).toBeUndefined();
    }
  });

  test('the nonce is another one every time', async () => {
    const nonce = async (): Promise<string | undefined> =>
      /nonce-([\w+/=]+)/.exec(
        (await supertest(server.app.express).get(pathOf('sessionRead'))).headers['content-security-policy']!,
      )?.[1];
    expect(await nonce()).not.toBe(await nonce());
  });

  test.each([
    [{ 'sec-fetch-site': 'cross-site' }, 403],
    [{ 'sec-fetch-site': 'same-site' }, 403],
    [{ origin: 'https://elsewhere.example' }, 403],
    [{ origin: 'null' }, 403],
    [{ 'sec-fetch-site': 'same-origin' }, 400],
    [{}, 400],
  ])('a change asked for with %j answers %i', async (headers, status) => {
    await agents.owner!.post(pathOf('buildCreate')).set(headers).send({}).expect(status);
  });

  test('what nobody thought of is a problem document with a number to ask for, and shows nothing of the inside', async () => {
    await server.admin.query('alter table vendors rename to vendors_gone');
    const { body, headers } = await agents.owner!.get(pathOf('known')).expect(500);
    await server.admin.query('alter table vendors_gone rename to vendors');
    expect(headers['content-type']).toContain('application/problem+json');
    expect(body).toMatchObject({
      type: 'urn:avrik:problem:fault',
      status: 500,
      requestId: expect.stringMatching(/^[0-9a-f-]{36}$/),
    });
    expect(JSON.stringify(body)).not.toMatch(/vendors|select|relation/);
  });

  test('an address of the API that is none, and one that is not even an address', async () => {
    expect((await supertest(server.app.express).get('/api/nonsense').expect(404)).body.type).toBe(
      'urn:avrik:problem:not-found',
    );
    await supertest(server.app.express).get('/l/%E0%A4%A').expect(404);
  });
});

test('health is 200 only when the database is reachable and migrated', async () => {
  const ask = () => supertest(server.app.express).get(pathOf('health'));
  expect((await ask().expect(200)).body).toEqual({ status: 'ok' });
  await server.admin.query("update knex_migrations set name = 'x' || name");
  await ask().expect(503);
  await server.admin.query('update knex_migrations set name = substr(name, 2)');
  await server.admin.query('revoke select on knex_migrations from avrik_app');
  await ask().expect(503);
  await server.admin.query('grant select on knex_migrations to avrik_app');
  await ask().expect(200);
});

test('health says a disk that is full or nearly so; what is there can still be read', async () => {
  const ask = async (freeBytes: number) => {
    server.deps.disk = () => Promise.resolve({ freeBytes, totalBytes: 100 * 2 ** 30 });
    return (await supertest(server.app.express).get(pathOf('health')).expect(200)).body;
  };
  expect(await ask(50 * 2 ** 30)).toEqual({ status: 'ok' });
  expect(await ask(2 * 2 ** 30)).toEqual({ status: 'disk-low' });
  expect(await ask(2 ** 20)).toEqual({ status: 'disk-full' });
});

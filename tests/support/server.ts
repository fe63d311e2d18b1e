/** A whole server on a database of its own, for one test file. */
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { pino } from 'pino';
import supertest from 'supertest';
import { afterAll, beforeAll, expect } from '@jest/globals';
import { ROLES, type Role } from '#contract/access.ts';
import { pathOf } from '#contract/routes.ts';
import type { EntriesView, EntryAddDto } from '#contract/entries.ts';
import type { EstimateLineDto } from '#contract/estimate.ts';
import { createApp, type App } from '#server/app.ts';
import { openComputer } from '#server/compute/computer.ts';
import { inShop, openDatabase } from '#server/db/pool.ts';
import type { Deps } from '#server/deps.ts';
import { hashPassword } from '#server/features/session/passwords.ts';
import { createShop } from '#server/features/session/session.service.ts';
import { insertPerson } from '#server/features/session/session.queries.ts';
import { closePictures } from '#server/media/picture.ts';
import { photosIn } from '#server/media/store.ts';
import { standInTranscriber } from '#server/media/transcriber.ts';
import { takeMail } from '#server/features/mail/index.ts';
import { outboxIn, startStandIn, textsIn } from '#server/mail/outbox.ts';
import { adminUrl, appUrl, DEMO_FOLDER, migratedDatabase, TEMPLATE, TEST_SECRET } from './cluster.ts';

export interface TestClock {
  now: () => string;
  set: (instant: string) => void;
}

function testClock(start: string): TestClock {
  let at = start;
  return { now: () => at, set: (instant) => (at = instant) };
}

let databases = 0;

/** Ids that count, in the shape of UUIDv7. */
let ids = 0;
export const nextId = (): string => {
  ids += 1;
  return `019e0000-0000-7000-8000-${(process.pid * 1_000_000 + ids).toString(16).padStart(12, '0')}`;
};

export interface TestServer {
  deps: Deps;
  app: App;
  clock: TestClock;
  admin: pg.Client;
  adminUrl: string;
  outboxFolder: string;
  photoFolder: string;
  /** What must end before the database does: a worker of the queue. */
  beforeStop: (() => Promise<void>)[];
  stop: () => Promise<void>;
}

/** Over the demo shop as it is today, with its photographs. */
export async function startDemoServer(): Promise<TestServer> {
  const server = await startServer(new Date().toISOString(), DEMO_FOLDER ? 'avrik_demo' : TEMPLATE);
  if (DEMO_FOLDER) await cp(path.join(DEMO_FOLDER, 'photos'), server.photoFolder, { recursive: true });
  else await (await import('#demo/fill.ts')).fillDemoIfEmpty(server.deps);
  return server;
}

export async function startServer(
  now = '2026-03-11T10:00:00.000Z',
  template = TEMPLATE,
): Promise<TestServer> {
  databases += 1;
  const name = `avrik_test_${process.pid}_${databases}`;
  const database = await migratedDatabase(name, template);
  const outboxFolder = await mkdtemp(path.join(tmpdir(), 'avrik-outbox-'));
  const photoFolder = await mkdtemp(path.join(tmpdir(), 'avrik-photos-'));
  const standIn = await startStandIn(outboxFolder);
  const clock = testClock(now);
  const deps: Deps = {
    db: openDatabase(appUrl(name), 12),
    databaseUrl: appUrl(name),
    compute: openComputer(),
    dataFolder: photoFolder,
    disk: () => Promise.resolve({ freeBytes: 500 * 2 ** 30, totalBytes: 1000 * 2 ** 30 }),
    copies: 'elsewhere',
    photos: photosIn(photoFolder),
    clock,
    log: pino({ level: 'silent' }),
    secret: TEST_SECRET,
    publicUrl: 'http://localhost:4100',
    secure: false,
    hosts: [],
    proxies: false,
    openDemo: true,
    smtpUrl: standIn.url,
    mailFrom: null,
    outbox: outboxIn(outboxFolder),
    texts: textsIn(outboxFolder),
    transcriber: standInTranscriber,
  };
  standIn.handOn((raw, address) => takeMail(deps, raw, address));
  const app = createApp(deps, null);
  const admin = new pg.Client({ connectionString: adminUrl(name) });
  await admin.connect();
  const beforeStop: (() => Promise<void>)[] = [];
  const stop = async (): Promise<void> => {
    for (const end of beforeStop) await end();
    await app.close();
    await deps.compute.stop();
    await closePictures();
    await standIn.stop();
    await deps.db.destroy();
    await admin.end();
    await database.drop();
    for (const folder of [outboxFolder, photoFolder]) await rm(folder, { recursive: true, force: true });
  };
  return { deps, app, clock, admin, adminUrl: adminUrl(name), outboxFolder, photoFolder, beforeStop, stop };
}

const PASSWORD = 'correct horse battery';

export interface TestShop {
  id: string;
  people: Record<Role, { id: string; name: string; email: string }>;
}

/** A shop with one person of each role. All have the same password. */
export async function makeShop(
  server: TestServer,
  tag: string,
  more: { currency?: string; locale?: string; timeZone?: string; isDemo?: boolean } = {},
): Promise<TestShop> {
  const id = nextId();
  const people = {
    owner: { id: nextId(), name: 'Wren Osgood', email: `owner@${tag}.example` },
    office: { id: nextId(), name: 'Ida Fenn', email: `office@${tag}.example` },
    technician: { id: nextId(), name: 'Joss Arkwright', email: `tech@${tag}.example` },
  };
  const shop = { shopId: id, personId: people.owner.id, shopName: `Shop ${tag}`, units: 'imperial' as const };
  const manner = {
    currency: more.currency ?? 'GBP',
    locale: more.locale ?? 'en-GB',
    timeZone: more.timeZone ?? 'Europe/London',
  };
  const owner = { ownerName: people.owner.name, email: people.owner.email, password: PASSWORD };
  // Further shops beside the first are made as a demo is: the first-run page makes one only.
  await createShop(server.deps, { ...shop, ...manner, ...owner }, true);
  const passwordHash = await hashPassword(PASSWORD);
  await inShop(server.deps.db, id, async (tx) => {
    for (const role of ['office', 'technician'] as const)
      await insertPerson(tx, { ...people[role], role, passwordHash });
  });
  return { id, people };
}

export type Agent = ReturnType<typeof supertest.agent>;

export async function signedIn(server: TestServer, shop: TestShop, role: Role): Promise<Agent> {
  const agent = supertest.agent(server.app.express);
  await agent.post(pathOf('signIn')).send({ email: shop.people[role].email, password: PASSWORD }).expect(200);
  return agent;
}

let builds = 1;

/** A build made through the API; answers its id. Where its nickname is taken among the open builds, it gets a number. */
export async function makeBuild(agent: Agent, more: Record<string, unknown> = {}): Promise<string> {
  const id = nextId();
  const body = {
    id,
    customerId: nextId(),
    vehicleId: nextId(),
    vehicleName: 'Pipit Three microcar',
    vehicleYear: 1957,
    nickname: 'microcar',
    customerName: 'Ilse Brandt',
    customerEmail: 'ilse@example.org',
    standard: 'preserve',
    ...more,
  };
  const { status, body: answer } = await agent.post(pathOf('buildCreate')).send(body);
  const taken = (answer as { fields?: { field: string }[] }).fields?.some((f) => f.field === 'nickname');
  if (status === 400 && taken && body.nickname !== '')
    return makeBuild(agent, { ...more, nickname: `${body.nickname.replace(/ \d+$/, '')} ${(builds += 1)}` });
  expect({ status, answer }).toMatchObject({ status: 200 });
  return id;
}

/** What an entry request carries, with the rest filled in. */
export const line = (more: Partial<EntryAddDto> = {}): EntryAddDto => ({
  id: nextId(),
  kind: 'did',
  text: 'did serving hatch hinges, 3h',
  facts: {},
  audience: 'customer',
  ...more,
});

/** An estimated line as a request carries it: one hour of mechanical work and a part, unless said otherwise. */
/** Withdraws the newest entry with these words. */
export async function withdrawEntry(agent: Agent, buildId: string, text: string | RegExp, status = 200) {
  const { entries } = (await agent.get(pathOf('entriesList', { buildId })).expect(200)).body as EntriesView;
  const entry = entries.find(
    (e) => !e.withdrawn && (typeof text === 'string' ? e.text === text : text.test(e.text)),
  );
  return agent
    .post(pathOf('entryCorrect', { buildId }))
    .send({ id: nextId(), correctsId: entry!.id, withdraw: true })
    .expect(status);
}

export const estimateLine = (more: Partial<EstimateLineDto> = {}): EstimateLineDto => ({
  version: 0,
  title: 'Front crossmember',
  why: 'Rotten through at both ends',
  class: 'must',
  work: 'mechanical',
  minutes: { low: 60, likely: 60, high: 60 },
  parts: { low: 4000, likely: 4000, high: 4000 },
  outwork: { low: 0, likely: 0, high: 0 },
  sundriesMinor: 0,
  needs: [],
  access: [],
  proposal: 'do',
  wish: 'none',
  laterExtraMinor: 0,
  ...more,
});

/** A server with a shop, opened before a file's tests and stopped after them, and people signed in to it. */
export function openShop(tag: string): { server: TestServer; shop: TestShop } & Record<Role, Agent> {
  const opened = {} as { server: TestServer; shop: TestShop } & Record<Role, Agent>;
  beforeAll(async () => {
    opened.server = await startServer();
    opened.shop = await makeShop(opened.server, tag);
    for (const role of ROLES) opened[role] = await signedIn(opened.server, opened.shop, role);
  });
  afterAll(() => opened.server.stop());
  return opened;
}

/**
 * What one person logs appears on the others' screens. Nasty cases: two server processes, another shop listening, the
 * listening connection killed while entries are logged, a burst from many at once, a session that ends.
 */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { pathOf } from '#contract/routes.ts';
import { inShop, type Tx } from '#server/db/pool.ts';
import { createApp, type App } from '#server/app.ts';
import {
  line,
  makeBuild,
  makeShop,
  nextId,
  signedIn,
  startServer,
  type Agent,
  type TestServer,
  type TestShop,
} from '#tests/support/server.ts';

let server: TestServer;
let second: App;
let http: Server[];
let owner: Agent;
let stranger: Agent;
let buildId: string;
let shops: TestShop[];
const cookies = new Map<Agent, string>();

beforeAll(async () => {
  server = await startServer();
  // A second server process on the same database, as behind a load balancer.
  second = createApp(server.deps, null);
  await server.app.hub.start();
  await second.hub.start();
  http = [server.app, second].map((app) => app.express.listen(0, '127.0.0.1'));
  shops = [await makeShop(server, 'one'), await makeShop(server, 'two')];
  owner = await signedIn(server, shops[0]!, 'owner');
  stranger = await signedIn(server, shops[1]!, 'owner');
  for (const [agent, shop] of [
    [owner, shops[0]],
    [stranger, shops[1]],
  ] as const) {
    const { headers } = await agent
      .post(pathOf('signIn'))
      .send({ email: shop!.people.owner.email, password: 'correct horse battery' });
    cookies.set(agent, headers['set-cookie']![0]!.split(';')[0]!);
  }
  buildId = await makeBuild(owner);
});
afterAll(async () => {
  for (const s of http) {
    s.closeAllConnections();
    s.close();
  }
  await second.close();
  await server.stop();
});

interface Screen {
  /** What each news named: builds and topics. */
  news: string[][];
  /** How often it was told to read everything anew. */
  readies: () => number;
  close: () => void;
}

/** Opens the stream as a browser does, and reads it in the background. */
async function listen(which: number, agent: Agent): Promise<Screen> {
  const stop = new AbortController();
  const { port } = http[which]!.address() as AddressInfo;
  const response = await fetch(`http://127.0.0.1:${port}${pathOf('live')}`, {
    headers: { cookie: cookies.get(agent)! },
    signal: stop.signal,
  });
  expect(response.headers.get('content-type')).toContain('text/event-stream');
  const news: string[][] = [];
  let readies = 0;
  const read = async (): Promise<void> => {
    let rest = '';
    for await (const chunk of response.body!.pipeThrough(new TextDecoderStream())) {
      const events = (rest + chunk).split('\n\n');
      rest = events.pop() ?? '';
      for (const event of events) {
        if (/^event: ready$/m.test(event)) readies += 1;
        const data = /^event: changed\ndata: (.*)$/m.exec(event)?.[1];
        if (data !== undefined) news.push((JSON.parse(data) as { what: string[] }).what);
      }
    }
  };
  void read().catch(() => undefined);
  await until(() => readies > 0);
  return { news, readies: () => readies, close: () => stop.abort() };
}

async function until(holds: () => boolean): Promise<void> {
  const end = Date.now() + 15_000;
  while (!holds()) {
    if (Date.now() > end) throw new Error('nothing came in fifteen seconds');
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

const log = async (n: number, on = buildId): Promise<void> => {
  const answers = await Promise.all(
    Array.from({ length: n }, () => owner.post(pathOf('entryAdd', { buildId: on })).send(line())),
  );
  expect(answers.every((a) => a.status === 200)).toBe(true);
};

describe('live news', () => {
  test('names what changed where nothing was logged: a build, or what the shop keeps beside them', async () => {
    const [a, b, other] = [await listen(0, owner), await listen(1, owner), await listen(1, stranger)];
    // What was made before they came may still be told.
    await log(1);
    for (const { news } of [a, b]) {
      await until(() => news.flat().includes(buildId));
      news.length = 0;
    }
    const symptom = { version: 0, words: 'The carpet is wet', removed: false };
    await owner
      .put(pathOf('symptomPut', { buildId, symptomId: nextId() }))
      .send(symptom)
      .expect(200);
    await owner
      .put(pathOf('vendorPut', { vendorId: nextId() }))
      .send({ version: 0, name: 'Tern & Sons' })
      .expect(200);
    for (const screen of [a, b]) {
      await until(() => screen.news.flat().includes('lists'));
      expect(new Set(screen.news.flat())).toEqual(new Set([buildId, 'lists']));
    }
    // Refused, and read: nothing is told.
    await owner
      .put(pathOf('vendorPut', { vendorId: nextId() }))
      .send({ version: 0, name: '' })
      .expect(400);
    await owner.get(pathOf('shopLists')).expect(200);
    // A clock that a line begins is told; a line by itself is of its build.
    const taskId = nextId();
    const task = { version: 0, title: 'Primer', work: 'paint', minutes: 60, cautions: [], needs: [] };
    await owner.put(pathOf('taskPut', { buildId, taskId })).send(task).expect(200);
    await until(() => a.news.flat().includes('clocks'));
    a.news.length = 0;
    await log(1);
    await until(() => a.news.length > 0);
    expect(new Set(a.news.flat())).toEqual(new Set([buildId]));
    const does = [{ act: 'start', type: 'task', id: taskId }];
    await owner
      .post(pathOf('entryAdd', { buildId }))
      .send({ ...line({ kind: 'note', text: 'begun' }), does })
      .expect(200);
    await until(() => a.news.flat().includes('clocks'));
    expect(other.news).toEqual([]);
    for (const screen of [a, b, other]) screen.close();
  });

  test('reaches the screens of both processes; a burst is told in few words; another shop hears nothing', async () => {
    const [a, b, other] = [await listen(0, owner), await listen(1, owner), await listen(1, stranger)];
    const otherBuild = await makeBuild(owner);
    await log(12);
    await log(1, otherBuild);
    const named = (screen: Screen) => new Set(screen.news.flat());
    for (const screen of [a, b]) {
      await until(() => named(screen).has(buildId) && named(screen).has(otherBuild));
      expect(screen.news.length).toBeLessThan(13);
      expect(screen.news.every((ids) => new Set(ids).size === ids.length)).toBe(true);
      expect(screen.readies()).toBe(1);
    }
    expect(other.news).toEqual([]);
    for (const screen of [a, b, other]) screen.close();
  });

  test('what was begun earlier and is kept later is told when it is kept; what is given up is not', async () => {
    const screen = await listen(1, owner);
    const [late, givenUp] = [await makeBuild(owner), await makeBuild(owner)];
    await log(1, late);
    await until(() => screen.news.flat().includes(late));
    const heard = screen.news.length;
    const latest = () => screen.news.slice(heard).flat();
    let goOn = (): void => undefined;
    const held = new Promise<void>((resolve) => (goOn = resolve));
    const add = (tx: Tx, to: string): Promise<unknown> =>
      tx.run(
        `insert into entries (shop_id, build_id, id, seq, at, recorded_at, kind, text, facts, audience)
         values (:shopId, :to, gen_random_uuid(), nextval('entry_numbers'), now(), now(), 'note', 'late', '{}', 'shop')`,
        { to },
      );
    let isAdded = false;
    const slow = inShop(server.deps.db, shops[0]!.id, async (tx) => {
      await add(tx, late);
      isAdded = true;
      await held;
    });
    await until(() => isAdded);
    await log(3);
    await until(() => latest().includes(buildId));
    await expect(
      inShop(server.deps.db, shops[0]!.id, async (tx) => {
        await add(tx, givenUp);
        throw new Error('given up');
      }),
    ).rejects.toThrow('given up');
    await log(1);
    expect(latest()).not.toContain(late);
    goOn();
    await slow;
    await until(() => latest().includes(late));
    expect(latest()).not.toContain(givenUp);
    screen.close();
  });

  test('with the listening connections killed, screens read everything anew as soon as they stand again', async () => {
    const screen = await listen(0, owner);
    const killed = await server.admin.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'avrik-live' and datname = current_database()`,
    );
    expect(killed.rowCount).toBe(2);
    await log(4);
    await until(() => screen.readies() > 1);
    const heard = screen.news.length;
    await log(1);
    await until(() => screen.news.length > heard);
    expect(screen.news.at(-1)).toEqual([buildId]);
    screen.close();
  });
});

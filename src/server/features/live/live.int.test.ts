/**
 * What one person logs appears on the others' screens. Nasty cases: two server processes, another shop listening, the
 * listening connection killed while entries are logged, a screen that was away, a burst from many at once.
 */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { pathOf } from '#contract/routes.ts';
import { createApp, type App } from '#server/app.ts';
import {
  line,
  makeBuild,
  makeShop,
  signedIn,
  startServer,
  type Agent,
  type TestServer,
} from '#tests/support/server.ts';

let server: TestServer;
let second: App;
let http: Server[];
let owner: Agent;
let stranger: Agent;
let buildId: string;
const cookies = new Map<Agent, string>();

beforeAll(async () => {
  server = await startServer();
  // A second server process on the same database, as behind a load balancer.
  second = createApp(server.deps, null);
  await server.app.hub.start();
  await second.hub.start();
  http = [server.app, second].map((app) => app.express.listen(0, '127.0.0.1'));
  const shops = [await makeShop(server, 'one'), await makeShop(server, 'two')];
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
  seqs: number[];
  lastId: () => string;
  close: () => void;
}

/** Opens the stream as a browser does, and reads it in the background. */
async function listen(which: number, agent: Agent, lastEventId?: string): Promise<Screen> {
  const stop = new AbortController();
  const { port } = http[which]!.address() as AddressInfo;
  const response = await fetch(`http://127.0.0.1:${port}${pathOf('live')}`, {
    headers: { cookie: cookies.get(agent)!, ...(lastEventId ? { 'last-event-id': lastEventId } : {}) },
    signal: stop.signal,
  });
  expect(response.headers.get('content-type')).toContain('text/event-stream');
  const seqs: number[] = [];
  let lastId = '';
  const read = async (): Promise<void> => {
    let rest = '';
    for await (const chunk of response.body!.pipeThrough(new TextDecoderStream())) {
      const events = (rest + chunk).split('\n\n');
      rest = events.pop() ?? '';
      for (const event of events) {
        lastId = /^id: (\d+)$/m.exec(event)?.[1] ?? lastId;
        if (/^event: entry$/m.test(event)) seqs.push(Number(lastId));
      }
    }
  };
  void read().catch(() => undefined);
  await until(() => lastId !== '');
  return { seqs, lastId: () => lastId, close: () => stop.abort() };
}

async function until(holds: () => boolean): Promise<void> {
  const end = Date.now() + 15_000;
  while (!holds()) {
    if (Date.now() > end) throw new Error('nothing came in fifteen seconds');
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

const log = async (n: number): Promise<void> => {
  const answers = await Promise.all(
    Array.from({ length: n }, () => owner.post(pathOf('entryAdd', { buildId })).send(line())),
  );
  expect(answers.every((a) => a.status === 200)).toBe(true);
};

const inOrder = (seqs: number[]): boolean => seqs.every((s, i) => i === 0 || s === seqs[i - 1]! + 1);

describe('live news', () => {
  test('reaches the screens of both processes, in order, none twice; another shop hears nothing', async () => {
    const [a, b, other] = [await listen(0, owner), await listen(1, owner), await listen(1, stranger)];
    await log(12);
    await until(() => a.seqs.length >= 12 && b.seqs.length >= 12);
    for (const screen of [a, b]) {
      expect(screen.seqs).toHaveLength(12);
      expect(inOrder(screen.seqs)).toBe(true);
    }
    expect(other.seqs).toEqual([]);
    for (const screen of [a, b, other]) screen.close();
  });

  test('a screen that was away is told everything it missed, and only that', async () => {
    const before = await listen(0, owner);
    await log(2);
    await until(() => before.seqs.length === 2);
    const left = before.lastId();
    before.close();
    await log(5);
    const back = await listen(1, owner, left);
    await until(() => back.seqs.length >= 5);
    expect(back.seqs).toEqual([1, 2, 3, 4, 5].map((i) => Number(left) + i));
    back.close();
  });

  test('with the listening connections killed, what was logged meanwhile comes as soon as they stand again', async () => {
    const screen = await listen(0, owner);
    const killed = await server.admin.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'avrik-live' and datname = current_database()`,
    );
    expect(killed.rowCount).toBe(2);
    await log(4);
    await until(() => screen.seqs.length >= 4);
    expect(screen.seqs).toHaveLength(4);
    expect(inOrder(screen.seqs)).toBe(true);
    await log(1);
    await until(() => screen.seqs.length >= 5);
    screen.close();
  });
});

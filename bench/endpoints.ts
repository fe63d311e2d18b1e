/**
 * Requests per second and 95th-percentile latency of what is asked most, against bare handlers that send the same statements.
 * The two take turns, after a warm-up; medians of the rounds are compared, since the machine is noisy.
 */
import autocannon from 'autocannon';
import { v7 as uuidv7 } from 'uuid';
import type { LetterView } from '../src/contract/letters.ts';
import { paramNames, type RouteSpec } from '../src/contract/route.ts';
import { pathOf, ROUTES } from '../src/contract/routes.ts';
import type { BenchServers } from './servers.ts';
import type { Line } from './line.ts';

const WARM_UP_S = 4;
const ROUND_S = 3;
const ROUNDS = 5;
const CONNECTIONS = 8;

const median = (values: number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

interface Round {
  perSecond: number;
  p95: number;
}

/** What is asked: a page, or, with a body, a change under an id of its own each time. */
interface Asked {
  path: string;
  bodyOf?: (id: string) => object;
}

const JSON_TYPE = { 'content-type': 'application/json' };

function shoot(
  url: string,
  {
    cookie,
    seconds,
    connections,
    bodyOf,
  }: { cookie: string; seconds: number; connections: number } & Pick<Asked, 'bodyOf'>,
): Promise<Round> {
  const times: number[] = [];
  const changes = bodyOf && {
    method: 'POST' as const,
    requests: [
      { setupRequest: (r: autocannon.Request) => ({ ...r, body: JSON.stringify(bodyOf(uuidv7())) }) },
    ],
  };
  return new Promise((resolve, reject) => {
    const settings = { url, connections, duration: seconds, headers: { cookie, ...JSON_TYPE }, ...changes };
    const cannon = autocannon(settings, (error, result) => {
      if (error) return reject(error as Error);
      if (result.non2xx > 0 || result.errors > 0)
        return reject(new Error(`${url}: ${result.non2xx} refused, ${result.errors} failed`));
      const sorted = times.sort((a, b) => a - b);
      resolve({
        perSecond: result.requests.average,
        p95: sorted[Math.floor(sorted.length * 0.95)]!,
      });
    });
    cannon.on('response', (_client, _status, _bytes, ms) => times.push(ms));
  });
}

interface Learnt {
  /** Where the bare handler answers. */
  url: string;
  /** So many statements it sends for one request. */
  statements: number;
}

/** The bare handler learns what the application asks the database for. */
async function learn(
  { bare, cookie }: BenchServers,
  name: string,
  asked: { path: string; method?: string; body?: object; id?: string },
): Promise<Learnt> {
  const { path, method = 'GET', body, id } = asked;
  const answer = await fetch(`${bare}/learn/${name}`, {
    method: 'POST',
    headers: JSON_TYPE,
    body: JSON.stringify({ path, method, cookie, id, body: body && JSON.stringify(body) }),
  });
  if (!answer.ok) throw new Error(`${path}: the bare handler did not learn it: ${await answer.text()}`);
  const { statements } = (await answer.json()) as Pick<Learnt, 'statements'>;
  return { url: `${bare}/replay/${name}`, statements };
}

/** Routes that read and are asked by nothing or by a build, with their addresses. */
export function readingRoutes(buildId: string): { name: string; path: string }[] {
  return Object.entries<RouteSpec>(ROUTES).flatMap(([name, { method, path }]) => {
    const isAsked = paramNames(path).every((param) => param === 'buildId');
    // The stream of news never ends by itself.
    if (method !== 'get' || !isAsked || name === 'live') return [];
    return [{ name, path: path.replace(':buildId', buildId) }];
  });
}

/** What a request asks of the database at most, and the Floor's. */
export async function statements(servers: BenchServers, shop: string): Promise<Line[]> {
  const counted = new Map<string, number>();
  for (const { name, path } of readingRoutes(servers.buildId))
    if (name !== 'health') counted.set(name, (await learn(servers, `count-${name}`, { path })).statements);
  const [most, by] = [...counted].reduce((a, b) => (b[1] > a[1] ? b : a)).toReversed() as [number, string];
  return [
    {
      what: `Statements of a request, the most of ${counted.size} routes (${by}), ${shop}`,
      value: most,
      unit: 'statements',
      goal: { atMost: 20 },
    },
    {
      what: `Statements of the Floor, ${shop}`,
      value: counted.get('floor')!,
      unit: 'statements',
      goal: { atMost: 12 },
    },
  ];
}

/** Requests a second and latency of the application against the bare handler, in turns. */
export async function compare(
  servers: BenchServers,
  name: string,
  { path, bodyOf }: Asked,
  { connections = CONNECTIONS, atLeast = 0.7 } = {},
): Promise<Line[]> {
  const { app, cookie } = servers;
  const id = uuidv7();
  const change = bodyOf && { method: 'POST', body: bodyOf(id), id };
  const { url: bare } = await learn(servers, encodeURIComponent(name), { path, ...change });
  const own = { cookie, connections, bodyOf };
  const other = { ...own, bodyOf: bodyOf && ((next: string) => ({ id: next })) };
  const rounds: { app: Round[]; bare: Round[] } = { app: [], bare: [] };
  await shoot(app + path, { ...own, seconds: WARM_UP_S });
  await shoot(bare, { ...other, seconds: WARM_UP_S });
  for (let i = 0; i < ROUNDS; i += 1) {
    rounds.app.push(await shoot(app + path, { ...own, seconds: ROUND_S }));
    rounds.bare.push(await shoot(bare, { ...other, seconds: ROUND_S }));
  }
  const of = (which: 'app' | 'bare', key: keyof Round): number => median(rounds[which].map((r) => r[key]));
  return [
    { what: `${name}: requests a second`, value: of('app', 'perSecond'), unit: '/s' },
    {
      what: `${name}: requests a second, bare handler with the same SQL`,
      value: of('bare', 'perSecond'),
      unit: '/s',
    },
    {
      what: `${name}: requests a second, against the bare handler`,
      value: of('app', 'perSecond') / of('bare', 'perSecond'),
      unit: 'times',
      goal: { atLeast },
    },
    {
      what: `${name}: 95th percentile of latency, against the bare handler`,
      value: of('app', 'p95') / of('bare', 'p95'),
      unit: 'times',
    },
  ];
}

const SAVES = 60;

/** A letter is kept as it is typed: one save after the other, of words that change. */
async function autosave(servers: BenchServers): Promise<Line> {
  const { app, cookie, buildId } = servers;
  const headers = { cookie, ...JSON_TYPE };
  const ask = async (
    url: string,
    method: string,
    body: object,
  ): Promise<{ ms: number; answer: LetterView }> => {
    const began = performance.now();
    const response = await fetch(url, { method, headers, body: JSON.stringify(body) });
    const answer = (await response.json()) as LetterView;
    if (!response.ok) throw new Error(`${url}: ${JSON.stringify(answer)}`);
    return { ms: performance.now() - began, answer };
  };
  let { answer: letter } = await ask(app + pathOf('letterDraft', { buildId }), 'POST', { id: uuidv7() });
  const path = pathOf('letterSave', { letterId: letter.id });
  const typed = (i: number) => {
    const { version, content } = letter;
    return { version, content: { ...content, greeting: `Dear customer, ${i},` } };
  };
  const { url: bare } = await learn(servers, 'autosave', { path, method: 'PUT', body: typed(-1) });
  const read = await fetch(app + path, { headers });
  letter = (await read.json()) as LetterView;
  const times: { app: number[]; bare: number[] } = { app: [], bare: [] };
  for (let i = 0; i < SAVES; i += 1) {
    const saved = await ask(app + path, 'PUT', typed(i));
    letter = saved.answer;
    times.app.push(saved.ms);
    times.bare.push((await ask(bare, 'POST', {})).ms);
    letter = { ...letter, version: letter.version + 1 };
  }
  return {
    what: 'A letter kept while it is written: against the bare handler',
    value: median(times.bare.slice(SAVES / 4)) / median(times.app.slice(SAVES / 4)),
    unit: 'times',
    goal: { atLeast: 0.7 },
  };
}

const entry = (id: string): object => ({
  id,
  kind: 'did',
  text: 'did the sills, 2h',
  facts: { subject: 'the sills', minutes: 120 },
  audience: 'customer',
});

/** The part is written down under the id of the entry: both are another's table. */
const order = (id: string): object => ({
  id,
  kind: 'ordered',
  text: 'ordered sill clips from Tern & Sons, 12',
  facts: { subject: 'sill clips', vendor: 'Tern & Sons', moneyMinor: 1200 },
  audience: 'customer',
  does: [{ act: 'order', type: 'part', id }],
});

/** Whose link is open: the first car that has one. */
async function customersPage({ app, cookie, buildId }: BenchServers): Promise<string> {
  const build = (await (
    await fetch(app + pathOf('buildRead', { buildId }), { headers: { cookie } })
  ).json()) as { link: { url: string | null } | null };
  if (!build.link?.url) throw new Error('the first car has no link for its customer');
  return new URL(build.link.url).pathname;
}

export async function benchEndpoints(servers: BenchServers): Promise<Line[]> {
  const { buildId } = servers;
  const of = (route: 'entriesList' | 'buildRead' | 'costsRead') => ({ path: pathOf(route, { buildId }) });
  return [
    ...(await compare(servers, 'Floor', { path: pathOf('floor') })),
    ...(await compare(servers, 'Logbook (200 entries)', of('entriesList'))),
    ...(await compare(servers, 'Build', of('buildRead'))),
    ...(await compare(servers, 'Costs of a car', of('costsRead'))),
    ...(await compare(servers, 'The customer’s page', { path: await customersPage(servers) })),
    await autosave(servers),
    ...(await compare(
      servers,
      'A line kept, 32 at once on one car',
      { path: pathOf('entryAdd', { buildId }), bodyOf: entry },
      { connections: 32 },
    )),
    ...(await compare(
      servers,
      'A line that orders a part, one after the other',
      { path: pathOf('entryAdd', { buildId }), bodyOf: order },
      // Its time is at most 1.3 times that of the bare transaction.
      { connections: 1, atLeast: 1 / 1.3 },
    )),
    ...(await statements(servers, 'a shop of 16 builds')),
  ];
}

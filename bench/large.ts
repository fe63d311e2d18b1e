/**
 * A large shop: 60 builds, 3,000 tasks, 100,000 entries, 100,000 parts. The Floor against the bare handler, what every car
 * waits for, a search through all parts, and how soon a move is seen on another screen.
 */
import pg from 'pg';
import { chromium } from '@playwright/test';
import { compare } from './endpoints.ts';
import type { Line } from './line.ts';
import type { BenchServers } from './servers.ts';

const SIZE = { builds: 60, tasks: 3000, entries: 100_000, parts: 100_000 };
const ASKED = 40;
const MOVES = 15;

/** Copies of the demo's rows, by the owner of the tables: what the services would have written in some years. */
const FILL = `
  create temp table shop as select id from shops;
  insert into builds (shop_id, id, number, nickname, customer_id, vehicle_id, standard, promised, arrived_at, standing)
    select b.shop_id, gen_random_uuid(), 'X-' || n, 'car ' || n, b.customer_id, b.vehicle_id, b.standard, b.promised,
      b.arrived_at, b.standing
    from generate_series(1, :builds) n
    join lateral (select * from builds where number like 'B-%' order by number offset n % 16 limit 1) b on true;
  create temp table many as
    select id, shop_id, row_number() over (order by number) as at, count(*) over () as of from builds;
  insert into tasks (shop_id, id, build_id, position, content, state, made_at)
    select m.shop_id, gen_random_uuid(), m.id, 1000 + n, jsonb_build_object(
      'title', 'task ' || n, 'work', 'mechanical', 'minutes', 60, 'cautions', '[]'::jsonb), 'to do', now()
    from generate_series(1, :tasks) n join many m on m.at = n % m.of + 1;
  insert into entries (shop_id, build_id, id, seq, at, recorded_at, kind, text, facts, audience)
    select m.shop_id, m.id, gen_random_uuid(), 10000000 + n, now() - n * interval '1 minute', now(), 'did',
      'did something to part ' || n, jsonb_build_object('subject', 'part ' || n, 'minutes', 60), 'customer'
    from generate_series(1, :entries) n join many m on m.at = n % m.of + 1;
  update shop_counters set last_seq = 10000000 + :entries;
  insert into parts (shop_id, id, build_id, content, state, vendor, made_at, words)
    select m.shop_id, gen_random_uuid(), m.id, jsonb_build_object('what', 'bracket ' || n, 'quantity', 1,
      'number', 'BR-' || n, 'catalogue', 'the catalogue of 1958', 'instead', '', 'source', 'supplier', 'sourceNote', ''),
      'fitted', 'Tern & Sons', now() - n * interval '1 minute', 'bracket ' || n || ' br-' || n || ' the catalogue of 1958 tern & sons'
    from generate_series(1, :parts) n join many m on m.at = n % m.of + 1;
  analyze;`;

async function fillLarge(): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.AVRIK_BENCH_DATABASE! });
  await client.connect();
  const { rows } = await client.query<{ n: number }>('select count(*)::int as n from builds');
  const missing = SIZE.builds - rows[0]!.n;
  const sizes: Record<string, number> = { ...SIZE, builds: missing };
  await client.query(FILL.replace(/:(builds|tasks|entries|parts)\b/g, (_, k: string) => String(sizes[k])));
  await client.end();
}

const median = (values: number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Milliseconds of one request after another, as a person asks; the slower half of the first ones is warm-up. */
async function askedMs({ app, cookie }: BenchServers, paths: readonly string[]): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < ASKED; i += 1) {
    const began = performance.now();
    const response = await fetch(`${app}${paths[i % paths.length]!}`, { headers: { cookie } });
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`${paths[i % paths.length]}: ${response.status}`);
    times.push(performance.now() - began);
  }
  return median(times.slice(ASKED / 4));
}

/** Milliseconds from the request that moves a car until it stands there on the plan of somebody else’s screen. */
async function movesMs({ app, cookie, buildId }: BenchServers): Promise<number> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', chromiumSandbox: false });
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const [name, value] = cookie.split('=') as [string, string];
    await context.addCookies([{ name, value, url: app }]);
    const page = await context.newPage();
    await page.goto(`${app}/plan`);
    const car = (place: string) =>
      page
        .getByRole('region', { name: place, exact: true })
        .getByRole('button', { name: 'The ice-cream van' });
    await car('Bay 2').waitFor();
    await page.waitForTimeout(1500); // the stream of news stands
    const times: number[] = [];
    for (let i = 0; i < MOVES; i += 1) {
      const place = i % 2 === 0 ? 'Yard' : 'Bay 2';
      const body = {
        id: crypto.randomUUID().replace(/^(.{14})./, '$17'),
        kind: 'moved',
        text: `moved to ${place}`,
        facts: { place },
        audience: 'shop',
      };
      const began = performance.now();
      const headers = { cookie, 'content-type': 'application/json' };
      const sent = fetch(`${app}/api/builds/${buildId}/entries`, {
        method: 'POST',
        headers,
        body: JSON.stringify(body),
      });
      await car(place).waitFor();
      times.push(performance.now() - began);
      const { status } = await sent;
      if (status !== 200) throw new Error(`the move was refused: ${status}`);
      await page.waitForTimeout(300);
    }
    return median(times);
  } finally {
    await browser.close();
  }
}

export async function benchLarge(servers: BenchServers): Promise<Line[]> {
  await fillLarge();
  const { app, bare, cookie } = servers;
  const words = ['bracket 4711', 'br-99', 'no such part', 'tern', 'bracket 99999'];
  const searches = words.map((w) => `/api/parts?q=${encodeURIComponent(w)}`);
  return [
    ...(await compare('Floor, large shop', `${app}/api/floor`, `${bare}/floor`, cookie)),
    {
      what: 'What every car waits for, large shop: one answer',
      value: await askedMs(servers, ['/api/waits']),
      unit: 'ms',
      goal: { atMost: 300 },
    },
    {
      what: 'A search through 100,000 parts: one answer',
      value: await askedMs(servers, searches),
      unit: 'ms',
      goal: { atMost: 100 },
    },
    {
      what: 'A car moved: seen on another screen after',
      value: await movesMs(servers),
      unit: 'ms',
      goal: { atMost: 300 },
    },
  ];
}

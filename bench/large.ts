/**
 * A shop of ten years: 1,000 builds of which 40 are open, 500,000 entries, 60,000 tasks, 100,000 parts. Every route that reads
 * against the same shop with the same open builds and one month of data, asked in turns; the Floor against the bare handler; a
 * search through all parts, and how soon a move is seen on another screen.
 */
import type pg from 'pg';
import { chromium } from '@playwright/test';
import { pathOf } from '../src/contract/routes.ts';
import { fillMonth, fillTenYears } from '../tests/support/tenYears.ts';
import { compare, readingRoutes, statements } from './endpoints.ts';
import type { Line } from './line.ts';
import { onDatabase, type BenchServers } from './servers.ts';

const ASKED = 40;
const MOVES = 15;
/** Of each route, in each shop. */
const ROUNDS = 12;
/** What differs by less is the noise of the machine. */
const NOISE_MS = 5;

/** A shop that grew over years was tidied by PostgreSQL on the way; one that was filled in a minute is while it is measured. */
const tidied =
  (...fills: readonly ((client: pg.Client) => Promise<void>)[]) =>
  async (client: pg.Client): Promise<void> => {
    for (const fill of fills) await fill(client);
    await client.query('vacuum (analyze)');
  };

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

/** Milliseconds until an answer is here whole. */
async function answerMs(url: string, cookie: string): Promise<number> {
  const began = performance.now();
  const response = await fetch(url, { headers: { cookie } });
  await response.arrayBuffer();
  if (response.status >= 500) throw new Error(`${url}: ${response.status}`);
  return performance.now() - began;
}

interface RouteTimes {
  name: string;
  monthMs: number;
  yearsMs: number;
  /** Drawn as paper, page by page. */
  isPaper: boolean;
}

/** Every route that reads and is asked by a build or by nothing, in turns in both shops. */
async function routeTimes(servers: BenchServers): Promise<RouteTimes[]> {
  return servers.beside(tidied(fillMonth), async (month, monthCookie) => {
    const times: RouteTimes[] = [];
    for (const { name, path: at } of readingRoutes(servers.buildId)) {
      const [inMonth, inYears]: [number[], number[]] = [[], []];
      for (let round = 0; round < ROUNDS; round += 1) {
        inMonth.push(await answerMs(`${month}${at}`, monthCookie));
        inYears.push(await answerMs(`${servers.app}${at}`, servers.cookie));
      }
      const [monthMs, yearsMs] = [median(inMonth.slice(2)), median(inYears.slice(2))];
      times.push({ name, monthMs, yearsMs, isPaper: name.endsWith('Pdf') });
    }
    return times;
  });
}

const most = (of: readonly RouteTimes[], by: (t: RouteTimes) => number): RouteTimes =>
  of.reduce((a, b) => (by(b) > by(a) ? b : a));

async function yearsAgainstMonth(servers: BenchServers): Promise<Line[]> {
  const times = await routeTimes(servers);
  const growth = ({ monthMs, yearsMs }: RouteTimes): number =>
    yearsMs - monthMs < NOISE_MS ? 1 : yearsMs / monthMs;
  const [grown, slow] = [
    most(times, growth),
    most(
      times.filter((t) => !t.isPaper),
      (t) => t.yearsMs,
    ),
  ];
  return [
    {
      what: `Ten years against a month, ${times.length} routes: the one that grew most (${grown.name})`,
      value: growth(grown),
      unit: 'of a month',
      goal: { atMost: 1.5 },
    },
    {
      what: `Ten years: the slowest route (${slow.name})`,
      value: slow.yearsMs,
      unit: 'ms',
      goal: { atMost: 300 },
    },
  ];
}

export async function benchLarge(servers: BenchServers): Promise<Line[]> {
  await onDatabase(process.env.AVRIK_BENCH_DATABASE!, tidied(fillMonth, fillTenYears));
  const words = ['bracket 4711', 'br-99', 'no such part', 'tern', 'bracket 99999'];
  const searches = words.map((w) => `/api/parts?q=${encodeURIComponent(w)}`);
  return [
    ...(await yearsAgainstMonth(servers)),
    ...(await compare(servers, 'Floor, shop of ten years', { path: pathOf('floor') })),
    ...(await statements(servers, 'a shop of ten years, 56 builds open')),
    {
      what: 'What every car waits for, shop of ten years: one answer',
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

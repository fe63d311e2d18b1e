/**
 * What open screens cost: entries are logged one after the other, without a screen and with some that show the Floor, each in a
 * browser of its own. Of the processor, what the server and the database use more with them; and how often a screen reads.
 */
import { chromium, type Browser } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { pathOf } from '../src/contract/routes.ts';
import type { Line } from './line.ts';
import { usedSeconds } from './processor.ts';
import type { BenchServers } from './servers.ts';

const SCREENS = 3;
const ENTRIES = 300;
const EVERY_MS = 50;

async function log({ app, cookie, buildId }: BenchServers): Promise<void> {
  const body = { id: uuidv7(), kind: 'note', text: 'a note on the day', facts: {}, audience: 'shop' };
  const answer = await fetch(app + pathOf('entryAdd', { buildId }), {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`a line was refused: ${await answer.text()}`);
  await answer.arrayBuffer();
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Seconds of processor for all entries, and how long they took. */
async function logAll(servers: BenchServers): Promise<{ used: number; seconds: number }> {
  const [before, began] = [usedSeconds(servers.appPid), performance.now()];
  for (let i = 0; i < ENTRIES; i += 1) {
    const next = began + (i + 1) * EVERY_MS;
    await log(servers);
    await pause(Math.max(0, next - performance.now()));
  }
  return { used: usedSeconds(servers.appPid) - before, seconds: (performance.now() - began) / 1000 };
}

/** A screen on the Floor; answers how often it has asked for the Floor. */
async function openScreen(browser: Browser, { app, cookie }: BenchServers): Promise<() => number> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const [name, value] = cookie.split('=') as [string, string];
  await context.addCookies([{ name, value, url: app }]);
  const page = await context.newPage();
  let reads = 0;
  page.on('request', (r) => (reads += new URL(r.url()).pathname === pathOf('floor') ? 1 : 0));
  await page.goto(app);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await pause(1500); // the stream of news stands
  return () => reads;
}

export async function benchScreens(servers: BenchServers): Promise<Line[]> {
  await logAll(servers);
  const alone = await logAll(servers);
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', chromiumSandbox: false });
  try {
    const screens: (() => number)[] = [];
    for (let i = 0; i < SCREENS; i += 1) screens.push(await openScreen(browser, servers));
    const before = screens.map((reads) => reads());
    const watched = await logAll(servers);
    const reads = screens.map((of, i) => of() - before[i]!);
    return [
      {
        what: `An entry, 20 a second: processor of server and database, no screen open`,
        value: (alone.used / ENTRIES) * 1000,
        unit: 'ms',
      },
      {
        what: `The same for each of ${SCREENS} screens on the Floor: more of it`,
        value: ((watched.used - alone.used) / ENTRIES / SCREENS) * 1000,
        unit: 'ms',
        goal: { atMost: 5 },
      },
      {
        what: `Meanwhile the Floor read by the screen that read it most`,
        value: Math.max(...reads) / watched.seconds,
        unit: 'a second',
        goal: { atMost: 1.5 },
      },
    ];
  } finally {
    await browser.close();
  }
}

/** The calculators of the bench: how long each takes, and how soon a keystroke shows what comes of it. */
import { chromium } from '@playwright/test';
import { CALCULATORS } from '../src/core/bench/registry/index.ts';
import { frameSymmetry, tapSurvey } from '../src/core/bench/index.ts';
import type { Line } from './line.ts';
import type { BenchServers } from './servers.ts';

const TAPS = 400;
const PAIRS = 200;
const RUNS = 400;
const KEYS = 30;
const FRAME_MS = 1000 / 60;

const median = (values: number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

function millisecondsOf(work: () => unknown): number {
  const runs: number[] = [];
  for (let i = 0; i < RUNS; i += 1) {
    const began = performance.now();
    work();
    runs.push(performance.now() - began);
  }
  return median(runs.slice(RUNS / 4));
}

const taps = {
  kind: 'cumulative' as const,
  readings_V: Array.from({ length: TAPS }, (_, i) => 3.7 * (i + 1) + (i % 7) * 0.001),
};
const points = Array.from({ length: PAIRS }, (_, i) => {
  const [x_mm, y, z_mm] = [i * 25, 400 + (i % 9) * 12, 100 + (i % 5) * 20];
  return {
    name: `P${i}`,
    left: { x_mm, y_mm: y + (i % 3), z_mm },
    right: { x_mm, y_mm: -y, z_mm },
    datum_mm: z_mm,
  };
});

/** From an input event to the result standing in the page, in the page itself. */
const KEY_TO_RESULT = `async () => {
  const field = document.querySelector('[data-path="readings_V[200]"]');
  const result = document.querySelector('section[aria-label="Result"]');
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
  const times = [];
  for (let i = 0; i < ${KEYS}; i += 1) {
    await new Promise((r) => setTimeout(r, 60));
    const before = result.textContent;
    const began = performance.now();
    set.call(field, (3 + i / 100).toFixed(2));
    field.dispatchEvent(new Event('input', { bubbles: true }));
    while (result.textContent === before && performance.now() - began < 1000) await new Promise((r) => setTimeout(r, 0));
    times.push(performance.now() - began);
  }
  return times.slice(5);
}`;

async function keyToResultMs({ app, cookie }: BenchServers): Promise<number> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const [name, value] = cookie.split('=') as [string, string];
    await context.addCookies([{ name, value: value!, url: app }]);
    const form = { kind: 'cells', 'readings_V#': String(TAPS), packReading_V: '1480' };
    const cells = Object.fromEntries(Array.from({ length: TAPS }, (_, i) => [`readings_V[${i}]`, '3.700']));
    await context.addInitScript(
      `localStorage.setItem('avrik.bench.tapSurvey.', ${JSON.stringify(JSON.stringify({ ...form, ...cells }))})`,
    );
    const page = await context.newPage();
    await page.goto(`${app}/bench/tapSurvey`);
    await page.locator('[data-path="readings_V[200]"]').waitFor();
    await page.getByRole('region', { name: 'Result' }).getByRole('status').waitFor();
    return median(await page.evaluate(`(${KEY_TO_RESULT})()`));
  } finally {
    await browser.close();
  }
}

export async function benchCalculators(servers: BenchServers): Promise<Line[]> {
  const each = CALCULATORS.map((c) => ({ name: c.name, ms: millisecondsOf(() => c.work(c.example)) }));
  const slowest = each.reduce((a, b) => (b.ms > a.ms ? b : a));
  return [
    {
      what: `the slowest of ${each.length} calculators (${slowest.name})`,
      value: slowest.ms,
      unit: 'ms',
      goal: { atMost: 1 },
    },
    {
      what: `tap survey of ${TAPS} cells`,
      value: millisecondsOf(() => tapSurvey(taps)),
      unit: 'ms',
      goal: { atMost: 5 },
    },
    {
      what: `frame fit of ${PAIRS} pairs`,
      value: millisecondsOf(() => frameSymmetry({ points })),
      unit: 'ms',
      goal: { atMost: 5 },
    },
    {
      what: `from a key to its result, ${TAPS} taps on the screen`,
      value: await keyToResultMs(servers),
      unit: 'ms',
      goal: { atMost: FRAME_MS },
    },
  ];
}

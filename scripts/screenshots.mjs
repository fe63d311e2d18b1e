#!/usr/bin/env node
/** `npm run screenshots`: the main views, from the demo shop on a throw-away database, into docs/screenshots. */
import { spawn } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ensureDatabase } from './lib/database.mjs';
import { ensureChromium, ensureNpmPackages, ensurePostgres, ROOT } from './lib/packages.mjs';
import { startCluster, throwAwayFolder } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';

const PORT = 4187;
const AT = `http://localhost:${PORT}`;
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const LINE = 'found tailgate post rotten left side, let in new metal, 60 and four hours, must';

const openCar = async (page, name) => {
  await page.goto(AT);
  const cars = page.getByRole('region', { name: /^(?:Needs a person now|Going on)$/ });
  await cars.getByRole('link', { name, exact: true }).click();
  await page
    .getByRole('list', { name: /Entries/ })
    .getByRole('listitem')
    .first()
    .waitFor();
};
const write = async (page, text) => {
  await page.locator('#log-line').fill(text);
  await page.getByRole('button', { name: /^kind/ }).waitFor();
};
const draft = async (page, name) => {
  await openCar(page, name);
  await page.getByRole('button', { name: /Draft update|Go on with/ }).click();
  await page.getByRole('button', { name: /^Send to/ }).waitFor();
};

/** Name of the file, size, colours, and how to get there. */
const VIEWS = [
  ['floor', DESK, 'light', () => {}],
  ['floor-phone', PHONE, 'light', () => {}],
  ['log-line', DESK, 'light', (page) => write(page, `ice-cream van: ${LINE}`)],
  ['build', DESK, 'light', (page) => openCar(page, 'rally car')],
  [
    'walk-phone',
    PHONE,
    'light',
    async (page) => {
      await page.goto(`${AT}/walk`);
      await page.getByRole('button', { name: 'Next car' }).click();
      await page.getByLabel(/^What is going on with/).fill('trial fitted the seat, two hours');
      await page.getByRole('button', { name: 'Log this line' }).waitFor();
    },
  ],
  [
    'letter',
    DESK,
    'light',
    async (page) => {
      await page.goto(`${AT}/round`);
      await page.getByRole('region', { name: 'It does not mention' }).waitFor();
    },
  ],
  [
    'looking-over',
    DESK,
    'light',
    async (page) => {
      await openCar(page, 'microcar');
      await page.getByRole('link', { name: 'Look it over' }).click();
      await page.getByRole('group', { name: /^Fluid/ }).waitFor();
      await page.getByRole('group', { name: /^Fluid/ }).scrollIntoViewIfNeeded();
      await page
        .getByRole('group', { name: /^Flexible hoses/ })
        .getByRole('button', { name: 'Finding' })
        .click();
      await page.keyboard.type('cracked at the union, 40 and two hours, safety');
    },
  ],
  [
    'estimate',
    DESK,
    'light',
    async (page) => {
      await openCar(page, 'ice-cream van');
      await page.getByRole('link', { name: 'Estimate' }).click();
      await page.getByRole('heading', { name: 'What could wait' }).waitFor();
    },
  ],
  [
    'customer-estimate',
    PHONE,
    'light',
    async (page) => {
      await openCar(page, 'rally car');
      await page.goto(
        `${await page.getByRole('link', { name: 'Their page' }).getAttribute('href')}/estimate`,
      );
    },
  ],
  [
    'photos',
    DESK,
    'light',
    async (page) => {
      await openCar(page, 'ice-cream van');
      await page.getByRole('link', { name: 'Photos', exact: true }).click();
      await page
        .getByRole('button', { name: /^Open: / })
        .first()
        .waitFor();
    },
  ],
  [
    'vehicle',
    DESK,
    'light',
    async (page) => {
      await openCar(page, 'ice-cream van');
      await page.getByRole('link', { name: 'Vehicle', exact: true }).click();
      await page.getByText('Not the car’s own.').waitFor();
    },
  ],
  [
    'work',
    DESK,
    'light',
    async (page) => {
      await openCar(page, 'ice-cream van');
      await page.getByRole('link', { name: 'Work', exact: true }).click();
      await page.getByRole('heading', { name: 'Can be done now' }).waitFor();
    },
  ],
  [
    'costs',
    DESK,
    'light',
    async (page) => {
      await openCar(page, 'ice-cream van');
      await page.getByRole('link', { name: 'Costs', exact: true }).click();
      await page.getByRole('heading', { name: 'By line' }).waitFor();
    },
  ],
  [
    'plan',
    DESK,
    'dark',
    async (page) => {
      await page.goto(`${AT}/plan`);
      await page.getByRole('button', { name: 'The camper' }).waitFor();
    },
  ],
  [
    'parts',
    DESK,
    'light',
    async (page) => {
      await page.goto(`${AT}/parts`);
      await page.getByRole('heading', { name: 'To find' }).waitFor();
    },
  ],
  [
    'outwork',
    DESK,
    'light',
    async (page) => {
      await page.goto(`${AT}/outwork`);
      await page.getByRole('region', { name: 'A piece is missing' }).waitFor();
    },
  ],
  [
    'jobs',
    DESK,
    'light',
    async (page) => {
      await openCar(page, 'rally car');
      await page.getByRole('link', { name: 'Jobs' }).click();
      await page.getByText(/2 findings, 1 line/).click();
    },
  ],
  [
    'bench',
    DESK,
    'light',
    async (page) => {
      await openCar(page, 'charabanc');
      await page.getByRole('link', { name: 'Measure', exact: true }).click();
      await page.getByRole('link', { name: /^Driveline angles/ }).click();
      await page.locator('summary', { hasText: 'As it was' }).first().click();
      await page.getByRole('button', { name: 'Put its readings in the fields' }).click();
      await page.locator('summary', { hasText: 'As it was' }).first().click();
      await page.getByRole('img', { name: /^Driveline/ }).waitFor();
      await page.evaluate(() => window.scrollTo(0, 130));
    },
  ],
  [
    'customer-page',
    PHONE,
    'light',
    async (page) => {
      await openCar(page, 'ice-cream van');
      await page.goto(await page.getByRole('link', { name: 'Their page' }).getAttribute('href'));
    },
  ],
];

async function shoot(folder) {
  const { chromium } = await import('@playwright/test');
  const args = [
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-sync',
  ];
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    chromiumSandbox: false,
    args,
  });
  for (const [name, viewport, colorScheme, go] of VIEWS) {
    const context = await browser.newContext({
      viewport,
      colorScheme,
      locale: 'en-GB',
      timezoneId: 'Europe/London',
    });
    const page = await context.newPage();
    await page.goto(`${AT}/sign-in`);
    await page.getByRole('button', { name: 'Go in as the owner' }).click();
    await page.getByRole('heading', { name: 'Floor', level: 1 }).waitFor();
    await go(page);
    await page.evaluate(() => document.fonts.ready);
    await sleep(500);
    await page.screenshot({ path: path.join(folder, `${name}.png`) });
    say(name);
    await context.close();
  }
  await browser.close();
}

async function main() {
  ensureNpmPackages();
  ensureChromium();
  const bin = ensurePostgres();
  const folder = throwAwayFolder();
  const cluster = await startCluster({ bin, folder });
  ensureDatabase(bin, cluster.url('postgres'), 'avrik_shots');
  const env = {
    ...process.env,
    PORT: String(PORT),
    AVRIK_DATA: path.join(folder, 'data'),
    DATABASE_URL: cluster.url('avrik_shots'),
  };
  const app = spawn(process.execPath, ['scripts/start.mjs'], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  try {
    await new Promise((resolve, reject) => {
      app.stdout.on('data', (c) => String(c).includes('Avrik is open') && resolve());
      app.once('exit', () => reject(new Error('the application did not start')));
    });
    const target = path.join(ROOT, 'docs/screenshots');
    mkdirSync(target, { recursive: true });
    await shoot(target);
  } finally {
    app.removeAllListeners('exit');
    const gone = new Promise((resolve) => app.once('exit', resolve));
    app.kill('SIGINT');
    await gone;
    cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

await run(main);

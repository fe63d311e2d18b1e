/**
 * Behind thick walls: what is logged without a network is kept, survives a reload, and arrives once and in order. Nasty cases:
 * cut before the request, after it and before the answer, a reload meanwhile, a clock that is a day wrong, a car never seen.
 */
import { expect, test, type Page } from '@playwright/test';
import { logLine } from './support.ts';
import { wireTo, type Cut } from './cut.ts';

test.use({ serviceWorkers: 'allow' });

let wire: Cut;
test.beforeEach(async ({ baseURL }) => {
  wire = await wireTo(Number(new URL(baseURL!).port));
});
test.afterEach(() => wire.close());

const tray = (page: Page) => page.getByTestId('log-line').getByRole('status');
const away = (page: Page) => page.getByText('The shop’s server does not answer.');

async function enter(page: Page): Promise<void> {
  await page.goto(`${wire.address}/sign-in`);
  await page.getByRole('button', { name: 'Go in as the owner' }).click();
  await expect(page.getByRole('heading', { name: 'Floor', level: 1 })).toBeVisible();
  // Installed once the page is quiet; then everything that is looked at is kept.
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (!navigator.serviceWorker.controller) await new Promise((r) => setTimeout(r, 100));
  });
}

async function open(page: Page, name: string): Promise<void> {
  await page.goto(`${wire.address}/`);
  await page.getByRole('link', { name, exact: true }).first().click();
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
}

/** What the server has in the logbook of the car that is open, the newest first. */
async function onServer(page: Page, baseURL: string): Promise<{ text: string; at: string }[]> {
  const answer = await page.request.get(`${baseURL}/api/builds/${await carOpen(page, baseURL)}/entries`);
  return ((await answer.json()) as { entries: { text: string; at: string }[] }).entries;
}

const photosOnServer = async (page: Page, baseURL: string): Promise<number> => {
  const answer = await page.request.get(`${baseURL}/api/builds/${await carOpen(page, baseURL)}/photos`);
  return ((await answer.json()) as { photos: unknown[] }).photos.length;
};

/** Signs in past the wire, and answers the id of the car whose page is open. */
async function carOpen(page: Page, baseURL: string): Promise<string> {
  await page.request.post(`${baseURL}/api/session/demo`, { data: { role: 'owner' } });
  return /builds\/([0-9a-f-]{36})/.exec(page.url())![1]!;
}

async function logAway(page: Page, text: string): Promise<void> {
  await logLine(page).fill(text);
  await logLine(page).press('Enter');
  await expect(logLine(page)).toHaveValue('', { timeout: 30_000 });
  await expect(tray(page)).toContainText(text);
}

test('cut, reloaded, heard and not answered: every line arrives once, in the order of writing', async ({
  page,
  baseURL,
}) => {
  await enter(page);
  await open(page, 'microcar');
  const before = await onServer(page, baseURL!);

  wire.set('cut');
  await logAway(page, 'did first wall catch, 1h');
  await logAway(page, 'found second wall crack behind the seat');
  await expect(away(page)).toBeVisible();
  expect(await onServer(page, baseURL!)).toEqual(before);

  // The battery dies; the page comes up again without a server.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/What you see is as it was at/)).toBeVisible();
  await expect(tray(page)).toContainText('2 still to be sent');
  await logAway(page, 'did third wall catch, 2h');

  // The server hears, and its answer is lost on the way back: again and again.
  wire.set('deaf');
  await expect
    .poll(async () => (await onServer(page, baseURL!)).length, { timeout: 60_000 })
    .toBeGreaterThan(before.length);
  await expect(tray(page)).toContainText('3 still to be sent');

  wire.set('whole');
  await expect(page.getByText('still to be sent')).toHaveCount(0, { timeout: 60_000 });
  await expect(away(page)).toHaveCount(0);
  const after = await onServer(page, baseURL!);
  expect(after.filter((e) => e.text.includes('wall')).map((e) => e.text)).toEqual([
    'did third wall catch, 2h',
    'found second wall crack behind the seat',
    'did first wall catch, 1h',
  ]);
});

test('a photograph waits for its line, survives the reload, and goes', async ({ page, baseURL }) => {
  await enter(page);
  await open(page, 'tricycle');
  const before = await photosOnServer(page, baseURL!);
  wire.set('cut');
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await page.getByTestId('log-line').locator('input[type=file]').first().setInputFiles({
    name: 'rim.png',
    mimeType: 'image/png',
    buffer: png,
  });
  await logAway(page, 'found rim cracked at the valve');
  await expect(page.getByText('1 photograph on the way')).toBeVisible();
  await page.reload();
  await expect(page.getByText('1 photograph on the way')).toBeVisible({ timeout: 30_000 });
  wire.set('whole');
  await expect(page.getByText('still to be sent')).toHaveCount(0, { timeout: 60_000 });
  await expect(page.getByText('1 photograph on the way')).toHaveCount(0, { timeout: 90_000 });
  expect(await photosOnServer(page, baseURL!)).toBe(before + 1);
});

test('a clock that is a day wrong: the line is of the hour in which it was written', async ({
  page,
  baseURL,
}) => {
  await page.addInitScript(() => {
    const real = Date.now;
    const hour = 3600_000;
    Date.now = () => real() + 24 * hour + Number(localStorage.getItem('later') ?? 0) * hour;
  });
  await enter(page);
  await open(page, 'milk float');
  wire.set('cut');
  await logAway(page, 'did the clock test bracket, 1h');
  // Three hours pass on that clock, as on every other.
  await page.evaluate(() => localStorage.setItem('later', '3'));
  wire.set('whole');
  await expect(page.getByText('still to be sent')).toHaveCount(0, { timeout: 60_000 });
  const entry = (await onServer(page, baseURL!)).find((e) => e.text.includes('clock test'))!;
  const hoursAgo = (Date.now() - Date.parse(entry.at)) / 3600_000;
  expect(hoursAgo).toBeGreaterThan(2.9);
  expect(hoursAgo).toBeLessThan(3.1);
});

test('the walk goes on without a network, and what was seen is known when there is one', async ({
  page,
  baseURL,
}) => {
  await enter(page);
  await page.goto(`${wire.address}/walk`);
  await expect(page.getByText(/^1 of \d+/)).toBeVisible();
  wire.set('cut');
  const first = await page.getByRole('heading', { level: 1 }).textContent();
  await page.getByRole('button', { name: 'Next car' }).click();
  await expect(page.getByText(/^2 of \d+/)).toBeVisible();
  await page.getByLabel(/^What is going on with/).fill('fitted a walk bracket, one hour');
  await page.getByRole('button', { name: 'Log this line' }).click();
  await expect(tray(page)).toContainText('walk bracket', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Next car' }).click();
  await expect(page.getByText(/^3 of \d+/)).toBeVisible();
  wire.set('whole');
  await expect(page.getByText('still to be sent')).toHaveCount(0, { timeout: 60_000 });
  await page.request.post(`${baseURL}/api/session/demo`, { data: { role: 'owner' } });
  const walk = async () =>
    (await (await page.request.get(`${baseURL}/api/walk`)).json()) as {
      beganAt: string | null;
      cars: { nickname: string; seenAt: string | null; since: { text: string }[] }[];
    };
  await expect.poll(async () => (await walk()).cars.filter((c) => c.seenAt !== null).length).toBe(2);
  const { cars, beganAt } = await walk();
  expect(beganAt).not.toBeNull();
  expect(cars[0]!.nickname.toLowerCase()).toBe(first!.toLowerCase());
  expect(cars[1]!.since[0]!.text).toContain('walk bracket');
  await page.reload();
  await expect(page.getByText(/^3 of \d+/)).toBeVisible();
});

test('signed out, nothing that was seen is shown to the next', async ({ page }) => {
  await enter(page);
  await open(page, 'microcar');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'The demo shop' })).toBeVisible();
  wire.set('cut');
  await page.goto(`${wire.address}/`, { waitUntil: 'commit' });
  await page.waitForTimeout(6000);
  await expect(page.getByText('microcar')).toHaveCount(0);
});

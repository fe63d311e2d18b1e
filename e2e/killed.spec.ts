/**
 * The server is killed in the middle: while an answer is on its way, and while a photograph is half there. Whatever was logged
 * before, meanwhile and after is there once, in the order of writing, when it has come up again.
 */
import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';
import { wireTo } from './cut.ts';
import { ownDatabase, start } from './started.ts';
import { logLine } from './support.ts';

test.use({ serviceWorkers: 'allow' });

const PORT = 4195;
const AT = `http://localhost:${PORT}`;
const tray = (page: Page) => page.getByTestId('log-line').getByRole('status');

async function write(page: Page, text: string): Promise<void> {
  await logLine(page).fill(text);
  await logLine(page).press('Enter');
  await expect(logLine(page)).toHaveValue('', { timeout: 30_000 });
  await expect(tray(page)).toContainText(text);
}

/** A photograph that takes its time: noise does not become small. */
async function heavy(): Promise<Buffer> {
  const [width, height] = [2600, 2000];
  const noise = Buffer.alloc(width * height * 3);
  for (let i = 0; i < noise.length; i += 1) noise[i] = (i * 2654435761) >>> 24;
  return sharp(noise, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 100 })
    .toBuffer();
}

test('killed with an answer on its way and a photograph half there', async ({ page }) => {
  const env = await ownDatabase('killed', PORT, 'nothing');
  let server = await start(['--no-demo'], env);
  const wire = await wireTo(PORT);
  try {
    await page.goto(AT);
    await page.getByRole('textbox', { name: 'Name of the shop' }).fill('Quay Works');
    await page.getByRole('textbox', { name: 'Your name' }).fill('Lena Auer');
    await page.getByRole('textbox', { name: 'Email' }).fill('lena@quay.example');
    await page.getByRole('textbox', { name: 'Password' }).fill('a long enough one');
    await page.getByRole('button', { name: 'Open the shop' }).click();
    await page.getByRole('link', { name: 'New build' }).click();
    await page.getByRole('textbox', { name: 'Vehicle' }).fill('Old tug');
    await page.getByRole('textbox', { name: 'What you call it' }).fill('tug');
    await page.getByRole('textbox', { name: 'Customer' }).fill('Port Office');
    await page.getByRole('textbox', { name: 'Their email' }).fill('port@quay.example');
    await page.getByRole('button', { name: 'Begin the build' }).click();
    await expect(page.getByText('B-0001')).toBeVisible();
    const id = /builds\/([0-9a-f-]{36})/.exec(page.url())![1]!;
    const entries = async (): Promise<string[]> =>
      (
        (await (await page.request.get(`${AT}/api/builds/${id}/entries`)).json()) as {
          entries: { text: string }[];
        }
      ).entries
        .map((e) => e.text)
        .filter((t) => t.includes('bolt'));

    // By the wire from here on: the session is the same, since a cookie knows no port.
    await page.goto(`${wire.address}/builds/${id}`);
    await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
      while (!navigator.serviceWorker.controller) await new Promise((r) => setTimeout(r, 100));
    });
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();

    // The server has done it, nobody has heard so, and it is killed.
    wire.set('deaf');
    await write(page, 'did first bolt, 1h');
    await expect.poll(entries, { timeout: 60_000 }).toEqual(['did first bolt, 1h']);
    await server.kill();
    await write(page, 'did second bolt, 1h');
    await page.reload();
    await expect(tray(page)).toContainText('2 still to be sent', { timeout: 30_000 });
    server = await start(['--no-demo'], env);
    wire.set('whole');
    await expect(page.getByText('still to be sent')).toHaveCount(0, { timeout: 60_000 });
    expect(await entries()).toEqual(['did second bolt, 1h', 'did first bolt, 1h']);

    // The photograph is half there, and it is killed again.
    wire.set('slow');
    await page
      .getByTestId('log-line')
      .locator('input[type=file]')
      .first()
      .setInputFiles({ name: 'bolt.jpg', mimeType: 'image/jpeg', buffer: await heavy() });
    await write(page, 'found third bolt sheared');
    const incoming = path.join(env.AVRIK_DATA!, 'photos/incoming');
    const half = (): string[] => (existsSync(incoming) ? readdirSync(incoming) : []);
    await expect.poll(() => half().length, { timeout: 60_000 }).toBe(1);
    await server.kill();
    expect(half()).toHaveLength(1);
    await page.reload();
    await expect(page.getByText('1 photograph on the way')).toBeVisible({ timeout: 30_000 });
    server = await start(['--no-demo'], env);
    wire.set('whole');
    await expect(page.getByText('1 photograph on the way')).toHaveCount(0, { timeout: 120_000 });
    const { photos } = (await (await page.request.get(`${AT}/api/builds/${id}/photos`)).json()) as {
      photos: { entryText: string }[];
    };
    expect(photos.map((p) => p.entryText)).toEqual(['found third bolt sheared']);
    expect(await entries()).toHaveLength(3);
  } finally {
    await wire.close();
    await server.stop();
  }
});

/** The server is killed while the mail server has a letter and has not said so: the letter goes once, and the owner decides. */
import { expect, test } from '@playwright/test';
import { MailServerOfFewWords } from '../tests/support/mailServer.ts';
import { ownDatabase, start } from './started.ts';
import { openCar, signIn } from './support.ts';

const PORT = 4194;
test.use({ baseURL: `http://localhost:${PORT}` });

test('killed in the middle of handing a letter over: perhaps sent, not again by itself', async ({ page }) => {
  const mail = new MailServerOfFewWords();
  // The letters that the demo shop has just been filled with go through.
  let letterId = 'none yet';
  const isOurs = (content: string): boolean => content.includes(`<letter-${letterId}@`);
  const ours = (): number => mail.taken.filter(isOurs).length;
  mail.says = (content) => (isOurs(content) ? 'later' : 'taken');
  const port = await mail.open();
  const env = await ownDatabase('killedmail', PORT, 'demo');
  let server = await start([], env);
  try {
    await signIn(page);
    await page.goto('/shop/mail');
    await page.getByLabel('Server', { exact: true }).fill('localhost');
    await page.getByLabel('Port').fill(String(port));
    await page.getByLabel('Encryption').selectOption('none');
    await page.getByLabel('From address').fill('letters@saltmarsh.example');
    await page.getByRole('button', { name: 'Use this server' }).click();
    await expect(page.getByText(/^Letters go out through localhost/)).toBeVisible();

    await openCar(page, 'tricycle');
    await page.getByRole('button', { name: /Draft update|Go on with the draft/ }).click();
    await page.waitForURL(/letters/);
    letterId = page.url().split('/').at(-1)!;
    await page.getByRole('button', { name: /^Send to / }).click();
    await page.getByRole('button', { name: 'Send it' }).click();
    await expect(page.getByText(/^Sent .* to /)).toBeVisible();
    await expect.poll(ours).toBe(1);
    await server.kill();

    mail.says = 'taken';
    server = await start([], env);
    await page.reload();
    await expect(page.getByText(/Nobody knows whether the mail arrived/)).toBeVisible();
    await page.getByRole('link', { name: 'Mail server' }).first().click();
    await expect(page.getByText(/It may have arrived, or not/)).toBeVisible();
    expect(ours()).toBe(1);
    await page.getByRole('button', { name: /^Send it again/ }).click();
    await expect.poll(ours).toBe(2);
  } finally {
    await server.stop();
    await mail.close();
  }
});

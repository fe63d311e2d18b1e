/** Mail both ways: what a customer answers by mail is a question on the Floor; a mail that comes back is seen; the mail server is set and tried. */
import { expect, test } from '@playwright/test';
import { expectAccessible, openCar, signIn } from './support.ts';

test('answered by mail, asked on the Floor; brought back, the letter says so', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'tricycle');
  // Somebody else is told too, on a page of their own.
  await page.getByRole('button', { name: 'Tell somebody else too' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Vera Vane');
  await page.getByRole('dialog').getByLabel('Email').fill('vera@vane.example');
  await page.getByRole('button', { name: 'Tell them' }).click();
  await expect(page.getByRole('list', { name: 'Told too' })).toContainText('Vera Vane');
  await page.getByRole('button', { name: /Draft update|Go on with the draft/ }).click();
  const send = page.getByRole('button', { name: /^Send to / });
  await expect(send).toBeEnabled();
  await send.click();
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByText(/^Sent .* to /)).toBeVisible();
  const letter = page.url();
  await expect(page.getByText('The mail server has taken it.')).toBeVisible();

  await page.goto('/outbox');
  await expect(page.locator('summary').filter({ hasText: 'Vera Vane' })).toHaveCount(1);
  const mail = page
    .locator('details')
    .filter({ hasText: /to "?Osric Vane/ })
    .first();
  if ((await mail.getAttribute('open')) === null) await mail.locator('summary').click();
  await mail.getByLabel('Answer by mail').fill('Which day may I see it?');
  await expectAccessible(page);
  await mail.getByRole('button', { name: 'Answer as they would' }).click();
  await expect(mail.getByText('Answered. The Floor has it.')).toBeVisible();
  await openCar(page, 'tricycle');
  await expect(page.getByText('Which day may I see it?').first()).toBeVisible();
  await page.getByRole('button', { name: 'Tell Vera Vane no longer' }).click();
  await expect(page.getByRole('list', { name: 'Told too' })).toHaveCount(0);

  await page.goto('/outbox');
  if ((await mail.getAttribute('open')) === null) await mail.locator('summary').click();
  await mail.getByRole('button', { name: 'Let it come back' }).click();
  await expect(mail.getByText(/^Brought back/)).toBeVisible();
  await page.goto(letter);
  await expect(page.getByText('The mail came back.')).toBeVisible();
});

test('a mail server is set and tried, and says in its own words what is wrong; the stand-in takes over again', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/shop');
  await page.getByRole('link', { name: 'Mail server' }).click();
  await page.getByRole('button', { name: 'Send a test to me' }).click();
  await expect(page.getByText(/^The mail server has taken a mail to wren@/)).toBeVisible();
  await page.getByLabel('Server', { exact: true }).fill('mail.example.org');
  await page.getByLabel('From address').fill('letters@saltmarsh.example');
  await page.getByRole('button', { name: 'Use this server' }).click();
  await expect(
    page.getByText('the demo shop sends nothing out of this machine: localhost only'),
  ).toBeVisible();
  await page.getByLabel('Server', { exact: true }).fill('localhost');
  await page.getByLabel('Port').fill('1');
  await page.getByLabel('Encryption').selectOption('none');
  await page.getByRole('button', { name: 'Use this server' }).click();
  await expect(page.getByText(/^Letters go out through localhost/)).toBeVisible();
  await page.getByRole('button', { name: 'Send a test to me' }).click();
  await expect(page.getByRole('alert')).toContainText('ECONNREFUSED');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Stop using it' }).click();
  await expect(page.getByText(/^Mail goes to the stand-in/)).toBeVisible();
});

/** Money: what is on no line finds its line, an invoice is matched to its orders, money on account holds a car, rates by day. */
import { expect, test, type Page } from '@playwright/test';
import { expectNoSideScroll, logLine, openCar, signIn } from './support.ts';

const figure = (page: Page, region: string, name: string) =>
  page
    .getByRole('region', { name: region })
    .locator('dt', { hasText: name })
    .locator('xpath=following-sibling::dd[1]');

test('a thing bought on no line becomes a change with one choice, and is on the costs at once', async ({
  page,
}) => {
  await signIn(page);
  await openCar(page, 'ice-cream van');
  await logLine(page).fill('spent 41.20 on bonnet catches');
  await logLine(page).press('Enter');
  await expect(page.getByText('spent 41.20 on bonnet catches').first()).toBeVisible();
  await page.getByRole('link', { name: 'Costs', exact: true }).click();
  await expect(page.getByRole('img', { name: /^Over time: £[\d,.]+ spent/ })).toBeVisible();
  await page.getByRole('link', { name: 'Say where it belongs' }).click();
  const loose = page.getByLabel('spent 41.20 on bonnet catches');
  await expect(loose.getByRole('option').first()).toHaveText('£41.20: to …');
  await loose.selectOption('change');
  await expect(loose).toHaveCount(0);
  await page.getByRole('link', { name: 'Costs', exact: true }).click();
  const row = page.getByRole('row', { name: /^bonnet catches not agreed/ });
  // £41.20 with 20 % tax.
  await expect(row.getByRole('cell').nth(1)).toHaveText('£49.44');
  await page.getByText('As figures').click();
  await expect(page.getByText(/three times in five between £/).first()).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expectNoSideScroll(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('link', { name: 'Estimate', exact: true }).click();
  await expect(page.getByText('bonnet catches').first()).toBeVisible();
});

test('a part is put on its line in its own dialog, and stands on the costs of that line', async ({
  page,
}) => {
  await signIn(page);
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'Costs', exact: true }).click();
  const brakes = page.getByRole('row', { name: /^Brake pipes all round/ });
  // The shop's cost stands last.
  const cost = async () =>
    Number((await brakes.getByRole('cell').last().textContent())!.replace(/[^\d.]/g, ''));
  const before = await cost();
  await page.getByRole('link', { name: 'Parts on no line' }).click();
  await page.getByRole('button', { name: 'Change: dynamo, exchange' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('On which line of the estimate').selectOption({ label: 'Brake pipes all round' });
  await dialog.getByRole('button', { name: 'Keep the change' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText(/on “Brake pipes all round”/)).toBeVisible();
  await page.getByRole('link', { name: 'To its logbook' }).click();
  await page.getByRole('link', { name: 'Costs', exact: true }).click();
  await expect(brakes).toBeVisible();
  // £62 and its deposit of £20, as invoiced.
  await expect.poll(cost).toBeCloseTo(before + 82, 2);
});

test('an invoice: what was ordered is a press away, what is dearer and what was not ordered is said', async ({
  page,
}) => {
  await signIn(page, 'office');
  await page.getByRole('link', { name: 'Parts of all cars' }).click();
  await page.getByRole('link', { name: 'Invoices' }).click();
  await page.getByRole('button', { name: 'Its invoice is here: Oldgate Machine Works' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('3 synchromesh rings')).toBeVisible();
  await dialog.getByLabel('Its number').fill('OM 4471');
  await dialog.getByLabel(/^What it asks for/).fill('112.50');
  await dialog.getByLabel(/^Asked for 3 synchromesh rings/).fill('101');
  await expect(dialog.getByRole('status')).toHaveText('Rows: £101.00; £11.50 is not explained yet.');
  await dialog.getByRole('button', { name: 'Something else' }).click();
  await dialog.getByLabel('What row 2 is').fill('carriage');
  await dialog.getByLabel(/^Asked for carriage/).fill('11.50');
  await expect(dialog.getByRole('status')).toHaveText('Rows: £112.50, which is what it asks for.');
  await dialog.getByRole('button', { name: 'Keep the invoice' }).click();
  await expect(dialog).toHaveCount(0);
  const kept = page
    .getByRole('region', { name: 'Taken down' })
    .getByRole('listitem')
    .filter({ hasText: 'OM 4471' });
  await expect(kept).toContainText('3 synchromesh rings: £5.00 dearer than ordered');
  await expect(kept).toContainText('carriage: not ordered, £11.50');
  await page.getByRole('button', { name: 'Its invoice is here: Oldgate Machine Works' }).click();
  await dialog.getByRole('button', { name: 'O-007, machine' }).click();
  await dialog.getByLabel('Its number').fill('om 4471');
  await dialog.getByLabel(/^What it asks for/).fill('145');
  await dialog.getByRole('button', { name: 'Keep the invoice' }).click();
  await expect(dialog.getByText('Oldgate Machine Works’s om 4471 is taken down already')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.setViewportSize({ width: 390, height: 844 });
  await expectNoSideScroll(page);
});

test('money on account: asked, it is what the car waits for; in, the car goes on', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'drophead');
  await page.getByRole('link', { name: 'Costs', exact: true }).click();
  await page.getByRole('button', { name: 'Ask for money' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What for').fill('before the hood');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByText('an amount, as in 46.50')).toBeVisible();
  await dialog.getByLabel(/^How much/).fill('850');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Work stops until it is in.')).toBeVisible();
  await page.getByRole('button', { name: 'Came in: before the hood' }).click();
  await expect(dialog.getByLabel(/^How much/)).toHaveValue('850.00');
  await dialog.getByLabel(/^How much/).fill('400');
  await dialog.getByRole('button', { name: 'It is in' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('£400.00 came in')).toBeVisible();
  await page.getByRole('button', { name: 'Came in: before the hood' }).click();
  await dialog.getByRole('button', { name: 'It is in' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Work stops until it is in.')).toHaveCount(0);
  await expect(figure(page, 'Money on account', 'Came in, all together')).toHaveText('£850.00');
  await page.getByRole('link', { name: 'To its logbook' }).click();
  await expect(page.getByText('£450.00 came in on account: before the hood')).toBeVisible();
});

test('the owner’s rates hold from a day; the office sees who is away, and no rate', async ({ page }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  await page.getByRole('link', { name: 'People’s skills, absence and rates' }).click();
  await page.getByRole('button', { name: 'New rate for Milo Tarrant' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('From which day').fill('2026-01-05');
  await dialog.getByLabel(/^An hour costs the shop/).fill('20.50');
  await dialog.getByRole('button', { name: 'Keep the rate' }).click();
  await expect(dialog.getByText(/what was worked before keeps its rate/).last()).toBeVisible();
  await dialog.getByLabel('From which day').fill('2033-01-03');
  await dialog.getByRole('button', { name: 'Keep the rate' }).click();
  await expect(dialog).toHaveCount(0);
  const milo = page.getByRole('region', { name: 'Milo Tarrant' });
  await expect(milo.getByText('£20.50')).toBeVisible();
  await milo.getByRole('button', { name: 'Take back the rate from 2033-01-03' }).click();
  await expect(milo.getByText('£20.50')).toHaveCount(0);
  await page.getByRole('button', { name: 'Away: Joss Arkwright' }).click();
  await dialog.getByLabel('Last day').fill('2020-01-01');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(dialog.getByText('the last day is before the first')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await signIn(page, 'office');
  await page.goto('/shop/people');
  await expect(page.getByText('her sister’s wedding')).toBeVisible();
  await expect(page.locator('body')).not.toContainText('£');
});

test('all cars at once: what is over comes first, and the sums are those of each car', async ({ page }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Costs', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Costs of all cars' })).toBeVisible();
  const first = page.getByRole('row').nth(1);
  await expect(first).toContainText('over:');
  const comesTo = await page
    .getByRole('row', { name: /^ice-cream van/ })
    .getByRole('cell')
    .nth(4)
    .textContent();
  await page.getByRole('link', { name: 'ice-cream van', exact: true }).click();
  await expect(figure(page, 'In all', 'Comes to')).toHaveText(comesTo!);
  await page.goto('/costs');
  await page.setViewportSize({ width: 390, height: 844 });
  await expectNoSideScroll(page);
});

test('a technician types hours for the shop, and sees their own week', async ({ page }) => {
  await signIn(page, 'technician');
  await page.getByRole('link', { name: 'Hours', exact: true }).click();
  await page.getByLabel('What was done').fill('compressor drained');
  await page.getByRole('button', { name: 'Keep the hours' }).click();
  await expect(page.getByText('hours, as in 1.5')).toBeVisible();
  await page.getByLabel('Hours', { exact: true }).fill('0.5');
  await page.getByRole('button', { name: 'Keep the hours' }).click();
  const week = page.getByRole('region', { name: 'The week' });
  await expect(week.getByText('the shop: compressor drained')).toBeVisible();
  await week.getByRole('button', { name: 'It was not so: compressor drained' }).click();
  await expect(week.getByText('compressor drained')).toHaveCount(0);
  await expect(page.locator('body')).not.toContainText('£');
});

/** What came off, sorted, into a batch, out and back with a piece missing that is known that day; found by its label's code. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, openCar, signIn } from './support.ts';

test('a batch out and back with a piece missing: said in the logbook the same day, and found again', async ({
  page,
}) => {
  await signIn(page);
  await openCar(page, 'estate');
  await page.keyboard.press('t');
  await expect(page.getByRole('heading', { name: 'estate: what is off it' })).toBeVisible();
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Write it down, next one' }).click();
  await expect(dialog.getByText('say what came off')).toBeVisible();
  for (const [what, count, bag] of [
    ['tailgate stays', '2', '21'],
    ['hinge pins', '6', '22'],
  ] as const) {
    await dialog.getByLabel('What it is').fill(what);
    await dialog.getByLabel('How many').fill(count);
    await dialog.getByLabel('Number of its bag').fill(bag);
    await dialog.getByLabel('What is done to it').selectOption('anodise');
    await dialog.getByRole('button', { name: 'Write it down, next one' }).click();
    await expect(dialog.getByRole('status')).toContainText(`${count} ${what}`);
  }
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  const code = await page
    .getByRole('listitem')
    .filter({ hasText: 'hinge pins' })
    .getByText(/^\w{4}-\w{4}-.$/)
    .innerText();
  await page.getByRole('link', { name: 'Piles and batches of all cars' }).click();

  await page.getByRole('button', { name: 'Begin a batch: For anodise' }).click();
  await dialog.getByLabel('To whom').fill('Halcyon Platers');
  await expect(dialog.getByRole('region', { name: 'Sent today' })).toContainText('estate');
  await dialog.getByRole('button', { name: 'Begin the batch' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: /^Send it: O-/ }).click();
  const gone = dialog.getByRole('button', { name: /^It has gone/ });
  await expect(gone).toBeDisabled();
  await dialog.getByLabel('2 tailgate stays').check();
  await expect(dialog.getByText('One piece is not ticked')).toBeVisible();
  await dialog.getByRole('button', { name: 'Everything is in it' }).click();
  await gone.click();
  await expect(dialog).toHaveCount(0);

  const batch = page.getByRole('region', { name: /to Halcyon Platers, anodise$/ });
  await expect(batch).toContainText('Holds up: estate');
  await batch.getByRole('button', { name: /^It is back/ }).click();
  await dialog.getByLabel('6 hinge pins').check();
  await dialog.getByLabel('How many of hinge pins').fill('7');
  await dialog.getByRole('button', { name: /^Check in/ }).click();
  await expect(dialog.getByRole('alert').first()).toContainText('only 6 pieces are still out');
  await dialog.getByLabel('How many of hinge pins').fill('5');
  await dialog.getByLabel('Nothing more comes with it').check();
  await expect(dialog).toContainText(
    'Missing from today: 1 of 6 hinge pins (estate), 2 of 2 tailgate stays (estate)',
  );
  await dialog.getByRole('button', { name: /^Check in/ }).click();
  await expect(dialog).toHaveCount(0);
  await expect(batch).toContainText('1 of 6 hinge pins (estate)');

  await page.goto('/find');
  await page.getByLabel('Code', { exact: true }).fill(code.toLowerCase().replaceAll('-', ''));
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: '6 hinge pins' }).click();
  await expect(page.getByRole('region', { name: 'Missing' })).toContainText('hinge pins');
  await page.getByRole('link', { name: 'To its logbook' }).click();
  await expect(
    page.getByText(
      /back from Halcyon Platers: 5 hinge pins; missing from O-\d{3}, Halcyon Platers: 2 tailgate stays, hinge pins/,
    ),
  ).toBeVisible();

  await page.goto('/outwork');
  await batch.getByRole('button', { name: /^It turned up/ }).click();
  await dialog.getByLabel('2 tailgate stays').check();
  await dialog.getByRole('checkbox', { name: /hinge pins/ }).check();
  await dialog.getByRole('button', { name: /^Check in/ }).click();
  await expect(batch).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Done, to go on again' })).toContainText('2 tailgate stays');
});

test('a technician on a phone: no price anywhere, sorted with one touch, labels and manifest to print', async ({
  page,
}) => {
  await signIn(page, 'technician');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/outwork');
  await expect(page.getByRole('region', { name: 'A piece is missing' })).toContainText('grille badge');
  await expect(page.locator('body')).not.toContainText('£');
  await expectNoSideScroll(page);
  await page.getByLabel('What is done to: 2 tail door handles').selectOption('chrome');
  await expect(page.getByRole('region', { name: 'For chrome' })).toContainText('2 tail door handles');
  await page.getByRole('button', { name: 'Labels for the pile: chrome' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Size').selectOption('shelf');
  const labels = page.waitForEvent('download');
  await dialog.getByRole('link', { name: 'One label as PDF' }).click();
  expect((await labels).suggestedFilename()).toBe('labels.pdf');
  await dialog.getByRole('button', { name: 'Close' }).click();
  const manifest = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Manifest to print: O-006' }).click();
  expect((await manifest).suggestedFilename()).toBe('O-006-halcyon-platers.pdf');
  await page.goto('/find/0000-0000-9');
  await expect(page.getByRole('alert')).toContainText(/no code of a label|No thing of this shop/);
});

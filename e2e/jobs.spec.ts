/** Jobs: what was found, priced and done of one piece of work, on one page; merged, split, and taken back from the logbook. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, log, openCar, signIn } from './support.ts';

test('found by a line, it is a job; what is found of it again belongs to it, by keyboard', async ({
  page,
}) => {
  await signIn(page);
  await openCar(page, 'charabanc');
  await log(page, 'found luggage grid bent, two hours, should');
  await page.keyboard.press('Escape');
  await page.locator('#log-line').fill('found luggage grid cracked at the bracket, one hour, must');
  const does = page.getByRole('group', { name: 'What this line will do' });
  await expect(does).toContainText('Belongs to luggage grid');
  await page.locator('#log-line').press('Enter');
  await expect(page.getByTestId('log-line').getByRole('status')).toContainText('Belongs to luggage grid');
  await page.getByRole('link', { name: 'Jobs' }).click();
  const job = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'luggage grid' }) });
  await expect(job).toContainText('grid bent');
  await expect(job).toContainText('cracked at the bracket');
});

test('two jobs that are one are merged; withdrawn in the logbook, they are two again', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'milk float');
  await page.getByRole('link', { name: 'Jobs' }).click();
  const found = page.getByRole('region', { name: 'Found' });
  const tips = page.getByRole('heading', { name: 'contactor tips' });
  await expect(tips).toBeVisible();
  const job = found.getByRole('listitem').filter({ has: tips });
  await job.getByText('Change').click();
  await job.getByRole('button', { name: /^Merge/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Merge' }).click();
  await expect(dialog.getByText('choose a job')).toBeVisible();
  await dialog.getByLabel('The job that it belongs to').selectOption('battery boxes eaten');
  await dialog.getByRole('button', { name: 'Merge' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(tips).toHaveCount(0);
  const boxes = found.getByRole('listitem').filter({ hasText: 'battery boxes eaten through by acid' });
  await expect(boxes).toContainText('contactor tips burnt');

  await page.getByRole('link', { name: 'To its logbook' }).click();
  const entry = page
    .getByRole('listitem')
    .filter({ hasText: '“contactor tips” belongs to “battery boxes eaten”' });
  await entry.getByRole('button', { name: /^Correct/ }).click();
  await dialog.getByRole('button', { name: 'It should never have been logged' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('link', { name: 'Jobs' }).click();
  await expect(tips).toBeVisible();
});

test('a job is renamed, and part of it split off', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'rally car');
  await page.getByRole('link', { name: 'Jobs' }).click();
  const gearbox = page
    .getByRole('region', { name: 'In work' })
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Gearbox rebuilt' }) });
  await expect(gearbox).toContainText('2 findings, 1 line');
  await gearbox.getByText('2 findings, 1 line').click();
  await expect(gearbox).toContainText('third gear synchro ring cracked');
  await gearbox.getByRole('button', { name: /^Split/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What the new job is called').fill('Synchro ring');
  await dialog.getByRole('button', { name: 'Split' }).click();
  await expect(dialog.getByText('choose what goes with it')).toBeVisible();
  await dialog.getByRole('checkbox', { name: /synchro ring/ }).check();
  await dialog.getByRole('button', { name: 'Split' }).click();
  await expect(dialog).toHaveCount(0);
  const split = page
    .getByRole('region', { name: 'Found' })
    .getByRole('listitem')
    .filter({ hasText: 'Synchro ring' });
  await split.getByText('Change').click();
  await split.getByRole('button', { name: /^Rename/ }).click();
  await dialog.getByLabel('What the job is called').fill('Third gear synchro ring');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Third gear synchro ring' })).toBeVisible();
});

test('a technician sees what holds a job up, and neither prices nor what the desk does with it', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, 'technician');
  await openCar(page, 'rally car');
  await page.getByRole('link', { name: 'Jobs' }).click();
  await expect(page.getByRole('heading', { name: 'Inner wing at the strut top' })).toBeVisible();
  await expectNoSideScroll(page);
  await expect(page.getByText('£')).toHaveCount(0);
  await page
    .getByRole('region', { name: 'In work' })
    .getByText(/finding/)
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Merge/ })).toHaveCount(0);
});

/** Walked round the car: written down with one hand, put right or left; tried in place, with what was in the way. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, openCar, signIn } from './support.ts';

test('a walk round by keyboard on a phone: station, line, Enter; put right with its time', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, 'technician');
  await openCar(page, 'drophead');
  await page.getByRole('link', { name: 'To put right' }).click();
  await expect(page.getByText('Nothing is open.')).toBeVisible();
  await expectNoSideScroll(page);
  await page.getByRole('radio', { name: 'rear' }).check({ force: true });
  const line = page.getByLabel('What is to be put right');
  await line.press('Enter');
  await expect(page.getByText('say what is to be put right')).toBeVisible();
  for (const what of ['boot handle loose', 'lamp glass chipped']) {
    await line.fill(what);
    await line.press('Enter');
    await expect(page.getByRole('region', { name: 'rear' }).getByText(what)).toBeVisible();
    await expect(line).toBeFocused();
  }
  await page.getByRole('button', { name: 'Put right: boot handle loose' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Hours, if it took any to speak of').fill('0.25');
  await dialog.getByRole('button', { name: 'It is put right' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: 'Leave as it is: lamp glass chipped' }).click();
  await dialog.getByRole('button', { name: 'It stays as it is' }).click();
  await expect(dialog.getByText('say why it stays as it is')).toBeVisible();
  await dialog.getByLabel('Why it stays as it is').fill('Ruan likes it');
  await dialog.getByRole('button', { name: 'It stays as it is' }).click();
  await expect(page.getByText('0 open, 2 ended')).toBeVisible();
  await page.getByRole('link', { name: 'To its logbook' }).click();
  await expect(page.getByText('put right: boot handle loose (rear)')).toBeVisible();
  await expect(page.getByText('left as it is: lamp glass chipped (rear): Ruan likes it')).toBeVisible();
});

test('tried in place: what was in the way is to be put right, and the trial says how much still is', async ({
  page,
}) => {
  await signIn(page);
  await openCar(page, 'ice-cream van');
  await page.keyboard.press('r');
  await expect(page.getByRole('heading', { name: 'ice-cream van: to put right' })).toBeVisible();
  await page.getByRole('button', { name: 'Something was tried' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What was tried').fill('the bonnet');
  await dialog.getByRole('button', { name: 'Something was in the way' }).click();
  await dialog.getByLabel('In the way, 1').fill('filler cap too tall');
  await dialog.getByLabel('Where, 1').selectOption('under the bonnet');
  await dialog.getByRole('button', { name: 'Keep the trial' }).click();
  await expect(dialog).toHaveCount(0);
  const trials = page.getByRole('region', { name: 'Tried in place' });
  await expect(trials.getByRole('listitem').first()).toContainText('1 still in the way');
  await page.getByRole('button', { name: 'Put right: filler cap too tall' }).click();
  await dialog.getByRole('button', { name: 'It is put right' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(trials.getByRole('listitem').first()).not.toContainText('still in the way');
  await page.getByRole('button', { name: 'Something was tried' }).click();
  await dialog.getByLabel('What was tried').fill('the bonnet');
  await dialog.getByRole('button', { name: 'It fits' }).click();
  await expect(trials.getByRole('listitem').first()).toContainText('tried the bonnet in place: it fits');
});

/** A voice note: spoken, kept with the line and without one, heard again, written down. */
import { expect, test } from '@playwright/test';
import { expectAccessible, expectNoSideScroll, log, logLine, openCar, signIn } from './support.ts';

test('spoken with a thumb, kept with its line, heard, written down by hand and by the stand-in', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page);
  await openCar(page, 'bread van');
  await page.getByRole('button', { name: 'Record a voice note' }).click();
  await expect(page.getByRole('timer', { name: 'Recording' })).toContainText(/0:0[1-9]/);
  await expectNoSideScroll(page);
  await page.getByRole('button', { name: 'End the voice note' }).click();
  await expect(page.getByRole('group', { name: 'What goes with it' })).toContainText('Voice note 0:0');
  await log(page, 'note the doors, spoken');
  const line = page.getByRole('article').filter({ hasText: 'the doors, spoken' });
  const sound = line.locator('audio');
  await expect(sound).toBeVisible();
  const played = await sound.evaluate(async (a: HTMLAudioElement) => {
    a.muted = true;
    await a.play();
    return a.error?.message ?? 'plays';
  });
  expect(played).toBe('plays');
  await line.getByRole('button', { name: 'Write down what it says' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Let it be written' }).click();
  await expect(dialog.getByText(/^A stand-in made these words up/)).toBeVisible();
  await expectAccessible(page);
  await dialog.getByLabel('In words').fill('The doors are square again.');
  await dialog.getByRole('button', { name: 'Keep these words' }).click();
  await expect(line).toContainText('“The doors are square again.”');
});

test('without a word and without a network: kept here, and there once it is back', async ({
  page,
  context,
}) => {
  await signIn(page);
  await openCar(page, 'bread van');
  await page.getByRole('button', { name: 'Record a voice note' }).click();
  await expect(page.getByRole('timer', { name: 'Recording' })).toContainText(/0:0[1-9]/);
  await page.getByRole('button', { name: 'End the voice note' }).click();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Keep this line' }).click();
  await expect(page.getByText('1 voice note on the way')).toBeVisible();
  await expect(logLine(page)).toHaveValue('');
  await context.setOffline(false);
  await expect(page.getByText('1 voice note on the way')).toHaveCount(0, { timeout: 60_000 });
  const line = page
    .getByRole('article')
    .filter({ hasText: /Voice note/ })
    .first();
  await expect(line.locator('audio')).toHaveCount(1);
});

test('a microphone that is not there is said in words', async ({ page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('none', 'NotFoundError'));
  });
  await signIn(page);
  await page.getByRole('button', { name: 'Record a voice note' }).click();
  await expect(page.getByRole('alert')).toHaveText('No microphone was found.');
});

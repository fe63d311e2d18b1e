/** Looking a car over: by keyboard at a desk, and with a thumb on a tablet. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, logLine, openCar, signIn } from './support.ts';

test('by keyboard: fine, a finding, could not see, and on to the next', async ({ page }) => {
  await signIn(page, 'technician');
  await openCar(page, 'hearse');
  await page.keyboard.press('o');
  await expect(page.getByText(/^0 of \d+ looked at$/)).toBeVisible();
  const row = (look: string) => page.getByRole('group', { name: look });
  await row('Panels').or(row('How it stands')).first().getByRole('button', { name: 'Fine' }).focus();
  await page.keyboard.press('1');
  await expect(page.getByText(/^1 of \d+ looked at$/)).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('3');
  await expect(page.getByText('1 could not be seen')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('2');
  await expect(page.getByLabel(/^What is it\? Dents/)).toBeFocused();
  await page.keyboard.type('filler in the rear quarter, six hours, should');
  await expect(page.getByText(/hours 6 h · class should/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('found filler in the rear quarter, six hours, should')).toBeVisible();
  await expect(page.getByText(/^3 of \d+ looked at$/)).toBeVisible();

  await test.step('what is left is shown alone', async () => {
    await page.getByRole('button', { name: 'Show only what has not been looked at' }).click();
    await expect(page.getByRole('group', { name: 'How it stands' })).toHaveCount(0);
    await expect(page.getByRole('group', { name: /^Bright trim/ })).toBeVisible();
  });

  await test.step('it stands in the logbook', async () => {
    await page.getByRole('link', { name: 'To its logbook' }).click();
    await expect(page.getByText('found filler in the rear quarter').first()).toBeVisible();
  });
});

test.describe('on a tablet', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });

  test('with a thumb: the log line knows the zone at hand, and cautions stand where looking can hurt', async ({
    page,
  }) => {
    await signIn(page, 'technician');
    await openCar(page, 'hearse');
    await page.getByRole('link', { name: 'Look it over' }).tap();
    await page.getByLabel('High voltage fitted').tap();
    await expect(page.getByText(/High voltage kills/)).toBeVisible();
    await page.getByLabel('High voltage fitted').tap();
    await expect(page.getByText(/High voltage kills/)).toHaveCount(0);
    await expect(page.getByText(/Never under a vehicle that only a jack holds/).first()).toBeVisible();
    const belts = page.getByRole('group', { name: /^Belts: webbing/ });
    await belts.getByRole('button', { name: 'Fine' }).tap();
    await expect(belts.getByRole('button', { name: 'Fine' })).toHaveAttribute('aria-pressed', 'true');
    const box = (await belts.getByRole('button', { name: 'Fine' }).boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44);
    await logLine(page).fill('found seat runner loose, should');
    await expect(page.getByRole('button', { name: 'where on the car inside' })).toBeVisible();
    await logLine(page).fill('');
    await expectNoSideScroll(page);
  });
});

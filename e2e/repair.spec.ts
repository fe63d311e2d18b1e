/** Repair or replace: both ways side by side while one types, and the chosen one on the estimate. */
import { expect, test } from '@playwright/test';
import { openCar, signIn } from './support.ts';

test('new metal or a new panel: compared as it is typed, and put on the estimate', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'camper');
  await page.keyboard.press('e');
  await page.getByRole('button', { name: 'Repair or replace?' }).click();
  const dialog = page.getByRole('dialog');
  const fill = (label: string, text: string): Promise<void> =>
    dialog.getByLabel(label, { exact: true }).fill(text);
  await fill('What it is about', 'Nearside sill');
  await fill('Hours, at best', '12');
  await fill('Hours, likely', '10');
  await fill('Hours, at worst', '20');
  await fill('Hours to fit, likely', '5');
  await expect(dialog.getByText('below the one before it')).toBeVisible();
  await fill('Hours, at best', '6');
  await fill('The panel, GBP', '900');
  await fill('Painting it whole, GBP', '700');
  // By hand at £62: 11 h × 1.15 × 62 + 700 = £1,484.30, and 5 × 62 + 1,600 = £1,910.
  await expect(dialog.getByText('£1,484.30')).toBeVisible();
  await expect(dialog.getByText('£1,910.00', { exact: true })).toBeVisible();
  await expect(dialog.getByText('The repair is clearly the cheaper way.')).toBeVisible();
  await expect(dialog.getByText(/open one area first, then estimate again/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Put the repair on the estimate' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Nearside sill: new metal let in', { exact: true }).first()).toBeVisible();
});

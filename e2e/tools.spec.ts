/** A tool lent, seen on the Floor when it is overdue, changed, and back; by keyboard alone. */
import { expect, test } from '@playwright/test';
import { signIn } from './support.ts';

test('lent with a day, overdue on the Floor, given a later day, back', async ({ page }) => {
  await signIn(page, 'technician');
  await page.getByRole('link', { name: 'Tools lent' }).first().click();
  await page.getByRole('button', { name: 'Lend a tool' }).focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('What is lent')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(dialog.getByText('say what is lent')).toBeVisible();
  await dialog.getByLabel('What is lent').fill('borescope');
  await dialog.getByLabel('To whom').fill('Linnea Holt');
  await dialog.getByLabel('Since').fill('2020-03-02');
  await dialog.getByLabel('Back by, if a day was said').fill('2020-03-01');
  await page.keyboard.press('Enter');
  await expect(dialog.getByText('before the day on which it was lent')).toBeVisible();
  await dialog.getByLabel('Back by, if a day was said').fill('2020-03-09');
  await page.keyboard.press('Enter');
  await expect(dialog).toHaveCount(0);
  const row = page.getByRole('listitem').filter({ hasText: 'borescope' });
  await expect(row).toContainText('Overdue.');

  await page.goto('/');
  const late = page.getByText('Lent and overdue:').locator('..');
  await expect(late).toContainText('borescope with Linnea Holt');
  await late.getByRole('link', { name: 'Tools lent' }).click();
  await row.getByRole('button', { name: 'Change: borescope' }).click();
  await dialog.getByLabel('Back by, if a day was said').fill('');
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(row).not.toContainText('Overdue.');
  await row.getByRole('button', { name: 'It is back: borescope' }).click();
  await page.getByText(/^Back again: \d+$/).click();
  await expect(row).toContainText('back on');
  await row.getByRole('button', { name: 'Not back after all: borescope' }).click();
  await expect(page.getByRole('list', { name: 'Out', exact: true })).toContainText('borescope');
});

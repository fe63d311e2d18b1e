/** The vehicle: intake of a known customer, its numbers, units that are not its own, what must hold at the end. */
import { expect, test } from '@playwright/test';
import { signIn } from './support.ts';

test('a known customer brings another car: its numbers, its units, what must hold', async ({ page }) => {
  await signIn(page);
  await page.goto('/builds/new');
  await page.getByLabel('Whose is it?').selectOption({ label: 'Marta Quill' });
  await expect(page.getByLabel('Which of theirs?')).toBeVisible();
  await page.getByLabel('Vehicle', { exact: true }).fill('Dolcino delivery van');
  await page.getByLabel('Year, if known').fill('1994');
  await page.getByLabel('What you call it').fill('delivery van');
  await page.getByLabel('What they came with, in their own words').fill('It will not start when it is wet.');
  await page
    .getByLabel('What must hold at hand-over')
    .fill('starts after a night in the rain\n\nkeeps its horn');
  await page.getByRole('button', { name: 'Begin the build' }).click();
  await expect(page.getByText('for Marta Quill, told by mail')).toBeVisible();
  await page.keyboard.press('v');
  await expect(page.getByText('starts after a night in the rain')).toBeVisible();

  await test.step('a number misread is noticed while it is typed', async () => {
    const number = page.getByLabel('Chassis or identification number');
    // The worked example of 49 CFR 565.15(c), then with two places swapped.
    await number.fill('1G4AH59H45G118314');
    await expect(page.getByText(/The ninth place should be/)).toBeVisible();
    await number.fill('1G4AH59H45G118341');
    await expect(page.getByText('Its check digit fits. The tenth place means a car of 2005.')).toBeVisible();
    await number.fill('DL 94 0007');
    await expect(page.getByText('Not 17 characters')).toBeVisible();
    await page.getByLabel('Where the numbers were read').fill('door pillar');
    await page.getByRole('button', { name: 'Keep these' }).click();
    await expect(page.getByRole('button', { name: 'Keep these' })).toBeDisabled();
  });

  await test.step('an engine of a later year: parts for the unit', async () => {
    await page.getByRole('button', { name: 'Add a unit' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Number on it').fill('DE 9931');
    await dialog.getByLabel(/Year of its casting/).fill('19');
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(dialog.getByText('a year from 1880 on')).toBeVisible();
    await dialog.getByLabel(/Year of its casting/).fill('1999');
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText(/Order parts for the engine, not for the car/)).toBeVisible();
  });

  await test.step('a requirement is ticked with what shows it', async () => {
    await page.getByRole('button', { name: 'Change: keeps its horn' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('It holds').check();
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(dialog.getByText('say what shows that it holds')).toBeVisible();
    await dialog.getByLabel('What shows it').fill('heard in the yard');
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('holds: heard in the yard')).toBeVisible();
  });

  await test.step('all of it stands in the logbook', async () => {
    await page.getByRole('link', { name: 'To its logbook' }).click();
    await expect(page.getByText('Holds: keeps its horn, heard in the yard')).toBeVisible();
    await expect(page.getByText('Unit: engine DE 9931, of 1999')).toBeVisible();
    await expect(page.getByText(/Identity: .*chassis DL 94 0007/)).toBeVisible();
  });
});

/** axe finds no violation on any page, by day and on night shift, at a desk and on a phone. */
import { expect, test } from '@playwright/test';
import { expectAccessible, expectNoSideScroll, logLine, openCar, signIn } from './support.ts';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

test('every page', async ({ page }) => {
  test.setTimeout(480_000);
  /** Every rule by day at a desk; on night shift and on a phone again those that depend on the look. */
  const check = async (): Promise<void> => {
    await page.emulateMedia({ colorScheme: 'light' });
    await expectAccessible(page);
    await page.emulateMedia({ colorScheme: 'dark' });
    await expectAccessible(page, 'look');
    await page.setViewportSize(PHONE);
    await expectAccessible(page, 'look');
    await expectNoSideScroll(page);
    await page.emulateMedia({ colorScheme: 'light' });
    await expectAccessible(page, 'look');
    await page.setViewportSize(DESK);
  };
  await page.goto('/sign-in');
  await expect(page.getByRole('heading', { name: 'The demo shop' })).toBeVisible();
  await check();
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('the password is missing')).toBeVisible();
  await check();
  await signIn(page);
  await check();
  await logLine(page).fill('found tailgate post rotten left side, 60 and four hours, safety');
  await expect(page.getByRole('button', { name: 'kind Found' })).toBeVisible();
  await check();
  await logLine(page).press('Enter');
  await expect(page.getByRole('alert')).toContainText('Which car');
  await check();
  await page.getByRole('button', { name: /^hours/ }).click();
  await expect(page.getByRole('textbox', { name: 'hours' })).toBeFocused();
  await check();
  await page.keyboard.press('Escape');
  await logLine(page).fill('');
  await openCar(page, 'drophead');
  await page.getByText('By kind of entry').click();
  await check();
  await page.getByRole('button', { name: 'Change what is next' }).click();
  await check();
  await page
    .getByRole('button', { name: /^Correct:/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /Draft update|Go on with the draft/ }).click();
  await expect(page.getByRole('button', { name: 'Send to Ruan' })).toBeVisible();
  await check();
  await page.getByRole('button', { name: 'Send to Ruan' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await openCar(page, 'estate');
  await page
    .getByRole('link', { name: /Wyverton/ })
    .first()
    .click();
  await expect(page.getByText('A sent letter never changes')).toBeVisible();
  await check();
  await page.goto('/builds/new');
  await page.getByRole('button', { name: 'Begin the build' }).click();
  await expect(page.getByText('whose is it?', { exact: true })).toBeVisible();
  await check();
  await page.goto('/outbox');
  await expect(page.getByRole('heading', { name: 'Outbox' })).toBeVisible();
  await check();
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
  await check();
  await page.goto('/shop/terms');
  await expect(page.getByRole('heading', { name: 'Rates and tax' })).toBeVisible();
  await check();
  await page.goto('/shop');
  await page.getByRole('button', { name: 'Change Lift 1' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await openCar(page, 'rally car');
  await page.getByRole('link', { name: 'Work', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Can be done now' })).toBeVisible();
  await page.getByText(/done or dropped$/).click();
  await check();
  await page.getByRole('button', { name: 'New task' }).click();
  await page.getByRole('button', { name: 'Something comes first' }).click();
  await page.getByText('What must be seen first').click();
  await check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'From a playbook' }).click();
  await page.getByRole('combobox', { name: 'Playbook' }).selectOption('engine-rebuild');
  await check();
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /^Stop the clock/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page.goto('/parts');
  await expect(page.getByRole('heading', { name: 'Wrong, to be dealt with' })).toBeVisible();
  await check();
  await page
    .getByRole('button', { name: /^Order: / })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'Parts', exact: true }).click();
  await page.getByRole('button', { name: 'New part' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page.goto('/plan');
  await page.getByRole('button', { name: 'The camper' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await check();
  await page.getByRole('button', { name: 'Draw the plan' }).click();
  await expect(page.getByRole('button', { name: /^Booth, at/ })).toBeVisible();
  await check();
  await page.goto('/shop/playbooks');
  await page.getByText('Full engine rebuild').click();
  await check();
  await openCar(page, 'camper');
  await page.getByRole('button', { name: 'What is agreed' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'What causes it' }).click();
  await expect(page.getByText('Explained.').first()).toBeVisible();
  await check();
  await openCar(page, 'estate');
  await page.getByRole('link', { name: 'Estimate' }).click();
  await page.getByRole('button', { name: 'Change the ways: Roof canvas' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'Estimate' }).click();
  await page.getByText('The sum', { exact: true }).click();
  await page.getByText('Say what must stay and what must wait').click();
  await check();
  await page.getByRole('button', { name: 'Repair or replace?' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'From a table' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'New line' }).click();
  await page.getByText('Outwork, sundries').click();
  await page.getByRole('button', { name: 'Put it on the estimate' }).click();
  await expect(page.getByText('say what is to be done')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Take down an answer by telephone' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page.goto('/shop/rules');
  await page
    .getByRole('button', { name: /^Change: / })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await check();
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'The car itself' }).click();
  await expect(page.getByText('Not the car’s own.')).toBeVisible();
  await check();
  await page.getByRole('button', { name: 'Add a unit' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await openCar(page, 'camper');
  await page.getByRole('link', { name: 'Photographs' }).click();
  await page
    .getByRole('button', { name: /^Open: / })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await check();
  await openCar(page, 'camper');
  await page.getByRole('link', { name: 'Look it over' }).click();
  await page.getByRole('button', { name: 'Finding', exact: true }).first().click();
  await expect(page.getByLabel(/^What is it/)).toBeFocused();
  await check();
  await openCar(page, 'rally car');
  const link = (await page.getByRole('link', { name: 'Their page' }).getAttribute('href'))!;
  await page.goto(link);
  await expect(page.getByText(/^Dear /).first()).toBeVisible();
  await check();
  await page.getByRole('link', { name: 'Your estimate, to read and to answer' }).click();
  await check();
  await page.getByLabel('Your name').fill('Anselm Roach');
  await page.getByRole('button', { name: /Send these answers/ }).click();
  await expect(page.getByText('say what to do about “Second pair of spot lamps”')).toBeVisible();
  await check();
  await page.getByRole('button', { name: 'Agree to all as you propose it' }).click();
  await expect(page.getByLabel('The code')).toBeVisible();
  await check();
  await page.goto('/l/nonsense');
  await check();
});

/** Everything at the desk without a mouse: sign in, log with a part put right, search, draft, leave out, send. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { logLine } from './support.ts';

/** Presses Tab until the named thing has the focus. */
async function tabTo(
  page: Page,
  role: 'button' | 'link' | 'checkbox' | 'textbox',
  name: string | RegExp,
  key = 'Tab',
): Promise<void> {
  await tabToIt(page, page.getByRole(role, { name }).first(), String(name), key);
}

async function tabToIt(page: Page, target: Locator, name: string, key = 'Tab'): Promise<void> {
  await expect(target).toBeVisible();
  for (let i = 0; i < 120; i += 1) {
    if (await target.evaluate((el) => el === document.activeElement)) return;
    await page.keyboard.press(key);
  }
  throw new Error(`the keyboard does not reach ${name}`);
}

test('from the door to a sent letter', async ({ page }) => {
  await page.goto('/sign-in');
  await tabTo(page, 'button', 'Go in as the owner');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Floor', level: 1 })).toBeVisible();

  // What one act would free may name the car first, and lead to its work.
  const cars = page.getByRole('region', { name: /^(?:Needs a person now|Going on|All cars)$/ });
  await tabToIt(page, cars.getByRole('link', { name: 'camper', exact: true }), 'camper');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();

  await page.keyboard.press('l');
  await page.keyboard.type('did curtain rails, 2h');
  await tabTo(page, 'button', /^hours 2 h/, 'Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'hours' })).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('2.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^hours 2 h 30 min/ })).toBeFocused();
  await page.keyboard.press('Escape');
  await logLine(page).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('log-line').getByRole('status')).toContainText('Kept for the camper');
  await expect(logLine(page)).toBeFocused();
  await page.keyboard.press('Escape');

  await page.keyboard.press('s');
  await page.keyboard.type('curtain');
  await expect(page.getByRole('list', { name: /Entries/ }).getByRole('listitem')).toHaveCount(1);
  await page.keyboard.press('Escape');

  await page.keyboard.press('Tab');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys of this screen' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.keyboard.press('d');
  await expect(page.getByRole('heading', { name: 'Letter to Tove Sandal' })).toBeVisible();
  await tabTo(page, 'checkbox', /Curtain rails/);
  await page.keyboard.press('Space');
  await expect(page.getByRole('article', { name: 'The letter' })).not.toContainText('Curtain rails');
  await tabTo(page, 'button', 'Send to Tove');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Send it' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByText('The mail server has taken it.')).toBeVisible();
});

test('single keys do nothing while one writes, and can be switched off', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Go in as the owner' }).click();
  await expect(page.getByRole('heading', { name: 'Floor', level: 1 })).toBeVisible();
  await page.keyboard.press('l');
  await page.keyboard.type('fills?');
  await expect(logLine(page)).toHaveValue('fills?');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await logLine(page).fill('');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await page.getByRole('checkbox', { name: 'Single-letter keys work' }).uncheck();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('l');
  await expect(logLine(page)).not.toBeFocused();
});

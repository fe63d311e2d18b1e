/** What the journeys share. */
import type { Page } from '@playwright/test';
import { AxeBuilder } from '@axe-core/playwright';
import { expect } from '@playwright/test';

export async function signIn(page: Page, as: 'owner' | 'technician' | 'office' = 'owner'): Promise<void> {
  await page.goto('/sign-in');
  await page
    .getByRole('button', {
      name: as === 'owner' ? 'Go in as the owner' : `as ${as === 'office' ? 'the office' : 'a technician'}`,
    })
    .click();
  await expect(page.getByRole('heading', { name: 'Floor', level: 1 })).toBeVisible();
}

export async function openCar(page: Page, name: string): Promise<void> {
  await page.goto('/');
  const cars = page.getByRole('region', { name: /^(?:Needs a person now|Going on|All cars)$/ });
  await cars.getByRole('link', { name, exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
}

export const logLine = (page: Page) => page.getByRole('textbox', { name: /^Log/ });

/** Writes a line and keeps it; answers when it has been kept. */
export async function log(page: Page, text: string): Promise<void> {
  await logLine(page).fill(text);
  await logLine(page).press('Enter');
  await expect(page.getByTestId('log-line').getByRole('status')).toContainText('Kept for the');
}

/** What depends on the colours and the size of the screen; the rest of axe's rules does not. */
const BY_LOOK = ['color-contrast', 'target-size', 'link-in-text-block', 'scrollable-region-focusable'];

/**
 * No violation of WCAG 2.2 A and AA, nor of axe's best practices, on the page as it stands; with `look`, only of the
 * rules that depend on it.
 */
export async function expectAccessible(page: Page, rules: 'all' | 'look' = 'all'): Promise<void> {
  // Without frames the simple way says the same, and opens no page of its own for each look.
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode(true);
  if (rules === 'look') axe.withRules(BY_LOOK);
  else axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']);
  const { violations } = await axe.analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)).toEqual([]);
}

export async function expectNoSideScroll(page: Page): Promise<void> {
  const [content, view] = await page.evaluate(() => [
    document.documentElement.scrollWidth,
    window.innerWidth,
  ]);
  expect(content).toBeLessThanOrEqual(view!);
}

/** Codes in the outbox, of whoever answered before. `page` is signed in. */
async function codesIn(page: Page): Promise<string[]> {
  const { mails } = (await (await page.request.get('/api/outbox')).json()) as { mails: { text: string }[] };
  return mails.flatMap((m) => /Your code is (\d{6})/.exec(m.text)?.[1] ?? []);
}

/**
 * Sends a customer's answers by `press`, waits for the code that comes by mail because of it (earlier answers left theirs
 * in the outbox), and gives it.
 */
export async function answerWithCode(page: Page, customer: Page, press: () => Promise<void>): Promise<void> {
  const before = new Set(await codesIn(page));
  await press();
  let code: string | undefined;
  await expect(async () => {
    code = (await codesIn(page)).find((c) => !before.has(c));
    expect(code).toBeDefined();
  }).toPass();
  await customer.getByLabel('The code').fill(code!);
  await customer.getByRole('button', { name: /This is what I want/ }).click();
  await expect(customer.getByRole('heading', { name: /Thank you/ })).toBeVisible();
}

/**
 * Nobody is shut out: a person is added and sets their own password by the owner's link; forgets it and gets a link by mail; turns
 * a second factor on and signs in with it; and the owner reads all of it. A car goes home and is found again.
 */
import { expect, test, type Page } from '@playwright/test';
import { generateSync } from 'otplib';
import { expectAccessible, expectNoSideScroll, openCar, signIn } from './support.ts';

test.describe.configure({ mode: 'serial' });

const EMAIL = 'zora@saltmarsh.example';

async function enter(page: Page, password: string): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('textbox', { name: 'Email' }).fill(EMAIL);
  await page.getByRole('textbox', { name: 'Password' }).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}
const floor = (page: Page) => page.getByRole('heading', { name: 'Floor', level: 1 });

async function setPassword(page: Page, url: string, password: string): Promise<void> {
  await page.goto(url);
  await page.getByRole('textbox', { name: 'New password' }).fill('password12');
  await page.getByRole('button', { name: 'Set password' }).click();
  await expect(page.getByText(/every list of common passwords/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('textbox', { name: 'New password' }).fill(password);
  await page.getByRole('button', { name: 'Set password' }).click();
  await expect(page.getByText(`Sign in with ${EMAIL}`)).toBeVisible();
}

test('added without a password, a person sets their own by the owner’s link', async ({ page, browser }) => {
  await signIn(page);
  await page.goto('/shop');
  await page.getByRole('button', { name: 'New person' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Zora Quill');
  await page.getByRole('textbox', { name: /^Email/ }).fill(EMAIL);
  await page.getByRole('button', { name: 'Add this person' }).click();
  await expect(page.getByText(/has no password yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Change Zora Quill' }).click();
  await page.getByRole('button', { name: 'Make a link to set a password' }).click();
  const link = page.getByText(/\/password\//);
  await expect(link).toBeVisible();
  await expectAccessible(page);
  const theirs = await (await browser.newContext()).newPage();
  await setPassword(theirs, (await link.innerText()).trim(), 'a gate by the shore');
  await enter(theirs, 'a gate by the shore');
  await expect(floor(theirs)).toBeVisible();
  await theirs.context().close();
});

test('forgotten, the password is set anew by a link that comes by mail', async ({ page, browser }) => {
  await page.goto('/sign-in');
  await page.getByRole('link', { name: 'Forgotten password' }).click();
  await expectAccessible(page);
  await page.getByRole('textbox', { name: 'Email' }).fill(EMAIL);
  await page.getByRole('button', { name: 'Send me a link' }).click();
  await expect(page.getByText(/a mail with a link is on its way/)).toBeVisible();
  const owner = await (await browser.newContext()).newPage();
  await signIn(owner);
  let url = '';
  await expect(async () => {
    const { mails } = (await (await owner.request.get('/api/outbox')).json()) as {
      mails: { to: string; subject: string; text: string }[];
    };
    url = /https?:\S+\/password\/\S+/.exec(
      mails.find((m) => m.to.includes(EMAIL) && m.subject.startsWith('A new password'))!.text,
    )![0];
  }).toPass();
  await owner.context().close();
  await setPassword(page, url, 'a door in the hedge');
  await enter(page, 'a gate by the shore');
  await expect(page.getByText('the address or the password is not right')).toBeVisible();
});

test('a second factor is turned on, asked for, and stands in what the owner reads', async ({ page }) => {
  await enter(page, 'a door in the hedge');
  await page.getByRole('link', { name: /^Your account/ }).click();
  await page.getByRole('button', { name: 'Turn on' }).click();
  await expect(page.getByRole('img', { name: 'Code to scan' })).toBeVisible();
  await expectAccessible(page);
  const secret = (
    await page
      .getByText(/^Or type it into the app/)
      .locator('span')
      .innerText()
  ).replace(/\s/g, '');
  const code = (more = 0): string => generateSync({ secret, epoch: Math.floor(Date.now() / 1000) + more });
  await page.getByRole('textbox', { name: 'Code from the app' }).fill(code());
  await page.getByRole('button', { name: 'Confirm' }).click();
  await expect(page.getByText(/Write these recovery codes down now/)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expectAccessible(page, 'look');
  await expectNoSideScroll(page);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await enter(page, 'a door in the hedge');
  await page.getByRole('textbox', { name: 'Code from your app' }).fill('000000');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText(/not the code that the app shows/)).toBeVisible();
  // The next step's: the one that confirmed it counts no second time.
  await page.getByRole('textbox', { name: 'Code from your app' }).fill(code(30));
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(floor(page)).toBeVisible();
  await page.goto('/account/events');
  await expect(page.getByText('second factor on')).toHaveCount(0);
  await page.context().clearCookies();
  await signIn(page);
  await page.goto('/account/events');
  await expect(page.getByRole('listitem').filter({ hasText: /second factor on.*Zora Quill/ })).toBeVisible();
  await expectAccessible(page);
});

test('a car goes home, is found again, and comes back', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'bread van');
  await page.getByRole('button', { name: 'Finish or hand over' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('link', { name: 'Floor', exact: true }).click();
  await expect(page.getByRole('link', { name: 'bread van', exact: true })).toHaveCount(0);
  await page.getByRole('link', { name: 'Handed over' }).click();
  await page.getByRole('textbox', { name: 'Search' }).fill('bread v');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'bread van' }).click();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByRole('button', { name: 'Reopen' }).click();
  await expect(page.getByRole('button', { name: 'Finish or hand over' })).toBeVisible();
  await page.getByRole('button', { name: 'Change customer' }).click();
  await page.getByRole('textbox', { name: 'Shop nickname' }).fill('hearse');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/is open and called that/)).toBeVisible();
  await expectAccessible(page);
});

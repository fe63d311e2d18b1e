/** Ways to do it, chosen by the customer; a symptom followed to its cause; what is agreed, anew; the shop's own lists. */
import { expect, test, type Page } from '@playwright/test';
import { answerWithCode, expectNoSideScroll, log, openCar, signIn } from './support.ts';

/** The link to the customer's page, from the build's panel. */
async function customersLink(page: Page): Promise<string> {
  return (await page.getByRole('link', { name: 'Their page' }).getAttribute('href'))!;
}

test('two ways side by side; the customer takes the one that was not advised, and the estimate follows', async ({
  page,
}) => {
  await signIn(page);
  await openCar(page, 'estate');
  const link = await customersLink(page);
  await page.getByRole('link', { name: 'Estimate' }).click();
  const panel = page.getByRole('region', { name: 'Ways to do it: Roof canvas' });
  await expect(panel.getByText('This one is counted')).toBeVisible();
  await expect(panel.getByText('1 to 2 weeks')).toBeVisible();
  await panel.getByRole('button', { name: 'Count The old canvas let out along the rail' }).click();
  await expect(panel.getByRole('button', { name: 'Count A new canvas, cut to the new rail' })).toBeVisible();
  await panel.getByRole('button', { name: 'Count A new canvas, cut to the new rail' }).click();
  await expect(panel.getByText('£862.80')).toBeVisible();

  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${link}/estimate`);
  await expectNoSideScroll(page);
  await page.getByRole('button', { name: 'Send these answers' }).click();
  await page.getByLabel('Your name').fill('Hugh Pellow');
  await page.getByRole('radiogroup', { name: 'Rear corners' }).getByLabel('Do it').check();
  await page.getByRole('button', { name: 'Send these answers' }).click();
  await expect(page.getByText('say which way “Roof canvas” is to be done')).toBeVisible();
  await page.getByLabel(/The old canvas let out along the rail/).check();
  await answerWithCode(page, page, () => page.getByRole('button', { name: 'Send these answers' }).click());
  await expect(page.getByRole('row', { name: /Roof canvas The old canvas let out/ })).toBeVisible();

  await page.setViewportSize({ width: 1280, height: 800 });
  await openCar(page, 'estate');
  await page.getByRole('link', { name: 'Estimate' }).click();
  await expect(panel.getByRole('button', { name: 'Count A new canvas, cut to the new rail' })).toBeVisible();
  const line = page.getByRole('listitem').filter({ hasText: 'New canvas made and fitted' }).first();
  await expect(line.getByText('another way was chosen')).toBeVisible();
  await panel.getByRole('button', { name: /^Settle it: keep “The old canvas/ }).click();
  await expect(panel).toHaveCount(0);
  await expect(page.getByText('New canvas made and fitted')).toHaveCount(0);
});

test('ways are offered in one dialog, and refused at their field', async ({ page }) => {
  await signIn(page, 'office');
  await openCar(page, 'drophead');
  await page.getByRole('link', { name: 'Estimate' }).click();
  await page.getByRole('button', { name: 'Two ways to do it' }).click();
  const dialog = page.getByRole('dialog', { name: 'Ways to do it' });
  await dialog.getByLabel('What can be done in more than one way').fill('Axle housing');
  await dialog.getByLabel('Way 1', { exact: true }).fill('Blasted whole');
  await dialog.getByLabel('Way 2', { exact: true }).fill('Blasted whole');
  await dialog.getByLabel('Weeks, at most').first().fill('some');
  await dialog.getByRole('button', { name: 'Offer these ways' }).click();
  await expect(dialog.getByText('say what stays at risk, or that nothing does').first()).toBeVisible();
  await expect(dialog.getByText('whole weeks').first()).toBeVisible();
  await dialog.getByLabel('Weeks, at most').first().fill('2');
  for (const i of [0, 1])
    await dialog.getByLabel('What stays at risk').nth(i).fill('Grit may find a way in.');
  await dialog.getByRole('button', { name: 'Offer these ways' }).click();
  await expect(dialog.getByText('two ways have the same name')).toBeVisible();
  await dialog.getByLabel('Way 2', { exact: true }).fill('Stripped bare');
  await dialog.getByRole('button', { name: 'Offer these ways' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('No line belongs to it yet: choose this way at a line.').first()).toBeVisible();
});

test('a symptom is followed from what it is not to what shows it', async ({ page }) => {
  await signIn(page, 'technician');
  await openCar(page, 'drophead');
  await log(page, 'found choke cable outer split, 12 and one hour, must');
  await log(page, 'did a cold start with the choke held by hand, ran clean');
  await page.getByRole('link', { name: 'What causes it' }).click();
  await page.getByRole('button', { name: 'Follow it up' }).click();
  await expect(page.getByText('say what was noticed')).toBeVisible();
  await page.getByLabel('What was noticed').fill('It will not start cold');
  await page.getByRole('button', { name: 'Follow it up' }).click();
  const symptom = page.getByRole('region', { name: 'It will not start cold' }).first();
  await expect(symptom.getByText('Open: not looked into yet.')).toBeVisible();
  const tie = async (entry: RegExp, role: string): Promise<void> => {
    const option = symptom.getByRole('option', { name: entry });
    await symptom.getByLabel('From the logbook').selectOption(await option.getAttribute('value'));
    await symptom.getByLabel('It …').selectOption(role);
  };
  await tie(/choke cable/, 'cause');
  await expect(symptom.getByText('nothing shows it yet')).toBeVisible();
  await tie(/cold start/, 'proof');
  await expect(symptom.getByText('Explained.')).toBeVisible();
  await expect(page.getByText(/£|12 and/)).toHaveCount(0);
});

test('what is agreed is agreed anew, and the logbook says so', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'drophead');
  await page.getByRole('button', { name: 'What is agreed' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/Budget/).fill('a lot');
  await dialog.getByRole('button', { name: 'Keep what is agreed' }).click();
  await expect(dialog.getByText('an amount, as in 46.50')).toBeVisible();
  await dialog.getByLabel(/Budget/).fill('12500');
  await dialog.getByRole('button', { name: 'Keep what is agreed' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('decided budget: £12,500.00 (was none)')).toBeVisible();
});

test('the owner takes somebody on and names a place; both work at once', async ({ page, browser }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  await page.getByRole('button', { name: 'New person' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Ansel Reed');
  await dialog.getByLabel(/^Email/).fill('ansel@saltmarsh.example');
  await dialog.getByLabel('First password').fill('a long enough one');
  await dialog.getByRole('button', { name: 'Add this person' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('technician, ansel@saltmarsh.example')).toBeVisible();
  await page.getByRole('button', { name: 'New place' }).click();
  await dialog.getByLabel('Name').fill('Paint mixing room');
  await dialog.getByLabel('Kind').selectOption('store');
  await dialog.getByRole('button', { name: 'Add this place' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Paint mixing room')).toBeVisible();
  await page.getByRole('button', { name: 'Change Wren Osgood' }).click();
  await dialog.getByRole('checkbox', { name: /^Has left/ }).check();
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(dialog.getByText(/a shop needs an owner who can sign in/)).toBeVisible();

  const theirs = await (await browser.newContext()).newPage();
  await theirs.goto('/sign-in');
  await theirs.getByLabel(/email/i).fill('ansel@saltmarsh.example');
  await theirs.getByLabel('Password').fill('a long enough one');
  await theirs.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(theirs.getByRole('heading', { name: 'Floor', level: 1 })).toBeVisible();
  await expect(theirs.getByRole('link', { name: 'Shop', exact: true })).toHaveCount(0);
  await openCar(theirs, 'drophead');
  await log(theirs, 'moved to the paint mixing room');
  await expect(theirs.getByText('stands: Paint mixing room')).toBeVisible();
});

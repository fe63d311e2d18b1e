/** From signing in to the customer reading: the six steps, at a desk; and from the line to the letter, on a phone. */
import { expect, test, type Page } from '@playwright/test';
import { expectNoSideScroll, log, logLine, openCar, signIn } from './support.ts';

const chip = (page: Page, text: string | RegExp) =>
  page.getByTestId('log-line').getByRole('button', { name: text });

test('a line in the logbook becomes a letter to the customer', async ({ page }) => {
  await test.step('sign in with one press and see the Floor', async () => {
    await signIn(page);
    await expect(page.getByRole('listitem')).toHaveCount(16);
    const car = page.getByRole('listitem').filter({ hasText: 'microcar' });
    await expect(car).toContainText('Bay 1');
    // One day more where the day it was logged fell on a Sunday.
    await expect(car).toContainText(/Waiting (?:19|20) days for the hood frame from the welder/);
    await expect(car).toContainText(/Not told for 2[67] days/);
  });

  await test.step('on the Floor the line finds the car', async () => {
    await page.keyboard.press('l');
    await expect(logLine(page)).toBeFocused();
    await page.keyboard.type('microcar: hood frame is back from the welder');
    await expect(page.getByLabel('Which car')).toHaveValue(/.+/);
    await expect(chip(page, 'kind Arrived')).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('log-line').getByRole('status')).toContainText(
      'Kept for the microcar: Arrived hood frame is back from the welder',
    );
    await expect(page.getByRole('listitem').filter({ hasText: 'microcar' })).not.toContainText(
      /Waiting (?:19|20) days/,
    );
  });

  await test.step('open the build: its logbook, newest first', async () => {
    await openCar(page, 'microcar');
    await expect(
      page
        .getByRole('list', { name: /Entries/ })
        .getByRole('listitem')
        .first(),
    ).toContainText('hood frame is back');
  });

  await test.step('write as one would say it, and see what was understood', async () => {
    await logLine(page).fill(
      'found tailgate post rotten left side, let in new metal, 60 and four hours, must',
    );
    for (const part of [
      'kind Found',
      'what tailgate post',
      'where on the car left side',
      'money £60.00',
      'hours 4 h',
      'class must',
    ])
      await expect(chip(page, part)).toBeVisible();
    await chip(page, 'hours 4 h').click();
    await page.getByRole('textbox', { name: 'hours' }).fill('5');
    await page.getByRole('button', { name: 'Put right' }).click();
    await expect(chip(page, 'hours 5 h')).toBeVisible();
    await logLine(page).press('Enter');
    await expect(page.getByTestId('log-line').getByRole('status')).toContainText('Found');
    const newest = page
      .getByRole('list', { name: /Entries/ })
      .getByRole('listitem')
      .first();
    await expect(newest).toContainText('money £60.00');
    await expect(newest).toContainText('hours 5 h');
    await log(page, 'spent 18 on fixings');
    await log(page, 'ordered 2 window winders from Tern & Sons, 46.50, due friday');
    await log(page, 'waiting on glass since monday');
    await expect(page.getByText(/Waiting .* for the glass/).first()).toBeVisible();
  });

  await test.step('correct what was kept; the first words stay', async () => {
    const line = page.getByRole('listitem').filter({ hasText: 'spent 18 on fixings' }).first();
    await line.getByRole('button', { name: 'Correct: spent 18' }).click();
    const dialog = page.getByRole('dialog', { name: 'Correct this entry' });
    await dialog.getByRole('textbox', { name: 'What was written' }).fill('spent 28 on fixings');
    await dialog.getByRole('button', { name: /^money/ }).click();
    await page.getByRole('textbox', { name: 'money' }).fill('28');
    await page.getByRole('button', { name: 'Put right' }).click();
    await dialog.getByRole('button', { name: 'Keep the correction' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: 'spent 28 on fixings' }).first()).toContainText(
      'corrected; first: “spent 18 on fixings”',
    );
  });

  // What was just put right is in it.
  await page.reload();
  const figure = page.getByText('Spent, not on a line yet').locator('xpath=following-sibling::dd[1]');
  await expect(figure).toContainText('£');
  const spent = await figure.textContent();

  await test.step('draft the update: the figures are those of the build page', async () => {
    await page.getByRole('button', { name: 'Draft update' }).click();
    await expect(page.getByRole('heading', { name: 'Letter to Ilse Brandt' })).toBeVisible();
    const letter = page.getByRole('article', { name: 'The letter' });
    await expect(letter).toContainText(
      'Tailgate post rotten left side, let in new metal. To put right: about £60.00 and 5 h.',
    );
    // Ilse lives abroad: about what it is in her own money stands behind it.
    await expect(letter).toContainText(`so far: ${spent} (about €`);
    await expect(letter).toContainText('Waiting for the glass since');
    await expect(letter).not.toContainText('fixings');
  });

  await test.step('edit, leave out, send', async () => {
    await page.getByRole('textbox', { name: 'Subject' }).fill('Your hood frame is back');
    await page.getByRole('checkbox', { name: /2 window winders/ }).uncheck();
    // That the car waits for them stays true.
    await expect(page.getByRole('article', { name: 'The letter' })).not.toContainText('2 window winders');
    await expect(page.getByText('Saved.')).toBeVisible();
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'Subject' })).toHaveValue('Your hood frame is back');
    await page.getByRole('button', { name: 'Send to Ilse' }).click();
    await page.getByRole('button', { name: 'Send it' }).click();
    await expect(page.getByText('The mail server has taken it.')).toBeVisible();
  });

  await test.step('the customer opens the link in the mail and reads', async () => {
    await page.getByRole('link', { name: 'see it in the outbox' }).click();
    await expect(page.getByText('Nothing leaves this machine')).toBeVisible();
    await page.getByRole('link', { name: 'Open the link as the customer does' }).first().click();
    await expect(page.getByRole('heading', { name: 'Your hood frame is back' })).toBeVisible();
    await expect(page.locator('body')).not.toContainText(/2 window winders|rally|estate|Hugh|fixings/);
  });

  await test.step('the next draft starts after it', async () => {
    await openCar(page, 'microcar');
    await page.getByRole('button', { name: 'Draft update' }).click();
    await expect(page.getByRole('article', { name: 'The letter' })).toContainText(
      'Nothing has been done on your car since my last letter',
    );
  });
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('log, draft, send, and the customer reads', async ({ page }) => {
    await signIn(page);
    await expectNoSideScroll(page);
    await openCar(page, 'ice-cream van');
    await expectNoSideScroll(page);
    await logLine(page).tap();
    await logLine(page).fill('did serving hatch hinges, 3h');
    await expectNoSideScroll(page);
    await page.getByRole('button', { name: 'Keep this line' }).tap();
    await expect(page.getByTestId('log-line').getByRole('status')).toContainText(
      'Kept for the ice-cream van',
    );
    await page.getByRole('button', { name: 'Draft update' }).tap();
    await expect(page.getByRole('article', { name: 'The letter' })).toContainText('Serving hatch hinges.');
    await expectNoSideScroll(page);
    await page.getByRole('button', { name: 'Send to Marta' }).tap();
    await page.getByRole('button', { name: 'Send it' }).tap();
    await expect(page.getByText('The mail server has taken it.')).toBeVisible();
    await page.getByRole('link', { name: 'see it in the outbox' }).tap();
    await page.getByRole('link', { name: 'Open the link as the customer does' }).first().tap();
    await expect(page.getByRole('heading', { name: '1961 Dolcino ice-cream van' })).toBeVisible();
    await expectNoSideScroll(page);
  });
});

test('the customer’s page needs no script', async ({ page, browser }) => {
  await signIn(page);
  await page.goto('/outbox');
  const link = await page
    .getByRole('link', { name: 'Open the link as the customer does' })
    .first()
    .getAttribute('href');
  const bare = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
  const reader = await bare.newPage();
  const requests: string[] = [];
  reader.on('request', (r) => requests.push(r.resourceType()));
  await reader.goto(link!);
  await expect(reader.getByText(/^Dear /).first()).toBeVisible();
  expect(requests).not.toContain('script');
  await bare.close();
});

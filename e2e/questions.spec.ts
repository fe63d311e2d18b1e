/** A customer asks on their page; the owner sees it on the Floor, answers, and the customer reads the answer. */
import { expect, test } from '@playwright/test';
import { expectAccessible, expectNoSideScroll, openCar, signIn } from './support.ts';

test('asked on the page, seen on the Floor, answered, read', async ({ page, browser }) => {
  await signIn(page);
  await openCar(page, 'rally car');
  const link = (await page.getByRole('link', { name: 'Their page' }).getAttribute('href'))!;
  // A customer's telephone, without scripts: nothing on the page needs one.
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    javaScriptEnabled: false,
    locale: 'en-GB',
  });
  const customer = await phone.newPage();
  await customer.goto(link);
  await expect(customer.getByRole('heading', { name: 'The money, as of today' })).toBeVisible();
  await customer.getByText('Line by line').click();
  await expect(customer.getByRole('table')).toBeVisible();
  await customer.getByLabel('What you want to know').fill('May I bring my own spot lamps?');
  await customer.getByLabel('Your name').fill('Anselm');
  await customer.getByRole('button', { name: 'Send it' }).click();
  await expect(customer).toHaveURL(/#questions$/);
  await expect(customer.getByText('It is with us; you will hear.')).toBeVisible();

  await page.goto('/');
  await expect(page.getByText('Anselm asks: “May I bring my own spot lamps?”')).toBeVisible();
  await openCar(page, 'rally car');
  const asked = page.getByRole('region', { name: 'Asked by the customer' });
  await asked.getByRole('button', { name: /^Answer: / }).click();
  const dialog = page.getByRole('dialog');
  await expectAccessible(page);
  await dialog.getByLabel('Your answer').fill('Yes. The hearse has the same brackets.');
  await dialog.getByRole('button', { name: 'Send the answer' }).click();
  await expect(dialog.getByText(/“hearse” is not for this customer/)).toBeVisible();
  await dialog.getByLabel('Your answer').fill('Yes, bring them on Friday.');
  await dialog.getByRole('button', { name: 'Send the answer' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(asked.getByText('Yes, bring them on Friday.')).toBeVisible();

  await customer.reload();
  await expect(customer.getByText('Yes, bring them on Friday.')).toBeVisible();

  // Answered by word of mouth: the line says so, its words stay in the shop, and it can be undone.
  await customer.getByLabel('What you want to know').fill('And when are they on?');
  await customer.getByLabel('Your name').fill('Anselm');
  await customer.getByRole('button', { name: 'Send it' }).click();
  await expect(customer.getByText('It is with us; you will hear.')).toBeVisible();
  await expect(asked.getByRole('button', { name: 'Answer: And when are they on?' })).toBeVisible();
  await page.locator('#log-line').fill('told Anselm the lamps go on next week');
  const does = page.getByRole('group', { name: 'What this line will do' });
  await does.getByRole('button', { name: /Answers “And when are they on\?”/ }).click();
  await expect(does).toContainText('Answers “And when are they on?” (Anselm)');
  await page.locator('#log-line').press('Enter');
  await expect(asked.getByText('Answered by word of mouth')).toBeVisible();
  await customer.reload();
  await expect(customer.getByText('Answered when we spoke')).toBeVisible();
  await expect(customer.getByText('the lamps go on next week')).toHaveCount(0);
  await page.getByTestId('log-line').getByRole('button', { name: 'Undo' }).click();
  await expect(asked.getByRole('button', { name: 'Answer: And when are they on?' })).toBeVisible();
  await phone.close();

  const wide = await browser.newPage();
  await wide.goto(link);
  await expectAccessible(wide);
  await wide.setViewportSize({ width: 390, height: 844 });
  await expectNoSideScroll(wide);
  await wide.close();
});

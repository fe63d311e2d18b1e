/** Several cars in one go: understood piece by piece, put right by touch, set aside, logged together, safe to try again. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, openCar, signIn } from './support.ts';

const SAID =
  'good morning all right so the estate fitted the gutter strip one hour and ordered two catches from Cobb Springs 12.40 ' +
  'then over to the drophead found the hood iron bent again 35 and two hours must moving on to the microcar next we want the hood on';

test('dictated on a phone without a stop: five things about three cars, logged at once', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page);
  await page.getByRole('link', { name: 'Say it all at once' }).click();
  await page.getByLabel('What is going on, car after car').fill(SAID);
  const understood = page.getByRole('region', { name: 'What was understood' });
  await expect(understood.getByRole('listitem')).toHaveCount(4);
  await expect(page.getByRole('region', { name: 'Set aside' })).toContainText('good morning all');
  await expectNoSideScroll(page);
  const catches = understood.getByRole('listitem').filter({ hasText: 'ordered two catches' });
  await expect(catches.getByRole('combobox')).toHaveValue(/./);
  await expect(catches).toContainText('£12.40');
  await catches.getByRole('combobox').selectOption({ label: 'tourer' });
  await page.reload();
  await expect(understood.getByRole('listitem')).toHaveCount(4);
  await catches.getByRole('combobox').selectOption({ label: 'tourer' });
  // The second answer is lost on the way: it is sent again by itself, and nothing is kept twice.
  let lost = false;
  await page.route('**/entries', async (route) => {
    if (route.request().method() !== 'POST' || lost || !route.request().postData()?.includes('hood iron'))
      return route.fallback();
    lost = true;
    await route.fetch();
    return route.abort();
  });
  await page.getByRole('button', { name: 'Log these 4 lines' }).click();
  await expect(page.getByText('4 lines logged: estate, tourer, drophead, microcar.')).toBeVisible();
  await openCar(page, 'drophead');
  await expect(page.getByText('found the hood iron bent again 35 and two hours must')).toHaveCount(1);
  await openCar(page, 'tourer');
  await expect(page.getByText('ordered two catches from Cobb Springs 12.40')).toBeVisible();
  await openCar(page, 'microcar');
  await expect(page.getByText('the hood on', { exact: true })).toBeVisible();
});

/** Several cars in one go: understood piece by piece, put right by touch, set aside, logged together, safe to try again. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, openCar, signIn } from './support.ts';

const SAID =
  'good morning all right so the estate fitted the gutter strip one hour and ordered two catches from Cobb Springs 12.40 ' +
  'then over to the drophead found the hood iron bent again 35 and two hours must moving on to the microcar next we want the hood on';

test('dictated on a phone without a stop: five things about four cars, cut and joined by touch, logged at once or not at all', async ({
  page,
}) => {
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
  // One word begins another thing; it is joined again.
  await understood.getByRole('button', { name: /^Cut or join: found the hood iron/ }).click();
  await expectNoSideScroll(page);
  await understood.getByRole('button', { name: 'Another begins with “again”' }).click();
  await expect(understood.getByRole('listitem')).toHaveCount(5);
  await understood.getByRole('button', { name: /^Cut or join: again 35|^Cut or join: 35 and/ }).click();
  await understood.getByRole('button', { name: 'Join it to what stands before' }).click();
  await expect(understood.getByRole('listitem')).toHaveCount(4);
  // The answer is lost on the way: it is sent again by itself, and nothing is kept twice.
  let lost = 0;
  await page.route('**/api/said', async (route) => {
    lost += 1;
    if (lost > 1) return route.fallback();
    await route.fetch();
    return route.abort();
  });
  await page.getByRole('button', { name: 'Log these 4 lines' }).click();
  await expect(page.getByText('4 lines logged: estate, tourer, drophead, microcar.')).toBeVisible();
  expect(lost).toBeGreaterThanOrEqual(2);
  await openCar(page, 'drophead');
  await expect(page.getByText('found the hood iron bent again 35 and two hours must')).toHaveCount(1);
  await openCar(page, 'tourer');
  await expect(page.getByText('ordered two catches from Cobb Springs 12.40')).toBeVisible();
  await openCar(page, 'microcar');
  await expect(page.getByText('the hood on', { exact: true })).toBeVisible();
});

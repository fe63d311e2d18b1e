/** Several cars in one go: understood piece by piece, doubts answered and put right by touch, logged together, safe to try again. */
import { expect, test, type Page } from '@playwright/test';
import { expectNoSideScroll, openCar, signIn } from './support.ts';

const SAID =
  'good morning all right so the estate we’ve got the gutter strip on that took an hour and ordered two catches from Cobb Springs ' +
  'twelve pounds forty then over to the drophead found the hood iron’s bent again 35 quid and two hours must moving on to the ' +
  'microcar next is the hood on and we’re still waiting on the drums I haven’t touched the wiring somebody put the kettle on and ' +
  'the hearse has had its second coat of lacquer the milk float we fitted the batteries four hours and the charger hasn’t come';

const understood = (page: Page) => page.getByRole('group', { name: 'What was understood' });

async function dictate(page: Page, said: string): Promise<void> {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page);
  await page.getByRole('link', { name: 'Dictate for several cars' }).click();
  await page.getByLabel('What is going on, car after car').fill(said);
  await expect(understood(page)).toBeVisible();
}

/** Answers with the first answer until nothing is asked, and says how often that was. */
async function answerAll(page: Page): Promise<number> {
  const questions = understood(page).locator('[data-question]');
  let asked = 0;
  for (let left = await questions.count(); left > 0; left = await questions.count()) {
    await questions.first().getByRole('button').first().click();
    await expect.poll(() => questions.count()).toBeLessThan(left);
    asked += 1;
  }
  return asked;
}

test('five cars dictated on a phone without a stop, every doubt answered, cut and joined by touch, logged at once or not at all', async ({
  page,
}) => {
  await dictate(page, SAID);
  for (const car of ['estate', 'drophead', 'microcar', 'hearse', 'milk float'])
    await expect(understood(page).getByRole('region', { name: car })).toBeVisible();
  await expectNoSideScroll(page);
  const pieces = understood(page).locator('[data-piece]');
  const said = await pieces.count();
  expect(said).toBeGreaterThanOrEqual(9);
  // Nothing is logged while it is in doubt whether it happened.
  if ((await understood(page).locator('[data-question]').count()) > 0)
    await expect(page.getByRole('button', { name: /^Log these/ })).toBeDisabled();
  const catches = pieces.filter({ hasText: 'ordered two catches' });
  await expect(catches).toContainText('£12.40');
  // One word begins another thing; it is joined again.
  await catches.getByRole('button', { expanded: false }).click();
  await catches.getByRole('button', { name: /^Cut or join/ }).click();
  await expectNoSideScroll(page);
  await page.getByRole('button', { name: 'Another begins with “twelve”' }).click();
  await expect(pieces).toHaveCount(said + 1);
  const twelve = pieces.filter({ hasText: 'Twelve pounds' });
  await twelve.getByRole('button', { expanded: false }).click();
  await twelve.getByRole('button', { name: /^Cut or join/ }).click();
  await page.getByRole('button', { name: 'Join it to what stands before' }).click();
  await expect(pieces).toHaveCount(said);
  // The catches are the tourer's, and so would be what followed, had nothing turned to another car.
  await catches.getByRole('button', { expanded: false }).first().click();
  await catches.getByRole('combobox').selectOption({ label: 'tourer' });
  await answerAll(page);
  const aside = page.getByText(/^Set aside: /);
  await aside.click();
  await expect(page.getByText('good morning all', { exact: false }).last()).toBeVisible();
  // The answer is lost on the way: it is sent again by itself, and nothing is kept twice.
  let lost = 0;
  await page.route('**/api/said', async (route) => {
    lost += 1;
    if (lost > 1) return route.fallback();
    await route.fetch();
    return route.abort();
  });
  await page.getByRole('button', { name: /^Log these \d+ lines/ }).click();
  await expect(
    page.getByText(/^\d+ lines logged: estate, tourer, drophead, microcar, hearse, milk float\.$/),
  ).toBeVisible();
  expect(lost).toBeGreaterThanOrEqual(2);
  await openCar(page, 'drophead');
  await expect(page.getByText(/^Found the hood iron’s bent again/)).toHaveCount(1);
  await openCar(page, 'tourer');
  await expect(page.getByText(/^Ordered two catches from Cobb Springs/)).toHaveCount(1);
  await openCar(page, 'microcar');
  await expect(page.getByText('The hood on', { exact: true })).toBeVisible();
});

test('“haven’t touched the wiring” logs no work; without a network it is the same', async ({
  page,
  context,
}) => {
  await dictate(page, 'the drophead I haven’t touched the wiring');
  await answerAll(page);
  await context.setOffline(true);
  await page
    .getByLabel('What is going on, car after car')
    .fill('the drophead I haven’t touched the wiring yet');
  const piece = understood(page).locator('[data-piece]');
  await expect(piece).toHaveCount(1);
  await expect(piece).toContainText('Note');
  await answerAll(page);
  await page.getByRole('button', { name: 'Log this line' }).click();
  await expect(page.getByText('One line kept on this device, to go by itself: drophead.')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('One line logged: drophead.')).toBeVisible();
  await openCar(page, 'drophead');
  await expect(page.getByText(/haven’t touched the wiring yet$/)).toHaveCount(1);
});

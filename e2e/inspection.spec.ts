/** Looking a car over: by keyboard at a desk, and with a thumb on a tablet. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, logLine, openCar, signIn } from './support.ts';

test('by keyboard: fine, a finding, could not see, and on to the next', async ({ page }) => {
  await signIn(page, 'technician');
  await openCar(page, 'hearse');
  await page.getByRole('link', { name: 'Look it over' }).click();
  await expect(page.getByText(/^0 of \d+ looked at$/)).toBeVisible();
  const row = (look: string) => page.getByRole('group', { name: look });
  await row('Panels').or(row('How it stands')).first().getByRole('button', { name: 'Fine' }).focus();
  await page.keyboard.press('1');
  await expect(page.getByText(/^1 of \d+ looked at$/)).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('3');
  await expect(page.getByText('1 could not be seen')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('2');
  await expect(page.getByLabel(/^What is it\? Dents/)).toBeFocused();
  await page.keyboard.type('filler in the rear quarter, six hours, should');
  await expect(page.getByText(/hours 6 h · class should/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('found filler in the rear quarter, six hours, should')).toBeVisible();
  await expect(page.getByText(/^3 of \d+ looked at$/)).toBeVisible();

  await test.step('what is left is shown alone', async () => {
    await page.getByRole('button', { name: 'Show only what has not been looked at' }).click();
    await expect(page.getByRole('group', { name: 'How it stands' })).toHaveCount(0);
    await expect(page.getByRole('group', { name: /^Bright trim/ })).toBeVisible();
  });

  await test.step('it stands in the logbook', async () => {
    await page.getByRole('link', { name: 'To its logbook' }).click();
    await expect(page.getByText('found filler in the rear quarter').first()).toBeVisible();
  });
});

test('house rules: what the past says is proposed, kept all at once but for one; the owner changes a rule', async ({
  page,
}) => {
  await signIn(page);
  await openCar(page, 'hearse');
  await page.keyboard.press('o');
  const rules = page.getByRole('region', { name: 'House rules' });
  await rules.getByText('7 findings proposed from what is known').click();
  await expect(rules.getByText('The tyres are 15 years old.')).toBeVisible();
  await rules.getByLabel('Date code of the tyres').fill('35');
  await rules.getByRole('button', { name: 'Ask the rules again' }).click();
  await expect(rules.getByText('four figures, as in 3514')).toBeVisible();
  await rules.getByLabel('Date code of the tyres').fill('3524');
  await rules.getByRole('button', { name: 'Ask the rules again' }).click();
  await expect(rules.getByText('6 findings proposed from what is known')).toBeVisible();
  await rules.getByRole('checkbox', { name: /door and boot seals/ }).uncheck();
  await rules.getByRole('button', { name: 'Keep these 5 findings, refuse 1' }).click();
  await expect(rules.getByText('5 kept as findings, 1 refused.')).toBeVisible();

  await test.step('each stands in the logbook with its reason', async () => {
    await page.getByRole('link', { name: 'To its logbook' }).click();
    await expect(page.getByText(/found fuel that has turned.*It has stood 6 years\./)).toBeVisible();
    await expect(page.getByText(/door and boot seals hard/)).toHaveCount(0);
  });

  await test.step('the rules themselves', async () => {
    await page.goto('/shop/rules');
    await page.getByRole('button', { name: /^Change: found door and boot seals/ }).click();
    await page.getByLabel('Car at least … years old').fill('none');
    await page.getByRole('button', { name: 'Keep the rule' }).click();
    await expect(page.getByText('whole years')).toBeVisible();
    await page.getByLabel('Car at least … years old').fill('30');
    await page.getByRole('button', { name: 'Keep the rule' }).click();
    await expect(page.getByText('When the car is 30 years old.')).toBeVisible();
  });
});

test.describe('on a tablet', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });

  test('with a thumb: the log line knows the zone at hand, and cautions stand where looking can hurt', async ({
    page,
  }) => {
    await signIn(page, 'technician');
    await openCar(page, 'hearse');
    await page.getByRole('link', { name: 'Look it over' }).tap();
    await page.getByLabel('High voltage fitted').tap();
    await expect(page.getByText(/High voltage kills/)).toBeVisible();
    await page.getByLabel('High voltage fitted').tap();
    await expect(page.getByText(/High voltage kills/)).toHaveCount(0);
    await expect(page.getByText(/Never under a vehicle that only a jack holds/).first()).toBeVisible();
    const belts = page.getByRole('group', { name: /^Belts: webbing/ });
    await belts.getByRole('button', { name: 'Fine' }).tap();
    await expect(belts.getByRole('button', { name: 'Fine' })).toHaveAttribute('aria-pressed', 'true');
    const box = (await belts.getByRole('button', { name: 'Fine' }).boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44);
    await logLine(page).fill('found seat runner loose, should');
    await expect(page.getByRole('button', { name: 'where on the car inside' })).toBeVisible();
    await logLine(page).fill('');
    await expectNoSideScroll(page);
  });
});

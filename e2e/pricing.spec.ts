/** From intake to an agreed estimate; a change that is more than the budget; what a customer can and cannot agree to. */
import { expect, test, type Page } from '@playwright/test';
import { answerWithCode, expectNoSideScroll, log, openCar, signIn } from './support.ts';

/** A build made through the intake form; stands on its page afterwards. */
async function intake(page: Page, nickname: string, more: Record<string, string> = {}): Promise<void> {
  await page.goto('/builds/new');
  const fields = {
    Vehicle: 'Fulmar delivery tricycle',
    'What you call it': nickname,
    Customer: 'Odile Marsh',
    'Their email': 'odile@marsh.example',
    'What they came with, in their own words': 'It should carry bread again by the spring.',
    ...more,
  };
  for (const [label, value] of Object.entries(fields)) await page.getByLabel(label).fill(value);
  await page.getByRole('button', { name: 'Begin the build' }).click();
  await expect(page.getByText('It should carry bread again')).toBeVisible();
}

async function openEstimate(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Estimate' }).click();
  await expect(page.getByRole('heading', { name: /: estimate$/ })).toBeVisible();
}

interface Line {
  title: string;
  hours: string;
  parts?: string;
  class?: 'safety' | 'must' | 'should' | 'nice';
}

async function addLine(page: Page, line: Line): Promise<void> {
  await page.getByRole('button', { name: 'New line' }).click();
  const dialog = page.getByRole('dialog', { name: 'A line for the estimate' });
  await dialog.getByLabel('What is to be done').fill(line.title);
  if (line.class) await dialog.getByLabel('Class').selectOption(line.class);
  await dialog.getByLabel('likely, Hours').fill(line.hours);
  if (line.parts) await dialog.getByLabel(/likely, Parts/).fill(line.parts);
  await dialog.getByRole('button', { name: 'Put it on the estimate' }).click();
  await expect(dialog).toBeHidden();
}

const row = (page: Page, title: string) => page.getByRole('listitem').filter({ hasText: title }).first();

async function send(page: Page, number: number): Promise<void> {
  await page.getByRole('button', { name: `Send estimate ${number} to Odile` }).click();
  await expect(page.getByText(`Estimate ${number}`, { exact: true })).toBeVisible();
}

/** The address in the newest mail with this subject. */
async function mailed(page: Page, subject: RegExp, wanted: RegExp): Promise<string> {
  await expect(async () => {
    await page.goto('/outbox');
    await expect(page.getByText(subject).first()).toBeVisible({ timeout: 2000 });
  }).toPass();
  const text = (await page.getByRole('main').textContent())!;
  return wanted.exec(text)![0];
}

test('intake to an agreed estimate; a page left open on the older one agrees to nothing', async ({
  page,
  context,
}) => {
  await signIn(page);
  await intake(page, 'post tricycle');
  await log(page, 'found front fork cracked at the crown, 40 and three hours, safety');
  await page.keyboard.press('Escape');
  await openEstimate(page);
  const estimateUrl = page.url();

  await test.step('a finding becomes a line, with what it said', async () => {
    await page.getByRole('button', { name: /^Make a line of: found front fork/ }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByLabel('What is to be done')).toHaveValue(/Front fork/);
    await expect(dialog.getByLabel('likely, Hours')).toHaveValue('3');
    await expect(dialog.getByLabel('Class')).toHaveValue('safety');
    await dialog.getByLabel('high, Hours').fill('2');
    await dialog.getByRole('button', { name: 'Put it on the estimate' }).click();
    await expect(dialog.getByText('the likely is above the high')).toBeVisible();
    await dialog.getByLabel('high, Hours').fill('5');
    await dialog.getByLabel('Why, as the customer will read it').fill('It would break under a load.');
    await dialog.getByRole('button', { name: 'Put it on the estimate' }).click();
    await expect(dialog).toBeHidden();
  });

  await addLine(page, { title: 'Bread box repainted', hours: '6', parts: '45', class: 'nice' });
  await send(page, 1);
  const link = await mailed(page, /Estimate 1 for your post tricycle/, /http\S+\/estimate/);
  const customer = await context.newPage();
  await customer.setViewportSize({ width: 390, height: 844 });
  await customer.goto(link);
  await expectNoSideScroll(customer);
  await expect(customer.getByText('It would break under a load.')).toBeVisible();

  await test.step('meanwhile the estimate changes: the open page cannot agree to the old one', async () => {
    await page.goto(estimateUrl);
    await page.getByRole('button', { name: 'Change Bread box repainted' }).click();
    await page
      .getByRole('dialog')
      .getByLabel(/likely, Parts/)
      .fill('75');
    await page
      .getByRole('dialog')
      .getByLabel(/high, Parts/)
      .fill('75');
    await page.getByRole('button', { name: 'Keep the change' }).click();
    await send(page, 2);
    await customer.getByLabel('Your name').fill('Odile Marsh');
    await customer.getByRole('button', { name: 'Agree to all as you propose it' }).click();
    await expect(customer.getByRole('heading', { name: 'There is a newer estimate' })).toBeVisible();
    await expect(customer.getByText(/Bread box repainted: dearer/)).toBeVisible();
  });

  await test.step('line by line, then the code from the mail', async () => {
    const choose = (title: RegExp, answer: string) =>
      customer.getByRole('radiogroup', { name: title }).getByRole('radio', { name: answer }).check();
    await choose(/Front fork/, 'Do it');
    await choose(/Bread box/, 'Let it wait');
    await customer.getByLabel('Your name').fill('Odile Marsh');
    await answerWithCode(page, customer, () =>
      customer.getByRole('button', { name: /Send these answers/ }).click(),
    );
    await page.goto(estimateUrl);
    await expect(row(page, 'Front fork')).toContainText('agreed');
    await expect(row(page, 'Bread box')).toContainText('put off by the customer');
    await page.getByRole('link', { name: 'To its logbook' }).click();
    await expect(page.getByText(/Odile Marsh agreed to Front fork/)).toBeVisible();
  });
});

test('a safety line left out needs their word, and then stands in the way of hand-over', async ({
  page,
  context,
}) => {
  await signIn(page);
  await intake(page, 'bread cart');
  await openEstimate(page);
  const estimateUrl = page.url();
  await addLine(page, { title: 'Brake rods', hours: '2', parts: '30', class: 'safety' });
  await send(page, 1);
  const customer = await context.newPage();
  await customer.goto(await mailed(page, /Estimate 1 for your bread cart/, /http\S+\/estimate/));
  await customer.getByRole('radio', { name: 'Leave it out' }).check();
  await customer.getByLabel('Your name').fill('Odile Marsh');
  await customer.getByRole('button', { name: /Send these answers/ }).click();
  await expect(customer.getByText(/“Brake rods” is about safety/)).toBeVisible();
  await expect(customer.getByRole('radio', { name: 'Leave it out' })).toBeChecked();
  await customer.getByRole('checkbox', { name: /I understand that the car is not safe/ }).check();
  await answerWithCode(page, customer, () =>
    customer.getByRole('button', { name: /Send these answers/ }).click(),
  );
  await page.goto(estimateUrl);
  await expect(page.getByText('Not to be handed over as roadworthy:')).toBeVisible();
  await page.getByRole('button', { name: 'Begin Brake rods now' }).click();
  await expect(page.getByRole('alert')).toContainText('declined “Brake rods”. Ask again');
});

test('over the budget: what can wait is proposed, sent, and answered by telephone', async ({ page }) => {
  await signIn(page);
  await intake(page, 'baker’s bike', { 'Budget, GBP': '400', 'May be spent without asking': '50' });
  await openEstimate(page);
  await addLine(page, { title: 'Wheels respoked', hours: '3', parts: '60', class: 'must' });
  await addLine(page, { title: 'Bell silvered', hours: '1', parts: '20', class: 'nice' });
  await addLine(page, { title: 'Saddle leather', hours: '2', parts: '70', class: 'nice' });
  await expect(page.getByText(/over the budget/)).toBeVisible();

  await test.step('what must stay is not offered any more', async () => {
    await page.getByText('Say what must stay and what must wait').click();
    await page.getByRole('combobox', { name: /Saddle leather/ }).selectOption('kept');
    await expect(page.getByRole('button', { name: /^Propose to let/ })).not.toHaveCount(0);
    await expect(page.getByRole('listitem').filter({ hasText: /Saddle leather.*saves/ })).toHaveCount(0);
    await page.getByRole('combobox', { name: /Saddle leather/ }).selectOption('free');
  });

  await page
    .getByRole('button', { name: /^Propose to let/ })
    .first()
    .click();
  await expect(page.getByText('This is what the estimate proposes.')).toBeVisible();
  await expect(page.getByText('we propose to let it wait').first()).toBeVisible();
  await send(page, 1);

  await test.step('they ring', async () => {
    await page.getByRole('button', { name: 'Take down an answer by telephone' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'They agreed to everything' }).click();
    await dialog.getByRole('button', { name: 'Keep this answer' }).click();
    await expect(dialog.getByText('write down what was said')).toBeVisible();
    await dialog.getByLabel('What was said').fill('Do all of it, the bakery pays.');
    await dialog.getByRole('button', { name: 'Keep this answer' }).click();
    await expect(dialog).toBeHidden();
    await expect(page.getByText(/by telephone to Wren Osgood: “Do all of it/)).toBeVisible();
    await expect(row(page, 'Wheels respoked')).toContainText('agreed');
  });
});

test('two at one line: the second is shown what changed, loses nothing, and chooses', async ({
  page,
  browser,
}) => {
  await signIn(page);
  await openCar(page, 'drophead');
  await page.keyboard.press('e');
  await page.getByRole('button', { name: 'New line' }).click();
  await page.getByLabel('What is to be done').fill('Hood irons straightened');
  await page.getByRole('button', { name: 'Put it on the estimate' }).click();
  await page.getByRole('button', { name: 'Change Hood irons straightened' }).click();
  await page.getByLabel('Why, as the customer will read it').fill('They chafe through the cover.');

  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'office');
  await other.goto(page.url());
  await other.getByRole('button', { name: 'Change Hood irons straightened' }).click();
  await other.getByLabel('What is to be done').fill('Hood irons straightened and sleeved');
  await other.getByRole('button', { name: 'Keep the change' }).click();
  await expect(other.getByRole('dialog')).toHaveCount(0);
  await other.context().close();

  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Keep the change' }).click();
  await expect(dialog.getByText('This line was changed meanwhile:')).toBeVisible();
  await expect(dialog.getByText(/What is to be done: Hood irons straightened → /)).toContainText(
    'and sleeved',
  );
  await expect(dialog.getByLabel('Why, as the customer will read it')).toHaveValue(
    'They chafe through the cover.',
  );
  await dialog.getByRole('button', { name: 'Go on with mine' }).click();
  await dialog.getByLabel('What is to be done').fill('Hood irons straightened and sleeved');
  await dialog.getByRole('button', { name: 'Keep the change' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('They chafe through the cover.')).toBeVisible();
});

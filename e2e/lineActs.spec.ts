/** A line of the log does what it says: on two screens at once, undone, refused with its reason. */
import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, log, openCar, signIn } from './support.ts';

const does = (page: Page) => page.getByRole('group', { name: 'What this line will do' });
const news = (page: Page) => page.getByTestId('log-line').getByRole('status');

test('ordered by a line, it is on the parts desk; received by a line, it is gone from there on another screen within a second', async ({
  page,
  browser,
}) => {
  await signIn(page, 'owner');
  const desk = await (await browser.newContext()).newPage();
  await signIn(desk, 'owner');
  await desk.goto('/parts');
  await page.locator('#log-line').fill('milk float: ordered wiper spindle from Tern & Sons, 28, due Friday');
  await expect(does(page)).toContainText('Orders wiper spindle');
  await page.locator('#log-line').press('Enter');
  await expect(news(page)).toContainText('Ordered wiper spindle');
  const row = desk.getByRole('listitem').filter({ hasText: 'wiper spindle' });
  await expect(row.first()).toBeVisible({ timeout: 5000 });

  await page.locator('#log-line').fill('milk float: wiper spindle arrived');
  await expect(does(page)).toContainText('Receives wiper spindle');
  await expect(does(page)).toContainText('from Tern & Sons');
  await page.locator('#log-line').press('Enter');
  await expect(news(page)).toContainText('Received wiper spindle');
  await expect(row.first().getByRole('button', { name: /^Fit/ })).toBeVisible({ timeout: 5000 });
  await expect(row.first().getByRole('button', { name: /^It is here/ })).toHaveCount(0);

  await news(page).getByRole('button', { name: 'Undo' }).click();
  await expect(news(page)).not.toContainText('Received wiper spindle');
  await expect(row.first().getByRole('button', { name: /^It is here/ })).toBeVisible({ timeout: 5000 });
  await desk.context().close();
});

test('some of what is on order came: so many are here, the others stay on order', async ({ page }) => {
  await signIn(page, 'owner');
  await log(page, 'milk float: ordered 4 cab bolts from Tern & Sons, 12');
  await page.locator('#log-line').fill('milk float: 2 of 4 cab bolts arrived');
  await expect(does(page)).toContainText('Receives 2 of 4 cab bolts');
  await page.locator('#log-line').press('Enter');
  await expect(news(page)).toContainText('Received 2 of the cab bolts');
  await page.goto('/parts');
  const rows = page.getByRole('listitem').filter({ hasText: 'cab bolts' });
  await expect(rows).toHaveCount(2);
  await expect(rows.filter({ has: page.getByRole('button', { name: /^It is here/ }) })).toHaveCount(1);
  await expect(rows.filter({ has: page.getByRole('button', { name: /^Send back/ }) })).toHaveCount(1);
});

test('what a car needs is on its parts list, what is planned among its tasks; undone, neither is', async ({
  page,
}) => {
  await signIn(page, 'owner');
  for (const [kind, text, will, list] of [
    ['needs', 'milk float: needs a bonnet stay', 'Puts on the parts list: bonnet stay', 'Parts'],
    ['planned', 'milk float: planned: line the cab doors', 'Writes down the task line the cab doors', 'Work'],
  ] as const) {
    await page.locator('#log-line').fill(text);
    await expect(does(page)).toContainText(will);
    await page.locator('#log-line').press('Enter');
    await expect(news(page)).toContainText(
      kind === 'needs' ? 'Put on the parts list: bonnet stay' : 'Wrote down the task',
    );
    const other = await page.context().newPage();
    await other.goto('/');
    await openCar(other, 'milk float');
    await other.getByRole('link', { name: list, exact: true }).click();
    const row = other.getByText(kind === 'needs' ? 'bonnet stay' : 'line the cab doors', { exact: true });
    await expect(row.first()).toBeVisible();
    await news(page).getByRole('button', { name: 'Undo' }).click();
    await expect(row).toHaveCount(0);
    await other.close();
  }
});

test('what is in doubt is asked, and does nothing until it is chosen', async ({ page }) => {
  await signIn(page, 'owner');
  for (const side of ['left', 'right']) {
    await log(page, `milk float: ordered door glass ${side} from Tern & Sons, 40`);
    await expect(news(page)).toContainText(`Ordered ${side} door glass`);
  }
  await page.locator('#log-line').fill('milk float: door glass arrived');
  await expect(does(page)).toContainText('Not sure:');
  await does(page)
    .getByRole('button', { name: /Receives right door glass/ })
    .click();
  await expect(does(page)).toContainText('Receives right door glass');
  await page.locator('#log-line').press('Enter');
  await expect(news(page)).toContainText('Received right door glass');
});

test('work begun and stopped by lines; a start that is held says why before it is kept, and the desk has it begun all the same', async ({
  page,
}) => {
  await signIn(page, 'owner');
  await openCar(page, 'milk float');
  const car = page.url().split('/builds/')[1]!.split('/')[0]!;
  await page.goto(`/builds/${car}/work`);
  const newTask = async (title: string, gate?: string): Promise<void> => {
    await page.getByRole('button', { name: 'New task' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('What is to be done').fill(title);
    await dialog.getByLabel('Hours, about').fill('2');
    if (gate) await dialog.getByText('What must be seen first, what can hurt').click();
    if (gate) await dialog.getByLabel('What must be seen before it is begun').fill(gate);
    await dialog.locator('button[type=submit]').click();
    await expect(dialog).toHaveCount(0);
  };
  await newTask('Spindle polished');
  await newTask('Bushes reamed', 'reamer measured');
  const line = page.locator('#log-line');
  await line.fill('start spindle polished');
  await expect(does(page)).toContainText('Starts Spindle polished');
  await line.press('Enter');
  await expect(page.getByRole('button', { name: 'Stop: Spindle polished' })).toBeVisible();
  await line.fill('finished spindle polished');
  await expect(does(page)).toContainText('Stops Spindle polished');
  await line.press('Enter');
  await expect(news(page)).toContainText('Stopped Spindle polished');
  await expect(page.getByRole('button', { name: 'Stop: Spindle polished' })).toHaveCount(0);

  await line.fill('start bushes reamed');
  await expect(does(page)).toContainText('Held up: first to be seen: reamer measured');
  await line.fill('');
  await expect(page.getByRole('button', { name: 'Start: Bushes reamed' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Start all the same: Bushes reamed' }).click();
  await page.getByLabel('Why it is started all the same').fill('measured by eye, owner stands beside it');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Stop: Bushes reamed' })).toBeVisible();
  await page.goto(`/builds/${car}`);
  await expect(page.getByText(/begun all the same: Bushes reamed\. measured by eye/)).toBeVisible();
});

test('whether it has happened is answered by one key before a line is kept; what was not done logs no work', async ({
  page,
}) => {
  await signIn(page, 'owner');
  await openCar(page, 'microcar');
  const line = page.locator('#log-line');
  await line.fill('sort the wiring behind the clocks, 2h');
  const asked = page.getByRole('group', { name: /^Happened\?/ });
  await expect(asked).toBeVisible();
  await expectAccessible(page);
  await line.press('Enter');
  await expect(asked.getByRole('button', { name: 'Yes: Did' })).toBeFocused();
  await expect(line).toHaveValue('sort the wiring behind the clocks, 2h');
  await page.keyboard.press('2');
  await expect(news(page)).toContainText('Wrote down the task sort the wiring behind the clocks');
  await expect(line).toBeFocused();

  await line.fill('haven’t touched the wiring');
  await expect(page.getByRole('button', { name: 'kind Note' })).toBeVisible();
  await expect(page.getByRole('group', { name: 'What this line will do' })).toHaveCount(0);
  await line.press('Enter');
  await expect(news(page)).toContainText('Note');
});

test('without a network a line is read, asked and kept the same', async ({ page, context }) => {
  await signIn(page, 'owner');
  await openCar(page, 'microcar');
  const line = page.locator('#log-line');
  // What reads it comes with the first words that are written, and stays on the device.
  await line.fill('did');
  await expect(page.getByRole('button', { name: /^kind / })).toBeVisible();
  await expect(page.getByText('Reading …')).toHaveCount(0);
  await context.setOffline(true);
  await line.fill('sort the wiring behind the dash, 1h');
  await line.press('Enter');
  await page.getByRole('button', { name: /^Yes/ }).press('1');
  await expect(page.getByTestId('log-line').getByRole('status')).toContainText('still to be sent');
  await context.setOffline(false);
  await expect(page.getByText('still to be sent')).toHaveCount(0, { timeout: 60_000 });
  await expect(page.getByText('sort the wiring behind the dash, 1h').first()).toBeVisible();
});

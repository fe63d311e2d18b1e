/** From a playbook to the last stop: order, cautions, hours to go, a stop that was forgotten, a countdown, what is due after. */
import { expect, test, type Page } from '@playwright/test';
import { expectNoSideScroll, log, openCar, signIn } from './support.ts';

async function openWork(page: Page, car: string): Promise<void> {
  await openCar(page, car);
  await page.getByRole('link', { name: 'Work', exact: true }).click();
  await expect(page.getByRole('heading', { name: /: work$/ })).toBeVisible();
}

test('a playbook becomes tasks; one is begun with a touch, and its stop asks for the hours to go', async ({
  page,
}) => {
  await signIn(page, 'technician');
  await page.setViewportSize({ width: 390, height: 844 });
  await openWork(page, 'drophead');
  await page.getByRole('button', { name: 'From a playbook' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Playbook' }).selectOption('engine-top-end');
  await expect(dialog.getByRole('button', { name: 'Make these tasks' })).toBeDisabled();
  await dialog.getByRole('combobox', { name: 'Is the head flat?' }).selectOption('flat');
  await expect(dialog.getByText(/10 tasks, about/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Make these tasks' }).click();
  await expect(dialog).toHaveCount(0);
  const waits = page.getByRole('region', { name: 'Waits' });
  await expect(waits.getByText('“Head off, bolts undone from outside in” comes first').first()).toBeVisible();
  await page.getByRole('button', { name: 'Start: Compression and leak-down written down' }).click();
  await expect(page.getByText(/^You are at/)).toBeVisible();
  await expectNoSideScroll(page);
  await page.getByRole('button', { name: 'Stop: Compression and leak-down written down' }).click();
  await dialog.getByLabel('Hours to go').fill('plenty');
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog.getByText('hours, as in 1.5')).toBeVisible();
  await dialog.getByRole('checkbox', { name: /It is done/ }).check();
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText(/^You are at/)).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Start: Coolant out, manifolds off' })).toBeVisible();
  await page.getByText('1 done or dropped').click();
  await expect(page.getByText(/1 min spent, 0 min to go \(100 %\)/)).toBeVisible();
  await page.getByRole('link', { name: 'To its logbook' }).click();
  await expect(page.getByText('did compression and leak-down written down, 1 min').first()).toBeVisible();
});

test('what must be seen first is signed; work that was on no line is asked where it belongs', async ({
  page,
}) => {
  await signIn(page);
  await openWork(page, 'drophead');
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Add this task' }).click();
  await expect(dialog.getByText('say what is to be done')).toBeVisible();
  await dialog.getByLabel('What is to be done').fill('Hood cloth cut');
  await dialog.getByLabel('Hours, about').fill('4');
  await dialog.getByText('What must be seen first').click();
  await dialog.getByLabel('What must be seen before it is begun').fill('the trial hood fits');
  await dialog.getByRole('button', { name: 'Add this task' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('first to be seen: the trial hood fits')).toBeVisible();
  await page.getByRole('button', { name: 'Seen: the trial hood fits' }).click();
  await expect(page.getByRole('button', { name: 'Start: Hood cloth cut' })).toBeVisible();
  await log(page, 'did ash tray mended, 2h');
  const loose = page.getByRole('region', { name: 'Belongs to no line yet' });
  await loose.getByRole('combobox', { name: 'did ash tray mended, 2h' }).selectOption('warranty');
  await expect(loose.getByText('did ash tray mended, 2h')).toHaveCount(0);
});

test('a forgotten stop is ended by the owner, at the time it was; the countdown stands on the Floor', async ({
  page,
}) => {
  await signIn(page);
  await expect(page.getByText(/“Epoxy primer on bare steel” after “Blasted”/)).toBeVisible();
  await openWork(page, 'microcar');
  await expect(page.getByText('Forgotten:')).toHaveCount(0);
  await page.goto('/');
  const bar = page.getByRole('status').filter({ hasText: 'Forgotten: Milo Tarrant' });
  await bar.getByRole('button', { name: /^Stop the clock/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('The stop was forgotten.', { exact: false })).toBeVisible();
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog.getByText(/say when it ended|a time/)).toBeVisible();
  await dialog.getByLabel(/^When did it end/).fill('18:30');
  await dialog.getByLabel('Hours to go').fill('1');
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(bar).toHaveCount(0);
});

test('a line runs over: hours typed later say so, and one press asks it as a change', async ({ page }) => {
  await signIn(page);
  await openWork(page, 'fairground lorry');
  const title = 'Play in joints and bushes';
  await page.getByRole('button', { name: `Hours typed later: ${title}` }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Keep the hours' }).click();
  await expect(dialog.getByText('hours, as in 1.5').first()).toBeVisible();
  await dialog.getByLabel('Hours worked').fill('6');
  await dialog.getByLabel('Hours to go').fill('3');
  await dialog.getByRole('button', { name: 'Keep the hours' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('More than 10 % over what was agreed.')).toBeVisible();
  await page.getByRole('link', { name: 'Ask it as a change' }).click();
  await expect(dialog.getByText(/^It comes to \d+ h.*thought of were 6 h/)).toBeVisible();
  await dialog
    .getByLabel('Why, as the customer will read it')
    .fill('Both joints are worn; that is half of the shaking.');
  await dialog.getByRole('button', { name: 'Keep the change' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: 'Send estimate 2 to Sal' }).click();
  await expect(page.getByText(/^Estimate 2/).first()).toBeVisible();
});

test('due after hand-over: said once what was done', async ({ page }) => {
  await signIn(page, 'technician');
  await openWork(page, 'ice-cream van');
  await page
    .getByRole('button', { name: 'Done: Head re-torque, then valve clearances, at 50 miles' })
    .click();
  await page.getByLabel('What was done').fill('48 lb-ft in order, clearances 12 thou');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('button', { name: /^Done: Head re-torque.*at 50 miles/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'To its logbook' }).click();
  await expect(page.getByText(/did head re-torque, then valve clearances: 48 lb-ft/).first()).toBeVisible();
});

test('a playbook brought in with a fault is told where; mended, it is there for everybody', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/shop/playbooks');
  await page.getByRole('button', { name: 'Bring one in' }).click();
  const dialog = page.getByRole('dialog');
  const text = (needs: string): string =>
    `{"id":"bell","title":"Bell hung","about":"A bell","steps":[{"key":"hang","title":"Hang it","work":"trim","minutes":60,"needs":[${needs}]}]}`;
  await dialog.getByLabel('The playbook, as JSON').fill(text('{"step":"cast","reason":"no bell"}'));
  await expect(dialog.getByText('there is no step “cast”')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Keep the playbook' })).toBeDisabled();
  await dialog.getByLabel('The playbook, as JSON').fill(text(''));
  await dialog.getByRole('button', { name: 'Keep the playbook' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Bell hung (the shop’s, version 1)')).toBeVisible();
  await page.getByText('Bell hung').click();
  await page.getByRole('link', { name: 'Change: Bell hung' }).click();
  await page.getByRole('button', { name: 'A step at the end' }).click();
  await page.getByRole('button', { name: 'Something comes first' }).click();
  await page.getByLabel('What is done').fill('Ring it');
  await page.getByLabel('Usual hours').fill('0.25');
  await page.getByLabel('After which step, 1').selectOption('hang');
  await page.getByRole('button', { name: 'Keep the playbook' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'step 2, Ring it' })).toContainText(
    'words are missing',
  );
  await page.getByLabel('Why').fill('nothing rings on the bench');
  await page.getByRole('button', { name: 'Keep the playbook' }).click();
  await expect(page.getByText('Bell hung (the shop’s, version 2)')).toBeVisible();
  await page.goto('/shop/playbooks/bell');
  await expect(page.getByRole('button', { name: '2. Ring it' })).toBeVisible();
  await page.getByRole('button', { name: 'Take back what it said in version 1' }).click();
  await expect(page.getByRole('button', { name: '2. Ring it' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Keep the playbook' }).click();
  await expect(page.getByText('Bell hung (the shop’s, version 3)')).toBeVisible();
});

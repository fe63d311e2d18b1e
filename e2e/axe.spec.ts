/** axe finds no violation on any page, by day and on night shift, at a desk and on a phone. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { expectAccessible, expectNoSideScroll, logLine, openCar, signIn } from './support.ts';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/**
 * Every rule by day at a desk; those that depend on the look again where both are different: on night shift, on a phone. What is
 * only on a desk has the same colours as the rest.
 */
const check = async (page: Page): Promise<void> => {
  await expectAccessible(page);
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.setViewportSize(PHONE);
  await expectAccessible(page, 'look');
  await expectNoSideScroll(page);
  await page.emulateMedia({ colorScheme: 'light' });
  await page.setViewportSize(DESK);
};

/** The dialog that a press opens. */
const checkDialog = async (press: Locator): Promise<void> => {
  const page = press.page();
  await press.click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check(page);
  await page.keyboard.press('Escape');
};

test('the way in, the Floor, the log line', async ({ page }) => {
  await page.goto('/sign-in');
  await expect(page.getByRole('heading', { name: 'The demo shop' })).toBeVisible();
  await check(page);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('the password is missing')).toBeVisible();
  await check(page);
  await signIn(page);
  await check(page);
  await logLine(page).fill('found tailgate post rotten left side, 60 and four hours, safety');
  await expect(page.getByRole('button', { name: 'kind Found' })).toBeVisible();
  await check(page);
  await logLine(page).press('Enter');
  await expect(page.getByRole('alert')).toContainText('Which car');
  await check(page);
  await page.getByRole('button', { name: /^hours/ }).click();
  await expect(page.getByRole('textbox', { name: 'hours' })).toBeFocused();
  await check(page);
  await page.keyboard.press('Escape');
  await logLine(page).fill('');
});

test('a build, its logbook, its letter', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'drophead');
  await page.getByText('By kind of entry').click();
  await check(page);
  await page.getByRole('button', { name: 'Change what is next' }).click();
  await check(page);
  await checkDialog(page.getByRole('button', { name: /^Correct:/ }).first());
  await page.getByRole('button', { name: /Draft update|Go on with the draft/ }).click();
  await expect(page.getByRole('button', { name: 'Send to Ruan' })).toBeVisible();
  await check(page);
  await checkDialog(page.getByRole('button', { name: 'Send to Ruan' }));
  await openCar(page, 'estate');
  await page
    .getByRole('link', { name: /Wyverton/ })
    .first()
    .click();
  await expect(page.getByText('A sent letter never changes')).toBeVisible();
  await check(page);
});

test('the round, how a customer is told, a letter that is stopped', async ({ page }) => {
  await signIn(page);
  await page.goto('/round');
  await expect(page.getByRole('region', { name: 'It does not mention' })).toBeVisible();
  await check(page);
  await page.getByLabel('Greeting').fill('Dear all, Dex Marlow and B-0101 were here.');
  await expect(page.getByText('Not for this customer', { exact: true })).toBeVisible();
  await check(page);
  await page.getByLabel('Greeting').fill('Good day,');
  await checkDialog(page.getByRole('button', { name: 'How they are told' }));
  await checkDialog(page.getByRole('button', { name: 'Words of every letter' }));
});

test('a new build, the outbox, nowhere, rates, places', async ({ page }) => {
  await signIn(page);
  await page.goto('/builds/new');
  await page.getByRole('button', { name: 'Begin the build' }).click();
  await expect(page.getByText('whose is it?', { exact: true })).toBeVisible();
  await check(page);
  await page.goto('/outbox');
  await expect(page.getByRole('heading', { name: 'Outbox' })).toBeVisible();
  await check(page);
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
  await check(page);
  await page.goto('/shop/terms');
  await expect(page.getByRole('heading', { name: 'Rates and tax' })).toBeVisible();
  await check(page);
  await page.goto('/shop');
  await checkDialog(page.getByRole('button', { name: 'Change Lift 1' }));
});

test('work', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'rally car');
  await page.getByRole('link', { name: 'Work', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Can be done now' })).toBeVisible();
  await page.getByText(/done or dropped$/).click();
  await check(page);
  await page.getByRole('button', { name: 'New task' }).click();
  await page.getByRole('button', { name: 'Something comes first' }).click();
  await page.getByText('What must be seen first').click();
  await check(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'From a playbook' }).click();
  await page.getByRole('combobox', { name: 'Playbook' }).selectOption('engine-rebuild');
  await check(page);
  await page.keyboard.press('Escape');
  await checkDialog(page.getByRole('button', { name: /^Stop for / }).first());
});

test('parts, donors, outwork, a label', async ({ page }) => {
  await signIn(page);
  await page.goto('/parts');
  await expect(page.getByRole('heading', { name: 'Wrong, to be dealt with' })).toBeVisible();
  await check(page);
  await checkDialog(page.getByRole('button', { name: /^Order: / }).first());
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'Parts', exact: true }).click();
  await checkDialog(page.getByRole('button', { name: 'New part' }));
  await openCar(page, 'hearse');
  await page.getByRole('link', { name: 'What is off it' }).click();
  await checkDialog(page.getByRole('button', { name: 'What came off' }));
  await checkDialog(page.getByRole('button', { name: /^Labels for / }));
  await check(page);
  await page.goto('/parts/donors');
  await checkDialog(page.getByRole('button', { name: 'New donor' }));
  await check(page);
  await page.goto('/outwork');
  await page.getByText('3 pieces in it').click();
  await check(page);
  await checkDialog(page.getByRole('button', { name: 'It is back: O-006' }));
  await page.getByRole('button', { name: 'Begin a batch: For plate' }).click();
  await page.getByLabel('To whom').fill('Halcyon Platers');
  await check(page);
  await page.keyboard.press('Escape');
  await page.goto('/find/nonsense');
  await expect(page.getByText(/no code of a label/)).toBeVisible();
  await check(page);
});

test('the plan', async ({ page }) => {
  await signIn(page);
  await page.goto('/plan');
  await checkDialog(page.getByRole('button', { name: 'The camper' }));
  await checkDialog(page.getByRole('button', { name: 'The gearbox case of the rally car' }));
  await check(page);
  await page.getByRole('button', { name: 'Draw the plan' }).click();
  await expect(page.getByRole('button', { name: /^Booth, at/ })).toBeVisible();
  await check(page);
});

test('playbooks, tools, people, hours', async ({ page }) => {
  await signIn(page);
  await page.goto('/shop/playbooks');
  await page.getByText('Full engine rebuild').click();
  await check(page);
  await page.goto('/shop/playbooks/engine-rebuild');
  await page.getByRole('button', { name: /^9\. / }).click();
  await page.getByRole('button', { name: 'Something comes first' }).click();
  await page.getByRole('button', { name: 'Something due after hand-over' }).click();
  await page.getByRole('button', { name: 'Keep the playbook' }).click();
  await expect(page.getByText('words are missing').first()).toBeVisible();
  await check(page);
  await page.goto('/tools');
  await checkDialog(page.getByRole('button', { name: 'Lend a tool' }));
  await page.getByText(/^Back again/).click();
  await check(page);
  await page.goto('/shop/people');
  await checkDialog(page.getByRole('button', { name: 'New rate for everybody' }));
  await checkDialog(page.getByRole('button', { name: 'Away: Petra Vosk' }));
  await checkDialog(page.getByRole('button', { name: 'Skills of Petra Vosk' }));
  await check(page);
  await page.goto('/hours');
  await expect(page.getByRole('heading', { name: 'For the shop, on no car' })).toBeVisible();
  await check(page);
});

test('the walk, a run of speech', async ({ page }) => {
  await signIn(page);
  await page.goto('/walk');
  await expect(page.getByText(/^\d+ of \d+$/)).toBeVisible();
  await check(page);
  await page.getByLabel(/^What is going on with/).fill('did the slats two hours. next we want glass');
  await expect(page.getByRole('button', { name: /^Log th(?:is|ese)/ })).toBeVisible();
  await check(page);
  await page.getByLabel(/^What is going on with/).fill('');
  await page.goto('/say');
  await page
    .getByLabel('What is going on, car after car')
    .fill('good morning. the hearse did the slats two hours. next we want glass');
  await expect(page.getByRole('button', { name: /^Log th(?:is|ese)/ })).toBeVisible();
  await check(page);
});

test('costs, invoices', async ({ page }) => {
  await signIn(page);
  await page.goto('/costs');
  await expect(page.getByRole('row', { name: /^Together/ })).toBeVisible();
  await check(page);
  await page.goto('/invoices');
  await page.getByRole('button', { name: 'Its invoice is here: Halcyon Platers' }).click();
  await page.getByRole('button', { name: 'Something else' }).click();
  await check(page);
  await page.keyboard.press('Escape');
  await check(page);
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'Costs', exact: true }).click();
  await page.getByText('As figures').click();
  await check(page);
  await checkDialog(page.getByRole('button', { name: 'Ask for money' }));
  await checkDialog(page.getByRole('button', { name: /^Came in: before the metalwork/ }));
});

test('what is to be put right, jobs', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'estate');
  await page.getByRole('link', { name: 'Jobs' }).click();
  await page
    .getByText(/^\d findings?/)
    .first()
    .click();
  await check(page);
  await checkDialog(page.getByRole('button', { name: /^Merge/ }).first());
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'To put right' }).click();
  await checkDialog(page.getByRole('button', { name: /^Put right: / }).first());
  await page.getByRole('button', { name: 'Something was tried' }).click();
  await page.getByRole('button', { name: 'Something was in the way' }).click();
  await check(page);
  await page.keyboard.press('Escape');
  await check(page);
});

test('what is agreed, what causes it, the estimate', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'camper');
  await checkDialog(page.getByRole('button', { name: 'What is agreed' }));
  await page.getByRole('link', { name: 'What causes it' }).click();
  await expect(page.getByText('Explained.').first()).toBeVisible();
  await check(page);
  await openCar(page, 'estate');
  await page.getByRole('link', { name: 'Estimate' }).click();
  await checkDialog(page.getByRole('button', { name: 'Change the ways: Roof canvas' }));
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'Estimate' }).click();
  await page.getByText('The sum', { exact: true }).click();
  await page.getByText('Say what must stay and what must wait').click();
  await check(page);
  await checkDialog(page.getByRole('button', { name: 'Repair or replace?' }));
  await checkDialog(page.getByRole('button', { name: 'From a table' }));
  await page.getByRole('button', { name: 'New line' }).click();
  await page.getByText('Outwork, sundries').click();
  await page.getByRole('button', { name: 'Put it on the estimate' }).click();
  await expect(page.getByText('say what is to be done')).toBeVisible();
  await check(page);
  await page.keyboard.press('Escape');
  await checkDialog(page.getByRole('button', { name: 'Take down an answer by telephone' }));
});

test('house rules, vehicle, photos, an inspection', async ({ page }) => {
  await signIn(page);
  await page.goto('/shop/rules');
  await checkDialog(page.getByRole('button', { name: /^Change: / }).first());
  await check(page);
  await openCar(page, 'ice-cream van');
  await page.getByRole('link', { name: 'Vehicle', exact: true }).click();
  await expect(page.getByText('Not the car’s own.')).toBeVisible();
  await check(page);
  await checkDialog(page.getByRole('button', { name: 'Add a unit' }));
  await openCar(page, 'camper');
  await page.getByRole('link', { name: 'Photos', exact: true }).click();
  await checkDialog(page.getByRole('button', { name: /^Open: / }).first());
  await check(page);
  await openCar(page, 'camper');
  await page.getByRole('link', { name: 'Look it over' }).click();
  await page.getByRole('button', { name: 'Finding', exact: true }).first().click();
  await expect(page.getByLabel(/^What is it/)).toBeFocused();
  await check(page);
});

test('the customer’s pages', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'rally car');
  const link = (await page.getByRole('link', { name: 'Their page' }).getAttribute('href'))!;
  await page.goto(link);
  await expect(page.getByText(/^Dear /).first()).toBeVisible();
  await check(page);
  await page.getByRole('link', { name: 'Your estimate, to read and to answer' }).click();
  await check(page);
  await page.getByLabel('Your name').fill('Anselm Roach');
  await page.getByRole('button', { name: /Send these answers/ }).click();
  await expect(page.getByText('say what to do about “Second pair of spot lamps”')).toBeVisible();
  await check(page);
  await page.getByRole('button', { name: 'Agree to all as you propose it' }).click();
  await expect(page.getByLabel('The code')).toBeVisible();
  await check(page);
  await page.goto('/l/nonsense');
  await check(page);
});

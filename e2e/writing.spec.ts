/** A letter written by two people: bold, a list, an address, by keyboard; each sees the other, and one way back for both. */
import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, signIn } from './support.ts';

async function newBuild(page: Page): Promise<string> {
  await page.goto('/builds/new');
  await page.getByRole('textbox', { name: 'Vehicle' }).fill('Sandpiper ferry tender');
  await page.getByRole('textbox', { name: 'What you call it' }).fill('tender');
  await page.getByRole('textbox', { name: 'Customer' }).fill('Odile Marsh');
  await page.getByRole('textbox', { name: 'Their email' }).fill('odile@marsh.example');
  await page.getByRole('button', { name: 'Begin the build' }).click();
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible();
  return /builds\/([0-9a-f-]{36})/.exec(page.url())![1]!;
}

test('two at one letter', async ({ page, browser, baseURL }) => {
  await signIn(page);
  const buildId = await newBuild(page);
  for (const text of ['did keel cleaned, 2h', 'did rudder hung, 1h']) {
    await page.getByRole('textbox', { name: /^Log/ }).fill(text);
    await page.getByRole('textbox', { name: /^Log/ }).press('Enter');
    await expect(page.getByRole('listitem').filter({ hasText: text })).toHaveCount(1);
  }
  await page.getByRole('button', { name: 'Draft update' }).click();
  const sentence = (on: Page, n: number) =>
    on.getByRole('textbox', { name: `What we did, sentence ${n}`, exact: true });
  await expect(sentence(page, 2)).toBeVisible();

  const other = await browser.newContext({ baseURL: baseURL!, serviceWorkers: 'block' });
  const theirs = await other.newPage();
  await signIn(theirs, 'office');
  await theirs.goto(new URL(page.url()).pathname);
  await sentence(theirs, 2).click();
  await expect(page.getByText(/ has this letter open too\. What they change comes in here\./)).toBeVisible();
  await expect(page.getByText(/ writes here$/)).toBeVisible();

  // By keyboard alone: bold, a list, an address.
  await sentence(page, 1).focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' Two things:');
  await page.keyboard.press('Enter');
  await page.keyboard.type('- the ');
  await page.keyboard.press('Control+b');
  await page.keyboard.type('garboard');
  await page.keyboard.press('Control+b');
  await page.keyboard.press('Enter');
  await page.keyboard.type('the card of colours');
  // On a busy machine a key may be swallowed while the page draws; a person looks, and presses once more.
  const chosen = () => page.evaluate(() => getSelection()?.toString() ?? '');
  await expect(async () => {
    await page.keyboard.press('Shift+ArrowLeft');
    expect(await chosen()).toBe('colours');
  }).toPass({ intervals: [0] });
  await page.getByRole('button', { name: 'An address to lead to' }).press('Enter');
  await page.getByRole('textbox', { name: 'Address' }).fill('javascript:alert(1)');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('An address of the web');
  await page.getByRole('textbox', { name: 'Address' }).fill('example.org/colours');
  await page.keyboard.press('Enter');
  await expect(sentence(page, 1).getByRole('link', { name: 'colours' })).toBeVisible();

  // What the other writes meanwhile comes in, and what was written here gets there.
  await theirs.keyboard.press('Control+End');
  await theirs.keyboard.type(' It swings freely.');
  await expect(sentence(page, 2)).toContainText('It swings freely.');
  await expect(sentence(theirs, 1).locator('strong')).toHaveText('garboard');
  await expect(page.getByText('Saved.')).toBeVisible();
  await expectAccessible(page);

  // Taking back takes back one's own.
  await sentence(page, 1).focus();
  await page.keyboard.press('Control+z');
  await expect(sentence(page, 1).getByRole('link')).toHaveCount(0);
  await expect(sentence(page, 2)).toContainText('It swings freely.');
  await page.keyboard.press('Control+Shift+z');
  await expect(sentence(page, 1).getByRole('link')).toHaveCount(1);
  await expect(page.getByText('Saved.')).toBeVisible();

  // Both at the same sentence, one of them without an answer from the server: nothing of either is lost.
  await other.setOffline(true);
  await theirs.keyboard.type(' Greased.');
  await sentence(page, 2).focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' Pinned.');
  // All of it is kept: what is kept while the other chooses would be asked about once more.
  const letterId = page.url().split('/').at(-1)!;
  await expect
    .poll(async () => (await page.request.get(`/api/letters/${letterId}`)).text())
    .toContain('It swings freely. Pinned.');
  await other.setOffline(false);
  await theirs.keyboard.type('!');
  await expect(theirs.getByRole('alert')).toContainText('You both changed a sentence of “What we did”.');
  await theirs.getByRole('button', { name: 'Keep mine there' }).click();
  await expect(sentence(page, 2)).toContainText('It swings freely. Greased.!');
  await other.close();
  await expect(page.getByText(/has this letter open too/)).toHaveCount(0, { timeout: 30_000 });

  await page.getByRole('button', { name: 'Send to Odile' }).click();
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByText(/^Sent /)).toBeVisible();
  const { link } = (await (await page.request.get(`/api/builds/${buildId}`)).json()) as {
    link: { url: string };
  };
  await page.goto(link.url);
  const point = page.getByRole('listitem').filter({ hasText: /^the garboard$/ });
  await expect(point.locator('b')).toHaveText('garboard');
  await expect(page.getByRole('link', { name: 'colours' })).toHaveAttribute(
    'href',
    'https://example.org/colours',
  );
  await expectAccessible(page);
});

/** The car’s book: bound, fetched, given to its customer, and read back as another car. */
import { expect, test } from '@playwright/test';
import { expectAccessible, expectNoSideScroll, openCar, signIn } from './support.ts';

test('bound in front of one’s eyes, given, and its archive read back in', async ({ page }, info) => {
  await signIn(page);
  await openCar(page, 'charabanc');
  await page.getByRole('link', { name: 'Its book' }).click();
  await expect(page.getByRole('heading', { name: 'The book of the charabanc' })).toBeVisible();
  await page.getByRole('button', { name: 'Bind the book' }).click();
  const bound = page.getByRole('region', { name: 'Bound so far' }).getByRole('listitem').first();
  await expect(bound.getByRole('link', { name: /^Paper, \d+ pages$/ })).toBeVisible();
  await expectAccessible(page);
  await bound.getByRole('button', { name: /^Put it on Jory Penhale’s page$/ }).click();
  await expect(bound).toContainText('on Jory Penhale’s page since');
  const download = page.waitForEvent('download');
  await bound.getByRole('link', { name: 'Archive' }).click();
  const archive = info.outputPath('book.zip');
  await (await download).saveAs(archive);

  await page.goto('/builds/new');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'It comes with its book' }).click();
  await (await chooser).setFiles(archive);
  await expect(page.getByText('Its book is read.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Open the car' }).click();
  await expect(page.getByRole('heading', { name: 'charabanc', level: 1 })).toBeVisible();
  await expect(page.getByText(/^Read from its book, bound by Saltmarsh Coachworks/)).toBeVisible();
});

test('what is no archive is refused in words', async ({ page }) => {
  await signIn(page);
  await page.goto('/builds/new');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'It comes with its book' }).click();
  await (
    await chooser
  ).setFiles({ name: 'book.zip', mimeType: 'application/zip', buffer: Buffer.from('no') });
  await expect(page.getByRole('alert')).toContainText('It is no ZIP archive, or it is damaged.');
});

test('a customer keeps the book that is on their page, on a phone and without a script', async ({
  browser,
  page,
}) => {
  await signIn(page);
  await openCar(page, 'camper');
  const address = await page.getByRole('link', { name: 'Their page' }).getAttribute('href');
  const phone = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
  const theirs = await phone.newPage();
  await theirs.goto(address!);
  const keep = theirs.getByRole('region', { name: 'To keep' });
  await expect(keep.getByRole('link', { name: /^The book, \d+ pages, to read and print$/ })).toBeVisible();
  await phone.close();
  const seen = await page.context().newPage();
  await seen.setViewportSize({ width: 390, height: 844 });
  await seen.goto(address!);
  await expectNoSideScroll(seen);
});

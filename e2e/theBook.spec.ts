/** The car’s book: bound, fetched, given to its customer, and read back as another car. */
import { expect, test } from '@playwright/test';
import { expectAccessible, expectNoSideScroll, openCar, signIn } from './support.ts';

test('bound in front of one’s eyes, given, and its archive read back in', async ({ page }, info) => {
  await signIn(page);
  await openCar(page, 'charabanc');
  await page.getByRole('link', { name: 'Documents' }).click();
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
  await expect(
    keep.getByRole('link', { name: /^The book of your car, \d+ pages, to read and print$/ }),
  ).toBeVisible();
  await expect(keep.getByRole('link', { name: 'Pressure test of the gas side.pdf' })).toBeVisible();
  await expect(keep.getByRole('link', { name: /^The estimate of/ }).first()).toBeVisible();
  // Without a script the two pictures of one thing stand beside each other, in an earlier letter.
  await theirs
    .locator('details')
    .filter({ has: theirs.locator('.pair') })
    .locator('summary')
    .click();
  await expect(theirs.getByText('After', { exact: true })).toBeVisible();
  await phone.close();
  const seen = await page.context().newPage();
  await seen.setViewportSize({ width: 390, height: 844 });
  await seen.goto(address!);
  await expectNoSideScroll(seen);
  await seen
    .locator('details')
    .filter({ has: seen.locator('.pair') })
    .locator('summary')
    .click();
  const slide = seen.getByRole('slider', { name: 'How much is shown of before' });
  await slide.focus();
  await seen.keyboard.press('End');
  await expect(slide).toHaveAttribute('aria-valuetext', '100 % before, 0 % after');
  await expectAccessible(seen);
});

test('a paper is taken in, given, and taken off the page again', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'tourer');
  const address = await page.getByRole('link', { name: 'Their page' }).getAttribute('href');
  await page.getByRole('link', { name: 'Documents' }).click();
  const papers = page.getByRole('region', { name: 'Papers' });
  const choose = async (name: string, bytes: string) => {
    const chooser = page.waitForEvent('filechooser');
    await papers.getByRole('button', { name: 'Add a PDF' }).click();
    await (await chooser).setFiles({ name, mimeType: 'application/pdf', buffer: Buffer.from(bytes) });
  };
  await choose('ticket.pdf', 'no paper');
  await expect(papers.getByRole('alert')).toContainText('By its content it is no PDF');
  await choose('Weighbridge ticket.pdf', '%PDF-1.4\ntrailer<<>>\n%%EOF\n');
  await papers.getByRole('button', { name: 'Give it' }).click();
  await expect(papers.getByText('theirs since')).toBeVisible();
  await expectAccessible(page);
  const theirs = await page.context().newPage();
  await theirs.goto(address!);
  const link = theirs.getByRole('link', { name: 'Weighbridge ticket.pdf' });
  const download = theirs.waitForEvent('download');
  await link.click();
  expect((await download).suggestedFilename()).toBe('Weighbridge ticket.pdf');
  await papers.getByRole('button', { name: 'Take it off their page' }).click();
  await papers.getByRole('button', { name: 'Throw it away' }).click();
  await expect(papers.getByRole('listitem')).toHaveCount(0);
  await theirs.reload();
  await expect(link).toHaveCount(0);
});

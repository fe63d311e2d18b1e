/** Estimates in from a table and out again: columns matched on screen, what does not read named, nothing half kept. */
import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { openCar, signIn } from './support.ts';

async function choose(page: Page, button: string, text: string): Promise<void> {
  const opening = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: button }).click();
  await (await opening).setFiles({ name: 'lines.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
}

test('a spreadsheet of another country becomes lines, once every row reads; out as CSV, JSON and PDF', async ({
  page,
}) => {
  await signIn(page, 'office');
  await openCar(page, 'estate');
  await page.keyboard.press('e');
  await page.getByRole('button', { name: 'From a table' }).click();
  const dialog = page.getByRole('dialog');
  const table = (hours: string): string =>
    `Posten;Stunden;Material\r\n"Seat runners, both";${hours};"46,50"\r\nRoof rails;3,5;"1.240,00"\r\n`;
  await choose(page, 'Choose the file', table('two'));
  await expect(dialog.getByText('Say which column is “title”.')).toBeVisible();
  await dialog.getByLabel('Column “Posten” is').selectOption('title');
  await dialog.getByLabel('Column “Stunden” is').selectOption('hours');
  await dialog.getByLabel('Column “Material” is').selectOption('parts');
  await expect(dialog.getByText(/Row 2, hours: “two” is no number/)).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Put them on the estimate' })).toBeDisabled();
  await choose(page, 'Another file', table('2'));
  await expect(dialog.getByText('2 rows, and all of them read.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Put these 2 lines on the estimate' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText('Seat runners, both', { exact: true }).first()).toBeVisible();

  for (const [link, wanted] of [
    ['As CSV', '"Seat runners, both",'],
    ['As JSON', '"title": "Seat runners, both"'],
    ['As PDF', '%PDF-'],
  ] as const) {
    const saving = page.waitForEvent('download');
    await page.getByRole('link', { name: link }).click();
    const saved = await (await saving).path();
    expect(await readFile(saved, 'latin1')).toContain(wanted);
  }
});

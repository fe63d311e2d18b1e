/** A part from need to fitted with the old one bagged; a warning by the unit’s year; the desk over all cars. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, openCar, signIn } from './support.ts';

test('from need to fitted, the old one bagged; the logbook and the costs have it', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'drophead');
  await page.getByRole('link', { name: 'Parts', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'drophead: parts' })).toBeVisible();
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByText('say what is needed')).toBeVisible();
  await dialog.getByLabel('What is needed').fill('king pin set');
  await dialog.getByLabel('Number', { exact: true }).fill('KP-9');
  await dialog.getByLabel('Supplier').fill('Cobb Springs');
  await expect(dialog.getByLabel('On which line of the estimate')).toHaveValue('');
  await dialog.getByLabel(/^Price of all of it/).fill('eleven');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog.getByText('an amount, as in 46.50')).toBeVisible();
  await dialog.getByLabel(/^Price of all of it/).fill('148');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: 'Order: king pin set' }).click();
  await dialog.getByRole('button', { name: 'Order', exact: true }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: 'It is here: king pin set' }).click();
  await dialog.getByLabel('Looked at, it is').selectOption('damaged');
  await dialog.getByRole('button', { name: 'It is here' }).click();
  await expect(dialog.getByText('say what is wrong with it')).toBeVisible();
  await dialog.getByLabel('Looked at, it is').selectOption('right');
  await dialog.getByRole('button', { name: 'It is here' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: 'Fit: king pin set' }).click();
  await dialog.getByRole('button', { name: 'Fit', exact: true }).click();
  await expect(dialog.getByText('say what becomes of the old one')).toBeVisible();
  await dialog.getByLabel('What becomes of the old one').selectOption('bagged');
  await dialog.getByLabel('Bag, if bagged').fill('31');
  await dialog.getByRole('button', { name: 'Fit', exact: true }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Fitted' }).getByText('king pin set')).toBeVisible();
  await page.getByRole('link', { name: 'To its logbook' }).click();
  await expect(page.getByText('fitted king pin set; the old one bagged, bag 31')).toBeVisible();
  await expect(page.getByText('ordered king pin set from Cobb Springs')).toBeVisible();
});

test('the desk: what one call orders for several cars, what is wrong, what may not fit; search finds fitted ones too', async ({
  page,
}) => {
  await signIn(page, 'technician');
  await page.getByRole('link', { name: 'Parts of all cars' }).click();
  const tern = page.getByRole('region', { name: 'To order from Tern & Sons' });
  await expect(tern.getByRole('listitem')).toHaveCount(2);
  await expect(page.getByText(/May not fit: the engine is of 1968/)).toBeVisible();
  await expect(
    page.getByText('arrived faulty when tested: two of three will not hold on the cone'),
  ).toBeVisible();
  await expect(page.locator('body')).not.toContainText('£');
  await page.setViewportSize({ width: 390, height: 844 });
  await expectNoSideScroll(page);
  await page.getByLabel('Search all parts').fill('P 14');
  await expect(page.getByRole('region', { name: 'Found' }).getByText('sparking plugs')).toBeVisible();
  await page.getByLabel('Search all parts').fill('nothing like it');
  await expect(page.getByText('No part of that name or number.')).toBeVisible();
});

test('a supplier’s list becomes parts once every row reads', async ({ page }) => {
  await signIn(page);
  await openCar(page, 'tourer');
  await page.getByRole('link', { name: 'Parts', exact: true }).click();
  await page.getByRole('button', { name: 'From a table' }).click();
  const dialog = page.getByRole('dialog');
  const choose = async (text: string): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await dialog.getByRole('button', { name: /the file|Another file/ }).click();
    await (await chooser).setFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  await choose('item,qty,part no\nwheel bearing,four,WB-2\nbilge hose,1,BH-1\n');
  await expect(dialog.getByText(/Row 2, quantity: “four” is no number/)).toBeVisible();
  await choose('item,qty,part no\nwheel bearing,4,WB-2\nbilge hose,1,BH-1\n');
  await dialog.getByRole('button', { name: 'Write these 2 parts down' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'To find' })).toContainText('4 wheel bearing WB-2');
});

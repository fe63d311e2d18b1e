/** The plan of the shop: cars moved by drag, by keyboard and by the log line; two on one lift refused; places drawn. */
import { expect, test } from '@playwright/test';
import { expectNoSideScroll, log, openCar, signIn } from './support.ts';

test('a car is dragged, and moved by keyboard; where another stands it is refused with the way out', async ({
  page,
}) => {
  await signIn(page, 'technician');
  await page.getByRole('link', { name: 'As a plan' }).click();
  const at = (place: string) => page.getByRole('region', { name: place, exact: true });
  await expect(at('Lift 1').getByRole('button', { name: 'The camper' })).toBeVisible();
  await expect(at('Lift 2').getByText(/does not roll for \d+ days: gearbox out/)).toBeVisible();
  const wanted = page
    .getByRole('region', { name: 'Waits for a place' })
    .getByRole('link', { name: 'hearse' });
  await expect(wanted).toBeVisible();
  await at('Blast room').getByText('hearse').dragTo(at('Booth').getByRole('grid'));
  await expect(at('Booth').getByRole('button', { name: 'The hearse' })).toBeVisible();
  await expect(wanted).toHaveCount(0);

  await at('Yard').getByText('drophead').dragTo(at('Lift 1').getByRole('grid'));
  await expect(page.getByRole('alert')).toContainText(
    'The camper stands on “Lift 1”: move the camper to “Yard” first. Nothing was moved.',
  );
  await expect(at('Yard').getByRole('button', { name: 'The drophead' })).toBeVisible();

  // By keyboard: taken up at its grip, to the next place that takes it, and let go.
  await at('Booth').getByRole('button', { name: 'Move hearse' }).focus();
  await page.keyboard.press('Enter');
  await expect(at('Booth').getByRole('row')).toBeVisible();
  for (let i = 0; i < 20; i += 1) {
    const label = await page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
    const grid = await page.evaluate(
      () => document.activeElement?.closest('[role=grid]')?.getAttribute('aria-label') ?? '',
    );
    if (`${label} ${grid}`.includes('Blast room')) break;
    await page.keyboard.press('Tab');
  }
  await page.keyboard.press('Enter');
  await expect(at('Blast room').getByRole('button', { name: 'The hearse' })).toBeVisible();
});

test('without dragging, on a phone; and whether it rolls', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page);
  await page.goto('/plan');
  await expect(page.getByRole('button', { name: 'The milk float' })).toBeVisible();
  await expectNoSideScroll(page);
  await page.getByRole('button', { name: 'The milk float' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Stands at').selectOption({ label: 'Bay 1' });
  await dialog.getByRole('button', { name: 'Move it there' }).click();
  await expect(dialog.getByText(/the microcar stands on “Bay 1”/)).toBeVisible();
  await dialog.getByLabel('Stands at').selectOption({ label: 'Fabrication table' });
  await dialog.getByRole('button', { name: 'Move it there' }).click();
  await expect(dialog).toHaveCount(0);
  const table = page.getByRole('region', { name: 'Fabrication table', exact: true });
  await table.getByRole('button', { name: 'The milk float' }).click();
  await dialog.getByLabel('What is off it').fill('battery box off');
  await dialog.getByRole('button', { name: 'Keep whether it rolls' }).click();
  await expect(table.getByText('does not roll: battery box off')).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });
  await openCar(page, 'milk float');
  await expect(page.getByText('does not roll: battery box off').first()).toBeVisible();
  await page.getByRole('textbox', { name: /^Log/ }).fill('moved to store');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('It does not roll, battery box off');
  await page.goto('/plan');
  await table.getByRole('button', { name: 'The milk float' }).click();
  await dialog.getByLabel('What is off it').fill('');
  await dialog.getByRole('button', { name: 'Keep whether it rolls' }).click();
  await expect(dialog).toHaveCount(0);
  await openCar(page, 'milk float');
  await log(page, 'moved to store');
  await expect(page.getByText('stands: Store')).toBeVisible();
  await page.getByRole('textbox', { name: /^Log/ }).fill('moved to lift 2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('The rally car stands on “Lift 2”');
});

test('an engine off its car stands in a place, takes it up, and is moved; vendors stand beyond the edge', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/plan');
  await expect(page.getByRole('region', { name: 'Out of the house' })).toContainText(
    'O-007, machine: microcar',
  );
  await page.getByRole('button', { name: 'The engine of the fire pump' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Stands at').selectOption({ label: 'Bay 1' });
  await dialog.getByRole('button', { name: 'Keep where it stands' }).click();
  await expect(dialog.getByText(/the microcar stands on “Bay 1”/)).toBeVisible();
  await dialog.getByLabel('Stands at').selectOption({ label: 'Store' });
  await dialog.getByRole('button', { name: 'Keep where it stands' }).click();
  await expect(dialog).toHaveCount(0);
  const store = page.getByRole('region', { name: 'Store', exact: true });
  await expect(store.getByRole('button', { name: 'The engine of the fire pump' })).toBeVisible();
  await openCar(page, 'fire pump');
  await expect(page.getByText('engine to Store')).toBeVisible();
  await page.getByRole('link', { name: 'What is off it' }).click();
  await expect(page.getByText('stands at Store')).toBeVisible();
});

test('the plan is drawn by keys and by pointer, snaps, and does not lie over itself', async ({ page }) => {
  await signIn(page);
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Draw the plan' }).click();
  const booth = page.getByRole('button', { name: /^Booth, at/ });
  await expect(booth).toHaveAccessibleName('Booth, at 13 and 0, 5 by 4');
  await booth.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(booth).toHaveAccessibleName('Booth, at 12 and 0, 6 by 4');
  await page.waitForResponse((r) => r.url().includes('/api/shop/places/') && r.ok());
  const box = (await page.getByRole('button', { name: /^Lift 1, at/ }).boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 40 + box.width, box.y + 60, { steps: 5 });
  await expect(page.getByRole('alert')).toContainText('Lift 1: it would lie over “Lift 2”.');
  await page.mouse.move(box.x + 40 + 2 * box.width + 20, box.y + 60, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^Lift 1, at/ })).toHaveAccessibleName(
    'Lift 1, at 8 and 0, 4 by 4',
  );
  await page.reload();
  await page.getByRole('button', { name: 'Draw the plan' }).click();
  await expect(page.getByRole('button', { name: /^Lift 1, at/ })).toHaveAccessibleName(
    'Lift 1, at 8 and 0, 4 by 4',
  );
});

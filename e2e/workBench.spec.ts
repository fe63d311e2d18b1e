/**
 * The bench: a driveline brought right, bores by a gauge, taps that are swapped, fluids that become a line of the estimate, hours to paint in,
 * contactors signed in order; without a network; by keyboard alone.
 */
import { expect, test, type Page } from '@playwright/test';
import { expectAccessible, expectNoSideScroll, openCar, signIn } from './support.ts';

async function onBench(page: Page, car: string, title: string): Promise<void> {
  await openCar(page, car);
  await page.getByRole('link', { name: 'Measure', exact: true }).click();
  await page.getByRole('link', { name: title }).click();
  await expect(page.getByRole('heading', { level: 1, name: new RegExp(title, 'i') })).toBeVisible();
}
const result = (page: Page) => page.getByRole('region', { name: 'Result' });
const keep = (page: Page) => page.getByRole('region', { name: 'Keep it' });
const soFar = (page: Page) => page.getByRole('region', { name: 'Readings so far' });
const field = (page: Page, name: string | RegExp) =>
  page.getByRole('group', { name: 'Readings', exact: true }).getByRole('textbox', { name });

test('a driveline brought right: before, the wedge that is chosen, after, and the letter that tells both', async ({
  page,
}) => {
  await signIn(page);
  await onBench(page, 'hearse', 'Driveline angles');
  await field(page, 'Gearbox').fill('4');
  await field(page, /^Shaft/).fill('7 degrees');
  await field(page, /^Pinion \(/).fill('3°');
  await field(page, /^Fastest/).fill('3000');
  await expect(result(page).getByRole('status')).toHaveText('watch');
  await field(page, /^Pinion \(/).fill('2');
  await expect(result(page).getByRole('status')).toHaveText('not good');
  await expect(page.getByRole('img', { name: /^Driveline from the side/ })).toBeVisible();
  await page.getByRole('checkbox', { name: 'Find wedge and shim' }).check();
  await field(page, /^Wedges that are in stock/).fill('1 2 3 4');
  await expect(result(page)).toContainText('To bring it right:');
  await expect(result(page)).toContainText(/Wedge of \d°, nose (?:up|down)/);
  await keep(page).getByLabel('When').selectOption('before the work');
  await keep(page).getByLabel('The car stood').selectOption('loaded');
  await keep(page).getByLabel('Measured with').fill('inclinometer');
  await keep(page).getByRole('button', { name: 'Keep this reading' }).click();
  await expect(soFar(page)).toContainText('Not good');
  await expect(soFar(page)).toContainText('before the work, loaded, with inclinometer');
  await soFar(page).getByRole('button', { name: 'Make a finding of it' }).click();
  await expect(soFar(page)).toContainText('It is a finding now.');
  await expectAccessible(page);

  await field(page, /^Pinion \(/).fill('4');
  await field(page, /^Shaft/).fill('6');
  await expect(result(page).getByRole('status')).toHaveText('ok');
  await keep(page).getByLabel('When').selectOption('after the work');
  await keep(page)
    .getByRole('checkbox', { name: /^Tell the customer/ })
    .check();
  await keep(page).getByRole('button', { name: 'Keep this reading' }).click();
  await expect(soFar(page)).toContainText('Its finding is closed');
  await page.goto(page.url().replace(/\/bench\/.*/, ''));
  await expect(page.getByText(/^Driveline angles after the work: ok\./).first()).toBeVisible();
  await page.getByRole('button', { name: /Draft update|Go on with the draft/ }).click();
  await expect(
    page.getByText(/Driveline angles after the work: ok\..*Before: not good/).first(),
  ).toBeVisible();
  // The picture that was drawn goes with it, as a photograph does.
  const picture = page.getByRole('group', { name: 'Photographs that go with it' }).getByRole('img', {
    name: /driveline-angles-after-the-work/,
  });
  await expect(picture).toBeVisible();
  // It stands there before it has come.
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(100);
});

test('bores typed by a played gauge: cell after cell with Enter, undone, the oversize, and no boring before the pistons are in hand', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/bench/boreSurvey');
  await field(page, 'Bore when new').fill('4');
  await page.getByLabel('Measured with').selectOption({ label: 'a played bore gauge (stand-in)' });
  await field(page, 'Top, across the crank').first().focus();
  await expect(page.getByText('Cylinder 1, Top, across the crank', { exact: true })).toBeVisible();
  const cells = ['Top, across the crank', 'Top, along it', 'Middle, across the crank', 'Middle, along it', 'Bottom, across the crank', 'Bottom, along it']; // prettier-ignore
  for (const cell of cells) {
    await expect(field(page, cell).first()).toBeFocused();
    await expect(field(page, cell).first()).toHaveValue(/^4\.00\d+$/);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText(/^✓ Cylinder 1, Bottom, along it: 4\.00/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo it' }).click();
  await expect(field(page, 'Bottom, along it').first()).toBeFocused();
  await page.getByLabel('Measured with').selectOption({ label: 'what types, or by hand' });
  await field(page, 'Bottom, along it').first().fill('4.0006');
  await field(page, 'Oversizes that can be had').fill('0.020 0.030 0.040');
  await field(page, 'Piston clearance from').fill('1.5 thou');
  await expect(page.getByText('= 0.0015 in')).toBeVisible();
  await field(page, /^to \(in\)/).fill('2 1/2 thou');
  await expect(result(page)).toContainText(
    'Bore all to 0.02 in over, once the pistons are in hand and measured.',
  );
  await expect(result(page)).toContainText(/Bore now\s*no/);
  await expect(page.getByRole('img', { name: /^Wear of the bores/ })).toBeVisible();
  await expectAccessible(page);
});

test('96 taps typed by a gauge, two of them swapped', async ({ page }) => {
  await signIn(page);
  await page.goto('/bench/tapSurvey');
  await expect(page.getByRole('note', { name: 'Caution' })).toContainText('never alone');
  await page.getByLabel('Measured', { exact: true }).selectOption('each tap against the pack’s negative');
  await page
    .getByLabel('The cells are', { exact: true })
    .selectOption('lithium, nickel or cobalt (NMC, NCA)');
  await page.getByRole('textbox', { name: 'Readings: how many' }).fill('96');
  await field(page, 'Tap 1').first().focus();
  const taps = Array.from({ length: 96 }, (_, i) => 3.7 * (i + 1));
  [taps[40], taps[41]] = [taps[41]!, taps[40]!];
  for (const tap of taps) {
    await page.keyboard.insertText(tap.toFixed(3));
    await page.keyboard.press('Enter');
  }
  await field(page, 'The pack itself').fill('355.2');
  await expect(result(page)).toContainText('Check taps 41 and 42: swapped?');
  await expect(page.getByRole('img', { name: /^Cell taps/ })).toHaveAccessibleDescription(
    /out of place 41, 42/,
  );
  await page.reload();
  await expect(result(page)).toContainText('Check taps 41 and 42: swapped?');
});

test('a fluid balance becomes a finding, and its line of the estimate', async ({ page }) => {
  await signIn(page);
  await onBench(page, 'ice-cream van', 'Fluid balance');
  await field(page, 'Last fill that is known').fill('4.7');
  await field(page, /^Drained \(L\)/).fill('6,600');
  // What could be either is asked, and nothing is worked out before.
  await expect(page.getByRole('group', { name: /which is meant/ })).toBeVisible();
  await field(page, /^Drained \(L\)/).fill('6.6');
  await page.getByRole('button', { name: 'Add circuit 1' }).click();
  await page.getByLabel('Circuit', { exact: true }).selectOption('coolant');
  await field(page, 'Litres to fill it').fill('2.1');
  await page.getByLabel('It looks').selectOption('milky');
  await expect(result(page)).toContainText('coolant');
  await expect(result(page).getByRole('status')).toHaveText('not good');
  await keep(page).getByRole('button', { name: 'Keep this reading' }).click();
  await soFar(page).getByRole('button', { name: 'Make a finding of it' }).click();
  await soFar(page).getByRole('link', { name: 'Put a price on it' }).click();
  await expect(page.getByText(/Fluid balance: not good/).first()).toBeVisible();
});

test('hours to paint in: from a file, from the played forecast, and a file that is none', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/bench/findPaintWindow');
  await field(page, 'Hours to prepare').fill('2');
  await field(page, 'Hours to spray').fill('1');
  await field(page, 'Hours to touch dry').fill('3');
  const choose = async (name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Take a file (CSV)' }).click();
    await (await chooser).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  await choose(
    'weather.csv',
    'hour;temperature;humidity;rain\n0;14;90;0\n1;16;80;0,2\n2;18;70;0\n3;20;65;0\n4;21;60;0\n5;22;55;0\n6;22;55;0\n7;20;60;0\n8;17;75;0\n9;14;90;0\n',
  );
  await expect(result(page)).toContainText(/Begin in hour\s*2/);
  await choose('broken.csv', 'temperature,humidity\n14,wet\n');
  await expect(page.getByRole('alert')).toContainText('Line 2, humidity: “wet” is not a number.');
  await expect(result(page)).toContainText(/Begin in hour\s*2/);
  await page.getByRole('button', { name: 'Take the played forecast (stand-in)' }).click();
  await expect(page.getByText('72 hours from a played forecast (stand-in)')).toBeVisible();
  await expect(result(page).getByRole('status')).toHaveText('ok');
  await expect(page.getByRole('img', { name: /^Hours to paint in/ })).toBeVisible();
  await expectAccessible(page);
});

test('contactors: each step signed by name, out of order refused and kept in the record, none of it by one click', async ({
  page,
}) => {
  await signIn(page);
  await onBench(page, 'milk float', 'Contactors, in order');
  await expect(page.getByRole('button', { name: 'Show an example' })).toHaveCount(0);
  await field(page, 'Pack (V)').fill('360');
  const record = page.getByRole('button', { name: 'Record this step' });
  await page.getByLabel('Step that was done').selectOption('negative closed');
  await expect(record).toBeDisabled();
  await page.getByLabel('Signed: your name').fill('Somebody');
  await expect(record).toBeDisabled();
  const sign = async (step: string, bus?: string) => {
    await page.getByLabel('Step that was done').selectOption(step);
    if (bus) await page.getByLabel('Bus (V)').fill(bus);
    await page.getByLabel('Signed: your name').fill('Wren Osgood');
    await record.click();
  };
  await sign('negative closed');
  await sign('positive closed');
  await expect(page.getByText('positive closed, not its turn')).toBeVisible();
  await sign('pre-charge closed');
  await sign('bus measured', '200');
  await expect(page.getByText('bus measured, bus too low')).toBeVisible();
  await sign('bus measured', '350');
  await sign('positive closed');
  await sign('pre-charge opened');
  await expect(result(page)).toContainText('A step was refused');
  await keep(page).getByRole('button', { name: 'Keep this reading' }).click();
  await expect(soFar(page)).toContainText('Not good');
  await expectAccessible(page);
});

test.describe('without a network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('worked out, kept on the device, there once it is back', async ({ page, context }) => {
    await signIn(page);
    await onBench(page, 'microcar', 'Battery and charging');
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
      while (!navigator.serviceWorker.controller) await new Promise((r) => setTimeout(r, 100));
    });
    await page.reload();
    await expect(field(page, 'At rest')).toBeVisible();
    await context.setOffline(true);
    // Opened anew without a network: another calculator that was never open before, and this one.
    await page.goto('/bench/tyreSize');
    await field(page, 'Size on the sidewall').fill('205/55R16');
    await expect(result(page)).toContainText('631.9 mm');
    await page.goBack();
    await field(page, 'At rest').fill('12.5');
    await field(page, 'Running, nothing on').fill('14.2');
    await expect(result(page).getByRole('status')).toHaveText('ok');
    await keep(page).getByRole('button', { name: 'Keep this reading' }).click();
    await expect(keep(page)).toContainText('Kept on this device');
    await context.setOffline(false);
    await expect(soFar(page)).toContainText('ok', { timeout: 40_000 });
  });
});

test('on a phone, in the dark, nothing scrolls sideways', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.emulateMedia({ colorScheme: 'dark' });
  await signIn(page);
  for (const path of [
    '/bench',
    '/bench/alignment',
    '/bench/frameSymmetry',
    '/bench/tapSurvey',
    '/bench/isolation',
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const example = page.getByRole('button', { name: 'Show an example' });
    if (path !== '/bench') await example.click();
    await expectNoSideScroll(page);
    await expectAccessible(page);
  }
});

/**
 * Photographs: from the camera to the customer’s page. Nasty cases: a drawing and a film named .jpg, one that is too large, no
 * signal half way, a page left while they are still on their way.
 */
import { expect, test, type Page } from '@playwright/test';
import { jpegOf } from '#tests/support/pictures.ts';
import { logLine, openCar, signIn } from './support.ts';

type Chosen = { name: string; mimeType: string; buffer: Buffer };
const jpeg = async (name: string, color = '#7a4a2a'): Promise<Chosen> => ({
  name,
  mimeType: 'image/jpeg',
  buffer: await jpegOf({ width: 1200, height: 900, color, located: true }),
});

async function choose(page: Page, button: string, files: Chosen[]): Promise<void> {
  const opening = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: button, exact: true }).first().click();
  await (await opening).setFiles(files);
}

const tray = (page: Page) => page.getByTestId('log-line').getByRole('status');
const entry = (page: Page, text: string) => page.getByRole('article').filter({ hasText: text });

test('taken with the line, drawn on by keyboard, told in the letter, seen by the customer', async ({
  page,
}) => {
  await signIn(page);
  await openCar(page, 'hearse');
  await logLine(page).fill('found tailgate hinge cracked, 45 and two hours, must');
  await choose(page, 'Add photographs', [await jpeg('hinge.jpg'), await jpeg('hinge close.jpg', '#445566')]);
  await expect(page.getByRole('button', { name: 'Leave out hinge.jpg' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep this line' }).click();
  const found = entry(page, 'found tailgate hinge cracked');
  await expect(found.getByRole('button', { name: /^Open: / })).toHaveCount(2);

  await test.step('a ring, placed and moved by keyboard', async () => {
    await found.getByRole('button', { name: 'Open: Photograph hinge.jpg' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Ring' }).focus();
    await page.keyboard.press('Enter');
    const ring = dialog.getByRole('img', { name: /^Ring 1/ });
    const before = await ring.boundingBox();
    await ring.focus();
    for (const key of ['ArrowRight', 'ArrowRight', 'ArrowUp', '+']) await page.keyboard.press(key);
    const after = await ring.boundingBox();
    expect(after!.x).toBeGreaterThan(before!.x);
    expect(after!.width).toBeGreaterThan(before!.width);
    await dialog.getByLabel('What it shows').fill('crack at the upper hinge');
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(found.getByRole('button', { name: 'Open: crack at the upper hinge' })).toBeVisible();
  });

  await test.step('an arrow, drawn with the mouse', async () => {
    await found.getByRole('button', { name: 'Open: Photograph hinge close.jpg' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Arrow' }).click();
    const box = (await dialog.getByRole('group', { name: 'Marks on the photograph' }).boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.8, box.y + box.height * 0.2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.5, box.y + box.height * 0.5, { steps: 5 });
    await page.mouse.up();
    await expect(dialog.getByRole('img', { name: /^Arrow 1/ })).toBeVisible();
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(dialog).toHaveCount(0);
  });

  await test.step('one goes with the letter, the other stays', async () => {
    await page.getByRole('button', { name: /^(Draft update|Go on with the draft)$/ }).click();
    const ticks = page.getByRole('group', { name: 'Photographs that go with it' }).last();
    await ticks.getByRole('checkbox', { name: 'Photograph hinge close.jpg' }).uncheck();
    await expect(page.getByRole('article', { name: 'The letter' }).getByRole('img')).toHaveCount(1);
    await page.getByRole('button', { name: /^Send to / }).click();
    await page.getByRole('button', { name: 'Send it' }).click();
    await expect(page.getByText(/^Sent/)).toBeVisible();
    await expect(page.getByRole('img', { name: 'crack at the upper hinge' })).toBeVisible();
  });

  await test.step('the customer sees it, and no more', async () => {
    await page.getByRole('link', { name: 'see it in the outbox' }).click();
    const picture = page.getByRole('img', { name: 'crack at the upper hinge' });
    // The mail may still be on its way; until it is there, the first link is an earlier letter's.
    await expect(async () => {
      await page.goto('/outbox');
      await page.getByRole('link', { name: 'Open the link as the customer does' }).first().click();
      await expect(picture).toBeVisible({ timeout: 3000 });
    }).toPass();
    await expect
      .poll(() => picture.evaluate((img: HTMLImageElement) => img.complete && img.naturalWidth))
      .toBeGreaterThan(100);
    await expect(page.getByText('hinge close')).toHaveCount(0);
  });
});

test('what is no photograph is refused in words; the good ones beside it arrive', async ({ page }) => {
  await signIn(page, 'technician');
  await openCar(page, 'hearse');
  const named = (name: string, buffer: Buffer): Chosen => ({ name, mimeType: 'image/jpeg', buffer });
  await choose(page, 'Add photographs', [
    named(
      'drawing.jpg',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
    ),
    await jpeg('good.jpg', '#204020'),
    named('huge.jpg', Buffer.alloc(41 * 1024 * 1024, 1)),
  ]);
  await logLine(page).fill('note three from the telephone');
  await logLine(page).press('Enter');
  await expect(tray(page)).toContainText('Not taken: drawing.jpg. By its content it is');
  await expect(tray(page)).toContainText('Not taken: huge.jpg. It is 41 MB; at most 40 MB are taken.');
  const kept = entry(page, 'note three from the telephone').getByRole('button', { name: /^Open: / });
  await expect(kept).toHaveCount(1);
  await page.getByRole('button', { name: 'Forget drawing.jpg' }).click();
  await page.getByRole('button', { name: 'Forget huge.jpg' }).click();
  await expect(tray(page)).not.toContainText('Not taken');
});

test('without a signal they wait, go on over pages, and arrive once when it is back', async ({
  page,
  context,
}) => {
  await signIn(page, 'technician');
  await openCar(page, 'hearse');
  await logLine(page).fill('note seen from the lift');
  await logLine(page).press('Enter');
  await expect(entry(page, 'note seen from the lift')).toBeVisible();
  // The server takes it, but its answer is lost on the way: the second try must not make a second photograph.
  let lost = 0;
  await context.route('**/photos/*', async (route) => {
    if (route.request().method() !== 'PUT' || lost > 0) return route.fallback();
    lost += 1;
    await route.fetch();
    await route.abort('connectionreset');
  });
  await choose(page, 'Add photographs: note seen from the lift', [await jpeg('lift.jpg', '#333333')]);
  await expect(tray(page)).toContainText('No answer from the shop’s server');
  await page.getByRole('link', { name: 'Floor' }).click();
  await expect(tray(page)).not.toContainText('on the way');
  expect(lost).toBe(1);
  await openCar(page, 'hearse');
  await expect(entry(page, 'note seen from the lift').getByRole('button', { name: /^Open: / })).toHaveCount(
    1,
  );
});

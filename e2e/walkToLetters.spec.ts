/** The whole of it: a walk dictated in one go, six cars, and by its end six letters that went, each with what was said of its car. */
import { expect, test, type Page } from '@playwright/test';
import { openCar, signIn } from './support.ts';

/** One car a row: what is said of it, and words that its letter must hold and no other may. */
const WALK = [
  [
    'milk float',
    'morning so the milk float we bolted the second battery tray in two hours',
    'second battery tray',
  ],
  ['hearse', 'next up the hearse cleaned the number plate lamp half an hour', 'number plate lamp'],
  ['fire pump', 'on to the fire pump fitted the suction strainer one hour', 'suction strainer'],
  ['snow plough', 'now the snow plough painted the beacon bracket one hour', 'beacon bracket'],
  ['fairground lorry', 'over to the fairground lorry painted the tail board two hours', 'tail board'],
  ['airport tug', 'and the airport tug cleaned the tow hitch one hour', 'tow hitch'],
] as const;

/** Drafts, says of doubtful words that they are meant, sends; answers what the letter said. */
async function sendLetter(page: Page, car: string, words: string): Promise<string> {
  await openCar(page, car);
  await page.getByRole('button', { name: /Draft update|Go on with the draft/ }).click();
  const send = page.getByRole('button', { name: /^Send to / });
  await expect(send).toBeVisible();
  const letter = page.getByRole('article', { name: 'The letter' });
  // A draft from before the walk does not tell of it yet.
  if (!(await letter.innerText()).toLowerCase().includes(words)) {
    await page.getByRole('button', { name: 'Draft it again' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Draft it again' }).click();
    await expect(letter).toContainText(words, { ignoreCase: true });
  }
  const meant = page.getByRole('button', { name: 'It is meant as it stands' });
  while ((await meant.count()) > 0) {
    const left = await meant.count();
    await meant.first().click();
    await expect.poll(() => meant.count()).toBeLessThan(left);
  }
  const text = await letter.innerText();
  await send.click();
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByText(/^Sent .* to /)).toBeVisible();
  return text;
}

test('six cars dictated on a phone, six letters sent, each of its own car', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page);
  await page.getByRole('link', { name: 'Dictate for several cars' }).click();
  await page.getByLabel('What is going on, car after car').fill(WALK.map(([, said]) => said).join(' '));
  const understood = page.getByRole('group', { name: 'What was understood' });
  await expect(understood.locator('[data-piece]')).toHaveCount(6);
  const questions = understood.locator('[data-question]');
  for (let left = await questions.count(); left > 0; left = await questions.count()) {
    await questions.first().getByRole('button').first().click();
    await expect.poll(() => questions.count()).toBeLessThan(left);
  }
  await page.getByRole('button', { name: 'Log these 6 lines' }).click();
  await expect(page.getByText(`6 lines logged: ${WALK.map(([car]) => car).join(', ')}.`)).toBeVisible();
  for (const [car, , words] of WALK) {
    const text = await sendLetter(page, car, words);
    expect(text.toLowerCase()).toContain(words);
    for (const [, , others] of WALK.filter(([other]) => other !== car))
      expect(text.toLowerCase()).not.toContain(others);
  }
  // Each went to its own customer.
  await expect
    .poll(async () => {
      const { mails } = (await (await page.request.get('/api/outbox')).json()) as {
        mails: { to: string; text: string }[];
      };
      return WALK.map(([, , words]) => mails.filter((m) => m.text.toLowerCase().includes(words)).length);
    })
    .toEqual(WALK.map(() => 1));
});

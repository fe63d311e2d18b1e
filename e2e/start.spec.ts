/**
 * `npm start` as a person meets it: a second start says so; an empty shop begins with its first-run page.
 */
import { spawnSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { laneOf, ownDatabase, start } from './started.ts';
import { expectAccessible, logLine } from './support.ts';

test('a second start while one runs says so, and an unknown flag too', ({ baseURL }) => {
  const again = spawnSync(process.execPath, ['scripts/start.mjs'], {
    encoding: 'utf8',
    env: { ...process.env, AVRIK_DATA: laneOf(baseURL).folder, PORT: '4198' },
  });
  expect(again.status).toBe(1);
  expect(again.stderr).toContain(`Avrik runs already, at ${baseURL}`);
  const odd = spawnSync(process.execPath, ['scripts/start.mjs', '--frsh'], { encoding: 'utf8' });
  expect(odd.stderr).toContain('"--frsh" is not known');
  const port = spawnSync(process.execPath, ['scripts/start.mjs'], {
    encoding: 'utf8',
    env: { ...process.env, PORT: 'http' },
  });
  expect(port.stderr).toContain('PORT is "http"');
});

test('an empty shop: first run, first car, first line, out and in again', async ({ page }) => {
  const env = await ownDatabase('empty', 4197, 'nothing');
  const started = await start(['--no-demo'], env);
  try {
    await page.goto('http://localhost:4197/');
    await expect(page.getByRole('heading', { name: 'Open your shop' })).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('textbox', { name: 'Name of the shop' }).fill('Quay Works');
    await page.getByRole('textbox', { name: 'Your name' }).fill('Lena Auer');
    await page.getByRole('textbox', { name: 'Email' }).fill('lena@quay.example');
    await page.getByRole('textbox', { name: 'Password' }).fill('short');
    await page.getByRole('combobox', { name: 'Currency' }).selectOption('EUR');
    await page.getByRole('button', { name: 'Open the shop' }).click();
    await expect(page.getByText('at least 10 characters').last()).toBeVisible();
    await page.getByRole('textbox', { name: 'Password' }).fill('a long enough one');
    await page.getByRole('button', { name: 'Open the shop' }).click();
    await expect(page.getByText('No car stands here yet')).toBeVisible();
    await page.getByRole('link', { name: 'New build' }).click();
    await page.getByRole('textbox', { name: 'Vehicle' }).fill('Old tug');
    await page.getByRole('textbox', { name: 'What you call it' }).fill('tug');
    await page.getByRole('textbox', { name: 'Customer' }).fill('Port Office');
    await page.getByRole('textbox', { name: 'Their email' }).fill('port@quay.example');
    await page.getByRole('button', { name: 'Begin the build' }).click();
    await expect(page.getByText('B-0001')).toBeVisible();
    await logLine(page).fill('spent 12,50 on rope');
    await expect(page.getByRole('button', { name: /^money .*12[.,]50/ })).toBeVisible();
    await logLine(page).press('Enter');
    await expect(page.getByRole('listitem').filter({ hasText: 'spent 12,50 on rope' })).toHaveCount(1);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByText('The demo shop')).toHaveCount(0);
    await page.getByRole('textbox', { name: 'Email' }).fill('lena@quay.example');
    await page.getByRole('textbox', { name: 'Password' }).fill('not this one');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('the address or the password is not right')).toBeVisible();
    await page.getByRole('textbox', { name: 'Password' }).fill('a long enough one');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('link', { name: 'tug', exact: true })).toBeVisible();
  } finally {
    expect(await started.stop()).toBe(0);
  }
});

import type { Locator } from '@playwright/test';
import { enter, expect, signIn, test } from './hall.ts';

test('keys and command bar reach every room, and switch units and light', async ({ page }) => {
  await enter(page, 'head');
  await expect(page.getByRole('heading', { name: 'Overview', level: 1 })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Help with this screen' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { name: 'Ladders', level: 1 })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByPlaceholder('A name, a variation, a room, an action').fill('oskar');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Oskar Lindqvane' })).toBeVisible();
  await expect(page.getByText('186 cm, 88 kg')).toBeVisible();
  for (const action of ['Show mass in lb', 'Show length in in', 'Switch to dark']) {
    await page.keyboard.press('/');
    await page.getByPlaceholder('A name, a variation, a room, an action').fill(action);
    await page.keyboard.press('Enter');
  }
  // 88 kg / 0.45359237 = 194.0 lb; 186 cm / 2.54 = 73.2 in.
  await expect(page.getByText('73.2 in, 194 lb')).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('no request leaves the machine', async ({ page }) => {
  const elsewhere: string[] = [];
  page.on('request', (r) => {
    if (!r.url().startsWith('http://127.0.0.1:') && !r.url().startsWith('data:')) elsewhere.push(r.url());
  });
  await signIn(page, 'head');
  const seen: [string, Locator][] = [
    ['/people', page.getByRole('link', { name: 'Oskar Lindqvane' }).first()],
    ['/library', page.getByRole('list', { name: 'Variations' }).locator('svg.fig-icon').first()],
    ['/ladders', page.getByRole('link', { name: /Bridge/ }).first()],
    ['/floor', page.getByRole('region', { name: 'Juniors' }).getByRole('listitem').first()],
    ['/changes', page.getByRole('heading', { name: 'Changes', level: 1 })],
    ['/hall', page.getByRole('row', { name: /Mirela Ostrander/ })],
    ['/print?job=full:floor-lift', page.locator('[data-sheet="full:floor-lift"]')],
  ];
  for (const [path, what] of seen) {
    await page.goto(path);
    await expect(what).toBeVisible();
    await page.evaluate(() => document.fonts.ready);
  }
  expect(elsewhere).toEqual([]);
});

import { expect, test } from '@playwright/test';
import { another, openPerson, signIn } from './hall.ts';

test('keys and command bar reach every room, and switch units and light', async ({ page }) => {
  await signIn(page, 'head');
  await expect(page.getByRole('heading', { name: 'People', level: 1 })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
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

test('a viewer reads library and ladders and sees no people', async ({ page }) => {
  await signIn(page, 'viewer');
  const rooms = page.getByRole('navigation', { name: 'Rooms' });
  await expect(rooms.getByRole('link')).toHaveText(['Library', 'Ladders', 'Body']);
  await page.goto('/ladders/bridge-ladder');
  await expect(page.getByRole('heading', { name: 'Bridge', level: 1 })).toBeVisible();
  await expect(page.getByText('Oskar Lindqvane')).toHaveCount(0);
  await page.goto('/people');
  await expect(page.getByText('A viewer may not do this.')).toBeVisible();
});

test('pain is shown to staff of the squad, not to a stand-in', async ({ page, browser }) => {
  const relief = await another(browser, 'relief');
  await openPerson(relief, 'Gudrun Pellworth');
  await expect(relief.getByText('Pain is shown to staff of the squad only.')).toBeVisible();
  await expect(relief.getByText(/pain 5/)).toHaveCount(0);
  await signIn(page, 'coach');
  await openPerson(page, 'Gudrun Pellworth');
  await expect(page.getByText(/pain 5/).first()).toBeVisible();
});

test('one person’s data is exported and erased', async ({ page }) => {
  await signIn(page, 'head');
  await openPerson(page, 'Rui Tamarindo');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export all data' }).click();
  expect((await download).suggestedFilename()).toBe('meister-person.json');
  await page.getByRole('button', { name: 'Erase' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox').fill('Somebody');
  await dialog.getByRole('button', { name: 'Erase for good' }).click();
  await expect(dialog.getByText('Nothing was erased')).toBeVisible();
  await dialog.getByRole('textbox').fill('Rui Tamarindo');
  await dialog.getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.getByRole('heading', { name: 'People', level: 1 })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Rui Tamarindo' })).toHaveCount(0);
});

test('wrong passwords are told, and soon have to wait', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Sign-in name').fill('nobody-here');
  await page.getByLabel('Password').fill('wrong password');
  for (let i = 0; i < 3; i++) {
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.getByText('Name or password is wrong.')).toBeVisible();
    await page.waitForTimeout(300);
  }
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByText(/Too many failed tries/)).toBeVisible();
});

test('no request leaves the machine', async ({ page }) => {
  const elsewhere: string[] = [];
  page.on('request', (r) => {
    if (!r.url().startsWith('http://127.0.0.1:') && !r.url().startsWith('data:')) elsewhere.push(r.url());
  });
  await signIn(page, 'head');
  for (const path of [
    '/people',
    '/library',
    '/ladders',
    '/floor',
    '/changes',
    '/hall',
    '/print?job=full:floor-lift',
  ]) {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
  }
  expect(elsewhere).toEqual([]);
});

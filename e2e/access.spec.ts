import { another, enter, expect, openPerson, signIn, test } from './hall.ts';

test('each account signs in by its button on the demo’s page, and out again', async ({ page }) => {
  for (const login of ['head', 'coach', 'relief', 'viewer']) {
    await page.goto('/');
    await page.getByRole('button', { name: `(${login})` }).click();
    await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeVisible();
    await page.keyboard.press('/');
    await page.getByRole('option', { name: 'Sign out' }).click();
    await expect(page.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible();
  }
});

test('a viewer reads library and ladders and sees no people', async ({ page }) => {
  await enter(page, 'viewer');
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

test('wrong passwords are told, and soon have to wait', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Sign-in name').fill('nobody-here');
  await page.getByLabel('Password').fill('wrong password');
  for (let i = 0; i < 3; i++) {
    const answer = page.waitForResponse('**/api/sign-in');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    expect((await answer).status()).toBe(401);
    await expect(page.getByText('Name or password is wrong.')).toBeVisible();
  }
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByText(/Too many failed tries/)).toBeVisible();
});

import { another, enter, expect, idOf, openPerson, signIn, test } from './hall.ts';

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
  await expect(rooms.getByRole('link')).toHaveText(['Library', 'Ladders', 'Body', 'Kit']);
  await page.goto('/ladders/bridge-ladder');
  await expect(page.getByRole('heading', { name: 'Bridge', level: 1 })).toBeVisible();
  await expect(page.getByText('Oskar Lindqvane')).toHaveCount(0);
  await page.goto('/people');
  await expect(page.getByText('A viewer may not do this.')).toBeVisible();
});

test('somebody else’s people are theirs; cover for a day shows what the floor needs, and they see it', async ({
  page,
  browser,
}) => {
  await signIn(page, 'coach');
  const id = await idOf(page, 'Gudrun Pellworth');
  await openPerson(page, 'Gudrun Pellworth');
  await expect(page.getByText(/pain 5/).first()).toBeVisible();

  const relief = await another(browser, 'relief');
  await relief.goto(`/people/${id}`);
  await expect(relief.getByText('This person is looked after by others.').first()).toBeVisible();
  await relief.goto('/people');
  await expect(relief.getByRole('link', { name: 'Hanneke Vossbeck' }).first()).toBeVisible();
  await expect(relief.getByText('Gudrun Pellworth')).toHaveCount(0);

  await relief.goto('/floor');
  await relief.getByRole('button', { name: 'Cover for a colleague' }).click();
  const dialog = relief.getByRole('dialog');
  const take = dialog.getByRole('button', { name: 'Cover one person until midnight' });
  await dialog.getByLabel('Gudrun Pellworth').check();
  await expect(take).toBeDisabled();
  await dialog.getByLabel('Why (their coach reads it)').fill('Jonas is at the regatta.');
  await take.click();
  await expect(relief.getByRole('region', { name: 'Cover today' })).toContainText('You cover until midnight');
  await relief.getByRole('link', { name: /^Gudrun Pellworth/ }).click();
  await expect(relief.getByText('First aid: Penicillin allergy. Call: Sister, 0555 0142')).toBeVisible();
  await expect(relief.getByText(/pain 5/)).toHaveCount(0);
  await expect(relief.getByRole('button', { name: 'Confirm the step back' })).toBeVisible();

  // Their own coach sees it at once, and may end it.
  await page.goto('/floor');
  const seen = page.getByRole('region', { name: 'Cover today' });
  await expect(seen).toContainText('Gudrun Pellworth: Asel Tarn, Jonas is at the regatta.');
  await seen.getByRole('button', { name: 'End the cover' }).click();
  await expect(seen).toHaveCount(0);
  await relief.goto('/floor');
  await expect(relief.getByText('Gudrun Pellworth')).toHaveCount(0);
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

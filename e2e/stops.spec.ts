import { another, expect, openPart, openPerson, signIn, stranger, test } from './hall.ts';

test('a stop pressed on the floor is read first thing, and stands until the head coach clears it', async ({
  page,
  browser,
}) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Oskar Lindqvane');
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const floor = await another(browser, 'coach', { viewport: { width: 390, height: 844 } });
  await floor.goto(`/floor/session?people=${id}`);
  await floor.getByRole('button', { name: 'Pain', exact: true }).click();
  const dialog = floor.getByRole('dialog');
  const pain = dialog.getByRole('group', { name: /^Pain, 0 to 10/ });
  await pain.getByRole('button', { name: '8', exact: true }).click();
  await expect(
    dialog.getByText(/7 or more: once this is recorded, nothing at all is proposed/),
  ).toBeVisible();
  await dialog.getByRole('button', { name: 'End the set and record it' }).click();
  await expect(floor.getByRole('alert').first()).toContainText('pain 8 of 10');
  await expect(floor.getByText('Nothing at all until the head coach clears it.').first()).toBeVisible();
  await expect(floor.getByRole('button', { name: /watched, no fault/ })).toHaveCount(0);
  // Taken back, the set is gone and the stop is not.
  await floor.getByRole('button', { name: 'Undo' }).click();
  await floor.reload();
  await expect(floor.getByRole('alert').first()).toContainText('pain 8 of 10');

  await page.reload();
  await expect(page.getByText('The head coach clears it, on the word')).toBeVisible();
  const head = await another(browser, 'head');
  await head.goto('/overview');
  const reports = head.getByRole('region', { name: 'Pain and stops' });
  const row = reports.getByRole('listitem').filter({ hasText: 'Oskar Lindqvane' }).first();
  await expect(row).toContainText('Stopped.');
  await row.getByRole('button', { name: 'Noted' }).click();
  await expect(row.getByRole('button', { name: 'Noted' })).toHaveCount(0);
  await row.getByRole('link', { name: 'To the stop' }).click();
  await head.getByRole('button', { name: 'Clear it' }).click();
  await head.getByLabel('Who cleared it').fill('Dr Sorrel, by telephone');
  await head.getByLabel('For what').fill('Everything without load');
  await head.getByRole('button', { name: 'Clear it from today' }).click();
  await expect(head.getByRole('region', { name: 'Stopped' })).toHaveCount(0);
  await openPart(head, 'Pain, restrictions, faults');
  await expect(head.getByText(/Everything without load. Said by Dr Sorrel/)).toBeVisible();
  await floor.reload();
  await expect(floor.getByRole('button', { name: /watched, no fault/ })).toBeVisible();
  await expect(floor.getByRole('alert')).toHaveCount(0);
});

test('stop is pressed at home', async ({ page, browser }) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Marta Quillon');
  await openPart(page, 'Details');
  const own = page.getByRole('region', { name: 'Personal link' });
  await own.getByRole('button', { name: 'Make a link' }).click();
  const phone = await stranger(browser);
  await phone.goto(await own.getByLabel('Or send it').inputValue());
  await phone.getByRole('button', { name: 'Something is wrong: stop' }).click();
  await phone.getByLabel('What is wrong, if you want to say').fill('Dizzy after the second set');
  await phone.getByRole('button', { name: 'Stop and tell my coach' }).click();
  await expect(phone.getByRole('alert')).toContainText('Your coaches know that something is wrong.');
  await expect(phone.getByRole('button', { name: 'Write this set down' })).toHaveCount(0);
  await page.goto('/overview');
  await expect(
    page
      .getByRole('region', { name: 'Pain and stops' })
      .getByText(/told from home.*Dizzy after the second set/),
  ).toBeVisible();
});

import { readFileSync } from 'node:fs';
import { expect, openHall, openPart, test } from './hall.ts';

test.use({ begins: 'empty', locale: 'en-GB' });

const library = readFileSync('server/library/shipped.json');
const { documents } = JSON.parse(library.toString()) as { documents: unknown[] };

test('an empty hall asks for its head coach, takes a library and its first people', async ({ page }) => {
  await openHall(page, 'Lower Basin Boathouse', 'short');
  await expect(page.getByText('needs at least 10 characters').first()).toBeVisible();
  await page.getByLabel('Password', { exact: true }).fill('a much longer one');
  await page.getByLabel('Password again').fill('a much longer one');
  await page.getByRole('button', { name: 'Open the hall' }).click();
  await expect(page.getByRole('region', { name: 'First steps' })).toBeVisible();
  await page.goto('/people');
  await expect(page.getByText('Nobody here yet.')).toBeVisible();
  await page.goto('/ladders');
  await expect(page.getByText('No ladder yet.')).toBeVisible();

  await page.goto('/hall');
  await page.getByRole('tab', { name: 'Library file and backup' }).click();
  const broken = library.toString().replace('"cue": "tray"', '"cue": "no-such-cue"');
  await page
    .getByLabel('Load a library file')
    .setInputFiles({ name: 'broken.json', mimeType: 'application/json', buffer: Buffer.from(broken) });
  await expect(page.getByText('Nothing was imported')).toBeVisible();
  await expect(page.getByText('There is no cue "no-such-cue".').first()).toBeVisible();
  await page
    .getByLabel('Load a library file')
    .setInputFiles({ name: 'library.json', mimeType: 'application/json', buffer: library });
  await expect(page.getByText(`${documents.length} documents are in force.`)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download the library' }).click();
  expect(readFileSync(await (await download).path()).equals(library)).toBe(true);

  await page.getByRole('tab', { name: 'Squads' }).click();
  await page.getByLabel('New squad').fill('Novices');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByLabel('Name of Novices')).toBeVisible();
  await page.getByRole('tab', { name: 'Staff' }).click();
  await page.getByRole('button', { name: 'Add staff' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name', { exact: true }).fill('Piet Arbour');
  await dialog.getByLabel('Sign-in name').fill('piet');
  await dialog.getByLabel('Novices').check();
  await dialog.getByLabel('Password').fill('another long one');
  await dialog.getByRole('button', { name: 'Add' }).click();
  // An account gives power: the password is asked for again.
  const again = page.getByRole('dialog', { name: 'Your password again' });
  await again.getByLabel('Password').fill('a much longer one');
  await again.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('row', { name: /Piet Arbour piet coach Novices/ })).toBeVisible();

  await page.goto('/people');
  await page.getByRole('button', { name: 'Add a person' }).click();
  await dialog.getByLabel('Name', { exact: true }).fill('Wim Sallow');
  await dialog.getByLabel('Squad').selectOption('Novices');
  await dialog.getByLabel(/Stature/).fill('1780');
  await dialog.getByRole('button', { name: 'Add the person' }).click();
  await expect(dialog.getByText('must be less than or equal to 2.5').first()).toBeVisible();
  await dialog.getByLabel(/Stature/).fill('178');
  await dialog.getByRole('button', { name: 'Add the person' }).click();
  await expect(page.getByRole('heading', { name: 'Wim Sallow' })).toBeVisible();
  await page.getByRole('button', { name: 'Place on a level, with a reason' }).click();
  await page.getByLabel('Ladder', { exact: true }).selectOption('Bridge');
  await page.getByLabel('Why here').fill('At ease with it.');
  await page.getByRole('button', { name: 'Place here' }).click();
  await expect(page.getByText('Nothing logged at this level yet.')).toBeVisible();

  await openPart(page, 'Pain, restrictions, faults');
  await page.getByRole('button', { name: 'Record a restriction' }).click();
  await dialog.getByLabel('Every bridge').check();
  await dialog.getByLabel('Who said so').fill('the club doctor');
  await dialog.getByRole('button', { name: 'Record it' }).click();
  await openPart(page, 'Standing');
  await expect(page.getByText('Paused', { exact: true })).toBeVisible();
});

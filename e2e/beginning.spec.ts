import { expect, openPart, openPerson, signIn, stranger, test } from './hall.ts';

test('a new person is placed by trials; pain ends them at once', async ({ page }) => {
  await signIn(page, 'head');
  await openPerson(page, 'Bram Hollis');
  const trials = page.getByRole('region', { name: 'Place by trials' });
  await trials.getByLabel('Experience').selectOption('trained');
  await trials.getByLabel('At ease with it').selectOption('4');
  await trials.getByRole('button', { name: 'What to try first' }).click();
  await expect(trials.getByText('Trial 1 of 4 at most')).toBeVisible();
  // What another ladder guards is told, and never tried.
  await expect(trials.getByText('Nothing from Goblet squat upwards', { exact: false })).toBeVisible();
  await expect(trials.getByRole('list', { name: /^How likely each level/ })).toBeVisible();
  await trials.getByRole('button', { name: 'Passed' }).click();
  await expect(trials.getByText('Trial 2 of 4 at most')).toBeVisible();
  await trials.getByLabel('A word on it, if any').fill('heels came up');
  await trials.getByRole('button', { name: 'A fault to fix' }).click();
  const begin = trials.getByText(/^Begin at /);
  for (let trial = 3; trial <= 4; trial++) {
    const next = trials.getByText(`Trial ${trial} of 4 at most`);
    await expect(next.or(begin)).toBeVisible();
    if (await next.isVisible()) await trials.getByRole('button', { name: 'Not at ease' }).click();
  }
  await expect(begin).toBeVisible();
  await trials.getByRole('button', { name: 'Place here' }).click();
  await expect(page.getByRole('region', { name: 'Decision on the ladder Squat' })).toBeVisible();
  await openPart(page, 'Moves');
  await expect(page.getByRole('listitem').filter({ hasText: 'heels came up' }).last()).toBeVisible();
  await openPart(page, 'Standing');
  await page.getByRole('button', { name: 'Begin another ladder by trials' }).click();

  await trials.getByLabel('Pattern').selectOption({ label: 'Lunge' });
  await trials.getByRole('button', { name: 'What to try first' }).click();
  await trials.getByRole('button', { name: 'Pain', exact: true }).click();
  await expect(trials.getByText('Stop here')).toBeVisible();
  await expect(trials.getByText('Pain ends the trials at once.', { exact: false })).toBeVisible();
  await trials.getByRole('button', { name: 'Keep what was seen' }).click();
  await expect(page.getByRole('region', { name: 'Decision on the ladder Lunge' })).toHaveCount(0);
  await openPart(page, 'Moves');
  await expect(page.getByText(/Lunge: stopped/)).toBeVisible();
});

test('an athlete logs by a personal link, as not watched, until it is revoked', async ({ page, browser }) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Piet Harrowgate');
  await openPart(page, 'Details');
  const own = page.getByRole('region', { name: 'Personal link' });
  await own.getByRole('button', { name: 'Make a link' }).click();
  const url = await own.getByLabel('Or send it').inputValue();
  const phone = await stranger(browser);
  await phone.goto(url);
  await expect(phone.getByRole('heading', { name: 'Piet Harrowgate' })).toBeVisible();
  await phone.getByRole('button', { name: 'Begin', exact: true }).click();
  await phone.getByRole('button', { name: 'Warm: to the work' }).click();
  const work = phone.getByRole('main');
  await work.getByRole('button', { name: 'Repetitions: 1 more' }).click();
  await work
    .getByRole('group', { name: /^How hard/ })
    .getByRole('button', { name: '6', exact: true })
    .click();
  await work.getByRole('button', { name: 'Write this set down' }).click();
  // The link itself has gone from the address, and opens on no second phone.
  expect(phone.url()).not.toContain('#');
  const second = await stranger(browser);
  await second.goto(url);
  await expect(second.getByRole('alert')).toContainText('in use on another phone or tablet');
  await expect(phone.getByRole('heading', { name: 'Written down today' })).toBeVisible();
  await page.reload();
  await openPart(page, 'Log');
  await expect(page.getByText(/not watched \(own\)/).first()).toBeVisible();
  await openPart(page, 'Details');
  await own.getByRole('button', { name: 'Revoke' }).first().click();
  await expect(own.getByText(/revoked/)).toBeVisible();
  await phone.reload();
  await expect(phone.getByText('This link has ended. Ask your coach for a new one.')).toBeVisible();
});

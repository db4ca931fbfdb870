import { another, expect, idOf } from '../hall.ts';
import { check, checkViews, heading, region, test } from './axe.ts';

checkViews([
  ['/floor', region('Juniors')],
  ['/floor/{Oskar Lindqvane}', (p) => p.getByRole('button', { name: /watched, no fault/ })],
  [
    '/floor/session?people={Oskar Lindqvane},{Zelda Marchbanks}',
    (p) => p.getByRole('group', { name: 'The set at hand' }),
  ],
  ['/floor/{Oskar Lindqvane}/paper?of=one-leg-lift', heading(/^Enter a paper sheet: /)],
  ['/floor/measure?person={Zelda Marchbanks}', (p) => p.getByRole('button', { name: 'Open the camera' })],
  ['/floor/measure?person={Mads Overbeck}', heading(/agree to be measured/)],
  ['/faults/eye', region('Clip')],
  ['/sets', heading('Import or export sets')],
  ['/faults', heading('Faults desk')],
  [
    '/faults?person={Oskar Lindqvane}&of=one-leg-lift&pattern=bridge',
    (p) => p.getByRole('list', { name: 'Signs' }).getByRole('button'),
  ],
  ['/faults/report', region('Which answers help')],
  ['/faults/report?part=where', region('Which faults appear where')],
  ['/faults/report?part=agreement', region('Do two coaches see the same')],
]);

test('the set at hand, with the clock running and each of its dialogs', async ({ page }) => {
  await page.goto(`/floor/session?people=${await idOf(page, 'Oskar Lindqvane')}`);
  await page.getByRole('button', { name: 'Start the clock' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await check(page);
  await page.getByRole('button', { name: 'Stop' }).click();
  for (const name of ['Fault', 'Felt', 'Pain']) {
    await page.getByRole('button', { name, exact: true }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await check(page);
    await page.keyboard.press('Escape');
  }
});

test('a set of another coach to be rated', async ({ page, browser }) => {
  const coach = await another(browser, 'relief');
  await coach.goto(`/floor/${await idOf(coach, 'Mads Overbeck')}`);
  await coach
    .getByRole('button', { name: /: watched, no fault/ })
    .first()
    .click();
  await expect(coach.getByText(/^Kept, by/).last()).toBeVisible();
  await page.goto('/faults/rate');
  await page.getByRole('button', { name: /Mads Overbeck, set/ }).click();
  await expect(page.getByRole('button', { name: 'I saw no fault' })).toBeVisible();
  await check(page);
});

test('the next step at the desk', async ({ page }) => {
  await page.goto(`/faults?person=${await idOf(page, 'Oskar Lindqvane')}&of=one-leg-lift&pattern=bridge`);
  await page.getByRole('list', { name: 'Signs' }).getByRole('button').first().click();
  await page.getByRole('button', { name: /^What to do/ }).click();
  await expect(page.getByRole('region', { name: 'Likely causes' })).toBeVisible();
  await check(page);
});

test('an hour that is planned, on the wall, and its warm-up', async ({ page }) => {
  await page.goto('/floor');
  await page
    .getByRole('region', { name: 'Juniors' })
    .getByRole('link', { name: 'Plan this session' })
    .click();
  await expect(page.getByText(/No plan with \d rounds? is better|points better is possible/)).toBeVisible({
    timeout: 20_000,
  });
  await check(page);
  await page.getByRole('button', { name: 'Time, kit, coaches, people' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Put it on the wall' }).click();
  await page.getByRole('button', { name: 'Begin with the warm-up' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await check(page);
  await page.getByRole('link', { name: 'Lead the warm-up' }).click();
  await page.getByRole('button', { name: 'Everybody begins' }).click();
  await expect(page.getByRole('timer').first()).toBeVisible();
  await check(page);
});

import { another, expect, idOf, stranger } from '../hall.ts';
import { check, checkViews, heading, region, test } from './axe.ts';

checkViews([
  ['/people/{Zelda Marchbanks}?part=measured', region('Measured sets')],
  ['/people', (p) => p.getByRole('link', { name: 'Oskar Lindqvane' })],
  ['/people/{Oskar Lindqvane}', (p) => p.getByRole('tab', { name: 'Standing' })],
  ['/people/{Oskar Lindqvane}?part=log', (p) => p.locator('.js-plotly-plot')],
  ['/people/{Oskar Lindqvane}?part=body', region('Body and range')],
  ['/people/{Oskar Lindqvane}?part=moves', heading('Moves')],
  ['/people/{Oskar Lindqvane}?part=details', region('Personal link')],
  ['/people?add=several', (p) => p.getByRole('dialog')],
  ['/guide', heading('Getting to know it')],
  ['/people/{Bram Hollis}', region('Place by trials')],
  ['/overview', (p) => region('Ready to move up')(p).getByRole('link')],
  ['/ladders', (p) => p.getByRole('link', { name: /Bridge/ })],
  ['/ladders/bridge-ladder', region('Questions from the computed demand')],
  ['/body?a=back-squat&b=bench-thrust', (p) => p.locator('.js-plotly-plot')],
  ['/body/purpose', (p) => p.getByRole('table')],
  ['/hall', (p) => p.getByRole('row', { name: /Mirela Ostrander/ })],
  ['/me', region('Where you are signed in')],
  ['/people/{Ines Vale-Corrigan}?part=restrictions', region('Pain and stops')],
]);

test('sign-in', async ({ browser }) => {
  const page = await stranger(browser);
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible();
  await check(page);
});

test('the command bar', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Go to' }).click();
  await expect(page.getByPlaceholder('A name, a variation, a room, an action')).toBeVisible();
  await check(page);
});

test('a personal link', async ({ browser, address }) => {
  const head = await another(browser, 'head');
  const id = await idOf(head, 'Oskar Lindqvane');
  const own = await head.request.post(`/api/people/${id}/own-links`, {
    headers: { origin: address },
    data: { days: 1 },
  });
  const phone = await stranger(browser);
  const { pathname, hash } = new URL(((await own.json()) as { url: string }).url);
  await phone.goto(pathname + hash);
  await expect(heading('Oskar Lindqvane')(phone)).toBeVisible();
  await check(phone);
  await phone.getByRole('button', { name: 'At home, or on the road' }).click();
  await phone.getByRole('button', { name: 'Begin', exact: true }).click();
  await phone.getByRole('button', { name: 'Warm: to the work' }).click();
  await expect(phone.getByRole('button', { name: 'Write this set down' })).toBeVisible();
  await check(phone);
});

import { expect, test } from '@playwright/test';
import { another, openPerson, signIn } from './hall.ts';

test('a coach finds a sheet and reads it', async ({ page }) => {
  await signIn(page, 'coach');
  await page.getByRole('link', { name: 'Library' }).click();
  await page.getByRole('searchbox').fill('tray');
  const list = page.getByRole('list', { name: 'Variations' });
  await list.getByRole('link', { name: 'Hip lift on one leg' }).click();
  await expect(page.getByRole('heading', { name: 'Hip lift on one leg', level: 1 })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Cautions' })).toContainText('One leg, quiet back');
  await page.getByText('Pelvis drops or turns on one leg').click();
  await expect(page.getByText('Heel of the free leg on the mat as a kickstand.')).toBeVisible();
  await page.getByRole('searchbox').fill('no such words');
  await expect(page.getByRole('button', { name: 'Nothing matches: show all' })).toBeVisible();
});

test('a coach proposes, the head coach sees it side by side and accepts, the sheet follows', async ({
  page,
  browser,
}) => {
  const coach = await another(browser, 'coach');
  await coach.goto('/library/cue/headlights');
  await coach.getByRole('link', { name: 'Propose a change' }).click();
  await coach.getByLabel('The cue: one short line', { exact: true }).fill('Headlights on the far wall.');
  await coach.getByLabel('Why this change').fill('They looked at the ceiling.');
  await coach.getByRole('button', { name: 'Propose' }).click();
  await expect(coach.getByText('The head coach accepts or declines it.')).toBeVisible();

  await signIn(page, 'head');
  await page.goto('/library/variation/floor-lift');
  await expect(page.getByRole('link', { name: 'Headlights straight ahead.' })).toBeVisible();
  await page.getByRole('link', { name: 'Changes' }).click();
  await page.getByRole('link', { name: /Headlights on the far wall/ }).click();
  // Word by word: only what differs is marked.
  const sides = page.getByRole('table');
  await expect(sides.getByRole('deletion')).toHaveText(['straight', 'ahead']);
  await expect(sides.getByRole('insertion')).toHaveText(['on', 'the far wall']);
  await page.getByLabel('A word to the author').fill('Better, thank you.');
  await page.getByRole('button', { name: 'Accept', exact: true }).click();
  await page.goto('/library/variation/floor-lift');
  await expect(page.getByRole('link', { name: 'Headlights on the far wall.' })).toBeVisible();

  await page.goto('/library/cue/headlights/history');
  await expect(page.getByRole('heading', { name: 'Revision 2: Headlights on the far wall.' })).toBeVisible();
  await page.getByRole('button', { name: /Revision 1/ }).click();
  await expect(page.getByRole('heading', { name: 'Revision 1: Headlights straight ahead.' })).toBeVisible();
});

test('two edits of one document: the later save is refused with both versions, and no word is lost', async ({
  page,
  browser,
}) => {
  const other = await another(browser, 'head');
  await signIn(page, 'head');
  for (const p of [page, other]) await p.goto('/library/cue/float-down/edit');
  const line = (p: typeof page) => p.getByLabel('The cue: one short line', { exact: true });
  await line(page).fill('Float down like a leaf.');
  await line(other).fill('Settle like a boat at low tide.');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('heading', { name: 'Float down like a leaf.' })).toBeVisible();
  await other.getByRole('button', { name: 'Put in force' }).click();
  await expect(other.getByRole('heading', { name: 'Somebody changed this meanwhile' })).toBeVisible();
  const sides = other.getByRole('alert').getByRole('table');
  await expect(sides.getByRole('cell').nth(0)).toContainText('Float down like a leaf.');
  await expect(sides.getByRole('cell').nth(1)).toContainText('Settle like a boat at low tide.');
  await other.getByRole('alert').getByLabel('Yours').check();
  await other.getByRole('button', { name: 'Go on with both together' }).click();
  await other.getByRole('button', { name: 'Put in force' }).click();
  await expect(other.getByRole('heading', { name: 'Settle like a boat at low tide.' })).toBeVisible();
});

test('the head coach edits structured fields, and a draft survives leaving', async ({ page }) => {
  await signIn(page, 'head');
  await page.goto('/library/variation/floor-hold/edit');
  await page.getByLabel('Top, s').fill('25');
  await page.getByLabel('Purpose, line 1').fill('Builds patience at the end of the range.');
  await expect(page.getByText(/draft kept/)).toBeVisible();
  await page.goto('/people');
  await page.goto('/library/variation/floor-hold/edit');
  await expect(page.getByLabel('Top, s')).toHaveValue('25');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Tempo 2–0–1–25 s')).toBeVisible();
  // Bad input names the field, and nothing is put in force.
  await page.goto('/library/variation/floor-hold/edit');
  await page.getByLabel('Top, s').fill('600');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('less than or equal to 60').first()).toBeVisible();
  await page.getByRole('button', { name: 'Discard the draft' }).click();
  await expect(page.getByText('Tempo 2–0–1–25 s')).toBeVisible();
});

test('the head coach changes a criterion, and the sentence and the decision follow', async ({ page }) => {
  await signIn(page, 'head');
  await openPerson(page, 'Bea Hollowmere');
  await expect(page.getByText('Hold', { exact: true })).toBeVisible();
  await page.goto('/ladders/bridge-ladder');
  await expect(page.getByText('2 sets of 12 clean repetitions, in 2 sessions running')).toBeVisible();
  await page.getByRole('button', { name: 'Edit this level' }).click();
  const advance = page.getByRole('group', { name: 'Move up when' }).first();
  await advance.getByLabel('clean repetitions').first().fill('3');
  await advance.getByLabel('sets', { exact: true }).fill('1');
  await advance.getByLabel('sessions running').first().fill('1');
  await expect(advance.getByText('1 set of 3 clean repetitions; and no pain.')).toBeVisible();
  await advance.getByRole('button', { name: 'Remove this part' }).last().click();
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('1 set of 3 clean repetitions')).toBeVisible();
  await openPerson(page, 'Bea Hollowmere');
  await expect(page.getByText('Move up to Held lift')).toBeVisible();
  await page.getByRole('button', { name: 'Confirm: move up' }).click();
  await expect(
    page.getByText('Kept, with the evidence.').or(page.getByText('level 2 of 11')).first(),
  ).toBeVisible();
  await expect(page.getByText('level 2 of 11: Held lift')).toBeVisible();
});

test('a coach logs sets with few taps, corrects one, and the decision shows its evidence', async ({
  page,
}) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await signIn(page, 'coach');
  await page.getByRole('link', { name: /Oskar Lindqvane/ }).click();
  await expect(page.getByRole('heading', { name: 'Oskar Lindqvane', level: 1 })).toBeVisible();
  await expect(page.getByText('2 × 10 each side')).toBeVisible();
  const today = page.getByRole('region', { name: 'Logged that day' });
  // The right side did fewer last time and goes first; the sides then alternate.
  for (const side of ['right', 'left', 'right', 'left']) {
    await expect(page.getByRole('button', { name: side, pressed: true })).toBeVisible();
    await page
      .getByRole('button', { name: /watched, no fault/ })
      .first()
      .click();
    await expect(today.getByText(`10 repetitions, ${side}`).last()).toBeVisible();
  }
  await expect(today.getByRole('button', { name: 'Correct' })).toHaveCount(4);
  await today.getByRole('button', { name: 'Correct' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'One more: Pelvis drops or turns on one leg' }).click();
  await dialog.getByRole('group', { name: /^Pain/ }).getByRole('button', { name: '0', exact: true }).click();
  await dialog.getByRole('button', { name: /faults as counted/ }).click();
  await expect(today.getByText('Pelvis drops or turns on one leg × 1 right')).toBeVisible();
  page.on('dialog', (d) => void d.accept());
  await today.getByRole('button', { name: 'Delete' }).last().click();
  await expect(today.getByRole('button', { name: 'Delete' })).toHaveCount(3);
  await page.getByRole('link', { name: 'Evidence and decision' }).click();
  await expect(page.getByText('right 10, 9 clean').first()).toBeVisible();
  await expect(page.getByText('pain was not asked after the last set').first()).toBeVisible();
});

test('a set of an earlier session is corrected afterwards, and its settings come back', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/floor');
  await page.getByRole('link', { name: /Ida Farrow/ }).click();
  const people = (await (await page.request.get('/api/people')).json()) as { id: string; name: string }[];
  const ida = people.find((p) => p.name === 'Ida Farrow')!;
  const { sets } = (await (await page.request.get(`/api/people/${ida.id}/ladders`)).json()) as {
    sets: { date: string }[];
  };
  await page.getByLabel('Session of').fill(sets.at(-1)!.date);
  const that = page.getByRole('region', { name: 'Logged that day' });
  await expect(page.getByText(/Sets are being written down for/)).toBeVisible();
  await expect(that.getByRole('button', { name: 'Correct' })).toHaveCount(3);
  await that.getByRole('button', { name: 'Correct' }).last().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox', { name: 'Seconds held' }).fill('31');
  await dialog.getByRole('button', { name: /watched, no fault/ }).click();
  await expect(that.getByText('31 s held')).toBeVisible();
  await expect(page.getByRole('button', { name: /not sent/ })).toHaveCount(0);

  // A day before the newest sessions is read when it is asked for.
  const long = people.find((p) => p.name === 'Lorcan Whitlock')!;
  await page.goto(`/floor/${long.id}`);
  const [year, month, date] = sets.at(-1)!.date.split('-').map(Number);
  const back = new Date(Date.UTC(year!, month! - 1, date! - 70)).toISOString().slice(0, 10);
  await page.getByLabel('Session of').fill(back);
  await expect(that.getByRole('button', { name: 'Correct' }).first()).toBeVisible();

  await page.goto('/floor');
  await page.getByRole('link', { name: /Rui Tamarindo/ }).click();
  await page.getByText('More about this set').click();
  await page.getByLabel('Band used (setting)').fill('12 kg pull');
  await page
    .getByRole('button', { name: /watched, no fault/ })
    .first()
    .click();
  await expect(that.getByText(/Band 12 kg pull/)).toBeVisible();
  await page.getByText('More about this set').click();
  await expect(page.getByLabel('Band used (setting)')).toHaveValue('12 kg pull');
});

test('a coach decides otherwise only with a reason, and both are kept', async ({ page }) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Leni Achterdijk');
  await expect(page.getByText('Grow here', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Decide otherwise' }).click();
  await page.getByLabel('Instead').selectOption('hold');
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await expect(page.getByText('Say why')).toBeVisible();
  await page.getByLabel('Why (kept with the evidence)').fill('Exams this week.');
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await expect(page.getByText('The tool proposed: grow here.')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Exams this week.' })).toBeVisible();
});

test('a stop cannot be overridden; the head coach lifts the restriction', async ({ page, browser }) => {
  const relief = await another(browser, 'relief');
  await openPerson(relief, 'Hanneke Vossbeck');
  await expect(relief.getByText('Stop and refer', { exact: true })).toBeVisible();
  await expect(relief.getByRole('button', { name: 'Decide otherwise' })).toHaveCount(0);
  await expect(relief.getByRole('button', { name: 'Lift it' })).toHaveCount(0);
  await signIn(page, 'head');
  await openPerson(page, 'Hanneke Vossbeck');
  await page.getByRole('button', { name: 'Lift it' }).click();
  await page.getByLabel('On whose word').fill('the physiotherapist, by letter');
  await page.getByRole('button', { name: 'Lift it from today' }).click();
  await expect(page.getByText('Stop and refer', { exact: true })).toHaveCount(0);
  await expect(page.getByText(/Lifted on .* by Mirela Ostrander/)).toBeVisible();
});

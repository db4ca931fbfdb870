import { another, expect, idOf, openPart, openPerson, signIn, test } from './hall.ts';

test('one person’s data is exported and erased', async ({ page }) => {
  await signIn(page, 'head');
  await page.goto('/people');
  // One row a person, however many ladders they stand on.
  await page.getByRole('link', { name: 'Rui Tamarindo' }).click();
  await expect(page.getByRole('heading', { name: 'Rui Tamarindo', level: 1 })).toBeVisible();
  await openPart(page, 'Details');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export all data' }).click();
  // What goes out whole asks for the password again, and then goes on by itself.
  const again = page.getByRole('dialog', { name: 'Your password again' });
  await again.getByLabel('Password').fill('not-my-password');
  await again.getByRole('button', { name: 'Go on' }).click();
  await expect(again.getByRole('alert')).toContainText('The password is wrong');
  await again.getByLabel('Password').fill('kestrel-quay');
  await again.getByRole('button', { name: 'Go on' }).click();
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
  await expect(page.getByText('Move up to Bridge hold', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Confirm: move up' }).click();
  await expect(
    page.getByText('Kept, with the evidence.').or(page.getByText('level 2 of 7')).first(),
  ).toBeVisible();
  await expect(page.getByText('level 2 of 7: Bridge hold')).toBeVisible();
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
  await openPart(page, 'Moves');
  await expect(page.getByText('The tool proposed: grow here.')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Exams this week.' })).toBeVisible();
});

test('what is barred for a while is paused; the head coach alone lifts it', async ({ page, browser }) => {
  const relief = await another(browser, 'relief');
  await openPerson(relief, 'Hanneke Vossbeck');
  await expect(relief.getByText('Paused', { exact: true })).toBeVisible();
  await expect(relief.getByText(/^Paused until/)).toBeVisible();
  await expect(relief.getByRole('button', { name: 'Decide otherwise' })).toHaveCount(0);
  await openPart(relief, 'Pain, restrictions, faults');
  await expect(relief.getByRole('heading', { name: 'Restrictions' })).toBeVisible();
  await expect(relief.getByRole('button', { name: 'Lift it' })).toHaveCount(0);
  await signIn(page, 'head');
  await openPerson(page, 'Hanneke Vossbeck');
  await openPart(page, 'Pain, restrictions, faults');
  await page.getByRole('button', { name: 'Lift it' }).click();
  await page.getByLabel('Who said so').fill('the physiotherapist, by letter');
  await page.getByRole('button', { name: 'Lift it from today' }).click();
  await expect(page.getByText(/Lifted on .* by Mirela Ostrander/)).toBeVisible();
  await openPart(page, 'Standing');
  await expect(page.getByRole('button', { name: 'Decide otherwise' }).first()).toBeVisible();
  await expect(page.getByText('Paused', { exact: true })).toHaveCount(0);
});

test('correcting a set that a decision stood on marks the decision and says so', async ({ page }) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Pascal Ouderkerk');
  await page
    .getByRole('region', { name: 'Decision on the ladder Squat' })
    .getByRole('button', { name: 'Confirm: move up' })
    .click();
  await expect(page.getByText(/Squat, level 6 of 10/)).toBeVisible();
  const id = await idOf(page, 'Pascal Ouderkerk');
  const { moves } = (await (await page.request.get(`/api/people/${id}/ladders`)).json()) as {
    moves: { evidence: { sessionDates: string[] } | null }[];
  };
  await page.goto(`/floor/${id}`);
  await page.getByLabel('Session of').fill(moves[0]!.evidence!.sessionDates.at(-1)!);
  const that = page.getByRole('region', { name: 'Logged that day' });
  const deep = that.getByRole('listitem').filter({ hasText: 'Bodyweight squat' }).last();
  await deep.getByRole('button', { name: 'Correct' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox', { name: 'Repetitions done' }).fill('3');
  await dialog.getByRole('button', { name: /watched, no fault/ }).click();
  await page.getByRole('button', { name: '1 decision to look at' }).click();
  await page.getByRole('link', { name: 'To the decision' }).click();
  await expect(
    page.getByText('A set that this stood on was corrected afterwards: look again.'),
  ).toBeVisible();
});

test('range tests are kept with their dates; a slip is refused with what was wrong', async ({ page }) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Tomas Wrenfield');
  await openPart(page, 'Body');
  const panel = page.getByRole('region', { name: 'Body and range' });
  await expect(panel.getByText(/Ankle never tested; 40° is taken/)).toBeVisible();
  await panel.getByRole('button', { name: 'Note a range test' }).click();
  await page.getByLabel('Found, in cm').fill('80');
  await page.getByRole('button', { name: 'Keep the test' }).click();
  await expect(page.getByRole('alert')).toContainText('between −5 and 25 cm');
  await page.getByLabel('Found, in cm').fill('6');
  await page.getByRole('button', { name: 'Keep the test' }).click();
  await expect(panel.getByText(/Ankle 3\d° counts, the lesser side/)).toBeVisible();
  await panel.getByRole('button', { name: /Show the trend/ }).click();
  await expect(panel.locator('.js-plotly-plot')).toBeVisible();
  await expect(panel.getByRole('row', { name: /knee to wall left 6\scm/ })).toBeVisible();
  await panel.getByRole('button', { name: /^Remove the test/ }).click();
  await panel.getByRole('button', { name: 'Really remove' }).click();
  await expect(panel.getByText(/Ankle never tested/)).toBeVisible();
});

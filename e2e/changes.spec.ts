import { another, expect, openSection, signIn, test } from './hall.ts';

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

test('two people who edit one document lose no word: what both changed is chosen, the rest put together', async ({
  page,
  browser,
}) => {
  await signIn(page, 'head');
  const coach = await another(browser, 'coach');
  for (const p of [page, coach]) {
    await p.goto('/library/fault/tight-rope/edit?at=Name');
    await expect(p.getByRole('textbox', { name: 'Sign' })).toBeVisible();
  }
  await page.getByRole('textbox', { name: 'Sign' }).fill('Both feet on one line, says the head coach.');
  await openSection(page, 'Stop, and the weeks after');
  await page.getByRole('textbox', { name: 'When to stop' }).fill('Stop at once, says the head coach.');
  await coach.getByRole('textbox', { name: 'Sign' }).fill('Both feet on one line, says the coach.');
  await coach.getByLabel('Name', { exact: true }).fill('Feet on a tight rope');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Stop at once, says the head coach.').first()).toBeVisible();
  await coach.getByRole('button', { name: 'Propose' }).click();
  const both = coach.getByRole('alert').filter({ hasText: 'Somebody changed this meanwhile' });
  await expect(both.getByText('Changed by both: Sign.')).toBeVisible();
  await expect(both.getByRole('button', { name: 'Go on with both together' })).toBeDisabled();
  await both.getByRole('group', { name: 'Sign' }).getByLabel('Yours').check();
  await both.getByRole('button', { name: 'Go on with both together' }).click();
  await expect(coach.getByRole('textbox', { name: 'Sign' })).toHaveValue(
    'Both feet on one line, says the coach.',
  );
  await expect(coach.getByLabel('Name', { exact: true })).toHaveValue('Feet on a tight rope');
  await openSection(coach, 'Stop, and the weeks after');
  await expect(coach.getByRole('textbox', { name: 'When to stop' })).toHaveValue(
    'Stop at once, says the head coach.',
  );
  await coach.getByRole('button', { name: 'Propose' }).click();
  await expect(coach.getByText('The head coach accepts or declines it.')).toBeVisible();

  // The same person in two windows: the older window does not write over the newer one's draft.
  const second = await coach.context().newPage();
  for (const p of [coach, second]) {
    await p.goto('/library/cue/lift-down/edit');
    await expect(p.getByRole('textbox', { name: 'The cue: one short line' })).toBeVisible();
  }
  await second
    .getByRole('textbox', { name: 'The cue: one short line' })
    .fill('Down like a lift, says one window.');
  await expect(second.getByText(/draft kept/)).toBeVisible();
  await coach
    .getByRole('textbox', { name: 'The cue: one short line' })
    .fill('Down like a lift, says the other.');
  await expect(coach.getByText(/written on in another window/)).toBeVisible();
  await coach.getByRole('button', { name: 'Read the other one' }).click();
  await expect(coach.getByRole('textbox', { name: 'The cue: one short line' })).toHaveValue(
    'Down like a lift, says one window.',
  );
  await coach.getByRole('button', { name: 'Discard the draft' }).click();
});

test('one wording a cue: a coach sees what a new wording changes, the head coach accepts, and two cues become one', async ({
  page,
  browser,
}) => {
  const coach = await another(browser, 'coach');
  await coach.goto('/library/cue/front-foot-drives');
  await expect(
    coach.getByRole('heading', { name: /Stands on \d+ sheets|Stands on one sheet/ }),
  ).toBeVisible();
  await coach.getByRole('link', { name: 'Propose a change' }).click();
  await coach
    .getByRole('textbox', { name: 'The cue: one short line' })
    .fill('Stand up through all of the front foot.');
  const aside = coach.getByRole('complementary', { name: 'Beside the sheet' });
  await expect(aside.getByText('Stand up through all of the front foot.').first()).toBeVisible();
  await expect(aside.getByText(/sheets? change/)).toBeVisible();
  await coach.getByRole('button', { name: 'Propose' }).click();
  await expect(coach.getByText('The head coach accepts or declines it.')).toBeVisible();
  const address = new URL(coach.url()).pathname;
  await signIn(page, 'head');
  await page.goto(address);
  await expect(page.getByRole('heading', { name: 'What it would change' })).toBeVisible();
  // Word by word: only what differs is marked.
  await expect(page.locator('ins').filter({ hasText: 'Stand up' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'In force' })).toBeVisible();

  await page.goto('/library?kind=cue');
  await page.getByRole('button', { name: 'New cue' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Push the floor away through a heel');
  await expect(page.getByRole('dialog').getByText('The hall says this already.')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.goto('/library/health');
  await page.getByRole('link', { name: 'Merge them' }).click();
  await expect(page.getByRole('heading', { name: 'One wording for two cues' })).toBeVisible();
  await expect(page.getByText('Rewired in one change:')).toBeVisible();
  await expect(page.getByText(/^(One sheet changes|\d+ sheets change)\.$/)).toBeVisible();
  await page.getByLabel('Why this change').fill('They say the same.');
  await page.getByRole('button', { name: 'Merge them' }).click();
  await expect(page.getByRole('heading', { name: /Stands on/ })).toBeVisible();
  await page.goto('/library/health');
  await expect(page.getByRole('link', { name: 'Merge them' })).toHaveCount(0);
});

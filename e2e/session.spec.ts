import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { another, openPerson, signIn } from './hall.ts';

const inSession = async (page: Page, squad: string) => {
  await page.goto('/floor');
  await page.getByRole('region', { name: squad }).getByRole('link', { name: 'Run this session' }).click();
  await expect(page.getByRole('heading', { name: 'Session' })).toBeVisible();
};
const pick = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Whose set' }).getByRole('button', { name: new RegExp(name) });

test('today shows everybody with what is next, what to watch, and the questions before work', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await page.goto('/floor');
  const juniors = page.getByRole('region', { name: 'Juniors' });
  const pascal = juniors.getByRole('listitem').filter({ hasText: 'Pascal Ouderkerk' }).first();
  await expect(pascal).toContainText('each side');
  await expect(pascal.getByText('Knee falls inward', { exact: false }).first()).toBeVisible();
  await expect(pascal.getByText('Cue that failed', { exact: false }).first()).toBeVisible();
  const zelda = page
    .getByRole('region', { name: 'Masters crew' })
    .getByRole('listitem')
    .filter({ hasText: 'Zelda Marchbanks' })
    .first();
  await expect(zelda.getByText(/Barred: deep positions, jumps and landings/).first()).toBeVisible();
  await expect(zelda.getByRole('button', { name: 'Ask before work' })).toBeVisible();
  await zelda.getByRole('button', { name: 'Ask before work' }).click();
  const dialog = page.getByRole('dialog');
  await dialog
    .getByRole('group', { name: /^Pain now/ })
    .getByRole('button', { name: '2', exact: true })
    .click();
  await expect(dialog.getByText('No move up while pain is fresh.', { exact: false })).toBeVisible();
  await dialog
    .getByRole('group', { name: /^At ease/ })
    .getByRole('button', { name: '7', exact: true })
    .click();
  await dialog.getByRole('button', { name: 'Keep the answers' }).click();
  await expect(zelda.getByText('pain 2, at ease 7', { exact: false })).toBeVisible();
  await expect(zelda.getByRole('button', { name: 'Ask before work' })).toHaveCount(0);
  // Pain said before work stands in the way of every move up.
  await expect(zelda.getByText('Move up', { exact: true })).toHaveCount(0);
  // Somebody is away, and comes back.
  const emre = page
    .getByRole('region', { name: 'Masters crew' })
    .getByRole('listitem')
    .filter({ hasText: 'Emre Dunmorrow' })
    .first();
  await emre.getByRole('button', { name: 'Away today' }).click();
  await expect(emre.getByRole('button', { name: 'Is here' })).toBeVisible();
  await emre.getByRole('button', { name: 'Is here' }).click();
  await expect(emre.getByRole('button', { name: 'Away today' })).toBeVisible();
  // The rack is taken: what now, one tap away.
  await pascal
    .getByRole('link', { name: /taken: what now\?/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'What can I give instead?' })).toBeVisible();
});

for (const [width, height, first, second] of [
  [820, 1180, 'Sunniva Graye', 'Lorcan Whitlock'],
  [390, 844, 'Zelda Marchbanks', 'Piet Harrowgate'],
] as const) {
  test(`a coach logs a group at ${width}×${height}, with the connection cut and back`, async ({
    page,
    context,
  }) => {
    await page.setViewportSize({ width, height });
    await signIn(page, 'coach');
    await inSession(page, 'Masters crew');
    const log = page.getByRole('button', { name: /^Set .* done: watched, no fault/ }).first();
    const today = page.getByRole('region', { name: 'Logged today' });
    await pick(page, first).click();
    await expect(log).toBeVisible();
    await log.click();
    await expect(today.getByRole('button', { name: 'Correct' })).toHaveCount(1);
    await expect(page.getByRole('status').filter({ hasText: 'Kept: set 1' })).toBeVisible();

    await expect(today.getByText(/^Kept, by/)).toHaveCount(1);
    await context.setOffline(true);
    await log.click();
    await expect(page.getByRole('button', { name: '1 not sent' })).toBeVisible();
    await pick(page, second).click();
    await expect(log).toBeVisible();
    await page
      .getByRole('button', { name: /^Set .* done: not watched/ })
      .first()
      .click();
    await expect(page.getByRole('button', { name: '2 not sent' })).toBeVisible();
    await log.click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(today.getByRole('button', { name: 'Correct' })).toHaveCount(1);
    // Not watched until a coach says so, in one deliberate tap.
    await expect(today.getByText('not watched')).toBeVisible();
    await today.getByRole('button', { name: /^All watched, no fault/ }).click();
    await expect(today.getByText('watched, no fault', { exact: false }).last()).toBeVisible();
    await expect(today.getByRole('button', { name: /^All watched/ })).toHaveCount(0);

    await context.setOffline(false);
    await expect(page.getByRole('button', { name: /not sent/ })).toHaveCount(0, { timeout: 20_000 });
    await page.reload();
    await pick(page, first).click();
    await expect(today.getByRole('button', { name: 'Correct' })).toHaveCount(2);
    await pick(page, second).click();
    await expect(today.getByRole('button', { name: 'Correct' })).toHaveCount(1);
  });
}

test('at a desk by keys alone: digits, a letter for a fault, Enter, arrows; sides, side test, body, cue', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await inSession(page, 'Juniors');
  await pick(page, 'Wiebke Tarrant').click();
  const today = page.getByRole('region', { name: 'Logged today' });
  await expect(page.getByRole('button', { name: /^Set 1 .*done/ }).first()).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.type('7');
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await expect(today.getByText(/7 repetitions, (left|right)/)).toBeVisible();
  await expect(today.getByText('× 1', { exact: false })).toBeVisible();
  // The stronger side does as many as the weaker did.
  await expect(page.getByText(/As many as the (left|right) side did: 7\./)).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Repetitions done' })).toHaveValue('7');
  // A side test is a mode: it stays on for the other side.
  const mode = page.getByRole('button', { name: 'Side test, to the first unclean one' });
  await mode.click();
  await page.locator('h1').click();
  await page.keyboard.type('12');
  await page.keyboard.press('Enter');
  await expect(today.getByText(/12 repetitions, (left|right), side test/)).toBeVisible();
  await expect(mode).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Felt', exact: true }).click();
  await page.getByRole('button', { name: 'work: front of thigh, left' }).click();
  await expect(page.getByRole('button', { name: 'Remove work, front of thigh' })).toBeVisible();
  await page.getByRole('button', { name: 'Back to the set' }).click();
  await expect(page.getByRole('button', { name: 'Felt 1' })).toBeVisible();
  const cue = page.getByRole('group', { name: /^Said it:/ }).first();
  await cue.getByRole('button', { name: 'better' }).click();
  await expect(cue.getByRole('button', { name: 'better' })).toHaveAttribute('aria-pressed', 'true');
  await page.locator('h1').click();
  await page.keyboard.press('ArrowRight');
  await expect(pick(page, 'Wiebke Tarrant')).toHaveAttribute('aria-pressed', 'false');
});

test('correcting a set that a decision stood on marks the decision and says so', async ({ page }) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Pascal Ouderkerk');
  await page
    .getByRole('region', { name: 'Decision on the ladder Squat' })
    .getByRole('button', { name: 'Confirm: move up' })
    .click();
  await expect(page.getByText(/Squat, level 8 of 13/)).toBeVisible();
  const people = (await (await page.request.get('/api/people')).json()) as { id: string; name: string }[];
  const { id } = people.find((p) => p.name === 'Pascal Ouderkerk')!;
  const { moves } = (await (await page.request.get(`/api/people/${id}/ladders`)).json()) as {
    moves: { evidence: { sessionDates: string[] } | null }[];
  };
  await page.goto(`/floor/${id}`);
  await page.getByLabel('Session of').fill(moves[0]!.evidence!.sessionDates.at(-1)!);
  const that = page.getByRole('region', { name: 'Logged that day' });
  const deep = that.getByRole('listitem').filter({ hasText: 'Squat below level' }).last();
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

test('a new person is placed by trials; pain ends them at once', async ({ page }) => {
  await signIn(page, 'head');
  await openPerson(page, 'Bram Hollis');
  const trials = page.getByRole('region', { name: 'Place by trials' });
  await trials.getByLabel('Experience').selectOption('trained');
  await trials.getByLabel('At ease with it').selectOption('4');
  await trials.getByRole('button', { name: 'What to try first' }).click();
  await expect(trials.getByText('Trial 1, open from', { exact: false })).toBeVisible();
  await trials.getByRole('button', { name: 'Passed' }).click();
  await expect(trials.getByText('Trial 2, open from', { exact: false })).toBeVisible();
  await trials.getByLabel('A word on it, if any').fill('heels came up');
  await trials.getByRole('button', { name: 'A fault to fix' }).click();
  for (let i = 0; i < 2; i++) {
    const again = trials.getByRole('button', { name: 'Not at ease' });
    await expect(again.or(trials.getByText('Begin at'))).toBeVisible();
    if (await again.isVisible()) await again.click();
    await page.waitForTimeout(300);
  }
  await expect(trials.getByText(/^Begin at /)).toBeVisible();
  await trials.getByRole('button', { name: 'Place here' }).click();
  await expect(page.getByRole('region', { name: 'Decision on the ladder Squat' })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'heels came up' }).last()).toBeVisible();

  await trials.getByRole('button', { name: 'Another pattern' }).click();
  await trials.getByLabel('Pattern').selectOption({ label: 'Lunge' });
  await trials.getByRole('button', { name: 'What to try first' }).click();
  await trials.getByRole('button', { name: 'Pain', exact: true }).click();
  await expect(trials.getByText('Stop here')).toBeVisible();
  await expect(trials.getByText('Pain ends the trials at once.', { exact: false })).toBeVisible();
  await trials.getByRole('button', { name: 'Keep what was seen' }).click();
  await expect(page.getByText(/Lunge: stopped/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Decision on the ladder Lunge' })).toHaveCount(0);
});

test('the overview says who is ready, stuck, overridden, uneven, and leads to the person', async ({
  page,
}) => {
  await signIn(page, 'head');
  await page.getByRole('link', { name: 'Overview' }).click();
  const section = (name: string) => page.getByRole('region', { name });
  await expect(section('Ready to move up').getByRole('link', { name: 'Jonah Sprigg' }).first()).toBeVisible();
  await expect(section('Stuck beyond the usual stay')).toContainText('Pascal Ouderkerk');
  await expect(section('Decided otherwise')).toContainText('Lunged for years on her own');
  await expect(section('Sides that differ')).toContainText('% apart');
  await expect(section('Faults again and again')).toContainText('Knee falls inward');
  await page.getByRole('button', { name: 'Rescue volunteers' }).click();
  await expect(section('Ready to move up').getByRole('link', { name: 'Jonah Sprigg' })).toHaveCount(0);
  await section('Decided otherwise').getByRole('link', { name: 'Yara Quillfeather' }).click();
  await expect(page.getByRole('heading', { name: 'Yara Quillfeather', level: 1 })).toBeVisible();
  const chart = page.getByRole('region', { name: 'Measures over time' });
  await expect(chart.locator('.js-plotly-plot')).toBeVisible();
  await chart.getByText('The same as a table').click();
  await expect(chart.getByRole('row').nth(1)).toBeVisible();
});

test('an athlete logs by a personal link, as not watched, until it is revoked', async ({ page, browser }) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Piet Harrowgate');
  const own = page.getByRole('region', { name: 'Personal link' });
  await own.getByRole('button', { name: 'Make a link' }).click();
  const url = (await own.getByRole('link').getAttribute('href'))!;
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(url);
  await expect(phone.getByRole('heading', { name: 'Piet Harrowgate' })).toBeVisible();
  const work = phone.getByRole('region').first();
  await work.getByRole('button', { name: 'Repetitions: 1 more' }).click();
  await work
    .getByRole('group', { name: /^How hard/ })
    .getByRole('button', { name: '6', exact: true })
    .click();
  await work.getByRole('button', { name: 'Write this set down' }).click();
  await expect(phone.getByRole('heading', { name: 'Written down today' })).toBeVisible();
  await page.reload();
  await expect(page.getByText(/not watched \(own\)/).first()).toBeVisible();
  await own.getByRole('button', { name: 'Revoke' }).first().click();
  await expect(own.getByText(/revoked/)).toBeVisible();
  await phone.reload();
  await expect(phone.getByText('This link has ended. Ask your coach for a new one.')).toBeVisible();
});

test('sets come in as a file: looked at first, told line by line, all or nothing', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/sets');
  const lines = page.getByRole('textbox', { name: 'Pasted lines' });
  await lines.fill(
    'person,date,variation,repetitions,watched\nAmina Castlebay,2026-11-02,plain-squat,12,yes\nAmina Castlebay,2026-11-02,plain-squat,dozen,yes',
  );
  await page.getByRole('button', { name: 'Look at it first' }).click();
  await expect(page.getByText('"dozen" is no number.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Bring in/ })).toHaveCount(0);
  await lines.fill(
    'person,date,variation,repetitions,watched\nAmina Castlebay,2026-11-02,plain-squat,12,yes\nAmina Castlebay,2026-11-02,plain-squat,11,yes',
  );
  await page.getByRole('button', { name: 'Look at it first' }).click();
  await page.getByRole('button', { name: 'Bring in 2 sets' }).click();
  await expect(page.getByText('2 brought in.', { exact: false })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download the sets' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('meister-sets.csv');
  // Somebody of another squad’s cannot be written to.
  const relief = await another(page.context().browser()!, 'relief');
  await relief.goto('/sets');
  await relief
    .getByRole('textbox', { name: 'Pasted lines' })
    .fill('person,date,variation,repetitions\nAmina Castlebay,2026-11-02,plain-squat,12');
  await relief.getByRole('button', { name: 'Look at it first' }).click();
  await expect(relief.getByText('Only staff of the squad', { exact: false })).toBeVisible();
});

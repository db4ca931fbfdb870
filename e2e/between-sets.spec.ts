import type { Page } from '@playwright/test';
import type { CaseRow, DeskKnowledge } from '../contract/fault.ts';
import type { PersonHistory } from '../contract/session.ts';
import { another, expect, idOf, signIn, test } from './hall.ts';

const casesOf = async (page: Page, id: string): Promise<CaseRow[]> =>
  ((await (await page.request.get(`/api/faults/desk?people=${id}`)).json()) as DeskKnowledge).people[0]!
    .cases;
const setsOf = async (page: Page, id: string) =>
  ((await (await page.request.get(`/api/people/${id}/sets`)).json()) as PersonHistory).sets;
const setAtHand = (page: Page) => page.getByRole('group', { name: 'The set at hand' });
const done = (page: Page) => setAtHand(page).getByRole('button', { name: /^Set .* done: watched/ });

for (const [width, height, first, second] of [
  [820, 1180, 'Mads Overbeck', 'Signe Larkhall'],
  [390, 844, 'Nele Sandbrook', 'Ines Vale-Corrigan'],
] as const) {
  test(`a whole session between sets at ${width}×${height}, with the network cut twice`, async ({
    page,
    context,
    browser,
  }) => {
    test.setTimeout(120_000);
    await page.setViewportSize({ width, height });
    await signIn(page, 'head');
    const [one, other] = [await idOf(page, first), await idOf(page, second)];
    const before = (await casesOf(page, one)).length;
    await page.goto(`/floor/session?people=${one},${other}&who=${one}`);
    const strip = page.getByRole('group', { name: 'Whose set' });
    const who = (name: string) => strip.getByRole('button', { name: new RegExp(name) });
    await expect(strip.getByText('next', { exact: true })).toHaveCount(1);
    await expect(page.getByRole('list', { name: 'Three cues' }).getByRole('listitem')).toHaveCount(3);

    // Every target of the set at hand is within reach of one thumb and large enough for it.
    for (const button of await setAtHand(page).getByRole('button').all()) {
      const box = (await button.boundingBox())!;
      expect(box.height).toBeGreaterThanOrEqual(55.5);
      expect(box.y + box.height).toBeLessThanOrEqual(height);
      expect(box.y).toBeGreaterThan(height / 2);
    }

    // The clock goes on in another room, and the band leads back to it.
    await page.getByRole('button', { name: 'Start the clock' }).click();
    await expect(page.getByRole('timer')).toBeVisible();
    await expect(who(first)).toContainText('at work');
    // On a tablet or phone the way to another room leads over today.
    await page.getByRole('link', { name: 'Today', exact: true }).click();
    await page.getByRole('link', { name: 'Faults', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Faults desk' })).toBeVisible();
    await page
      .locator('header')
      .getByRole('link', { name: /^(Get ready|Lower|Rise|Stay)/ })
      .click();
    await expect(page.getByRole('timer')).toBeVisible();
    // What the desk knows has to be on the tablet before the network goes.
    const knows = page.waitForEvent('requestfinished', (r) => r.url().includes('/api/faults/desk'));
    await page.reload();
    await knows;
    await expect(page.getByRole('timer')).toBeVisible();
    await page.getByRole('button', { name: 'Pause' }).click();
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByRole('timer')).toHaveCount(0);

    // First cut: a set, a fault with its next step, and rest goes on being counted.
    await expect(done(page)).toBeVisible();
    await context.setOffline(true);
    await done(page).click();
    await expect(page.getByRole('button', { name: '1 not sent' })).toBeVisible();
    await expect(who(first)).toContainText(/rests 1?\d?:?\d+/);
    await setAtHand(page).getByRole('button', { name: 'Fault', exact: true }).click();
    const dialog = page.getByRole('dialog');
    await dialog
      .getByRole('button', { name: /^One more/ })
      .first()
      .click();
    await dialog.getByRole('button', { name: 'What to do?' }).click();
    const ask = dialog.getByRole('region', { name: 'Check next' });
    const answers = dialog.getByRole('region', { name: 'Answers' });
    await expect(ask.or(answers).first()).toBeVisible();
    if (await ask.isVisible()) await ask.getByRole('button', { name: 'Don’t know' }).click();
    if (!(await answers.getByText('Try this').isVisible())) {
      await answers.getByRole('listitem').first().getByRole('button').click();
    }
    await answers.getByRole('button', { name: 'The same' }).click();
    await expect(dialog.getByRole('region', { name: 'So far' })).toContainText('same');
    await page.keyboard.press('Escape');
    await expect(setAtHand(page).getByRole('button', { name: 'Fault 1' })).toBeVisible();

    // What was tapped is still there after looking at somebody else.
    await who(second).click();
    await expect(done(page)).toBeVisible();
    await who(first).click();
    await expect(setAtHand(page).getByRole('button', { name: 'Fault 1' })).toBeVisible();
    await done(page).click();
    await context.setOffline(false);
    await expect(page.getByRole('button', { name: /not sent/ })).toHaveCount(0, { timeout: 20_000 });

    // Second cut: pain ends the set, with the caution, and is recorded.
    await who(second).click();
    await expect(done(page)).toBeVisible();
    await context.setOffline(true);
    await setAtHand(page).getByRole('button', { name: 'Pain', exact: true }).click();
    await expect(
      dialog.getByRole('alert').getByText('Sharp or rising pain ends the set.', { exact: false }),
    ).toBeVisible();
    await dialog
      .getByRole('group', { name: /^Pain/ })
      .getByRole('button', { name: '6', exact: true })
      .click();
    await dialog.getByRole('button', { name: 'pain: front of knee, left' }).click();
    await dialog.getByRole('button', { name: 'End the set and record it' }).click();
    await expect(page.getByText('The set was ended and recorded.', { exact: false })).toBeVisible();
    await expect(page.getByRole('button', { name: /not sent/ })).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByRole('button', { name: /not sent/ })).toHaveCount(0, { timeout: 20_000 });

    const all = await setsOf(page, one);
    const sets = all.filter((x) => x.date === all.at(-1)!.date);
    expect(sets.map((x) => x.faults.length)).toEqual([0, 1]);
    expect(sets.at(-1)!.faults).toEqual([expect.objectContaining({ reps: 1 })]);
    const cases = await casesOf(page, one);
    expect(cases.length).toBe(before + 1);
    expect(cases.at(-1)!.tried).toEqual([expect.objectContaining({ outcome: 'same' })]);
    const head = await another(browser, 'head');
    const hurt = (await setsOf(head, other)).at(-1)!;
    expect(hurt).toMatchObject({ pain: 6, watched: true });
    expect(hurt.sensations).toEqual([
      expect.objectContaining({ region: 'front of knee', kind: 'pain', side: 'left' }),
    ]);
  });
}

test('a hold and the interval form run their time and fill in the set', async ({ page }) => {
  await page.clock.install();
  await signIn(page, 'head');
  const ida = await idOf(page, 'Ida Farrow');
  await page.goto(`/floor/session?people=${ida}`);
  const clock = page.getByRole('region', { name: 'Clock' });
  await expect(clock.getByRole('button', { name: 'Hold' })).toHaveAttribute('aria-pressed', 'true');
  await clock.getByRole('button', { name: 'Start the clock' }).click();
  await expect(clock.getByText('Get ready')).toBeVisible();
  await page.clock.fastForward(6_000);
  await expect(clock.getByText('Hold', { exact: true })).toBeVisible();
  await page.clock.fastForward(9_000);
  await expect(clock.getByText(/1[01] s of work/)).toBeVisible();
  await clock.getByRole('button', { name: 'Stop' }).click();
  await expect(setAtHand(page).getByRole('textbox', { name: 'Seconds held' })).toHaveValue(/^1[01]$/);

  await clock.getByRole('button', { name: 'Interval' }).click();
  await clock.getByRole('button', { name: 'Week 2: 3 rounds' }).click();
  await expect(clock.getByText('40 s work, 20 s rest, 3 rounds', { exact: false })).toBeVisible();
  await clock.getByRole('button', { name: 'Start the clock' }).click();
  await page.clock.fastForward(50_000);
  await expect(clock.getByText('Rest', { exact: true })).toBeVisible();
  await expect(clock.getByText('Round 1 of 3')).toBeVisible();
  await page.clock.fastForward(130_000);
  await expect(clock.getByText('Done', { exact: true })).toBeVisible();
  await expect(clock.getByText('120 s of work', { exact: false })).toBeVisible();
});

test('an interval run with a variation counted in repetitions gives rounds, and no repetitions', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.clock.install();
  await signIn(page, 'head');
  const leni = await idOf(page, 'Leni Achterdijk');
  await page.goto(`/floor/session?people=${leni}`);
  const clock = page.getByRole('region', { name: 'Clock' });
  await clock.getByRole('button', { name: 'Interval' }).click();
  await clock.getByRole('button', { name: 'Week 2: 3 rounds' }).click();
  await clock.getByRole('button', { name: 'Start the clock' }).click();
  await page.clock.fastForward(190_000);
  await expect(clock.getByText('Done', { exact: true })).toBeVisible();
  await clock.getByRole('button', { name: 'Take it over' }).click();
  await expect(setAtHand(page).getByRole('textbox', { name: 'Rounds' })).toHaveValue('3');
  await expect(page.getByText('where repetitions are asked: it trains', { exact: false })).toBeVisible();
  await setAtHand(page)
    .getByRole('button', { name: /watched, no fault$/ })
    .click();
  await expect(page.getByRole('status').getByText(/3\srounds/)).toBeVisible();
  const last = async () => {
    const read = await page.request.get(`/api/people/${leni}/ladders`);
    const { sets } = (await read.json()) as { sets: { rounds: number | null; doneReps: number | null }[] };
    return sets.find((s) => s.rounds !== null);
  };
  await expect.poll(last).toMatchObject({ rounds: 3, doneReps: null, plannedReps: null });
});

test('a rack is set by its numbers, never unevenly, and comes back the next time', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await signIn(page, 'head');
  const jonah = await idOf(page, 'Jonah Sprigg');
  await page.goto(`/floor/session?people=${jonah}`);
  await expect(page.getByText(/With rack hooks \d+, safeties \d+, footwear/)).toBeVisible();
  await page.getByText(/^Settings: rack hooks/).click();
  const left = page.getByRole('textbox', { name: 'rack hooks, left' });
  const right = page.getByRole('textbox', { name: 'rack hooks, right' });
  const notch = Number(await left.inputValue());
  await page.getByRole('button', { name: 'rack hooks, left: 1 more' }).click();
  const done = setAtHand(page).getByRole('button', { name: /watched, no fault$/ });
  await expect(setAtHand(page).getByRole('alert')).toHaveText(
    `Rack hooks: left ${notch + 1}, right ${notch}. The bar would lie uneven: set both to one number.`,
  );
  await expect(done).toBeDisabled();
  await right.fill(String(notch + 1));
  await expect(setAtHand(page).getByRole('alert')).toHaveCount(0);
  await done.click();
  await expect(page.getByText(/^Kept: set 1 of today/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(new RegExp(`With .*rack hooks ${notch + 1},`))).toBeVisible();
  // On the person's page as a line over time.
  await page.goto(`/people/${jonah}?part=log`);
  const measures = page.getByRole('region', { name: 'Measures over time' });
  await measures.getByRole('button', { name: 'rack hooks' }).click();
  await measures.getByText('The same as a table').click();
  await expect(measures.getByRole('columnheader', { name: 'rack hooks, notch' })).toBeVisible();
  await expect(measures.getByRole('row').nth(1)).toContainText(String(notch + 1));
});

test('somebody who works in intervals is asked for rounds, and the run counts', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.clock.install();
  await signIn(page, 'head');
  const bea = await idOf(page, 'Bea Hollowmere');
  await page.goto(`/floor/session?people=${bea}`);
  await page
    .getByRole('group', { name: 'Done in sets, or in intervals by the clock' })
    .getByRole('button', { name: 'intervals' })
    .click();
  await expect(page.getByText('Next: set 1 of 1, 2 rounds', { exact: false })).toBeVisible();
  const clock = page.getByRole('region', { name: 'Clock' });
  await expect(clock.getByText('40 s work, 20 s rest, 2 rounds')).toBeVisible();
  await clock.getByRole('button', { name: 'Start the clock' }).click();
  await page.clock.fastForward(130_000);
  await clock.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByText('it trains, and shows nothing', { exact: false })).toHaveCount(0);
  await setAtHand(page)
    .getByRole('button', { name: /watched, no fault$/ })
    .click();
  await expect(page.getByRole('status').getByText('2 rounds of 40 s', { exact: false })).toBeVisible();
  await expect(page.getByText('All sets of the target are done.')).toBeVisible();
});

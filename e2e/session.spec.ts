import type { Page } from '@playwright/test';
import { expect, signIn, test } from './hall.ts';

const inSession = async (page: Page, squad: string) => {
  await page.goto('/floor');
  await page.getByRole('region', { name: squad }).getByRole('link', { name: 'Run this session' }).click();
  await expect(page.getByRole('heading', { name: 'Session' })).toBeVisible();
};
const pick = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Whose set' }).getByRole('button', { name: new RegExp(name) });

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
  await expect(today.getByText(/7\srepetitions, (left|right)/)).toBeVisible();
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
  await expect(today.getByText(/12\srepetitions, (left|right), side test/)).toBeVisible();
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

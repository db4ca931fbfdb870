import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { signIn } from './hall.ts';

/** What the desk asks first about a back that rounds at the bottom. */
async function firstCheck(page: Page): Promise<string> {
  await page.goto('/faults?of=deep-squat&pattern=squat');
  await page
    .getByRole('list', { name: 'Signs' })
    .getByRole('button', { name: /^Low back rounds at the bottom/ })
    .click();
  await page.getByRole('button', { name: /^What now/ }).click();
  return page.getByRole('region', { name: 'Check next' }).locator('p').nth(1).innerText();
}

test('another prior in the library changes the next question at the desk', async ({ page }) => {
  await signIn(page, 'head');
  expect(await firstCheck(page)).toMatch(/^Three to a box/);
  await page.goto('/library/fault/back-rounds-bottom/edit');
  const weights = page.getByLabel(/^Weight/);
  await expect(weights.first()).toBeVisible();
  // Stiff ankles as likely as the depth, a lost brace hardly ever.
  await weights.nth(0).fill('5');
  await weights.nth(1).fill('1');
  await weights.nth(2).fill('5');
  await page.getByLabel('Why this change').fill('Ankles are behind it as often here.');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('heading', { name: 'Low back rounds at the bottom' })).toBeVisible();
  expect(await firstCheck(page)).toMatch(/^Heels on a wedge/);
});

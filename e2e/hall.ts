import { expect } from '@playwright/test';
import type { Browser, Page } from '@playwright/test';

export type Login = 'head' | 'coach' | 'relief' | 'viewer';

/** Signs in on the demo's sign-in page, as a user would. */
export async function signIn(page: Page, login: Login): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: `(${login})` }).click();
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeVisible();
}

/** A second person at another screen. */
export async function another(browser: Browser, login: Login): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await signIn(page, login);
  return page;
}

export async function openPerson(page: Page, name: string): Promise<void> {
  await page.goto('/people');
  // One row a ladder.
  await page.getByRole('link', { name }).first().click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

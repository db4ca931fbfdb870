import { readFileSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test as base } from '@playwright/test';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import type { Person } from '../contract/people.ts';
import { copyDemo, stateFile } from '../scripts/demo-template.ts';
import type { Login } from '../scripts/demo-template.ts';
import { startHall } from '../scripts/hall-server.ts';

export { expect };

/**
 * Every spec file has a hall of its own: a copy of the demo (or nothing at all), on a server of its own. It is made anew
 * when a test has failed, so the tests after it do not meet what that one left behind.
 */
export const test = base.extend<object, { begins: 'as the demo' | 'empty'; address: string }>({
  begins: ['as the demo', { option: true, scope: 'worker' }],
  address: [
    async ({ begins }, use) => {
      const folder = await mkdtemp(path.join(tmpdir(), 'meister-hall-'));
      if (begins === 'as the demo') await copyDemo(folder);
      const server = await startHall(folder, { brief: true });
      await use(server.base);
      await server.kill();
      await rm(folder, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  baseURL: ({ address }, use) => use(address),
});

/** The page is that of somebody who has signed in; it goes nowhere yet. */
export async function signIn(page: Page, login: Login): Promise<void> {
  const { cookies } = JSON.parse(readFileSync(stateFile(login), 'utf8')) as {
    cookies: Parameters<ReturnType<Page['context']>['addCookies']>[0];
  };
  await page.context().addCookies(cookies);
}

/** Signed in, and where the application begins. */
export async function enter(page: Page, login: Login): Promise<void> {
  await signIn(page, login);
  await page.goto('/');
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeVisible();
}

/** What a hall's first head coach is asked; the password may be refused. */
export async function openHall(page: Page, hall: string, password: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Name of the hall').fill(hall);
  await page.getByLabel('Your name').fill('Sunniva Kell');
  await page.getByLabel('Sign-in name').fill('sunniva');
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByLabel('Password again').fill(password);
  await page.getByRole('button', { name: 'Open the hall' }).click();
}

/** A second person at another screen. */
export const another = async (
  browser: Browser,
  login: Login,
  options: BrowserContextOptions = {},
): Promise<Page> => (await browser.newContext({ storageState: stateFile(login), ...options })).newPage();

/** The phone of somebody who has a link and no account. */
export const stranger = async (browser: Browser): Promise<Page> =>
  (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();

/** Opens a print job and waits until every sheet has found its size. */
export async function openJob(page: Page, query: string, sheets: number): Promise<void> {
  await page.goto(`/print?${query}`);
  await expect(page.locator('[data-sheet]')).toHaveCount(sheets);
  await sheetsSettled(page);
}

/** Every sheet on the screen has found its size. */
export async function sheetsSettled(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await document.fonts.ready;
    const sizes = () =>
      [...document.querySelectorAll<HTMLElement>('[data-sheet]')]
        .map((s) => `${s.dataset.pages} ${s.scrollHeight}`)
        .join();
    // A size tried is drawn before it is judged: what stays for three frames is the one found.
    for (let before = '', same = 0; same < 3;) {
      await new Promise(requestAnimationFrame);
      same = sizes() === before ? same + 1 : 0;
      before = sizes();
    }
  });
}

/** The id of somebody of the demo, as whoever is signed in on the page may ask. */
export async function idOf(page: Page, name: string): Promise<string> {
  const people = (await (await page.request.get('/api/people')).json()) as Person[];
  const found = people.find((p) => p.name === name);
  if (!found) throw new Error(`Nobody is called ${name}.`);
  return found.id;
}

export async function openPerson(page: Page, name: string): Promise<void> {
  await page.goto(`/people/${await idOf(page, name)}`);
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

/** Opens a section of the sheet that is being written, as one presses its heading. */
export async function openSection(page: Page, title: string): Promise<void> {
  const heading = page.getByRole('heading', { name: new RegExp(`^${title}`), level: 2 }).getByRole('button');
  await heading.click();
  await expect(heading).toHaveAttribute('aria-expanded', 'true');
}

/** Goes to a part of a person’s page by its tab. */
export async function openPart(page: Page, name: string): Promise<void> {
  await page.getByRole('tablist', { name: 'Parts of the page' }).getByRole('tab', { name }).click();
}

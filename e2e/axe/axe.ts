import axe from 'axe-core';
import type { RunOptions } from 'axe-core';
import type { BrowserContext, Locator, Page } from '@playwright/test';
import { stateFile } from '../../scripts/demo-template.ts';
import { expect, idOf, test as inHall } from '../hall.ts';

/** Every view of a file is seen by the head coach in one browser, which loads the application once. */
export const test = inHall.extend<object, { desk: BrowserContext }>({
  desk: [
    async ({ browser, address }, use) => {
      const viewport = { width: 1280, height: 800 };
      const desk = await browser.newContext({
        baseURL: address,
        storageState: stateFile('head'),
        viewport,
      });
      await use(desk);
      await desk.close();
    },
    { scope: 'worker' },
  ],
  page: async ({ desk }, use) => {
    const page = await desk.newPage();
    await use(page);
    await page.close();
  },
});

// WCAG 2.2 AA and what axe calls best practice.
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
/** The rules that depend on colours: all that the looks can differ in. */
const COLOUR_RULES = ['color-contrast', 'link-in-text-block'];

/** What axe finds on the page as it stands; there are no frames, so it runs in the page alone. */
async function violations(page: Page, runOnly: RunOptions['runOnly']) {
  if (!(await page.evaluate('"axe" in window'))) await page.evaluate(axe.source);
  return page.evaluate(async (only) => {
    const here = (window as unknown as { axe: typeof axe }).axe;
    const { violations: found } = await here.run({ runOnly: only, resultTypes: ['violations'] });
    return found.map((v) => ({ rule: v.id, at: v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)) }));
  }, runOnly);
}

/** Looks at the page as it stands: by all rules in the light, then in the bright look and the dark by those of colour. */
export async function check(page: Page): Promise<void> {
  await expect(page.getByText(/^(Reading|Opening|One moment)/)).toHaveCount(0);
  expect({ light: await violations(page, { type: 'tag', values: TAGS }) }).toEqual({ light: [] });
  const theme = (to: 'light' | 'bright' | 'dark') =>
    page.evaluate((name) => {
      localStorage.setItem('meister.theme', name);
      document.documentElement.dataset.theme = name;
      dispatchEvent(new Event('meister:preferences'));
    }, to);
  for (const to of ['bright', 'dark'] as const) {
    await theme(to);
    expect({ [to]: await violations(page, { type: 'rule', values: COLOUR_RULES }) }).toEqual({ [to]: [] });
  }
  await theme('light');
}

/** An address, with `{Name}` for the id of somebody, and what is seen once it is there. */
export type View = [path: string, seen: (page: Page) => Locator];

/** One test a view. */
export function checkViews(views: readonly View[]): void {
  for (const [path, seen] of views) {
    test(path, async ({ page }) => {
      let to = path;
      for (const [whole, name] of path.matchAll(/\{([^}]+)\}/g))
        to = to.replace(whole, await idOf(page, name!));
      await page.goto(to);
      await expect(seen(page).first()).toBeVisible();
      await check(page);
    });
  }
}

export const heading = (name: string | RegExp, level?: number) => (page: Page) =>
  page.getByRole('heading', { name, ...(level ? { level } : {}) });
export const region = (name: string | RegExp) => (page: Page) => page.getByRole('region', { name });

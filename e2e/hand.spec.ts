import type { Page } from '@playwright/test';
import { expect, idOf, signIn, test } from './hall.ts';

interface Today {
  people: { personId: string; lines: { ladder: string; variation: string | null }[] }[];
}

/** Where the next step, the cues and the buttons of the set stand on the screen. */
const placed = (page: Page) =>
  page.evaluate(() => {
    const of = (e: Element) => e.getBoundingClientRect();
    const next = [...document.querySelectorAll('p')].find((p) => /^(Next:|All sets of)/.test(p.textContent));
    const bar = of(document.querySelector('[aria-label="The set at hand"]')!);
    return {
      over: document.documentElement.scrollWidth - innerWidth,
      head: of(document.querySelector('header')!).height,
      next: next ? of(next).bottom : Infinity,
      cues: [...document.querySelectorAll('[aria-label="Three cues"] li')].map((e) => of(e).bottom),
      bar: { top: bar.top, bottom: bar.bottom },
    };
  });

for (const [device, width, height] of [
  ['phone', 390, 844],
  ['tablet', 820, 1180],
] as const) {
  test(`on a ${device} the next step and the buttons of the set are in view, whoever it is`, async ({
    page,
  }) => {
    test.setTimeout(120_000);
    await page.setViewportSize({ width, height });
    await signIn(page, 'head');
    const people = (await (await page.request.get('/api/people')).json()) as { id: string }[];
    const today = (await (
      await page.request.get(`/api/today?people=${people.map((p) => p.id).join(',')}`)
    ).json()) as Today;
    const lines = today.people.flatMap((p) =>
      p.lines.filter((l) => l.variation !== null).map((l) => `people=${p.personId}&on=${l.ladder}`),
    );
    expect(lines.length).toBeGreaterThan(20);
    let cuesInView = 0;
    for (const line of lines) {
      await page.goto(`/floor/session?${line}`);
      await expect(page.getByRole('group', { name: 'The set at hand' })).toBeVisible();
      const at = await placed(page);
      expect(at.over, line).toBeLessThanOrEqual(0);
      // The room bar gives way to the session.
      expect(at.head, line).toBeLessThanOrEqual(60);
      expect(at.next, line).toBeLessThanOrEqual(at.bar.top);
      expect(at.bar.bottom, line).toBeLessThanOrEqual(height + 1);
      if (at.cues.every((c) => c <= at.bar.top)) cuesInView++;
    }
    // Whatever is to be asked and told first, nearly everybody's three cues are there too.
    expect(cuesInView / lines.length).toBeGreaterThan(0.9);
    await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeHidden();
    await page.getByRole('link', { name: 'Today' }).click();
    await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeVisible();
    // One row, however narrow.
    expect(
      await page.locator('header').evaluate((e) => e.getBoundingClientRect().height),
    ).toBeLessThanOrEqual(60);
  });
}

test('the floor is read from two metres in a bright hall: large, black on white, and kept', async ({
  page,
}) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await signIn(page, 'head');
  const jonah = await idOf(page, 'Jonah Sprigg');
  await page.goto(`/floor/session?people=${jonah}`);
  await page.getByRole('button', { name: /^Look: Plain/ }).click();
  await expect(page.getByRole('button', { name: /^Look: Bright hall/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('list', { name: 'Three cues' }).getByRole('listitem')).toHaveCount(3);
  await expect(page.locator('svg[class*="fig-"]').first()).toBeVisible();
  const look = await page.evaluate(() => {
    const style = getComputedStyle(document.documentElement);
    const cue = document.querySelector('[aria-label="Three cues"] li')!;
    const figure = document.querySelector('svg.fig, svg[class*="fig-"]')!;
    return {
      ground: style.backgroundColor,
      ink: style.color,
      cuePx: Number.parseFloat(getComputedStyle(cue).fontSize),
      figurePx: figure.getBoundingClientRect().height,
    };
  });
  expect(look).toMatchObject({ ground: 'rgb(255, 255, 255)', ink: 'rgb(0, 0, 0)' });
  expect(look.cuePx).toBeGreaterThanOrEqual(36);
  expect(look.figurePx).toBeGreaterThanOrEqual(300);
  await page.getByRole('button', { name: /^Look: Bright hall/ }).click();
  await expect(page.getByRole('button', { name: /^Look: Dim hall/ })).toBeVisible();
});

test('a session by keyboard alone: faults, where it is felt, pain; one key leaves each, and the focus returns', async ({
  page,
}) => {
  await signIn(page, 'head');
  const jonah = await idOf(page, 'Jonah Sprigg');
  await page.goto(`/floor/session?people=${jonah}&on=squat-ladder`);
  const set = page.getByRole('group', { name: 'The set at hand' });
  const button = (name: RegExp) => set.getByRole('button', { name });
  await expect(button(/^Fault/)).toBeVisible();

  await button(/^Fault/).focus();
  await page.keyboard.press('Enter');
  const faults = page.getByRole('dialog', { name: /^Fault: / });
  await expect(faults).toBeVisible();
  const row = faults.getByRole('button', { name: /^One more: / }).first();
  const name = (await row.getAttribute('aria-label'))!.replace('One more: ', '');
  for (let i = 0; i < 20 && !(await row.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await expect(row).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  // The count is told with the row.
  await expect(row).toHaveAccessibleName(/, 2 so far$/);
  await page.keyboard.press('Tab');
  await expect(faults.getByLabel(`Side of ${name}`)).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(faults.getByRole('button', { name: `One fewer: ${name}` })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(row).toHaveAccessibleName(/, 1 so far$/);
  await page.keyboard.press('Escape');
  await expect(faults).toHaveCount(0);
  await expect(button(/^Fault 1/)).toBeFocused();

  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  const felt = page.getByRole('dialog', { name: 'Where is it felt?' });
  const thigh = felt.getByRole('button', { name: 'work: front of thigh, left' });
  await thigh.focus();
  // The place says its name as it is reached.
  await expect(felt.getByText('Front of thigh, left', { exact: true })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(thigh).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  await expect(button(/^Felt 1/)).toBeFocused();

  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: /^Pain: / })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(button(/^Pain/)).toBeFocused();

  await button(/^Set 1 done: watched, 1 with a fault/).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Kept: set 1 of today.*× 1/)).toBeVisible();
});

test('a finger finds a fault by its whole row, takes it back beside it, and a place of the body beside the body', async ({
  browser,
  page,
  baseURL,
}) => {
  await signIn(page, 'head');
  const jonah = await idOf(page, 'Jonah Sprigg');
  const state = await page.context().storageState();
  const phone = await (
    await browser.newContext({
      storageState: state,
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      isMobile: true,
    })
  ).newPage();
  await phone.goto(`${baseURL}/floor/session?people=${jonah}&on=squat-ladder`);
  await phone.getByRole('button', { name: /^Fault/ }).tap();
  const faults = phone.getByRole('dialog', { name: /^Fault: / });
  const row = faults.getByRole('button', { name: /^One more: / }).nth(1);
  const box = (await row.boundingBox())!;
  expect(box.height).toBeGreaterThanOrEqual(56);
  // Far left on the picture, and far right on the number.
  await phone.touchscreen.tap(box.x + 12, box.y + box.height / 2);
  await expect(row).toHaveAccessibleName(/, 1 so far$/);
  const now = (await row.boundingBox())!;
  await phone.touchscreen.tap(now.x + now.width - 12, now.y + now.height / 2);
  await expect(row).toHaveAccessibleName(/, 2 so far$/);
  const fewer = faults.getByRole('button', { name: /^One fewer: / });
  const less = (await fewer.boundingBox())!;
  expect(Math.min(less.width, less.height)).toBeGreaterThanOrEqual(44);
  await fewer.tap();
  await expect(row).toHaveAccessibleName(/, 1 so far$/);
  await phone.keyboard.press('Escape');

  await phone.getByRole('button', { name: /^Felt/ }).tap();
  const felt = phone.getByRole('dialog', { name: 'Where is it felt?' });
  const knee = felt.getByRole('button', { name: 'work: side of knee, left' });
  await knee.scrollIntoViewIfNeeded();
  const reach = (await knee.boundingBox())!;
  // Beside the knee, outside of the outline: the left knee is on the right of the picture.
  expect(reach.width).toBeGreaterThanOrEqual(24);
  await phone.touchscreen.tap(reach.x + reach.width - 3, reach.y + reach.height / 2);
  await expect(felt.getByText('Side of knee, left', { exact: true })).toBeVisible();
  await expect(knee).toHaveAttribute('aria-pressed', 'true');
  await phone.context().close();
});

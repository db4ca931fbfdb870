import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, openHall, openPart, test } from './hall.ts';

test.use({ begins: 'empty', locale: 'en-GB' });

const { documents } = JSON.parse(readFileSync('server/library/shipped.json', 'utf8')) as {
  documents: { kind: string }[];
};
const variations = documents.filter((d) => d.kind === 'variation').length;

/** Presses and keystrokes from here on; what is typed into a field of text is not counted. */
async function counting(page: Page): Promise<() => number> {
  let taps = 0;
  await page.exposeFunction('countTap', () => taps++);
  await page.addInitScript(() => {
    const count = () => (globalThis as unknown as { countTap: () => void }).countTap();
    addEventListener('pointerdown', count, true);
    addEventListener(
      'keydown',
      (e) => {
        if (!(e.target instanceof HTMLElement) || !e.target.matches('input, textarea')) count();
      },
      true,
    );
  });
  return () => taps;
}

test('an empty hall is at work: from the first start to the first decision, in at most forty taps', async ({
  page,
}) => {
  const taps = await counting(page);
  await openHall(page, 'Upper Basin Boathouse', 'a much longer one');
  // The head coach lands where the next step is.
  await expect(page.getByRole('heading', { name: 'Overview', level: 1 })).toBeVisible();
  const steps = page.getByRole('region', { name: 'First steps' });
  await expect(steps.getByText(`${variations} variations`, { exact: false })).toBeVisible();
  await expect(steps.getByText('by J. Brightwater and M. Ostrander', { exact: false })).toBeVisible();
  await steps.getByRole('button', { name: 'Begin with the whole library' }).click();
  await expect(steps.getByText('1. What to begin with: done')).toBeVisible();

  await steps.getByRole('link', { name: 'Tick what the hall has' }).click();
  await page.getByRole('checkbox', { name: 'Here: Mat' }).check();
  // A slip of the finger loses no number.
  const box = page.getByRole('checkbox', { name: 'Here: Box, solid' });
  const boxes = page.getByRole('textbox', { name: 'How many or sizes: Box, solid' });
  await boxes.fill('30 x2; 45');
  await boxes.press('Tab');
  await expect(box).toBeChecked();
  await box.uncheck();
  await expect(boxes).toHaveValue('0');
  await expect(box).not.toBeChecked();
  await box.check();
  await expect(boxes).toHaveValue('30 x2; 45');
  await page.getByRole('button', { name: 'The hall has none of these' }).click();
  await expect(page.getByRole('button', { name: 'The hall has none of these' })).toBeHidden();

  const rooms = page.getByRole('navigation', { name: 'Rooms' });
  await rooms.getByRole('link', { name: 'Overview' }).click();
  await expect(steps.getByText('2. The kit at hand: done')).toBeVisible();
  await steps.getByRole('link', { name: 'Type or paste their names' }).click();
  const several = page.getByRole('dialog', { name: 'Add several people' });
  const people = several.getByLabel('People', { exact: true });
  await people.fill('Wim Sallow; Novices; tall');
  await expect(several.getByText('Line 1: “tall” is no stature.')).toBeVisible();
  await people.fill('Wim Sallow, Novices, 178, 74\nAda Brook, Novices\nTeal Marsh, Masters');
  await expect(
    several.getByText('3 people; new squads, made along with them: Novices, Masters.'),
  ).toBeVisible();
  await several.getByRole('button', { name: 'Add them all' }).click();
  await expect(page.getByRole('button', { name: 'Not placed 3 people' })).toBeVisible();

  await rooms.getByRole('link', { name: 'Overview' }).click();
  await steps.getByRole('link', { name: 'Answer them in one sitting' }).click();
  await page.getByRole('radio', { name: /^Hold below, out above/ }).check();
  await expect(page.getByText(/^\d+ sheets change\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Next question' }).click();
  await page.getByRole('button', { name: 'Put in force: one answer' }).click();
  await expect(page).toHaveURL(/houseQuestion/);

  await rooms.getByRole('link', { name: 'People' }).click();
  await page.getByRole('link', { name: 'Wim Sallow' }).click();
  await expect(page.getByText('Next: place them by trials')).toBeVisible();
  await page.getByRole('button', { name: 'Place on a level, with a reason' }).click();
  await page.getByLabel('Ladder', { exact: true }).selectOption('Bridge');
  await page.getByLabel('Why here').fill('At ease with it.');
  await page.getByRole('button', { name: 'Place here' }).click();
  await expect(page.getByText('Nothing logged at this level yet.')).toBeVisible();
  await page.getByRole('link', { name: 'Log a set' }).click();
  await page
    .getByRole('button', { name: /watched, no fault/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'Logged that day' }).getByText(/^Kept, by/)).toBeVisible();
  await page.getByRole('link', { name: 'Evidence and decision' }).click();
  const decision = page.getByRole('region', { name: 'Decision on the ladder Bridge' });
  await expect(decision.getByText('Hold', { exact: true })).toBeVisible();
  // A select that is opened and chosen from is two taps that the driver does not make.
  const all = taps() + 2;
  console.log(`From the first start to the first decision: ${all} taps and keys.`);
  expect(all).toBeGreaterThan(15);
  expect(all).toBeLessThanOrEqual(40);

  await openPart(page, 'Log');
  await expect(page.getByRole('heading', { name: 'Sets' })).toBeVisible();
  // The same list again names who is here already, and adds nobody.
  await rooms.getByRole('link', { name: 'People' }).click();
  await page.getByRole('button', { name: 'Add several' }).click();
  await people.fill('Moss Heron\nAda Brook');
  await several.getByRole('button', { name: 'Add them all' }).click();
  await expect(several.getByRole('alert')).toContainText('Row 2: There is a "Ada Brook" already.');
  await page.keyboard.press('Escape');
  await expect(page.getByText('Moss Heron')).toHaveCount(0);
  await rooms.getByRole('link', { name: 'Overview' }).click();
  await expect(page.getByRole('region', { name: 'Ready to move up' })).toBeVisible();
  await expect(steps).toHaveCount(0);
});

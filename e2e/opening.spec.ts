import { readFileSync } from 'node:fs';
import { expect, openHall, test } from './hall.ts';

test.use({ begins: 'empty' });

const { documents } = JSON.parse(readFileSync('server/library/shipped.json', 'utf8')) as {
  documents: { kind: string }[];
};
const variations = documents.filter((d) => d.kind === 'variation').length;

test('a hall begins with the library that comes along: first steps, one after the other, to the first decision', async ({
  page,
}) => {
  await openHall(page, 'Upper Basin Boathouse', 'a much longer one');
  // The head coach lands where the next step is.
  await expect(page.getByRole('heading', { name: 'Overview', level: 1 })).toBeVisible();
  const steps = page.getByRole('region', { name: 'First steps' });
  await expect(steps.getByText(`${variations} variations`, { exact: false })).toBeVisible();
  await expect(steps.getByText('by J. Brightwater and M. Ostrander', { exact: false })).toBeVisible();
  await steps.getByRole('button', { name: 'Begin with the whole library' }).click();
  await expect(steps.getByText('1. What to begin with: done')).toBeVisible();

  await steps.getByRole('link', { name: 'Say what the hall has' }).click();
  await page.getByRole('checkbox', { name: 'Here: Rowing machine' }).uncheck();
  await expect(page.getByText('The hall has none.')).toBeVisible();
  // A slip of the finger loses no number.
  const balls = page.getByRole('textbox', { name: 'How many: Large ball' });
  await balls.fill('3');
  await page.getByRole('checkbox', { name: 'Here: Large ball' }).uncheck();
  await expect(balls).toHaveValue('0');
  await page.getByRole('checkbox', { name: 'Here: Large ball' }).check();
  await expect(balls).toHaveValue('3');
  await page.goto('/overview');
  await expect(steps.getByText('2. The kit at hand: done')).toBeVisible();
  await steps.getByRole('link', { name: 'Name the first squad' }).click();
  await page.getByLabel('New squad').fill('Novices');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByLabel('Name of Novices')).toBeVisible();
  await page.goto('/overview');
  await steps.getByRole('link', { name: 'Add the first person' }).click();
  await page.getByRole('button', { name: 'Add a person' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name', { exact: true }).fill('Wim Sallow');
  await dialog.getByRole('button', { name: 'Add the person' }).click();
  await expect(page.getByRole('heading', { name: 'Wim Sallow' })).toBeVisible();
  await page.getByRole('button', { name: 'Place on a level, with a reason' }).click();
  await page.getByLabel('Ladder').selectOption('Bridge');
  await page.getByLabel('Why here').fill('At ease with it.');
  await page.getByRole('button', { name: 'Place here' }).click();
  await expect(page.getByText('Nothing logged at this level yet.')).toBeVisible();
  await page.goto('/overview');
  await expect(page.getByRole('region', { name: 'Ready to move up' })).toBeVisible();
  await expect(steps).toHaveCount(0);

  await page.goto('/floor');
  await page.getByRole('link', { name: /Wim Sallow/ }).click();
  await page
    .getByRole('button', { name: /watched, no fault/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'Logged that day' }).getByText(/^Kept, by/)).toBeVisible();
  await page.getByRole('link', { name: 'Evidence and decision' }).click();
  const decision = page.getByRole('region', { name: 'Decision on the ladder Bridge' });
  await expect(decision.getByText('Hold', { exact: true })).toBeVisible();
});

import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type { LibraryFile } from '../core/exchange/index.ts';
import { enter, expect, signIn, test } from './hall.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const variations = documents.filter((d) => d.kind === 'variation');

const sheetHeading = (page: Page, name: string) => page.getByRole('heading', { name, level: 1 });
const list = (page: Page, kind = 'Variations') => page.getByRole('list', { name: kind });

test('a coach finds a sheet and reads it', async ({ page }) => {
  await enter(page, 'coach');
  await page.getByRole('link', { name: 'Library' }).click();
  await page.getByRole('searchbox').fill('tray');
  const list = page.getByRole('list', { name: 'Variations' });
  await list.getByRole('link', { name: 'Single-leg glute bridge' }).click();
  await expect(page.getByRole('heading', { name: 'Single-leg glute bridge', level: 1 })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Cautions' })).toContainText('One leg, quiet back');
  await page.getByText('Pelvis drops or turns on one leg').click();
  await expect(page.getByText('Heel or toe of the free leg on the floor as a help.')).toBeVisible();
  await page.getByRole('searchbox').fill('no such words');
  await expect(page.getByRole('button', { name: 'Nothing matches: show all' })).toBeVisible();
});

test('a coach gets from half a word to the sheet by keyboard, and the address keeps what was asked', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await page.goto('/library');
  const search = page.getByRole('searchbox', { name: 'Find in the library' });
  await search.fill('kickstnad romanain');
  await expect(list(page).getByRole('link')).toHaveCount(1);
  await expect(sheetHeading(page, 'Kickstand Romanian deadlift')).toBeVisible();
  // By a cue that stands on it, with the tabs saying where else there is something.
  await search.fill('two doors');
  await expect(list(page).getByText('found in its cues').first()).toBeVisible();
  await expect(page.getByRole('link', { name: /^Cues 1$/ })).toBeVisible();
  await search.press('ArrowDown');
  await expect(page).toHaveURL(/\/library\/variation\/[a-z-]+\?.*q=two/);
  const slug = new URL(page.url()).pathname.split('/').at(-1);
  const first = variations.find((v) => v.slug === slug)!.name;
  await expect(page.getByRole('heading', { level: 1 }).last()).toHaveText(first);
  await search.press('Enter');
  await expect(page.getByRole('heading', { level: 1 }).last()).toBeFocused();
  await page.keyboard.press('.');
  // The next sheet is there, not only the one before gone.
  await expect(page.getByRole('heading', { level: 1 }).last()).not.toHaveText(
    new RegExp(`^(${first}|Library)$`),
  );
  await page.keyboard.press(',');
  await expect(page.getByRole('heading', { level: 1 }).last()).toHaveText(first);
  await page.keyboard.press('q');
  await expect(search).toBeFocused();
  await search.fill('zzzzqq');
  await page.getByRole('button', { name: 'Nothing matches: show all' }).click();
  await expect(page.getByText(`${variations.length} variations`)).toBeVisible();
});

test('a movement is found by any name in use, in the library and from the command bar', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/library');
  const search = page.getByRole('searchbox', { name: 'Find in the library' });
  for (const [typed, name, called] of [
    ['RDL', 'Romanian deadlift', 'also called RDL'],
    ['bulgarian', 'Bulgarian split squat', null],
    ['monster walk', 'Lateral band walk', 'also called monster walk'],
    ['pistl squat', 'Pistol squat', null],
  ] as const) {
    await search.fill(typed);
    await expect(list(page).getByRole('link').first()).toContainText(name);
    if (called) await expect(list(page).getByRole('link').first()).toContainText(called);
  }
  await expect(page.getByText('Also called', { exact: false }).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Go to/ }).click();
  await page.getByPlaceholder('A name, a variation, a room, an action').fill('gob');
  const options = page.getByRole('option');
  await expect(options.first()).toHaveText(/^Goblet squat/);
  await expect(options.filter({ hasText: 'Log a set for' })).toHaveCount(0);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/library\/variation\/goblet-squat/);
});

test('filters combine with their counts, and a reload finds them again', async ({ page }) => {
  await signIn(page, 'viewer');
  await page.goto('/library');
  await page.getByRole('button', { name: 'Pattern' }).click();
  await expect(page.getByRole('dialog', { name: 'Pattern' }).getByText('squat')).toBeVisible();
  const squats = page.getByRole('checkbox', { name: /^squat/ });
  await squats.click();
  await expect(squats).toBeChecked();
  await page.keyboard.press('Escape');
  const squat = variations.filter((v) => v.pattern === 'squat');
  const bare = squat.filter((v) => v.equipmentAll.length + v.equipmentAny.length === 0);
  await expect(page.getByText(`${squat.length} variations`)).toBeVisible();
  await page.getByRole('button', { name: 'Kit at hand' }).click();
  const nothing = page.getByRole('checkbox', { name: /nothing at all/ });
  await expect(page.getByText(/^nothing at all$/).locator('..')).toContainText(String(bare.length));
  await nothing.click();
  await expect(nothing).toBeChecked();
  await page.keyboard.press('Escape');
  await expect(page.getByText(`${bare.length} variations`, { exact: true })).toBeVisible();
  await expect(list(page).getByRole('link', { name: /^Bodyweight squat/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Pattern: squat' })).toBeVisible();
  await expect(page.getByText(`${bare.length} variations`, { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Clear' }).click();
  await page.getByRole('button', { name: 'Avoid caution' }).click();
  await page
    .getByRole('checkbox', { name: /One leg/i })
    .first()
    .click();
  await page.keyboard.press('Escape');
  await expect(list(page).getByText('Single-leg glute bridge')).toHaveCount(0);
});

test('the rack is taken: what else can be given, with reasons, for everybody and for one person', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await page.goto('/library/variation/back-squat');
  await page.getByRole('button', { name: 'What can I give instead?' }).click();
  const panel = page.getByRole('region', { name: 'What can be given instead' });
  await expect(panel.getByRole('heading', { name: 'Kinder to the low back' })).toBeVisible();
  await panel.getByRole('checkbox', { name: 'Bar and rack' }).click();
  await expect(panel.getByRole('heading', { level: 3 }).first()).toHaveText('Without that kit');
  const bell = panel.getByRole('listitem').filter({ hasText: 'Goblet squat' }).first();
  await expect(bell).toContainText('level 7 of the Squat ladder, 3 below');
  await expect(bell).toContainText(/low back −\d+\spoints/);
  await expect(page).toHaveURL(/without=bar-and-rack/);
  await panel.getByLabel('For').selectOption({ label: 'Oskar Lindqvane' });
  await expect(page).toHaveURL(/for=[0-9a-f-]{36}/);
  // His ankles and thighs decide what he can hold; what he cannot is left out with its reason.
  await expect(panel.getByText(/Left out:.*Goblet squat \(.*(balance|range)/)).toBeVisible();
  await panel.getByLabel('For').selectOption({ label: 'the reference build' });
  await expect(bell).toBeVisible();
});

test('lists leave the hall as CSV and Markdown, and no spreadsheet runs a cell', async ({ page }) => {
  await signIn(page, 'head');
  await page.goto('/library/cue/toes-hello/edit');
  await page
    .getByRole('textbox', { name: 'The cue: one short line' })
    .fill('=HYPERLINK("x") | "toes", then lie');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('heading', { name: /Stands on/ })).toBeVisible();
  await page.goto('/library?kind=cue&q=hyperlink');
  const file = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name }).click();
    const done = await download;
    return { name: done.suggestedFilename(), text: readFileSync(await done.path(), 'utf8') };
  };
  await expect(page.getByText('1 cue', { exact: true })).toBeVisible();
  const csv = await file('As CSV');
  expect(csv.name).toBe('meister-cues.csv');
  expect(csv.text).toBe(
    'Name,Sheets,Answers faults,Revision,Retired,Short id\r\n"\'=HYPERLINK(""x"") | ""toes"", then lie",0,0,2,,toes-hello\r\n',
  );
  const md = await file('As Markdown');
  expect(md.text).toContain('| =HYPERLINK("x") \\| "toes", then lie | 0 | 0 | 2 |');
});

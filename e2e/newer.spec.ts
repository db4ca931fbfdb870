import { readFileSync } from 'node:fs';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Body, Cue, Variation } from '../core/library/index.ts';
import { writeLibraryFile } from '../core/exchange/index.ts';
import type { LibraryFile } from '../core/exchange/index.ts';
import { copyDemo } from '../scripts/demo-template.ts';
import { startHall } from '../scripts/hall-server.ts';
import { expect, openSection, signIn, test } from './hall.ts';

/** The shipped library some time on: a sheet reworded in two places, a cue reworded, a new cue on the sheet. */
function later(): string {
  const { edition, documents } = JSON.parse(
    readFileSync('server/library/shipped.json', 'utf8'),
  ) as LibraryFile;
  const cue = documents.find((d) => d.slug === 'headlights') as Cue;
  const next: Body[] = documents.map((d) => {
    if (d.slug === 'headlights') return { ...cue, line: { text: 'Headlights on the far wall.' } };
    if (d.slug !== 'goblet-squat') return d;
    const v = d as Variation;
    return {
      ...v,
      purpose: [{ text: v.purpose[0]!.text.replace('First weight', 'A first weight') }],
      gettingIn: [{ text: 'Lift the bell from a bench.' }, ...v.gettingIn.slice(1)],
      cues: [...v.cues, 'bowl-of-soup'],
    };
  });
  next.push({ ...cue, slug: 'bowl-of-soup', line: { text: 'Hold the bell like a bowl of soup.' } });
  return writeLibraryFile({ ...edition, number: edition.number + 1, date: '2026-11-30' }, next);
}

test('a newer edition of the shipped library is taken over without losing an own change', async ({
  page,
}) => {
  const folder = await mkdtemp(path.join(tmpdir(), 'meister-newer-'));
  const file = path.join(folder, 'library.json');
  await writeFile(file, later());
  await copyDemo(path.join(folder, 'hall'));
  const server = await startHall(path.join(folder, 'hall'), { brief: true, library: file });
  try {
    await signIn(page, 'head');
    await page.goto(`${server.base}/library/variation/goblet-squat/edit`);
    await openSection(page, 'Purpose');
    const purpose = page.getByRole('textbox', { name: 'Purpose, line 1' });
    await purpose.fill(`${await purpose.inputValue()} Ask before you hand it over.`);
    await openSection(page, 'Getting in and out');
    await page.getByRole('textbox', { name: 'Getting in, line 1' }).fill('Take the bell from the high rack.');
    await page.getByRole('button', { name: 'Put in force' }).click();
    await expect(page.getByText('Ask before you hand it over.').first()).toBeVisible();

    await page.goto(`${server.base}/overview`);
    await page.getByRole('link', { name: 'Compare it' }).click();
    await expect(page.getByRole('heading', { name: 'A newer edition of the library' })).toBeVisible();
    await page.getByRole('button', { name: 'Goblet squat' }).click();
    const together = page.getByRole('alert');
    await expect(together.getByText('Changed by both: Getting in.', { exact: false })).toBeVisible();
    const take = together.getByRole('button', { name: 'Take it over, put together' });
    await expect(take).toBeDisabled();
    await together.getByLabel('Ours').check();
    await take.click();
    await expect(page.getByRole('button', { name: 'Goblet squat' })).toHaveCount(0);
    // What the sheet names came along with it.
    await page.getByRole('button', { name: 'Take it over' }).click();
    await expect(page.getByText('Nothing to take over', { exact: false })).toBeVisible();

    await page.goto(`${server.base}/library/variation/goblet-squat`);
    // Word by word: theirs and ours in one line, our choice where both changed, their cue.
    await expect(
      page.getByText(/^A first weight for the squat: .* Ask before you hand it over\.$/),
    ).toBeVisible();
    await expect(page.getByText('Take the bell from the high rack.')).toBeVisible();
    await expect(page.getByText('Hold the bell like a bowl of soup.')).toBeVisible();
    await page.goto(`${server.base}/library/cue/headlights`);
    await expect(page.getByText('Headlights on the far wall.').first()).toBeVisible();
    await page.goto(`${server.base}/overview`);
    await expect(page.getByRole('heading', { name: 'Overview' })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Compare it' })).toHaveCount(0);
  } finally {
    await server.kill();
    await rm(folder, { recursive: true, force: true });
  }
});

import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type { LibraryFile } from '../core/exchange/index.ts';
import { resolve, shelfOf } from '../core/library/index.ts';
import { sheetLines } from '../core/sheets/index.ts';
import { expect, openJob, sheetsSettled, signIn, test } from './hall.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
/** From the shortest to the longest sheet, by what it prints. */
const byLength = shelf
  .all('variation')
  .map((v) => ({
    slug: v.slug,
    length: sheetLines('full', resolve(v, shelf)).reduce((n, l) => n + l.text.length, 0),
  }))
  .sort((a, b) => a.length - b.length)
  .map((v) => v.slug);
const [shortest, longest] = [byLength[0]!, byLength.at(-1)!];

/** What is wrong with the sheets as they stand in print: cut, too small, wider than the paper. */
const flaws = (page: Page) =>
  page.evaluate(() => {
    const found: string[] = [];
    for (const sheet of document.querySelectorAll<HTMLElement>('[data-sheet]')) {
      const name = sheet.dataset.sheet!;
      const content = sheet.querySelector<HTMLElement>('.sheet-content')!;
      const edge = content.getBoundingClientRect();
      const least = name.startsWith('floor:') ? 20 : 9;
      const walk = document.createTreeWalker(content, NodeFilter.SHOW_TEXT);
      for (let node = walk.nextNode(); node; node = walk.nextNode()) {
        const of = node.parentElement!;
        if (node.textContent!.trim() === '' || of.closest('svg')) continue;
        const points = parseFloat(getComputedStyle(of).fontSize) * 0.75;
        if (points < least - 0.05) found.push(`${name}: ${points} pt: ${node.textContent}`);
        const range = document.createRange();
        range.selectNodeContents(node);
        for (const box of range.getClientRects()) {
          if (box.right > edge.right + 1 || box.left < edge.left - 1)
            found.push(`${name}: beyond the edge: ${node.textContent}`);
        }
      }
      if (content.scrollWidth > content.clientWidth + 1) found.push(`${name}: wider than the paper`);
    }
    return found;
  });

const promised = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[data-sheet]')].reduce(
      (n, s) => n + Number(s.dataset.pages),
      0,
    ),
  );

// ISO 216 A4 is 210 mm wide, Letter 8.5 in; a PDF point is 1/72 in.
const WIDTH_PT = { A4: (210 / 25.4) * 72, Letter: 612 };

test('every kind of sheet prints on A4 and Letter as promised, for the longest and the shortest', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'coach');
  const jobs: [string, number][] = [
    ...[shortest, longest].flatMap((slug): [string, number][] => [
      [`floor:${slug}`, 1],
      [`full:${slug}`, 2],
      [`handout:${slug}`, 1],
      [`log:${slug}`, 1],
      [`warm-up:${slug}`, 1],
    ]),
    ...shelf.all('ladder').map((l): [string, number] => [`poster:${l.slug}`, 1]),
    [`log:${byLength.slice(-8).join('+')}`, 4],
    [`warm-up:${byLength.slice(-8).join('+')}`, 1],
  ];
  for (const [job, most] of jobs) {
    await openJob(page, `job=${job}&paper=A4`, 1);
    for (const paper of ['A4', 'Letter'] as const) {
      await page.getByLabel('Paper', { exact: true }).selectOption(paper);
      await sheetsSettled(page);
      const pages = await promised(page);
      expect(pages, `${job} on ${paper}`).toBeLessThanOrEqual(most);
      await page.emulateMedia({ media: 'print' });
      expect(await flaws(page), `${job} on ${paper}`).toEqual([]);
      await page.emulateMedia({ media: null });
      const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
      expect({ job, paper, pages: pdf.match(/\/Type \/Page\b/g)?.length }).toEqual({ job, paper, pages });
      const box = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf)!;
      expect(Math.abs(Number(box[1]) - WIDTH_PT[paper])).toBeLessThan(1);
    }
  }
});

test('every floor sheet of the library fits its page at 20 pt and more', async ({ page }) => {
  test.setTimeout(240_000);
  await signIn(page, 'coach');
  const trained = shelf.all('variation').filter((v) => v.roles.some((r) => r !== 'prepare'));
  for (let at = 0; at < trained.length; at += 30) {
    const slugs = trained.slice(at, at + 30).map((v) => v.slug);
    // One at a time on the paper, so that the contents line does not take its room.
    const job = slugs.map((s) => `floor:${s}`).join(',');
    await openJob(page, `job=${job}&paper=Letter`, slugs.length);
    const cut = await page.evaluate(() => {
      const room = (279.4 - 24) * (96 / 25.4);
      return [...document.querySelectorAll<HTMLElement>('[data-sheet]')]
        .slice(1)
        .filter((s) => s.querySelector('.sheet-content')!.scrollHeight > room)
        .map((s) => s.dataset.sheet);
    });
    expect(cut).toEqual([]);
    await page.emulateMedia({ media: 'print' });
    expect(await flaws(page)).toEqual([]);
    await page.emulateMedia({ media: null });
  }
});

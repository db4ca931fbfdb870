import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import type { Person } from '../contract/people.ts';
import type { LibraryFile } from '../core/exchange/index.ts';
import { printedLines, resolve, shelfOf } from '../core/library/index.ts';
import { another, openPerson, signIn } from './hall.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../server/demo/library.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
/** From the shortest to the longest sheet, by what it prints. */
const byLength = shelf
  .all('variation')
  .map((v) => ({
    slug: v.slug,
    length: printedLines(resolve(v, shelf)).reduce((n, l) => n + l.text.length, 0),
  }))
  .sort((a, b) => a.length - b.length)
  .map((v) => v.slug);
const [shortest, longest] = [byLength[0]!, byLength.at(-1)!];

/** Opens a job and waits until every sheet has found its size. */
async function openJob(page: Page, query: string, sheets: number) {
  await page.goto(`/print?${query}`);
  await expect(page.locator('[data-sheet]')).toHaveCount(sheets);
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(400);
}

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

for (const paper of ['A4', 'Letter'] as const) {
  test(`every kind of sheet prints on ${paper} as promised, for the longest and the shortest`, async ({
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
      await openJob(page, `job=${job}&paper=${paper}`, 1);
      const pages = await promised(page);
      expect(pages, job).toBeLessThanOrEqual(most);
      await page.emulateMedia({ media: 'print' });
      expect(await flaws(page), job).toEqual([]);
      await page.emulateMedia({ media: null });
      const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
      expect({ job, pages: pdf.match(/\/Type \/Page\b/g)?.length }).toEqual({ job, pages });
      const box = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf)!;
      // ISO 216 A4 is 210 mm wide, Letter 8.5 in; a PDF point is 1/72 in.
      expect(Math.abs(Number(box[1]) - (paper === 'A4' ? (210 / 25.4) * 72 : 612))).toBeLessThan(1);
    }
  });
}

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

test('a coach puts a job together for a person; the first page says what is in it', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/library/variation/goblet-squat');
  await page.getByRole('link', { name: 'Print or share' }).click();
  await expect(page.getByRole('heading', { name: 'Print', level: 1 })).toBeVisible();
  await expect(page.locator('[data-sheet="full:goblet-squat"]')).toBeVisible();
  await page.getByRole('button', { name: /^Leave out: Full sheet/ }).click();
  await expect(page.getByText('Nothing yet. Choose a kind of sheet')).toBeVisible();
  const add = async (kind: string, what: string) => {
    await page.getByLabel('Sheet', { exact: true }).selectOption(kind);
    await page.getByLabel(/^(Variation|Ladder)$/).selectOption(what);
    await page.getByRole('button', { name: /^Add/ }).click();
  };
  await add('floor', 'Squat with a bell at the chest');
  await add('log', 'Squat with a bell at the chest');
  await add('log', 'Romanian lift with a bar');
  await add('poster', 'Squat');
  await page.getByLabel('For', { exact: true }).selectOption('Leni Achterdijk');
  const paper = page.locator('[data-sheet]');
  await expect(paper).toHaveCount(3);
  await expect(page.locator('[data-sheet="log:goblet-squat+bar-romanian"]')).toContainText('Leni Achterdijk');
  await expect(paper.first()).toContainText(
    '3 sheets: Goblet squat, floor sheet · Log: Goblet squat, Romanian · Squat, ladder',
  );
  await expect(page.getByRole('button', { name: 'Print 3 pages on A4' })).toBeVisible();
  // The whole job is in the address: loaded again it is the same.
  await page.reload();
  await expect(paper).toHaveCount(3);
  // An address that names nothing to print says so and keeps the room usable.
  await page.goto('/print?job=song:goblet-squat');
  await expect(page.getByRole('alert')).toContainText('names no kind of sheet');
});

test('a scanned sheet says current, then outdated with what changed, and is printed anew', async ({
  page,
  browser,
}) => {
  await signIn(page, 'coach');
  await openJob(page, 'job=floor:wall-touch-hinge', 1);
  const scan = async () => {
    const job = (await (await page.request.get('/api/prints?job=floor:wall-touch-hinge')).json()) as {
      state: number;
    };
    return `/scan?job=floor:wall-touch-hinge&state=${job.state}`;
  };
  const printed = await scan();
  await page.goto(printed);
  await expect(page.getByRole('heading', { name: '✓ This paper is current.' })).toBeVisible();

  const head = await another(browser, 'head');
  await head.goto('/library/cue/wall-bell/edit');
  await head.getByLabel('The cue: one short line', { exact: true }).fill('Knock on the wall with the seat.');
  await head.getByRole('button', { name: 'Put in force' }).click();
  await expect(head.getByText('Knock on the wall with the seat.').first()).toBeVisible();

  await page.goto(printed);
  await expect(page.getByRole('heading', { name: '! This paper is outdated.' })).toBeVisible();
  await expect(page.getByText('Ring the bell on the wall with the seat.').first()).toBeVisible();
  await expect(page.getByRole('insertion')).toHaveText('Knock on the wall with the seat.');
  await page.getByRole('link', { name: 'Print it anew' }).click();
  await expect(page.locator('[data-sheet]')).toContainText('Knock on the wall with the seat.');
  await page.goto(await scan());
  await expect(page.getByRole('heading', { name: '✓ This paper is current.' })).toBeVisible();
  // A state that this hall never reached is no crash.
  await page.goto('/scan?job=floor:wall-touch-hinge&state=99999');
  await expect(page.getByRole('alert')).toContainText('comes from another hall');
});

test('sheets are shared by a link without sign-in, until it is revoked', async ({ page, browser }) => {
  await signIn(page, 'coach');
  await openJob(page, 'job=handout:split-squat', 1);
  await page.getByRole('button', { name: 'Share by a link' }).click();
  await page.getByLabel('Open for').selectOption('a week');
  await page.getByRole('button', { name: 'Make the link' }).click();
  const url = await page.getByLabel('Link', { exact: true }).inputValue();

  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(url);
  await expect(phone.getByText('From Kestrel Quay Rowing & Rescue Centre')).toBeVisible();
  await expect(phone.locator('[data-sheet="handout:split-squat"]')).toContainText('One thing to think of');
  await expect(phone.getByRole('navigation', { name: 'Rooms' })).toHaveCount(0);
  // On a phone the sheet flows; from there it still prints on its page.
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const pdf = (await phone.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(1);
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await phone.goto(`${url}?job=handout:split-squat&state=1`);
  await expect(phone.getByRole('heading', { name: /This paper is/ })).toBeVisible();

  await page.getByRole('link', { name: 'All shared links' }).click();
  const row = page.getByRole('listitem').filter({ hasText: 'Handout: Split squat' });
  await expect(row).toContainText('open until');
  await row.getByRole('button', { name: 'Revoke' }).click();
  await expect(row).toContainText('revoked');
  await phone.goto(url);
  await expect(phone.getByRole('alert')).toContainText('This link has ended.');
  await phone.goto('/shared/nothing');
  await expect(phone.getByRole('alert')).toContainText('leads nowhere');
});

test('a filled paper sheet is entered row by row: all of it or, with a word on each row, nothing', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Ida Farrow');
  const people = (await (await page.request.get('/api/people')).json()) as Person[];
  const { id } = people.find((p) => p.name === 'Ida Farrow')!;
  const count = async () =>
    ((await (await page.request.get(`/api/today?people=${id}`)).json()) as { people: { sets: unknown[] }[] })
      .people[0]!.sets.length;
  const before = await count();
  await page.getByRole('link', { name: 'Enter a paper sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Enter a paper sheet: Ida Farrow' })).toBeVisible();
  const rows = page.getByRole('row').filter({ has: page.getByRole('checkbox') });
  const cell = (row: number, name: RegExp) => rows.nth(row).getByRole('textbox', { name });
  await cell(0, /: (Repetitions|Seconds)$/).fill('14');
  await cell(0, /effort/).fill('6');
  await cell(0, /pain/).fill('0');
  await rows.nth(0).getByRole('checkbox').check();
  await cell(1, /: (Repetitions|Seconds)$/).fill('eleven');
  await cell(1, /faults/).fill('a2');
  await page.getByRole('button', { name: /^Keep/ }).click();
  await expect(page.getByRole('alert')).toContainText('One row needs a look. Nothing has been kept yet');
  await expect(page.getByText('“eleven” is no number')).toBeVisible();
  await expect(page.getByText('Faults are counted only where the set was watched.')).toBeVisible();
  expect(await count()).toBe(before);

  await cell(1, /: (Repetitions|Seconds)$/).fill('11');
  await rows.nth(1).getByRole('checkbox').check();
  await page.getByRole('button', { name: 'Keep 2 sets' }).click();
  await expect(page.getByText('2 sets are kept')).toBeVisible();
  await expect.poll(count).toBe(before + 2);
  await expect(cell(0, /: (Repetitions|Seconds)$/)).toHaveValue('');
  await page.goto(`/floor/${id}/paper?of=nothing%20here!`);
  await expect(page.getByText('The address names no log sheet.')).toBeVisible();
});

test('a warm-up list follows the house answer and leaves out what is barred', async ({ page, browser }) => {
  await signIn(page, 'coach');
  await openJob(page, 'job=warm-up:back-squat+bar-romanian', 1);
  const list = page.locator('[data-sheet]');
  await expect(list).toContainText('Warm-up, about');
  await expect(list).toContainText(/pulse, .*mobility, before Back squat.*activation, .*light version, /s);
  await expect(list.getByRole('listitem').first()).toContainText('☐');
  // All training is barred for him: the paper names the drills, and says nothing of who barred what.
  const head = await another(browser, 'head');
  const people = (await (await head.request.get('/api/people')).json()) as Person[];
  const { id } = people.find((p) => p.name === 'Dario Finchley-Roe')!;
  const today = ((await (await head.request.get('/api/start')).json()) as { hall: { today: string } }).hall
    .today;
  const barred = await head.request.post(`/api/people/${id}/restrictions`, {
    headers: { origin: new URL(head.url()).origin },
    data: { bars: [{ bars: 'all' }], from: today, until: null, saidBy: 'the harbour doctor' },
  });
  expect(barred.ok()).toBe(true);
  await openJob(page, `job=warm-up:back-squat&person=${id}`, 1);
  await expect(list).toContainText(/Not today: .*Deep squat sit/);
  await expect(list.getByRole('listitem')).toHaveCount(0);
  await expect(list).not.toContainText('harbour doctor');
});

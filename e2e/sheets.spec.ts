import { another, expect, idOf, openJob, signIn, stranger, test } from './hall.ts';

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
  await add('floor', 'Goblet squat');
  await add('log', 'Goblet squat');
  await add('log', 'Romanian deadlift');
  await add('poster', 'Squat');
  await page.getByLabel('For', { exact: true }).selectOption('Leni Achterdijk');
  const paper = page.locator('[data-sheet]');
  await expect(paper).toHaveCount(3);
  await expect(page.locator('[data-sheet="log:goblet-squat+bar-romanian"]')).toContainText('Leni Achterdijk');
  await expect(paper.first()).toContainText(
    '3 sheets: Goblet squat, floor sheet · Log: Goblet squat, Romanian deadlift · Squat, ladder',
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
  await expect(page.getByText('Reach back until your seat touches the wall.').first()).toBeVisible();
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

  const phone = await stranger(browser);
  await phone.goto(url);
  await expect(phone.getByText('From Kestrel Quay Rowing & Rescue Centre')).toBeVisible();
  await expect(phone.locator('[data-sheet="handout:split-squat"]')).toContainText('One thing to think of');
  await expect(phone.getByRole('navigation', { name: 'Rooms' })).toHaveCount(0);
  // On a phone the sheet flows; from there it still prints on its page.
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const pdf = (await phone.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(1);
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await phone.goto(`${phone.url()}?job=handout:split-squat&state=1`);
  await expect(phone.getByRole('heading', { name: /This paper is/ })).toBeVisible();

  await page.getByRole('link', { name: 'All shared links' }).click();
  const row = page.getByRole('listitem').filter({ hasText: 'Handout: Supported split squat' });
  await expect(row).toContainText('open until');
  await row.getByRole('button', { name: 'Revoke' }).click();
  await expect(row).toContainText('revoked');
  await phone.reload();
  await expect(phone.getByRole('alert')).toContainText('This link has ended.');
  await phone.goto('/shared/a-link-that-nobody-gave');
  await expect(phone.getByRole('alert')).toContainText('leads nowhere');
});

test('a warm-up list follows the house answer and leaves out what is barred', async ({
  page,
  browser,
  address,
}) => {
  await signIn(page, 'relief');
  await openJob(page, 'job=warm-up:back-squat+bar-romanian', 1);
  const list = page.locator('[data-sheet]');
  await expect(list).toContainText('Warm-up, about');
  await expect(list).toContainText(/pulse, .*mobility, before Back squat.*activation, .*light version, /s);
  await expect(list.getByRole('listitem').first()).toContainText('☐');
  // All training is barred for him: the paper names the drills, and says nothing of who barred what.
  const head = await another(browser, 'head');
  const id = await idOf(head, 'Dario Finchley-Roe');
  const today = ((await (await head.request.get('/api/start')).json()) as { hall: { today: string } }).hall
    .today;
  const barred = await head.request.post(`/api/people/${id}/restrictions`, {
    headers: { origin: address },
    data: { bars: [{ bars: 'all' }], from: today, until: null, saidBy: 'the harbour doctor' },
  });
  expect(barred.ok()).toBe(true);
  await openJob(page, `job=warm-up:back-squat&person=${id}`, 1);
  await expect(list).toContainText(/Not today: .*Deep squat hold/);
  await expect(list.getByRole('listitem')).toHaveCount(0);
  await expect(list).not.toContainText('harbour doctor');
});

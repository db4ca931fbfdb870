import { another, enter, expect, idOf, openPerson, signIn, test } from './hall.ts';

test('a coach logs sets with few taps, corrects one, and the decision shows its evidence', async ({
  page,
}) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await enter(page, 'coach');
  await page.getByRole('link', { name: /Oskar Lindqvane/ }).click();
  await expect(page.getByRole('heading', { name: 'Oskar Lindqvane', level: 1 })).toBeVisible();
  await page.getByLabel('Ladder').selectOption('Single-leg bridge');
  await expect(page.getByText('2 × 10 each side')).toBeVisible();
  const today = page.getByRole('region', { name: 'Logged that day' });
  // The right side did fewer last time and goes first; the sides then alternate.
  for (const side of ['right', 'left', 'right', 'left']) {
    await expect(page.getByRole('button', { name: side, pressed: true })).toBeVisible();
    await page
      .getByRole('button', { name: /watched, no fault/ })
      .first()
      .click();
    await expect(today.getByText(`10 repetitions, ${side}`).last()).toBeVisible();
  }
  await expect(today.getByRole('button', { name: 'Correct' })).toHaveCount(4);
  await today.getByRole('button', { name: 'Correct' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'One more: Pelvis drops or turns on one leg' }).click();
  await dialog.getByRole('group', { name: /^Pain/ }).getByRole('button', { name: '0', exact: true }).click();
  await dialog.getByRole('button', { name: /faults as counted/ }).click();
  await expect(today.getByText('Pelvis drops or turns on one leg × 1 right')).toBeVisible();
  page.on('dialog', (d) => void d.accept());
  await today.getByRole('button', { name: 'Delete' }).last().click();
  await expect(today.getByRole('button', { name: 'Delete' })).toHaveCount(3);
  await page.getByRole('link', { name: 'Evidence and decision' }).click();
  await expect(page.getByText('right 10, 9 clean').first()).toBeVisible();
  await expect(page.getByText('pain was not asked after the last set').first()).toBeVisible();
});

test('a set of an earlier session is corrected afterwards, and its settings come back', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/floor');
  await page.getByRole('link', { name: /Ida Farrow/ }).click();
  const ida = await idOf(page, 'Ida Farrow');
  const { sets } = (await (await page.request.get(`/api/people/${ida}/ladders`)).json()) as {
    sets: { date: string }[];
  };
  await page.getByLabel('Session of').fill(sets.at(-1)!.date);
  const that = page.getByRole('region', { name: 'Logged that day' });
  await expect(page.getByText(/Sets are being written down for/)).toBeVisible();
  await expect(that.getByRole('button', { name: 'Correct' })).toHaveCount(2);
  await that.getByRole('button', { name: 'Correct' }).last().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox', { name: 'Seconds held' }).fill('31');
  await dialog.getByRole('button', { name: /watched, no fault/ }).click();
  await expect(that.getByText('31 s held')).toBeVisible();
  await expect(page.getByRole('button', { name: /not sent/ })).toHaveCount(0);

  // A day before the newest sessions is read when it is asked for.
  await page.goto(`/floor/${await idOf(page, 'Lorcan Whitlock')}`);
  const [year, month, date] = sets.at(-1)!.date.split('-').map(Number);
  const back = new Date(Date.UTC(year!, month! - 1, date! - 70)).toISOString().slice(0, 10);
  await page.getByLabel('Session of').fill(back);
  await expect(that.getByRole('button', { name: 'Correct' }).first()).toBeVisible();

  // Of a squad that the coach does not look after: the head coach does.
  await signIn(page, 'head');
  await page.goto('/floor');
  await page.getByRole('link', { name: /Rui Tamarindo/ }).click();
  await page.getByText(/^Settings:/).click();
  const band = page.getByRole('group', { name: /^band:/ });
  await band.getByRole('button', { name: 'very strong' }).click();
  await page
    .getByRole('button', { name: /watched, no fault/ })
    .first()
    .click();
  await expect(page.getByText(/^Settings:.*band very strong/)).toBeVisible();
  await page.getByText(/^Settings:/).click();
  await expect(band.getByRole('button', { name: 'very strong' })).toHaveAttribute('aria-pressed', 'true');
});

test('sets come in as a file: looked at first, told line by line, all or nothing', async ({
  page,
  browser,
}) => {
  await signIn(page, 'coach');
  await page.goto('/sets');
  const lines = page.getByRole('textbox', { name: 'Pasted lines' });
  await lines.fill(
    'person,date,variation,repetitions,watched\nAmina Castlebay,2026-11-02,plain-squat,12,yes\nAmina Castlebay,2026-11-02,plain-squat,dozen,yes',
  );
  await page.getByRole('button', { name: 'Look at it first' }).click();
  await expect(page.getByText('"dozen" is no number.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Bring in/ })).toHaveCount(0);
  await lines.fill(
    'person,date,variation,repetitions,watched\nAmina Castlebay,2026-11-02,plain-squat,12,yes\nAmina Castlebay,2026-11-02,plain-squat,11,yes',
  );
  await page.getByRole('button', { name: 'Look at it first' }).click();
  await page.getByRole('button', { name: 'Bring in 2 sets' }).click();
  await expect(page.getByText('2 brought in.', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Download the sets' }).click();
  const again = page.getByRole('dialog', { name: 'Your password again' });
  await again.getByLabel('Password').fill('kestrel-quay');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    again.getByRole('button', { name: 'Go on' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('meister-sets.csv');
  // Somebody of another squad’s cannot be written to.
  const relief = await another(browser, 'relief');
  await relief.goto('/sets');
  await relief
    .getByRole('textbox', { name: 'Pasted lines' })
    .fill('person,date,variation,repetitions\nAmina Castlebay,2026-11-02,plain-squat,12');
  await relief.getByRole('button', { name: 'Look at it first' }).click();
  await expect(relief.getByText('Nobody here is called "Amina Castlebay".')).toBeVisible();
});

test('a filled paper sheet is entered row by row: all of it or, with a word on each row, nothing', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Ida Farrow');
  const id = await idOf(page, 'Ida Farrow');
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
  await expect(page.getByText('“eleven” is no amount', { exact: false })).toBeVisible();
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

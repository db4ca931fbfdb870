import type { Page } from '@playwright/test';
import { another, enter, expect, idOf, signIn, test } from './hall.ts';

test.use({ locale: 'en-GB' });

const kit = (page: Page, part?: string) => page.goto(part ? `/kit?part=${part}` : '/kit');
const session = async (page: Page, names: readonly string[], on: string) => {
  const ids = [];
  for (const name of names) ids.push(await idOf(page, name));
  await page.goto(`/floor/session?people=${ids.join(',')}&who=${ids[0]}&on=${on}`);
};

test('the head coach takes stock by typing, a coach takes a cracked piece out of use, and what that closes is told', async ({
  page,
  browser,
}) => {
  await enter(page, 'head');
  await kit(page, 'inventory');
  const boxes = page.getByRole('textbox', { name: 'How many or sizes: Box, solid' });
  await expect(boxes).toHaveValue('30 x2; 45; 60');
  await boxes.fill('30 x2; 45; 50; 60');
  await boxes.press('Tab');
  await kit(page);
  const row = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'Box, solid' }) });
  await expect(row.getByRole('button')).toHaveText([/30\scm × 2/, /45\scm/, /50\scm/, /60\scm/, 'Add']);
  // What cannot be read is kept nowhere.
  await kit(page, 'inventory');
  await boxes.fill('thirty');
  await boxes.press('Tab');
  await expect(page.getByText('“thirty” cannot be read')).toBeVisible();
  await page.reload();
  await expect(boxes).toHaveValue('30 x2; 45; 50; 60');

  const coach = await another(browser, 'coach', { locale: 'en-GB' });
  await coach.goto('/kit');
  const mats = coach
    .getByRole('listitem')
    .filter({ has: coach.getByRole('link', { name: 'Mat', exact: true }) });
  await mats.getByRole('button').click();
  const dialog = coach.getByRole('dialog');
  await expect(dialog.getByText('Closed to', { exact: false }).first()).toBeVisible();
  await dialog.getByLabel('What is wrong with it').fill('they slip');
  await dialog.getByRole('button', { name: 'Out of use at once' }).click();
  await expect(dialog).toBeHidden();
  const gone = coach.getByRole('region', { name: 'Not there' });
  await expect(gone.getByText('out of use: they slip', { exact: false })).toBeVisible();

  // The head coach puts it back; its history says who took it out.
  await kit(page);
  await page
    .getByRole('region', { name: 'Not there' })
    .getByRole('button', { name: 'Mat', exact: true })
    .click();
  const own = page.getByRole('dialog');
  await own.getByText('History', { exact: true }).click();
  await expect(own.getByText('out of use: they slip', { exact: false })).toBeVisible();
  await own.getByLabel('Condition').selectOption('good');
  await own.getByRole('button', { name: 'Keep it' }).click();
  await expect(
    page.getByRole('region', { name: 'Not there' }).getByRole('button', { name: 'Mat', exact: true }),
  ).toBeHidden();
  await coach.context().close();
});

test('a rack is set for two who share a bar, and the ramp says what goes on', async ({ page }) => {
  await signIn(page, 'head');
  await session(page, ['Jonah Sprigg', 'Lorcan Whitlock'], 'squat-ladder');
  const set = page.getByRole('region', { name: 'Set to the person' });
  await expect(set.getByText('last used', { exact: false })).toBeVisible();
  await set.getByText('How everything is set for Jonah Sprigg').click();
  const hooks = set.getByLabel('How it is set').locator('dd').first();
  await expect(hooks).toContainText(/notch\s\d+/);

  // An uneven rack is refused with a sentence, and nothing is logged with it.
  const bar = page.getByRole('region', { name: 'The bar' });
  await expect(bar.getByRole('img')).toHaveAccessibleName(/On each side from inside: .*kg/);
  await bar.getByText('Warm-up up to it').click();
  const ramp = bar.locator('ol').first();
  await expect(ramp.locator('li').first()).toContainText('20\u00a0kg');
  await expect(ramp.locator('li').last()).toContainText('the work');

  await bar.getByText('Share the bar').click();
  await bar.getByRole('checkbox', { name: /Lorcan Whitlock, 27\.5/ }).check();
  const turns = bar.locator('ol').last();
  // Three sets of each, turn by turn.
  const names = (await turns.locator('li').allTextContents()).map((t) => t.replace(/, set.*/, ''));
  expect(new Set(names)).toEqual(new Set(['Jonah Sprigg', 'Lorcan Whitlock']));
  expect(names[0]).not.toBe(names[1]);
  await expect(bar.getByText('plates handled on each side', { exact: false }).last()).toBeVisible();

  // A load that is not there says what is.
  await page.getByRole('textbox', { name: /^Load/ }).fill('33');
  await expect(
    bar.getByText(/33\skg cannot be made: 32\.5\skg is the next below, 35\skg the next above/),
  ).toBeVisible();
  await bar.getByRole('button', { name: /Take 35/ }).click();
  await expect(bar.getByText(/35\skg:/)).toBeVisible();
});

test('a band is measured with a luggage scale and has its place in the order', async ({ page }) => {
  await enter(page, 'head');
  await kit(page);
  const row = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'Loop band, short' }) });
  await row.getByRole('button', { name: 'Add: Loop band, short' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name here').fill('Loop E');
  await dialog.getByLabel('Rest length, cm').fill('30');
  for (const [stretch, pull] of [
    ['10', '1'],
    ['20', '2,2'],
    ['30', '1.2'],
  ] as const) {
    await dialog.getByLabel('Stretched by, cm').fill(stretch);
    await dialog.getByLabel('The scale shows, kg').fill(pull);
    await dialog.getByRole('button', { name: 'Add the reading' }).click();
  }
  await expect(dialog.getByText('The pull falls while the band is stretched: read it again.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Take out the reading at 30' }).click();
  await dialog.getByLabel('Stretched by, cm').fill('30');
  await dialog.getByLabel('The scale shows, kg').fill('3.3');
  await dialog.getByRole('button', { name: 'Add the reading' }).click();
  await expect(dialog.getByRole('img', { name: /Pull against stretch, up to 3\.3/ })).toBeVisible();
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(row.getByRole('button', { name: /Loop E/ })).toBeVisible();

  await session(page, ['Zelda Marchbanks'], 'bridge-ladder');
  const bands = page.getByRole('region', { name: 'Bands' });
  // The softest of all stands first.
  await expect(bands.getByRole('button').first()).toContainText('Loop E');
  await bands.getByRole('button', { name: /Loop B/ }).click();
  await expect(bands.getByRole('button', { name: /Loop B/ })).toContainText('in use');
  await expect(bands.getByRole('button', { name: /Loop C/ })).toContainText('next lighter');
  await page.getByRole('button', { name: /Set 1 done: watched/ }).click();
  await expect(page.getByText(/band Loop B, band pull 5\skg/).first()).toBeVisible();
});

test('what to buy is read off a budget: what, what it opens and for whom', async ({ page }) => {
  await enter(page, 'head');
  await kit(page, 'buy');
  const opens = page.getByRole('region', { name: 'What it opens' });
  await expect(opens.getByText('Buy Low bench', { exact: false })).toBeVisible();
  await expect(opens.getByText('Bridge: Hip thrust', { exact: false })).toContainText('for Mads Overbeck');
  await opens.getByRole('slider').fill('100');
  await expect(opens.getByText('Nothing on the list opens anything for that.')).toBeVisible();
  // Cheaper, and it fits into the same budget.
  await page.getByLabel('Price of Low bench').fill('95');
  await page.getByLabel('Price of Low bench').press('Tab');
  await expect(opens.getByText('Buy Low bench', { exact: false })).toBeVisible();
  await kit(page, 'runs');
  await expect(page.getByRole('button', { name: 'Mads Overbeck, Hip thrust: cannot' })).toBeVisible();
});

test('tape marks are printed to scale: a millimetre is a millimetre', async ({ page }) => {
  await signIn(page, 'head');
  const id = await idOf(page, 'Jonah Sprigg');
  await page.goto(`/kit?part=marks&for=${id}`);
  await expect(page.getByRole('img', { name: /ball of the rear foot 7\d/ })).toBeVisible();
  await page.evaluate(() => {
    globalThis.print = () => undefined;
  });
  await page.getByRole('button', { name: /Print to scale/ }).click();
  await page.emulateMedia({ media: 'print' });
  const sheets = page.locator('svg[data-sheet]');
  expect(await sheets.count()).toBeGreaterThan(2);
  const box = await sheets.first().boundingBox();
  // One sheet a page, and none empty between them.
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(await sheets.count());
  // 186 mm of A4, in pixels of 1/96 inch.
  expect(box!.width).toBeCloseTo((186 / 25.4) * 96, 0);
  await expect(page.getByRole('heading', { name: 'Kit' })).toBeHidden();
});

test('the kit goes out as a file and comes in again, whole or not at all', async ({ page }) => {
  await enter(page, 'head');
  await kit(page, 'file');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /Download the kit/ }).click();
  const stream = await (await download).createReadStream();
  const csv = await new Promise<string>((done, fail) => {
    let text = '';
    stream.on('data', (chunk) => (text += String(chunk)));
    stream.on('end', () => done(text));
    stream.on('error', fail);
  });
  const lines = csv.trim().split('\r\n');
  const pasted = page.getByRole('textbox', { name: 'Pasted lines' });
  await pasted.fill(`${lines[0]}\na-boat,thing,,1`);
  await page.getByRole('button', { name: 'Look at it first' }).click();
  await expect(page.getByText('the library has no “a-boat”', { exact: false })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Take \d/ })).toBeHidden();
  await pasted.fill('equipment,form,count,height_m,place\nplyo-box,height,1,0.75,by the door');
  await page.getByRole('button', { name: 'Look at it first' }).click();
  await page.getByRole('button', { name: 'Take 1 line: 1 new, 0 changed' }).click();
  await expect(page.getByText('Taken.')).toBeVisible();
  await kit(page);
  const row = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'Box, solid' }) });
  await expect(row.getByRole('button', { name: /75\scm/ })).toBeVisible();
});

import type { Page } from '@playwright/test';
import { another, expect, openSection, signIn, test } from './hall.ts';

const sheetHeading = (page: Page, name: string) => page.getByRole('heading', { name, level: 1 });
const list = (page: Page, kind = 'Variations') => page.getByRole('list', { name: kind });

test('the head coach writes a new sheet from another, drags cues by keyboard, and takes the wording the hall has', async ({
  page,
}) => {
  await signIn(page, 'head');
  await page.goto('/library/variation/goblet-squat');
  await page.getByRole('link', { name: 'Use as a start' }).click();
  await page.getByLabel('2. Name').fill('Squat with a bell, slow');
  await page.getByRole('button', { name: 'Write it' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Squat with a bell, slow');
  const aside = page.getByRole('complementary', { name: 'Beside the sheet' });
  await expect(aside.getByText(/Nothing found wanting|No easier|Nothing easier/)).toBeVisible();

  await openSection(page, 'Execution');
  const cues = page.getByRole('group', { name: /Cues in order of rank/ });
  await expect(cues.getByRole('listitem').first()).toContainText('Bell stays buttoned');
  await cues.getByRole('button', { name: 'Drag cue 1', exact: true }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/^Over place 1 of/)).toBeAttached();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText(/^Over place 2 of/)).toBeAttached();
  await page.keyboard.press('Space');
  await expect(cues.getByRole('listitem').first()).toContainText('Press the belt out');
  await expect(cues.getByRole('listitem').nth(1)).toContainText('Bell stays buttoned');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cues.getByRole('listitem').first()).toContainText('Bell stays buttoned');
  // By mouse as well.
  const from = (await cues.getByRole('button', { name: 'Drag cue 2', exact: true }).boundingBox())!;
  const to = (await cues.getByRole('button', { name: 'Drag cue 1', exact: true }).boundingBox())!;
  await page.mouse.move(from.x + 8, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(to.x + 8, to.y + 20, { steps: 8 });
  await page.mouse.move(to.x + 8, to.y + 2, { steps: 4 });
  await page.mouse.up();
  await expect(cues.getByRole('listitem').first()).toContainText('Press the belt out');

  await cues.getByRole('button', { name: 'cue', exact: true }).click();
  await page.getByPlaceholder('Type some of its words').fill('Badge and belt rise with one speed');
  await expect(page.getByText(/It stands here already: “Badge and belt rise at one speed.”/)).toBeVisible();
  await page.getByPlaceholder('Type some of its words').fill('Push the floor away using one heel');
  await expect(
    page.getByText(/The hall says this already: “Push the floor away (through|with) one heel.”/),
  ).toBeVisible();
  await page.getByPlaceholder('Type some of its words').fill('Whisper the tempo to yourself.');
  await page.getByRole('button', { name: 'Write it as a new cue' }).click();
  await expect(cues.getByText('new, saved along with this')).toBeVisible();

  await openSection(page, 'Mechanics');
  const figure = page.getByRole('group', { name: 'How the body stands in it' });
  await expect(figure.getByRole('img').first()).toBeVisible();
  const depth = figure.getByRole('slider', { name: 'Depth: thigh' });
  await depth.focus();
  const was = await depth.inputValue();
  await page.keyboard.press('ArrowLeft');
  await expect(depth).toHaveValue(String(Number(was) - 1));
  await page.getByLabel('Why this change').fill('For those who hurry.');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(sheetHeading(page, 'Squat with a bell, slow')).toBeVisible();
  // The form beside its findings quotes the cue twice: the sheet is what comes after it.
  await expect(page.getByRole('button', { name: 'Put in force' })).toBeHidden();
  await expect(page.getByText('Whisper the tempo to yourself.').first()).toBeVisible();
});

test('the head coach edits structured fields, and a draft survives leaving', async ({ page }) => {
  await signIn(page, 'head');
  await page.goto('/library/variation/floor-hold/edit?at=Execution');
  await page.getByLabel('Top, s').fill('25');
  await openSection(page, 'Purpose');
  await page
    .getByRole('textbox', { name: 'Purpose, line 1' })
    .fill('Builds patience at the end of the range.');
  await expect(page.getByText(/draft kept/)).toBeVisible();
  await page.goto('/people');
  await page.goto('/library/variation/floor-hold/edit?at=Execution');
  await expect(page.getByLabel('Top, s')).toHaveValue('25');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Tempo 2–0–1–25 s')).toBeVisible();
  // Bad input names the field, and nothing is put in force.
  await page.goto('/library/variation/floor-hold/edit?at=tempo.topS');
  await page.getByLabel('Top, s').fill('600');
  await page.getByRole('button', { name: 'Done with this section' }).click();
  await page.getByRole('button', { name: 'Put in force' }).click();
  // The section that is wrong opens again.
  await expect(page.getByLabel('Top, s')).toHaveValue('600');
  await expect(page.getByText('less than or equal to 60').first()).toBeVisible();
  await page.getByRole('button', { name: 'Discard the draft' }).click();
  await expect(page.getByText('Tempo 2–0–1–25 s')).toBeVisible();
});

test('the head coach adds a question of the hall’s own', async ({ page }) => {
  await signIn(page, 'head');
  await page.goto('/library?kind=houseQuestion');
  await page.getByRole('button', { name: 'New house question' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Are shoes worn for bridges?');
  await page.getByRole('button', { name: 'Write it' }).click();
  const aside = page.getByRole('complementary', { name: 'Beside the sheet' });
  await expect(aside.getByText(/is not allowed to be empty/).first()).toBeVisible();
  await openSection(page, 'Answers');
  const schools = page.getByRole('group', { name: 'Possible answers' });
  await schools.getByLabel('Answer', { exact: true }).nth(0).fill('Shoes on');
  await schools.getByLabel('Answer', { exact: true }).nth(1).fill('Shoes off');
  await expect(aside.getByText(/Reasons for “Shoes on”/)).toBeVisible();
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(sheetHeading(page, 'Are shoes worn for bridges?')).toBeVisible();
  await page.goto('/library/health');
  await expect(page.getByText('Reasons for “Shoes on”')).toBeVisible();
});

test('history: any two revisions word by word in reading order', async ({ page }) => {
  await signIn(page, 'head');
  await page.goto('/library/fault/knees-wander/edit?at=sign');
  const sign = page.getByRole('textbox', { name: 'Sign' });
  const before = await sign.inputValue();
  await sign.fill(`${before} Look early.`);
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Look early.').first()).toBeVisible();
  await page.getByRole('link', { name: 'Edit' }).click();
  await openSection(page, 'Name');
  await sign.fill(`${before} Look late.`);
  await page.getByRole('button', { name: 'Put in force' }).click();
  await page.getByRole('link', { name: /Revision 3, history/ }).click();
  await expect(page.locator('del')).toHaveText('early');
  await expect(page.locator('ins')).toHaveText('late');
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Revision 1,' })
    .getByRole('button', { name: 'Compare with this' })
    .click();
  await expect(page.locator('ins')).toHaveText(/Look late\./);
  await expect(page).toHaveURL(/against=1/);
});

test('text is text: scripts, right-to-left and emoji are shown, and ten thousand letters are refused with the field', async ({
  page,
}) => {
  let alerts = 0;
  page.on('dialog', (d) => {
    alerts++;
    void d.dismiss();
  });
  await signIn(page, 'head');
  await page.goto('/library/cue/toes-float/edit');
  const line = page.getByRole('textbox', { name: 'The cue: one short line' });
  const text = '<img src=x onerror=alert(1)> "toes" כתפיים 👩🏽‍🦽';
  await line.fill(text);
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText(text).first()).toBeVisible();
  await page.goto('/library?q=onerror&kind=cue');
  await expect(list(page, 'Cues').getByText(text)).toBeVisible();
  await page.goto('/library/cue/toes-float/edit');
  await line.fill('x'.repeat(10_000));
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(
    page.getByText(/length must be less than or equal to 2000 characters long/).first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Discard the draft' }).click();
  expect(alerts).toBe(0);
});

test('the sheet is written by keyboard alone: sections open, fields follow, a condition opens as one word, the focus returns', async ({
  page,
}) => {
  await signIn(page, 'head');
  await page.goto('/library/variation/floor-lift/edit');
  const heading = (title: string) => page.getByRole('button', { name: title, exact: true }).first();
  await expect(heading('Purpose')).toBeVisible();
  // Tab leads from the bar through the headings of the sheet.
  await page.getByRole('button', { name: 'Discard the draft' }).focus();
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press('Tab');
    if (await heading('Purpose').evaluate((e) => e === document.activeElement)) break;
  }
  await expect(heading('Purpose')).toBeFocused();
  await page.keyboard.press('Enter');
  const line = page.getByRole('textbox', { name: 'Purpose, line 1' });
  await expect(page.getByRole('button', { name: 'Drag line 1', exact: true }).first()).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(line).toBeFocused();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Written by keyboard alone.');
  await page.keyboard.press('Tab');
  const condition = page.getByRole('button', { name: 'Purpose, line 1: always' });
  await expect(condition).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Purpose, line 1: only when …' })).toBeVisible();
  await page.keyboard.press('Shift+Tab');
  await page.getByRole('button', { name: 'Always instead' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Purpose, line 1' }).focus();
  await page.keyboard.press('Escape');
  await expect(heading('Purpose')).toBeFocused();
  await expect(line).toBeHidden();
  await expect(page.getByText('Written by keyboard alone.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Put in force' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Put in force' })).toBeHidden();
  await expect(page.getByText('Written by keyboard alone.')).toBeVisible();
});

test('a coach writes a variation from a like one in ten fields; the head coach accepts it with an edit', async ({
  page,
  browser,
}) => {
  const coach = await another(browser, 'coach');
  await coach.goto('/library');
  await coach.getByRole('link', { name: 'New variation' }).click();
  await coach.getByRole('button', { name: /^Starts as/ }).click();
  await coach.getByPlaceholder('Any name in use').fill('goblet');
  await coach.getByRole('option', { name: 'Goblet squat', exact: true }).click();
  // The ten are counted as they are numbered.
  for (let n = 1; n <= 10; n++) await expect(coach.getByText(new RegExp(`^${n}\\. `)).first()).toBeVisible();
  await coach.getByLabel('2. Name').fill('Goblet squat');
  await expect(coach.getByText('There is one by that name.')).toBeVisible();
  await coach.getByLabel('2. Name').fill('Plate-hug squat');
  await coach.getByLabel('3. Also called').fill('bear-hug plate squat');
  await coach.getByLabel('6. Load', { exact: true }).selectOption('plate');
  await coach.getByLabel('7. Load place').selectOption('front of shoulders');
  await coach.getByLabel('Repetitions from').fill('6');
  const beside = coach.getByRole('complementary', { name: 'What comes of it' });
  await expect(beside.getByText('Nothing found wanting.')).toBeVisible();
  await coach.getByRole('button', { name: 'Write it' }).click();
  await expect(coach.getByRole('heading', { name: 'Plate-hug squat', level: 1 })).toBeVisible();
  await coach.getByRole('button', { name: 'Propose' }).click();
  await expect(coach.getByText('The head coach accepts or declines it.')).toBeVisible();
  const address = new URL(coach.url()).pathname;

  await signIn(page, 'head');
  await page.goto(address);
  await page.getByRole('button', { name: 'Edit before accepting' }).click();
  await openSection(page, 'Purpose');
  await page
    .getByRole('textbox', { name: 'Purpose, line 1' })
    .fill('Keeps the arms busy and the trunk tall.');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Accept as edited' }).click();
  await expect(page.getByRole('heading', { name: 'In force' })).toBeVisible();
  await page.goto('/library/variation/plate-hug-squat');
  await expect(page.getByText('Keeps the arms busy and the trunk tall.')).toBeVisible();
  // It is found by its other name, and can be logged at once.
  await page.goto('/library?q=bear-hug');
  await expect(list(page).getByText('Plate-hug squat')).toBeVisible();
});

import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import type { LibraryFile } from '../core/exchange/index.ts';
import { another, openPerson, signIn } from './hall.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../server/demo/library.json', import.meta.url), 'utf8'),
) as LibraryFile;
const variations = documents.filter((d) => d.kind === 'variation');

const sheetHeading = (page: Page, name: string) => page.getByRole('heading', { name, level: 1 });
const list = (page: Page, kind = 'Variations') => page.getByRole('list', { name: kind });

test('a coach gets from half a word to the sheet by keyboard, and the address keeps what was asked', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await page.goto('/library');
  const search = page.getByRole('searchbox', { name: 'Find in the library' });
  await search.fill('kickstnad romanain');
  await expect(list(page).getByRole('link')).toHaveCount(1);
  await expect(sheetHeading(page, 'One-leg Romanian with a kickstand toe')).toBeVisible();
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
  await expect(page.getByRole('heading', { level: 1 }).last()).not.toHaveText(first);
  await page.keyboard.press(',');
  await expect(page.getByRole('heading', { level: 1 }).last()).toHaveText(first);
  await page.keyboard.press('q');
  await expect(search).toBeFocused();
  await search.fill('zzzzqq');
  await page.getByRole('button', { name: 'Nothing matches: show all' }).click();
  await expect(page.getByText(`${variations.length} variations`)).toBeVisible();
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
  await expect(list(page).getByText('Squat without load to thigh level')).toBeVisible();
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
  await expect(list(page).getByText('Hip lift on one leg')).toHaveCount(0);
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
  const bell = panel.getByRole('listitem').filter({ hasText: 'Squat with a bell at the chest' }).first();
  await expect(bell).toContainText('level 8 of the Squat ladder, 3 below');
  await expect(bell).toContainText(/low back −\d+ points/);
  await expect(page).toHaveURL(/without=bar-and-rack/);
  await panel.getByLabel('For').selectOption({ label: 'Oskar Lindqvane' });
  await expect(page).toHaveURL(/for=[0-9a-f-]{36}/);
  // His ankles and thighs decide what he can hold; what he cannot is left out with its reason.
  await expect(
    panel.getByText(/Left out:.*Squat with a bell at the chest \(.*(balance|range)/),
  ).toBeVisible();
  await panel.getByLabel('For').selectOption({ label: 'the reference build' });
  await expect(bell).toBeVisible();
});

test('the head coach writes a new sheet from another, drags cues by keyboard, and takes the wording the hall has', async ({
  page,
}) => {
  await signIn(page, 'head');
  await page.goto('/library/variation/goblet-squat');
  await page.getByRole('button', { name: 'Use as a start' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Squat with a bell, slow');
  await page.getByRole('button', { name: 'Write it' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Squat with a bell, slow');
  const aside = page.getByRole('complementary', { name: 'Beside the form' });
  await expect(aside.getByText(/Nothing found wanting|No easier|Nothing easier/)).toBeVisible();

  const cues = page.getByRole('group', { name: /Cues in order of rank/ });
  await expect(cues.getByRole('listitem').first()).toContainText('Bell stays buttoned');
  await cues.getByRole('button', { name: 'Drag cue 1', exact: true }).focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(300);
  await page.keyboard.press('ArrowDown');
  await page.waitForTimeout(300);
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

  await page.getByRole('link', { name: 'Mechanics' }).click();
  const figure = page.getByRole('group', { name: 'How the body stands in it' });
  await expect(figure.getByRole('img').first()).toBeVisible();
  await page.getByLabel('Why this change').fill('For those who hurry.');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(sheetHeading(page, 'Squat with a bell, slow')).toBeVisible();
  await expect(page.getByText('Whisper the tempo to yourself.')).toBeVisible();
});

test('one wording a cue: a coach sees what a new wording changes, the head coach accepts, and two cues become one', async ({
  page,
  browser,
}) => {
  const coach = await another(browser, 'coach');
  await coach.goto('/library/cue/front-foot-drives');
  await expect(
    coach.getByRole('heading', { name: /Stands on \d+ sheets|Stands on one sheet/ }),
  ).toBeVisible();
  await coach.getByRole('link', { name: 'Propose a change' }).click();
  await coach
    .getByRole('textbox', { name: 'The cue: one short line' })
    .fill('Stand up through all of the front foot.');
  const aside = coach.getByRole('complementary', { name: 'Beside the form' });
  await expect(aside.getByText('Stand up through all of the front foot.').first()).toBeVisible();
  await expect(aside.getByText(/sheets? change/)).toBeVisible();
  await coach.getByRole('button', { name: 'Propose' }).click();
  await expect(coach.getByText('The head coach accepts or declines it.')).toBeVisible();
  const address = new URL(coach.url()).pathname;
  await signIn(page, 'head');
  await page.goto(address);
  await expect(page.getByRole('heading', { name: 'What it would change' })).toBeVisible();
  // Word by word: only what differs is marked.
  await expect(page.locator('ins').filter({ hasText: 'Stand up' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'In force' })).toBeVisible();

  await page.goto('/library?kind=cue');
  await page.getByRole('button', { name: 'New cue' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Push the floor away through a heel');
  await expect(page.getByRole('dialog').getByText('The hall says this already.')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.goto('/library/health');
  await page.getByRole('link', { name: 'Merge them' }).click();
  await expect(page.getByRole('heading', { name: 'One wording for two cues' })).toBeVisible();
  await expect(page.getByText('Rewired in one change:')).toBeVisible();
  await expect(page.getByText(/^(One sheet changes|\d+ sheets change)\.$/)).toBeVisible();
  await page.getByLabel('Why this change').fill('They say the same.');
  await page.getByRole('button', { name: 'Merge them' }).click();
  await expect(page.getByRole('heading', { name: /Stands on/ })).toBeVisible();
  await page.goto('/library/health');
  await expect(page.getByRole('link', { name: 'Merge them' })).toHaveCount(0);
});

test('a changed house answer shows its effect first; sheet, figure, faults and criterion follow; no sheet contradicts it', async ({
  page,
  browser,
}) => {
  await signIn(page, 'head');
  await page.goto('/library/variation/plain-squat');
  await expect(page.getByText('Goes deeper than this level asks')).toBeVisible();
  await page.goto('/library/houseQuestion/depth');
  await page.getByRole('button', { name: 'Change an answer' }).click();
  const change = page.getByRole('region', { name: 'Another answer' });
  await change.getByLabel('Answer').selectOption({ label: 'As deep as the back stays long' });
  await change.getByRole('button', { name: /^Show all/ }).click();
  await expect(
    change.getByText('No longer a fault: Goes deeper than this level asks.').first(),
  ).toBeVisible();
  await expect(change.getByText('Figure: thigh 90° → 105°').first()).toBeVisible();
  await expect(change.getByText('2 sets of 12 clean repetitions').first()).toBeVisible();
  await expect(change.getByRole('button', { name: 'Put in force' })).toBeDisabled();
  await change.getByLabel('Why').fill('Tried for a season.');
  await change.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('row', { name: /The hall As deep as the back stays long/ })).toBeVisible();

  await page.goto('/library/variation/plain-squat');
  await expect(page.getByText('Sink on for as long as the tail stays under the head.')).toBeVisible();
  await expect(page.getByText('Stop where a cup would stand on your thighs.')).toHaveCount(0);
  await expect(page.getByText('Goes deeper than this level asks')).toHaveCount(0);
  await page.goto('/print?job=full:plain-squat');
  await expect(page.locator('[data-sheet]')).toBeVisible();
  await expect(page.getByText('Stop where a cup would stand on your thighs.')).toHaveCount(0);
  await page.goto('/ladders/squat-ladder');
  await page
    .getByRole('button', { name: /Bodyweight/ })
    .first()
    .click();
  await expect(page.getByText('2 sets of 12 clean repetitions, in 2 sessions running')).toBeVisible();

  // One athlete is answered otherwise, and it is written beside the hall's answer.
  await openPerson(page, 'Leni Achterdijk');
  await page.getByRole('button', { name: 'Answer one otherwise' }).click();
  const own = page.getByRole('region', { name: 'House rules of their own' });
  await own.getByLabel('Question').selectOption({ label: 'How deep does a squat go?' });
  await own.getByLabel('Their answer').selectOption({ label: 'Thighs level, for everybody' });
  await own.getByLabel('Why').fill('Hip surgery two years ago; cleared to level.');
  await own.getByRole('button', { name: 'Keep it' }).click();
  await expect(own.getByText('Hip surgery two years ago')).toBeVisible();
  await page.goto('/library/houseQuestion/depth');
  await expect(page.getByRole('row', { name: /Leni Achterdijk Thighs level/ })).toBeVisible();

  // A coach may only propose, and the way back is a revision of its own.
  const coach = await another(browser, 'coach');
  await coach.goto('/library/houseQuestion/depth');
  await expect(coach.getByRole('button', { name: 'Propose another answer' })).toBeVisible();
  await page.getByRole('link', { name: /history/ }).click();
  await page.getByRole('button', { name: /^Revision 1/ }).click();
  await page.getByRole('button', { name: 'Bring it back as revision 3' }).click();
  await expect(page.getByText('Now a fault: Goes deeper than this level asks.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it in force' }).click();
  await expect(page.getByRole('row', { name: /The hall Level first/ })).toBeVisible();
});

test('the head coach adds a question of the hall’s own', async ({ page }) => {
  await signIn(page, 'head');
  await page.goto('/library?kind=houseQuestion');
  await page.getByRole('button', { name: 'New house question' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Are shoes worn for bridges?');
  await page.getByRole('button', { name: 'Write it' }).click();
  const aside = page.getByRole('complementary', { name: 'Beside the form' });
  await expect(aside.getByText(/is not allowed to be empty/).first()).toBeVisible();
  const schools = page.getByRole('group', { name: 'Schools' });
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
  await page.goto('/library/fault/knees-wander/edit');
  const sign = page.getByRole('textbox', { name: 'Sign' });
  const before = await sign.inputValue();
  await sign.fill(`${before} Look early.`);
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Look early.').first()).toBeVisible();
  await page.getByRole('link', { name: 'Edit' }).click();
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

test('two people who edit one document lose no word: what both changed is chosen, the rest put together', async ({
  page,
  browser,
}) => {
  await signIn(page, 'head');
  const coach = await another(browser, 'coach');
  for (const p of [page, coach]) {
    await p.goto('/library/fault/tight-rope/edit');
    await expect(p.getByRole('textbox', { name: 'Sign' })).toBeVisible();
  }
  await page.getByRole('textbox', { name: 'Sign' }).fill('Both feet on one line, says the head coach.');
  await page.getByRole('textbox', { name: 'When to stop' }).fill('Stop at once, says the head coach.');
  await coach.getByRole('textbox', { name: 'Sign' }).fill('Both feet on one line, says the coach.');
  await coach.getByLabel('Name', { exact: true }).fill('Feet on a tight rope');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Stop at once, says the head coach.').first()).toBeVisible();
  await coach.getByRole('button', { name: 'Propose' }).click();
  const both = coach.getByRole('alert').filter({ hasText: 'Somebody changed this meanwhile' });
  await expect(both.getByText('Changed by both: Sign.')).toBeVisible();
  await expect(both.getByRole('button', { name: 'Go on with both together' })).toBeDisabled();
  await both.getByRole('group', { name: 'Sign' }).getByLabel('Yours').check();
  await both.getByRole('button', { name: 'Go on with both together' }).click();
  await expect(coach.getByRole('textbox', { name: 'Sign' })).toHaveValue(
    'Both feet on one line, says the coach.',
  );
  await expect(coach.getByRole('textbox', { name: 'When to stop' })).toHaveValue(
    'Stop at once, says the head coach.',
  );
  await expect(coach.getByLabel('Name', { exact: true })).toHaveValue('Feet on a tight rope');
  await coach.getByRole('button', { name: 'Propose' }).click();
  await expect(coach.getByText('The head coach accepts or declines it.')).toBeVisible();

  // The same person in two windows: the older window does not write over the newer one's draft.
  const second = await coach.context().newPage();
  for (const p of [coach, second]) {
    await p.goto('/library/cue/lift-down/edit');
    await expect(p.getByRole('textbox', { name: 'The cue: one short line' })).toBeVisible();
  }
  await second
    .getByRole('textbox', { name: 'The cue: one short line' })
    .fill('Down like a lift, says one window.');
  await expect(second.getByText(/draft kept/)).toBeVisible();
  await coach
    .getByRole('textbox', { name: 'The cue: one short line' })
    .fill('Down like a lift, says the other.');
  await expect(coach.getByText(/written on in another window/)).toBeVisible();
  await coach.getByRole('button', { name: 'Read the other one' }).click();
  await expect(coach.getByRole('textbox', { name: 'The cue: one short line' })).toHaveValue(
    'Down like a lift, says one window.',
  );
  await coach.getByRole('button', { name: 'Discard the draft' }).click();
});

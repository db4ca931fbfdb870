import type { Page } from '@playwright/test';
import type { CaseRow, DeskKnowledge } from '../contract/fault.ts';
import { another, expect, idOf, openPart, openPerson, signIn, test } from './hall.ts';

const casesOf = async (page: Page, id: string): Promise<CaseRow[]> =>
  ((await (await page.request.get(`/api/faults/desk?people=${id}`)).json()) as DeskKnowledge).people[0]!
    .cases;

/** What the desk says first about a back that rounds at the bottom. */
async function firstStep(page: Page): Promise<string> {
  await page.goto('/faults?of=deep-squat&pattern=squat');
  await page
    .getByRole('list', { name: 'Signs' })
    .getByRole('button', { name: /^Low back rounds at the bottom/ })
    .click();
  await page.getByRole('button', { name: /^What to do/ }).click();
  const step = page.getByText(/^(Check next|Try this)$/).first();
  return `${await step.innerText()}: ${await step.locator('xpath=following-sibling::p[1]').innerText()}`;
}

test('the desk: seen and felt at once, the answers run out, an easier variation is named and given', async ({
  page,
}) => {
  await signIn(page, 'relief');
  const signe = await idOf(page, 'Signe Larkhall');
  await page.goto(`/faults?person=${signe}`);
  await page
    .getByRole('group', { name: 'Done today' })
    .getByRole('button', { name: 'Walking lunge' })
    .click();
  const sign = (name: RegExp) => page.getByRole('list', { name: 'Signs' }).getByRole('button', { name });
  // A stop fault ends it at once, unless it was a slip of the finger.
  await page.getByRole('button', { name: 'Felt', exact: true }).click();
  await sign(/^Sharp pain/).click();
  await page.getByRole('button', { name: /^What to do/ }).click();
  await expect(page.getByRole('alert')).toContainText('Sharp pain: the set ends.');
  await page.getByRole('button', { name: 'Tapped by mistake' }).click();
  await page.getByRole('button', { name: 'Felt', exact: true }).click();
  await sign(/^Sharp pain/).click();
  await page.getByRole('button', { name: 'Seen', exact: true }).click();
  await sign(/^Trunk folds/).click();
  await page.getByRole('button', { name: 'Felt', exact: true }).click();
  await page
    .getByRole('group', { name: /^Felt as/ })
    .getByRole('button', { name: 'work' })
    .click();
  await page.getByRole('button', { name: 'work: low back' }).click();
  await page.getByRole('button', { name: /^What to do\? \(2 chosen\)/ }).click();
  await page
    .getByRole('group', { name: 'Side of Trunk folds over the thigh' })
    .getByRole('button', { name: 'Right' })
    .click();
  const causes = page.getByRole('region', { name: 'Likely causes' });
  await expect(causes.getByRole('listitem').first()).toBeVisible();
  const answers = page.getByRole('region', { name: 'Answers' });
  const easier = page.getByText(/^Go easier\./);
  const ask = page.getByRole('region', { name: 'Check next' });
  for (let i = 0; i < 20 && !(await easier.isVisible()); i++) {
    if (await ask.isVisible()) await ask.getByRole('button', { name: 'Don’t know' }).click();
    else await answers.getByRole('button', { name: 'The same' }).click();
  }
  await expect(easier).toBeVisible();
  const give = page.getByRole('button', { name: 'Give this today' }).first();
  await expect(give).toBeVisible();
  await give.click();
  await expect.poll(async () => (await casesOf(page, signe)).at(-1)?.end).toBe('easier');
  const last = (await casesOf(page, signe)).at(-1)!;
  expect(last.signs).toEqual([{ fault: 'trunk-folds', side: 'right' }]);
  expect(last.easier).not.toBeNull();

  // On their page: the case, and a fault that comes again leads to the desk.
  await openPerson(page, 'Signe Larkhall');
  await openPart(page, 'Pain, restrictions, faults');
  const faults = page.getByRole('region', { name: 'Faults' });
  await faults.getByText(/^Worked on at the desk/).click();
  await expect(faults.getByText('an easier variation was given', { exact: false }).first()).toBeVisible();
});

test('a chain goes on gate by gate, on the person’s page as on the floor', async ({ page }) => {
  await signIn(page, 'head');
  await openPerson(page, 'Pascal Ouderkerk');
  await openPart(page, 'Pain, restrictions, faults');
  const faults = page.getByRole('region', { name: 'Faults' });
  await expect(faults.getByText(/3\ssessions running/).first()).toBeVisible();
  const chain = page.getByRole('region', { name: /^Over weeks: Knee falls inward/ }).first();
  await expect(chain.getByText(/^gate passed on/)).toHaveCount(2);
  await chain.getByRole('button', { name: 'Done, not passed yet' }).click();
  await expect(chain.getByText(/not passed yet on/)).toBeVisible();
  await chain.getByRole('button', { name: 'Gate passed today' }).click();
  await expect(chain.getByText(/^gate passed on/)).toHaveCount(3);
  await page.reload();
  await expect(chain.getByText(/^gate passed on/)).toHaveCount(3);
});

test('two coaches rate one set, the second blind; the head coach sees where they part', async ({
  page,
  browser,
}) => {
  await signIn(page, 'relief');
  const mads = await idOf(page, 'Mads Overbeck');
  await page.goto(`/floor/${mads}`);
  await page
    .getByRole('button', { name: /^One more/ })
    .first()
    .click();
  await page
    .getByRole('button', { name: /: watched, faults as counted/ })
    .first()
    .click();
  const today = page.getByRole('region', { name: 'Logged that day' });
  await expect(today.getByText(/^Kept, by/).last()).toBeVisible();

  const head = await another(browser, 'head');
  await head.goto('/faults/rate');
  const rows = head.getByRole('button', { name: /Mads Overbeck, set/ });
  await expect(rows.first()).toBeVisible();
  const count = await rows.count();
  await rows.first().click();
  await expect(head.getByRole('button', { name: 'I saw no fault' })).toBeVisible();
  await head.getByRole('button', { name: 'I saw no fault' }).click();
  await expect(rows).toHaveCount(count - 1);
  await head.goto('/faults/report?part=agreement');
  await expect(head.getByRole('region', { name: 'Do two coaches see the same' })).toContainText(
    'Cohen’s kappa',
  );
  const parted = head.getByRole('row').filter({ hasText: 'Mads Overbeck' }).first();
  await parted.locator('summary').click();
  await expect(parted.getByText(/Asel Tarn saw it, Mirela Ostrander did not/).first()).toBeVisible();
  await head.getByRole('button', { name: 'Which answers help' }).click();
  await expect(head.getByText('Never of help in 4 tries or more', { exact: false })).toBeVisible();
  // It is the head coach’s alone.
  await page.goto('/faults/report');
  await expect(page.getByRole('alert')).toContainText('A coach may not do this');
});

test('what needs the box is not asked nor offered while the box is taken', async ({ page }) => {
  await signIn(page, 'head');
  expect(await firstStep(page)).toMatch(/^Check next: Three repetitions to a box/i);
  const answers = page.getByRole('region', { name: 'Answers' });
  await expect(answers.getByText('needs box, solid', { exact: false }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Box, solid taken' }).click();
  await expect(page.getByText(/^Three repetitions to a box/)).toHaveCount(0);
  await expect(answers.getByText('Not now: Box, solid is taken.').first()).toBeVisible();
  // Its page says what each check tells, and what it needs.
  await page.goto('/library/fault/back-rounds-bottom');
  const table = page.getByRole('table').first();
  await expect(table.getByRole('row')).toHaveCount(3);
  await expect(page.getByText('Needs: Box, solid.')).toBeVisible();
});

test('another prior in the library changes what the desk says next', async ({ page }) => {
  await signIn(page, 'head');
  expect(await firstStep(page)).toMatch(/^Check next: Three repetitions to a box/i);
  await page.goto('/library/fault/back-rounds-bottom/edit?at=Causes');
  const weights = page.getByLabel(/^Weight/);
  await expect(weights.first()).toBeVisible();
  // It is nearly always the brace: that is worth trying without asking.
  await weights.nth(0).fill('1');
  await weights.nth(1).fill('20');
  await weights.nth(2).fill('1');
  await page.getByLabel('Why this change').fill('Here it is nearly always the brace.');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('heading', { name: 'Low back rounds at the bottom' })).toBeVisible();
  expect(await firstStep(page)).toMatch(/^Try this: Stop before your low back rounds/i);
});

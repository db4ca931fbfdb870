import { expect, test } from '@playwright/test';
import { signIn } from './hall.ts';

test('the head coach takes the stairs apart: order, split, a variation of the library, criteria tried on a log', async ({
  page,
}) => {
  // Tall enough that a variation can be dragged from step to step without scrolling.
  await page.setViewportSize({ width: 1280, height: 1500 });
  await signIn(page, 'head');
  await page.goto('/ladders/bench-extension-ladder');
  await page.getByRole('button', { name: 'Change the stairs' }).click();
  const steps = page.getByRole('list', { name: 'Steps, from the easiest' }).getByRole('listitem');
  await expect(steps).toHaveCount(4);
  await expect(page.getByRole('button', { name: 'Put in force' })).toBeDisabled();

  // Order: by the arrows, by the keyboard on the handle, and back.
  await page.getByRole('button', { name: 'Move step 3 up the stairs' }).click();
  await expect(steps.nth(3)).toContainText('4. Hands behind the ears');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(steps.nth(2)).toContainText('3. Hands behind the ears');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(steps.nth(3)).toContainText('Hands behind the ears');
  await page.keyboard.press('Control+z');
  await expect(steps.nth(2)).toContainText('Hands behind the ears');
  const handle = page.getByRole('button', { name: 'Drag step 1, Rounded and short' });
  await handle.focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(200);
  await page.keyboard.press('ArrowDown');
  await page.waitForTimeout(200);
  await page.keyboard.press('Space');
  await expect(steps.nth(1)).toContainText('2. Rounded and short');
  await page.getByRole('button', { name: 'Undo' }).click();

  // The equal gets a step of its own, and goes back as an equal.
  await steps.nth(0).getByRole('button', { name: /^1\. / }).click();
  const machine = page.getByLabel('What to do with Standing hip extension at the machine', { exact: false });
  await machine.selectOption({ label: 'give it a step of its own' });
  await expect(steps).toHaveCount(5);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(steps).toHaveCount(4);
  await machine.selectOption({ label: 'move to step 2, Arms crossed' });
  await expect(steps.nth(1)).toContainText('Standing hip extension at the machine');
  // The same by dragging it back.
  const chip = steps.nth(1).getByRole('button', { name: /^Standing hip extension at the machine/ });
  const from = (await chip.boundingBox())!;
  const to = (await steps.nth(0).boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width / 2 + 8, from.y, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 10 });
  await page.mouse.up();
  await expect(steps.nth(0)).toContainText('Standing hip extension at the machine');

  // A variation of the library by half a word, as a step.
  await steps.nth(1).getByRole('button', { name: /^2\. / }).click();
  await page.getByLabel('Put a variation of the library on the stairs').fill('stick hin');
  await page
    .getByRole('list', { name: 'Found in the library' })
    .getByRole('listitem')
    .first()
    .getByRole('button', { name: 'Step after 2' })
    .click();
  await expect(steps).toHaveCount(5);

  // Criteria from a ready-made set, said in a sentence, tried at once on somebody’s log.
  await steps.nth(0).getByRole('button', { name: /^1\. / }).click();
  const tried = page.getByRole('region', { name: 'Try it on a log' });
  await tried.getByLabel('Try it on the log of').selectOption({ label: 'Tobias Fennick' });
  await expect(tried.getByText('Needed to move up')).toBeVisible();
  const advance = page.getByRole('group', { name: 'Move up when' }).first();
  await advance.getByLabel('Start moving up from').selectOption('A hold');
  await expect(advance.getByText(/3 holds of 30 s, in 2 sessions running; and no repetition/)).toBeVisible();
  await expect(advance.getByText(/Nobody can ever meet this\./)).toBeVisible();
  await expect(tried.getByText('3 holds of 30 s', { exact: false }).first()).toBeVisible();
  await advance.getByLabel('Start moving up from').selectOption('Clean repetitions');
  await advance.getByLabel('clean repetitions', { exact: true }).first().fill('2');
  await expect(
    advance.getByText('2 sets of 2 clean repetitions, in 2 sessions running; and no pain.'),
  ).toBeVisible();
  await expect(tried.getByText('Move up', { exact: true })).toBeVisible();

  // Bad input is told with its place; nothing is in force until it is right.
  await page.getByLabel('Name', { exact: true }).fill('');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing was changed');
  await page.getByLabel('Name', { exact: true }).fill('Rounded and short');
  await page.getByLabel('Why this change').fill('Two clean ones are enough to go on.');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('link', { name: /Revision 2/ })).toBeVisible();
  await expect(page.getByText('hinge ladder, 5 levels')).toBeVisible();
  await expect(page.getByText('2 sets of 2 clean repetitions, in 2 sessions running')).toBeVisible();
});

test('a coach’s change to the stairs is a proposal; a viewer reads only', async ({ browser }) => {
  const coach = await (await browser.newContext()).newPage();
  await signIn(coach, 'coach');
  await coach.goto('/ladders/hinge-ladder');
  await coach.getByRole('button', { name: 'Change the stairs' }).click();
  await coach.getByRole('button', { name: 'Move step 2 up the stairs' }).click();
  await coach.getByLabel('Why this change').fill('The wall comes easier.');
  await coach.getByRole('button', { name: 'Propose' }).click();
  await expect(coach.getByRole('button', { name: 'Change the stairs' })).toBeVisible();
  await coach.goto('/changes');
  await expect(coach.getByText('The wall comes easier.')).toBeVisible();
  const viewer = await (await browser.newContext()).newPage();
  await signIn(viewer, 'viewer');
  await viewer.goto('/ladders/hinge-ladder');
  await expect(viewer.getByRole('heading', { name: 'Hinge', level: 1 })).toBeVisible();
  await expect(viewer.getByRole('button', { name: 'Change the stairs' })).toHaveCount(0);
});

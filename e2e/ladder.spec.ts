import { another, expect, idOf, openJob, signIn, test } from './hall.ts';

test('the head coach takes the stairs apart: order, split, a variation of the library, criteria tried on a log', async ({
  page,
}) => {
  // Tall enough that a variation can be dragged from step to step without scrolling.
  await page.setViewportSize({ width: 1280, height: 1500 });
  await signIn(page, 'head');
  // Somebody who did the first level today, and was asked about pain.
  const tobias = await idOf(page, 'Tobias Fennick');
  const { hall } = (await (await page.request.get('/api/start')).json()) as { hall: { today: string } };
  for (const ordinal of [1, 2]) {
    const kept = await page.request.put(`/api/sets/${crypto.randomUUID()}`, {
      headers: { origin: new URL(page.url()).origin },
      data: {
        personId: tobias,
        date: hall.today,
        edit: 1,
        variation: 'step-bridge',
        variationRevision: 1,
        ordinal: 40 + ordinal,
        role: 'work',
        warmUp: false,
        watched: true,
        sideTest: false,
        loadKind: 'none',
        faults: [],
        doneReps: 8,
        pain: 0,
      },
    });
    expect(kept.ok()).toBe(true);
  }
  await page.goto('/ladders/ball-ladder');
  await page.getByRole('button', { name: 'Change the stairs' }).click();
  const steps = page.getByRole('list', { name: 'Steps, from the easiest' }).getByRole('listitem');
  await expect(steps).toHaveCount(5);
  await expect(page.getByRole('button', { name: 'Put in force' })).toBeDisabled();

  // Order: by the arrows, by the keyboard on the handle, and back.
  await page.getByRole('button', { name: 'Move step 3 up the stairs' }).click();
  await expect(steps.nth(3)).toContainText('4. Leg curl, hands under the hips');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(steps.nth(2)).toContainText('3. Leg curl, hands under the hips');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(steps.nth(3)).toContainText('Leg curl, hands under the hips');
  await page.keyboard.press('Control+z');
  await expect(steps.nth(2)).toContainText('Leg curl, hands under the hips');
  const handle = page.getByRole('button', { name: 'Drag step 1, Feet-elevated bridge' });
  await handle.focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Over place 1 of 5.')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText('Over place 2 of 5.')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(steps.nth(1)).toContainText('2. Feet-elevated bridge');
  await page.getByRole('button', { name: 'Undo' }).click();

  // The equal gets a step of its own, and goes back as an equal.
  await steps.nth(3).getByRole('button', { name: /^4\. / }).click();
  const sliding = page.getByLabel('What to do with Sliding leg curl', { exact: false });
  await sliding.selectOption({ label: 'give it a step of its own' });
  await expect(steps).toHaveCount(6);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(steps).toHaveCount(5);
  await sliding.selectOption({ label: 'move to step 2, Ball bridge' });
  await expect(steps.nth(1)).toContainText('Sliding leg curl');
  // The same by dragging it back.
  const chip = steps.nth(1).getByRole('button', { name: /^Sliding leg curl/ });
  const from = (await chip.boundingBox())!;
  const to = (await steps.nth(3).boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width / 2 + 8, from.y, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 10 });
  await page.mouse.up();
  await expect(steps.nth(3)).toContainText('Sliding leg curl');

  // A variation of the library by half a word, as a step.
  const second = steps.nth(1).getByRole('button', { name: /^2\. / });
  // The click that ends a drag is taken by the drag.
  await expect(async () => {
    await second.click();
    await expect(second).toHaveAttribute('aria-pressed', 'true', { timeout: 500 });
  }).toPass();
  await page.getByLabel('Put a variation of the library on the stairs').fill('stick hin');
  await page
    .getByRole('list', { name: 'Found in the library' })
    .getByRole('listitem')
    .first()
    .getByRole('button', { name: 'Step after 2' })
    .click();
  await expect(steps).toHaveCount(6);

  // Criteria from a ready-made set, said in a sentence, tried at once on somebody’s log.
  await steps.nth(0).getByRole('button', { name: /^1\. / }).click();
  const tried = page.getByRole('region', { name: 'Try it on a log' });
  await tried.getByLabel('Try it on the log of').selectOption({ label: 'Tobias Fennick' });
  await expect(tried.getByText('Needed to move up')).toBeVisible();
  const advance = page.getByRole('group', { name: 'Move up when' }).first();
  await advance.getByLabel('Start moving up from').selectOption('A hold');
  await expect(
    advance.getByText(/3 holds of 30\ss, in 2\ssessions running; and no repetition/),
  ).toBeVisible();
  await expect(advance.getByText(/Nobody can ever meet this\./)).toBeVisible();
  await expect(tried.getByText('3 holds of 30 s', { exact: false }).first()).toBeVisible();
  await advance.getByLabel('Start moving up from').selectOption('Clean repetitions');
  await advance.getByLabel('clean repetitions', { exact: true }).first().fill('2');
  await advance.getByLabel('sessions running').first().fill('1');
  await expect(advance.getByText('2 sets of 2 clean repetitions; and no pain.')).toBeVisible();
  await expect(tried.getByText('Move up', { exact: true })).toBeVisible();

  // Bad input is told with its place; nothing is in force until it is right.
  await page.getByLabel('Name', { exact: true }).fill('');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('alert').first()).toContainText('Nothing was changed');
  await page.getByLabel('Name', { exact: true }).fill('Feet on a step');
  await page.getByLabel('Why this change').fill('Two clean ones are enough to go on.');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByRole('link', { name: /Revision 2/ })).toBeVisible();
  await expect(page.getByText('bridge ladder, 6 levels')).toBeVisible();
  await expect(page.getByText('2 sets of 2 clean repetitions').first()).toBeVisible();
});

test('a coach’s change to the stairs is a proposal; a viewer reads only', async ({ browser }) => {
  const coach = await another(browser, 'coach');
  await coach.goto('/ladders/hinge-ladder');
  await coach.getByRole('button', { name: 'Change the stairs' }).click();
  await coach.getByRole('button', { name: 'Move step 2 up the stairs' }).click();
  await coach.getByLabel('Why this change').fill('The wall comes easier.');
  await coach.getByRole('button', { name: 'Propose' }).click();
  await expect(coach.getByRole('button', { name: 'Change the stairs' })).toBeVisible();
  await coach.goto('/changes');
  await expect(coach.getByText('The wall comes easier.')).toBeVisible();
  const viewer = await another(browser, 'viewer');
  await viewer.goto('/ladders/hinge-ladder');
  await expect(viewer.getByRole('heading', { name: 'Hinge', level: 1 })).toBeVisible();
  await expect(viewer.getByRole('button', { name: 'Change the stairs' })).toHaveCount(0);
});

test('the ladder asks where computed demand and order disagree; the reason stays with it', async ({
  page,
}) => {
  await signIn(page, 'head');
  await page.goto('/ladders/bridge-ladder');
  const questions = page.getByRole('region', { name: 'Questions from the computed demand' });
  await expect(
    questions.getByText(/From Banded bridge to Marching bridge is \d+\spoints, \d+\s% more/),
  ).toBeVisible();
  const thrust = questions.getByRole('listitem').filter({ hasText: 'Bodyweight hip thrust asks' });
  await expect(thrust).toContainText('points less than Marching bridge below it');
  await thrust.getByLabel('The reason, kept with the ladder').fill('The bench is where load will be added.');
  await thrust.getByRole('button', { name: 'Keep this reason' }).click();
  await expect(thrust).toContainText('Answered: The bench is where load will be added.');
  await page.reload();
  await expect(thrust).toContainText('Answered: The bench is where load will be added.');
  await page.getByRole('link', { name: /Revision 2, history/ }).click();
  await expect(page.getByText('Answers the demand: The bench is where load will be added.')).toBeVisible();

  await page.goto('/ladders/squat-ladder');
  await page.getByLabel('Show the parts').check();
  await expect(page.getByRole('listitem').filter({ hasText: 'knee share' }).first()).toContainText('balance');
  await page.getByLabel('What it asks of').selectOption({ label: 'Oskar Lindqvane' });
  await expect(page.getByText('points for Oskar Lindqvane')).toBeVisible();
  // A person's own limits are no question about the ladder: they lead to what would help.
  await expect(page.getByRole('region', { name: 'The ladder for Oskar Lindqvane' })).toBeVisible();
  await expect(page.getByLabel('The reason, kept with the ladder')).toHaveCount(0);
  await page.getByRole('button', { name: 'Spread over our people' }).click();
  await expect(page.getByText(/\d+ to \d+ for our \d/).first()).toBeVisible();
});

test('a coach’s reason becomes a proposal; a viewer sees the profile without people', async ({
  page,
  browser,
}) => {
  await signIn(page, 'coach');
  await page.goto('/ladders/bridge-ladder');
  const open = page.getByRole('listitem').filter({ hasText: 'What goes between?' }).first();
  await open.getByLabel('The reason, kept with the ladder').fill('The march goes between.');
  await open.getByRole('button', { name: 'Propose this reason' }).click();
  await expect(page.getByText('Proposed to the head coach.')).toBeVisible();
  const viewer = await another(browser, 'viewer');
  await viewer.goto('/ladders/squat-ladder');
  await expect(viewer.getByText(/^\d+ points$/).first()).toBeVisible();
  await expect(viewer.getByLabel('What it asks of')).toHaveCount(0);
  await viewer.goto('/body');
  await expect(viewer.getByText('Balances.')).toBeVisible();
  await viewer.context().close();
});

test('a ladder is a tree: a step is taken off as a branch, printed, climbed, and put back', async ({
  page,
}) => {
  await signIn(page, 'head');
  const signe = await idOf(page, 'Signe Larkhall');
  await page.goto('/ladders/lunge-ladder');
  await page.getByRole('button', { name: 'Change the stairs' }).click();
  const steps = page.getByRole('list', { name: 'Steps, from the easiest' });
  // Nobody loses the step under their feet.
  await steps.getByRole('button', { name: /^7\. Walking lunge/ }).click();
  await page.getByText('Take it off as a branch').click();
  await expect(page.getByText('Signe Larkhall stands there: move them first.')).toBeVisible();
  await steps.getByRole('button', { name: /^8\. Bulgarian split squat/ }).click();
  await page.getByText('Take it off as a branch').click();
  await page.getByLabel('Name of the branch').fill('Step-up');
  await expect(page.getByText('There is a ladder of that name.')).toBeVisible();
  await page.getByLabel('Name of the branch').fill('Rear foot raised');
  await page.getByRole('button', { name: 'Take it off', exact: true }).click();
  await expect(page.getByText(/^Branch Rear foot raised: Bulgarian split squat/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/^Branch Rear foot raised/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Redo' }).click();
  await page.getByLabel('Why this change').fill('Not everybody needs it.');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('lunge ladder, 8 levels')).toBeVisible();
  const flight = page.getByRole('region', { name: 'Branch Rear foot raised' });
  await expect(flight.getByRole('heading')).toHaveText(/^From step 7, once Walking lunge is held/);

  // On the poster it stands beside the step that it leaves from.
  await openJob(page, 'job=poster:lunge-ladder', 1);
  await expect(page.locator('[data-sheet]').getByText('Rear foot raised:')).toBeVisible();

  // Whoever holds that step opens the branch, and stands on both.
  const post = (path: string, data: object) =>
    page.request.post(path, { headers: { origin: new URL(page.url()).origin }, data });
  const up = { ladder: 'lunge-ladder', level: 'rear-up-loaded', reason: 'Strong.' };
  expect((await post(`/api/people/${signe}/place`, up)).ok()).toBe(true);
  await page.goto(`/people/${signe}`);
  await page.getByRole('button', { name: 'Open Rear foot raised' }).click();
  await expect(page.getByText(/Rear foot raised, level 1 of 1/)).toBeVisible();

  // With somebody on it the branch stays; on the trunk again it can be put back.
  await page.goto('/ladders/rear-foot-raised-ladder');
  await page.getByRole('button', { name: 'Change the stairs' }).click();
  await page.getByRole('button', { name: 'Put these steps back onto Lunge' }).click();
  await expect(page.getByText(/1 person stands on the level "rear-up"/)).toBeVisible();
});

import { expect, idOf, signIn, test } from './hall.ts';

interface Ladders {
  ladders: {
    ladder: { slug: string };
    standing: { taken: { to: number }[] } | null;
    decision: { outcome: string } | null;
  }[];
  sets: { lighter: boolean | null; sideTest: boolean }[];
}

test('a way on is confirmed with one tap on the floor, and the same sessions open no second one', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, 'head');
  const leni = await idOf(page, 'Leni Achterdijk');
  const on = async () =>
    ((await (await page.request.get(`/api/people/${leni}/ladders`)).json()) as Ladders).ladders.find(
      (l) => l.ladder.slug === 'bridge-ladder',
    )!;
  await page.goto(`/floor/session?people=${leni}`);
  await expect(page.getByText('2 × 10, rest 60 s')).toBeVisible();
  await expect(page.getByText(/^Last time: 1\d, 1\d on/)).toBeVisible();
  await page.getByRole('button', { name: 'Yes: 12 repetitions a set' }).click();
  await expect(page.getByText('2 × 12, rest 60 s')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Yes:/ })).toHaveCount(0);
  expect((await on()).standing!.taken).toMatchObject([{ to: 12 }]);

  // Decided otherwise, against the rule that evidence is used once.
  const { outcome } = (await on()).decision!;
  expect(outcome).not.toBe('grow');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`/people/${leni}`);
  await page.getByRole('button', { name: 'Decide otherwise' }).first().click();
  await page.getByLabel('Instead').selectOption('Grow here');
  await page.getByLabel('Why (kept with the evidence)').fill('She is eager.');
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await expect(page.getByText(/have opened a way on already; a further one needs new ones/)).toBeVisible();
  expect((await on()).standing!.taken).toHaveLength(1);
});

test('a set is marked as made lighter on purpose', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await signIn(page, 'head');
  const leni = await idOf(page, 'Leni Achterdijk');
  await page.goto(`/floor/session?people=${leni}`);
  await page.getByText('More about this set').click();
  const lighter = page.getByRole('group', { name: 'Lighter on purpose today' });
  await lighter.getByRole('button', { name: 'Yes' }).click();
  await page
    .getByRole('button', { name: /^Set .* done: watched, no fault/ })
    .first()
    .click();
  await expect(
    page.getByRole('region', { name: 'Logged today' }).getByText(/lighter on purpose/),
  ).toBeVisible();
  // Shown at once, kept a moment later.
  const kept = async () =>
    ((await (await page.request.get(`/api/people/${leni}/ladders`)).json()) as Ladders).sets;
  await expect.poll(async () => (await kept()).some((s) => s.lighter === true)).toBe(true);
});

test('a branch is opened by a press, and begins at its first level beside the trunk', async ({ page }) => {
  await signIn(page, 'head');
  const leni = await idOf(page, 'Leni Achterdijk');
  await page.goto('/ladders/bridge-ladder');
  const flight = page.getByRole('region', { name: 'Branch Side plank' });
  await expect(flight.getByRole('heading')).toHaveText(/^From step 1, once Glute bridge is held/);
  await page.goto(`/people/${leni}`);
  const branches = page.getByRole('region', { name: 'Branches' });
  await branches.getByRole('button', { name: 'Open Side plank' }).click();
  await expect(branches.getByRole('button', { name: 'Open Side plank' })).toHaveCount(0);
  const on = ((await (await page.request.get(`/api/people/${leni}/ladders`)).json()) as Ladders).ladders;
  expect(on.filter((l) => l.standing).map((l) => l.ladder.slug)).toEqual(
    expect.arrayContaining(['bridge-ladder', 'side-bridge-ladder']),
  );
  await page.goto(`/floor/session?people=${leni}`);
  await expect(page.getByRole('button', { name: /Side plank/ }).first()).toBeVisible();
});

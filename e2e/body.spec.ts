import type { Locator } from '@playwright/test';
import { another, expect, openPart, openPerson, signIn, test } from './hall.ts';

/** Moves a slider as the keyboard would, to its value. */
async function slide(slider: Locator, value: number): Promise<void> {
  await slider.fill(String(value));
}

/** Where the hip is drawn: the first of the marked joints. */
const hipOf = async (drawing: Locator) => {
  const hip = drawing.locator('.fig-joint').first();
  return { x: Number(await hip.getAttribute('cx')), y: Number(await hip.getAttribute('cy')) };
};

test('a coach sees the movement on its sheet and in the list, and plays it', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/library/variation/plain-squat');
  const drawing = page.getByRole('img', { name: /From the side, facing right\. Standing: .*thighs level/ });
  await expect(drawing).toBeVisible();
  await expect(page.getByRole('list', { name: 'Variations' }).locator('svg.fig-icon').first()).toBeVisible();
  const moving = page.locator('.fig-movement svg').nth(1);
  const before = await hipOf(moving);
  await page.getByRole('button', { name: 'Play in its tempo' }).click();
  await expect.poll(async () => (await hipOf(moving)).y).toBeLessThan(before.y - 5);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect.poll(async () => (await hipOf(moving)).y).toBe(before.y);
  await expect(page.getByText('no measure of injury risk')).toBeVisible();
  // What is next harder stands with its reason and leads there.
  await page.getByRole('button', { name: 'What can I give instead?' }).click();
  const instead = page.getByRole('region', { name: 'What can be given instead' });
  await expect(instead.getByText(/5\skg more/).first()).toBeVisible();
  await instead.getByRole('link', { name: 'Counterbalance squat' }).first().click();
  await expect(page.getByRole('heading', { name: 'Counterbalance squat', level: 1 })).toBeVisible();
});

test('nothing moves by itself for those who want no motion', async ({ browser }) => {
  const page = await another(browser, 'coach', { reducedMotion: 'reduce' });
  await page.clock.install();
  await page.goto('/library/variation/plain-squat');
  const moving = page.locator('.fig-movement svg').nth(1);
  const bottom = await hipOf(moving);
  await page.getByRole('button', { name: 'Play in its tempo' }).click();
  const seen = new Set<number>();
  for (let i = 0; i < 20; i++) {
    seen.add((await hipOf(moving)).y);
    await page.clock.runFor(120);
  }
  // Only the two ends, never a place between them.
  expect(seen.size).toBeLessThanOrEqual(2);
  expect([...seen].every((y) => y <= bottom.y)).toBe(true);
  await page.context().close();
});

test('in the body room a stiffer ankle makes the squat fall, with why and what helps', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/body?a=plain-squat');
  const a = page.getByRole('region', { name: 'Set-up A' });
  await expect(a.getByText('Balances.')).toBeVisible();
  const drawing = a.locator('svg.fig');
  const hip = await hipOf(drawing);
  const body = page.getByRole('region', { name: 'Body', exact: true });
  await slide(body.getByLabel('Thigh'), 1.1);
  await expect.poll(async () => (await hipOf(drawing)).x).not.toBe(hip.x);
  await page.getByRole('button', { name: 'Back to where it began' }).click();

  await slide(body.getByLabel('Ankle range'), 20);
  await expect(a.getByText(/Rolls back onto the heels: [\d.]+ cm short of balance/)).toBeVisible();
  await expect(a.getByText('The ankle stops the shin at 20°.')).toBeVisible();
  await expect(page.getByText(/Ankle range: 20° instead of 40°/)).toBeVisible();
  // The amounts that are known for this body: 3.5 kg, 4.5°, 33 N at a lean of 55°.
  await expect(
    page.getByText(/At a lean of 55°: 3\.5\skg held at arm’s length, .*heels on a wedge of 4\.5°/),
  ).toBeVisible();
  // Doing what it says makes it hold, and no moments were shown before that.
  const table = page.getByRole('table').first();
  await expect(table.getByRole('row', { name: /Hip, per leg/ })).toHaveCount(0);
  await slide(a.getByLabel('Heel wedge'), 5);
  await expect(a.getByText('Balances.')).toBeVisible();
  await expect(table.getByRole('row', { name: /Hip, per leg/ })).toBeVisible();
});

test('two set-ups stand side by side with differences, one sum and curves', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/body?a=back-squat');
  await page.getByRole('button', { name: 'The same again as B' }).click();
  const b = page.getByRole('region', { name: 'Set-up B' });
  await slide(b.getByLabel('Knee past toe'), 0);
  const row = (name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) });
  // The knee held back: less for the knee, more for the hip, one sum.
  const cells = async (name: string) =>
    (await row(name).getByRole('cell').allTextContents()).map((t) => Number.parseFloat(t.replace('−', '-')));
  const [hipA, hipB, hipBy] = await cells('Hip, per leg');
  const [kneeA, kneeB, kneeBy] = await cells('Knee, per leg');
  expect(hipB).toBeGreaterThan(hipA!);
  expect(kneeB).toBeLessThan(kneeA!);
  expect(Math.abs(hipBy! + kneeBy!)).toBeLessThanOrEqual(1);
  const sums = page.getByRole('region', { name: 'Knee and hip share one sum' }).getByText(/^\d+ N·m/);
  await expect(sums).toHaveCount(2);
  expect(await sums.nth(0).textContent()).toBe(await sums.nth(1).textContent());

  // A thrust loads the hips at the other end of the range.
  await page.getByLabel('Movement of set-up B').selectOption('A thrust');
  await expect(page.locator('.js-plotly-plot')).toBeVisible();
  await page.getByRole('button', { name: 'As a table' }).click();
  const curves = page.getByRole('region', { name: 'Moments over the range' });
  const line = async (percent: number) =>
    (
      await curves
        .getByRole('row', { name: new RegExp(`^${percent} `) })
        .getByRole('cell')
        .allTextContents()
    ).map((t) => Number.parseFloat(t.replace('−', '-')));
  const [low, high] = [await line(0), await line(100)];
  expect(low[0]).toBeGreaterThan(low[3]!);
  expect(high[0]).toBeLessThan(high[3]!);
});

test('the body room takes a person, and says what was not measured', async ({ page }) => {
  await signIn(page, 'coach');
  await openPerson(page, 'Oskar Lindqvane');
  await openPart(page, 'Body');
  await page.getByRole('link', { name: 'Open in the body room' }).click();
  const body = page.getByRole('region', { name: 'Body', exact: true });
  await expect(body.getByLabel('Whose')).toHaveValue(/.+/);
  await expect(body.getByText('37°')).toBeVisible();
  await body.getByLabel('Whose').selectOption({ label: 'Tomas Wrenfield' });
  await expect(body.getByText(/Not measured, so taken as usual: .*ankle range 40°/)).toBeVisible();
});

test('a disputed question shows what each answer asks of three builds', async ({ page }) => {
  await signIn(page, 'viewer');
  await page.goto('/library/houseQuestion/knee-travel');
  const asked = page.getByRole('region', { name: 'What the answers ask' });
  await expect(asked.getByText(/Unaided not possible for: short thighs, middle, long thighs/)).toBeVisible();
  await expect(asked.getByText(/At a lean of 55°: .* held at arm’s length/)).toBeVisible();
  const leans = asked.getByRole('row', { name: /^Lean/ }).nth(1).getByRole('cell');
  const [short, , long] = (await leans.allTextContents()).map((t) => Number.parseInt(t));
  expect(long).toBeGreaterThan(short!);
  await expect(asked.getByText('no measure of injury risk')).toBeVisible();
});

test('what load asks the same, and which movement serves a purpose with the kit that is there', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await page.goto('/body?a=bar-romanian&b=light-good-morning');
  const equal = page.getByRole('region', { name: 'Equal load' });
  const sentence = equal.getByText(/loads the low back like 37\.5\skg in Romanian deadlift: \d+ N·m/);
  await expect(sentence).toBeVisible();
  // On the back far less does the same, and the sentence says between what.
  const text = (await sentence.textContent())!;
  const [kg, low, high] = [...text.matchAll(/([\d.]+)\skg/g)].map((m) => Number(m[1]));
  expect(kg!).toBeLessThan(30);
  expect(low!).toBeLessThan(kg!);
  expect(high!).toBeGreaterThan(kg!);
  await expect(equal.getByText(/drifts from the body adds 3\.7 N·m/)).toBeVisible();

  await page.getByRole('link', { name: 'Which for this purpose?' }).click();
  await page.getByLabel('Wanted').selectOption('Hips: at the top');
  const rows = page.getByRole('row');
  await expect(rows.filter({ hasText: 'Hip thrust' }).first()).toBeVisible();
  await expect(rows.filter({ hasText: 'Back squat' })).toHaveCount(0);
  await page.getByLabel('Wanted').selectOption('Knees: front of the thigh');
  await page.getByLabel('Pattern').selectOption('Squat');
  await expect(rows.filter({ hasText: 'Back squat' }).first()).toBeVisible();
  // The address keeps what was asked; the trade of a foot distance is said in numbers.
  await page.getByLabel('Wanted').selectOption('Back of the thigh (hamstrings)');
  await page.getByLabel('Pattern').selectOption('Bridge');
  await page.reload();
  await expect(page.getByLabel('Wanted')).toHaveValue('back of the thigh');
  await page.getByText('What the distance of the feet does').first().click();
  await expect(page.getByText('← serves').first()).toBeVisible();
});

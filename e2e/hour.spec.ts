import { requestOf } from '../web/plan/request.ts';
import type { Page } from '@playwright/test';
import type { StoredHour } from '../contract/plan.ts';
import type { Today } from '../contract/session.ts';
import { another, expect, idOf, signIn, stranger, test } from './hall.ts';

/** Begins an hour as if it had begun so long ago: the tests do not wait for a warm-up. */
async function beganAgo(page: Page, address: string, id: string, seconds: number): Promise<void> {
  const at = `/api/plan/hours/${id}`;
  const hour = (await (await page.request.get(at)).json()) as StoredHour;
  const answer = await page.request.put(at, {
    headers: { origin: address },
    data: requestOf(hour, {
      startedAt: new Date(Date.parse(hour.at) - 1000 * seconds).toISOString(),
      endedAt: null,
    }),
  });
  expect(answer.ok()).toBe(true);
}

test('an hour for eight is planned, a rack breaks, and it is finished on the floor screen', async ({
  page,
  address,
  browser,
}) => {
  await signIn(page, 'coach');
  await page.goto('/floor');
  await page
    .getByRole('region', { name: 'Juniors' })
    .getByRole('link', { name: 'Plan this session' })
    .click();
  await expect(page.getByRole('heading', { name: 'Plan this session' })).toBeVisible();
  // The first plan, then its proof, while the page goes on.
  const status = page.getByText(/\d rounds? of/);
  await expect(status).toBeVisible();
  await expect(page.getByText(/No plan with \d rounds is better|points better is possible/)).toBeVisible({
    timeout: 20_000,
  });
  // Why here, and moved by hand: what breaks is told at once and it stays a wish.
  const wall = page.getByRole('table');
  await wall.getByRole('button', { name: /^Jonah Sprigg Front squat/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('heading', { name: 'Why here' })).toBeVisible();
  await expect(
    dialog
      .getByText('They are at another place in this round', { exact: false })
      .or(dialog.getByText('Nowhere would cost less.')),
  ).toBeVisible();
  await dialog.getByRole('button', { name: /^Round 2, Bar and rack/ }).click();
  await expect(wall.getByRole('button', { name: /^Jonah Sprigg Front squat/ })).toBeVisible();
  const second = wall
    .getByRole('row', { name: /^Bar and rack/ })
    .getByRole('cell')
    .nth(1);
  await expect(second.getByText('Jonah Sprigg')).toBeVisible({ timeout: 20_000 });

  // Half of the time and no rack: something is left out, with what would help.
  await page.getByRole('button', { name: 'Time, kit, coaches, people' }).click();
  await dialog.getByLabel('Minutes in all').fill('25');
  await dialog.getByRole('button', { name: 'Plan it with this' }).click();
  const left = page.getByRole('region', { name: 'What does not fit' });
  await expect(left).toBeVisible({ timeout: 20_000 });
  await expect(left.getByText(/minutes more: /).first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Time, kit, coaches, people' }).click();
  await dialog.getByLabel('Minutes in all').fill('60');
  await dialog.getByRole('button', { name: 'Plan it with this' }).click();
  await expect(page.getByText('Everything fits.', { exact: false })).toBeVisible({ timeout: 20_000 });

  await page.getByRole('button', { name: 'Put it on the wall' }).click();
  await expect(page).toHaveURL(/\/floor\/hours\//);
  const id = page.url().split('/').at(-1)!;
  await page.getByRole('button', { name: 'Begin with the warm-up' }).click();
  await expect(page.getByRole('heading', { name: 'Warm-up' })).toBeVisible();
  await expect(page.getByRole('timer')).toBeVisible();

  // A second screen of another of the staff shows the same, big.
  const screen = await another(browser, 'head');
  await screen.goto(`/floor/hours/${id}?big=1`);
  await expect(screen.getByRole('heading', { name: 'Warm-up' })).toBeVisible();

  // Racks break in the warm-up: only one is used, so two are missed by nobody; without any, what was there is left out by name.
  const otherwise = page.getByRole('status', { name: 'What is otherwise now' });
  for (const number of [2, 3, 1]) {
    await page.getByRole('button', { name: 'Something came between' }).click();
    await dialog.getByLabel('Kit').selectOption({ label: `Bar and rack ${number}` });
    await dialog.getByRole('button', { name: 'Is out of use' }).click();
    await expect(otherwise).toContainText(
      number > 1
        ? 'Nobody has to go elsewhere.'
        : /Jonah Sprigg, Front squat: round 2, Bar and rack.* → not in this hour/,
    );
    await page.getByRole('button', { name: 'Told everybody' }).click();
  }

  await beganAgo(page, address, id, 15 * 60);
  await page.reload();
  await expect(page.getByRole('heading', { name: /^Round 1 of/ })).toBeVisible();
  await expect(
    page
      .getByRole('table')
      .getByText(/works \d/)
      .first(),
  ).toBeVisible();
  await expect(screen.getByRole('heading', { name: /^Round 1 of/ })).toBeVisible({ timeout: 15_000 });

  // On the floor screen the session follows: round, place, whose turn.
  await page.getByRole('link', { name: 'Run this session' }).click();
  const band = page.getByRole('region', { name: 'The hour' });
  await expect(band.getByText(/^Round 1 of/)).toBeVisible();
  await page
    .getByRole('group', { name: 'Whose set' })
    .getByRole('button', { name: /Nele Sandbrook/ })
    .click();
  await expect(band.getByText(/Nele Sandbrook (works|rests|begins in|done)/)).toBeVisible();
  await page
    .getByRole('button', { name: /^Set .* done: watched, no fault/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'Logged today' }).getByText(/^Kept, by/)).toHaveCount(1);
  await band.getByRole('link').click();
  await page.getByRole('button', { name: 'End the hour' }).click();
  await expect(page.getByRole('heading', { name: 'Over' })).toBeVisible();
});

test('bad input: too many people are refused, what is typed beyond its bounds is put right', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await page.goto('/floor');
  await page
    .getByRole('region', { name: 'Juniors' })
    .getByRole('link', { name: 'Plan this session' })
    .click();
  await page.getByRole('button', { name: 'Time, kit, coaches, people' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Minutes in all').fill('-7');
  await dialog.getByLabel('Minutes in all').blur();
  await expect(dialog.getByLabel('Minutes in all')).toHaveValue('20');
  await dialog.getByLabel('Warm-up, minutes').fill('abc');
  await dialog.getByLabel('Warm-up, minutes').blur();
  await expect(dialog.getByLabel('Warm-up, minutes')).not.toHaveValue('abc');
  await page.goto('/floor/plan?people=7c1f9e3a-0000-4000-8000-000000000000');
  await expect(page.getByRole('alert')).toContainText('not yours to plan for');
  await page.goto('/floor/hours/7c1f9e3a-0000-4000-8000-000000000000');
  await expect(page.getByRole('alert')).toContainText('There is no such hour.');
});

test('a session of one person is ordered and timed, and shorter for 25 minutes', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto(`/floor/plan?people=${await idOf(page, 'Jonah Sprigg')}`);
  await expect(page.getByRole('heading', { name: 'Jonah Sprigg: a session alone' })).toBeVisible();
  const items = page.getByRole('listitem');
  await expect(items.first()).toContainText('Warm-up');
  const all = await items.count();
  await page.getByRole('button', { name: '25 minutes' }).click();
  await expect(page.getByText('No time for:', { exact: false })).toBeVisible();
  expect(await items.count()).toBeLessThan(all);
  const used = await page.getByText(/of 25:00 min are used/).textContent();
  expect(Number(/^(\d+):/.exec(used!)![1])).toBeLessThanOrEqual(25);
});

test('a warm-up is led on the phone: felt ends a drill, one is left out with its reason, all is written down', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, 'coach');
  const id = await idOf(page, 'Nele Sandbrook');
  await page.goto(`/floor/warm-up?people=${id}`);
  const led = page.getByRole('region', { name: 'Warm-up of Nele Sandbrook' });
  await expect(led.getByText(/^1 of \d+, pulse/)).toBeVisible();
  await led.getByRole('button', { name: 'Begin' }).click();
  await expect(led.getByRole('timer')).toBeVisible();
  // Felt after some seconds of work.
  await expect(led.getByText('Work', { exact: true })).toBeVisible({ timeout: 10_000 });
  const timer = led.getByRole('timer');
  const began = await timer.textContent();
  await expect(timer).not.toHaveText(began!);
  await led.getByRole('button', { name: 'Felt it: enough' }).click();
  await expect(led.getByText(/^2 of \d+/)).toBeVisible();
  await led.getByRole('button', { name: 'Leave it out' }).click();
  await led.getByRole('button', { name: 'no time' }).click();
  await expect(led.getByText(/^3 of \d+/)).toBeVisible();
  await expect(led.getByText(/Left out: .*\(no time\)/)).toBeVisible();
  // A reload changes nothing.
  await page.reload();
  await expect(led.getByText(/^3 of \d+/)).toBeVisible();
  await expect
    .poll(async () => {
      const today = (await (await page.request.get(`/api/today?people=${id}`)).json()) as Today;
      return today.people[0]!.sets.filter((s) => s.warmUp).map((s) => s.sensations?.length ?? 0);
    })
    .toEqual([1]);
});

test('a session at home with a chair and a rucksack, without a connection for a while, ended by pain', async ({
  browser,
  address,
}) => {
  const head = await another(browser, 'head');
  const id = await idOf(head, 'Jonah Sprigg');
  const made = await head.request.post(`/api/people/${id}/own-links`, {
    headers: { origin: address },
    data: { days: 2 },
  });
  const phone = await stranger(browser);
  const { pathname, hash } = new URL(((await made.json()) as { url: string }).url);
  await phone.goto(pathname + hash);
  await phone.getByRole('button', { name: 'At home, or on the road' }).click();
  await phone.getByRole('button', { name: 'a firm chair' }).click();
  await phone.getByRole('button', { name: 'a rucksack' }).click();
  const plan = phone.getByRole('region', { name: 'Your session' });
  await expect(
    plan.getByText('A filled rucksack held by its straps.', { exact: false }).first(),
  ).toBeVisible();
  await phone.getByRole('button', { name: '25 min' }).click();
  await expect(plan.getByRole('heading', { name: /^Your session, (1\d|2[0-5]) min/ })).toBeVisible();
  await plan.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(phone.getByRole('region', { name: 'Warm-up' })).toBeVisible();
  await phone.getByRole('button', { name: 'Warm: to the work' }).click();
  const write = phone.getByRole('button', { name: 'Write this set down' });
  await expect(write).toBeVisible();
  await expect(phone.getByText(/^Set 1 of/)).toBeVisible();
  // A set is kept without a connection, and the next one comes.
  await phone.context().setOffline(true);
  await write.click();
  await expect(phone.getByText('1 not sent yet', { exact: false })).toBeVisible();
  await expect(phone.getByText(/^Set (2 of|1 of .*right)/)).toBeVisible();
  await phone.context().setOffline(false);
  await expect(phone.getByText('1 not sent yet', { exact: false })).toHaveCount(0, { timeout: 25_000 });
  await expect(phone.getByRole('heading', { name: 'Written down today' })).toBeVisible();
  // Pain of 5 ends it there.
  const pain = phone.getByRole('group', { name: /^Pain, 0 to 10/ });
  await pain.getByRole('button', { name: '5' }).click();
  await expect(phone.getByText('Tell Mirela Ostrander', { exact: false })).toBeVisible();
  await phone.getByRole('button', { name: 'Write it down and end the session' }).click();
  await expect(phone.getByText('Your session ends here for today.', { exact: false })).toBeVisible();
  await expect(write).toHaveCount(0);
  await phone.reload();
  await expect(phone.getByText('Your session ends here for today.', { exact: false })).toBeVisible();
});

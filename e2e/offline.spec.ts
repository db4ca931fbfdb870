import { enter, expect, signIn, test } from './hall.ts';

test('a lost connection loses nothing: sets wait on the tablet and are sent once', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await enter(page, 'coach');
  await page.getByRole('link', { name: /Marta Quillon/ }).click();
  const log = page.getByRole('button', { name: /watched, no fault/ }).first();
  const today = page.getByRole('region', { name: 'Logged that day' });
  await expect(log).toBeVisible();
  const planned = Number(await page.getByRole('textbox', { name: 'Repetitions done' }).first().inputValue());
  await context.setOffline(true);
  await log.click();
  await expect(page.getByRole('button', { name: '1 not sent' })).toBeVisible();
  await log.click();
  await expect(page.getByRole('button', { name: '2 not sent' })).toBeVisible();
  await expect(today.getByText('Not sent yet')).toHaveCount(2);
  // A correction of what was never sent goes out as the newest edit.
  await today.getByRole('button', { name: 'Correct' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Repetitions done: 1 fewer' }).click();
  await dialog.getByRole('button', { name: /watched, no fault/ }).click();
  await expect(page.getByRole('button', { name: '2 not sent' })).toBeVisible();

  await context.setOffline(false);
  await expect(page.getByRole('button', { name: /not sent/ })).toHaveCount(0, { timeout: 20_000 });
  await page.reload();
  await expect(today.getByRole('button', { name: 'Correct' })).toHaveCount(2);
  await expect(today.getByText(`${planned - 1} repetitions`).first()).toBeVisible();
});

test('sets left on a closed tablet are sent when it is opened again', async ({ page, context }) => {
  await signIn(page, 'coach');
  await page.goto('/floor');
  await page.getByRole('link', { name: /Gudrun Pellworth/ }).click();
  const log = page.getByRole('button', { name: /watched, no fault/ }).first();
  await expect(log).toBeVisible();
  await context.route('**/api/sets/**', (route) => route.abort());
  await log.click();
  await expect(page.getByRole('button', { name: '1 not sent' })).toBeVisible();
  await page.close();
  await context.unroute('**/api/sets/**');
  const again = await context.newPage();
  await again.goto('/floor');
  await again.getByRole('link', { name: /Gudrun Pellworth/ }).click();
  await expect(again.getByRole('region', { name: 'Logged that day' }).getByText(/^Kept, by/)).toHaveCount(1, {
    timeout: 20_000,
  });
});

test('after the server has started anew, what no snapshot covers is sent again, and dropped once one does', async ({
  page,
}) => {
  await enter(page, 'coach');
  await page.getByRole('link', { name: /Tomas Wrenfield/ }).click();
  const log = page.getByRole('button', { name: /watched, no fault/ }).first();
  await expect(log).toBeVisible();
  let boot = 'first start';
  let snapshotAt: string | null = null;
  await page.route('**/api/heartbeat', (route) =>
    route.fulfill({ json: { boot, snapshotAt, now: new Date().toISOString() } }),
  );
  const puts: string[] = [];
  page.on('request', (r) => r.method() === 'PUT' && r.url().includes('/api/sets/') && puts.push(r.url()));
  /** The tablet asks how the server is, and has its answer. */
  const beat = async () => {
    const answer = page.waitForResponse('**/api/heartbeat');
    await page.evaluate(() => dispatchEvent(new Event('online')));
    await answer;
  };
  /** What the tablet keeps in one of its stores. */
  const kept = (store: 'parcels' | 'server') =>
    page.evaluate(
      (name) =>
        new Promise<unknown[]>((done, fail) => {
          const opening = indexedDB.open('meister-outbox');
          opening.onerror = () => fail(opening.error!);
          opening.onsuccess = () => {
            const all = opening.result.transaction(name).objectStore(name).getAll();
            all.onsuccess = () => {
              opening.result.close();
              done(all.result);
            };
          };
        }),
      store,
    );
  await log.click();
  await expect.poll(() => puts.length).toBe(1);
  await expect.poll(() => kept('parcels')).toMatchObject([{ state: 'sent' }]);
  await beat();
  await expect.poll(() => kept('server')).toEqual(['first start']);
  boot = 'second start';
  await beat();
  await expect.poll(() => puts.length).toBe(2);
  expect(puts[1]).toBe(puts[0]);
  await expect.poll(() => kept('server')).toEqual(['second start']);
  snapshotAt = new Date(Date.now() + 60_000).toISOString();
  await beat();
  await expect.poll(() => kept('parcels')).toEqual([]);
  boot = 'third start';
  await page.reload();
  await expect(
    page.getByRole('region', { name: 'Logged that day' }).getByRole('button', { name: 'Correct' }),
  ).toHaveCount(1);
  expect(puts).toHaveLength(2);
});

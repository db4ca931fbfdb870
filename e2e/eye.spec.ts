import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';
import type { PersonEye } from '../contract/eye.ts';
import type { Today } from '../contract/session.ts';
import { CHROMIUM_FLAGS, findChromium } from '../scripts/chromium.mjs';
import { check } from './axe/axe.ts';
import { expect, idOf, signIn, test } from './hall.ts';

/** Nothing of a picture, and no network, comes from or goes to another machine. */
function stayHere(page: Page, address: string): string[] {
  const outside: string[] = [];
  page.on('request', (r) => {
    if (!/^(data|blob):/.test(r.url()) && new URL(r.url()).host !== new URL(address).host)
      outside.push(r.url());
  });
  return outside;
}

/** Whoever is before the simulated camera, read as a clip; gives what was measured. */
async function simulated(
  page: Page,
  { reps, fault, view = 'the side' }: { reps: number; fault?: string; view?: string },
): Promise<Locator> {
  await page.getByRole('button', { name: 'Simulated camera' }).click();
  const camera = page.getByRole('region', { name: 'Simulated camera' });
  await camera.getByRole('button', { name: view }).click();
  await camera.getByLabel('What goes wrong').selectOption(fault ? { label: fault } : '');
  await camera.getByRole('textbox', { name: 'Repetitions' }).fill(String(reps));
  await camera.getByRole('button', { name: 'As a clip, every frame' }).click();
  await page.getByRole('button', { name: 'I did not watch' }).click({ timeout: 150_000 });
  return page.getByRole('region', { name: 'Measured' });
}

test.describe.configure({ timeout: 240_000 });

test('a set is measured: consent first, evidence with bands, taken over by hand, and it says measured', async ({
  page,
  address,
}) => {
  const outside = stayHere(page, address);
  await signIn(page, 'relief');
  const id = await idOf(page, 'Mads Overbeck');
  await page.goto(`/floor/measure?person=${id}`);
  // Without a word of theirs there is no camera; a guardian has to be named.
  await expect(page.getByRole('heading', { name: /agree to be measured/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Simulated camera' })).toHaveCount(0);
  await page.getByLabel('Under age: a guardian says it').check();
  await page.getByRole('button', { name: 'The guardian agrees' }).click();
  await expect(page.getByText('needs the word of a guardian', { exact: false })).toBeVisible();
  await page.getByLabel('Guardian, and how they said it').fill('His mother, in writing');
  await page.getByRole('button', { name: 'The guardian agrees' }).click();

  // A sound set: nothing is invented, and nothing of the simulated camera can be written down.
  const measured = await simulated(page, { reps: 3 });
  await expect(measured.getByRole('heading', { name: '3 repetitions, seen from the side' })).toBeVisible();
  await expect(measured.getByRole('row')).toHaveCount(4);
  await expect(measured.getByText('nothing', { exact: true })).toHaveCount(3);
  await expect(measured.getByText('Not yet checked on people here', { exact: false })).toBeVisible();
  await expect(measured.getByText('Not measurable in this view:', { exact: false })).toContainText(
    'knees closer',
  );
  await expect(measured.getByText('Nothing of the simulated camera is written down.')).toBeVisible();
  await expect(measured.getByRole('button', { name: 'Write the set down' })).toHaveCount(0);

  // Frame by frame: a heel that stays down is followed and told so; a joint put right is one frame's.
  await measured.getByText('Frame by frame', { exact: false }).click();
  await measured.getByRole('slider').fill('3');
  await measured.getByLabel('What is placed').selectOption('heel');
  const frame = measured.getByRole('application', { name: /^Picture/ });
  const size = (await frame.boundingBox())!;
  // The simulated camera stands so that the shoes are a little over the lower edge, left of the middle.
  await frame.click({ position: { x: 0.4 * size.width, y: 0.86 * size.height } });
  await measured.getByRole('button', { name: 'Follow the heel from this frame' }).click();
  await expect(measured.getByText('The heel is followed: see the table.')).toBeVisible({ timeout: 60_000 });
  await expect(measured.getByRole('columnheader', { name: 'Heel comes up, at least' })).toBeVisible();
  await expect(measured.getByText('0 cm ± 0.2')).toHaveCount(3);
  await measured.getByLabel('What is placed').selectOption('right knee');
  await frame.click({ position: { x: 0.5 * size.width, y: 0.5 * size.height } });
  await expect(measured.getByText('Joints put right in 1 frame.')).toBeVisible();
  await measured.getByRole('button', { name: 'All away, as it was found' }).click();
  await expect(measured.getByText('No joint is put right.')).toBeVisible();
  await check(page);

  const files = ['TRC', 'C3D', 'CSV', 'JSON'] as const;
  const folder = await mkdtemp(path.join(tmpdir(), 'meister-track-'));
  try {
    // Each file comes back as the same set.
    for (const kind of files) {
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        measured.getByRole('button', { name: kind, exact: true }).click(),
      ]);
      await download.saveAs(path.join(folder, download.suggestedFilename()));
    }
    expect((await readFile(path.join(folder, 'track.trc'), 'utf8')).split('\n')[3]).toContain('right_knee');
    await writeFile(path.join(folder, 'bad.trc'), 'nothing of a track');
    await measured.getByRole('button', { name: 'Measure again' }).click();
    await page.getByRole('button', { name: 'A landmark file' }).click();
    const file = page.getByLabel('TRC, C3D, CSV or JSON');
    await file.setInputFiles(path.join(folder, 'bad.trc'));
    await expect(page.getByText('bad.trc: Line 1: this is no TRC file. Nothing was read.')).toBeVisible();
    for (const kind of files) {
      if (kind !== 'TRC') await measured.getByRole('button', { name: 'Measure again' }).click();
      await file.setInputFiles(path.join(folder, `track.${kind.toLowerCase()}`));
      await page.getByRole('button', { name: 'I did not watch' }).click();
      await expect(measured.getByRole('heading', { name: /^3 repetitions, seen/ })).toBeVisible();
    }
  } finally {
    await rm(folder, { recursive: true, force: true });
  }

  // Nothing is taken over by itself; a picture that nobody agreed to cannot be kept.
  const reps = measured.getByLabel('3 repetitions, 3 of them without anything seen');
  await expect(reps).not.toBeChecked();
  await expect(measured.getByLabel(/Pictures: nobody agreed/)).toBeDisabled();
  await expect(measured.getByRole('button', { name: 'Write the set down' })).toBeDisabled();
  await reps.check();
  await measured.getByLabel('Keep the track of the joints').check();
  await measured.getByRole('button', { name: 'Write the set down' }).click();
  await expect(page.getByText('written down as measured', { exact: false })).toBeVisible();
  await expect
    .poll(async () => {
      const today = (await (await page.request.get(`/api/today?people=${id}`)).json()) as Today;
      return today.people[0]!.sets.map((s) => [s.measuredBy, s.watched, s.doneReps]);
    })
    .toEqual([['landmark file', false, 3]]);
  const kept = async () => (await (await page.request.get(`/api/people/${id}/eye`)).json()) as PersonEye;
  await expect
    .poll(async () => (await kept()).measurements.map((m) => [m.reps.length, m.hasTrack]))
    .toEqual([[3, true]]);

  // Taken back, the track is gone and the numbers stay.
  await page.goto(`/people/${id}?part=measured`);
  await page.getByRole('button', { name: 'It is taken back' }).click();
  await page.getByRole('button', { name: 'Take it back and delete them' }).click();
  await expect(page.getByText('Refused or taken back', { exact: false })).toBeVisible();
  expect((await kept()).measurements.map((m) => [m.reps.length, m.hasTrack])).toEqual([[3, false]]);
  expect(outside).toEqual([]);
});

test('what goes wrong is found where it can be seen', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto(`/floor/measure?person=${await idOf(page, 'Zelda Marchbanks')}`);
  const faulty = await simulated(page, { reps: 4, fault: 'Knee falls inward', view: 'the front' });
  await expect(faulty.getByRole('heading', { name: '4 repetitions, seen from the front' })).toBeVisible();
  await expect(faulty.getByText('knees closer than in the first ones', { exact: true })).toHaveCount(2);
});

test('joints are placed on a picture by hand and by keys, and bad files are refused', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto(`/floor/measure?person=${await idOf(page, 'Zelda Marchbanks')}`);
  await page.getByRole('button', { name: 'A picture, points by hand' }).click();
  const pick = page.getByLabel('Picture (JPEG, PNG, WebP)');
  await pick.setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
  await expect(page.getByText('This picture cannot be opened here', { exact: false })).toBeVisible();
  await pick.setInputFiles({ name: 'shot.png', mimeType: 'image/png', buffer: await page.screenshot() });
  const picture = page.getByRole('application', { name: /^Picture/ });
  const place = async (name: string, x: number, y: number) => {
    await page
      .getByRole('group', { name: 'Place' })
      .getByRole('button', { name: new RegExp(`^${name}( ✓)?$`) })
      .click();
    await picture.click({ position: { x, y } });
  };
  await place('hip', 100, 150);
  await place('knee', 200, 150);
  await place('ankle', 200, 250);
  // Thigh level, shin upright, knee at a right angle.
  const shows = (name: string) => page.getByText(name, { exact: true }).locator('..');
  await expect(shows('Thigh below level')).toContainText(/[0-1]° ± 2.5/);
  await expect(shows('Shin from upright')).toContainText('0° ± 2.5');
  await expect(shows('Knee bent')).toContainText(/(89|90|91)° ± 2.5/);
  await picture.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(shows('Shin from upright')).toContainText('10° ± 2.5');
});

test('a check at the faults desk takes what a picture measures before and with it', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto(`/faults?person=${await idOf(page, 'Zelda Marchbanks')}&of=plain-squat`);
  await page.getByText('Knee runs far ahead').click();
  await page.getByRole('button', { name: /^What to do/ }).click();
  const first = page.getByText('Check first instead');
  if (await first.isVisible()) await first.click();
  const next = page.getByRole('region', { name: 'Check next' });
  await next.getByRole('button', { name: /^Measure it/ }).click();
  const dialog = page.getByRole('dialog');
  const buffer = await page.screenshot();
  for (const [shot, kneeX] of [
    ['before', 160],
    ['with the check', 140],
  ] as const) {
    await dialog.getByRole('button', { name: shot, exact: true }).click();
    await dialog
      .locator('input[type=file]:visible')
      .setInputFiles({ name: 'shot.png', mimeType: 'image/png', buffer });
    for (const [joint, x, y] of [
      ['knee', kneeX, 140],
      ['ankle', 120, 200],
    ] as const) {
      await dialog.getByRole('button', { name: new RegExp(`^${joint}( ✓)?$`) }).click();
      await dialog.getByRole('application').click({ position: { x, y } });
    }
  }
  await expect(dialog.getByRole('status')).toContainText(
    /Shin from upright: 3[34]° before, 1[89]° with the check/,
  );
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  // What it means a coach says.
  await next.getByRole('button', { name: /^Better/ }).click();
  await expect(page.getByRole('region', { name: 'So far' })).toContainText('Shin from upright 3');
});

test('the coach’s eye: clips are judged, right or not, and scored', async ({ page }) => {
  await signIn(page, 'coach');
  await page.goto('/faults/eye');
  const clip = page.getByRole('region', { name: 'Clip' });
  for (let i = 1; i <= 3; i++) {
    await clip.getByRole('group', { name: 'What do you see?' }).getByRole('button').last().click();
    await expect(clip.getByText(/^(Yes|Not so)\./)).toBeVisible();
    await clip.getByRole('button', { name: 'Next clip' }).click();
    await expect(page.getByRole('heading', { name: `How well you see, ${i} clips` })).toBeVisible();
  }
  // The third has nothing wrong in it, and so it was right to say so.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'How well you see, 3 clips' })).toBeVisible();
  await expect(
    page.getByRole('region', { name: 'How well you see' }).getByText('too few clips').first(),
  ).toBeVisible();
});

test('a real stream through a camera of the browser counts the repetitions', async ({ page, address }) => {
  await signIn(page, 'coach');
  // What the simulated camera shows becomes the file of a real one: thirty frames a second, as it is always played.
  await page.goto(`/floor/measure?person=${await idOf(page, 'Zelda Marchbanks')}`);
  await page.getByRole('button', { name: 'Simulated camera' }).click();
  await page.getByRole('button', { name: 'As a camera, live' }).click();
  await page.getByText('frames a second looked at', { exact: false }).waitFor({ timeout: 60_000 });
  const frames = await page.evaluate(async () => {
    const video = document.querySelector('video')!;
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [video.videoWidth, video.videoHeight];
    const paper = canvas.getContext('2d')!;
    const list: string[] = [];
    const began = performance.now();
    while (performance.now() - began < 12_000) {
      await new Promise((next) => setTimeout(next, 60));
      paper.drawImage(video, 0, 0);
      const shot = canvas.toDataURL('image/jpeg', 0.8).split(',')[1]!;
      const due = Math.floor(((performance.now() - began) / 1000) * 30);
      // The same picture stands for the time that it was seen.
      while (list.length < due) list.push(shot);
    }
    return list;
  });
  // Two that look at once would halve the frames of each.
  await page.getByRole('button', { name: 'Another way' }).click();
  const folder = await mkdtemp(path.join(tmpdir(), 'meister-camera-'));
  const file = path.join(folder, 'camera.mjpeg');
  await writeFile(file, Buffer.concat(frames.map((f) => Buffer.from(f, 'base64'))));
  const browser = await chromium.launch({
    executablePath: findChromium() ?? undefined,
    args: [
      ...CHROMIUM_FLAGS,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-video-capture=${file}`,
    ],
  });
  try {
    const own = await (await browser.newContext({ baseURL: address })).newPage();
    await signIn(own, 'coach');
    await own.goto(`/floor/measure?person=${await idOf(own, 'Zelda Marchbanks')}`);
    await own.getByRole('button', { name: 'Open the camera' }).click();
    await own.getByRole('button', { name: 'Begin the set' }).click({ timeout: 60_000 });
    await expect(own.getByRole('region', { name: 'Camera' }).getByText(/^[2-9] repetitions$/)).toBeVisible({
      timeout: 60_000,
    });
    await own.getByRole('button', { name: 'The set is done' }).click();
    await own.getByRole('button', { name: 'I did not watch' }).click();
    await expect(own.getByRole('heading', { name: /^[2-9] repetitions, seen/ })).toBeVisible();
  } finally {
    await browser.close();
    await rm(folder, { recursive: true, force: true });
  }
});

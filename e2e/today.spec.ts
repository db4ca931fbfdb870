import { enter, expect, signIn, test, openPart } from './hall.ts';

test('today shows everybody with what is next, what to watch, and the questions before work', async ({
  page,
}) => {
  await signIn(page, 'coach');
  await page.goto('/floor');
  const juniors = page.getByRole('region', { name: 'Juniors' });
  const pascal = juniors.getByRole('listitem').filter({ hasText: 'Pascal Ouderkerk' }).first();
  await expect(pascal).toContainText('each side');
  await expect(pascal.getByText('Knee falls inward', { exact: false }).first()).toBeVisible();
  await expect(pascal.getByText('Cue that failed', { exact: false }).first()).toBeVisible();
  const zelda = page
    .getByRole('region', { name: 'Masters crew' })
    .getByRole('listitem')
    .filter({ hasText: 'Zelda Marchbanks' })
    .first();
  await expect(zelda.getByText(/Barred: deep positions, jumps and landings/).first()).toBeVisible();
  await expect(zelda.getByRole('button', { name: 'Ask before work' })).toBeVisible();
  await zelda.getByRole('button', { name: 'Ask before work' }).click();
  const dialog = page.getByRole('dialog');
  await dialog
    .getByRole('group', { name: /^Pain now/ })
    .getByRole('button', { name: '2', exact: true })
    .click();
  await expect(dialog.getByText('No move up while pain is fresh.', { exact: false })).toBeVisible();
  await dialog
    .getByRole('group', { name: /^At ease/ })
    .getByRole('button', { name: '7', exact: true })
    .click();
  await dialog.getByRole('button', { name: 'Keep the answers' }).click();
  await expect(zelda.getByText('pain 2, at ease 7', { exact: false })).toBeVisible();
  await expect(zelda.getByRole('button', { name: 'Ask before work' })).toHaveCount(0);
  // Pain said before work stands in the way of every move up.
  await expect(zelda.getByText('Move up', { exact: true })).toHaveCount(0);
  // Somebody is away, and comes back.
  const emre = page
    .getByRole('region', { name: 'Masters crew' })
    .getByRole('listitem')
    .filter({ hasText: 'Emre Dunmorrow' })
    .first();
  await emre.getByRole('button', { name: 'Absent today' }).click();
  await expect(emre.getByRole('button', { name: 'Is here' })).toBeVisible();
  await emre.getByRole('button', { name: 'Is here' }).click();
  await expect(emre.getByRole('button', { name: 'Absent today' })).toBeVisible();
  // The rack is taken: what now, one tap away.
  await pascal
    .getByRole('link', { name: /taken: what instead\?/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'What can I give instead?' })).toBeVisible();
});

test('the overview says who is ready, stuck, overridden, uneven, and leads to the person', async ({
  page,
}) => {
  await enter(page, 'head');
  await page.getByRole('link', { name: 'Overview' }).click();
  const section = (name: string) => page.getByRole('region', { name });
  await expect(section('Ready to move up').getByRole('link', { name: 'Jonah Sprigg' }).first()).toBeVisible();
  await expect(section('Stuck beyond the usual stay')).toContainText('Pascal Ouderkerk');
  await expect(section('Decided otherwise')).toContainText('Lunged for years on her own');
  await expect(section('Sides that differ')).toContainText('% apart');
  await expect(section('Faults again and again')).toContainText('Knee falls inward');
  await page.getByRole('button', { name: 'Rescue volunteers' }).click();
  await expect(section('Ready to move up').getByRole('link', { name: 'Jonah Sprigg' })).toHaveCount(0);
  await section('Decided otherwise').getByRole('link', { name: 'Yara Quillfeather' }).click();
  await expect(page.getByRole('heading', { name: 'Yara Quillfeather', level: 1 })).toBeVisible();
  await openPart(page, 'Log');
  const chart = page.getByRole('region', { name: 'Measures over time' });
  await expect(chart.locator('.js-plotly-plot')).toBeVisible();
  await chart.getByText('The same as a table').click();
  await expect(chart.getByRole('row').nth(1)).toBeVisible();
});

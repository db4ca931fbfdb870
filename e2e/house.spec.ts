import { another, expect, openPart, openPerson, signIn, test } from './hall.ts';

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
  await expect(page.getByText('Go on down for as long as the low back stays long.')).toBeVisible();
  await expect(page.getByText('Stop where a cup would stand on your thighs.')).toHaveCount(0);
  await expect(page.getByText('Goes deeper than this level asks')).toHaveCount(0);
  await page.goto('/print?job=full:plain-squat');
  await expect(page.locator('[data-sheet]')).toBeVisible();
  await expect(page.getByText('Stop where a cup would stand on your thighs.')).toHaveCount(0);
  await page.goto('/ladders/squat-ladder');
  await page
    .getByRole('button', { name: /Bodyweight squat/ })
    .first()
    .click();
  await expect(page.getByText('2 sets of 12 clean repetitions, in 2 sessions running')).toBeVisible();

  // One athlete is answered otherwise, and it is written beside the hall's answer.
  await openPerson(page, 'Leni Achterdijk');
  await openPart(page, 'Pain, restrictions, faults');
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
  await expect(page.getByText('Now a fault: Goes deeper than this level asks.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Put it in force' }).click();
  await expect(page.getByRole('row', { name: /The hall Level first/ }).first()).toBeVisible();
});

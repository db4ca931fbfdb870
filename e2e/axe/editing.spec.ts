import { expect } from '../hall.ts';
import { check, checkViews, heading, test } from './axe.ts';

checkViews([
  ['/library/variation/bench-thrust/edit', (p) => p.getByRole('complementary', { name: 'Beside the sheet' })],
  [
    '/library/ladder/bench-extension-ladder/edit',
    (p) => p.getByRole('complementary', { name: 'Beside the sheet' }),
  ],
  ['/library/variation/bench-thrust/edit?at=Execution', (p) => p.getByLabel('Top, s')],
  ['/library/variation/bench-thrust/edit?at=Mechanics', (p) => p.getByRole('slider').first()],
  ['/library/new/variation?from=bench-thrust', (p) => p.getByRole('button', { name: 'Write it' })],
  ['/library/questions', (p) => p.getByRole('radio').first()],
  ['/library/newer', heading('A newer edition of the library')],
  ['/library/cue/tray/history', heading(/^Revision 1/)],
  ['/library/cue/tray/merge', heading('One wording for two cues')],
  [
    '/library/cue/floor-away-one-heel/merge?keep=push-floor-away',
    (p) => p.getByText('Rewired in one change:'),
  ],
  ['/library/health', (p) => p.getByRole('link', { name: 'Merge them' })],
  ['/changes', heading('Changes')],
]);

test('the stairs taken apart', async ({ page }) => {
  await page.goto('/ladders/bench-extension-ladder');
  await page.getByRole('button', { name: 'Change the stairs' }).click();
  await expect(page.getByRole('list', { name: 'Steps, from the easiest' })).toBeVisible();
  await check(page);
});

import { another, expect, stranger } from '../hall.ts';
import { check, checkViews, heading, test } from './axe.ts';

checkViews([
  [
    '/print?job=floor:one-leg-lift,full:box-squat,handout:box-squat',
    (p) => p.locator('[data-sheet="handout:box-squat"]'),
  ],
  [
    '/print?job=log:one-leg-lift,warm-up:back-squat,poster:bridge-ladder',
    (p) => p.locator('[data-sheet="poster:bridge-ladder"]'),
  ],
  ['/scan?job=floor:one-leg-lift&state=1', heading(/This paper is/)],
  ['/shares', heading('Shared links')],
]);

test('a shared link', async ({ browser, address }) => {
  const head = await another(browser, 'head');
  const share = await head.request.post('/api/shares', {
    headers: { origin: address },
    data: { job: 'handout:box-squat,floor:box-squat', person: null, days: 1 },
  });
  const phone = await stranger(browser);
  const { pathname, hash } = new URL(((await share.json()) as { url: string }).url);
  await phone.goto(pathname + hash);
  await expect(phone.locator('[data-sheet="floor:box-squat"]')).toBeVisible();
  await check(phone);
});

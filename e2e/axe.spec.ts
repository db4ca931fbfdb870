import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import type { Person } from '../contract/people.ts';
import { signIn } from './hall.ts';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** WCAG 2.2 AA on every main view, light and dark. */
for (const scheme of ['light', 'dark'] as const) {
  test(`axe finds nothing to mend, ${scheme}`, async ({ browser }) => {
    test.setTimeout(400_000);
    const page = await (await browser.newContext({ colorScheme: scheme })).newPage();
    const check = async (name: string) => {
      const { violations } = await new AxeBuilder({ page }).withTags(TAGS).analyze();
      const found = violations.map((v) => ({
        rule: v.id,
        at: v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)),
      }));
      expect({ name, found }).toEqual({ name, found: [] });
    };
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible();
    await check('sign-in');
    await signIn(page, 'head');
    const people = (await (await page.request.get('/api/people')).json()) as Person[];
    const person = people.find((p) => p.name === 'Oskar Lindqvane')!;
    const paths = [
      '/floor',
      `/floor/${person.id}`,
      `/floor/session?people=${person.id},${people.find((p) => p.name === 'Zelda Marchbanks')!.id}`,
      '/faults',
      `/faults?person=${person.id}&of=one-leg-lift&pattern=bridge`,
      '/faults/rate',
      '/faults/report',
      '/faults/report?part=where',
      '/faults/report?part=agreement',
      '/overview',
      '/sets',
      '/people',
      `/people/${person.id}`,
      `/people/${people.find((p) => p.name === 'Bram Hollis')!.id}`,
      '/library',
      '/library/variation/bench-thrust',
      '/library?kind=cue',
      '/library?q=squat&pattern=squat',
      '/library/variation/back-squat?instead=yes&without=bar-and-rack',
      '/library/cue/tray',
      '/library/cue/tray/merge',
      '/library/cue/floor-away-one-heel/merge?keep=push-floor-away',
      '/library/health',
      '/library/fault/ribs-flare',
      '/library/houseQuestion/breathing',
      '/library/variation/bench-thrust/edit',
      '/library/ladder/bench-extension-ladder/edit',
      '/library/cue/tray/history',
      '/library/houseQuestion/knee-travel',
      '/body?a=back-squat&b=bench-thrust',
      '/ladders',
      '/ladders/bridge-ladder',
      '/changes',
      '/hall',
      '/print?job=floor:one-leg-lift,full:box-squat,handout:box-squat',
      '/print?job=log:one-leg-lift,warm-up:back-squat,poster:bridge-ladder',
      '/scan?job=floor:one-leg-lift&state=1',
      '/shares',
      `/floor/${person.id}/paper?of=one-leg-lift`,
    ];
    const share = await page.request.post('/api/shares', {
      headers: { origin: new URL(page.url()).origin },
      data: { job: 'handout:box-squat,floor:box-squat', person: null, days: 1 },
    });
    const { url } = (await share.json()) as { url: string };
    paths.push(new URL(url).pathname);
    for (const path of paths) {
      await page.goto(path);
      await page.waitForLoadState('networkidle');
      await expect(page.getByText(/^(Reading|Opening|One moment)/)).toHaveCount(0);
      await check(path);
    }
    await page.goto(`/floor/session?people=${person.id}`);
    await page.getByRole('button', { name: 'Start the clock' }).click();
    await expect(page.getByRole('timer')).toBeVisible();
    await check('the clock running');
    await page.getByRole('button', { name: 'Stop' }).click();
    for (const name of ['Fault', 'Felt', 'Pain']) {
      await page.getByRole('button', { name, exact: true }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      await check(`the set at hand: ${name}`);
      await page.keyboard.press('Escape');
    }
    await page.goto(`/faults?person=${person.id}&of=one-leg-lift&pattern=bridge`);
    await page.getByRole('list', { name: 'Signs' }).getByRole('button').first().click();
    await page.getByRole('button', { name: /^What now/ }).click();
    await expect(page.getByRole('region', { name: 'Likely causes' })).toBeVisible();
    await check('the next step at the desk');
    await page.goto('/ladders/bench-extension-ladder');
    await page.getByRole('button', { name: 'Change the stairs' }).click();
    await expect(page.getByRole('list', { name: 'Steps, from the easiest' })).toBeVisible();
    await check('the stairs taken apart');
    const own = await page.request.post(`/api/people/${person.id}/own-links`, {
      headers: { origin: new URL(page.url()).origin },
      data: { days: 1 },
    });
    await page.goto(new URL(((await own.json()) as { url: string }).url).pathname);
    await expect(page.getByRole('heading', { name: person.name })).toBeVisible();
    await check('a personal link');
    await page.goto('/people');
    await page.getByRole('button', { name: 'Go to' }).click();
    await expect(page.getByPlaceholder('A name, a variation, a room, an action')).toBeVisible();
    await check('command bar');
  });
}

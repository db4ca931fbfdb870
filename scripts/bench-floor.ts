import type { Page } from '@playwright/test';
import type { Person } from '../contract/people.ts';
import { high, middle, show } from './measure.ts';

const PEOPLE = [
  'Nele Sandbrook',
  'Mads Overbeck',
  'Jonah Sprigg',
  'Wiebke Tarrant',
  'Emre Dunmorrow',
  'Ida Farrow',
];

/** From a tap to the picture on the screen, ms: the frame after it has been drawn and handed over. */
const taps = (page: Page, names: readonly string[], times: number) =>
  page.evaluate(
    async ([all, n]) => {
      const button = (name: string) =>
        [...document.querySelectorAll<HTMLButtonElement>('main button')].find((b) =>
          (b.ariaLabel ?? b.textContent).includes(name),
        );
      const painted = () =>
        new Promise<void>((done) =>
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => done();
            channel.port2.postMessage(null);
          }),
        );
      const taken: number[] = [];
      for (let i = 0; i < n; i++) {
        await painted();
        const target = button(all[i % all.length]!);
        if (!target) throw new Error(`There is no button "${all[i % all.length]}".`);
        const start = performance.now();
        target.click();
        await painted();
        taken.push(performance.now() - start);
      }
      return taken;
    },
    [[...names], times] as const,
  );

/** Taps on the floor with six people in session and a clock running. */
export async function benchFloor(page: Page, base: string): Promise<void> {
  const people = (await (await page.request.get(`${base}/api/people`)).json()) as Person[];
  const ids = PEOPLE.map((name) => people.find((p) => p.name === name)!.id);
  await page.setViewportSize({ width: 820, height: 1180 });
  await page.goto(`${base}/floor/session?people=${ids.join(',')}&who=${ids[0]}`);
  await page.getByRole('button', { name: 'Start the clock' }).click();
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(500);
  console.log('\nTap to paint, six people in session, a clock running');
  const frame = middle(
    await page.evaluate(async () => {
      const frames: number[] = [];
      for (let i = 0; i < 30; i++) {
        const start = performance.now();
        await new Promise((r) => requestAnimationFrame(r));
        frames.push(performance.now() - start);
      }
      return frames;
    }),
  );
  show('one frame of this screen', frame);
  for (const [name, buttons] of [
    ['one repetition more', ['1 more']],
    ['another person', PEOPLE],
    ['set done', ['done: watched']],
  ] as const) {
    const taken = await taps(page, buttons, 40);
    show(`${name}: median`, middle(taken), ['a frame', frame]);
    show(`${name}: 95th percentile`, high(taken), ['a frame', frame]);
  }
}

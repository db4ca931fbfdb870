// Drawn clips of thirty movements, with and without faults, through the network that the application uses: counts,
// errors against the truth in their bands, what was found. Takes some twenty minutes: node --import tsx scripts/eye-clips.ts
import { chromium } from '@playwright/test';
import { createServer } from 'vite';
import type { FaultShows } from '../core/library/index.ts';
import { isComputed } from '../core/posture/index.ts';
import { REPERTOIRE } from '../core/testing/repertoire.ts';
import { CHROMIUM_FLAGS, findChromium } from './chromium.mjs';
import type { Clip, ClipResult } from './eye-clips-page.ts';

const shows = (of: Partial<FaultShows>) => ({ view: 'side', at: 0.9, ...of }) as FaultShows;
const standing = REPERTOIRE.filter(
  ({ name, mechanics: m }) =>
    isComputed(m) &&
    (m.type === 'squat' || m.type === 'lunge') &&
    !/^(Lateral|Side lunge|Low step|High step)/.test(name),
);
const others = REPERTOIRE.filter(
  ({ mechanics: m }) => isComputed(m) && (m.type === 'hinge' || m.type === 'bridge' || m.type === 'lift'),
);
const clips: Clip[] = [
  ...standing.map(({ name }): Clip => ({ name, view: 'side', shows: null })),
  ...others.map(({ name }): Clip => ({ name, view: 'side', shows: null })),
  ...standing.slice(4, 10).flatMap(({ name }): Clip[] => [
    { name, view: 'side', shows: shows({ trunkDeg: 26 }) },
    { name, view: 'side', shows: shows({ shinDeg: 14, thighDeg: -8 }) },
    { name, view: 'side', shows: null, reach: 0.5 },
    { name, view: 'front', shows: null },
    { name, view: 'front', shows: shows({ view: 'front', kneesInDeg: 15 }) },
  ]),
  ...others.slice(0, 3).map(({ name }): Clip => ({ name, view: 'side', shows: null, reach: 0.5 })),
];
const only = process.argv[2] ? clips.filter((_, i) => i % Number(process.argv[2]) === 0) : clips;

const server = await createServer({
  configFile: 'vite.config.ts',
  root: '.',
  // An edit meanwhile changes nothing of a run.
  server: { port: 0, hmr: false, watch: null },
  logLevel: 'error',
});
await server.listen();
const browser = await chromium.launch({ executablePath: findChromium() ?? undefined, args: CHROMIUM_FLAGS });
const page = await browser.newPage();
await page.goto(`${server.resolvedUrls!.local[0]}scripts/eye-clips.html`);
await page.waitForFunction('window.runClip', null, { timeout: 120_000 });
let wrong = 0;
for (const clip of only) {
  const r = await page.evaluate(
    (c) => (window as unknown as { runClip: (c: Clip) => Promise<ClipResult> }).runClip(c),
    clip,
  );
  const bad = [
    r.reps === r.wanted ? '' : `COUNT ${r.reps} of ${r.wanted}`,
    r.worst && r.worst.error > r.worst.band ? `BEYOND ITS BAND ${r.worst.quantity}` : '',
    r.lowering && r.lowering.worst > r.lowering.band ? 'PHASE BEYOND ITS BAND' : '',
    !clip.shows && clip.reach === undefined && r.found.length > 0 ? 'INVENTED' : '',
    (clip.shows || clip.reach !== undefined) && r.found.length === 0 ? 'NOT FOUND' : '',
  ].filter(Boolean);
  wrong += bad.length > 0 ? 1 : 0;
  console.log(
    [
      `${r.name}, ${r.view}${r.fault ? `, ${r.fault}` : ''}`,
      r.worst
        ? `worst ${r.worst.quantity} ${r.worst.error.toFixed(2)} of ±${r.worst.band}`
        : 'nothing measured',
      r.lowering ? `lowering ${r.lowering.worst.toFixed(2)} of ±${r.lowering.band} s` : '',
      r.found.join('; ') || 'nothing found',
      `${r.msPerFrame.toFixed(0)} ms a frame`,
      bad.join(', ') || 'as it should',
    ].join(' · '),
  );
}
console.log(`${only.length} clips, ${wrong} not as they should`);
await browser.close();
await server.close();
process.exit(0);

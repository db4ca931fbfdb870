// Drawn clips of thirty movements, with and without faults, through the network that the application uses: counts,
// errors against the truth in their bands, what was found. Takes an hour:
// node --import tsx scripts/eye-clips.ts [every so many] [folder for the tracks]
import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import type { FaultShows } from '../core/library/index.ts';
import { isComputed } from '../core/posture/index.ts';
import { REPERTOIRE } from '../core/testing/repertoire.ts';
import { clipPage } from './clip-page.ts';
import type { Clip } from './eye-clips-page.ts';

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
const FAULTS: readonly Omit<Clip, 'name'>[] = [
  { view: 'side', shows: shows({ trunkDeg: 26 }), expects: 'trunk leans more' },
  { view: 'side', shows: shows({ shinDeg: 14, thighDeg: -8 }), expects: 'knees run ahead' },
  { view: 'side', shows: null, reach: 0.5, expects: 'range short' },
  { view: 'side', shows: shows({ heelsDeg: 17 }), expects: 'heels lift' },
  { view: 'front', shows: shows({ view: 'front', kneesInDeg: 15 }), expects: 'knees fall in' },
  { view: 'front', shows: null },
];
// Each movement once as it should be, and with two of the faults in turn.
const clips: Clip[] = [
  ...standing.flatMap(({ name }, i): Clip[] => [
    { name, view: 'side', shows: null },
    ...[0, 1].map((k) => ({ name, ...FAULTS[(2 * i + k) % FAULTS.length]! })),
  ]),
  ...others.map(({ name }): Clip => ({ name, view: 'side', shows: null })),
  ...others.slice(0, 3).map(({ name }): Clip => ({ name, ...FAULTS[2]! })),
];
const every = Number(process.argv[2] ?? 1);
const only = clips.filter((_, i) => i % every === 0);
/** Where the tracks are kept, so that rules can be tried on them without the network. */
const folder = process.argv[3];
if (folder) await mkdir(folder, { recursive: true });

const page = await clipPage();
let wrong = 0;
for (const [i, clip] of only.entries()) {
  const r = await page.run(clip);
  if (folder) await writeFile(path.join(folder, `${i}.json`), JSON.stringify({ clip, track: r.track }));
  const bad = [
    r.reps === r.wanted ? '' : `COUNT ${r.reps} of ${r.wanted}`,
    r.worst && r.worst.error > r.worst.band ? `BEYOND ITS BAND ${r.worst.quantity}` : '',
    r.lowering && r.lowering.worst > r.lowering.band ? 'PHASE BEYOND ITS BAND' : '',
    !clip.shows && clip.reach === undefined && r.found.length > 0 ? 'INVENTED' : '',
    clip.expects && !r.found.some((f) => f.startsWith(clip.expects ?? '')) ? `NOT FOUND ${clip.expects}` : '',
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
await page.close();
process.exit(0);

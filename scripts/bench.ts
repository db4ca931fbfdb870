import { doorFor, judge } from '../core/floor/index.ts';
import { sql } from 'drizzle-orm';
import { openEmbedded, schema } from '../server/db/index.ts';
import { loadDemo } from '../server/demo/index.ts';
import { shelfInForce } from '../server/library/index.ts';
import { overview, recordsOf } from '../server/log/index.ts';
import { personList } from '../server/people/index.ts';
import { buildOf, REFERENCE_BUILD } from '../core/body/index.ts';
import type { Build } from '../core/body/index.ts';
import { DemandMemory, demandOf, kendallTau } from '../core/demand/index.ts';
import { readFileSync } from 'node:fs';
import type { LibraryFile } from '../core/exchange/index.ts';
import { laddersOf, resolveMechanics, shelfOf } from '../core/library/index.ts';
import { shippedLibraryFile } from '../server/library/index.ts';
import { hinge, lunge, rangeOf, squatAt, squatFixed } from '../core/posture/index.ts';
import type { Computed } from '../core/posture/index.ts';
import { COMPUTED } from '../core/testing/repertoire.ts';
import { seeded } from '../core/testing/seeded.ts';
import { benchDesk } from './bench-desk.ts';
import { benchFloor } from './bench-floor.ts';
import { benchKit } from './bench-kit.ts';
import { benchLibrary } from './bench-library.ts';
import { benchLoad } from './bench-load.ts';
import { benchLog } from './bench-log.ts';
import { benchPlacement } from './bench-placement.ts';
import { benchEye } from './bench-eye.ts';
import { benchPlan } from './bench-plan.ts';
import { findChromium } from './chromium.mjs';
import { demoServer } from './demo-server.ts';
import { high, median, middle, show } from './measure.ts';

// Absolute figures and, within this one run, what they are in multiples of a plain alternative.

// ---- The body model: everything on one core, in this one run.
console.log('The body model');
const perSecond = (name: string, n: number, work: (i: number) => unknown) => {
  for (let i = 0; i < n / 5; i++) work(i);
  const start = performance.now();
  for (let i = 0; i < n; i++) work(i);
  const s = (performance.now() - start) / 1000;
  console.log(
    `${name.padEnd(58)} ${Math.round(n / s)
      .toString()
      .padStart(9)} a second`,
  );
  return (1000 * s) / n;
};
const fixed = squatFixed(REFERENCE_BUILD, {});
const onePosture = perSecond('squats, closed form', 400_000, (i) => squatAt(fixed, i % 90));
perSecond('hinges, bar held back, searched', 20_000, (i) =>
  hinge(REFERENCE_BUILD, { carry: 'held back', loadKg: 50, trunkDeg: i % 80 }),
);
perSecond('lunges', 20_000, (i) => lunge(REFERENCE_BUILD, { trunkDeg: i % 40 }));
const movements = COMPUTED.map((m) => m.mechanics as Computed);
// Nothing is kept of them, as in the worker: kept postures would teach the engine to place all later ones in old space.
const sweeps = await median(5, () => {
  for (const m of movements) rangeOf(REFERENCE_BUILD, m, { steps: 60 });
});
show(`a 60-step sweep, mean of ${movements.length} movements`, sweeps / movements.length, [
  'one squat posture',
  onePosture,
]);

// Not a speed: how far demand and each ladder's own order agree.
console.log("Kendall's tau between a ladder's order and the demand of its levels, reference build");
const shelf = shelfOf((JSON.parse(readFileSync(shippedLibraryFile, 'utf8')) as LibraryFile).documents);
const variationOf = new Map(shelf.all('variation').map((v) => [v.slug, v]));
for (const ladder of laddersOf(shelf)) {
  const points = ladder.levels.flatMap((level) => {
    const d = demandOf(REFERENCE_BUILD, resolveMechanics(variationOf.get(level.main)!, shelf));
    return d.kind === 'measured' ? [d.points] : [];
  });
  const tau = kendallTau(points);
  if (tau !== null) {
    console.log(
      `  ${ladder.name.padEnd(32)} ${tau.toFixed(2).padStart(6)}   ${points.map((p) => p.toFixed(0)).join(' ')}`,
    );
  }
}

/** People with proportions of their own; with none measured, most share one entry. */
function crowd(n: number, measured: boolean): Build[] {
  const random = seeded(7);
  return Array.from({ length: n }, () => {
    const statureM = 1.5 + 0.5 * random();
    const vary = (share: number) => share * statureM * (0.95 + 0.1 * random());
    return buildOf({
      statureM,
      massKg: 50 + 50 * random(),
      ...(measured ? { measured: { thigh: vary(0.245), shank: vary(0.246), hipShoulder: vary(0.288) } } : {}),
    });
  });
}
const demands = (builds: Build[], list: Computed[]) => {
  const memory = new DemandMemory(1_000_000);
  const start = performance.now();
  for (const b of builds) for (const m of list) memory.of(b, m);
  return performance.now() - start;
};
demands(crowd(20, true), movements);
const small = demands(crowd(50, true), movements);
const all500 = demands(crowd(500, true), movements);
show(`${movements.length} movements × 50 people, all measured`, small);
show(`${movements.length} movements × 500 people, all measured`, all500, [`${movements.length} × 50`, small]);
const half = movements.slice(0, Math.floor(movements.length / 2));
show(`${half.length} movements × 500 people, all measured`, demands(crowd(500, true), half), [
  'the whole',
  all500,
]);
show(`${movements.length} movements × 500 people, usual proportions`, demands(crowd(500, false), movements), [
  'all measured',
  all500,
]);

console.log('\nThe hall');
const opened = performance.now();
const { db, close } = await openEmbedded(null);
show('open a fresh embedded database from the template', performance.now() - opened);
const loading = performance.now();
await loadDemo(db, new Date('2026-11-24T12:00:00Z'));
show('load the demo hall', performance.now() - loading);

const today = '2026-11-24';
const inForce = await shelfInForce(db);
const ladder = inForce.shelf.get('ladder', 'bridge-ladder')!;
const people = await personList(db);
console.log(`${people.length} people, ${await db.$count(schema.loggedSet)} sets`);

const plain = await median(15, () =>
  db.execute(sql`select session_id, sum(done_reps) from logged_set group by session_id`),
);
show('plain aggregate over all sets', plain);
const all = await median(15, () =>
  overview(
    db,
    { inForce, today },
    people.map((person) => ({ person, hold: 'looks after' as const, door: doorFor(true) })),
  ),
);
show('every person on every ladder, evidence and decision', all, ['the plain aggregate', plain]);
const own = (await recordsOf(db, { inForce, today }, [people[0]!.id]))(people[0]!.id);
show('one decision, records in memory', await median(200, () => judge({ inForce, today }, ladder, own)));
await close();

benchPlacement();
await benchPlan();
await benchEye();
await benchKit();
await benchDesk();

await benchLog();

await benchLoad();

await benchLibrary();

// ---- A slider of the body room in a real browser: solving, two figures, tables, layout.
if (findChromium()) {
  const { base, browser, close: end } = await demoServer();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(base);
    await page.getByRole('button', { name: '(head coach)' }).click();
    await page.getByRole('navigation', { name: 'Rooms' }).waitFor();
    for (const [name, query] of [
      ['squat and thrust', 'a=back-squat&b=bench-thrust'],
      ['hinge and lunge', 'a=bar-romanian&b=rear-foot-up'],
    ]) {
      await page.goto(`${base}/body?${query}`);
      await page.locator('.js-plotly-plot').waitFor();
      const times = await page.evaluate(() => {
        const slider = document.querySelectorAll<HTMLInputElement>(
          'section[aria-label="Body"] input[type=range]',
        )[2]!;
        const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!;
        const taken: number[] = [];
        for (let i = 0; i < 60; i++) {
          const start = performance.now();
          value.set?.call(slider, String(0.9 + (i % 40) * 0.005));
          // React renders a discrete event before dispatching returns; the layout is forced after it.
          slider.dispatchEvent(new Event('input', { bubbles: true }));
          document.body.getBoundingClientRect();
          taken.push(performance.now() - start);
        }
        return taken;
      });
      show(`a slider move, ${name}: median`, middle(times));
      show(`a slider move, ${name}: 95th percentile`, high(times), ['the median', middle(times)]);
    }
    await benchFloor(page, base);
  } finally {
    await end();
  }
} else console.log('No Chromium: the slider of the body room and taps on the floor were not measured.');

import { buildOf } from '../core/body/index.ts';
import { holesFor, runsFor } from '../core/floor/index.ts';
import type { RunPerson } from '../core/floor/index.ts';
import {
  CURVE,
  boughtIn,
  greedy,
  loadsOn,
  programOf,
  rampOver,
  recount,
  shareBar,
  warmUpLoads,
} from '../core/kit/index.ts';
import type { BarKit, Wish } from '../core/kit/index.ts';
import { shelfOf } from '../core/library/index.ts';
import type { ShelfInForce } from '../core/library/index.ts';
import { piece } from '../core/testing/kit.ts';
import { seeded } from '../core/testing/seeded.ts';
import { readFile } from 'node:fs/promises';
import { demoPieces } from '../server/demo/kit.ts';
import { shippedLibraryFile } from '../server/library/index.ts';
import type { LibraryFile } from '../core/exchange/index.ts';
import { solve } from '../server/solve.ts';
import { high, median, middle, show } from './measure.ts';

const TODAY = '2026-11-24';
const PEOPLE = 500;

const HALL: BarKit = {
  unit: 'kg',
  barT: 20_000,
  collarsT: 0,
  plates: [
    [25, 1],
    [20, 3],
    [15, 2],
    [10, 3],
    [5, 3],
    [2.5, 3],
    [1.25, 2],
  ].map(([kg, pairs]) => ({ massT: 1000 * kg!, pairs: pairs! })),
};

/** Bars, what can be run and purchases: absolute, and against a plain alternative of the same run. */
export async function benchKit(): Promise<void> {
  console.log('\nThe kit');
  const plain = await median(20, () => loadsOn(HALL));
  show('every load of a bar with seven kinds of plates', plain);
  const work = 140_000;
  const ramp = () => rampOver(HALL, [...warmUpLoads(HALL, work).map((w) => w.totalT), work]);
  show('a ramp to 140 kg with fewest moves', await median(20, ramp), ['every load', plain]);
  const three = [60_000, 80_000, 100_000].map((t, i) => ({
    id: String(i),
    loadsT: Array<number>(5).fill(t),
  }));
  show('three people with five sets each on one bar', await median(10, () => shareBar(HALL, three)), [
    'every load',
    plain,
  ]);

  const { documents } = JSON.parse(await readFile(shippedLibraryFile, 'utf8')) as LibraryFile;
  const poor = demoPieces(TODAY, seeded(1)).filter(
    (p) => !['thrust-bench', 'extension-bench', 'plyo-box'].includes(p.equipment),
  );
  const none = ['thrust-bench', 'extension-bench', 'plyo-box'].map((e) => piece(e, { count: 0 }));
  const of = (pieces: Parameters<typeof shelfOf>[1] & object): ShelfInForce => ({
    state: 1,
    shelf: shelfOf(documents, pieces),
    revisions: new Map(),
  });
  const rich = of({ pieces: demoPieces(TODAY, seeded(1)), today: TODAY, unit: 'kg' });
  const random = seeded(5);
  const ladders = rich.shelf.all('ladder');
  const people: RunPerson[] = Array.from({ length: PEOPLE }, (_, i) => ({
    id: String(i),
    body: {
      build: buildOf({ statureM: 1.5 + 0.5 * random(), massKg: 50 + 50 * random() }),
      worn: { soleM: 0.025 },
    },
    restrictions: [],
    answers: {},
    levels: Object.fromEntries(
      ladders
        .filter(() => random() < 0.3)
        .map((l) => [l.slug, l.levels[Math.floor(random() * l.levels.length)]!.id]),
    ),
  }));
  runsFor(rich, people.slice(0, 5), TODAY);
  const few = await median(3, () => runsFor(rich, people.slice(0, 50), TODAY));
  const all = await median(3, () => runsFor(rich, people, TODAY));
  const levels = runsFor(rich, people.slice(0, 1), TODAY).length;
  show(`what can be run: 50 people × ${levels} levels`, few);
  show(`what can be run: ${PEOPLE} people × ${levels} levels`, all, ['50 people', few]);

  const hall = of({ pieces: [...poor, ...none], today: TODAY, unit: 'kg' });
  const wishes: Wish[] = Array.from({ length: 60 }, (_, i) => {
    const kind = ['thrust-bench', 'plyo-box', 'extension-bench', 'flat-seat', 'low-step', 'dumbbells'][
      i % 6
    ]!;
    const heightM = 0.15 + 0.01 * Math.floor(45 * random());
    return {
      id: String(i),
      price: 10 + Math.floor(190 * random()),
      piece:
        kind === 'extension-bench'
          ? piece(kind, {
              form: 'adjustable',
              sizes: { fromM: 0.6 + 0.2 * random(), toM: 1.05, stepM: 0.05 },
            })
          : kind === 'dumbbells'
            ? piece(kind, { form: 'weight', sizes: { mass: 2 + i }, count: 2 })
            : piece(kind, { form: 'height', sizes: { heightM } }),
    };
  });
  const sixty = people.slice(0, 60);
  const holes = holesFor(hall, sixty, wishes, TODAY);
  const found = await median(3, () => holesFor(hall, sixty, wishes, TODAY));
  show(`closed levels of 60 people, 60 wishes (${holes.length} kinds of holes)`, found);
  const price = wishes.reduce((sum, w) => sum + w.price, 0);
  const [quick, exact]: [number[], number[]] = [[], []];
  const shares: number[] = [];
  for (const share of CURVE.slice(1)) {
    const budget = share * price;
    let start = performance.now();
    const near = recount(holes, wishes, greedy(holes, wishes, budget));
    quick.push(performance.now() - start);
    start = performance.now();
    const best = await solve(programOf(holes, wishes, budget), { timeS: 10 });
    exact.push(performance.now() - start);
    const most = recount(holes, wishes, boughtIn(best.values!, wishes));
    if (!best.optimal) console.log(`  ${Math.round(budget)}: not worked out to the end`);
    if (most.weight > 0) shares.push(near.weight / most.weight);
  }
  show('a budget by gain for price, median', middle(quick));
  show('the same solved, median', middle(exact), ['by gain for price', middle(quick)]);
  show('the same solved, 95th percentile', high(exact), ['by gain for price', middle(quick)]);
  console.log(`  by gain for price reaches ${(100 * Math.min(...shares)).toFixed(1)} % of the best at least`);
}

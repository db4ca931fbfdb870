/** A kind of plate: what one weighs, and how many pairs of it there are. Whole grams, so that sums are exact. */
export interface PlatePairs {
  massG: number;
  pairs: number;
}

/** A bar with what may be put on it; both sides are always loaded alike. */
export interface BarKit {
  barG: number;
  /** Both collars together. */
  collarsG: number;
  plates: readonly PlatePairs[];
}

/** What lies on one side of the bar, the heaviest inside. */
export type Stack = readonly number[];

/** A load as it is put on: in all, and the plates of one side. */
export interface Loading {
  totalG: number;
  side: Stack;
}

const MOST_KINDS = 20;
const MOST_PAIRS = 20;
/** No side carries more, and no hall has plates of so many odd masses: beyond it the sums would grow without end. */
const MOST_SIDE_G = 300_000;
const MOST_SUMS = 20_000;

/** @throws RangeError for a mass that is no whole number of grams, a count that is none, or more than can be owned */
function checked({ barG, collarsG, plates }: BarKit): PlatePairs[] {
  const whole = (n: number) => Number.isInteger(n) && n >= 0;
  if (!whole(barG) || !whole(collarsG)) throw new RangeError('A bar and its collars weigh whole grams.');
  if (plates.length > MOST_KINDS) throw new RangeError(`More than ${MOST_KINDS} kinds of plates.`);
  for (const { massG, pairs } of plates) {
    if (!whole(massG) || massG === 0) throw new RangeError('A plate weighs whole grams.');
    if (!whole(pairs) || pairs > MOST_PAIRS)
      throw new RangeError(`More than ${MOST_PAIRS} pairs of a plate.`);
  }
  return [...plates].filter((p) => p.pairs > 0).sort((a, b) => b.massG - a.massG);
}

/** Of two stacks of one load the one with fewer plates; of as many the one with the heavier plates. */
function isBetter(a: Stack, b: Stack): boolean {
  if (a.length !== b.length) return a.length < b.length;
  const i = a.findIndex((m, at) => m !== b[at]);
  return i >= 0 && a[i]! > b[i]!;
}

/** For every sum that one side can have, the stack with the fewest plates. @throws RangeError for too many sums */
function fewestPlates(kit: BarKit): ReadonlyMap<number, Stack> {
  let best = new Map<number, Stack>([[0, []]]);
  for (const { massG, pairs } of checked(kit)) {
    const next = new Map<number, Stack>();
    for (const [sum, stack] of best) {
      for (let n = 0; n <= pairs; n++) {
        const to = sum + n * massG;
        if (to > MOST_SIDE_G) break;
        const made = n === 0 ? stack : [...stack, ...Array<number>(n).fill(massG)];
        const known = next.get(to);
        if (!known || isBetter(made, known)) next.set(to, made);
      }
    }
    if (next.size > MOST_SUMS) throw new RangeError('Too many plates of odd masses to work out every load.');
    best = next;
  }
  return best;
}

const loadingOf = ({ barG, collarsG }: BarKit, side: Stack): Loading => ({
  totalG: barG + (side.length > 0 ? collarsG : 0) + 2 * side.reduce((sum, m) => sum + m, 0),
  side,
});

/** Every load that can be put on, from the empty bar up, each with the fewest plates. */
export function loadsOn(kit: BarKit): Loading[] {
  const byTotal = new Map<number, Loading>();
  for (const stack of fewestPlates(kit).values()) {
    const l = loadingOf(kit, stack);
    const known = byTotal.get(l.totalG);
    if (!known || isBetter(stack, known.side)) byTotal.set(l.totalG, l);
  }
  return [...byTotal.values()].sort((a, b) => a.totalG - b.totalG);
}

/** A load that was asked for: what is put on, never more than was asked, and the next that there is above it. */
export interface Loadable {
  /** null: even the empty bar is heavier. */
  below: Loading | null;
  exact: boolean;
  /** null: nothing heavier can be put on. */
  aboveG: number | null;
}

/** @param wantedG in all, bar and collars counted */
export function loadFor(kit: BarKit, wantedG: number): Loadable {
  const loads = loadsOn(kit);
  const below = loads.filter((l) => l.totalG <= wantedG).at(-1) ?? null;
  return {
    below,
    exact: below?.totalG === wantedG,
    aboveG: loads.find((l) => l.totalG > wantedG)?.totalG ?? null,
  };
}

/** Plates taken off and put on, on one side, from one stack to the next: what lies inside of both stays. */
export function movesBetween(from: Stack, to: Stack): number {
  let same = 0;
  while (same < from.length && same < to.length && from[same] === to[same]) same++;
  return from.length - same + (to.length - same);
}

/** So many stacks of one load are looked at; beyond that those with the fewest plates. */
const MOST_STACKS = 400;

/** Every stack that weighs so much on one side, those with fewer plates first. */
function stacksOf(plates: readonly PlatePairs[], sideG: number): Stack[] {
  const found: Stack[] = [];
  const put = (i: number, leftG: number, stack: Stack): void => {
    if (leftG === 0) {
      found.push(stack);
      return;
    }
    const p = plates[i];
    if (!p || found.length > 20 * MOST_STACKS) return;
    for (let n = Math.min(p.pairs, Math.floor(leftG / p.massG)); n >= 0; n--)
      put(i + 1, leftG - n * p.massG, n === 0 ? stack : [...stack, ...Array<number>(n).fill(p.massG)]);
  };
  put(0, sideG, []);
  return found.sort((a, b) => a.length - b.length).slice(0, MOST_STACKS);
}

/** Loads one after another on one bar, with what is done between them. */
export interface Ramp {
  steps: (Loading & { moves: number })[];
  /** Plates handled on one side in all, beginning with the empty bar. */
  moves: number;
}

/**
 * Loads in their order with the fewest plates taken off and put on: a ramp of one person, or the turns of several who
 * share the bar. Exact over all stacks of each load (Viterbi, Error bounds for convolutional codes, 1967: the cheapest
 * way through layers); of as many moves the fewest plates.
 * @param totalsG loads that exist
 * @throws RangeError for a load that cannot be put on
 */
export function rampOver(kit: BarKit, totalsG: readonly number[]): Ramp {
  const plates = checked(kit);
  const A_PLATE = 0.001;
  interface Way {
    stack: Stack;
    cost: number;
    before: Way | null;
  }
  let ways: Way[] = [{ stack: [], cost: 0, before: null }];
  for (const totalG of totalsG) {
    const bare = totalG === kit.barG;
    const sideG = bare ? 0 : (totalG - kit.barG - kit.collarsG) / 2;
    const stacks = sideG >= 0 && Number.isInteger(sideG) ? stacksOf(plates, sideG) : [];
    if (stacks.length === 0) throw new RangeError(`A load of ${totalG} g cannot be put on this bar.`);
    ways = stacks.map((stack) => {
      let best: Way | null = null;
      for (const w of ways) {
        const cost = w.cost + movesBetween(w.stack, stack) + A_PLATE * stack.length;
        if (!best || cost < best.cost) best = { stack, cost, before: w };
      }
      return best!;
    });
  }
  let last = ways.reduce((a, b) => (b.cost < a.cost ? b : a));
  const stacks: Stack[] = [];
  for (; last.before; last = last.before) stacks.unshift(last.stack);
  const steps = stacks.map((side, i) => ({
    ...loadingOf(kit, side),
    moves: movesBetween(stacks[i - 1] ?? [], side),
  }));
  return { steps, moves: steps.reduce((sum, s) => sum + s.moves, 0) };
}

/** Shares of the work and repetitions of a warm-up with a bar (common practice, no source). */
const WARM_UP = [
  { share: 0.5, reps: 5 },
  { share: 0.7, reps: 3 },
  { share: 0.85, reps: 2 },
] as const;
const EMPTY_BAR_REPS = 8;
const LEAST_STEP = { g: 10_000, share: 0.1 };
const LEAST_BELOW_WORK = { g: 5_000, share: 0.08 };

/**
 * The loads before the work, from the empty bar up, each one that exists and none worth leaving out: at least 10 kg or a
 * tenth of the work above the one before, and 5 kg or 8 % below the work (common practice, no source).
 * @param workG a load that exists
 */
export function warmUpLoads(kit: BarKit, workG: number): { totalG: number; reps: number }[] {
  const ramp = [{ totalG: kit.barG, reps: EMPTY_BAR_REPS }];
  const step = Math.max(LEAST_STEP.g, LEAST_STEP.share * workG);
  const gap = Math.max(LEAST_BELOW_WORK.g, LEAST_BELOW_WORK.share * workG);
  for (const { share, reps } of WARM_UP) {
    const totalG = loadFor(kit, share * workG).below?.totalG ?? 0;
    if (totalG - ramp.at(-1)!.totalG >= step && workG - totalG >= gap) ramp.push({ totalG, reps });
  }
  return ramp.filter((r) => r.totalG < workG);
}

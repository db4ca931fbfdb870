import { kgOf } from '../terms/index.ts';
import type { MassUnit } from '../terms/index.ts';

/**
 * A kind of plate: what one weighs, and how many pairs of it there are. All masses here are whole thousandths of the unit
 * in which the bar is marked (grams, or thousandths of a pound), so that sums are exact and a pound stays a pound.
 */
export interface PlatePairs {
  massT: number;
  pairs: number;
}

/** A bar with what may be put on it; both sides are always loaded alike. */
export interface BarKit {
  unit: MassUnit;
  barT: number;
  /** Both collars together. */
  collarsT: number;
  plates: readonly PlatePairs[];
}

/** A mass in the thousandths that the bar is reckoned in. */
export const inBarUnit = (kg: number, { unit }: Pick<BarKit, 'unit'>): number =>
  Math.round((1000 * kg) / kgOf(1, unit));

/** What lies on one side of the bar, the heaviest inside. */
export type Stack = readonly number[];

/** A load as it is put on: in all, and the plates of one side. */
export interface Loading {
  totalT: number;
  side: Stack;
}

const MOST_KINDS = 20;
const MOST_PAIRS = 20;
/** No side carries more, and no hall has plates of so many odd masses: beyond it the sums would grow without end. */
const MOST_SIDE_T = { kg: 300_000, lb: 660_000 };
const MOST_SUMS = 6_000;

/** @throws RangeError for a mass that is no whole number of thousandths, a count that is none, or more than can be owned */
function checked({ barT, collarsT, plates }: BarKit): PlatePairs[] {
  const whole = (n: number) => Number.isInteger(n) && n >= 0;
  if (!whole(barT) || !whole(collarsT))
    throw new RangeError('A bar and its collars weigh whole thousandths.');
  if (plates.length > MOST_KINDS) throw new RangeError(`More than ${MOST_KINDS} kinds of plates.`);
  for (const { massT, pairs } of plates) {
    if (!whole(massT) || massT === 0) throw new RangeError('A plate weighs whole thousandths.');
    if (!whole(pairs) || pairs > MOST_PAIRS)
      throw new RangeError(`More than ${MOST_PAIRS} pairs of a plate.`);
  }
  return [...plates].filter((p) => p.pairs > 0).sort((a, b) => b.massT - a.massT);
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
  for (const { massT, pairs } of checked(kit)) {
    const next = new Map<number, Stack>();
    for (const [sum, stack] of best) {
      for (let n = 0; n <= pairs; n++) {
        const to = sum + n * massT;
        if (to > MOST_SIDE_T[kit.unit]) break;
        const made = n === 0 ? stack : [...stack, ...Array<number>(n).fill(massT)];
        const known = next.get(to);
        if (!known || isBetter(made, known)) next.set(to, made);
      }
    }
    if (next.size > MOST_SUMS) throw new RangeError('Too many plates of odd masses to work out every load.');
    best = next;
  }
  return best;
}

const loadingOf = ({ barT, collarsT }: BarKit, side: Stack): Loading => ({
  totalT: barT + (side.length > 0 ? collarsT : 0) + 2 * side.reduce((sum, m) => sum + m, 0),
  side,
});

const known = new WeakMap<BarKit, Loading[]>();

/** Every load that can be put on, from the empty bar up, each with the fewest plates; worked out once for each bar. */
export function loadsOn(kit: BarKit): readonly Loading[] {
  const before = known.get(kit);
  if (before) return before;
  const made = everyLoad(kit);
  known.set(kit, made);
  return made;
}

/**
 * The same loads in thousandths, without their plates: what a whole hall is looked through by.
 * @throws RangeError for too many sums
 */
export function totalsOn(kit: BarKit): number[] {
  const plates = checked(kit);
  const sums = sumsFrom(plates, MOST_SIDE_T[kit.unit])[0]!;
  const totals = [...sums].map((side) => kit.barT + (side > 0 ? kit.collarsT : 0) + 2 * side);
  return [...new Set(totals)].sort((a, b) => a - b);
}

function everyLoad(kit: BarKit): Loading[] {
  const byTotal = new Map<number, Loading>();
  for (const stack of fewestPlates(kit).values()) {
    const l = loadingOf(kit, stack);
    const known = byTotal.get(l.totalT);
    if (!known || isBetter(stack, known.side)) byTotal.set(l.totalT, l);
  }
  return [...byTotal.values()].sort((a, b) => a.totalT - b.totalT);
}

/** A load that was asked for: what is put on, never more than was asked, and the next that there is above it. */
export interface Loadable {
  /** null: even the empty bar is heavier. */
  below: Loading | null;
  exact: boolean;
  /** null: nothing heavier can be put on. */
  aboveT: number | null;
}

/** @param wantedT in all, bar and collars counted */
export function loadFor(kit: BarKit, wantedT: number): Loadable {
  const loads = loadsOn(kit);
  const below = loads.filter((l) => l.totalT <= wantedT).at(-1) ?? null;
  return {
    below,
    exact: below?.totalT === wantedT,
    aboveT: loads.find((l) => l.totalT > wantedT)?.totalT ?? null,
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

/** For each kind of plate the sums, up to a mass, that it and the kinds after it can make. */
function sumsFrom(plates: readonly PlatePairs[], sideT: number): ReadonlySet<number>[] {
  const sums: Set<number>[] = Array.from({ length: plates.length + 1 }, () => new Set<number>());
  sums[plates.length]!.add(0);
  for (let i = plates.length - 1; i >= 0; i--) {
    const { massT, pairs } = plates[i]!;
    for (const sum of sums[i + 1]!)
      for (let n = 0; n <= pairs && sum + n * massT <= sideT; n++) sums[i]!.add(sum + n * massT);
    if (sums[i]!.size > MOST_SUMS)
      throw new RangeError('Too many plates of odd masses to work out every load.');
  }
  return sums;
}

/** Every stack that weighs so much on one side, those with fewer plates first. @throws RangeError for too many sums */
function stacksOf(plates: readonly PlatePairs[], sideT: number): Stack[] {
  const found: Stack[] = [];
  const makes = sumsFrom(plates, sideT);
  // Only what the plates that are left can still make is followed: every way down ends in a stack.
  const put = (i: number, leftT: number, stack: Stack): void => {
    if (leftT === 0) {
      found.push(stack);
      return;
    }
    const p = plates[i];
    if (!p || found.length > 20 * MOST_STACKS) return;
    for (let n = Math.min(p.pairs, Math.floor(leftT / p.massT)); n >= 0; n--) {
      const rest = leftT - n * p.massT;
      if (makes[i + 1]!.has(rest))
        put(i + 1, rest, n === 0 ? stack : [...stack, ...Array<number>(n).fill(p.massT)]);
    }
  };
  put(0, sideT, []);
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
 * @param totalsT loads that exist
 * @throws RangeError for a load that cannot be put on
 */
export function rampOver(kit: BarKit, totalsT: readonly number[]): Ramp {
  const plates = checked(kit);
  const A_PLATE = 0.001;
  interface Way {
    stack: Stack;
    cost: number;
    before: Way | null;
  }
  let ways: Way[] = [{ stack: [], cost: 0, before: null }];
  for (const totalT of totalsT) {
    const bare = totalT === kit.barT;
    const sideT = bare ? 0 : (totalT - kit.barT - kit.collarsT) / 2;
    const stacks = sideT >= 0 && Number.isInteger(sideT) ? stacksOf(plates, sideT) : [];
    if (stacks.length === 0)
      throw new RangeError(`A load of ${totalT / 1000} ${kit.unit} cannot be put on this bar.`);
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
const LEAST_STEP = { kg: 10_000, lb: 20_000, share: 0.1 };
const LEAST_BELOW_WORK = { kg: 5_000, lb: 10_000, share: 0.08 };

/**
 * The loads before the work, from the empty bar up, each one that exists and none worth leaving out: at least 10 kg or a
 * tenth of the work above the one before, and 5 kg or 8 % below the work; 20 and 10 lb where it is marked in pounds (common practice, no source).
 * @param workT a load that exists
 */
export function warmUpLoads(kit: BarKit, workT: number): { totalT: number; reps: number }[] {
  const ramp = [{ totalT: kit.barT, reps: EMPTY_BAR_REPS }];
  const step = Math.max(LEAST_STEP[kit.unit], LEAST_STEP.share * workT);
  const gap = Math.max(LEAST_BELOW_WORK[kit.unit], LEAST_BELOW_WORK.share * workT);
  for (const { share, reps } of WARM_UP) {
    const totalT = loadFor(kit, share * workT).below?.totalT ?? 0;
    if (totalT - ramp.at(-1)!.totalT >= step && workT - totalT >= gap) ramp.push({ totalT, reps });
  }
  return ramp.filter((r) => r.totalT < workT);
}

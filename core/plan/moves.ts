import { changeBetween, inBarUnit, loadFor } from '../kit/index.ts';
import type { BarKit } from '../kit/index.ts';
import { everyDoing, optionOf, pointsOf } from './fits.ts';
import type { Prepared } from './fits.ts';
import { numbersOf } from './hour.ts';
import type { Hour, HourPlan, Round, Shared } from './hour.ts';

/** A notch that is set again is as much work as so many plates (judgement). */
const NOTCH = 4;
/** Of more places of a kind not every order of them is looked at. */
const MOST_TOGETHER = 4;

/** Plates handled on one side between two loads, kilograms; null: the empty bar. */
export type PlateMoves = (fromKg: number | null, toKg: number | null) => number;

/**
 * Plates of one side taken off and put on between two loads; null: it cannot be worked out.
 * @param fromKg null: the empty bar
 */
export function plateChange(
  kit: BarKit,
  fromKg: number | null,
  toKg: number | null,
): { off: number[]; on: number[] } | null {
  const side = (kg: number | null) =>
    kg === null ? [] : (loadFor(kit, inBarUnit(kg, kit)).below?.side ?? []);
  try {
    return changeBetween(side(fromKg), side(toKg));
  } catch (error) {
    // Plates of too many odd masses.
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** Without a bar of which anything is known another load is two plates (assumption). */
const UNKNOWN_MOVES = 2;

/** By the plates of a bar. */
export const platesOf =
  (kit: BarKit | null): PlateMoves =>
  (a, b) => {
    const change = kit && plateChange(kit, a, b);
    return change ? change.off.length + change.on.length : UNKNOWN_MOVES;
  };

/** What a rack stands at for its group, and with what it begins and ends. */
export interface Standing {
  notch: number | null;
  firstKg: number | null;
  lastKg: number | null;
}

/** The notch in the middle of a group’s own; light comes before heavy. */
export function standingOf(of: { hour: Hour }, s: Shared): Standing {
  const options = s.doing.map((d) => optionOf(of, d));
  const notches = options.flatMap((o) => (o.notch === null ? [] : [o.notch]));
  const loads = options.flatMap((o) => (o.loadKg === null ? [] : [o.loadKg])).sort((a, b) => a - b);
  return {
    notch: notches.length === 0 ? null : Math.round((Math.min(...notches) + Math.max(...notches)) / 2),
    firstKg: loads[0] ?? null,
    lastKg: loads.at(-1) ?? null,
  };
}

const between = (a: Standing, b: Standing, plates: PlateMoves): number =>
  (a.notch !== null && b.notch !== null && a.notch !== b.notch ? NOTCH : 0) +
  (a.lastKg === b.firstKg ? 0 : plates(a.lastKg, b.firstKg));

function* permutations<T>(list: readonly T[]): Generator<T[]> {
  if (list.length <= 1) yield [...list];
  else
    for (let i = 0; i < list.length; i++)
      for (const rest of permutations([...list.slice(0, i), ...list.slice(i + 1)])) yield [list[i]!, ...rest];
}

/** Which of its kind each place is, so that from round to round little is set again; and how much that is. */
function numbered(p: Prepared, rounds: readonly Round[], kind: number, plates: PlateMoves) {
  const there = numbersOf(p.hour.places[kind]!);
  interface Way {
    moves: number;
    /** What stands at each number. */
    stands: (Standing | null)[];
    numbers: number[][];
  }
  let ways: Way[] = [
    { moves: 0, stands: new Array<Standing | null>(Math.max(0, ...there) + 1).fill(null), numbers: [] },
  ];
  for (const round of rounds) {
    const own = round.shared.filter((s) => s.kind === kind);
    const standings = own.map((s) => standingOf(p, s));
    const next = new Map<string, Way>();
    for (const way of ways) {
      const orders =
        there.length <= MOST_TOGETHER
          ? [...permutations(there)].map((o) => o.slice(0, own.length))
          : [own.map((_, i) => there[i]!)];
      const seen = new Set<string>();
      for (const numbers of orders) {
        const key = numbers.join();
        if (seen.has(key)) continue;
        seen.add(key);
        const stands = [...way.stands];
        let moves = way.moves;
        numbers.forEach((n, i) => {
          const before = stands[n];
          if (before) moves += between(before, standings[i]!, plates);
          stands[n] = standings[i]!;
        });
        const state = stands.map((s) => (s ? `${s.notch} ${s.lastKg}` : '-')).join('|');
        const known = next.get(state);
        if (!known || moves < known.moves)
          next.set(state, { moves, stands, numbers: [...way.numbers, numbers] });
      }
    }
    ways = [...next.values()];
  }
  return ways.reduce((a, b) => (b.moves < a.moves ? b : a));
}

/**
 * The same plan in the order of rounds, and with the places numbered, in which the fewest notches and plates are
 * changed; nobody’s order gets worse by it, since no order with more points is taken. Exact over all orders.
 * @returns the plan, and moves before and after
 */
export function fewestMoves(
  p: Prepared,
  plan: HourPlan,
  plates: PlateMoves,
): { plan: HourPlan; before: number; moves: number } {
  const kinds = p.hour.places.flatMap((kind, k) =>
    kind.form === 'rack' || kind.form === 'bench' ? [k] : [],
  );
  const known = new Map<string, number>();
  const cached: PlateMoves = (a, b) => {
    const key = `${a} ${b}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const n = plates(a, b);
    known.set(key, n);
    return n;
  };
  const at = plan.rounds.map((_, i) => i);
  let best: { rounds: Round[]; moves: number; ways: { kind: number; numbers: number[][] }[] } | null = null;
  let before = 0;
  for (const order of permutations(at)) {
    const rounds = order.map((i) => plan.rounds[i]!);
    const asItIs = order.every((n, i) => n === i);
    if (!asItIs && pointsOf(p, rounds) > plan.points) continue;
    // Somebody who comes late is not put before their time.
    if (!asItIs && rounds.some((r, i) => everyDoing(r).some((d) => (p.from[p.person[d.piece]!] ?? 0) > i)))
      continue;
    const ways = kinds.map((kind) => ({ kind, ...numbered(p, rounds, kind, cached) }));
    const moves = ways.reduce((sum, w) => sum + w.moves, 0);
    if (asItIs) before = asGiven(p, rounds, kinds, cached);
    if (!best || moves < best.moves) best = { rounds, moves, ways };
  }
  const found = best!;
  const rounds = found.rounds.map((r, i) => {
    const counts = new Map<number, number>();
    return {
      ...r,
      shared: r.shared
        .map((s) => {
          const n = counts.get(s.kind) ?? 0;
          counts.set(s.kind, n + 1);
          const way = found.ways.find((w) => w.kind === s.kind);
          return { ...s, number: way?.numbers[i]?.[n] ?? s.number, doing: byLoad(p, s) };
        })
        .sort((a, b) => a.kind - b.kind || a.number - b.number),
    };
  });
  return { plan: { ...plan, rounds, points: pointsOf(p, rounds) }, before, moves: found.moves };
}

const byLoad = (p: Prepared, s: Shared) =>
  [...s.doing].sort((a, b) => (optionOf(p, a).loadKg ?? 0) - (optionOf(p, b).loadKg ?? 0));

/** Moves with the places numbered in the order in which they came. */
function asGiven(
  p: Prepared,
  rounds: readonly Round[],
  kinds: readonly number[],
  plates: PlateMoves,
): number {
  let moves = 0;
  for (const kind of kinds) {
    const stands = new Map<number, Standing>();
    for (const round of rounds)
      round.shared
        .filter((s) => s.kind === kind)
        .forEach((s, n) => {
          const now = standingOf(p, s);
          const before = stands.get(n);
          if (before) moves += between(before, now, plates);
          stands.set(n, now);
        });
  }
  return moves;
}

import { seeded } from '../program/index.ts';
import {
  droppedPoints,
  everyDoing,
  isEmpty,
  isRefused,
  joins,
  opens,
  optionOf,
  ownPoints,
  planFrom,
  pointsOf,
  refusedByFloor,
  refusedByRound,
  roundPoints,
  watchedIn,
} from './fits.ts';
import type { Prepared, Spot } from './fits.ts';
import { ABOUT_FORM, POINTS, numbersOf } from './hour.ts';
import type { Doing, HourPlan, Refused, Round } from './hour.ts';

/** How much of the time for a search has gone, 0 at its beginning; it ends at 1. */
export type Progress = () => number;

/** So many steps, whatever time they take: what tests go by. */
export function steps(n: number): Progress {
  let i = 0;
  return () => i++ / n;
}

export interface Found {
  round: number;
  option: number;
  spot: Spot;
  /** Points more than without it, those of leaving it out not counted. */
  points: number;
}

const copyRound = (r: Round): Round => ({
  shared: r.shared.map((s) => ({ ...s, doing: [...s.doing] })),
  floor: [...r.floor],
});

/** Everything that is possible for one option of a piece in a round. */
export function spotsIn(p: Prepared, round: Round, d: Doing, refused?: (r: Refused) => void): Spot[] {
  const kind = p.kindOf[d.piece]![d.option];
  const take = (found: Spot | Refused): Spot[] => {
    if (!isRefused(found)) return [found];
    refused?.(found);
    return [];
  };
  if (kind === null || kind === undefined) return [];
  if (kind < 0) {
    const no = refusedByFloor(p, round, d);
    return no ? take(no) : [{ on: 'floor' }];
  }
  return [
    ...round.shared.flatMap((s, index) => (s.kind === kind ? take(joins(p, round, index, d)) : [])),
    ...take(opens(p, round, kind, d)),
  ];
}

export function put(p: Prepared, round: Round, kind: number, spot: Spot, d: Doing): void {
  if (spot.on === 'floor') round.floor.push(d);
  else if (spot.on === 'place') {
    const s = round.shared[spot.index]!;
    s.doing.push(d);
    s.heightM = spot.heightM;
  } else {
    const taken = new Set(round.shared.filter((s) => s.kind === kind).map((s) => s.number));
    const number = numbersOf(p.hour.places[kind]!).find((n) => !taken.has(n)) ?? 0;
    round.shared.push({ kind, number, heightM: spot.heightM, doing: [d] });
  }
}

/** The cheapest place for a piece; null: there is none. Every refusal is told with its round. */
export function cheapest(
  p: Prepared,
  rounds: readonly Round[],
  piece: number,
  {
    noise,
    refused,
  }: { noise?: () => number; refused?: (r: Refused, at: { round: number; option: number }) => void } = {},
): Found | null {
  let best: Found | null = null;
  let bestKey = Infinity;
  let last = rounds.length;
  while (last > 0 && isEmpty(rounds[last - 1]!)) last--;
  const options = p.hour.pieces[piece]!.options.length;
  const wants = p.hour.pieces[piece]!.watched > 0;
  for (let option = 0; option < options; option++) {
    const d = { piece, option };
    for (let at = 0; at < rounds.length; at++) {
      const round = rounds[at]!;
      const base = ownPoints(p, d, at) + (at >= last ? POINTS.round * (at + 1 - last) : 0);
      if (base >= bestKey && !refused) continue;
      const no = refusedByRound(p, at, round, d);
      if (no) {
        refused?.(no, { round: at, option });
        continue;
      }
      const kind = p.kindOf[piece]![option]!;
      const spots = spotsIn(p, round, d, refused && ((r) => refused(r, { round: at, option })));
      if (spots.length === 0) continue;
      const watching = wants || optionOf(p, d).hands ? unseenWith(p, round, d) : 0;
      for (const spot of spots) {
        const setUp = spot.on === 'new' ? ABOUT_FORM[p.hour.places[kind]!.form].points : 0;
        const points = base + setUp + POINTS.unseen * watching;
        const key = points + (noise?.() ?? 0);
        if (key < bestKey) {
          best = { round: at, option, spot, points };
          bestKey = key;
        }
      }
    }
  }
  return best;
}

/** How many more pieces of a round are not seen with one more in it. */
function unseenWith(p: Prepared, round: Round, d: Doing): number {
  const unseen = (r: Round) => watchedIn(p, r).unseen.length;
  return unseen({ shared: round.shared, floor: [...round.floor, d] }) - unseen(round);
}

/** Hard pieces first: by priority, then racks, other places, the floor. */
function hardness(p: Prepared, j: number): number {
  const piece = p.hour.pieces[j]!;
  const kind = p.kindOf[j]![0] ?? -1;
  const form = kind < 0 ? 0 : p.hour.places[kind]!.form === 'rack' ? 2 : 1;
  return 10 * piece.priority + 3 * form;
}

/** Every piece in the order of its hardness, or as given, at its cheapest place. */
export function greedyPlan(
  p: Prepared,
  order: 'hard first' | 'as given' | readonly number[] = 'hard first',
): HourPlan {
  const rounds = emptyRounds(p.rounds);
  const all = p.hour.pieces.map((_, j) => j);
  const queue =
    order === 'as given'
      ? all
      : order === 'hard first'
        ? all.sort((a, b) => hardness(p, b) - hardness(p, a) || p.solo[b]![0]! - p.solo[a]![0]!)
        : order;
  for (const j of queue) {
    const found = cheapest(p, rounds, j);
    if (found && found.points < droppedPoints(p.hour.pieces[j]!))
      put(p, rounds[found.round]!, p.kindOf[j]![found.option]!, found.spot, {
        piece: j,
        option: found.option,
      });
  }
  return planFrom(p, rounds);
}

export const emptyRounds = (n: number): Round[] =>
  Array.from({ length: n }, () => ({ shared: [], floor: [] }));

const FEWEST_OUT = 2;
const MOST_OUT = 12;
/** Points by which a plan may be worse and still be gone on from, at the beginning and at the end (judgement). */
const WARM = { from: 6, to: 0.2 };
/** Noise by which a piece takes another than its cheapest place (judgement). */
const NOISE = 2;

/**
 * Takes pieces out and puts them back, again and again: out of two rounds, of two people, of two places, or any; better
 * is kept, and slightly worse while it is warm (Shaw, Using constraint programming and local search methods to solve
 * vehicle routing problems, 1998; Kirkpatrick et al., Optimization by simulated annealing, 1983; values from memory).
 * @returns never worse than `from`
 */
export function improved(p: Prepared, from: HourPlan, seed: number, progress: Progress): HourPlan {
  const random = seeded(seed);
  const below = (n: number) => Math.floor(random() * n);
  let rounds = from.rounds;
  let known = rounds.map((r, i) => roundPoints(p, r, i));
  let points = pointsOf(p, rounds, known);
  let best = { rounds, points };
  const pieces = p.hour.pieces.length;
  if (pieces === 0) return from;
  for (let done = progress(); done < 1; done = progress()) {
    const out = new Set<number>();
    const most = Math.min(pieces, FEWEST_OUT + below(MOST_OUT - FEWEST_OUT + 1));
    const placed = rounds.flatMap((r, at) => everyDoing(r).map((d) => ({ j: d.piece, at })));
    const some = (list: readonly number[]) => {
      const left = [...list];
      while (out.size < most && left.length > 0) out.add(left.splice(below(left.length), 1)[0]!);
    };
    const way = below(4);
    if (way === 0) some(placed.map((x) => x.j));
    else if (way === 1) {
      const two = [below(rounds.length), below(rounds.length)];
      some(placed.filter((x) => two.includes(x.at)).map((x) => x.j));
    } else if (way === 2) {
      const two = [below(p.hour.people.length), below(p.hour.people.length)];
      some(placed.filter((x) => two.includes(p.person[x.j]!)).map((x) => x.j));
    } else {
      const shared = rounds.flatMap((r) => r.shared);
      for (let n = 0; n < 2 && shared.length > 0; n++)
        some(shared[below(shared.length)]!.doing.map((d) => d.piece));
    }
    const next = rounds.map((r) =>
      everyDoing(r).some((d) => out.has(d.piece)) ? without(copyRound(r), out) : r,
    );
    const back = [...out];
    const there = new Set(placed.map((x) => x.j));
    for (let j = 0; j < pieces; j++) if (!there.has(j)) back.push(j);
    const key = new Map(back.map((j) => [j, hardness(p, j) + 8 * random()]));
    back.sort((a, b) => key.get(b)! - key.get(a)!);
    const noise = random() < 0.5 ? () => NOISE * random() : undefined;
    for (const j of back) {
      const found = cheapest(p, next, j, noise ? { noise } : {});
      if (!found || found.points >= droppedPoints(p.hour.pieces[j]!)) continue;
      if (next[found.round] === rounds[found.round]) next[found.round] = copyRound(next[found.round]!);
      put(p, next[found.round]!, p.kindOf[j]![found.option]!, found.spot, { piece: j, option: found.option });
    }
    const now = next.map((r, i) => (r === rounds[i] ? known[i]! : roundPoints(p, r, i)));
    const sum = pointsOf(p, next, now);
    const warm = WARM.from * (1 - done) + WARM.to;
    if (sum <= points || random() < Math.exp((points - sum) / warm)) {
      rounds = next;
      known = now;
      points = sum;
      if (points < best.points) best = { rounds, points };
    }
  }
  return best.points < from.points ? planFrom(p, best.rounds.map(copyRound)) : from;
}

function without(round: Round, out: ReadonlySet<number>): Round {
  round.floor = round.floor.filter((d) => !out.has(d.piece));
  for (const s of round.shared) s.doing = s.doing.filter((d) => !out.has(d.piece));
  round.shared = round.shared.filter((s) => s.doing.length > 0);
  return round;
}

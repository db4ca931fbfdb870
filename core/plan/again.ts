import {
  everyDoing,
  isRefused,
  joins,
  opens,
  planFrom,
  prepared,
  refusedByFloor,
  refusedByRound,
  roundsUsed,
} from './fits.ts';
import type { Spot } from './fits.ts';
import { emptyRounds, greedyPlan, put, cheapest } from './search.ts';
import { numbersOf, timesOf } from './hour.ts';
import type { Hour, HourPlan, PlaceKind, Refused, Round, RoundTimes, Shared, WorkPiece } from './hour.ts';

/** What came between. */
export interface Disturbance {
  /** Not here before a round, by person; counted from the first round of the hour. */
  late?: Readonly<Record<string, number>>;
  gone?: readonly string[];
  /** Pieces, by their ids, that nobody does any more: stopped or barred since. */
  not?: readonly string[];
  /** A place that cannot be used any more: its kind, its number, and its height where that matters. */
  out?: { kind: string; number: number; heightM: number | null };
  /** Minutes that were lost. */
  lostS?: number;
}

/** What is left of an hour after so many rounds, to be planned again. */
export interface Rest {
  hour: Hour;
  times: RoundTimes;
  /** Rounds that are over or under way. */
  done: number;
  /** By piece of the rest its place in the whole hour. */
  pieces: number[];
  /** Rounds that are left. */
  rounds: number;
}

/**
 * The rest of an hour: what is done and what is under way stays as it is, who is gone goes with what they had left, and
 * every piece that moves to another round costs points, so that few do.
 * @param done rounds that are over or under way
 */
export function restOf(hour: Hour, plan: HourPlan, done: number, by: Disturbance): Rest {
  const { lengthS } = plan.times;
  // Time that the plan did not need is there for what comes between.
  const fit = Math.floor((hour.totalS - hour.warmUpS + hour.changeS) / Math.max(1, lengthS + hour.changeS));
  const rounds = Math.max(0, Math.max(plan.rounds.length, fit) - done);
  const past = new Set(
    plan.rounds
      .slice(0, done)
      .flatMap(everyDoing)
      .map((d) => d.piece),
  );
  const gone = new Set(by.gone ?? []);
  const not = new Set(by.not ?? []);
  const pieces = hour.pieces.flatMap((p, j) =>
    past.has(j) || gone.has(p.person) || not.has(p.id) ? [] : [j],
  );
  const kinds = hour.places.map((k) => (by.out?.kind === k.id ? withoutOne(k, by.out) : k));
  const netS = rounds * lengthS + Math.max(0, rounds - 1) * hour.changeS - (by.lostS ?? 0);
  const rest: Hour = {
    ...hour,
    places: kinds,
    totalS: Math.max(0, netS),
    warmUpS: 0,
    people: hour.people
      .filter((x) => !gone.has(x.id))
      .map((x) => ({ ...x, from: Math.max(0, Math.max(x.from, by.late?.[x.id] ?? 0) - done) })),
    pieces: pieces.map((j) => {
      const { was: _was, wish, ...rest } = hour.pieces[j]!;
      const piece = { ...rest, ...wishFrom(wish, done) };
      const at = plan.rounds.findIndex((r) => everyDoing(r).some((d) => d.piece === j));
      if (at < done) return piece;
      const d = everyDoing(plan.rounds[at]!).find((x) => x.piece === j)!;
      return { ...piece, was: { round: at - done, at: hour.pieces[j]!.options[d.option]!.at } };
    }),
  };
  const eachS = rounds === 0 ? 0 : (netS - (rounds - 1) * hour.changeS) / rounds;
  return { hour: rest, times: timesOf(Math.min(lengthS, eachS)), done, pieces, rounds };
}

/** A wish in the rounds that are left; one for a round that is over has been had or missed. */
const wishFrom = (wish: WorkPiece['wish'], done: number): Pick<WorkPiece, 'wish'> => {
  if (wish?.round === undefined) return wish ? { wish } : {};
  return wish.round < done ? {} : { wish: { ...wish, round: wish.round - done } };
};

/** A kind without one of its places. */
export function withoutOne(
  kind: PlaceKind,
  { number, heightM }: { number: number; heightM: number | null },
): PlaceKind {
  const at = heightM === null ? -1 : kind.heightsM.indexOf(heightM);
  const heightsM = at < 0 ? kind.heightsM : kind.heightsM.filter((_, i) => i !== at);
  const numbers = numbersOf(kind);
  const left = heightM === null ? numbers.filter((n) => n !== number) : numbers.slice(0, -1);
  return { ...kind, count: left.length, numbers: left, heightsM };
}

/** The plan of the rest as it was, as far as it still holds: what a search goes on from. */
export function asItWas(rest: Rest, plan: HourPlan): HourPlan {
  const p = prepared(rest.hour, rest.times, rest.rounds);
  const own = new Map(rest.pieces.map((j, i) => [j, i]));
  const rounds = emptyRounds(rest.rounds);
  plan.rounds.slice(rest.done).forEach((old, at) => {
    const round = rounds[at]!;
    // Whoever shared a place shares it again, as far as that still holds.
    for (const s of old.shared) {
      let index: number | null = null;
      for (const { piece: j, option } of s.doing) {
        const piece = own.get(j);
        if (piece === undefined) continue;
        const d = { piece, option };
        if (refusedByRound(p, at, round, d)) continue;
        const spot: Spot | Refused = index === null ? opens(p, round, s.kind, d) : joins(p, round, index, d);
        if (isRefused(spot)) continue;
        put(p, round, s.kind, spot, d);
        index ??= round.shared.length - 1;
      }
    }
    for (const { piece: j, option } of old.floor) {
      const piece = own.get(j);
      const d = piece === undefined ? null : { piece, option };
      if (d && !refusedByRound(p, at, round, d) && !refusedByFloor(p, round, d))
        put(p, round, -1, { on: 'floor' }, d);
    }
  });
  for (let i = 0; i < rest.pieces.length; i++) {
    if (rounds.some((r) => everyDoing(r).some((d) => d.piece === i))) continue;
    const found = cheapest(p, rounds, i);
    if (found)
      put(p, rounds[found.round]!, p.kindOf[i]![found.option]!, found.spot, {
        piece: i,
        option: found.option,
      });
  }
  const kept = planFrom(p, rounds);
  const anew = greedyPlan(p);
  return anew.points < kept.points ? anew : kept;
}

/** The places of a round with the numbers that they had, as far as the same people are at them. */
function asNumbered(round: Round, before: Round | undefined, hour: Hour): Round {
  const left = new Map(hour.places.map((k, i) => [i, [...numbersOf(k)]]));
  const people = (s: Shared) => new Set(s.doing.map((d) => d.piece));
  const same = (a: Shared, b: Shared) => a.doing.filter((d) => people(b).has(d.piece)).length;
  const take = (kind: number, number: number | undefined): number | null => {
    const numbers = left.get(kind) ?? [];
    const at = number === undefined ? 0 : numbers.indexOf(number);
    return at < 0 || numbers.length === 0 ? null : numbers.splice(at, 1)[0]!;
  };
  const numbers = new Map<Shared, number>();
  for (const s of round.shared) {
    const [was] = (before?.shared ?? [])
      .filter((b) => b.kind === s.kind && same(s, b) > 0)
      .sort((a, b) => same(s, b) - same(s, a));
    const number = was ? take(s.kind, was.number) : null;
    if (number !== null) numbers.set(s, number);
  }
  return {
    ...round,
    shared: round.shared.map((s) => ({
      ...s,
      number: numbers.get(s) ?? take(s.kind, undefined) ?? s.number,
    })),
  };
}

/** The whole hour with its new rest. */
export function joined(plan: HourPlan, rest: Rest, solved: HourPlan): HourPlan {
  const whole = (round: Round): Round => {
    const back = <T extends { piece: number }>(d: T): T => ({ ...d, piece: rest.pieces[d.piece]! });
    return {
      shared: round.shared.map((s) => ({ ...s, doing: s.doing.map(back) })),
      floor: round.floor.map(back),
    };
  };
  const open = solved.rounds
    .slice(0, roundsUsed(solved.rounds))
    .map((r, i) => asNumbered(whole(r), plan.rounds[rest.done + i], rest.hour));
  const rounds = [...plan.rounds.slice(0, rest.done), ...open];
  const done = new Set(rounds.flatMap(everyDoing).map((d) => d.piece));
  const known = new Set([
    ...rest.pieces,
    ...plan.rounds
      .slice(0, rest.done)
      .flatMap(everyDoing)
      .map((d) => d.piece),
  ]);
  return {
    rounds,
    times: solved.times,
    dropped: [...known].filter((j) => !done.has(j)).sort((a, b) => a - b),
    points: solved.points,
  };
}

/** Where somebody does something: a round, and a place or the floor; null: it is left out. */
export interface Where {
  round: number;
  at: { kind: number; number: number } | null;
}

/** What is otherwise than before, by piece; what only changed its number among like places counts too. */
export interface Difference {
  piece: number;
  before: Where | null;
  after: Where | null;
}

export function whereIs(plan: Pick<HourPlan, 'rounds'>, piece: number): Where | null {
  for (const [round, r] of plan.rounds.entries()) {
    for (const s of r.shared)
      if (s.doing.some((d) => d.piece === piece)) return { round, at: { kind: s.kind, number: s.number } };
    if (r.floor.some((d) => d.piece === piece)) return { round, at: null };
  }
  return null;
}

export function differences(pieces: number, before: HourPlan, after: HourPlan): Difference[] {
  return Array.from({ length: pieces }, (_, piece) => ({
    piece,
    before: whereIs(before, piece),
    after: whereIs(after, piece),
  })).filter(({ before: a, after: b }) => {
    if (a === null || b === null) return a !== b;
    return a.round !== b.round || a.at?.kind !== b.at?.kind || a.at?.number !== b.at?.number;
  });
}

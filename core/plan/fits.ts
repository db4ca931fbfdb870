import { ABOUT_FORM, A_HAIR, MOVE_S, POINTS, TOGETHER, busyS, floorS, near, soloS } from './hour.ts';
import type {
  Doing,
  Hour,
  HourPlan,
  PlaceKind,
  Refused,
  Round,
  RoundTimes,
  Shared,
  WorkOption,
  WorkPiece,
} from './hour.ts';

/** The hour with everything that follows from it alone, worked out once. */
export interface Prepared {
  hour: Hour;
  times: RoundTimes;
  rounds: number;
  /** Kind of place of each option by its place in `hour.places`; -1: the floor, null: there is no such place. */
  kindOf: (number | null)[][];
  solo: number[][];
  busy: number[][];
  /** Person of each piece, by their place in `hour.people`. */
  person: number[];
  /** Seconds of watching that the piece wants. */
  watchS: number[];
  from: number[];
}

export function prepared(hour: Hour, times: RoundTimes, rounds: number): Prepared {
  const kinds = new Map(hour.places.map((p, i) => [p.id, i]));
  const people = new Map(hour.people.map((p, i) => [p.id, i]));
  const kindOf = hour.pieces.map((p) =>
    p.options.map((o) => (o.at === null ? -1 : (kinds.get(o.at) ?? null))),
  );
  const about = (kind: number | null) =>
    ABOUT_FORM[kind === null || kind < 0 ? 'floor' : hour.places[kind]!.form];
  return {
    hour,
    times,
    rounds,
    kindOf,
    solo: hour.pieces.map((p, j) => p.options.map((o, i) => soloS(o, about(kindOf[j]![i]!).setUpS))),
    busy: hour.pieces.map((p, j) => p.options.map((o, i) => busyS(o, about(kindOf[j]![i]!).turnS))),
    person: hour.pieces.map((p) => people.get(p.person) ?? -1),
    watchS: hour.pieces.map((p) => Math.min(p.watched, p.options[0]?.sets ?? 0) * (p.options[0]?.workS ?? 0)),
    from: hour.people.map((p) => p.from),
  };
}

export const optionOf = ({ hour }: { hour: Hour }, d: Doing): WorkOption =>
  hour.pieces[d.piece]!.options[d.option]!;
const isLoaded = (o: WorkOption) => (o.loadKg ?? 0) > 0;

/** Seconds at which somebody can be seen in a round, in all. */
export const coachS = ({ hour, times }: Prepared): number =>
  hour.coach.atOnce * times.lengthS * hour.coach.share;

/** Seconds of the coach that a piece takes whatever else is done: hands take all of them, minors one pair of eyes. */
export function boundCoachS(p: Prepared, d: Doing): number {
  const o = optionOf(p, d);
  if (o.hands) return p.hour.coach.atOnce * o.sets * o.workS;
  return p.hour.pieces[d.piece]!.mustWatch ? o.sets * o.workS : 0;
}

/**
 * Whether the people of a group can share a place in its state.
 * @returns null where they can
 */
function clash(p: Prepared, kind: PlaceKind, members: readonly Doing[], o: WorkOption): Refused | null {
  for (const d of members) {
    const other = optionOf(p, d);
    if (kind.form === 'rack' || kind.form === 'bench') {
      if (kind.form === 'bench' && isLoaded(o) !== isLoaded(other))
        return { why: 'load', at: kind.id, number: 0, kg: o.loadKg ?? 0, otherKg: other.loadKg ?? 0 };
      if (o.loadKg !== null && other.loadKg !== null && !near(o.loadKg, other.loadKg, TOGETHER.loadKg))
        return { why: 'load', at: kind.id, number: 0, kg: o.loadKg, otherKg: other.loadKg };
    }
    if (
      kind.form === 'rack' &&
      o.notch !== null &&
      other.notch !== null &&
      !near(o.notch, other.notch, 2 * TOGETHER.notches)
    )
      return { why: 'notch', at: kind.id, number: 0, notch: o.notch, otherNotch: other.notch };
  }
  return null;
}

/** A height of the kind that is free in the round and suits everybody; undefined: none. */
function heightFor(
  p: Prepared,
  kind: number,
  round: Round,
  members: readonly (WorkOption | Doing)[],
  except: Shared | null,
): number | null | undefined {
  const { form, heightsM } = p.hour.places[kind]!;
  if (form !== 'box' || heightsM.length === 0) return null;
  const wanted = members.flatMap((m) => {
    const h = ('variation' in m ? m : optionOf(p, m)).heightM;
    return h === null ? [] : [h];
  });
  const free = [...heightsM];
  for (const s of round.shared) {
    if (s.kind !== kind || s === except || s.heightM === null) continue;
    const i = free.indexOf(s.heightM);
    if (i >= 0) free.splice(i, 1);
  }
  const now = except?.heightM ?? null;
  const suits = (h: number) => wanted.every((w) => near(w, h, TOGETHER.heightM));
  if (now !== null && suits(now)) return now;
  // Of those that suit the one that is nearest to all.
  const off = (h: number) => wanted.reduce((sum, w) => sum + Math.abs(w - h), 0);
  return free.filter(suits).sort((a, b) => off(a) - off(b))[0];
}

/** Where in a round something can be done: on the floor, at a place that is in use (by its index), or at a new one. */
export type Spot =
  | { on: 'floor' }
  | { on: 'place'; index: number; heightM: number | null }
  | { on: 'new'; heightM: number | null };

/** What a round says to a piece as a whole, before any place in it is looked at. */
export function refusedByRound(p: Prepared, at: number, round: Round, d: Doing): Refused | null {
  const { hour, times } = p;
  const who = p.person[d.piece]!;
  if (at < (p.from[who] ?? 0)) return { why: 'not here yet' };
  const need = p.solo[d.piece]![d.option]!;
  if (need > times.capS + A_HAIR) return { why: 'too long', needS: need, roundS: times.capS };
  const kind = p.kindOf[d.piece]![d.option];
  if (kind === null || kind === undefined) return { why: 'no such place', at: optionOf(p, d).at ?? '' };
  let usedS = 0;
  for (const s of round.shared)
    for (const other of s.doing)
      if (p.person[other.piece] === who) {
        if (kind >= 0) return { why: 'elsewhere', with: hour.pieces[other.piece]!.id };
        usedS += p.solo[other.piece]![other.option]! + MOVE_S;
      }
  for (const other of round.floor)
    if (p.person[other.piece] === who) usedS += p.solo[other.piece]![other.option]! + MOVE_S;
  const leftS = times.capS + MOVE_S - usedS;
  if (need + MOVE_S > leftS + A_HAIR)
    return { why: 'person full', needS: need, leftS: Math.max(0, leftS - MOVE_S) };
  const o = optionOf(p, d);
  for (const { id, count } of o.pools) {
    const pool = hour.pools.find((x) => x.id === id);
    const total = (pool?.count ?? 0) * times.capS;
    const used = everyDoing(round).reduce((sum, other) => {
      const of = optionOf(p, other).pools.find((x) => x.id === id);
      return sum + (of ? of.count * p.solo[other.piece]![other.option]! : 0);
    }, 0);
    if (used + count * need > total + A_HAIR) return { why: 'pool', pool: id, count: pool?.count ?? 0 };
  }
  const bound = boundCoachS(p, d);
  if (bound > 0) {
    const taken = everyDoing(round).reduce((sum, other) => sum + boundCoachS(p, other), 0);
    if (taken + bound > coachS(p) + A_HAIR) return { why: 'hands' };
  }
  return null;
}

export const everyDoing = (round: Round): Doing[] => [
  ...round.shared.flatMap((s) => s.doing),
  ...round.floor,
];

export function refusedByFloor(p: Prepared, round: Round, d: Doing): Refused | null {
  const used = round.floor.reduce((sum, other) => sum + floorS(optionOf(p, other)), 0);
  return used + floorS(optionOf(p, d)) > p.hour.floorPlaces * p.times.capS + A_HAIR
    ? { why: 'floor full' }
    : null;
}

/** Whether somebody can join a place; its height may change with them. */
export function joins(p: Prepared, round: Round, index: number, d: Doing): Spot | Refused {
  const s = round.shared[index]!;
  const kind = p.hour.places[s.kind]!;
  const o = optionOf(p, d);
  const number = s.number;
  if (s.doing.length >= kind.most)
    return { why: 'full', at: kind.id, number, with: s.doing.map((x) => p.hour.pieces[x.piece]!.id) };
  const clashes = clash(p, kind, s.doing, o);
  if (clashes) return 'number' in clashes ? { ...clashes, number } : clashes;
  const room = p.times.capS - ABOUT_FORM[kind.form].setUpS;
  const used = s.doing.reduce((sum, x) => sum + p.busy[x.piece]![x.option]!, 0);
  const need = p.busy[d.piece]![d.option]!;
  if (used + need > room + A_HAIR)
    return { why: 'time', at: kind.id, number, needS: need, leftS: room - used };
  const heightM = heightFor(p, s.kind, round, [...s.doing, o], s);
  if (heightM === undefined) return { why: 'height', at: kind.id, heightM: o.heightM ?? 0 };
  return { on: 'place', index, heightM };
}

export function opens(p: Prepared, round: Round, kindAt: number, d: Doing): Spot | Refused {
  const kind = p.hour.places[kindAt]!;
  const inUse = round.shared.filter((s) => s.kind === kindAt).length;
  if (inUse >= kind.count) return { why: 'taken', at: kind.id, count: kind.count };
  const o = optionOf(p, d);
  const room = p.times.capS - ABOUT_FORM[kind.form].setUpS;
  const need = p.busy[d.piece]![d.option]!;
  if (need > room + A_HAIR) return { why: 'time', at: kind.id, number: inUse, needS: need, leftS: room };
  const heightM = heightFor(p, kindAt, round, [o], null);
  if (heightM === undefined) return { why: 'height', at: kind.id, heightM: o.heightM ?? 0 };
  return { on: 'new', heightM };
}

export const isRefused = (x: Spot | Refused): x is Refused => 'why' in x;

/** Points of where a piece is done, by itself. */
export function ownPoints({ hour }: Prepared, d: Doing, round: number): number {
  const piece: WorkPiece = hour.pieces[d.piece]!;
  const at = piece.options[d.option]!.at;
  const isEqual = piece.options[d.option]!.variation !== piece.options[0]!.variation;
  let points = (isEqual ? POINTS.equal : 0) + (piece.heavy ? round : 0);
  if (piece.was)
    points += piece.was.round !== round ? POINTS.otherRound : piece.was.at !== at ? POINTS.otherPlace : 0;
  if (piece.wish) {
    if (piece.wish.round !== undefined && piece.wish.round !== round) points += POINTS.wish;
    if (piece.wish.at !== undefined && piece.wish.at !== at) points += POINTS.wish;
  }
  return points;
}

export const droppedPoints = (piece: WorkPiece): number =>
  POINTS.dropped * piece.priority + (piece.watched > 0 && !piece.mustWatch ? POINTS.unseen : 0);

/** The pieces of a round that want to be watched: those that a coach sees, as many as can be, and the others. */
export function watchedIn(p: Prepared, round: Round): { seen: number[]; unseen: number[] } {
  let left = coachS(p);
  const wanting: number[] = [];
  for (const d of everyDoing(round)) {
    left -= boundCoachS(p, d);
    if (wantsEyes(p, d.piece) && !optionOf(p, d).hands) wanting.push(d.piece);
  }
  // The shortest first: no other choice sees more of them.
  wanting.sort((a, b) => p.watchS[a]! - p.watchS[b]! || a - b);
  const seen: number[] = [];
  const unseen: number[] = [];
  for (const j of wanting) {
    if (p.watchS[j]! > left + A_HAIR) unseen.push(j);
    else {
      seen.push(j);
      left -= p.watchS[j]!;
    }
  }
  return { seen, unseen };
}

/** Watching is wanted and may be missed; what must be watched never is. */
export function wantsEyes({ hour }: Prepared, piece: number): boolean {
  const { watched, mustWatch } = hour.pieces[piece]!;
  return watched > 0 && !mustWatch;
}

/** Points of a round without the round itself. */
export function roundPoints(p: Prepared, round: Round, at: number): number {
  let points = POINTS.unseen * watchedIn(p, round).unseen.length;
  for (const s of round.shared) points += ABOUT_FORM[p.hour.places[s.kind]!.form].points;
  for (const d of everyDoing(round)) points += ownPoints(p, d, at);
  return points;
}

export const isEmpty = (round: Round): boolean => round.shared.length === 0 && round.floor.length === 0;

/** Rounds that are run: up to the last with something in it. */
export function roundsUsed(rounds: readonly Round[]): number {
  let used = rounds.length;
  while (used > 0 && isEmpty(rounds[used - 1]!)) used--;
  return used;
}

/** The points of a plan; those of each round may be known already. */
export function pointsOf(p: Prepared, rounds: readonly Round[], known?: readonly number[]): number {
  const placed = new Set(rounds.flatMap(everyDoing).map((d) => d.piece));
  let points = POINTS.round * roundsUsed(rounds);
  rounds.forEach((r, i) => (points += known?.[i] ?? roundPoints(p, r, i)));
  p.hour.pieces.forEach((piece, j) => {
    if (!placed.has(j)) points += droppedPoints(piece);
  });
  return points;
}

export function planFrom(p: Prepared, rounds: Round[]): HourPlan {
  const placed = new Set(rounds.flatMap(everyDoing).map((d) => d.piece));
  return {
    rounds,
    times: p.times,
    dropped: p.hour.pieces.flatMap((_, j) => (placed.has(j) ? [] : [j])),
    points: pointsOf(p, rounds),
  };
}

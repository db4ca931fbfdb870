import { optionOf } from './fits.ts';
import { ABOUT_FORM, MOVE_S, floorS } from './hour.ts';
import type { Doing, Hour, Round, Shared } from './hour.ts';
import { setsFrom, turnsAt } from './turns.ts';
import type { SetTime } from './turns.ts';

/** A set with its time in the round, and who watches it. */
export interface PlannedSet extends SetTime {
  /** It should be watched. */
  wanted: boolean;
  /** Which coach sees it, by their place in the list; null: nobody. */
  seenBy: number | null;
}

/** Somebody at one piece of work in a round. */
export interface Stint {
  piece: number;
  option: number;
  /** null: on the floor. */
  at: { kind: number; number: number } | null;
  sets: PlannedSet[];
}

export interface LaidOutRound {
  stints: Stint[];
  /** Stints that end after the round, and by how many seconds. */
  over: { piece: number; byS: number }[];
}

export interface Watcher {
  name: string;
  /** Places that they watch at once. */
  atOnce: number;
}

/** Starts on the floor are tried so far apart. */
const STEP_S = 15;

/**
 * A round set by set. Places first, in turns; then each piece on the floor at the first start at which a coach is free
 * for the sets that should be watched. Of a piece the last sets are watched: they are what criteria read.
 * @param lengthS of the round
 */
export function layOut(
  hour: Hour,
  round: Round,
  lengthS: number,
  watchers: readonly Watcher[],
): LaidOutRound {
  const eyes = new Eyes(watchers);
  const stints: Stint[] = [];
  const first = firstOnFloor(hour, round, lengthS);
  const free = new Map<string, number>();
  const person = (d: Doing) => hour.pieces[d.piece]!.person;
  const keep = (d: Doing, at: Stint['at'], sets: readonly SetTime[]) => {
    const piece = hour.pieces[d.piece]!;
    const wanted = piece.mustWatch ? sets.length : Math.min(piece.watched, sets.length);
    const from = sets.length - wanted;
    const all = sets.map((s, i): PlannedSet => ({ ...s, wanted: i >= from, seenBy: null }));
    for (const s of all) if (s.wanted) s.seenBy = eyes.take(s, piece.options[d.option]!.hands);
    stints.push({ piece: d.piece, option: d.option, at, sets: all });
    free.set(person(d), Math.max(free.get(person(d)) ?? 0, (sets.at(-1)?.toS ?? 0) + MOVE_S));
  };
  // Who would end too late otherwise does the floor first.
  for (const d of first)
    keep(d, null, setsFrom(optionOf({ hour }, d), free.get(person(d)) ?? ABOUT_FORM.floor.setUpS));
  const atPlace = new Set(round.shared.flatMap((s) => s.doing.map(person)));
  const bound = (d: Doing) => hour.pieces[d.piece]!.mustWatch || optionOf({ hour }, d).hands;
  // Whoever must be watched has the first of the eyes.
  const floor = round.floor
    .filter((d) => !first.includes(d))
    .sort((a, b) => Number(bound(b)) - Number(bound(a)));
  for (const d of floor) if (bound(d) && !atPlace.has(person(d))) onFloor(d);
  for (const s of round.shared)
    groupTimes(hour, s, free).forEach((sets, i) =>
      keep(s.doing[i]!, { kind: s.kind, number: s.number }, sets),
    );
  for (const d of floor) if (!stints.some((s) => s.piece === d.piece)) onFloor(d);
  return {
    stints,
    over: stints.flatMap((s) => {
      const byS = (s.sets.at(-1)?.toS ?? 0) - lengthS;
      return byS > 0 ? [{ piece: s.piece, byS }] : [];
    }),
  };

  function onFloor(d: Doing): void {
    const o = optionOf({ hour }, d);
    const earliest = (free.get(person(d)) ?? 0) + ABOUT_FORM.floor.setUpS;
    const piece = hour.pieces[d.piece]!;
    const lastStart = lengthS - floorS(o);
    // What is still to come of the same person needs its time too.
    const others = round.floor.filter(
      (x) => x !== d && person(x) === person(d) && !stints.some((s) => s.piece === x.piece),
    );
    const laterS = others.reduce((sum, x) => sum + onFloorS(hour, x), 0);
    let best = earliest;
    let mostSeen = -1;
    const wanted = piece.mustWatch ? o.sets : Math.min(piece.watched, o.sets);
    for (let at = earliest; at === earliest || at <= lastStart - laterS; at += STEP_S) {
      const sets = setsFrom(o, at).slice(o.sets - wanted);
      const seen = eyes.couldTake(sets, o.hands);
      if (seen > mostSeen) {
        mostSeen = seen;
        best = at;
      }
      if (seen === wanted) break;
    }
    keep(d, null, setsFrom(o, best));
  }
}

/** Seconds of a piece on the floor with coming to it and leaving it. */
const onFloorS = (hour: Hour, d: Doing): number =>
  ABOUT_FORM.floor.setUpS + floorS(optionOf({ hour }, d)) + MOVE_S;

const groupTimes = (hour: Hour, s: Shared, free: ReadonlyMap<string, number>): SetTime[][] =>
  turnsAt(
    hour.places[s.kind]!.form,
    s.doing.map((d) => ({
      option: optionOf({ hour }, d),
      fromS: free.get(hour.pieces[d.piece]!.person) ?? 0,
    })),
  );

/** Work on the floor that would end after the round if it came after the place, and does not if it comes first. */
function firstOnFloor(hour: Hour, round: Round, lengthS: number): Doing[] {
  const first: Doing[] = [];
  for (const s of round.shared) {
    const before = new Map<string, number>();
    const ends = () => {
      const times = groupTimes(hour, s, before);
      return s.doing.map((d, i) => ({ d, endS: times[i]!.at(-1)?.toS ?? 0 }));
    };
    for (const { d, endS } of ends()) {
      const who = hour.pieces[d.piece]!.person;
      const floor = round.floor.filter((x) => hour.pieces[x.piece]!.person === who);
      if (floor.length === 0) continue;
      const needS = floor.reduce((sum, x) => sum + onFloorS(hour, x), 0);
      if (endS + needS <= lengthS) continue;
      before.set(who, needS);
      // It helps only where the group ends in time with it.
      if (ends().every((x) => x.endS <= lengthS)) first.push(...floor);
      else before.delete(who);
    }
  }
  return first;
}

/** The eyes that there are: so many places of each coach at one moment. */
class Eyes {
  private readonly taken: { fromS: number; toS: number; coach: number; all: boolean }[] = [];
  constructor(private readonly watchers: readonly Watcher[]) {}

  private busy(coach: number, s: SetTime): number {
    const over = this.taken.filter((t) => t.coach === coach && t.fromS < s.toS && s.fromS < t.toS);
    if (over.some((t) => t.all)) return Infinity;
    // The most at one moment: it changes where one begins.
    const moments = [s.fromS, ...over.map((t) => t.fromS).filter((at) => at > s.fromS)];
    return Math.max(0, ...moments.map((at) => over.filter((t) => t.fromS <= at && at < t.toS).length));
  }

  private freeFor(s: SetTime, hands: boolean): number | null {
    const found = this.watchers.findIndex(({ atOnce }, i) =>
      hands ? this.busy(i, s) === 0 : this.busy(i, s) < atOnce,
    );
    return found < 0 ? null : found;
  }

  take(s: SetTime, hands: boolean): number | null {
    const coach = this.freeFor(s, hands);
    if (coach !== null) this.taken.push({ fromS: s.fromS, toS: s.toS, coach, all: hands });
    return coach;
  }

  /** How many of these sets, which follow one another, would be seen. */
  couldTake(sets: readonly SetTime[], hands: boolean): number {
    return sets.filter((s) => this.freeFor(s, hands) !== null).length;
  }
}

/** Pieces of a plan that should be watched and are not wholly, with their rounds. */
export const unseenIn = (laid: readonly LaidOutRound[]): { piece: number; round: number }[] =>
  laid.flatMap((l, round) =>
    l.stints.flatMap((s) =>
      s.sets.some((x) => x.wanted && x.seenBy === null) ? [{ piece: s.piece, round }] : [],
    ),
  );

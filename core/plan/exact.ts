import { building } from '../program/index.ts';
import type { Program } from '../program/index.ts';
import {
  boundCoachS,
  coachS,
  droppedPoints,
  optionOf,
  ownPoints,
  planFrom,
  roundsUsed,
  wantsEyes,
  watchedIn,
} from './fits.ts';
import type { Prepared } from './fits.ts';
import { ABOUT_FORM, A_HAIR, MOVE_S, POINTS, TOGETHER, floorS, near, numbersOf } from './hour.ts';
import type { Doing, HourPlan, Shared, WorkOption } from './hour.ts';
import { emptyRounds } from './search.ts';

/** A place in one state, of which there may be several: that like racks are alike is thereby settled. */
export interface Profile {
  kind: number;
  notch: number | null;
  /** Loads from here to so much above it; null: unloaded, or nothing is known. */
  fromKg: number | null;
  heightM: number | null;
  /** Places in this state at most. */
  most: number;
  doing: Doing[];
}

const fitsProfile = (q: Omit<Profile, 'doing' | 'most'>, form: string, o: WorkOption): boolean => {
  if (form === 'rack')
    return (
      (o.notch === null || q.notch === null || near(o.notch, q.notch, TOGETHER.notches)) &&
      (o.loadKg === null ||
        q.fromKg === null ||
        (o.loadKg >= q.fromKg - A_HAIR && o.loadKg <= q.fromKg + TOGETHER.loadKg + A_HAIR))
    );
  if (form === 'bench') {
    const loaded = (o.loadKg ?? 0) > 0;
    if (!loaded || q.fromKg === null) return loaded === (q.fromKg !== null);
    return o.loadKg! >= q.fromKg - A_HAIR && o.loadKg! <= q.fromKg + TOGETHER.loadKg + A_HAIR;
  }
  return (
    form !== 'box' || q.heightM === null || o.heightM === null || near(o.heightM, q.heightM, TOGETHER.heightM)
  );
};

/** Every state worth looking at; one whose people all fit another of its kind is left out. */
export function profilesOf(p: Prepared): Profile[] {
  const { hour } = p;
  const profiles: Profile[] = [];
  hour.places.forEach((kind, k) => {
    const doing = hour.pieces.flatMap((piece, j) =>
      piece.options.flatMap((_, o) => (p.kindOf[j]![o] === k ? [{ piece: j, option: o }] : [])),
    );
    if (doing.length === 0 || kind.count === 0) return;
    const options = doing.map((d) => optionOf(p, d));
    const distinct = <T>(list: readonly T[]) => [...new Set(list)];
    const notches = options.flatMap((o) => (o.notch === null ? [] : [o.notch]));
    const loads = options.flatMap((o) => (o.loadKg === null || o.loadKg <= 0 ? [] : [o.loadKg]));
    const states: { notch: number | null; fromKg: number | null; heightM: number | null; number: number }[] =
      [];
    const none = { notch: null, fromKg: null, heightM: null, number: kind.count };
    if (kind.form === 'rack') {
      const at: (number | null)[] =
        notches.length === 0 ? [null] : distinct(notches.flatMap((n) => [n - 1, n, n + 1]));
      const from: (number | null)[] = distinct([
        ...options.flatMap((o) => (o.loadKg === null ? [] : [o.loadKg])),
      ]);
      for (const notch of at)
        for (const fromKg of from.length > 0 ? from : [null]) states.push({ ...none, notch, fromKg });
    } else if (kind.form === 'bench') {
      states.push(none, ...distinct(loads).map((fromKg) => ({ ...none, fromKg })));
    } else if (kind.form === 'box' && kind.heightsM.length > 0) {
      for (const heightM of distinct(kind.heightsM))
        states.push({ ...none, heightM, number: kind.heightsM.filter((h) => h === heightM).length });
    } else states.push(none);
    const made = states.flatMap(({ number, ...state }): Profile[] => {
      const q = { kind: k, ...state };
      const fit = doing.filter((d) => fitsProfile(q, kind.form, optionOf(p, d)));
      const people = new Set(fit.map((d) => p.person[d.piece])).size;
      return fit.length === 0 ? [] : [{ ...q, doing: fit, most: Math.min(number, people) }];
    });
    const key = (d: Doing) => d.piece * 100 + d.option;
    const sets = made.map((q) => new Set(q.doing.map(key)));
    // Boxes of different heights are different things; all others are one thing in another state.
    made.forEach((q, i) => {
      const covered =
        kind.form !== 'box' &&
        made.some(
          (_, other) =>
            other !== i &&
            sets[other]!.size >= sets[i]!.size &&
            (sets[other]!.size > sets[i]!.size || other < i) &&
            [...sets[i]!].every((d) => sets[other]!.has(d)),
        );
      if (!covered) profiles.push(q);
    });
  });
  return profiles;
}

/** Few fit a state: then that the place is used is said for each of them, which makes the bound better. */
const FEW = 12;
const SPLITS_TRIED = 5_000;

/** The hour as an integer program for so many rounds; costs are whole numbers of points. */
export interface Exact {
  program: Program;
  /** The values of a plan, to start from; null where the plan has a place in no state. */
  start: (plan: HourPlan) => number[] | null;
  /** The plan of a solution; null where its groups cannot be told apart. */
  planOf: (values: readonly number[]) => HourPlan | null;
}

export function exactOf(p: Prepared): Exact {
  const { hour, times, rounds: B } = p;
  const { program, col, row } = building();
  const whole = { upper: 1, integer: true };
  const profiles = profilesOf(p);
  const ofDoing = new Map<string, number[]>();
  const keyOf = (d: Doing) => `${d.piece} ${d.option}`;
  profiles.forEach((q, i) =>
    q.doing.forEach((d) => ofDoing.set(keyOf(d), [...(ofDoing.get(keyOf(d)) ?? []), i])),
  );
  interface X {
    d: Doing;
    q: number;
    b: number;
    col: number;
  }
  const xs: X[] = [];
  const used = Array.from({ length: B }, () => col(POINTS.round, whole));
  for (let b = 1; b < B; b++)
    row(
      [
        [used[b - 1]!, 1],
        [used[b]!, -1],
      ],
      { lower: 0 },
    );
  const ys = profiles.map((q) =>
    Array.from({ length: B }, () =>
      col(ABOUT_FORM[hour.places[q.kind]!.form].points, { upper: q.most, integer: true }),
    ),
  );
  const dropped = hour.pieces.map((piece) => col(droppedPoints(piece), whole));
  const watched = hour.pieces.map(() => [] as number[]);
  hour.pieces.forEach((piece, j) => {
    const seen = wantsEyes(p, j);
    piece.options.forEach((o, option) => {
      const d = { piece: j, option };
      const solo = p.solo[j]![option]!;
      if (p.kindOf[j]![option] === null || solo > times.capS + A_HAIR) return;
      const states = o.at === null ? [-1] : (ofDoing.get(keyOf(d)) ?? []);
      for (let b = Math.max(0, p.from[p.person[j]!] ?? 0); b < B; b++)
        for (const q of states)
          xs.push({
            d,
            q,
            b,
            col: col(ownPoints(p, d, b) + (seen && !o.hands ? POINTS.unseen : 0), whole),
          });
    });
    if (!seen) return;
    for (let b = 0; b < B; b++) watched[j]!.push(col(-POINTS.unseen, whole));
  });
  // 1. Done once, or left out.
  hour.pieces.forEach((_, j) =>
    row([...xs.filter((x) => x.d.piece === j).map((x) => [x.col, 1] as const), [dropped[j]!, 1]], {
      lower: 1,
      upper: 1,
    }),
  );
  // 2. What fits a place.
  profiles.forEach((q, i) => {
    const kind = hour.places[q.kind]!;
    const room = times.capS - ABOUT_FORM[kind.form].setUpS;
    for (let b = 0; b < B; b++) {
      const here = xs.filter((x) => x.q === i && x.b === b);
      const y = ys[i]![b]!;
      row([...here.map((x) => [x.col, 1] as const), [y, -kind.most]], { upper: 0 });
      row([...here.map((x) => [x.col, p.busy[x.d.piece]![x.d.option]!] as const), [y, -room]], { upper: 0 });
      if (here.length <= FEW)
        for (const x of here)
          row(
            [
              [x.col, 1],
              [y, -1],
            ],
            { upper: 0 },
          );
    }
  });
  // 3. What there is of a kind, and of a height.
  hour.places.forEach((kind, k) => {
    for (let b = 0; b < B; b++) {
      const of = profiles.flatMap((q, i) => (q.kind === k ? [[ys[i]![b]!, 1] as const] : []));
      row(of, { upper: kind.count });
    }
  });
  // 4. One person, one round.
  hour.people.forEach((_, who) => {
    const own = xs.filter((x) => p.person[x.d.piece] === who);
    for (let b = 0; b < B; b++) {
      const here = own.filter((x) => x.b === b);
      if (here.length === 0) continue;
      row(
        [
          ...here.map((x) => [x.col, p.solo[x.d.piece]![x.d.option]! + MOVE_S] as const),
          [used[b]!, -(times.capS + MOVE_S)],
        ],
        { upper: 0 },
      );
      row(
        here.filter((x) => x.q >= 0).map((x) => [x.col, 1] as const),
        { upper: 1 },
      );
    }
  });
  for (let b = 0; b < B; b++) {
    const here = xs.filter((x) => x.b === b);
    // 5. The floor, and counted kit that is no place.
    row(
      here.filter((x) => x.q < 0).map((x) => [x.col, floorS(optionOf(p, x.d))] as const),
      { upper: hour.floorPlaces * times.capS },
    );
    for (const pool of hour.pools) {
      row(
        here.flatMap((x) => {
          const of = optionOf(p, x.d).pools.find((o) => o.id === pool.id);
          return of ? [[x.col, of.count * p.solo[x.d.piece]![x.d.option]!] as const] : [];
        }),
        { upper: pool.count * times.capS },
      );
    }
    // 6. The coach.
    const watching = hour.pieces.flatMap((_, j) =>
      watched[j]![b] === undefined ? [] : [[watched[j]![b]!, p.watchS[j]!] as const],
    );
    const bound = here.flatMap((x) => {
      const s = boundCoachS(p, x.d);
      return s > 0 ? [[x.col, s] as const] : [];
    });
    row([...watching, ...bound], { upper: coachS(p) });
    hour.pieces.forEach((_, j) => {
      const w = watched[j]![b];
      if (w === undefined) return;
      const seen = here.filter((x) => x.d.piece === j && !optionOf(p, x.d).hands);
      row([[w, 1], ...seen.map((x) => [x.col, -1] as const)], { upper: 0 });
    });
  }

  return {
    program,
    start: (plan) => {
      const values = new Array<number>(program.numCols).fill(0);
      const last = roundsUsed(plan.rounds);
      used.forEach((u, b) => (values[u] = b < last ? 1 : 0));
      for (const j of plan.dropped) values[dropped[j]!] = 1;
      for (const [b, round] of plan.rounds.entries()) {
        const set = (d: Doing, q: number) => {
          const x = xs.find(
            (y) => y.q === q && y.b === b && y.d.piece === d.piece && y.d.option === d.option,
          );
          if (x) values[x.col] = 1;
          return x !== undefined;
        };
        for (const d of round.floor) if (!set(d, -1)) return null;
        for (const s of round.shared) {
          const q = profiles.findIndex(
            (x) =>
              x.kind === s.kind &&
              (x.heightM === null || s.heightM === null || x.heightM === s.heightM) &&
              s.doing.every((d) => x.doing.some((y) => y.piece === d.piece && y.option === d.option)),
          );
          if (q < 0) return null;
          values[ys[q]![b]!]! += 1;
          for (const d of s.doing) if (!set(d, q)) return null;
        }
        watchedIn(p, round).seen.forEach((j) => {
          const w = watched[j]![b];
          if (w !== undefined) values[w] = 1;
        });
      }
      return values;
    },
    planOf: (values) => {
      const on = (c: number) => values[c]! > 0.5;
      const rounds = emptyRounds(B);
      for (const x of xs) if (x.q < 0 && on(x.col)) rounds[x.b]!.floor.push(x.d);
      for (const [i, q] of profiles.entries())
        for (let b = 0; b < B; b++) {
          const doing = xs.filter((x) => x.q === i && x.b === b && on(x.col)).map((x) => x.d);
          if (doing.length === 0) continue;
          const groups = split(p, q, doing, Math.round(values[ys[i]![b]!]!));
          if (!groups) return null;
          for (const of of groups) {
            const number = numbersOf(hour.places[q.kind]!)[
              rounds[b]!.shared.filter((s) => s.kind === q.kind).length
            ]!;
            rounds[b]!.shared.push({ kind: q.kind, number, heightM: q.heightM, doing: of });
          }
        }
      return planFrom(p, rounds);
    },
  };
}

/** People of one state over so many places, the longest first; what fits in all need not fit in parts. */
function split(p: Prepared, q: Profile, doing: readonly Doing[], places: number): Shared['doing'][] | null {
  const kind = p.hour.places[q.kind]!;
  const room = p.times.capS - ABOUT_FORM[kind.form].setUpS + 1e-6;
  const busy = (d: Doing) => p.busy[d.piece]![d.option]!;
  const sorted = [...doing].sort((a, b) => busy(b) - busy(a));
  const groups: { of: Doing[]; s: number }[] = Array.from({ length: places }, () => ({ of: [], s: 0 }));
  let tried = 0;
  const placeAll = (i: number): boolean => {
    if (i === sorted.length) return true;
    if (++tried > SPLITS_TRIED) return false;
    const seen = new Set<string>();
    for (const g of [...groups].sort((a, b) => a.s - b.s)) {
      // Groups that are as full are the same.
      const key = `${g.s} ${g.of.length}`;
      if (seen.has(key)) continue;
      seen.add(key);
      const d = sorted[i]!;
      if (g.of.length >= kind.most || g.s + busy(d) > room) continue;
      g.of.push(d);
      g.s += busy(d);
      if (placeAll(i + 1)) return true;
      g.of.pop();
      g.s -= busy(d);
    }
    return false;
  };
  return placeAll(0) ? groups.filter((g) => g.of.length > 0).map((g) => g.of) : null;
}

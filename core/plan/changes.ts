import { planFrom, prepared } from './fits.ts';
import { roundTimes } from './hour.ts';
import type { Hour, HourPlan, WorkOption } from './hour.ts';
import { greedyPlan, improved } from './search.ts';
import { roundsFor } from './solve-hour.ts';
import type { Means } from './solve-hour.ts';

/** One thing done otherwise, the cheapest for the hall first (judgement). */
export type Change =
  | { change: 'instead'; piece: string }
  | { change: 'minutes'; minutes: number }
  | { change: 'shorter warm-up'; minutes: number }
  | { change: 'groups of three' }
  | { change: 'eyes' }
  | { change: 'one more'; of: string };

export interface Changed {
  change: Change;
  /** With it, found and counted. */
  points: number;
  dropped: number;
  rounds: number;
}

/** Worth less than so many points a change is no help: a search is not surer than that (measured). */
export const HELPS_POINTS = 6;
const EACH_MS = 200;

/** Every change that is tried, in the order of how cheap it is. */
export function changesFor(
  hour: Hour,
  dropped: readonly number[],
  instead: ReadonlyMap<string, readonly WorkOption[]>,
): Change[] {
  const warm = hour.warmUpS > 3 * 60 ? [{ change: 'shorter warm-up', minutes: 3 } as const] : [];
  const small = hour.places.some((k) => k.most < 3);
  return [
    ...dropped.flatMap((j): Change[] => {
      const piece = hour.pieces[j]!;
      return instead.get(piece.id)?.length ? [{ change: 'instead', piece: piece.id }] : [];
    }),
    { change: 'minutes', minutes: 5 },
    ...warm,
    ...(small ? [{ change: 'groups of three' } as const] : []),
    { change: 'minutes', minutes: 10 },
    { change: 'eyes' },
    ...hour.places.map((k): Change => ({ change: 'one more', of: k.id })),
  ];
}

/** The hour as it would be. */
export function withChange(hour: Hour, c: Change, instead: ReadonlyMap<string, readonly WorkOption[]>): Hour {
  switch (c.change) {
    case 'instead':
      return {
        ...hour,
        pieces: hour.pieces.map((p) =>
          p.id === c.piece ? { ...p, options: [...p.options, ...(instead.get(p.id) ?? [])] } : p,
        ),
      };
    case 'minutes':
      return { ...hour, totalS: hour.totalS + 60 * c.minutes };
    case 'shorter warm-up':
      return { ...hour, warmUpS: Math.max(0, hour.warmUpS - 60 * c.minutes) };
    case 'groups of three':
      return { ...hour, places: hour.places.map((k) => ({ ...k, most: Math.max(3, k.most) })) };
    case 'eyes':
      return { ...hour, coach: { ...hour.coach, atOnce: hour.coach.atOnce + 1 } };
    case 'one more':
      return {
        ...hour,
        places: hour.places.map((k) =>
          k.id === c.of
            ? {
                ...k,
                count: k.count + 1,
                heightsM: k.heightsM.length > 0 ? [...k.heightsM, commonest(k.heightsM)] : [],
              }
            : k,
        ),
      };
  }
}

const commonest = (list: readonly number[]): number =>
  list.reduce(
    (a, b) => (list.filter((x) => x === b).length > list.filter((x) => x === a).length ? b : a),
    list[0]!,
  );

/**
 * Solves again with one thing relaxed, each from the present plan, so that none looks worse than what there is. Each is
 * told as it is found.
 */
export function* whatHelps(
  hour: Hour,
  plan: HourPlan,
  instead: ReadonlyMap<string, readonly WorkOption[]>,
  { seed, within }: Pick<Means, 'seed' | 'within'>,
): Generator<Changed> {
  for (const change of changesFor(hour, plan.dropped, instead)) {
    const other = withChange(hour, change, instead);
    const now = plan.rounds.length;
    const near = roundsFor(other)
      .filter((b) => b !== now)
      .sort((a, b) => Math.abs(a - now) - Math.abs(b - now));
    let best: HourPlan | null = null;
    for (const rounds of [now, ...near.slice(0, 1)]) {
      const p = prepared(other, roundTimes(other, rounds), rounds);
      const first = rounds === now ? planFrom(p, plan.rounds) : greedyPlan(p);
      const found = improved(p, first, seed, within(EACH_MS));
      if (!best || found.points < best.points) best = found;
    }
    yield { change, points: best!.points, dropped: best!.dropped.length, rounds: best!.rounds.length };
  }
}

/** What is worth being told: first what lets everything fit, in the order of how cheap it is, then what saves most. */
export function helping(found: readonly Changed[], now: Pick<HourPlan, 'points' | 'dropped'>): Changed[] {
  const helps = found.filter((c) => c.dropped < now.dropped.length || c.points <= now.points - HELPS_POINTS);
  const all = helps.filter((c) => c.dropped === 0);
  const others = helps
    .filter((c) => c.dropped > 0)
    .sort((a, b) => a.dropped - b.dropped || a.points - b.points);
  return [...all, ...others];
}

/** Points of a piece that has to be done: more than any other weighs. */
const MUST = 50;

/** What could wait till next time, so that something that was left out is done now. */
export interface Exchange {
  done: number;
  waits: number[];
  points: number;
}

/** For each piece that is left out a plan that has it, and what waits instead; null where none was found. */
export function* exchanges(
  hour: Hour,
  plan: HourPlan,
  { seed, within }: Pick<Means, 'seed' | 'within'>,
): Generator<Exchange | null> {
  for (const j of plan.dropped) {
    const must: Hour = {
      ...hour,
      pieces: hour.pieces.map((p, i) => (i === j ? { ...p, priority: MUST as WorkPriority } : p)),
    };
    const p = prepared(must, plan.times, plan.rounds.length);
    const found = improved(p, planFrom(p, plan.rounds), seed, within(EACH_MS));
    if (found.dropped.includes(j)) {
      yield null;
      continue;
    }
    const as = planFrom(prepared(hour, plan.times, plan.rounds.length), found.rounds);
    yield { done: j, waits: as.dropped.filter((i) => !plan.dropped.includes(i)), points: as.points };
  }
}

type WorkPriority = Hour['pieces'][number]['priority'];

/** The gap that is told: so many points better at most. */
export const atMostBetter = (points: number, bound: number | null): number | null =>
  bound === null ? null : Math.max(0, points - bound);

import type { Solve } from '../program/index.ts';
import { cellsOf } from './cells.ts';
import { exactOf } from './exact.ts';
import { planFrom, prepared, watchedIn } from './fits.ts';
import type { Prepared } from './fits.ts';
import { POINTS, ROUNDS, roundTimes } from './hour.ts';
import type { Hour, HourPlan } from './hour.ts';
import { layOut, unseenIn } from './layout.ts';
import type { Watcher } from './layout.ts';
import { emptyRounds, greedyPlan, improved } from './search.ts';
import type { Progress } from './search.ts';

/** A plan, and how much better one with as many rounds could be. */
export interface SolvedHour {
  plan: HourPlan;
  rounds: number;
  /** No plan with so many rounds has fewer points; null: nothing is proven yet. */
  bound: number | null;
}

/** Times of the search in milliseconds, and of the solver in seconds (measured: what a coach waits for). */
export const TIMES = { eachMs: 125, bestMs: 375, cellsS: 0.5, soonS: 2, lateS: 10 } as const;

export interface Means {
  seed: number;
  /** Gives the progress of a search that may take so long. */
  within: (ms: number) => Progress;
  /** Milliseconds of a clock that never jumps. */
  now: () => number;
  /** null: only searched. */
  solve: Solve | null;
}

/** Numbers of rounds that suit the hour, the fewest first; at least one. */
export function roundsFor(hour: Hour): number[] {
  const all = Array.from({ length: ROUNDS.most }, (_, i) => i + 1);
  const length = (b: number) => roundTimes(hour, b).lengthS;
  const usual = all.filter((b) => length(b) >= ROUNDS.shortestS && length(b) <= ROUNDS.longestS);
  if (usual.length > 0) return usual.slice(-3);
  // A very short hour is one round; a very long one as many as there are.
  return length(1) < ROUNDS.shortestS ? [1] : [ROUNDS.most];
}

/** Fewer points by so much are worth another plan on the wall. */
export const WORTH_POINTS = 5;

/**
 * Plans an hour: soon by search, then proven and improved by the exact model. Every step is told as it comes; the last is
 * given back.
 * @param rounds how many; absent: the best of those that suit
 * @param from a plan that is never made worse, of the same number of rounds
 */
export function* solveHour(
  hour: Hour,
  { seed, within, now, solve }: Means,
  { rounds, from }: { rounds?: number; from?: HourPlan } = {},
): Generator<SolvedHour, SolvedHour> {
  const began = now();
  const candidates = (rounds === undefined ? roundsFor(hour) : [rounds]).map((b) => {
    const p = prepared(hour, roundTimes(hour, b), b);
    // A plan that is given was searched for before.
    if (from && b === from.rounds.length) return { p, plan: planFrom(p, from.rounds) };
    const [hard, listed] = [greedyPlan(p), greedyPlan(p, 'as given')];
    const first = listed.points < hard.points ? listed : hard;
    return { p, plan: improved(p, first, seed, within(TIMES.eachMs)) };
  });
  const best = candidates.reduce((a, b) => (b.plan.points < a.plan.points ? b : a));
  const { p } = best;
  let solved: SolvedHour = {
    plan: improved(p, best.plan, seed + 1, within(TIMES.bestMs)),
    rounds: p.rounds,
    bound: null,
  };
  yield solved;
  if (!solve) return solved;
  const cells = solve(cellsOf(p), { timeS: TIMES.cellsS });
  solved = { ...solved, bound: boundOf(solved, cells.bound) };
  yield solved;
  for (const untilS of [TIMES.soonS, TIMES.lateS]) {
    if (solved.bound === solved.plan.points) break;
    const timeS = Math.max(0.2, untilS - (now() - began) / 1000);
    solved = exactly(p, solved, solve, timeS);
    yield solved;
  }
  return solved;
}

/** The better of what was proven; costs are whole numbers, so that a bound is rounded up. */
function boundOf({ plan, bound }: SolvedHour, found: number): number | null {
  const up = Number.isFinite(found) ? Math.ceil(found - 1e-6) : null;
  if (up === null) return bound;
  return Math.min(plan.points, Math.max(bound ?? -Infinity, up));
}

/** The exact model from the plan at hand: a better plan, or a proof of how good it is. */
export function exactly(p: Prepared, at: SolvedHour, solve: Solve, timeS: number): SolvedHour {
  const exact = exactOf(p);
  const start = exact.start(at.plan);
  const found = solve(exact.program, { timeS, gap: 0.005, ...(start ? { start } : {}) });
  const better = found.values && exact.planOf(found.values);
  const plan = better && better.points < at.plan.points ? better : at.plan;
  return { plan, rounds: at.rounds, bound: boundOf({ ...at, plan }, found.bound) };
}

/** Shares of the time for watching that are tried where the usual one leaves sets unseen (judgement). */
const SHARES = [0.65, 0.5, 0.35] as const;

/**
 * Totals of time say less than moments: where a plan, laid out, leaves sets unseen, it is spread over more of the time
 * that there is, as long as what is seen by it weighs more than what it costs.
 * @returns never a plan that weighs more, unseen pieces counted
 */
export function betterSeen(
  hour: Hour,
  solved: SolvedHour,
  watchers: readonly Watcher[],
  { seed, within }: Pick<Means, 'seed' | 'within'>,
): SolvedHour {
  const p = prepared(hour, solved.plan.times, solved.rounds);
  const weight = (plan: HourPlan) => {
    const known = new Set(plan.rounds.flatMap((r) => watchedIn(p, r).unseen));
    const laid = plan.rounds.map((r) => layOut(hour, r, plan.times.lengthS, watchers));
    const more = unseenIn(laid).filter(({ piece }) => !known.has(piece)).length;
    return plan.points + POINTS.unseen * more;
  };
  let best = { plan: solved.plan, weight: weight(solved.plan) };
  if (best.weight === solved.plan.points) return solved;
  for (const share of SHARES) {
    const q = prepared({ ...hour, coach: { ...hour.coach, share } }, p.times, p.rounds);
    const rounds = [...solved.plan.rounds, ...emptyRounds(p.rounds - solved.plan.rounds.length)];
    const found = improved(q, planFrom(q, rounds), seed, within(TIMES.eachMs * 2));
    const plan = planFrom(p, found.rounds);
    const now = weight(plan);
    if (now < best.weight) best = { plan, weight: now };
  }
  return { ...solved, plan: best.plan };
}

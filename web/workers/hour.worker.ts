import { expose } from 'comlink';
import wasmUrl from 'highs/runtime?url';
import {
  asItWas,
  betterSeen,
  exchanges,
  fewestMoves,
  improved,
  joined,
  platesOf,
  prepared,
  restOf,
  roundsUsed,
  solveHour,
  whatHelps,
  WORTH_POINTS,
} from '../../core/plan/index.ts';
import type {
  Changed,
  Disturbance,
  Exchange,
  Hour,
  HourPlan,
  Means,
  Progress,
  SolvedHour,
  Watcher,
  WorkOption,
} from '../../core/plan/index.ts';
import type { BarKit } from '../../core/kit/index.ts';
import { building, loadSolver } from '../../core/program/index.ts';

/** A plan as it is shown: with little to set again, and how much that is. */
export interface PlannedHour extends SolvedHour {
  /** Notches and plates changed, and what they would be in the order as it was found. */
  moves: number;
  movesBefore: number;
}

const SEED = 20;
const within = (ms: number): Progress => {
  const began = performance.now();
  return () => (performance.now() - began) / ms;
};
/** Lets a message out before the next piece of work holds the thread. */
const breath = () => new Promise((next) => setTimeout(next));

/** Loaded once; the first thing that is solved takes several times as long, so that it is a small one. */
const solver = loadSolver(wasmUrl).then((solve) => {
  const { program, col, row } = building();
  const x = Array.from({ length: 3 }, () => col(1, { upper: 1, integer: true }));
  row(
    x.map((c) => [c, 1] as const),
    { lower: 2 },
  );
  solve(program, { timeS: 1 });
  return solve;
});

const REPLAN_MS = 250;

const api = {
  /** Plans an hour: soon, then proven; each plan that is worth it is told. */
  async solve(
    of: { hour: Hour; bar: BarKit | null; rounds: number | null; watchers: readonly Watcher[] },
    tell: (planned: PlannedHour) => void,
  ): Promise<void> {
    let shown: PlannedHour | null = null;
    // The first plan does not wait for the solver.
    const first = [...solveHour(of.hour, meansOf(null), of.rounds === null ? {} : { rounds: of.rounds })].at(
      -1,
    )!;
    const show = (solved: SolvedHour, worth = false) => {
      const better = worth || !shown || solved.plan.points <= shown.plan.points - WORTH_POINTS;
      if (better) {
        const p = prepared(of.hour, solved.plan.times, solved.rounds);
        const { plan, moves, before } = fewestMoves(p, solved.plan, platesOf(of.bar));
        // Rounds that nobody needs are time that is left.
        const used = plan.rounds.slice(0, Math.max(1, roundsUsed(plan.rounds)));
        shown = { ...solved, plan: { ...plan, rounds: used }, moves, movesBefore: before };
      } else shown = { ...shown!, bound: solved.bound };
      tell(shown);
    };
    let last = first;
    show(first);
    await breath();
    for (const solved of solveHour(of.hour, meansOf(await solver), {
      rounds: first.rounds,
      from: first.plan,
    })) {
      show(solved);
      last = solved;
      await breath();
    }
    const spread = betterSeen(of.hour, last, of.watchers, { seed: SEED, within });
    if (spread.plan !== last.plan) show(spread, true);
  },

  /** One thing done otherwise, each as it is found. */
  async helps(
    of: { hour: Hour; plan: HourPlan; instead: [string, readonly WorkOption[]][] },
    tell: (changed: Changed) => void,
  ): Promise<void> {
    for (const changed of whatHelps(of.hour, of.plan, new Map(of.instead), { seed: SEED, within })) {
      tell(changed);
      await breath();
    }
  },

  async exchanges(of: { hour: Hour; plan: HourPlan }): Promise<Exchange[]> {
    const found: Exchange[] = [];
    for (const e of exchanges(of.hour, of.plan, { seed: SEED, within })) {
      if (e) found.push(e);
      await breath();
    }
    return found;
  },

  /** The rest of a running hour after something came between. */
  again(of: { hour: Hour; plan: HourPlan; done: number; by: Disturbance }): HourPlan {
    const rest = restOf(of.hour, of.plan, of.done, of.by);
    const p = prepared(rest.hour, rest.times, rest.rounds);
    const solved = improved(p, asItWas(rest, of.plan), SEED, within(REPLAN_MS));
    return joined(of.plan, rest, solved);
  },
};

const meansOf = (solve: Means['solve']): Means => ({
  seed: SEED,
  within,
  now: () => performance.now(),
  solve,
});

export type HourApi = typeof api;
expose(api);

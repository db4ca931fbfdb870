import { loadSolver } from '../core/program/index.ts';
import {
  fewestMoves,
  greedyPlan,
  layOut,
  prepared,
  roundTimes,
  roundsFor,
  solveHour,
} from '../core/plan/index.ts';
import type { Hour, HourPlan, Progress, SolvedHour } from '../core/plan/index.ts';
import { madeUpHour } from '../core/testing/hours.ts';
import { seeded } from '../core/testing/seeded.ts';
import { middle, show } from './measure.ts';

const INSTANCES = 5;
const SIZES = [
  [8, 45],
  [12, 45],
  [16, 45],
  [24, 45],
  [24, 60],
] as const;
const SOON_MS = 2_300;

const within = (ms: number): Progress => {
  const began = performance.now();
  return () => (performance.now() - began) / ms;
};

/** What nobody plans with is beaten by: the list from its top, and the best of some shuffled lists. */
function baselines(hour: Hour): { listed: HourPlan; shuffled: HourPlan } {
  const best = (plans: readonly HourPlan[]) => plans.reduce((a, b) => (b.points < a.points ? b : a));
  const rounds = roundsFor(hour).map((b) => prepared(hour, roundTimes(hour, b), b));
  const random = seeded(9);
  const order = () =>
    hour.pieces
      .map((_, j) => ({ j, key: random() }))
      .sort((a, b) => a.key - b.key)
      .map((x) => x.j);
  return {
    listed: best(rounds.map((p) => greedyPlan(p, 'as given'))),
    shuffled: best(rounds.flatMap((p) => Array.from({ length: 20 }, () => greedyPlan(p, order())))),
  };
}

/** Hours of four to twenty-four people: how good, how soon, and beside the two ways without a search. */
export async function benchPlan(): Promise<void> {
  console.log(
    '\nThe hour: points, gap (what is not proven) at about 2 s and 10 s, and the two ways without a search',
  );
  const solve = await loadSolver();
  for (const [people, minutes] of SIZES) {
    const gaps: [number[], number[]] = [[], []];
    const ratios: [number[], number[]] = [[], []];
    const firsts: number[] = [];
    const points: number[] = [];
    const out = [0, 0, 0];
    let [wanted, seen] = [0, 0];
    for (let i = 0; i < INSTANCES; i++) {
      const hour = madeUpHour(people, minutes, 100 * people + i);
      const began = performance.now();
      let soon: SolvedHour | null = null;
      let last: SolvedHour | null = null;
      for (const s of solveHour(hour, { seed: 1, within, now: () => performance.now(), solve })) {
        if (!last) firsts.push(performance.now() - began);
        if (performance.now() - began <= SOON_MS || !soon) soon = s;
        last = s;
      }
      const gap = (s: SolvedHour) =>
        s.bound === null ? 1 : (s.plan.points - s.bound) / Math.max(1, s.plan.points);
      gaps[0].push(100 * gap(soon!));
      gaps[1].push(100 * gap(last!));
      const { listed, shuffled } = baselines(hour);
      ratios[0].push(listed.points / last!.plan.points);
      ratios[1].push(shuffled.points / last!.plan.points);
      points.push(last!.plan.points);
      [last!.plan, listed, shuffled].forEach((p, k) => (out[k]! += p.dropped.length));
      const p = prepared(hour, last!.plan.times, last!.rounds);
      const { plan } = fewestMoves(p, last!.plan, (a, b) => (a === b ? 0 : 2));
      for (const r of plan.rounds)
        for (const s of layOut(hour, r, plan.times.lengthS, [{ name: 'coach', atOnce: hour.coach.atOnce }])
          .stints)
          for (const x of s.sets)
            if (x.wanted) {
              wanted++;
              if (x.seenBy !== null) seen++;
            }
    }
    const worst = (list: readonly number[]) => Math.max(...list).toFixed(1);
    show(`${people} people, ${minutes} min: the first plan, median`, middle(firsts));
    console.log(
      `    points ${points.join(' ')}; gap soon ${middle(gaps[0]).toFixed(1)} % (worst ${worst(gaps[0])}), at the end ${middle(gaps[1]).toFixed(1)} % (worst ${worst(gaps[1])})`,
    );
    console.log(
      `    list from its top ${middle(ratios[0]).toFixed(2)} ×, best of 20 shuffled ${middle(ratios[1]).toFixed(2)} × the points; left out ${out.join(' / ')}; ${((100 * seen) / Math.max(1, wanted)).toFixed(1)} % of the wanted sets seen`,
    );
  }
}

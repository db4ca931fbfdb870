import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';

/** What one position asks of one leg (hip, knee) and of the low back, N·m; + extensor. */
export interface Asked {
  hipNm: number;
  kneeNm: number;
  l5Nm: number;
}

/**
 * What balance and skill add to what strength asks: a judgement, not a measurement.
 * A factor of 1 + value; negative where something to sit or lie on takes fear away.
 */
export const BALANCE = {
  'box or touch target': -0.15,
  'lying, two legs, floor': -0.1,
  'lying, two legs, bench or feet up': -0.05,
  'two legs': 0,
  'one-leg bridge': 0.1,
  'one-leg thrust': 0.15,
  'split stance': 0.15,
  'reverse lunge or one leg to a box': 0.2,
  'forward lunge, step-up or rear foot raised': 0.25,
  'one-leg hinge': 0.3,
  'one-leg squat': 0.35,
} as const;
export type Balance = keyof typeof BALANCE;

/** Share of m·g·H that counts as full demand, of the order of isometric strength (low certainty): the scale only. */
const FULL = { hip: 0.19, kneeExtension: 0.16, kneeFlexion: 0.09, back: 0.26 } as const;

export interface Demand {
  /** Points; about 0 to 100 and more. Differences under about 3 are ties. */
  points: number;
  /** Parts in points before balance: hip, knee and low back each on their own. */
  hip: number;
  knee: number;
  back: number;
  /** Factor for balance and skill. */
  balance: number;
  /** Share of the knee in knee and hip together at the peak of each. */
  kneeShare: number;
}

/**
 * Demand of a variation from the positions of its range.
 * @param dynamics factor for stepping into it: 1 static, 1.1 reverse lunge, 1.25 forward lunge
 */
export function demandOf(build: Build, range: readonly Asked[], balance: Balance, dynamics = 1): Demand {
  const unit = build.massKg * G * build.statureM;
  const peak = (value: (a: Asked) => number) => Math.max(0, ...range.map(value));
  const hipNm = peak((a) => Math.abs(a.hipNm));
  const hip = (dynamics * hipNm) / (FULL.hip * unit);
  const knee =
    (dynamics *
      Math.max(peak((a) => a.kneeNm) / FULL.kneeExtension, peak((a) => -a.kneeNm) / FULL.kneeFlexion)) /
    unit;
  const back = (dynamics * peak((a) => a.l5Nm)) / (FULL.back * unit);
  const strength = 100 * (0.6 * Math.max(hip, knee, back) + (0.4 * (hip + knee + back)) / 3);
  const factor = 1 + BALANCE[balance];
  const kneeNm = peak((a) => Math.abs(a.kneeNm));
  return {
    points: strength * factor,
    hip: 100 * hip,
    knee: 100 * knee,
    back: 100 * back,
    balance: factor,
    kneeShare: hipNm + kneeNm === 0 ? 0 : kneeNm / (hipNm + kneeNm),
  };
}

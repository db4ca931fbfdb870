import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { Posture } from '../posture/index.ts';

/**
 * What balance and skill add to what strength asks: a judgement, not a measurement.
 * A factor of 1 + value; negative where something to sit, lie or hold on to takes fear away.
 */
export const BALANCE = {
  'box, touch target or something to hold': -0.15,
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

/** Greatest moments over some positions, N·m: the worst leg for hip and knee, the low back as it is. */
export interface Peaks {
  /** Greatest of |hip|. */
  hipNm: number;
  /** Greatest knee extension and greatest knee flexion (hamstrings), both positive. */
  kneeNm: number;
  kneeFlexionNm: number;
  l5Nm: number;
}

/** Peaks over positions; a lunge's rear hip counts by what it holds the other way. */
export function peaksOf(postures: readonly Posture[]): Peaks {
  const peaks: Peaks = { hipNm: 0, kneeNm: 0, kneeFlexionNm: 0, l5Nm: 0 };
  for (const p of postures) {
    for (const leg of p.legs) {
      const hip =
        leg.leg === 'rear leg' ? -leg.hipNm : leg.leg === 'front leg' ? leg.hipNm : Math.abs(leg.hipNm);
      if (hip > peaks.hipNm) peaks.hipNm = hip;
      if (leg.kneeNm > peaks.kneeNm) peaks.kneeNm = leg.kneeNm;
      if (-leg.kneeNm > peaks.kneeFlexionNm) peaks.kneeFlexionNm = -leg.kneeNm;
    }
    if (p.l5Nm !== null && p.l5Nm > peaks.l5Nm) peaks.l5Nm = p.l5Nm;
  }
  return peaks;
}

export interface Points {
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
 * Demand in points from peaks: `100·(0.6·max + 0.4·mean)` of hip, knee and back as shares of an assumed full
 * demand, times 1 + balance. The full demands are of the order of isometric strength and set the scale only.
 * @param dynamics factor for stepping into it: 1 static, 1.1 reverse lunge, 1.25 forward lunge
 */
export function pointsOf(build: Build, peaks: Peaks, balance: Balance, dynamics = 1): Points {
  const c = build.constants;
  const unit = (build.massKg * G * build.statureM) / dynamics;
  const hip = peaks.hipNm / (c.fullHip * unit);
  const knee = Math.max(peaks.kneeNm / c.fullKnee, peaks.kneeFlexionNm / c.fullKneeFlexion) / unit;
  const back = peaks.l5Nm / (c.fullBack * unit);
  const strength = 100 * (0.6 * Math.max(hip, knee, back) + (0.4 * (hip + knee + back)) / 3);
  const factor = 1 + BALANCE[balance];
  const kneeNm = Math.max(peaks.kneeNm, peaks.kneeFlexionNm);
  return {
    points: strength * factor,
    hip: 100 * hip,
    knee: 100 * knee,
    back: 100 * back,
    balance: factor,
    kneeShare: peaks.hipNm + kneeNm === 0 ? 0 : kneeNm / (peaks.hipNm + kneeNm),
  };
}

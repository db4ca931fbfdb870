import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { LegMoments, Posture } from '../posture/index.ts';
import { clamp, legAngles } from '../posture/index.ts';
import { hipExtensionAt, kneeExtensionAt, kneeFlexionAt } from './capacity.ts';

/**
 * What balance and skill ask besides strength, in points: a judgement, not a measurement. Lying needs none of it, a hand
 * that steadies takes more than half away, a target or seat takes the fear of falling.
 */
export const BALANCE = {
  lying: 0,
  'two legs, held or to a seat': 0,
  'two legs': 5,
  'one leg, lying': 3,
  'split stance, hand on something': 2,
  'split stance': 6,
  'stepping, hand on something': 3,
  sideways: 8,
  stepping: 14,
  'one leg, hand on something': 9,
  'one leg to a seat or a step': 13,
  'one leg': 18,
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

/** The same as shares of what the joints have at their angles. */
export interface Shares {
  hip: number;
  knee: number;
  back: number;
}

export interface Asked {
  peaks: Peaks;
  shares: Shares;
}

/** Whether a leg is the one behind, whose own points stand in `other`. */
const isBehind = (leg: LegMoments) => leg.leg === 'rear leg' || leg.leg === 'toe of the other foot';

/** Bend of the hip and knee that a leg's moments belong to, degrees. */
export function bendsOf(p: Posture, leg: LegMoments): { hipDeg: number; kneeDeg: number } {
  if (!isBehind(leg) || !p.joints.other) return { hipDeg: p.hipFlexionDeg, kneeDeg: p.kneeFlexionDeg };
  const { thighDeg, shankDeg } = legAngles({ ...p.joints.other, hip: p.joints.hip });
  return { hipDeg: thighDeg + p.trunkDeg, kneeDeg: thighDeg + shankDeg };
}

/** Greatest moments over positions, and greatest shares of what each joint has at its angle there. */
export function askedBy(build: Build, postures: readonly Posture[]): Asked {
  const peaks: Peaks = { hipNm: 0, kneeNm: 0, kneeFlexionNm: 0, l5Nm: 0 };
  const shares: Shares = { hip: 0, knee: 0, back: 0 };
  const unit = build.massKg * G * build.statureM;
  for (const p of postures) {
    for (const leg of p.legs) {
      const { hipDeg, kneeDeg } = bendsOf(p, leg);
      const hip = leg.hipNm;
      const knee = leg.kneeNm;
      peaks.hipNm = Math.max(peaks.hipNm, Math.abs(hip));
      peaks.kneeNm = Math.max(peaks.kneeNm, knee);
      peaks.kneeFlexionNm = Math.max(peaks.kneeFlexionNm, -knee);
      const hipHas = hip > 0 ? hipExtensionAt(build, hipDeg) : -build.constants.fullHipFlexion;
      const kneeHas = knee > 0 ? kneeExtensionAt(build, kneeDeg) : -kneeFlexionAt(build, hipDeg, kneeDeg);
      shares.hip = Math.max(shares.hip, hip / (hipHas * unit));
      shares.knee = Math.max(shares.knee, knee / (kneeHas * unit));
    }
    if (p.l5Nm !== null) peaks.l5Nm = Math.max(peaks.l5Nm, p.l5Nm);
  }
  shares.back = peaks.l5Nm / (build.constants.fullBack * unit);
  return { peaks, shares };
}

export interface Points {
  /** Points; about 0 to 100 and more. Differences under about 3 are ties. The sum of the five parts. */
  points: number;
  /** Parts of strength in points: hip, knee and low back each on their own, as shares of what they have. */
  hip: number;
  knee: number;
  back: number;
  /** What hip, knee and back ask together: `0.6·max + 0.4·mean`. */
  strength: number;
  balance: number;
  /** What it takes of the range that ankle and hip have. */
  range: number;
  /** Holding, lifting and bracing the load itself. */
  handling: number;
  /** What catching or speeding up adds; 0 where everything is slow. */
  speed: number;
  /** Share of the knee in knee and hip together at the peak of each. */
  kneeShare: number;
}

export interface PointsInput {
  balance: Balance;
  /** Peak against static ground force: 1 where everything is slow. */
  faster: number;
  /** Share of the range of ankle or hip that is used, whichever is more. */
  rangeUsed: number;
  /** Something to hold or sit on helps into the range as well. */
  helped: boolean;
  /** Load as a share of body mass. */
  loadShare: number;
}

/** Below this share of one's range a position is simply taken; at the end of it the part is full. */
const RANGE_FREE = 0.7;
/** Points of a range used up, and of a load as heavy as the body: judgements. */
const RANGE_POINTS = 9;
const HANDLING_POINTS = 10;

/** Demand in points from what joints are asked and the parts besides. */
export function pointsOf({ peaks, shares }: Asked, o: PointsInput): Points {
  const { hip, knee, back } = shares;
  const strength = 100 * (0.6 * Math.max(hip, knee, back) + (0.4 * (hip + knee + back)) / 3);
  const parts = {
    strength,
    balance: BALANCE[o.balance],
    range:
      (RANGE_POINTS * (o.helped ? 0.5 : 1) * clamp(0, o.rangeUsed - RANGE_FREE, 1 - RANGE_FREE)) /
      (1 - RANGE_FREE),
    handling: HANDLING_POINTS * o.loadShare,
    speed: strength * (o.faster - 1),
  };
  const kneeNm = Math.max(peaks.kneeNm, peaks.kneeFlexionNm);
  return {
    points: parts.strength + parts.balance + parts.range + parts.handling + parts.speed,
    hip: 100 * hip,
    knee: 100 * knee,
    back: 100 * back,
    ...parts,
    kneeShare: peaks.hipNm + kneeNm === 0 ? 0 : kneeNm / (peaks.hipNm + kneeNm),
  };
}

import type { Build } from '../body/index.ts';
import { clamp, deg, rad } from './plane.ts';
import type { PointMass } from './plane.ts';
import { rootBetween } from './root.ts';
import {
  armPoint,
  armsUnder,
  comX,
  footOn,
  freeLegAlong,
  jointsOver,
  loadPoint,
  standingMasses,
  standingMoments,
} from './standing.ts';
import type { ArmsAt, LoadAt, Moments, StandingJoints, StandingMasses } from './standing.ts';

export interface SquatSetUp {
  /** Thigh from the vertical: 0 standing, 90 thigh level. */
  thighDeg: number;
  load: LoadAt;
  loadKg: number;
  /** What the arms do when no load decides it. */
  arms: ArmsAt;
  legs: 1 | 2;
  /** Where the free leg of one-leg work is held: ahead in a squat, hanging in a step-up. */
  freeLeg: 'ahead' | 'down';
  /** Centre of pressure as a share of foot length from the heel. */
  pressure: number;
  heelWedgeDeg: number;
  /** House rule for the shin, degrees from the vertical. */
  shinLimitDeg: number;
  /** How far the knee may pass the toe, metres; Infinity: as far as the ankle lets it. */
  kneePastToeM: number;
  /** Greatest trunk lean, degrees; 60 by default, 45 in upright schools. */
  leanLimitDeg: number;
}

export const SQUAT_DEFAULTS: SquatSetUp = {
  thighDeg: 90,
  load: 'none',
  loadKg: 0,
  arms: 'forward',
  legs: 2,
  freeLeg: 'ahead',
  pressure: 0.45,
  heelWedgeDeg: 0,
  shinLimitDeg: Infinity,
  kneePastToeM: Infinity,
  leanLimitDeg: 60,
};

/** Trunk against shin by load place, degrees (low certainty, a setting): zero is parallel. */
const TRUNK_OFFSET_DEG: Record<LoadAt, number> = {
  none: 0,
  'at the sides': 0,
  counterweight: -8,
  goblet: -12,
  chest: -10,
  front: -15,
  'across high': 3,
  'across low': 15,
};

export type SquatLimit = 'none' | 'ankle' | 'shin rule' | 'knee past toe';

export interface SquatPosture {
  joints: Omit<StandingJoints, 'hand'>;
  masses: StandingMasses;
  shankDeg: number;
  thighDeg: number;
  trunkDeg: number;
  /** Null for a posture that falls: its moments would mean nothing. */
  moments: Moments | null;
  /** What stopped the shin. */
  limit: SquatLimit;
  copX: number;
  comX: number;
  /** How far the centre of mass stays behind the centre of pressure, metres; 0 in balance. */
  shortM: number;
  verdict: 'balanced' | 'weight shifts back' | 'falls backward' | 'tips forward';
  dorsiflexionDeg: number;
  kneePastToeM: number;
}

/**
 * Static squat at one depth. The trunk follows the shin by the style of the load until something
 * stops the shin; then the trunk leans for balance; beyond its greatest lean the posture falls short.
 */
export function squat(build: Build, partial: Partial<SquatSetUp> = {}): SquatPosture {
  const set = { ...SQUAT_DEFAULTS, ...partial };
  const foot = footOn(build, set.heelWedgeDeg);
  const thighDeg = set.legs === 1 ? Math.min(set.thighDeg, 90) : set.thighDeg;
  const copX = foot.heel.x + set.pressure * (foot.toe.x - foot.heel.x);
  const leanMax = Math.min(set.leanLimitDeg, 145 - thighDeg);
  const offset = TRUNK_OFFSET_DEG[set.load] * Math.sin(rad(Math.min(thighDeg, 90)));
  const arms = armsUnder(set.load, set.arms);

  const pose = (shankDeg: number, trunkDeg: number) => {
    const joints = jointsOver(build, foot, shankDeg, thighDeg, trunkDeg);
    const place = loadPoint(build, set.load, joints.hip, joints.shoulder, trunkDeg);
    const load: PointMass | null = place && set.loadKg > 0 ? { ...place, kg: set.loadKg } : null;
    // The free leg of a one-leg squat is held straight ahead, as high as the thigh is low.
    const ahead = { x: Math.sin(rad(thighDeg)), y: -Math.cos(rad(thighDeg)) };
    const direction = set.freeLeg === 'ahead' ? ahead : { x: 0, y: -1 };
    const free = set.legs === 1 ? freeLegAlong(build, joints.hip, direction) : [];
    const armsAt = armPoint(build, arms, joints.hip, joints.shoulder, trunkDeg);
    return { joints, masses: standingMasses(build, foot, joints, set.legs, armsAt, load, free) };
  };
  const style = (shankDeg: number) => clamp(-10, shankDeg + offset, leanMax);
  const off = (shankDeg: number, trunkDeg: number) => comX(pose(shankDeg, trunkDeg).masses) - copX;

  const kneeRoom = (foot.toe.x + set.kneePastToeM - foot.ankle.x) / build.lengths.shank;
  const limits: [SquatLimit, number][] = [
    ['ankle', build.ankleLimitDeg + set.heelWedgeDeg],
    ['shin rule', set.shinLimitDeg],
    ['knee past toe', kneeRoom >= 1 ? Infinity : deg(Math.asin(kneeRoom))],
  ];
  const [limitName, shinMax] = limits.reduce((a, b) => (b[1] < a[1] ? b : a));

  let limit: SquatLimit = 'none';
  let shankDeg = rootBetween((s) => off(s, style(s)), -30, 89);
  let trunkDeg: number;
  if (shankDeg !== null && shankDeg <= shinMax) trunkDeg = style(shankDeg);
  else {
    shankDeg = shinMax;
    limit = limitName;
    trunkDeg = rootBetween((t) => off(shankDeg!, t), -10, leanMax) ?? leanMax;
  }
  const { joints, masses } = pose(shankDeg, trunkDeg);
  const com = comX(masses);
  const shortM = Math.max(0, copX - com);
  const balanced = Math.abs(com - copX) < 1e-9;
  return {
    joints,
    masses,
    shankDeg,
    thighDeg,
    trunkDeg,
    moments: balanced ? standingMoments(masses, joints) : null,
    limit,
    copX,
    comX: com,
    shortM: balanced ? 0 : shortM,
    // A load held far ahead of a light body cannot be balanced by leaning back either.
    verdict: balanced
      ? 'balanced'
      : com > copX
        ? 'tips forward'
        : com >= foot.heel.x
          ? 'weight shifts back'
          : 'falls backward',
    dorsiflexionDeg: shankDeg - set.heelWedgeDeg,
    kneePastToeM: joints.knee.x - foot.toe.x,
  };
}

/**
 * Start of a step-up: the standing leg on a box, the trailing leg still straight on its toes, which
 * settles the height of the hip and with it the bend of the standing leg.
 * @throws RangeError when the box is higher than the leg can start from
 */
export function stepUp(build: Build, boxM: number, partial: Partial<SquatSetUp> = {}): SquatPosture {
  const { ankleHeight, shank, thigh } = build.lengths;
  const hipM = ankleHeight + shank + thigh + 0.05 * build.statureM - boxM;
  const at = (thighDeg: number) =>
    squat(build, { arms: 'at the sides', ...partial, legs: 1, freeLeg: 'down', thighDeg });
  const thighDeg = rootBetween((t) => at(t).joints.hip.y - hipM, 0, 90, 1e-11);
  if (thighDeg === null) throw new RangeError(`A step of ${boxM} m is out of reach for this body.`);
  return at(thighDeg);
}

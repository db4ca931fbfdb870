import type { Build } from '../body/index.ts';
import { fittedBenchM, hinge, loadPoint, rad, rightAngleStepM, squat, whatHelps } from '../posture/index.ts';

/** Common practice, no source: the bar is taken out with a little bend of the knees. */
const HOOK_BELOW_SHOULDER_M = 0.05;
/** A low bar lies so much lower, as a share of stature (judgement). */
const LOW_BAR = 0.02;
/** Half of a bar of 28 mm; and room below it (common practice, no source). */
const BAR_RADIUS_M = 0.014;
const ROOM_UNDER_BAR_M = 0.03;
const STEP_SHANK_DEG = 15;
/** Hip centres lie so far apart, as a share of stature (judgement). */
const HIP_CENTRES = 0.1;
/** Axle of a hip machine above its lowest platform: its highest notch, 40 cm, fits 1.60 m (common practice). */
export const MACHINE_AXLE_M = 1.248;
/** Eye height as a share of stature; value from memory. */
const EYES = 0.936;
/** The eyes lift easily so far while the neck stays in line (judgement). */
const EASY_GAZE_DEG = 25;

const LOWEST_RIBS = 0.4;

/** The foot lies on a shoe: everything that is measured from the floor rises by its sole. */
export interface Worn {
  soleM: number;
}
const BAREFOOT: Worn = { soleM: 0 };

/** Height of a box sat on with standing shins, thighs level, metres. */
export function seatedBoxM({ lengths: l, statureM: H, constants: c }: Build, { soleM } = BAREFOOT): number {
  return soleM + l.ankleHeight + l.shank * Math.cos(rad(c.seatedShank)) - c.buttockDepth * H;
}

/** Height of a box that is touched in balance, arms forward, with the thigh at an angle from the vertical, metres. */
export function touchedBoxM(build: Build, thighDeg = 90, { soleM } = BAREFOOT): number {
  return (
    soleM +
    squat(build, { thighDeg, arms: 'forward' }).joints.hip.y -
    build.constants.buttockDepth * build.statureM
  );
}

/** Height of a bench for a level line at the top of a thrust with upright shins; also the seat of a ball, metres. */
export const thrustBenchM = (build: Build, { soleM } = BAREFOOT): number => soleM + fittedBenchM(build);

export function shoulderM({ lengths: l }: Build, { soleM } = BAREFOOT): number {
  return soleM + l.ankleHeight + l.shank + l.thigh + l.hipShoulder;
}

/** Height of the hooks for a bar high or in front, or low across the shoulders, metres. */
export function hooksM(build: Build, place: 'high or front' | 'low', worn = BAREFOOT): number {
  return shoulderM(build, worn) - HOOK_BELOW_SHOULDER_M - (place === 'low' ? LOW_BAR * build.statureM : 0);
}

/** Height of the hooks for a bar that hangs in straight hands at mid-thigh, metres (judgement: half of the thigh). */
export const midThighM = ({ lengths: l }: Build, { soleM } = BAREFOOT): number =>
  soleM + l.ankleHeight + l.shank + l.thigh / 2;

/** Height of handles at the lowest ribs, metres (judgement: so far up from hip to shoulder). */
export const handlesM = ({ lengths: l }: Build, { soleM } = BAREFOOT): number =>
  soleM + l.ankleHeight + l.shank + l.thigh + LOWEST_RIBS * l.hipShoulder;

/** Height of the bar at the bottom of a squat, metres. */
export function barAtBottomM(
  build: Build,
  {
    load,
    loadKg,
    thighDeg = 90,
  }: { load: 'across high' | 'across low' | 'front'; loadKg: number; thighDeg?: number },
  { soleM } = BAREFOOT,
): number {
  const p = squat(build, { thighDeg, load, loadKg });
  return soleM + loadPoint(build, load, p.joints.hip, p.trunkDeg)!.y;
}

/** Height at or under which the safeties stand, so that the bar does not touch them in a clean repetition, metres. */
export const safetiesM = (barM: number): number => barM - BAR_RADIUS_M - ROOM_UNDER_BAR_M;

/** Height of a step with the front thigh so far from the vertical; 90 is level, which is the most, metres. */
export function stepM({ lengths: l, statureM: H, constants: c }: Build, thighDeg: 90 | 60): number {
  return (
    l.thigh * (1 - Math.cos(rad(thighDeg))) + c.stepUpRise * H + l.shank * (1 - Math.cos(rad(STEP_SHANK_DEG)))
  );
}

/** A lunge with a right angle at both knees: heel to heel, and its tape from the front heel to the ball of the rear foot. */
export function lungeStepM(build: Build): { heelToHeelM: number; tapeM: number } {
  const heelToHeelM = rightAngleStepM(build);
  return { heelToHeelM, tapeM: heelToHeelM - build.constants.ballPlace * build.lengths.foot };
}

/** A step to the side, foot to foot, metres. */
export function sideStepM({ lengths: l, statureM: H }: Build, thighDeg: number, shankDeg: number): number {
  const hipM = l.shank * Math.cos(rad(shankDeg)) + l.thigh * Math.cos(rad(thighDeg));
  return Math.sqrt((l.shank + l.thigh) ** 2 - hipM ** 2) + HIP_CENTRES * H;
}

/** Height at most of the seat behind, for the rear foot, metres. */
export const rearSeatM = ({ lengths: l }: Build, { soleM } = BAREFOOT): number =>
  soleM + l.ankleHeight + l.shank;

/** From the foot plate to the upper edge of the pad of an extension bench, metres. */
export const extensionPadM = ({ lengths: l, constants: c }: Build, { soleM } = BAREFOOT): number =>
  soleM + l.ankleHeight + l.shank + (1 - c.benchThighPad) * l.thigh;

/** Platform of a hip machine with the hip at its axle, metres. */
export const platformM = ({ lengths: l }: Build, axleM = MACHINE_AXLE_M, { soleM } = BAREFOOT): number =>
  axleM - (soleM + l.ankleHeight + l.shank + l.thigh);

/** Heel to the wall behind that the hips touch at a lean, arms at the sides, metres. */
export function heelToWallM(build: Build, leanDeg: number): number {
  const p = hinge(build, { trunkDeg: leanDeg, arms: 'at the sides' });
  return build.constants.buttockDepth * build.statureM - p.joints.hip.x;
}

/** Height of a wedge with which a squat stays within a lean, arms forward, metres; 0: none is needed, null: none helps. */
export function wedgeM(build: Build, leanDeg = 45): number | null {
  if (squat(build, { leanLimitDeg: leanDeg }).verdict === 'balanced') return 0;
  const wedge = whatHelps(build, {}, [leanDeg]).find((h) => h.change === 'heel wedge');
  return wedge ? build.lengths.foot * Math.sin(rad(wedge.wedgeDeg)) : null;
}

export const eyesM = ({ statureM: H }: Build, { soleM } = BAREFOOT): number => soleM + EYES * H;

/** Where the eyes rest on the floor in a hinge with the neck in line, metres ahead; null: straight ahead. */
export function eyeMarkM(build: Build, leanDeg: number, worn = BAREFOOT): number | null {
  return leanDeg <= EASY_GAZE_DEG ? null : eyesM(build, worn) / Math.tan(rad(leanDeg - EASY_GAZE_DEG));
}

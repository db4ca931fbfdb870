import type { Build } from '../body/index.ts';
import { armLength, G, gripLength, HALF_DEPTHS } from '../body/index.ts';
import { clamp, deg, rad } from './plane.ts';
import type { Point, PointMass } from './plane.ts';
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
  trunkAxes,
} from './standing.ts';
import type { ArmsAt, LoadAt, Moments, StandingJoints, StandingMasses } from './standing.ts';

/** How a load in the hands travels in front of or beside the legs. */
export type HandPath = 'hanging' | 'close' | 'beside' | 'held back';

export interface HingeSetUp {
  /** Trunk lean, degrees from the vertical. */
  trunkDeg: number;
  /** Knee flexion at a full hinge, degrees (15–20, common practice). */
  kneeDeg: number;
  /** A load in the hands by its path, or on the shoulders. */
  carry: HandPath | 'across high' | 'across low' | 'none';
  loadKg: number;
  arms: ArmsAt;
  legs: 1 | 2;
  pressure: number;
}

export const HINGE_DEFAULTS: HingeSetUp = {
  trunkDeg: 70,
  kneeDeg: 20,
  carry: 'none',
  loadKg: 0,
  arms: 'at the sides',
  legs: 2,
  pressure: 0.45,
};

/** A bar's radius with what it needs to clear, as a share of stature. */
const BAR_RADIUS = 0.008;
/** Share of m·g·H that the shoulder gives to hold a load back. */
const SHOULDER_CAP = 0.08;
/** The shin may lean back this far and no further, degrees. */
const SHIN_BACK_LIMIT_DEG = -10;

export interface HingePosture {
  joints: StandingJoints;
  masses: StandingMasses;
  shankDeg: number;
  thighDeg: number;
  trunkDeg: number;
  moments: Moments;
  /** How far the hips went back from standing with the same load, metres. */
  hipTravelM: number;
  copX: number;
  comX: number;
}

const isHands = (carry: HingeSetUp['carry']): carry is HandPath =>
  carry === 'hanging' || carry === 'close' || carry === 'beside' || carry === 'held back';

/** Where the front of the leg is at a height: shin below the knee, thigh above, blended at the knee. */
export function legFrontX(
  build: Build,
  j: Pick<StandingJoints, 'ankle' | 'knee'>,
  shankDeg: number,
  thighDeg: number,
  y: number,
): number {
  const H = build.statureM;
  const shin =
    j.ankle.x + (y - j.ankle.y) * Math.tan(rad(shankDeg)) + (HALF_DEPTHS.shin * H) / Math.cos(rad(shankDeg));
  const thigh =
    j.knee.x - (y - j.knee.y) * Math.tan(rad(thighDeg)) + (HALF_DEPTHS.thigh * H) / Math.cos(rad(thighDeg));
  const share = clamp(0, (y - (j.knee.y - 0.017 * H)) / (0.034 * H), 1);
  return shin + (thigh - shin) * share;
}

const legAxisX = (
  j: Pick<StandingJoints, 'ankle' | 'knee'>,
  shankDeg: number,
  thighDeg: number,
  y: number,
) =>
  y < j.knee.y
    ? j.ankle.x + (y - j.ankle.y) * Math.tan(rad(shankDeg))
    : j.knee.x - (y - j.knee.y) * Math.tan(rad(thighDeg));

function handPoint(
  build: Build,
  set: HingeSetUp,
  path: HandPath,
  j: Omit<StandingJoints, 'hand'>,
  shankDeg: number,
  thighDeg: number,
): Point {
  const H = build.statureM;
  const grip = gripLength(build);
  const low = j.shoulder.y - grip;
  const front = legFrontX(build, j, shankDeg, thighDeg, low) + BAR_RADIUS * H;
  const cap = set.loadKg > 0 ? (SHOULDER_CAP * build.massKg * H) / set.loadKg : Infinity;
  const x = {
    hanging: Math.max(j.shoulder.x, front),
    close: front,
    beside: legAxisX(j, shankDeg, thighDeg, low),
    'held back': Math.max(front, j.shoulder.x - cap),
  }[path];
  const side = clamp(-grip, x - j.shoulder.x, grip);
  return { x, y: j.shoulder.y - Math.sqrt(grip * grip - side * side) };
}

function poseAt(build: Build, set: HingeSetUp, shankDeg: number, thighDeg: number, trunkDeg: number) {
  const foot = footOn(build, 0);
  const joints = jointsOver(build, foot, shankDeg, thighDeg, trunkDeg);
  const { carry } = set;
  let arms: Point;
  let hand: Point | null = null;
  let load: PointMass | null = null;
  if (isHands(carry)) {
    hand = handPoint(build, set, carry, joints, shankDeg, thighDeg);
    const share = (build.masses.arm.centre * armLength(build)) / gripLength(build);
    arms = {
      x: joints.shoulder.x + (hand.x - joints.shoulder.x) * share,
      y: joints.shoulder.y + (hand.y - joints.shoulder.y) * share,
    };
    if (set.loadKg > 0) load = { ...hand, kg: set.loadKg };
  } else {
    const place: LoadAt = carry;
    arms = armPoint(build, armsUnder(place, set.arms), joints.hip, joints.shoulder, trunkDeg);
    const at = loadPoint(build, place, joints.hip, joints.shoulder, trunkDeg);
    if (at && set.loadKg > 0) load = { ...at, kg: set.loadKg };
  }
  // In a one-leg hinge the free leg goes on the line of the trunk, behind.
  const { u } = trunkAxes(trunkDeg);
  const free = set.legs === 1 ? freeLegAlong(build, joints.hip, { x: -u.x, y: -u.y }) : [];
  const masses = standingMasses(build, foot, joints, set.legs, arms, load, free);
  return { joints: { ...joints, hand: hand ?? arms }, masses, foot };
}

/**
 * Static hinge at one trunk lean: the knee gives with the lean, the shin takes the angle that balances
 * the whole; where it would lean back too far it stays and the thigh adapts.
 */
export function hinge(build: Build, partial: Partial<HingeSetUp> = {}): HingePosture {
  const set = { ...HINGE_DEFAULTS, ...partial };
  const foot = footOn(build, 0);
  const copX = foot.heel.x + set.pressure * (foot.toe.x - foot.heel.x);

  const solve = (trunkDeg: number) => {
    const kneeDeg = set.kneeDeg * Math.min(1, Math.sin(rad(trunkDeg)) / Math.sin(rad(45)));
    const off = (shank: number, thigh: number) =>
      comX(poseAt(build, set, shank, thigh, trunkDeg).masses) - copX;
    let shankDeg = rootBetween((s) => off(s, kneeDeg - s), -45, 45) ?? SHIN_BACK_LIMIT_DEG;
    let thighDeg = kneeDeg - shankDeg;
    if (shankDeg < SHIN_BACK_LIMIT_DEG) {
      shankDeg = SHIN_BACK_LIMIT_DEG;
      thighDeg = rootBetween((t) => off(shankDeg, t), -20, 100) ?? thighDeg;
    }
    return { shankDeg, thighDeg, ...poseAt(build, set, shankDeg, thighDeg, trunkDeg) };
  };

  const upright = solve(0);
  const { shankDeg, thighDeg, joints, masses } = solve(set.trunkDeg);
  return {
    joints,
    masses,
    shankDeg,
    thighDeg,
    trunkDeg: set.trunkDeg,
    moments: standingMoments(masses, joints),
    hipTravelM: upright.joints.hip.x - joints.hip.x,
    copX,
    comX: comX(masses),
  };
}

export interface LiftSetUp {
  /** Height of the hands over the floor, metres. */
  fromHeightM: number;
  implement: 'straight bar' | 'at the sides';
  loadKg: number;
  pressure: number;
}

/**
 * Lift from a height: the shin is the only unknown. The bar touches it, the shoulder stands a little
 * ahead of the bar at arm's length, hip and knee follow from the two segments between.
 * @throws RangeError when the segments do not reach
 */
export function lift(build: Build, set: LiftSetUp): HingePosture {
  const H = build.statureM;
  const { shank, thigh, hipShoulder } = build.lengths;
  const grip = gripLength(build);
  const foot = footOn(build, 0);
  const copX = foot.heel.x + set.pressure * (foot.toe.x - foot.heel.x);
  const ahead = set.implement === 'straight bar' ? 0.03 * H : 0;

  const pose = (shankDeg: number) => {
    const s = rad(shankDeg);
    const knee = { x: foot.ankle.x + shank * Math.sin(s), y: foot.ankle.y + shank * Math.cos(s) };
    const clear =
      set.implement === 'straight bar' ? (HALF_DEPTHS.shin * H) / Math.cos(s) + BAR_RADIUS * H : 0;
    const bar = {
      x: foot.ankle.x + (set.fromHeightM - foot.ankle.y) * Math.tan(s) + clear,
      y: set.fromHeightM,
    };
    const shoulder = { x: bar.x + ahead, y: bar.y + Math.sqrt(grip * grip - ahead * ahead) };
    const dx = shoulder.x - knee.x;
    const dy = shoulder.y - knee.y;
    const d = Math.hypot(dx, dy);
    if (d > thigh + hipShoulder || d < Math.abs(thigh - hipShoulder)) return null;
    const along = (d * d + thigh * thigh - hipShoulder * hipShoulder) / (2 * d);
    const out = Math.sqrt(thigh * thigh - along * along);
    // The rear one of the two places where thigh and trunk meet.
    const hip = {
      x: knee.x + (along * dx) / d - (out * dy) / d,
      y: knee.y + (along * dy) / d + (out * dx) / d,
    };
    const thighDeg = deg(Math.atan2(knee.x - hip.x, hip.y - knee.y));
    const trunkDeg = deg(Math.atan2(shoulder.x - hip.x, shoulder.y - hip.y));
    const joints = jointsOver(build, foot, shankDeg, thighDeg, trunkDeg);
    const share = (build.masses.arm.centre * armLength(build)) / grip;
    const arms = {
      x: shoulder.x + (bar.x - shoulder.x) * share,
      y: shoulder.y + (bar.y - shoulder.y) * share,
    };
    const masses = standingMasses(build, foot, joints, 2, arms, { ...bar, kg: set.loadKg }, []);
    return { joints: { ...joints, hand: bar }, masses, thighDeg, trunkDeg };
  };
  const off = (s: number) => {
    const p = pose(s);
    return p ? comX(p.masses) - copX : NaN;
  };
  // The reachable shins are looked for first: at some angles thigh and trunk do not meet.
  let shankDeg: number | null = null;
  for (let a = -10; a < 45 && shankDeg === null; a += 1) {
    const [left, right] = [off(a), off(a + 1)];
    if (Number.isFinite(left) && Number.isFinite(right) && left <= 0 !== right <= 0)
      shankDeg = rootBetween(off, a, a + 1);
  }
  const found = shankDeg === null ? null : pose(shankDeg);
  if (shankDeg === null || !found)
    throw new RangeError('No balanced start of this lift is within reach of the body.');
  return {
    joints: found.joints,
    masses: found.masses,
    shankDeg,
    thighDeg: found.thighDeg,
    trunkDeg: found.trunkDeg,
    moments: standingMoments(found.masses, found.joints),
    hipTravelM: 0,
    copX,
    comX: comX(found.masses),
  };
}

export interface ExtensionMoments {
  hipNm: number;
  l5Nm: number;
}

/**
 * Bench hip extension, arms crossed: moments at hip and L5/S1 with the trunk at an angle from the
 * vertical (180 hangs down, 90 is level), no load.
 */
export function extension(build: Build, trunkDeg: number): ExtensionMoments {
  const hip = { x: 0, y: 0 };
  const { u } = trunkAxes(trunkDeg);
  const Lh = build.lengths.hipShoulder;
  const shoulder = { x: Lh * u.x, y: Lh * u.y };
  const joints = { ...jointsOver(build, footOn(build, 0), 0, 0, trunkDeg), hip, shoulder };
  const l5x = 0.2 * Lh * u.x;
  const arms = armPoint(build, 'on the chest', hip, shoulder, trunkDeg);
  const m = standingMasses(build, footOn(build, 0), joints, 2, arms, null, []);
  const moment = (masses: PointMass[], x0: number) =>
    G * masses.reduce((sum, p) => sum + p.kg * (p.x - x0), 0);
  return { hipNm: moment(m.aboveHip, 0), l5Nm: moment(m.aboveL5, l5x) };
}

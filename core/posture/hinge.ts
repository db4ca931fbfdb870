import { armLength, G, gripLength } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import { between, circlesMeet, clamp, deg, rad } from './plane.ts';
import type { Point } from './plane.ts';
import type { LegMoments, Masses, OtherLeg, Posture } from './posture.ts';
import { rootBetween, rootNear } from './root.ts';
import {
  footOn,
  footOnBall,
  freeLegJoints,
  freeLegMasses,
  freeLegSums,
  jointsOver,
  legMasses,
} from './on-feet.ts';
import type { Foot } from './on-feet.ts';
import { armPoint, armsUnder, loadPoint, trunkAxes, upperMasses, upperOf } from './upper.ts';
import type { ArmsAt, LoadAt, Upper } from './upper.ts';

/** How a load in the hands travels in front of or beside the legs. */
export type HandPath = 'hanging' | 'close' | 'beside' | 'held back';

export interface HingeSetUp {
  /** Trunk lean, degrees from the vertical. */
  trunkDeg: number;
  /** Knee flexion at a full hinge, degrees (15–20, common practice). */
  kneeDeg: number;
  /** A load in the hands by its path, or on the upper body. */
  carry: HandPath | LoadAt;
  loadKg: number;
  arms: ArmsAt;
  legs: 1 | 2;
  /** The toe of the other foot rests behind and carries this share of the weight; 0: no kickstand. */
  kickstandShare: number;
  pressure: number;
}

export const hingeDefaults = (build: Build): HingeSetUp => ({
  trunkDeg: 70,
  kneeDeg: 20,
  carry: 'none',
  loadKg: 0,
  arms: 'at the sides',
  legs: 2,
  kickstandShare: 0,
  pressure: build.constants.pressure,
});

const inHands = (carry: HingeSetUp['carry']): carry is HandPath =>
  carry === 'hanging' || carry === 'close' || carry === 'beside' || carry === 'held back';

/** Ankle and knee with the sines and cosines of shank and thigh: what the line of the leg is made of. */
interface LegLine {
  ankleX: number;
  ankleY: number;
  kneeX: number;
  kneeY: number;
  sinS: number;
  cosS: number;
  sinT: number;
  cosT: number;
}

/** Where the front of the leg is at a height: shin below the knee, thigh above, blended at the knee. */
function legFrontX(build: Build, g: LegLine, y: number): number {
  const { statureM: H, constants: c } = build;
  const shin = g.ankleX + ((y - g.ankleY) * g.sinS) / g.cosS + (c.shinDepth * H) / g.cosS;
  const thigh = g.kneeX - ((y - g.kneeY) * g.sinT) / g.cosT + (c.thighDepth * H) / g.cosT;
  const share = clamp(0, (y - (g.kneeY - 0.017 * H)) / (0.034 * H), 1);
  return shin + (thigh - shin) * share;
}

const legAxisX = (g: LegLine, y: number) =>
  y < g.kneeY ? g.ankleX + ((y - g.ankleY) * g.sinS) / g.cosS : g.kneeX - ((y - g.kneeY) * g.sinT) / g.cosT;

/** Where the hands are, level with the grip hanging from a shoulder at this place. */
function handX(
  build: Build,
  set: HingeSetUp,
  path: HandPath,
  g: LegLine,
  shoulderX: number,
  low: number,
): number {
  const { statureM: H, constants: c } = build;
  if (path === 'beside') return legAxisX(g, low);
  const front = legFrontX(build, g, low) + c.barRadius * H;
  if (path === 'close') return front;
  if (path === 'hanging') return Math.max(shoulderX, front);
  const cap = set.loadKg > 0 ? (c.shoulderCap * build.massKg * H) / set.loadKg : Infinity;
  return Math.max(front, shoulderX - cap);
}

/** How far arms with a load in the hands reach their common centre, as a share of the way to the grip. */
const armShare = (build: Build) => (build.masses.arm.centre * armLength(build)) / gripLength(build);

/** All that stays the same while a balance is looked for. */
interface Fixed {
  build: Build;
  set: HingeSetUp;
  foot: Foot;
  upper: Upper;
  free: { kg: number; kgM: number } | null;
  copX: number;
  weightKg: number;
  armsKg: number;
  armShare: number;
  grip: number;
}

function fixedOf(build: Build, partial: Partial<HingeSetUp>): Fixed {
  const set = { ...hingeDefaults(build), ...partial };
  const foot = footOn(build, 0);
  const { carry } = set;
  const hands = inHands(carry);
  // Arms that carry in the hands are added where the hands are; here only what the trunk alone settles.
  const upper = hands
    ? upperOf(
        { ...build, masses: { ...build.masses, arm: { ...build.masses.arm, fraction: 0 } } },
        'at the sides',
        'none',
        0,
      )
    : upperOf(build, armsUnder(carry, set.arms), carry, set.loadKg);
  const free = set.legs === 1 && set.kickstandShare === 0 ? freeLegSums(build) : null;
  const { masses, massKg } = build;
  const legKg = (masses.foot.fraction + masses.shank.fraction + masses.thigh.fraction) * massKg;
  const armsKg = hands ? 2 * masses.arm.fraction * massKg + set.loadKg : 0;
  return {
    build,
    set,
    foot,
    upper,
    free,
    copX: foot.heel.x + set.pressure * (foot.toe.x - foot.heel.x),
    weightKg: 2 * legKg + upper.hip.kg + armsKg,
    armsKg: hands ? armsKg - set.loadKg : 0,
    armShare: armShare(build),
    grip: gripLength(build),
  };
}

/** The hand's height is settled to this share of stature. */
const HAND_SETTLED = 1e-12;

/** Where the parts are at three angles, and what the hip carries: kept in numbers, since a search asks often. */
function placeAt(f: Fixed, shankDeg: number, thighDeg: number, trunkDeg: number) {
  const { build, set, foot, upper } = f;
  const { shank, thigh, hipShoulder } = build.lengths;
  const { masses, massKg } = build;
  const sinS = Math.sin(rad(shankDeg));
  const cosS = Math.cos(rad(shankDeg));
  const sinT = Math.sin(rad(thighDeg));
  const cosT = Math.cos(rad(thighDeg));
  const sin = Math.sin(rad(trunkDeg));
  const cos = Math.cos(rad(trunkDeg));
  const ankleX = foot.ankle.x;
  const ankleY = foot.ankle.y;
  const kneeX = ankleX + shank * sinS;
  const kneeY = ankleY + shank * cosS;
  const hipX = kneeX - thigh * sinT;
  const shoulderX = hipX + hipShoulder * sin;
  let hipKgM = upper.hip.sin * sin + upper.hip.cos * cos + upper.hip.still;
  let aboveKg = upper.hip.kg;
  let hand = NaN;
  let handY = NaN;
  if (inHands(set.carry)) {
    const shoulderY = kneeY + thigh * cosT + hipShoulder * cos;
    const leg = { ankleX, ankleY, kneeX, kneeY, sinS, cosS, sinT, cosT };
    // The hand is where the leg is at the height of the hand, which hangs on where it is: a few rounds settle it.
    handY = shoulderY - f.grip;
    for (let i = 0; i < 40; i++) {
      hand = handX(build, set, set.carry, leg, shoulderX, handY);
      const side = clamp(-f.grip, hand - shoulderX, f.grip);
      const y = shoulderY - Math.sqrt(f.grip * f.grip - side * side);
      const moved = Math.abs(y - handY);
      handY = y;
      if (moved < HAND_SETTLED * build.statureM) break;
    }
    const armsX = shoulderX + clamp(-f.grip, hand - shoulderX, f.grip) * f.armShare;
    hipKgM += f.armsKg * (armsX - hipX) + set.loadKg * (hand - hipX);
    aboveKg += f.armsKg + set.loadKg;
  }
  if (f.free) {
    // In a one-leg hinge the free leg goes on the line of the trunk, behind.
    hipKgM -= f.free.kgM * sin;
    aboveKg += f.free.kg;
  }
  const legs = set.legs * massKg;
  const kgM =
    legs * masses.foot.fraction * foot.centre.x +
    legs * masses.shank.fraction * (kneeX + (ankleX - kneeX) * masses.shank.centre) +
    legs * masses.thigh.fraction * (hipX + (kneeX - hipX) * masses.thigh.centre) +
    aboveKg * hipX +
    hipKgM;
  return { kgM, hipKgM, aboveKg, hand, handY };
}

/** A solved position: angles, joints, hand, and what hip and L5/S1 carry in kg·m. */
interface Pose {
  shankDeg: number;
  thighDeg: number;
  trunkDeg: number;
  joints: ReturnType<typeof jointsOver>;
  hand: Point | null;
  hipKgM: number;
  l5KgM: number;
  aboveKg: number;
  /** First moment of everything but a leg on its toe, from the heel. */
  kgM: number;
}

function poseAt(f: Fixed, shankDeg: number, thighDeg: number, trunkDeg: number): Pose {
  const { build, set, upper } = f;
  const { kgM, hipKgM, aboveKg, hand: x, handY } = placeAt(f, shankDeg, thighDeg, trunkDeg);
  const joints = jointsOver(build, f.foot, shankDeg, thighDeg, trunkDeg);
  const { shoulder, l5 } = joints;
  let l5KgM =
    upper.l5.sin * Math.sin(rad(trunkDeg)) + upper.l5.cos * Math.cos(rad(trunkDeg)) + upper.l5.still;
  let hand: Point | null = null;
  if (!Number.isNaN(x)) {
    const side = clamp(-f.grip, x - shoulder.x, f.grip);
    hand = { x, y: handY };
    l5KgM += f.armsKg * (shoulder.x + side * f.armShare - l5.x) + set.loadKg * (x - l5.x);
  }
  return { shankDeg, thighDeg, trunkDeg, joints, hand, hipKgM, l5KgM, aboveKg, kgM };
}

/** A leg counts as straight just short of it, so that its knee has a side. */
const STRAIGHT = 0.9999;

/**
 * The leg behind with its toe on the floor, its knee bent forward; where the leg would not reach, the heel comes up
 * until it does.
 */
function kickstandLeg(build: Build, hip: Point): OtherLeg & { contact: Point; reaches: boolean } {
  const { lengths, constants: c, statureM } = build;
  const contact = { x: c.ballPlace * lengths.foot - c.kickstandStep * statureM, y: 0 };
  const mtp = Math.hypot((c.ballPlace - c.anklePlace) * lengths.foot, lengths.ankleHeight);
  const ankleAt = (psi: number): Point => ({
    x: contact.x - mtp * Math.cos(psi),
    y: mtp * Math.sin(psi),
  });
  const most = STRAIGHT * (lengths.shank + lengths.thigh);
  let psi = rad(c.kickstandFootDeg);
  const tooFar = (angle: number) => {
    const a = ankleAt(angle);
    return Math.hypot(hip.x - a.x, hip.y - a.y) - most;
  };
  if (tooFar(psi) > 0) {
    // Ball, ankle and hip in one line is as near as the foot gets.
    const nearest = Math.atan2(hip.y - contact.y, contact.x - hip.x);
    psi = rootBetween(tooFar, psi, nearest) ?? nearest;
  }
  const ankle = ankleAt(psi);
  const meet = circlesMeet(ankle, lengths.shank, hip, lengths.thigh);
  return {
    contact,
    ankle,
    reaches: meet !== null,
    knee: meet ? meet[1] : between(ankle, hip, lengths.shank / (lengths.shank + lengths.thigh)),
    ...footOnBall(build, contact, deg(psi)),
  };
}

const rearMassesOf = (build: Build, hip: Point, leg: OtherLeg & { contact: Point }) => {
  const { masses, massKg } = build;
  const on = (fraction: number, p: Point) => ({ kg: fraction * massKg, ...p });
  return [
    on(masses.foot.fraction, between(leg.ankle, leg.contact, 0.5)),
    on(masses.shank.fraction, between(leg.knee, leg.ankle, masses.shank.centre)),
    on(masses.thigh.fraction, between(hip, leg.knee, masses.thigh.centre)),
  ];
};

/** Knee bend that goes with a lean: the knees give because the hips move, then stay. */
const kneeAt = (build: Build, kneeDeg: number, trunkDeg: number) =>
  kneeDeg * Math.min(1, Math.max(0, Math.sin(rad(trunkDeg))) / Math.sin(rad(build.constants.hingeKneeSine)));

function solve(f: Fixed, trunkDeg: number, kneeFlexionDeg: number, guess: number): Pose {
  const { build, set } = f;
  const c = build.constants;
  const kick = set.legs === 1 && set.kickstandShare > 0;
  const off = (shank: number, thigh: number) => {
    const { kgM } = placeAt(f, shank, thigh, trunkDeg);
    if (!kick) return kgM - f.weightKg * f.copX;
    const { hip } = jointsOver(build, f.foot, shank, thigh, trunkDeg);
    const leg = kickstandLeg(build, hip);
    const rear = rearMassesOf(build, hip, leg).reduce((sum, q) => sum + q.kg * q.x, 0);
    const s = set.kickstandShare;
    return kgM + rear - f.weightKg * ((1 - s) * f.copX + s * leg.contact.x);
  };
  let shankDeg = rootNear((s) => off(s, kneeFlexionDeg - s), guess, -45, 45) ?? c.shinBack;
  let thighDeg = kneeFlexionDeg - shankDeg;
  if (shankDeg < c.shinBack) {
    shankDeg = c.shinBack;
    thighDeg = rootNear((t) => off(shankDeg, t), thighDeg, -20, 100) ?? thighDeg;
  }
  return poseAt(f, shankDeg, thighDeg, trunkDeg);
}

/** What a search leaves of balance, of stature; more is a posture that no shin balances. */
const BALANCED = 1e-8;

function postureOf(f: Fixed, s: Pose): Posture {
  const { build, set } = f;
  const { masses, massKg } = build;
  const { joints: j, hand } = s;
  const { carry, legs } = set;
  const kick = legs === 1 && set.kickstandShare > 0;
  const thighKg = legs * masses.thigh.fraction * massKg;
  const shankKg = legs * masses.shank.fraction * massKg;
  const thighKgM = (x0: number) => thighKg * (j.hip.x + (j.knee.x - j.hip.x) * masses.thigh.centre - x0);
  const aboveKgM = (x0: number) => s.hipKgM + s.aboveKg * (j.hip.x - x0);
  const other: LegMoments[] = [];
  let hipNm = G * s.hipKgM;
  let kneeNm = -G * (thighKgM(j.knee.x) + aboveKgM(j.knee.x));
  let ankleNm =
    G *
    (shankKg * (j.knee.x + (j.ankle.x - j.knee.x) * masses.shank.centre - j.ankle.x) +
      thighKgM(j.ankle.x) +
      aboveKgM(j.ankle.x));
  let floorN = G * f.weightKg;
  let otherLeg: OtherLeg | null = null;
  let levelN = 0;
  let kgM = s.kgM;
  let pressureX = f.copX;
  const forces: Posture['forces'] = [];
  if (kick) {
    const leg = kickstandLeg(build, j.hip);
    if (!leg.reaches) throw new RangeError('The toe of the other foot does not reach the floor.');
    const rear = rearMassesOf(build, j.hip, leg);
    kgM += rear.reduce((sum, q) => sum + q.kg * q.x, 0);
    pressureX += set.kickstandShare * (leg.contact.x - f.copX);
    const toeN = set.kickstandShare * G * f.weightKg;
    // What the toe leg gives the hip comes off what the standing leg has to hold.
    const pushN = build.constants.kickstandPush * toeN;
    const moment = (at: Point, list: readonly { kg: number; x: number }[]) =>
      toeN * (leg.contact.x - at.x) +
      pushN * (at.y - leg.contact.y) -
      G * list.reduce((sum, q) => sum + q.kg * (q.x - at.x), 0);
    const rearHip = moment(j.hip, rear);
    other.push({
      leg: 'toe of the other foot',
      ankleNm: null,
      kneeNm: -moment(leg.knee, rear.slice(0, 2)),
      hipNm: rearHip,
    });
    const carried = -rearHip;
    const netN = toeN - G * rear.reduce((sum, q) => sum + q.kg, 0);
    hipNm += carried;
    // The toe leg hands its net force and moment on to the hip, and so to all below it.
    kneeNm -= carried - netN * (j.hip.x - j.knee.x) + pushN * (j.hip.y - j.knee.y);
    ankleNm += carried - netN * (j.hip.x - j.ankle.x) + pushN * (j.hip.y - j.ankle.y);
    floorN -= toeN;
    levelN = -pushN;
    otherLeg = leg;
    forces.push({ from: 'rear foot', at: leg.contact, xN: pushN, yN: toeN });
  } else if (legs === 1) {
    const { u } = trunkAxes(s.trunkDeg);
    otherLeg = freeLegJoints(build, j.hip, { x: -u.x, y: -u.y });
  }
  forces.unshift({ from: 'floor', at: { x: f.copX, y: 0 }, xN: levelN, yN: floorN });
  const comX = kgM / f.weightKg;
  const short = pressureX - comX;
  const balanced = Math.abs(short) < BALANCED * build.statureM;
  const load = inHands(carry) ? hand : loadPoint(build, carry, j.hip, s.trunkDeg);
  return {
    joints: {
      heel: j.heel,
      toe: j.toe,
      ankle: j.ankle,
      knee: j.knee,
      hip: j.hip,
      l5: j.l5,
      shoulder: j.shoulder,
      hand,
      load: set.loadKg > 0 ? load : null,
      other: otherLeg,
    },
    shankDeg: s.shankDeg,
    thighDeg: s.thighDeg,
    trunkDeg: s.trunkDeg,
    dorsiflexionDeg: s.shankDeg,
    kneeFlexionDeg: s.shankDeg + s.thighDeg,
    hipFlexionDeg: s.thighDeg + s.trunkDeg,
    kneePastToeM: j.knee.x - f.foot.toe.x,
    legs: balanced
      ? [
          {
            leg: legs === 2 ? 'each leg' : 'standing leg',
            ankleNm: ankleNm / legs,
            kneeNm: kneeNm / legs,
            hipNm: hipNm / legs,
          },
          ...other,
        ]
      : [],
    l5Nm: balanced ? G * s.l5KgM : null,
    forces: balanced ? forces : [],
    verdict: balanced
      ? 'balanced'
      : short < 0
        ? 'tips forward'
        : comX < f.foot.heel.x
          ? 'falls backward'
          : 'weight shifts back',
    limit: 'none',
    shortM: balanced ? 0 : Math.max(0, short),
    copX: f.copX,
    comX,
    shinRuleGivesDeg: 0,
    frontShare: kick ? 1 - set.kickstandShare : null,
  };
}

/**
 * Static hinge at one trunk lean: the knee gives with the lean, the shin takes the angle that balances
 * the whole; where it would lean back too far it stays and the thigh adapts.
 */
export function hinge(build: Build, partial: Partial<HingeSetUp> = {}): Posture {
  const f = fixedOf(build, partial);
  return postureOf(f, solve(f, f.set.trunkDeg, kneeAt(build, f.set.kneeDeg, f.set.trunkDeg), 0));
}

/** The hinge from upright to its lean, each position starting the search at the last one's shin. */
export function hingeRange(build: Build, partial: Partial<HingeSetUp>, steps: number): Posture[] {
  const f = fixedOf(build, partial);
  let guess = 0;
  return Array.from({ length: steps + 1 }, (_, i) => {
    const trunkDeg = (f.set.trunkDeg * i) / steps;
    const s = solve(f, trunkDeg, kneeAt(build, f.set.kneeDeg, trunkDeg), guess);
    guess = s.shankDeg;
    return postureOf(f, s);
  });
}

/** How far the hips go back from standing upright with the same load, metres. */
export function hipTravelM(build: Build, partial: Partial<HingeSetUp>): number {
  return hinge(build, { ...partial, trunkDeg: 0 }).joints.hip.x - hinge(build, partial).joints.hip.x;
}

/** The posture's masses as points, for drawing its centre of mass and for checking the sums. */
export function hingeMasses(build: Build, partial: Partial<HingeSetUp>, p: Posture): Masses {
  const set = { ...hingeDefaults(build), ...partial };
  const { joints: j } = p;
  const kick = set.legs === 1 && set.kickstandShare > 0;
  const arms = inHands(set.carry)
    ? between(j.shoulder, j.hand!, armShare(build))
    : armPoint(build, armsUnder(set.carry, set.arms), j.hip, p.trunkDeg);
  const { u } = trunkAxes(p.trunkDeg);
  return {
    ...legMasses(build, footOn(build, 0), j, set.legs),
    aboveHip: [
      ...upperMasses(build, j.hip, p.trunkDeg, arms, j.load, set.loadKg),
      ...(set.legs === 1 && !kick ? freeLegMasses(build, j.hip, { x: -u.x, y: -u.y }) : []),
    ],
    rear: kick ? rearMassesOf(build, j.hip, kickstandLeg(build, j.hip)) : [],
  };
}

export interface LiftSetUp {
  /** Height of the hands over the floor, metres. */
  fromHeightM: number;
  implement: 'straight bar' | 'at the sides';
  loadKg: number;
  pressure: number;
}

const liftFixed = (build: Build, set: LiftSetUp) =>
  fixedOf(build, {
    carry: set.implement === 'straight bar' ? 'close' : 'beside',
    loadKg: set.loadKg,
    pressure: set.pressure,
  });

/**
 * Start of a lift from a height: the shin is the only unknown. The bar touches it, the shoulder stands a
 * little ahead of the bar at arm's length, hip and knee follow from the two segments between.
 * @throws RangeError when the segments do not reach
 */
export function lift(build: Build, set: LiftSetUp): Posture {
  const { statureM: H, constants: c, masses, massKg } = build;
  const { shank, thigh, hipShoulder } = build.lengths;
  const grip = gripLength(build);
  const foot = footOn(build, 0);
  const f = liftFixed(build, set);
  const straight = set.implement === 'straight bar';
  const ahead = straight ? c.barAhead * H : 0;

  const poseOf = (shankDeg: number) => {
    const s = rad(shankDeg);
    const knee = { x: foot.ankle.x + shank * Math.sin(s), y: foot.ankle.y + shank * Math.cos(s) };
    const clear = straight ? (c.shinDepth * H) / Math.cos(s) + c.barRadius * H : 0;
    const bar = {
      x: foot.ankle.x + (set.fromHeightM - foot.ankle.y) * Math.tan(s) + clear,
      y: set.fromHeightM,
    };
    const shoulder = { x: bar.x + ahead, y: bar.y + Math.sqrt(grip * grip - ahead * ahead) };
    // The rear one of the two places where thigh and trunk meet.
    const hip = circlesMeet(knee, thigh, shoulder, hipShoulder)?.[0];
    if (!hip) return null;
    const thighDeg = deg(Math.atan2(knee.x - hip.x, hip.y - knee.y));
    const trunkDeg = deg(Math.atan2(shoulder.x - hip.x, shoulder.y - hip.y));
    const joints = jointsOver(build, foot, shankDeg, thighDeg, trunkDeg);
    const { sin, l5 } = { sin: Math.sin(rad(trunkDeg)), l5: joints.l5 };
    const armsKg = 2 * masses.arm.fraction * massKg;
    const armsX = shoulder.x + (bar.x - shoulder.x) * f.armShare;
    const hands = (x0: number) => armsKg * (armsX - x0) + set.loadKg * (bar.x - x0);
    const hipKgM = f.upper.hip.sin * sin + hands(hip.x);
    const l5KgM = f.upper.l5.sin * sin + hands(l5.x);
    const aboveKg = f.upper.hip.kg + armsKg + set.loadKg;
    const kgM =
      2 * masses.foot.fraction * massKg * foot.centre.x +
      2 * masses.shank.fraction * massKg * (knee.x + (foot.ankle.x - knee.x) * masses.shank.centre) +
      2 * masses.thigh.fraction * massKg * (hip.x + (knee.x - hip.x) * masses.thigh.centre) +
      aboveKg * hip.x +
      hipKgM;
    return { shankDeg, thighDeg, trunkDeg, joints, hand: bar, hipKgM, l5KgM, aboveKg, kgM };
  };
  const off = (s: number) => {
    const p = poseOf(s);
    return p ? p.kgM - f.weightKg * f.copX : NaN;
  };
  // The reachable shins are looked for first: at some angles thigh and trunk do not meet.
  let last = off(-10);
  for (let a = -10; a < 45; a += 2.5) {
    const next = off(a + 2.5);
    if (Number.isFinite(last) && Number.isFinite(next) && last <= 0 !== next <= 0) {
      const found = poseOf(rootNear(off, a + 1.25, a, a + 2.5)!);
      if (found) return postureOf(f, found);
    }
    last = next;
  }
  throw new RangeError('No balanced start of this lift is within reach of the body.');
}

/**
 * The lift from its start to standing. How knees and trunk share the way is common practice, no source: the
 * trunk keeps most of its lean until the load passes the knee, then the hips come through.
 */
export function liftRange(build: Build, set: LiftSetUp, steps: number): Posture[] {
  const start = lift(build, set);
  const f = liftFixed(build, set);
  const kneeStart = start.kneeFlexionDeg;
  const { liftKneeShare, liftKneeDeg, liftTrunkKept } = build.constants;
  const kneeMid = Math.min(liftKneeDeg, kneeStart);
  let guess = start.shankDeg;
  return Array.from({ length: steps + 1 }, (_, i) => {
    if (i === 0) return start;
    const x = i / steps;
    const first = Math.min(1, x / liftKneeShare);
    const second = Math.max(0, (x - liftKneeShare) / (1 - liftKneeShare));
    const knee = (kneeStart + (kneeMid - kneeStart) * first) * (1 - second);
    const trunk = start.trunkDeg * (1 - (1 - liftTrunkKept) * first) * (1 - second);
    const s = solve(f, trunk, knee, guess);
    guess = s.shankDeg;
    return postureOf(f, s);
  });
}

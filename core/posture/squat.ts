import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import { clamp, deg, rad } from './plane.ts';
import type { Point } from './plane.ts';
import type { Force, LegMoments, Limit, Masses, Posture, Verdict } from './posture.ts';
import { rootBetween } from './root.ts';
import { footOn, freeLegJoints, freeLegMasses, freeLegSums, legMasses } from './on-feet.ts';
import type { Foot } from './on-feet.ts';
import { armPoint, armsUnder, loadPoint, upperMasses, upperOf } from './upper.ts';
import type { ArmsAt, LoadAt, Upper } from './upper.ts';

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
  /** Greatest trunk lean, degrees. */
  leanLimitDeg: number;
  /** Legs spread from the side view, degrees: thigh and shank are projected by its cosine, an approximation. */
  spreadDeg: number;
  /** Touched: it only ends the depth, and a shin rule gives just enough to reach it. Seated: it carries weight. */
  box: 'none' | 'touched' | 'seated';
  /** A strap or hand pulls level at shoulder height as hard as an upright trunk needs. */
  pull: 'none' | 'strap' | 'hand';
}

export const squatDefaults = (build: Build): SquatSetUp => ({
  thighDeg: 90,
  load: 'none',
  loadKg: 0,
  arms: 'forward',
  legs: 2,
  freeLeg: 'ahead',
  pressure: build.constants.pressure,
  heelWedgeDeg: 0,
  shinLimitDeg: Infinity,
  kneePastToeM: Infinity,
  leanLimitDeg: build.constants.leanLimit,
  spreadDeg: 0,
  box: 'none',
  pull: 'none',
});

/** Trunk against shin by load place, degrees: zero is parallel. */
function styleDeg(build: Build, load: LoadAt): number {
  const c = build.constants;
  switch (load) {
    case 'none':
    case 'at the sides':
      return c.leanPlain;
    case 'counterweight':
      return c.leanCounterweight;
    case 'goblet':
      return c.leanGoblet;
    case 'chest':
      return c.leanChest;
    case 'front':
      return c.leanFront;
    case 'across high':
      return c.leanHigh;
    case 'across low':
      return c.leanLow;
  }
}

/** Angle x with `sin·sin x + cos·cos x = right`, near zero, degrees; NaN when out of reach. */
const angleFor = (sin: number, cos: number, right: number) =>
  deg(Math.asin(right / Math.sqrt(sin * sin + cos * cos)) - Math.atan2(cos, sin));
const shinFor = (a: number, right: number) => deg(Math.asin(right / a));
const turned = (sin: number, cos: number, angleDeg: number) =>
  sin * Math.sin(rad(angleDeg)) + cos * Math.cos(rad(angleDeg));

/** All of a squat that does not change with its depth. */
export interface SquatFixed {
  build: Build;
  set: SquatSetUp;
  foot: Foot;
  upper: Upper;
  free: { kg: number; kgM: number } | null;
  /** Lengths of shank and thigh in the side view. */
  Ls: number;
  Lt: number;
  styleDeg: number;
  ankleLimit: number;
  kneeLimit: number;
  shinMax: number;
  stopped: Limit;
}

export function squatFixed(build: Build, partial: Partial<SquatSetUp>): SquatFixed {
  const set = { ...squatDefaults(build), ...partial };
  const scale = Math.cos(rad(set.spreadDeg));
  const foot = footOn(build, set.heelWedgeDeg);
  const Ls = build.lengths.shank * scale;
  const kneeRoom = (foot.toe.x + set.kneePastToeM - foot.ankle.x) / Ls;
  const kneeLimit = kneeRoom >= 1 ? Infinity : deg(Math.asin(kneeRoom));
  const ankleLimit = build.ankleLimitDeg + set.heelWedgeDeg;
  const shinRule =
    set.pull === 'none' ? set.shinLimitDeg : Math.min(set.shinLimitDeg, build.constants.uprightShin);
  const shinMax = Math.min(ankleLimit, shinRule, kneeLimit);
  return {
    build,
    set,
    foot,
    upper: upperOf(build, armsUnder(set.load, set.arms), set.load, set.loadKg),
    free: set.legs === 1 ? freeLegSums(build) : null,
    Ls,
    Lt: build.lengths.thigh * scale,
    styleDeg: styleDeg(build, set.load),
    ankleLimit,
    kneeLimit,
    shinMax,
    stopped: shinMax === ankleLimit ? 'ankle' : shinMax === shinRule ? 'shin rule' : 'knee past toe',
  };
}

/**
 * Static squat at one depth. The trunk follows the shin by the style of the load until something stops the
 * shin; then the trunk leans for balance; beyond its greatest lean a box or a pull carries what is short,
 * or the posture falls.
 */
export const squat = (build: Build, partial: Partial<SquatSetUp> = {}): Posture => {
  const f = squatFixed(build, partial);
  return squatAt(f, f.set.thighDeg);
};

/**
 * The squat at a thigh angle. Balance, Σ m·x = W·copX, is linear in the sines and cosines of shin and trunk:
 * `a·sin σ + s·sin τ + c·cos τ = right`, so it is solved in closed form.
 */
export function squatAt(f: SquatFixed, depthDeg: number): Posture {
  const { build, set, foot, upper, Ls, Lt, shinMax } = f;
  const { constants: c, masses, massKg: m, statureM: H } = build;
  const { legs } = set;
  const thighDeg = legs === 1 ? Math.min(depthDeg, 90) : depthDeg;
  const sinT = Math.sin(rad(thighDeg));
  const copX = foot.heel.x + set.pressure * (foot.toe.x - foot.heel.x);
  const pulled = set.pull !== 'none';
  const lean = pulled ? Math.min(set.leanLimitDeg, c.leanPulled) : set.leanLimitDeg;
  const leanMax = Math.max(c.leanBack, Math.min(lean, build.hipLimitDeg - thighDeg));
  const free = freeLegDirection(set, thighDeg);

  const footKg = legs * masses.foot.fraction * m;
  const shankKg = legs * masses.shank.fraction * m;
  const thighKg = legs * masses.thigh.fraction * m;
  const aboveKg = upper.hip.kg + (f.free ? f.free.kg : 0);
  const still = upper.hip.still + (f.free ? f.free.kgM * free.x : 0);
  const { sin, cos } = upper.hip;
  const W = footKg + shankKg + thighKg + aboveKg;
  const a = (shankKg * (1 - masses.shank.centre) + thighKg + aboveKg) * Ls;
  const onThigh = (thighKg * (1 - masses.thigh.centre) + aboveKg) * Lt * sinT;
  const right = W * copX - footKg * foot.centre.x - (W - footKg) * foot.ankle.x + onThigh - still;

  let shankDeg = NaN;
  let trunkDeg = NaN;
  let limit: Limit = 'none';
  let gives = 0;
  let seated = false;
  if (set.box === 'seated') {
    shankDeg = Math.min(Number.isFinite(set.shinLimitDeg) ? set.shinLimitDeg : c.seatedShank, shinMax);
    trunkDeg = Math.min(c.seatedTrunk, leanMax);
    seated = right - a * Math.sin(rad(shankDeg)) - turned(sin, cos, trunkDeg) > 0;
  }
  if (!seated) {
    const offset = f.styleDeg * Math.sin(rad(Math.min(thighDeg, 90)));
    const o = rad(offset);
    const sinO = Math.sin(o);
    const cosO = Math.cos(o);
    shankDeg = angleFor(a + sin * cosO - cos * sinO, sin * sinO + cos * cosO, right);
    // Where the clamp of the trunk acts, the trunk is fixed and the shin alone balances.
    if (!(shankDeg + offset <= leanMax)) shankDeg = shinFor(a, right - turned(sin, cos, leanMax));
    else if (shankDeg + offset < c.leanBack) shankDeg = shinFor(a, right - turned(sin, cos, c.leanBack));
    if (shankDeg <= shinMax) {
      shankDeg = Math.max(-30, shankDeg);
      trunkDeg = clamp(c.leanBack, shankDeg + offset, leanMax);
    } else {
      shankDeg = shinMax;
      limit = f.stopped;
      const balance = angleFor(sin, cos, right - a * Math.sin(rad(shinMax)));
      trunkDeg = balance <= leanMax ? Math.max(c.leanBack, balance) : leanMax;
      if (set.box !== 'none' && limit === 'shin rule' && !(balance <= leanMax)) {
        const soft = Math.min(shinFor(a, right - turned(sin, cos, leanMax)), f.ankleLimit, f.kneeLimit);
        if (soft > shinMax) {
          gives = soft - shinMax;
          shankDeg = soft;
        }
      }
    }
  }

  // Everything below is where it is and what it holds.
  const sinS = Math.sin(rad(shankDeg));
  const u = { x: Math.sin(rad(trunkDeg)), y: Math.cos(rad(trunkDeg)) };
  const knee = { x: foot.ankle.x + Ls * sinS, y: foot.ankle.y + Ls * Math.cos(rad(shankDeg)) };
  const hip = { x: knee.x - Lt * sinT, y: knee.y + Lt * Math.cos(rad(thighDeg)) };
  const Lh = build.lengths.hipShoulder;
  const shoulder = { x: hip.x + Lh * u.x, y: hip.y + Lh * u.y };
  const l5 = { x: hip.x + c.l5Place * Lh * u.x, y: hip.y + c.l5Place * Lh * u.y };
  const above = sin * u.x + cos * u.y + still;
  const short = (right - a * sinS - sin * u.x - cos * u.y) / W;
  const seatX = hip.x - c.seatBehindHip * H;
  const balanced = Math.abs(short) < 1e-9 * H;
  const boxN = seated ? (G * W * short) / (copX - seatX) : 0;
  const pullN = !seated && pulled && short > 0 && !balanced ? (G * W * short) / shoulder.y : 0;
  const held = balanced || boxN > 0 || pullN > 0;
  const comX = copX - short;

  const forces: Force[] = [];
  const legMoments: LegMoments[] = [];
  let l5Nm: number | null = null;
  if (held) {
    forces.push({ from: 'floor', at: { x: copX, y: 0 }, xN: -pullN, yN: G * W - boxN });
    if (boxN > 0)
      forces.push({ from: 'box', at: { x: seatX, y: hip.y - c.buttockDepth * H }, xN: 0, yN: boxN });
    if (pullN > 0) {
      forces.push({ from: set.pull === 'hand' ? 'hand' : 'strap', at: shoulder, xN: pullN, yN: 0 });
    }
    const kneeX = knee.x - foot.ankle.x;
    const ankleNm =
      G * ((shankKg * (1 - masses.shank.centre) + thighKg + aboveKg) * kneeX - onThigh + above) +
      pullN * (shoulder.y - foot.ankle.y) -
      boxN * (seatX - foot.ankle.x);
    const kneeNm = G * (onThigh - above) - pullN * (shoulder.y - knee.y) - boxN * (knee.x - seatX);
    const hipNm = G * above + pullN * (shoulder.y - hip.y) - boxN * (seatX - hip.x);
    legMoments.push({
      leg: legs === 2 ? 'each leg' : 'standing leg',
      ankleNm: ankleNm / legs,
      kneeNm: kneeNm / legs,
      hipNm: hipNm / legs,
    });
    l5Nm = G * (turned(upper.l5.sin, upper.l5.cos, trunkDeg) + upper.l5.still) + pullN * (shoulder.y - l5.y);
  }
  return {
    joints: {
      heel: foot.heel,
      toe: foot.toe,
      ankle: foot.ankle,
      knee,
      hip,
      l5,
      shoulder,
      hand: pulled ? shoulder : null,
      load: set.loadKg > 0 ? loadPoint(build, set.load, hip, trunkDeg) : null,
      other: legs === 1 ? freeLegJoints(build, hip, free) : null,
    },
    shankDeg,
    thighDeg,
    trunkDeg,
    dorsiflexionDeg: shankDeg - set.heelWedgeDeg,
    kneeFlexionDeg: shankDeg + thighDeg,
    hipFlexionDeg: thighDeg + trunkDeg,
    kneePastToeM: knee.x - foot.toe.x,
    legs: legMoments,
    l5Nm,
    forces,
    verdict: verdictOf(balanced, held, short, comX >= foot.heel.x),
    limit,
    shortM: held ? 0 : Math.max(0, short),
    copX,
    comX,
    shinRuleGivesDeg: gives,
    frontShare: null,
  };
}

function verdictOf(balanced: boolean, held: boolean, short: number, overFoot: boolean): Verdict {
  if (balanced) return 'balanced';
  if (held) return 'held by support';
  // A load held far ahead of a light body cannot be balanced by leaning back either.
  if (short < 0) return 'tips forward';
  return overFoot ? 'weight shifts back' : 'falls backward';
}

/** The free leg of a one-leg squat is held straight ahead, as high as the thigh is low; in a step-up it hangs. */
const freeLegDirection = (set: SquatSetUp, thighDeg: number): Point =>
  set.freeLeg === 'ahead' ? { x: Math.sin(rad(thighDeg)), y: -Math.cos(rad(thighDeg)) } : { x: 0, y: -1 };

/** The posture's masses as points, for drawing its centre of mass and for checking the sums. */
export function squatMasses(build: Build, partial: Partial<SquatSetUp>, p: Posture): Masses {
  const set = { ...squatDefaults(build), ...partial };
  const arms = armPoint(build, armsUnder(set.load, set.arms), p.joints.hip, p.trunkDeg);
  const load = loadPoint(build, set.load, p.joints.hip, p.trunkDeg);
  const d = freeLegDirection(set, p.thighDeg);
  return {
    ...legMasses(build, footOn(build, set.heelWedgeDeg), p.joints, set.legs),
    aboveHip: [
      ...upperMasses(build, p.joints.hip, p.trunkDeg, arms, load, set.loadKg),
      ...(set.legs === 1 ? freeLegMasses(build, p.joints.hip, d) : []),
    ],
    rear: [],
  };
}

/**
 * Thigh angle at the start of a step-up: the standing leg on a box, the trailing leg still straight on its
 * toes, which settles the height of the hip and with it the bend of the standing leg.
 * @throws RangeError when the box is higher than the leg can start from
 */
export function stepUpThighDeg(build: Build, boxM: number, partial: Partial<SquatSetUp> = {}): number {
  const { ankleHeight, shank, thigh } = build.lengths;
  const hipM = ankleHeight + shank + thigh + build.constants.stepUpRise * build.statureM - boxM;
  const thighDeg = rootBetween((t) => squat(build, stepUpSet(partial, t)).joints.hip.y - hipM, 0, 90, 1e-11);
  if (thighDeg === null) {
    throw new RangeError('The step is higher than this body can start from.');
  }
  return thighDeg;
}

const stepUpSet = (partial: Partial<SquatSetUp>, thighDeg: number): Partial<SquatSetUp> => ({
  arms: 'at the sides',
  ...partial,
  legs: 1,
  freeLeg: 'down',
  thighDeg,
});

/** Start of a step-up from a box of this height, metres; its set-up comes with it. */
export function stepUp(build: Build, boxM: number, partial: Partial<SquatSetUp> = {}): Posture {
  return squat(build, stepUpSet(partial, stepUpThighDeg(build, boxM, partial)));
}

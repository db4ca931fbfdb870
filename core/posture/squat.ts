import { G, gripLength } from '../body/index.ts';
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
  /** Plane of each leg turned out from the side view, degrees: thigh and shank are seen shortened by its cosine. */
  spreadDeg: number;
  /** Touched: it only ends the depth, and a shin rule gives just enough to reach it. Seated: it carries weight. */
  box: 'none' | 'touched' | 'seated';
  /** A strap or a hand on something fixed pulls at the hands, forward and up, as hard as an upright trunk needs. */
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

/** Angle x with `sin·sin x + cos·cos x = right`, near zero, degrees; beyond reach endless, to the side that lacks. */
function angleFor(sin: number, cos: number, right: number): number {
  const share = right / Math.sqrt(sin * sin + cos * cos);
  return Math.abs(share) > 1 ? Math.sign(share) * Infinity : deg(Math.asin(share) - Math.atan2(cos, sin));
}
/** The shin that alone balances, degrees; lying where none does. */
const shinFor = (a: number, right: number) => deg(Math.asin(clamp(-1, right / a, 1)));
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
  /** Masses of the standing legs, of what they carry and of all, kg. */
  shankKg: number;
  thighKg: number;
  aboveKg: number;
  W: number;
  copX: number;
  /** First moments per unit of sine: of the shin, of the thigh; and what stays, kg·m. */
  a: number;
  thighArm: number;
  stays: number;
  /** The same without the pull; null where nothing is held. */
  unhelped: SquatFixed | null;
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
  const { masses, massKg } = build;
  const upper = upperOf(build, armsUnder(set.load, set.arms), set.load, set.loadKg);
  const free = set.legs === 1 ? freeLegSums(build) : null;
  const Lt = build.lengths.thigh * scale;
  const footKg = set.legs * masses.foot.fraction * massKg;
  const shankKg = set.legs * masses.shank.fraction * massKg;
  const thighKg = set.legs * masses.thigh.fraction * massKg;
  const aboveKg = upper.hip.kg + (free ? free.kg : 0);
  const W = footKg + shankKg + thighKg + aboveKg;
  const copX = foot.heel.x + set.pressure * (foot.toe.x - foot.heel.x);
  return {
    build,
    set,
    foot,
    upper,
    free,
    Ls,
    Lt,
    shankKg,
    thighKg,
    aboveKg,
    W,
    copX,
    a: (shankKg * (1 - masses.shank.centre) + thighKg + aboveKg) * Ls,
    thighArm: (thighKg * (1 - masses.thigh.centre) + aboveKg) * Lt,
    stays: W * copX - footKg * foot.centre.x - (W - footKg) * foot.ankle.x,
    styleDeg: styleDeg(build, set.load),
    ankleLimit,
    kneeLimit,
    shinMax,
    stopped: shinMax === ankleLimit ? 'ankle' : shinMax === shinRule ? 'shin rule' : 'knee past toe',
    unhelped: set.pull === 'none' ? null : squatFixed(build, { ...partial, pull: 'none' }),
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
export function squatAt(f: SquatFixed, thighDeg: number): Posture {
  const angles = anglesAt(f, thighDeg);
  return standing(f, f.unhelped ? eased(f, f.unhelped, angles) : angles);
}

/**
 * Somebody who holds on stays as upright as a comfortable pull allows: where the upright posture would take more, shin
 * and trunk go on towards where they would be without help until it does not.
 */
function eased(f: SquatFixed, unhelped: SquatFixed, upright: Angles): Angles {
  const free = anglesAt(unhelped, upright.thighDeg);
  const at = (w: number): Angles => ({
    ...(w === 1 ? free : upright),
    shankDeg: upright.shankDeg + (free.shankDeg - upright.shankDeg) * w,
    trunkDeg: upright.trunkDeg + (free.trunkDeg - upright.trunkDeg) * w,
  });
  const over = (w: number) => pullOf(f, at(w)) - f.build.constants.pullMost;
  if (over(0) <= 0) return upright;
  return at(rootBetween(over, 0, 1, 1e-12) ?? 1);
}

/** Shin and trunk at a depth, before anything is held. */
function anglesAt(f: SquatFixed, thighDeg: number): Angles {
  const { build, set } = f;
  const c = build.constants;
  // A knee folds only so far: deep down that is what stops the shin.
  const folded = c.kneeBend - thighDeg;
  const shinMax = Math.min(f.shinMax, folded);
  const pulled = set.pull !== 'none';
  const lean = pulled ? Math.min(set.leanLimitDeg, c.leanPulled) : set.leanLimitDeg;
  const leanMax = Math.max(c.leanBack, Math.min(lean, build.hipLimitDeg - thighDeg));
  const { a } = f;
  const right = rightOf(f, thighDeg);
  const { sin, cos } = f.upper.hip;

  if (set.box === 'seated') {
    const shankDeg = Math.min(Number.isFinite(set.shinLimitDeg) ? set.shinLimitDeg : c.seatedShank, shinMax);
    const trunkDeg = Math.min(c.seatedTrunk, leanMax);
    if (right - a * Math.sin(rad(shankDeg)) - turned(sin, cos, trunkDeg) > 0) {
      return { thighDeg, shankDeg, trunkDeg, limit: 'none', gives: 0, seated: true };
    }
  }
  const offset = f.styleDeg * Math.sin(rad(Math.min(thighDeg, 90)));
  const o = rad(offset);
  const sinO = Math.sin(o);
  const cosO = Math.cos(o);
  let shankDeg = angleFor(a + sin * cosO - cos * sinO, sin * sinO + cos * cosO, right);
  // Where the clamp of the trunk acts, the trunk is fixed and the shin alone balances.
  if (!(shankDeg + offset <= leanMax)) shankDeg = shinFor(a, right - turned(sin, cos, leanMax));
  else if (shankDeg + offset < c.leanBack) shankDeg = shinFor(a, right - turned(sin, cos, c.leanBack));
  const leanAt = (shank: number) => angleFor(sin, cos, right - a * Math.sin(rad(shank)));
  // No knee bends backwards: with straight knees what is left to lean is the trunk.
  if (shankDeg < -thighDeg) {
    const trunkDeg = clamp(c.leanBack, leanAt(-thighDeg), leanMax);
    return { thighDeg, shankDeg: -thighDeg, trunkDeg, limit: 'none', gives: 0, seated: false };
  }
  if (shankDeg <= shinMax) {
    const trunkDeg = clamp(c.leanBack, shankDeg + offset, leanMax);
    return { thighDeg, shankDeg, trunkDeg, limit: 'none', gives: 0, seated: false };
  }
  const balance = leanAt(shinMax);
  const trunkDeg = clamp(c.leanBack, balance, leanMax);
  const limit = shinMax === folded ? 'knee bend' : f.stopped;
  if (set.box !== 'none' && limit === 'shin rule' && !(balance <= leanMax)) {
    const soft = Math.min(shinFor(a, right - turned(sin, cos, leanMax)), f.ankleLimit, f.kneeLimit, folded);
    if (soft > shinMax) {
      return { thighDeg, shankDeg: soft, trunkDeg, limit, gives: soft - shinMax, seated: false };
    }
  }
  return { thighDeg, shankDeg: shinMax, trunkDeg, limit, gives: 0, seated: false };
}

/** Moment of all that a free leg and arms level at the shoulder add whatever the lean, kg·m. */
const stillOf = (f: SquatFixed, thighDeg: number) =>
  f.upper.hip.still + (f.free ? f.free.kgM * freeLegDirection(f.set, thighDeg).x : 0);

/** What balance comes to at a depth, kg·m. */
const rightOf = (f: SquatFixed, thighDeg: number) =>
  f.stays + f.thighArm * Math.sin(rad(thighDeg)) - stillOf(f, thighDeg);

interface Angles {
  thighDeg: number;
  shankDeg: number;
  trunkDeg: number;
  limit: Limit;
  gives: number;
  seated: boolean;
}

/** Where a pull is held and which way it goes: straight arms a little below the shoulders, the strap rising ahead. */
function pullAt(build: Build, shoulder: Point) {
  const { pullReachDeg, pullRiseDeg } = build.constants;
  const arm = gripLength(build);
  return {
    at: {
      x: shoulder.x + arm * Math.cos(rad(pullReachDeg)),
      y: shoulder.y - arm * Math.sin(rad(pullReachDeg)),
    },
    cos: Math.cos(rad(pullRiseDeg)),
    sin: Math.sin(rad(pullRiseDeg)),
  };
}

/** Moment of a pull of 1 N about a point, + where it turns what is above it forward. */
const leverOf = (pull: ReturnType<typeof pullAt> | null, x: number, y: number) =>
  pull ? pull.cos * (pull.at.y - y) - pull.sin * (pull.at.x - x) : 0;

/** Pull that a posture at its angles takes, of the weight in all; none where it would not help. */
function pullOf(f: SquatFixed, { thighDeg, shankDeg, trunkDeg }: Angles): number {
  const { build, foot, Ls, Lt, upper, a, W, copX } = f;
  const right = rightOf(f, thighDeg);
  const sinS = Math.sin(rad(shankDeg));
  const short = (right - a * sinS - turned(upper.hip.sin, upper.hip.cos, trunkDeg)) / W;
  if (short <= 0) return 0;
  const hip = {
    x: foot.ankle.x + Ls * sinS - Lt * Math.sin(rad(thighDeg)),
    y: foot.ankle.y + Ls * Math.cos(rad(shankDeg)) + Lt * Math.cos(rad(thighDeg)),
  };
  const { hipShoulder } = build.lengths;
  const shoulder = {
    x: hip.x + hipShoulder * Math.sin(rad(trunkDeg)),
    y: hip.y + hipShoulder * Math.cos(rad(trunkDeg)),
  };
  const { at, cos, sin } = pullAt(build, shoulder);
  const reach = cos * at.y - sin * (at.x - copX);
  return reach > 0 ? short / reach : Infinity;
}

/** A posture at its three angles: where everything is, what a box or a pull carries, and what every joint holds. */
function standing(f: SquatFixed, { thighDeg, shankDeg, trunkDeg, limit, gives, seated }: Angles): Posture {
  const { build, set, foot, upper, Ls, Lt } = f;
  const { constants: c, masses, statureM: H } = build;
  const { legs } = set;
  const { shankKg, thighKg, aboveKg, W, copX, a } = f;
  const sinT = Math.sin(rad(thighDeg));
  const still = stillOf(f, thighDeg);
  const onThigh = f.thighArm * sinT;
  const right = f.stays + onThigh - still;
  const { sin, cos } = upper.hip;
  const pulled = set.pull !== 'none';
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
  const pull = pulled ? pullAt(build, shoulder) : null;
  const reach = leverOf(pull, copX, 0);
  const pullN = !seated && pull && short > 0 && !balanced && reach > 0 ? (G * W * short) / reach : 0;
  const held = balanced || boxN > 0 || (pullN > 0 && pullN <= c.pullMost * G * W * (1 + 1e-6));
  const comX = copX - short;

  const forces: Force[] = [];
  const legMoments: LegMoments[] = [];
  let l5Nm: number | null = null;
  if (held) {
    const up = pull ? pullN * pull.sin : 0;
    forces.push({
      from: 'floor',
      at: { x: copX, y: 0 },
      xN: pull ? -pullN * pull.cos : 0,
      yN: G * W - boxN - up,
    });
    if (boxN > 0)
      forces.push({ from: 'box', at: { x: seatX, y: hip.y - c.buttockDepth * H }, xN: 0, yN: boxN });
    if (pull && pullN > 0) {
      forces.push({
        from: set.pull === 'hand' ? 'hand' : 'strap',
        at: pull.at,
        xN: pullN * pull.cos,
        yN: up,
      });
    }
    const kneeX = knee.x - foot.ankle.x;
    const ankleNm =
      G * ((shankKg * (1 - masses.shank.centre) + thighKg + aboveKg) * kneeX - onThigh + above) +
      pullN * leverOf(pull, foot.ankle.x, foot.ankle.y) -
      boxN * (seatX - foot.ankle.x);
    const kneeNm = G * (onThigh - above) - pullN * leverOf(pull, knee.x, knee.y) - boxN * (knee.x - seatX);
    const hipNm = G * above + pullN * leverOf(pull, hip.x, hip.y) - boxN * (seatX - hip.x);
    // A leg turned out holds the same load in its own plane, where the levers are as long as they are: what the side
    // view does not see is the moment that closes the legs.
    const perLeg = 1 / (legs * Math.cos(rad(set.spreadDeg)));
    legMoments.push({
      leg: legs === 2 ? 'each leg' : 'standing leg',
      ankleNm: ankleNm * perLeg,
      kneeNm: kneeNm * perLeg,
      hipNm: hipNm * perLeg,
    });
    l5Nm =
      G * (turned(upper.l5.sin, upper.l5.cos, trunkDeg) + upper.l5.still) + pullN * leverOf(pull, l5.x, l5.y);
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
      hand: pull?.at ?? null,
      load: set.loadKg > 0 ? loadPoint(build, set.load, hip, trunkDeg) : null,
      other: legs === 1 ? freeLegJoints(build, hip, freeLegDirection(set, thighDeg)) : null,
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

/** Share of the way on which a squat to a seat is still on its feet. */
const ON_FEET = 0.75;

/**
 * The squat from standing to a depth. To a seat: balanced on the feet until the buttocks are as low as the seat, then
 * sat back along it, the seat carrying more and more.
 */
export function squatRange(
  build: Build,
  partial: Partial<SquatSetUp>,
  depthDeg: number,
  steps: number,
): Posture[] {
  const f = squatFixed(build, partial);
  const onFeet = (fixed: SquatFixed, to: number, n: number) =>
    Array.from({ length: n + 1 }, (_, i) => squatAt(fixed, n === 0 ? 0 : (to * i) / n));
  if (f.set.box !== 'seated') return onFeet(f, depthDeg, steps);
  const down = squatFixed(build, { ...partial, box: 'touched' });
  const end = squatAt(f, depthDeg);
  if (!end.forces.some((x) => x.from === 'box')) return onFeet(down, depthDeg, steps);
  const seatY = end.joints.hip.y;
  const low = rootBetween((t) => squatAt(down, t).joints.hip.y - seatY, 0, 140, 1e-9) ?? depthDeg;
  const n = Math.min(steps - 1, Math.round(ON_FEET * steps));
  const touch = squatAt(down, low);
  const mix = (a: number, b: number, w: number) => a + (b - a) * w;
  const sitting = Array.from({ length: steps - n }, (_, i) => {
    const w = (i + 1) / (steps - n);
    if (w === 1) return end;
    const shankDeg = mix(touch.shankDeg, end.shankDeg, w);
    const cosT = (seatY - f.foot.ankle.y - f.Ls * Math.cos(rad(shankDeg))) / f.Lt;
    return standing(f, {
      thighDeg: deg(Math.acos(clamp(-1, cosT, 1))),
      shankDeg,
      trunkDeg: mix(touch.trunkDeg, end.trunkDeg, w),
      limit: 'none',
      gives: 0,
      seated: true,
    });
  });
  return [...onFeet(down, low, n), ...sitting];
}

function verdictOf(balanced: boolean, held: boolean, short: number, overFoot: boolean): Verdict {
  if (balanced) return 'balanced';
  if (held) return 'held by support';
  // A load held far ahead of a light body cannot be balanced by leaning back either.
  if (short < 0) return 'tips forward';
  return overFoot ? 'weight shifts back' : 'falls backward';
}

/** The free leg of a one-leg squat is held straight ahead, as high as the thigh is low but no higher than level; in a step-up it hangs. */
function freeLegDirection(set: SquatSetUp, thighDeg: number): Point {
  if (set.freeLeg === 'down') return { x: 0, y: -1 };
  const own = rad(Math.min(thighDeg, 90));
  return { x: Math.sin(own), y: -Math.cos(own) };
}

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

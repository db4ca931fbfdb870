import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import { between, circlesMeet, clamp, deg, rad } from './plane.ts';
import type { Point, PointMass } from './plane.ts';
import type { LegMoments, Masses, Posture } from './posture.ts';
import { rootNear } from './root.ts';
import { footOn, footOnBall, jointsOver, legMasses } from './on-feet.ts';
import { armPoint, armsUnder, loadPoint, trunkAxes, upperMasses, upperOf } from './upper.ts';
import type { ArmsAt, LoadAt, Upper } from './upper.ts';

export interface LungeSetUp {
  /** Heel to heel, metres. */
  stepM: number;
  frontShankDeg: number;
  frontThighDeg: number;
  trunkDeg: number;
  rearFootRaisedM: number;
  /** Height of what the front foot stands on, metres: a deficit. */
  frontFootRaisedM: number;
  load: LoadAt;
  loadKg: number;
  arms: ArmsAt;
  pressure: number;
  /** Share of the weight asked of the front foot; null: what the posture gives. Then the hip shifts until it fits. */
  frontShare: number | null;
  /** Height at which the two ground forces and gravity meet, of stature; settles the horizontal force. */
  meetOfStature: number;
}

const ballToAnkle = ({ lengths: l, constants: c }: Build) =>
  Math.hypot((c.ballPlace - c.anklePlace) * l.foot, l.ankleHeight);

/** Step heel to heel that gives a right angle at both knees with a vertical front shin, metres. */
export function rightAngleStepM(build: Build): number {
  const { lengths: l, constants: c } = build;
  const mtp = ballToAnkle(build);
  const psi = rad(c.rearFootDeg);
  const drop = mtp * Math.sin(psi) - (l.ankleHeight + l.shank - l.thigh);
  return (
    l.thigh +
    Math.sqrt(Math.max(0, l.shank * l.shank - drop * drop)) +
    (c.ballPlace - c.anklePlace) * l.foot -
    mtp * Math.cos(psi)
  );
}

export const lungeDefaults = (build: Build): LungeSetUp => ({
  stepM: rightAngleStepM(build),
  frontShankDeg: 0,
  frontThighDeg: 90,
  trunkDeg: 5,
  rearFootRaisedM: 0,
  frontFootRaisedM: 0,
  load: 'none',
  loadKg: 0,
  arms: 'at the sides',
  pressure: build.constants.pressure,
  frontShare: null,
  meetOfStature: build.constants.meet,
});

/** How far the rear foot has rolled from its ball onto its instep on a seat of a height: 0 to 1, without a kink. */
function onInstep({ statureM: H, constants: c }: Build, seatM: number): number {
  const t = clamp(0, (seatM / H - c.instepFrom) / (c.instepTo - c.instepFrom), 1);
  return t * t * (3 - 2 * t);
}

/** Everything of a lunge that does not depend on where the hip is. */
interface Feet {
  set: LungeSetUp;
  foot: ReturnType<typeof footOn>;
  contact: Point;
  rearAnkle: Point;
  upper: Upper;
}

function feetOf(build: Build, partial: Partial<LungeSetUp>): Feet {
  const set = { ...lungeDefaults(build), ...partial };
  const { lengths: l, constants: c } = build;
  const y = set.rearFootRaisedM - set.frontFootRaisedM;
  // On a seat the instep rests under the ankle; on the floor or a low plate the ball of the foot; between, it rolls over.
  const lies = onInstep(build, set.rearFootRaisedM);
  const contact = { x: (c.ballPlace + (c.anklePlace - c.ballPlace) * lies) * l.foot - set.stepM, y };
  const psi = rad(c.rearFootDeg);
  const mtp = ballToAnkle(build);
  const rearAnkle = {
    x: contact.x - (1 - lies) * mtp * Math.cos(psi),
    y: y + (1 - lies) * mtp * Math.sin(psi) + lies * l.ankleHeight,
  };
  const upper = upperOf(build, armsUnder(set.load, set.arms), set.load, set.loadKg);
  return { set, foot: footOn(build, 0), contact, rearAnkle, upper };
}

function massesAt(build: Build, f: Feet, hip: Point, knee: Point, rearKnee: Point): Masses {
  const { masses, massKg } = build;
  const { set } = f;
  const kg = (x: number) => x * massKg;
  const on = (fraction: number, p: Point): PointMass => ({ kg: kg(fraction), ...p });
  const arms = armPoint(build, armsUnder(set.load, set.arms), hip, set.trunkDeg);
  return {
    ...legMasses(build, f.foot, { ankle: f.foot.ankle, knee, hip }, 1),
    aboveHip: upperMasses(
      build,
      hip,
      set.trunkDeg,
      arms,
      loadPoint(build, set.load, hip, set.trunkDeg),
      set.loadKg,
    ),
    rear: [
      on(masses.foot.fraction, between(f.rearAnkle, f.contact, 0.5)),
      on(masses.shank.fraction, between(rearKnee, f.rearAnkle, masses.shank.centre)),
      on(masses.thigh.fraction, between(hip, rearKnee, masses.thigh.centre)),
    ],
  };
}

/** Share on the front foot and horizontal force for a hip; null where a leg does not reach. */
function standAt(build: Build, f: Feet, hip: Point) {
  const { shank, thigh } = build.lengths;
  const { masses, massKg } = build;
  // Right of the line from ankle to hip: the knees bend forward.
  const knee = circlesMeet(f.foot.ankle, shank, hip, thigh)?.[1];
  const rearKnee = circlesMeet(f.rearAnkle, shank, hip, thigh)?.[1];
  if (!knee || !rearKnee) return null;
  const { foot, shank: s, thigh: t } = masses;
  const sin = Math.sin(rad(f.set.trunkDeg));
  const cos = Math.cos(rad(f.set.trunkDeg));
  const legKg = (foot.fraction + s.fraction + t.fraction) * massKg;
  const kg = 2 * legKg + f.upper.hip.kg;
  const legs =
    foot.fraction * (f.foot.centre.x + (f.rearAnkle.x + f.contact.x) / 2) +
    s.fraction *
      (knee.x + (f.foot.ankle.x - knee.x) * s.centre + rearKnee.x + (f.rearAnkle.x - rearKnee.x) * s.centre) +
    t.fraction * (2 * hip.x + (knee.x - hip.x + rearKnee.x - hip.x) * t.centre);
  const above = f.upper.hip.sin * sin + f.upper.hip.cos * cos + f.upper.hip.still;
  const comX = (legs * massKg + f.upper.hip.kg * hip.x + above) / kg;
  const copX = f.set.pressure * build.lengths.foot;
  const lever = (copX - comX) / (f.set.meetOfStature * build.statureM);
  // Moments about the rear contact, with Fx1 = −Fy1·lever put in.
  const share = (comX - f.contact.x) / (copX - f.contact.x - f.contact.y * lever);
  return { knee, rearKnee, comX, copX, share, lever, weightN: G * kg, above };
}

/** How far round from the last place of the hip the next one is looked for, degrees. */
const WALK_DEG = 40;

/**
 * Hip on a circle round the front ankle where the front foot carries the asked share; null when no such
 * place is within reach of both legs.
 */
function hipForShare(build: Build, f: Feet, distanceM: number, share: number, guessDeg: number) {
  const at = (angleDeg: number): Point => ({
    x: f.foot.ankle.x + distanceM * Math.sin(rad(angleDeg)),
    y: f.foot.ankle.y + distanceM * Math.cos(rad(angleDeg)),
  });
  const off = (angleDeg: number) => {
    const s = standAt(build, f, at(angleDeg));
    return s ? s.share - share : NaN;
  };
  // Mostly it is near the last one. Otherwise both legs reach only over some of the circle: walk it, then close in.
  const [near, far] = [off(guessDeg - 4), off(guessDeg + 4)];
  if (Number.isFinite(near) && Number.isFinite(far) && near <= 0 !== far <= 0) {
    const angle = rootNear(off, guessDeg, guessDeg - 4, guessDeg + 4);
    if (angle !== null) return { hip: at(angle), angleDeg: angle };
  }
  const found = (low: number, high: number) => {
    const angle = rootNear(off, guessDeg > low && guessDeg < high ? guessDeg : (low + high) / 2, low, high);
    return angle === null ? null : { hip: at(angle), angleDeg: angle };
  };
  let from = NaN;
  let value = NaN;
  for (let a = guessDeg - WALK_DEG; a <= guessDeg + WALK_DEG; a += 4) {
    const v = off(a);
    if (Number.isFinite(value) && Number.isFinite(v)) {
      if (value <= 0 !== v <= 0) return found(from, a);
    } else if (Number.isFinite(value) !== Number.isFinite(v) && !Number.isNaN(from)) {
      // Where a leg comes to be straight between two places, the last one that it reaches counts too.
      const [inside, beyond] = Number.isFinite(v) ? [a, from] : [from, a];
      const end = lastReached(off, inside, beyond);
      if (off(inside) <= 0 !== off(end) <= 0) return found(Math.min(inside, end), Math.max(inside, end));
    }
    from = a;
    value = v;
  }
  return null;
}

/** The farthest place towards one out of reach where a function still has a value. */
function lastReached(f: (x: number) => number, inside: number, beyond: number): number {
  let [near, far] = [inside, beyond];
  for (let i = 0; i < 30; i++) {
    const middle = (near + far) / 2;
    if (Number.isFinite(f(middle))) near = middle;
    else far = middle;
  }
  return near;
}

function postureAt(build: Build, f: Feet, hip: Point, held: boolean): Posture {
  const { set } = f;
  const { lengths: l, constants: c } = build;
  const s = standAt(build, f, hip);
  if (!s) throw new RangeError('The rear leg does not reach from the hip to its foot.');
  const { knee, rearKnee } = s;
  const { u } = trunkAxes(set.trunkDeg);
  const up = (share: number): Point => ({
    x: hip.x + share * l.hipShoulder * u.x,
    y: hip.y + share * l.hipShoulder * u.y,
  });
  const Fy1 = s.share * s.weightN;
  const Fx1 = -Fy1 * s.lever;
  const m = massesAt(build, f, hip, knee, rearKnee);
  const cop = { x: s.copX, y: 0 };
  const leg = (
    name: LegMoments['leg'],
    at: Point,
    Fy: number,
    Fx: number,
    ankle: Point,
    k: Point,
    distal: readonly PointMass[],
  ): LegMoments => {
    const external = (j: Point, n: number) => {
      let kgM = 0;
      for (let i = 0; i < n; i++) kgM += distal[i]!.kg * (distal[i]!.x - j.x);
      return (at.x - j.x) * Fy - (at.y - j.y) * Fx - G * kgM;
    };
    return { leg: name, ankleNm: external(ankle, 1), kneeNm: -external(k, 2), hipNm: external(hip, 3) };
  };
  const front = [...m.feet, ...m.shanks, ...m.thighs];
  const shankDeg = deg(Math.atan2(knee.x - f.foot.ankle.x, knee.y - f.foot.ankle.y));
  const thighDeg = deg(Math.atan2(knee.x - hip.x, hip.y - knee.y));
  const sin = Math.sin(rad(set.trunkDeg));
  const cos = Math.cos(rad(set.trunkDeg));
  return {
    joints: {
      heel: f.foot.heel,
      toe: f.foot.toe,
      ankle: f.foot.ankle,
      knee,
      hip,
      l5: up(c.l5Place),
      shoulder: up(1),
      hand: null,
      load: set.loadKg > 0 ? loadPoint(build, set.load, hip, set.trunkDeg) : null,
      other: { knee: rearKnee, ankle: f.rearAnkle, ...rearFoot(build, f) },
    },
    shankDeg,
    thighDeg,
    trunkDeg: set.trunkDeg,
    dorsiflexionDeg: shankDeg,
    kneeFlexionDeg: shankDeg + thighDeg,
    hipFlexionDeg: thighDeg + set.trunkDeg,
    kneePastToeM: knee.x - f.foot.toe.x,
    legs: held
      ? [
          leg('front leg', cop, Fy1, Fx1, f.foot.ankle, knee, front),
          leg('rear leg', f.contact, s.weightN - Fy1, -Fx1, f.rearAnkle, rearKnee, m.rear),
        ]
      : [],
    l5Nm: held ? G * (f.upper.l5.sin * sin + f.upper.l5.cos * cos + f.upper.l5.still) : null,
    forces: held
      ? [
          { from: 'floor', at: cop, xN: Fx1, yN: Fy1 },
          { from: 'rear foot', at: f.contact, xN: -Fx1, yN: s.weightN - Fy1 },
        ]
      : [],
    verdict: held ? 'balanced' : 'out of reach',
    limit: 'none',
    shortM: 0,
    copX: s.copX,
    comX: s.comX,
    shinRuleGivesDeg: 0,
    frontShare: s.share,
  };
}

/** The rear foot: on the floor on its ball, on a seat with the instep down and the sole up, between them rolling over. */
function rearFoot(build: Build, f: Feet): { heel: Point; toe: Point } {
  const { foot, ankleHeight } = build.lengths;
  const c = build.constants;
  const onBall = footOnBall(build, f.contact, c.rearFootDeg);
  const onSeat = {
    heel: { x: f.rearAnkle.x + 0.1 * foot, y: f.rearAnkle.y + 0.8 * ankleHeight },
    toe: { x: f.contact.x - (1 - c.anklePlace) * foot, y: f.contact.y + 0.5 * ankleHeight },
  };
  const lies = onInstep(build, f.set.rearFootRaisedM);
  return { heel: between(onBall.heel, onSeat.heel, lies), toe: between(onBall.toe, onSeat.toe, lies) };
}

/** Hip of the working position: from the front angles, or shifted so that the asked share results. */
function workingHip(build: Build, f: Feet): { hip: Point; held: boolean } {
  const { set } = f;
  const given = jointsOver(build, f.foot, set.frontShankDeg, set.frontThighDeg, set.trunkDeg).hip;
  if (set.frontShare === null) return { hip: given, held: true };
  // The hip keeps its height and shifts until the share fits.
  const at = (x: number): Point => ({ x, y: given.y });
  const off = (x: number) => {
    const s = standAt(build, f, at(x));
    return s ? s.share - set.frontShare! : NaN;
  };
  const H = build.statureM;
  let nearest = { x: given.x, off: Math.abs(off(given.x)) };
  let from = NaN;
  let value = NaN;
  for (let x = given.x - 0.3 * H; x <= given.x + 0.35 * H; x += 0.01 * H) {
    const v = off(x);
    if (Number.isFinite(v)) {
      if (!(Math.abs(v) >= nearest.off)) nearest = { x, off: Math.abs(v) };
      if (Number.isFinite(value) && value <= 0 !== v <= 0) {
        return { hip: at(rootNear(off, x, from, x) ?? x), held: true };
      }
    }
    from = x;
    value = v;
  }
  return { hip: at(nearest.x), held: false };
}

/**
 * Static lunge: front angles and trunk given, the rear leg follows, the share of each foot results; or the
 * share given, and the hip at the height of those angles shifts until it results. A share that no place of
 * the hip gives is 'out of reach' and carries no moments.
 * @throws RangeError when the rear leg cannot reach from hip to foot
 */
export function lunge(build: Build, partial: Partial<LungeSetUp> = {}): Posture {
  const f = feetOf(build, partial);
  const { hip, held } = workingHip(build, f);
  return postureAt(build, f, hip, held);
}

/** Front knee bend at which the way up ends, degrees: nearly straight. */
const NEARLY_STRAIGHT_DEG = 12;

/**
 * From nearly straight down to the working position, the front foot keeping its share all the way. Where the
 * rear leg straightens first, the way starts there.
 */
export function lungeRange(build: Build, partial: Partial<LungeSetUp> = {}, steps = 40): Posture[] {
  const f = feetOf(build, partial);
  const { hip, held } = workingHip(build, f);
  const bottom = postureAt(build, f, hip, held);
  const { shank, thigh } = build.lengths;
  const { ankle } = f.foot;
  const low = Math.hypot(hip.x - ankle.x, hip.y - ankle.y);
  const bend = rad(180 - NEARLY_STRAIGHT_DEG);
  const high = Math.sqrt(shank * shank + thigh * thigh - 2 * shank * thigh * Math.cos(bend));
  const share = bottom.frontShare!;
  const start = deg(Math.atan2(hip.x - ankle.x, hip.y - ankle.y));
  /** Hips on the way up in even parts of it, from the bottom; null where one of them cannot be reached. */
  const rise = (to: number, n: number) => {
    const hips: Point[] = [];
    let guess = start;
    for (let i = 1; i <= n; i++) {
      const found = hipForShare(build, f, low + ((to - low) * i) / n, share, guess);
      if (!found) return null;
      guess = found.angleDeg;
      hips.push(found.hip);
    }
    return hips;
  };
  let top = high;
  let up = hipForShare(build, f, high, share, start) ? rise(high, steps) : null;
  if (!up) {
    // The rear leg straightens first: the way starts just below where it does.
    let from = low;
    let to = high;
    let guess = start;
    for (let i = 0; i < 16; i++) {
      const middle = (from + to) / 2;
      const found = hipForShare(build, f, middle, share, guess);
      if (found) {
        from = middle;
        guess = found.angleDeg;
      } else to = middle;
    }
    // What one place reaches, all of them may just not.
    top = from;
    for (let i = 0; i < 20 && !up; i++, top = low + (top - low) * 0.98) up = rise(top, steps);
  }
  return [...(up ?? []).map((at) => postureAt(build, f, at, held)).reverse(), bottom];
}

/** The posture's masses as points, for drawing its centre of mass and for checking the sums. */
export function lungeMasses(build: Build, partial: Partial<LungeSetUp>, p: Posture): Masses {
  return massesAt(build, feetOf(build, partial), p.joints.hip, p.joints.knee, p.joints.other!.knee);
}

import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import { between, circlesMeet, deg, rad } from './plane.ts';
import type { Point, PointMass } from './plane.ts';
import type { Masses, OtherLeg, Posture } from './posture.ts';
import { rootBetween } from './root.ts';
import { aboveL5 } from './upper.ts';

export interface BridgeSetUp {
  /** Height of the bench under the shoulder blades, metres; null: lying on the floor. */
  benchM: number | null;
  feetRaisedM: number;
  /** Lean of the shank towards the head at the top, degrees; 0 is vertical. */
  feetFartherDeg: number;
  legs: 1 | 2;
  loadKg: number;
  /** At the crease of the hip, or a hand lower. */
  loadLow: boolean;
  /** Level force of the floor on the feet, + away from the head, as a share of the load on them; undetermined. */
  friction: number;
}

export const BRIDGE_DEFAULTS: BridgeSetUp = {
  benchM: null,
  feetRaisedM: 0,
  feetFartherDeg: 0,
  legs: 2,
  loadKg: 0,
  loadLow: false,
  friction: 0,
};

/** Bench height at which the top is level with a vertical shin, metres. */
export const fittedBenchM = (build: Build) =>
  build.lengths.ankleHeight + build.lengths.shank - build.constants.trunkDepth * build.statureM;

/** Trunk angle from which the buttocks are clear of what raised feet stand on: beside it, or over it. */
function clearOfStep(build: Build, set: BridgeSetUp, upper: Point, ankle: Point, trunk: number): number {
  if (set.feetRaisedM === 0) return -Infinity;
  const depth = build.constants.buttockDepth * build.statureM;
  const edge = ankle.x - build.constants.anklePlace * build.lengths.foot;
  const beside = (edge - depth - upper.x) / trunk;
  const over = (set.feetRaisedM + depth - upper.y) / trunk;
  return Math.min(
    beside >= 1 ? -Infinity : Math.acos(Math.max(-1, beside)),
    over <= -1 ? -Infinity : Math.asin(Math.min(1, over)),
  );
}

/** Where the feet and the back are for the whole repetition. */
interface Ground {
  set: BridgeSetUp;
  upper: Point;
  ankle: Point;
  trunkLength: number;
  topRad: number;
  bottomRad: number;
}

function groundOf(build: Build, partial: Partial<BridgeSetUp>): Ground {
  const set = { ...BRIDGE_DEFAULTS, ...partial };
  const { statureM: H, constants: c } = build;
  const { shank, thigh, hipShoulder, ankleHeight } = build.lengths;
  const upper = { x: 0, y: (set.benchM ?? 0) + c.trunkDepth * H };
  const trunkLength = set.benchM === null ? hipShoulder : c.benchPlace * hipShoulder;
  const ankleY = set.feetRaisedM + ankleHeight;
  // The top: one line from upper back to knee, the shank leaning as asked; that places the ankle.
  const lean = rad(set.feetFartherDeg);
  const reach = trunkLength + thigh;
  const rise = ankleY + shank * Math.cos(lean) - upper.y;
  if (Math.abs(rise) >= reach) throw new RangeError('The feet are too high or too low for a straight line.');
  const topRad = Math.asin(rise / reach);
  const ankle = { x: upper.x + reach * Math.cos(topRad) + shank * Math.sin(lean), y: ankleY };
  // The buttocks go no lower than the floor.
  const onFloor = Math.asin(Math.max(-1, (c.buttockDepth * H - upper.y) / trunkLength));
  const lowest = set.benchM === null ? onFloor : Math.max(rad(c.bridgeBottomDeg), onFloor);
  const bottomRad = Math.max(lowest, clearOfStep(build, set, upper, ankle, trunkLength));
  if (topRad < bottomRad + rad(c.bridgeLeastDeg)) {
    throw new RangeError('The hips have no way to go: the top would be no higher than the bottom.');
  }
  return { set, upper, ankle, trunkLength, topRad, bottomRad };
}

/** Legs and free leg, and the upper body that hangs between hip and contact. */
function bridgeParts(build: Build, g: Ground, hip: Point, knee: Point, phi: number) {
  const { set, ankle } = g;
  const { masses, massKg, constants: c, lengths: l, statureM: H } = build;
  const kg = (f: number) => f * massKg;
  const dir = { x: Math.cos(phi), y: Math.sin(phi) };
  const along = (m: number): Point => ({ x: hip.x - m * dir.x, y: hip.y - m * dir.y });
  const on = (mass: number, p: Point): PointMass => ({ kg: mass, x: p.x, y: p.y });
  const feet = [
    on(set.legs * kg(masses.foot.fraction), {
      x: ankle.x + c.bridgeFoot * l.foot,
      y: set.feetRaisedM + l.ankleHeight / 2,
    }),
  ];
  const shanks = [on(set.legs * kg(masses.shank.fraction), between(knee, ankle, masses.shank.centre))];
  const thighs = [on(set.legs * kg(masses.thigh.fraction), between(hip, knee, masses.thigh.centre))];
  // The free leg lies along the working thigh, straight at the knee.
  const d = { x: (knee.x - hip.x) / l.thigh, y: (knee.y - hip.y) / l.thigh };
  const out = (m: number): Point => ({ x: hip.x + m * d.x, y: hip.y + m * d.y });
  const free =
    set.legs === 1
      ? [
          on(kg(masses.thigh.fraction), out(masses.thigh.centre * l.thigh)),
          on(kg(masses.shank.fraction), out(l.thigh + masses.shank.centre * l.shank)),
          on(kg(masses.foot.fraction), out(l.thigh + l.shank)),
        ]
      : [];
  const Lh = l.hipShoulder;
  const bench = set.benchM !== null;
  const armsAt = along(c.benchArms * Lh);
  const upperBody = bench
    ? [
        on(kg(masses.trunkHead.fraction), along(masses.trunkHead.centre * Lh)),
        on(2 * kg(masses.arm.fraction), armsAt),
      ]
    : [on(kg(masses.trunk.fraction), along(masses.trunk.centre * Lh))];
  const loadAt = set.loadLow ? along(-c.lowOverHips * H) : hip;
  const load = set.loadKg > 0 ? [on(set.loadKg, loadAt)] : [];
  return { feet, shanks, thighs, upperBody, load, free };
}

/** The same direction between −90 and 270 degrees. */
const turn = (angleDeg: number) => ((((angleDeg + 90) % 360) + 360) % 360) - 90;

function poseAt(build: Build, g: Ground, phi: number): Posture {
  const { set, upper, ankle, trunkLength } = g;
  const { shank, thigh, foot } = build.lengths;
  const c = build.constants;
  const hip = { x: upper.x + trunkLength * Math.cos(phi), y: upper.y + trunkLength * Math.sin(phi) };
  // Left of the line from hip to ankle is up at the top; the knee stays on that side all the way.
  const knee = circlesMeet(hip, thigh, ankle, shank)?.[0];
  if (!knee) {
    throw new RangeError(
      Math.hypot(hip.x - ankle.x, hip.y - ankle.y) > thigh + shank
        ? 'The feet are too far away for the legs to reach.'
        : 'The feet are too near: the knees cannot bend that far.',
    );
  }
  const { masses, massKg, statureM: H, lengths } = build;
  const Lh = lengths.hipShoulder;
  const cos = Math.cos(phi);
  const sin = Math.sin(phi);
  const along = (m: number): Point => ({ x: hip.x - m * cos, y: hip.y - m * sin });
  // Every mass as kg and kg·m about the hip, in closed form; `bridgeMasses` lists the same as points.
  const footKg = set.legs * masses.foot.fraction * massKg;
  const shankKg = set.legs * masses.shank.fraction * massKg;
  const thighKg = set.legs * masses.thigh.fraction * massKg;
  const footX = ankle.x + c.bridgeFoot * foot;
  const shankX = knee.x + (ankle.x - knee.x) * masses.shank.centre;
  const thighX = hip.x + (knee.x - hip.x) * masses.thigh.centre;
  const legKg = footKg + shankKg + thighKg;
  const legKgM = footKg * (footX - hip.x) + shankKg * (shankX - hip.x) + thighKg * (thighX - hip.x);
  const bench = set.benchM !== null;
  const above = bench ? aboveL5(build) : floorAboveL5(build);
  const pelvisKg = masses.pelvis.fraction * massKg;
  const armsKg = bench ? 2 * masses.arm.fraction * massKg : 0;
  // Along the trunk from the hip towards the head, which lies at smaller x.
  const upperKgAlong =
    (above.kg * above.centre + pelvisKg * masses.pelvis.centre + armsKg * c.benchArms) * Lh -
    (set.loadLow ? set.loadKg * c.lowOverHips * H : 0);
  const freeLeg = set.legs === 1 ? freeLegKgM(build) : { kg: 0, kgM: 0 };
  const restKg = above.kg + pelvisKg + armsKg + set.loadKg + freeLeg.kg;
  const restKgM = -upperKgAlong * cos + (freeLeg.kgM * (knee.x - hip.x)) / thigh;
  const W = G * (legKg + restKg);
  const comFromUpper = (legKgM + restKgM) / (legKg + restKg) + hip.x - upper.x;
  const contact = { x: ankle.x, y: set.feetRaisedM };
  const Fy = (W * comFromUpper) / (contact.x - upper.x - set.friction * (contact.y - upper.y));
  const Fx = set.friction * Fy;
  const hipNm = (contact.x - hip.x) * Fy - (contact.y - hip.y) * Fx - G * legKgM;
  const kneeNm =
    G * (footKg * (footX - knee.x) + shankKg * (shankX - knee.x)) -
    (contact.x - knee.x) * Fy +
    (contact.y - knee.y) * Fx;
  const ankleNm = (contact.x - ankle.x) * Fy - (contact.y - ankle.y) * Fx - G * footKg * (footX - ankle.x);
  const l5 = along(c.l5Place * Lh);
  const Uy = W - Fy;
  // From the head side: what lies between the contact and L5/S1.
  const headKgM = (above.kg * (c.l5Place - above.centre) + armsKg * (c.l5Place - c.benchArms)) * Lh * cos;
  const l5Nm = Uy * (l5.x - upper.x) + Fx * (l5.y - upper.y) + G * headKgM;
  const trunkDeg = -90 - deg(phi);
  // The bend of the knee lies between nothing and folded; thigh and trunk between folded back and folded up. Taken from
  // these, no angle jumps by a turn on the way.
  const folded = (thigh * thigh + shank * shank - (hip.x - ankle.x) ** 2 - (hip.y - ankle.y) ** 2) / 2;
  const kneeFlexionDeg = 180 - deg(Math.acos(folded / (thigh * shank)));
  const hipFlexionDeg = turn(deg(Math.atan2(knee.x - hip.x, hip.y - knee.y)) + trunkDeg);
  const thighDeg = hipFlexionDeg - trunkDeg;
  const shankDeg = kneeFlexionDeg - thighDeg;
  const toeX = ankle.x + (1 - c.anklePlace) * foot;
  const shoulder = along(Lh);
  return {
    joints: {
      heel: { x: ankle.x - c.anklePlace * foot, y: set.feetRaisedM },
      toe: { x: toeX, y: set.feetRaisedM },
      ankle,
      knee,
      hip,
      l5,
      shoulder,
      hand: null,
      load: set.loadKg > 0 ? along(set.loadLow ? -c.lowOverHips * H : 0) : null,
      other:
        set.legs === 1
          ? freeFoot(build, onLine(hip, knee, thigh, thigh), onLine(hip, knee, thigh, thigh + shank))
          : null,
    },
    // Lying, the body faces up and its feet are ahead: the shank leans back where it leans to the head.
    shankDeg,
    thighDeg,
    trunkDeg,
    dorsiflexionDeg: shankDeg,
    kneeFlexionDeg,
    hipFlexionDeg,
    kneePastToeM: knee.x - toeX,
    legs: [
      {
        leg: set.legs === 2 ? 'each leg' : 'working leg',
        ankleNm: ankleNm / set.legs,
        kneeNm: kneeNm / set.legs,
        hipNm: hipNm / set.legs,
      },
    ],
    l5Nm,
    forces: [
      { from: 'floor', at: contact, xN: Fx, yN: Fy },
      { from: set.benchM === null ? 'upper back' : 'bench', at: upper, xN: -Fx, yN: Uy },
    ],
    verdict: 'balanced',
    limit: 'none',
    shortM: 0,
    copX: contact.x,
    comX: upper.x + comFromUpper,
    shinRuleGivesDeg: 0,
    frontShare: null,
  };
}

/** The straight free leg, its foot at a right angle to it: lying face up, the toes point up. */
function freeFoot(build: Build, knee: Point, ankle: Point): OtherLeg {
  const { foot, ankleHeight } = build.lengths;
  const length = Math.hypot(ankle.x - knee.x, ankle.y - knee.y);
  const d = { x: (ankle.x - knee.x) / length, y: (ankle.y - knee.y) / length };
  const onSole = (share: number): Point => ({
    x: ankle.x + ankleHeight * d.x - share * foot * d.y,
    y: ankle.y + ankleHeight * d.y + share * foot * d.x,
  });
  const { anklePlace } = build.constants;
  return { knee, ankle, heel: onSole(-anklePlace), toe: onSole(1 - anklePlace) };
}

/** A point on the line of the thigh at a distance from the hip. */
const onLine = (hip: Point, knee: Point, thigh: number, m: number): Point => ({
  x: hip.x + (m * (knee.x - hip.x)) / thigh,
  y: hip.y + (m * (knee.y - hip.y)) / thigh,
});

/** Trunk above L5/S1 without head and arms, which rest on the floor. */
function floorAboveL5(build: Build): { kg: number; centre: number } {
  const { trunk, pelvis } = build.masses;
  const fraction = trunk.fraction - pelvis.fraction;
  return {
    kg: fraction * build.massKg,
    centre: (trunk.fraction * trunk.centre - pelvis.fraction * pelvis.centre) / fraction,
  };
}

/** The free leg along the working thigh, its foot's mass at the ankle: kg and kg·m from the hip. */
function freeLegKgM(build: Build): { kg: number; kgM: number } {
  const { masses: m, massKg, lengths: l } = build;
  return {
    kg: (m.thigh.fraction + m.shank.fraction + m.foot.fraction) * massKg,
    kgM:
      massKg *
      (m.thigh.fraction * m.thigh.centre * l.thigh +
        m.shank.fraction * (l.thigh + m.shank.centre * l.shank) +
        m.foot.fraction * (l.thigh + l.shank)),
  };
}

/**
 * A bridge or thrust from its bottom to its top line, the feet staying where the top wants them.
 * x runs from head to feet. On the floor head and arms rest and are left out.
 * @throws RangeError when the legs cannot reach such a posture
 */
export function bridgeRange(build: Build, partial: Partial<BridgeSetUp> = {}, steps = 40): Posture[] {
  const g = groundOf(build, partial);
  return Array.from({ length: steps + 1 }, (_, i) =>
    poseAt(build, g, g.bottomRad + ((g.topRad - g.bottomRad) * i) / steps),
  );
}

/** Trunk above level at the top, degrees: 0 is a level line from shoulder to knee. */
export const topSlopeDeg = (build: Build, partial: Partial<BridgeSetUp>) =>
  deg(groundOf(build, partial).topRad);

/** The posture's masses as points, for drawing its centre of mass and for checking the sums. */
export function bridgeMasses(build: Build, partial: Partial<BridgeSetUp>, p: Posture): Masses {
  const g = groundOf(build, partial);
  const parts = bridgeParts(build, g, p.joints.hip, p.joints.knee, rad(-90 - p.trunkDeg));
  return {
    feet: parts.feet,
    shanks: parts.shanks,
    thighs: parts.thighs,
    aboveHip: [...parts.upperBody, ...parts.load, ...parts.free],
    rear: [],
  };
}

/** Bench height that levels the top for the given feet, found rather than assumed; null: none between 0.1 and 0.9 m. */
export function benchForLevelTopM(build: Build, partial: Partial<BridgeSetUp> = {}): number | null {
  return rootBetween((benchM) => topSlopeDeg(build, { ...partial, benchM }), 0.1, 0.9);
}

import type { Build } from '../body/index.ts';
import { G, HALF_DEPTHS, PLACES } from '../body/index.ts';
import { at, between, centreX, circlesMeet, deg, firstMoment, rad, totalMass } from './plane.ts';
import type { Point, PointMass } from './plane.ts';
import { rootBetween } from './root.ts';

export interface BridgeSetUp {
  /** Height of the bench under the shoulder blades, metres; null: lying on the floor. */
  benchM: number | null;
  feetRaisedM: number;
  /** Lean of the shank towards the head at the top, degrees; 0 is vertical. */
  feetFartherDeg: number;
  legs: 1 | 2;
  loadKg: number;
  /** Horizontal force at the feet, N; statically undetermined, 0 by default. */
  frictionN: number;
}

export const BRIDGE_DEFAULTS: BridgeSetUp = {
  benchM: null,
  feetRaisedM: 0,
  feetFartherDeg: 0,
  legs: 2,
  loadKg: 0,
  frictionN: 0,
};

export interface BridgePosture {
  /** Contact of the upper back. */
  upper: Point;
  hip: Point;
  knee: Point;
  ankle: Point;
  l5: Point;
  /** Trunk above level, degrees. */
  trunkAboveLevelDeg: number;
  /** Shank from the vertical, + towards the head. */
  shankDeg: number;
  /** Joint moments in N·m, totals over the working legs; negative knee: hamstrings. */
  hipNm: number;
  kneeNm: number;
  l5Nm: number;
  /** Upward forces in N at foot and upper back. */
  footN: number;
  upperN: number;
  masses: PointMass[];
}

export interface BridgeRange {
  bottom: BridgePosture;
  top: BridgePosture;
  /** From bottom to top. */
  sweep: BridgePosture[];
}

/** Bench height at which the top is level with a vertical shin, metres. */
export const fittedBench = (build: Build) =>
  build.lengths.ankleHeight + build.lengths.shank - HALF_DEPTHS.trunk * build.statureM;

/**
 * A bridge or thrust from its bottom to its top line, the feet staying where the top wants them.
 * x runs from head to feet. On the floor head and arms rest and are left out.
 * @throws RangeError when the legs cannot reach such a posture
 */
export function bridge(build: Build, partial: Partial<BridgeSetUp> = {}, steps = 40): BridgeRange {
  const set = { ...BRIDGE_DEFAULTS, ...partial };
  const H = build.statureM;
  const { shank, thigh, hipShoulder, ankleHeight } = build.lengths;
  const onBench = set.benchM !== null;
  const upper = { x: 0, y: (set.benchM ?? 0) + HALF_DEPTHS.trunk * H };
  const trunkLength = onBench ? PLACES.bench * hipShoulder : hipShoulder;
  const ankleY = set.feetRaisedM + ankleHeight;

  // The top: one line from upper back to knee, the shank leaning as asked; that places the ankle.
  const lean = rad(set.feetFartherDeg);
  const reach = trunkLength + thigh;
  const rise = ankleY + shank * Math.cos(lean) - upper.y;
  if (Math.abs(rise) >= reach) throw new RangeError('The feet are too high or too low for a straight line.');
  const topPhi = Math.asin(rise / reach);
  const topKnee = { x: upper.x + reach * Math.cos(topPhi), y: upper.y + rise };
  const ankle = { x: topKnee.x + shank * Math.sin(lean), y: ankleY };

  const bottomPhi = onBench ? rad(-45) : Math.asin((HALF_DEPTHS.buttock * H - upper.y) / trunkLength);

  const pose = (phi: number): BridgePosture => {
    const dir = { x: Math.cos(phi), y: Math.sin(phi) };
    const hip = { x: upper.x + trunkLength * dir.x, y: upper.y + trunkLength * dir.y };
    const meet = circlesMeet(hip, thigh, ankle, shank);
    const straight = between(hip, ankle, thigh / (thigh + shank));
    const knee = meet ? (meet[0].y > meet[1].y ? meet[0] : meet[1]) : straight;
    const along = (share: number): Point => ({
      x: hip.x - share * hipShoulder * dir.x,
      y: hip.y - share * hipShoulder * dir.y,
    });
    const l5 = along(PLACES.l5);
    const { masses, massKg } = build;
    const kg = (f: number) => f * massKg;
    const foot = { x: ankle.x + 0.24 * build.lengths.foot, y: set.feetRaisedM + ankleHeight / 2 };
    const legMasses = [
      at(set.legs * kg(masses.foot.fraction), foot),
      at(set.legs * kg(masses.shank.fraction), between(knee, ankle, masses.shank.centre)),
      at(set.legs * kg(masses.thigh.fraction), between(hip, knee, masses.thigh.centre)),
    ];
    // The free leg lies along the working thigh, straight at the knee.
    const d = { x: (knee.x - hip.x) / thigh, y: (knee.y - hip.y) / thigh };
    const free = (metres: number): Point => ({ x: hip.x + metres * d.x, y: hip.y + metres * d.y });
    const freeLeg =
      set.legs === 1
        ? [
            at(kg(masses.thigh.fraction), free(masses.thigh.centre * thigh)),
            at(kg(masses.shank.fraction), free(thigh + masses.shank.centre * shank)),
            at(kg(masses.foot.fraction), free(thigh + shank)),
          ]
        : [];
    const arms = at(2 * kg(masses.arm.fraction), along(0.7));
    const upperBody = onBench
      ? [at(kg(masses.trunkHead.fraction), along(masses.trunkHead.centre)), arms]
      : [at(kg(masses.trunk.fraction), along(masses.trunk.centre))];
    const load = set.loadKg > 0 ? [at(set.loadKg, hip)] : [];
    const all = [...legMasses, ...freeLeg, ...upperBody, ...load];
    const W = G * totalMass(all);
    const contact = { x: ankle.x, y: set.feetRaisedM };
    const Fx = set.frictionN;
    const Fy = (W * (centreX(all) - upper.x) + Fx * (contact.y - upper.y)) / (contact.x - upper.x);
    const Uy = W - Fy;
    const Ux = -Fx;
    const external = (j: Point, distal: PointMass[]) =>
      (contact.x - j.x) * Fy - (contact.y - j.y) * Fx - G * firstMoment(distal, j.x);
    const pelvisKg = masses.pelvis.fraction;
    const whole = onBench ? masses.trunkHead : masses.trunk;
    const headSideKg = whole.fraction - pelvisKg;
    const headSideCentre = (whole.fraction * whole.centre - pelvisKg * masses.pelvis.centre) / headSideKg;
    const headSide = [at(kg(headSideKg), along(headSideCentre)), ...(onBench ? [arms] : [])];
    return {
      upper,
      hip,
      knee,
      ankle,
      l5,
      trunkAboveLevelDeg: deg(phi),
      shankDeg: deg(Math.atan2(ankle.x - knee.x, knee.y - ankle.y)),
      hipNm: external(hip, legMasses),
      kneeNm: -external(knee, legMasses.slice(0, 2)),
      l5Nm: Uy * (l5.x - upper.x) - Ux * (l5.y - upper.y) + G * firstMoment(headSide, l5.x),
      footN: Fy,
      upperN: Uy,
      masses: all,
    };
  };
  const sweep = Array.from({ length: steps + 1 }, (_, i) =>
    pose(bottomPhi + ((topPhi - bottomPhi) * i) / steps),
  );
  return { bottom: sweep[0]!, top: sweep.at(-1)!, sweep };
}

/** Bench height that levels the top for the given lean, found rather than assumed; null: none between 0.1 and 1.2 m. */
export function benchForLevelTop(build: Build, partial: Partial<BridgeSetUp> = {}): number | null {
  return rootBetween((benchM) => bridge(build, { ...partial, benchM }, 1).top.trunkAboveLevelDeg, 0.1, 0.9);
}

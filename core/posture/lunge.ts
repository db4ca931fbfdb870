import type { Build } from '../body/index.ts';
import { G, PLACES } from '../body/index.ts';
import { at, between, centreX, circlesMeet, firstMoment, rad, totalMass } from './plane.ts';
import type { Point, PointMass } from './plane.ts';
import { armPoint, armsUnder, footOn, jointsOver, loadPoint, standingMasses } from './standing.ts';
import type { ArmsAt, LoadAt } from './standing.ts';

export interface LungeSetUp {
  /** Heel to heel, metres. */
  stepM: number;
  frontShankDeg: number;
  frontThighDeg: number;
  trunkDeg: number;
  rearFootRaisedM: number;
  load: LoadAt;
  loadKg: number;
  arms: ArmsAt;
  pressure: number;
  /** Height at which the two ground forces and gravity meet, of stature; settles the horizontal force. */
  meetOfStature: number;
}

/** The band of the undetermined horizontal force: where the forces may meet, of stature. */
export const MEET_BAND = [0.8, 2] as const;
const MEET_DEFAULT = 1.3;
/** Rear foot on its ball: line from ball to ankle against the floor, degrees. */
const REAR_FOOT_DEG = 85;

export interface LegMoments {
  hipNm: number;
  kneeNm: number;
  /** Ground force, N. */
  forceN: number;
  horizontalN: number;
}

export interface LungePosture {
  front: { heel: Point; toe: Point; ankle: Point; knee: Point };
  rear: { contact: Point; ankle: Point; knee: Point };
  hip: Point;
  shoulder: Point;
  l5: Point;
  trunkDeg: number;
  /** Share of the weight that the front foot carries: a result of the posture. */
  frontShare: number;
  frontLeg: LegMoments;
  rearLeg: LegMoments;
  l5Nm: number;
  /** Σ of what the hips carry, for checking: equals the two hip moments together. */
  aboveHipNm: number;
  masses: PointMass[];
}

const ballToAnkle = ({ lengths: l }: Build) =>
  Math.hypot((PLACES.ball - PLACES.ankle) * l.foot, l.ankleHeight);

/** Step heel to heel that gives a right angle at both knees with a vertical front shin, metres. */
export function rightAngleStep(build: Build): number {
  const { thigh, shank, ankleHeight, foot } = build.lengths;
  const mtp = ballToAnkle(build);
  const psi = rad(REAR_FOOT_DEG);
  const drop = mtp * Math.sin(psi) - (ankleHeight + shank - thigh);
  return (
    thigh + Math.sqrt(shank * shank - drop * drop) + (PLACES.ball - PLACES.ankle) * foot - mtp * Math.cos(psi)
  );
}

export function lungeDefaults(build: Build): LungeSetUp {
  return {
    stepM: rightAngleStep(build),
    frontShankDeg: 0,
    frontThighDeg: 90,
    trunkDeg: 5,
    rearFootRaisedM: 0,
    load: 'none',
    loadKg: 0,
    arms: 'at the sides',
    pressure: 0.45,
    meetOfStature: MEET_DEFAULT,
  };
}

/**
 * Static lunge: front angles and trunk given, the rear leg follows, the share of each foot results.
 * @throws RangeError when the rear leg cannot reach from hip to foot
 */
export function lunge(build: Build, partial: Partial<LungeSetUp> = {}): LungePosture {
  const set = { ...lungeDefaults(build), ...partial };
  const { foot: Lf, ankleHeight, shank, thigh } = build.lengths;
  const raised = set.rearFootRaisedM;
  const frontFoot = footOn(build, 0);
  const joints = jointsOver(build, frontFoot, set.frontShankDeg, set.frontThighDeg, set.trunkDeg);
  const { hip, shoulder, l5, knee } = joints;

  const contact =
    raised > 0 ? { x: PLACES.ankle * Lf - set.stepM, y: raised } : { x: PLACES.ball * Lf - set.stepM, y: 0 };
  const psi = rad(REAR_FOOT_DEG);
  const mtp = ballToAnkle(build);
  const rearAnkle =
    raised > 0
      ? { x: contact.x, y: contact.y + ankleHeight }
      : { x: contact.x - mtp * Math.cos(psi), y: contact.y + mtp * Math.sin(psi) };
  // Right of the line from ankle to hip: the knee bends forward.
  const meet = circlesMeet(rearAnkle, shank, hip, thigh);
  if (!meet) throw new RangeError('The rear leg does not reach from the hip to its foot.');
  const rearKnee = meet[1];

  const { masses, massKg } = build;
  const kg = (f: number) => f * massKg;
  const armsAt = armPoint(build, armsUnder(set.load, set.arms), hip, shoulder, set.trunkDeg);
  const place = loadPoint(build, set.load, hip, shoulder, set.trunkDeg);
  const load = place && set.loadKg > 0 ? { ...place, kg: set.loadKg } : null;
  const front = standingMasses(build, frontFoot, joints, 1, armsAt, load, []);
  const rearMasses = [
    at(kg(masses.foot.fraction), between(rearAnkle, contact, 0.5)),
    at(kg(masses.shank.fraction), between(rearKnee, rearAnkle, masses.shank.centre)),
    at(kg(masses.thigh.fraction), between(hip, rearKnee, masses.thigh.centre)),
  ];
  const frontMasses = [...front.feet, ...front.shanks, ...front.thighs];
  const all = [...frontMasses, ...rearMasses, ...front.aboveHip];
  const W = G * totalMass(all);
  const com = centreX(all);
  const cop = { x: set.pressure * Lf, y: 0 };
  const lever = (cop.x - com) / (set.meetOfStature * build.statureM);
  // Moments about the rear contact, with Fx1 = −Fy1·lever put in.
  const Fy1 = (W * (com - contact.x)) / (cop.x - contact.x - raised * lever);
  const Fx1 = -Fy1 * lever;
  const leg = (c: Point, Fy: number, Fx: number, k: Point, distal: PointMass[]): LegMoments => {
    const external = (j: Point, m: PointMass[]) =>
      (c.x - j.x) * Fy - (c.y - j.y) * Fx - G * firstMoment(m, j.x);
    return {
      hipNm: external(hip, distal),
      kneeNm: -external(k, distal.slice(0, 2)),
      forceN: Fy,
      horizontalN: Fx,
    };
  };
  return {
    front: { heel: frontFoot.heel, toe: frontFoot.toe, ankle: frontFoot.ankle, knee },
    rear: { contact, ankle: rearAnkle, knee: rearKnee },
    hip,
    shoulder,
    l5,
    trunkDeg: set.trunkDeg,
    frontShare: Fy1 / W,
    frontLeg: leg(cop, Fy1, Fx1, knee, frontMasses),
    rearLeg: leg(contact, W - Fy1, -Fx1, rearKnee, rearMasses),
    l5Nm: G * firstMoment(front.aboveL5, l5.x),
    aboveHipNm: G * firstMoment(front.aboveHip, hip.x),
    masses: all,
  };
}

import type { Build } from '../body/index.ts';
import { rad } from './plane.ts';
import type { Point, PointMass } from './plane.ts';
import type { Masses, OtherLeg } from './posture.ts';
import { trunkAxes } from './upper.ts';

export interface Foot {
  heel: Point;
  toe: Point;
  ankle: Point;
  centre: Point;
}

/** The foot on the floor, its heel raised by a wedge that turns it about the toe tip. */
export function footOn(build: Build, wedgeDeg: number): Foot {
  const { foot, ankleHeight } = build.lengths;
  const { anklePlace, footCentre } = build.constants;
  const w = rad(wedgeDeg);
  const turned = (x: number, y: number): Point => ({
    x: foot + (x - foot) * Math.cos(w) + y * Math.sin(w),
    y: -(x - foot) * Math.sin(w) + y * Math.cos(w),
  });
  return {
    heel: turned(0, 0),
    toe: turned(foot, 0),
    ankle: turned(anklePlace * foot, ankleHeight),
    centre: turned(footCentre * foot, ankleHeight / 2),
  };
}

/** Knee, hip, L5/S1 and shoulder over a foot, from the three segment angles in degrees. */
export function jointsOver(
  build: Build,
  foot: Foot,
  shankDeg: number,
  thighDeg: number,
  trunkDeg: number,
  legScale = 1,
) {
  const { shank, thigh, hipShoulder } = build.lengths;
  const s = rad(shankDeg);
  const th = rad(thighDeg);
  const { u } = trunkAxes(trunkDeg);
  const Ls = shank * legScale;
  const Lt = thigh * legScale;
  const knee = { x: foot.ankle.x + Ls * Math.sin(s), y: foot.ankle.y + Ls * Math.cos(s) };
  const hip = { x: knee.x - Lt * Math.sin(th), y: knee.y + Lt * Math.cos(th) };
  const up = build.constants.l5Place * hipShoulder;
  return {
    heel: foot.heel,
    toe: foot.toe,
    ankle: foot.ankle,
    knee,
    hip,
    l5: { x: hip.x + up * u.x, y: hip.y + up * u.y },
    shoulder: { x: hip.x + hipShoulder * u.x, y: hip.y + hipShoulder * u.y },
  };
}

/** Masses of a straight free leg at distances from the hip along a direction, as sums: kg and kg·m. */
export function freeLegSums(build: Build): { kg: number; kgM: number } {
  const { masses, massKg, lengths, statureM, constants } = build;
  const kg = (f: number) => f * massKg;
  return {
    kg: kg(masses.thigh.fraction + masses.shank.fraction + masses.foot.fraction),
    kgM:
      kg(masses.thigh.fraction) * masses.thigh.centre * lengths.thigh +
      kg(masses.shank.fraction) * (lengths.thigh + masses.shank.centre * lengths.shank) +
      kg(masses.foot.fraction) * (lengths.thigh + lengths.shank + constants.freeFoot * statureM),
  };
}

/** The same free leg as point masses, from the hip in a direction given as a unit vector. */
export function freeLegMasses(build: Build, hip: Point, d: Point): PointMass[] {
  const { masses, massKg, lengths, statureM, constants } = build;
  const on = (fraction: number, metres: number): PointMass => ({
    kg: fraction * massKg,
    x: hip.x + metres * d.x,
    y: hip.y + metres * d.y,
  });
  return [
    on(masses.thigh.fraction, masses.thigh.centre * lengths.thigh),
    on(masses.shank.fraction, lengths.thigh + masses.shank.centre * lengths.shank),
    on(masses.foot.fraction, lengths.thigh + lengths.shank + constants.freeFoot * statureM),
  ];
}

/** Joints of a straight free leg, its foot at a right angle, the toes turned upward or forward. */
export function freeLegJoints(build: Build, hip: Point, d: Point): OtherLeg {
  const { lengths, constants } = build;
  const out = (m: number): Point => ({ x: hip.x + m * d.x, y: hip.y + m * d.y });
  const knee = out(lengths.thigh);
  const ankle = out(lengths.thigh + lengths.shank);
  // Ninety degrees ahead of the leg: forward under a hanging one, up on one held out in front.
  const ahead = { x: -d.y, y: d.x };
  const onSole = (share: number): Point => ({
    x: ankle.x + share * lengths.foot * ahead.x + lengths.ankleHeight * d.x,
    y: ankle.y + share * lengths.foot * ahead.y + lengths.ankleHeight * d.y,
  });
  return { knee, ankle, heel: onSole(-constants.anklePlace), toe: onSole(1 - constants.anklePlace) };
}

/** Heel and tip of a foot that stands on its ball, the line from ball to ankle at an angle to the floor. */
export function footOnBall(build: Build, ball: Point, ballToAnkleDeg: number): { heel: Point; toe: Point } {
  const { foot, ankleHeight } = build.lengths;
  const { anklePlace, ballPlace } = build.constants;
  const sole = rad(180 - ballToAnkleDeg) + Math.atan2(ankleHeight, (ballPlace - anklePlace) * foot);
  return {
    heel: { x: ball.x + ballPlace * foot * Math.cos(sole), y: ball.y + ballPlace * foot * Math.sin(sole) },
    toe: { x: ball.x + (1 - ballPlace) * foot, y: ball.y },
  };
}

/** Feet, shanks and thighs of the standing legs as point masses. */
export function legMasses(
  build: Build,
  foot: Foot,
  j: { ankle: Point; knee: Point; hip: Point },
  legs: 1 | 2,
): Pick<Masses, 'feet' | 'shanks' | 'thighs'> {
  const { masses, massKg } = build;
  const on = (fraction: number, a: Point, b: Point, share: number): PointMass => ({
    kg: legs * fraction * massKg,
    x: a.x + (b.x - a.x) * share,
    y: a.y + (b.y - a.y) * share,
  });
  // Proximal ends: the knee for the shank, the hip for the thigh.
  return {
    feet: [{ kg: legs * masses.foot.fraction * massKg, ...foot.centre }],
    shanks: [on(masses.shank.fraction, j.knee, j.ankle, masses.shank.centre)],
    thighs: [on(masses.thigh.fraction, j.hip, j.knee, masses.thigh.centre)],
  };
}

/** Mass of the whole body as the mass set adds it up, with a load, kg. */
export function bodyMassKg(build: Build, loadKg: number): number {
  const { foot, shank, thigh, arm, trunkHead } = build.masses;
  const fraction = 2 * (foot.fraction + shank.fraction + thigh.fraction + arm.fraction) + trunkHead.fraction;
  return fraction * build.massKg + loadKg;
}

import type { Build } from '../body/index.ts';
import { armLength, G, gripLength, PLACES } from '../body/index.ts';
import { at, centreX, firstMoment, rad, totalMass } from './plane.ts';
import type { Point, PointMass } from './plane.ts';

/** Joints of a body standing on its feet, in the side view. */
export interface StandingJoints {
  heel: Point;
  toe: Point;
  ankle: Point;
  knee: Point;
  hip: Point;
  shoulder: Point;
  l5: Point;
  hand: Point;
}

/** Net internal moments in N·m, totals over the standing legs; + extensor, + plantarflexor. */
export interface Moments {
  ankleNm: number;
  kneeNm: number;
  hipNm: number;
  l5Nm: number;
}

/** Masses by what they hang on, so that each joint can sum what is above it. */
export interface StandingMasses {
  feet: PointMass[];
  shanks: PointMass[];
  thighs: PointMass[];
  /** Trunk with head, arms, load, and the free leg of one-leg work. */
  aboveHip: PointMass[];
  aboveL5: PointMass[];
}

export interface Foot {
  heel: Point;
  toe: Point;
  ankle: Point;
  centre: Point;
}

/** The foot on the floor, its heel raised by a wedge that turns it about the toe tip. */
export function footOn(build: Build, wedgeDeg: number): Foot {
  const { foot, ankleHeight } = build.lengths;
  const w = rad(wedgeDeg);
  const turned = (x: number, y: number): Point => ({
    x: foot + (x - foot) * Math.cos(w) + y * Math.sin(w),
    y: -(x - foot) * Math.sin(w) + y * Math.cos(w),
  });
  return {
    heel: turned(0, 0),
    toe: turned(foot, 0),
    ankle: turned(PLACES.ankle * foot, ankleHeight),
    centre: turned(0.455 * foot, ankleHeight / 2),
  };
}

/** Unit vectors along the trunk and forward of it. */
export const trunkAxes = (tauDeg: number) => {
  const t = rad(tauDeg);
  return { u: { x: Math.sin(t), y: Math.cos(t) }, n: { x: Math.cos(t), y: -Math.sin(t) } };
};

/** Knee, hip, shoulder and L5/S1 over a foot, from the three segment angles in degrees. */
export function jointsOver(
  build: Build,
  foot: Foot,
  shankDeg: number,
  thighDeg: number,
  trunkDeg: number,
): Omit<StandingJoints, 'hand'> {
  const { shank, thigh, hipShoulder } = build.lengths;
  const s = rad(shankDeg);
  const th = rad(thighDeg);
  const { u } = trunkAxes(trunkDeg);
  const knee = { x: foot.ankle.x + shank * Math.sin(s), y: foot.ankle.y + shank * Math.cos(s) };
  const hip = { x: knee.x - thigh * Math.sin(th), y: knee.y + thigh * Math.cos(th) };
  return {
    heel: foot.heel,
    toe: foot.toe,
    ankle: foot.ankle,
    knee,
    hip,
    shoulder: { x: hip.x + hipShoulder * u.x, y: hip.y + hipShoulder * u.y },
    l5: { x: hip.x + PLACES.l5 * hipShoulder * u.x, y: hip.y + PLACES.l5 * hipShoulder * u.y },
  };
}

/** Point given along the trunk from the hip and forward of it, metres. */
export function onTrunk(hip: Point, trunkDeg: number, along: number, forward: number): Point {
  const { u, n } = trunkAxes(trunkDeg);
  return { x: hip.x + along * u.x + forward * n.x, y: hip.y + along * u.y + forward * n.y };
}

export type LoadAt =
  'none' | 'goblet' | 'chest' | 'front' | 'across high' | 'across low' | 'counterweight' | 'at the sides';
export type ArmsAt = 'at the sides' | 'forward' | 'on the chest' | 'on the bar';

/** Where a load sits, as share of stature: along the trunk beyond a share of hip–shoulder, and forward (low certainty, ± 3 cm). */
const TRUNK_LOADS: Partial<Record<LoadAt, { ofTrunk: number; along: number; forward: number }>> = {
  goblet: { ofTrunk: 0.8, along: 0, forward: 0.11 },
  chest: { ofTrunk: 0.8, along: 0, forward: 0.08 },
  front: { ofTrunk: 1, along: 0, forward: 0.055 },
  'across high': { ofTrunk: 1, along: 0.015, forward: -0.045 },
  'across low': { ofTrunk: 1, along: -0.02, forward: -0.06 },
};

/** What the arms do under a load; without one they are free. */
export function armsUnder(load: LoadAt, free: ArmsAt): ArmsAt {
  switch (load) {
    case 'none':
      return free;
    case 'goblet':
    case 'chest':
    case 'front':
      return 'on the chest';
    case 'across high':
    case 'across low':
      return 'on the bar';
    case 'counterweight':
      return 'forward';
    case 'at the sides':
      return 'at the sides';
  }
}

export function loadPoint(
  build: Build,
  load: LoadAt,
  hip: Point,
  shoulder: Point,
  trunkDeg: number,
): Point | null {
  const H = build.statureM;
  const place = TRUNK_LOADS[load];
  if (place) {
    return onTrunk(
      hip,
      trunkDeg,
      place.ofTrunk * build.lengths.hipShoulder + place.along * H,
      place.forward * H,
    );
  }
  if (load === 'counterweight') return { x: shoulder.x + gripLength(build), y: shoulder.y };
  if (load === 'at the sides') return { x: shoulder.x, y: shoulder.y - gripLength(build) };
  return null;
}

/** Centre of both arms. */
export function armPoint(build: Build, arms: ArmsAt, hip: Point, shoulder: Point, trunkDeg: number): Point {
  const H = build.statureM;
  const reach = build.masses.arm.centre * armLength(build);
  switch (arms) {
    case 'on the chest':
      return onTrunk(hip, trunkDeg, build.lengths.hipShoulder - 0.085 * H, 0.055 * H);
    case 'on the bar':
      return onTrunk(hip, trunkDeg, build.lengths.hipShoulder - 0.06 * H, 0);
    case 'forward':
      return { x: shoulder.x + reach, y: shoulder.y };
    case 'at the sides':
      return { x: shoulder.x, y: shoulder.y - reach };
  }
}

/** The masses of a standing posture, arms and load given as points. */
export function standingMasses(
  build: Build,
  foot: Foot,
  joints: Omit<StandingJoints, 'hand'>,
  legs: 1 | 2,
  arms: Point,
  load: PointMass | null,
  freeLeg: PointMass[],
): StandingMasses {
  const { masses, massKg } = build;
  const kg = (fraction: number) => fraction * massKg;
  const toward = (a: Point, b: Point, share: number): Point => ({
    x: a.x + (b.x - a.x) * share,
    y: a.y + (b.y - a.y) * share,
  });
  const armMass = at(2 * kg(masses.arm.fraction), arms);
  const trunkHead = at(
    kg(masses.trunkHead.fraction),
    toward(joints.hip, joints.shoulder, masses.trunkHead.centre),
  );
  // What is above L5/S1 is trunk and head less the pelvis.
  const above = masses.trunkHead.fraction - masses.pelvis.fraction;
  const aboveCentre =
    (masses.trunkHead.fraction * masses.trunkHead.centre - masses.pelvis.fraction * masses.pelvis.centre) /
    above;
  const loads = load ? [load] : [];
  return {
    feet: [at(legs * kg(masses.foot.fraction), foot.centre)],
    // Proximal ends: the knee for the shank, the hip for the thigh.
    shanks: [at(legs * kg(masses.shank.fraction), toward(joints.knee, joints.ankle, masses.shank.centre))],
    thighs: [at(legs * kg(masses.thigh.fraction), toward(joints.hip, joints.knee, masses.thigh.centre))],
    aboveHip: [trunkHead, armMass, ...loads, ...freeLeg],
    aboveL5: [at(kg(above), toward(joints.hip, joints.shoulder, aboveCentre)), armMass, ...loads],
  };
}

export const allMasses = (m: StandingMasses) => [...m.feet, ...m.shanks, ...m.thighs, ...m.aboveHip];
export const comX = (m: StandingMasses) => centreX(allMasses(m));

/** Net moments from what is above each joint. */
export function standingMoments(m: StandingMasses, j: Omit<StandingJoints, 'hand'>): Moments {
  return {
    ankleNm: G * firstMoment([...m.shanks, ...m.thighs, ...m.aboveHip], j.ankle.x),
    kneeNm: -G * firstMoment([...m.thighs, ...m.aboveHip], j.knee.x),
    hipNm: G * firstMoment(m.aboveHip, j.hip.x),
    l5Nm: G * firstMoment(m.aboveL5, j.l5.x),
  };
}

/** The same moments from the ground reaction at the centre of pressure; equal in balance. */
export function standingMomentsFromBelow(m: StandingMasses, j: Omit<StandingJoints, 'hand'>, copX: number) {
  const W = totalMass(allMasses(m));
  return {
    ankleNm: G * (W * (copX - j.ankle.x) - firstMoment(m.feet, j.ankle.x)),
    kneeNm: -G * (W * (copX - j.knee.x) - firstMoment([...m.feet, ...m.shanks], j.knee.x)),
    hipNm: G * (W * (copX - j.hip.x) - firstMoment([...m.feet, ...m.shanks, ...m.thighs], j.hip.x)),
  };
}

/** A straight free leg as point masses, from the hip in a direction given as a unit vector. */
export function freeLegAlong(build: Build, hip: Point, d: Point): PointMass[] {
  const { masses, massKg, lengths, statureM } = build;
  const out = (metres: number): Point => ({ x: hip.x + metres * d.x, y: hip.y + metres * d.y });
  return [
    at(masses.thigh.fraction * massKg, out(masses.thigh.centre * lengths.thigh)),
    at(masses.shank.fraction * massKg, out(lengths.thigh + masses.shank.centre * lengths.shank)),
    at(masses.foot.fraction * massKg, out(lengths.thigh + lengths.shank + 0.02 * statureM)),
  ];
}

import type { Build } from '../body/index.ts';
import { clamp, rad } from '../posture/index.ts';

/*
 * How much of its greatest moment a joint has at an angle: `cos(C2·(angle − C3))`, the isometric part of Anderson, Madigan
 * & Nussbaum 2007 (J. Biomech. 40: 3105–3113), young men, angles in radians; from memory, certainty medium. Beyond the angles
 * that were measured the value at their end stands. The greatest moments themselves are the build's constants.
 */
interface Shape {
  c2: number;
  c3: number;
  fromDeg: number;
  toDeg: number;
}

const HIP_EXTENSION: Shape = { c2: 0.958, c3: 0.932, fromDeg: -10, toDeg: 90 };
const KNEE_EXTENSION: Shape = { c2: 1.258, c3: 1.133, fromDeg: 20, toDeg: 100 };
const KNEE_FLEXION: Shape = { c2: 0.869, c3: 0.522, fromDeg: 0, toDeg: 90 };

const shareOf = ({ c2, c3, fromDeg, toDeg }: Shape, angleDeg: number) =>
  Math.cos(c2 * (rad(clamp(fromDeg, angleDeg, toDeg)) - c3));

/** Hamstrings cross hip and knee: with the hip straight they are short and have this share (Worrell et al. 1989, from memory, low). */
const HAMSTRINGS_AT_STRAIGHT_HIP = 0.8;

type Strengths = Pick<Build, 'constants'>;

// Greatest moments of one leg, as shares of mass × g × stature; angles in degrees of flexion.

export const hipExtensionAt = ({ constants: c }: Strengths, hipDeg: number): number =>
  c.fullHip * shareOf(HIP_EXTENSION, hipDeg);

export const kneeExtensionAt = ({ constants: c }: Strengths, kneeDeg: number): number =>
  c.fullKnee * shareOf(KNEE_EXTENSION, kneeDeg);

export const kneeFlexionAt = ({ constants: c }: Strengths, hipDeg: number, kneeDeg: number): number => {
  const long = HAMSTRINGS_AT_STRAIGHT_HIP + ((1 - HAMSTRINGS_AT_STRAIGHT_HIP) * clamp(0, hipDeg, 90)) / 90;
  return c.fullKneeFlexion * shareOf(KNEE_FLEXION, kneeDeg) * long;
};

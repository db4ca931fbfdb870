import { REFERENCE } from './mass-sets.ts';
import type { MassSet } from './mass-sets.ts';

/** Segment lengths in metres. */
export interface Lengths {
  foot: number;
  ankleHeight: number;
  shank: number;
  thigh: number;
  hipShoulder: number;
  upperArm: number;
  forearm: number;
  hand: number;
  hipBreadth: number;
}

/** Lengths as shares of stature: Drillis & Contini 1966 as drawn in Winter (from memory, high certainty). */
export const LENGTHS_OF_STATURE: Lengths = {
  foot: 0.152,
  ankleHeight: 0.039,
  shank: 0.246,
  thigh: 0.245,
  hipShoulder: 0.288,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  hipBreadth: 0.191,
};

/** Half-depths of the body as shares of stature (low certainty): they set clearances, not loads. */
export const HALF_DEPTHS = { thigh: 0.045, shin: 0.028, trunk: 0.055, buttock: 0.055 } as const;

/** Places along segments (medium certainty unless said). */
export const PLACES = {
  /** Ankle from the heel, of foot length. */
  ankle: 0.21,
  /** Ball of the foot from the heel, of foot length. */
  ball: 0.7,
  /** L5/S1 above the hip, of the hip–shoulder length. */
  l5: 0.2,
  /** Bench contact above the hip, of the hip–shoulder length (low certainty). */
  bench: 0.78,
} as const;

/** Standard gravity rounded as usual in the field, m/s². */
export const G = 9.81;

/** A body to compute with. All in SI. */
export interface Build {
  statureM: number;
  massKg: number;
  lengths: Lengths;
  masses: MassSet;
  /** Ankle dorsiflexion the person has under load, degrees. */
  ankleLimitDeg: number;
  /** Which lengths were measured rather than taken from stature. */
  measured: (keyof Lengths)[];
}

export interface BuildInput {
  statureM: number;
  massKg: number;
  masses?: MassSet;
  /** Measured segments in metres; they replace the share of stature and shorten nothing else. */
  measured?: Partial<Lengths>;
  ankleLimitDeg?: number;
}

/** Default ankle range under load: an assumption in the middle of what healthy adults reach. */
export const DEFAULT_ANKLE_LIMIT_DEG = 40;

/**
 * A build from stature and mass, with measured segments where there are any.
 * @throws RangeError when stature or mass is not positive
 */
export function buildOf({
  statureM,
  massKg,
  masses = REFERENCE,
  measured = {},
  ankleLimitDeg,
}: BuildInput): Build {
  if (!(statureM > 0) || !(massKg > 0)) throw new RangeError('Stature and mass must be positive.');
  const lengths = Object.fromEntries(
    Object.entries(LENGTHS_OF_STATURE).map(([key, share]) => [
      key,
      measured[key as keyof Lengths] ?? share * statureM,
    ]),
  ) as unknown as Lengths;
  return {
    statureM,
    massKg,
    lengths,
    masses,
    ankleLimitDeg: ankleLimitDeg ?? DEFAULT_ANKLE_LIMIT_DEG,
    measured: Object.keys(measured) as (keyof Lengths)[],
  };
}

/** Shoulder to the middle of the grip with a straight arm, m. */
export const gripLength = ({ lengths: l }: Build) => l.upperArm + l.forearm + l.hand / 2;

/** Shoulder to wrist, m. */
export const armLength = ({ lengths: l }: Build) => l.upperArm + l.forearm;

/**
 * Dorsiflexion in degrees from the knee-to-wall test: the greatest toe-to-wall distance at which the
 * knee still touches with the heel down, in metres. Geometry: `asin((d + 0.79·foot)/shank)`.
 */
export function ankleFromKneeToWall(build: Pick<Build, 'lengths'>, distanceM: number): number {
  const { foot, shank } = build.lengths;
  return (Math.asin(Math.min(1, (distanceM + (1 - PLACES.ankle) * foot) / shank)) * 180) / Math.PI;
}

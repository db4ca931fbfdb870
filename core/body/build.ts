import { CONSTANTS } from './constants.ts';
import type { Constants } from './constants.ts';
import { REFERENCE } from './mass-sets.ts';
import type { MassSet } from './mass-sets.ts';

export const SEGMENTS = [
  'foot',
  'ankleHeight',
  'shank',
  'thigh',
  'hipShoulder',
  'upperArm',
  'forearm',
  'hand',
  'hipBreadth',
] as const;
export type Segment = (typeof SEGMENTS)[number];

/** Segment lengths in metres. */
export type Lengths = Record<Segment, number>;

/** A body to compute with. All in SI. */
export interface Build {
  statureM: number;
  massKg: number;
  lengths: Lengths;
  masses: MassSet;
  constants: Constants;
  /** Ankle dorsiflexion the person has under load, degrees. */
  ankleLimitDeg: number;
  /** Flexion between thigh and trunk the person has, degrees. */
  hipLimitDeg: number;
  /** Which lengths were measured rather than taken from stature. */
  measured: Segment[];
}

export interface BuildInput {
  statureM: number;
  massKg: number;
  masses?: MassSet;
  /** Segments in metres; they replace the share of stature. */
  measured?: Partial<Lengths>;
  /**
   * A changed segment shortens nothing else ('kept'), or shank, thigh and hip–shoulder are scaled together
   * so that they stand as high as before ('rescaled').
   */
  others?: 'kept' | 'rescaled';
  ankleLimitDeg?: number;
  hipLimitDeg?: number;
  constants?: Constants;
}

/**
 * A build from stature and mass, with measured segments where there are any.
 * @throws RangeError when stature, mass or a measured segment is not positive
 */
export function buildOf({
  statureM,
  massKg,
  masses = REFERENCE,
  measured = {},
  others = 'kept',
  constants = CONSTANTS,
  ankleLimitDeg = constants.ankleRange,
  hipLimitDeg = constants.hipRange,
}: BuildInput): Build {
  if (!(statureM > 0) || !(massKg > 0)) throw new RangeError('Stature and mass must be positive.');
  const lengths = {} as Lengths;
  for (const s of SEGMENTS) {
    lengths[s] = measured[s] ?? constants[s] * statureM;
    if (!(lengths[s] > 0)) throw new RangeError(`A segment must be longer than nothing: ${s}.`);
  }
  if (others === 'rescaled') {
    const chain = constants.shank + constants.thigh + constants.hipShoulder;
    const scale = (chain * statureM) / (lengths.shank + lengths.thigh + lengths.hipShoulder);
    for (const s of ['shank', 'thigh', 'hipShoulder'] as const) lengths[s] *= scale;
  }
  return {
    statureM,
    massKg,
    lengths,
    masses,
    constants,
    ankleLimitDeg,
    hipLimitDeg,
    measured: SEGMENTS.filter((s) => measured[s] !== undefined),
  };
}

/** The same proportions at a stature of 1 m and a mass of 1 kg: angles are the same, moments scale with mass × stature. */
export function unitBuild(build: Build): Build {
  const { masses, constants, ankleLimitDeg, hipLimitDeg, measured } = build;
  const lengths = {} as Lengths;
  for (const s of SEGMENTS) lengths[s] = build.lengths[s] / build.statureM;
  // Written out in the order of `buildOf`, so that the solvers meet one shape of object only.
  return { statureM: 1, massKg: 1, lengths, masses, constants, ankleLimitDeg, hipLimitDeg, measured };
}

/** Shoulder to the middle of the grip with a straight arm, m. */
export const gripLength = ({ lengths: l }: Build) => l.upperArm + l.forearm + l.hand / 2;

/** Shoulder to wrist, m. */
export const armLength = ({ lengths: l }: Build) => l.upperArm + l.forearm;

import { buildOf } from './build.ts';
import type { Build, Lengths } from './build.ts';
import { MASS_SETS } from './mass-sets.ts';
import type { MassSet } from './mass-sets.ts';
import { rangeRecord } from './ranges.ts';
import type { RangeRecord, RangeTest } from './ranges.ts';

/** What is known of a person's body. */
export interface KnownBody {
  statureM: number | null;
  massKg: number | null;
  massSet: MassSet['name'];
  measured: Partial<Lengths>;
  tests: readonly RangeTest[];
}

export interface PersonalBuild {
  build: Build;
  ankle: RangeRecord;
  hip: RangeRecord;
  /** Ranges that are kept beside them; no posture is computed from these. */
  others: RangeRecord[];
  /** What was not measured and is taken from the model instead, in words. */
  assumed: string[];
}

/** The standing build of the product: what a number is compared with when nobody is chosen. */
export const REFERENCE_BUILD: Build = buildOf({ statureM: 1.75, massKg: 75 });

/** A person's build from what is known; null without stature and mass, which nothing can stand in for. */
export function personalBuild(known: KnownBody): PersonalBuild | null {
  const { statureM, massKg, massSet, measured, tests } = known;
  if (statureM === null || massKg === null) return null;
  const sizes = buildOf({ statureM, massKg, masses: MASS_SETS[massSet], measured });
  const ankle = rangeRecord(sizes, 'ankle', tests);
  const hip = rangeRecord(sizes, 'hip', tests);
  const others = (['back of thigh', 'front of hip'] as const).map((joint) =>
    rangeRecord(sizes, joint, tests),
  );
  const build = buildOf({
    statureM,
    massKg,
    masses: MASS_SETS[massSet],
    measured,
    ...(ankle.limitDeg === null ? {} : { ankleLimitDeg: ankle.limitDeg }),
    ...(hip.limitDeg === null ? {} : { hipLimitDeg: hip.limitDeg }),
  });
  const assumed = [
    ...(sizes.measured.length === 0 ? ['proportions from stature'] : []),
    ...(ankle.limitDeg === null ? [`ankle range ${build.ankleLimitDeg}°`] : []),
    ...(hip.limitDeg === null ? [`hip range ${build.hipLimitDeg}°`] : []),
  ];
  return { build, ankle, hip, others, assumed };
}

/** Mass per square of stature where nobody has weighed somebody: heights hang on it by a few millimetres (judgement). */
const USUAL_KG_PER_M2 = 24.5;

/** A body that things are fitted to: stature is needed, mass is not. */
export function buildToFit(known: KnownBody): PersonalBuild | null {
  if (known.statureM === null || known.massKg !== null) return personalBuild(known);
  const found = personalBuild({ ...known, massKg: USUAL_KG_PER_M2 * known.statureM ** 2 });
  return found && { ...found, assumed: ['body mass', ...found.assumed] };
}

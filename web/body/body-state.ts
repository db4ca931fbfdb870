import { buildOf, CONSTANTS, MASS_SETS } from '../../core/body/index.ts';
import type { Build, MassSet } from '../../core/body/index.ts';
import type { NamedBuild } from '../shell/index.ts';

/** A body as the sliders hold it: segments as shares of their usual length. */
export interface BodyState {
  personId: string | null;
  statureM: number;
  massKg: number;
  massSet: MassSet['name'];
  thigh: number;
  shank: number;
  trunk: number;
  /** Whether the other segments give way so that the stature holds. */
  others: 'kept' | 'rescaled';
  ankleDeg: number;
  hipDeg: number;
}

export const REFERENCE_STATE: BodyState = {
  personId: null,
  statureM: 1.75,
  massKg: 75,
  massSet: 'reference',
  thigh: 1,
  shank: 1,
  trunk: 1,
  others: 'rescaled',
  ankleDeg: CONSTANTS.ankleRange,
  hipDeg: CONSTANTS.hipRange,
};

export function buildFrom(s: BodyState): Build {
  const usual = (share: number, factor: number) => share * s.statureM * factor;
  const measured = {
    ...(s.thigh === 1 ? {} : { thigh: usual(CONSTANTS.thigh, s.thigh) }),
    ...(s.shank === 1 ? {} : { shank: usual(CONSTANTS.shank, s.shank) }),
    ...(s.trunk === 1 ? {} : { hipShoulder: usual(CONSTANTS.hipShoulder, s.trunk) }),
  };
  return buildOf({
    statureM: s.statureM,
    massKg: s.massKg,
    masses: MASS_SETS[s.massSet],
    measured,
    others: s.others,
    ankleLimitDeg: s.ankleDeg,
    hipLimitDeg: s.hipDeg,
  });
}

/** A person's own body on the sliders; measured segments shorten nothing else. */
export function stateOf(p: NamedBuild): BodyState {
  const { statureM, massKg, lengths, masses, ankleLimitDeg, hipLimitDeg } = p.build;
  const factor = (m: number, share: number) => Number((m / (share * statureM)).toFixed(3));
  return {
    personId: p.personId,
    statureM,
    massKg,
    massSet: masses.name,
    thigh: factor(lengths.thigh, CONSTANTS.thigh),
    shank: factor(lengths.shank, CONSTANTS.shank),
    trunk: factor(lengths.hipShoulder, CONSTANTS.hipShoulder),
    others: 'kept',
    ankleDeg: ankleLimitDeg,
    hipDeg: hipLimitDeg,
  };
}

import { buildOf } from './build.ts';
import type { Segment } from './build.ts';
import { ankleFromKneeToWall } from './ranges.ts';
import type { RangeMethod } from './ranges.ts';

/** Beyond a third of the usual length it is a slip of the tape or of the unit (assumption). */
const SEGMENT_SLIP = 0.33;

/** What the tests can give, by method: metres for knee to wall, degrees otherwise (assumption). */
const BOUNDS: Record<RangeMethod, { from: number; to: number; words: string }> = {
  'knee to wall': { from: -0.05, to: 0.25, words: 'between −5 and 25 cm' },
  'ankle angle': { from: 0, to: 60, words: 'between 0° and 60°' },
  'hip angle': { from: 40, to: 160, words: 'between 40° and 160°' },
  'straight-leg raise': { from: 10, to: 150, words: 'between 10° and 150°' },
  'leg hanging': { from: -60, to: 60, words: 'between 60° above level and 60° below' },
};
/** No ankle bends this far under load, degrees (assumption). */
const ANKLE_SLIP_DEG = 70;

const sized = (statureM: number) => buildOf({ statureM, massKg: 1 });

/** Why a measured segment cannot be right, in words; null where it can. */
export function segmentProblem(statureM: number | null, segment: Segment, m: number): string | null {
  if (statureM === null) return 'note the stature first';
  const usual = sized(statureM).lengths[segment];
  if (Math.abs(m / usual - 1) <= SEGMENT_SLIP) return null;
  return `${(m * 100).toFixed(1)} cm does not go with a stature of ${(statureM * 100).toFixed(0)} cm`;
}

/** Why the value of a range test cannot be right, in words; null where it can. */
export function rangeTestProblem(statureM: number | null, method: RangeMethod, value: number): string | null {
  const { from, to, words } = BOUNDS[method];
  if (value < from || value > to) return `a ${method} test gives something ${words}`;
  if (method !== 'knee to wall') return null;
  if (statureM === null) return 'the angle follows from foot and shank. Note the stature first';
  if (ankleFromKneeToWall(sized(statureM), value) < ANKLE_SLIP_DEG) return null;
  return 'no ankle bends that far at this stature. Is it the distance of the toes from the wall?';
}

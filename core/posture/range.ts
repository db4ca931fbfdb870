import type { Build } from '../body/index.ts';
import { lacksOver, withContacts } from './limits.ts';
import type { Lack } from './limits.ts';
import { solverOf } from './movements/index.ts';
import type { Computed, RangeOptions } from './movements/movement.ts';
import { isHeld } from './posture.ts';
import type { Masses, Posture } from './posture.ts';

export interface Range {
  /** From the start of the repetition to its working position. */
  postures: Posture[];
  /** Whether the working position is the low or the high end. */
  workingIs: 'bottom' | 'top';
  startWord: string;
  workingWord: string;
  /** Index of the last posture from the start that can be held; −1: none. */
  heldTo: number;
  /** What the range takes beyond what there is. */
  lacks: Lack[];
  loadKg: number;
}

const heldTo = (postures: readonly Posture[]) => {
  const first = postures.findIndex((p) => !isHeld(p));
  return first === -1 ? postures.length - 1 : first - 1;
};

/**
 * Every position of a repetition of a variation for a build, from its start to its working position.
 * @throws RangeError in words when this body cannot take the posture at all
 */
export function rangeOf(build: Build, m: Computed, o: RangeOptions = {}): Range {
  const solver = solverOf(build, m, o);
  const { workingIs, startWord, workingWord, loadKg } = solver;
  const postures = solver.range(o.steps ?? 40).map((p) => withContacts(build, p));
  const lacks = lacksOver(build, postures, solver);
  return { postures, workingIs, startWord, workingWord, heldTo: heldTo(postures), lacks, loadKg };
}

/** Only the working position. */
export const workingOf = (build: Build, m: Computed, o: RangeOptions = {}): Posture =>
  withContacts(build, solverOf(build, m, o).working());

/** The masses of a posture of this variation as points. */
export const massesOf = (build: Build, m: Computed, p: Posture, o: RangeOptions = {}): Masses =>
  solverOf(build, m, o).masses(p);

import { sidesApart } from '../terms/index.ts';
import { doseFor } from '../dose/index.ts';
import type { CountedIn, Laterality, LoadKind, Side, SideOrder } from '../terms/index.ts';
import type { Dose } from '../library/index.ts';

/** Letters of the faults on a log sheet, in the order of its variation. */
export const FAULT_LETTERS = 'abcdefghijklmnopqrstuvwxyz';

const COUNTED_WORDS: Record<CountedIn, string> = {
  repetitions: 'Repetitions',
  'seconds held': 'Seconds',
  rounds: 'Rounds',
};
/** What a set is counted in, as a heading. */
export const countedWord = (v: { countedIn: CountedIn }): string => COUNTED_WORDS[v.countedIn];

/** What a set of somebody is counted in: in rounds, where that is what is asked of them. */
export const countedFor = (v: { countedIn: CountedIn }, target: { rounds?: number } | null): CountedIn =>
  target?.rounds === undefined ? v.countedIn : 'rounds';

/** Whether a set has a load in kilograms; a band is noted by its name. */
export const takesLoad = (v: { loadKind: LoadKind }): boolean =>
  v.loadKind !== 'none' && v.loadKind !== 'band';

/**
 * The rows that a blank log sheet has for a variation, set by set: one, or one a side. There is a set more than is
 * asked for, since some do more; the page where the sheet is entered has the same rows.
 */
export function logRows(
  v: {
    laterality: Laterality;
    sideOrder: SideOrder;
    countedIn: CountedIn;
    dose: readonly Pick<Dose, 'role' | 'sets'>[];
  },
  target: { sets: number; rounds?: number } | null,
): (Side | null)[][] {
  const sets = (target?.sets ?? doseFor(v)?.sets ?? 2) + 1;
  // In rounds by the clock the sides change inside one.
  const byTheClock = v.countedIn !== 'rounds' && countedFor(v, target) === 'rounds';
  return Array.from({ length: sets }, () => (sidesApart(v) && !byTheClock ? ['left', 'right'] : [null]));
}

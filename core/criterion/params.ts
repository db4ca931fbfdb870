import type { VariationFacts } from '../log/index.ts';
import type { CountedIn } from '../terms/index.ts';

/** How many sets are asked. */
export const sets = (label = 'sets') =>
  ({ is: 'number', label, from: 1, to: 20, whole: true, usual: [1, 4] }) as const;
/** A number from 0 to 10 that somebody is asked for. */
export const outOfTen = (label: string) =>
  ({ is: 'number', label, from: 0, to: 10, whole: false, usual: [0, 10] }) as const;
/** Why what is counted in something else can never be met. */
export const unlessCountedIn = (v: VariationFacts, counted: CountedIn): string | null =>
  v.countedIn === counted ? null : `${v.name} is counted in ${v.countedIn}, not in ${counted}.`;
export const REPS = {
  is: 'number',
  label: 'clean repetitions',
  from: 1,
  to: 200,
  whole: true,
  usual: [1, 30],
} as const;

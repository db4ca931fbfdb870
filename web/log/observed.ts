import { COUNTED_IN, sidesApart } from '../../core/terms/index.ts';
import type { CountedIn } from '../../core/terms/index.ts';
import type { NextSet } from '../../core/ladder/index.ts';
import {
  AMOUNT_FIELD,
  AMOUNT_FIELDS,
  amountIn,
  blankSet,
  DONE_FIELDS,
  FAULT_REPS,
  pickFields,
} from '../../core/log/index.ts';
import type { AmountField, DoneField, SetValues } from '../../core/log/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { takesLoad } from '../../core/sheets/index.ts';

/** What the form fills in when a set is done; the rest of the set comes from where it is logged. */
export type Observed = Pick<SetValues, DoneField>;

/** The members that the form owns. */
export const observedOf = <T extends Observed>(s: T): Observed => pickFields(s, DONE_FIELDS);

/** Where nothing else is known: as many as most begin with. */
const USUAL = { doneReps: 10, holdS: 20, rounds: 2 } as const;

/** The form before anything is seen: the next set as it is planned. */
export function startOf(
  v: ResolvedVariation,
  next: NextSet,
  sideTest = false,
  // In intervals it is counted in rounds, in which the sides change.
  { countedIn, oneSided } = { countedIn: v.source.countedIn, oneSided: sidesApart(v.source) },
): Observed {
  const { dose } = v.source;
  const own = dose.at(-1);
  const field = AMOUNT_FIELD[countedIn];
  const planned = {
    doneReps: next.reps ?? own?.repsFrom,
    holdS: next.holdS ?? own?.holdS,
    rounds: next.rounds,
  };
  return {
    ...observedOf(blankSet()),
    [field]: planned[field] ?? USUAL[field],
    side: oneSided ? (next.side ?? 'left') : null,
    workS: next.workS,
    lighter: next.lighter || null,
    sideTest,
    watched: true,
    loadKg: takesLoad(v.source) ? next.loadKg : null,
    aids: next.aids,
    settings: next.settings,
  };
}

/** What the set is counted in, as far as the form has begun it. */
const countedBy = (set: Partial<Observed>): AmountField =>
  AMOUNT_FIELDS.find((f) => set[f] != null) ?? 'rounds';

/** How much was done, in what the set is counted in. */
export const withAmount = (set: Partial<Observed>, n: number): Partial<Pick<Observed, AmountField>> => ({
  [countedBy(set)]: n,
});

/** The form a set is written down in: what the variation is counted in, or else. */
export const formOf = (set: Partial<Observed>): CountedIn =>
  COUNTED_IN.find((c) => AMOUNT_FIELD[c] === countedBy(set))!;

/** The same set in another form; the amount begins where most do. */
export const inForm = (form: CountedIn, amount?: number): Pick<Observed, AmountField> =>
  amountIn(form, amount ?? USUAL[AMOUNT_FIELD[form]]);

/** Faults cannot be counted more often than there are repetitions; where none are counted, as often as one likes. */
export const mostFaults = (set: Pick<Observed, 'doneReps'>) => set.doneReps ?? FAULT_REPS.to;

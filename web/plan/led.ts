import type { LedDrill } from '../../core/floor/index.ts';
import { blankSet } from '../../core/log/index.ts';
import { drillPlan, repsDone, workedS } from '../../core/dose/index.ts';
import type { Side } from '../../core/terms/index.ts';
import { observedOf } from '../log/index.ts';
import type { Observed } from '../log/index.ts';

/** How a drill ended: to its end, early because it is felt, early without, or not begun. */
export type DrillEnd =
  { how: 'whole' } | { how: 'felt' } | { how: 'stopped' } | { how: 'skipped'; why: string };

/** Why a drill is left out (common practice, no source). */
export const SKIPS = ['no time', 'kit is taken', 'not at ease with it', 'warm already'] as const;

/** What is noted of a drill whose time passed without it. */
export const NOT_DONE = 'not done';

/** How far somebody is in their warm-up. */
export interface Led {
  /** Which drill. */
  at: number;
  /** Milliseconds of the wall clock; null: it has not begun. */
  startedAt: number | null;
  log: { variation: string; name: string; s: number; sets: number; skipped: string | null }[];
}

export const firstOf = (): Led => ({ at: 0, startedAt: null, log: [] });

/** Where the next set of the warm-up stands in the day. */
export const ordinalAfter = ({ log }: Led): number => log.reduce((n, l) => n + l.sets, 0) + 1;

/** On to the next drill, which begins at once. */
export const goOn = (state: Led, drill: LedDrill, end: DrillEnd, elapsedS: number, now: number): Led => ({
  at: state.at + 1,
  startedAt: now,
  log: [
    ...state.log,
    {
      variation: drill.variation,
      name: drill.name,
      s: end.how === 'skipped' ? 0 : Math.round(elapsedS),
      sets: drillSets(drill, end, elapsedS).length,
      skipped: end.how === 'skipped' ? end.why : null,
    },
  ],
});

/** What is written down of a drill: warm-up sets, each side its own, with the seconds that they took. */
export function drillSets(drill: LedDrill, end: DrillEnd, elapsedS: number): Observed[] {
  if (end.how === 'skipped') return [];
  const plan = drillPlan(drill.amount, drill.tempo, drill.apart);
  const upTo = Math.min(elapsedS, plan.totalS);
  const sides: (Side | null)[] = drill.apart ? ['left', 'right'] : [null];
  const felt = drill.wanted[0];
  return sides.flatMap((side): Observed[] => {
    const own = { ...plan, stretches: plan.stretches.filter((s) => s.side === side) };
    const s = Math.round(workedS(own, upTo));
    if (s === 0) return [];
    const counted =
      drill.amount.holdS !== undefined
        ? { holdS: s }
        : { doneReps: Math.max(1, repsDone(own, upTo)), workS: s };
    return [
      {
        ...observedOf(blankSet()),
        warmUp: true,
        side,
        ...counted,
        // They said so: it is felt where it should be.
        sensations: end.how === 'felt' && felt ? [{ region: felt.region, kind: felt.kind, side }] : null,
      },
    ];
  });
}

import type { EntrySummary } from '../../contract/library.ts';
import type { Build } from '../../core/body/index.ts';
import { byDemand, profileOf } from '../../core/demand/index.ts';
import type { StepProfile } from '../../core/demand/index.ts';
import type { Ladder } from '../../core/library/index.ts';
import { stepOf } from '../body/index.ts';

/** The levels of a ladder with the demand of their main variations for a build, and what follows from it. */
export function ladderProfile(ladder: Ladder, entries: readonly EntrySummary[], build: Build) {
  const steps = ladder.levels.flatMap((level) => {
    const main = entries.find((e) => e.kind === 'variation' && e.slug === level.main);
    if (!main?.mechanics) return [];
    return [{ ...stepOf(main, build), id: level.id, name: level.name }];
  });
  return profileOf(steps);
}

/** Mark and word for how a step compares with the one below; never by colour alone. */
export const COMPARISON_WORDS: Record<NonNullable<StepProfile['below']>['comparison'], string> = {
  harder: '↗ more',
  tie: '= a tie',
  inversion: '↘ asks less',
  'too big': '⇈ a big step',
  'same posture': '= same posture',
  'not compared': 'not compared',
};

/** Level numbers in the order that demand alone would give; null where that is the ladder's own order. */
export function orderByDemand(steps: readonly StepProfile[]): number[] | null {
  const order = byDemand(steps).map((s) => steps.indexOf(s) + 1);
  return order.every((n, i) => n === i + 1) ? null : order;
}

import type { EntrySummary } from '../../contract/library.ts';
import type { Build } from '../../core/body/index.ts';
import { demandOf, profileOf } from '../../core/demand/index.ts';
import type { StepProfile } from '../../core/demand/index.ts';
import type { Ladder } from '../../core/library/index.ts';

/** The levels of a ladder with the demand of their main variations for a build, and what follows from it. */
export function ladderProfile(ladder: Ladder, entries: readonly EntrySummary[], build: Build) {
  const steps = ladder.levels.flatMap((level) => {
    const main = entries.find((e) => e.kind === 'variation' && e.slug === level.main);
    if (!main?.mechanics) return [];
    return [
      {
        id: level.id,
        name: level.name,
        mechanics: main.mechanics,
        demand: demandOf(build, main.mechanics),
        adjustment: main.demandAdjustment,
      },
    ];
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

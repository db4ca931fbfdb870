import { arrivalLoad } from './arrival.ts';
import { factsOf } from './facts.ts';
import { laddersOf, resolve } from '../library/index.ts';
import type { Shelf } from '../library/index.ts';
import type { Stage } from '../terms/index.ts';
import type { Standing } from './decision.ts';
import { targetAt } from './target.ts';
import type { Target } from './target.ts';

/**
 * The stage a person reads a variation at, and what they are asked to do: the level's own where they stand on one of
 * its levels, else the stage of its level on a ladder they stand on; where nothing is known, as somebody who knows
 * the movement. A stage given to the person on the ladder stands above its levels'.
 * @returns with the ladder where they stand on the variation's level
 */
export function readingOf(
  variation: string,
  shelf: Shelf,
  standings: ReadonlyMap<string, Standing>,
): { stage: Stage; target: Target | null; ladder: string | null } {
  let stage: Stage = 'sound';
  for (const ladder of laddersOf(shelf)) {
    const standing = standings.get(ladder.slug);
    if (!standing) continue;
    const levels = ladder.levels.filter((l) => l.main === variation || l.equals.includes(variation));
    const here = levels.find((l) => l.id === standing.level);
    if (here) {
      const main = shelf.get('variation', here.main);
      const load = main && arrivalLoad(here, factsOf(resolve(main, shelf)), standing);
      const dose = load ? { ...here.dose, loadKg: load.kg } : here.dose;
      const target = targetAt(dose, standing.taken);
      return { stage: standing.stage ?? here.stage, target, ladder: ladder.slug };
    }
    if (levels[0]) stage = standing.stage ?? levels[0].stage;
  }
  return { stage, target: null, ladder: null };
}

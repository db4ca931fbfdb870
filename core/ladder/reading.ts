import { laddersOf } from '../library/index.ts';
import type { Shelf, Stage } from '../library/index.ts';
import { standingAfter } from './standing.ts';
import type { MoveFact } from './standing.ts';
import { targetAt } from './target.ts';
import type { Target } from './target.ts';

/**
 * The stage a person reads a variation at, and what they are asked to do: the level's own where they stand on one of
 * its levels, else the stage of its level on a ladder they stand on; where nothing is known, as somebody who knows
 * the movement.
 */
export function readingOf(
  variation: string,
  shelf: Shelf,
  moves: readonly (MoveFact & { ladder: string })[],
): { stage: Stage; target: Target | null } {
  let stage: Stage = 'sound';
  for (const ladder of laddersOf(shelf)) {
    const standing = standingAfter(moves.filter((m) => m.ladder === ladder.slug));
    if (!standing) continue;
    const levels = ladder.levels.filter((l) => l.main === variation || l.equals.includes(variation));
    const here = levels.find((l) => l.id === standing.level);
    if (here) return { stage: here.stage, target: targetAt(here.dose, standing.taken) };
    if (levels[0]) stage = levels[0].stage;
  }
  return { stage, target: null };
}

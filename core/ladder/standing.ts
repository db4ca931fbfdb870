import type { IsoDate, Role, Stage } from '../terms/index.ts';
import type { Ladder } from '../library/index.ts';
import type { Outcome, Standing } from './decide.ts';
import type { TakenWay } from './target.ts';

/** The part of a confirmed move that says where a person stands. */
export interface MoveFact {
  kind: 'placed' | Outcome;
  date: IsoDate;
  toLevel: string;
  taken: TakenWay | null;
  /** In what role and stage the person was placed; absent: as work, at the stage of the level. */
  role?: Role | null;
  stage?: Stage | null;
}

/**
 * Where the moves, in their order, have led: level, date of the last arrival there, and the ways on
 * taken since. Null before the first placement.
 */
export function standingAfter(moves: readonly MoveFact[]): Standing | null {
  let standing = null as Standing | null;
  for (const move of moves) {
    if (move.kind === 'placed' || !standing || move.toLevel !== standing.level) {
      const { role, stage } = move.kind === 'placed' || !standing ? move : standing;
      standing = {
        level: move.toLevel,
        since: move.date,
        taken: [],
        ...(role ? { role } : {}),
        ...(stage ? { stage } : {}),
      };
    } else if (move.kind === 'grow' && move.taken) {
      standing = { ...standing, taken: [...standing.taken, move.taken] };
    }
  }
  return standing;
}

/** Levels held, as `ladder/level`: those below where somebody stands. */
export function heldLevels(
  ladders: readonly Pick<Ladder, 'slug' | 'levels'>[],
  standings: ReadonlyMap<string, Standing>,
): Set<string> {
  const held = new Set<string>();
  for (const ladder of ladders) {
    const index = ladder.levels.findIndex((l) => l.id === standings.get(ladder.slug)?.level);
    for (const level of ladder.levels.slice(0, Math.max(0, index))) held.add(`${ladder.slug}/${level.id}`);
  }
  return held;
}

import type { Ladder } from './documents.ts';
import type { Shelf } from './shelf.ts';
import { byPattern } from '../terms/index.ts';

/** A level that a variation stands on, as its main one or an equal. */
export interface Place {
  ladder: string;
  ladderName: string;
  level: string;
  /** From 1, the easiest. */
  levelNumber: number;
}

/** The ladders in use in the order of the patterns, trunks before branches, then by name. */
export const laddersOf = (shelf: Shelf): Ladder[] =>
  shelf
    .all('ladder')
    .filter((l) => !l.retired)
    .sort(
      (a, b) =>
        byPattern(a, b) ||
        Number(a.branchOf !== undefined) - Number(b.branchOf !== undefined) ||
        a.name.localeCompare(b.name),
    );

/** The branches in use that leave a trunk, in the order of the levels they leave it at, then by name. */
export function branchesOf(shelf: Shelf, trunk: Ladder): Ladder[] {
  const at = (branch: Ladder) => trunk.levels.findIndex((l) => l.id === branch.branchOf?.level);
  return laddersOf(shelf)
    .filter((l) => l.branchOf?.ladder === trunk.slug)
    .sort((a, b) => at(a) - at(b));
}

const known = new WeakMap<Shelf, ReadonlyMap<string, readonly Place[]>>();

/** Where each variation stands on the ladders in use, in the order of ladders and levels; found once a shelf. */
export function placesOn(shelf: Shelf): ReadonlyMap<string, readonly Place[]> {
  const found = known.get(shelf) ?? placesFound(shelf);
  known.set(shelf, found);
  return found;
}

/** Whether a variation stands above another on a ladder that has both. */
export function standsAbove(shelf: Shelf, slug: string, other: string): boolean {
  const places = placesOn(shelf);
  return (places.get(slug) ?? []).some((a) =>
    (places.get(other) ?? []).some((b) => a.ladder === b.ladder && a.levelNumber > b.levelNumber),
  );
}

function placesFound(shelf: Shelf): ReadonlyMap<string, readonly Place[]> {
  const places = new Map<string, Place[]>();
  for (const ladder of laddersOf(shelf)) {
    ladder.levels.forEach((level, i) => {
      const place = { ladder: ladder.slug, ladderName: ladder.name, level: level.name, levelNumber: i + 1 };
      for (const slug of [level.main, ...level.equals]) {
        const list = places.get(slug);
        if (list) list.push(place);
        else places.set(slug, [place]);
      }
    });
  }
  return places;
}

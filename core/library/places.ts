import type { Ladder } from './documents.ts';
import type { Shelf } from './shelf.ts';
import { byPattern } from './vocabulary.ts';

/** A level that a variation stands on, as its main one or an equal. */
export interface Place {
  ladder: string;
  ladderName: string;
  level: string;
  /** From 1, the easiest. */
  levelNumber: number;
}

/** The ladders in use in the order of the patterns, then by name. */
export const laddersOf = (shelf: Shelf): Ladder[] =>
  shelf
    .all('ladder')
    .filter((l) => !l.retired)
    .sort((a, b) => byPattern(a, b) || a.name.localeCompare(b.name));

/** Where each variation stands on the ladders in use, in the order of ladders and levels. */
export function placesOn(shelf: Shelf): ReadonlyMap<string, readonly Place[]> {
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

import { wordsIn } from './similarity.ts';
import type { Variation } from './documents.ts';
import type { Shelf } from './shelf.ts';

/** A name without case, accents and marks, so that it is the same however it is written. */
export const plainName = (text: string): string => wordsIn(text).join(' ');
const byName = new WeakMap<Shelf, Map<string, Variation[]>>();

function namesOf(shelf: Shelf): Map<string, Variation[]> {
  const kept = byName.get(shelf);
  if (kept) return kept;
  const made = new Map<string, Variation[]>();
  for (const v of shelf.all('variation')) {
    for (const name of new Set([v.name, v.shortName, ...(v.alsoCalled ?? [])].map(plainName))) {
      made.set(name, [...(made.get(name) ?? []), v]);
    }
  }
  byName.set(shelf, made);
  return made;
}

/** The variation of a slug, or else the only one of that name, short name or other name, however it is written. */
export function variationNamed(shelf: Shelf, text: string): Variation | null | 'several' {
  const bySlug = shelf.get('variation', text);
  if (bySlug) return bySlug;
  const found = namesOf(shelf).get(plainName(text)) ?? [];
  return found.length > 1 ? 'several' : (found[0] ?? null);
}

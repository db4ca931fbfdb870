import type { Equipment, Needs } from '../library/index.ts';

/** Pieces that do the same work, both ways: an equal of an equal is not taken for one. */
export function equalsAmong(
  equipment: Iterable<Pick<Equipment, 'slug' | 'equals'>>,
): ReadonlyMap<string, ReadonlySet<string>> {
  const map = new Map<string, Set<string>>();
  const add = (a: string, b: string) => {
    const set = map.get(a);
    if (set) set.add(b);
    else map.set(a, new Set([b]));
  };
  for (const e of equipment) {
    for (const other of e.equals) {
      add(e.slug, other);
      add(other, e.slug);
    }
  }
  return map;
}

/** What takes the place of each piece, and what is still missing, when only some pieces are at hand. */
export interface Fit {
  missing: string[];
  replaced: { needed: string; by: string }[];
}

/**
 * Whether a variation can be run with the pieces at hand; a piece that is not at hand may be replaced by an equal.
 * @param atHand tells whether a piece may be used
 */
export function fitOf(
  needs: Needs,
  atHand: (equipment: string) => boolean,
  equals: ReadonlyMap<string, ReadonlySet<string>>,
): Fit {
  const fit: Fit = { missing: [], replaced: [] };
  const replacement = (slug: string) => [...(equals.get(slug) ?? [])].sort().find(atHand);
  for (const slug of needs.all) {
    if (atHand(slug)) continue;
    const by = replacement(slug);
    if (by === undefined) fit.missing.push(slug);
    else fit.replaced.push({ needed: slug, by });
  }
  for (const group of needs.any) {
    if (group.length === 0 || group.some(atHand)) continue;
    const needed = group.find((slug) => replacement(slug) !== undefined);
    if (needed === undefined) fit.missing.push(group[0]!);
    else fit.replaced.push({ needed, by: replacement(needed)! });
  }
  return fit;
}

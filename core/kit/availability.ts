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
 * Whether a variation can be run with the pieces at hand; a piece that is not at hand may be replaced by an equal. A piece
 * serves one need: two needs take two of it.
 * @param have how many of a piece may be used
 */
export function fitOf(
  needs: Needs,
  have: (equipment: string) => number,
  equals: ReadonlyMap<string, ReadonlySet<string>>,
): Fit {
  const fit: Fit = { missing: [], replaced: [] };
  const used = new Map<string, number>();
  const take = (slug: string, count: number): boolean => {
    const left = have(slug) - (used.get(slug) ?? 0);
    if (left < count) return false;
    used.set(slug, (used.get(slug) ?? 0) + count);
    return true;
  };
  const countOf = (slug: string) => needs.counts.get(slug) ?? 1;
  const takeEqual = (slug: string) =>
    [...(equals.get(slug) ?? [])].sort().find((by) => take(by, countOf(slug)));
  // What is there itself first: an equal must not be taken that another need has no other for.
  const open = needs.all.filter((slug) => !take(slug, countOf(slug)));
  const groups = needs.any.filter((g) => g.length > 0 && !g.some((slug) => take(slug, countOf(slug))));
  for (const slug of open) {
    const by = takeEqual(slug);
    if (by === undefined) fit.missing.push(slug);
    else fit.replaced.push({ needed: slug, by });
  }
  for (const group of groups) {
    let by: string | undefined;
    const needed = group.find((slug) => (by = takeEqual(slug)) !== undefined);
    if (needed === undefined) fit.missing.push(group[0]!);
    else fit.replaced.push({ needed, by: by! });
  }
  return fit;
}

/**
 * How many people can do it at the same time with what the hall has: pieces there, by the pieces that one person needs,
 * by the people who share one in turns. Infinity: it needs nothing that is counted.
 * @param shareable whether a kind of equipment is shared within a group at all
 */
export function atOnce(
  needs: Needs,
  stock: (equipment: string) => { count: number; most: number | null },
  shareable: (equipment: string) => boolean,
): number {
  const serves = (slug: string): number => {
    const { count, most } = stock(slug);
    const sets = Math.floor(count / (needs.counts.get(slug) ?? 1));
    // Nobody has said how many share one: it is one person's at a time.
    return sets * (shareable(slug) ? (most ?? 1) : 1);
  };
  const groups = [...needs.all.map((slug) => [slug]), ...needs.any.filter((g) => g.length > 0)];
  return Math.min(Infinity, ...groups.map((g) => g.reduce((n, slug) => n + serves(slug), 0)));
}

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

const MOST_STEPS = 5_000;

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
  const countOf = (slug: string) => needs.counts.get(slug) ?? 1;
  /** What each need may be met with, itself before its equals. */
  const asked = [...needs.all.map((slug) => [slug]), ...needs.any.filter((g) => g.length > 0)].map(
    (group) => ({
      named: group[0]!,
      options: [
        ...group.map((slug) => ({ needed: slug, by: slug })),
        ...group.flatMap((needed) => [...(equals.get(needed) ?? [])].sort().map((by) => ({ needed, by }))),
      ].filter(({ needed, by }) => have(by) >= countOf(needed)),
    }),
  );
  const used = new Map<string, number>();
  let best: { missing: string[]; replaced: Fit['replaced'] } | null = null;
  let steps = 0;
  const better = (missing: number, replaced: number) =>
    !best ||
    missing < best.missing.length ||
    (missing === best.missing.length && replaced < best.replaced.length);
  const place = (i: number, missing: string[], replaced: Fit['replaced']): void => {
    // Needs are few and mostly met at once; a made-up tangle is not followed to its end.
    if (++steps > MOST_STEPS || !better(missing.length, replaced.length)) return;
    const need = asked[i];
    if (!need) {
      best = { missing, replaced };
      return;
    }
    for (const { needed, by } of need.options) {
      const count = countOf(needed);
      const taken = used.get(by) ?? 0;
      if (have(by) - taken < count) continue;
      used.set(by, taken + count);
      place(i + 1, missing, by === needed ? replaced : [...replaced, { needed, by }]);
      used.set(by, taken);
    }
    place(i + 1, [...missing, need.named], replaced);
  };
  place(0, [], []);
  const fit: Fit = best ?? { missing: asked.map((n) => n.named), replaced: [] };
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

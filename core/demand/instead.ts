import type { Build } from '../body/index.ts';
import { equalsAmong, fitOf } from '../kit/index.ts';
import { needsOf, placesOn, resolveMechanics, resolveWanted, rulesFor } from '../library/index.ts';
import type { Needs, ForPerson, Shelf, Variation } from '../library/index.ts';
import { differenceReasons, nearestTo } from './nearest.ts';
import { adjusted, whyNot } from './order.ts';
import type { Step } from './order.ts';
import { demandOf } from './variation.ts';

export const INSTEAD_GROUPS = [
  'easier',
  'equal',
  'harder',
  'without the equipment',
  'at home',
  'kinder to the knee',
  'kinder to the back',
] as const;
export type InsteadGroup = (typeof INSTEAD_GROUPS)[number];

/** Something that can be given instead, with why it stands where it stands. */
export interface InsteadEntry {
  slug: string;
  name: string;
  /** Points more than what it replaces; null where one of the two has none. */
  points: number | null;
  reasons: string[];
}

export interface Instead {
  groups: { group: InsteadGroup; entries: InsteadEntry[] }[];
  /** Same pattern, left out, and why. */
  leftOut: { slug: string; name: string; why: string }[];
}

export interface InsteadOptions {
  build: Build;
  /** Equipment that is taken or missing now. */
  without?: readonly string[];
  /** How many of each. */
  most?: number;
  person?: ForPerson;
  /** Why a variation may not be given to this person at all; null where it may. */
  barred?: (v: Variation) => string | null;
}

/** Differences in demand that are said, the largest first: more is not read between two sets. */
const MOST_DIFFERENCES = 4;

/** Part differences that make a variation kinder, points: above what counts as a tie. */
const KINDER_POINTS = 4;

/**
 * What can be given instead of a variation: of the same pattern, ranked, each with its computed reasons.
 * Closeness is a judgement: difference in points, and a fixed toll for another emphasis, other places felt, other legs.
 */
export function insteadOf(v: Variation, shelf: Shelf, o: InsteadOptions): Instead {
  const most = o.most ?? 4;
  const taken = new Set(o.without ?? []);
  const equipment = new Map(shelf.all('equipment').map((e) => [e.slug, e]));
  const equals = equalsAmong(equipment.values());
  const nameOf = (slug: string) => equipment.get(slug)?.name.toLowerCase() ?? slug;
  const here = (slug: string) => (equipment.has(slug) && !taken.has(slug) ? shelf.have(slug) : 0);
  const places = placesOn(shelf);
  const leftOut: Instead['leftOut'] = [];

  const stepOf = (x: Variation): Step => {
    const mechanics = resolveMechanics(x, shelf, o.person);
    return {
      id: x.slug,
      name: x.name,
      mechanics,
      demand: demandOf(o.build, mechanics),
      adjustment: x.demandAdjustment?.points ?? 0,
    };
  };
  const own = stepOf(v);
  const candidates = shelf
    .all('variation')
    .filter((x) => x.slug !== v.slug && !x.retired && x.pattern === v.pattern && comparable(v, x))
    .flatMap((x) => {
      const step = stepOf(x);
      const why = o.barred?.(x) ?? whyNot(step.demand);
      if (why === null) return [{ variation: x, step }];
      leftOut.push({ slug: x.slug, name: x.name, why });
      return [];
    });
  type Candidate = (typeof candidates)[number];
  const bySlug = new Map(candidates.map((c) => [c.variation.slug, c]));

  const difference = (c: Candidate): number | null => {
    const [a, b] = [adjusted(own), adjusted(c.step)];
    return a === null || b === null ? null : b - a;
  };
  const wanted = resolveWanted(v, shelf, o.person);
  const wantedOf = new Map(
    candidates.map((c) => [c.variation.slug, resolveWanted(c.variation, shelf, o.person)]),
  );
  const feltOf = (c: Candidate) => wantedOf.get(c.variation.slug)!;
  const sharedFelt = (c: Candidate) =>
    wanted.filter((f) => feltOf(c).some((w) => w.region === f.region)).map((f) => f.region);
  const levelStep = (c: Candidate) => levelDistance(places, v.slug, c.variation.slug);
  const farness = (c: Candidate): number => {
    const points = difference(c);
    const steps = levelStep(c);
    return (
      (points !== null ? Math.abs(points) : steps !== null ? 15 * Math.abs(steps.by) : 40) +
      (c.variation.dominance === v.dominance ? 0 : 10) +
      (wanted.length > 0 && sharedFelt(c).length === 0 ? 10 : 0) +
      (c.variation.laterality === v.laterality ? 0 : 5)
    );
  };
  const had = new Set([...needsOf(v).all, ...needsOf(v).any.flat()]);
  const kitWords = (x: Variation): string[] => {
    const needs = needsOf(x);
    const pieces = [...needs.all, ...needs.any.flatMap((g) => g.slice(0, 1))];
    if (pieces.length === 0) return had.size > 0 ? ['no equipment'] : [];
    const more = pieces.filter((e) => !had.has(e));
    return more.length > 0 ? [`needs ${more.map(nameOf).join(', ')}`] : [];
  };
  const reasonsOf = (c: Candidate, kit = true): string[] => {
    const reasons: string[] = [];
    const steps = levelStep(c);
    if (steps) reasons.push(levelWords(steps));
    if (own.demand.kind === 'measured' && c.step.demand.kind === 'measured') {
      reasons.push(...differenceReasons(own.demand, c.step.demand).slice(0, MOST_DIFFERENCES));
    } else if (c.step.demand.kind === 'drawn only') reasons.push('drawn only, no figures');
    if (kit) reasons.push(...kitWords(c.variation));
    const felt = sharedFelt(c);
    if (felt.length > 0) {
      reasons.push(
        felt.length === wanted.length
          ? 'felt in the same place'
          : `felt in the same place: ${felt.join(', ')}`,
      );
    } else if (feltOf(c).length > 0 && wanted.length > 0) {
      reasons.push(
        `felt elsewhere: ${feltOf(c)
          .map((w) => w.region)
          .join(', ')}`,
      );
    }
    return reasons;
  };
  const entry = (c: Candidate, reasons = reasonsOf(c)): InsteadEntry => ({
    slug: c.variation.slug,
    name: c.variation.name,
    points: difference(c),
    reasons,
  });
  const nearest = (list: Candidate[], far: (c: Candidate) => number = farness) =>
    [...list]
      .sort((a, b) => far(a) - far(b) || (a.variation.slug < b.variation.slug ? -1 : 1))
      .slice(0, most);

  const near = nearestTo(
    own,
    candidates.map((c) => c.step),
    most,
  );
  const ranked = (kind: 'easier' | 'equal' | 'harder') => near[kind].map((n) => entry(bySlug.get(n.id)!));

  const runsHere = (needs: Needs) => fitOf(needs, here, equals);
  const withEqual = runsHere(needsOf(v));
  const same: InsteadEntry[] =
    taken.size > 0 && withEqual.missing.length === 0 && o.barred?.(v) == null
      ? [
          {
            slug: v.slug,
            name: v.name,
            points: 0,
            reasons:
              withEqual.replaced.length > 0
                ? withEqual.replaced.map((r) => `the same, with ${nameOf(r.by)} for ${nameOf(r.needed)}`)
                : ['the same: it can be done with what is left'],
          },
        ]
      : [];
  const without =
    taken.size === 0
      ? []
      : nearest(candidates.filter((c) => runsHere(needsOf(c.variation)).missing.length === 0)).map((c) => {
          const { replaced } = runsHere(needsOf(c.variation));
          return entry(c, [
            ...replaced.map((r) => `with ${nameOf(r.by)} for ${nameOf(r.needed)}`),
            ...reasonsOf(c),
          ]);
        });

  const home = candidates.flatMap((c) => {
    const substitutes = homeSubstitutes(c.variation, shelf, o.person);
    return substitutes === null ? [] : [{ c, substitutes }];
  });
  const substitutesOf = new Map(home.map((h) => [h.c.variation.slug, h.substitutes]));
  // What stands in for each piece is said, so what it needs in the hall is not.
  const atHome = nearest(home.map((h) => h.c)).map((c) => {
    const substitutes = substitutesOf.get(c.variation.slug)!;
    return entry(c, [...(substitutes.length > 0 ? substitutes : ['no equipment']), ...reasonsOf(c, false)]);
  });

  const kinder = (part: 'knee' | 'back', other: 'hip' | 'knee') =>
    nearest(
      candidates.filter(
        (c) =>
          own.demand.kind === 'measured' &&
          c.step.demand.kind === 'measured' &&
          c.step.demand[part] <= own.demand[part] - KINDER_POINTS &&
          (c.variation.dominance === v.dominance || sharedFelt(c).length > 0),
      ),
      (c) => {
        if (own.demand.kind !== 'measured' || c.step.demand.kind !== 'measured') return Infinity;
        // Kinder there, and otherwise as much of the same work as may be.
        return (
          Math.abs(c.step.demand[other] - own.demand[other]) + (farness(c) - Math.abs(difference(c) ?? 0))
        );
      },
    ).map((c) => entry(c));

  const groups: Instead['groups'] = [
    { group: 'easier', entries: ranked('easier') },
    { group: 'equal', entries: ranked('equal') },
    { group: 'harder', entries: ranked('harder') },
    { group: 'without the equipment', entries: [...same, ...without] },
    { group: 'at home', entries: atHome },
    { group: 'kinder to the knee', entries: kinder('knee', 'hip') },
    { group: 'kinder to the back', entries: kinder('back', 'knee') },
  ];
  return { groups, leftOut };
}

/** Drills answer for drills, work for work. */
const comparable = (a: Variation, b: Variation) =>
  a.roles.some((r) => r !== 'prepare') === b.roles.some((r) => r !== 'prepare');

/** Levels between two variations on a ladder that both stand on; null where there is none. */
function levelDistance(places: ReturnType<typeof placesOn>, from: string, to: string) {
  for (const a of places.get(from) ?? []) {
    const b = places.get(to)?.find((p) => p.ladder === a.ladder);
    if (b) return { by: b.levelNumber - a.levelNumber, ladder: a.ladderName, level: b.levelNumber };
  }
  return null;
}

const levelWords = ({ by, ladder, level }: { by: number; ladder: string; level: number }) =>
  by === 0
    ? `the same level of the ${ladder} ladder`
    : `level ${level} of the ${ladder} ladder, ${Math.abs(by)} ${by > 0 ? 'above' : 'below'}`;

/** What stands in at home for each piece it needs; null where something has no substitute. */
function homeSubstitutes(v: Variation, shelf: Shelf, person?: ForPerson): string[] | null {
  const { contradiction } = rulesFor(shelf, v, person);
  const substitute = (slug: string): string | undefined => {
    const e = shelf.get('equipment', slug);
    const line = e?.homeSubstitutes.find((l) => contradiction(l) === null);
    return line && `${e!.name.toLowerCase()}: ${line.text.replace(/\.$/, '')}`;
  };
  const needs = needsOf(v);
  const found: string[] = [];
  for (const group of [...needs.all.map((slug) => [slug]), ...needs.any]) {
    if (group.length === 0) continue;
    const word = group.map(substitute).find((w) => w !== undefined);
    if (word === undefined) return null;
    found.push(word);
  }
  return found;
}

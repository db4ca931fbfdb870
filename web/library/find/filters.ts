import { equalsAmong, fitOf } from '../../../core/kit/index.ts';
import type { EntrySummary } from '../../../contract/library.ts';

/** Something a list of variations can be narrowed by; its key is its name in the address. */
export interface Facet {
  key: string;
  label: string;
  /** The values of an entry; for `kit` and `avoid` what it would take or carry. */
  of: (e: EntrySummary) => readonly string[];
  /** any: one of the chosen values; within: nothing but the chosen; without: none of the chosen. */
  how: 'any' | 'within' | 'without';
}

export const BARE = 'nothing';

export const FACETS: readonly Facet[] = [
  { key: 'pattern', label: 'Pattern', how: 'any', of: (e) => (e.pattern ? [e.pattern] : []) },
  { key: 'role', label: 'Role', how: 'any', of: (e) => e.roles },
  { key: 'purpose', label: 'Purpose', how: 'any', of: (e) => (e.facets ? [e.facets.dominance] : []) },
  { key: 'works', label: 'Works', how: 'any', of: (e) => e.facets?.muscles ?? [] },
  { key: 'legs', label: 'Legs', how: 'any', of: (e) => (e.laterality ? [e.laterality] : []) },
  { key: 'level', label: 'Level', how: 'any', of: (e) => e.facets?.levels ?? [] },
  { key: 'felt', label: 'Felt in', how: 'any', of: (e) => e.facets?.felt ?? [] },
  {
    key: 'kit',
    label: 'Kit at hand',
    how: 'within',
    of: (e) => [...(e.facets?.equipmentAll ?? []), ...(e.facets?.equipmentAny.flat() ?? [])],
  },
  { key: 'avoid', label: 'Avoid caution', how: 'without', of: (e) => e.facets?.cautions ?? [] },
];

/** Chosen values by facet. */
export type Chosen = Readonly<Record<string, readonly string[]>>;

export const chosenIn = (params: URLSearchParams): Chosen =>
  Object.fromEntries(
    FACETS.map((f) => [f.key, (params.get(f.key) ?? '').split(',').filter(Boolean)] as const).filter(
      ([, values]) => values.length > 0,
    ),
  );

export type Equals = ReadonlyMap<string, ReadonlySet<string>>;

/** Which pieces stand in for which, from the list. */
export const equalsIn = (entries: readonly EntrySummary[]): Equals =>
  equalsAmong(
    entries
      .filter((e) => e.kind === 'equipment')
      .map((e) => ({
        slug: e.slug,
        equals: e.uses.filter((u) => u.startsWith('equipment/')).map((u) => u.slice('equipment/'.length)),
      })),
  );

function passes(f: Facet, values: readonly string[], e: EntrySummary, equals: Equals): boolean {
  if (values.length === 0) return true;
  switch (f.how) {
    case 'any':
      return f.of(e).some((v) => values.includes(v));
    case 'without':
      return !f.of(e).some((v) => values.includes(v));
    case 'within': {
      const needs = {
        all: e.facets?.equipmentAll ?? [],
        any: e.facets?.equipmentAny ?? [],
        counts: new Map<string, number>(),
      };
      return fitOf(needs, (piece) => (values.includes(piece) ? Infinity : 0), equals).missing.length === 0;
    }
  }
}

export interface FacetValue {
  value: string;
  /** How many would be shown with it chosen (added, where several may be). */
  count: number;
  chosen: boolean;
}

export interface Narrowed {
  /** The entries that pass every facet. */
  shown: EntrySummary[];
  /** The values of a facet, with how many each would show; counted when they are looked at. */
  valuesOf: (facet: Facet) => FacetValue[];
}

export function narrowed(entries: readonly EntrySummary[], chosen: Chosen, equals: Equals): Narrowed {
  const of = (f: Facet) => chosen[f.key] ?? [];
  const used = FACETS.filter((f) => of(f).length > 0);
  const passing = (e: EntrySummary, but?: Facet) =>
    used.every((f) => f === but || passes(f, of(f), e, equals));
  return {
    shown: entries.filter((e) => passing(e)),
    valuesOf(f) {
      // All that pass everything else: what this facet alone still decides.
      const others = entries.filter((e) => passing(e, f));
      const known = [...new Set(entries.flatMap((e) => f.of(e)))].sort();
      if (f.how === 'within') known.unshift(BARE);
      const own = of(f);
      return known.map((value) => {
        const ask = f.how === 'any' ? [value] : [...new Set([...own, value])];
        const count = others.filter((e) => passes(f, ask, e, equals)).length;
        return { value, count, chosen: own.includes(value) };
      });
    },
  };
}

import type { Body, BodyOf } from './documents.ts';
import type { Kind } from './kinds/kind.ts';

/** The documents in force, looked up by kind and slug. Immutable once made. */
/** What the hall has of a piece of equipment. */
export interface Stock {
  /** 0: the hall has none. */
  count: number;
  /** Where it stands. */
  place: string;
}
/** Of what nobody has said anything the hall is taken to have one. */
const NOT_SAID: Stock = { count: 1, place: '' };
export type Stocks = ReadonlyMap<string, Stock>;

export interface Shelf {
  /** What the hall has, by slug of the equipment: rows of the hall, no part of the library. */
  stocks: Stocks;
  stock(equipment: string): Stock;
  get<K extends Kind>(kind: K, slug: string): BodyOf<K> | undefined;
  /** In the order of slugs; the list is kept, so it is not to be changed. */
  all<K extends Kind>(kind: K): readonly BodyOf<K>[];
  /** Every document, in the order of kinds and then of slugs. */
  everything(): Body[];
}

/** The documents in force at one state of the hall. */
export interface ShelfInForce {
  state: number;
  /** Advances with every change of what the hall has; absent: nothing was ever said. */
  kit?: number;
  shelf: Shelf;
  /** `kind/slug` to the number of the revision in force. */
  revisions: ReadonlyMap<string, number>;
}

export const documentId = (d: { kind: Kind; slug: string }) => `${d.kind}/${d.slug}`;

/**
 * Makes a shelf of the given bodies; a later body of the same kind and slug replaces an earlier one.
 * @param stocks what the hall has of its equipment
 */
export function shelfOf(bodies: Iterable<Body>, stocks: Stocks = new Map()): Shelf {
  const byKind = new Map<Kind, Map<string, Body>>();
  for (const body of bodies) {
    let kind = byKind.get(body.kind);
    if (!kind) byKind.set(body.kind, (kind = new Map<string, Body>()));
    kind.set(body.slug, body);
  }
  const ordered = new Map<Kind, Body[]>();
  const all = <K extends Kind>(kind: K) => {
    let list = ordered.get(kind);
    if (!list) {
      list = [...(byKind.get(kind)?.values() ?? [])].sort((a, b) => (a.slug < b.slug ? -1 : 1));
      ordered.set(kind, list);
    }
    return list as BodyOf<K>[];
  };
  return {
    stocks,
    stock: (equipment) => stocks.get(equipment) ?? NOT_SAID,
    get: <K extends Kind>(kind: K, slug: string) => byKind.get(kind)?.get(slug) as BodyOf<K> | undefined,
    all,
    everything: () => [...byKind.keys()].sort().flatMap((kind) => all(kind)),
  };
}

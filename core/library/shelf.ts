import type { Body, BodyOf } from './documents.ts';
import type { Piece } from '../terms/index.ts';
import { notThere } from '../terms/index.ts';
import type { Kind } from './kinds/kind.ts';
import { NOTHING_SAID, stockIn, stocksOf } from './stock.ts';
import type { HallKit, Stock } from './stock.ts';

/** The documents in force, looked up by kind and slug. Immutable once made. */
export interface Shelf {
  /** What the hall has: rows of the hall, no part of the library. */
  kit: HallKit;
  stock(equipment: string): Stock;
  /** How many may be used; of what nobody has said anything as many as are needed. */
  have(equipment: string): number;
  /** The pieces of an equipment that may be used. */
  piecesOf(equipment: string): readonly Piece[];
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
 * @param kit what the hall has of its equipment
 */
export function shelfOf(bodies: Iterable<Body>, kit: HallKit = NOTHING_SAID): Shelf {
  const pieces = new Map<string, Piece[]>();
  for (const p of kit.pieces) {
    if (p.count === 0 || notThere(p, kit.today) !== null) continue;
    pieces.set(p.equipment, [...(pieces.get(p.equipment) ?? []), p]);
  }
  const byKind = new Map<Kind, Map<string, Body>>();
  for (const body of bodies) {
    let kind = byKind.get(body.kind);
    if (!kind) byKind.set(body.kind, (kind = new Map<string, Body>()));
    kind.set(body.slug, body);
  }
  const stocks = stocksOf(
    kit,
    (slug) => (byKind.get('equipment')?.get(slug) as BodyOf<'equipment'> | undefined)?.forms,
  );
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
    kit,
    stock: (equipment) => stockIn(stocks, equipment),
    have: (equipment) => stocks.get(equipment)?.count ?? Infinity,
    piecesOf: (equipment) => pieces.get(equipment) ?? [],
    get: <K extends Kind>(kind: K, slug: string) => byKind.get(kind)?.get(slug) as BodyOf<K> | undefined,
    all,
    everything: () => [...byKind.keys()].sort().flatMap((kind) => all(kind)),
  };
}

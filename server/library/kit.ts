import type { Body } from '../../core/library/index.ts';

/** What equipment said of the hall before the hall had pieces of its own. */
interface Formerly {
  inHall?: number;
  where?: string;
}

/** A document as it is kept: what it said of the hall is no part of it. */
export function withoutKit(body: Body): Body {
  if (body.kind !== 'equipment') return body;
  const { inHall: _count, where: _place, ...rest } = body as typeof body & Formerly;
  return rest;
}

/** What the documents of a parcel of before say that the hall has. */
export const kitFormerly = (
  documents: readonly Body[],
): { equipment: string; count: number; place: string }[] =>
  documents.flatMap((d) => {
    if (d.kind !== 'equipment') return [];
    const { inHall, where = '' } = d as typeof d & Formerly;
    return inHall === undefined ? [] : [{ equipment: d.slug, count: inHall, place: where }];
  });

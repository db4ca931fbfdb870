import { sql } from 'drizzle-orm';
import type { KitRequest, KitRow } from '../../contract/kit.ts';
import type { Body } from '../../core/library/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';

const { hall, kit } = schema;

/** What the hall has, in the order of the equipment. */
export const kitRows = (db: Db): Promise<KitRow[]> => db.select().from(kit).orderBy(kit.equipment);

/** Says what the hall has of some equipment. */
export async function putKit(tx: Db, rows: readonly KitRow[]): Promise<void> {
  if (rows.length === 0) return;
  await tx
    .insert(kit)
    .values([...rows])
    .onConflictDoUpdate({
      target: kit.equipment,
      set: { count: sql`excluded.count`, place: sql`excluded.place` },
    });
  await tx.update(hall).set({ kitNumber: sql`${hall.kitNumber} + 1` });
}

/** @throws Refusal 404 without such a piece of equipment */
export async function saveKit({ db, inForce }: Context, slug: string, row: KitRequest): Promise<void> {
  if (!inForce.shelf.get('equipment', slug)) {
    throw new Refusal(404, `There is no equipment "${slug}" in the library. Nothing was kept.`);
  }
  await putKit(db, [{ equipment: slug, ...row }]);
}

/** What equipment said of the hall before it had rows of its own. */
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
export const kitFormerly = (documents: readonly Body[]): KitRow[] =>
  documents.flatMap((d) => {
    if (d.kind !== 'equipment') return [];
    const { inHall, where = '' } = d as typeof d & Formerly;
    return inHall === undefined ? [] : [{ equipment: d.slug, count: inHall, place: where }];
  });

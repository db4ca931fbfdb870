import { and, desc, eq, lte } from 'drizzle-orm';
import { documentId, shelfOf } from '../../core/library/index.ts';
import type { HallKit, Kind, ShelfInForce } from '../../core/library/index.ts';
import type { IsoDate, MassUnit } from '../../core/terms/index.ts';
import { piecesOfHall } from '../kit/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';

const { entry, revision, hall } = schema;

// A state never changes once reached, so what was read for it stays right; the newest one is kept.
const newest = new WeakMap<object, ShelfInForce>();

/**
 * Reads the shelf, or takes the one kept when no change has been accepted since.
 * @param known one read before, such as that of the request whose transaction this is
 * @param today the hall's day, which decides what of the kit is overdue; absent: that of `known`, or any
 */
export async function shelfInForce(
  db: Db,
  { known, today = known?.shelf.kit.today }: { known?: ShelfInForce; today?: IsoDate } = {},
): Promise<ShelfInForce> {
  const [row] = await db
    .select({ state: hall.stateNumber, kit: hall.kitNumber, unit: hall.massUnit })
    .from(hall);
  const state = row?.state ?? 0;
  const ofKit = row?.kit ?? 0;
  const unit = row?.unit ?? 'kg';
  const isNow = (s: ShelfInForce | undefined) =>
    s?.shelf.kit.unit === unit &&
    s?.state === state &&
    (s.kit ?? 0) === ofKit &&
    (today === undefined || s.shelf.kit.today === today);
  if (known && isNow(known)) return known;
  const kept = newest.get(db);
  if (kept && isNow(kept)) return kept;
  const rows = await db
    .select({ body: revision.body, number: revision.number })
    .from(entry)
    .innerJoin(
      revision,
      and(eq(revision.kind, entry.kind), eq(revision.slug, entry.slug), eq(revision.number, entry.revision)),
    );
  const read: ShelfInForce = {
    state,
    kit: ofKit,
    shelf: shelfOf(
      rows.map((r) => r.body),
      await kitOf(db, unit, today),
    ),
    revisions: new Map(rows.map((r) => [documentId(r.body), r.number])),
  };
  newest.set(db, read);
  return read;
}

const kitOf = async (db: Db, unit: MassUnit, today: IsoDate = ''): Promise<HallKit> => ({
  pieces: await piecesOfHall(db),
  today,
  unit,
});

/** The documents as they were in force at an earlier state of the hall. */
export async function shelfAt(db: Db, state: number): Promise<Pick<ShelfInForce, 'shelf' | 'revisions'>> {
  const rows = await db
    .selectDistinctOn([revision.kind, revision.slug], { body: revision.body, number: revision.number })
    .from(revision)
    .where(lte(revision.stateNumber, state))
    .orderBy(revision.kind, revision.slug, desc(revision.number));
  return {
    // What the hall has is known for today only.
    shelf: shelfOf(
      rows.map((r) => r.body),
      await kitOf(db, 'kg'),
    ),
    revisions: new Map(rows.map((r) => [documentId(r.body), r.number])),
  };
}

export async function inForce(db: Db, kind: Kind, slug: string) {
  const [row] = await db
    .select({ body: revision.body, revision: revision.number, state: revision.stateNumber })
    .from(entry)
    .innerJoin(
      revision,
      and(eq(revision.kind, entry.kind), eq(revision.slug, entry.slug), eq(revision.number, entry.revision)),
    )
    .where(and(eq(entry.kind, kind), eq(entry.slug, slug)));
  return row ?? null;
}

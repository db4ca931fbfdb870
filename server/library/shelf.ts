import { and, desc, eq, lte } from 'drizzle-orm';
import { documentId, shelfOf } from '../../core/library/index.ts';
import type { Kind, Shelf } from '../../core/library/index.ts';
import type { EditionHeader } from '../../core/exchange/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';

/** The documents in force at one state of the hall. */
export interface ShelfInForce {
  state: number;
  shelf: Shelf;
  /** `kind/slug` to the number of the revision in force. */
  revisions: ReadonlyMap<string, number>;
}

const { entry, revision, hall, edition } = schema;

// A state never changes once reached, so what was read for it stays right; the newest one is kept.
const newest = new WeakMap<object, ShelfInForce>();

/** Reads the shelf, or takes the one kept when no change has been accepted since. */
export async function shelfInForce(db: Db, keep: object = db): Promise<ShelfInForce> {
  const [row] = await db.select({ state: hall.stateNumber }).from(hall);
  const state = row?.state ?? 0;
  const kept = newest.get(keep);
  if (kept?.state === state) return kept;
  const rows = await db
    .select({ body: revision.body, number: revision.number })
    .from(entry)
    .innerJoin(
      revision,
      and(eq(revision.kind, entry.kind), eq(revision.slug, entry.slug), eq(revision.number, entry.revision)),
    );
  const read: ShelfInForce = {
    state,
    shelf: shelfOf(rows.map((r) => r.body)),
    revisions: new Map(rows.map((r) => [documentId(r.body), r.number])),
  };
  newest.set(keep, read);
  return read;
}

/** The documents as they were in force at an earlier state of the hall. */
export async function shelfAt(db: Db, state: number): Promise<Pick<ShelfInForce, 'shelf' | 'revisions'>> {
  const rows = await db
    .selectDistinctOn([revision.kind, revision.slug], { body: revision.body, number: revision.number })
    .from(revision)
    .where(lte(revision.stateNumber, state))
    .orderBy(revision.kind, revision.slug, desc(revision.number));
  return {
    shelf: shelfOf(rows.map((r) => r.body)),
    revisions: new Map(rows.map((r) => [documentId(r.body), r.number])),
  };
}

/** The newest edition and how many changes were accepted since. */
export async function editionHeader(db: Db): Promise<EditionHeader> {
  const [row] = await db.select({ state: hall.stateNumber }).from(hall);
  const editions = await db.select().from(edition);
  const last = editions.sort((a, b) => b.number - a.number)[0];
  // Before the first edition is named, the empty library is edition 1.
  if (!last) return { number: 1, name: 'First', date: '1970-01-01', changesSince: row?.state ?? 0 };
  return {
    number: last.number,
    name: last.name,
    date: last.date,
    changesSince: (row?.state ?? 0) - last.stateNumber,
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

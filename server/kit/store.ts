import { asc, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { FlagRequest, PieceEdit, PieceInHall } from '../../contract/kit.ts';
import type { Piece } from '../../core/terms/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../refusal.ts';

const { hall, piece, pieceEdit } = schema;

const read = ({ goneAt: _gone, ...row }: typeof piece.$inferSelect): PieceInHall => row;

/** Every piece that has not left the hall, in the order of equipment and size. */
export async function piecesOfHall(db: Db): Promise<PieceInHall[]> {
  const rows = await db.select().from(piece).where(isNull(piece.goneAt)).orderBy(asc(piece.equipment));
  return rows.map(read).sort((a, b) => a.equipment.localeCompare(b.equipment) || sizeOf(a) - sizeOf(b));
}

const sizeOf = ({ sizes: s }: Piece) => s.heightM ?? s.mass ?? s.thicknessM ?? s.seatM ?? s.fromM ?? 0;

/** Sheets and decisions are made from what the hall has: they are read anew. */
const advance = (tx: Db) => tx.update(hall).set({ kitNumber: sql`${hall.kitNumber} + 1` });

interface By {
  by: string;
  byId: string | null;
  at: Date;
}

/**
 * Writes pieces, all or none; each starts from the edit that it was read at, 0 for a new one. Must run inside a
 * transaction.
 * @throws Refusal 409 where somebody changed one meanwhile, with what is kept of it
 */
export async function putPieces(tx: Db, pieces: readonly PieceInHall[], { by, byId, at }: By): Promise<void> {
  if (pieces.length === 0) return;
  // One inventory at a time.
  await tx.execute(sql`select id from ${hall} for update`);
  const ids = pieces.map((p) => p.id.toLowerCase());
  if (new Set(ids).size < ids.length)
    throw new Refusal(422, 'pieces: one of them is told twice. Nothing was kept.');
  const known = new Map(
    (await tx.select().from(piece).where(inArray(piece.id, ids))).map((row) => [row.id, row]),
  );
  const kept = pieces.map((p): typeof piece.$inferInsert => {
    const now = known.get(p.id.toLowerCase());
    if ((now?.edit ?? 0) !== p.edit || now?.goneAt) {
      throw new Refusal(
        409,
        `${p.name || p.equipment} was ${now?.goneAt ? 'taken out of the list' : 'changed'} meanwhile. Nothing was kept: look at it again.`,
        { yours: p, inForce: now ? read(now) : null },
      );
    }
    return { ...p, id: p.id.toLowerCase(), edit: p.edit + 1 };
  });
  const excluded = (column: string) => sql.raw(`excluded.${column}`);
  await tx
    .insert(piece)
    .values(kept)
    .onConflictDoUpdate({
      target: piece.id,
      set: {
        equipment: excluded('equipment'),
        form: excluded('form'),
        name: excluded('name'),
        count: excluded('count'),
        place: excluded('place'),
        most: excluded('most'),
        condition: excluded('condition'),
        why: excluded('why'),
        outSince: excluded('out_since'),
        inspectedOn: excluded('inspected_on'),
        nextInspection: excluded('next_inspection'),
        unit: excluded('unit'),
        sizes: excluded('sizes'),
        colour: excluded('colour'),
        readings: excluded('readings'),
        readOn: excluded('read_on'),
        retireOn: excluded('retire_on'),
        edit: excluded('edit'),
      },
    });
  await tx.insert(pieceEdit).values(
    kept.map(({ edit, goneAt: _gone, ...body }) => ({
      pieceId: body.id,
      edit: edit!,
      body: body as Piece,
      by,
      byId,
      at: at.toISOString(),
    })),
  );
  await advance(tx);
}

async function found(tx: Db, id: string): Promise<PieceInHall> {
  await tx.execute(sql`select id from ${hall} for update`);
  const [row] = await tx.select().from(piece).where(eq(piece.id, id));
  if (!row || row.goneAt) throw new Refusal(404, 'There is no such piece in the hall. Nothing was changed.');
  return read(row);
}

/** A piece leaves the hall; its history stays. @throws Refusal 404 */
export async function removePiece(tx: Db, id: string, { by, byId, at }: By): Promise<void> {
  const { edit, ...body } = await found(tx, id);
  await tx
    .update(piece)
    .set({ goneAt: at.toISOString(), edit: edit + 1 })
    .where(eq(piece.id, id));
  await tx
    .insert(pieceEdit)
    .values({ pieceId: id, edit: edit + 1, body, gone: true, by, byId, at: at.toISOString() });
  await advance(tx);
}

/** @throws Refusal 404; 409 where it is out of use already: putting it back is the head coach’s */
export async function flagPiece(
  tx: Db,
  id: string,
  { condition, why }: FlagRequest,
  today: string,
  by: By,
): Promise<void> {
  const now = await found(tx, id);
  if (now.condition === 'out') {
    throw new Refusal(409, 'It is out of use already; the head coach puts it back. Nothing was changed.');
  }
  await putPieces(tx, [{ ...now, condition, why, outSince: condition === 'out' ? today : null }], by);
}

/** The edits of a piece, the newest first. @throws Refusal 404 */
export async function pieceHistory(db: Db, id: string): Promise<PieceEdit[]> {
  const rows = await db.select().from(pieceEdit).where(eq(pieceEdit.pieceId, id));
  if (rows.length === 0) {
    const [row] = await db.select({ id: piece.id }).from(piece).where(eq(piece.id, id));
    if (!row) throw new Refusal(404, 'There is no such piece in the hall.');
  }
  return rows
    .sort((a, b) => b.edit - a.edit)
    .map(({ edit, body, gone, by, at }) => ({ edit, piece: body, gone, by, at: new Date(at).toISOString() }));
}

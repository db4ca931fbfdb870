import { randomUUID } from 'node:crypto';
import { and, eq, sql } from 'drizzle-orm';
import { canonicalJson } from '../../core/library/index.ts';
import type { Me } from '../../contract/access.ts';
import type { SetRequest, SetResult } from '../../contract/log.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';
import { personOf, seesHealth } from '../people/index.ts';

const { loggedSet, session, move, moveFlag, revision } = schema;

async function sessionFor(tx: Db, personId: string, date: string): Promise<string> {
  await tx
    .insert(session)
    .values({ id: randomUUID(), personId, date })
    .onConflictDoNothing({ target: [session.personId, session.date] });
  const [row] = await tx
    .select({ id: session.id })
    .from(session)
    .where(and(eq(session.personId, personId), eq(session.date, date)));
  return row!.id;
}

/** The day after, by the calendar. */
const dayAfter = (date: string) =>
  new Date(Date.parse(`${date}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10);

/**
 * Stores a set under the id its client gave it. Sending the same edit again changes nothing; an
 * older edit that arrives late is left aside; a newer one replaces the set and flags the moves
 * that stood on it. Must run inside a transaction.
 */
export async function putSet(
  tx: Db,
  id: string,
  { personId, date, ...fields }: SetRequest,
  me: Me,
  at: Date,
  today: string,
): Promise<SetResult> {
  const person = await personOf(tx, personId);
  // One day of grace: a tablet may have rolled over to the next day just before the server.
  if (date > dayAfter(today))
    throw new Refusal(422, `date: ${date} lies in the future. The set was not stored.`);
  const [known] = await tx
    .select({ number: revision.number })
    .from(revision)
    .where(
      and(
        eq(revision.kind, 'variation'),
        eq(revision.slug, fields.variation),
        eq(revision.number, fields.variationRevision),
      ),
    );
  if (!known) {
    throw new Refusal(
      422,
      `variation: there is no revision ${fields.variationRevision} of "${fields.variation}". The set was not stored.`,
    );
  }
  const receivedAt = at.toISOString();
  const sessionId = await sessionFor(tx, personId, date);
  const [stored] = await tx
    .select({ set: loggedSet, personId: session.personId })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(eq(loggedSet.id, id))
    .for('update', { of: loggedSet });
  if (!stored) {
    await tx.insert(loggedSet).values({ id, sessionId, ...fields, loggedBy: me.name });
    return { id, edit: fields.edit, flaggedMoves: [], receivedAt };
  }
  if (stored.personId !== personId) {
    throw new Refusal(409, 'This set belongs to somebody else. Nothing was changed.');
  }
  const before = stored.set;
  if (!seesHealth(me, person)) {
    // Who may not see pain cannot have meant to change it.
    fields.pain = before.pain;
    const hidden = before.sensations?.filter((f) => f.kind === 'pain') ?? [];
    if (hidden.length) fields.sensations = [...(fields.sensations ?? []), ...hidden];
  }
  const { id: _i, loggedBy: _b, deletedAt, ...same } = before;
  if (
    fields.edit === before.edit &&
    deletedAt === null &&
    canonicalJson(same) !== canonicalJson({ ...fields, sessionId })
  ) {
    throw new Refusal(
      409,
      'Another tablet corrected this set at the same time. Yours is kept on this tablet.',
      {
        yours: fields,
        inForce: same,
      },
    );
  }
  if (fields.edit <= before.edit) return { id, edit: before.edit, flaggedMoves: [], receivedAt };
  await tx
    .update(loggedSet)
    .set({ sessionId, ...fields, loggedBy: me.name, deletedAt: null })
    .where(eq(loggedSet.id, id));
  const flaggedMoves = await flagMoves(tx, id, fields.edit, 'corrected', receivedAt);
  return { id, edit: fields.edit, flaggedMoves, receivedAt };
}

/** Takes a set out of all computation; deleting twice, or one never received, is no error. */
export async function deleteSet(tx: Db, id: string, edit: number, at: Date): Promise<SetResult> {
  const receivedAt = at.toISOString();
  const [before] = await tx.select().from(loggedSet).where(eq(loggedSet.id, id)).for('update');
  if (!before || edit <= before.edit) {
    return { id, edit: before?.edit ?? edit, flaggedMoves: [], receivedAt };
  }
  await tx.update(loggedSet).set({ deletedAt: receivedAt, edit }).where(eq(loggedSet.id, id));
  return { id, edit, flaggedMoves: await flagMoves(tx, id, edit, 'deleted', receivedAt), receivedAt };
}

async function flagMoves(tx: Db, setId: string, edit: number, what: string, at: string): Promise<string[]> {
  const stoodOn = await tx
    .select({ id: move.id })
    .from(move)
    .where(sql`${move.setIds} @> ${JSON.stringify([setId])}::jsonb`);
  if (stoodOn.length === 0) return [];
  await tx.insert(moveFlag).values(stoodOn.map((m) => ({ moveId: m.id, setId, edit, what, at })));
  return stoodOn.map((m) => m.id);
}

import { createHash, randomUUID } from 'node:crypto';
import { and, desc, eq, sql } from 'drizzle-orm';
import { canonicalJson } from '../../core/library/index.ts';
import type { SetRequest, SetResult } from '../../contract/log.ts';
import { refreshSummary, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { inTurn } from '../endpoint.ts';
import type { About, Context, OpenContext } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { isBy, personOf } from '../people/index.ts';
import { refuseFuture, refuseUnknownRevision } from './known.ts';
import { growByItself } from './moves.ts';
import { referWhereDue } from './reports.ts';
import { tell } from './stops.ts';
import type { Teller } from './stops.ts';

const { loggedSet, session, move, moveFlag, setTombstone, setVersion } = schema;

/** Of one set so many earlier versions are kept; the oldest go. */
const MOST_VERSIONS = 50;

/** Who sends a set. */
export interface Logger extends Teller {
  /** Only what they logged themselves today: somebody else looks after the person. */
  onlyToday: string | null;
  /** The person alone, through their own link: nothing is watched. */
  own: boolean;
}

export const staffLogger = ({ me, hold, today }: Context & About): Logger => ({
  id: me.id,
  name: me.name,
  onlyToday: hold === 'covers' ? today : null,
  own: false,
});

/** Who logged a set, as it is kept. */
const loggedBy = ({ id, name }: Teller) => ({ loggedBy: name, loggedById: id });

/** @throws Refusal 403 where somebody who covers changes what is not theirs, or not of today */
interface Stored {
  loggedBy: string;
  loggedById: string | null;
  date: string;
}

function refuseOthers(by: Logger, date: string, stored?: Stored): void {
  if (by.onlyToday === null) return;
  const theirs = (s: Stored) =>
    s.date === by.onlyToday && by.id !== null && isBy({ ...by, id: by.id }, s.loggedById, s.loggedBy);
  if (date !== by.onlyToday || (stored && !theirs(stored))) {
    throw new Refusal(
      403,
      'Who covers somebody logs today’s sets and corrects their own. Nothing was changed.',
    );
  }
}

/** Takes a set back; of a person who is covered, only one logged today by who covers. */
export async function dropSet(
  c: Context & { about: About | null },
  id: string,
  edit: number,
): Promise<SetResult> {
  if (c.about?.hold === 'covers') {
    const [stored] = await c.db
      .select({ loggedBy: loggedSet.loggedBy, loggedById: loggedSet.loggedById, date: session.date })
      .from(loggedSet)
      .innerJoin(session, eq(session.id, loggedSet.sessionId))
      .where(eq(loggedSet.id, id));
    if (stored) refuseOthers(staffLogger({ ...c, ...c.about }), stored.date, stored);
  }
  return deleteSet(c, id, edit);
}

/** The session of a person on a date, made where there is none. */
export async function sessionFor(tx: Db, personId: string, date: string): Promise<string> {
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

/** Stores a set, and a stop where the evidence refers somebody now. Must run inside a transaction. */
export async function keepSet(
  c: Pick<OpenContext, 'db' | 'at' | 'today' | 'inForce' | 'told'>,
  id: string,
  request: SetRequest,
  by: Logger,
): Promise<SetResult> {
  const result = await putSet(c, id, request, by);
  if (request.pain) await referWhereDue(c, by, [request.personId]);
  await growByItself(c, request.personId, request.variation);
  return result;
}

/**
 * Stores a set under the id its client gave it. Sending the same edit again changes nothing; an older edit that
 * arrives late is left aside; a newer one replaces the set and flags the moves that stood on it. Where two tablets
 * made the same edit number of different corrections, one of them wins whichever comes first, and what it replaces is
 * kept. Must run inside a transaction.
 */
async function putSet(
  { db: tx, at, today }: Pick<OpenContext, 'db' | 'at' | 'today'>,
  id: string,
  { personId, date, ...fields }: SetRequest,
  by: Logger,
): Promise<SetResult> {
  await personOf(tx, personId);
  // A deletion of it that comes at the same moment waits.
  await inTurn(tx, [id]);
  refuseFuture(date, today, 'The set was not stored.');
  await refuseUnknownRevision(tx, fields.variation, fields.variationRevision, 'The set was not stored.');
  const receivedAt = at.toISOString();
  const done = (edit: number, flaggedMoves: string[] = []): SetResult => ({
    id,
    edit,
    flaggedMoves,
    receivedAt,
  });

  const [stored] = await tx
    .select({ set: loggedSet, personId: session.personId, date: session.date })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(eq(loggedSet.id, id))
    .for('update', { of: loggedSet });
  if (stored && stored.personId !== personId) {
    throw new Refusal(409, 'This set belongs to somebody else. Nothing was changed.');
  }
  refuseOthers(by, date, stored && { ...stored.set, date: stored.date });
  // Told first: whatever becomes of the set, the pain was reported.
  await tell({ db: tx, at, today }, by, {
    personId,
    source: `set ${id}`,
    date,
    told: by.own ? 'alone' : 'set',
    pain: fields.pain,
    felt: fields.sensations,
    variation: fields.variation,
  });
  const own = stored?.set.own ?? by.own;
  if (own) Object.assign(fields, { watched: false, faults: [] });

  if (!stored) {
    const [gone] = await tx.select().from(setTombstone).where(eq(setTombstone.id, id));
    if (gone && gone.edit > fields.edit) return done(gone.edit);
    if (gone) await tx.delete(setTombstone).where(eq(setTombstone.id, id));
    const sessionId = await sessionFor(tx, personId, date);
    await tx.insert(loggedSet).values({ id, sessionId, ...fields, own, ...loggedBy(by) });
    await refreshSummary(tx, sessionId, fields.variation);
    return done(fields.edit);
  }

  const before = stored.set;
  if (by.own && before.pain !== null) {
    // What they reported that day is not talked down afterwards, nor moved to another day; a coach corrects it.
    if (date !== stored.date && before.pain > 0) {
      throw new Refusal(403, 'Pain that was reported stays on its day. Ask your coach to correct it.');
    }
    fields.pain = Math.max(before.pain, fields.pain ?? 0);
    const felt = (before.sensations ?? [])
      .filter((f) => f.kind === 'pain')
      // What an older version kept does not know of the leg.
      .map((f) => ({ ...f, leg: f.leg ?? null }));
    const told = new Set(fields.sensations?.map((f) => canonicalJson(f)));
    const more = felt.filter((f) => !told.has(canonicalJson(f)));
    if (more.length > 0) fields.sensations = [...(fields.sensations ?? []), ...more];
  }
  const {
    id: _i,
    loggedBy: _b,
    loggedById: _bi,
    deletedAt,
    sessionId: oldSession,
    own: _o,
    ...same
  } = before;
  const inForce = canonicalJson({ ...same, date: stored.date });
  const yours = canonicalJson({ ...fields, date });
  if (fields.edit < before.edit) return done(before.edit);
  if (fields.edit === before.edit && deletedAt === null) {
    if (inForce === yours) return done(before.edit);
    // The greater text wins, so that the order of arrival makes no difference.
    if (inForce > yours) {
      throw new Refusal(
        409,
        'Another tablet corrected this set at the same time. Yours is kept on this tablet.',
        { yours: fields, inForce: same },
      );
    }
  }
  // A set that was deleted and corrected at the same time stays.
  await keepVersion(tx, before, inForce, receivedAt);
  const sessionId = await sessionFor(tx, personId, date);
  await tx
    .update(loggedSet)
    .set({ sessionId, ...fields, ...loggedBy(by), deletedAt: null })
    .where(eq(loggedSet.id, id));
  await refreshSummary(tx, oldSession, before.variation);
  await refreshSummary(tx, sessionId, fields.variation);
  return done(fields.edit, await flagMoves(tx, id, fields.edit, 'corrected', receivedAt));
}

/** The set that was not there when its deletion began has arrived: begin anew. */
class ArrivedMeanwhile extends Error {}

/** Deletes, and once more where the set arrived at the same moment. */
export async function deletedOrAgain(work: () => Promise<SetResult>): Promise<SetResult> {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof ArrivedMeanwhile)) throw error;
    return work();
  }
}

async function personOfSet(tx: Db, id: string): Promise<string | null> {
  const [row] = await tx
    .select({ personId: session.personId })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(eq(loggedSet.id, id));
  return row?.personId ?? null;
}

/** Takes a set out of all computation; deleting twice, or one not received yet, is no error. */
export async function deleteSet(
  { db: tx, at }: Pick<OpenContext, 'db' | 'at'>,
  id: string,
  edit: number,
): Promise<SetResult> {
  const receivedAt = at.toISOString();
  const whose = await personOfSet(tx, id);
  if (whose) await inTurn(tx, [whose]);
  else {
    // It may be arriving this very moment: whoever puts it holds its id until it is there.
    await inTurn(tx, [id]);
    if (await personOfSet(tx, id)) throw new ArrivedMeanwhile();
  }
  const [before] = await tx.select().from(loggedSet).where(eq(loggedSet.id, id)).for('update');
  if (!before) {
    // The set may still be on its way from another tablet.
    await tx
      .insert(setTombstone)
      .values({ id, edit })
      .onConflictDoUpdate({
        target: setTombstone.id,
        set: { edit: sql`greatest(set_tombstone.edit, ${edit})` },
      });
    return { id, edit, flaggedMoves: [], receivedAt };
  }
  if (edit <= before.edit) return { id, edit: before.edit, flaggedMoves: [], receivedAt };
  const { id: _i, loggedBy: _b, loggedById: _bi, deletedAt: _d, sessionId, own: _o, ...body } = before;
  await keepVersion(tx, before, canonicalJson(body), receivedAt);
  await tx.update(loggedSet).set({ deletedAt: receivedAt, edit }).where(eq(loggedSet.id, id));
  await refreshSummary(tx, sessionId, before.variation);
  return { id, edit, flaggedMoves: await flagMoves(tx, id, edit, 'deleted', receivedAt), receivedAt };
}

/** What a set said before; nothing that was ever entered is lost. */
async function keepVersion(tx: Db, before: typeof loggedSet.$inferSelect, body: string, at: string) {
  const { id: setId, edit, loggedBy, loggedById } = before;
  await tx
    .insert(setVersion)
    .values({
      setId,
      edit,
      hash: createHash('sha256').update(body).digest('hex'),
      body: JSON.parse(body) as Record<string, unknown>,
      loggedBy,
      loggedById,
      at,
    })
    .onConflictDoNothing();
  const old = await tx
    .select({ edit: setVersion.edit, hash: setVersion.hash })
    .from(setVersion)
    .where(eq(setVersion.setId, setId))
    .orderBy(desc(setVersion.edit))
    .offset(MOST_VERSIONS);
  for (const v of old) {
    const one = and(eq(setVersion.setId, setId), eq(setVersion.edit, v.edit), eq(setVersion.hash, v.hash));
    await tx.delete(setVersion).where(one);
  }
}

async function flagMoves(tx: Db, setId: string, edit: number, what: string, at: string): Promise<string[]> {
  const stoodOn = await tx
    .select({ id: move.id })
    .from(move)
    .where(sql`${move.setIds} @> ${JSON.stringify([setId])}::jsonb`);
  if (stoodOn.length === 0) return [];
  await tx
    .insert(moveFlag)
    .values(stoodOn.map((m) => ({ moveId: m.id, setId, edit, what, at })))
    .onConflictDoNothing();
  return stoodOn.map((m) => m.id);
}

import { and, eq, isNull, not, notExists, sql } from 'drizzle-orm';
import type { RatingRequest, SetToRate } from '../../contract/fault.ts';
import { among, schema } from '../db/index.ts';
import type { About, Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { isBy, isBySql } from '../people/index.ts';

const { loggedSet, session, setRating } = schema;

/** The watched sets of today that another coach logged and this one has not rated, newest first, blind. */
export async function setsToRate({ db, me, today }: Context, people: readonly About[]): Promise<SetToRate[]> {
  if (people.length === 0) return [];
  return db
    .select({
      id: loggedSet.id,
      personId: session.personId,
      ordinal: loggedSet.ordinal,
      variation: loggedSet.variation,
      side: loggedSet.side,
      doneReps: loggedSet.doneReps,
      holdS: loggedSet.holdS,
      rounds: loggedSet.rounds,
      loadKg: loggedSet.loadKg,
      loggedBy: loggedSet.loggedBy,
    })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(
      and(
        among(
          session.personId,
          people.map(({ person }) => person.id),
        ),
        eq(session.date, today),
        eq(loggedSet.watched, true),
        isNull(loggedSet.deletedAt),
        not(isBySql(me, loggedSet.loggedById, loggedSet.loggedBy)),
        notExists(
          db
            .select({ one: sql`1` })
            .from(setRating)
            .where(and(eq(setRating.setId, loggedSet.id), eq(setRating.byId, me.id))),
        ),
      ),
    )
    .orderBy(sql`${loggedSet.ordinal} desc`);
}

/** Keeps what a second coach saw; the first word stands, since after it the other's may have been seen. */
export async function rateSet(
  { db: tx, inForce: { shelf }, me, at }: Context,
  setId: string,
  request: RatingRequest,
): Promise<void> {
  const [set] = await tx.select().from(loggedSet).where(eq(loggedSet.id, setId));
  if (!set || set.deletedAt !== null) throw new Refusal(404, 'There is no such set any more.');
  if (!set.watched) throw new Refusal(409, 'Nobody watched this set: there is nothing to compare with.');
  if (isBy(me, set.loggedById, set.loggedBy)) {
    throw new Refusal(
      409,
      'You logged this set yourself: a second pair of eyes is needed. Nothing was kept.',
    );
  }
  const possible = shelf.get('variation', set.variation)?.faults.map((f) => f.fault) ?? [];
  const foreign = request.faults.find((f) => !possible.includes(f.fault));
  if (foreign) {
    throw new Refusal(422, `faults: "${foreign.fault}" is no fault of this variation. Nothing was kept.`);
  }
  await tx
    .insert(setRating)
    .values({ setId, by: me.name, byId: me.id, faults: request.faults, at: at.toISOString() })
    .onConflictDoNothing();
}

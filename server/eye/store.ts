import { and, desc, eq, getTableColumns, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type {
  ByEye,
  Consent,
  ConsentRequest,
  EyeChecked,
  KeptMeasurement,
  MeasurementRequest,
  PersonEye,
} from '../../contract/eye.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About, Context } from '../endpoint.ts';
import { refuseFuture } from '../log/index.ts';
import { Refusal } from '../refusal.ts';

const { eyeConsent, loggedSet, measurement, session } = schema;
type C = Context & About;

/** The newest are shown; more nobody compares at once. */
const SHOWN = 60;
/** The newest tell how measuring and the eye agree now. */
const COMPARED = 500;
const NOTHING = 'Nothing was kept.';

/** Its set is there and theirs, or none was logged of it: what was measured of a set that was taken back counts for nothing. */
const stands = or(
  isNull(measurement.setId),
  sql`exists (select 1 from ${loggedSet} join ${session} on ${session.id} = ${loggedSet.sessionId}
    where ${loggedSet.id} = ${measurement.setId} and ${loggedSet.deletedAt} is null
      and ${session.personId} = ${measurement.personId})`,
);

/** What a camera knows of somebody; whoever covers them is told the consent alone. */
export async function eyeOf({ db, person, hold }: C): Promise<PersonEye> {
  const [consent] = await db.select().from(eyeConsent).where(eq(eyeConsent.personId, person.id));
  return {
    consent: consent ? consentTold(consent) : null,
    measurements: hold === 'covers' ? [] : await measurementsOf(db, person.id),
  };
}

const consentTold = ({ personId: _p, ...said }: typeof eyeConsent.$inferSelect): Consent => said;

async function measurementsOf(db: Db, personId: string): Promise<KeptMeasurement[]> {
  const { track, at: _at, personId: _p, ...columns } = getTableColumns(measurement);
  const rows = await db
    .select({ ...columns, hasTrack: sql<boolean>`${track} is not null` })
    .from(measurement)
    .where(and(eq(measurement.personId, personId), stands))
    .orderBy(desc(measurement.date), desc(measurement.at))
    .limit(SHOWN);
  return rows.map(({ said, pictures, ...row }) => ({ ...said, ...row, personId, pictures: pictures ?? [] }));
}

/**
 * Records what somebody, or their guardian, has said. Taken back, tracks and pictures go at once; numbers stay, and who had
 * agreed and when.
 * @throws Refusal 422 where nobody is named who stands for somebody under age
 */
export async function keepConsent({ db, person, me, today }: C, said: ConsentRequest): Promise<void> {
  if (said.given && said.minor && said.guardian.trim() === '')
    throw new Refusal(
      422,
      `guardian: who is under age needs the word of a guardian; write who said it. ${NOTHING}`,
    );
  const [before] = await db.select().from(eyeConsent).where(eq(eyeConsent.personId, person.id)).for('update');
  const row = said.given
    ? { ...said, guardian: said.guardian.trim(), date: today, recordedBy: me.name, withdrawnOn: null }
    : {
        ...(before ?? { ...said, date: today }),
        given: false,
        recordedBy: me.name,
        withdrawnOn: before?.withdrawnOn ?? today,
      };
  await db
    .insert(eyeConsent)
    .values({ ...row, personId: person.id })
    .onConflictDoUpdate({ target: eyeConsent.personId, set: row });
  if (!said.given)
    await db
      .update(measurement)
      .set({ track: null, pictures: null })
      .where(eq(measurement.personId, person.id));
}

/**
 * Keeps what was measured. The same id again takes its place.
 * @throws Refusal 403 without consent, with a picture where none was agreed to, or of another day by who covers; 409 where the
 * id is of somebody else; 422 of a day to come
 */
export async function keepMeasurement(c: C, id: string, request: MeasurementRequest): Promise<void> {
  const { db, person, me, today, hold, at } = c;
  const { personId, date, setId, variation, track, pictures, ...said } = request;
  refuseFuture(date, today, NOTHING);
  if (hold === 'covers' && date !== today)
    throw new Refusal(403, `Who covers somebody measures today. ${NOTHING}`);
  const [consent] = await db
    .select()
    .from(eyeConsent)
    .where(eq(eyeConsent.personId, person.id))
    .for('update');
  if (!consent?.given)
    throw new Refusal(403, `There is no consent to measuring ${person.name} with a camera. ${NOTHING}`);
  if (!consent.pictures && pictures !== null && pictures.length > 0)
    throw new Refusal(403, `Nobody has agreed to pictures of ${person.name} being kept. ${NOTHING}`);
  const [before] = await db.select().from(measurement).where(eq(measurement.id, id)).for('update');
  if (before && before.personId !== personId)
    throw new Refusal(409, 'This belongs to somebody else. Nothing was changed.');
  const row = {
    personId,
    date,
    setId,
    variation,
    said,
    track,
    pictures,
    recordedBy: me.name,
    at: at.toISOString(),
  };
  await db
    .insert(measurement)
    .values({ id, ...row })
    .onConflictDoUpdate({ target: measurement.id, set: row });
}

/** @throws Refusal 404 */
export async function dropMeasurement({ db, person }: C, id: string): Promise<void> {
  const gone = await db
    .delete(measurement)
    .where(and(eq(measurement.id, id), eq(measurement.personId, person.id)))
    .returning({ id: measurement.id });
  if (gone.length === 0) throw new Refusal(404, 'There is no such measurement.');
}

export async function trackOf({ db, person }: C, id: string): Promise<{ track: string | null }> {
  const [row] = await db
    .select({ track: measurement.track })
    .from(measurement)
    .where(and(eq(measurement.id, id), eq(measurement.personId, person.id)));
  return { track: row?.track ?? null };
}

/** How far measuring and judging by eye agree, over the whole hall; no name in it. */
export async function eyeChecked(db: Db): Promise<EyeChecked> {
  const rows = await db
    .select({ said: measurement.said })
    .from(measurement)
    .where(and(isNotNull(sql`${measurement.said} -> 'byEye' ->> 'reps'`), stands))
    .orderBy(desc(measurement.at))
    .limit(COMPARED);
  const pairs = rows.flatMap(({ said }) => (said.byEye ? [{ said, eye: said.byEye }] : []));
  const counts = (
    of: (s: (typeof pairs)[number]['said']) => boolean | null,
    by: (e: ByEye) => boolean | null,
  ) => {
    const both = pairs.flatMap(({ said, eye }) => {
      const [a, b] = [of(said), by(eye)];
      return a === null || b === null ? [] : [a === b];
    });
    return { of: both.length, same: both.filter(Boolean).length };
  };
  const off = pairs.map(({ said, eye }) => Math.abs(said.reps.length - eye.reps!));
  return {
    sets: pairs.length,
    reps: {
      of: off.length,
      same: off.filter((d) => d === 0).length,
      meanOff: off.length === 0 ? null : off.reduce((a, b) => a + b, 0) / off.length,
    },
    range: counts(
      (s) => s.range,
      (e) => e.range,
    ),
    tempo: counts(
      (s) => s.tempo,
      (e) => e.tempo,
    ),
  };
}

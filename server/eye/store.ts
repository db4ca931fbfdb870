import { and, desc, eq, isNotNull, sql } from 'drizzle-orm';
import type { ByEye, ConsentRequest, EyeChecked, MeasurementRequest, PersonEye } from '../../contract/eye.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About, Context } from '../endpoint.ts';
import { Refusal } from '../refusal.ts';

const { eyeConsent, measurement } = schema;
type C = Context & About;

/** The newest are shown; more nobody compares at once. */
const SHOWN = 60;
const NOTHING = 'Nothing was kept.';

export async function eyeOf({ db, person }: C): Promise<PersonEye> {
  const [consent] = await db.select().from(eyeConsent).where(eq(eyeConsent.personId, person.id));
  const rows = await db
    .select({
      id: measurement.id,
      date: measurement.date,
      setId: measurement.setId,
      variation: measurement.variation,
      recordedBy: measurement.recordedBy,
      said: measurement.said,
      pictures: measurement.pictures,
      hasTrack: sql<boolean>`${measurement.track} is not null`,
    })
    .from(measurement)
    .where(eq(measurement.personId, person.id))
    .orderBy(desc(measurement.date), desc(measurement.at))
    .limit(SHOWN);
  return {
    consent: consent
      ? {
          given: consent.given,
          date: consent.date,
          minor: consent.minor,
          guardian: consent.guardian,
          recordedBy: consent.recordedBy,
          withdrawnOn: consent.withdrawnOn,
        }
      : null,
    measurements: rows.map(({ said, pictures, ...row }) => ({
      ...said,
      ...row,
      personId: person.id,
      pictures: pictures ?? [],
    })),
  };
}

/**
 * Records what somebody, or their guardian, has said. Taken back, tracks and pictures go at once; numbers stay.
 * @throws Refusal 422 where nobody is named who stands for somebody under age
 */
export async function keepConsent({ db, person, me, today }: C, said: ConsentRequest): Promise<void> {
  if (said.given && said.minor && said.guardian.trim() === '')
    throw new Refusal(
      422,
      `guardian: who is under age needs the word of a guardian; write who said it. ${NOTHING}`,
    );
  const row = {
    ...said,
    guardian: said.guardian.trim(),
    date: today,
    recordedBy: me.name,
    withdrawnOn: said.given ? null : today,
  };
  await db
    .insert(eyeConsent)
    .values({ personId: person.id, ...row })
    .onConflictDoUpdate({ target: eyeConsent.personId, set: row });
  if (!said.given)
    await db
      .update(measurement)
      .set({ track: null, pictures: null })
      .where(eq(measurement.personId, person.id));
}

/**
 * Keeps what was measured. The same id again takes its place.
 * @throws Refusal 403 without consent, or of another day by who covers; 409 where the id is of somebody else; 422 of a day
 * to come
 */
export async function keepMeasurement(c: C, id: string, request: MeasurementRequest): Promise<void> {
  const { db, person, me, today, hold, at } = c;
  const { personId, date, setId, variation, track, pictures, ...said } = request;
  if (date > today) throw new Refusal(422, `date: ${date} is still to come. ${NOTHING}`);
  if (hold === 'covers' && date !== today)
    throw new Refusal(403, `Who covers somebody measures today. ${NOTHING}`);
  const [consent] = await db
    .select()
    .from(eyeConsent)
    .where(eq(eyeConsent.personId, person.id))
    .for('update');
  if (!consent?.given)
    throw new Refusal(403, `There is no consent to measuring ${person.name} with a camera. ${NOTHING}`);
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
    .where(isNotNull(sql`${measurement.said} -> 'byEye' ->> 'reps'`));
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

import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import type { CheckIn, CheckInRow, CueTriedRequest, SignOffRequest } from '../../contract/session.ts';
import type { CueTried } from '../../core/ladder/index.ts';
import type { SignOff } from '../../core/criterion/index.ts';
import { among, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About, Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { keepCorrection } from '../people/index.ts';
import { tell } from './stops.ts';

const { checkIn, cueTried, signOff } = schema;

/** Keeps the answers of the day; asked again, the newer answers stand. */
export async function saveCheckIn(c: Context & About, date: string, request: CheckIn): Promise<void> {
  const { db: tx, person, hold, me, at, today } = c;
  const personId = person.id;
  if (date > today) throw new Refusal(422, `date: "${date}" is no day up to today. Nothing was kept.`);
  if (hold === 'covers' && date !== today) {
    throw new Refusal(403, 'Who covers somebody writes down today’s answers. Nothing was kept.');
  }
  const { pain, painRegion, painSide, note: words } = request;
  const felt = painRegion ? [{ region: painRegion, kind: 'pain' as const, side: painSide }] : [];
  const source = `check-in ${personId} ${date}`;
  await tell(c, me, { personId, source, date, told: 'check-in', pain, felt, words });
  const [before] = await tx
    .select()
    .from(checkIn)
    .where(and(eq(checkIn.personId, personId), eq(checkIn.date, date)));
  // What who covers was not shown, they cannot have meant to change.
  const unseen =
    hold === 'covers' && before
      ? {
          // Nor talks who covers down what was reported that day.
          pain: before.pain === null ? request.pain : Math.max(before.pain, request.pain ?? 0),
          painRegion: request.painRegion ?? before.painRegion,
          painSide: request.painSide ?? before.painSide,
          sleepH: request.sleepH ?? before.sleepH,
          atEase: request.atEase ?? before.atEase,
          sore: request.sore ?? before.sore,
          note: request.note || before.note,
        }
      : {};
  const row = { ...request, ...unseen, recordedBy: me.name, at: at.toISOString() };
  if (before) {
    const asked = ({ here, pain, painRegion, painSide, sleepH, atEase, sore, note }: CheckIn) => ({
      here,
      pain,
      painRegion,
      painSide,
      sleepH,
      atEase,
      sore,
      note,
    });
    await keepCorrection(
      c,
      { personId, what: 'questions before work', key: date },
      asked(before),
      asked(row),
    );
  }
  await tx
    .insert(checkIn)
    .values({ personId, date, ...row })
    .onConflictDoUpdate({ target: [checkIn.personId, checkIn.date], set: row });
}

/** The answers of one day, by person. */
export async function checkInsOf(
  db: Db,
  personIds: readonly string[],
  date: string,
): Promise<Map<string, CheckInRow>> {
  if (personIds.length === 0) return new Map();
  const rows = await db
    .select()
    .from(checkIn)
    .where(and(among(checkIn.personId, personIds), eq(checkIn.date, date)));
  return new Map(rows.map(({ personId, date: _d, at: _a, ...row }) => [personId, row]));
}

/** Keeps what came of a cue; sent twice it is kept once. */
export async function saveCueTried(c: Context, id: string, request: CueTriedRequest): Promise<void> {
  const { db: tx, me, at } = c;
  const [before] = await tx.select().from(cueTried).where(eq(cueTried.id, id));
  if (before && before.personId !== request.personId) {
    throw new Refusal(409, 'This belongs to somebody else. Nothing was changed.');
  }
  if (before) {
    const { personId, cue } = request;
    const said = { cue, outcome: before.outcome };
    await keepCorrection(c, { personId, what: 'cue', key: id }, said, { cue, outcome: request.outcome });
  }
  await tx
    .insert(cueTried)
    .values({ id, ...request, by: me.name, at: at.toISOString() })
    .onConflictDoUpdate({ target: cueTried.id, set: { outcome: request.outcome } });
}

export async function cuesTriedBy(db: Db, personIds: readonly string[]): Promise<Map<string, CueTried[]>> {
  const map = new Map<string, CueTried[]>();
  if (personIds.length === 0) return map;
  const rows = await db
    .select()
    .from(cueTried)
    .where(among(cueTried.personId, personIds))
    .orderBy(cueTried.at);
  for (const { personId, variation, cue, date, outcome } of rows) {
    map.set(personId, [...(map.get(personId) ?? []), { variation, cue, date, outcome }]);
  }
  return map;
}

/** A coach's word that a level is done well; the newest word of a role counts, older ones stay. */
export async function addSignOff(
  { db, inForce, person, me, today }: Context & About,
  request: SignOffRequest,
): Promise<string> {
  const ladder = inForce.shelf.get('ladder', request.ladder);
  if (!ladder?.levels.some((l) => l.id === request.level)) {
    throw new Refusal(422, `level: the ladder "${request.ladder}" has no level "${request.level}".`);
  }
  const role: SignOff['role'] = me.role === 'head coach' ? 'head coach' : 'coach';
  const id = randomUUID();
  await db.insert(signOff).values({ id, personId: person.id, ...request, role, by: me.name, date: today });
  return id;
}

import { randomUUID } from 'node:crypto';
import { eq, inArray, sql } from 'drizzle-orm';
import type { SQL } from 'drizzle-orm';
import type {
  PeopleRequest,
  Person,
  PersonRequest,
  RestrictionRequest,
  RestrictionRow,
} from '../../contract/people.ts';
import type { Restriction } from '../../core/ladder/index.ts';
import { among, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { Context } from '../endpoint.ts';
import { saveSquad } from '../hall/index.ts';
import { Refusal } from '../http.ts';
import { answersOf } from './answers.ts';
import { buildsOf } from './builds.ts';
import { correctionsOf, keepCorrection } from './corrections.ts';

const { person, personCoach, staff, restriction, session, setRating, loggedSet, move, moveFlag, squad } =
  schema;
const { chainTry, checkIn, clearance, cover, report, cueTried, faultCase, placement, signOff } = schema;
const { eyeConsent, footLoad, hourPerson, hourPlan, measurement } = schema;

const withCoaches = {
  id: person.id,
  name: person.name,
  squadId: person.squadId,
  statureM: person.statureM,
  massKg: person.massKg,
  note: person.note,
  emergency: person.emergency,
  firstAid: person.firstAid,
  coachIds: sql<string[]>`coalesce(
    (select jsonb_agg(c.staff_id order by c.staff_id) from person_coach c where c.person_id = ${person.id}), '[]'::jsonb)`,
};

/** Everybody, or those of whom a condition holds, by name. */
export async function personList(db: Db, where?: SQL): Promise<Person[]> {
  const { coachIds: _one, ...columns } = withCoaches;
  const people = await db.select(columns).from(person).where(where).orderBy(person.name);
  const named = new Map<string, string[]>();
  // Few are named for anybody: all of them are read at once.
  for (const { personId, staffId } of await db.select().from(personCoach).orderBy(personCoach.staffId)) {
    named.set(personId, [...(named.get(personId) ?? []), staffId]);
  }
  return people.map((p) => ({ ...p, coachIds: named.get(p.id) ?? [] }));
}

export async function personOf(db: Db, id: string): Promise<Person> {
  const [row] = await db.select(withCoaches).from(person).where(eq(person.id, id));
  if (!row) throw new Refusal(404, 'There is no such person.');
  return row;
}

export async function savePerson(
  c: Pick<Context, 'db' | 'me' | 'at'>,
  id: string | null,
  request: PersonRequest,
): Promise<string> {
  const { db } = c;
  if (request.squadId !== null) {
    const [found] = await db.select().from(squad).where(eq(squad.id, request.squadId));
    if (!found) throw new Refusal(422, 'squadId: there is no such squad. Nothing was changed.');
  }
  const { coachIds, ...fields } = request;
  const of = id ?? randomUUID();
  if (id === null) await db.insert(person).values({ id: of, ...fields });
  else {
    const before = await personOf(db, id);
    const after = { ...before, ...request };
    await keepCorrection(c, { personId: id, what: 'details', key: '' }, before, after);
    await db.update(person).set(fields).where(eq(person.id, id));
  }
  if (coachIds) await nameCoaches(db, of, coachIds);
  return of;
}

/**
 * Several people from a list, all or none; a squad that is named and not there is made.
 * @throws Refusal 422 with the rows that name somebody who is here already, or twice
 */
export async function addPeople(db: Db, { people }: PeopleRequest): Promise<number> {
  const here = new Set((await db.select({ name: person.name }).from(person)).map((p) => p.name));
  const wrong = people.flatMap(({ name }, i) => {
    const detail = here.has(name)
      ? `There is a "${name}" already.`
      : people.findIndex((p) => p.name === name) < i
        ? `"${name}" stands in the list twice.`
        : null;
    return detail ? [{ row: i, detail }] : [];
  });
  const [first] = wrong;
  if (first) {
    throw new Refusal(422, `Row ${first.row + 1}: ${first.detail} Nobody was added.`, {
      errors: wrong.map(({ row, detail }) => ({ field: `people[${row}].name`, detail })),
    });
  }
  const squads = new Map((await db.select().from(squad)).map((s) => [s.name, s.id]));
  for (const name of new Set(people.map((p) => p.squad))) {
    if (name && !squads.has(name)) squads.set(name, await saveSquad(db, null, { name }));
  }
  await db.insert(person).values(
    people.map(({ squad: name, ...fields }) => ({
      id: randomUUID(),
      ...fields,
      squadId: squads.get(name) ?? null,
    })),
  );
  return people.length;
}

/** @throws Refusal 422 for somebody who is no coach here */
async function nameCoaches(db: Db, personId: string, coachIds: readonly string[]): Promise<void> {
  const ids = [...new Set(coachIds)];
  const found = ids.length ? await db.select().from(staff).where(inArray(staff.id, ids)) : [];
  if (found.length < ids.length || found.some((s) => s.role === 'viewer')) {
    throw new Refusal(422, 'coachIds: somebody named there is no coach of this hall. Nothing was changed.');
  }
  await db.delete(personCoach).where(eq(personCoach.personId, personId));
  if (ids.length > 0) await db.insert(personCoach).values(ids.map((staffId) => ({ personId, staffId })));
}

/** Everything kept about one person, for the person or their guardian. */
export async function exportPerson(db: Db, id: string) {
  const who = await personOf(db, id);
  const sessions = await db.select().from(session).where(eq(session.personId, id)).orderBy(session.date);
  const sets = sessions.length
    ? await db
        .select()
        .from(loggedSet)
        .where(
          inArray(
            loggedSet.sessionId,
            sessions.map((x) => x.id),
          ),
        )
    : [];
  const moves = await db.select().from(move).where(eq(move.personId, id)).orderBy(move.sequence);
  const flags = moves.length
    ? await db
        .select()
        .from(moveFlag)
        .where(
          inArray(
            moveFlag.moveId,
            moves.map((m) => m.id),
          ),
        )
    : [];
  return {
    format: 'meister-person',
    version: 1,
    person: who,
    build: (await buildsOf(db, [id]))[0],
    answers: (await answersOf(db, [id])).get(id) ?? [],
    restrictions: await restrictionRows(db, id),
    sessions,
    sets,
    moves,
    moveFlags: flags,
    ratings: await db
      .select({ rating: setRating })
      .from(setRating)
      .innerJoin(loggedSet, eq(loggedSet.id, setRating.setId))
      .innerJoin(session, eq(session.id, loggedSet.sessionId))
      .where(eq(session.personId, id)),
    checkIns: await db.select().from(checkIn).where(eq(checkIn.personId, id)).orderBy(checkIn.date),
    cuesTried: await db.select().from(cueTried).where(eq(cueTried.personId, id)).orderBy(cueTried.at),
    signOffs: await db.select().from(signOff).where(eq(signOff.personId, id)).orderBy(signOff.date),
    faultCases: await db.select().from(faultCase).where(eq(faultCase.personId, id)).orderBy(faultCase.at),
    chainTries: await db.select().from(chainTry).where(eq(chainTry.personId, id)).orderBy(chainTry.at),
    corrections: await correctionsOf(db, id),
    reports: await db.select().from(report).where(eq(report.personId, id)).orderBy(report.at),
    clearances: await db.select().from(clearance).where(eq(clearance.personId, id)).orderBy(clearance.at),
    cover: await db.select().from(cover).where(eq(cover.personId, id)).orderBy(cover.at),
    placements: await db.select().from(placement).where(eq(placement.personId, id)).orderBy(placement.at),
    footLoads: await db.select().from(footLoad).where(eq(footLoad.personId, id)).orderBy(footLoad.date),
    eyeConsent: await db.select().from(eyeConsent).where(eq(eyeConsent.personId, id)),
    measurements: await db
      .select()
      .from(measurement)
      .where(eq(measurement.personId, id))
      .orderBy(measurement.at),
    hours: await db
      .select({ date: hourPlan.date, name: hourPlan.name, by: hourPlan.by })
      .from(hourPlan)
      .innerJoin(hourPerson, eq(hourPerson.hourId, hourPlan.id))
      .where(eq(hourPerson.personId, id))
      .orderBy(hourPlan.date),
  };
}

/** Erases the person with sessions, sets, moves and restrictions; the name must be given again. */
export async function erasePerson(db: Db, id: string, name: string): Promise<void> {
  const who = await personOf(db, id);
  if (who.name !== name.trim()) {
    throw new Refusal(422, `name: "${name}" is not the name of this person. Nothing was erased.`);
  }
  // Their work stands in the hours that they were in: those go whole.
  const hours = db.select({ id: hourPerson.hourId }).from(hourPerson).where(eq(hourPerson.personId, id));
  await db.delete(hourPlan).where(inArray(hourPlan.id, hours));
  await db.delete(person).where(eq(person.id, id));
}

export async function restrictionRows(db: Db, personId: string): Promise<RestrictionRow[]> {
  const rows = await db
    .select()
    .from(restriction)
    .where(eq(restriction.personId, personId))
    .orderBy(restriction.fromDate);
  return rows.map((r) => ({
    id: r.id,
    bars: r.bars,
    from: r.fromDate,
    until: r.untilDate,
    saidBy: r.saidBy,
    recordedBy: r.recordedBy,
    liftedOn: r.liftedOn,
    liftedBy: r.liftedBy,
    liftedSource: r.liftedSource,
  }));
}

/** Restrictions not lifted, by person; whether one is in force on a day is for core to say. */
export async function openRestrictions(db: Db, personIds: readonly string[]) {
  const byPerson = new Map<string, Restriction[]>();
  if (personIds.length === 0) return byPerson;
  const rows = await db.select().from(restriction).where(among(restriction.personId, personIds));
  for (const r of rows) {
    if (r.liftedOn !== null) continue;
    const list = byPerson.get(r.personId) ?? [];
    list.push({ id: r.id, bars: r.bars, from: r.fromDate, until: r.untilDate, saidBy: r.saidBy });
    byPerson.set(r.personId, list);
  }
  return byPerson;
}

export async function addRestriction(
  db: Db,
  personId: string,
  r: RestrictionRequest,
  by: string,
): Promise<string> {
  await personOf(db, personId);
  if (r.until !== null && r.until < r.from) {
    throw new Refusal(422, 'until: the last barred day is before the first. Nothing was changed.');
  }
  const id = randomUUID();
  await db.insert(restriction).values({
    id,
    personId,
    bars: r.bars,
    fromDate: r.from,
    untilDate: r.until,
    saidBy: r.saidBy,
    recordedBy: by,
  });
  return id;
}

export async function liftRestriction({ db, me, today }: Context, id: string, source: string): Promise<void> {
  const [row] = await db.select().from(restriction).where(eq(restriction.id, id)).for('update');
  if (!row) throw new Refusal(404, 'There is no such restriction.');
  if (row.liftedOn !== null) throw new Refusal(409, `It was lifted on ${row.liftedOn} already.`);
  await db
    .update(restriction)
    .set({ liftedOn: today, liftedBy: me.name, liftedSource: source })
    .where(eq(restriction.id, id));
}

import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, getTableColumns, isNull } from 'drizzle-orm';
import { footLoadProblem, rangeTestProblem, segmentProblem } from '../../core/body/index.ts';
import type { Segment } from '../../core/body/index.ts';
import type {
  BuildRequest,
  FootLoadRequest,
  FootLoadRow,
  Person,
  PersonBuild,
  RangeTestRequest,
} from '../../contract/people.ts';
import { among, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { keepCorrection } from './corrections.ts';

const { footLoad, person, personBuild, rangeTest } = schema;

/** Builds of everybody, or of some, with their range tests: three queries however many people there are. */
export async function buildsOf(db: Db, only?: readonly string[]): Promise<PersonBuild[]> {
  const people = await db
    .select({ id: person.id, statureM: person.statureM, massKg: person.massKg })
    .from(person)
    .where(only ? among(person.id, only) : undefined)
    .orderBy(person.name);
  const builds = await db
    .select()
    .from(personBuild)
    .where(only ? among(personBuild.personId, only) : undefined);
  const tests = await db
    .select()
    .from(rangeTest)
    .where(and(isNull(rangeTest.droppedAt), only ? among(rangeTest.personId, only) : undefined))
    .orderBy(asc(rangeTest.date), asc(rangeTest.side));
  const byPerson = new Map(builds.map((b) => [b.personId, b]));
  const testsOf = new Map<string, PersonBuild['tests']>();
  for (const { personId, droppedAt: _at, droppedBy: _by, ...test } of tests) {
    testsOf.set(personId, [...(testsOf.get(personId) ?? []), test]);
  }
  return people.map((p) => ({
    personId: p.id,
    statureM: p.statureM,
    massKg: p.massKg,
    massSet: byPerson.get(p.id)?.massSet ?? 'reference',
    measured: byPerson.get(p.id)?.measured ?? {},
    tests: testsOf.get(p.id) ?? [],
  }));
}

export async function saveBuild(
  c: Context,
  { id: personId, statureM }: Person,
  request: BuildRequest,
): Promise<void> {
  for (const [segment, m] of Object.entries(request.measured)) {
    const problem = segmentProblem(statureM, segment as Segment, m);
    if (problem) throw new Refusal(422, `measured.${segment}: ${problem}. Nothing was changed.`);
  }
  const { db } = c;
  const [before] = await db.select().from(personBuild).where(eq(personBuild.personId, personId));
  if (before) {
    // Each segment is a field of its own.
    const flat = ({ massSet, measured }: BuildRequest) => ({ massSet, ...measured });
    await keepCorrection(c, { personId, what: 'build', key: '' }, flat(before), flat(request));
  }
  await db
    .insert(personBuild)
    .values({ personId, ...request })
    .onConflictDoUpdate({ target: personBuild.personId, set: request });
}

export async function addRangeTest(
  { db, me, today }: Context,
  { id: personId, statureM }: Person,
  r: RangeTestRequest,
): Promise<string> {
  const problem = rangeTestProblem(statureM, r.method, r.value);
  if (problem) throw new Refusal(422, `value: ${problem}. Nothing was kept.`);
  if (r.date > today) throw new Refusal(422, 'date: the test lies in the future. Nothing was kept.');
  const id = randomUUID();
  await db.insert(rangeTest).values({ id, personId, ...r, recordedBy: me.name });
  return id;
}

/** Newest first. */
export const footLoadsOf = (db: Db, personId: string): Promise<FootLoadRow[]> => {
  const { personId: _p, ...columns } = getTableColumns(footLoad);
  return db
    .select(columns)
    .from(footLoad)
    .where(eq(footLoad.personId, personId))
    .orderBy(desc(footLoad.date), desc(footLoad.id));
};

export async function addFootLoad(
  { db, me, today }: Context,
  { id: personId, massKg }: Person,
  r: FootLoadRequest,
): Promise<string> {
  const problem = footLoadProblem(massKg, r);
  if (problem) throw new Refusal(422, `It cannot be right: ${problem}. Nothing was kept.`);
  if (r.date > today) throw new Refusal(422, 'date: it lies in the future. Nothing was kept.');
  const id = randomUUID();
  await db.insert(footLoad).values({ id, personId, ...r, recordedBy: me.name });
  return id;
}

/** Takes it out; what it was stays among the corrections. */
export async function dropFootLoad(c: Context, id: string): Promise<void> {
  const [gone] = await c.db.delete(footLoad).where(eq(footLoad.id, id)).returning();
  if (!gone) throw new Refusal(404, 'There is no such entry.');
  const { personId, id: _id, ...said } = gone;
  await keepCorrection(c, { personId, what: 'weight on the feet', key: id }, said, null);
}

/** Takes a test out of all computation; what it was stays. */
export async function dropRangeTest(c: Context, id: string): Promise<void> {
  const { db, me, at } = c;
  const [test] = await db
    .update(rangeTest)
    .set({ droppedAt: at.toISOString(), droppedBy: me.name })
    .where(and(eq(rangeTest.id, id), isNull(rangeTest.droppedAt)))
    .returning();
  if (!test) throw new Refusal(404, 'There is no such test.');
  const { personId, date, method, side, value, recordedBy } = test;
  await keepCorrection(
    c,
    { personId, what: 'range test', key: id },
    { date, method, side, value, recordedBy },
    null,
  );
}

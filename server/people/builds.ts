import { randomUUID } from 'node:crypto';
import { asc, eq } from 'drizzle-orm';
import { ankleFromKneeToWall, buildOf, MASS_SETS } from '../../core/body/index.ts';
import type { BuildRequest, PersonBuild, RangeTestRequest } from '../../contract/people.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';

const { person, personBuild, rangeTest } = schema;

/** Builds of everybody, or of one person, with their range tests: three queries however many people there are. */
export async function buildsOf(db: Db, only?: string): Promise<PersonBuild[]> {
  const people = await db
    .select({ id: person.id, statureM: person.statureM, massKg: person.massKg })
    .from(person)
    .where(only ? eq(person.id, only) : undefined)
    .orderBy(person.name);
  const builds = await db
    .select()
    .from(personBuild)
    .where(only ? eq(personBuild.personId, only) : undefined);
  const tests = await db
    .select()
    .from(rangeTest)
    .where(only ? eq(rangeTest.personId, only) : undefined)
    .orderBy(asc(rangeTest.date), asc(rangeTest.side));
  const byPerson = new Map(builds.map((b) => [b.personId, b]));
  const testsOf = new Map<string, PersonBuild['tests']>();
  for (const { personId, ...test } of tests) {
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

async function sizesOf(db: Db, personId: string) {
  const [row] = await db.select().from(person).where(eq(person.id, personId));
  if (!row) throw new Refusal(404, 'There is no such person.');
  return row;
}

export async function saveBuild(db: Db, personId: string, request: BuildRequest): Promise<void> {
  const { statureM, massKg } = await sizesOf(db, personId);
  if (Object.keys(request.measured).length > 0) {
    if (statureM === null) {
      throw new Refusal(422, 'measured: note the stature first. Nothing was changed.');
    }
    const usual = buildOf({ statureM, massKg: massKg ?? 70 }).lengths;
    for (const [segment, m] of Object.entries(request.measured)) {
      const share = m / usual[segment as keyof typeof usual];
      // Beyond a third of the usual length it is a slip of the tape or of the unit.
      if (share < 0.67 || share > 1.33) {
        throw new Refusal(
          422,
          `measured.${segment}: ${(m * 100).toFixed(1)} cm does not go with a stature of ${(statureM * 100).toFixed(0)} cm. Nothing was changed.`,
        );
      }
    }
  }
  await db
    .insert(personBuild)
    .values({ personId, ...request })
    .onConflictDoUpdate({ target: personBuild.personId, set: request });
}

/** Bounds of what the tests can give, by method. */
const BOUNDS = {
  'knee to wall': { from: -0.05, to: 0.25, words: 'between −5 and 25 cm' },
  'ankle angle': { from: 0, to: 60, words: 'between 0° and 60°' },
  'hip angle': { from: 40, to: 160, words: 'between 40° and 160°' },
} as const;

export async function addRangeTest(
  db: Db,
  personId: string,
  r: RangeTestRequest,
  by: string,
  today: string,
): Promise<string> {
  const { statureM, massKg } = await sizesOf(db, personId);
  const { from, to, words } = BOUNDS[r.method];
  if (r.value < from || r.value > to) {
    throw new Refusal(422, `value: a ${r.method} test gives something ${words}. Nothing was kept.`);
  }
  if (r.date > today) throw new Refusal(422, 'date: the test lies in the future. Nothing was kept.');
  if (r.method === 'knee to wall') {
    if (statureM === null) {
      throw new Refusal(422, 'value: the angle follows from foot and shank. Note the stature first.');
    }
    const build = buildOf({ statureM, massKg: massKg ?? 70, masses: MASS_SETS.reference });
    if (ankleFromKneeToWall(build, r.value) >= 70) {
      throw new Refusal(
        422,
        'value: no ankle bends that far at this stature. Is it the distance of the toes from the wall? Nothing was kept.',
      );
    }
  }
  const id = randomUUID();
  await db.insert(rangeTest).values({ id, personId, ...r, recordedBy: by });
  return id;
}

export async function dropRangeTest(db: Db, id: string): Promise<void> {
  const gone = await db.delete(rangeTest).where(eq(rangeTest.id, id)).returning({ id: rangeTest.id });
  if (gone.length === 0) throw new Refusal(404, 'There is no such test.');
}

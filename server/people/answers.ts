import { and, asc, eq, inArray } from 'drizzle-orm';
import type { PersonAnswer, PersonAnswerRequest } from '../../contract/people.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';
import { personOf } from './store.ts';

const { personAnswer, entry, revision } = schema;

/** Own answers to house questions, by person. */
export async function answersOf(db: Db, personIds: readonly string[]): Promise<Map<string, PersonAnswer[]>> {
  const byPerson = new Map<string, PersonAnswer[]>();
  const rows = await db
    .select()
    .from(personAnswer)
    .where(inArray(personAnswer.personId, [...personIds]))
    .orderBy(asc(personAnswer.question));
  for (const { personId, ...answer } of rows) {
    byPerson.set(personId, [...(byPerson.get(personId) ?? []), answer]);
  }
  return byPerson;
}

/** Everybody with an answer of their own to the question. */
export async function peopleAnswering(db: Db, question: string) {
  return db.select().from(personAnswer).where(eq(personAnswer.question, question));
}

/** @throws Refusal 404 without such a person, 422 for an answer that the question does not have */
export async function saveAnswer(
  db: Db,
  personId: string,
  question: string,
  request: PersonAnswerRequest,
  by: string,
  today: string,
): Promise<void> {
  await personOf(db, personId);
  const [row] = await db
    .select({ body: revision.body })
    .from(entry)
    .innerJoin(
      revision,
      and(eq(revision.kind, entry.kind), eq(revision.slug, entry.slug), eq(revision.number, entry.revision)),
    )
    .where(and(eq(entry.kind, 'houseQuestion'), eq(entry.slug, question)));
  const body = row?.body.kind === 'houseQuestion' ? row.body : null;
  if (!body) throw new Refusal(422, `question: there is no house question "${question}". Nothing was kept.`);
  if (!body.answers.some((a) => a.id === request.answer)) {
    throw new Refusal(422, `answer: "${body.question}" has no answer "${request.answer}". Nothing was kept.`);
  }
  const set = { ...request, recordedBy: by, date: today };
  await db
    .insert(personAnswer)
    .values({ personId, question, ...set })
    .onConflictDoUpdate({ target: [personAnswer.personId, personAnswer.question], set });
}

export async function dropAnswer(db: Db, personId: string, question: string): Promise<void> {
  const gone = await db
    .delete(personAnswer)
    .where(and(eq(personAnswer.personId, personId), eq(personAnswer.question, question)))
    .returning({ question: personAnswer.question });
  if (gone.length === 0) throw new Refusal(404, 'There is no such answer of their own.');
}

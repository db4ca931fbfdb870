import { and, asc, eq } from 'drizzle-orm';
import type { HouseQuestion } from '../../core/library/index.ts';
import type { PersonAnswer } from '../../contract/people.ts';
import { among, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { keepCorrection } from './corrections.ts';

const { personAnswer } = schema;

/** Own answers to house questions, by person. */
export async function answersOf(db: Db, personIds: readonly string[]): Promise<Map<string, PersonAnswer[]>> {
  const byPerson = new Map<string, PersonAnswer[]>();
  const rows = await db
    .select()
    .from(personAnswer)
    .where(among(personAnswer.personId, personIds))
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

/** @throws Refusal 422 for an answer that the question does not have */
export async function saveAnswer(
  c: Pick<Context, 'db' | 'me' | 'at'>,
  personId: string,
  question: HouseQuestion,
  own: Omit<PersonAnswer, 'question'>,
): Promise<void> {
  if (!question.answers.some((a) => a.id === own.answer)) {
    throw new Refusal(422, `answer: "${question.question}" has no answer "${own.answer}". Nothing was kept.`);
  }
  const { db } = c;
  const [before] = await db
    .select()
    .from(personAnswer)
    .where(and(eq(personAnswer.personId, personId), eq(personAnswer.question, question.slug)));
  if (before)
    await keepCorrection(c, { personId, what: 'own answer', key: question.slug }, ownOf(before), own);
  await db
    .insert(personAnswer)
    .values({ personId, question: question.slug, ...own })
    .onConflictDoUpdate({ target: [personAnswer.personId, personAnswer.question], set: own });
}

export async function dropAnswer(
  c: Pick<Context, 'db' | 'me' | 'at'>,
  personId: string,
  question: string,
): Promise<void> {
  const [gone] = await c.db
    .delete(personAnswer)
    .where(and(eq(personAnswer.personId, personId), eq(personAnswer.question, question)))
    .returning();
  if (!gone) throw new Refusal(404, 'There is no such answer of their own.');
  await keepCorrection(c, { personId, what: 'own answer', key: question }, ownOf(gone), null);
}

const ownOf = ({ answer, why, recordedBy, date }: PersonAnswer) => ({ answer, why, recordedBy, date });

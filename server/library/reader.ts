import type { Context } from 'hono';
import { STAGES } from '../../core/library/index.ts';
import type { ForPerson, Stage } from '../../core/library/index.ts';
import { meOf, Refusal, validId } from '../http.ts';
import type { Env, Services } from '../http.ts';
import { answersOf, personOf } from '../people/index.ts';

/**
 * Whom a sheet is read for, from the query: `stage`, and `person` for their own answers to house questions.
 * @throws Refusal 422 for another stage, 403 for a viewer asking about a person
 */
export async function readerOf(c: Context<Env>, s: Services): Promise<ForPerson | undefined> {
  const stage = c.req.query('stage');
  if (stage !== undefined && !STAGES.includes(stage as Stage)) {
    throw new Refusal(422, `stage: must be one of ${STAGES.join(', ')}.`);
  }
  const personId = personAskedFor(c);
  if (stage === undefined && personId === null) return undefined;
  const own = personId ? ((await answersOf(s.db, [personId])).get(personId) ?? []) : [];
  if (personId) await personOf(s.db, personId);
  return {
    // Without a level of their own a person reads as somebody who knows the movement.
    stage: (stage as Stage | undefined) ?? 'sound',
    answers: Object.fromEntries(own.map((a) => [a.question, a.answer])),
  };
}

/** The person named in the query, for those who may see people. */
export function personAskedFor(c: Context<Env>): string | null {
  const personId = c.req.query('person');
  if (!personId) return null;
  if (meOf(c).role === 'viewer') throw new Refusal(403, 'A viewer may not read about people.');
  return validId(personId, 'person');
}

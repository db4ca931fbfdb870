import type { ForPerson } from '../../core/library/index.ts';
import type { Stage } from '../../core/terms/index.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { answersOf, personOf } from '../people/index.ts';

/** Who may be asked for. */
interface ReaderAsked {
  stage?: Stage | undefined;
  person?: string | undefined;
}

/**
 * Whom a sheet is read for: `stage`, and `person` for their own answers to house questions.
 * @throws Refusal 403 for a viewer asking about a person, 404 without such a person
 */
export async function readerOf(c: Context, { stage, person }: ReaderAsked): Promise<ForPerson | undefined> {
  const personId = personAskedFor(c, person);
  if (stage === undefined && personId === null) return undefined;
  const own = personId ? ((await answersOf(c.db, [personId])).get(personId) ?? []) : [];
  if (personId) await personOf(c.db, personId);
  return {
    // Without a level of their own a person reads as somebody who knows the movement.
    stage: stage ?? 'sound',
    answers: Object.fromEntries(own.map((a) => [a.question, a.answer])),
  };
}

/** The person named in the query, for those who may see people. */
export function personAskedFor({ me }: Context, person: string | undefined): string | null {
  if (!person) return null;
  if (me.role === 'viewer') throw new Refusal(403, 'A viewer may not read about people.');
  return person;
}

import type { ForPerson } from '../../core/library/index.ts';
import type { Stage } from '../../core/terms/index.ts';
import type { About, Context } from '../endpoint.ts';
import { answersOf } from '../people/index.ts';

/** Whom a sheet is read for: at a stage, and with a person's own answers to house questions. */
export async function readerOf(
  { db, about }: Context & { about: About | null },
  stage: Stage | undefined,
): Promise<ForPerson | undefined> {
  if (stage === undefined && about === null) return undefined;
  const own = about ? ((await answersOf(db, [about.person.id])).get(about.person.id) ?? []) : [];
  return {
    // Without a level of their own a person reads as somebody who knows the movement.
    stage: stage ?? 'sound',
    answers: Object.fromEntries(own.map((a) => [a.question, a.answer])),
  };
}

import type { RunPerson } from '../../core/floor/index.ts';
import type { About, OpenContext } from '../endpoint.ts';
import { recordsOf } from '../log/index.ts';
import { bodiesOf } from '../people/index.ts';

/** Everybody given as far as it matters for what they can do here. */
export async function runPeople(c: OpenContext, mine: readonly About[]): Promise<RunPerson[]> {
  const ids = mine.map((m) => m.person.id);
  if (ids.length === 0) return [];
  const bodies = await bodiesOf(c, ids);
  const records = await recordsOf(c.db, c, ids);
  return ids.map((id) => {
    const own = records(id);
    return {
      id,
      body: bodies.get(id) ?? null,
      restrictions: own.restrictions,
      answers: own.answers,
      levels: Object.fromEntries([...own.standings].map(([ladder, s]) => [ladder, s.level])),
    };
  });
}

import { and, eq, isNull } from 'drizzle-orm';
import type { Me } from '../../contract/access.ts';
import type { Person } from '../../contract/people.ts';
import { coverDoor, doorFor } from '../../core/floor/index.ts';
import type { Door } from '../../core/floor/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About, Context, Hold } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { personList, personOf } from './store.ts';

const { cover, personCoach } = schema;

type Of = (who: Pick<Person, 'id' | 'squadId'>) => Hold | null;

/**
 * Who looks after whom: the head coach everybody; a coach the people of their squads and those they are named for; for
 * today, those whom they cover. Everybody else is nobody's but the head coach's.
 */
export async function holds(db: Db, me: Me, today: string): Promise<Of> {
  if (me.role === 'head coach') return () => 'looks after';
  if (me.role !== 'coach') return () => null;
  const named = await db
    .select({ id: personCoach.personId })
    .from(personCoach)
    .where(eq(personCoach.staffId, me.id));
  const covered = await db
    .select({ id: cover.personId })
    .from(cover)
    .where(and(eq(cover.staffId, me.id), eq(cover.date, today), isNull(cover.endedAt)));
  const [byName, forToday] = [new Set(named.map((r) => r.id)), new Set(covered.map((r) => r.id))];
  return ({ id, squadId }) =>
    (squadId !== null && me.squadIds.includes(squadId)) || byName.has(id)
      ? 'looks after'
      : forToday.has(id)
        ? 'covers'
        : null;
}

export const doorOf = (hold: Hold, today: string): Door =>
  hold === 'looks after' ? doorFor(true) : coverDoor(today);

/** Of those who are covered no more than the floor needs. */
export const shownPerson = (person: Person, hold: Hold): Person =>
  hold === 'looks after' ? person : { ...person, statureM: null, massKg: null, note: '', coachIds: [] };

/**
 * The guard of every address about one person.
 * @throws Refusal 404 without such a person, 403 where they are looked after by others
 */
export async function guard(c: Context, personId: string, covered: boolean): Promise<About> {
  const person = await personOf(c.db, personId);
  const hold = (await holds(c.db, c.me, c.today))(person);
  if (hold === 'looks after' || (hold === 'covers' && covered)) {
    return { person: shownPerson(person, hold), hold, door: doorOf(hold, c.today) };
  }
  throw new Refusal(
    403,
    c.me.role === 'viewer'
      ? 'A viewer may not read about people.'
      : hold === 'covers'
        ? 'This is for those who look after the person, not for who covers them. Nothing was changed.'
        : 'This person is looked after by others. Ask their coach or the head coach, or take cover for today.',
  );
}

/** Everybody whom somebody looks after, and covers where that is enough. */
export async function peopleOf(db: Db, me: Me, today: string, covered: boolean): Promise<About[]> {
  const of = await holds(db, me, today);
  return (await personList(db)).flatMap((person): About[] => {
    const hold = of(person);
    if (hold === null || (hold === 'covers' && !covered)) return [];
    return [{ person: shownPerson(person, hold), hold, door: doorOf(hold, today) }];
  });
}

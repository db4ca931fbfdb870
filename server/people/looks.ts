import { and, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import type { SQL } from 'drizzle-orm';
import type { Me } from '../../contract/access.ts';
import type { Person } from '../../contract/people.ts';
import { coverDoor, doorFor } from '../../core/floor/index.ts';
import type { Door } from '../../core/floor/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About, Context, Hold } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { personList, personOf } from './store.ts';

const { cover, person, personCoach, staff, staffSquad } = schema;

type Of = (who: Pick<Person, 'id' | 'squadId'>) => Hold | null;

/**
 * Who looks after whom: the head coach everybody; a coach the people of their squads and those they are named for; for
 * today, those whom they cover. Everybody else is nobody's but the head coach's.
 */
export async function holds(db: Db, me: Me, today: string): Promise<Of> {
  return (await reachOf(db, me, today)).of;
}

/** The same, and the condition under which somebody is within reach; absent: everybody is. */
async function reachOf(db: Db, me: Me, today: string): Promise<{ of: Of; where?: SQL | undefined }> {
  if (me.role === 'head coach') return { of: () => 'looks after' };
  if (me.role !== 'coach') return { of: () => null, where: sql`false` };
  const named = await db
    .select({ id: personCoach.personId })
    .from(personCoach)
    .where(eq(personCoach.staffId, me.id));
  const covered = await db
    .select({ id: cover.personId })
    .from(cover)
    .where(and(eq(cover.staffId, me.id), eq(cover.date, today), isNull(cover.endedAt)));
  const [byName, forToday] = [new Set(named.map((r) => r.id)), new Set(covered.map((r) => r.id))];
  const where = or(inArray(person.squadId, [...me.squadIds]), inArray(person.id, [...byName, ...forToday]));
  const of: Of = ({ id, squadId }) =>
    (squadId !== null && me.squadIds.includes(squadId)) || byName.has(id)
      ? 'looks after'
      : forToday.has(id)
        ? 'covers'
        : null;
  return { of, where };
}

const doorOf = (hold: Hold, me: Me, today: string): Door =>
  hold === 'looks after' ? doorFor(true) : coverDoor(today, me.id);

/** Of those who are covered no more than the floor needs. */
const shownPerson = (person: Person, hold: Hold): Person =>
  hold === 'looks after' ? person : { ...person, statureM: null, massKg: null, note: '', coachIds: [] };

/**
 * The guard of every address about one person.
 * @throws Refusal 404 without such a person, 403 where they are looked after by others
 */
export async function guard(c: Context, personId: string, covered: boolean): Promise<About> {
  const person = await personOf(c.db, personId);
  const hold = (await holds(c.db, c.me, c.today))(person);
  if (hold === 'looks after' || (hold === 'covers' && covered)) {
    return { person: shownPerson(person, hold), hold, door: doorOf(hold, c.me, c.today) };
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
  const { of, where } = await reachOf(db, me, today);
  return (await personList(db, where)).flatMap((person): About[] => {
    const hold = of(person);
    if (hold === null || (hold === 'covers' && !covered)) return [];
    return [{ person: shownPerson(person, hold), hold, door: doorOf(hold, me, today) }];
  });
}

/** Who made a link, and for whom. */
interface Made {
  madeBy: string;
  madeById: string | null;
  personId: string | null;
}

/**
 * Whether whoever made a link still may: they are still of the staff, and look after the person that it is about. A link
 * ends with that, whether its maker left or changed squad, or the person did.
 */
export async function makersMay(
  db: Db,
  links: readonly Made[],
  today: string,
): Promise<(of: Made) => boolean> {
  if (links.length === 0) return () => false;
  const rows = await db
    .select({ staff, squadId: staffSquad.squadId })
    .from(staff)
    .leftJoin(staffSquad, eq(staffSquad.staffId, staff.id))
    .where(eq(staff.active, true));
  const all = new Map<string, Me>();
  for (const { staff: s, squadId } of rows) {
    const me = all.get(s.id) ?? {
      id: s.id,
      name: s.name,
      login: s.login,
      role: s.role,
      squadIds: [],
      floorOnly: false,
    };
    if (squadId) me.squadIds.push(squadId);
    all.set(s.id, me);
  }
  const makerOf = ({ madeById, madeBy }: Made): Me | undefined => {
    if (madeById) return all.get(madeById);
    const named = [...all.values()].filter((s) => s.name === madeBy);
    return named.length === 1 ? named[0] : undefined;
  };
  const people = new Map((await personList(db)).map((p) => [p.id, p]));
  const looks = new Map<string, Of>();
  for (const link of links) {
    const me = makerOf(link);
    if (me && !looks.has(me.id)) looks.set(me.id, await holds(db, me, today));
  }
  return (link) => {
    const me = makerOf(link);
    if (!me || me.role === 'viewer') return false;
    const person = link.personId === null ? null : people.get(link.personId);
    return person === null || (person !== undefined && looks.get(me.id)?.(person) === 'looks after');
  };
}

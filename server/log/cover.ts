import { randomUUID } from 'node:crypto';
import { and, eq, isNull } from 'drizzle-orm';
import type { Coverable, CoverRequest, CoverRow } from '../../contract/people.ts';
import { schema } from '../db/index.ts';
import type { About, Context, Mine } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { holds, personList } from '../people/index.ts';
import { squadList } from '../hall/index.ts';
import { checkInsOf } from './check-ins.ts';
import { weekdayOf } from './weekday.ts';

const { cover } = schema;

/** Who is expected today and looked after by others than the one who asks, by squad: their names and nothing else. */
export async function coverableBy(c: Context): Promise<Coverable[]> {
  const { db, me, today } = c;
  const of = await holds(db, me, today);
  const others = (await personList(db)).filter((p) => of(p) === null);
  const here = await checkInsOf(
    db,
    others.map((p) => p.id),
    today,
  );
  const weekday = weekdayOf(today);
  return (await squadList(db)).flatMap(({ id, name, trainingDays }) => {
    const trains = trainingDays.length === 0 || trainingDays.includes(weekday);
    const people = others
      .filter((p) => p.squadId === id && (here.get(p.id)?.here ?? trains))
      .map((p) => ({ id: p.id, name: p.name }));
    return people.length > 0 ? [{ squad: name, people }] : [];
  });
}

/** Takes people over until the day of the hall ends, with a reason that their coaches read. Must run inside a transaction. */
export async function takeCover(c: Context, { people, reason }: CoverRequest): Promise<void> {
  const expected = new Set((await coverableBy(c)).flatMap((s) => s.people.map((p) => p.id)));
  const ids = [...new Set(people)];
  if (ids.some((id) => !expected.has(id))) {
    throw new Refusal(
      422,
      'people: only who is expected today and not with you already can be covered. Nothing was taken over.',
    );
  }
  await c.db
    .insert(cover)
    .values(
      ids.map((personId) => ({
        id: randomUUID(),
        personId,
        staffId: c.me.id,
        by: c.me.name,
        date: c.today,
        reason,
        at: c.at.toISOString(),
      })),
    )
    // Pressed twice at once, it is taken once.
    .onConflictDoNothing();
}

/** The cover of today, of the people whom the one who asks looks after or covers. */
export async function coversOf({ db, me, today, mine }: Context & Mine): Promise<CoverRow[]> {
  const names = new Map(mine.map(({ person }) => [person.id, person.name]));
  const rows = await db
    .select()
    .from(cover)
    .where(and(eq(cover.date, today), isNull(cover.endedAt)))
    .orderBy(cover.at);
  return rows.flatMap(({ id, personId, staffId, by, reason, at }) => {
    const name = names.get(personId);
    return name === undefined
      ? []
      : [{ id, personId, name, by, mine: staffId === me.id, reason, at: new Date(at).toISOString() }];
  });
}

/** Gives the person back before midnight: who covers, and who looks after them, may. */
export async function endCover({ db, me, at, today, hold }: Context & About, id: string): Promise<void> {
  const [row] = await db.select().from(cover).where(eq(cover.id, id));
  if (hold === 'covers' && row!.staffId !== me.id) {
    throw new Refusal(403, 'Another coach covers here. Their squad’s coach can end it.');
  }
  // What is over with its day stays as it was.
  if (row!.endedAt === null && row!.date === today) {
    await db.update(cover).set({ endedAt: at.toISOString(), endedBy: me.name }).where(eq(cover.id, id));
  }
}

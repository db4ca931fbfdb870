import { randomUUID } from 'node:crypto';
import { and, eq, ne } from 'drizzle-orm';
import type { HallSettings, NewStaff, Squad, StaffEdit, StaffMember } from '../../contract/hall.ts';
import { closeAllSessions, hashPassword } from '../access/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';

/** The hall's one row, or null before the first account. */
export async function hallRow(db: Db) {
  const [row] = await db.select().from(schema.hall);
  return row ?? null;
}

// A formatter costs a hundred times what it then does; a hall has one time zone.
const formats = new Map<string, Intl.DateTimeFormat>();

/** Calendar day of the hall at a moment. */
export function dayIn(timeZone: string, at: Date): string {
  // The Swedish locale writes dates as ISO 8601.
  const format = formats.get(timeZone) ?? new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short' });
  formats.set(timeZone, format);
  return format.format(at);
}

export async function saveSettings(db: Db, settings: HallSettings): Promise<void> {
  await db.update(schema.hall).set(settings);
}

export async function staffList(db: Db): Promise<StaffMember[]> {
  const staff = await db.select().from(schema.staff).orderBy(schema.staff.name);
  const squads = await db.select().from(schema.staffSquad);
  return staff.map(({ id, login, name, role, active }) => ({
    id,
    login,
    name,
    role,
    active,
    squadIds: squads.filter((s) => s.staffId === id).map((s) => s.squadId),
  }));
}

async function setSquads(db: Db, staffId: string, squadIds: readonly string[]): Promise<void> {
  const known = new Set((await squadList(db)).map((s) => s.id));
  const unknown = squadIds.find((id) => !known.has(id));
  if (unknown) throw new Refusal(422, 'squadIds: one of the squads does not exist. Nothing was changed.');
  await db.delete(schema.staffSquad).where(eq(schema.staffSquad.staffId, staffId));
  if (squadIds.length) {
    await db
      .insert(schema.staffSquad)
      .values([...new Set(squadIds)].map((squadId) => ({ staffId, squadId })));
  }
}

async function refuseTakenLogin(db: Db, login: string, exceptId: string): Promise<void> {
  const [taken] = await db
    .select({ id: schema.staff.id })
    .from(schema.staff)
    .where(and(eq(schema.staff.login, login), ne(schema.staff.id, exceptId)));
  if (taken) throw new Refusal(422, `login: "${login}" is taken. Nothing was changed.`);
}

export async function addStaff(db: Db, member: NewStaff, passwordHash: string): Promise<string> {
  const login = member.login.trim().toLowerCase();
  const id = randomUUID();
  await refuseTakenLogin(db, login, id);
  await db.insert(schema.staff).values({ id, login, name: member.name, role: member.role, passwordHash });
  await setSquads(db, id, member.squadIds);
  return id;
}

/** Changes a staff member; a hall always keeps one active head coach. */
export async function editStaff(db: Db, id: string, edit: StaffEdit): Promise<void> {
  const login = edit.login.trim().toLowerCase();
  // Two who take each other's role at once: the second sees what the first has done.
  await db
    .select({ id: schema.staff.id })
    .from(schema.staff)
    .where(eq(schema.staff.role, 'head coach'))
    .orderBy(schema.staff.id)
    .for('update');
  const [found] = await db.select().from(schema.staff).where(eq(schema.staff.id, id)).for('update');
  if (!found) throw new Refusal(404, 'There is no such staff member.');
  await refuseTakenLogin(db, login, id);
  if (edit.role !== 'head coach' || !edit.active) {
    const others = await db
      .select({ id: schema.staff.id })
      .from(schema.staff)
      .where(
        and(eq(schema.staff.role, 'head coach'), eq(schema.staff.active, true), ne(schema.staff.id, id)),
      );
    if (others.length === 0) {
      throw new Refusal(422, 'role: the hall needs at least one active head coach. Nothing was changed.');
    }
  }
  await db
    .update(schema.staff)
    .set({
      login,
      name: edit.name,
      role: edit.role,
      active: edit.active,
      ...(edit.password ? { passwordHash: await hashPassword(edit.password) } : {}),
    })
    .where(eq(schema.staff.id, id));
  await setSquads(db, id, edit.squadIds);
  if (edit.password || !edit.active) await closeAllSessions(db, id);
}

export async function squadList(db: Db): Promise<Squad[]> {
  return db.select().from(schema.squad).orderBy(schema.squad.name);
}

export async function saveSquad(
  db: Db,
  id: string | null,
  { name, trainingDays }: Pick<Squad, 'name'> & { trainingDays?: number[] },
): Promise<string> {
  const days = trainingDays && { trainingDays: [...new Set(trainingDays)].sort() };
  const [same] = await db.select().from(schema.squad).where(eq(schema.squad.name, name));
  if (same && same.id !== id) throw new Refusal(422, `name: there is a squad "${name}" already.`);
  if (id === null) {
    const made = randomUUID();
    await db.insert(schema.squad).values({ id: made, name, ...days });
    return made;
  }
  const changed = await db
    .update(schema.squad)
    .set({ name, ...days })
    .where(eq(schema.squad.id, id))
    .returning();
  if (changed.length === 0) throw new Refusal(404, 'There is no such squad.');
  return id;
}

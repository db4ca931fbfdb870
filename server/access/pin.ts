import { and, asc, eq, isNotNull, lt, ne, sql } from 'drizzle-orm';
import type { Colleague } from '../../contract/access.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';
import { hashPassword, verifyPassword } from './passwords.ts';

const { staff } = schema;
/** Wrong tries until the password has to be given. */
const PIN_TRIES = 5;

/** @throws Refusal 422 for one that is tried first */
export async function savePin(db: Db, id: string, pin: string | null): Promise<void> {
  if (pin !== null) {
    const steps = [...pin].slice(1).map((d, i) => Number(d) - Number(pin[i]));
    if (new Set(pin).size === 1 || steps.every((s) => s === 1) || steps.every((s) => s === -1)) {
      throw new Refusal(422, 'This PIN is among the first that anybody would try. Nothing was changed.');
    }
  }
  await db
    .update(staff)
    .set({ pinHash: pin === null ? null : await hashPassword(pin), pinTries: 0 })
    .where(eq(staff.id, id));
}

/** Who can take a tablet over by PIN. */
export const colleaguesOf = (db: Db, me: string): Promise<Colleague[]> =>
  db
    .select({ id: staff.id, name: staff.name })
    .from(staff)
    .where(and(isNotNull(staff.pinHash), eq(staff.active, true), ne(staff.id, me), ne(staff.role, 'viewer')))
    .orderBy(asc(staff.name));

/**
 * Looks at a PIN. The try is counted before, in one statement, so that of many at once no more than five are looked at.
 * @throws Refusal 403 after five wrong ones, 422 for a wrong one
 */
export async function checkPin(db: Db, id: string, pin: string): Promise<void> {
  const [member] = await db
    .update(staff)
    .set({ pinTries: sql`${staff.pinTries} + 1` })
    .where(
      and(eq(staff.id, id), eq(staff.active, true), isNotNull(staff.pinHash), lt(staff.pinTries, PIN_TRIES)),
    )
    .returning({ pinHash: staff.pinHash });
  if (!member) {
    throw new Refusal(403, 'The PIN is not taken any more: sign in with name and password.', {
      needs: 'sign-in',
    });
  }
  if (!(await verifyPassword(pin, member.pinHash!))) throw new Refusal(422, 'The PIN is wrong.');
  await db.update(staff).set({ pinTries: 0 }).where(eq(staff.id, id));
}

import { randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { SignInRequest } from '../../contract/access.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';
import { countAttempt, forgetAttempts, passwordQueue } from './attempts.ts';
import { takeCode } from './codes.ts';
import { hashPassword, verifyPassword } from './passwords.ts';

let decoy: Promise<string> | null = null;
const queue = passwordQueue();

/**
 * Checks name, password and, where one is asked for, a code, and returns the staff member's id.
 * @param address of the one who asks
 * @throws Refusal 429 while the delay after failed tries runs or too many are at it, 401 for a wrong name or password
 */
export async function checkSignIn(
  db: Db,
  { login, password, code }: SignInRequest,
  address: string,
  now: Date,
): Promise<string> {
  const key = login.trim().toLowerCase();
  await countAttempt(db, key, address, now);
  const [found] = await db.select().from(schema.staff).where(eq(schema.staff.login, key));
  // An unknown name costs the same time as a wrong password.
  decoy ??= hashPassword(randomBytes(16).toString('hex'));
  const hash = found?.passwordHash ?? (await decoy);
  const right = await queue(address, () => verifyPassword(password, hash));
  if (!found?.active || !right) throw new Refusal(401, 'Name or password is wrong.');
  // A wrong code counts as a wrong password does.
  await takeCode(db, found, code, now);
  await forgetAttempts(db, key, address);
  await db.update(schema.staff).set({ pinTries: 0 }).where(eq(schema.staff.id, found.id));
  return found.id;
}

/**
 * Looks at the password, and the code where one is asked for, of somebody who is signed in: in the queue and counted as
 * at the door.
 * @throws Refusal 429, 422 for a wrong password, 401 for a wrong code
 */
export async function checkOwn(
  db: Db,
  me: { id: string; login: string },
  { password, code }: { password: string; code?: string | undefined },
  address: string,
  now: Date,
  asksCode = true,
): Promise<void> {
  await countAttempt(db, me.login, address, now);
  const [found] = await db.select().from(schema.staff).where(eq(schema.staff.id, me.id));
  if (!(await queue(address, () => verifyPassword(password, found!.passwordHash)))) {
    throw new Refusal(422, 'The password is wrong. Nothing was changed.', {
      errors: [{ field: 'password', detail: 'The password is wrong.' }],
    });
  }
  if (asksCode) await takeCode(db, found!, code, now);
  await forgetAttempts(db, me.login, address);
}

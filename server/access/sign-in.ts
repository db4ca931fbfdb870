import { createHash, randomBytes } from 'node:crypto';
import { and, eq, gt, lt } from 'drizzle-orm';
import type { Me } from '../../contract/access.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';
import { countAttempt, forgetAttempts, passwordQueue } from './attempts.ts';
import { hashPassword, verifyPassword } from './passwords.ts';

const DAYS = 24 * 3600_000;
export const SESSION_DAYS = 14;

const hashToken = (token: string) => createHash('sha256').update(token).digest('hex');

let decoy: Promise<string> | null = null;
const queue = passwordQueue();

/**
 * Checks name and password and returns the staff member's id.
 * @param address of the one who asks
 * @throws Refusal 429 while the delay after failed tries runs or too many are at it, 401 for a wrong name or password
 */
export async function checkSignIn(
  db: Db,
  login: string,
  password: string,
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
  await forgetAttempts(db, key, address);
  return found.id;
}

/** Opens a new session, ends the one the browser came with, and returns the new token. */
export async function openSession(
  db: Db,
  staffId: string,
  oldToken: string | null,
  now: Date,
): Promise<string> {
  if (oldToken) await closeSession(db, oldToken);
  await db.delete(schema.signIn).where(lt(schema.signIn.expiresAt, now.toISOString()));
  const token = randomBytes(32).toString('base64url');
  await db.insert(schema.signIn).values({
    tokenHash: hashToken(token),
    staffId,
    expiresAt: new Date(now.getTime() + SESSION_DAYS * DAYS).toISOString(),
  });
  return token;
}

export async function closeSession(db: Db, token: string): Promise<void> {
  await db.delete(schema.signIn).where(eq(schema.signIn.tokenHash, hashToken(token)));
}

/** Who the token belongs to, or null. */
export async function whoIs(db: Db, token: string, now: Date): Promise<Me | null> {
  const rows = await db
    .select({ staff: schema.staff, squadId: schema.staffSquad.squadId })
    .from(schema.signIn)
    .innerJoin(schema.staff, eq(schema.staff.id, schema.signIn.staffId))
    .leftJoin(schema.staffSquad, eq(schema.staffSquad.staffId, schema.staff.id))
    .where(
      and(
        eq(schema.signIn.tokenHash, hashToken(token)),
        gt(schema.signIn.expiresAt, now.toISOString()),
        eq(schema.staff.active, true),
      ),
    );
  const first = rows[0];
  if (!first) return null;
  const { id, name, login, role } = first.staff;
  return { id, name, login, role, squadIds: rows.flatMap((r) => (r.squadId ? [r.squadId] : [])) };
}

/** Ends every session of a staff member (password changed, account closed). */
export async function closeAllSessions(db: Db, staffId: string): Promise<void> {
  await db.delete(schema.signIn).where(eq(schema.signIn.staffId, staffId));
}

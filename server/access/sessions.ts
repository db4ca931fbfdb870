import Bowser from 'bowser';
import { randomBytes } from 'node:crypto';
import { and, desc, eq, gt, lt, ne, or } from 'drizzle-orm';
import type { Me, SessionRow } from '../../contract/access.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';
import { hashOfToken } from './tokens.ts';

const { signIn, staff, staffSquad } = schema;
const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** How long a session lasts whatever is done, how long while nothing is asked, and how long a password given again holds. */
export interface Lasting {
  wholeMs: number;
  idleMs: number;
  sureMs: number;
}
export const LASTING: Lasting = { wholeMs: 14 * DAY, idleMs: 12 * HOUR, sureMs: 5 * MINUTE };

/** The session of a request, for the server alone. */
export interface Session {
  id: string;
  tokenHash: string;
  expiresAt: string;
  sureAt: string | null;
}

/** Browser and system of a device, e.g. "Chrome on Android (tablet)". */
export function deviceWords(userAgent: string | undefined): string {
  if (!userAgent) return 'unknown device';
  const { browser, os, platform } = Bowser.parse(userAgent.slice(0, 400));
  const on = [browser.name, os.name].filter(Boolean).join(' on ');
  return `${on || 'unknown device'}${platform.type && platform.type !== 'desktop' ? ` (${platform.type})` : ''}`;
}

/** Opens a new session, ends the one the browser came with, and returns the new token. */
export async function openSession(
  db: Db,
  of: { staffId: string; device: string; floorOnly?: boolean; expiresAt?: string },
  oldToken: string | null,
  now: Date,
  lasting: Lasting,
): Promise<string> {
  if (oldToken) await closeSession(db, oldToken);
  const idle = new Date(now.getTime() - lasting.idleMs);
  await db
    .delete(signIn)
    .where(
      or(
        lt(signIn.expiresAt, now.toISOString()),
        Number.isFinite(idle.getTime()) ? lt(signIn.seenAt, idle.toISOString()) : undefined,
      ),
    );
  const token = randomBytes(32).toString('base64url');
  const at = now.toISOString();
  await db.insert(signIn).values({
    tokenHash: hashOfToken(token),
    staffId: of.staffId,
    expiresAt: of.expiresAt ?? new Date(now.getTime() + lasting.wholeMs).toISOString(),
    startedAt: at,
    seenAt: at,
    device: of.device,
    floorOnly: of.floorOnly ?? false,
  });
  return token;
}

export async function closeSession(db: Db, token: string): Promise<void> {
  await db.delete(signIn).where(eq(signIn.tokenHash, hashOfToken(token)));
}

/** Who the token belongs to, and in what session; null: nobody, or it has ended. */
export async function whoIs(
  db: Db,
  token: string,
  now: Date,
  lasting: Lasting,
): Promise<{ me: Me; session: Session } | null> {
  const tokenHash = hashOfToken(token);
  const rows = await db
    .select({ staff, squadId: staffSquad.squadId, session: signIn })
    .from(signIn)
    .innerJoin(staff, eq(staff.id, signIn.staffId))
    .leftJoin(staffSquad, eq(staffSquad.staffId, staff.id))
    .where(
      and(eq(signIn.tokenHash, tokenHash), gt(signIn.expiresAt, now.toISOString()), eq(staff.active, true)),
    );
  const first = rows[0];
  if (!first) return null;
  const { session } = first;
  const idleMs = now.getTime() - Date.parse(session.seenAt);
  if (idleMs > lasting.idleMs) return null;
  if (idleMs > MINUTE)
    await db.update(signIn).set({ seenAt: now.toISOString() }).where(eq(signIn.tokenHash, tokenHash));
  const { id, name, login, role } = first.staff;
  return {
    me: {
      id,
      name,
      login,
      role,
      squadIds: rows.flatMap((r) => (r.squadId ? [r.squadId] : [])),
      floorOnly: session.floorOnly,
    },
    session: { id: session.id, tokenHash, expiresAt: session.expiresAt, sureAt: session.sureAt },
  };
}

/** Whether the password was given again a moment ago. */
export const isSure = ({ sureAt }: Session, now: Date, { sureMs }: Lasting): boolean =>
  sureAt !== null && now.getTime() - Date.parse(sureAt) <= sureMs;

export async function makeSure(db: Db, session: Session, now: Date): Promise<void> {
  await db.update(signIn).set({ sureAt: now.toISOString() }).where(eq(signIn.tokenHash, session.tokenHash));
}

/** Where somebody is signed in, the newest first. */
export async function sessionsOf(
  db: Db,
  staffId: string,
  session: Session,
  now: Date,
  lasting: Lasting,
): Promise<SessionRow[]> {
  const rows = await db
    .select()
    .from(signIn)
    .where(and(eq(signIn.staffId, staffId), gt(signIn.expiresAt, now.toISOString())))
    .orderBy(desc(signIn.seenAt));
  return rows
    .filter((r) => now.getTime() - Date.parse(r.seenAt) <= lasting.idleMs)
    .map((r) => ({
      id: r.id,
      device: r.device,
      startedAt: new Date(r.startedAt).toISOString(),
      seenAt: new Date(r.seenAt).toISOString(),
      current: r.id === session.id,
      floorOnly: r.floorOnly,
    }));
}

/** @throws Refusal 404 where it is not theirs, or has ended */
export async function endSession(db: Db, staffId: string, id: string): Promise<void> {
  const gone = await db
    .delete(signIn)
    .where(and(eq(signIn.id, id), eq(signIn.staffId, staffId)))
    .returning({ id: signIn.id });
  if (gone.length === 0) throw new Refusal(404, 'This sign-in has ended already.');
}

/** Ends every session of a staff member (password changed, account closed), but perhaps one. */
export async function closeAllSessions(db: Db, staffId: string, but?: Session): Promise<void> {
  await db
    .delete(signIn)
    .where(and(eq(signIn.staffId, staffId), but ? ne(signIn.tokenHash, but.tokenHash) : undefined));
}

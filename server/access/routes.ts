import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import type { Context as Wire } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import type { Me } from '../../contract/access.ts';
import { schema } from '../db/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import type { OpenContext } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import type { Services } from '../http.ts';
import { addressOf } from './address.ts';
import { hashPassword } from './passwords.ts';
import { checkSignIn, closeSession, openSession, SESSION_DAYS, whoIs } from './sign-in.ts';

const COOKIE = 'meister_session';

export async function readMe(wire: Wire, s: Services): Promise<Me | null> {
  const token = getCookie(wire, COOKIE);
  return token ? whoIs(s.db, token, s.clock()) : null;
}

/** Signs the browser in as a member of the staff. */
async function open(c: OpenContext & { wire: Wire }, staffId: string): Promise<{ ok: true }> {
  const token = await openSession(c.db, staffId, getCookie(c.wire, COOKIE) ?? null, c.at);
  setCookie(c.wire, COOKIE, token, {
    httpOnly: true,
    sameSite: 'Strict',
    path: '/',
    secure: c.publicUrl.startsWith('https:'),
    maxAge: SESSION_DAYS * 24 * 3600,
  });
  return { ok: true };
}

export const accessRoutes = handlers({
  signIn: async (c) =>
    open(c, await checkSignIn(c.db, c.body.login, c.body.password, addressOf(c.wire, c.proxies), c.at)),

  signOut: async ({ db, wire }) => {
    const token = getCookie(wire, COOKIE);
    if (token) await closeSession(db, token);
    deleteCookie(wire, COOKIE, { path: '/' });
    return { ok: true };
  },

  makeFirstAccount: async (c) => {
    const { hallName, name, login, password } = c.body;
    const passwordHash = await hashPassword(password);
    const id = randomUUID();
    await allOrNothing(c, async ({ db }) => {
      // The lock keeps two browsers from both making the first account.
      await db.execute(sql`lock table ${schema.staff} in exclusive mode`);
      if ((await db.select({ id: schema.staff.id }).from(schema.staff).limit(1)).length > 0) {
        throw new Refusal(409, 'This hall has its first account already. Sign in instead.');
      }
      await db
        .insert(schema.staff)
        .values({ id, login: login.trim().toLowerCase(), name, role: 'head coach', passwordHash });
      await db.insert(schema.hall).values({
        name: hallName,
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        paper: 'A4',
        massUnit: 'kg',
        lengthUnit: 'cm',
      });
    });
    return open(c, id);
  },
});

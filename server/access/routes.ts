import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import type { Context } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { firstAccountSchema, signInSchema } from '../../contract/access.ts';
import type { FirstAccountRequest, SignInRequest } from '../../contract/access.ts';
import { schema } from '../db/index.ts';
import { bodyOf, Refusal } from '../http.ts';
import type { App, Env, Services } from '../http.ts';
import { hashPassword } from './passwords.ts';
import { checkSignIn, closeSession, openSession, SESSION_DAYS, whoIs } from './sign-in.ts';

const COOKIE = 'meister_session';

export async function readMe(c: Context<Env>, s: Services) {
  const token = getCookie(c, COOKIE);
  return token ? whoIs(s.db, token, s.clock()) : null;
}

export function accessRoutes(app: App, s: Services): void {
  const start = async (c: Context<Env>, staffId: string) => {
    const token = await openSession(s.db, staffId, getCookie(c, COOKIE) ?? null, s.clock());
    setCookie(c, COOKIE, token, {
      httpOnly: true,
      sameSite: 'Strict',
      path: '/',
      secure: s.publicUrl.startsWith('https:'),
      maxAge: SESSION_DAYS * 24 * 3600,
    });
    return c.json({ ok: true });
  };

  app.post('/api/sign-in', async (c) => {
    const { login, password } = await bodyOf<SignInRequest>(c, signInSchema);
    return start(c, await checkSignIn(s.db, login, password, s.clock()));
  });

  app.post('/api/sign-out', async (c) => {
    const token = getCookie(c, COOKIE);
    if (token) await closeSession(s.db, token);
    deleteCookie(c, COOKIE, { path: '/' });
    return c.json({ ok: true });
  });

  app.post('/api/first-account', async (c) => {
    const { hallName, name, login, password } = await bodyOf<FirstAccountRequest>(c, firstAccountSchema);
    const passwordHash = await hashPassword(password);
    const id = randomUUID();
    await s.db.transaction(async (tx) => {
      // The lock keeps two browsers from both making the first account.
      await tx.execute(sql`lock table ${schema.staff} in exclusive mode`);
      if ((await tx.select({ id: schema.staff.id }).from(schema.staff).limit(1)).length > 0) {
        throw new Refusal(409, 'This hall has its first account already. Sign in instead.');
      }
      await tx
        .insert(schema.staff)
        .values({ id, login: login.trim().toLowerCase(), name, role: 'head coach', passwordHash });
      await tx.insert(schema.hall).values({
        name: hallName,
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        paper: 'A4',
        massUnit: 'kg',
        lengthUnit: 'cm',
      });
    });
    return start(c, id);
  });
}

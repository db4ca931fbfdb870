import { randomUUID, timingSafeEqual } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import type { Context as Wire } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import type { Me } from '../../contract/access.ts';
import { schema } from '../db/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import type { OpenContext } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import type { Services } from '../http.ts';
import { addressOf } from './address.ts';
import { countAttempt } from './attempts.ts';
import { dropCodes, offerCodes, startCodes } from './codes.ts';
import { refuseCommon } from './common.ts';
import { hashPassword } from './passwords.ts';
import { checkPin, colleaguesOf, savePin } from './pin.ts';
import {
  closeAllSessions,
  closeSession,
  deviceWords,
  endSession,
  makeSure,
  openSession,
  sessionsOf,
  whoIs,
} from './sessions.ts';
import type { Session } from './sessions.ts';
import { checkOwn, checkSignIn } from './sign-in.ts';

const COOKIE = 'meister_session';
const OK = { ok: true } as const;

export async function readMe(wire: Wire, s: Services): Promise<{ me: Me; session: Session } | null> {
  const token = getCookie(wire, COOKIE);
  return token ? whoIs(s.db, token, s.clock(), s.lasting) : null;
}

type Asked = OpenContext & { wire: Wire };

/** Signs the browser in as a member of the staff. */
async function open(
  c: Asked,
  staffId: string,
  by: { floorOnly?: boolean; expiresAt?: string } = {},
): Promise<{ ok: true }> {
  const device = deviceWords(c.wire.req.header('user-agent'));
  const old = getCookie(c.wire, COOKIE) ?? null;
  const token = await openSession(c.db, { staffId, device, ...by }, old, c.at, c.lasting);
  setCookie(c.wire, COOKIE, token, {
    httpOnly: true,
    sameSite: 'Strict',
    path: '/',
    secure: c.publicUrl.startsWith('https:'),
    maxAge: Math.floor(c.lasting.wholeMs / 1000),
  });
  return OK;
}

const same = (a: string, b: string) =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));
const askedFrom = (c: Asked) => addressOf(c.wire, c.proxies);

export const accessRoutes = handlers({
  signIn: async (c) => open(c, await checkSignIn(c.db, c.body, askedFrom(c), c.at)),

  signOut: async ({ db, wire }) => {
    const token = getCookie(wire, COOKIE);
    if (token) await closeSession(db, token);
    deleteCookie(wire, COOKIE, { path: '/' });
    return OK;
  },

  makeFirstAccount: async (c) => {
    const { hallName, name, login, password, setUp = '', ...given } = c.body;
    if (c.setUpCode !== null) {
      await countAttempt(c.db, 'the first account', askedFrom(c), c.at);
      if (!same(setUp.toUpperCase(), c.setUpCode)) {
        throw new Refusal(403, 'This is not the code on the server’s console. Nothing was made.', {
          errors: [{ field: 'setUp', detail: 'This is not the code on the server’s console.' }],
        });
      }
    }
    refuseCommon(password, [login, name, hallName]);
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
        ...given,
      });
    });
    return open(c, id);
  },

  account: async ({ db, me, session, at, lasting }) => {
    const [own] = await db.select().from(schema.staff).where(eq(schema.staff.id, me.id));
    return {
      codes: own!.totpSecret !== null,
      recoveryLeft: own!.recovery.length,
      pin: own!.pinHash !== null,
      sessions: await sessionsOf(db, me.id, session, at, lasting),
    };
  },

  savePassword: async (c) => {
    const { old, password } = c.body;
    refuseCommon(password, [c.me.login, c.me.name, c.hall?.name ?? '']);
    await checkOwn(c.db, c.me, { password: old }, askedFrom(c), c.at, false);
    const passwordHash = await hashPassword(password);
    await allOrNothing(c, async ({ db }) => {
      await db.update(schema.staff).set({ passwordHash }).where(eq(schema.staff.id, c.me.id));
      await closeAllSessions(db, c.me.id, c.session);
    });
    return OK;
  },

  makeSure: async (c) => {
    await checkOwn(c.db, c.me, c.body, askedFrom(c), c.at);
    await makeSure(c.db, c.session, c.at);
    return OK;
  },

  endSession: async ({ db, me, params }) => {
    await endSession(db, me.id, params.id);
    return OK;
  },

  offerCodes: ({ db, me, hall }) => offerCodes(db, me, hall?.name ?? 'Meister'),

  startCodes: async (c) => ({
    recovery: await allOrNothing(c, ({ db, me, body, at }) => startCodes(db, me.id, body.code, at)),
  }),

  dropCodes: async ({ db, me }) => {
    await dropCodes(db, me.id);
    return OK;
  },

  savePin: async ({ db, me, body }) => {
    await savePin(db, me.id, body.pin);
    return OK;
  },

  colleagues: ({ db, me }) => colleaguesOf(db, me.id),

  /** The tablet is somebody else's until the sign-in that it began with ends. */
  changeCoach: async (c) => {
    await checkPin(c.db, c.body.staff, c.body.pin);
    return open(c, c.body.staff, { floorOnly: true, expiresAt: c.session.expiresAt });
  },
});

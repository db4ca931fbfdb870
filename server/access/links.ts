import { and, count, desc, eq } from 'drizzle-orm';
import type { Context as Wire } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { addressOf } from '../../contract/endpoints.ts';
import { schema } from '../db/index.ts';
import type { OpenContext } from '../endpoint.ts';
import { hashOfToken, newToken } from './tokens.ts';

const { linkDevice } = schema;

/** A link with which somebody logs their own sets, or one that shows sheets. */
export type LinkKind = 'own' | 'shared';

/** Of a link on a wall, so many devices stay known. */
const MOST_DEVICES = 500;

/** What the cookie is sent to, and below. */
const PAGE = { own: 'ownDay', shared: 'shared' } as const;

const cookieOf = (kind: LinkKind, id: string) => `meister_${kind}_${id}`;
const column = (kind: LinkKind) => (kind === 'own' ? linkDevice.ownLinkId : linkDevice.shareId);

/** Whether the request comes from a device to which the link was given. */
export async function onItsDevice(
  { db }: OpenContext,
  wire: Wire,
  kind: LinkKind,
  id: string,
): Promise<boolean> {
  const token = getCookie(wire, cookieOf(kind, id));
  if (!token) return false;
  const [row] = await db
    .select({ one: linkDevice.tokenHash })
    .from(linkDevice)
    .where(and(eq(linkDevice.tokenHash, hashOfToken(token)), eq(column(kind), id)));
  return row !== undefined;
}

export async function devicesOf({ db }: OpenContext, kind: LinkKind, id: string): Promise<number> {
  const [row] = await db
    .select({ n: count() })
    .from(linkDevice)
    .where(eq(column(kind), id));
  return row!.n;
}

/** The device that has shown the link's token is known by a cookie from now on; the token is not needed again. */
export async function knowDevice(
  { db, at, publicUrl }: OpenContext,
  wire: Wire,
  kind: LinkKind,
  { id, expiresAt }: { id: string; expiresAt: string },
): Promise<void> {
  const token = newToken();
  await db.insert(linkDevice).values({
    tokenHash: hashOfToken(token),
    ownLinkId: kind === 'own' ? id : null,
    shareId: kind === 'shared' ? id : null,
    at: at.toISOString(),
  });
  const old = await db
    .select({ hash: linkDevice.tokenHash })
    .from(linkDevice)
    .where(eq(column(kind), id))
    .orderBy(desc(linkDevice.at))
    .offset(MOST_DEVICES);
  for (const { hash } of old) await db.delete(linkDevice).where(eq(linkDevice.tokenHash, hash));
  setCookie(wire, cookieOf(kind, id), token, {
    httpOnly: true,
    sameSite: 'Strict',
    path: addressOf(PAGE[kind], { link: id }),
    secure: publicUrl.startsWith('https:'),
    expires: new Date(expiresAt),
  });
}

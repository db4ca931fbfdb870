import { randomUUID } from 'node:crypto';
import type { Context as Wire } from 'hono';
import { desc, eq, or, sql } from 'drizzle-orm';
import type { ShareMade, ShareRequest, ShareRow } from '../../contract/sheets.ts';
import { readJob, SHEET_WORDS } from '../../core/sheets/index.ts';
import { hashOfToken, knowDevice, linkState, newToken, onItsDevice } from '../access/index.ts';
import { among, schema } from '../db/index.ts';
import type { About, Context, Mine, OpenContext } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { makersMay } from '../people/index.ts';

const { share, person } = schema;
const DAY_MS = 24 * 3600_000;

type Row = typeof share.$inferSelect;

/**
 * Makes a link to some sheets for whoever holds it.
 * @throws Refusal 404 for a person who does not exist
 */
export async function makeShare(
  { db, me, at: now, publicUrl }: Context,
  request: ShareRequest,
): Promise<ShareMade> {
  const token = newToken();
  const id = randomUUID();
  const expiresAt = new Date(now.getTime() + request.days * DAY_MS).toISOString();
  await db.insert(share).values({
    id,
    tokenHash: hashOfToken(token),
    job: request.job,
    personId: request.person,
    madeBy: me.name,
    madeById: me.id,
    madeAt: now.toISOString(),
    expiresAt,
  });
  return { id, url: `${publicUrl}/shared#${token}`, expiresAt };
}

/** Links that one may revoke, newest first: the head coach all, a coach their own and those about people they look after. */
export async function sharesOf({
  db,
  inForce: { shelf },
  me,
  at: now,
  today,
  mine,
}: Context & Mine): Promise<ShareRow[]> {
  const ids = mine.map((m) => m.person.id);
  const rows = await db
    .select({ share, name: person.name })
    .from(share)
    .leftJoin(person, eq(person.id, share.personId))
    .where(me.role === 'head coach' ? undefined : or(eq(share.madeById, me.id), among(share.personId, ids)))
    .orderBy(desc(share.madeAt));
  const may = await makersMay(
    db,
    rows.map((r) => r.share),
    today,
  );
  return rows.map(({ share: row, name }) => ({
    id: row.id,
    titles: readJob(row.job).map(({ kind, of }) => {
      const names = of.map(
        (slug) =>
          (kind === 'poster' ? shelf.get('ladder', slug)?.name : shelf.get('variation', slug)?.shortName) ??
          slug,
      );
      return `${SHEET_WORDS[kind]}: ${names.join(', ')}`;
    }),
    person: name,
    madeBy: row.madeBy,
    madeAt: new Date(row.madeAt).toISOString(),
    expiresAt: new Date(row.expiresAt).toISOString(),
    revokedAt: row.revokedAt && new Date(row.revokedAt).toISOString(),
    opened: row.opened,
    state: may(row) ? linkState(row, now) : 'revoked',
  }));
}

/** @throws Refusal 404 without such a link, 403 for another coach's that is about nobody */
export async function revokeShare(
  { db, me, at: now, about }: Context & { about: About | null },
  id: string,
): Promise<void> {
  const [row] = await db.select().from(share).where(eq(share.id, id));
  if (!row) throw new Refusal(404, 'There is no such link.');
  if (me.role !== 'head coach' && row.madeById !== me.id && about === null) {
    throw new Refusal(403, 'Another coach made this link. The head coach can revoke it.');
  }
  if (row.revokedAt === null)
    await db.update(share).set({ revokedAt: now.toISOString() }).where(eq(share.id, id));
}

const ENDED = 'Ask the one who gave it to you for a new one.';

/** @throws Refusal 410 when the link has ended */
async function refuseEnded({ db, at: now, today }: OpenContext, row: Row): Promise<void> {
  if (linkState(row, now) !== 'open' || !(await makersMay(db, [row], today))(row)) {
    throw new Refusal(410, `This link has ended. ${ENDED}`);
  }
}

/**
 * Lets the device that shows the token read the sheets; as many devices as are shown it.
 * @throws Refusal 404 for a token that was never given, 410 when the link has ended
 */
export async function openShared(c: OpenContext & { wire: Wire }, token: string): Promise<{ id: string }> {
  const [row] = await c.db
    .select()
    .from(share)
    .where(eq(share.tokenHash, hashOfToken(token)));
  if (!row) throw new Refusal(404, `This link leads nowhere. ${ENDED}`);
  await refuseEnded(c, row);
  if (!(await onItsDevice(c, c.wire, 'shared', row.id))) await knowDevice(c, c.wire, 'shared', row);
  return { id: row.id };
}

/** The link, on a device that has opened it. */
export async function sharedLink(c: OpenContext, wire: Wire, id: string): Promise<Row> {
  const [row] = await c.db.select().from(share).where(eq(share.id, id));
  if (!row || !(await onItsDevice(c, wire, 'shared', id))) {
    throw new Refusal(401, `This device has not opened the link. Open the link itself. ${ENDED}`);
  }
  await refuseEnded(c, row);
  return row;
}

export async function countOpened({ db }: OpenContext, id: string): Promise<void> {
  await db
    .update(share)
    .set({ opened: sql`${share.opened} + 1` })
    .where(eq(share.id, id));
}

import { createHash, randomBytes } from 'node:crypto';
import { and, eq, lt, sql } from 'drizzle-orm';
import { Secret, TOTP } from 'otpauth';
import type { CodesOffered } from '../../contract/access.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';

const { staff } = schema;
const PERIOD_S = 30;
const RECOVERY_CODES = 10;
/** A code of the step before or after is taken: clocks differ (RFC 6238, section 5.2). */
const WINDOW = 1;

/** Time-based codes as authenticators make them: six digits, 30 s, SHA-1 (RFC 6238). */
const totp = (secret: string, label = '', issuer = 'Meister') =>
  new TOTP({
    secret: Secret.fromBase32(secret),
    digits: 6,
    period: PERIOD_S,
    algorithm: 'SHA1',
    label,
    issuer,
  });

const hashOfCode = (code: string) =>
  createHash('sha256')
    .update(code.toLowerCase().replace(/[^a-z0-9]/g, ''))
    .digest('hex');

/** The time step whose code it is; null: none of about now. */
function stepOf(secret: string, code: string, now: Date): number | null {
  const token = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return null;
  const timestamp = now.getTime();
  const delta = totp(secret).validate({ token, window: WINDOW, timestamp });
  return delta === null ? null : Math.floor(timestamp / 1000 / PERIOD_S) + delta;
}

type Member = Pick<typeof staff.$inferSelect, 'id' | 'totpSecret' | 'recovery'>;

/**
 * Takes a code, or a recovery code, once: neither is taken again.
 * @throws Refusal 401 where one is asked for and none, or a wrong one, was given
 */
export async function takeCode(db: Db, member: Member, code: string | undefined, now: Date): Promise<void> {
  if (member.totpSecret === null) return;
  if (!code) throw new Refusal(401, 'Now the code of your authenticator.', { needs: 'code' });
  const step = stepOf(member.totpSecret, code, now);
  if (step !== null) {
    const taken = await db
      .update(staff)
      .set({ totpStep: step })
      .where(and(eq(staff.id, member.id), lt(staff.totpStep, step)))
      .returning({ id: staff.id });
    if (taken.length > 0) return;
    throw new Refusal(401, 'This code was used already. Wait for the next one.', { needs: 'code' });
  }
  const hash = hashOfCode(code);
  const used = await db
    .update(staff)
    .set({ recovery: sql`${staff.recovery} - ${hash}::text` })
    .where(and(eq(staff.id, member.id), sql`${staff.recovery} @> ${JSON.stringify([hash])}::jsonb`))
    .returning({ id: staff.id });
  if (used.length === 0) throw new Refusal(401, 'The code is wrong.', { needs: 'code' });
}

/** A new secret, which waits for its first code. */
export async function offerCodes(
  db: Db,
  me: { id: string; login: string },
  hall: string,
): Promise<CodesOffered> {
  const secret = new Secret({ size: 20 }).base32;
  await db.update(staff).set({ totpPending: secret }).where(eq(staff.id, me.id));
  return { secret, url: totp(secret, me.login, hall).toString() };
}

/**
 * From the first right code on, codes are asked for. Gives the recovery codes, which are told once.
 * @throws Refusal 409 where none was offered, 422 for a wrong code
 */
export async function startCodes(db: Db, id: string, code: string, now: Date): Promise<string[]> {
  const [member] = await db.select().from(staff).where(eq(staff.id, id)).for('update');
  const pending = member?.totpPending;
  if (!pending) throw new Refusal(409, 'Begin anew: no code is awaited.');
  const step = stepOf(pending, code, now);
  if (step === null) {
    throw new Refusal(
      422,
      'This is not the code of now. Is the clock of the phone right? Nothing was changed.',
    );
  }
  const recovery = Array.from({ length: RECOVERY_CODES }, () =>
    randomBytes(6)
      .toString('hex')
      .replace(/(.{4})(?=.)/g, '$1-'),
  );
  await db
    .update(staff)
    .set({ totpSecret: pending, totpPending: null, totpStep: step, recovery: recovery.map(hashOfCode) })
    .where(eq(staff.id, id));
  return recovery;
}

export async function dropCodes(db: Db, id: string): Promise<void> {
  await db.update(staff).set({ totpSecret: null, totpPending: null, recovery: [] }).where(eq(staff.id, id));
}

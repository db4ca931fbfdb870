import { randomInt } from 'node:crypto';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import { closeAllSessions, hashPassword } from './access/index.ts';
import { FolderInUse, lockFolder, openEmbedded, openServer, schema } from './db/index.ts';

const { staff } = schema;
const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';
const newPassword = () =>
  Array.from({ length: 4 }, () =>
    Array.from({ length: 4 }, () => SIGNS[randomInt(SIGNS.length)]).join(''),
  ).join('-');

/** On the console of the server, which is stopped: a new password for somebody who lost theirs, or their authenticator. */
async function main(): Promise<void> {
  process.umask(0o077);
  const login = process.argv[2]?.trim().toLowerCase();
  if (!login) throw new Error('Use: npm run reset -- SIGN-IN-NAME');
  const folder = path.resolve(process.env.MEISTER_DATA || 'data/hall');
  const url = process.env.DATABASE_URL;
  const unlock = url ? () => Promise.resolve() : await lockFolder(folder);
  const { db, close } = url ? await openServer(url) : await openEmbedded(path.join(folder, 'db'));
  try {
    const password = newPassword();
    const [member] = await db
      .update(staff)
      .set({
        passwordHash: await hashPassword(password),
        active: true,
        totpSecret: null,
        totpPending: null,
        recovery: [],
        pinHash: null,
        pinTries: 0,
      })
      .where(eq(staff.login, login))
      .returning();
    if (!member) {
      const all = await db.select({ login: staff.login, role: staff.role }).from(staff);
      const known = all.map((s) => `${s.login} (${s.role})`).join(', ') || 'nobody yet';
      throw new Error(`Nobody signs in as "${login}". There are: ${known}.`);
    }
    await closeAllSessions(db, member.id);
    console.log(`New password of ${member.name} (${member.login}): ${password}`);
    console.log('Codes, PIN and every sign-in of theirs have ended. They should change it at once.');
  } finally {
    await close();
    await unlock();
  }
}

main().catch((error: unknown) => {
  console.error(error instanceof FolderInUse || error instanceof Error ? error.message : error);
  process.exit(1);
});

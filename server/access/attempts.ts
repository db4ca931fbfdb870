import { lt, sql } from 'drizzle-orm';
import type { SQL } from 'drizzle-orm';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';

const { failedSignIn } = schema;
const DAY_MS = 24 * 3600_000;

/** How wrong tries are counted: so many are free, then each waits twice as long, up to a bound. */
interface Count {
  free: number;
  mostS: number;
}
/** Of one name from one address. */
const PAIR: Count = { free: 2, mostS: 300 };
/** Of one address, whatever the names: tablets of a hall may share one. */
const ADDRESS: Count = { free: 20, mostS: 300 };
/** Of one name from anywhere: slowed, but locked out by nobody who only knows the name. */
const NAME: Count = { free: 40, mostS: 2 };

/** Seconds to wait after so many failures in a row: 2, 4, 8 … after those that are free. */
export const delayAfter = (failures: number, { free, mostS }: Count = PAIR): number =>
  failures <= free ? 0 : Math.min(mostS, 2 ** (failures - free));

// Each kind begins with a word of its own: nobody reaches another's count by signing in under an odd name.
const keysOf = (login: string, address: string): [string, Count][] => [
  [`pair ${address} ${login}`, PAIR],
  [`address ${address}`, ADDRESS],
  [`name ${login}`, NAME],
];

/** The delays of a count by the number of failures, as the database looks them up: the last holds for all beyond it. */
function delaysOf(count: Count): { list: SQL; last: number } {
  const last = count.free + 10;
  const delays = Array.from({ length: last }, (_, i) => delayAfter(i + 1, count));
  return { list: sql.raw(`array[${delays.join(',')}]`), last };
}

/**
 * Counts a try before the password is looked at, in one statement each, so that of many at once no more are looked at than
 * may be; a right password takes its own back.
 * @throws Refusal 429 while a delay runs, with the seconds left
 */
export async function countAttempt(db: Db, login: string, address: string, now: Date): Promise<void> {
  await db
    .delete(failedSignIn)
    .where(lt(failedSignIn.blockedUntil, new Date(now.getTime() - DAY_MS).toISOString()));
  for (const [key, count] of keysOf(login, address)) {
    const { list, last } = delaysOf(count);
    const at = now.toISOString();
    const counted = await db
      .insert(failedSignIn)
      .values({ login: key, failures: 1, blockedUntil: at })
      .onConflictDoUpdate({
        target: failedSignIn.login,
        set: {
          failures: sql`${failedSignIn.failures} + 1`,
          blockedUntil: sql`${at}::timestamptz
            + (${list})[least(${failedSignIn.failures} + 1, ${sql.raw(String(last))})] * interval '1 second'`,
        },
        // A clock that was put back keeps nobody out longer than the longest delay.
        setWhere: sql`${failedSignIn.blockedUntil} not between ${at}::timestamptz + interval '1 millisecond'
          and ${at}::timestamptz + ${sql.raw(String(count.mostS))} * interval '1 second'`,
      })
      .returning({ failures: failedSignIn.failures });
    if (counted.length > 0) continue;
    const [row] = await db
      .select()
      .from(failedSignIn)
      .where(sql`${failedSignIn.login} = ${key}`);
    const seconds = Math.max(1, Math.ceil((Date.parse(row?.blockedUntil ?? at) - now.getTime()) / 1000));
    throw new Refusal(429, `Too many failed tries. Wait ${seconds} s and try again.`, {
      retryAfterS: seconds,
    });
  }
}

/** The password was right: what was counted for the name is forgotten, for the address one try is given back. */
export async function forgetAttempts(db: Db, login: string, address: string): Promise<void> {
  const [[pair], [from], [name]] = keysOf(login, address) as [
    [string, Count],
    [string, Count],
    [string, Count],
  ];
  await db.delete(failedSignIn).where(sql`${failedSignIn.login} in (${pair}, ${name})`);
  await db
    .update(failedSignIn)
    .set({ failures: sql`greatest(${failedSignIn.failures} - 1, 0)` })
    .where(sql`${failedSignIn.login} = ${from}`);
}

/** Hashes at once, waiting in all, and of one address: a crowd of strangers keeps nobody waiting for long. */
const AT_ONCE = 2;
const MOST_WAITING = 10;
const MOST_OF_ONE = 4;

/** A password takes a good part of a second to look at, by design: only a few are looked at or wait to be. */
export function passwordQueue() {
  let running = 0;
  const waiting: (() => void)[] = [];
  const of = new Map<string, number>();
  return async <T>(address: string, work: () => Promise<T>): Promise<T> => {
    const own = of.get(address) ?? 0;
    if (own >= MOST_OF_ONE || waiting.length >= MOST_WAITING) {
      throw new Refusal(429, 'Many are signing in just now. Try again in a moment.', { retryAfterS: 2 });
    }
    of.set(address, own + 1);
    if (running >= AT_ONCE) await new Promise<void>((turn) => waiting.push(turn));
    else running++;
    try {
      return await work();
    } finally {
      const left = of.get(address)! - 1;
      if (left > 0) of.set(address, left);
      else of.delete(address);
      // The place goes to the next in the queue, or is free again.
      const next = waiting.shift();
      if (next) next();
      else running--;
    }
  };
}

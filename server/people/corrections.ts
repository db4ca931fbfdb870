import { and, desc, eq } from 'drizzle-orm';
import type { Correctable, CorrectionRow } from '../../contract/people.ts';
import { canonicalJson } from '../../core/library/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { Context } from '../endpoint.ts';

const { correction } = schema;

/** Of one thing so many corrections are kept; the oldest go. */
const MOST_OF_ONE = 100;
const MOST_READ = 200;

type Fields = Record<string, unknown>;

/** The fields that differ. */
function differing(before: Fields, after: Fields): { before: Fields; after: Fields } {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (k) => canonicalJson(before[k] ?? null) !== canonicalJson(after[k] ?? null),
  );
  const of = (fields: Fields) => Object.fromEntries(keys.map((k) => [k, fields[k] ?? null]));
  return { before: of(before), after: of(after) };
}

/**
 * Keeps what is about to be changed or taken away. Nothing is kept where nothing differs. Must run in the transaction of
 * the change.
 * @param after null: it is taken away
 */
export async function keepCorrection(
  { db: tx, me, at }: Pick<Context, 'db' | 'me' | 'at'>,
  of: { personId: string; what: Correctable; key: string },
  before: object,
  after: object | null,
): Promise<void> {
  const fields = differing({ ...before }, { ...after });
  if (Object.keys(fields.before).length === 0) return;
  await tx.insert(correction).values({ ...of, ...fields, by: me.name, byId: me.id, at: at.toISOString() });
  const { personId, what, key } = of;
  const old = await tx
    .select({ id: correction.id })
    .from(correction)
    .where(and(eq(correction.personId, personId), eq(correction.what, what), eq(correction.key, key)))
    .orderBy(desc(correction.id))
    .offset(MOST_OF_ONE);
  for (const { id } of old) await tx.delete(correction).where(eq(correction.id, id));
}

/** What was changed about a person, the newest first. */
export async function correctionsOf(db: Db, personId: string): Promise<CorrectionRow[]> {
  const rows = await db
    .select()
    .from(correction)
    .where(eq(correction.personId, personId))
    .orderBy(desc(correction.id))
    .limit(MOST_READ);
  return rows.map(({ what, key, before, after, by, at }) => ({
    what,
    key,
    before,
    after,
    by,
    at: new Date(at).toISOString(),
  }));
}

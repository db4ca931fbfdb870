import { randomUUID } from 'node:crypto';
import { and, desc, eq, gt, isNotNull, isNull, lt, or, sql } from 'drizzle-orm';
import type { FeltAt } from '../../core/fault/index.ts';
import { STOPPING_PAIN, stopSentence, stopsFor, stopsNow, TELLING_DAYS } from '../../core/ladder/index.ts';
import type { Clearance, Reach, Stop, ToldBy } from '../../core/ladder/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import { among, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About, Context, OpenContext } from '../endpoint.ts';
import { Refusal } from '../http.ts';

const { clearance, report, reportRead } = schema;

/** Of a log that was kept before there were reports, pain of so many days is told. */
const LATELY_DAYS = 7;

/** Who tells: somebody of the staff, or the person alone. */
export interface Teller {
  id: string | null;
  name: string;
}

export interface Told {
  personId: string;
  /** What it comes from: the same again is no second report. */
  source: string;
  date: string;
  told: ToldBy;
  pain: number | null;
  felt?: readonly FeltAt[] | null;
  variation?: string | null;
  words?: string;
  /** What it stops whatever the pain. */
  reach?: Reach | null;
}

export type Now = Pick<OpenContext, 'db' | 'at' | 'today'>;

/**
 * Keeps what was told. The same source again may only raise it: a later lower value, a correction or a deletion leaves
 * it as it is. Whoever tells it has taken note of it. Must run inside a transaction.
 */
export async function tell({ db: tx, at, today }: Now, by: Teller, told: Told): Promise<void> {
  const reach = stopsNow(told.pain, told.date, today) ? 'everything' : (told.reach ?? null);
  if (!told.pain && reach === null) return;
  const [before] = await tx.select().from(report).where(eq(report.source, told.source)).for('update');
  const stronger =
    !before ||
    (told.pain ?? -1) > (before.pain ?? -1) ||
    (reach !== null && (before.reach === null || (reach === 'everything' && before.reach !== reach)));
  if (!stronger) return;
  // What a clearance has closed stops nobody anew.
  const cleared = reach === null ? null : await clearedSince(tx, told.personId, reach, told.date);
  const felt = [...(told.felt ?? [])].filter((f) => f.kind === 'pain');
  const row = {
    pain:
      Math.max(told.pain ?? -1, before?.pain ?? -1) < 0 ? null : Math.max(told.pain ?? 0, before?.pain ?? 0),
    // What is said anew stands; what is left out is not taken back.
    felt: felt.length > 0 ? felt : (before?.felt ?? []),
    words: told.words || before?.words || '',
    reach: reach ?? before?.reach ?? null,
    by: by.name,
    byId: by.id,
    at: at.toISOString(),
    // Told stronger than before it was cleared, it stops anew.
    clearanceId: cleared,
  };
  const id = before?.id ?? randomUUID();
  const { personId, source, date } = told;
  await tx
    .insert(report)
    .values({ id, personId, source, date, told: told.told, variation: told.variation ?? null, ...row })
    .onConflictDoUpdate({ target: report.source, set: row });
  await tx.delete(reportRead).where(eq(reportRead.reportId, id));
  if (by.id) await tx.insert(reportRead).values({ reportId: id, staffId: by.id, at: row.at });
}

/** The clearance that closed everything of the day already; null: none. */
async function clearedSince(tx: Db, personId: string, reach: Reach, date: string): Promise<string | null> {
  const later = await tx
    .select()
    .from(clearance)
    .where(and(eq(clearance.personId, personId), gt(clearance.date, date)))
    .orderBy(desc(clearance.date));
  return later.find((c) => c.reaches.includes('everything') || c.reaches.includes(reach))?.id ?? null;
}

/** Not cleared, or cleared for a time that is over. */
export const stillOpen = (today: string) =>
  and(isNotNull(report.reach), or(isNull(report.clearanceId), lt(clearance.untilDate, today)));

/** What stops some people and nobody has cleared, the oldest first. */
export async function openStops(
  db: Db,
  personIds: readonly string[],
  today: string,
): Promise<Map<string, Stop[]>> {
  const map = new Map<string, Stop[]>();
  if (personIds.length === 0) return map;
  const rows = await db
    .select({ report })
    .from(report)
    .leftJoin(clearance, eq(clearance.id, report.clearanceId))
    .where(and(among(report.personId, personIds), stillOpen(today)))
    .orderBy(report.date, report.at);
  for (const { report: r } of rows) {
    const stop = { id: r.id, date: r.date, reach: r.reach!, told: r.told, pain: r.pain };
    map.set(r.personId, [...(map.get(r.personId) ?? []), stop]);
  }
  return map;
}

export async function clearancesOf(db: Db, personIds: readonly string[]): Promise<Map<string, Clearance[]>> {
  const map = new Map<string, Clearance[]>();
  if (personIds.length === 0) return map;
  const rows = await db
    .select()
    .from(clearance)
    .where(and(among(clearance.personId, personIds), eq(clearance.closes, true)))
    .orderBy(clearance.date, clearance.at);
  for (const { personId, reaches, date, setIds } of rows) {
    map.set(personId, [...(map.get(personId) ?? []), { reaches, date, setIds }]);
  }
  return map;
}

/** @throws Refusal 409 while something stops the pattern: nothing of it is proposed or given */
export async function refuseStopped(
  { db, person: who, today }: Context & About,
  pattern: Pattern,
): Promise<void> {
  const [first] = stopsFor((await openStops(db, [who.id], today)).get(who.id) ?? [], pattern);
  if (first) {
    throw new Refusal(
      409,
      `${stopSentence(first)}. Nothing of this is given until the head coach clears it. Nothing was kept.`,
    );
  }
}

/**
 * Makes the reports of what a log says that was kept before there were any: strong pain of the last months, and any of
 * the last days. Where there are reports already, nothing is made.
 */
export async function reportsFromLog(db: Db, today: string): Promise<void> {
  const [some] = await db.select({ id: report.id }).from(report).limit(1);
  if (some) return;
  const late = sql`(t.pain >= ${STOPPING_PAIN} and t.date > ${today}::date - ${TELLING_DAYS}::int
    or t.pain > 0 and t.date > ${today}::date - ${LATELY_DAYS}::int)`;
  await db.execute(sql`
    insert into report (id, person_id, source, date, told, pain, felt, variation, reach, by, at)
    select gen_random_uuid(), t.person_id, t.source, t.date, t.told, t.pain, t.felt, t.variation,
      case when t.pain >= ${STOPPING_PAIN} then 'everything' end, t.by, t.date + interval '12 hours'
    from (
      select s.person_id, 'set ' || l.id as source, s.date, case when l.own then 'alone' else 'set' end as told, l.pain,
        coalesce((select jsonb_agg(f) from jsonb_array_elements(l.sensations) f where f->>'kind' = 'pain'), '[]'::jsonb) as felt,
        l.variation, l.logged_by as by
      from logged_set l join session s on s.id = l.session_id where l.deleted_at is null
      union all
      select c.person_id, 'check-in ' || c.person_id || ' ' || c.date, c.date, 'check-in', c.pain, '[]'::jsonb, null, c.recorded_by
      from check_in c
      union all
      select c.person_id, 'case ' || c.id, c.date, 'desk', c.pain, '[]'::jsonb, c.variation, c.by from fault_case c
    ) t where ${late}`);
}

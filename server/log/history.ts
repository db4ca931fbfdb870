import { and, desc, eq, gte, inArray, isNull, lt, sql } from 'drizzle-orm';
import type { SQL } from 'drizzle-orm';
import type { PersonOnLadders, StoredSet } from '../../contract/log.ts';
import { bySetOrder, lastAids, lastSettings } from '../../core/log/index.ts';
import { daysAfter } from '../../core/terms/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { among, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { setsOfSummary } from './summary.ts';

const { loggedSet, session, setSummary } = schema;

/** So many sessions are read at once; more are asked for. */
export const SESSIONS_AT_ONCE = 12;

export interface History {
  sets: StoredSet[];
  /** Sessions in all. */
  sessions: number;
  /** The date to ask before for older ones; null when there are none. */
  more: string | null;
}

/** The sets of the newest sessions, or of those before a date, in order. */
export async function recentSets(db: Db, personId: string, before: string | null = null): Promise<History> {
  const own = eq(session.personId, personId);
  const found = await db
    .select({ id: session.id, date: session.date })
    .from(session)
    .where(before === null ? own : and(own, lt(session.date, before)))
    .orderBy(desc(session.date))
    .limit(SESSIONS_AT_ONCE + 1);
  const shown = found.slice(0, SESSIONS_AT_ONCE);
  const [count] = await db
    .select({ n: sql<number>`count(*)::int` })
    .from(session)
    .where(own);
  const dates = new Map(shown.map((s) => [s.id, s.date]));
  const rows = shown.length
    ? await db
        .select()
        .from(loggedSet)
        .where(and(inArray(loggedSet.sessionId, [...dates.keys()]), isNull(loggedSet.deletedAt)))
    : [];
  return {
    sets: rows
      .map(({ deletedAt: _gone, loggedById: _id, ...set }): StoredSet => ({
        ...set,
        date: dates.get(set.sessionId)!,
      }))
      .sort((a, b) => (a.date === b.date ? bySetOrder(a, b) : a.date < b.date ? -1 : 1)),
    sessions: count?.n ?? 0,
    more: found.length > shown.length ? shown.at(-1)!.date : null,
  };
}

/** What a summary is looked up by: an index stands for each (see the schema). */
const TOLD = {
  aids: sql`${setSummary.sets} @? '$[*].aids'`,
  settings: sql`${setSummary.sets} @? '$[*].settings'`,
};

/**
 * The sets of the newest sessions of each variation in which aids, and in which settings, were told, however long ago, by
 * person.
 * @param variations slugs; those never logged give nothing
 */
export async function newestWithSettings(
  db: Db,
  personIds: readonly string[],
  variations: readonly string[],
): Promise<Map<string, LoggedSet[]>> {
  const found = new Map<string, LoggedSet[]>();
  if (variations.length === 0 || personIds.length === 0) return found;
  const newest = (told: SQL) =>
    db
      .selectDistinctOn([setSummary.personId, setSummary.variation])
      .from(setSummary)
      .where(and(among(setSummary.personId, personIds), inArray(setSummary.variation, [...variations]), told))
      .orderBy(setSummary.personId, setSummary.variation, desc(setSummary.date));
  const seen = new Set<string>();
  for (const row of [...(await newest(TOLD.aids)), ...(await newest(TOLD.settings))]) {
    const key = `${row.sessionId} ${row.variation}`;
    // Mostly both were told on one day.
    if (seen.has(key)) continue;
    seen.add(key);
    found.set(row.personId, [...(found.get(row.personId) ?? []), ...setsOfSummary(row)]);
  }
  return found;
}

/** The sets of one day, by person, in their order. */
export async function setsOn(
  db: Db,
  personIds: readonly string[],
  date: string,
): Promise<Map<string, StoredSet[]>> {
  const found = new Map<string, StoredSet[]>();
  if (personIds.length === 0) return found;
  const rows = await db
    .select({ set: loggedSet, personId: session.personId })
    .from(session)
    .innerJoin(loggedSet, eq(loggedSet.sessionId, session.id))
    .where(and(among(session.personId, personIds), eq(session.date, date), isNull(loggedSet.deletedAt)));
  for (const {
    set: { deletedAt: _gone, loggedById: _id, ...set },
    personId,
  } of rows) {
    found.set(personId, [...(found.get(personId) ?? []), { ...set, date }].sort(bySetOrder));
  }
  return found;
}

/** Days back that are drawn over time. */
const DRAWN_DAYS = 365;

/** Sets of some variations over the last year, out of their summaries, for charts. */
export async function setsOfVariations(
  db: Db,
  personId: string,
  variations: readonly string[],
  today: string,
): Promise<LoggedSet[]> {
  if (variations.length === 0) return [];
  const rows = await db
    .select()
    .from(setSummary)
    .where(
      and(
        eq(setSummary.personId, personId),
        inArray(setSummary.variation, [...variations]),
        gte(setSummary.date, daysAfter(today, -DRAWN_DAYS)),
      ),
    )
    .orderBy(setSummary.date);
  return rows.flatMap(setsOfSummary);
}

/** Aids and settings as they were last used, by variation, the newest first. */
export async function settingsOf(db: Db, personId: string): Promise<PersonOnLadders['settings']> {
  const rows = await db
    .selectDistinctOn([setSummary.variation])
    .from(setSummary)
    .where(
      and(
        eq(setSummary.personId, personId),
        sql`(${setSummary.sets} @? '$[*].aids[*]' or ${setSummary.sets} @? '$[*].settings[*]')`,
      ),
    )
    .orderBy(setSummary.variation, desc(setSummary.date));
  return rows
    .map((row) => {
      const sets = setsOfSummary(row);
      const aids = lastAids(sets, row.variation)?.used ?? [];
      const settings = lastSettings(sets, row.variation)?.used ?? [];
      return { variation: row.variation, date: row.date, aids, settings };
    })
    .sort((a, b) => (a.date < b.date ? 1 : -1));
}

/** Sets of work since a day, out of their summaries, by person. */
export async function setsSince(
  db: Db,
  personIds: readonly string[],
  from: string,
): Promise<Map<string, LoggedSet[]>> {
  const found = new Map<string, LoggedSet[]>();
  if (personIds.length === 0) return found;
  const rows = await db
    .select()
    .from(setSummary)
    .where(
      and(among(setSummary.personId, personIds), gte(setSummary.date, from), eq(setSummary.working, true)),
    );
  for (const row of rows) {
    found.set(row.personId, [...(found.get(row.personId) ?? []), ...setsOfSummary(row)]);
  }
  return found;
}

import { sql } from 'drizzle-orm';
import type { SQL } from 'drizzle-orm';
import { setFields } from '../../core/log/index.ts';
import type { Db } from './db.ts';
import { loggedSet } from './schema.ts';

/**
 * Tables that only repeat what others say, in the form in which decisions read it. Each is written by one statement,
 * in the transaction of what it repeats, and can be made anew from it at any time.
 */

/** What a summary keeps of a set, as pairs of name and column; what is not known is left out of it. */
const KEPT = sql.join(
  [
    sql`'id', l.id, 'rev', l.variation_revision, 'own', nullif(l.own, false)`,
    ...setFields().map(([name, { is }]) => {
      const column = sql`l.${sql.identifier(loggedSet[name].name)}`;
      return sql`${sql.raw(`'${name}'`)}, ${is === 'faults' ? sql`nullif(${column}, '[]'::jsonb)` : column}`;
    }),
  ],
  sql`, `,
);

const summaries = (where: SQL) => sql`
  insert into set_summary (session_id, variation, person_id, date, working, watched, pain, sets)
  select l.session_id, l.variation, s.person_id, s.date, bool_or(not l.warm_up and not l.side_test),
    bool_or(l.watched and not l.warm_up and not l.side_test) and not bool_or(coalesce(l.lighter, false)), max(l.pain),
    jsonb_agg(jsonb_strip_nulls(jsonb_build_object(${KEPT})) order by l.ordinal, l.id)
  from logged_set l join session s on s.id = l.session_id
  where l.deleted_at is null and ${where}
  group by l.session_id, l.variation, s.person_id, s.date`;

/** Writes the summary of one session and variation anew; it goes when no set is left. */
export async function refreshSummary(tx: Db, sessionId: string, variation: string): Promise<void> {
  await tx.execute(sql`delete from set_summary where session_id = ${sessionId} and variation = ${variation}`);
  await tx.execute(summaries(sql`l.session_id = ${sessionId} and l.variation = ${variation}`));
}

/** Writes anew every summary of some sessions. */
export async function refreshSummariesOf(tx: Db, sessionIds: readonly string[]): Promise<void> {
  if (sessionIds.length === 0) return;
  const ids = sql.join(
    sessionIds.map((id) => sql`${id}::uuid`),
    sql`, `,
  );
  await tx.execute(sql`delete from set_summary where session_id in (${ids})`);
  await tx.execute(summaries(sql`l.session_id in (${ids})`));
}

const standings = (where: SQL) => sql`
  insert into standing (person_id, ladder, moves, last_move_id)
  select m.person_id, m.ladder,
    jsonb_agg(jsonb_strip_nulls(jsonb_build_object(
      'kind', m.kind, 'date', m.date::text, 'fromLevel', m.from_level, 'toLevel', m.to_level, 'taken', m.taken,
      'role', m.role, 'stage', m.stage, 'cause', m.cause, 'painRegions', m.pain_regions, 'massKg', m.mass_kg, 'form', m.form,
      'experience', m.experience, 'shares', m.shares,
      -- Only what used evidence up needs to be remembered by its sets.
      'setIds', case when m.kind in ('grow', 'move up', 'step back') then m.set_ids end)) order by m.sequence),
    (array_agg(m.id order by m.sequence desc))[1]
  from move m where ${where}
  group by m.person_id, m.ladder`;

/** Writes anew where one person stands on one ladder. */
export async function refreshStanding(tx: Db, personId: string, ladder: string): Promise<void> {
  await tx.execute(sql`delete from standing where person_id = ${personId} and ladder = ${ladder}`);
  await tx.execute(standings(sql`m.person_id = ${personId} and m.ladder = ${ladder}`));
}

/** Makes every derived table anew: after a restore, or after rows were written in bulk. */
export async function rebuildDerived(tx: Db): Promise<void> {
  await tx.execute(sql`delete from set_summary`);
  await tx.execute(summaries(sql`true`));
  await tx.execute(sql`delete from standing`);
  await tx.execute(standings(sql`true`));
}

/** Makes the derived tables where there is nothing of what they repeat: a migration has emptied them. */
export async function makeMissingDerived(db: Db): Promise<void> {
  const found = await db.execute<{ missing: boolean }>(sql`
    select (exists (select 1 from logged_set where deleted_at is null) and not exists (select 1 from set_summary))
      or (exists (select 1 from move) and not exists (select 1 from standing)) as missing`);
  // Either driver gives the rows by this name.
  if ((found as { rows: { missing: boolean }[] }).rows[0]?.missing) await db.transaction(rebuildDerived);
}

import { sql } from 'drizzle-orm';
import type { SQL } from 'drizzle-orm';
import { setFields } from '../../core/log/index.ts';
import type { Db } from './database.ts';
import { loggedSet } from './schema.ts';

/**
 * Tables that only repeat what others say, in the form in which decisions read it. Each is written by one statement,
 * in the transaction of what it repeats, and can be made anew from it at any time.
 */

/** What a summary keeps of a set, as pairs of name and column; what is not known is left out of it. */
const KEPT = sql.join(
  [
    sql`'id', l.id, 'rev', l.variation_revision`,
    ...setFields().map(([name, { is }]) => {
      const column = sql`l.${sql.identifier(loggedSet[name].name)}`;
      return sql`${sql.raw(`'${name}'`)}, ${is === 'faults' ? sql`nullif(${column}, '[]'::jsonb)` : column}`;
    }),
  ],
  sql`, `,
);

const summaries = (where: SQL) => sql`
  insert into set_summary (session_id, variation, person_id, date, working, pain, sets)
  select l.session_id, l.variation, s.person_id, s.date, bool_or(not l.warm_up), max(l.pain),
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
  insert into standing (person_id, ladder, level, since, taken, role, stage, last_move_id)
  with ordered as (
    select m.id, m.person_id, m.ladder, m.sequence, m.date, m.kind, m.to_level, m.taken, m.role, m.stage,
      lag(m.to_level) over of_person as before,
      last_value(m.id) over (of_person rows between unbounded preceding and unbounded following) as newest
    from move m where ${where}
    window of_person as (partition by m.person_id, m.ladder order by m.sequence)
  ), arrival as (
    select distinct on (person_id, ladder) * from ordered
    where kind = 'placed' or before is null or before <> to_level
    order by person_id, ladder, sequence desc
  )
  select a.person_id, a.ladder, a.to_level, a.date,
    coalesce((
      select jsonb_agg(g.taken order by g.sequence) from ordered g
      where g.person_id = a.person_id and g.ladder = a.ladder and g.sequence > a.sequence
        and g.kind = 'grow' and g.taken is not null), '[]'::jsonb),
    p.role, p.stage, a.newest
  from arrival a left join lateral (
    select o.role, o.stage from ordered o
    where o.person_id = a.person_id and o.ladder = a.ladder and o.sequence <= a.sequence
      and (o.kind = 'placed' or o.before is null)
    order by o.sequence desc limit 1) p on true`;

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

import { createHash, randomUUID } from 'node:crypto';
import { and, desc, eq, gt, inArray, isNull, or, sql } from 'drizzle-orm';
import type {
  ClearRequest,
  Report,
  ReportToRead,
  StopRequest,
  StopsOfPerson,
} from '../../contract/reports.ts';
import { judge } from '../../core/floor/index.ts';
import { stopsFor } from '../../core/ladder/index.ts';
import type { Decision, Reach } from '../../core/ladder/index.ts';
import { laddersOf } from '../../core/library/index.ts';
import { daysAfter } from '../../core/terms/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import { among, schema } from '../db/index.ts';
import type { About, Context, Mine, OpenContext } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { refuseFuture } from './known.ts';
import { recordsOf } from './records.ts';
import { stillOpen, tell } from './stops.ts';
import type { Now, Teller } from './stops.ts';

const { clearance, loggedSet, report, reportRead, session } = schema;

/** Pain of so many days, and every open stop, wait to be taken note of. */
const UNREAD_DAYS = 42;
const MOST_UNREAD = 500;
const MOST_OF_PERSON = 100;

/** Stop was pressed: kept once, whatever is sent again under its id. Must run inside a transaction. */
export async function keepStop(c: Context & About, id: string, request: StopRequest): Promise<void> {
  const { date, reach, pain, words } = request;
  refuseFuture(date, c.today, 'Nothing was kept.');
  if (c.hold === 'covers' && date !== c.today) {
    throw new Refusal(403, 'Who covers somebody stops what is of today. Nothing was kept.');
  }
  await tell(c, c.me, {
    personId: c.person.id,
    source: `stop ${c.person.id} ${id}`,
    date,
    told: 'press',
    pain,
    words,
    reach,
  });
}

/** Whether a decision refers somebody for pain, and not for a restriction. */
export const refersForPain = (d: Decision): boolean => d.outcome === 'stop and refer' && d.cause === 'pain';

/**
 * After pain was logged: where the evidence now says stop and refer, that is kept as a stop, so that it stands whatever
 * becomes of the sets. A computation that fails keeps nobody from logging. Must run inside a transaction.
 */
export async function referWhereDue(
  c: Pick<OpenContext, 'db' | 'at' | 'today' | 'inForce' | 'told'>,
  by: Teller,
  personIds: readonly string[],
): Promise<void> {
  try {
    await c.db.transaction(async (db) => {
      const records = await recordsOf(db, c, personIds);
      for (const personId of personIds) {
        const own = records(personId);
        for (const ladder of laddersOf(c.inForce.shelf)) {
          if (stopsFor(own.stops, ladder.pattern).length > 0) continue;
          const { decision } = judge(c, ladder, own, { foretell: false });
          if (decision && refersForPain(decision))
            await tellOutcome({ ...c, db }, by, personId, ladder, decision);
        }
      }
    });
  } catch (error) {
    c.told('Whether the evidence refers somebody could not be computed:', error);
  }
}

/** Keeps a stop for an outcome: once for the evidence it stands on. */
export async function tellOutcome(
  c: Now,
  by: Teller,
  personId: string,
  ladder: { slug: string; pattern: Pattern },
  decision: Decision,
): Promise<void> {
  const of = createHash('sha256')
    .update([...decision.stepBack.setIds].sort().join())
    .digest('hex');
  await tell(c, by, {
    personId,
    source: `outcome ${personId} ${ladder.slug} ${of.slice(0, 24)}`,
    date: c.today,
    told: 'outcome',
    pain: null,
    words: decision.reasons
      .map((r) => r.text)
      .join(' ')
      .slice(0, 400),
    reach: ladder.pattern,
  });
}

type Stored = typeof report.$inferSelect & { open: boolean };
const withOpen = (today: string) => ({ report, open: sql<boolean>`${stillOpen(today)}` });

function reportOf({ inForce }: Context, r: Stored): Report {
  const { id, personId, date, told, pain, felt, words, by, at, reach, clearanceId, open } = r;
  return {
    id,
    personId,
    date,
    told,
    pain,
    felt,
    doing: r.variation && (inForce.shelf.get('variation', r.variation)?.name ?? r.variation),
    words,
    by,
    at: new Date(at).toISOString(),
    reach,
    open,
    lapsed: open && clearanceId !== null,
  };
}

/** What the one who asks has not taken note of, of those they look after, and every stop that is open. */
export async function reportsToRead(c: Context & Mine): Promise<ReportToRead[]> {
  const { db, me, mine, today } = c;
  const names = new Map(mine.map(({ person: p }) => [p.id, p.name]));
  if (names.size === 0) return [];
  const rows = await db
    .select({ ...withOpen(today), readAt: reportRead.at })
    .from(report)
    .leftJoin(clearance, eq(clearance.id, report.clearanceId))
    .leftJoin(reportRead, and(eq(reportRead.reportId, report.id), eq(reportRead.staffId, me.id)))
    .where(
      and(
        among(report.personId, [...names.keys()]),
        or(stillOpen(today), and(isNull(reportRead.at), gt(report.date, daysAfter(today, -UNREAD_DAYS)))),
      ),
    )
    .orderBy(desc(report.at))
    .limit(MOST_UNREAD);
  return rows.map(({ report: r, open, readAt }) => ({
    ...reportOf(c, { ...r, open }),
    name: names.get(r.personId)!,
    unread: readAt === null,
  }));
}

/** Takes note of reports; what is not of those whom the one who asks looks after is left aside. */
export async function takeNote({ db, me, mine, at }: Context & Mine, ids: readonly string[]): Promise<void> {
  const known = new Set(mine.map(({ person: p }) => p.id));
  const rows = await db
    .select({ id: report.id, personId: report.personId })
    .from(report)
    .where(inArray(report.id, [...ids]));
  const own = rows.filter((r) => known.has(r.personId));
  if (own.length === 0) return;
  await db
    .insert(reportRead)
    .values(own.map((r) => ({ reportId: r.id, staffId: me.id, at: at.toISOString() })))
    .onConflictDoNothing();
}

/** What was told of one person, and what cleared it. */
export async function stopsOf(c: Context & About): Promise<StopsOfPerson> {
  const rows = await c.db
    .select(withOpen(c.today))
    .from(report)
    .leftJoin(clearance, eq(clearance.id, report.clearanceId))
    .where(eq(report.personId, c.person.id))
    // Of one moment what stops comes first.
    .orderBy(desc(report.date), desc(report.at), sql`${report.reach} is null`)
    .limit(MOST_OF_PERSON);
  const cleared = await c.db
    .select()
    .from(clearance)
    .where(eq(clearance.personId, c.person.id))
    .orderBy(desc(clearance.at));
  return {
    reports: rows.map(({ report: r, open }) => reportOf(c, { ...r, open })),
    clearances: cleared.map(({ id, reaches, date, untilDate, saidBy, what, by }) => ({
      id,
      reaches,
      date,
      until: untilDate,
      saidBy,
      what,
      by,
    })),
  };
}

/** Patterns in which pain comes back, so that a doctor or physiotherapist is asked. */
async function referredIn(c: Context & About, personId: string): Promise<Pattern[]> {
  const own = (await recordsOf(c.db, c, [personId]))(personId);
  return laddersOf(c.inForce.shelf).flatMap((ladder) =>
    judge(c, ladder, own, { foretell: false }).decision?.referral ? [ladder.pattern] : [],
  );
}

/**
 * Clears every stop of a person that is open, and closes the evidence before it. Must run inside a transaction.
 * @throws Refusal 409 where nothing stops them, 422 where it would be over already
 */
export async function clear(c: Context & About, { saidBy, what, until }: ClearRequest): Promise<void> {
  const { db: tx, me, at, today, person: who } = c;
  const stops = await tx
    .select({ id: report.id, reach: report.reach, clearanceId: report.clearanceId })
    .from(report)
    .leftJoin(clearance, eq(clearance.id, report.clearanceId))
    .where(and(eq(report.personId, who.id), stillOpen(today)));
  const referred = stops.length === 0 ? await referredIn(c, who.id) : [];
  if (stops.length === 0 && referred.length === 0) {
    throw new Refusal(409, 'Nothing stops them any more. Nothing was changed.');
  }
  if (until !== null && until < today) {
    throw new Refusal(422, `until: ${until} is over already. Nothing was changed.`);
  }
  const sets = await tx
    .select({ id: loggedSet.id })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(and(eq(session.personId, who.id), eq(session.date, today)));
  const id = randomUUID();
  const all = new Set<Reach>([...stops.map((s) => s.reach!), ...referred]);
  // Where every stop was cleared before for a time, this lengthens it: nobody begins anew for having waited.
  const closes = referred.length > 0 || stops.some((s) => s.clearanceId === null);
  await tx.insert(clearance).values({
    id,
    personId: who.id,
    reaches: all.has('everything') ? ['everything'] : [...all],
    date: today,
    untilDate: until,
    saidBy,
    what,
    closes,
    setIds: sets.map((s) => s.id),
    by: me.name,
    byId: me.id,
    at: at.toISOString(),
  });
  if (stops.length === 0) return;
  await tx
    .update(report)
    .set({ clearanceId: id })
    .where(
      inArray(
        report.id,
        stops.map((s) => s.id),
      ),
    );
}

import type { ShelfInForce } from '../../core/library/index.ts';
import { and, eq, gte, isNull, lte, sql } from 'drizzle-orm';
import type { FaultReport } from '../../contract/fault.ts';
import { agreementReport, answersReport, faultsWhere } from '../../core/fault/index.ts';
import type { RatedTwice } from '../../core/fault/index.ts';
import { rowsOf, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { daysAfter } from '../../core/terms/index.ts';
import { personList } from '../people/index.ts';

const { faultCase, loggedSet, session, setRating } = schema;

/** Sets are counted month by month, so that logging goes on in between. */
const CHUNK_DAYS = 31;

interface Counted {
  variation: string;
  fault: string | null;
  sets: number;
  people: string[];
}

/** Watched sets of work by variation (fault null), and those that showed a fault by fault and variation. */
async function countFaults(db: Db, from: string, to: string): Promise<Counted[]> {
  const total = new Map<string, { row: Counted; people: Set<string> }>();
  for (let start = from; start <= to; start = daysAfter(start, CHUNK_DAYS)) {
    const last = daysAfter(start, CHUNK_DAYS - 1);
    const end = last < to ? last : to;
    const found = await db.execute(sql`
      with one as (
        select y.variation, y.person_id, s -> 'faults' as faults
        from set_summary y cross join lateral jsonb_array_elements(y.sets) s
        where y.date between ${start} and ${end} and y.working
          and (s ->> 'watched')::boolean and not coalesce((s ->> 'warmUp')::boolean, false)
      )
      select variation, null as fault, count(*)::int as sets, '[]'::jsonb as people from one group by variation
      union all
      select variation, f ->> 'fault', count(*)::int, jsonb_agg(distinct person_id)
      from one cross join lateral jsonb_array_elements(coalesce(faults, '[]'::jsonb)) f
      group by variation, f ->> 'fault'`);
    for (const row of rowsOf<Counted>(found)) {
      const key = `${row.variation} ${row.fault ?? ''}`;
      const sum = total.get(key) ?? { row: { ...row, sets: 0 }, people: new Set<string>() };
      sum.row.sets += row.sets;
      row.people.forEach((p) => sum.people.add(p));
      total.set(key, sum);
    }
    await new Promise((resolve) => setImmediate(resolve));
  }
  return [...total.values()].map(({ row, people }) => ({ ...row, people: [...people] }));
}

/** For the head coach: which faults appear where, which answers help, and where two coaches see the same. */
export async function faultReport(
  db: Db,
  { shelf }: ShelfInForce,
  from: string,
  to: string,
): Promise<FaultReport> {
  const counted = await countFaults(db, from, to);
  const watched = new Map(counted.filter((c) => c.fault === null).map((c) => [c.variation, c.sets]));
  const where = faultsWhere(
    counted.flatMap(({ fault, variation, sets, people }) =>
      fault === null ? [] : [{ fault, variation, sets, people: people.length }],
    ),
    watched,
  );
  const cases = await db
    .select({ tried: faultCase.tried })
    .from(faultCase)
    .where(and(gte(faultCase.date, from), lte(faultCase.date, to)));
  const rows = await db
    .select({ set: loggedSet, date: session.date, personId: session.personId, rating: setRating })
    .from(setRating)
    .innerJoin(loggedSet, eq(loggedSet.id, setRating.setId))
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(
      and(
        gte(session.date, from),
        lte(session.date, to),
        isNull(loggedSet.deletedAt),
        eq(loggedSet.watched, true),
      ),
    );
  const rated = rows.map(({ set, date, personId, rating }): RatedTwice => ({
    setId: set.id,
    date,
    variation: set.variation,
    personId,
    possible: shelf.get('variation', set.variation)?.faults.map((f) => f.fault) ?? [],
    first: { by: set.loggedBy, faults: set.faults.map((f) => f.fault) },
    second: { by: rating.by, faults: rating.faults.map((f) => f.fault) },
  }));
  const answers = answersReport(cases);
  const faults = new Set([
    ...where.map((w) => w.fault),
    ...answers.map((a) => a.fault),
    ...rated.flatMap((r) => r.possible),
  ]);
  const variations = new Set([...where.map((w) => w.variation), ...rated.map((r) => r.variation)]);
  const people = new Set(rated.map((r) => r.personId));
  return {
    from,
    to,
    names: {
      faults: Object.fromEntries([...faults].map((f) => [f, shelf.get('fault', f)?.name ?? f])),
      variations: Object.fromEntries([...variations].map((v) => [v, shelf.get('variation', v)?.name ?? v])),
      people: Object.fromEntries(
        (await personList(db)).filter((p) => people.has(p.id)).map((p) => [p.id, p.name]),
      ),
    },
    where,
    answers,
    agreement: agreementReport(rated),
    rated,
    cases: cases.length,
  };
}

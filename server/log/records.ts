import type { Evidence, Floor, PersonRecords, Trained } from '../../core/floor/index.ts';
import {
  NO_EVIDENCE,
  NO_RECORDS,
  grouped,
  levelOf,
  readingOfLadder,
  variationsOf,
} from '../../core/floor/index.ts';
import { sql } from 'drizzle-orm';
import { leavesOf } from '../../core/criterion/index.ts';
import type { SettledLevel } from '../../core/library/index.ts';
import {
  askedWords,
  clearanceFor,
  evidenceWindow,
  isInForm,
  standingAfter,
  TELLING_DAYS,
} from '../../core/ladder/index.ts';
import type { FactsBySlug } from '../../core/log/index.ts';
import type { IsoDate, Pattern, Region, Side } from '../../core/terms/index.ts';
import type { PainTold, Standing } from '../../core/ladder/index.ts';
import { among, rowsOf, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { answersOf, openRestrictions } from '../people/index.ts';
import { clearancesOf, openStops } from './stops.ts';
import { setsOfSummary } from './summary.ts';
import type { SummaryRow } from './summary.ts';

/** So many people's windows are read at once: a set logged meanwhile waits for one such read at most. */
const CHUNK = 25;

/**
 * The records of some people: what is small for all of them at once, the evidence windows in chunks. A person
 * without any has empty ones. How many old sets there are makes no difference.
 */
export async function recordsOf(
  db: Db,
  { inForce, today, told }: Floor,
  personIds: readonly string[],
): Promise<(personId: string) => PersonRecords> {
  const ids = [...personIds];
  if (ids.length === 0) return () => NO_RECORDS;
  const standingRows = grouped(
    await db.select().from(schema.standing).where(among(schema.standing.personId, ids)),
    (s) => s.personId,
  );
  const restrictions = await openRestrictions(db, ids);
  const stops = await openStops(db, ids, today);
  const clearances = await clearancesOf(db, ids);
  const answers = await answersOf(db, ids);
  const signOffs = grouped(
    await db.select().from(schema.signOff).where(among(schema.signOff.personId, ids)),
    (s) => s.personId,
  );
  const days = await daysOf(db, ids, today);

  const records = new Map(
    ids.map((id): [string, PersonRecords] => {
      const own = standingRows.get(id) ?? [];
      const day = days.get(id);
      return [
        id,
        {
          ...NO_RECORDS,
          standings: new Map(
            own.flatMap((s): [string, Standing][] => {
              const standing = standingAfter(s.moves.map((m) => ({ ...m, taken: m.taken ?? null })));
              return standing ? [[s.ladder, standing]] : [];
            }),
          ),
          lastMoves: new Map(own.map((s) => [s.ladder, s.lastMoveId])),
          told: day ? toldOf(day, inForce) : [],
          trained: day ? trainedBy(day, inForce) : new Map(),
          restrictions: restrictions.get(id) ?? [],
          stops: stops.get(id) ?? [],
          clearances: clearances.get(id) ?? [],
          answers: Object.fromEntries((answers.get(id) ?? []).map((a) => [a.question, a.answer])),
          signOffs: signOffs.get(id) ?? [],
          massKg: day?.massKg ?? null,
          lastSession: day?.lastSession ?? null,
          lastAsked: day?.lastAsked ?? null,
        },
      ];
    }),
  );

  for (let from = 0; from < ids.length; from += CHUNK) {
    const chunk = ids.slice(from, from + CHUNK);
    const found = await windowsOf(
      db,
      { inForce, today, told },
      chunk.map((id) => [id, records.get(id)!] as const),
    );
    for (const id of chunk) {
      const own = found.get(id);
      records.set(id, { ...records.get(id)!, evidence: (ladder) => own?.get(ladder) ?? NO_EVIDENCE });
    }
  }
  return (id) => records.get(id) ?? NO_RECORDS;
}

interface Days {
  massKg: number | null;
  lastSession: IsoDate | null;
  lastAsked: IsoDate | null;
  /** Pain of late in sets of a movement, and before work. */
  pains: { date: IsoDate; pain: number; regions: Region[]; side: Side | null; variation: string | null }[];
  /** Movements with the days of late on which they were trained, and the last of them that was watched. */
  days: { variation: string; dates: IsoDate[]; watched: IsoDate | null }[];
}

async function daysOf(db: Db, ids: readonly string[], today: IsoDate): Promise<Map<string, Days>> {
  const late = (date: string) => sql`${sql.raw(date)} > ${today}::date - ${TELLING_DAYS}::int`;
  const rows = rowsOf<{ id: string } & Days>(
    await db.execute(sql`
    select p.id, p.mass_kg as "massKg",
      (select max(s.date)::text from session s where s.person_id = p.id) as "lastSession",
      (select max(c.date)::text from check_in c where c.person_id = p.id and c.pain is not null) as "lastAsked",
      coalesce((select jsonb_agg(d) from (
        select s.date::text, (x->>'pain')::float as pain, s.variation, x->>'painSide' as side,
          case when x->>'painRegion' is not null then jsonb_build_array(x->>'painRegion')
            else coalesce(jsonb_path_query_array(x, '$.sensations[*] ? (@.kind == "pain").region'), '[]'::jsonb)
          end as regions
        from set_summary s cross join lateral jsonb_array_elements(s.sets) x
        where s.person_id = p.id and s.pain > 0 and (x->>'pain')::float > 0 and ${late('s.date')}
        union all
        select c.date::text, c.pain, null, c.pain_side,
          case when c.pain_region is null then '[]'::jsonb else jsonb_build_array(c.pain_region) end
        from check_in c where c.person_id = p.id and c.pain > 0 and ${late('c.date')}
      ) d), '[]'::jsonb) as pains,
      coalesce((select jsonb_agg(v) from (
        select s.variation, array_agg(s.date) as dates, max(s.date) filter (where s.watched) as watched
        from set_summary s where s.person_id = p.id and s.working and ${late('s.date')} group by s.variation
      ) v), '[]'::jsonb) as days
    from person p where ${among(sql`p.id`, ids)}`),
  );
  return new Map(rows.map((r) => [r.id, r]));
}

const patternIn = (inForce: Floor['inForce'], variation: string): Pattern | null =>
  inForce.shelf.get('variation', variation)?.pattern ?? null;

const toldOf = ({ pains }: Days, inForce: Floor['inForce']): PainTold[] =>
  pains.map(({ variation, ...p }) => ({
    ...p,
    pattern: variation === null ? null : patternIn(inForce, variation),
  }));

function trainedBy({ days }: Days, inForce: Floor['inForce']): Map<Pattern, Trained> {
  const by = grouped(days, (d) => patternIn(inForce, d.variation) ?? '');
  return new Map(
    [...by].map(([pattern, list]): [Pattern, Trained] => [
      pattern as Pattern,
      {
        days: [...new Set(list.flatMap((d) => d.dates))].sort(),
        lastWatched:
          list
            .flatMap((d) => d.watched ?? [])
            .sort()
            .at(-1) ?? null,
      },
    ]),
  );
}

interface Want {
  i: number;
  person: string;
  /** Of the level. */
  variations: string[];
  /** Those of them that are counted in rounds: of the others a session of rounds alone shows nothing. */
  in_rounds: string[];
  /** And those of whom only rounds tell. */
  only_rounds: string[];
  /** Of the pattern: pain and stop faults are read of warm-up and drills too. */
  of_pattern: string[];
  on_ladder: string[];
  first: IsoDate;
  since: IsoDate;
  sessions: number;
  days: number;
}

/** Whether a level asks how long somebody has been on the ladder: only then is that counted. */
const asksWeeks = (level: SettledLevel, standing: Standing): boolean => {
  const { advance, stepBack } = askedWords(level, standing);
  return [advance, stepBack].some((c) => leavesOf(c).some((a) => a.kind === 'weeksOnLadder'));
};

/**
 * The evidence windows of some people on every ladder they stand on, in one query: the newest sessions with the
 * level's variations since arrival, and before the first of them as many days as its criteria look back.
 */
async function windowsOf(
  db: Db,
  { inForce, today, told }: Floor,
  people: readonly (readonly [string, PersonRecords])[],
): Promise<Map<string, Map<string, Evidence>>> {
  const wants: (Want & { ladder: string; facts: FactsBySlug })[] = [];
  for (const [person, { standings, answers, clearances }] of people) {
    for (const [slug, standing] of standings) {
      const ladder = inForce.shelf.get('ladder', slug);
      if (!ladder) continue;
      try {
        const { settled, facts } = readingOfLadder(inForce, ladder, answers, standing);
        const level = levelOf(settled, standing.level);
        if (!level) continue;
        const variations = [level.main, ...level.equals];
        const cleared = clearanceFor(clearances, ladder.pattern)?.date;
        const since = cleared !== undefined && cleared > standing.since ? cleared : standing.since;
        wants.push({
          i: wants.length,
          ladder: slug,
          person,
          variations,
          in_rounds: variations.filter((v) => facts.get(v)?.countedIn === 'rounds'),
          only_rounds: variations.filter((v) => facts.get(v)?.inIntervals),
          facts,
          of_pattern: variationsOf(inForce, ladder),
          on_ladder: asksWeeks(level, standing) ? ladder.levels.flatMap((l) => [l.main, ...l.equals]) : [],
          first: standing.first ?? standing.since,
          since,
          ...evidenceWindow(level, standing),
        });
      } catch (error) {
        // The decision on this one ladder will tell; everybody else's goes on.
        told?.(`The evidence of ${slug} could not be read:`, error);
      }
    }
  }
  const found = new Map<string, Map<string, Evidence>>();
  if (wants.length === 0) return found;
  const asked = JSON.stringify(wants.map(({ ladder: _l, facts: _f, ...w }) => w));
  const rows = rowsOf<SummaryRow & { i: number; total: number; climbed: number }>(
    await db.execute(sql`
    with asked as materialized (
      select * from jsonb_to_recordset(${asked}::jsonb)
        as w(i int, person uuid, variations text[], in_rounds text[], only_rounds text[], of_pattern text[], on_ladder text[], first date, since date,
          sessions int, days int)
    ), wanted as materialized (
      select w.*, d.dates, d.seen,
        case when cardinality(w.on_ladder) = 0 then 0 else (
          select count(distinct x.date)::int from set_summary x
          where x.person_id = w.person and x.variation = any(w.on_ladder) and x.date >= w.first and x.working
        ) end as climbed
      from asked w cross join lateral (
        select array_agg(distinct x.date) as dates, array_agg(distinct x.date) filter (where x.watched) as seen
        from set_summary x
        where x.person_id = w.person and x.variation = any(w.variations) and x.date >= w.since and x.working
          and (x.variation = any(w.in_rounds) or x.sets @? '$[*] ? (!exists(@.rounds))')
          and (not x.variation = any(w.only_rounds) or x.sets @? '$[*] ? (exists(@.rounds))')
      ) d
    )
    select w.i, coalesce(array_length(w.dates, 1), 0) as total, w.climbed, s."sessionId", s.date, s.variation, s.sets
    from wanted w cross join lateral (
      select s.session_id as "sessionId", s.date::text as date, s.variation, s.sets
      from set_summary s
      where s.person_id = w.person
        and s.date >= greatest(w.since,
          -- Distinct dates come in ascending order. Where sessions were not watched, farther back, but not for ever.
          least(
            coalesce(w.dates[greatest(1, array_length(w.dates, 1) + 1 - w.sessions)], ${today}::date - ${TELLING_DAYS}::int),
            greatest(w.seen[greatest(1, array_length(w.seen, 1) + 1 - w.sessions)],
              ${today}::date - ${TELLING_DAYS}::int)) - w.days)
        -- Of few days everything is looked at: an index by variation would be asked once for each of the pattern.
        and array_position(w.of_pattern, s.variation) is not null
        -- Of other work of the pattern it is pain and faults that count.
        and (array_position(w.variations, s.variation) is not null or s.pain > 0 or s.sets @? '$[*].faults')
      -- Keeps it one look a person instead of one over everybody's sets.
      offset 0
    ) s`),
  );
  for (const [i, list] of grouped(rows, (r) => String(r.i))) {
    const want = wants[Number(i)]!;
    const sets = list.flatMap(setsOfSummary);
    const here = sets.filter(
      (x) => want.variations.includes(x.variation) && !x.warmUp && !x.sideTest && isInForm(x, want.facts),
    );
    const own = found.get(want.person) ?? new Map<string, Evidence>();
    own.set(want.ladder, {
      sets,
      earlierSessions: list[0]!.total - new Set(here.map((x) => x.date)).size,
      ...(want.on_ladder.length > 0 ? { sessionsOnLadder: list[0]!.climbed } : {}),
    });
    found.set(want.person, own);
  }
  return found;
}

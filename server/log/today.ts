import { laddersOf, resolve } from '../../core/library/index.ts';
import type { Ladder, ResolvedVariation, Shelf, ShelfInForce } from '../../core/library/index.ts';
import {
  askBeforeWork,
  barring,
  barSentence,
  cueRecord,
  inForce as restrictionInForce,
  nextSet,
  rankedCues,
  recurringFaults,
  setsToFollow,
  takenWaySentence,
  targetAt,
  withoutHealth,
} from '../../core/ladder/index.ts';
import { levelEvidence, setWithoutHealth, sideDifference, sidesDiffer } from '../../core/log/index.ts';
import type { CueTried } from '../../core/ladder/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import type { Today, TodayLine, TodayPerson, Watch } from '../../contract/session.ts';
import type { Person } from '../../contract/people.ts';
import type { Context } from '../endpoint.ts';
import { squadList } from '../hall/index.ts';
import { seesHealth } from '../people/index.ts';
import { checkInsOf, cuesTriedBy } from './check-ins.ts';
import { judge } from './evidence.ts';
import { newestWithAids, setsOn } from './history.ts';
import { levelOf, readingOfLadder } from './readings.ts';
import { recordsOf } from './records.ts';
import type { PersonRecords } from './records.ts';

/** Equipment of a variation, what the hall has fewest of first: that is what will be taken. */
function kitOf(read: ResolvedVariation, shelf: Shelf): TodayLine['kit'] {
  return [...read.equipmentAll, ...read.equipmentAny.flat()]
    .map(({ equipment: { slug, name } }) => ({
      slug,
      name,
      inHall: shelf.get('equipment', slug)?.inHall ?? 0,
    }))
    .sort((a, b) => a.inHall - b.inHall)
    .map(({ slug, name }) => ({ slug, name }));
}

/** Monday 1 to Sunday 7. */
export const weekdayOf = (date: string) => new Date(`${date}T00:00:00Z`).getUTCDay() || 7;

const CUES_SHOWN = 3;

/** The variations of the levels somebody stands on, equals too. */
export const variationsNow = ({ shelf }: ShelfInForce, { standings }: PersonRecords): string[] =>
  [...standings].flatMap(([slug, s]) => {
    const level = shelf.get('ladder', slug)?.levels.find((l) => l.id === s.level);
    return level ? [level.main, ...level.equals] : [];
  });

/** Everybody given with what they do next, what to watch, and what to ask before work. */
export async function todayOf(
  { db, inForce, today: date, me }: Context,
  people: readonly Person[],
): Promise<Today> {
  const ids = people.map((p) => p.id);
  const squads = (await squadList(db)).map(({ id, name, trainingDays }) => ({
    id,
    name,
    trains: trainingDays.length === 0 || trainingDays.includes(weekdayOf(date)),
  }));
  const records = await recordsOf(db, inForce, ids, date);
  const checkIns = await checkInsOf(db, ids, date);
  const tried = await cuesTriedBy(db, ids);
  const ladders = laddersOf(inForce.shelf);
  const onNow = [...new Set(ids.flatMap((id) => variationsNow(inForce, records(id))))];
  const aids = await newestWithAids(db, ids, onNow);
  const done = await setsOn(db, ids, date);
  return {
    date,
    squads,
    people: people.map((person): TodayPerson => {
      const own = records(person.id);
      const sees = seesHealth(me, person);
      const checkIn = checkIns.get(person.id) ?? null;
      const trains = person.squadId === null || (squads.find((s) => s.id === person.squadId)?.trains ?? true);
      const ask = askBeforeWork({
        today: date,
        lastAsked:
          checkIn && (checkIn.pain ?? checkIn.sleepH ?? checkIn.atEase) !== null ? date : own.lastAsked,
        painfulDays: own.painfulDays,
        restrictions: own.restrictions,
        lastSession: own.lastSession,
      });
      return {
        personId: person.id,
        expected: checkIn?.here ?? trains,
        checkIn: checkIn && (sees ? checkIn : { ...checkIn, pain: null }),
        ask: ask === null || sees ? ask : 'A staff member of the squad asks before work.',
        lastSession: own.lastSession,
        seesHealth: sees,
        sets: (done.get(person.id) ?? []).map((s) => (sees ? s : { ...s, ...setWithoutHealth(s) })),
        lines: ladders.flatMap(
          (ladder) =>
            lineOrFailure({
              inForce,
              ladder,
              own,
              withAids: aids.get(person.id) ?? [],
              tried: tried.get(person.id) ?? [],
              date,
              sees,
            }) ?? [],
        ),
      };
    }),
  };
}

/** What a line of today is made of. */
export interface LineInput {
  inForce: ShelfInForce;
  ladder: Ladder;
  own: PersonRecords;
  /** The sets that told aids last, of what is done now. */
  withAids: readonly LoggedSet[];
  tried: readonly CueTried[];
  date: string;
  /** Whether the reader sees pain. */
  sees: boolean;
}

/** The line, or, where it cannot be computed, that it could not: the others go on, and so does logging. */
function lineOrFailure(of: LineInput): TodayLine | null {
  try {
    return lineOf(of);
  } catch (error) {
    const { inForce, ladder, own } = of;
    console.error(`What is next on ${ladder.slug} failed:`, error);
    const level = ladder.levels.find((l) => l.id === own.standings.get(ladder.slug)?.level);
    const main = level && inForce.shelf.get('variation', level.main);
    if (!level || !main) return null;
    return {
      ladder: ladder.slug,
      ladderName: ladder.name,
      pattern: ladder.pattern,
      levelName: level.name,
      levelNumber: ladder.levels.indexOf(level) + 1,
      levels: ladder.levels.length,
      stage: level.stage,
      since: own.standings.get(ladder.slug)?.since ?? '',
      below: null,
      outcome: null,
      reason: null,
      variation: main.slug,
      variationName: main.name,
      variationNote: null,
      oneSided: main.laterality !== 'two legs',
      target: targetAt(level.dose, []),
      next: null,
      recent: [],
      countedIn: main.countedIn,
      severities: {},
      wayOn: null,
      wayOnDue: false,
      watch: [],
      cues: [],
      ifItGoesWrong: [],
      kit: [],
      failure: 'What is next could not be computed. Logging goes on; nothing is lost.',
    };
  }
}

/** What one person does on one ladder today; null where they do not stand on it. */
export function lineOf({ inForce, ladder, own, withAids, tried, date, sees }: LineInput): TodayLine | null {
  const { shelf } = inForce;
  const { standing, decision, failure } = judge(inForce, ladder, own, date, { foretell: false });
  if (!standing) return null;
  const { settled, facts } = readingOfLadder(inForce, ladder, own.answers, standing.stage);
  const level = levelOf(settled, standing.level);
  if (!level) return null;
  const stage = standing.stage ?? level.stage;
  const stopped = decision?.outcome === 'stop and refer';
  const slug = stopped ? null : (decision?.variation ?? level.main);
  const known = slug === null ? undefined : facts.get(slug);
  const raw = slug === null ? undefined : shelf.get('variation', slug);
  const read = raw && resolve(raw, shelf, { stage, answers: own.answers });
  const shown = decision && (sees ? decision : withoutHealth(decision));
  const target = targetAt(level.dose, standing.taken);
  const { sets } = own.evidence(ladder.slug);
  const seen = new Set(sets.map((s) => s.id));
  const all = [...sets, ...withAids.filter((s) => !seen.has(s.id))];
  const record = cueRecord(tried, slug ?? '');
  // The decision names the first way on still open, whether it is due or not.
  const wayOn = decision?.grow.next ?? null;
  const cueText = new Map(read?.cues.map((c) => [c.slug, c.text]));
  return {
    ladder: ladder.slug,
    ladderName: ladder.name,
    pattern: ladder.pattern,
    levelName: level.name,
    levelNumber: settled.levels.indexOf(level) + 1,
    levels: settled.levels.length,
    stage,
    since: standing.since,
    below: belowOf(),
    outcome: shown?.outcome ?? null,
    reason: shown?.reasons[0]?.text ?? null,
    variation: slug,
    variationName: raw?.name ?? null,
    variationNote: decision?.variationNote ?? null,
    oneSided: known?.oneSided ?? false,
    target,
    next: known ? nextSet(all, known, target, date) : null,
    recent: setsToFollow(all, slug ?? '', date).map((s) => (sees ? s : setWithoutHealth(s))),
    countedIn: known?.countedIn ?? 'repetitions',
    severities: known?.severities ?? {},
    wayOn: wayOn ? takenWaySentence(wayOn) : null,
    wayOnDue: wayOn !== null && decision?.outcome === 'grow',
    watch: watchOf(),
    cues: rankedCues(read?.cues ?? [], record)
      .slice(0, CUES_SHOWN)
      .map((c) => ({
        slug: c.slug,
        text: c.text,
        record: record.works.includes(c.slug) ? 'works' : record.failed.includes(c.slug) ? 'failed' : null,
      })),
    ifItGoesWrong: read?.lines.ifItGoesWrong ?? [],
    kit: read ? kitOf(read, shelf) : [],
    failure,
  };

  function belowOf(): TodayLine['below'] {
    const under = settled.levels[settled.levels.indexOf(level!) - 1];
    const main = under && shelf.get('variation', under.main);
    if (!under || !main) return null;
    const bars = own.restrictions.filter((r) => restrictionInForce(r, date));
    if (barring(bars, main).length > 0) return null;
    return { variation: main.slug, name: main.name, levelName: under.name };
  }

  function watchOf(): Watch[] {
    const found: Watch[] = [];
    const bars = own.restrictions.filter((r) => restrictionInForce(r, date));
    for (const r of bars) {
      found.push({
        kind: 'restriction',
        text: `Barred: ${r.bars.map(barSentence).join(', ')}${r.until ? ` until ${r.until}` : ''}`,
      });
    }
    for (const f of recurringFaults(sets).filter((x) => x.variation === slug)) {
      const name = shelf.get('fault', f.fault)?.name ?? f.fault;
      const where = f.side ? `, only on the ${f.side}` : '';
      found.push({ kind: 'fault', text: `${name}: ${f.dates.length} sessions running${where}` });
    }
    const sides = sideDifference(
      levelEvidence(sets, [level!.main, ...level!.equals], standing!.since),
      facts,
      date,
    );
    if (sides && sidesDiffer(sides)) {
      found.push({
        kind: 'sides',
        text: `Left ${sides.left}, right ${sides.right} in the side test of ${sides.date}`,
      });
    }
    if (sees) {
      const pain = [...own.painfulDays].sort().at(-1);
      if (pain && pain >= standing!.since) found.push({ kind: 'pain', text: `Pain was reported on ${pain}` });
    }
    for (const c of record.works) {
      const text = cueText.get(c);
      if (text) found.push({ kind: 'cue works', text });
    }
    for (const c of record.failed) {
      const text = cueText.get(c);
      if (text) found.push({ kind: 'cue failed', text });
    }
    return found;
  }
}

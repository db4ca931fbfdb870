import { and, eq, inArray, isNotNull, ne } from 'drizzle-orm';
import { laddersOf } from '../../core/library/index.ts';
import type { Ladder, ShelfInForce } from '../../core/library/index.ts';
import {
  decide,
  heldLevels,
  LONG_UNSEEN_DAYS,
  recurringFaults,
  stayOf,
  targetAt,
  withoutHealth,
} from '../../core/ladder/index.ts';
import { daysBetween } from '../../core/terms/index.ts';
import { levelEvidence, setWithoutHealth, sideDifference, sidesDiffer } from '../../core/log/index.ts';
import type { Decision, Standing } from '../../core/ladder/index.ts';
import type { MoveRow, OnLadder, PersonLine, PersonOnLadders } from '../../contract/log.ts';
import type { Person } from '../../contract/people.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { recentSets, settingsOf } from './history.ts';
import { levelOf, ofLibrary, readingOfLadder } from './readings.ts';
import { recordsOf } from './records.ts';
import type { PersonRecords } from './records.ts';

const { move, moveFlag, standing } = schema;

export type MoveRecord = typeof move.$inferSelect;

/** Documents a decision on the ladder reads, by `kind/slug`, with their revisions. */
export function revisionsRead(inForce: ShelfInForce, ladder: Ladder): Record<string, number> {
  const { shelf, revisions } = inForce;
  const ids = [`ladder/${ladder.slug}`];
  for (const level of ladder.levels) {
    for (const slug of [level.main, ...level.equals]) {
      ids.push(`variation/${slug}`);
      for (const f of shelf.get('variation', slug)?.faults ?? []) ids.push(`fault/${f.fault}`);
    }
  }
  for (const q of shelf.all('houseQuestion')) ids.push(`houseQuestion/${q.slug}`);
  return Object.fromEntries([...new Set(ids)].map((id) => [id, revisions.get(id) ?? 0]));
}

export interface Judgement {
  standing: Standing | null;
  decision: Decision | null;
  failure: string | null;
}

/**
 * The decision for a person on a ladder; a computation that fails is told, never thrown.
 * @param ladder the one in force, or an edited one that is being tried
 */
export function judge(
  inForce: ShelfInForce,
  ladder: Ladder,
  records: PersonRecords,
  today: string,
  {
    standing = records.standings.get(ladder.slug) ?? null,
    foretell = true,
  }: { standing?: Standing | null; foretell?: boolean } = {},
): Judgement {
  if (!standing) return { standing: null, decision: null, failure: null };
  try {
    const { settled, facts, loweringS } = readingOfLadder(inForce, ladder, records.answers, standing.stage);
    const { sets, earlierSessions } = records.evidence(ladder.slug);
    const decision = decide({
      ladder: settled,
      facts,
      loweringS,
      standing,
      sets,
      earlierSessions,
      painfulDays: records.painfulDays,
      restrictions: records.restrictions,
      kit: ofLibrary(inForce).kit,
      heldElsewhere: heldLevels(inForce.shelf.all('ladder'), records.standings),
      massKg: records.massKg,
      signOffs: records.signOffs,
      nameOf: ofLibrary(inForce).nameOf,
      foretell,
      today,
    });
    return { standing, decision, failure: null };
  } catch (error) {
    console.error(`The decision on ${ladder.slug} failed:`, error);
    return {
      standing,
      decision: null,
      failure: `The decision could not be computed (${error instanceof Error ? error.message : 'unknown'}). Logging goes on; nothing is lost.`,
    };
  }
}

/** Everything about one person on every ladder, without pain for those who may not see it. */
export async function personOnLadders(
  db: Db,
  inForce: ShelfInForce,
  personId: string,
  today: string,
  seesHealth: boolean,
): Promise<PersonOnLadders> {
  const own = (await recordsOf(db, inForce, [personId], today))(personId);
  const { shelf, revisions } = inForce;
  const ladders = laddersOf(shelf)
    .map((raw): OnLadder => {
      const { standing, decision, failure } = judge(inForce, raw, own, today);
      const { settled, facts } = readingOfLadder(inForce, raw, own.answers, standing?.stage);
      const level = levelOf(settled, standing?.level);
      return {
        ladder: settled,
        ladderRevision: revisions.get(`ladder/${raw.slug}`) ?? 0,
        standing,
        stay: standing && level ? stayOf(level.usualStayWeeks, standing.since, today) : null,
        // Where the decision failed, so may the ways on taken: the level's own dose still tells what to log.
        target: standing && level ? targetAt(level.dose, failure === null ? standing.taken : []) : null,
        decision: decision && (seesHealth ? decision : withoutHealth(decision)),
        failure,
        names: Object.fromEntries([...facts.values()].map((f) => [f.slug, f.name])),
        facts: Object.fromEntries(facts),
      };
    })
    // Where they stand comes before where they have not begun.
    .sort((a, b) => Number(a.standing === null) - Number(b.standing === null));
  const { sets, sessions, more } = await recentSets(db, personId);
  return {
    sets: seesHealth ? sets : sets.map((set) => ({ ...set, ...setWithoutHealth(set) })),
    sessions,
    moreSessions: more,
    ladders,
    moves: await movesOf(db, personId, seesHealth),
    signOffs: [...own.signOffs],
    settings: await settingsOf(db, personId),
    seesHealth,
  };
}

/** The person's decisions, the newest first, each with the evidence as it was. */
async function movesOf(db: Db, personId: string, seesHealth: boolean): Promise<MoveRow[]> {
  const moves = await db.select().from(move).where(eq(move.personId, personId)).orderBy(move.sequence);
  const flags = moves.length
    ? await db
        .select()
        .from(moveFlag)
        .where(
          inArray(
            moveFlag.moveId,
            moves.map((m) => m.id),
          ),
        )
    : [];
  return moves
    .map((m): MoveRow => ({
      id: m.id,
      date: m.date,
      ladder: m.ladder,
      kind: m.kind,
      fromLevel: m.fromLevel,
      toLevel: m.toLevel,
      taken: m.taken,
      role: m.role,
      stage: m.stage,
      proposed: m.proposed,
      reason: m.reason,
      by: m.by,
      stateNumber: m.stateNumber,
      evidence: m.evidence && (seesHealth ? m.evidence : withoutHealth(m.evidence)),
      flags: flags.filter((f) => f.moveId === m.id).map(({ setId, what, at }) => ({ setId, what, at })),
    }))
    .reverse();
}

/** Lets what waits, such as a set being logged, go first. */
const breath = () => new Promise<void>((resolve) => setImmediate(resolve));

/** One line a person and ladder: where they stand, what the tool proposes, and what a head coach looks for. */
export async function overview(
  db: Db,
  inForce: ShelfInForce,
  people: readonly Person[],
  today: string,
  sees: (person: Person) => boolean,
): Promise<PersonLine[]> {
  const records = await recordsOf(
    db,
    inForce,
    people.map((p) => p.id),
    today,
  );
  const ladders = laddersOf(inForce.shelf);
  const overrides = await overridesInForce(db);
  const faultName = (slug: string) => inForce.shelf.get('fault', slug)?.name ?? slug;
  const lines: PersonLine[] = [];
  for (const [n, person] of people.entries()) {
    if (n % 10 === 9) await breath();
    const own = records(person.id);
    const unseen = own.lastSession === null ? null : daysBetween(own.lastSession, today);
    for (const ladder of ladders) {
      const { standing, decision, failure } = judge(inForce, ladder, own, today, { foretell: false });
      const shown = decision && (sees(person) ? decision : withoutHealth(decision));
      const index = ladder.levels.findIndex((l) => l.id === standing?.level);
      const level = ladder.levels[index];
      const stay = standing && level ? stayOf(level.usualStayWeeks, standing.since, today) : null;
      const { facts } = readingOfLadder(inForce, ladder, own.answers, standing?.stage);
      const { sets } = own.evidence(ladder.slug);
      const sessions =
        level && standing ? levelEvidence(sets, [level.main, ...level.equals], standing.since) : [];
      const sides = sideDifference(sessions, facts, today);
      lines.push({
        personId: person.id,
        ladder: ladder.slug,
        ladderName: ladder.name,
        levelName: level?.name ?? null,
        levelNumber: index === -1 ? null : index + 1,
        levels: ladder.levels.length,
        since: standing?.since ?? null,
        outcome: shown?.outcome ?? null,
        reason: shown?.reasons[0]?.text ?? failure,
        lastSession: own.lastSession,
        unseenDays: unseen !== null && unseen >= LONG_UNSEEN_DAYS ? unseen : null,
        stuckWeeks: stay?.beyond && decision?.outcome !== 'move up' ? stay.weeks : null,
        usualWeeks: level?.usualStayWeeks.to ?? null,
        overridden: overrides.get(own.lastMoves.get(ladder.slug) ?? '') ?? null,
        sides: sides && sidesDiffer(sides) ? sides : null,
        faults: recurringFaults(sets).map((f) => ({ ...f, name: faultName(f.fault) })),
      });
    }
  }
  return lines;
}

/** The newest decisions on any ladder that went against the proposal, by id. */
async function overridesInForce(db: Db) {
  const found = new Map<string, NonNullable<PersonLine['overridden']>>();
  const rows = await db
    .select({
      id: move.id,
      date: move.date,
      kind: move.kind,
      proposed: move.proposed,
      reason: move.reason,
      by: move.by,
    })
    .from(standing)
    .innerJoin(move, eq(move.id, standing.lastMoveId))
    .where(and(isNotNull(move.proposed), ne(move.kind, move.proposed)));
  for (const { id, kind, proposed, ...rest } of rows) {
    if (proposed !== null && kind !== 'placed') found.set(id, { ...rest, proposed, chosen: kind });
  }
  return found;
}

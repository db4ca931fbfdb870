import { and, eq, inArray, isNull } from 'drizzle-orm';
import { laddersOf, resolve, resolveLadder } from '../../core/library/index.ts';
import type { Ladder, SettledLadder, SettledLevel } from '../../core/library/index.ts';
import {
  decide,
  factsOf,
  setWithoutHealth,
  standingAfter,
  targetAt,
  withoutHealth,
} from '../../core/ladder/index.ts';
import type { Decision, LoggedSet, Restriction, Standing, VariationFacts } from '../../core/ladder/index.ts';
import type { MoveRow, OnLadder, PersonLine, PersonOnLadders, StoredSet } from '../../contract/log.ts';
import type { Person } from '../../contract/people.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { ShelfInForce } from '../library/index.ts';
import { answersOf, openRestrictions } from '../people/index.ts';

const { loggedSet, session, move, moveFlag } = schema;

export type MoveRecord = typeof move.$inferSelect;

/** All that the decisions about one person stand on. */
export interface PersonRecords {
  sets: readonly StoredSet[];
  moves: readonly MoveRecord[];
  restrictions: readonly Restriction[];
  /** Their own answers to house questions. */
  answers: Readonly<Record<string, string>>;
}

const NOTHING: PersonRecords = { sets: [], moves: [], restrictions: [], answers: {} };

function grouped<T>(rows: readonly T[], key: (row: T) => string): Map<string, T[]> {
  const map = new Map<string, T[]>();
  for (const row of rows) {
    const list = map.get(key(row));
    if (list) list.push(row);
    else map.set(key(row), [row]);
  }
  return map;
}

/** The records of some people, read with a fixed number of queries; a person without any has empty ones. */
export async function recordsOf(
  db: Db,
  personIds: readonly string[],
): Promise<(personId: string) => PersonRecords> {
  const ids = [...personIds];
  if (ids.length === 0) return () => NOTHING;
  const rows = await db
    .select({ set: loggedSet, date: session.date, personId: session.personId })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(and(inArray(session.personId, ids), isNull(loggedSet.deletedAt)));
  const moves = await db.select().from(move).where(inArray(move.personId, ids)).orderBy(move.sequence);
  const sets = new Map<string, StoredSet[]>();
  for (const [personId, list] of grouped(rows, (r) => r.personId)) {
    sets.set(
      personId,
      list
        .map(({ set: { deletedAt: _gone, ...set }, date }): StoredSet => ({ ...set, date }))
        .sort((a, b) => (a.date === b.date ? a.ordinal - b.ordinal : a.date < b.date ? -1 : 1)),
    );
  }
  const movesOf = grouped(moves, (m) => m.personId);
  const restrictions = await openRestrictions(db, ids);
  const answers = await answersOf(db, ids);
  return (id) => ({
    sets: sets.get(id) ?? [],
    moves: movesOf.get(id) ?? [],
    restrictions: restrictions.get(id) ?? [],
    answers: Object.fromEntries((answers.get(id) ?? []).map((a) => [a.question, a.answer])),
  });
}

/** Equipment the hall has at all; counting who holds what is for the group's plan. */
function kitOf({ shelf }: ShelfInForce): Set<string> {
  return new Set(shelf.all('equipment').flatMap((e) => (e.inHall > 0 ? [e.slug] : [])));
}

function heldLevels(ladders: readonly Ladder[], moves: readonly MoveRecord[]): Set<string> {
  const held = new Set<string>();
  for (const ladder of ladders) {
    const standing = standingAfter(moves.filter((m) => m.ladder === ladder.slug));
    const index = ladder.levels.findIndex((l) => l.id === standing?.level);
    // Standing on a level means that those below it are held.
    for (const level of ladder.levels.slice(0, Math.max(0, index))) held.add(`${ladder.slug}/${level.id}`);
  }
  return held;
}

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

/** The decision for a person on a ladder; a computation that fails is told, never thrown. */
export function judge(
  inForce: ShelfInForce,
  ladder: Ladder,
  records: {
    sets: readonly LoggedSet[];
    moves: readonly MoveRecord[];
    restrictions: readonly Restriction[];
    answers?: Readonly<Record<string, string>>;
  },
  today: string,
): Judgement {
  const { shelf } = inForce;
  const answers = records.answers ?? {};
  const standing = standingAfter(records.moves.filter((m) => m.ladder === ladder.slug));
  if (!standing) return { standing: null, decision: null, failure: null };
  try {
    const facts = new Map<string, VariationFacts>();
    const loweringS = new Map<string, number>();
    for (const level of ladder.levels) {
      for (const slug of [level.main, ...level.equals]) {
        const variation = shelf.get('variation', slug);
        if (!variation) continue;
        facts.set(slug, factsOf(resolve(variation, shelf, { stage: level.stage, answers })));
        loweringS.set(slug, variation.tempo.loweringS);
      }
    }
    const decision = decide({
      ladder: resolveLadder(ladder, shelf, answers),
      facts,
      loweringS,
      standing,
      sets: records.sets,
      restrictions: records.restrictions,
      kit: kitOf(inForce),
      heldElsewhere: heldLevels(shelf.all('ladder'), records.moves),
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

const levelOf = (ladder: SettledLadder, id: string | undefined): SettledLevel | undefined =>
  ladder.levels.find((l) => l.id === id);

/** Everything about one person on every ladder, without pain for those who may not see it. */
export async function personOnLadders(
  db: Db,
  inForce: ShelfInForce,
  personId: string,
  today: string,
  seesHealth: boolean,
): Promise<PersonOnLadders> {
  const own = (await recordsOf(db, [personId]))(personId);
  const { sets, moves } = own;
  const { shelf, revisions } = inForce;
  const ladders = laddersOf(shelf)
    .map((raw): OnLadder => {
      const { standing, decision, failure } = judge(inForce, raw, own, today);
      const ladder = resolveLadder(raw, shelf, own.answers);
      const level = levelOf(ladder, standing?.level);
      const names = Object.fromEntries(
        ladder.levels
          .flatMap((l) => [l.main, ...l.equals])
          .map((slug) => [slug, shelf.get('variation', slug)?.name ?? slug]),
      );
      return {
        ladder,
        ladderRevision: revisions.get(`ladder/${ladder.slug}`) ?? 0,
        standing,
        target: standing && level ? targetAt(level.dose, standing.taken) : null,
        decision: decision && (seesHealth ? decision : withoutHealth(decision)),
        failure,
        names,
      };
    })
    // Where they stand comes before where they have not begun.
    .sort((a, b) => Number(a.standing === null) - Number(b.standing === null));
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
  return {
    sets: seesHealth ? [...sets] : sets.map((set) => ({ ...set, ...setWithoutHealth(set) })),
    ladders,
    moves: moves
      .map((m): MoveRow => ({
        id: m.id,
        date: m.date,
        ladder: m.ladder,
        kind: m.kind,
        fromLevel: m.fromLevel,
        toLevel: m.toLevel,
        taken: m.taken,
        proposed: m.proposed,
        reason: m.reason,
        by: m.by,
        stateNumber: m.stateNumber,
        evidence: m.evidence && (seesHealth ? m.evidence : withoutHealth(m.evidence)),
        flags: flags.filter((f) => f.moveId === m.id).map(({ setId, what, at }) => ({ setId, what, at })),
      }))
      .reverse(),
    seesHealth,
  };
}

/** One line a person and ladder: where they stand and what the tool proposes. */
export async function overview(
  db: Db,
  inForce: ShelfInForce,
  people: readonly Person[],
  today: string,
  sees: (person: Person) => boolean,
): Promise<PersonLine[]> {
  const records = await recordsOf(
    db,
    people.map((p) => p.id),
  );
  const ladders = laddersOf(inForce.shelf);
  return people.flatMap((person) =>
    ladders.map((ladder): PersonLine => {
      const own = records(person.id);
      const { standing, decision, failure } = judge(inForce, ladder, own, today);
      const shown = decision && (sees(person) ? decision : withoutHealth(decision));
      const index = ladder.levels.findIndex((l) => l.id === standing?.level);
      return {
        personId: person.id,
        ladder: ladder.slug,
        ladderName: ladder.name,
        levelName: ladder.levels[index]?.name ?? null,
        levelNumber: index === -1 ? null : index + 1,
        levels: ladder.levels.length,
        since: standing?.since ?? null,
        outcome: shown?.outcome ?? null,
        reason: shown?.reasons[0]?.text ?? failure,
        lastSession: own.sets.at(-1)?.date ?? null,
      };
    }),
  );
}

import type { Door, PersonLine, Floor, Overridden } from '../../core/floor/index.ts';
import { onLadders, overviewLines } from '../../core/floor/index.ts';
import { and, eq, inArray, isNotNull, ne } from 'drizzle-orm';
import type { MoveRow, PersonOnLadders } from '../../contract/log.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About } from '../endpoint.ts';
import { recentSets, settingsOf } from './history.ts';
import { recordsOf } from './records.ts';

const { move, moveFlag, standing } = schema;

export type MoveRecord = typeof move.$inferSelect;

/** Everything about one person on every ladder. */
export async function personOnLadders(
  db: Db,
  floor: Floor,
  personId: string,
  door: Door,
): Promise<PersonOnLadders> {
  const own = (await recordsOf(db, floor, [personId]))(personId);
  const ladders = onLadders(floor, own, door);
  const { sets, sessions, more } = await recentSets(db, personId);
  return {
    sets: sets.map(door.set),
    sessions,
    moreSessions: more,
    ladders,
    moves: await movesOf(db, personId, door),
    signOffs: [...own.signOffs],
    settings: await settingsOf(db, personId),
  };
}

/** The person's decisions, the newest first, each with the evidence as it was. */
async function movesOf(db: Db, personId: string, door: Door): Promise<MoveRow[]> {
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
      form: m.form,
      proposed: m.proposed,
      reason: m.reason,
      by: m.by,
      stateNumber: m.stateNumber,
      evidence: m.evidence && door.decision(m.evidence),
      flags: flags.filter((f) => f.moveId === m.id).map(({ setId, what, at }) => ({ setId, what, at })),
    }))
    .reverse();
}

/** Lets what waits, such as a set being logged, go first. */
const breath = () => new Promise<void>((resolve) => setImmediate(resolve));

/** One line a person and ladder: where they stand, what the tool proposes, and what a head coach looks for. */
export async function overview(db: Db, floor: Floor, people: readonly About[]): Promise<PersonLine[]> {
  const records = await recordsOf(
    db,
    floor,
    people.map(({ person }) => person.id),
  );
  const overrides = await overridesInForce(db);
  const lines: PersonLine[] = [];
  for (const [n, { person, door }] of people.entries()) {
    if (n % 10 === 9) await breath();
    const own = records(person.id);
    lines.push(...overviewLines(floor, person.id, own, door, overrides));
  }
  return lines;
}

/** The newest decisions on any ladder that went against the proposal, by id. */
async function overridesInForce(db: Db) {
  const found = new Map<string, Overridden>();
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
    if (proposed !== null && kind !== 'placed' && kind !== 'form')
      found.set(id, { ...rest, proposed, chosen: kind });
  }
  return found;
}

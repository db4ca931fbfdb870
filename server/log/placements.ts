import { ofLibrary, readingOfLadder } from '../../core/floor/index.ts';
import type { Door, Shown } from '../../core/floor/index.ts';
import { randomUUID } from 'node:crypto';
import { desc, eq } from 'drizzle-orm';
import { beginsSimplest, clearanceFor, heldLevels, placementStep } from '../../core/ladder/index.ts';
import type { PlacementStep, Trial } from '../../core/ladder/index.ts';
import type {
  PlacementAnswer,
  PlacementKept,
  PlacementRequest,
  PlacementRow,
} from '../../contract/session.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { About, Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { forDeciding, place, refuseUntaught } from './moves.ts';
import { recordsOf } from './records.ts';
import { refuseStopped, tell } from './stops.ts';

const { placement } = schema;

async function stepFor(c: Context & About, request: PlacementRequest): Promise<PlacementStep> {
  const { db, inForce, person, today } = c;
  const ladder = inForce.shelf.get('ladder', request.ladder);
  if (!ladder) throw new Refusal(422, `ladder: there is no ladder "${request.ladder}".`);
  const own = (await recordsOf(db, c, [person.id]))(person.id);
  if (!own.standings.has(ladder.slug)) refuseUntaught(ladder, inForce, own.answers);
  const { settled, facts } = readingOfLadder(inForce, ladder, own.answers);
  const unknown = request.trials.find((t) => !settled.levels.some((l) => l.id === t.level));
  if (unknown) throw new Refusal(422, `trials: the ladder has no level "${unknown.level}".`);
  return placementStep({
    levels: settled.levels,
    facts,
    restrictions: own.restrictions,
    kit: ofLibrary(inForce).kit,
    heldElsewhere: heldLevels(inForce.shelf.all('ladder'), own.standings),
    experience: request.experience,
    atEase: request.atEase,
    // Whoever was stopped and cleared begins again among the learning levels.
    careful: request.careful || clearanceFor(own.clearances, ladder.pattern) !== null,
    simplestFirst: beginsSimplest(inForce.shelf, own.answers),
    trials: request.trials,
    way: c.hall?.placementWay ?? 'information',
    nameOf: ofLibrary(inForce).nameOf,
    today,
  });
}

/** What to try next, or where the trials so far lead; nothing is kept. */
export async function nextTrial(c: Context & About, request: PlacementRequest): Promise<PlacementAnswer> {
  const { inForce, ladder: of } = await forDeciding(c, request.ladder);
  await refuseStopped(c, of.pattern);
  const step = await stepFor({ ...c, inForce }, request);
  const ladder = inForce.shelf.get('ladder', request.ladder)!;
  const level = step.step === 'stop' ? step.passed : step.level;
  return {
    ...step,
    levelName: ladder.levels.find((l) => l.id === level)?.name ?? null,
    variationName:
      step.step === 'try' ? (inForce.shelf.get('variation', step.variation)?.name ?? null) : null,
  };
}

const TRIAL_WORDS: Record<Trial['result'], string> = {
  passed: 'passed',
  fault: 'a fault',
  'not at ease': 'not at ease',
  pain: 'pain',
};

/**
 * Keeps the trials, and where they end at a level places the person there. What was computed is computed anew: trials
 * that do not end yet are refused.
 */
export async function keepPlacement(c: Context & About, request: PlacementRequest): Promise<PlacementKept> {
  const { inForce, ladder } = await forDeciding(c, request.ladder);
  await refuseStopped(c, ladder.pattern);
  const step = await stepFor({ ...c, inForce }, request);
  if (step.step === 'try') {
    throw new Refusal(422, 'trials: the trials are not at their end yet. Nothing was kept.');
  }
  const outcome = step.step === 'place' ? 'placed' : 'stopped';
  const level = step.step === 'place' ? step.level : step.passed;
  const id = randomUUID();
  await c.db.insert(placement).values({
    id,
    personId: c.person.id,
    ...request,
    date: c.today,
    by: c.me.name,
    at: c.at.toISOString(),
    outcome,
    level,
    stateNumber: inForce.state,
  });
  const hurt = request.trials.find((t) => t.result === 'pain');
  if (hurt) {
    await tell(c, c.me, {
      personId: c.person.id,
      source: `trial ${id}`,
      date: c.today,
      told: 'trial',
      pain: null,
      variation: hurt.variation,
      words: hurt.note,
      reach: ladder.pattern,
    });
  }
  if (step.step === 'place') {
    const name = (of: string) => ladder.levels.find((l) => l.id === of)?.name ?? of;
    const told = request.trials.map((t) => `${name(t.level)}: ${TRIAL_WORDS[t.result]}`).join('; ');
    const reason = `Placed by trials. ${told || 'None was needed'}.`;
    await place(c, { ladder: ladder.slug, level: step.level, reason, experience: request.experience });
  }
  return { id, outcome, level };
}

export async function placementsOf(db: Db, personId: string, door: Door): Promise<Shown<PlacementRow>[]> {
  const rows = await db
    .select()
    .from(placement)
    .where(eq(placement.personId, personId))
    .orderBy(desc(placement.at));
  return rows.map((r) =>
    door.trials({
      id: r.id,
      ladder: r.ladder,
      date: r.date,
      by: r.by,
      experience: r.experience,
      atEase: r.atEase,
      careful: r.careful,
      trials: r.trials,
      outcome: r.outcome,
      level: r.level,
    }),
  );
}

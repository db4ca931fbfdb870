import { judge, ofLibrary, readingOfLadder, revisionsRead } from '../../core/floor/index.ts';
import type { PersonRecords } from '../../core/floor/index.ts';
import { randomUUID } from 'node:crypto';
import { isTaught } from '../../core/library/index.ts';
import type { Ladder, Level, ShelfInForce } from '../../core/library/index.ts';
import { heldLevels, isOpen, overrideRefused, permittedLevels, sharesAt } from '../../core/ladder/index.ts';
import type { Decision, Outcome } from '../../core/ladder/index.ts';
import type { ConfirmRequest, FormRequest, PlaceRequest } from '../../contract/log.ts';
import { refreshStanding, schema } from '../db/index.ts';
import type { About, Context, OpenContext } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { shelfInForce } from '../library/index.ts';
import { recordsOf } from './records.ts';
import { refersForPain, tellOutcome } from './reports.ts';
import { refuseStopped } from './stops.ts';

/** What is needed to decide on a ladder. @throws Refusal 422 without such a ladder */
export async function forDeciding(c: Context & About, ladderSlug: string) {
  const inForce = await shelfInForce(c.db, { known: c.inForce });
  const ladder = inForce.shelf.get('ladder', ladderSlug);
  if (!ladder) throw new Refusal(422, `ladder: there is no ladder "${ladderSlug}".`);
  return { inForce, ladder };
}

/** What may be confirmed without the whole evidence: nobody is moved up by it. */
const DOWN: ReadonlySet<Outcome> = new Set(['step back', 'stop and refer']);

function levelIn(ladder: Ladder, id: string): Level {
  const level = ladder.levels.find((l) => l.id === id);
  if (!level) throw new Refusal(422, `level: the ladder "${ladder.name}" has no level "${id}".`);
  return level;
}

type Move = typeof schema.move.$inferInsert;

/** What shares of the body mass become at a level with the loads that the hall has on that day. */
function sharesOnArrival(inForce: ShelfInForce, ladder: Ladder, own: PersonRecords, level: string) {
  const { settled, facts } = readingOfLadder(inForce, ladder, own.answers);
  const to = settled.levels.find((l) => l.id === level);
  return to
    ? sharesAt(to, facts.get(to.main), { massKg: own.massKg, loads: ofLibrary(inForce).loads })
    : null;
}

/** Keeps a decision for good, with the state of the library that it was made in, and where it leads. */
async function keepMove(
  { db, at, today, inForce }: Pick<OpenContext, 'db' | 'at' | 'today' | 'inForce'>,
  by: string,
  personId: string,
  ladder: Ladder,
  own: PersonRecords,
  move: Pick<Move, 'kind' | 'fromLevel' | 'toLevel' | 'reason' | 'setIds'> & Partial<Move>,
): Promise<string> {
  const id = randomUUID();
  const arrives = move.kind === 'placed' || move.toLevel !== move.fromLevel;
  await db.insert(schema.move).values({
    ...move,
    shares: arrives ? sharesOnArrival(inForce, ladder, own, move.toLevel) : null,
    id,
    personId,
    ladder: ladder.slug,
    date: today,
    massKg: own.massKg,
    by,
    at: at.toISOString(),
    stateNumber: inForce.state,
    revisions: revisionsRead(inForce, ladder),
  });
  await refreshStanding(db, personId, ladder.slug);
  return id;
}

/** Nobody begins a ladder that nothing is left of under the answers of the house. */
export function refuseUntaught(
  ladder: Ladder,
  { shelf }: ShelfInForce,
  answers: Readonly<Record<string, string>>,
) {
  if (isTaught(ladder, shelf, answers)) return;
  throw new Refusal(
    422,
    `ladder: "${ladder.name}" is not taught under the answers of the house. Nothing was decided.`,
  );
}

/** First placement on a ladder, or a new one with a reason. */
export async function place(c: Context & About, request: PlaceRequest): Promise<string> {
  const { inForce, ladder } = await forDeciding(c, request.ladder);
  const { db: tx, me } = c;
  const personId = c.person.id;
  await refuseStopped(c, ladder.pattern);
  const level = levelIn(ladder, request.level);
  const own = (await recordsOf(tx, { ...c, inForce }, [personId]))(personId);
  const before = own.standings.get(ladder.slug);
  if (!before && !isOpen(ladder, heldLevels(inForce.shelf.all('ladder'), own.standings))) {
    const { ladder: trunk, level: opensWith } = ladder.branchOf!;
    throw new Refusal(
      422,
      `ladder: "${ladder.name}" opens once ${ofLibrary(inForce).nameOf(trunk, opensWith)} is held. Nothing was decided.`,
    );
  }
  if (!before) refuseUntaught(ladder, inForce, own.answers);
  refuseUnfit({ ...c, inForce }, ladder, own, {
    from: before ? levelIn(ladder, before.level) : null,
    to: level,
  });
  return keepMove({ ...c, inForce }, me.name, personId, ladder, own, {
    kind: 'placed',
    fromLevel: before?.level ?? null,
    toLevel: level.id,
    role: request.role ?? null,
    stage: request.stage ?? null,
    experience: request.experience ?? null,
    reason: request.reason,
    setIds: [],
  });
}

/** From now on in sets or in intervals: where somebody stands, and since when, stays as it is. */
export async function changeForm(c: Context & About, request: FormRequest): Promise<string> {
  const { inForce, ladder } = await forDeciding(c, request.ladder);
  const { db: tx, me } = c;
  const personId = c.person.id;
  const own = (await recordsOf(tx, { ...c, inForce }, [personId]))(personId);
  const standing = own.standings.get(ladder.slug);
  if (!standing) throw new Refusal(422, 'ladder: the person is not placed on this ladder yet.');
  if ((standing.form ?? 'sets') === request.form) {
    throw new Refusal(409, `form: they work in ${request.form} already. Nothing was changed.`);
  }
  return keepMove({ ...c, inForce }, me.name, personId, ladder, own, {
    kind: 'form',
    fromLevel: standing.level,
    toLevel: standing.level,
    form: request.form,
    reason: request.reason,
    setIds: [],
  });
}

/**
 * Refuses a level that is barred, or that lies past one whose entry need is not held.
 * @returns the permitted levels that lie in between
 * @throws Refusal 422
 */
function refuseUnfit(
  { inForce, today }: Pick<Context, 'inForce' | 'today'>,
  ladder: Ladder,
  own: PersonRecords,
  { from, to }: { from: Level | null; to: Level },
): Level[] {
  const { settled, facts } = readingOfLadder(inForce, ladder, own.answers);
  const permitted = permittedLevels(settled, facts, own.restrictions, today);
  if (!permitted.has(to.id)) {
    throw new Refusal(422, `level: "${to.name}" is barred for them at the moment. Nothing was decided.`);
  }
  const held = heldLevels(inForce.shelf.all('ladder'), own.standings);
  const [low, high] = [from ? ladder.levels.indexOf(from) + 1 : 0, ladder.levels.indexOf(to)];
  const past = ladder.levels.slice(low, high + 1);
  for (const level of past.filter((l) => permitted.has(l.id))) {
    const need = level.entryNeeds.find((n) => !held.has(`${n.ladder}/${n.level}`));
    if (need) {
      throw new Refusal(
        422,
        `level: "${level.name}" needs ${ofLibrary(inForce).nameOf(need.ladder, need.level)} first. Nothing was decided.`,
      );
    }
  }
  return past.filter((l) => l !== to && permitted.has(l.id));
}

/**
 * Keeps what the coach decided, as proposed or otherwise with a reason, together with the decision
 * it stood on. Computed anew inside the transaction: what the coach saw must still be so.
 */
export async function confirm(c: Context & About, request: ConfirmRequest): Promise<string> {
  const { inForce, ladder } = await forDeciding(c, request.ladder);
  const { db: tx, me } = c;
  const personId = c.person.id;
  const own = (await recordsOf(tx, { ...c, inForce }, [personId]))(personId);
  const { standing, decision, failure } = judge({ ...c, inForce }, ladder, own);
  if (failure) throw new Refusal(409, failure);
  if (!standing || !decision) throw new Refusal(422, 'ladder: the person is not placed on this ladder yet.');
  if (decision.outcome !== request.proposed) {
    throw new Refusal(
      409,
      `The evidence has changed: it now says "${decision.outcome}", you saw "${request.proposed}". Nothing was decided.`,
    );
  }
  if (c.hold === 'covers' && (request.chosen !== request.proposed || !DOWN.has(request.chosen))) {
    throw new Refusal(
      403,
      'Who covers somebody confirms a step back or a stop as it is proposed; anything else is for those who look after them. Nothing was decided.',
    );
  }
  const refused = overrideRefused(decision, request.chosen, request.reason);
  if (refused) throw new Refusal(422, `reason: ${refused}`);
  const { toLevel, taken } = target(ladder, decision, request);
  if (request.chosen === 'move up') {
    const [from, to] = [levelIn(ladder, standing.level), levelIn(ladder, toLevel)];
    const skipped = refuseUnfit({ ...c, inForce }, ladder, own, { from, to });
    const barred = ladder.levels.indexOf(to) - ladder.levels.indexOf(from) - 1 - skipped.length;
    if (barred > 0 && me.role !== 'head coach') {
      throw new Refusal(
        403,
        'A barred level is passed over: the head coach confirms that. Nothing was decided.',
      );
    }
    if (skipped.length > 0 && request.reason.trim() === '') {
      throw new Refusal(
        422,
        `reason: ${skipped.map((l) => `"${l.name}"`).join(', ')} would be skipped: say why. Nothing was decided.`,
      );
    }
  }
  if (refersForPain(decision)) await tellOutcome(c, me, personId, ladder, decision);
  const back = request.chosen === 'step back' && decision.outcome === 'step back' ? decision : null;
  return keepMove({ ...c, inForce }, me.name, personId, ladder, own, {
    kind: request.chosen,
    fromLevel: standing.level,
    toLevel,
    taken,
    cause: back?.cause ?? null,
    painRegions: back?.cause === 'pain' ? back.painRegions : null,
    proposed: decision.outcome,
    reason: request.reason,
    evidence: decision,
    setIds: decision.setIds,
  });
}

function target(ladder: Ladder, decision: Decision, { chosen, level }: ConfirmRequest) {
  const here = ladder.levels.findIndex((l) => l.id === decision.fromLevel);
  const stay = { toLevel: decision.fromLevel, taken: null };
  if (chosen === 'hold' || chosen === 'stop and refer') return stay;
  if (chosen === 'grow') {
    const { next, usedUp } = decision.grow;
    if (!next) throw new Refusal(422, 'chosen: every way on inside this level is used up.');
    if (usedUp) {
      throw new Refusal(
        422,
        'chosen: these sessions have opened a way on already; a further one needs new ones. Nothing was decided.',
      );
    }
    return { toLevel: decision.fromLevel, taken: next };
  }
  const proposed = chosen === decision.outcome ? decision.toLevel : null;
  // Less of the same, at the level where they are.
  if (chosen === 'step back' && decision.outcome === 'step back' && !level && !proposed) {
    return { toLevel: decision.fromLevel, taken: decision.less };
  }
  const neighbour = ladder.levels[chosen === 'move up' ? here + 1 : here - 1]?.id;
  const to = level ?? proposed ?? neighbour;
  if (to === undefined) {
    if (chosen === 'step back') return stay;
    throw new Refusal(422, 'level: this is the top of the ladder.');
  }
  const index = ladder.levels.indexOf(levelIn(ladder, to));
  if (chosen === 'move up' ? index <= here : index >= here) {
    throw new Refusal(
      422,
      `level: "${to}" is not ${chosen === 'move up' ? 'above' : 'below'} the level now.`,
    );
  }
  return { toLevel: to, taken: null };
}

/**
 * Where the hall lets ways on without load confirm themselves, one that a set has just opened is confirmed. A
 * computation that fails keeps nobody from logging. Must run inside a transaction.
 */
export async function growByItself(
  c: Pick<OpenContext, 'db' | 'at' | 'today' | 'inForce' | 'told'>,
  personId: string,
  variation: string,
): Promise<void> {
  const [hall] = await c.db.select({ so: schema.hall.growsByItself }).from(schema.hall);
  if (!hall?.so) return;
  try {
    await c.db.transaction(async (db) => {
      const own = (await recordsOf(db, c, [personId]))(personId);
      for (const [slug, { level }] of own.standings) {
        const ladder = c.inForce.shelf.get('ladder', slug);
        const here = ladder?.levels.find((l) => l.id === level);
        if (!ladder || !here || ![here.main, ...here.equals].includes(variation)) continue;
        const { decision } = judge(c, ladder, own, { foretell: false });
        const next = decision?.outcome === 'grow' ? decision.grow.next : null;
        if (!decision || !next || next.way === 'load') continue;
        await keepMove({ ...c, db }, 'the setting of the hall', personId, ladder, own, {
          kind: 'grow',
          fromLevel: level,
          toLevel: level,
          taken: next,
          proposed: 'grow',
          reason: 'Confirmed by itself, as the hall has set it: a way on without load.',
          evidence: decision,
          setIds: decision.setIds,
        });
      }
    });
  } catch (error) {
    c.told('Whether a way on is open could not be computed:', error);
  }
}

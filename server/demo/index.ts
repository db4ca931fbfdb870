import type { ShelfInForce } from '../../core/library/index.ts';
import { randomUUID } from 'node:crypto';
import { eq, max } from 'drizzle-orm';
import { insertEye } from './eye.ts';
import { hashPassword } from '../access/index.ts';
import { standingAfter } from '../../core/ladder/index.ts';
import { knowStaff, rebuildDerived, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { addStaff, dayIn, saveSquad } from '../hall/index.ts';
import { putPieces } from '../kit/index.ts';
import { beginWithShipped, shelfInForce } from '../library/index.ts';
import { blankPiece } from '../../core/terms/index.ts';
import { DEMO_WISHES, demoPieces } from './kit.ts';
import { reportsFromLog } from '../log/index.ts';
import { coachOf, PEOPLE, SQUADS, STAFF } from './people.ts';
import type { DemoPerson } from './people.ts';
import { seeded, uuidFrom } from '../../core/testing/seeded.ts';
import { deskOf } from './desk.ts';
import { seasonOf } from './season.ts';
import type { Season } from './season.ts';

const PASSWORD = 'kestrel-quay';
const SEED = 2026;

/**
 * Loads the invented hall into an empty database: the library through the importer, then staff,
 * squads, people and their logs, in one transaction.
 */
export async function loadDemo(db: Db, now: Date, seed = SEED): Promise<void> {
  const hash = await hashPassword(PASSWORD);
  const timeZone = 'Europe/Lisbon';
  const today = dayIn(timeZone, now);
  await db.transaction(async (tx) => {
    await tx.insert(schema.hall).values({
      name: 'Kestrel Quay Rowing & Rescue Centre',
      timeZone,
      paper: 'A4',
      massUnit: 'kg',
      lengthUnit: 'cm',
      demo: true,
      demoPassword: PASSWORD,
    });
    await beginWithShipped(tx, 'Mirela Ostrander', now);
    // Of its own seed, so that a piece more changes nothing of the seasons.
    await putPieces(tx, demoPieces(today, seeded(seed + 500)), {
      by: 'Mirela Ostrander',
      byId: null,
      at: now,
    });
    const wanted = seeded(seed + 501);
    await tx.insert(schema.wish).values(
      DEMO_WISHES.map(({ piece: { equipment, ...of }, price }) => {
        const id = uuidFrom(wanted);
        return { id, price, piece: blankPiece(id, equipment, of) };
      }),
    );
    const squadIds = new Map<string, string>();
    for (const name of SQUADS) squadIds.set(name, await saveSquad(tx, null, { name }));
    for (const { squads, ...member } of STAFF) {
      const ids = squads.map((name) => squadIds.get(name)!);
      await addStaff(tx, { ...member, squadIds: ids, password: '' }, hash);
    }

    const inForce = await shelfInForce(tx);
    const random = seeded(seed);
    const ids = new Map<string, string>();
    for (const who of PEOPLE) {
      const id = uuidFrom(random);
      ids.set(who.name, id);
      const { name, squad, statureM, massKg, note, emergency, firstAid } = who;
      await tx
        .insert(schema.person)
        .values({ id, name, squadId: squadIds.get(squad)!, statureM, massKg, note, emergency, firstAid });
      await insertBuild(tx, id, who, today, random);
      const season = seasonOf(who, id, inForce, today, random);
      await insertSeason(tx, id, season);
      await insertCare(tx, id, who, season, inForce, today, random);
      // Of its own seed, so that what is told here changes nothing of the seasons.
      await insertDesk(tx, id, who, season, inForce, today, seeded(seed + 1 + PEOPLE.indexOf(who)));
      await insertEye(tx, id, who, season, inForce, seeded(seed + 1000 + PEOPLE.indexOf(who)));
    }
    await rebuildDerived(tx);
    await knowStaff(tx);
    await reportsFromLog(tx, today);
    for (const [name, id] of ids)
      await insertStop(
        tx,
        id,
        PEOPLE.find((p) => p.name === name)!,
      );
  });
}

const ROWS_AT_ONCE = 200;

async function insertSeason(tx: Db, personId: string, season: Season): Promise<void> {
  if (season.sessions.length > 0) {
    await tx.insert(schema.session).values(season.sessions.map((s) => ({ ...s, personId })));
  }
  for (let i = 0; i < season.sets.length; i += ROWS_AT_ONCE) {
    await tx
      .insert(schema.loggedSet)
      .values(season.sets.slice(i, i + ROWS_AT_ONCE).map(({ date: _date, ...set }) => ({ ...set, edit: 1 })));
  }
  for (const { sequence: _order, ...move } of season.moves) await tx.insert(schema.move).values(move);
  for (const r of season.restrictions) {
    await tx.insert(schema.restriction).values({
      id: r.id,
      personId,
      bars: r.bars,
      fromDate: r.from,
      untilDate: r.until,
      saidBy: r.saidBy,
      recordedBy: 'Mirela Ostrander',
    });
  }
  for (const s of season.signOffs) await tx.insert(schema.signOff).values({ ...s, personId });
}

const daysBefore = (today: string, days: number) =>
  new Date(Date.parse(`${today}T00:00:00Z`) - days * 86_400_000).toISOString().slice(0, 10);

/** A stop that was pressed and waits for the head coach. */
async function insertStop(tx: Db, personId: string, who: DemoPerson): Promise<void> {
  if (!who.stopped) return;
  const [last] = await tx
    .select({ date: max(schema.session.date) })
    .from(schema.session)
    .where(eq(schema.session.personId, personId));
  const { date } = last!;
  await tx.insert(schema.report).values({
    ...who.stopped,
    id: randomUUID(),
    personId,
    source: `stop ${personId} demo`,
    date: date!,
    told: 'press',
    felt: [{ region: 'front of knee', kind: 'pain', side: 'right' }],
    by: coachOf(who),
    at: `${date}T17:30:00Z`,
  });
}

/** What was asked before work, and the cues said with what came of them. */
async function insertCare(
  tx: Db,
  personId: string,
  who: DemoPerson,
  season: Season,
  { shelf }: ShelfInForce,
  today: string,
  random: () => number,
): Promise<void> {
  const recordedBy = coachOf(who);
  // Most have been asked within a week; for some it is due again.
  const asked =
    who.asked ??
    (who.on.length > 0 ? { daysAgo: 1 + Math.floor(random() * 9), pain: 0, sleepH: 7, atEase: 8 } : null);
  if (asked) {
    const { daysAgo, pain, sleepH, atEase } = asked;
    const date = daysBefore(today, daysAgo);
    await tx
      .insert(schema.checkIn)
      .values({ personId, date, here: true, pain, sleepH, atEase, recordedBy, at: `${date}T16:00:00Z` });
  }
  for (const { ladder, outcomes } of who.cues ?? []) {
    const at = standingAfter(season.moves.filter((m) => m.ladder === ladder))?.level;
    const main = shelf.get('ladder', ladder)?.levels.find((l) => l.id === at)?.main;
    const cues = main ? (shelf.get('variation', main)?.cues ?? []) : [];
    for (const [i, outcome] of outcomes.entries()) {
      const cue = cues[i];
      if (!main || !cue) continue;
      const date = daysBefore(today, 3);
      await tx.insert(schema.cueTried).values({
        id: uuidFrom(random),
        personId,
        date,
        variation: main,
        cue,
        outcome,
        by: recordedBy,
        at: `${date}T17:0${i}:00Z`,
      });
    }
  }
}

/** What was worked on at the faults desk, what a second coach saw, and how far the chain out of a recurring fault has come. */
async function insertDesk(
  tx: Db,
  personId: string,
  who: DemoPerson,
  season: Season,
  { shelf }: ShelfInForce,
  today: string,
  random: () => number,
): Promise<void> {
  const by = coachOf(who);
  const { cases, ratings } = deskOf(season, shelf, today, random);
  if (cases.length > 0) {
    await tx
      .insert(schema.faultCase)
      .values(cases.map((c) => ({ ...c, personId, edit: 1, by, at: `${c.date}T17:30:00Z` })));
  }
  if (ratings.length > 0) {
    const dates = new Map(season.sets.map((s) => [s.id, s.date]));
    await tx
      .insert(schema.setRating)
      .values(ratings.map((r) => ({ ...r, by: 'Mirela Ostrander', at: `${dates.get(r.setId)}T17:20:00Z` })));
  }
  const recurring = who.on.find((c) => c.fault)?.fault;
  const chain = recurring && shelf.get('fault', recurring.slug)?.chain;
  if (!recurring || !chain) return;
  for (const [i, { daysAgo, passed }] of [
    { daysAgo: 15, passed: true },
    { daysAgo: 8, passed: false },
    { daysAgo: 6, passed: true },
  ].entries()) {
    const date = daysBefore(today, daysAgo);
    await tx.insert(schema.chainTry).values({
      id: uuidFrom(random),
      personId,
      fault: recurring.slug,
      side: recurring.side,
      step: chain[i === 0 ? 0 : 1]!.line.text,
      date,
      passed,
      by,
      at: `${date}T17:40:00Z`,
    });
  }
}

/** Measured segments and range tests of an invented person, the tests dated back from today. */
async function insertBuild(tx: Db, personId: string, who: DemoPerson, today: string, random: () => number) {
  if (!who.build) return;
  const { massSet, measured = {}, tests = [] } = who.build;
  await tx.insert(schema.personBuild).values({ personId, massSet, measured });
  for (const [weeksAgo, method, side, value] of tests) {
    const date = new Date(Date.parse(`${today}T00:00:00Z`) - weeksAgo * 7 * 86_400_000)
      .toISOString()
      .slice(0, 10);
    await tx
      .insert(schema.rangeTest)
      .values({ id: uuidFrom(random), personId, date, method, side, value, recordedBy: 'Jonas Brightwater' });
  }
}

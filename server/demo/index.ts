import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { hashPassword } from '../access/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { addStaff, dayIn, saveSquad } from '../hall/index.ts';
import { importLibrary, shelfInForce } from '../library/index.ts';
import { root } from '../root.ts';
import { PEOPLE, SQUADS, STAFF } from './people.ts';
import type { DemoPerson } from './people.ts';
import { seeded, uuidFrom } from '../../core/testing/seeded.ts';
import { seasonOf } from './season.ts';

const PASSWORD = 'kestrel-quay';
const SEED = 2026;

export const demoLibraryFile = path.join(root, 'server/demo/library.json');

/**
 * Loads the invented hall into an empty database: the library through the importer, then staff,
 * squads, people and their logs, in one transaction.
 */
export async function loadDemo(db: Db, now: Date, seed = SEED): Promise<void> {
  const library = await readFile(demoLibraryFile, 'utf8');
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
    await importLibrary(tx, library, 'Mirela Ostrander', now);
    const squadIds = new Map<string, string>();
    for (const name of SQUADS) squadIds.set(name, await saveSquad(tx, null, name));
    for (const { squads, ...member } of STAFF) {
      const ids = squads.map((name) => squadIds.get(name)!);
      await addStaff(tx, { ...member, squadIds: ids, password: '' }, hash);
    }

    const inForce = await shelfInForce(tx);
    const ladder = inForce.shelf.get('ladder', 'bridge-ladder');
    if (!ladder) throw new Error('The demo library has no ladder "bridge-ladder".');
    const random = seeded(seed);
    for (const who of PEOPLE) {
      const id = uuidFrom(random);
      const { name, squad, statureM, massKg, note } = who;
      await tx
        .insert(schema.person)
        .values({ id, name, squadId: squadIds.get(squad)!, statureM, massKg, note });
      await insertBuild(tx, id, who, today, random);
      const season = seasonOf(who, id, ladder, inForce, today, random);
      await tx.insert(schema.session).values(season.sessions.map((s) => ({ ...s, personId: id })));
      await tx
        .insert(schema.loggedSet)
        .values(season.sets.map(({ date: _date, ...set }) => ({ ...set, edit: 1 })));
      for (const { sequence: _order, ...move } of season.moves) await tx.insert(schema.move).values(move);
      for (const r of season.restrictions) {
        await tx.insert(schema.restriction).values({
          id: r.id,
          personId: id,
          bars: r.bars,
          fromDate: r.from,
          untilDate: r.until,
          saidBy: r.saidBy,
          recordedBy: 'Mirela Ostrander',
        });
      }
    }
  });
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

import { doorFor } from '../core/floor/index.ts';
import { sql } from 'drizzle-orm';
import { openEmbedded, rebuildDerived, schema } from '../server/db/index.ts';
import type { Db } from '../server/db/index.ts';
import { loadDemo } from '../server/demo/index.ts';
import { shelfInForce } from '../server/library/index.ts';
import { keepSet, overview, personOnLadders } from '../server/log/index.ts';
import type { Person } from '../contract/people.ts';
import { personList } from '../server/people/index.ts';
import { daysAfter } from '../core/terms/index.ts';
import { laddersOf } from '../core/library/index.ts';
import { set } from '../core/testing/samples.ts';
import { seeded, uuidFrom } from '../core/testing/seeded.ts';
import { middle, show } from './measure.ts';

/** The day on which the hall of the bench stands. */
const TODAY = '2026-11-24';
const PEOPLE = 500;
/** Sets of one session on one ladder. */
const SETS = 3;
const LADDERS = 5;

/** A hall of 500 people with so many sets each, over as many sessions as that takes; every third day a session. */
export async function fill(db: Db, setsEach: number, today = TODAY): Promise<void> {
  const random = seeded(setsEach);
  const inForce = await shelfInForce(db);
  const ladders = laddersOf(inForce.shelf).slice(0, LADDERS);
  await db.execute(sql`delete from person`);
  const sessions = Math.ceil(setsEach / (SETS * LADDERS));
  const people = Array.from({ length: PEOPLE }, (_, i) => ({
    id: uuidFrom(random),
    name: `Person ${i}`,
    massKg: 60 + (i % 40),
  }));
  await db.insert(schema.person).values(people);
  const lines: string[] = [];
  const sessionLines: string[] = [];
  const moves: (typeof schema.move.$inferInsert)[] = [];
  for (const person of people) {
    const at = ladders.map((l) => l.levels[Math.floor(random() * l.levels.length)]!);
    ladders.forEach((ladder, k) => {
      // Placed so that some weeks of it are evidence and the rest is old.
      moves.push({
        id: uuidFrom(random),
        personId: person.id,
        ladder: ladder.slug,
        date: daysAfter(today, -Math.min(sessions * 3, 21 + Math.floor(random() * 40))),
        kind: 'placed',
        toLevel: at[k]!.id,
        reason: 'bench',
        by: 'bench',
        at: `${today}T12:00:00Z`,
        stateNumber: inForce.state,
        revisions: {},
        setIds: [],
      });
    });
    for (let n = 0; n < sessions; n++) {
      const id = uuidFrom(random);
      sessionLines.push(`${id}\t${person.id}\t${daysAfter(today, -3 * n - 1)}`);
      let ordinal = 0;
      at.forEach((level) => {
        for (let s = 0; s < SETS; s++) {
          ordinal++;
          const last = s === SETS - 1;
          const fault = random() < 0.1 ? `[{"fault":"sharp-pain-not","side":null,"reps":1}]` : '[]';
          lines.push(
            [
              uuidFrom(random),
              id,
              ordinal,
              level.main,
              1,
              'work',
              'f',
              random() < 0.9 ? 't' : 'f',
              'f',
              s % 2 ? 'left' : 'right',
              10,
              8 + Math.floor(random() * 6),
              '\\N',
              '\\N',
              '\\N',
              'none',
              last ? 6 : '\\N',
              '\\N',
              't',
              '\\N',
              fault,
              '\\N',
              last ? (random() < 0.02 ? 2 : 0) : '\\N',
              '\\N',
              '\\N',
              'bench',
              'f',
              1,
              '\\N',
            ].join('\t'),
          );
        }
      });
    }
  }
  const client = (
    db as unknown as { $client: { query: (q: string, p: unknown[], o: object) => Promise<unknown> } }
  ).$client;
  const copy = (table: string, columns: string, rows: string[]) =>
    client.query(`COPY ${table} (${columns}) FROM '/dev/blob'`, [], {
      blob: new Blob([rows.join('\n') + '\n']),
    });
  await copy('session', 'id, person_id, date', sessionLines);
  await copy(
    'logged_set',
    'id, session_id, ordinal, variation, variation_revision, role, warm_up, watched, side_test, side, planned_reps, done_reps, hold_s, rounds, load_kg, load_kind, effort, tempo_kept, range_reached, range_deg, faults, sensations, pain, at_ease, aids, logged_by, own, edit, deleted_at',
    lines,
  );
  for (let i = 0; i < moves.length; i += 200) await db.insert(schema.move).values(moves.slice(i, i + 200));
  await rebuildDerived(db);
  await db.execute(sql`analyze`);
}

/** All ladders for all people, one person's page, and a set logged meanwhile, at three sizes of the log. */
export async function benchLog(sizes: readonly number[] = [50_000, 125_000, 250_000]): Promise<void> {
  console.log('\nThe log');
  for (const size of sizes) {
    const { db, close } = await openEmbedded(null);
    await loadDemo(db, new Date(`${TODAY}T12:00:00Z`));
    await fill(db, size / PEOPLE);
    const people: Person[] = await personList(db);
    const sets = await db.$count(schema.loggedSet);
    console.log(`${people.length} people, ${sets} sets`);
    const timed = async (work: () => Promise<unknown>) => {
      const start = performance.now();
      await work();
      return performance.now() - start;
    };
    const several = async (n: number, work: (i: number) => Promise<unknown>) => {
      const all: number[] = [];
      for (let i = 0; i < n; i++) all.push(await timed(() => work(i)));
      return middle(all);
    };
    const plain = await several(5, () =>
      db.execute(sql`select session_id, sum(done_reps) from logged_set group by session_id`),
    );
    show('plain aggregate over the same sets', plain);
    const inForce = await shelfInForce(db);
    // A copy of the shelf is another object: nothing that was read of the library before is kept.
    const cold = await timed(() =>
      overview(
        db,
        { inForce: { ...inForce }, today: TODAY },
        people.map((person) => ({ person, hold: 'looks after' as const, door: doorFor(true) })),
      ),
    );
    show('all ladders for all people, caches empty', cold, ['the plain aggregate', plain]);
    const warm = await several(3, () =>
      overview(
        db,
        { inForce, today: TODAY },
        people.map((person) => ({ person, hold: 'looks after' as const, door: doorFor(true) })),
      ),
    );
    show('all ladders for all people, again', warm, ['the plain aggregate', plain]);
    const page = await several(15, (i) =>
      personOnLadders(db, { inForce, today: TODAY }, people[(i * 31) % people.length]!.id, doorFor(true)),
    );
    show('one person’s page', page, ['the plain aggregate', plain]);

    // Sets are logged while the whole overview is being computed.
    const waits: number[] = [];
    let busy = true;
    const random = seeded(1);
    const logging = (async () => {
      while (busy) {
        const person = people[Math.floor(random() * people.length)]!;
        const { id: _i, sessionId: _s, ...fields } = set(TODAY, { variation: 'floor-lift' });
        const start = performance.now();
        await db.transaction((tx) =>
          keepSet(
            { db: tx, at: new Date(), today: TODAY, inForce, told: console.error },
            uuidFrom(random),
            { ...fields, personId: person.id, edit: 1 },
            { id: null, name: 'bench', onlyToday: null, own: false },
          ),
        );
        waits.push(performance.now() - start);
        await new Promise((r) => setTimeout(r, 20));
      }
    })();
    await overview(
      db,
      { inForce, today: TODAY },
      people.map((person) => ({ person, hold: 'looks after' as const, door: doorFor(true) })),
    );
    await overview(
      db,
      { inForce, today: TODAY },
      people.map((person) => ({ person, hold: 'looks after' as const, door: doorFor(true) })),
    );
    busy = false;
    await logging;
    show('a set logged meanwhile: median', middle(waits));
    show('a set logged meanwhile: longest', Math.max(...waits), ['the median', middle(waits)]);
    await close();
  }
}

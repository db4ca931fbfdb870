import { performance } from 'node:perf_hooks';
import { sql } from 'drizzle-orm';
import { openEmbedded, schema } from '../server/db/index.ts';
import { loadDemo } from '../server/demo/index.ts';
import { shelfInForce } from '../server/library/index.ts';
import { judge, overview, recordsOf } from '../server/log/index.ts';
import { personList } from '../server/people/index.ts';

/** Absolute figures and, within this one run, what they are in multiples of a plain alternative. */
async function median(times: number, work: () => unknown): Promise<number> {
  const taken: number[] = [];
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    await work();
    taken.push(performance.now() - start);
  }
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)]!;
}

const show = (name: string, ms: number, ratio?: [string, number]) =>
  console.log(
    `${name.padEnd(58)} ${ms.toFixed(2).padStart(9)} ms${ratio ? `   ${(ms / ratio[1]).toFixed(1)} × ${ratio[0]}` : ''}`,
  );

const opened = performance.now();
const { db, close } = await openEmbedded(null);
show('open a fresh embedded database from the template', performance.now() - opened);
const loading = performance.now();
await loadDemo(db, new Date('2026-11-24T12:00:00Z'));
show('load the demo hall', performance.now() - loading);

const today = '2026-11-24';
const inForce = await shelfInForce(db);
const ladder = inForce.shelf.get('ladder', 'bridge-ladder')!;
const people = await personList(db);
console.log(`${people.length} people, ${await db.$count(schema.loggedSet)} sets`);

const plain = await median(15, () =>
  db.execute(sql`select session_id, sum(done_reps) from logged_set group by session_id`),
);
show('plain aggregate over all sets', plain);
const all = await median(15, () => overview(db, inForce, people, today, () => true));
show('every person on every ladder, evidence and decision', all, ['the plain aggregate', plain]);
const records = await recordsOf(db, [people[0]!.id]);
const own = {
  sets: records.sets.get(people[0]!.id) ?? [],
  moves: records.moves.get(people[0]!.id) ?? [],
  restrictions: [],
};
show('one decision, records in memory', await median(200, () => judge(inForce, ladder, own, today)));
await close();

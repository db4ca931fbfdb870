import { afterAll, beforeAll, expect, it } from 'vitest';
import { ofLibrary, readingOfLadder } from '../../core/floor/index.ts';
import type { ShelfInForce } from '../../core/library/index.ts';
import { laddersOf } from '../../core/library/index.ts';
import { climb } from '../../core/testing/follower.ts';
import type { OpenDatabase } from '../db/index.ts';
import { shelfInForce } from '../library/index.ts';
import { demoDatabase } from '../testing/demo.ts';

let database: OpenDatabase;
let inForce: ShelfInForce;
beforeAll(async () => {
  database = await demoDatabase();
  inForce = await shelfInForce(database.db);
});
afterAll(() => database.close());

const SESSIONS_A_WEEK = 2;
const everyLevel = () =>
  new Set(laddersOf(inForce.shelf).flatMap((l) => l.levels.map((x) => `${l.slug}/${x.id}`)));

// Who comes twice a week and does just what is proposed, clean, without pain, at effort 6.
it.each([55, 75, 100])(
  'leads whoever follows the proposals to the top of every ladder in about the usual time, with %i kg',
  (massKg) => {
    const rows: string[] = [];
    for (const raw of laddersOf(inForce.shelf)) {
      const { settled, facts, loweringS } = readingOfLadder(inForce, raw);
      const { stays, arrived, said } = climb(
        {
          ladder: settled,
          facts,
          loweringS,
          kit: ofLibrary(inForce).kit,
          heldElsewhere: everyLevel(),
          most: 700,
        },
        { effort: 6, massKg, gaps: [3, 4] },
      );
      expect({ ladder: raw.slug, arrived, said }).toEqual({ ladder: raw.slug, arrived: true, said: [] });
      // The top is kept, whatever the load: how long somebody stays there is nobody's measure.
      for (const { level, sessions } of stays.slice(0, -1)) {
        const usual = settled.levels.find((l) => l.id === level)!.usualStayWeeks;
        const most = 3 * SESSIONS_A_WEEK * usual.to;
        const weeks = (sessions / SESSIONS_A_WEEK).toFixed(1);
        const row = `${raw.slug} ${level}: ${sessions} sessions, ${weeks} weeks (usual ${usual.from} to ${usual.to})`;
        expect(sessions, row).toBeGreaterThanOrEqual(3);
        expect(sessions, row).toBeLessThanOrEqual(most);
        rows.push(row);
      }
    }
    console.log(`${massKg} kg\n${rows.join('\n')}`);
  },
);

// Three times a week by the clock (common practice), through the levels that say something of intervals.
it('leads whoever follows the proposals in intervals through every level that has them', () => {
  const rows: string[] = [];
  for (const raw of laddersOf(inForce.shelf)) {
    const { settled, facts, loweringS } = readingOfLadder(inForce, raw, {}, { form: 'intervals' });
    const levels = settled.levels.filter((l) => !l.trainsOnly);
    if (levels.length === 0) continue;
    const { stays, arrived, said } = climb(
      {
        ladder: { ...settled, levels },
        facts,
        loweringS,
        kit: ofLibrary(inForce).kit,
        heldElsewhere: everyLevel(),
      },
      { effort: 6, massKg: 75, gaps: [2, 2, 3] },
    );
    expect({ ladder: raw.slug, arrived, said }).toEqual({ ladder: raw.slug, arrived: true, said: [] });
    rows.push(`${raw.slug}: ${stays.map((s) => `${s.level} ${s.sessions}`).join(', ')} sessions`);
  }
  expect(rows.length).toBeGreaterThanOrEqual(3);
  console.log(rows.join('\n'));
});

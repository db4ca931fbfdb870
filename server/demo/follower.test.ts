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

// Somebody of 75 kg who comes twice a week and does just what is proposed, clean, without pain, at effort 6.
it('leads whoever follows the proposals to the top of every ladder', () => {
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
        most: 500,
      },
      { effort: 6, massKg: 75, gaps: [3, 4] },
    );
    expect({ ladder: raw.slug, arrived, said }).toEqual({ ladder: raw.slug, arrived: true, said: [] });
    for (const { level, sessions } of stays.slice(0, -1)) {
      const usual = settled.levels.find((l) => l.id === level)!.usualStayWeeks;
      const most = 3 * SESSIONS_A_WEEK * usual.to;
      const odd = sessions < 3 ? 'fewer than 3' : sessions > most ? 'over three times the usual' : '';
      const weeks = (sessions / SESSIONS_A_WEEK).toFixed(1);
      rows.push(
        `${raw.slug} ${level}: ${sessions} sessions, ${weeks} weeks (usual ${usual.from} to ${usual.to}) ${odd}`,
      );
    }
  }
  console.log(rows.join('\n'));
});

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

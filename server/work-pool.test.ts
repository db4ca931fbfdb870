import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { shelfInForce } from './library/index.ts';
import { atOnce } from './tasks.ts';
import type { Work } from './tasks.ts';
import { testHall } from './testing/hall.ts';
import type { TestHall } from './testing/hall.ts';
import { workPool } from './work-pool.ts';
import type { WorkPool } from './work-pool.ts';

let hall: TestHall;
let pool: WorkPool;
beforeAll(async () => {
  hall = await testHall();
  pool = workPool();
});
afterAll(async () => {
  await pool.close();
  await hall.close();
});

describe('the threads that compute', () => {
  it('say what is computed at once, and keep nobody waiting meanwhile', async () => {
    const inForce = await shelfInForce(hall.db);
    const today = '2026-11-24';
    const cue = inForce.shelf.all('cue')[0]!;
    const both = async (work: Work) => [
      await work('health', inForce, { today }),
      await work('check', inForce, { items: [cue], today }),
      await work('effects', inForce, { bodies: [cue] }),
      (
        await work('libraryFile', inForce, {
          edition: { number: 1, name: 'One', date: today, changesSince: 0 },
        })
      ).length,
      await work('setsFile', inForce, { rows: [] }),
    ];
    let turns = 0;
    const counting = setInterval(() => turns++, 1);
    const pooled = await both(pool.work);
    clearInterval(counting);
    expect(pooled).toEqual(await both(atOnce));
    expect(turns).toBeGreaterThan(20);
  }, 60_000);

  it('hand an error back, and refuse what would never come to its turn', async () => {
    const inForce = await shelfInForce(hall.db);
    await expect(pool.work('judge', inForce, { ladder: null } as never)).rejects.toThrow();
    const crowd = Array.from({ length: 120 }, () =>
      pool.work('effects', inForce, { bodies: [] }).then(
        () => 200,
        (error: { status?: number }) => error.status,
      ),
    );
    const said = await Promise.all(crowd);
    expect(new Set(said)).toEqual(new Set([200, 503]));
  }, 60_000);
});

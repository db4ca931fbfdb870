import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OUTCOMES } from '../../core/ladder/index.ts';
import { openEmbedded } from '../db/index.ts';
import type { OpenDatabase } from '../db/index.ts';
import { shelfInForce } from '../library/index.ts';
import type { ShelfInForce } from '../library/index.ts';
import { judge } from '../log/index.ts';
import { loadDemo } from './index.ts';
import { PEOPLE } from './people.ts';
import { seeded } from '../../core/testing/seeded.ts';
import { seasonOf } from './season.ts';

const TODAY = '2026-11-24';
let database: OpenDatabase;
let inForce: ShelfInForce;
beforeAll(async () => {
  database = await openEmbedded(null);
  await loadDemo(database.db, new Date(`${TODAY}T12:00:00Z`));
  inForce = await shelfInForce(database.db);
});
afterAll(() => database.close());

describe('the demo hall', () => {
  const seasons = (seed: number) => {
    const random = seeded(seed);
    const ladder = inForce.shelf.get('ladder', 'bridge-ladder')!;
    return PEOPLE.map((who) => {
      const season = seasonOf(who, who.name, ladder, inForce, TODAY, random);
      return { who, season, ...judge(inForce, ladder, season, TODAY) };
    });
  };

  it('has at least eight people, and every outcome occurs among them, with any of a hundred seeds', () => {
    expect(PEOPLE.length).toBeGreaterThanOrEqual(8);
    for (let seed = 1; seed <= 100; seed++) {
      const outcomes = new Set(seasons(seed).map((s) => s.decision?.outcome));
      expect({ seed, missing: OUTCOMES.filter((o) => !outcomes.has(o)) }).toEqual({ seed, missing: [] });
    }
  });

  it('has believable curves: people get better at a level, and an override is among the moves', () => {
    const all = [1, 2, 3].flatMap(seasons);
    expect(
      all.flatMap((s) => s.season.moves).some((m) => m.proposed === 'move up' && m.kind === 'hold'),
    ).toBe(true);
    const ida = seasons(2026).find((s) => s.who.name === 'Ida Farrow')!;
    const lifts = ida.season.sets.filter((s) => s.variation === 'floor-lift').map((s) => s.doneReps!);
    const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;
    expect(mean(lifts.slice(-4))).toBeGreaterThan(mean(lifts.slice(0, 4)));
  });

  it('is the same every time for one seed', () => {
    expect(seasons(5).map((s) => s.season)).toEqual(seasons(5).map((s) => s.season));
  });
});

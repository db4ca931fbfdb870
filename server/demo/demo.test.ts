import type { PersonLine } from '../../core/floor/index.ts';
import { doorFor, judge, recordsFrom } from '../../core/floor/index.ts';
import type { ShelfInForce } from '../../core/library/index.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aidUsed } from '../../core/criterion/index.ts';
import { daysBetween } from '../../core/terms/index.ts';
import { OUTCOMES, standingAfter } from '../../core/ladder/index.ts';
import type { OpenDatabase } from '../db/index.ts';
import { shelfInForce } from '../library/index.ts';
import { overview } from '../log/index.ts';
import { personList } from '../people/index.ts';
import { PEOPLE } from './people.ts';
import { seeded } from '../../core/testing/seeded.ts';
import { seasonOf } from './season.ts';
import { DEMO_TODAY as TODAY, demoDatabase } from '../testing/demo.ts';

let database: OpenDatabase;
let inForce: ShelfInForce;
let lines: PersonLine[];
beforeAll(async () => {
  database = await demoDatabase();
  inForce = await shelfInForce(database.db);
  lines = await overview(
    database.db,
    { inForce, today: TODAY },
    (await personList(database.db)).map((person) => ({
      person,
      hold: 'looks after' as const,
      door: doorFor(true),
    })),
  );
});
afterAll(() => database.close());

const seasons = (seed: number) => {
  const random = seeded(seed);
  return PEOPLE.map((who) => ({ who, season: seasonOf(who, who.name, inForce, TODAY, random) }));
};

describe('the demo hall', () => {
  it('has at least 24 people over trunks and branches and twelve weeks', () => {
    expect(PEOPLE.length).toBeGreaterThanOrEqual(24);
    expect(new Set(PEOPLE.flatMap((p) => p.on.map((c) => c.ladder))).size).toBeGreaterThanOrEqual(7);
    const dates = seasons(2026)
      .flatMap((s) => s.season.sets.map((x) => x.date))
      .sort();
    expect(daysBetween(dates[0]!, dates.at(-1)!)).toBeGreaterThanOrEqual(80);
  });

  // Twenty halls over a season: long where the machine is busy.
  it('shows every outcome with any of twenty seeds', { timeout: 240_000 }, () => {
    for (let seed = 1; seed <= 20; seed++) {
      const outcomes = new Set(
        seasons(seed).flatMap(({ who, season }) =>
          who.on.map(
            ({ ladder }) =>
              judge(
                { inForce, today: TODAY },
                inForce.shelf.get('ladder', ladder)!,
                recordsFrom({ ...season, massKg: who.massKg }),
              ).decision?.outcome,
          ),
        ),
      );
      // A stop is a record of its own: it is put in with the hall, below.
      const missing = OUTCOMES.filter((o) => o !== 'stop and refer' && !outcomes.has(o));
      expect({ seed, missing }).toEqual({ seed, missing: [] });
    }
  });

  it('has a level nobody leaves, sides that differ, a recurring fault, overrides both ways and somebody not placed', () => {
    expect(lines.filter((l) => l.stuckWeeks !== null).length).toBeGreaterThan(0);
    expect(lines.filter((l) => l.sides !== null).length).toBeGreaterThan(0);
    expect(lines.filter((l) => l.faults.length > 0).length).toBeGreaterThan(0);
    const against = lines.flatMap((l) => l.overridden ?? []);
    expect(new Set(against.map((o) => o.chosen))).toEqual(new Set(['hold', 'move up']));
    const placed = new Set(lines.filter((l) => l.levelName !== null).map((l) => l.personId));
    expect(new Set(lines.map((l) => l.personId)).size - placed.size).toBe(1);
  });

  it('has what is not known, restrictions, and aids that fade', () => {
    const all = seasons(2026);
    const decisions = all.flatMap(({ who, season }) =>
      who.on.map(
        ({ ladder }) =>
          judge(
            { inForce, today: TODAY },
            inForce.shelf.get('ladder', ladder)!,
            recordsFrom({ ...season, massKg: who.massKg }),
          ).decision!,
      ),
    );
    expect(decisions.filter((d) => d.advance.judgement === 'unknown').length).toBeGreaterThan(0);
    expect(decisions.filter((d) => d.restrictions.length > 0).length).toBeGreaterThan(1);
    const nele = all.find((s) => s.who.name === 'Nele Sandbrook')!.season.sets;
    const help = nele.flatMap((s) => aidUsed(s, 'hand support') ?? []);
    expect(help[0]).toBe(2);
    expect(Math.min(...help)).toBe(0);
    for (let i = 1; i < help.length; i++) expect(help[i]).toBeLessThanOrEqual(help[i - 1]!);
  });

  it('decides the same whether a warm-up is written down or not', () => {
    let warmed = 0;
    for (const { who, season } of seasons(2026)) {
      const days = [...new Set(season.sets.map((s) => s.date))];
      // The poorest there could be: a repetition of each movement of the day, not watched, before the work.
      const warmUps = days.flatMap((date) =>
        [...new Set(season.sets.filter((s) => s.date === date).map((s) => s.variation))].map((slug, i) => ({
          ...season.sets.find((s) => s.date === date && s.variation === slug)!,
          id: crypto.randomUUID(),
          ordinal: -i,
          role: 'prepare' as const,
          warmUp: true,
          watched: false,
          doneReps: 1,
          plannedReps: null,
          faults: [],
        })),
      );
      warmed += warmUps.length;
      for (const { ladder } of who.on) {
        const decided = (sets: typeof season.sets) =>
          judge(
            { inForce, today: TODAY },
            inForce.shelf.get('ladder', ladder)!,
            recordsFrom({ ...season, sets, massKg: who.massKg }),
          ).decision;
        expect(decided([...warmUps, ...season.sets])).toEqual(decided(season.sets));
      }
    }
    expect(warmed).toBeGreaterThan(500);
  });

  it('has believable curves: people get better at a level', () => {
    const ida = seasons(2026).find((s) => s.who.name === 'Ida Farrow')!;
    const lifts = ida.season.sets.filter((s) => s.variation === 'floor-lift').map((s) => s.doneReps!);
    const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;
    expect(mean(lifts.slice(-4))).toBeGreaterThan(mean(lifts.slice(0, 4)));
    const rise = seasons(2026).filter(({ who, season }) =>
      who.on.some(({ ladder, from }) => {
        const at = standingAfter(season.moves.filter((m) => m.ladder === ladder))!.level;
        const { levels } = inForce.shelf.get('ladder', ladder)!;
        return levels.findIndex((l) => l.id === at) > levels.findIndex((l) => l.id === from);
      }),
    );
    expect(rise.length).toBeGreaterThan(PEOPLE.length / 2);
  });

  it('is the same every time for one seed', () => {
    expect(seasons(5).map((s) => s.season)).toEqual(seasons(5).map((s) => s.season));
  });
});

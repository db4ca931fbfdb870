import fc from 'fast-check';
import { runs } from '../testing/runs.ts';
import { describe, expect, it } from 'vitest';
import { loadFor, loadsOn, movesBetween, rampOver, warmUpLoads } from './plates.ts';
import type { BarKit } from './plates.ts';

const kg = (n: number) => Math.round(1000 * n);
const kit = (plates: [massKg: number, pairs: number][], barKg = 20): BarKit => ({
  unit: 'kg' as const,
  barT: kg(barKg),
  collarsT: 0,
  plates: plates.map(([m, pairs]) => ({ massT: kg(m), pairs })),
});
const HALL = kit([
  [25, 1],
  [20, 2],
  [15, 1],
  [10, 2],
  [5, 2],
  [2.5, 2],
  [1.25, 1],
]);
const side = (k: BarKit, totalKg: number) => loadFor(k, kg(totalKg)).below!.side.map((g) => g / 1000);

describe('plates on a bar', () => {
  // Arithmetic by hand.
  it.each([
    [60, [20]],
    [62.5, [20, 1.25]],
    [142.5, [25, 20, 15, 1.25]],
    [180, [25, 20, 20, 15]],
  ])('%s kg with the fewest plates', (total, expected) => {
    expect(side(HALL, total)).toEqual(expected);
    expect(loadFor(HALL, kg(total)).exact).toBe(true);
  });
  it('counts plates, not kilograms', () => {
    expect(side(HALL, 100)).toHaveLength(2);
    expect(side(HALL, 240)).toHaveLength(8);
    // The heaviest first would leave ten kilograms that nothing fills.
    expect(
      side(
        kit([
          [20, 1],
          [15, 2],
        ]),
        80,
      ),
    ).toEqual([15, 15]);
  });
  it('takes the nearest below, never above, and says what there is above', () => {
    expect(loadFor(HALL, kg(61))).toMatchObject({
      below: { totalT: kg(60) },
      exact: false,
      aboveT: kg(62.5),
    });
    expect(loadFor(HALL, kg(15)).below).toBeNull();
    expect(loadFor(HALL, kg(15)).aboveT).toBe(kg(20));
    expect(loadFor(HALL, kg(1000)).aboveT).toBeNull();
  });
  it('loads pounds as pounds', () => {
    const LB = 453.59237;
    const lb = (n: number) => Math.round(LB * n);
    const pounds: BarKit = {
      unit: 'lb' as const,
      barT: lb(45),
      collarsT: 0,
      plates: [
        [45, 2],
        [25, 1],
        [10, 2],
        [5, 1],
        [2.5, 1],
      ].map(([m, pairs]) => ({ massT: lb(m!), pairs: pairs! })),
    };
    expect(loadFor(pounds, lb(45) + 2 * (lb(45) + lb(10))).below!.side).toEqual([lb(45), lb(10)]);
  });
  it('counts collars, on a loaded bar alone', () => {
    const collars = { ...HALL, collarsT: 5000 };
    expect(loadsOn(collars)[0]!.totalT).toBe(kg(20));
    expect(loadFor(collars, kg(65))).toMatchObject({ below: { side: [20_000] }, exact: true });
  });
  it('refuses what is no plate', () => {
    expect(() => loadsOn(kit([[0, 1]]))).toThrow(RangeError);
    expect(() => loadsOn(kit([[1.23456, 1]]))).not.toThrow();
    expect(() => loadsOn({ ...HALL, plates: [{ massT: 1.5, pairs: 1 }] })).toThrow('whole thousandths');
    expect(() => loadsOn({ ...HALL, plates: [{ massT: 1000, pairs: 21 }] })).toThrow(RangeError);
    // Odd masses whose sums never meet are refused instead of counted out.
    const odd = Array.from({ length: 20 }, (_, i) => ({ massT: 101 + 97 * i * i, pairs: 20 }));
    expect(() => loadsOn({ ...HALL, plates: odd })).toThrow('odd masses');
  });

  const inventories = fc.array(
    fc.record({
      massT: fc.constantFrom(1250, 2500, 5000, 7500, 10_000, 15_000),
      pairs: fc.integer({ min: 0, max: 3 }),
    }),
    { maxLength: 6 },
  );
  it('has as few plates as looking through every stack finds, for any inventory', () => {
    fc.assert(
      fc.property(inventories, (plates) => {
        // Two lots of one plate are one kind.
        const own = [...new Map(plates.map((p) => [p.massT, p])).values()];
        const k: BarKit = { unit: 'kg', barT: 20_000, collarsT: 0, plates: own };
        const least = new Map<number, number>();
        const through = (i: number, sum: number, n: number): void => {
          if (i === own.length) {
            least.set(sum, Math.min(least.get(sum) ?? Infinity, n));
            return;
          }
          for (let c = 0; c <= own[i]!.pairs; c++) through(i + 1, sum + c * own[i]!.massT, n + c);
        };
        through(0, 0, 0);
        const loads = loadsOn(k);
        expect(loads).toHaveLength(least.size);
        for (const l of loads) {
          expect(l.side.length).toBe(least.get((l.totalT - 20_000) / 2));
          expect([...l.side].sort((a, b) => b - a)).toEqual(l.side);
          for (const p of own)
            expect(l.side.filter((g) => g === p.massT).length).toBeLessThanOrEqual(p.pairs);
        }
      }),
      { numRuns: runs(300) },
    );
  });
});

it('answers at once for a hall of many small plates', () => {
  // Without looking ahead this would try billions of stacks.
  const many: BarKit = {
    unit: 'kg',
    barT: 20_000,
    collarsT: 0,
    plates: [25, 20, 15, 10, 7.5, 5, 2.5, 2, 1.5, 1.25, 1, 0.5, 0.25].map((m) => ({
      massT: 1000 * m,
      pairs: 12,
    })),
  };
  const ramp = rampOver(many, [20_000, 101_500, 140_000]);
  expect(ramp.steps.map((s) => s.totalT)).toEqual([20_000, 101_500, 140_000]);
});

describe('loads one after another', () => {
  const moves = (...totals: number[]) => rampOver(HALL, totals.map(kg)).moves;
  const oneByOne = (...totals: number[]) => {
    const stacks = totals.map((t) => loadFor(HALL, kg(t)).below!.side);
    return stacks.reduce((sum, s, i) => sum + movesBetween(stacks[i - 1] ?? [], s), 0);
  };
  // Counted by hand on the stacks.
  it.each([
    [[20, 40, 60, 80, 100], 5, null],
    [[20, 50, 70, 85, 100], 8, null],
    [[20, 30, 40, 50, 60], 5, null],
    [[60, 70, 60, 70, 60, 70], 6, 11],
    [[40, 55, 60, 75, 60, 75, 60, 75], 16, 22],
    [[80, 82.5, 80, 82.5], 5, null],
  ])('%j: %i plates handled on a side', (totals, expected, fewestEachTime) => {
    expect(moves(...totals)).toBe(expected);
    if (fewestEachTime !== null) expect(oneByOne(...totals)).toBe(fewestEachTime);
  });
  it('puts on what was asked, and never handles more than the fewest plates each time would', () => {
    const loads = loadsOn(HALL).map((l) => l.totalT);
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...loads), { minLength: 1, maxLength: 6 }), (totals) => {
        const ramp = rampOver(HALL, totals);
        expect(ramp.steps.map((s) => s.totalT)).toEqual(totals);
        expect(ramp.moves).toBeLessThanOrEqual(oneByOne(...totals.map((g) => g / 1000)));
      }),
      { numRuns: runs(100) },
    );
  });
  it('refuses a load that does not exist', () => {
    expect(() => rampOver(HALL, [kg(61)])).toThrow('cannot be put on');
  });
});

describe('the warm-up with a bar', () => {
  // Common practice, no source.
  it.each([
    [30, [20]],
    [40, [20, 32.5]],
    [60, [20, 30, 40, 50]],
    [80, [20, 40, 55, 67.5]],
    [100, [20, 50, 70, 85]],
    [140, [20, 70, 97.5, 117.5]],
    [20, []],
  ])('before %s kg', (work, expected) => {
    expect(warmUpLoads(HALL, kg(work)).map((r) => r.totalT / 1000)).toEqual(expected);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing/runs.ts';
import { movesBetween, rampOver } from './plates.ts';
import type { BarKit } from './plates.ts';
import { changeBetween, shareBar } from './sharing.ts';

const kg = (n: number) => Math.round(1000 * n);
const HALL: BarKit = {
  unit: 'kg',
  barT: kg(20),
  collarsT: 0,
  plates: [
    [25, 1],
    [20, 2],
    [15, 1],
    [10, 2],
    [5, 2],
    [2.5, 2],
    [1.25, 2],
  ].map(([m, pairs]) => ({ massT: kg(m!), pairs: pairs! })),
};
const turns = (id: string, ...loads: number[]) => ({ id, loadsT: loads.map(kg) });

describe('people who share a bar', () => {
  it('go set by set, with what lies inside left on', () => {
    // By hand: 20 a side, then 5 on and off again: 1 + 1 + 1 + 1 + 1 + 1.
    const two = shareBar(HALL, [turns('a', 60, 60, 60), turns('b', 70, 70, 70)]);
    expect(two.moves).toBe(6);
    expect(two.steps.map((s) => s.id).join('')).toBe('ababab');
    expect(two.steps.map((s) => s.side.map((m) => m / 1000).join('+'))).toEqual([
      '20',
      '20+5',
      '20',
      '20+5',
      '20',
      '20+5',
    ]);
  });

  it('go in the order with the fewest plates handled', () => {
    const three = shareBar(HALL, [turns('heavy', 100, 100), turns('light', 40, 40), turns('middle', 70, 70)]);
    expect(three.moves).toBeLessThanOrEqual(three.movesAsGiven);
    const all = [
      ['heavy', 'light', 'middle'],
      ['heavy', 'middle', 'light'],
      ['light', 'heavy', 'middle'],
      ['light', 'middle', 'heavy'],
      ['middle', 'heavy', 'light'],
      ['middle', 'light', 'heavy'],
    ].map((order) => {
      const of: Record<string, number> = { heavy: 100, light: 40, middle: 70 };
      return rampOver(
        HALL,
        [...order, ...order].map((id) => kg(of[id]!)),
      ).moves;
    });
    expect(three.moves).toBe(Math.min(...all));
  });

  it('may have different numbers of sets; nobody, a crowd and a load that is not there are refused', () => {
    const uneven = shareBar(HALL, [turns('a', 40), turns('b', 60, 60)]);
    expect(uneven.steps.map((s) => `${s.id}${s.set}`)).toEqual(['a1', 'b1', 'b2']);
    expect(() => shareBar(HALL, [])).toThrow(RangeError);
    expect(() =>
      shareBar(
        HALL,
        Array.from({ length: 5 }, (_, i) => turns(String(i), 40)),
      ),
    ).toThrow(RangeError);
    expect(() => shareBar(HALL, [turns('a', ...Array<number>(13).fill(40))])).toThrow(RangeError);
    expect(() => shareBar(HALL, [turns('a', 61)])).toThrow('61 kg cannot be put on');
  });

  it('say plate by plate what comes off and goes on', () => {
    expect(changeBetween([20, 5], [20, 10])).toEqual({ off: [5], on: [10] });
    expect(changeBetween([20, 5, 2], [15])).toEqual({ off: [2, 5, 20], on: [15] });
    const stacks = fc.array(fc.constantFrom(20, 10, 5), { maxLength: 5 });
    fc.assert(
      fc.property(stacks, stacks, (from, to) => {
        const { off, on } = changeBetween(from, to);
        expect(off.length + on.length).toBe(movesBetween(from, to));
        expect([...from.slice(0, from.length - off.length), ...on]).toEqual(to);
      }),
      { numRuns: runs(300) },
    );
  });
});

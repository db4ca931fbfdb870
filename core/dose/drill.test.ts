import { describe, expect, it } from 'vitest';
import { drillPlan, repsDone, workedS } from './index.ts';

const TEMPO = { loweringS: 2, bottomS: 0, risingS: 1, topS: 2 };

describe('the clock of a drill', () => {
  it('holds each side for its seconds, with five to change', () => {
    const plan = drillPlan({ sets: 1, holdS: 15, restS: 0 }, TEMPO, true);
    expect(plan.stretches.map((s) => [s.moment, s.side, s.fromS, s.toS])).toEqual([
      ['ready', 'left', 0, 5],
      ['hold', 'left', 5, 20],
      ['ready', 'right', 20, 25],
      ['hold', 'right', 25, 40],
    ]);
    expect(workedS(plan, 40)).toBe(30);
  });

  it('counts repetitions through its sets, paced by the sum of the tempo, with rest between', () => {
    const plan = drillPlan({ sets: 2, reps: 3, restS: 20 }, TEMPO, false);
    // 5 to get ready, 3 × 5 s, 20 s of rest, and the same again.
    expect(plan.totalS).toBe(2 * (5 + 15) + 20);
    expect([repsDone(plan, 19.9), repsDone(plan, 20), repsDone(plan, plan.totalS)]).toEqual([2, 3, 6]);
  });

  it('takes two seconds for a repetition that names no tempo', () => {
    const still = { loweringS: 0, bottomS: 0, risingS: 0, topS: 0 };
    expect(drillPlan({ sets: 1, reps: 10, restS: 0 }, still, false).totalS).toBe(25);
  });
});

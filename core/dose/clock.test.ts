import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  betweenMs,
  holdPlan,
  INTERVAL,
  intervalPlan,
  READY_S,
  repsDone,
  restPlan,
  roundsDone,
  roundsInWeek,
  signalsOf,
  stretchAt,
  tempoPlan,
  workedS,
} from './clock.ts';
import { restFollows, whoIsNext } from './turn.ts';
import { workTimeS } from './work-time.ts';

const tempo = (loweringS: number, bottomS: number, risingS: number, topS: number) => ({
  loweringS,
  bottomS,
  risingS,
  topS,
});

describe('the tempo guide', () => {
  // A lunge at 2–1–2–0 (common practice, no source), worked by hand.
  const plan = tempoPlan(tempo(2, 1, 2, 0), 3, { side: 'left' });

  it('counts in, then lowers, stays, rises; what takes no time is left out', () => {
    expect(plan.stretches.slice(0, 4).map((s) => [s.moment, s.fromS, s.toS, s.rep])).toEqual([
      ['ready', 0, READY_S, null],
      ['lowering', 5, 7, 1],
      ['bottom', 7, 8, 1],
      ['rising', 8, 10, 1],
    ]);
    expect(plan.totalS).toBe(READY_S + 3 * 5);
    expect(plan.reps).toBe(3);
  });

  it('begins with rising where the work starts low', () => {
    expect(tempoPlan(tempo(3, 0, 1, 1), 1, { risesFirst: true }).stretches.map((s) => s.moment)).toEqual([
      'ready',
      'rising',
      'top',
      'lowering',
    ]);
  });

  it('knows the repetitions finished and the seconds of work', () => {
    expect([4, 9.9, 10, 14.9, 20].map((s) => repsDone(plan, s))).toEqual([0, 0, 1, 1, 3]);
    expect(workedS(plan, 7.5)).toBeCloseTo(2.5, 12);
    expect(workedS(plan, 99)).toBe(workTimeS({ sets: 1, reps: 3 }, tempo(2, 1, 2, 0), 1));
  });

  it('refuses a tempo of no time', () => {
    expect(() => tempoPlan(tempo(0, 0, 0, 0), 5)).toThrow(RangeError);
    expect(() => tempoPlan(tempo(-1, 0, 0, 0), 5)).toThrow(RangeError);
  });
});

describe('the interval form', () => {
  // 40 s work, 20 s rest, sides change at 20 s (common practice, no source).
  it('changes sides at half, rests between rounds and not after the last', () => {
    const plan = intervalPlan(2, { oneSided: true });
    expect(plan.stretches.map((s) => [s.moment, s.fromS, s.toS, s.side])).toEqual([
      ['ready', 0, 5, null],
      ['work', 5, 25, 'left'],
      ['work', 25, 45, 'right'],
      ['rest', 45, 65, null],
      ['work', 65, 85, 'left'],
      ['work', 85, 105, 'right'],
    ]);
    expect([44, 45, 104, 105].map((s) => roundsDone(plan, s))).toEqual([0, 1, 1, 2]);
    expect(intervalPlan(1, { oneSided: true, first: 'right' }).stretches[1]!.side).toBe('right');
    expect(intervalPlan(1, { oneSided: false }).stretches[1]).toMatchObject({
      fromS: 5,
      toS: 45,
      side: null,
    });
  });

  it('of five rounds is five minutes but for the last rest', () => {
    const plan = intervalPlan(5, { oneSided: false });
    expect(plan.totalS - READY_S).toBe(5 * 60 - INTERVAL.restS);
    expect(workedS(plan, plan.totalS)).toBe(200);
  });

  it('has two rounds in the first week, one more each week, five at most', () => {
    expect([1, 2, 3, 4, 5, 9].map(roundsInWeek)).toEqual([2, 3, 4, 5, 5, 5]);
    expect(() => roundsInWeek(0)).toThrow(RangeError);
    expect(() => roundsInWeek(1.5)).toThrow(RangeError);
  });
});

describe('any plan', () => {
  const plans = fc.oneof(
    fc
      .tuple(
        fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 4, maxLength: 4 }),
        fc.integer({ min: 1, max: 20 }),
      )
      .filter(([t]) => t.some((s) => s > 0))
      .map(([t, reps]) => tempoPlan(tempo(t[0]!, t[1]!, t[2]!, t[3]!), reps)),
    fc
      .tuple(fc.integer({ min: 1, max: 5 }), fc.boolean())
      .map(([r, oneSided]) => intervalPlan(r, { oneSided })),
    fc.integer({ min: 1, max: 600 }).map((s) => holdPlan(s)),
    fc.integer({ min: 1, max: 300 }).map(restPlan),
  );

  it('runs without a gap from its start to its end', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        plan.stretches.forEach((s, i) => expect(s.fromS).toBe(plan.stretches[i - 1]?.toS ?? 0));
        expect(plan.stretches.at(-1)!.toS).toBe(plan.totalS);
        expect(stretchAt(plan, plan.totalS)).toBeNull();
        expect(stretchAt(plan, -1)).toBeNull();
      }),
    );
  });

  it('sounds in order, within its time, once at its end and at every change of sides', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const signals = signalsOf(plan);
        signals.forEach((s, i) => expect(s.atS).toBeGreaterThanOrEqual(signals[i - 1]?.atS ?? 0));
        expect(signals.filter((s) => s.kind === 'end')).toEqual([{ atS: plan.totalS, kind: 'end' }]);
        const changes = plan.stretches.filter((s, i) => {
          const before = plan.stretches[i - 1];
          return s.side !== null && before && before.side !== null && before.side !== s.side;
        });
        expect(signals.filter((s) => s.kind === 'sides').map((s) => s.atS)).toEqual(
          changes.map((s) => s.fromS),
        );
      }),
    );
  });

  it('counts in the last three seconds before work', () => {
    expect(signalsOf(holdPlan(20)).map((s) => [s.atS, s.kind])).toEqual([
      [2, 'count'],
      [3, 'count'],
      [4, 'count'],
      [5, 'go'],
      [22, 'count'],
      [23, 'count'],
      [24, 'count'],
      [25, 'end'],
    ]);
  });
});

describe('time between two readings', () => {
  const reading = (steadyMs: number, wallMs: number) => ({ steadyMs, wallMs });
  it.each([
    ['both clocks alike', reading(0, 0), reading(60_000, 60_000), 60_000],
    ['the wall clock put right by half a second', reading(0, 0), reading(60_000, 60_500), 60_000],
    ['the wall clock put back an hour', reading(0, 0), reading(60_000, -3_540_000), 60_000],
    // The device slept for 50 s: the steady clock stood still.
    ['asleep for fifty seconds', reading(0, 0), reading(10_000, 60_000), 60_000],
    ['never less than nothing', reading(10, 10), reading(0, 0), 0],
  ])('%s', (_, from, to, ms) => {
    expect(betweenMs(from, to)).toBe(ms);
  });
});

describe('whose set is next', () => {
  const turn = (id: string, setsLeft: number, setsDone: number, restLeftS: number) => ({
    id,
    setsLeft,
    setsDone,
    restLeftS,
  });
  it.each([
    ['the one who is rested', [turn('a', 1, 1, 30), turn('b', 1, 2, 0)], 'b'],
    ['of the rested the one with fewer sets done', [turn('a', 1, 2, 0), turn('b', 1, 1, 0)], 'b'],
    ['of all alike the first', [turn('a', 1, 1, 0), turn('b', 1, 1, 0)], 'a'],
    ['nobody who is done', [turn('a', 0, 3, 0), turn('b', 1, 1, 90)], 'b'],
    ['nobody when all are done', [turn('a', 0, 3, 0)], null],
    ['nobody of nobody', [], null],
  ])('%s', (_, people, id) => {
    expect(whoIsNext(people)).toBe(id);
  });
});

describe('rest', () => {
  const done = (left: number, right: number) => (side: 'left' | 'right') => (side === 'left' ? left : right);
  it.each([
    [null, 0, 0, true],
    ['left', 0, 0, false],
    ['right', 1, 0, true],
    ['right', 1, 1, false],
    ['left', 1, 2, true],
  ] as const)('after %s with %i left and %i right before it: %s', (side, left, right, follows) => {
    expect(restFollows(side, done(left, right))).toBe(follows);
  });
});

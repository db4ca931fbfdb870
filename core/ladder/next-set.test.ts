import { evaluate } from '../criterion/index.ts';
import { levelEvidence, weakerSide } from '../log/index.ts';
import { describe, expect, it } from 'vitest';
import { facts, set } from '../testing/samples.ts';
import { nextSet, setsToFollow } from './next-set.ts';
import { planAt } from './plan.ts';
import type { Plan } from './plan.ts';
import { targetAt } from './target.ts';
import type { LoggedSet } from '../log/index.ts';
import type { Target } from './target.ts';

const D1 = '2026-01-05';
const D2 = '2026-01-07';
const TODAY = '2026-01-10';
const target = (change: Partial<Target> = {}): Plan =>
  planAt({ ...targetAt({ sets: 2, reps: 10, restS: 60 }, []), ...change });
const one = facts('one-main', { oneSided: true });
const known = new Map([[one.slug, one]]);
const side = (s: 'left' | 'right', date: string, doneReps: number, change: Partial<LoggedSet> = {}) =>
  set(date, { side: s, doneReps, ...change });

describe('the set to do next', () => {
  it('is the target until all its sets are done, warm-up sets not counted', () => {
    const v = facts('one-main');
    expect(nextSet([], v, target(), TODAY)).toMatchObject({
      side: null,
      number: 1,
      of: 2,
      reps: 10,
      done: false,
    });
    const warm = set(TODAY, { warmUp: true });
    expect(nextSet([warm, set(TODAY)], v, target(), TODAY)).toMatchObject({ number: 2, done: false });
    expect(nextSet([set(TODAY), set(TODAY, { ordinal: 2 })], v, target(), TODAY)).toMatchObject({
      number: 3,
      done: true,
    });
  });

  it('counts what the variation is counted in', () => {
    const hold = facts('one-main', { countedIn: 'seconds held' });
    expect(nextSet([], hold, target({ reps: undefined, holdS: 20 }), TODAY)).toMatchObject({
      reps: null,
      holdS: 20,
    });
    const rounds = facts('one-main', { countedIn: 'rounds' });
    expect(nextSet([], rounds, target({ reps: undefined, rounds: 3 }), TODAY)).toMatchObject({
      reps: null,
      rounds: 3,
    });
  });

  // The weaker side goes first and sets the stronger side's repetitions: common practice, no source.
  it('begins with the weaker side, which sets the number of the stronger', () => {
    const before = [side('left', D2, 12), side('right', D2, 9, { ordinal: 2 })];
    const first = nextSet(before, one, target(), TODAY);
    expect(first).toMatchObject({ side: 'right', number: 1, reps: 10 });
    expect(first.why).toEqual(['The right side first: it did 9, the left 12 last time.']);
    const short = [...before, side('right', TODAY, 8)];
    expect(nextSet(short, one, target(), TODAY)).toMatchObject({
      side: 'left',
      number: 1,
      reps: 8,
      why: ['As many as the right side did: 8.'],
    });
    // More than was asked is not asked of the other side too.
    expect(nextSet([...before, side('right', TODAY, 13)], one, target(), TODAY)).toMatchObject({
      side: 'left',
      reps: 10,
    });
    const all = [...short, side('left', TODAY, 8, { ordinal: 2 })];
    expect(nextSet(all, one, target(), TODAY)).toMatchObject({ side: 'right', number: 2, done: false });
    const both = [...all, side('right', TODAY, 8, { ordinal: 3 }), side('left', TODAY, 8, { ordinal: 4 })];
    expect(nextSet(both, one, target(), TODAY).done).toBe(true);
  });

  it('believes a side test before the last session, while it is fresh', () => {
    const test = { sideTest: true };
    const sets = [
      side('left', D1, 8, test),
      side('right', D1, 12, { ...test, ordinal: 2 }),
      side('left', D2, 10),
      side('right', D2, 9, { ordinal: 2 }),
    ];
    expect(weakerSide(sets, known, TODAY)).toMatchObject({ side: 'left', tested: true, on: D1 });
    expect(weakerSide(sets, known, '2026-02-02')).toMatchObject({ side: 'left', tested: true });
    expect(weakerSide(sets, known, '2026-02-03')).toMatchObject({ side: 'right', tested: false });
    expect(weakerSide([side('left', D2, 9), side('right', D2, 9)], known, TODAY)).toBeNull();
    expect(weakerSide([side('left', D2, 9)], known, TODAY)).toBeNull();
  });

  it('reads a side test as the decision does: by clean repetitions', () => {
    const test = { sideTest: true };
    const sets = [
      // 12 of which 5 not clean are 7; 10 clean are more.
      side('left', D1, 12, { ...test, faults: [{ fault: 'knee-in', side: 'left', reps: 5 }] }),
      side('right', D1, 10, { ...test, ordinal: 2 }),
    ];
    expect(weakerSide(sets, known, TODAY)).toMatchObject({ side: 'left', left: 7, right: 10, tested: true });
    const decided = evaluate(
      { kind: 'sideDifferenceAtMost', percent: 10 },
      levelEvidence(sets, [one.slug], D1),
      {
        facts: known,
        sideTests: sets,
        today: TODAY,
      },
    );
    expect(decided.sides).toEqual(['left']);
    expect(nextSet(sets, one, target(), TODAY)).toMatchObject({
      side: 'left',
      why: ['The left side first: it did 7, the right 10 in the side test.'],
    });
  });

  it('brings back settings as they were and aids as they are planned, and says what fades', () => {
    const aids = [
      { name: 'Rack', setting: '7' },
      { name: 'pads', setting: '3' },
    ];
    const last = nextSet(
      [set(D1, { aids }), set(D2)],
      facts('one-main'),
      target({ aids: [{ aid: 'pads', amount: 2 }] }),
      TODAY,
    );
    expect(last.aids).toEqual([
      { name: 'pads', setting: '2' },
      { name: 'Rack', setting: '7' },
    ]);
    expect(last.settingsFrom).toBe(D1);
    expect(last.why).toEqual(['Less of pads than last time: 2 instead of 3.']);
    expect(nextSet([set(D2)], facts('one-main'), target(), TODAY).aids).toBeNull();
    expect(nextSet([set(D2, { aids: [] })], facts('one-main'), target(), TODAY).aids).toEqual([]);
  });

  it('takes the load of the target, else of the last set that had one', () => {
    const sets = [set(D2, { loadKg: 12 }), set(D1, { loadKg: 8 }), set(TODAY, { loadKg: null })];
    expect(nextSet(sets, facts('one-main'), target(), TODAY).loadKg).toBe(12);
    expect(nextSet(sets, facts('one-main'), target({ loadKg: 16 }), TODAY).loadKg).toBe(16);
  });
});

describe('the sets that the next one follows from', () => {
  const day = (n: number) => `2026-01-0${n}`;
  const aids = [{ name: 'pads', setting: '1' }];
  const old = [set(day(1), { aids }), set(day(2), { sideTest: true, side: 'left' }), set(day(3))];
  const rest = [4, 5, 6].map((n) => set(day(n)));
  const later = [set(TODAY), set(day(6), { variation: 'other' })];
  it('are the newest three days, and older ones only for aids and a side test', () => {
    const dates = setsToFollow([...old, ...rest, ...later], 'one-main', TODAY).map((s) => s.date);
    expect(dates).toEqual([1, 2, 4, 5, 6].map(day));
  });
  it('give the same next set as the whole log', () => {
    const all = [...old, ...rest, ...later];
    const next = (sets: LoggedSet[]) => nextSet(sets, one, target(), TODAY);
    expect(next([...setsToFollow(all, 'one-main', TODAY), ...later])).toEqual(next(all));
  });
});

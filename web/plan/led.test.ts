import { describe, expect, it } from 'vitest';
import type { LedDrill } from '../../core/floor/index.ts';
import { drillSets, firstOf, goOn, ordinalAfter } from './led.ts';

const CLAM: LedDrill = {
  variation: 'lying-clam',
  revision: 1,
  name: 'Clamshell',
  step: 'activation',
  because: 'before Goblet squat',
  seconds: 100,
  amount: { sets: 1, reps: 10, restS: 0 },
  countedIn: 'repetitions',
  loadKind: 'none',
  tempo: { loweringS: 2, bottomS: 0, risingS: 1, topS: 2 },
  apart: true,
  cue: null,
  wanted: [{ region: 'side of hip', kind: 'work' }],
};

describe('what is written down of a drill', () => {
  // 5 to get ready, 50 s left, 5 to change, 50 s right.
  it('is a warm-up set of each side, with the seconds that it took', () => {
    expect(drillSets(CLAM, { how: 'whole' }, 110)).toMatchObject([
      { warmUp: true, watched: false, side: 'left', doneReps: 10, workS: 50, sensations: null },
      { warmUp: true, side: 'right', doneReps: 10, workS: 50 },
    ]);
  });

  it('says where it is felt where that ended it, and nothing of the side that was not begun', () => {
    const sets = drillSets(CLAM, { how: 'felt' }, 31);
    expect(sets).toHaveLength(1);
    expect(sets[0]).toMatchObject({
      side: 'left',
      doneReps: 5,
      workS: 26,
      sensations: [{ region: 'side of hip', kind: 'work', side: 'left' }],
    });
  });

  it('is nothing where it was left out, or had not begun to be work', () => {
    expect(drillSets(CLAM, { how: 'skipped', why: 'no time' }, 40)).toEqual([]);
    expect(drillSets(CLAM, { how: 'stopped' }, 4)).toEqual([]);
  });

  it('is seconds of a hold', () => {
    const hold = { ...CLAM, apart: false, amount: { sets: 1, holdS: 20, restS: 0 } };
    expect(drillSets(hold, { how: 'whole' }, 25)).toMatchObject([{ holdS: 20, doneReps: null, side: null }]);
  });
});

it('goes on to the next drill at once, and keeps why one was left out', () => {
  const second = goOn({ ...firstOf(), startedAt: 0 }, CLAM, { how: 'felt' }, 31.4, 1000);
  expect(second).toMatchObject({ at: 1, startedAt: 1000, log: [{ s: 31, sets: 1, skipped: null }] });
  const third = goOn(second, CLAM, { how: 'skipped', why: 'warm already' }, 3, 2000);
  // Each set has a place of its own in the day.
  expect(ordinalAfter(third)).toBe(2);
  expect(third.log[1]).toMatchObject({ s: 0, skipped: 'warm already' });
});

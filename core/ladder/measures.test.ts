import { describe, expect, it } from 'vitest';
import { facts, set } from '../testing/samples.ts';
import { measured, measuresIn, plannedAgainstDone, thresholdsOf } from './measures.ts';
import type { Criterion } from '../criterion/index.ts';

const known = new Map([['one-main', facts('one-main')]]);
const D = ['2026-01-05', '2026-01-07'] as const;

describe('measures over time', () => {
  it('are the best of each day and side, without warm-up and what nobody watched', () => {
    const sets = [
      set(D[1], { side: 'left', doneReps: 9 }),
      set(D[0], { side: 'left', doneReps: 8 }),
      set(D[0], { side: 'left', doneReps: 12, faults: [{ fault: 'fix', side: null, reps: 2 }], ordinal: 2 }),
      set(D[0], { side: 'right', doneReps: 7, ordinal: 3 }),
      set(D[0], { side: 'right', doneReps: 20, warmUp: true }),
      set(D[0], { side: 'right', doneReps: 19, watched: false }),
    ];
    expect(measured('clean repetitions', sets, known)).toEqual([
      { date: D[0], side: 'left', value: 10 },
      { date: D[0], side: 'right', value: 7 },
      { date: D[1], side: 'left', value: 9 },
    ]);
  });
  it('are those of which anything is known', () => {
    expect(measuresIn([set(D[0], { loadKg: 12 })], known)).toEqual(['clean repetitions', 'load', 'effort']);
    const hold = set(D[0], { doneReps: null, holdS: 30, effort: null });
    expect(measuresIn([hold], known)).toEqual(['seconds held']);
    expect(measuresIn([], known)).toEqual([]);
  });
  it('have the thresholds that the criterion asks, loads by body mass only where it is known', () => {
    const c: Criterion = {
      kind: 'all',
      of: [
        { kind: 'sessionsRunning', sessions: 2, of: { kind: 'cleanReps', reps: 12, sets: 2 } },
        { kind: 'load', load: 50, unit: '% of body mass', reps: 8, sets: 2 },
        { kind: 'effortAtMost', effort: 8 },
      ],
    };
    expect(thresholdsOf('clean repetitions', c, 70)).toEqual([8, 12]);
    expect(thresholdsOf('load', c, 70)).toEqual([35]);
    expect(thresholdsOf('load', c, null)).toEqual([]);
    expect(thresholdsOf('effort', c, null)).toEqual([8]);
    expect(thresholdsOf('rounds', c, null)).toEqual([]);
  });
  it('are also the help that was used, which fades, and the numbers that were set', () => {
    const used = (date: string, ordinal: number, pads: string, m: number) =>
      set(date, {
        ordinal,
        doneReps: null,
        effort: null,
        aids: [{ name: 'pads', setting: pads }],
        settings: [
          { name: 'box height', value: m, side: null },
          { name: 'footwear', value: 'barefoot', side: null },
        ],
      });
    const sets = [used(D[1], 1, '0', 0.4), used(D[0], 2, '1', 0.45), used(D[0], 1, '2', 0.5)];
    expect(measuresIn(sets, known)).toEqual(['pads', 'box height']);
    expect(measured('pads', sets, known).map((p) => p.value)).toEqual([1, 0]);
    expect(measured('box height', sets, known).map((p) => p.value)).toEqual([0.45, 0.4]);
    // Without help all along there is nothing to draw.
    expect(measuresIn([used(D[0], 1, '0', 0.4)], known)).toEqual(['box height']);
  });
  it('set planned against done, day by day', () => {
    const sets = [
      set(D[1], { plannedReps: 10, doneReps: 10 }),
      set(D[0], { plannedReps: 10, doneReps: 9 }),
      set(D[0], { plannedReps: 10, doneReps: 7, ordinal: 2 }),
      set(D[0], { plannedReps: null, doneReps: 7, ordinal: 3 }),
    ];
    expect(plannedAgainstDone(sets)).toEqual([
      { date: D[0], sets: 2, planned: 20, done: 16 },
      { date: D[1], sets: 1, planned: 10, done: 10 },
    ]);
  });
});

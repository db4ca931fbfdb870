// @vitest-environment jsdom
import { counted } from '../log/index.ts';
import { describe, expect, it } from 'vitest';
import { tempoPlan, stretchAt } from '../../core/dose/index.ts';
import { clocks } from '../dose/index.ts';
import { placeIn } from '../dose/index.ts';
import { restAfter } from './floor-set.tsx';

describe('faults counted', () => {
  it('go up to the repetitions done, down to none, and keep the side first noted', () => {
    let faults = counted([], 'knee', 1, 'left', 3);
    expect(faults).toEqual([{ fault: 'knee', side: 'left', reps: 1 }]);
    for (let i = 0; i < 5; i++) faults = counted(faults, 'knee', 1, 'right', 3);
    expect(faults).toEqual([{ fault: 'knee', side: 'left', reps: 3 }]);
    faults = counted(faults, 'heel', 1, null, 3);
    faults = counted(faults, 'knee', -3, null, 3);
    expect(faults).toEqual([{ fault: 'heel', side: null, reps: 1 }]);
  });
});

describe('the figure while the tempo is counted', () => {
  const tempo = { loweringS: 4, bottomS: 1, risingS: 2, topS: 1 };
  const place = (s: number, workingIs: 'bottom' | 'top', risesFirst = false) => {
    const plan = tempoPlan(tempo, 2, { risesFirst });
    return placeIn(stretchAt(plan, s)!, s, workingIs);
  };
  it.each([
    [4, null],
    [5, 0],
    [7, 0.5],
    [9.5, 1],
    [11, 0.5],
    [12.5, 0],
  ])('of a squat at %f s', (s, at) => {
    expect(place(s, 'bottom')).toEqual(at);
  });
  it('of a bridge works at the top', () => {
    expect(place(6, 'top', true)).toBe(0.5);
    expect(place(7.5, 'top', true)).toBe(1);
  });
});

describe('rest', () => {
  const line = { target: { restS: 60 } } as Parameters<typeof restAfter>[1];
  const resting = () => clocks.current().rests['p'] !== undefined;
  it('follows a set, but not the first side of a pair', () => {
    restAfter('p', line, null, () => 0);
    expect(resting()).toBe(true);
    restAfter('p', line, 'left', () => 0);
    expect(resting()).toBe(false);
    restAfter('p', line, 'right', (side) => (side === 'left' ? 1 : 0));
    expect(resting()).toBe(true);
  });
});

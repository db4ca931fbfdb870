import { describe, expect, it } from 'vitest';
import { lastAids, lastSettings } from './last-told.ts';

const set = (date: string, ordinal: number, variation: string, setting: string | null) => ({
  date,
  ordinal,
  variation,
  side: null,
  aids: setting === null ? null : [{ name: 'Box', setting }],
});

describe('aids of last time', () => {
  const sets = [
    set('2026-11-20', 2, 'box-squat', '45 cm'),
    set('2026-11-22', 1, 'box-squat', '40 cm'),
    set('2026-11-22', 3, 'box-squat', '35 cm'),
    // Nothing was noted: it says nothing about what was used.
    set('2026-11-24', 1, 'box-squat', null),
    set('2026-11-25', 1, 'plain-squat', 'none'),
  ];
  it('are those of the newest set that tells any, whatever the order of entry', () => {
    for (const list of [sets, [...sets].reverse()]) {
      expect(lastAids(list, 'box-squat')).toEqual({
        date: '2026-11-22',
        used: [{ name: 'Box', setting: '35 cm' }],
      });
    }
  });
  it('are unknown where no set tells any', () => {
    expect(lastAids(sets, 'back-squat')).toBeNull();
    expect(lastAids(sets.slice(3, 4), 'box-squat')).toBeNull();
  });
});

describe('settings of last time', () => {
  const of = (date: string, side: 'left' | 'right' | null, value: number) => ({
    date,
    ordinal: 1,
    variation: 'step-up',
    side,
    settings: [{ name: 'step height' as const, value, side: null }],
  });
  const sets = [of('2026-11-20', 'left', 0.2), of('2026-11-22', 'right', 0.25)];
  it('are those of the side that works, else the newest', () => {
    expect(lastSettings(sets, 'step-up', 'left')?.used[0]?.value).toBe(0.2);
    expect(lastSettings(sets, 'step-up', 'right')?.used[0]?.value).toBe(0.25);
    expect(lastSettings(sets, 'step-up')?.date).toBe('2026-11-22');
    expect(lastSettings(sets.slice(0, 1), 'step-up', 'right')?.used[0]?.value).toBe(0.2);
    expect(lastSettings(sets, 'back-squat')).toBeNull();
  });
});

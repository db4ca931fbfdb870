import { describe, expect, it } from 'vitest';
import { lastAids } from './last-aids.ts';

const set = (date: string, ordinal: number, variation: string, setting: string | null) => ({
  date,
  ordinal,
  variation,
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
        aids: [{ name: 'Box', setting: '35 cm' }],
      });
    }
  });
  it('are unknown where no set tells any', () => {
    expect(lastAids(sets, 'back-squat')).toBeNull();
    expect(lastAids(sets.slice(3, 4), 'box-squat')).toBeNull();
  });
});

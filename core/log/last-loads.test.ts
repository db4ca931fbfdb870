import { describe, expect, it } from 'vitest';
import { lastLoads } from './last-loads.ts';

const set = (date: string, ordinal: number, variation: string, loadKg: number | null) => ({
  date,
  ordinal,
  variation,
  loadKg,
});

describe('the last load of each variation', () => {
  it('is that of the newest set by day and place, whatever the order of entry', () => {
    const loads = lastLoads([
      set('2026-11-20', 2, 'goblet', 20),
      set('2026-11-20', 1, 'goblet', 16),
      set('2026-11-10', 5, 'goblet', 24),
      set('2026-11-01', 1, 'thrust', 40),
    ]);
    expect([...loads]).toEqual([
      ['thrust', 40],
      ['goblet', 20],
    ]);
  });
  it('passes over sets without a load', () => {
    expect(
      lastLoads([set('2026-11-01', 1, 'goblet', 16), set('2026-11-02', 1, 'goblet', null)]).get('goblet'),
    ).toBe(16);
    expect(lastLoads([]).size).toBe(0);
  });
});

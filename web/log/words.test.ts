import type { SideWork } from '../../core/terms/index.ts';
import { describe, expect, it } from 'vitest';
import type { Target } from '../../core/ladder/index.ts';
import { set } from '../../core/testing/samples.ts';
import { plain } from '../testing/plain.ts';
import * as words from './words.ts';

const targetWords: typeof words.targetWords = (...of) => plain(words.targetWords(...of));
const setSummary: typeof words.setSummary = (...of) => plain(words.setSummary(...of));

const target = (change: Partial<Target>): Target => ({
  sets: 2,
  restS: 60,
  loweringS: null,
  aidsDropped: [],
  ...change,
});

describe('target in words', () => {
  it.each([
    [target({ reps: 12 }), 'together', '2 × 12, rest 60 s'],
    [target({ reps: 10 }), 'apart', '2 × 10 each side, rest 60 s'],
    [target({ reps: 12 }), 'in turns', '2 × 12 (6 each side), rest 60 s'],
    [target({ holdS: 20, sets: 3 }), 'together', '3 × 20 s, rest 60 s'],
    [
      target({ reps: 8, loadKg: 20, loweringS: 4, aidsDropped: ['the pad'] }),
      'together',
      '2 × 8, 20 kg, lower over 4 s, without the pad, rest 60 s',
    ],
  ] as [Target, SideWork, string][])('%j', (t, sides, words) => {
    expect(targetWords(t, 'kg', sides)).toBe(words);
  });
  it('takes the unit of the screen', () => {
    expect(targetWords(target({ reps: 8, loadKg: 20 }), 'lb', 'together')).toContain('44.1 lb');
  });
});

describe('a set in words', () => {
  const name = (slug: string) => slug.toUpperCase();
  const words = (change: Parameters<typeof set>[1]) => setSummary(set('2026-11-24', change), 'kg', name);
  it('leaves out what is not known', () => {
    expect(words({ effort: null, pain: null, watched: false })).toBe('10 repetitions, not watched');
  });
  it('says the seconds of rounds, and breaths with theirs', () => {
    const bare = { doneReps: null, effort: null, pain: null, watched: false };
    expect(words({ ...bare, rounds: 3, workS: 40 })).toBe('3 rounds of 40 s, not watched');
    expect(words({ ...bare, holdS: 24, breaths: 5 })).toBe('5 breaths (24 s), not watched');
  });
  it('says no pain, and names faults with their side', () => {
    expect(words({ side: 'left', sideTest: true, faults: [{ fault: 'drop', side: 'left', reps: 2 }] })).toBe(
      '10 repetitions, left, side test, effort 6, no pain, DROP × 2 left',
    );
    expect(words({ pain: 4 })).toContain('pain 4');
  });
  it('counts holds and rounds', () => {
    expect(words({ doneReps: null, holdS: 32.5 })).toContain('32.5 s held');
    expect(words({ doneReps: null, rounds: 4, warmUp: true })).toMatch(/^warm-up, 4 rounds/);
  });
});

import { describe, expect, it } from 'vitest';
import { doseFor, doseWords, tempoWords } from './words.ts';
import { leastOf, sidesOf, workTimeS } from './work-time.ts';
import type { Dose } from '../library/index.ts';

const tempo = (text: string) => {
  const [loweringS, bottomS, risingS, topS] = text.split('-').map(Number) as [number, number, number, number];
  return { loweringS, bottomS, risingS, topS };
};
const dose = (d: Partial<Dose>): Dose => ({ role: 'work', sets: 3, restS: 60, notes: [], ...d });

describe('work time', () => {
  // Repetitions × sides × the sum of the tempo: common practice, no source. Worked by hand.
  it.each([
    ['thrust, 3–0–1–1, 10 repetitions', { sets: 1, reps: 10 }, '3-0-1-1', 1, 50],
    ['lunge, 2–1–2–0, 3 × 8 each side', { sets: 3, reps: 8 }, '2-1-2-0', 2, 240],
    ['hold of 15 s each side', { sets: 1, holdS: 15 }, '2-15-2-0', 2, 30],
    ['two rounds of the interval form', { sets: 1, rounds: 2 }, '1-0-1-0', 1, 120],
    ['nothing', { sets: 2 }, '1-0-1-0', 1, 0],
  ] as const)('%s', (_, amount, t, sides, seconds) => {
    expect(workTimeS(amount, tempo(t), sides)).toBe(seconds);
  });

  it('takes the least that a dose asks for, and two sides where one leg works', () => {
    expect(leastOf(dose({ repsFrom: 8, repsTo: 12 }))).toEqual({ sets: 3, reps: 8 });
    expect(leastOf(dose({ holdS: 20 }))).toEqual({ sets: 3, holdS: 20 });
    expect(leastOf(dose({ rounds: 2 }))).toEqual({ sets: 3, rounds: 2 });
    expect([sidesOf('two legs'), sidesOf('split'), sidesOf('one leg')]).toEqual([1, 2, 2]);
  });
});

describe('words', () => {
  it.each([
    [dose({ repsFrom: 8, repsTo: 12 }), false, '3 × 8–12'],
    [dose({ repsFrom: 10, repsTo: 10 }), true, '3 × 10 each side'],
    [dose({ holdS: 20 }), false, '3 × 20 s'],
    [dose({ sets: 1, holdS: 15 }), true, '15 s each side'],
    [dose({ sets: 1, holdS: 240 }), false, '4 min'],
    [dose({ sets: 1, holdS: 90 }), false, '90 s'],
    [dose({ rounds: 1 }), false, '1 round'],
    [dose({ rounds: 5 }), false, '5 rounds'],
  ])('of a dose', (d, oneSided, words) => {
    expect(doseWords(d, oneSided)).toBe(words);
  });

  it('of a tempo', () => {
    expect(tempoWords(tempo('3-0-1-1'))).toBe('3–0–1–1');
  });

  it('the dose on paper is that of work, else of teaching, else of preparing', () => {
    const all = [dose({ role: 'prepare' }), dose({ role: 'teach' }), dose({ role: 'work' })];
    expect(doseFor({ dose: all })?.role).toBe('work');
    expect(doseFor({ dose: all.slice(0, 2) })?.role).toBe('teach');
    expect(doseFor({ dose: all.slice(0, 1) })?.role).toBe('prepare');
    expect(doseFor({ dose: [] })).toBeNull();
  });
});

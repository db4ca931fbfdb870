import type { Laterality, SideOrder, SideWork } from '../terms/index.ts';
import { describe, expect, it } from 'vitest';
import { doseFor, doseWords, tempoWords } from './words.ts';
import { leastOf, timesDone, workTimeS } from './work-time.ts';
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
    const of = (laterality: Laterality, sideOrder: SideOrder) => timesDone({ laterality, sideOrder });
    expect([
      of('two legs', 'both together'),
      of('split', 'one side to the end'),
      of('one leg', 'one side to the end'),
      of('split', 'sides alternating'),
    ]).toEqual([1, 2, 2, 1]);
  });
});

describe('words', () => {
  it.each([
    [dose({ repsFrom: 8, repsTo: 12 }), 'together', '3 × 8–12'],
    [dose({ repsFrom: 10, repsTo: 10 }), 'apart', '3 × 10 each side'],
    [dose({ repsFrom: 12, repsTo: 12 }), 'in turns', '3 × 12 (6 each side)'],
    [dose({ holdS: 20 }), 'together', '3 × 20 s'],
    [dose({ sets: 1, holdS: 15 }), 'apart', '15 s each side'],
    [dose({ sets: 1, holdS: 240 }), 'together', '4 min'],
    [dose({ sets: 1, holdS: 90 }), 'together', '90 s'],
    [dose({ rounds: 1 }), 'together', '1 round'],
    [dose({ rounds: 5 }), 'together', '5 rounds'],
  ] as [Dose, SideWork, string][])('of a dose', (d, sides, words) => {
    expect(doseWords(d, sides)).toBe(words);
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

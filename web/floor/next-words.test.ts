import { usedWords } from '../../core/terms/index.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import { describe, expect, it } from 'vitest';
import { nextSet, planAt, targetAt } from '../../core/ladder/index.ts';
import { facts, set } from '../../core/testing/samples.ts';
import { plain } from '../testing/plain.ts';
import * as words from './next-words.ts';

const { insteadPath } = words;
const nextWords: typeof words.nextWords = (...of) => plain(words.nextWords(...of));

const TODAY = '2026-01-10';
const next = (change: object = {}, sets = [] as ReturnType<typeof set>[]) =>
  nextSet(
    sets,
    facts('one-main', change),
    planAt(targetAt({ sets: 2, reps: 10, holdS: 20, rounds: 3, restS: 60 }, [])),
    TODAY,
  );

describe('the next set in words', () => {
  it('says which set, which side, how many and with what', () => {
    expect(nextWords(next(), 'kg')).toBe('set 1 of 2, 10 repetitions');
    expect(nextWords(next({ oneSided: true }), 'kg')).toBe('set 1 of 2, left, 10 repetitions');
    expect(nextWords(next({ countedIn: 'seconds held' }), 'kg')).toBe('set 1 of 2, hold 20 s');
    expect(nextWords(next({ countedIn: 'rounds' }), 'kg')).toBe('set 1 of 2, 3 rounds');
    expect(nextWords({ ...next(), loadKg: 12 }, 'kg')).toBe('set 1 of 2, 10 repetitions with 12 kg');
  });
  it('goes on counting beyond the target', () => {
    const done = [1, 2].map((ordinal) => set(TODAY, { ordinal }));
    expect(nextWords(next({}, done), 'kg')).toBe('set 3 of 3, 10 repetitions');
  });
});

describe('aids and kit', () => {
  it('are said shortly', () => {
    expect(
      usedWords([
        { name: 'pads', setting: '2' },
        { name: 'Rack hooks', setting: '7' },
        { name: 'Mat', setting: '' },
      ]),
    ).toBe('2 pads, Rack hooks 7, Mat');
  });
  it('lead to what can be given instead without the scarcest piece', () => {
    const line = {
      variation: 'back-squat',
      kit: [{ slug: 'bar-and-rack', name: 'Bar and rack' }],
    } as TodayLine;
    expect(insteadPath(line, 'p1')).toBe(
      '/library/variation/back-squat?instead=yes&for=p1&without=bar-and-rack',
    );
    expect(insteadPath({ ...line, kit: [] }, 'p1')).toBe('/library/variation/back-squat?instead=yes&for=p1');
  });
});

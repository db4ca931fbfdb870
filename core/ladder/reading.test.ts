import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../exchange/index.ts';
import { shelfOf } from '../library/index.ts';
import { readingOf } from './reading.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../../server/demo/library.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
const placed = (ladder: string, toLevel: string) =>
  ({ kind: 'placed', date: '2026-11-01', ladder, toLevel, taken: null }) as const;
const grown = { ...placed('squat-ladder', 'goblet'), kind: 'grow', taken: { way: 'load', to: 20 } } as const;

describe('how a person reads a variation', () => {
  const moves = [placed('squat-ladder', 'goblet'), grown];
  it('on their level: its stage and dose with the ways on taken, for main and equals', () => {
    for (const slug of ['goblet-squat', 'rucksack-squat']) {
      const { stage, target } = readingOf(slug, shelf, moves);
      expect([stage, target?.reps, target?.loadKg]).toEqual(['sound', 8, 20]);
    }
  });
  it('elsewhere on a ladder of theirs: at its stage, with no target', () => {
    expect(readingOf('box-squat', shelf, moves)).toEqual({ stage: 'learning', target: null });
    expect(readingOf('one-leg-squat', shelf, moves)).toEqual({ stage: 'advanced', target: null });
  });
  it('on no ladder of theirs, or without moves: as somebody who knows the movement', () => {
    expect(readingOf('floor-lift', shelf, moves)).toEqual({ stage: 'sound', target: null });
    expect(readingOf('box-squat', shelf, [])).toEqual({ stage: 'sound', target: null });
  });
});

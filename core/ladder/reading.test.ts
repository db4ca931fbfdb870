import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../exchange/index.ts';
import { shelfOf } from '../library/index.ts';
import { readingOf } from './reading.ts';
import type { Standing } from './decision.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
const at = (level: string, change: Partial<Standing> = {}): Map<string, Standing> =>
  new Map([['squat-ladder', { level, since: '2026-11-01', taken: [], ...change }]]);

describe('how a person reads a variation', () => {
  const standings = at('goblet', { taken: [{ way: 'load', to: 20 }] });
  it('on their level: its stage and dose with the ways on taken, for main and equals', () => {
    for (const slug of ['goblet-squat', 'rucksack-squat']) {
      const { stage, target } = readingOf(slug, shelf, standings);
      expect([stage, target?.reps, target?.loadKg]).toEqual(['sound', 8, 20]);
    }
  });
  it('at the stage given to them on the ladder, if any', () => {
    expect(readingOf('goblet-squat', shelf, at('goblet', { stage: 'learning' })).stage).toBe('learning');
  });
  it('elsewhere on a ladder of theirs: at its stage, with no target', () => {
    expect(readingOf('box-squat', shelf, standings)).toEqual({
      stage: 'learning',
      target: null,
      ladder: null,
    });
    expect(readingOf('back-squat', shelf, standings)).toEqual({
      stage: 'advanced',
      target: null,
      ladder: null,
    });
  });
  it('on no ladder of theirs, or on none at all: as somebody who knows the movement', () => {
    expect(readingOf('floor-lift', shelf, standings)).toEqual({ stage: 'sound', target: null, ladder: null });
    expect(readingOf('box-squat', shelf, new Map())).toEqual({ stage: 'sound', target: null, ladder: null });
  });
});

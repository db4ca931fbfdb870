import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../../core/exchange/index.ts';
import { shelfOf, summariesOf } from '../../core/library/index.ts';
import { findableOf } from './findable.ts';
import { Finder } from './finder.ts';

const file = JSON.parse(readFileSync('server/library/shipped.json', 'utf8')) as LibraryFile;
const finder = new Finder(findableOf(summariesOf(shelfOf(file.documents), new Map())));
const ids = (text: string) => finder.find(text).map((f) => f.id);

describe('search', () => {
  it.each([
    ['romanian', 'variation/bar-romanian'],
    // Half typed, in capitals, with letters wrong, with accents.
    ['KICKST', 'variation/kickstand-romanian'],
    ['kicksatnd', 'variation/kickstand-romanian'],
    ['wedge sqaut', 'variation/wedge-squat'],
    ['back squat', 'variation/back-squat'],
    ['Héels glued', 'cue/heels-glued'],
  ])('%j finds %s first', (text, id) => {
    expect(ids(text)[0]).toBe(id);
  });

  it('finds a sheet by a cue, a fault or a piece of kit that it names, and says by which', () => {
    const via = (text: string, id: string) => finder.find(text).find((f) => f.id === id)?.foundIn;
    expect(via('headlights', 'variation/floor-lift')).toBe('cues');
    expect(via('ribs flare', 'variation/floor-lift')).toBe('faults');
    expect(via('rack', 'variation/back-squat')).toBe('equipment');
    expect(via('squat', 'variation/back-squat')).toBeNull();
  });

  it('asks for every word, and finds nothing for words that stand nowhere', () => {
    const both = ids('squat box');
    expect(both.length).toBeGreaterThan(0);
    for (const id of both) expect(ids('squat')).toContain(id);
    expect(ids('zzzzqq')).toEqual([]);
    expect(ids('   ')).toEqual([]);
    expect(ids('<script>alert(1)</script>')).toEqual([]);
  });

  it('puts a name before a mere mention', () => {
    const found = ids('two doors');
    expect(found[0]).toBe('cue/knees-open-doors');
    expect(found.slice(1).every((id) => id.startsWith('variation/') || id.startsWith('fault/'))).toBe(true);
  });
});

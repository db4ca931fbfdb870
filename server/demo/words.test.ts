import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../../core/exchange/index.ts';
import { resolve, shelfOf } from '../../core/library/index.ts';
import { sheetLines } from '../../core/sheets/index.ts';
import { readingEase, syllables } from '../../core/testing/reading-ease.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
const cues = shelf.all('cue');

describe('the words of the library', () => {
  it('say every cue in plain words too, in other words than the cue', () => {
    expect(cues.filter((c) => !c.plain).map((c) => c.slug)).toEqual([]);
    expect(cues.filter((c) => c.plain === c.line.text).map((c) => c.slug)).toEqual([]);
  });
  it('have a picture in one cue of three at most', () => {
    const pictures = cues.filter((c) => c.cueKind === 'picture').length;
    expect(pictures / cues.length).toBeLessThanOrEqual(1 / 3);
  });
  it('need no sight, boat or word that only one hall knows', () => {
    const odd =
      /\b(tides?|mast|masthead|oars?|clerestory|wet cement|asleep on their feet|shadow|belt went empty)\b/i;
    const texts = (of: unknown): string[] =>
      typeof of === 'string'
        ? of.includes(' ')
          ? [of]
          : []
        : of !== null && typeof of === 'object'
          ? // Why this hall chooses a movement may speak of its boats.
            Object.entries(of).flatMap(([key, value]) => (key === 'reasonsToChoose' ? [] : texts(value)))
          : [];
    expect(documents.flatMap(texts).filter((t) => odd.test(t))).toEqual([]);
  });
});

describe('reading ease', () => {
  it.each([
    ['knee', 1],
    ['shoulder', 2],
    ['breathe', 1],
    ['pelvis', 2],
    ['kettlebell', 3],
    ['lowered', 2],
  ])('%s has %i syllables', (word, n) => {
    expect(syllables(word)).toBe(n);
  });
  it('is that of the formula', () => {
    // Six words of six syllables in one sentence: 206.835 − 6.09 − 84.6.
    expect(readingEase(['The cat sat on the mat.'])).toBeCloseTo(116.145, 3);
  });
  it('is that of plain English on every handout; the hardest ten are named', () => {
    const rows = shelf
      .all('variation')
      .map((v) => ({
        slug: v.slug,
        ease: readingEase(sheetLines('handout', resolve(v, shelf)).map((l) => l.text)),
      }))
      .sort((a, b) => a.ease - b.ease);
    console.log(
      rows
        .slice(0, 10)
        .map((r) => `${r.slug} ${r.ease.toFixed(0)}`)
        .join(', '),
    );
    expect(rows[0]!.ease).toBeGreaterThan(70);
  });
});

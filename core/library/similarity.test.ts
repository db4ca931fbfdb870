import { diceCoefficient } from 'dice-coefficient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../testing/seeded.ts';
import { madeUpLibrary } from '../testing/library.ts';
import { NEAR_DUPLICATE, similarity, SimilarityIndex, tokensOf, trigramsOf, wordsIn } from './similarity.ts';
import { runs } from '../testing/runs.ts';

describe('trigrams', () => {
  it('are those of the worked example in the PostgreSQL manual (pg_trgm, F.35)', () => {
    expect([...trigramsOf('word')].sort()).toEqual(['  w', ' wo', 'ord', 'rd ', 'wor']);
    const two = trigramsOf('two words');
    expect([...two].sort()).toEqual(
      ['  t', ' tw', 'two', 'wo ', '  w', ' wo', 'wor', 'ord', 'rds', 'ds '].sort(),
    );
    // The manual gives similarity('word', 'two words') = 0.36363637, which is 4 of 11.
    const shared = [...trigramsOf('word')].filter((t) => two.has(t)).length;
    expect(shared / (5 + 10 - shared)).toBeCloseTo(0.36363637, 7);
  });
});

describe('similarity', () => {
  it.each([
    // Words {push, floor, away} and {drive, floor, away}: 2 of 4. Trigrams: push 5, the 4, floor 6, away 5, drive 6;
    // shared 4 + 6 + 5 = 15 of 20 + 21 − 15 = 26.
    ['Push the floor away.', 'Drive the floor away.', (2 / 4 + 15 / 26) / 2],
    // The same words in another order, with capitals and stops: everything shared.
    ['Knees open over the feet', 'Over the feet: OPEN, knees!', 1],
    // {chest, up} and {hips, up}: 1 of 3. Trigrams chest 6, up 3, hips 5: 3 of 9 + 8 − 3.
    ['Chest up', 'Hips up', (1 / 3 + 3 / 14) / 2],
    ['Sit back', 'Ribs down', 0],
    ['', '', 0],
  ])('%j and %j: by hand', (a, b, expected) => {
    expect(similarity(a, b)).toBeCloseTo(expected, 12);
    expect(similarity(b, a)).toBeCloseTo(expected, 12);
  });

  it('puts one cue in other words above the limit, and different cues below', () => {
    expect(similarity('Knees open over the feet.', 'Open your knees over your feet.')).toBeGreaterThan(
      NEAR_DUPLICATE,
    );
    expect(similarity('Spread the floor with your feet.', 'Spread the floor with both feet')).toBeGreaterThan(
      NEAR_DUPLICATE,
    );
    expect(similarity('Keep the ribs over the pelvis', 'Keep the knees over the feet')).toBeLessThan(
      NEAR_DUPLICATE,
    );
    expect(similarity('Left knee out', 'Left hip back')).toBeLessThan(NEAR_DUPLICATE);
  });

  it('reads any script, and words without meaning where there are no others', () => {
    expect(wordsIn('Ça va, l’été — 3×')).toEqual(['ca', 'va', 'l', 'ete', '3']);
    expect(similarity('כתפיים אחורה', 'כתפיים אחורה!')).toBe(1);
    expect([...tokensOf('to it')]).toEqual(['to', 'it']);
    expect(similarity('🙂🙂', '🙂')).toBe(0);
  });

  it('is between 0 and 1, symmetric, and 1 for itself', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (a, b) => {
        const s = similarity(a, b);
        expect(s).toBeGreaterThanOrEqual(0);
        expect(s).toBeLessThanOrEqual(1);
        expect(s).toBe(similarity(b, a));
        expect(similarity(a, a)).toBe(wordsIn(a).length > 0 ? 1 : 0);
      }),
    );
  });
});

describe('the index', () => {
  const cues = madeUpLibrary(seeded(3), { variations: 0, cues: 300 }).flatMap((b) =>
    b.kind === 'cue' ? [{ id: b.slug, text: b.line.text }] : [],
  );
  const index = new SimilarityIndex(cues);

  it('finds exactly the pairs that comparing everything with everything finds', () => {
    for (const least of [0.55, NEAR_DUPLICATE, 0.7]) {
      const all = new Set<string>();
      cues.forEach((a, i) =>
        cues.slice(i + 1).forEach((b) => {
          if (similarity(a.text, b.text) >= least) all.add(`${a.id} ${b.id}`);
        }),
      );
      expect(all.size).toBeGreaterThan(0);
      expect(new Set(index.pairs(least).map((p) => `${p.a} ${p.b}`))).toEqual(all);
    }
    expect(() => index.pairs(0.5)).toThrow('above 0.5');
  });

  it('gives the nearest as comparing with everything does, best first', () => {
    fc.assert(
      fc.property(fc.constantFrom(...cues), fc.integer({ min: 0, max: 5 }), (cue, cut) => {
        const text = cue.text.slice(0, cue.text.length - cut);
        const near = index.nearest(text, 0.4, 1000);
        const all = cues.filter((c) => similarity(c.text, text) >= 0.4);
        expect(new Set(near.map((n) => n.id))).toEqual(new Set(all.map((c) => c.id)));
        const values = near.map((n) => n.similarity);
        expect(values).toEqual([...values].sort((a, b) => b - a));
        expect(index.nearest(text, 0.4, 2)).toEqual(near.slice(0, 2));
      }),
      { numRuns: runs(40) },
    );
  });

  it('agrees with a general library’s Dice coefficient about which of two is nearer, nearly always', () => {
    // Bigrams over the whole text against words and trigrams: another measure, so an agreement of direction only.
    const random = seeded(9);
    const pick = () => cues[Math.floor(random() * cues.length)]!.text;
    let agreed = 0;
    let clear = 0;
    for (let i = 0; i < 3000; i++) {
      const [a, b, c] = [pick(), pick(), pick()];
      const ours = similarity(a, b) - similarity(a, c);
      const theirs = diceCoefficient(a, b) - diceCoefficient(a, c);
      if (Math.abs(ours) < 0.15 || Math.abs(theirs) < 0.05) continue;
      clear++;
      if (Math.sign(ours) === Math.sign(theirs)) agreed++;
    }
    expect(clear).toBeGreaterThan(30);
    expect(agreed / clear).toBeGreaterThan(0.9);
  });
});

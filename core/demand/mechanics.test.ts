import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD } from '../body/index.ts';
import { consequencesOf } from './consequences.ts';
import { demandOf } from './variation.ts';
import { isComputed, isHeld, rangeOf, settledAlone, settleMechanics } from '../posture/index.ts';
import { level, question, variation } from '../testing/samples.ts';
import {
  BLANK_MECHANICS,
  blankBody,
  breachesOf,
  resolve,
  resolveMechanics,
  shelfOf,
} from '../library/index.ts';
import type { Body, Ladder } from '../library/index.ts';

const library = JSON.parse(
  readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8'),
) as { documents: Body[] };
const shelf = shelfOf(library.documents);

describe('a mechanics block under the house answers', () => {
  const depth = question('depth', {
    answers: ['level', 'deep'].map((id) => ({ id, name: id, reasons: [] })),
    hall: { answer: 'level', why: '' },
    byStage: [{ stage: 'advanced', answer: 'deep', why: '' }],
  });
  const ruled = variation('ruled', {
    mechanics: {
      ...BLANK_MECHANICS.squat,
      thighDeg: { question: 'depth', byAnswer: { level: 90, deep: 115 }, otherwise: 80 },
    },
  });
  const own = shelfOf([depth, ruled]);
  it('takes the number of the answer in force, for the hall and for a stage', () => {
    expect(resolveMechanics(ruled, own)).toMatchObject({ thighDeg: 90 });
    expect(resolveMechanics(ruled, own, { stage: 'advanced', answers: {} })).toMatchObject({ thighDeg: 115 });
    expect(resolve(ruled, own).mechanics).toEqual(resolveMechanics(ruled, own));
  });
  it('falls back where the answer has no number, and leaves the rest of the block alone', () => {
    expect(resolveMechanics(ruled, shelfOf([ruled]))).toMatchObject({ thighDeg: 80, hands: 'forward' });
    const lift = BLANK_MECHANICS.lift;
    expect(settleMechanics(lift, () => NaN)).toEqual(lift);
  });
});

describe('reasons kept with a ladder', () => {
  it('may only name levels that it has', () => {
    const ladder: Ladder = {
      ...(blankBody('ladder', 'stairs', 'Stairs', 'A. Tester') as Ladder),
      levels: [level('low', { kind: 'painAtMost', pain: 0 }, { main: 'ruled' })],
      demandAnswers: [{ kind: 'inversion', from: 'low', to: 'gone', reason: 'It was.' }],
    };
    const breaches = breachesOf(shelfOf([ladder, variation('ruled')]));
    expect(breaches).toContainEqual({
      document: 'ladder/stairs',
      path: 'demandAnswers[0]',
      problem: 'There is no level "gone".',
    });
  });
});

describe('the demo library', () => {
  const variations = shelf.all('variation');
  it('has a figure and a demand for every variation from its mechanics block alone', () => {
    expect(variations.length).toBeGreaterThanOrEqual(19);
    for (const v of variations) {
      const m = resolveMechanics(v, shelf);
      if (!isComputed(m)) continue;
      const { postures } = rangeOf(REFERENCE_BUILD, m);
      expect(postures.every(isHeld), v.slug).toBe(true);
      expect(demandOf(REFERENCE_BUILD, m), v.slug).toMatchObject({ kind: 'measured', feasible: true });
    }
  });
  it('draws at most a quarter of its work variations by angles only', () => {
    const work = variations.filter((v) => v.roles.includes('work'));
    const drawn = work.filter((v) => v.mechanics.type === 'drawn');
    expect(drawn.length / work.length).toBeLessThanOrEqual(0.25);
  });
  it('has all four patterns', () => {
    expect(new Set(variations.map((v) => v.pattern))).toEqual(new Set(['squat', 'lunge', 'hinge', 'bridge']));
  });
  it('computes what the answers ask wherever a question carries examples', () => {
    const asked = shelf
      .all('houseQuestion')
      .filter((q) => q.answers.some((a) => a.example))
      .map((q) => q.slug)
      .sort();
    expect(asked).toEqual([
      'box',
      'bridge-feet',
      'depth',
      'foot-pressure',
      'hinge-knee',
      'hinge-load',
      'hinge-trunk',
      'knee-travel',
      'lunge-share',
      'lunge-trunk',
      'thrust-path',
      'toe-out',
    ]);
    const rows = (slug: string, answer: string) => {
      const a = shelf.get('houseQuestion', slug)!.answers.find((x) => x.id === answer)!;
      return consequencesOf(settledAlone(a.example!))[1]!;
    };
    // Pressure towards the heel asks more of the knee, less of the ankle; the trunk leans less.
    expect(rows('foot-pressure', 'heels').leanDeg).toBeLessThan(rows('foot-pressure', 'whole-foot').leanDeg);
    // Held back < at the sides < hanging < or like across the shoulders, for the low back at one load (common practice, no source).
    const back = (answer: string) => rows('hinge-load', answer).l5Nm!;
    expect(back('brushing')).toBeLessThan(back('hanging'));
    expect(back('sides')).toBeLessThan(back('hanging'));
    // An inclined trunk brings more weight over the front foot.
    expect(rows('lunge-trunk', 'inclined').frontShare).toBeGreaterThan(
      rows('lunge-trunk', 'upright').frontShare!,
    );
    // Pushing to the head takes from the hips what the floor gives.
    expect(rows('thrust-path', 'to-shoulders').legs[0]!.hipNm).not.toBeCloseTo(
      rows('thrust-path', 'straight').legs[0]!.hipNm,
      0,
    );
  });
});

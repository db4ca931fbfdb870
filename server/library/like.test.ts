import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bodySchema } from '../../contract/library.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { demandOf, TIE_POINTS } from '../../core/demand/index.ts';
import type { LibraryFile } from '../../core/exchange/index.ts';
import { apartFrom, breachesOf, likeOne, shelfOf } from '../../core/library/index.ts';
import type { Apart, Variation } from '../../core/library/index.ts';
import { isComputed, rangeOf, settledAlone } from '../../core/posture/index.ts';
import { BLOCKING, findingsOfChange, healthOf } from '../../core/review/index.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('./shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const before = shelfOf(documents);
const variations = before.all('variation');
const input = {
  today: '2026-11-25',
  tiePoints: TIE_POINTS,
  points: (v: Variation, m: Parameters<typeof demandOf>[1]) => {
    const d = demandOf(REFERENCE_BUILD, m);
    return d.kind === 'measured' ? d.points + (v.demandAdjustment?.points ?? 0) : null;
  },
};
const like = (v: Variation, change: Partial<Apart> = {}) =>
  likeOne(v, { ...apartFrom(v, 'A. Tester'), slug: 'like-one', name: `Like ${v.slug}`, ...change });

describe('a new variation that starts as a like one', () => {
  it.each(variations.map((v) => [v.slug, v] as const))('%s: is one to work with at once', (_, v) => {
    const made = like(v);
    expect(bodySchema.validate(made).error).toBeUndefined();
    const after = shelfOf([...documents, made]);
    expect(breachesOf(after)).toEqual([]);
  });

  it('has nothing that blocks, though it is on no ladder yet', () => {
    const squat = variations.find((v) => v.slug === 'goblet-squat')!;
    const made = like(squat);
    const after = shelfOf([...documents, made]);
    const found = findingsOfChange(() => healthOf(before, input), after, [made], input);
    expect(found.filter((f) => BLOCKING.has(f.kind))).toEqual([]);
  });

  it('its sides, its depth and its load are in the figure', () => {
    const squat = variations.find((v) => v.slug === 'goblet-squat')!;
    const one = like(squat, { laterality: 'one leg', loadKind: 'none', rangeTarget: 'thigh level' });
    expect(one).toMatchObject({ sideOrder: 'one side to the end', loadPlace: 'none', shortName: one.name });
    expect(one.mechanics).toMatchObject({ legs: 1, loadPlace: 'none', thighDeg: 90 });
    expect(one.mechanics).not.toHaveProperty('referenceLoad');
    const bare = variations.find(
      (v) => v.pattern === 'squat' && v.loadKind === 'none' && v.mechanics.type === 'squat',
    )!;
    expect(like(bare, { loadKind: 'plate', loadPlace: 'at the chest' }).mechanics).toMatchObject({
      loadPlace: 'at the chest',
      referenceLoad: { fractionOfBodyMass: 0.1, per: 'total' },
    });
  });

  it('every figure that comes of other legs or another load place is solved, or says why it cannot be', () => {
    for (const v of variations) {
      for (const laterality of ['two legs', 'one leg'] as const) {
        const made = like(v, { laterality, loadKind: 'plate', loadPlace: 'at the chest' });
        expect(bodySchema.validate(made).error, v.slug).toBeUndefined();
        const m = settledAlone(made.mechanics);
        if (!isComputed(m)) continue;
        try {
          const { postures } = rangeOf(REFERENCE_BUILD, m, { steps: 4 });
          expect(postures.every((p) => Number.isFinite(p.joints.hip.y))).toBe(true);
        } catch (e) {
          expect(e, v.slug).toBeInstanceOf(RangeError);
        }
      }
    }
  });
});

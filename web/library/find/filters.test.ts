import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../../../core/exchange/index.ts';
import { shelfOf, summariesOf } from '../../../core/library/index.ts';
import type { EntrySummary } from '../../../contract/library.ts';
import { BARE, chosenIn, equalsIn, FACETS, narrowed } from './filters.ts';

const file = JSON.parse(readFileSync('server/library/shipped.json', 'utf8')) as LibraryFile;
const all = summariesOf(shelfOf(file.documents), new Map());
const variations = all.filter((e) => e.kind === 'variation');
const equals = equalsIn(all);
const facet = (key: string) => FACETS.find((f) => f.key === key)!;
const slugs = (list: EntrySummary[]) => list.map((e) => e.slug).sort();

describe('filters', () => {
  it('read from the address, and nothing that is no filter', () => {
    expect(chosenIn(new URLSearchParams('pattern=squat,hinge&role=&q=push&kit=mat'))).toEqual({
      pattern: ['squat', 'hinge'],
      kit: ['mat'],
    });
  });

  it('combine: one of the values within a facet, all facets together', () => {
    const { shown } = narrowed(
      variations,
      { pattern: ['squat', 'hinge'], role: ['teach'], legs: ['one leg'] },
      equals,
    );
    expect(slugs(shown)).toEqual([
      'kickstand-romanian',
      'machine-hip-extension',
      'one-leg-box-squat',
      'one-leg-romanian',
      'one-leg-wall',
    ]);
  });

  it('count what each value would show with the other filters as they are', () => {
    const { valuesOf } = narrowed(variations, { pattern: ['squat'], legs: ['two legs'] }, equals);
    const counts = Object.fromEntries(valuesOf(facet('pattern')).map((v) => [v.value, v.count]));
    for (const [pattern, count] of Object.entries(counts)) {
      const alone = variations.filter((e) => e.pattern === pattern && e.laterality === 'two legs');
      expect({ pattern, count }).toEqual({ pattern, count: alone.length });
    }
    expect(
      valuesOf(facet('pattern'))
        .filter((v) => v.chosen)
        .map((v) => v.value),
    ).toEqual(['squat']);
  });

  it('with nothing chosen every count is that of the value itself, and every entry is shown', () => {
    const { shown, valuesOf } = narrowed(variations, {}, equals);
    expect(shown).toEqual(variations);
    for (const f of FACETS.filter((x) => x.how === 'any')) {
      for (const { value, count } of valuesOf(f)) {
        expect(count).toBe(variations.filter((e) => f.of(e).includes(value)).length);
      }
    }
  });

  it('leave what can be done with the kit at hand: one of each group, an equal for a piece', () => {
    const bare = narrowed(variations, { kit: [BARE] }, equals).shown;
    expect(bare.every((e) => e.facets!.equipmentAll.length + e.facets!.equipmentAny.length === 0)).toBe(true);
    expect(slugs(bare)).toContain('plain-squat');
    const mat = slugs(narrowed(variations, { kit: ['mat'] }, equals).shown);
    expect(mat).toEqual(expect.arrayContaining(['floor-lift', 'plain-squat']));
    expect(mat).not.toContain('bench-thrust');
    const bench = slugs(narrowed(variations, { kit: ['mat', 'thrust-bench'] }, equals).shown);
    expect(bench).toContain('bench-thrust');
  });

  it('leave out what carries a caution to avoid', () => {
    const { shown } = narrowed(variations, { avoid: ['band-sound'] }, equals);
    expect(slugs(shown)).not.toContain('band-lift');
    expect(shown.length).toBeLessThan(variations.length);
    expect(narrowed(variations, { avoid: ['pain-ends-the-set'] }, equals).shown).toEqual([]);
  });

  it('take equals both ways from the list itself', () => {
    const equal = equalsIn([
      {
        ...variations[0]!,
        kind: 'equipment',
        slug: 'rack',
        uses: ['equipment/stand', 'houseQuestion/depth'],
      },
    ]);
    expect([...equal.get('stand')!]).toEqual(['rack']);
    expect(equal.get('rack')!.has('depth')).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import { atOnce, equalsAmong, fitOf } from './availability.ts';
import { needsOf } from '../library/index.ts';

const equals = equalsAmong([
  { slug: 'rack', equals: ['stand'] },
  { slug: 'bench', equals: ['box'] },
  { slug: 'box', equals: ['sofa'] },
]);
const fit = (hand: string[], all: string[], any: string[][] = []) =>
  fitOf({ all, any, counts: new Map() }, (e) => hand.filter((h) => h === e).length, equals);

describe('what can be run with the pieces at hand', () => {
  it.each([
    [['rack'], ['rack'], [], { missing: [], replaced: [] }],
    [['stand'], ['rack'], [], { missing: [], replaced: [{ needed: 'rack', by: 'stand' }] }],
    // An equal is one both ways.
    [['rack'], ['stand'], [], { missing: [], replaced: [{ needed: 'stand', by: 'rack' }] }],
    // An equal of an equal is not taken for one: a sofa for a bench was nobody's word.
    [['sofa'], ['bench'], [], { missing: ['bench'], replaced: [] }],
    [[], ['rack', 'bench'], [], { missing: ['rack', 'bench'], replaced: [] }],
    [['mat'], [], [['rack', 'mat']], { missing: [], replaced: [] }],
    [['box'], [], [['rack', 'bench']], { missing: [], replaced: [{ needed: 'bench', by: 'box' }] }],
    [[], [], [['rack', 'bench'], []], { missing: ['rack'], replaced: [] }],
  ])('with %j for %j and one of %j', (hand, all, any, expected) => {
    expect(fit(hand, all, any)).toEqual(expected);
  });

  it('reads the needs of a variation', () => {
    const need = (equipment: string) => ({ equipment, count: 1, setUp: [] });
    expect(needsOf({ equipmentAll: [need('a')], equipmentAny: [[need('b'), need('c')]] })).toEqual({
      all: ['a'],
      any: [['b', 'c']],
      counts: new Map(),
    });
  });

  it('takes as many as one person needs, of a piece or of an equal', () => {
    const two = needsOf({ equipmentAll: [{ equipment: 'bench', count: 2, setUp: [] }], equipmentAny: [] });
    const with_ = (n: Record<string, number>) => fitOf(two, (e) => n[e] ?? 0, equals);
    expect(with_({ bench: 2 })).toEqual({ missing: [], replaced: [] });
    expect(with_({ bench: 1, box: 1 })).toEqual({ missing: ['bench'], replaced: [] });
    expect(with_({ box: 2 })).toEqual({ missing: [], replaced: [{ needed: 'bench', by: 'box' }] });
  });

  it('gives one piece to one need only', () => {
    const hands = ['bench', 'box'];
    expect(fit(['box'], ['bench', 'box'])).toEqual({ missing: ['bench'], replaced: [] });
    expect(fit(['box', 'box'], ['bench', 'box']).replaced).toEqual([{ needed: 'bench', by: 'box' }]);
    expect(fit(hands, ['bench'], [['box']])).toEqual({ missing: [], replaced: [] });
  });

  it('says how many people can do it at once', () => {
    const needs = needsOf({
      equipmentAll: [{ equipment: 'pads', count: 2, setUp: [] }],
      equipmentAny: [
        [
          { equipment: 'rack', count: 1, setUp: [] },
          { equipment: 'stand', count: 1, setUp: [] },
        ],
      ],
    });
    const of = (pads: number, rack: number, stand: number, most: number | null, shareable = true) =>
      atOnce(
        needs,
        (e) => ({ count: { pads, rack, stand }[e] ?? 0, most: e === 'pads' ? null : most }),
        () => shareable,
      );
    expect(of(12, 1, 1, 3)).toBe(6);
    expect(of(5, 1, 1, 3)).toBe(2);
    expect(of(12, 2, 1, null)).toBe(3);
    expect(of(12, 2, 1, 3, false)).toBe(3);
    expect(
      atOnce(
        { all: [], any: [], counts: new Map() },
        () => ({ count: 0, most: null }),
        () => true,
      ),
    ).toBe(Infinity);
  });
});

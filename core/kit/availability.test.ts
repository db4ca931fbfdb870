import { describe, expect, it } from 'vitest';
import { equalsAmong, fitOf } from './availability.ts';
import { needsOf } from '../library/index.ts';

const equals = equalsAmong([
  { slug: 'rack', equals: ['stand'] },
  { slug: 'bench', equals: ['box'] },
  { slug: 'box', equals: ['sofa'] },
]);
const fit = (hand: string[], all: string[], any: string[][] = []) =>
  fitOf({ all, any }, (e) => hand.includes(e), equals);

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
    });
  });
});

import { describe, expect, it } from 'vitest';
import { atOnce, equalsAmong, fitOf } from './availability.ts';
import { blankBody, needsOf, shelfOf } from '../library/index.ts';
import type { Equipment } from '../library/index.ts';
import type { Piece } from '../terms/index.ts';
import { kitOf, piece } from '../testing/kit.ts';

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

  it('gives a piece to the need that has no other', () => {
    // The box stands for itself or for the bench; where both are asked for, the rack is taken for its group.
    expect(fit(['box', 'rack'], ['bench'], [['box', 'rack']])).toEqual({
      missing: [],
      replaced: [{ needed: 'bench', by: 'box' }],
    });
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

describe('what counts as there', () => {
  const rack: Equipment = {
    ...(blankBody('equipment', 'rack', 'Rack', 'A. Tester') as Equipment),
    forms: ['rack', 'bar', 'plates'],
  };
  const mat = blankBody('equipment', 'mat', 'Mat', 'A. Tester');
  const have = (slug: string, ...pieces: Piece[]) => shelfOf([rack, mat], kitOf(...pieces)).have(slug);
  it('is the first form that is noted of a kind: plates alone are no rack', () => {
    expect(have('rack', piece('rack', { form: 'plates', count: 4 }))).toBe(0);
    expect(have('rack', piece('rack', { form: 'rack', count: 2 }), piece('rack', { form: 'bar' }))).toBe(2);
    // Ticked in a hurry: it is there, whatever its sizes.
    expect(have('rack', piece('rack', { count: 3 }))).toBe(3);
  });
  it('is anything of a kind of which no form is noted, and as many as needed of what nobody has said', () => {
    expect(have('mat', piece('mat', { count: 5 }))).toBe(5);
    expect(have('mat')).toBe(Infinity);
    expect(have('mat', piece('mat', { count: 0 }))).toBe(0);
  });
  it('is not what is out of use, overdue or retired', () => {
    const on = (of: Partial<Piece>) =>
      shelfOf([mat], { ...kitOf(piece('mat', of)), today: '2026-12-01' }).have('mat');
    expect(on({ condition: 'out' })).toBe(0);
    expect(on({ condition: 'watch' })).toBe(1);
    expect(on({ nextInspection: '2026-11-30' })).toBe(0);
    expect(on({ nextInspection: '2026-12-01' })).toBe(1);
    expect(on({ retireOn: '2026-12-01' })).toBe(0);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blankLevel } from '../library/index.ts';
import type { Ladder } from '../library/index.ts';
import { ladder as settledLadder, level } from '../testing/samples.ts';
import {
  addEqual,
  branchOff,
  putBack,
  insertLevel,
  makeMain,
  moveLevel,
  moveVariation,
  splitLevel,
  takeOff,
} from './stairs.ts';

const any = { kind: 'painAtMost', pain: 0 } as const;
const steps = settledLadder([
  level('one', any, { main: 'a', equals: ['b'] }),
  level('two', any, { main: 'c', entryNeeds: [{ ladder: 'other', level: 'x' }] }),
  level('three', any, { main: 'd', equals: ['e', 'f'] }),
]) as Ladder;
const drawn = (l: Ladder) => l.levels.map((x) => `${x.id}: ${[x.main, ...x.equals].join(' ')}`);

describe('a tree', () => {
  const one = { from: 'two', to: 'two' };
  it('is made by taking steps off as a branch, and undone by putting them back', () => {
    const { trunk, branch } = branchOff(steps, one, 'side', 'Side')!;
    expect(drawn(trunk)).toEqual(['one: a b', 'three: d e f']);
    expect(drawn(branch)).toEqual(['two: c']);
    expect(branch).toMatchObject({
      slug: 'side',
      name: 'Side',
      branchOf: { ladder: steps.slug, level: 'one' },
    });
    const again = putBack(trunk, branch)!;
    expect(again.trunk).toEqual(steps);
    expect(again.branch.retired).toBe(true);
  });
  it('keeps its lowest step and its top, and has no branch on a branch', () => {
    expect(branchOff(steps, { from: 'one', to: 'two' }, 'side', 'Side')).toBeNull();
    expect(branchOff(steps, { from: 'two', to: 'three' }, 'side', 'Side')).toBeNull();
    expect(branchOff({ ...steps, branchOf: { ladder: 'x', level: 'y' } }, one, 'side', 'Side')).toBeNull();
    expect(putBack(steps, { ...steps, slug: 'other' })).toBeNull();
  });
  it('gives levels that are called alike ids of their own, and forgets answers about steps that have gone', () => {
    const asked = {
      ...steps,
      demandAnswers: [{ kind: 'inversion' as const, from: 'one', to: 'two', reason: 'x' }],
    };
    const { trunk, branch } = branchOff(asked, one, 'side', 'Side')!;
    expect(trunk.demandAnswers).toEqual([]);
    const alike = { ...branch, levels: [{ ...branch.levels[0]!, id: 'one' }] };
    expect(putBack(trunk, alike)!.trunk.levels.map((l) => l.id)).toEqual(['one', 'one-2', 'three']);
  });
});

describe('the stairs by hand', () => {
  it('change their order', () => {
    expect(drawn(moveLevel(steps, 0, 2))).toEqual(['two: c', 'three: d e f', 'one: a b']);
    expect(drawn(moveLevel(steps, 2, 0))).toEqual(['three: d e f', 'one: a b', 'two: c']);
    expect(moveLevel(steps, 9, 0)).toBe(steps);
  });
  it('move a variation to another step; an equal steps in for a main one, and an empty step goes', () => {
    expect(drawn(moveVariation(steps, 'b', 'one', 'two'))).toEqual(['one: a', 'two: c b', 'three: d e f']);
    expect(drawn(moveVariation(steps, 'a', 'one', 'three'))).toEqual(['one: b', 'two: c', 'three: d e f a']);
    expect(drawn(moveVariation(steps, 'c', 'two', 'one'))).toEqual(['one: a b c', 'three: d e f']);
    expect(moveVariation(steps, 'a', 'one', 'one')).toBe(steps);
  });
  it('split a step, with its criteria and a name of its own', () => {
    const split = splitLevel(steps, 'three', 'e', 'E alone');
    expect(drawn(split)).toEqual(['one: a b', 'two: c', 'three: d f', 'e: e']);
    expect(split.levels[3]).toMatchObject({ name: 'E alone', advance: any, entryNeeds: [] });
    expect(splitLevel(steps, 'two', 'c', 'C')).toBe(steps);
    expect(drawn(splitLevel(split, 'three', 'd', 'D'))).toEqual([
      'one: a b',
      'two: c',
      'three: f',
      'd: d',
      'e: e',
    ]);
  });
  it('take in a variation of the library, as a step or as an equal, under an id of its own', () => {
    const blank = blankLevel('', '');
    expect(drawn(insertLevel(steps, 1, 'one', 'Another', blank))).toEqual([
      'one: a b',
      'one-2: one',
      'two: c',
      'three: d e f',
    ]);
    expect(insertLevel(steps, 0, 'z', 'Z', blank).levels[0]).toMatchObject({
      id: 'z',
      advance: blank.advance,
    });
    expect(drawn(addEqual(steps, 'two', 'z'))).toEqual(['one: a b', 'two: c z', 'three: d e f']);
    expect(drawn(addEqual(steps, 'two', 'c'))).toEqual(drawn(steps));
    expect(drawn(makeMain(steps, 'three', 'f'))).toEqual(['one: a b', 'two: c', 'three: f d e']);
    expect(drawn(takeOff(steps, 'two', 'c'))).toEqual(['one: a b', 'three: d e f']);
  });
  it('never lose or double a variation by moving it, and leave the old ladder as it was', () => {
    const before = JSON.stringify(steps);
    const all = ['a', 'b', 'c', 'd', 'e', 'f'];
    const id = fc.constantFrom('one', 'two', 'three');
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(...all), id), { maxLength: 8 }), (moves) => {
        let now = steps;
        for (const [slug, to] of moves) {
          const from = now.levels.find((l) => l.main === slug || l.equals.includes(slug))!.id;
          if (now.levels.some((l) => l.id === to)) now = moveVariation(now, slug, from, to);
        }
        expect(now.levels.flatMap((l) => [l.main, ...l.equals]).sort()).toEqual(all);
        expect(JSON.stringify(steps)).toBe(before);
      }),
    );
  });
});

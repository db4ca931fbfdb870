import { describe, expect, it } from 'vitest';
import { momentAt, spansFrom, turnsIn } from './index.ts';
import type { LaidOutRound } from './index.ts';

describe('where an hour stands', () => {
  // Ten minutes of warm-up, three rounds of 15 min 30 s with a minute between: 10:00, 26:30, 43:00 to 58:30.
  const spans = spansFrom(600, 3, 930, 60);
  it.each([
    [-30, 'before', 0, 30],
    [0, 'warm-up', 0, 600],
    [599, 'warm-up', 0, 1],
    [600, 'round', 0, 930],
    [1529, 'round', 0, 1],
    [1530, 'change', 1, 60],
    [1590, 'round', 1, 930],
    [3510, 'over', null, 0],
    [99_999, 'over', null, 0],
  ] as const)('after %d s: %s', (atS, phase, round, leftS) => {
    expect(momentAt(600, spans, atS)).toEqual({ phase, round, leftS });
  });

  it('is over after the warm-up where there are no rounds', () => {
    expect(momentAt(600, [], 10)).toMatchObject({ phase: 'warm-up', round: null, leftS: 590 });
    expect(momentAt(600, [], 600)).toMatchObject({ phase: 'over' });
  });
});

it('tells whose turn it is', () => {
  const set = (fromS: number, toS: number) => ({ fromS, toS, wanted: false, seenBy: null });
  const laid: LaidOutRound = {
    stints: [
      { piece: 0, option: 0, at: { kind: 0, number: 0 }, sets: [set(60, 92), set(212, 244)] },
      { piece: 1, option: 0, at: { kind: 0, number: 0 }, sets: [set(112, 144)] },
    ],
    over: [],
  };
  const at = (s: number) => turnsIn(laid, s).map((t) => [t.state, t.set, t.leftS]);
  expect(at(0)).toEqual([
    ['waits', 1, 60],
    ['waits', 1, 112],
  ]);
  expect(at(70)).toEqual([
    ['works', 1, 22],
    ['waits', 1, 42],
  ]);
  expect(at(120)).toEqual([
    ['rests', 2, 92],
    ['works', 1, 24],
  ]);
  expect(at(244)).toEqual([
    ['done', 2, 0],
    ['done', 1, 0],
  ]);
});

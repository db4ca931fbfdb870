import { describe, expect, it } from 'vitest';
import { aloneSession, turnsAt } from './index.ts';
import type { PlaceForm } from './index.ts';
import { option, work } from '../testing/hours.ts';

/** "3 × 32, rest 120" */
type Work = readonly [sets: number, workS: number, restS: number];
const ends = (form: PlaceForm, ...group: Work[]) =>
  turnsAt(
    form,
    group.map(([sets, workS, restS]) => ({ option: { sets, workS, restS }, fromS: 0 })),
  ).map((sets) => sets.at(-1)!.toS);

// Worked out by hand, set by set, seconds from the start of the round.
describe('turns at a place', () => {
  const squat: Work = [3, 32, 120];
  it.each([
    ['alone at a rack', 'rack', [squat], [396]],
    ['a pair', 'rack', [squat, squat], [396, 448]],
    ['three', 'rack', [squat, squat, squat], [404, 456, 508]],
    [
      'two of different work',
      'rack',
      [
        [3, 45, 120],
        [4, 32, 90],
      ],
      [487, 539],
    ],
    [
      'three at a bench',
      'bench',
      [
        [2, 80, 90],
        [2, 80, 90],
        [2, 80, 90],
      ],
      [425, 525, 625],
    ],
    [
      'a pair at the extension bench',
      'machine',
      [
        [3, 60, 75],
        [3, 60, 75],
      ],
      [390, 465],
    ],
  ] as [string, PlaceForm, Work[], number[]][])('%s', (_, form, group, want) => {
    expect(ends(form, ...group)).toEqual(want);
  });

  it('lets nobody begin before they are there, and the others go on', () => {
    const [first, late] = turnsAt('rack', [
      { option: option({}), fromS: 0 },
      { option: option({}), fromS: 300 },
    ]);
    expect(first!.at(-1)!.toS).toBe(396);
    expect(late![0]!.fromS).toBeGreaterThanOrEqual(300);
  });
});

describe('a session alone', () => {
  const pieces = [
    work(0, [option({ sets: 3, workS: 40, restS: 60 })], { priority: 1 }),
    work(1, [option({ at: 'rack', sets: 3, workS: 32, restS: 120, loadKg: 60 })], {
      priority: 2,
      heavy: true,
    }),
    work(2, [option({ sets: 3, workS: 50, restS: 60 })], { priority: 1 }),
    work(3, [option({ sets: 2, workS: 60, restS: 60 })], { priority: 3 }),
  ];
  const session = (minutes: number) =>
    aloneSession(pieces, {
      totalS: minutes * 60,
      warmUpS: 300,
      formOf: (at) => (at === 'rack' ? 'rack' : 'floor'),
    });

  it('does everything where there is time, heavy work and what is tried first', () => {
    const { order, dropped, shorter, totalS, steps } = session(40);
    expect(order.map((o) => o.piece)).toEqual([1, 3, 0, 2]);
    expect([dropped, shorter]).toEqual([[], []]);
    // 300 + 4 changes of 30 + (60 + 336) + (10 + 180) + (10 + 240) + (10 + 270)
    expect(totalS).toBe(300 + 4 * 30 + 396 + 190 + 250 + 280);
    steps.forEach((s, i) => i > 0 && expect(s.fromS).toBe(steps[i - 1]!.toS));
    expect(steps.filter((s) => s.what === 'work')).toHaveLength(11);
  });

  it('keeps what counts most where there is little, and says what is left out', () => {
    const { order, dropped, totalS } = session(20);
    expect(totalS).toBeLessThanOrEqual(20 * 60);
    expect(order.map((o) => o.piece).slice(0, 2)).toEqual([1, 3]);
    expect(dropped.length).toBeGreaterThan(0);
    expect(session(5)).toMatchObject({ order: [], dropped: [0, 1, 2, 3] });
  });

  it('is worth no less with more time', () => {
    const worth = (minutes: number) => {
      const { order } = session(minutes);
      return order.reduce(
        (sum, o) =>
          sum + pieces[o.piece]!.priority * (o.sets / pieces[o.piece]!.options[0]!.sets > 0.99 ? 1 : 0.6),
        0,
      );
    };
    for (let m = 5; m < 45; m++) expect(worth(m + 1)).toBeGreaterThanOrEqual(worth(m) - 1e-9);
  });
});

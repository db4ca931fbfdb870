import { expect, it } from 'vitest';
import { pendingSets, turnOf } from './own-sets.ts';

type Line = Parameters<typeof turnOf>[0];
const line = (change: Partial<Line> = {}): Line =>
  ({
    variation: 'split-squat',
    oneSided: true,
    halfDone: false,
    next: { number: 1, side: 'left' },
    piece: { options: [{ sets: 2 }] },
    ...change,
  }) as Line;
const sent = (n: number) => Array.from({ length: n }, () => ({ variation: 'split-squat', warmUp: false }));

it('goes through both sides of each set, whether they have arrived or not', () => {
  expect([0, 1, 2, 3, 4].map((n) => turnOf(line(), sent(n)))).toEqual([
    { number: 1, side: 'left', setsLeft: 2 },
    { number: 1, side: 'right', setsLeft: 2 },
    { number: 2, side: 'left', setsLeft: 1 },
    { number: 2, side: 'right', setsLeft: 1 },
    { number: 3, side: 'left', setsLeft: 0 },
  ]);
  // The left one has arrived: the day as it is read anew says the same of what is left.
  const half = line({ halfDone: true, next: { number: 1, side: 'right' } as Line['next'] });
  expect([0, 1, 2].map((n) => turnOf(half, sent(n)))).toEqual([1, 2, 3].map((n) => turnOf(line(), sent(n))));
});

it('counts sets of both sides together one by one, and no warm-up', () => {
  const both = line({ oneSided: false, next: { number: 2, side: null } as Line['next'] });
  expect(turnOf(both, [...sent(1), { variation: 'split-squat', warmUp: true }])).toEqual({
    number: 3,
    side: null,
    setsLeft: 1,
  });
});

it('has a set pending until the day has it, and not once it is refused', () => {
  const parcel = (id: string, state: 'waiting' | 'sent' | 'refused', link = 'abc', date = '2026-12-01') =>
    ({
      id,
      state,
      errand: {
        path: `/api/own/${link}/sets/${id}`,
        body: { variation: id, warmUp: false, date },
      },
    }) as never;
  const data = { date: '2026-12-01', sets: [{ id: 'there' }] } as never;
  const found = pendingSets(
    [
      parcel('waits', 'waiting'),
      parcel('arrived', 'sent'),
      parcel('there', 'sent'),
      parcel('refused', 'refused'),
      parcel('another', 'waiting', 'xyz'),
      parcel('yesterday', 'sent', 'abc', '2026-11-30'),
    ],
    'abc',
    data,
  );
  expect(found.map((s) => s.variation)).toEqual(['waits', 'arrived']);
});

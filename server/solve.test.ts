import { describe, expect, it } from 'vitest';
import { boughtIn, greedy, holesOf, programOf, recount } from '../core/kit/index.ts';
import type { Closed, Hole, Way, Wish } from '../core/kit/index.ts';
import { seeded } from '../core/testing/seeded.ts';
import { piece } from '../core/testing/kit.ts';
import { solve } from './solve.ts';

const wish = (id: string, price: number): Wish => ({ id, price, piece: piece(id) });
const way = (...groups: number[][]): Way => ({
  open: false,
  groups: groups.map((g) => ({ least: 1, of: g.map((i) => [i, 1] as const) })),
});

async function best(holes: readonly Hole[], wishes: readonly Wish[], budget: number) {
  const found = await solve(programOf(holes, wishes, budget), { timeS: 10 });
  return recount(holes, wishes, boughtIn(found.values!, wishes));
}

describe('what to buy', () => {
  // By hand: A needs a bench, B a bench or a box, C a band and a box; ten people, weight 1.
  const wishes = [wish('bench', 100), wish('box', 60), wish('band', 10)];
  const ten = Array.from({ length: 10 }, (_, i) => `p${i}`);
  const closed = ten.flatMap((person): Closed[] => [
    { person, level: 'A', weight: 1, ways: [way([0])] },
    { person, level: 'B', weight: 1, ways: [way([0, 1])] },
    { person, level: 'C', weight: 1, ways: [way([2], [1])] },
  ]);
  const holes = holesOf(closed);
  it.each([
    [10, 0, []],
    [60, 10, ['box']],
    [70, 20, ['box', 'band']],
    // Box and band for 70 open as much as the bench for 100.
    [100, 20, ['box', 'band']],
    [170, 30, ['bench', 'box', 'band']],
  ])('for %d opens %d', async (budget, opens, bought) => {
    expect(holes).toHaveLength(3);
    expect(await best(holes, wishes, budget)).toMatchObject({ weight: opens, bought });
  });

  it('knows a level that nothing on the list opens from one that nothing is lacking of', async () => {
    const never: Closed = { person: 'p', level: 'D', weight: 5, ways: [way([], [1])] };
    const open: Closed = { person: 'p', level: 'E', weight: 1, ways: [{ open: true }] };
    const found = await best(holesOf([never, open]), wishes, 1000);
    expect(found).toMatchObject({ weight: 1, bought: [], opens: [{ level: 'E', people: ['p'] }] });
  });

  it('takes one piece for one need: two that both answer two needs are both bought', async () => {
    const both: Way = {
      open: false,
      groups: [
        {
          least: 1,
          of: [
            [0, 1],
            [1, 1],
          ],
        },
        {
          least: 1,
          of: [
            [0, 1],
            [1, 1],
          ],
        },
        {
          least: 2,
          of: [
            [0, 1],
            [1, 1],
          ],
        },
      ],
    };
    const one = holesOf([{ person: 'p', level: 'F', weight: 1, ways: [both] }]);
    expect(await best(one, wishes, 100)).toMatchObject({ weight: 0 });
    expect(await best(one, wishes, 160)).toMatchObject({ weight: 1, bought: ['bench', 'box'] });
  });

  it('is as good as the best of all choices, for made-up halls, and no more money opens less', async () => {
    const random = seeded(77);
    let same = 0;
    for (let i = 0; i < 25; i++) {
      const n = 3 + Math.floor(random() * 5);
      const list = Array.from({ length: n }, (_, w) => wish(`w${w}`, 5 + Math.floor(random() * 95)));
      const some = () => Array.from({ length: n }, (_, w) => w).filter(() => random() < 0.35);
      const made = holesOf(
        Array.from({ length: 12 }, (_, k): Closed => ({
          person: `p${k % 4}`,
          level: `l${k}`,
          weight: 1 + Math.floor(random() * 3),
          ways: Array.from({ length: 1 + Math.floor(random() * 2) }, () =>
            way(...Array.from({ length: 1 + Math.floor(random() * 2) }, some)),
          ),
        })),
      );
      const all = list.reduce((sum, w) => sum + w.price, 0);
      let before = -1;
      for (const share of [0.2, 0.5, 1]) {
        const budget = Math.round(share * all);
        const found = await best(made, list, budget);
        const subsets = Array.from({ length: 2 ** n }, (_, mask) =>
          list.map((_, w) => w).filter((w) => mask & (1 << w)),
        );
        const most = Math.max(
          ...subsets
            .map((s) => recount(made, list, s))
            .filter((r) => r.cost <= budget)
            .map((r) => r.weight),
        );
        expect(found.cost).toBeLessThanOrEqual(budget);
        expect(found.weight).toBe(most);
        expect(found.weight).toBeGreaterThanOrEqual(before);
        before = found.weight;
        const quick = recount(made, list, greedy(made, list, budget));
        expect(quick.cost).toBeLessThanOrEqual(budget);
        expect(quick.weight).toBeLessThanOrEqual(most);
        if (quick.weight >= 0.9 * most) same++;
      }
    }
    // Buying by gain for price is close to the best nearly always.
    expect(same).toBeGreaterThan(0.8 * 75);
  });
});

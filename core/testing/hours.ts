import type { Hour, WorkOption, WorkPiece } from '../plan/index.ts';
import { seeded } from '../program/index.ts';

const BLANK: WorkOption = {
  variation: 'made-up',
  name: 'Made up',
  at: null,
  sets: 3,
  workS: 32,
  restS: 120,
  loadKg: null,
  notch: null,
  heightM: null,
  pools: [],
  hands: false,
};
export const option = (of: Partial<WorkOption>): WorkOption => ({ ...BLANK, ...of });
export const work = (i: number, options: readonly WorkOption[], of: Partial<WorkPiece> = {}): WorkPiece => ({
  id: `j${i}`,
  person: `p${i}`,
  name: `piece ${i}`,
  priority: 1,
  heavy: false,
  watched: 0,
  mustWatch: false,
  options,
  ...of,
});

export const KIT = {
  racks: (count: number) => ({
    id: 'rack',
    form: 'rack' as const,
    name: 'Rack',
    count,
    most: 3,
    heightsM: [],
  }),
  benches: (count: number) => ({
    id: 'bench',
    form: 'bench' as const,
    name: 'Bench',
    count,
    most: 3,
    heightsM: [],
  }),
  boxes: (heightsM: readonly number[]) => ({
    id: 'box',
    form: 'box' as const,
    name: 'Box',
    count: heightsM.length,
    most: 3,
    heightsM,
  }),
  machines: (count: number) => ({
    id: 'ext',
    form: 'machine' as const,
    name: 'Bench',
    count,
    most: 2,
    heightsM: [],
  }),
};

export const hourOf = (
  pieces: readonly WorkPiece[],
  places: Hour['places'],
  of: Partial<Hour> = {},
): Hour => ({
  people: [...new Set(pieces.map((p) => p.person))].map((id) => ({ id, from: 0 })),
  pieces,
  places,
  floorPlaces: 12,
  pools: [],
  totalS: 27 * 60,
  warmUpS: 0,
  changeS: 60,
  coach: { atOnce: 3, share: 0.8 },
  ...of,
});

/** A made-up hour: people with two to four pieces each, under two racks, three benches, four boxes and one bench for extensions. */
export function madeUpHour(people: number, minutes: number, seed: number): Hour {
  const random = seeded(seed);
  const below = (n: number) => Math.floor(random() * n);
  const one = <T>(list: readonly T[]): T => list[below(list.length)]!;
  const pieces: WorkPiece[] = [];
  for (let who = 0; who < people; who++) {
    const notch = 8 + below(8);
    const heightM = one([0.3, 0.45, 0.6]) + 0.04 * (random() - 0.5);
    const strong = 40 + 5 * below(13);
    const kinds = ['rack', 'bench', 'box', 'ext', 'floor', 'floor', 'bells'] as const;
    const own = new Set(Array.from({ length: 2 + below(3) }, () => one(kinds)));
    let main = true;
    for (const kind of own) {
      const watched = random() < 0.4 ? 2 : 0;
      const of: Partial<WorkPiece> = {
        person: `p${who}`,
        priority: main ? 2 : random() < 0.1 ? 3 : 1,
        watched,
        heavy: kind === 'rack',
      };
      main = false;
      const floor = option({ variation: 'equal', sets: 2 + below(2), workS: 40 + 10 * below(5), restS: 60 });
      const options: WorkOption[] =
        kind === 'rack'
          ? [option({ at: 'rack', sets: 3, workS: 32, restS: 120, loadKg: strong, notch })]
          : kind === 'bench'
            ? [
                option({
                  at: 'bench',
                  sets: 2,
                  workS: 60 + 10 * below(4),
                  restS: 90,
                  loadKg: random() < 0.6 ? strong : null,
                }),
                ...(random() < 0.7 ? [floor] : []),
              ]
            : kind === 'box'
              ? [
                  option({ at: 'box', sets: 3, workS: 35, restS: 60, heightM }),
                  ...(random() < 0.5 ? [floor] : []),
                ]
              : kind === 'ext'
                ? [option({ at: 'ext', sets: 3, workS: 60, restS: 75 }), ...(random() < 0.5 ? [floor] : [])]
                : kind === 'bells'
                  ? [option({ sets: 3, workS: 40, restS: 60, pools: [{ id: 'bell', count: 1 }] })]
                  : [{ ...floor, variation: 'made-up', hands: random() < 0.05 }];
      pieces.push(work(pieces.length, options, of));
    }
  }
  return hourOf(pieces, [KIT.racks(2), KIT.benches(3), KIT.boxes([0.3, 0.3, 0.45, 0.6]), KIT.machines(1)], {
    totalS: minutes * 60,
    warmUpS: 600,
    pools: [{ id: 'bell', count: 4 }],
  });
}

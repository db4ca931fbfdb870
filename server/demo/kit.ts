import type { PieceInHall } from '../../contract/kit.ts';
import { aboutForm, blankPiece, daysAfter, monthsAfter } from '../../core/terms/index.ts';
import type { BandReading, Colour, IsoDate, Piece, PieceForm, Sizes } from '../../core/terms/index.ts';
import { uuidFrom } from '../../core/testing/seeded.ts';

interface Owned extends Partial<Piece> {
  equipment: string;
}
const one = (equipment: string, count: number, place: string, of: Partial<Piece> = {}): Owned => ({
  equipment,
  count,
  place,
  ...of,
});
/** Like ones in several sizes. */
const each = (
  equipment: string,
  form: PieceForm,
  place: string,
  of: readonly (Sizes & { count?: number; colour?: Colour; most?: number })[],
): Owned[] =>
  of.map(({ count = 1, colour, most, ...sizes }) => ({
    equipment,
    form,
    place,
    count,
    sizes,
    ...(colour ? { colour } : {}),
    ...(most ? { most } : {}),
  }));
const masses = (list: string) => list.split(' ').map((m) => ({ mass: Number(m) }));

/** An invented band: pulls as rubber does, read at every fifth of a metre. */
const band = (
  equipment: string,
  name: string,
  colour: Colour,
  restM: number,
  pulls: readonly number[],
  everyM: number,
): Owned => ({
  equipment,
  form: 'band',
  name,
  colour,
  sizes: { restM },
  readings: pulls.map((pullKg, i): BandReading => ({
    stretchM: Math.round((i + 1) * everyM * 100) / 100,
    pullKg,
  })),
});

const RACKS = 'Platforms 1 to 3';
const BENCHES = 'along the river wall';

const OWNED: readonly Owned[] = [
  ...each('bar-and-rack', 'rack', RACKS, [
    { firstM: 0.4, spacingM: 0.05, notches: 26, countedFrom: 'below', count: 2, most: 3 },
    { firstM: 0.42, spacingM: 0.06, notches: 22, countedFrom: 'below', count: 1, most: 3 },
  ]).map((p, i) => ({ ...p, name: ['Racks 1 and 2', 'Rack 3'][i]! })),
  ...each('bar-and-rack', 'bar', RACKS, [
    { mass: 20, lengthM: 2.2, count: 2 },
    { mass: 15, lengthM: 2.01, count: 1 },
  ]),
  ...each('bar-and-rack', 'plates', 'Plate tree', [
    { mass: 25, count: 1, colour: 'grey' },
    { mass: 20, count: 3, colour: 'orange' },
    { mass: 15, count: 2, colour: 'purple' },
    { mass: 10, count: 3, colour: 'white' },
    { mass: 5, count: 3, colour: 'black' },
    { mass: 2.5, count: 3, colour: 'green' },
    { mass: 1.25, count: 2, colour: 'brown' },
  ]),
  ...each('bar-and-rack', 'collars', RACKS, [{ count: 3 }]),
  ...each('light-bar', 'bar', 'wall rack, lowest pegs', [{ mass: 10, lengthM: 1.8, count: 3 }]),
  ...each('light-plate', 'plates', 'Plate tree', [{ mass: 5, count: 4, colour: 'black' }]),
  ...each(
    'dumbbells',
    'weight',
    'rack under the clock',
    masses('2 4 6 8 10 12 15 17.5 20 22.5 25').map((m) => ({ ...m, count: 2 })),
  ),
  ...each('kettlebells', 'weight', 'Rack by the door', masses('4 6 8 10 12 16 20 24 28')),
  ...each('plyo-box', 'height', 'North wall, stacked', [
    { heightM: 0.3, count: 2, most: 3 },
    { heightM: 0.45, most: 3 },
    { heightM: 0.6, most: 3 },
  ]),
  ...each('chair', 'height', 'stacked by the office door', [{ heightM: 0.45, count: 6 }]),
  ...each('pads', 'pad', 'beside the boxes', [{ thicknessM: 0.05, count: 12 }]),
  ...each('thrust-bench', 'height', BENCHES, [
    { heightM: 0.36, most: 3 },
    { heightM: 0.4, count: 2, most: 3 },
  ]),
  ...each('flat-seat', 'height', 'Under the bars', [{ heightM: 0.4, count: 2 }, { heightM: 0.45 }]),
  ...each('low-step', 'height', 'stacked by the slipway door', [
    { heightM: 0.1, count: 4 },
    { heightM: 0.15, count: 2 },
    { heightM: 0.2, count: 2 },
  ]),
  ...each('blocks', 'height', 'behind platform 2', [
    { heightM: 0.1, count: 2 },
    { heightM: 0.2, count: 2 },
  ]),
  ...each('heel-wedge', 'height', 'with the foam pads', [
    { heightM: 0.02, count: 4 },
    { heightM: 0.04, count: 2 },
  ]),
  ...each('extension-bench', 'adjustable', 'corner by the water fountain', [
    { fromM: 0.7, toM: 1.05, stepM: 0.05, count: 2, most: 2 },
  ]),
  ...each('hip-machine', 'machine', 'next to the rowing machines', [
    { axleM: 1.248, fromM: 0.05, toM: 0.4, stepM: 0.05 },
  ]),
  ...each('gym-ball', 'ball', 'net above the mats', [
    { seatM: 0.37, diameterM: 0.55, count: 2 },
    { seatM: 0.43, diameterM: 0.65, count: 2 },
    { seatM: 0.5, diameterM: 0.75 },
  ]),
  ...each('strap', 'adjustable', 'hooks on the beam', [{ fromM: 0.8, toM: 1.4, stepM: 0.1, count: 4 }]),
  band('long-band', 'Band 1', 'yellow', 1, [2.1, 3.4, 4.5, 5.8], 0.2),
  band('long-band', 'Band 2', 'green', 1, [4.1, 6.6, 8.9, 11.8], 0.2),
  band('long-band', 'Band 3', 'blue', 1, [6.9, 10.8, 14.2, 18.3], 0.2),
  band('long-band', 'Band 4', 'grey', 1.05, [9.6, 15.2, 20.3, 26.1], 0.2),
  band('loop-band', 'Loop A', 'white', 0.3, [2.2, 3.8, 5.5], 0.1),
  band('loop-band', 'Loop B', 'green', 0.3, [4.1, 6.6, 8.8], 0.1),
  band('loop-band', 'Loop C', 'red', 0.3, [3.6, 6.9, 10.9], 0.1),
  band('loop-band', 'Loop D', 'black', 0.3, [7.4, 11.8, 15.5], 0.1),
  one('bar-pad', 4, 'hooks above the benches'),
  one('bench-pad', 3, 'on the hooks above the benches'),
  one('half-dome', 4, 'under the mirror'),
  one('heel-rollers', 4, 'box beside the mats'),
  one('mat', 14, 'rack by the slipway door'),
  one('pole', 4, 'the four pillars of the river side, one hand high tape'),
  one('rowing-machine', 12, 'water side'),
  one('rucksack', 6, 'shelf above the kettlebells'),
  one('stick', 10, 'Bucket by the mirror'),
  one('tape-line', 5, 'drawer 1'),
];

/** Inspected so many days ago; what is not named a month ago. */
const INSPECTED: Readonly<Record<string, number>> = { 'rowing-machine': 12, 'hip-machine': 200, strap: 40 };

/** What the head coach of the invented hall thinks of buying, with made-up prices. */
export const DEMO_WISHES: readonly { piece: Omit<Owned, 'count'>; price: number }[] = [
  { piece: { equipment: 'thrust-bench', form: 'height', sizes: { heightM: 0.46 } }, price: 180 },
  { piece: { equipment: 'low-step', form: 'height', sizes: { heightM: 0.25 } }, price: 45 },
  { piece: { equipment: 'plyo-box', form: 'height', sizes: { heightM: 0.5 } }, price: 130 },
  {
    piece: {
      equipment: 'hip-machine',
      form: 'machine',
      sizes: { axleM: 1.35, fromM: 0.05, toM: 0.5, stepM: 0.05 },
    },
    price: 2400,
  },
];

/** What the invented hall has, and where it stands; dated back from today. */
export function demoPieces(today: IsoDate, random: () => number): PieceInHall[] {
  return OWNED.map(({ equipment, ...of }) => {
    const inspectedOn = daysAfter(today, -(INSPECTED[equipment] ?? 30));
    const { inspectMonths } = aboutForm(of.form ?? 'thing');
    const isBand = of.form === 'band';
    const own = blankPiece(uuidFrom(random), equipment, {
      ...of,
      place: of.place ?? (equipment === 'long-band' ? 'drawer 3' : 'drawer 2'),
      inspectedOn,
      nextInspection: monthsAfter(inspectedOn, inspectMonths),
      ...(isBand ? { readOn: daysAfter(today, -25), retireOn: monthsAfter(today, 8) } : {}),
    });
    return { ...own, edit: 0 };
  }).map((p) =>
    // One band has been cut by a shoe, and a wedge is watched.
    p.name === 'Band 4'
      ? { ...p, condition: 'out' as const, why: 'a cut at the seam', outSince: daysAfter(today, -2) }
      : p.equipment === 'heel-wedge' && p.sizes.heightM === 0.04
        ? { ...p, condition: 'watch' as const, why: 'one corner is soft' }
        : p,
  );
}

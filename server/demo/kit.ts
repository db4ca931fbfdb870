import type { KitRow } from '../../contract/kit.ts';

const OWNED: readonly [equipment: string, count: number, place: string][] = [
  ['bar-and-rack', 3, 'Platforms 1 to 3'],
  ['bar-pad', 4, 'hooks above the benches'],
  ['bench-pad', 3, 'on the hooks above the benches'],
  ['blocks', 4, 'behind platform 2'],
  ['chair', 6, 'stacked by the office door'],
  ['dumbbells', 14, 'rack under the clock'],
  ['extension-bench', 2, 'corner by the water fountain'],
  ['flat-seat', 3, 'Under the bars'],
  ['gym-ball', 5, 'net above the mats'],
  ['half-dome', 4, 'under the mirror'],
  ['heel-rollers', 4, 'box beside the mats'],
  ['heel-wedge', 6, 'with the foam pads'],
  ['hip-machine', 1, 'next to the rowing machines'],
  ['kettlebells', 12, 'Rack by the door'],
  ['light-bar', 3, 'wall rack, lowest pegs'],
  ['light-plate', 8, 'Plate tree'],
  ['long-band', 10, 'drawer 3, by measured pull'],
  ['loop-band', 8, 'drawer 2, sorted by measured pull'],
  ['low-step', 8, 'stacked by the slipway door'],
  ['mat', 14, 'rack by the slipway door'],
  ['pads', 12, 'beside the boxes'],
  ['plyo-box', 4, 'North wall, stacked'],
  ['pole', 4, 'the four pillars of the river side, one hand high tape'],
  ['rowing-machine', 12, 'water side'],
  ['rucksack', 6, 'shelf above the kettlebells'],
  ['stick', 10, 'Bucket by the mirror'],
  ['strap', 4, 'hooks on the beam'],
  ['tape-line', 5, 'drawer 1'],
  ['thrust-bench', 3, 'along the river wall'],
];

/** What the invented hall has, and where it stands. */
export const KIT: readonly KitRow[] = OWNED.map(([equipment, count, place]) => ({ equipment, count, place }));

import { kgOf } from '../terms/index.ts';
import type { MassUnit } from '../terms/index.ts';

/** What lies about in a home, and what one weighs, kg: a litre of water a kilogram; a book as most are (judgement). */
export const AT_HOME = {
  'large bottle, 1.5 l': 1.5,
  'small bottle, 0.5 l': 0.5,
  book: 0.5,
} as const;
export type AtHome = keyof typeof AT_HOME;

/** What somebody may have at home, and the equipment of a hall that it stands in for (the library says how). */
export const HOME_THINGS = {
  chair: { words: 'a firm chair', for: ['chair', 'plyo-box'] },
  sofa: { words: 'a sofa', for: ['thrust-bench', 'flat-seat', 'gym-ball', 'half-dome'] },
  stairs: { words: 'stairs', for: ['low-step'] },
  rucksack: { words: 'a rucksack', for: ['rucksack', 'kettlebells'] },
  bottles: { words: 'bottles', for: ['dumbbells'], many: true },
  book: { words: 'a big book', for: ['light-plate'] },
  band: { words: 'a band', for: ['loop-band', 'long-band'] },
  broom: { words: 'a broom handle', for: ['stick'] },
  cushions: { words: 'firm cushions', for: ['pads'], many: true },
  towel: { words: 'a long towel and a door', for: ['strap'] },
} as const satisfies Record<string, { words: string; for: readonly string[]; many?: true }>;
export type HomeThing = keyof typeof HOME_THINGS;
export const HOME_THING_NAMES = Object.keys(HOME_THINGS) as HomeThing[];
/** A floor, a door frame and a blanket are everywhere. */
const EVERYWHERE = ['mat', 'tape-line', 'pole', 'bench-pad', 'bar-pad'] as const;

/** How many of each equipment are there, or have something that stands in for them: one, where only one of it is. */
export function equipmentAtHome(have: readonly HomeThing[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>(EVERYWHERE.map((e) => [e, Infinity]));
  for (const h of have) {
    const thing: { for: readonly string[]; many?: true } = HOME_THINGS[h];
    for (const e of thing.for) counts.set(e, thing.many ? Infinity : 1);
  }
  return counts;
}

/** What something is filled with, counted; and a reading of a scale, with minus without. */
export interface Content {
  litres: number;
  books: number;
  /** What it weighs by itself, kg. */
  emptyKg: number;
}

/** Mass of a rucksack or bag by what is in it, kg: 1 l of water 1 kg. @throws RangeError for less than nothing or more than a rucksack holds */
export function contentKg({ litres, books, emptyKg }: Content): number {
  for (const n of [litres, books, emptyKg])
    if (!(n >= 0) || n > 100) throw new RangeError('Count what is in it: 0 to 100 of each.');
  return litres + books * AT_HOME.book + emptyKg;
}

/** What stands in at home for a load of the hall. */
export interface HomeLoad {
  kg: number;
  /** In each hand, or in one thing. */
  each: boolean;
  large: number;
  small: number;
}

/** Above this a rucksack is no longer put on alone (judgement). */
export const MOST_AT_HOME_KG = 30;
/** A hand holds so many large bottles by a bag (judgement). */
const MOST_IN_HAND_KG = 12;

/**
 * Bottles that come nearest to a load from below, to half a kilogram: nobody lifts more at home than in the hall.
 * Null: too little to matter, or more than should be lifted alone at home.
 * @param kg of one weight
 * @param weights two: one in each hand
 */
export function homeLoad(kg: number, weights: 1 | 2): HomeLoad | null {
  const most = weights === 2 ? MOST_IN_HAND_KG : MOST_AT_HOME_KG;
  const halves = Math.floor(kg / AT_HOME['small bottle, 0.5 l'] + 1e-9);
  if (halves < 1 || kg > most + 1e-9) return null;
  const large = Math.floor(halves / 3);
  return { kg: halves / 2, each: weights === 2, large, small: halves - 3 * large };
}

/** What a scale says of a bag: with it, minus without, kg. */
export const scaledKg = (withIt: number, without: number, unit: MassUnit): number =>
  kgOf(withIt - without, unit);

import { kgOf } from '../terms/index.ts';
import type { LoadKind, MassUnit, Piece } from '../terms/index.ts';
import type { HallKit, Shelf } from '../library/index.ts';
import { totalsOn } from './plates.ts';
import type { BarKit } from './plates.ts';

/** What one weight of a kind can be, kg. */
export type LoadList = Partial<Record<LoadKind, readonly number[]>>;

const steps = (from: number, to: number, by: number) =>
  Array.from({ length: Math.floor((to - from) / by) + 1 }, (_, i) => from + i * by);

/** The steps that halls usually have, in the unit that they weigh in (common practice, no source). */
const USUAL: Record<MassUnit, LoadList> = {
  kg: {
    dumbbell: [...steps(1, 10, 1), ...steps(12, 50, 2)],
    kettlebell: steps(4, 48, 4),
    bar: steps(20, 300, 2.5),
    plate: [1.25, 2.5, 5, 7.5, 10, 15, 20, 25],
    machine: steps(5, 150, 5),
  },
  lb: {
    dumbbell: [...steps(2.5, 10, 2.5), ...steps(15, 100, 5)],
    kettlebell: [...steps(10, 40, 5), 45, 50, 55, 60, 70, 80, 90, 100],
    bar: steps(45, 600, 5),
    plate: [2.5, 5, 10, 25, 35, 45],
    machine: steps(10, 300, 10),
  },
};

/** In kilograms: a list in pounds stays one of whole pounds. */
export const usualLoads = (unit: MassUnit): LoadList =>
  Object.fromEntries(
    Object.entries(USUAL[unit]).map(([kind, list]) => [kind, list.map((m) => kgOf(m, unit))]),
  );

/** A bar of the hall with the plates that go on it. */
export interface OwnBar {
  pieceId: string;
  equipment: string;
  name: string;
  kit: BarKit;
}

const inUnit = (p: Piece, unit: MassUnit) =>
  Math.round((1000 * kgOf(p.sizes.mass ?? 0, p.unit)) / kgOf(1, unit));

/**
 * Every bar with the plates that go on it: those that belong to a kind of equipment with bars. The lightest pair of collars
 * counts, where its mass is noted; plates of the other unit count for what they weigh to the thousandth.
 * @param all also what is out of use today: what exists at all, rather than what may be taken
 */
export function barsOf(kit: HallKit, here: (p: Piece) => boolean): OwnBar[] {
  const pieces = kit.pieces.filter((p) => p.count > 0 && here(p));
  const bars = pieces.filter((p) => p.form === 'bar' && (p.sizes.mass ?? 0) > 0);
  const withBars = new Set(bars.map((p) => p.equipment));
  const plates = pieces.filter(
    (p) => p.form === 'plates' && (p.sizes.mass ?? 0) > 0 && withBars.has(p.equipment),
  );
  const collars = pieces.filter((p) => p.form === 'collars' && (p.sizes.mass ?? 0) > 0);
  return bars.map((bar) => {
    const { unit } = bar;
    const pairs = new Map<number, number>();
    for (const p of plates) {
      const massT = inUnit(p, unit);
      pairs.set(massT, Math.min(20, (pairs.get(massT) ?? 0) + p.count));
    }
    return {
      pieceId: bar.id,
      equipment: bar.equipment,
      name: bar.name,
      kit: {
        unit,
        barT: inUnit(bar, unit),
        collarsT: collars.length > 0 ? Math.min(...collars.map((p) => inUnit(p, unit))) : 0,
        plates: [...pairs].map(([massT, n]) => ({ massT, pairs: n })).sort((a, b) => b.massT - a.massT),
      },
    };
  });
}

/** No hall has bars of more kinds. */
const MOST_BARS = 8;
/** Up to this number of loads of one kind are listed. */
const MOST_LOADS = 600;

/**
 * The loads that exist in a hall, by kind: every bell and dumbbell by itself, every sum of a bar and its plates. What is
 * out of use exists all the same: it comes back. Of a kind of which no mass is noted the usual ones.
 */
export const loadsOfHall = (shelf: Shelf): LoadList => loadsFrom(shelf.kit, shelf.all('equipment'));

/** The same from what the hall has and what its kinds of equipment are. */
export function loadsFrom(
  kit: HallKit,
  equipment: readonly { slug: string; loadKind?: LoadKind | undefined }[],
): LoadList {
  const lists: Partial<Record<LoadKind, number[]>> = {};
  const add = (kind: LoadKind, kg: number) => void (lists[kind] ??= []).push(kg);
  for (const e of equipment) {
    const kind = e.loadKind;
    if (!kind || kind === 'bar') continue;
    const own = kit.pieces.filter(
      (p) => p.equipment === e.slug && p.count > 0 && (p.form === 'weight' || p.form === 'plates'),
    );
    // A load in each hand takes two of one mass: where there are pairs at all, single ones are none.
    const pairs = kind === 'dumbbell' ? own.filter((p) => p.count >= 2) : [];
    for (const p of pairs.length > 0 ? pairs : own)
      if (p.sizes.mass !== undefined) add(kind, kgOf(p.sizes.mass, p.unit));
  }
  // A plate is held as well as put on a bar.
  for (const p of kit.pieces)
    if (p.form === 'plates' && p.count > 0 && p.sizes.mass) add('plate', kgOf(p.sizes.mass, p.unit));
  const bars = new Map(barsOf(kit, () => true).map((b) => [JSON.stringify(b.kit), b.kit] as const));
  for (const bar of [...bars.values()].slice(0, MOST_BARS)) {
    try {
      for (const totalT of totalsOn(bar)) add('bar', kgOf(totalT / 1000, bar.unit));
    } catch (error) {
      // Plates of too many odd masses to work out every sum: the usual steps stand in for this bar.
      if (!(error instanceof RangeError)) throw error;
    }
  }
  const noted = Object.fromEntries(
    Object.entries(lists).map(([kind, list]) => [kind, uniqueSorted(list).slice(0, MOST_LOADS)]),
  );
  return { ...usualLoads(kit.unit), ...noted };
}

function uniqueSorted(list: readonly number[]): number[] {
  const sorted = [...list].sort((a, b) => a - b);
  return sorted.filter((kg, i) => i === 0 || kg - sorted[i - 1]! > 0.0005);
}

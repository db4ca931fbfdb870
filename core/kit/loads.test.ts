import { describe, expect, it } from 'vitest';
import { blankBody, shelfOf } from '../library/index.ts';
import type { Equipment } from '../library/index.ts';
import type { LoadKind, MassUnit, Piece } from '../terms/index.ts';
import { kitOf, piece } from '../testing/kit.ts';
import { barsOf, loadsOfHall, usualLoads } from './loads.ts';

const thing = (slug: string, loadKind: LoadKind): Equipment => ({
  ...(blankBody('equipment', slug, slug, 'A. Tester') as Equipment),
  loadKind,
});
const THINGS = [
  thing('rack', 'bar'),
  thing('short-bar', 'bar'),
  thing('bells', 'kettlebell'),
  thing('pairs', 'dumbbell'),
];
const bar = (mass: number, of: Partial<Piece> = {}) => piece('rack', { form: 'bar', sizes: { mass }, ...of });
const plates = (mass: number, count: number, of: Partial<Piece> = {}) =>
  piece('rack', { form: 'plates', sizes: { mass }, count, ...of });
const weight = (equipment: string, mass: number, count = 1, of: Partial<Piece> = {}) =>
  piece(equipment, { form: 'weight', sizes: { mass }, count, ...of });
const loads = (unit: MassUnit, ...pieces: Piece[]) =>
  loadsOfHall(shelfOf(THINGS, { ...kitOf(...pieces), unit }));

describe('the loads of a hall', () => {
  it('are its bells and dumbbells one by one, and every sum of a bar and its plates', () => {
    const found = loads(
      'kg',
      weight('bells', 12),
      weight('bells', 16),
      bar(20),
      plates(10, 1),
      plates(2.5, 2),
    );
    expect(found.kettlebell).toEqual([12, 16]);
    // 20, and with 2.5, 5, 10, 12.5 and 15 a side.
    expect(found.bar).toEqual([20, 25, 30, 40, 45, 50]);
    // A plate is held as well.
    expect(found.plate).toEqual([2.5, 10]);
  });

  it('are the usual ones of a kind that nobody has noted, in the unit of the hall', () => {
    expect(loads('kg').kettlebell).toEqual(usualLoads('kg').kettlebell);
    const pounds = loads('lb').bar!.map((kg) => kg / 0.45359237);
    expect(pounds[0]).toBeCloseTo(45, 9);
    expect(pounds[1]).toBeCloseTo(50, 9);
  });

  it('stay whole pounds where plates are marked in pounds', () => {
    const lb = { unit: 'lb' } as const;
    const found = loads('lb', bar(45, lb), plates(45, 1, lb), plates(10, 1, lb));
    expect(found.bar!.map((kg) => Math.round((kg / 0.45359237) * 1000) / 1000)).toEqual([45, 65, 135, 155]);
  });

  it('take two dumbbells of a mass for a pair, and what is out of use for what comes back', () => {
    expect(loads('kg', weight('pairs', 6, 2), weight('pairs', 7), weight('pairs', 8, 2)).dumbbell).toEqual([
      6, 8,
    ]);
    expect(loads('kg', weight('bells', 12), weight('bells', 16, 1, { condition: 'out' })).kettlebell).toEqual(
      [12, 16],
    );
    expect(loads('kg', weight('bells', 12), weight('bells', 16, 0)).kettlebell).toEqual([12]);
  });

  it('count collars where their mass is noted, and put the plates of a rack on an odd bar too', () => {
    const collars = piece('rack', { form: 'collars', sizes: { mass: 0.5 } });
    const odd = piece('short-bar', { form: 'bar', sizes: { mass: 7.5 } });
    const kit = kitOf(bar(20), plates(5, 1), collars, odd);
    expect(loadsOfHall(shelfOf(THINGS, kit)).bar).toEqual([7.5, 18, 20, 30.5]);
    expect(barsOf(kit, () => true).map((b) => [b.equipment, b.kit.barT, b.kit.collarsT])).toEqual([
      ['rack', 20_000, 500],
      ['short-bar', 7500, 500],
    ]);
  });

  it('are the usual steps of a bar whose odd plates make too many sums', () => {
    const odd = Array.from({ length: 20 }, (_, i) => plates(0.101 + 0.097 * i * i, 20));
    expect(loads('kg', bar(20), ...odd).bar).toEqual(usualLoads('kg').bar);
  });
});

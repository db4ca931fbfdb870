import { describe, expect, it } from 'vitest';
import { readList } from './read-list.ts';

const metric = { mass: 'kg', length: 'cm' } as const;
const one = (row: string[], units: Parameters<typeof readList>[1] = metric) => readList([row], units);

describe('people out of a list', () => {
  it('are a name alone, or a name with squad, stature, mass and note', () => {
    expect(one(['Wim Sallow'])).toEqual({
      people: [{ name: 'Wim Sallow', squad: '', statureM: null, massKg: null, note: '' }],
      problems: [],
    });
    expect(one([' Wim ', 'Novices', '178 cm', '74,5', 'new'])).toMatchObject({
      people: [{ name: 'Wim', squad: 'Novices', statureM: 1.78, massKg: 74.5, note: 'new' }],
    });
  });
  it('come in the columns that the first line names, as a hall exports them elsewhere', () => {
    const { people, problems } = readList(
      [
        ['Mass (kg)', 'Name', 'Squad'],
        ['80', 'Ada', 'Masters'],
        ['', '', ''],
      ],
      metric,
    );
    expect(problems).toEqual([]);
    expect(people).toEqual([{ name: 'Ada', squad: 'Masters', statureM: null, massKg: 80, note: '' }]);
  });
  it('are measured in the units of the screen', () => {
    // The international inch and pound, exact by definition (1959 agreement).
    const { people } = one(['Ada', '', '70', '165'], { mass: 'lb', length: 'in' });
    expect(people[0]!.statureM).toBeCloseTo(1.778, 9);
    expect(people[0]!.massKg).toBeCloseTo(74.84274105, 8);
  });
  it('say by line what cannot be read', () => {
    const { problems } = readList(
      [
        ['Ada', '', 'tall'],
        ['', 'Masters'],
        ['Ben', '', '', '-3'],
      ],
      metric,
    );
    expect(problems).toEqual([
      'Line 1: “tall” is no stature.',
      'Line 2 has no name.',
      'Line 3: “-3” is no mass.',
    ]);
  });
});

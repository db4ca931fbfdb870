import { describe, expect, it } from 'vitest';
import { contentKg, homeLoad, scaledKg } from './home.ts';

describe('a load at home', () => {
  // One litre of water weighs 1 kg.
  it.each([
    [8, 1, { kg: 8, large: 5, small: 1 }],
    [7.9, 1, { kg: 7.5, large: 5, small: 0 }],
    [4, 2, { kg: 4, each: true, large: 2, small: 2 }],
    [1, 1, { kg: 1, large: 0, small: 2 }],
  ] as const)('of %d kg is bottles that weigh no more', (kg, weights, expected) => {
    const found = homeLoad(kg, weights)!;
    expect(found).toMatchObject(expected);
    expect(found.kg).toBeLessThanOrEqual(kg);
    expect(found.large * 1.5 + found.small * 0.5).toBe(found.kg);
  });
  it('is none where it is too little, or too much to be lifted alone', () => {
    expect(homeLoad(0.3, 1)).toBeNull();
    expect(homeLoad(40, 1)).toBeNull();
    expect(homeLoad(15, 2)).toBeNull();
  });
  it('is what is in it, or what the scale says with it minus without', () => {
    expect(contentKg({ litres: 6, books: 4, emptyKg: 1 })).toBe(9);
    expect(scaledKg(83.5, 75, 'kg')).toBe(8.5);
    expect(scaledKg(185, 165, 'lb')).toBeCloseTo(20 * 0.45359237, 9);
    expect(() => contentKg({ litres: -1, books: 0, emptyKg: 0 })).toThrow(RangeError);
    expect(() => contentKg({ litres: NaN, books: 0, emptyKg: 0 })).toThrow(RangeError);
  });
});

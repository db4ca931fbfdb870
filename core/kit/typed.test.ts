import { describe, expect, it } from 'vitest';
import { sizesTyped, typedSizes } from './typed.ts';

describe('sizes as they are typed', () => {
  it('are read with how many there are, each once and in order', () => {
    expect(typedSizes('45; 30 x2; 60')).toEqual([
      { value: 30, count: 2 },
      { value: 45, count: 1 },
      { value: 60, count: 1 },
    ]);
    expect(typedSizes('12,5 × 2, 15')).toEqual([
      { value: 12.5, count: 2 },
      { value: 15, count: 1 },
    ]);
    expect(typedSizes('2-10 by 4 x2; 6').map((s) => `${s.value}:${s.count}`)).toEqual(['2:2', '6:3', '10:2']);
    expect(typedSizes('17.5 to 22.5 / 2.5').map((s) => s.value)).toEqual([17.5, 20, 22.5]);
    expect(typedSizes('  ')).toEqual([]);
  });
  it('come back as they are typed', () => {
    expect(sizesTyped(typedSizes('45, 30x2'))).toBe('30 x2; 45');
    expect(typedSizes(sizesTyped(typedSizes('1-9 by 2 x3')))).toEqual(typedSizes('1-9 by 2 x3'));
  });
  it.each(['thirty', '30 x', '0', '30 x0', '10-2 by 2', '2-10 by 0', '1-1000 by 1', '30 x900', '1e9999999'])(
    'that cannot be: %s is refused with a sentence',
    (text) => expect(() => typedSizes(text)).toThrow(RangeError),
  );
});

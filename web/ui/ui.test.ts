import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { day, since } from './dates.ts';
import { plain } from '../testing/plain.ts';
import { keptTogether, written } from './said.ts';
import { fromLength, fromMass, length, mass, tidy, toLength, toMass } from './units.ts';

describe('units', () => {
  // International yard and pound agreement, 1959: 1 lb = 0.45359237 kg, 1 in = 25.4 mm, exactly.
  it('convert by definition', () => {
    expect(toMass(0.45359237, 'lb')).toBe(1);
    expect(toLength(0.0254, 'in')).toBe(1);
    expect([mass(88, 'lb'), mass(88, 'kg'), length(1.86, 'in'), length(1.86, 'cm')].map(plain)).toEqual([
      '194 lb',
      '88 kg',
      '73.2 in',
      '186 cm',
    ]);
  });
  it('come back as they went', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), (x) => {
        expect(fromMass(toMass(x, 'lb'), 'lb')).toBeCloseTo(x, 9);
        expect(fromLength(toLength(x, 'in'), 'in')).toBeCloseTo(x, 9);
      }),
    );
  });
  it('are tidy', () => {
    expect([tidy(2), tidy(2.5), tidy(2.04), tidy(1 / 3, 2)]).toEqual(['2', '2.5', '2', '0.33']);
  });
});

describe('dates', () => {
  it('name the day, and the year when it is another', () => {
    expect(day('2026-11-23', '2026-11-24')).toBe('Mon 23 Nov');
    expect(day('2025-11-23', '2026-11-24')).toBe('23 Nov 2025');
  });
  it('count days from one to another', () => {
    expect([
      since('2026-11-24', '2026-11-24'),
      since('2026-11-23', '2026-11-24'),
      since('2026-10-19', '2026-11-24'),
    ]).toEqual(['today', '1 day', '36 days']);
  });
  it('keep numbers on one line with what they count, and nothing else', () => {
    const lines = (words: string) => keptTogether(words).split(' ');
    expect(lines('2 × 12, rest 60 s')).toEqual(['2\u00a0×\u00a012,', 'rest', '60\u00a0s']);
    expect(lines('hold 90 s with 32.5 kg at 45 °')).toEqual([
      'hold',
      '90\u00a0s',
      'with',
      '32.5\u00a0kg',
      'at',
      '45\u00a0°',
    ]);
    expect(lines('set 1 of 2, 6 repetitions')).toEqual(['set', '1\u00a0of', '2,', '6\u00a0repetitions']);
    expect(lines('4 so far, 3 sideways, 2 m-long')).not.toContain('4\u00a0so');
  });
  it('stand in sentences as people say them, and leave other numbers alone', () => {
    const said = (sentence: string, unit: 'kg' | 'lb' = 'kg') => plain(written(sentence, '2026-11-24', unit));
    expect(said('Pain above 3 of 10 (2026-11-23: pain 5 of 10).')).toBe(
      'Pain above 3 of 10 (Mon 23 Nov: pain 5 of 10).',
    );
    expect(said('Set 12026-11-231.')).toBe('Set 12026-11-231.');
    // 20 kg are 44.09 lb, 2.5 kg 5.51 lb (international pound).
    expect(said('2.5 kg more, up to 20 kg; 8, 8 with 20 kg on 2026-11-23', 'lb')).toBe(
      '5.5 lb more, up to 44.1 lb; 8, 8 with 44.1 lb on Mon 23 Nov',
    );
    expect(said('2.5 kg more, up to 20 kg')).toBe('2.5 kg more, up to 20 kg');
    expect(said('60 % of body mass, 12 repetitions', 'lb')).toBe('60 % of body mass, 12 repetitions');
  });
});

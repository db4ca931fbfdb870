import { describe, expect, it } from 'vitest';
import { after, atLeast, lowerQuartile, passChance, priorOf, worthOf } from './belief.ts';

const rounded = (p: readonly number[]) => p.map((x) => Math.round(x * 1e4) / 1e4);

// Worked by hand once for thirteen levels and somebody who has done some of it; a figure each step.
describe('the belief about somebody who has done some of it', () => {
  const prior = priorOf(13, 4.5);
  it('begins as a normal over the levels', () => {
    expect(rounded(prior)).toEqual([
      0.0323, 0.0613, 0.099, 0.1364, 0.16, 0.16, 0.1364, 0.099, 0.0613, 0.0323, 0.0145, 0.0056, 0.0018,
    ]);
    expect(lowerQuartile(prior)).toBe(3);
    const bits = [0, 1, 2, 3, 4, 5].map((l) => worthOf(prior, l).bits);
    expect(bits.map((b) => Math.round(1000 * b) / 1000)).toEqual([0.024, 0.096, 0.214, 0.343, 0.445, 0.489]);
    expect(bits[4]).toBeCloseTo(0.4449, 4);
    expect(worthOf(prior, 4).passes).toBeCloseTo(0.6483, 4);
  });
  it('moves with what is passed and failed', () => {
    const four = after(prior, 4, true);
    expect(rounded(four)).toEqual([
      0.0016, 0.0042, 0.0155, 0.0662, 0.1692, 0.2218, 0.201, 0.1477, 0.0916, 0.0483, 0.0217, 0.0083, 0.0027,
    ]);
    expect(lowerQuartile(four)).toBe(4);
    expect(worthOf(four, 5).passes).toBeCloseTo(0.702, 4);
    expect(worthOf(four, 5).bits).toBeCloseTo(0.3222, 4);
    const five = after(four, 5, true);
    expect(lowerQuartile(five)).toBe(5);
    expect(worthOf(five, 6).passes).toBeCloseTo(0.6626, 4);
    expect(worthOf(five, 6).bits).toBeCloseTo(0.3068, 4);
    const failed = after(five, 6, false);
    expect(rounded(failed)).toEqual([
      0.0002, 0.0006, 0.0028, 0.0271, 0.202, 0.4398, 0.2401, 0.0604, 0.0166, 0.0065, 0.0027, 0.001, 0.0003,
    ]);
    expect(atLeast(failed, 5)).toBeGreaterThan(0.7);
    expect(atLeast(failed, 6)).toBeLessThan(0.7);
  });
});

it('a trial is passed the likelier, the more is mastered, and never quite surely', () => {
  expect(passChance(4, 4)).toBeGreaterThan(0.65);
  expect(passChance(12, 0)).toBeGreaterThanOrEqual(0.03);
  expect(passChance(0, 12)).toBeLessThanOrEqual(0.97);
  for (let c = 1; c < 13; c++) expect(passChance(6, c)).toBeGreaterThan(passChance(6, c - 1));
});

it('shares sum to one on ladders of any length', () => {
  for (let levels = 1; levels <= 40; levels++) {
    expect(priorOf(levels, 4.5).reduce((a, b) => a + b)).toBeCloseTo(1, 12);
  }
});

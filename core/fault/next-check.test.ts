import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { deskCheck, deskFault } from '../testing/faults.ts';
import { beliefsFrom, causesOf } from './causes.ts';
import { causesLeft, checkValue, entropyBits, rankedChecks } from './next-check.ts';
import { NO_EXPERIENCE } from './experience.ts';

const of = (...p: number[]) => new Map(p.map((x, i) => [String(i), x]));

describe('entropy', () => {
  // Worked by hand from the definition (Shannon 1948): halves of halves give whole and half bits.
  it.each([
    [of(1), 0],
    [of(0.5, 0.5), 1],
    [of(0.5, 0.25, 0.25), 1.5],
    [of(0.5, 0.25, 0.125, 0.125), 1.75],
    [of(0.25, 0.25, 0.25, 0.25), 2],
    [of(1, 0), 0],
  ])('%j', (beliefs, bits) => {
    expect(entropyBits(beliefs)).toBeCloseTo(bits, 12);
  });

  it('reads as so many equally likely causes', () => {
    expect(causesLeft(entropyBits(of(0.25, 0.25, 0.25, 0.25)))).toBeCloseTo(4, 12);
  });
});

describe('what a check tells', () => {
  const halves = deskCheck('Halves.', { yes: ['a', 'b'], no: ['c', 'd'] });
  const one = deskCheck('One.', { yes: ['a'], no: ['b', 'c', 'd'] });
  const nothing = deskCheck('Nothing.', { yes: [], no: [] });
  const fault = (causes: string[]) => deskFault('f', causes, { checks: [nothing, one, halves] });
  const ranked = (causes: string[]) => {
    const f = fault(causes);
    return rankedChecks(beliefsFrom([f], NO_EXPERIENCE), causesOf([f]), [f], [], NO_EXPERIENCE);
  };

  it('by hand: of four equal causes, halving them with a slip of one in twenty', () => {
    const f = fault(['a', 'b', 'c', 'd']);
    const value = checkValue(beliefsFrom([f], NO_EXPERIENCE), causesOf([f]), f, halves, NO_EXPERIENCE);
    // After either result two causes have .475 each and two .025 each: 1 + H(.05) bits.
    const h = -(0.95 * Math.log2(0.95) + 0.05 * Math.log2(0.05));
    expect(value.afterBits).toBeCloseTo(1 + h, 12);
    expect(value.gainBits).toBeCloseTo(1 - h, 12);
    expect(value.results.map((r) => r.probability)).toEqual([0.5, 0.5]);
  });

  it('puts what tells most first, and another prior puts another check first', () => {
    expect(ranked(['a', 'b', 'c', 'd']).map((c) => c.check)).toEqual(['Halves.', 'One.', 'Nothing.']);
    // One cause far ahead of the others: asking for it alone tells most.
    expect(ranked(['a*6', 'b*6', 'c', 'd'])[0]!.check).toBe('One.');
  });

  it('leaves out what was asked, known or not', () => {
    const f = fault(['a', 'b']);
    const asked = [{ fault: 'f', check: 'Halves.' }];
    expect(
      rankedChecks(beliefsFrom([f], NO_EXPERIENCE), causesOf([f]), [f], asked, NO_EXPERIENCE).map(
        (c) => c.check,
      ),
    ).not.toContain('Halves.');
  });

  it('is never less than nothing, never more than what there is to know, and results add up', () => {
    const causes = ['a', 'b', 'c', 'd'];
    const pointing = fc.subarray(causes);
    fc.assert(
      fc.property(
        fc.tuple(...causes.map(() => fc.double({ min: 0.01, max: 10, noNaN: true }))),
        fc.array(pointing, { minLength: 2, maxLength: 4 }),
        (weights, results) => {
          const check = deskCheck('c', Object.fromEntries(results.map((r, i) => [`r${i}`, r])));
          const f = deskFault('f', [], {
            causes: causes.map((id, i) => ({ id, text: id, weight: weights[i]!, alike: null })),
            checks: [check],
          });
          const beliefs = beliefsFrom([f], NO_EXPERIENCE);
          const value = checkValue(beliefs, causesOf([f]), f, check, NO_EXPERIENCE);
          expect(value.gainBits).toBeGreaterThan(-1e-9);
          expect(value.gainBits).toBeLessThanOrEqual(entropyBits(beliefs) + 1e-9);
          expect(value.results.reduce((sum, r) => sum + r.probability, 0)).toBeCloseTo(1, 9);
        },
      ),
    );
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { deskCheck, deskFault } from '../testing/faults.ts';
import {
  beliefsFrom,
  causeGivenSign,
  causesOf,
  PRIOR_CASES,
  resultGivenCause,
  SLIP,
  updated,
} from './causes.ts';
import { experienceOf, NO_EXPERIENCE } from './experience.ts';
import type { Experience } from './experience.ts';

const beliefs = (...args: Parameters<typeof beliefsFrom>) => Object.fromEntries(beliefsFrom(...args));

describe('causes given the signs', () => {
  it('are equal where the library gives no weight, and follow its weights where it does', () => {
    expect(beliefs([deskFault('f', ['a', 'b', 'c', 'd'])], NO_EXPERIENCE)).toEqual({
      'f/a': 0.25,
      'f/b': 0.25,
      'f/c': 0.25,
      'f/d': 0.25,
    });
    const weighted = beliefs([deskFault('f', ['a*3', 'b'])], NO_EXPERIENCE);
    expect(weighted['f/a']).toBeCloseTo(0.75, 12);
  });

  it('take the hall’s cases as counts added to the prior', () => {
    // (6 · 1/2 + 4) / (6 + 4) by hand.
    const experience: Experience = { ...NO_EXPERIENCE, causes: { f: { a: 4 } } };
    expect(PRIOR_CASES).toBe(6);
    expect(causeGivenSign(deskFault('f', ['a', 'b']), experience).get('a')).toBeCloseTo(0.7, 12);
  });

  it('are one where they are alike, and what stands behind both signs gains', () => {
    const f = deskFault('f', ['a=shared', 'b']);
    const g = deskFault('g', ['x=shared', 'y']);
    expect(causesOf([f, g]).map((c) => c.key)).toEqual(['shared', 'f/b', 'g/y']);
    // By hand: shared .5 · .5, the others .5 · .1 each (a tenth beside a cause that is not listed).
    const got = beliefs([f, g], NO_EXPERIENCE);
    expect(got['shared']).toBeCloseTo(0.25 / (0.25 + 2 * 0.05), 12);
  });

  it('of two unrelated signs are alike, however many are listed for either', () => {
    const few = deskFault('few', ['a', 'b']);
    const many = deskFault('many', ['c', 'd', 'e', 'f', 'g', 'h']);
    const got = beliefs([few, many], NO_EXPERIENCE);
    const of = (fault: string) =>
      Object.entries(got).reduce((sum, [k, p]) => sum + (k.startsWith(fault) ? p : 0), 0);
    expect(of('few')).toBeCloseTo(0.5, 12);
    expect(of('many')).toBeCloseTo(0.5, 12);
  });

  it('do not depend on the order of the signs, and add up to one', () => {
    const names = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd=s', 'e=t', 'f=s'), { minLength: 1 });
    fc.assert(
      fc.property(fc.array(names, { minLength: 1, maxLength: 4 }), (lists) => {
        const faults = lists.map((causes, i) => deskFault(`f-${i}`, causes));
        const one = beliefs(faults, NO_EXPERIENCE);
        const other = beliefs(faults.toReversed(), NO_EXPERIENCE);
        expect(Object.values(one).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        for (const [key, p] of Object.entries(one)) expect(other[key]).toBeCloseTo(p, 9);
      }),
    );
  });

  it('are updated by Bayes’ rule, worked by hand', () => {
    const got = updated(
      new Map(Object.entries({ a: 0.5, b: 0.3, c: 0.2 })),
      (k) => ({ a: 0.2, b: 0.5, c: 0.5 })[k]!,
    );
    // .10, .15, .10 over .35
    expect(got.get('a')).toBeCloseTo(0.1 / 0.35, 12);
    expect(got.get('b')).toBeCloseTo(0.15 / 0.35, 12);
  });
});

describe('a result given a cause', () => {
  const check = deskCheck('Wedge.', { mends: ['a'], stays: ['b', 'c'] });
  const f = deskFault('f', ['a', 'b', 'c', 'd'], { checks: [check] });
  const given = (cause: string, experience = NO_EXPERIENCE, of = check) =>
    resultGivenCause(
      f,
      of,
      causesOf([f]).find((c) => c.key === `f/${cause}`)!,
      experience,
    );

  it('follows what the result points to, with a slip that rules nothing out', () => {
    expect(given('a').get('mends')).toBeCloseTo(1 - SLIP + SLIP / 2, 12);
    expect(given('b').get('mends')).toBeCloseTo(SLIP / 2, 12);
  });

  it('is equal for a cause that no result points to', () => {
    expect(given('d').get('mends')).toBeCloseTo(0.5, 12);
  });

  it('follows the library’s weights where it gives them', () => {
    const weighted = deskCheck(
      'Wedge.',
      { mends: ['a'], stays: ['b'] },
      { mends: { b: 3 }, stays: { b: 1 } },
    );
    expect(given('b', NO_EXPERIENCE, weighted).get('mends')).toBeCloseTo(0.9 * 0.75 + 0.05, 12);
  });

  it('takes the hall’s cases as counts', () => {
    const experience = experienceOf([
      {
        checks: [{ fault: 'f', check: 'Wedge.', result: 'mends' }],
        tried: [{ fault: 'f', answer: 'x', causes: ['b'], outcome: 'better' }],
      },
    ]);
    expect(given('b', experience).get('mends')).toBeCloseTo((6 * 0.05 + 1) / 7, 12);
  });
});

describe('the hall’s experience', () => {
  const tried = (answer: string, causes: string[] | null, outcome: 'better' | 'same' | 'worse') => ({
    fault: 'f',
    answer,
    causes,
    outcome,
  });

  it('tells a cause by the answer that helped, shared among those it is for; what the desk believed plays no part', () => {
    const e = experienceOf([
      { checks: [], tried: [tried('x', ['a'], 'same'), tried('y', ['b', 'c'], 'better')] },
      { checks: [], tried: [tried('z', null, 'better')] },
      { checks: [], tried: [tried('x', ['a'], 'worse')] },
    ]);
    expect(e.causes).toEqual({ f: { b: 0.5, c: 0.5 } });
  });

  it('leaves out results that nobody knew', () => {
    const e = experienceOf([
      { checks: [{ fault: 'f', check: 'c', result: null }], tried: [tried('y', ['b'], 'better')] },
    ]);
    expect(e.results).toEqual({});
  });
});

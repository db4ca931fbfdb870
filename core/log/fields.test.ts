import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { setSchema } from '../../contract/log.ts';
import { runs } from '../testing/runs.ts';
import { anySetValues } from '../testing/sets.ts';
import { COUNTED_IN } from '../terms/index.ts';
import { AMOUNT_FIELD, AMOUNT_FIELDS, amountIn, amountOf, blankSet, setFields } from './fields.ts';

const about = {
  personId: '0a0b0c0d-1111-4222-8333-444455556666',
  date: '2026-11-24',
  edit: 1,
  variation: 'box-squat',
  variationRevision: 3,
};
const problem = (values: object) => setSchema.validate({ ...about, ...values }).error?.message ?? null;

describe('the fields of a set', () => {
  it('blank, and with any value within their bounds, are a set that may be sent', () => {
    expect(problem(blankSet())).toBeNull();
    fc.assert(
      fc.property(anySetValues(), (values) => {
        expect(problem(values)).toBeNull();
      }),
      { numRuns: runs(200) },
    );
  });

  it.each(setFields())('are each held to what they are: %s', (name, f) => {
    const put = (value: unknown) => problem({ ...blankSet(), [name]: value });
    if (f.is === 'number') {
      expect([put(f.from), put(f.to)]).toEqual([null, null]);
      expect(put(f.from - 1)).toContain(name);
      expect(put(f.to + 1)).toContain(name);
      expect(put(f.from + 0.5) === null).toBe(!f.whole);
    }
    if (f.is === 'choice') expect([put(f.of[0]), put('no such word') === null]).toEqual([null, false]);
    expect(put(null) === null).toBe(f.blank === null);
    expect(put('text that is none') === null).toBe(false);
    // Left out is not known; what is never unknown has to be said.
    if (f.blank === null) expect(put(undefined)).toBeNull();
    else expect(put(undefined)).toContain(name);
  });

  it('say how much was done in one of three, by what the variation is counted in', () => {
    for (const counted of COUNTED_IN) {
      const amounts = amountIn(counted, 7);
      expect(AMOUNT_FIELDS.filter((f) => amounts[f] !== null)).toEqual([AMOUNT_FIELD[counted]]);
      expect(amountOf(amounts)).toBe(7);
    }
    expect(amountOf(blankSet())).toBeNull();
  });

  it('have columns and names of their own', () => {
    const columns = setFields().map(([, f]) => f.column);
    expect(new Set(columns).size).toBe(columns.length);
    // A blank set shares nothing with another.
    blankSet().faults.push({ fault: 'x', side: null, reps: 1 });
    expect(blankSet().faults).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { input, set } from '../testing/samples.ts';
import { decide } from './decide.ts';
import { clearanceFor, countsAfter, stopsFor, stopsNow } from './stop.ts';
import type { Clearance, Stop } from './stop.ts';

const stop = (change: Partial<Stop> = {}): Stop => ({
  id: 'stop',
  date: '2026-01-04',
  reach: 'everything',
  told: 'set',
  pain: 8,
  ...change,
});
const ladder = input().ladder;
const other = ladder.pattern === 'squat' ? 'hinge' : 'squat';

describe('pain that is told', () => {
  it('stops from seven on, unless it is of long ago', () => {
    expect(stopsNow(6.9, '2026-01-05', '2026-01-05')).toBe(false);
    expect(stopsNow(7, '2026-01-05', '2026-01-05')).toBe(true);
    expect(stopsNow(null, '2026-01-05', '2026-01-05')).toBe(false);
    expect(stopsNow(9, '2025-09-07', '2026-01-05')).toBe(false);
    expect(stopsNow(9, '2025-09-08', '2026-01-05')).toBe(true);
  });
});

describe('a stop in a decision', () => {
  it('is the first thing that applies, with what it was and how to go on', () => {
    const d = decide(input({ stops: [stop()] }));
    expect(d.outcome).toBe('stop and refer');
    expect(d.reasons).toEqual([
      { text: 'Stopped on 2026-01-04: pain 8 of 10, in a set.', health: true },
      { text: 'Nothing at all until the head coach clears it.', health: false },
    ]);
  });

  it('of one pattern leaves the others as they are', () => {
    expect(stopsFor([stop({ reach: other })], ladder.pattern)).toEqual([]);
    expect(decide(input({ stops: [stop({ reach: other })] }))).toEqual(decide(input()));
    const here = decide(input({ stops: [stop({ reach: ladder.pattern, pain: null, told: 'press' })] }));
    expect(here.reasons[0]!.text).toBe('Stopped on 2026-01-04: stop was pressed.');
    expect(here.reasons.at(-1)!.text).toContain(`No ${ladder.pattern}`);
  });

  it('tells the newest two of many, and how far the widest reaches', () => {
    const many = [
      stop(),
      ...[1, 2, 3].map((n) => stop({ id: `s${n}`, date: `2026-01-0${n + 4}`, reach: ladder.pattern })),
    ];
    const { reasons } = decide(input({ stops: many }));
    expect(reasons.map((r) => r.text.slice(0, 21))).toEqual([
      'Stopped on 2026-01-06',
      'Stopped on 2026-01-07',
      'Nothing at all until ',
    ]);
  });
});

describe('a clearance', () => {
  const clearance: Clearance = { reaches: ['everything'], date: '2026-01-05', setIds: ['there'] };

  it('closes what was before it, on its own day by the sets that were there', () => {
    expect(countsAfter(clearance, { id: 'x', date: '2026-01-04' })).toBe(false);
    expect(countsAfter(clearance, { id: 'there', date: '2026-01-05' })).toBe(false);
    expect(countsAfter(clearance, { id: 'x', date: '2026-01-05' })).toBe(true);
    expect(countsAfter(clearance, { id: 'there', date: '2026-01-06' })).toBe(true);
    expect(countsAfter(null, { id: 'x', date: '2020-01-01' })).toBe(true);
  });

  it('is the newest that reaches the pattern', () => {
    const older = { ...clearance, date: '2026-01-01' };
    const elsewhere: Clearance = { ...clearance, reaches: [other], date: '2026-01-09' };
    expect(clearanceFor([clearance, older, elsewhere], ladder.pattern)).toBe(clearance);
    expect(clearanceFor([elsewhere], ladder.pattern)).toBeNull();
  });

  it('leaves no pain, fault or set before it in the decision', () => {
    const standing = { level: 'two', since: '2026-01-01', taken: [] };
    const sore = [1, 2].map((ordinal) => set('2026-01-04', { ordinal, variation: 'two-main', pain: 6 }));
    const before = decide(input({ standing, sets: sore, today: '2026-01-06' }));
    expect(before.outcome).toBe('step back');
    const after = decide(
      input({
        standing,
        sets: sore,
        today: '2026-01-06',
        clearances: [clearance],
        told: [{ date: '2026-01-04', pain: 6, regions: [], side: null, pattern: null }],
      }),
    );
    expect(after).toMatchObject({ outcome: 'hold', sessionDates: [], setIds: [] });
    expect(JSON.stringify(after)).not.toContain('Pain was reported');
  });
});

import { describe, expect, it } from 'vitest';
import { set } from '../testing/samples.ts';
import { askBeforeWork, cueRecord, rankedCues, recurringFaults, stayOf } from './watch.ts';
import type { LoggedSet } from '../log/index.ts';

const D = ['2026-01-05', '2026-01-07', '2026-01-10', '2026-01-12'] as const;
const fault = (side: 'left' | 'right' | null = null, reps = 1) => [{ fault: 'knee-in', side, reps }];
const seen = (date: string, change: Partial<LoggedSet> = {}) => set(date, { faults: fault(), ...change });

describe('a recurring fault', () => {
  it('is one of the last three watched sessions running', () => {
    expect(recurringFaults([seen(D[0]), seen(D[1])])).toEqual([]);
    expect(recurringFaults([seen(D[0]), seen(D[1]), seen(D[2])])).toEqual([
      { variation: 'one-main', fault: 'knee-in', dates: [D[2], D[1], D[0]], repetitions: 3, side: null },
    ]);
    expect(recurringFaults([seen(D[0]), seen(D[1]), set(D[2]), seen(D[3])])).toEqual([]);
  });
  it('is not broken by sessions nobody watched, nor by another variation', () => {
    const unwatched = set(D[2], { watched: false });
    const other = set(D[2], { variation: 'other' });
    expect(recurringFaults([seen(D[0]), seen(D[1]), unwatched, other, seen(D[3])])).toHaveLength(1);
  });
  it('is raised sooner on one side only', () => {
    const left = (date: string) => seen(date, { faults: fault('left', 2), side: 'left' });
    expect(recurringFaults([left(D[1]), left(D[2])])).toMatchObject([{ side: 'left', repetitions: 4 }]);
    const right = seen(D[2], { faults: fault('right'), side: 'right' });
    expect(recurringFaults([left(D[1]), right])).toEqual([]);
    // A fault without a side of its own is on the side of its set.
    expect(recurringFaults([seen(D[1], { side: 'left' }), seen(D[2], { side: 'left' })])).toMatchObject([
      { side: 'left' },
    ]);
  });
});

describe('cues', () => {
  const tried = (cue: string, date: string, outcome: 'better' | 'same' | 'worse', variation = 'v') => ({
    variation,
    cue,
    date,
    outcome,
  });
  const record = cueRecord(
    [
      tried('open', D[0], 'same'),
      tried('open', D[1], 'better'),
      tried('tall', D[1], 'worse'),
      tried('slow', D[0], 'better', 'other'),
    ],
    'v',
  );
  it('are remembered by what came of the last try', () => {
    expect(record).toEqual({ works: ['open'], failed: ['tall'] });
  });
  it('that failed stand last, those that worked first, the rest as on the sheet', () => {
    const cues = ['tall', 'slow', 'open', 'floor'].map((slug) => ({ slug }));
    expect(rankedCues(cues, record).map((c) => c.slug)).toEqual(['open', 'slow', 'floor', 'tall']);
  });
});

describe('the questions before work', () => {
  const base = {
    today: D[3],
    lastAsked: D[2] as string | null,
    painfulDays: [] as string[],
    restrictions: [],
    lastSession: D[2] as string | null,
  };
  const bar = (until: string | null) => [
    { id: 'r', bars: [{ bars: 'impact' as const }], from: '2026-01-01', until, saidBy: 'a doctor' },
  ];
  it('are asked once a day at most', () => {
    expect(askBeforeWork({ ...base, lastAsked: D[3], painfulDays: [D[2]] })).toBeNull();
    expect(askBeforeWork(base)).toBeNull();
  });
  it('come up when never asked, a week later, after pain, under and after a restriction, and after a break', () => {
    expect(askBeforeWork({ ...base, lastAsked: null })).toBe('Not asked yet.');
    expect(askBeforeWork({ ...base, lastAsked: D[0] })).toContain('Last asked');
    expect(askBeforeWork({ ...base, lastAsked: '2026-01-06' })).toBeNull();
    expect(askBeforeWork({ ...base, painfulDays: [D[1]] })).toContain(`Pain was reported on ${D[1]}`);
    expect(askBeforeWork({ ...base, painfulDays: ['2025-12-20'] })).toBeNull();
    expect(askBeforeWork({ ...base, restrictions: bar(null) })).toBe('A restriction is in force.');
    expect(askBeforeWork({ ...base, restrictions: bar('2026-01-10') })).toContain('A restriction ended');
    expect(askBeforeWork({ ...base, lastSession: '2025-12-29' })).toContain('Not here since');
  });
});

describe('the stay on a level', () => {
  it('is beyond the usual on the day after it', () => {
    expect(stayOf({ from: 1, to: 2 }, '2026-01-01', '2026-01-15')).toEqual({ weeks: 2, beyond: false });
    expect(stayOf({ from: 1, to: 2 }, '2026-01-01', '2026-01-16')).toEqual({ weeks: 2, beyond: true });
  });
});

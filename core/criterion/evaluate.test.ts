import { describe, expect, it } from 'vitest';
import { facts, set } from '../testing/samples.ts';
import { evaluate } from './evaluate.ts';
import { levelEvidence, sideDifference } from '../log/index.ts';
import { sentenceOf } from './sentence.ts';
import type { Criterion } from './criteria.ts';
import type { Judgement } from './three-valued.ts';
import type { LoggedSet, VariationFacts } from '../log/index.ts';

const D1 = '2026-01-05';
const D2 = '2026-01-07';
const D3 = '2026-01-08';
const TODAY = '2026-01-08';

function judge(c: Criterion, sets: LoggedSet[], change: Partial<VariationFacts> = {}, today = TODAY) {
  const known = new Map([['one-main', facts('one-main', change)]]);
  return evaluate(c, levelEvidence(sets, ['one-main'], '2026-01-01'), {
    facts: known,
    sideTests: sets,
    today,
  });
}

const clean = (reps: number, sets: number): Criterion => ({ kind: 'cleanReps', reps, sets });

describe('each atom: met, not met, unknown, exactly at the limit', () => {
  const rows: [string, Criterion, Partial<LoggedSet>[], Judgement][] = [
    ['clean repetitions at the limit', clean(12, 1), [{ doneReps: 12 }], 'met'],
    ['one short', clean(12, 1), [{ doneReps: 11 }], 'not met'],
    [
      'a fault to fix takes one away',
      clean(12, 1),
      [{ doneReps: 12, faults: [{ fault: 'fix', side: null, reps: 1 }] }],
      'not met',
    ],
    [
      'a fault only noted takes none away',
      clean(12, 1),
      [{ doneReps: 12, faults: [{ fault: 'noted', side: null, reps: 3 }] }],
      'met',
    ],
    [
      'a fault nobody knows counts as unclean',
      clean(12, 1),
      [{ doneReps: 12, faults: [{ fault: 'unheard-of', side: null, reps: 1 }] }],
      'not met',
    ],
    ['one set of two', clean(12, 2), [{ doneReps: 15 }, { doneReps: 11, ordinal: 2 }], 'not met'],
    ['not watched is unknown', clean(12, 1), [{ doneReps: 20, watched: false }], 'unknown'],
    [
      'the unwatched set could have been the second',
      clean(12, 2),
      [{ doneReps: 12 }, { doneReps: 12, watched: false }],
      'unknown',
    ],
    [
      'the unwatched set could not have been',
      clean(12, 2),
      [{ doneReps: 12 }, { doneReps: 9, watched: false }],
      'not met',
    ],
    ['warm-up sets do not count', clean(12, 1), [{ doneReps: 20, warmUp: true }], 'unknown'],
    ['hold at the limit', { kind: 'holdS', seconds: 30, sets: 1 }, [{ doneReps: null, holdS: 30 }], 'met'],
    ['hold short', { kind: 'holdS', seconds: 30, sets: 1 }, [{ doneReps: null, holdS: 29 }], 'not met'],
    [
      'hold with a fault in it',
      { kind: 'holdS', seconds: 30, sets: 1 },
      [{ doneReps: null, holdS: 40, faults: [{ fault: 'fix', side: null, reps: 1 }] }],
      'not met',
    ],
    [
      'hold not watched',
      { kind: 'holdS', seconds: 30, sets: 1 },
      [{ doneReps: null, holdS: 40, watched: false }],
      'unknown',
    ],
    ['effort at the limit', { kind: 'effortAtMost', effort: 7 }, [{ effort: 7 }], 'met'],
    ['effort above', { kind: 'effortAtMost', effort: 7 }, [{ effort: 8 }], 'not met'],
    ['effort not asked', { kind: 'effortAtMost', effort: 7 }, [{ effort: null }], 'unknown'],
    [
      'effort asked before the last set only',
      { kind: 'effortAtMost', effort: 7 },
      [{ effort: 5 }, { effort: null, ordinal: 2 }],
      'unknown',
    ],
    [
      'the highest effort counts',
      { kind: 'effortAtMost', effort: 7 },
      [{ effort: 9 }, { effort: null, ordinal: 2 }],
      'not met',
    ],
    [
      'faults at the limit',
      { kind: 'faultsAtMost', severity: 2, count: 1 },
      [{ faults: [{ fault: 'fix', side: null, reps: 1 }] }],
      'met',
    ],
    [
      'faults above',
      { kind: 'faultsAtMost', severity: 2, count: 1 },
      [{ faults: [{ fault: 'stop', side: null, reps: 2 }] }],
      'not met',
    ],
    [
      'milder faults do not count',
      { kind: 'faultsAtMost', severity: 3, count: 0 },
      [{ faults: [{ fault: 'fix', side: null, reps: 5 }] }],
      'met',
    ],
    ['faults unseen', { kind: 'faultsAtMost', severity: 2, count: 0 }, [{ watched: false }], 'unknown'],
    // A camera shows what it sees; that nothing else was wrong it does not.
    [
      'a fault measured',
      { kind: 'faultsAtMost', severity: 2, count: 0 },
      [{ watched: false, measuredBy: 'camera', faults: [{ fault: 'knee-in', side: null, reps: 2 }] }],
      'not met',
    ],
    [
      'nothing measured',
      { kind: 'faultsAtMost', severity: 2, count: 0 },
      [{ watched: false, measuredBy: 'camera' }],
      'unknown',
    ],
    ['pain at the limit', { kind: 'painAtMost', pain: 3 }, [{ pain: 3 }], 'met'],
    ['pain above', { kind: 'painAtMost', pain: 3 }, [{ pain: 4 }], 'not met'],
    ['pain not asked', { kind: 'painAtMost', pain: 3 }, [{ pain: null }], 'unknown'],
  ];
  it.each(rows)('%s', (_name, criterion, sets, expected) => {
    expect(
      judge(
        criterion,
        sets.map((s) => set(D1, s)),
      ).judgement,
    ).toBe(expected);
  });
});

describe('groups in three values', () => {
  // Kleene, Introduction to Metamathematics (1952), strong three-valued connectives.
  const met = clean(5, 1);
  const notMet = clean(50, 1);
  const unknown: Criterion = { kind: 'sideDifferenceAtMost', percent: 10 };
  it.each([
    ['all', [met, met], 'met'],
    ['all', [met, unknown], 'unknown'],
    ['all', [unknown, notMet], 'not met'],
    ['any', [notMet, notMet], 'not met'],
    ['any', [notMet, unknown], 'unknown'],
    ['any', [unknown, met], 'met'],
  ] as const)('%s of %j is %s', (kind, of, expected) => {
    expect(judge({ kind, of: [...of] }, [set(D1)]).judgement).toBe(expected);
  });
  it('turns round under not, except the unknown', () => {
    expect(
      judge({ kind: 'not', of: { kind: 'painAtMost', pain: 3 } }, [set(D1, { pain: 5 })]).judgement,
    ).toBe('met');
    expect(
      judge({ kind: 'not', of: { kind: 'painAtMost', pain: 3 } }, [set(D1, { pain: null })]).judgement,
    ).toBe('unknown');
  });
});

describe('sessions running', () => {
  const twice: Criterion = { kind: 'sessionsRunning', sessions: 2, of: clean(10, 1) };
  it('needs both, newest first, and says how far', () => {
    expect(judge(twice, [set(D1)])).toMatchObject({ judgement: 'not met', seen: 1, needed: 2 });
    expect(judge(twice, [set(D1), set(D2)])).toMatchObject({ judgement: 'met', seen: 2 });
    expect(judge(twice, [set(D1), set(D2, { doneReps: 9 })])).toMatchObject({
      judgement: 'not met',
      seen: 0,
    });
  });
  it('is neither broken nor extended by sessions without such sets', () => {
    const other = set('2026-01-06', { variation: 'something-else', doneReps: 1 });
    expect(judge(twice, [set(D1), other, set(D2)]).judgement).toBe('met');
  });
  it('leaves out a session in which nothing was watched', () => {
    expect(judge(twice, [set(D1, { watched: false }), set(D2)]).judgement).toBe('not met');
    expect(judge(twice, [set(D1), set(D2, { watched: false }), set(D3)]).judgement).toBe('met');
    expect(judge(twice, [set(D1, { watched: false })]).judgement).toBe('unknown');
  });
});

describe('one-sided work', () => {
  const oneSided = { oneSided: true };
  const left = (reps: number, ordinal: number) => set(D1, { side: 'left', doneReps: reps, ordinal });
  const right = (reps: number, ordinal: number) => set(D1, { side: 'right', doneReps: reps, ordinal });
  it('counts by the worse side', () => {
    const judged = judge(clean(10, 2), [left(12, 1), left(12, 2), right(10, 3), right(9, 4)], oneSided);
    expect(judged).toMatchObject({ judgement: 'not met', seen: 9, margin: -1 });
    expect(
      judge(clean(10, 2), [left(12, 1), left(12, 2), right(10, 3), right(10, 4)], oneSided).judgement,
    ).toBe('met');
  });
  it('is unknown while a side is missing', () => {
    expect(judge(clean(10, 1), [left(12, 1)], oneSided).judgement).toBe('unknown');
  });
});

describe('side difference', () => {
  const test = (date: string, side: 'left' | 'right', doneReps: number, change: Partial<LoggedSet> = {}) =>
    set(date, { side, sideTest: true, doneReps, ...change });
  const of = (sets: LoggedSet[], today = TODAY) =>
    sideDifference(sets, new Map([['one-main', facts('one-main')]]), today);

  it('is 100·|L−R|/max(L,R) of the best of each side', () => {
    const d = of([
      test(D1, 'left', 18),
      test(D1, 'left', 20, { ordinal: 2 }),
      test(D1, 'right', 15, { ordinal: 3 }),
    ]);
    expect(d).toMatchObject({ left: 20, right: 15, percent: 25, withinTolerance: false });
  });
  // Limb symmetry of at least 90 % is the usual return-to-sport limit (Noyes, Barber & Mangine 1991; from memory).
  it('meets 10 % exactly at 10 %, and one repetition apart always', () => {
    const c: Criterion = { kind: 'sideDifferenceAtMost', percent: 10 };
    expect(judge(c, [test(D1, 'left', 20), test(D1, 'right', 18)]).judgement).toBe('met');
    expect(judge(c, [test(D1, 'left', 20), test(D1, 'right', 17)]).judgement).toBe('not met');
    expect(judge(c, [test(D1, 'left', 6), test(D1, 'right', 5)]).judgement).toBe('met');
  });
  it('is unknown without a side, without watching, at unlike loads and after 28 days', () => {
    expect(of([test(D1, 'left', 20)])).toBeNull();
    expect(of([test(D1, 'left', 20), test(D1, 'right', 20, { watched: false })])).toBeNull();
    expect(of([test(D1, 'left', 20, { loadKg: 5 }), test(D1, 'right', 20)])).toBeNull();
    const pair = [test(D1, 'left', 20), test(D1, 'right', 18)];
    expect(of(pair, '2026-02-02')).not.toBeNull();
    expect(of(pair, '2026-02-03')).toBeNull();
  });
  it('takes seconds where holds were tested', () => {
    const held = { doneReps: null, watched: true };
    expect(
      of([test(D1, 'left', 0, { ...held, holdS: 40 }), test(D1, 'right', 0, { ...held, holdS: 30 })]),
    ).toMatchObject({ percent: 25, unit: 's' });
  });
});

describe('sentences', () => {
  it.each([
    [clean(12, 2), '2 sets of 12 clean repetitions'],
    [clean(1, 1), '1 set of 1 clean repetition'],
    [{ kind: 'not', of: { kind: 'painAtMost', pain: 3 } }, 'pain above 3 of 10'],
    [{ kind: 'painAtMost', pain: 0 }, 'no pain'],
    [{ kind: 'faultsAtMost', severity: 3, count: 0 }, 'no repetition with a stop fault'],
    [{ kind: 'sideDifferenceAtMost', percent: 10 }, 'left and right within 10 % of each other'],
    [
      {
        kind: 'sessionsRunning',
        sessions: 2,
        of: { kind: 'all', of: [clean(12, 2), { kind: 'effortAtMost', effort: 7 }] },
      },
      '(2 sets of 12 clean repetitions; and effort at most 7 of 10), in 2 sessions running',
    ],
    [
      { kind: 'any', of: [clean(12, 2), { kind: 'holdS', seconds: 30, sets: 1 }] },
      '2 sets of 12 clean repetitions; or 1 hold of 30 s',
    ],
  ] as [Criterion, string][])('%j', (criterion, sentence) => {
    expect(sentenceOf(criterion)).toBe(sentence);
  });
});

import { describe, expect, it } from 'vitest';
import { facts, set } from '../testing/samples.ts';
import { daysAfter } from '../terms/index.ts';
import { ATOM_KINDS } from './criteria.ts';
import { evaluate } from './evaluate.ts';
import { levelEvidence } from '../log/index.ts';
import type { Criterion } from './criteria.ts';
import type { EvaluationContext } from './context.ts';
import type { Judgement } from './three-valued.ts';
import type { LoggedSet, VariationFacts } from '../log/index.ts';

const D = ['2026-01-05', '2026-01-07', '2026-01-10'] as const;
const TODAY = '2026-01-10';

function judge(
  c: Criterion,
  sets: LoggedSet[],
  change: Partial<VariationFacts> = {},
  ctx: Partial<EvaluationContext> = {},
) {
  return evaluate(c, levelEvidence(sets, ['one-main'], '2026-01-01'), {
    facts: new Map([['one-main', facts('one-main', change)]]),
    today: TODAY,
    ...ctx,
  });
}

type Row = [
  name: string,
  criterion: Criterion,
  sets: Partial<LoggedSet>[],
  expected: Judgement,
  change?: Partial<VariationFacts>,
];
const kg = { loadKind: 'dumbbell' as const };
const fault = (name: string, reps = 1) => [{ fault: name, side: null, reps }];
const felt = (region: 'back of hip' | 'low back', kind: 'work' | 'pressure' = 'work') => ({
  region,
  kind,
  side: null,
});

describe('each atom that reads sets: met, not met, unknown, exactly at the limit', () => {
  const rounds: Criterion = { kind: 'cleanRounds', rounds: 5, sets: 1 };
  const load: Criterion = { kind: 'load', load: 20, unit: 'kg', reps: 8, sets: 2 };
  const tempo: Criterion = { kind: 'tempoKept', percent: 50 };
  const range: Criterion = { kind: 'rangeReached', sets: 2 };
  const angle: Criterion = { kind: 'rangeReached', sets: 1, degrees: 90 };
  const wanted: Criterion = { kind: 'felt', sets: 1 };
  const named: Criterion = { kind: 'felt', sets: 1, felt: { region: 'low back', kind: 'pressure' } };
  const nothing: Criterion = { kind: 'notFelt' };
  const pads: Criterion = { kind: 'aidsAtMost', aid: 'pads', most: 1 };
  const ease: Criterion = { kind: 'easeAtLeast', ease: 7 };
  const two = (a: Partial<LoggedSet>, b: Partial<LoggedSet> = a) => [a, { ...b, ordinal: 2 }];
  const rows: Row[] = [
    ['rounds at the limit', rounds, [{ rounds: 5 }], 'met'],
    ['one round short', rounds, [{ rounds: 4 }], 'not met'],
    ['a round with a fault to fix is not clean', rounds, [{ rounds: 5, faults: fault('fix') }], 'not met'],
    ['rounds nobody watched', rounds, [{ rounds: 9, watched: false }], 'unknown'],
    ['load at the limit in both sets', load, two({ ...kg, loadKg: 20, doneReps: 8 }), 'met', kg],
    [
      'a kilogram short in one',
      load,
      two({ ...kg, loadKg: 20, doneReps: 8 }, { ...kg, loadKg: 19, doneReps: 8 }),
      'not met',
      kg,
    ],
    ['the load without the repetitions', load, two({ ...kg, loadKg: 40, doneReps: 7 }), 'not met', kg],
    [
      'another kind of load does not count',
      load,
      two({ loadKind: 'bar', loadKg: 40, doneReps: 8 }),
      'unknown',
      kg,
    ],
    ['a load nobody noted', load, two({ ...kg, loadKg: null, doneReps: 8 }), 'unknown', kg],
    [
      'a loaded set nobody watched',
      load,
      two({ ...kg, loadKg: 20, doneReps: 8, watched: false }),
      'unknown',
      kg,
    ],
    ['tempo kept in just half the sets', tempo, two({ tempoKept: true }, { tempoKept: false }), 'met'],
    ['tempo lost', tempo, two({ tempoKept: false }), 'not met'],
    [
      'tempo not noted in the set that decides',
      tempo,
      two({ tempoKept: false }, { tempoKept: null }),
      'unknown',
    ],
    ['the full range in both', range, two({ rangeReached: true }), 'met'],
    ['the full range in one', range, two({ rangeReached: true }, { rangeReached: false }), 'not met'],
    ['range not noted', range, two({ rangeReached: true }, { rangeReached: null }), 'unknown'],
    ['the angle at the limit', angle, [{ rangeDeg: 90 }], 'met'],
    ['a degree short', angle, [{ rangeDeg: 89 }], 'not met'],
    ['the angle not measured', angle, [{ rangeReached: true }], 'unknown'],
    ['measured clear of the limit', angle, [{ rangeDeg: 96, rangeBandDeg: 5 }], 'met'],
    ['measured too close to call', angle, [{ rangeDeg: 93, rangeBandDeg: 5 }], 'unknown'],
    ['measured clearly short', angle, [{ rangeDeg: 84, rangeBandDeg: 5 }], 'not met'],
    ['felt where the variation wants it', wanted, [{ sensations: [felt('back of hip')] }], 'met'],
    ['felt elsewhere', wanted, [{ sensations: [felt('low back')] }], 'not met'],
    ['asked, nothing felt', wanted, [{ sensations: [] }], 'not met'],
    ['not asked', wanted, [{}], 'unknown'],
    ['a sensation asked for by name', named, [{ sensations: [felt('low back', 'pressure')] }], 'met'],
    ['the same place, another kind', named, [{ sensations: [felt('low back', 'work')] }], 'not met'],
    ['nothing unwanted', nothing, [{ sensations: [felt('back of hip')] }], 'met'],
    ['something unwanted', nothing, [{ sensations: [felt('low back')] }], 'not met'],
    ['unwanted not asked after the last set', nothing, two({ sensations: [] }, {}), 'unknown'],
    ['one pad', pads, [{ aids: [{ name: 'pads', setting: '1' }] }], 'met'],
    ['two pads', pads, [{ aids: [{ name: 'pads', setting: '2' }] }], 'not met'],
    ['aids noted, no pad among them', pads, [{ aids: [{ name: 'Rack', setting: '7' }] }], 'met'],
    ['pads in one of two sets not noted', pads, two({ aids: [] }, { aids: null }), 'unknown'],
    ['pads noted without a number', pads, [{ aids: [{ name: 'pads', setting: 'some' }] }], 'unknown'],
    ['at ease at the limit', ease, [{ atEase: 7 }], 'met'],
    ['less at ease', ease, [{ atEase: 6 }], 'not met'],
    ['ease not asked', ease, [{}], 'unknown'],
  ];
  it.each(rows)('%s', (_name, criterion, sets, expected, change = {}) => {
    expect(
      judge(
        criterion,
        sets.map((s) => set(D[2], s)),
        change,
      ).judgement,
    ).toBe(expected);
  });

  it('measures a load by body mass where it is known, and asks for the mass where not', () => {
    const half: Criterion = { kind: 'load', load: 50, unit: '% of body mass', reps: 8, sets: 1 };
    const lifts = [set(D[2], { ...kg, loadKg: 35, doneReps: 8 })];
    expect(judge(half, lifts, kg, { massKg: 70 })).toMatchObject({ judgement: 'met', seen: 35, margin: 0 });
    expect(judge(half, lifts, kg, { massKg: 71 }).judgement).toBe('not met');
    expect(judge(half, lifts, kg)).toMatchObject({
      judgement: 'unknown',
      ask: 'Weigh them, or enter the body mass',
    });
  });

  it('tells sets needed and seen where a set reaches it or not', () => {
    const c: Criterion = { kind: 'rangeReached', sets: 3 };
    const sets = [true, false, true].map((rangeReached, i) => set(D[2], { rangeReached, ordinal: i + 1 }));
    expect(judge(c, sets)).toMatchObject({ needed: 3, seen: 2, margin: -1, judgement: 'not met' });
    expect(judge({ kind: 'felt', sets: 2 }, [set(D[2])])).toMatchObject({
      needed: 2,
      seen: null,
      margin: null,
    });
  });

  it('names the side that falls short', () => {
    const c: Criterion = { kind: 'cleanReps', reps: 10, sets: 1 };
    const sets = [
      set(D[2], { side: 'left', doneReps: 12 }),
      set(D[2], { side: 'right', doneReps: 9, ordinal: 2 }),
    ];
    expect(judge(c, sets, { oneSided: true })).toMatchObject({ judgement: 'not met', sides: ['right'] });
  });
});

describe('atoms that read something else', () => {
  const at = { ladder: 'steps', level: 'one', since: '2026-01-03' };
  it('counts sessions and days here, also those older than the evidence at hand', () => {
    const c: Criterion = { kind: 'sessionsHere', sessions: 3 };
    const sets = [set(D[0]), set(D[1])];
    expect(judge(c, sets)).toMatchObject({ judgement: 'not met', margin: -1 });
    expect(judge(c, sets, {}, { earlierSessions: 1 }).judgement).toBe('met');
    const days = (n: number): Criterion => ({ kind: 'daysHere', days: n });
    expect(judge(days(7), [], {}, { at }).judgement).toBe('met');
    expect(judge(days(8), [], {}, { at })).toMatchObject({ judgement: 'not met', seen: 7 });
    expect(judge(days(8), []).judgement).toBe('unknown');
  });
  it('counts weeks on the ladder with two sessions for each: four without load come first', () => {
    const c: Criterion = { kind: 'weeksOnLadder', weeks: 4 };
    const since = daysAfter(TODAY, -28);
    expect(judge(c, [], {}, { onLadder: { since, sessions: 8 } })).toMatchObject({
      judgement: 'met',
      needed: 4,
      seen: 4,
    });
    expect(judge(c, [], {}, { onLadder: { since, sessions: 7 } }).judgement).toBe('not met');
    const late = daysAfter(TODAY, -27);
    expect(judge(c, [], {}, { onLadder: { since: late, sessions: 20 } })).toMatchObject({
      judgement: 'not met',
      margin: -1,
    });
    expect(judge(c, []).judgement).toBe('unknown');
  });
  it('knows a level held elsewhere', () => {
    const c: Criterion = { kind: 'levelHeld', ladder: 'hinge', level: 'stick' };
    expect(judge(c, []).judgement).toBe('not met');
    expect(judge(c, [], {}, { held: new Set(['hinge/stick']) }).judgement).toBe('met');
  });
  it('takes a sign-off of this level since arrival, the head coach’s also for a coach’s', () => {
    const coach: Criterion = { kind: 'signedOff', by: 'coach' };
    const head: Criterion = { kind: 'signedOff', by: 'head coach' };
    const by = (role: 'coach' | 'head coach', date = D[1] as string, level = 'one') => ({
      at,
      signOffs: [{ ladder: 'steps', level, role, by: 'A. Tester', date }],
    });
    expect(judge(coach, [], {}, { at }).judgement).toBe('not met');
    expect(judge(coach, [], {}, by('coach')).judgement).toBe('met');
    expect(judge(head, [], {}, by('coach')).judgement).toBe('not met');
    expect(judge(coach, [], {}, by('head coach')).judgement).toBe('met');
    expect(judge(coach, [], {}, by('coach', at.since)).judgement).toBe('met');
    expect(judge(coach, [], {}, by('coach', '2026-01-02')).judgement).toBe('not met');
    expect(judge(coach, [], {}, by('coach', D[1], 'two')).judgement).toBe('not met');
  });
});

describe('the window an atom looks over', () => {
  const reps = (n: number): Criterion => ({ kind: 'cleanReps', reps: 10, sets: n });
  it('is one session where nothing is said', () => {
    expect(judge(reps(2), [set(D[1]), set(D[2])]).judgement).toBe('not met');
  });
  it('may be the last set alone', () => {
    const c: Criterion = { ...reps(1), within: { over: 'set' } } as Criterion;
    expect(judge(c, [set(D[2], { doneReps: 20 }), set(D[2], { doneReps: 9, ordinal: 2 })]).judgement).toBe(
      'not met',
    );
    expect(judge(c, [set(D[2], { doneReps: 3 }), set(D[2], { doneReps: 10, ordinal: 2 })]).judgement).toBe(
      'met',
    );
  });
  it('may be the last sessions together; what holds so far is not known to hold before there are as many', () => {
    const together: Criterion = { ...reps(3), within: { over: 'sessions', last: 3 } } as Criterion;
    expect(judge(together, [set(D[0]), set(D[1]), set(D[2])]).judgement).toBe('met');
    const calm: Criterion = { kind: 'painAtMost', pain: 0, within: { over: 'sessions', last: 3 } };
    expect(judge(calm, [set(D[0]), set(D[1])])).toMatchObject({ judgement: 'unknown' });
    expect(judge(calm, [set(D[0]), set(D[1])]).account).toContain('2 of 3 sessions so far');
    expect(judge(calm, [set(D[0]), set(D[1]), set(D[2])]).judgement).toBe('met');
    expect(judge(calm, [set(D[0], { pain: 1 }), set(D[1])]).judgement).toBe('not met');
  });
  it('may be the last days, today the first of them', () => {
    const c = (last: number): Criterion => ({ ...reps(1), within: { over: 'days', last } }) as Criterion;
    expect(judge(c(6), [set(D[0])]).judgement).toBe('met');
    expect(judge(c(5), [set(D[0])])).toMatchObject({ judgement: 'unknown' });
    expect(judge(c(5), [set(D[0])]).account).toBe('not known: nothing logged in the last 5 days');
  });
  it('is looked at from each session of a run as it stood then', () => {
    const c: Criterion = {
      kind: 'sessionsRunning',
      sessions: 2,
      of: { kind: 'effortAtMost', effort: 7, within: { over: 'days', last: 4 } },
    };
    // The 5th is outside of the four days that end on the 10th, but inside those that end on the 7th.
    expect(judge(c, [set(D[0], { effort: 9 }), set(D[1]), set(D[2])]).judgement).toBe('not met');
    expect(judge(c, [set(D[0], { effort: 7 }), set(D[1]), set(D[2])]).judgement).toBe('met');
  });
});

it('has an example of every kind of atom in these tests', async () => {
  const { readFile } = await import('node:fs/promises');
  const here = await readFile(new URL('./atoms.test.ts', import.meta.url), 'utf8');
  const other = await readFile(new URL('./evaluate.test.ts', import.meta.url), 'utf8');
  expect(ATOM_KINDS.filter((k) => !(here + other).includes(`kind: '${k}'`))).toEqual([]);
});

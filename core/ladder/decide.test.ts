import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { facts, input, ladder, level, set } from '../testing/samples.ts';
import { decide } from './decide.ts';
import { overrideRefused } from './override.ts';
import { standingAfter } from './standing.ts';
import type { Criterion } from '../criterion/index.ts';
import type { DecisionInput } from './decision.ts';
import type { LoggedSet } from '../log/index.ts';
import type { Restriction } from './restriction.ts';
import { runs } from '../testing/runs.ts';

const D = ['2026-01-05', '2026-01-07', '2026-01-10', '2026-01-12'] as const;
const two = (date: string, change: Partial<LoggedSet> = {}) => [
  set(date, { ordinal: 1, ...change }),
  set(date, { ordinal: 2, ...change }),
];
const strong = { doneReps: 12, plannedReps: 10 };
const bars = (...what: Restriction['bars']): Restriction => ({
  id: 'r1',
  bars: what,
  from: '2026-01-01',
  until: '2026-02-10',
  saidBy: 'the physiotherapist',
});
const outcome = (change: Partial<DecisionInput>) => decide(input(change)).outcome;

describe('worked examples of each outcome', () => {
  it('moves up when all is met', () => {
    const d = decide(input({ sets: [...two(D[0], strong), ...two(D[1], strong)] }));
    expect(d).toMatchObject({ outcome: 'move up', toLevel: 'two', missing: [], sessionDates: [D[0], D[1]] });
    expect(d.setIds).toHaveLength(4);
  });

  it('holds, and says what is missing and how far', () => {
    const d = decide(input({ sets: [...two(D[0], { doneReps: 9 }), ...two(D[1], { doneReps: 9 })] }));
    expect(d.outcome).toBe('hold');
    expect(d.missing[0]!.text).toBe(
      'Needs 2 sets of 12 clean repetitions (2026-01-07: seen 9, 9 clean), in 2 sessions running.',
    );
    const one = decide(input({ sets: two(D[0], strong) }));
    expect(one.missing[0]!.text).toBe('1 more session running with 2 sets of 12 clean repetitions.');
  });

  it('holds with nothing logged', () => {
    expect(decide(input())).toMatchObject({
      outcome: 'hold',
      reasons: [{ text: 'Nothing logged at this level yet.' }],
    });
  });

  // Baechle & Earle, Essentials of Strength Training and Conditioning: the 2-for-2 rule (from memory).
  it('grows by two-for-two: two over the target in the last set, two sessions running', () => {
    const over = (date: string, last: number) => [
      set(date, { ordinal: 1, doneReps: 10 }),
      set(date, { ordinal: 2, doneReps: last }),
    ];
    const d = decide(input({ sets: [...over(D[0], 12), ...over(D[1], 12)] }));
    expect(d).toMatchObject({
      outcome: 'grow',
      grow: { rule: 'two-for-two', next: { way: 'repetitions', to: 12 } },
    });
    expect(decide(input({ sets: [...over(D[0], 12), ...over(D[1], 11)] })).grow.rule).toBe('target met');
    expect(outcome({ sets: over(D[1], 12) })).toBe('hold');
  });

  it('names two easy sessions, at 5 but not at 6, and grows at 8 but not at 9', () => {
    const easy = (effort: number) => [...two(D[0], { effort }), ...two(D[1], { effort })];
    expect(decide(input({ sets: easy(5) })).grow.rule).toBe('easy effort');
    expect(outcome({ sets: easy(5) })).toBe('grow');
    expect(decide(input({ sets: easy(6) })).grow.rule).toBe('target met');
    expect(outcome({ sets: easy(8) })).toBe('grow');
    expect(outcome({ sets: easy(9) })).toBe('hold');
  });

  it('takes the first way on that is still open with the kit at hand', () => {
    const waysOn = [
      { way: 'load' as const, stepKg: 2.5, upToKg: 10, equipment: 'dumbbell' },
      { way: 'repetitions' as const, step: 2, upTo: 12 },
      { way: 'slower lowering' as const, stepS: 1, upToS: 4 },
    ];
    const steps = ladder([level('one', { kind: 'cleanReps', reps: 20, sets: 2 }, { waysOn })]);
    const sets = [...two(D[0], { effort: 3 }), ...two(D[1], { effort: 3 })];
    const lifts = new Map([['one-main', facts('one-main', { loadKind: 'dumbbell' })]]);
    const next = (kit: string[], taken: DecisionInput['standing']['taken']) =>
      decide(
        input({
          ladder: steps,
          facts: lifts,
          sets,
          kit: new Set(kit),
          standing: { level: 'one', since: D[0], taken },
        }),
      ).grow.next;
    expect(next(['dumbbell'], [])).toEqual({ way: 'load', to: 2 });
    expect(next([], [])).toEqual({ way: 'repetitions', to: 12 });
    expect(next([], [{ way: 'repetitions', to: 12 }])).toEqual({ way: 'slower lowering', to: 3 });
    expect(
      next(
        [],
        [
          { way: 'repetitions', to: 12 },
          { way: 'slower lowering', to: 4 },
        ],
      ),
    ).toBeNull();
  });

  it('steps back after pain, a stop fault or two poor sessions, and not after one', () => {
    const at = { level: 'two', since: '2026-01-01', taken: [] };
    const here = { variation: 'two-main' };
    expect(decide(input({ standing: at, sets: two(D[0], { ...here, pain: 4 }) }))).toMatchObject({
      outcome: 'step back',
      // Nothing tells that the level below asks less of what hurt.
      toLevel: null,
      cause: 'pain',
      less: { way: 'less', to: 5 },
    });
    const stop = { ...here, faults: [{ fault: 'stop', side: null, reps: 1 }] };
    expect(outcome({ standing: at, sets: two(D[0], stop) })).toBe('step back');
    const poor = { ...here, doneReps: 4 };
    expect(outcome({ standing: at, sets: [...two(D[0], poor), ...two(D[1], poor)] })).toBe('step back');
    expect(outcome({ standing: at, sets: two(D[0], poor) })).toBe('hold');
  });

  it('stops and refers on a restriction of everything, and on pain at the lowest level', () => {
    const endless = { ...bars({ bars: 'all' }), until: null };
    expect(outcome({ restrictions: [endless], sets: two(D[0], strong) })).toBe('stop and refer');
    expect(decide(input({ restrictions: [bars({ bars: 'all' })], sets: two(D[0], strong) }))).toMatchObject({
      outcome: 'hold',
      paused: { until: '2026-02-10' },
    });
    expect(outcome({ sets: two(D[0], { pain: 6 }) })).toBe('stop and refer');
    const poor = { doneReps: 3 };
    expect(decide(input({ sets: [...two(D[0], poor), ...two(D[1], poor)] }))).toMatchObject({
      outcome: 'step back',
      toLevel: null,
    });
  });
});

describe('restrictions', () => {
  const known = (bridge: string[]) =>
    new Map(
      ['one-main', 'two-main', 'three-main', 'other'].map((s) => [
        s,
        facts(s, { pattern: bridge.includes(s) ? 'bridge' : 'hinge' }),
      ]),
    );
  it('send to the nearest permitted lower level', () => {
    const d = decide(
      input({
        standing: { level: 'three', since: '2026-01-01', taken: [] },
        facts: known(['two-main', 'three-main']),
        restrictions: [bars({ bars: 'pattern', pattern: 'bridge' })],
      }),
    );
    expect(d).toMatchObject({ outcome: 'step back', toLevel: 'one' });
  });
  it('choose a permitted equal first', () => {
    const steps = ladder([level('one', { kind: 'cleanReps', reps: 12, sets: 1 }, { equals: ['other'] })]);
    const d = decide(
      input({
        ladder: steps,
        facts: known(['one-main']),
        restrictions: [bars({ bars: 'pattern', pattern: 'bridge' })],
      }),
    );
    expect(d).toMatchObject({
      outcome: 'hold',
      variation: 'other',
      variationNote: 'other instead of one-main: that is barred.',
    });
  });
  it('pass a barred level over, which is the head coach’s, and are over after their last day', () => {
    const sets = [...two(D[0], strong), ...two(D[1], strong)];
    const next = {
      facts: known(['two-main']),
      restrictions: [{ ...bars({ bars: 'pattern' as const, pattern: 'bridge' as const }), until: D[2] }],
      sets,
    };
    expect(decide(input({ ...next, today: D[2] }))).toMatchObject({
      outcome: 'move up',
      toLevel: 'three',
      passesOver: ['two'],
    });
    expect(decide(input({ ...next, today: D[3] }))).toMatchObject({ toLevel: 'two', passesOver: [] });
  });
  it('hold where every level above is barred', () => {
    const d = decide(
      input({
        facts: known(['two-main', 'three-main']),
        restrictions: [bars({ bars: 'pattern', pattern: 'bridge' })],
        sets: [...two(D[0], strong), ...two(D[1], strong)].map((s) => ({ ...s, effort: 9 })),
      }),
    );
    expect(d.outcome).toBe('hold');
    expect(d.reasons[0]!.text).toContain('Every level above is barred');
  });
  it('pause the line when nothing here or below is permitted', () => {
    expect(
      decide(
        input({ facts: known(['one-main']), restrictions: [bars({ bars: 'pattern', pattern: 'bridge' })] }),
      ),
    ).toMatchObject({ outcome: 'hold', paused: { until: '2026-02-10' } });
  });
});

describe('entry needs and the top', () => {
  const sets = [...two(D[0], strong), ...two(D[1], strong)];
  it('keep from a level whose needs are not held', () => {
    const base = input();
    const [one, next] = base.ladder.levels;
    const steps = ladder([one!, { ...next!, entryNeeds: [{ ladder: 'hinge', level: 'stick' }] }]);
    expect(decide(input({ ladder: steps, sets }))).toMatchObject({ outcome: 'grow', toLevel: null });
    expect(outcome({ ladder: steps, sets, heldElsewhere: new Set(['hinge/stick']) })).toBe('move up');
  });
  it('hold at the top', () => {
    const steps = ladder([level('one', { kind: 'cleanReps', reps: 12, sets: 1 }, { waysOn: [] })]);
    expect(decide(input({ ladder: steps, sets })).reasons[0]!.text).toBe('This is the top of the ladder.');
  });
  it('refuse a level that the ladder does not have', () => {
    expect(() => decide(input({ standing: { level: 'gone', since: D[0], taken: [] } }))).toThrow(
      'has no level gone',
    );
  });
});

describe('properties', () => {
  const aSet = fc.record({
    date: fc.constantFrom(...D),
    ordinal: fc.integer({ min: 1, max: 4 }),
    doneReps: fc.integer({ min: 0, max: 20 }),
    watched: fc.boolean(),
    warmUp: fc.boolean(),
    effort: fc.option(fc.integer({ min: 0, max: 10 })),
    pain: fc.option(fc.constantFrom(0, 0, 0, 2, 6)),
    faults: fc.array(
      fc.record({
        fault: fc.constantFrom('noted', 'fix', 'stop'),
        side: fc.constant(null),
        reps: fc.integer({ min: 1, max: 3 }),
      }),
      { maxLength: 1 },
    ),
  });
  const manySets = fc.array(aSet, { maxLength: 10 }).map((list) => list.map((s) => set(s.date, s)));
  // Easy enough that random logs reach every outcome.
  const easier: Criterion = {
    kind: 'all',
    of: [
      { kind: 'sessionsRunning', sessions: 2, of: { kind: 'cleanReps', reps: 6, sets: 1 } },
      { kind: 'painAtMost', pain: 0 },
    ],
  };
  const steps = ladder([level('zero', easier), level('one', easier), level('two', easier)]);
  const names = [...steps.levels.map((l) => l.main), 'one-main'];
  const about = (sets: LoggedSet[]) =>
    decide(
      input({
        ladder: steps,
        facts: new Map(names.map((n) => [n, facts(n)])),
        sets,
        standing: { level: 'one', since: '2026-01-01', taken: [] },
      }),
    );

  it('reaches every outcome that a log can cause', () => {
    const seen = new Set(fc.sample(manySets, { numRuns: 3000, seed: 7 }).map((sets) => about(sets).outcome));
    // Whoever meets the target meets this advance too: growing is reached in oracle.test.ts.
    expect([...seen].sort()).toEqual(['hold', 'move up', 'step back']);
  });

  it('never turns a move up into a hold for more clean repetitions', () => {
    fc.assert(
      fc.property(manySets, fc.nat(9), fc.integer({ min: 1, max: 10 }), (sets, which, more) => {
        fc.pre(about(sets).outcome === 'move up');
        const better = sets.map((s, i) => (i === which ? { ...s, doneReps: (s.doneReps ?? 0) + more } : s));
        expect(about(better).outcome).toBe('move up');
      }),
      { numRuns: runs(60), maxSkipsPerRun: 2000 },
    );
  });

  it('never moves up after a pain report on the days it rests on', () => {
    fc.assert(
      fc.property(manySets, fc.integer({ min: 1, max: 10 }), (sets, pain) => {
        const last = sets
          .filter((s) => !s.warmUp)
          .map((s) => s.date)
          .sort()
          .at(-1);
        fc.pre(last !== undefined);
        const painful = sets.map((s) => (s.date === last ? { ...s, pain } : s));
        expect(about(painful).outcome).not.toBe('move up');
      }),
      { numRuns: runs(300) },
    );
  });

  it('does not depend on the order in which sets were entered', () => {
    fc.assert(
      fc.property(
        manySets.chain((sets) =>
          fc.tuple(fc.constant(sets), fc.shuffledSubarray(sets, { minLength: sets.length })),
        ),
        ([sets, shuffled]) => {
          expect(about(shuffled)).toEqual(about(sets));
        },
      ),
    );
  });

  it('moves nobody on what is unknown', () => {
    fc.assert(
      fc.property(manySets, (sets) => {
        const blind = sets.map((s) => ({ ...s, watched: false, pain: null, effort: null }));
        expect(about(blind).outcome).toBe('hold');
      }),
    );
  });

  it('lets a restriction of everything stand above any log', () => {
    fc.assert(
      fc.property(manySets, fc.boolean(), (sets, ends) => {
        const all = { ...bars({ bars: 'all' }), ...(ends ? {} : { until: null }) };
        expect(outcome({ sets, restrictions: [all] })).toBe(ends ? 'hold' : 'stop and refer');
      }),
    );
  });
});

describe('overriding', () => {
  const stop = decide(input({ restrictions: [{ ...bars({ bars: 'all' }), until: null }] }));
  const hold = decide(input());
  it('is never possible upwards past a stop, and needs a reason otherwise', () => {
    expect(overrideRefused(stop, 'hold', 'I know better')).toContain('not overridden');
    expect(overrideRefused(stop, 'stop and refer', '')).toBeNull();
    expect(overrideRefused(hold, 'move up', ' ')).toContain('Say why');
    expect(overrideRefused(hold, 'move up', 'Ready for it.')).toBeNull();
  });
});

describe('standing', () => {
  const fact = (
    kind: 'placed' | 'grow' | 'move up' | 'hold' | 'step back',
    date: string,
    toLevel: string,
    to?: number,
  ) => ({
    kind,
    date,
    toLevel,
    taken: to ? { way: 'repetitions' as const, to } : null,
  });
  it('follows the moves: arrival starts anew, growth adds up, holding changes nothing', () => {
    expect(standingAfter([])).toBeNull();
    const moves = [fact('placed', D[0], 'one'), fact('grow', D[1], 'one', 12), fact('hold', D[1], 'one')];
    const one = { level: 'one', since: D[0], first: D[0], taken: [{ way: 'repetitions', to: 12 }] };
    expect(standingAfter(moves)).toMatchObject(one);
    expect(standingAfter([...moves, fact('move up', D[2], 'two')])).toMatchObject({
      level: 'two',
      since: D[2],
      first: D[0],
      taken: [],
    });
  });
  it('takes the last way on back, or adds less of the same, and begins the evidence anew', () => {
    const placed = fact('placed', D[0], 'one');
    const grown = [placed, fact('grow', D[1], 'one', 12)];
    const back = { ...fact('step back', D[2], 'one'), cause: 'too much' as const };
    expect(standingAfter([...grown, back])).toMatchObject({ since: D[2], taken: [] });
    const less = { ...back, taken: { way: 'less' as const, to: 5 } };
    expect(standingAfter([placed, less])).toMatchObject({ since: D[2], taken: [{ way: 'less', to: 5 }] });
  });
  it('never takes less of the same back into more', () => {
    const less = { ...fact('step back', D[1], 'one'), taken: { way: 'less' as const, to: 5 } };
    const again = fact('step back', D[2], 'one');
    expect(standingAfter([fact('placed', D[0], 'one'), less, again])!.taken).toEqual([
      { way: 'less', to: 5 },
    ]);
    // Two poor sessions at less of the same lead a level down, and good ones half of the way back.
    const standing = { level: 'two', since: D[0], taken: [{ way: 'less' as const, to: 6 }] };
    const here = { variation: 'two-main' };
    const poor = { ...here, doneReps: 3 };
    expect(decide(input({ standing, sets: [...two(D[1], poor), ...two(D[2], poor)] }))).toMatchObject({
      outcome: 'step back',
      toLevel: 'one',
    });
    const good = { ...here, doneReps: 6 };
    expect(decide(input({ standing, sets: [...two(D[1], good), ...two(D[2], good)] }))).toMatchObject({
      outcome: 'grow',
      grow: { next: { way: 'repetitions', to: 8 } },
    });
  });
  it('remembers what was left because it was barred, until they climb again', () => {
    const barred = { ...fact('step back', D[1], 'one'), cause: 'barred' as const };
    const moves = [fact('placed', D[0], 'three'), barred];
    expect(standingAfter(moves)!.left).toEqual({ level: 'three', date: D[1] });
    expect(standingAfter([...moves, fact('move up', D[2], 'two')])!.left).toBeUndefined();
  });
  it('remembers what evidence was used for, and where it hurt', () => {
    const grow = { ...fact('grow', D[1], 'one', 12), setIds: ['a', 'b'] };
    const hurt = {
      ...fact('step back', D[2], 'zero'),
      cause: 'pain' as const,
      painRegions: ['low back' as const],
      setIds: ['c'],
    };
    expect(standingAfter([fact('placed', D[0], 'one'), grow, hurt])).toMatchObject({
      usedUp: ['a', 'b', 'c'],
      painBacks: [{ date: D[2], regions: ['low back'] }],
    });
  });
});

import { describe, expect, it } from 'vitest';
import { facts } from '../testing/samples.ts';
import { barring, barSentence, isInForce } from './restriction.ts';
import { bridgeOf, kitAtHand, nextStep, takenWaySentence, targetAt } from './target.ts';
import { looksBack } from '../criterion/index.ts';
import { wayOnSentence } from './ways.ts';
import type { Bar, Restriction } from './restriction.ts';
import type { Criterion } from '../criterion/index.ts';
import type { TakenWay } from './target.ts';
import type { WayOn } from '../library/index.ts';

const dose = { sets: 2, reps: 10, restS: 60 };
const none = new Set<string>();

describe('today’s target', () => {
  it('is the dose of the level with the ways on that were confirmed, the newest of each kind', () => {
    const taken: TakenWay[] = [
      { way: 'repetitions', to: 12 },
      { way: 'slower lowering', to: 3 },
      { way: 'repetitions', to: 14 },
      { way: 'load', to: 5 },
      { way: 'sets', to: 3 },
      { way: 'fewer aids', to: 'the pad' },
    ];
    expect(targetAt(dose, taken)).toEqual({
      sets: 3,
      // A heavier weight begins at the first repetitions again.
      reps: 10,
      restS: 60,
      loadKg: 5,
      loweringS: 3,
      aidsDropped: ['the pad'],
    });
  });
});

describe('the next step of a way on', () => {
  const rows: [WayOn, TakenWay[], string[], TakenWay | null][] = [
    [{ way: 'repetitions', step: 2, upTo: 13 }, [], [], { way: 'repetitions', to: 12 }],
    [
      { way: 'repetitions', step: 2, upTo: 13 },
      [{ way: 'repetitions', to: 12 }],
      [],
      { way: 'repetitions', to: 13 },
    ],
    [{ way: 'repetitions', step: 2, upTo: 10 }, [], [], null],
    [{ way: 'seconds', step: 5, upTo: 40 }, [], [], null],
    [{ way: 'sets', step: 1, upTo: 3 }, [], [], { way: 'sets', to: 3 }],
    [{ way: 'load', stepKg: 2.5, upToKg: 10, equipment: 'dumbbell' }, [], [], null],
    [
      { way: 'load', stepKg: 2.5, upToKg: 10, equipment: 'dumbbell' },
      [],
      ['dumbbell'],
      { way: 'load', to: 2.5 },
    ],
    [{ way: 'load', stepKg: 2.5, upToKg: 10 }, [{ way: 'load', to: 9 }], [], { way: 'load', to: 10 }],
    [{ way: 'slower lowering', stepS: 1, upToS: 4 }, [], [], { way: 'slower lowering', to: 3 }],
    [{ way: 'fewer aids', aid: 'the pad' }, [], [], { way: 'fewer aids', to: 'the pad' }],
    [{ way: 'fewer aids', aid: 'the pad' }, [{ way: 'fewer aids', to: 'the pad' }], [], null],
  ];
  it.each(rows)('%j after %j with %j', (way, taken, kit, expected) => {
    expect(nextStep(way, targetAt(dose, taken), 2, new Set(kit))).toEqual(expected);
  });
  it('counts seconds where the level is held', () => {
    expect(
      nextStep(
        { way: 'seconds', step: 5, upTo: 40 },
        targetAt({ sets: 3, holdS: 20, restS: 60 }, []),
        2,
        none,
      ),
    ).toEqual({ way: 'seconds', to: 25 });
  });
  it('reads as an instruction', () => {
    expect(takenWaySentence({ way: 'slower lowering', to: 4 })).toBe('lower over 4 s');
    expect(wayOnSentence({ way: 'sets', step: 1, upTo: 3 })).toBe('1 more set, up to 3');
  });
});

describe('kit at hand', () => {
  it('needs one of every group', () => {
    const v = facts('v', { equipmentGroups: [['mat'], ['pad', 'towel']] });
    expect(kitAtHand(v, new Set(['mat', 'towel']))).toBe(true);
    expect(kitAtHand(v, new Set(['pad', 'towel']))).toBe(false);
    expect(kitAtHand(facts('v'), none)).toBe(true);
  });
});

describe('restrictions', () => {
  const restriction = (...bars: Bar[]): Restriction => ({
    id: 'r',
    bars,
    from: '2026-01-10',
    until: '2026-01-20',
    saidBy: 'x',
  });
  const v = facts('v', {
    pattern: 'squat',
    loadPlace: 'across the shoulders, high',
    rangeTarget: 'full depth',
    impact: true,
  });
  it.each([
    [{ bars: 'all' }, true],
    [{ bars: 'pattern', pattern: 'squat' }, true],
    [{ bars: 'pattern', pattern: 'hinge' }, false],
    [{ bars: 'load place', place: 'across the shoulders, high' }, true],
    [{ bars: 'load place', place: 'at the chest' }, false],
    [{ bars: 'depth' }, true],
    [{ bars: 'impact' }, true],
  ] as [Bar, boolean][])('%j bars a deep loaded squat with a jump: %s', (bar, barred) => {
    expect(barring([restriction(bar)], v).length > 0).toBe(barred);
    expect(barSentence(bar)).not.toBe('');
  });
  it('hold from the first to the last day', () => {
    const r = restriction({ bars: 'all' });
    expect(['2026-01-09', '2026-01-10', '2026-01-20', '2026-01-21'].map((d) => isInForce(r, d))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    expect(isInForce({ ...r, until: null }, '2030-01-01')).toBe(true);
  });
});

describe('how far back a criterion looks', () => {
  it('is the longest run in it, runs within runs added, and the days of its windows', () => {
    const atom = { kind: 'painAtMost', pain: 0 } as const;
    const run = { kind: 'sessionsRunning', sessions: 3, of: atom } as const;
    const sessions = (c: Criterion) => looksBack(c).sessions;
    expect(sessions(atom)).toBe(1);
    expect(sessions({ kind: 'all', of: [atom, run] })).toBe(3);
    expect(sessions({ kind: 'sessionsRunning', sessions: 2, of: run })).toBe(4);
    expect(sessions({ ...atom, within: { over: 'sessions', last: 5 } })).toBe(5);
    expect(looksBack({ ...atom, within: { over: 'days', last: 10 } })).toEqual({ sessions: 1, days: 10 });
    expect(looksBack({ kind: 'sideDifferenceAtMost', percent: 10 }).days).toBe(28);
  });
});

describe('a load step', () => {
  it.each([
    [8, 12, '50 %'],
    [2, 4, '100 %'],
    [15, 20, '33 %'],
  ])('from %d to %d kg is bridged: it is %s', (from, to, share) => {
    expect(bridgeOf({ way: 'load', to }, from)).toContain(`is a step of ${share}`);
  });
  it.each([
    [{ way: 'load', to: 12 }, 10],
    [{ way: 'load', to: 12 }, undefined],
    [{ way: 'repetitions', to: 12 }, 6],
  ] as const)('that is small, the first one, or none is not', (way, from) => {
    expect(bridgeOf(way, from)).toBeNull();
  });
});

import { describe, expect, it } from 'vitest';
import type { Criterion } from '../criterion/index.ts';
import { facts, input, ladder, level, set } from '../testing/samples.ts';
import { decide } from './decide.ts';
import { factsInForm, ladderInForm } from './form.ts';
import { nextSet } from './next-set.ts';
import { standingAfter } from './standing.ts';
import type { MoveFact } from './standing.ts';
import { targetInWords } from './target.ts';

const REPS: Criterion = { kind: 'cleanReps', reps: 12, sets: 2 };
const NO_PAIN: Criterion = { kind: 'painAtMost', pain: 0 };
const HARD: Criterion = { kind: 'not', of: { kind: 'painAtMost', pain: 3 } };
const INTERVAL = {
  rounds: 2,
  upTo: 5,
  workS: 40,
  restS: 20,
  advance: { kind: 'all' as const, of: [{ kind: 'cleanRounds' as const, rounds: 5, sets: 1 }, NO_PAIN] },
  stepBack: HARD,
};
const steps = ladder([
  level('one', REPS, { interval: INTERVAL }),
  level('two', REPS, { interval: INTERVAL }),
  level('three', REPS),
]);
const known = new Map(steps.levels.map((l) => [l.main, facts(l.main, { oneSided: true })]));
const inIntervals = ladderInForm(steps, 'intervals');
const roundFacts = factsInForm(steps, known, 'intervals');

/** Rounds by the clock, watched and clean. */
const run = (date: string, rounds: number, of = 'one') =>
  set(date, { variation: `${of}-main`, doneReps: null, rounds, workS: 40, pain: 0, effort: 6 });

const now = (
  level: string,
  sets: ReturnType<typeof set>[],
  change: Partial<Parameters<typeof decide>[0]> = {},
) =>
  decide(
    input({
      ladder: inIntervals,
      facts: roundFacts,
      standing: { level, since: '2026-01-01', taken: [], form: 'intervals' },
      sets,
      today: sets.at(-1)?.date ?? '2026-01-05',
      ...change,
    }),
  );

describe('somebody who works in intervals', () => {
  it('is asked for the rounds of the level, with their seconds, and both sides in one set', () => {
    const { plan } = now('one', []);
    expect(plan.target).toMatchObject({ sets: 1, rounds: 2, workS: 40, restS: 20 });
    expect(plan.target.reps).toBeUndefined();
    const next = nextSet([], roundFacts.get('one-main')!, plan, '2026-01-05');
    expect(next).toMatchObject({ side: null, rounds: 2, workS: 40, reps: null, of: 1 });
  });

  it('does a round more after a clean week, as far as the level goes', () => {
    const sets = [run('2026-01-05', 2), run('2026-01-08', 2)];
    const d = now('one', sets);
    expect(d.outcome).toBe('grow');
    expect(d.grow.next).toEqual({ way: 'rounds', to: 3 });
  });

  it('moves up with five clean rounds, and begins with two again on the harder version', () => {
    const d = now('one', [run('2026-01-05', 5)]);
    expect(d.outcome).toBe('move up');
    const moves: MoveFact[] = [
      { kind: 'placed', date: '2026-01-01', toLevel: 'one', taken: null },
      { kind: 'form', date: '2026-01-01', toLevel: 'one', taken: null, form: 'intervals' },
      { kind: 'grow', date: '2026-01-03', toLevel: 'one', taken: { way: 'rounds', to: 5 } },
      { kind: 'move up', date: '2026-01-05', toLevel: 'two', taken: null },
    ];
    const standing = standingAfter(moves)!;
    expect(standing).toMatchObject({ level: 'two', form: 'intervals', taken: [] });
    expect(now('two', [], { standing }).plan.target).toMatchObject({ rounds: 2 });
  });

  it('shows nothing by sets of repetitions, nor the other way round', () => {
    const reps = [1, 2].flatMap((ordinal) =>
      (['left', 'right'] as const).map((side) =>
        set('2026-01-05', { variation: 'one-main', side, doneReps: 12, pain: 0, ordinal }),
      ),
    );
    const d = now('one', reps);
    expect(d.outcome).toBe('hold');
    expect(d.sessionDates).toEqual([]);
    const sets = { ladder: steps, facts: known, standing: { level: 'one', since: '2026-01-01', taken: [] } };
    expect(now('one', [run('2026-01-05', 5)], sets).sessionDates).toEqual([]);
    expect(now('one', reps, sets).sessionDates).toEqual(['2026-01-05']);
  });

  it('is told where the level says nothing of intervals: it trains and earns nothing, and pain counts', () => {
    const d = now('three', [run('2026-01-05', 5, 'three'), run('2026-01-08', 5, 'three')]);
    expect(d.outcome).toBe('hold');
    expect(d.reasons[0]!.text).toMatch(/^Intervals train here and earn nothing/);
    expect(d.plan.target.rounds).toBe(2);
    const hurt = { ...run('2026-01-05', 2, 'three'), pain: 5 };
    expect(now('three', [hurt]).outcome).toBe('step back');
  });
});

describe('a change of form', () => {
  const placed: MoveFact = { kind: 'placed', date: '2026-01-01', toLevel: 'one', taken: null };
  const grown: MoveFact = {
    kind: 'grow',
    date: '2026-01-08',
    toLevel: 'one',
    taken: { way: 'repetitions', to: 12 },
    setIds: ['a'],
  };
  const to = (form: 'sets' | 'intervals', date: string): MoveFact => ({
    kind: 'form',
    date,
    toLevel: 'one',
    taken: null,
    form,
  });
  it('leaves the level and the day of arrival, and the ways on of either form wait for it', () => {
    const there = standingAfter([placed, grown, to('intervals', '2026-01-10')])!;
    expect(there).toMatchObject({ level: 'one', since: '2026-01-01', form: 'intervals', taken: [] });
    const more: MoveFact = { ...grown, date: '2026-01-17', taken: { way: 'rounds', to: 3 }, setIds: ['b'] };
    const back = standingAfter([
      placed,
      grown,
      to('intervals', '2026-01-10'),
      more,
      to('sets', '2026-01-20'),
    ])!;
    expect(back).toMatchObject({ form: 'sets', taken: [{ way: 'repetitions', to: 12 }], usedUp: ['a', 'b'] });
    expect(back.takenOther).toEqual([{ way: 'rounds', to: 3 }]);
  });
  it('to the form that it is in changes nothing', () => {
    expect(standingAfter([placed, grown, to('sets', '2026-01-10')])).toEqual(standingAfter([placed, grown]));
  });
  it('before anybody is placed is none', () => {
    expect(standingAfter([to('intervals', '2026-01-01')])).toBeNull();
  });
  it('says its target in rounds', () => {
    expect(targetInWords(now('one', []).target)).toBe('2 rounds');
  });
});

import { describe, expect, it } from 'vitest';
import { climb } from '../testing/follower.ts';
import type { Follower } from '../testing/follower.ts';
import { facts, ladder, level } from '../testing/samples.ts';
import type { Criterion } from '../criterion/index.ts';
import type { SettledLadder, SettledLevel } from '../library/index.ts';
import type { FactsBySlug, VariationFacts } from '../log/index.ts';
import type { Form } from '../terms/index.ts';
import { factsInForm, ladderInForm } from './form.ts';

// Whoever does just what is proposed has to come to the top, whatever a level is counted in: a rule can be right line by
// line and keep everybody where they are.

const all = (...of: Criterion[]): Criterion => ({ kind: 'all', of });
const running = (...of: Criterion[]): Criterion => ({
  kind: 'sessionsRunning',
  sessions: 2,
  of: of.length === 1 ? of[0]! : all(...of),
});
const NO_PAIN: Criterion = { kind: 'painAtMost', pain: 0 };
const reps = (n: number, sets = 2): Criterion => ({ kind: 'cleanReps', reps: n, sets });

interface Kind {
  name: string;
  level: (id: string) => SettledLevel;
  branchOf?: SettledLadder['branchOf'];
  form?: Form;
  facts?: Partial<VariationFacts>;
}
const KINDS: Kind[] = [
  { name: 'repetitions', level: (id) => level(id, all(running(reps(12)), NO_PAIN)) },
  {
    name: 'holds',
    facts: { countedIn: 'seconds held' },
    level: (id) =>
      level(id, all(running({ kind: 'holdS', seconds: 30, sets: 2 }), NO_PAIN), {
        dose: { sets: 2, holdS: 20, restS: 60 },
        waysOn: [{ way: 'seconds', step: 5, upTo: 40 }],
        stepBack: { kind: 'any', of: [{ kind: 'not', of: { kind: 'painAtMost', pain: 3 } }] },
      }),
  },
  {
    name: 'load',
    facts: { loadKind: 'kettlebell' },
    level: (id) =>
      level(id, all(running({ kind: 'load', load: 16, unit: 'kg', reps: 10, sets: 2 }), NO_PAIN), {
        dose: { sets: 3, reps: 8, loadKg: 8, restS: 90 },
        waysOn: [
          { way: 'repetitions', step: 2, upTo: 12 },
          { way: 'load', stepKg: 4, upToKg: 32 },
        ],
      }),
  },
  {
    name: 'share of body mass',
    facts: { loadKind: 'bar' },
    level: (id) =>
      level(
        id,
        all(
          running(
            { kind: 'load', load: 50, unit: '% of body mass', reps: 8, sets: 2 },
            { kind: 'effortAtMost', effort: 8 },
          ),
          NO_PAIN,
        ),
        {
          dose: { sets: 3, reps: 8, loadKg: 20, restS: 120 },
          waysOn: [
            { way: 'repetitions', step: 1, upTo: 10 },
            { way: 'load', stepKg: 5, upToKg: 100 },
          ],
        },
      ),
  },
  {
    name: 'share of body mass, a weight in each hand',
    facts: { loadKind: 'dumbbell', weights: 2 },
    level: (id) =>
      level(id, all(running({ kind: 'load', load: 40, unit: '% of body mass', reps: 8, sets: 2 }), NO_PAIN), {
        dose: { sets: 2, reps: 8, loadKg: 8, restS: 90 },
        waysOn: [{ way: 'load', stepKg: 2, upToKg: 40 }],
      }),
  },
  {
    name: 'one side at a time',
    facts: { oneSided: true },
    level: (id) => level(id, all(running(reps(12)), NO_PAIN)),
  },
  {
    name: 'a difference between the sides',
    facts: { oneSided: true },
    level: (id) => level(id, all(running(reps(12)), { kind: 'sideDifferenceAtMost', percent: 10 }, NO_PAIN)),
  },
  {
    name: 'a coach’s word',
    level: (id) => level(id, all(running(reps(12)), NO_PAIN, { kind: 'signedOff', by: 'coach' })),
  },
  {
    name: 'rounds',
    facts: { countedIn: 'rounds' },
    level: (id) =>
      level(id, all({ kind: 'cleanRounds', rounds: 5, sets: 1 }, NO_PAIN), {
        dose: { sets: 1, rounds: 2, restS: 60 },
        waysOn: [{ way: 'rounds', step: 1, upTo: 5 }],
        stepBack: { kind: 'any', of: [{ kind: 'not', of: { kind: 'painAtMost', pain: 3 } }] },
      }),
  },
  {
    name: 'intervals, one side after the other',
    form: 'intervals',
    facts: { oneSided: true },
    level: (id) =>
      level(id, all(running(reps(12)), NO_PAIN), {
        interval: {
          rounds: 2,
          upTo: 5,
          workS: 40,
          restS: 20,
          advance: all({ kind: 'cleanRounds', rounds: 5, sets: 1 }, NO_PAIN),
          stepBack: { kind: 'any', of: [{ kind: 'not', of: { kind: 'painAtMost', pain: 3 } }] },
        },
      }),
  },
  {
    name: 'an entry need',
    level: (id) =>
      level(id, all(running(reps(12)), NO_PAIN), {
        entryNeeds: id === 'one' ? [] : [{ ladder: 'hinge', level: 'stick' }],
      }),
  },
  {
    name: 'a branch',
    branchOf: { ladder: 'hinge', level: 'stick' },
    level: (id) => level(id, all(running(reps(12)), NO_PAIN)),
  },
  {
    name: 'help that fades',
    facts: { aids: ['pads'] },
    level: (id) =>
      level(id, all(running(reps(10), { kind: 'aidsAtMost', aid: 'pads', most: 0 }), NO_PAIN), {
        dose: { sets: 2, reps: 10, restS: 60, aids: [{ aid: 'pads', amount: 2 }] },
        waysOn: [{ way: 'less aid', aid: 'pads', downTo: 0 }],
      }),
  },
  {
    name: 'sides taking turns',
    facts: { alternating: true },
    level: (id) =>
      level(id, all(running(reps(16)), NO_PAIN), {
        dose: { sets: 2, reps: 12, restS: 60 },
        waysOn: [{ way: 'repetitions', step: 2, upTo: 20 }],
      }),
  },
  {
    name: 'how it is felt, ease, range and tempo',
    level: (id) =>
      level(
        id,
        all(
          running(reps(12), { kind: 'felt', sets: 1 }, { kind: 'tempoKept', percent: 80 }),
          { kind: 'rangeReached', sets: 2 },
          { kind: 'easeAtLeast', ease: 7 },
          { kind: 'sessionsHere', sessions: 4 },
          { kind: 'daysHere', days: 10 },
          NO_PAIN,
        ),
      ),
  },
];

const ladderOf = (kind: Kind): { ladder: SettledLadder; facts: FactsBySlug } => {
  const levels = ['one', 'two', 'three'].map(kind.level);
  const all = { ...ladder(levels), ...(kind.branchOf ? { branchOf: kind.branchOf } : {}) };
  const known = new Map(levels.map((l) => [l.main, facts(l.main, kind.facts)]));
  const form = kind.form ?? 'sets';
  return { ladder: ladderInForm(all, form), facts: factsInForm(all, known, form) };
};
const TWICE = [3, 4];
const go = (kind: Kind, who: Follower) =>
  climb({ ...ladderOf(kind), heldElsewhere: new Set(['hinge/stick']), most: 300 }, who);

describe.each(KINDS)('a ladder of $name', (kind) => {
  it.each([
    [4, 55],
    [6, 55],
    [7, 55],
    [4, 75],
    [6, 75],
    [7, 75],
    [4, 100],
    [6, 100],
    [7, 100],
  ])('is climbed at effort %i by somebody of %i kg', (effort, massKg) => {
    const { arrived, stays, said } = go(kind, { effort, massKg, gaps: TWICE });
    expect(said).toEqual([]);
    expect(arrived).toBe(true);
    // Nobody is hurried through: two sessions at least show that it is sound.
    for (const s of stays) expect(s.sessions).toBeGreaterThanOrEqual(2);
    expect(stays.map((s) => s.level)).toEqual(['one', 'two', 'three']);
  });

  const slower: [string, Partial<Follower>][] = [
    ['misses a repetition in every third set', { missesEvery: 3 }],
    ['does every second session alone', { secondAlone: true }],
    ['has one side that does 15 % less', { rightDoes: 0.85 }],
    ['comes every 16 days', { gaps: [16] }],
  ];
  it.each(slower)('is climbed, more slowly, by somebody who %s', (_, who) => {
    const usual = go(kind, { effort: 6, massKg: 75, gaps: TWICE });
    const { arrived, days, said } = go(kind, { effort: 6, massKg: 75, gaps: TWICE, ...who });
    // Who cannot go on is told what to do.
    if (!arrived) expect(said.join(' ')).toMatch(/Needs|needs/);
    else expect(days).toBeGreaterThanOrEqual(usual.days);
  });

  it('is climbed by somebody who comes once a week, or they are told what to do', () => {
    const { arrived, said } = go(kind, { effort: 6, massKg: 75, gaps: [7] });
    if (!arrived) expect(said.join(' ')).toMatch(/two clean interval sessions/);
    expect(arrived || kind.name === 'rounds' || kind.form === 'intervals').toBe(true);
  });
});

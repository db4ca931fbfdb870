import type { Criterion } from './criteria.ts';

/** A set of criteria to start from. All numbers are common practice, no source: the head coach changes them. */
export interface ReadyMade {
  name: string;
  criterion: Criterion;
}

const running = (sessions: number, ...of: Criterion[]): Criterion => ({
  kind: 'sessionsRunning',
  sessions,
  of: of.length === 1 ? of[0]! : { kind: 'all', of },
});
const NO_PAIN: Criterion = { kind: 'painAtMost', pain: 0 };

export const READY_TO_ADVANCE: readonly ReadyMade[] = [
  {
    name: 'Clean repetitions',
    criterion: { kind: 'all', of: [running(2, { kind: 'cleanReps', reps: 12, sets: 2 }), NO_PAIN] },
  },
  {
    name: 'A hold',
    criterion: {
      kind: 'all',
      of: [
        running(2, { kind: 'holdS', seconds: 30, sets: 3 }),
        { kind: 'faultsAtMost', severity: 2, count: 0 },
        NO_PAIN,
      ],
    },
  },
  {
    name: 'One side at a time',
    criterion: {
      kind: 'all',
      of: [
        running(2, { kind: 'cleanReps', reps: 10, sets: 2 }),
        { kind: 'sideDifferenceAtMost', percent: 10 },
        NO_PAIN,
      ],
    },
  },
  {
    name: 'With a load',
    criterion: {
      kind: 'all',
      of: [
        running(
          2,
          { kind: 'load', load: 20, unit: 'kg', reps: 8, sets: 3 },
          { kind: 'effortAtMost', effort: 8 },
        ),
        NO_PAIN,
      ],
    },
  },
  {
    name: 'Rounds',
    criterion: { kind: 'all', of: [{ kind: 'cleanRounds', rounds: 5, sets: 1 }, NO_PAIN] },
  },
  {
    name: 'Help fading',
    criterion: {
      kind: 'all',
      of: [
        running(
          2,
          { kind: 'cleanReps', reps: 10, sets: 2 },
          { kind: 'aidsAtMost', aid: 'hand support', most: 0 },
        ),
        { kind: 'easeAtLeast', ease: 7 },
        NO_PAIN,
      ],
    },
  },
  {
    name: 'Felt in the right place, with a coach’s word',
    criterion: {
      kind: 'all',
      of: [
        running(2, { kind: 'cleanReps', reps: 10, sets: 2 }, { kind: 'felt', sets: 1 }),
        { kind: 'notFelt' },
        { kind: 'painAtMost', pain: 0, within: { over: 'sessions', last: 3 } },
        { kind: 'signedOff', by: 'coach' },
      ],
    },
  },
];

export const READY_TO_STEP_BACK: readonly ReadyMade[] = [
  {
    name: 'Pain, a stop fault, two poor sessions',
    criterion: {
      kind: 'any',
      of: [
        { kind: 'not', of: { kind: 'painAtMost', pain: 3 } },
        { kind: 'not', of: { kind: 'faultsAtMost', severity: 3, count: 0 } },
        running(2, { kind: 'not', of: { kind: 'cleanReps', reps: 6, sets: 1 } }),
      ],
    },
  },
  {
    name: 'Pain or a stop fault',
    criterion: {
      kind: 'any',
      of: [
        { kind: 'not', of: { kind: 'painAtMost', pain: 3 } },
        { kind: 'not', of: { kind: 'faultsAtMost', severity: 3, count: 0 } },
      ],
    },
  },
  {
    name: 'Pain in the last three sessions, or all-out twice',
    criterion: {
      kind: 'any',
      of: [
        { kind: 'not', of: { kind: 'painAtMost', pain: 2, within: { over: 'sessions', last: 3 } } },
        running(2, { kind: 'not', of: { kind: 'effortAtMost', effort: 9 } }),
      ],
    },
  },
];

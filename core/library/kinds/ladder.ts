import { AIDS, PATTERNS, ROLES, STAGES } from '../../terms/index.ts';
import type { RuledCriterion } from '../../criterion/index.ts';
import {
  choice,
  document,
  documents,
  fields,
  group,
  lines,
  list,
  number,
  shortId,
  text,
  whole,
} from './field.ts';
import { KEEPING } from './shared.ts';

// Criteria to start from: common practice, to be changed by the head coach.
const ADVANCE: RuledCriterion = {
  kind: 'all',
  of: [
    { kind: 'sessionsRunning', sessions: 2, of: { kind: 'cleanReps', reps: 12, sets: 2 } },
    { kind: 'painAtMost', pain: 0 },
  ],
};
const STEP_BACK: RuledCriterion = {
  kind: 'any',
  of: [
    { kind: 'not', of: { kind: 'painAtMost', pain: 3 } },
    { kind: 'not', of: { kind: 'faultsAtMost', severity: 3, count: 0 } },
  ],
};
// Five clean rounds, then the harder version (common practice, no source).
const INTERVAL_ADVANCE: RuledCriterion = {
  kind: 'all',
  of: [
    { kind: 'cleanRounds', rounds: 5, sets: 1 },
    { kind: 'painAtMost', pain: 0 },
  ],
};
const CRITERIA = fields({
  advance: { is: 'criterion', label: 'Move up when', blank: ADVANCE },
  stepBack: { is: 'criterion', label: 'Step back when', negated: true, blank: STEP_BACK },
});

const DEMAND_QUESTIONS = ['inversion', 'too big', 'cannot'] as const;

/** A step of a ladder: what is done, what is asked to move on, how it grows before that. */
export const LEVEL = fields({
  ...CRITERIA,
  waysOn: {
    is: 'ways on',
    label: 'Ways on inside the level, in order',
    most: 12,
    blank: [{ way: 'repetitions', step: 2, upTo: 14 }],
  },
  /** What a person is asked to do at a level before any way on has been taken. */
  dose: group('Target on arrival', {
    sets: whole('Sets', 1, 20, { blank: 2 }),
    reps: whole('Repetitions', 1, 200, { optional: true, blank: 10 }),
    holdS: whole('Hold', 1, 1800, { unit: 's', optional: true }),
    rounds: whole('Rounds', 1, 50, { optional: true }),
    workS: whole('Work a round', 5, 600, { unit: 's', step: 5, optional: true, blank: 40 }),
    /** Where the body mass is not known, or no share of it is given. */
    loadKg: number('Load', 0, 500, { unit: 'kg', step: 0.5, optional: true }),
    /** In all, both hands together; the nearest weight that there is, fixed on arrival. */
    loadPercent: group(
      'First load by experience, % of body mass in all',
      {
        new: number('New to it', 0, 300, { unit: '%', blank: 10 }),
        some: number('Some experience', 0, 300, { unit: '%', blank: 15 }),
        trained: number('Trained', 0, 300, { unit: '%', blank: 20 }),
      },
      { optional: true },
    ),
    restS: whole('Rest', 0, 1200, { unit: 's', step: 5, blank: 60 }),
    /** Help on arrival, meant to fade: so many pads, so much hand support. */
    aids: list(
      'Help on arrival, meant to fade',
      'aid',
      3,
      {
        aid: choice('Aid', AIDS),
        amount: whole('How much (pads, or 1 light to 3 strong)', 0, 6, { blank: 1 }),
      },
      { optional: true },
    ),
  }),
  /** For who works in intervals; without it they train here and earn nothing. */
  interval: group(
    'Done in intervals',
    {
      ...CRITERIA,
      advance: { is: 'criterion', label: 'Move up when', blank: INTERVAL_ADVANCE },
      rounds: whole('Rounds at first', 1, 50, { blank: 2 }),
      upTo: whole('Rounds at most', 1, 50, { blank: 5 }),
      workS: whole('Work', 5, 600, { unit: 's', step: 5, blank: 40 }),
      restS: whole('Rest', 0, 600, { unit: 's', step: 5, blank: 20 }),
    },
    { optional: true },
  ),
  main: document('Main variation', 'variation'),
  equals: documents('Equals', 'variation', 20),
  /** An equal whose load is of another kind counts towards moving up at its own figure, else not at all. */
  equalLoads: list(
    'Loads of equals with another kind of load',
    'load',
    20,
    {
      variation: document('Equal', 'variation'),
      loadKg: number('Load', 0, 500, { unit: 'kg', step: 0.5, blank: 10 }),
    },
    { optional: true },
  ),
  stage: choice('Stage', STAGES),
  name: text('Name', 120),
  id: shortId('Short id (never changes once people stand here)', { own: true }),
  entryNeeds: list('Levels held on other ladders first', 'level', 12, {
    ladder: document('Ladder', 'ladder'),
    level: shortId('Level', { onLadder: 'ladder' }),
  }),
  usualStayWeeks: group('Usual stay', {
    from: whole('From', 0, 104, { unit: 'weeks', blank: 2 }),
    to: whole('To', 0, 104, { unit: 'weeks', blank: 4 }),
  }),
  /** The first that fits the person's role and stage on the ladder is asked; else the level's own. */
  variants: list(
    'Asked instead, by role or stage',
    'variant',
    8,
    {
      role: choice('Who does it as', ROLES, { optional: true, none: 'any role', blank: 'prepare' }),
      stage: choice('Read at stage', STAGES, { optional: true, none: 'any stage' }),
      ...CRITERIA,
    },
    { optional: true },
  ),
});

/** Levels from the easiest to the hardest. */
export const LADDER = fields({
  name: text('Name', 120, { named: true }),
  pattern: choice('Pattern', PATTERNS, { blank: 'bridge' }),
  purpose: lines('Purpose', { needed: 'Purpose' }),
  /** A branch leaves another ladder as a side flight: nobody has to stand on it, and who does stays on the trunk. */
  branchOf: group(
    'Branch of a ladder',
    {
      ladder: document('Trunk', 'ladder'),
      level: shortId('Opens once this level is held', { onLadder: 'ladder' }),
    },
    { optional: true },
  ),
  levels: list('Levels, from the easiest', 'level', 40, LEVEL, { section: 'Levels', least: 1 }),
  /** What the head coach answered where the computed demand disagrees with the order. */
  demandAnswers: list(
    'Why the order stands where the computed demand disagrees',
    'answer',
    80,
    {
      kind: choice('Question', DEMAND_QUESTIONS),
      /** Level below; absent where the question is about one level alone. */
      from: shortId('Level below', { among: 'levels', optional: true }),
      to: shortId('Level', { among: 'levels' }),
      reason: text('Reason', 400),
    },
    { optional: true },
  ),
  ...KEEPING,
});

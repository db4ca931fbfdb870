import { ANSWER_KINDS, CAMERA_SIGNS, PHASES, SEVERITIES, VIEWS } from '../../terms/index.ts';
import {
  choice,
  choices,
  document,
  documents,
  fields,
  flag,
  group,
  line,
  list,
  number,
  shortId,
  text,
} from './field.ts';
import { ALSO_CALLED, FELT, KEEPING, SEVERITY_CHOICES } from './shared.ts';

const turned = (label: string, from: number, to: number) =>
  number(label, from, to, { unit: '°', optional: true, step: 1 });
const moved = (label: string, from: number, to: number) =>
  number(label, from, to, { unit: 'm', optional: true, step: 0.01 });

/** Something that looks, feels or sounds wrong: its sign, what may be behind it, and what answers it. */
export const FAULT = fields({
  name: text('Name', 120, { named: true }),
  alsoCalled: ALSO_CALLED,
  sign: line('Sign', { needed: 'Sign' }),
  phase: choice('Phase', PHASES, { blank: 'rising' }),
  views: choices('Seen from', VIEWS, 6, { least: 1, blank: ['side'] }),
  severity: choice('Severity', SEVERITIES, { words: SEVERITY_CHOICES, none: 'as everywhere', blank: 2 }),
  /**
   * Weight: how often this is behind the sign, against the others; absent: equal. Alike: one name for causes of
   * several faults that are the same thing.
   */
  causes: list(
    'Likely causes',
    'cause',
    12,
    {
      id: shortId('Short id', { own: true }),
      line: line('Cause'),
      weight: number('Weight', 0, 100, { optional: true, hint: 'Empty: equal to the others.' }),
      alike: shortId('The same in other faults under', {
        hint: 'One name for a cause that several faults have: small letters, hyphens.',
        optional: true,
      }),
    },
    { section: 'Causes', needed: 'Likely causes' },
  ),
  /** Weights of a result: how often a cause shows it, against the other results; absent: by what it points to. */
  checks: list(
    'Quick checks that separate the causes',
    'check',
    12,
    {
      line: line('Check'),
      equipment: documents('Equipment it needs', 'equipment', 8, { optional: true }),
      results: list('Results', 'result', 8, {
        result: text('Result', 300),
        pointsTo: { is: 'short ids', label: 'Points to', most: 12, among: 'causes' },
        weights: list(
          'How often each cause shows this result, against the other results (empty: by what it points to)',
          'weight',
          12,
          { cause: shortId('Cause', { among: 'causes' }), weight: number('Weight', 0, 100, { blank: 1 }) },
          { optional: true },
        ),
      }),
    },
    { section: 'Checks' },
  ),
  answers: list(
    'Answers, cheapest first',
    'answer',
    20,
    {
      answerKind: choice('Kind', ANSWER_KINDS),
      line: line('What to do'),
      cue: document('Cue', 'cue', { optional: true }),
      variation: document('Variation', 'variation', { optional: true }),
      equipment: documents('Equipment it needs', 'equipment', 8),
      needsSecondPerson: flag('Needs a second person'),
      /** The causes that it answers, by their ids; absent: any of them. */
      causes: {
        is: 'short ids',
        label: 'Answers these causes (none: any of them)',
        most: 12,
        among: 'causes',
        optional: true,
      },
    },
    { section: 'Answers' },
  ),
  whenToStop: line('When to stop', { section: 'Stop, and the weeks after', needed: 'When to stop' }),
  /** Corrective chain for faults that need weeks: each step has the gate that opens the next. */
  chain: list('Corrective chain over weeks', 'step', 12, {
    line: line('Step'),
    variation: document('Variation', 'variation', { optional: true }),
    gate: line('Gate to the next step'),
  }),
  /** What of it a camera can measure; absent: it is for eyes and words. */
  cameraSign: choice('A camera shows it as', CAMERA_SIGNS, { optional: true, none: 'not by a camera' }),
  /** What athletes say with it. */
  felt: list('What athletes say with it', 'sensation', 8, FELT, {
    section: 'How it feels and looks',
    optional: true,
  }),
  /**
   * What it changes in the posture of the variation that shows it; absent: as the solver has it. Drawn from the side,
   * or from the front out of the heights of the side view.
   */
  shows: group(
    'How it looks: what it changes in the figure',
    {
      view: choice('Drawn from', ['side', 'front']),
      /** How far the repetition has come: 0 start, 1 working position. */
      at: number('How far into the repetition, 0 to 1', 0, 1, { step: 0.1, blank: 1 }),
      trunkDeg: turned('Trunk leans more (a bridge: hips higher)', -60, 60),
      shinDeg: turned('Knees farther forward', -40, 40),
      thighDeg: turned('Hips lower and farther back', -40, 40),
      spineDeg: turned('Back rounded (below 0: arched)', -80, 80),
      headDeg: turned('Looks up (below 0: chin to chest)', -60, 60),
      heelsDeg: turned('Heels off the floor', 0, 45),
      armsDeg: turned('Arms lifted', 0, 110),
      loadAwayM: moved('Load away from the body', 0, 0.4),
      /** Of both feet in a bridge, of the rear one in a split stance. */
      footAwayM: moved('Feet farther away', -0.5, 0.5),
      kneesInDeg: turned('Front: knees inwards (below 0: outwards)', -30, 30),
      pelvisDeg: turned('Front: belt tips', 0, 30),
      leanDeg: turned('Front: trunk leans', -30, 30),
      feetApartM: moved('Front: feet farther apart', -0.4, 0.4),
      oneLeg: flag('Front: one leg alone', { optional: true }),
    },
    { optional: true },
  ),
  ...KEEPING,
});

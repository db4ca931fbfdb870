import {
  AIDS,
  COUNTED_IN,
  DIRECTIONS,
  DOMINANCES,
  FOOT_WEIGHTS,
  JOINTS,
  LATERALITIES,
  LOAD_KINDS,
  LOAD_PLACES,
  MUSCLES,
  PATTERNS,
  PREPARE_STEPS,
  RANGE_TARGETS,
  ROLES,
  ROUNDINGS,
  SETTING_NAMES,
  SET_UP_MEASURES,
  SEVERITIES,
  SIDE_ORDERS,
  STANCE_WIDTHS,
  SUPPORTS,
} from '../../terms/index.ts';
import {
  choice,
  choices,
  document,
  documents,
  fields,
  flag,
  group,
  line,
  lines,
  list,
  number,
  text,
  whole,
} from './field.ts';
import { ALSO_CALLED, FELT, KEEPING, SEVERITY_CHOICES } from './shared.ts';

const NEED = fields({
  equipment: document('Equipment', 'equipment'),
  count: whole('How many', 1, 10, { blank: 1 }),
  setUp: lines('Set-up for this variation'),
});
const RULED_FELT = fields({
  ...FELT,
  holdsUnder: { is: 'house rule', label: 'House rule', optional: true },
});
const seconds = (label: string, blank: number) => number(label, 0, 60, { unit: 's', step: 0.5, blank });

/** A movement: how it is set up, done, cued and dosed, and what can go wrong. */
export const VARIATION = fields({
  name: text('Name', 120, { named: true }),
  shortName: text('Short name', 40, { named: true }),
  alsoCalled: ALSO_CALLED,
  pattern: choice('Pattern', PATTERNS, { blank: 'bridge' }),
  roles: choices('Roles', ROLES, 3, { least: 1, blank: ['work'] }),
  prepares: choice('What it prepares (with the role prepare)', PREPARE_STEPS, { optional: true }),

  purpose: lines('Purpose', { section: 'Purpose', needed: 'Purpose' }),
  reasonsToChoose: lines('Reasons to choose it', { neededForWork: 'Reasons to choose it' }),
  dominance: choice('Dominance', DOMINANCES, { blank: 'hip' }),
  muscles: choices('Muscles', MUSCLES, 200, { needed: 'Muscles' }),
  joints: choices('Joints', JOINTS, 200),

  laterality: choice('Legs', LATERALITIES, { section: 'Kind of movement' }),
  sideOrder: choice('Sides', SIDE_ORDERS),
  direction: choice('Direction', DIRECTIONS),
  impact: flag('Has a jump or a landing'),
  loadKind: choice('Load', LOAD_KINDS),
  loadPlace: choice('Load place', LOAD_PLACES),

  drills: documents('Prepare drills that go with it', 'variation', 20, { section: 'Prepare' }),

  equipmentAll: list('Needed', 'equipment', 12, NEED, { section: 'Equipment and set-up' }),
  /** Groups of alternatives: one need of each group is enough. */
  equipmentAny: {
    is: 'groups',
    label: 'One of each group is enough',
    fields: NEED,
    most: 12,
    mostGroups: 6,
  },
  /** Noted with a set, and back the next time; absent: as its load has it. */
  settings: choices('Settings noted with a set', SETTING_NAMES, 8, { optional: true }),
  /** Absent: as its range and support have it. */
  aids: choices('Help that may be used and is meant to fade', AIDS, 6, { optional: true }),
  /** What is set to the person; how it follows from the body is computed. */
  measures: list(
    'Set to the person',
    'measure',
    8,
    {
      measure: choice('What is set', SET_UP_MEASURES),
      rounding: choice('Rounded', ROUNDINGS, { optional: true, none: 'as usual for it' }),
      note: text('Note', 200, { loose: true, optional: true }),
    },
    { optional: true },
  ),
  setUpMeasures: lines('Notes on the set-up', { heading: 'Set-up' }),
  support: choice('Support', SUPPORTS),
  supportNotes: lines('About the support', { heading: 'Support' }),

  gettingIn: lines('Getting in', { section: 'Getting in and out', needed: 'Getting in' }),
  gettingOut: lines('Getting out', { needed: 'Getting out' }),
  ifItGoesWrong: lines('If it goes wrong', { neededForWork: 'If it goes wrong' }),

  stanceWidth: choice('Stance width', STANCE_WIDTHS, { section: 'Stance, hands, eyes' }),
  toeOutDeg: { is: 'ruled number', label: 'Toes out', from: -10, to: 60, unit: '°', optional: true },
  footWeight: choice('Weight in the foot', FOOT_WEIGHTS),
  stance: lines('Stance', { needed: 'Stance' }),
  hands: lines('Hands and arms, easier to harder', { heading: 'Hands' }),
  gaze: lines('Gaze and head', { neededForWork: 'Gaze' }),
  contactPoints: lines('Contact points'),

  rangeTarget: choice('Range target', RANGE_TARGETS, { section: 'Execution' }),
  rangeNotes: lines('Range', { neededForWork: 'Range' }),
  breathing: lines('Brace and breathing', { neededForWork: 'Breathing' }),
  /** Seconds: lowering, bottom, rising, top. */
  tempo: group('Tempo', {
    loweringS: seconds('Lowering', 2),
    bottomS: seconds('Bottom', 0),
    risingS: seconds('Rising', 1),
    topS: seconds('Top', 1),
  }),
  /** In rank order: the first three stand large on the cue sheet. */
  cues: documents('Cues in order of rank (the first three stand large)', 'cue', 40, { needed: 'Cues' }),
  runThrough: lines('Run-through list', { neededForWork: 'Run-through' }),

  faults: list(
    'Faults to look for',
    'fault',
    40,
    {
      fault: document('Fault', 'fault'),
      severity: choice('Severity here', SEVERITIES, {
        words: SEVERITY_CHOICES,
        none: 'as everywhere',
        optional: true,
      }),
    },
    { section: 'Faults' },
  ),

  wanted: list('Wanted', 'sensation', 20, RULED_FELT, {
    section: 'Where it is felt',
    needed: 'Where it should be felt',
  }),
  tolerated: list('Tolerated', 'sensation', 20, RULED_FELT),
  unwanted: list('Unwanted, and what it suggests', 'sensation', 20, {
    ...FELT,
    suggests: line('Suggests'),
  }),

  /** Cautions carried besides those whose predicate holds. */
  extraCautions: documents('Cautions besides those that apply by themselves', 'caution', 20, {
    section: 'Cautions',
  }),

  countedIn: choice('Counted in', COUNTED_IN, { section: 'Dose' }),
  dose: list('Default dose by role', 'dose', 6, {
    role: choice('Role', ROLES, { blank: 'work' }),
    sets: whole('Sets', 1, 20, { blank: 2 }),
    repsFrom: whole('Repetitions from', 1, 200, { optional: true, blank: 10 }),
    repsTo: whole('to', 1, 200, { optional: true, blank: 12 }),
    holdS: whole('Hold', 1, 1800, { unit: 's', optional: true }),
    rounds: whole('Rounds', 1, 50, { optional: true }),
    restS: whole('Rest', 0, 1200, { unit: 's', step: 5, blank: 60 }),
    notes: lines('Notes'),
  }),

  mechanics: { is: 'mechanics', label: 'How the body stands in it', section: 'Mechanics' },
  /** The head coach's correction of the computed demand, in points, with its reason. */
  demandAdjustment: group(
    'Correction of the computed demand',
    { points: number('Points', -50, 50, { step: 1, blank: 0 }), reason: text('Reason', 400) },
    { optional: true },
  ),
  ...KEEPING,
});

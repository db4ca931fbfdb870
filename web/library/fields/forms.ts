import {
  AIDS,
  ANSWER_KINDS,
  COUNTED_IN,
  CUE_KINDS,
  DIRECTIONS,
  DOMINANCES,
  FELT_KINDS,
  FOOT_WEIGHTS,
  JOINTS,
  LATERALITIES,
  LOAD_KINDS,
  LOAD_PLACES,
  MUSCLES,
  PATTERNS,
  PHASES,
  PREPARE_STEPS,
  RANGE_TARGETS,
  REGIONS,
  ROLES,
  SEVERITIES,
  SIDE_ORDERS,
  STAGES,
  STANCE_WIDTHS,
  SUPPORTS,
  VIEWS,
} from '../../../core/terms/index.ts';
import { DEMAND_QUESTIONS, blankLevel } from '../../../core/library/index.ts';
import type { Kind } from '../../../core/library/index.ts';
import type { FieldSpec } from './types.ts';

const line = () => ({ text: '' });
const heading = (label: string): FieldSpec => ({ type: 'heading', key: `heading ${label}`, label });
const lines = (key: string, label: string, hint?: string): FieldSpec => ({ type: 'lines', key, label, hint });
const choice = (key: string, label: string, options: readonly (string | number)[]): FieldSpec => ({
  type: 'choice',
  key,
  label,
  options,
});
const choices = (key: string, label: string, options: readonly string[]): FieldSpec => ({
  type: 'choices',
  key,
  label,
  options,
});
const severity = (key: string, label: string, optional = false): FieldSpec => ({
  type: 'choice',
  key,
  label,
  options: SEVERITIES,
  words: { 1: '1: only noted', 2: '2: the repetition is not clean', 3: '3: ends the set' },
  optional,
  none: 'as everywhere',
});
const felt: FieldSpec[] = [choice('region', 'Where', REGIONS), choice('kind', 'As what', FELT_KINDS)];
const ruledFelt: FieldSpec[] = [...felt, { type: 'under', key: 'holdsUnder', label: 'House rule' }];
const feltFresh = () => ({ region: 'back of hip', kind: 'work' });
const foot: FieldSpec[] = [
  heading('Keeping'),
  { type: 'text', key: 'author', label: 'Written by' },
  { type: 'date', key: 'reviewBy', label: 'To be read again by' },
  {
    type: 'flag',
    key: 'retired',
    label: 'Retired: no longer used (refused while another document names it)',
  },
];
export const NEED: FieldSpec[] = [
  { type: 'document', key: 'equipment', label: 'Equipment', kind: 'equipment' },
  { type: 'number', key: 'count', label: 'How many', step: 1 },
  lines('setUp', 'Set-up for this variation'),
];
export const needFresh = () => ({ equipment: '', count: 1, setUp: [] });

const variation: FieldSpec[] = [
  { type: 'text', key: 'name', label: 'Name' },
  { type: 'text', key: 'shortName', label: 'Short name' },
  choice('pattern', 'Pattern', PATTERNS),
  choices('roles', 'Roles', ROLES),
  {
    type: 'choice',
    key: 'prepares',
    label: 'What it prepares (with the role prepare)',
    options: PREPARE_STEPS,
    optional: true,
  },
  heading('Purpose'),
  lines('purpose', 'Purpose'),
  lines('reasonsToChoose', 'Reasons to choose it'),
  choice('dominance', 'Dominance', DOMINANCES),
  choices('muscles', 'Muscles', MUSCLES),
  choices('joints', 'Joints', JOINTS),
  heading('Kind of movement'),
  choice('laterality', 'Legs', LATERALITIES),
  choice('sideOrder', 'Sides', SIDE_ORDERS),
  choice('direction', 'Direction', DIRECTIONS),
  { type: 'flag', key: 'impact', label: 'Has a jump or a landing' },
  choice('loadKind', 'Load', LOAD_KINDS),
  choice('loadPlace', 'Load place', LOAD_PLACES),
  heading('Prepare'),
  { type: 'documents', key: 'drills', label: 'Prepare drills that go with it', kind: 'variation' },
  heading('Equipment and set-up'),
  { type: 'list', key: 'equipmentAll', label: 'Needed', item: 'equipment', fields: NEED, fresh: needFresh },
  { type: 'needGroups', key: 'equipmentAny', label: 'One of each group is enough' },
  lines('setUpMeasures', 'Set-up measures, and how they follow from the body'),
  choice('support', 'Support', SUPPORTS),
  lines('supportNotes', 'About the support'),
  heading('Getting in and out'),
  lines('gettingIn', 'Getting in'),
  lines('gettingOut', 'Getting out'),
  lines('ifItGoesWrong', 'If it goes wrong'),
  heading('Stance, hands, eyes'),
  choice('stanceWidth', 'Stance width', STANCE_WIDTHS),
  { type: 'ruled', key: 'toeOutDeg', label: 'Toes out', unit: '°', optional: true },
  choice('footWeight', 'Weight in the foot', FOOT_WEIGHTS),
  lines('stance', 'Stance'),
  lines('hands', 'Hands and arms, easier to harder'),
  lines('gaze', 'Gaze and head'),
  lines('contactPoints', 'Contact points'),
  heading('Execution'),
  choice('rangeTarget', 'Range target', RANGE_TARGETS),
  lines('rangeNotes', 'Range'),
  lines('breathing', 'Brace and breathing'),
  {
    type: 'group',
    key: 'tempo',
    label: 'Tempo',
    fields: [
      { type: 'number', key: 'loweringS', label: 'Lowering', unit: 's', step: 0.5 },
      { type: 'number', key: 'bottomS', label: 'Bottom', unit: 's', step: 0.5 },
      { type: 'number', key: 'risingS', label: 'Rising', unit: 's', step: 0.5 },
      { type: 'number', key: 'topS', label: 'Top', unit: 's', step: 0.5 },
    ],
  },
  {
    type: 'documents',
    key: 'cues',
    label: 'Cues in order of rank (the first three stand large)',
    kind: 'cue',
  },
  lines('runThrough', 'Run-through list'),
  heading('Faults'),
  {
    type: 'list',
    key: 'faults',
    label: 'Faults to look for',
    item: 'fault',
    fields: [
      { type: 'document', key: 'fault', label: 'Fault', kind: 'fault' },
      severity('severity', 'Severity here', true),
    ],
    fresh: () => ({ fault: '' }),
  },
  heading('Where it is felt'),
  { type: 'list', key: 'wanted', label: 'Wanted', item: 'sensation', fields: ruledFelt, fresh: feltFresh },
  {
    type: 'list',
    key: 'tolerated',
    label: 'Tolerated',
    item: 'sensation',
    fields: ruledFelt,
    fresh: feltFresh,
  },
  {
    type: 'list',
    key: 'unwanted',
    label: 'Unwanted, and what it suggests',
    item: 'sensation',
    fields: [...felt, { type: 'line', key: 'suggests', label: 'Suggests' }],
    fresh: () => ({ ...feltFresh(), suggests: line() }),
  },
  heading('Cautions'),
  {
    type: 'documents',
    key: 'extraCautions',
    label: 'Cautions besides those that apply by themselves',
    kind: 'caution',
  },
  heading('Dose'),
  choice('countedIn', 'Counted in', COUNTED_IN),
  {
    type: 'list',
    key: 'dose',
    label: 'Default dose by role',
    item: 'dose',
    fields: [
      choice('role', 'Role', ROLES),
      { type: 'number', key: 'sets', label: 'Sets', step: 1 },
      { type: 'number', key: 'repsFrom', label: 'Repetitions from', step: 1, optional: true },
      { type: 'number', key: 'repsTo', label: 'to', step: 1, optional: true },
      { type: 'number', key: 'holdS', label: 'Hold', unit: 's', step: 1, optional: true },
      { type: 'number', key: 'rounds', label: 'Rounds', step: 1, optional: true },
      { type: 'number', key: 'restS', label: 'Rest', unit: 's', step: 5 },
      lines('notes', 'Notes'),
    ],
    fresh: () => ({ role: 'work', sets: 2, repsFrom: 10, repsTo: 12, restS: 60, notes: [] }),
  },
  heading('Mechanics'),
  { type: 'mechanics', key: 'mechanics', label: 'How the body stands in it' },
  {
    type: 'group',
    key: 'demandAdjustment',
    label: 'Correction of the computed demand',
    optional: true,
    fresh: () => ({ points: 0, reason: '' }),
    fields: [
      { type: 'number', key: 'points', label: 'Points', step: 1 },
      { type: 'text', key: 'reason', label: 'Reason' },
    ],
  },
  ...foot,
];

const cue: FieldSpec[] = [
  { type: 'line', key: 'line', label: 'The cue: one short line' },
  choice('phase', 'Said at', PHASES),
  choice('cueKind', 'Kind', CUE_KINDS),
  choice('view', 'Checked from', VIEWS),
  choices('stages', 'Suits', STAGES),
  {
    type: 'document',
    key: 'addresses',
    label: 'Answers the fault (empty: good form)',
    kind: 'fault',
    optional: true,
  },
  ...foot,
];

const fault: FieldSpec[] = [
  { type: 'text', key: 'name', label: 'Name' },
  { type: 'line', key: 'sign', label: 'Sign' },
  choice('phase', 'Phase', PHASES),
  choices('views', 'Seen from', VIEWS),
  severity('severity', 'Severity'),
  {
    type: 'list',
    key: 'causes',
    label: 'Likely causes',
    item: 'cause',
    fields: [
      { type: 'text', key: 'id', label: 'Short id' },
      { type: 'line', key: 'line', label: 'Cause' },
      { type: 'number', key: 'weight', label: 'Weight', optional: true, hint: 'Empty: equal to the others.' },
      {
        type: 'text',
        key: 'alike',
        label: 'One name with the same cause of other faults (small letters, hyphens)',
        optional: true,
      },
    ],
    fresh: () => ({ id: '', line: line() }),
  },
  {
    type: 'list',
    key: 'checks',
    label: 'Quick checks that separate the causes',
    item: 'check',
    fields: [
      { type: 'line', key: 'line', label: 'Check' },
      {
        type: 'list',
        key: 'results',
        label: 'Results',
        item: 'result',
        fields: [
          { type: 'text', key: 'result', label: 'Result' },
          { type: 'ids', key: 'pointsTo', label: 'Points to (short ids of causes)' },
          {
            type: 'list',
            key: 'weights',
            label:
              'How often each cause shows this result, against the other results (empty: by what it points to)',
            item: 'weight',
            fields: [
              { type: 'text', key: 'cause', label: 'Cause (short id)' },
              { type: 'number', key: 'weight', label: 'Weight' },
            ],
            fresh: () => ({ cause: '', weight: 1 }),
          },
        ],
        fresh: () => ({ result: '', pointsTo: [] }),
      },
    ],
    fresh: () => ({ line: line(), results: [] }),
  },
  {
    type: 'list',
    key: 'answers',
    label: 'Answers, cheapest first',
    item: 'answer',
    fields: [
      choice('answerKind', 'Kind', ANSWER_KINDS),
      { type: 'line', key: 'line', label: 'What to do' },
      { type: 'document', key: 'cue', label: 'Cue', kind: 'cue', optional: true },
      { type: 'document', key: 'variation', label: 'Variation', kind: 'variation', optional: true },
      { type: 'documents', key: 'equipment', label: 'Equipment it needs', kind: 'equipment' },
      { type: 'flag', key: 'needsSecondPerson', label: 'Needs a second person' },
      { type: 'ids', key: 'causes', label: 'Answers these causes (short ids; empty: any of them)' },
    ],
    fresh: () => ({ answerKind: 'cue', line: line(), needsSecondPerson: false, equipment: [] }),
  },
  { type: 'line', key: 'whenToStop', label: 'When to stop' },
  {
    type: 'list',
    key: 'chain',
    label: 'Corrective chain over weeks',
    item: 'step',
    fields: [
      { type: 'line', key: 'line', label: 'Step' },
      { type: 'document', key: 'variation', label: 'Variation', kind: 'variation', optional: true },
      { type: 'line', key: 'gate', label: 'Gate to the next step' },
    ],
    fresh: () => ({ line: line(), gate: line() }),
  },
  {
    type: 'list',
    key: 'felt',
    label: 'What athletes say with it',
    item: 'sensation',
    fields: felt,
    fresh: feltFresh,
  },
  {
    type: 'group',
    key: 'shows',
    label: 'How it looks: what it changes in the figure',
    optional: true,
    fresh: () => ({ view: 'side', at: 1 }),
    fields: [
      choice('view', 'Drawn from', ['side', 'front']),
      { type: 'number', key: 'at', label: 'How far into the repetition, 0 to 1', step: 0.1 },
      ...(
        [
          ['trunkDeg', 'Trunk leans more (a bridge: hips higher)', '°'],
          ['shinDeg', 'Knees farther forward', '°'],
          ['thighDeg', 'Hips lower and farther back', '°'],
          ['spineDeg', 'Back rounded (below 0: arched)', '°'],
          ['headDeg', 'Looks up (below 0: chin to chest)', '°'],
          ['heelsDeg', 'Heels off the floor', '°'],
          ['armsDeg', 'Arms lifted', '°'],
          ['loadAwayM', 'Load away from the body', 'm'],
          ['footAwayM', 'Feet farther away', 'm'],
          ['kneesInDeg', 'Front: knees inwards (below 0: outwards)', '°'],
          ['pelvisDeg', 'Front: belt tips', '°'],
          ['leanDeg', 'Front: trunk leans', '°'],
          ['feetApartM', 'Front: feet farther apart', 'm'],
        ] as const
      ).map(([key, label, unit]): FieldSpec => ({
        type: 'number',
        key,
        label,
        unit,
        optional: true,
        step: unit === 'm' ? 0.01 : 1,
      })),
      { type: 'flag', key: 'oneLeg', label: 'Front: one leg alone' },
    ],
  },
  ...foot,
];

const caution: FieldSpec[] = [
  { type: 'text', key: 'name', label: 'Name' },
  lines('lines', 'What it says'),
  { type: 'predicate', key: 'appliesTo', label: 'Which variations carry it' },
  ...foot,
];

const equipment: FieldSpec[] = [
  { type: 'text', key: 'name', label: 'Name' },
  { type: 'number', key: 'inHall', label: 'How many the hall has', step: 1 },
  { type: 'text', key: 'where', label: 'Where it stands', optional: true },
  { type: 'flag', key: 'shareable', label: 'Can be shared within a group' },
  {
    type: 'list',
    key: 'sizes',
    label: 'Sizes',
    item: 'size',
    fields: [
      { type: 'text', key: 'name', label: 'What' },
      { type: 'number', key: 'fromM', label: 'From', unit: 'm', step: 0.01 },
      { type: 'number', key: 'toM', label: 'To', unit: 'm', step: 0.01 },
      { type: 'number', key: 'stepM', label: 'In steps of', unit: 'm', step: 0.01 },
    ],
    fresh: () => ({ name: '', fromM: 0, toM: 0, stepM: 0 }),
  },
  lines('setUp', 'Set-up'),
  lines('checks', 'Checks before use'),
  { type: 'documents', key: 'equals', label: 'Equals', kind: 'equipment' },
  lines('homeSubstitutes', 'At home'),
  ...foot,
];

const answerFields: FieldSpec[] = [
  { type: 'text', key: 'answer', label: 'Answer (its short id)' },
  { type: 'text', key: 'why', label: 'Why', optional: true },
];
const houseQuestion: FieldSpec[] = [
  { type: 'text', key: 'question', label: 'Question' },
  {
    type: 'list',
    key: 'answers',
    label: 'Schools',
    item: 'answer',
    fields: [
      { type: 'text', key: 'id', label: 'Short id' },
      { type: 'text', key: 'name', label: 'Answer' },
      lines('reasons', 'Reasons'),
      {
        type: 'mechanics',
        key: 'example',
        label: 'Example posture, to compute what the answer asks',
        optional: true,
      },
    ],
    fresh: () => ({ id: '', name: '', reasons: [] }),
  },
  { type: 'group', key: 'hall', label: 'The hall’s answer', fields: answerFields },
  {
    type: 'list',
    key: 'byStage',
    label: 'Different by stage',
    item: 'stage',
    fields: [choice('stage', 'Stage', STAGES), ...answerFields],
    fresh: () => ({ stage: 'learning', answer: '', why: '' }),
  },
  {
    type: 'list',
    key: 'byLoad',
    label: 'Different with or without load',
    item: 'case',
    fields: [{ type: 'flag', key: 'loaded', label: 'With load' }, ...answerFields],
    fresh: () => ({ loaded: true, answer: '', why: '' }),
  },
  {
    type: 'list',
    key: 'byVariation',
    label: 'Different for a variation',
    item: 'variation',
    fields: [{ type: 'document', key: 'variation', label: 'Variation', kind: 'variation' }, ...answerFields],
    fresh: () => ({ variation: '', answer: '', why: '' }),
  },
  ...foot,
];

const drillList: FieldSpec[] = [
  { type: 'text', key: 'name', label: 'Name' },
  choice('pattern', 'Pattern', PATTERNS),
  lines('notes', 'Notes'),
  { type: 'documents', key: 'drills', label: 'Drills in order', kind: 'variation' },
  ...foot,
];

export const LEVEL: FieldSpec[] = [
  { type: 'criterion', key: 'advance', label: 'Move up when' },
  { type: 'criterion', key: 'stepBack', label: 'Step back when', negated: true },
  { type: 'waysOn', key: 'waysOn', label: 'Ways on inside the level, in order' },
  {
    type: 'group',
    key: 'dose',
    label: 'Target on arrival',
    fields: [
      { type: 'number', key: 'sets', label: 'Sets', step: 1 },
      { type: 'number', key: 'reps', label: 'Repetitions', step: 1, optional: true },
      { type: 'number', key: 'holdS', label: 'Hold', unit: 's', step: 1, optional: true },
      { type: 'number', key: 'rounds', label: 'Rounds', step: 1, optional: true },
      { type: 'number', key: 'loadKg', label: 'Load', unit: 'kg', step: 0.5, optional: true },
      { type: 'number', key: 'restS', label: 'Rest', unit: 's', step: 5 },
      {
        type: 'list',
        key: 'aids',
        label: 'Help on arrival, meant to fade',
        item: 'aid',
        fields: [
          choice('aid', 'Aid', AIDS),
          { type: 'number', key: 'amount', label: 'How much (pads, or 1 light to 3 strong)', step: 1 },
        ],
        fresh: () => ({ aid: 'pads', amount: 1 }),
      },
    ],
  },
  { type: 'document', key: 'main', label: 'Main variation', kind: 'variation' },
  { type: 'documents', key: 'equals', label: 'Equals', kind: 'variation' },
  choice('stage', 'Stage', STAGES),
  { type: 'text', key: 'name', label: 'Name' },
  { type: 'text', key: 'id', label: 'Short id (never changes once people stand here)' },
  {
    type: 'list',
    key: 'entryNeeds',
    label: 'Levels held on other ladders first',
    item: 'level',
    fields: [
      { type: 'document', key: 'ladder', label: 'Ladder', kind: 'ladder' },
      { type: 'text', key: 'level', label: 'Level (its short id)' },
    ],
    fresh: () => ({ ladder: '', level: '' }),
  },
  {
    type: 'group',
    key: 'usualStayWeeks',
    label: 'Usual stay',
    fields: [
      { type: 'number', key: 'from', label: 'From', unit: 'weeks', step: 1 },
      { type: 'number', key: 'to', label: 'To', unit: 'weeks', step: 1 },
    ],
  },
  {
    type: 'list',
    key: 'variants',
    label: 'Asked instead, by role or stage',
    item: 'variant',
    fields: [
      {
        type: 'choice',
        key: 'role',
        label: 'Who does it as',
        options: ROLES,
        optional: true,
        none: 'any role',
      },
      {
        type: 'choice',
        key: 'stage',
        label: 'Read at stage',
        options: STAGES,
        optional: true,
        none: 'any stage',
      },
      { type: 'criterion', key: 'advance', label: 'Move up when' },
      { type: 'criterion', key: 'stepBack', label: 'Step back when', negated: true },
    ],
    fresh: () => {
      const { advance, stepBack } = blankLevel('', '');
      return { role: 'prepare', advance, stepBack };
    },
  },
];

const ladder: FieldSpec[] = [
  { type: 'text', key: 'name', label: 'Name' },
  choice('pattern', 'Pattern', PATTERNS),
  lines('purpose', 'Purpose'),
  {
    type: 'list',
    key: 'levels',
    label: 'Levels, from the easiest',
    item: 'level',
    fields: LEVEL,
    fresh: () => blankLevel('', ''),
  },
  {
    type: 'list',
    key: 'demandAnswers',
    label: 'Why the order stands where the computed demand disagrees',
    item: 'answer',
    fields: [
      choice('kind', 'Question', DEMAND_QUESTIONS),
      { type: 'text', key: 'from', label: 'Level below (its short id)', optional: true },
      { type: 'text', key: 'to', label: 'Level (its short id)' },
      { type: 'text', key: 'reason', label: 'Reason' },
    ],
    fresh: () => ({ kind: 'inversion', to: '', reason: '' }),
  },
  ...foot,
];

export const FORMS: Record<Kind, FieldSpec[]> = {
  variation,
  cue,
  fault,
  caution,
  equipment,
  houseQuestion,
  drillList,
  ladder,
};

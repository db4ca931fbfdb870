import type { Mechanics } from '../../../../core/posture/index.ts';
import { REFERENCE_BUILD } from '../../../../core/body/index.ts';
import { BLANK_MECHANICS } from '../../../../core/library/index.ts';
import { FREE_HANDS, LOAD_LOOKS, settledAlone, WALLS } from '../../../../core/posture/index.ts';
import { LOAD_PLACES } from '../../../../core/terms/index.ts';
import { Movement, PATTERN_OF_POSTURE } from '../../../figure/index.ts';
import type { EditContext, FieldsProps } from './context.ts';
import type { ComponentType } from 'react';
import type { FieldSpec, Value } from './types.ts';

const legs: FieldSpec = { type: 'choice', key: 'legs', label: 'Legs', options: [2, 1] };
const place: FieldSpec = { type: 'choice', key: 'loadPlace', label: 'Load place', options: LOAD_PLACES };
const hands: FieldSpec = {
  type: 'choice',
  key: 'hands',
  label: 'Hands',
  options: FREE_HANDS,
};
const load: FieldSpec = {
  type: 'group',
  key: 'referenceLoad',
  label: 'Reference load',
  optional: true,
  fresh: () => ({ fractionOfBodyMass: 0.2, per: 'total' }),
  fields: [
    { type: 'number', key: 'fractionOfBodyMass', label: 'Fraction of body mass', step: 0.05 },
    { type: 'choice', key: 'per', label: 'Counted', options: ['total', 'hand'] },
  ],
};
const look: FieldSpec = {
  type: 'choice',
  key: 'loadLook',
  label: 'Load drawn as',
  options: LOAD_LOOKS,
  optional: true,
};
const wall: FieldSpec = { type: 'choice', key: 'wall', label: 'Wall', options: WALLS, optional: true };
const angle = (key: string, label: string): FieldSpec => ({ type: 'number', key, label, unit: '°' });
const angles: FieldSpec[] = [
  angle('shankDeg', 'Shank'),
  angle('thighDeg', 'Thigh'),
  angle('trunkDeg', 'Trunk'),
  {
    type: 'group',
    key: 'other',
    label: 'Other leg',
    optional: true,
    fresh: () => ({ shankDeg: 0, thighDeg: 0 }),
    fields: [angle('shankDeg', 'Shank'), angle('thighDeg', 'Thigh')],
  },
  ...(
    [
      ['arms', 'Arms'],
      ['otherArm', 'Other arm'],
    ] as const
  ).map(([key, label]): FieldSpec => ({
    type: 'group',
    key,
    label,
    optional: true,
    fresh: () => ({ upperDeg: 0, foreDeg: 0 }),
    fields: [angle('upperDeg', 'Upper arm'), angle('foreDeg', 'Forearm')],
  })),
  {
    type: 'number',
    key: 'airborne',
    label: 'Off the floor, of stature',
    step: 0.01,
    optional: true,
  },
];
const ruled = (key: string, label: string, optional = false): FieldSpec => ({
  type: 'ruled',
  key,
  label,
  unit: '°',
  optional,
});
const metres = (key: string, label: string): FieldSpec => ({
  type: 'number',
  key,
  label,
  unit: 'm',
  step: 0.01,
  optional: true,
});

const FIELDS: Record<Mechanics['type'], FieldSpec[]> = {
  squat: [
    legs,
    ruled('thighDeg', 'Thigh from the vertical at the bottom'),
    hands,
    place,
    load,
    look,
    {
      type: 'choice',
      key: 'chestHold',
      label: 'Load at the chest',
      options: ['goblet', 'hugged'],
      optional: true,
    },
    ruled('shinLimitDeg', 'Shin at most', true),
    { type: 'ruled', key: 'kneePastToeM', label: 'Knee past the toe at most', unit: 'm', optional: true },
    {
      type: 'ruled',
      key: 'footPressure',
      label: 'Foot pressure, of foot length from the heel',
      unit: '',
      optional: true,
    },
    { type: 'number', key: 'heelWedgeDeg', label: 'Heel wedge', unit: '°', optional: true },
    { type: 'choice', key: 'box', label: 'Box', options: ['seated', 'touched'], optional: true },
    { type: 'choice', key: 'pull', label: 'Pull', options: ['strap', 'hand'], optional: true },
    { type: 'number', key: 'spreadDeg', label: 'Leg spread', unit: '°', optional: true },
    {
      type: 'number',
      key: 'sidewaysShare',
      label: 'Step to the side: share of the bent leg (0.5 to 1)',
      step: 0.05,
      optional: true,
    },
    metres('stepUpM', 'Step-up height'),
    wall,
  ],
  hinge: [
    legs,
    ruled('trunkDeg', 'Trunk from the vertical'),
    ruled('kneeDeg', 'Knee bend'),
    hands,
    place,
    load,
    {
      type: 'choice',
      key: 'loadPath',
      label: 'Load path',
      options: ['hanging', 'close', 'beside', 'held back'],
      optional: true,
    },
    look,
    {
      type: 'ruled',
      key: 'footPressure',
      label: 'Foot pressure, of foot length from the heel',
      unit: '',
      optional: true,
    },
    { type: 'flag', key: 'kickstand', label: 'Toe of the other foot on the floor' },
    wall,
  ],
  lift: [
    { type: 'number', key: 'fromHeightM', label: 'From a height of', unit: 'm', step: 0.01 },
    { type: 'choice', key: 'implement', label: 'Implement', options: ['straight bar', 'at the sides'] },
    load,
  ],
  bridge: [
    legs,
    {
      type: 'choice',
      key: 'bench',
      label: 'Shoulders on a bench',
      options: ['fitted'],
      words: { fitted: 'of the height that fits' },
      optional: true,
    },
    metres('feetRaisedM', 'Feet raised by'),
    { type: 'choice', key: 'feetOn', label: 'Feet on', options: ['step', 'ball'], optional: true },
    {
      type: 'ruled',
      key: 'pushToHead',
      label: 'Push along the floor to the head, share of the load on the feet',
      unit: '',
      optional: true,
    },
    ruled('feetFartherDeg', 'Shank lean towards the head at the top'),
    { type: 'flag', key: 'hold', label: 'Held' },
    place,
    load,
    look,
  ],
  lunge: [
    {
      type: 'number',
      key: 'stepOfRightAngleStep',
      label: 'Step as a multiple of the right-angle step',
      step: 0.05,
    },
    { type: 'number', key: 'frontShankDeg', label: 'Front shank', unit: '°' },
    ruled('frontThighDeg', 'Front thigh at the bottom (empty: level)', true),
    ruled('trunkDeg', 'Trunk'),
    metres('rearFootRaisedM', 'Rear foot raised by'),
    metres('frontFootRaisedM', 'Front foot raised by'),
    { type: 'ruled', key: 'frontShare', label: 'Share of the front leg (0 to 1)', unit: '', optional: true },
    { type: 'choice', key: 'dynamics', label: 'Kind', options: ['static', 'reverse', 'forward'] },
    { ...hands, optional: true },
    { type: 'flag', key: 'touch', label: 'A hand touches something' },
    place,
    load,
    look,
    wall,
  ],
  extension: [{ type: 'choice', key: 'bench', label: 'Bench', options: ['level', 'inclined'] }, hands, load],
  drawn: [
    { type: 'text', key: 'reason', label: 'Why it is only drawn' },
    {
      type: 'choice',
      key: 'view',
      label: 'Seen from',
      options: ['front'],
      words: { front: 'the front' },
      optional: true,
    },
    { type: 'group', key: 'start', label: 'Start', fields: angles },
    { type: 'group', key: 'working', label: 'Working position', fields: angles },
  ],
};

interface Props {
  value: Mechanics;
  path: string;
  context: EditContext;
  onChange: (value: Mechanics) => void;
  /** The editor of fields that this one stands in. */
  Fields: ComponentType<FieldsProps>;
}

export function MechanicsEditor({ value, path, context, onChange, Fields }: Props) {
  return (
    <div className="grid items-start gap-x-8 gap-y-3 border-l-2 border-rule pl-3 lg:grid-cols-[1fr_22rem]">
      <div className="grid min-w-0 gap-3">
        <select
          aria-label="Kind of posture"
          className="field max-w-56"
          value={value.type}
          onChange={(e) => onChange(BLANK_MECHANICS[e.target.value as Mechanics['type']])}
        >
          {Object.keys(FIELDS).map((t) => (
            <option key={t}>{t}</option>
          ))}
        </select>
        <Fields
          key={value.type}
          fields={FIELDS[value.type]}
          value={value as unknown as Value}
          path={path}
          context={context}
          onChange={(v) => onChange(v as unknown as Mechanics)}
        />
      </div>
      <div className="lg:sticky lg:top-20">
        <Preview value={value} />
      </div>
    </div>
  );
}

/** The figure that follows from what is filled in; while a number is missing, the words for that. */
function Preview({ value }: { value: Mechanics }) {
  const mechanics = settledAlone(value);
  const complete = (v: unknown): boolean =>
    typeof v === 'object' && v !== null
      ? Object.values(v).every(complete)
      : v === undefined || v === true || v === false || typeof v === 'string' || Number.isFinite(v);
  if (!complete(mechanics))
    return <p className="text-soft">The figure appears once every number is there.</p>;
  return (
    <Movement
      mechanics={mechanics}
      pattern={PATTERN_OF_POSTURE[value.type]}
      build={REFERENCE_BUILD}
      scale={0.8}
    />
  );
}

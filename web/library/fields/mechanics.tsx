import type { Mechanics } from '../../../core/library/index.ts';
import { LOAD_PLACES } from '../../../core/library/index.ts';
import { EditFields } from './edit.tsx';
import type { EditContext } from './edit.tsx';
import type { FieldSpec, Value } from './types.ts';

const legs: FieldSpec = { type: 'choice', key: 'legs', label: 'Legs', options: [2, 1] };
const place: FieldSpec = { type: 'choice', key: 'loadPlace', label: 'Load place', options: LOAD_PLACES };
const hands: FieldSpec = {
  type: 'choice',
  key: 'hands',
  label: 'Hands',
  options: ['at the sides', 'forward', 'crossed', 'behind the ears', 'on the floor'],
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
const angles: FieldSpec[] = [
  { type: 'number', key: 'shankDeg', label: 'Shank', unit: '°' },
  { type: 'number', key: 'thighDeg', label: 'Thigh', unit: '°' },
  { type: 'number', key: 'trunkDeg', label: 'Trunk', unit: '°' },
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
    ruled('shinLimitDeg', 'Shin at most', true),
    { type: 'number', key: 'heelWedgeDeg', label: 'Heel wedge', unit: '°', optional: true },
    { type: 'choice', key: 'box', label: 'Box', options: ['seated', 'touched'], optional: true },
    { type: 'choice', key: 'pull', label: 'Pull', options: ['strap', 'hand'], optional: true },
    { type: 'number', key: 'spreadDeg', label: 'Leg spread', unit: '°', optional: true },
    metres('stepUpM', 'Step-up height'),
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
    { type: 'flag', key: 'kickstand', label: 'Toe of the other foot on the floor' },
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
    ruled('feetFartherDeg', 'Shank lean towards the head at the top'),
    { type: 'flag', key: 'hold', label: 'Held' },
    place,
    load,
  ],
  lunge: [
    {
      type: 'number',
      key: 'stepOfRightAngleStep',
      label: 'Step as a multiple of the right-angle step',
      step: 0.05,
    },
    { type: 'number', key: 'frontShankDeg', label: 'Front shank', unit: '°' },
    ruled('trunkDeg', 'Trunk'),
    metres('rearFootRaisedM', 'Rear foot raised by'),
    ruled('frontShare', 'Share of the front leg (0 to 1)', true),
    { type: 'choice', key: 'dynamics', label: 'Kind', options: ['static', 'reverse', 'forward'] },
    place,
    load,
  ],
  extension: [{ type: 'choice', key: 'bench', label: 'Bench', options: ['level', 'inclined'] }, hands, load],
  drawn: [
    { type: 'text', key: 'reason', label: 'Why it is only drawn' },
    { type: 'group', key: 'start', label: 'Start', fields: angles },
    { type: 'group', key: 'working', label: 'Working position', fields: angles },
  ],
};

const FRESH: Record<Mechanics['type'], Mechanics> = {
  squat: { type: 'squat', legs: 2, thighDeg: 90, hands: 'forward', loadPlace: 'none' },
  hinge: { type: 'hinge', legs: 2, trunkDeg: 70, kneeDeg: 20, hands: 'at the sides', loadPlace: 'none' },
  lift: {
    type: 'lift',
    fromHeightM: 0.225,
    implement: 'straight bar',
    referenceLoad: { fractionOfBodyMass: 0.5, per: 'total' },
  },
  bridge: { type: 'bridge', legs: 2, loadPlace: 'none', feetFartherDeg: 0, hold: false },
  lunge: {
    type: 'lunge',
    stepOfRightAngleStep: 1,
    frontShankDeg: 0,
    trunkDeg: 5,
    dynamics: 'static',
    loadPlace: 'none',
  },
  extension: { type: 'extension', bench: 'level', hands: 'crossed' },
  drawn: {
    type: 'drawn',
    reason: '',
    start: { shankDeg: 0, thighDeg: 0, trunkDeg: 0 },
    working: { shankDeg: 0, thighDeg: 0, trunkDeg: 0 },
  },
};

interface Props {
  value: Mechanics;
  path: string;
  context: EditContext;
  onChange: (value: Mechanics) => void;
}

export function MechanicsEditor({ value, path, context, onChange }: Props) {
  return (
    <div className="grid gap-3 border-l-2 border-rule pl-3">
      <select
        aria-label="Kind of posture"
        className="field max-w-56"
        value={value.type}
        onChange={(e) => onChange(FRESH[e.target.value as Mechanics['type']])}
      >
        {Object.keys(FIELDS).map((t) => (
          <option key={t}>{t}</option>
        ))}
      </select>
      <EditFields
        key={value.type}
        fields={FIELDS[value.type]}
        value={value as unknown as Value}
        path={path}
        context={context}
        onChange={(v) => onChange(v as unknown as Mechanics)}
      />
    </div>
  );
}

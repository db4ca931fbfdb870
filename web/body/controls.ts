import { CONSTANTS } from '../../core/body/index.ts';
import { BLANK_MECHANICS } from '../../core/library/index.ts';
import { LOAD_PLACES } from '../../core/terms/index.ts';
import type { LoadPlace, Pattern } from '../../core/terms/index.ts';
import type { ReferenceLoad, SettledMechanics, SettledOf } from '../../core/posture/index.ts';
import { FREE_HANDS, limitsOf, referenceLoadKg } from '../../core/posture/index.ts';
import type { Limits } from '../../core/posture/index.ts';
import type { Build } from '../../core/body/index.ts';
import { length, mass, tidy } from '../ui/index.ts';

export interface Units {
  mass: 'kg' | 'lb';
  length: 'cm' | 'in';
}

/** One thing of a set-up that can be changed, in the words of the floor. */
export type Control =
  | {
      kind: 'slider';
      label: string;
      min: number;
      max: number;
      step: number;
      value: number;
      show: string;
      set: (v: number) => SettledMechanics;
    }
  | {
      kind: 'choice';
      label: string;
      options: readonly string[];
      value: string;
      set: (v: string) => SettledMechanics;
    };

export const slider = (
  label: string,
  [min, max, step]: readonly [number, number, number],
  value: number,
  show: string,
  set: (v: number) => SettledMechanics,
): Control => ({ kind: 'slider', label, min, max, step, value, show, set });
export const choice = (
  label: string,
  options: readonly string[],
  value: string,
  set: (v: string) => SettledMechanics,
): Control => ({ kind: 'choice', label, options, value, set });

const SQUAT_PLACES: readonly LoadPlace[] = [
  'none',
  'at the chest',
  'front of shoulders',
  'across the shoulders, high',
  'across the shoulders, low',
  'arms out in front',
  'at the sides',
];
const HINGE_PLACES: readonly LoadPlace[] = [
  'none',
  'in front of the legs',
  'at the sides',
  'across the shoulders, high',
  'across the shoulders, low',
  'at the chest',
];
const LUNGE_PLACES = SQUAT_PLACES.filter((p) => p !== 'arms out in front');
const HANDS = FREE_HANDS.filter((h) => h !== 'on the floor');

/** A load of so many kilograms in all, counted as it was before. */
const amount = (before: ReferenceLoad | undefined, kg: number, massKg: number): ReferenceLoad => {
  const per = before?.per ?? 'total';
  return { fractionOfBodyMass: kg / massKg / (per === 'hand' ? 2 : 1), per };
};

/** What the controls of one body's set-up need. */
interface Room {
  massKg: number;
  limits: Limits;
  units: Units;
}

type Loaded = Extract<SettledMechanics, { loadPlace: LoadPlace }>;

/** Load place and amount; a place without an amount starts with a tenth of body mass. */
function loadControls<M extends Loaded>(
  m: M,
  places: readonly LoadPlace[],
  { massKg, limits, units }: Room,
): Control[] {
  const most = m.loadPlace === 'arms out in front' ? limits.heldOutKg : limits.loadKg;
  const kg = referenceLoadKg({ massKg }, m.referenceLoad);
  const known = places.includes(m.loadPlace) ? places : [...places, m.loadPlace];
  return [
    choice('Load', known, m.loadPlace, (v) => {
      const { referenceLoad, loadLook: _look, ...rest } = m;
      if (v === 'none') return { ...rest, loadPlace: 'none' } as unknown as SettledMechanics;
      return {
        ...rest,
        loadPlace: v as LoadPlace,
        referenceLoad: referenceLoad ?? { fractionOfBodyMass: 0.1, per: 'total' },
      } as unknown as SettledMechanics;
    }),
    ...(LOAD_PLACES.includes(m.loadPlace) && m.loadPlace !== 'none' && !m.loadPlace.startsWith('round')
      ? [
          slider('Amount', most!, kg, mass(kg, units.mass), (v) => ({
            ...m,
            referenceLoad: amount(m.referenceLoad, v, massKg),
          })),
        ]
      : []),
  ];
}

const pressureSlider = (m: SettledOf<'squat'> | SettledOf<'hinge'>, limits: Limits): Control => {
  const pressure = m.footPressure ?? CONSTANTS.pressure;
  return slider(
    'Foot pressure',
    limits.footPressure!,
    pressure,
    `${tidy(100 * pressure, 0)} % from the heel`,
    (v) => ({
      ...m,
      footPressure: v,
    }),
  );
};

function squatControls(m: SettledOf<'squat'>, room: Room): Control[] {
  const { limits, units } = room;
  const support = m.box
    ? `box, ${m.box}`
    : m.pull === 'strap'
      ? 'strap'
      : m.pull === 'hand'
        ? 'hand'
        : 'none';
  const supports = {
    none: {},
    'box, touched': { box: 'touched' },
    'box, seated': { box: 'seated' },
    strap: { pull: 'strap' },
    hand: { pull: 'hand' },
  } as const;
  // Both rules are off at the end of their slider.
  const noShinRule = limits.shinLimitDeg![1];
  const noToeRule = limits.kneePastToeM![1];
  const shin = m.shinLimitDeg ?? noShinRule;
  const toe = m.kneePastToeM ?? noToeRule;
  const without = (...keys: (keyof SettledOf<'squat'>)[]) =>
    Object.fromEntries(
      Object.entries(m).filter(([k]) => !keys.includes(k as keyof SettledOf<'squat'>)),
    ) as unknown as SettledOf<'squat'>;
  if (m.stepUpM !== undefined) {
    return [
      slider('Height of the step', limits.stepUpM!, m.stepUpM, length(m.stepUpM, units.length), (v) => ({
        ...m,
        stepUpM: v,
      })),
      ...loadControls(m, LUNGE_PLACES, room),
    ];
  }
  return [
    slider(
      'Depth: thigh',
      limits.thighDeg!,
      m.thighDeg,
      `${tidy(m.thighDeg, 0)}°${m.thighDeg === 90 ? ' level' : ''}`,
      (v) => ({ ...m, thighDeg: v }),
    ),
    slider(
      'Shin rule',
      limits.shinLimitDeg!,
      shin,
      m.shinLimitDeg === undefined ? 'none' : `at most ${tidy(shin, 0)}°`,
      (v) => (v >= noShinRule ? without('shinLimitDeg') : { ...m, shinLimitDeg: v }),
    ),
    slider(
      'Knee past toe',
      limits.kneePastToeM!,
      toe,
      m.kneePastToeM === undefined ? 'no rule' : `at most ${length(toe, units.length)}`,
      (v) => (v >= noToeRule - 1e-9 ? without('kneePastToeM') : { ...m, kneePastToeM: v }),
    ),
    pressureSlider(m, limits),
    slider('Heel wedge', limits.heelWedgeDeg!, m.heelWedgeDeg ?? 0, `${tidy(m.heelWedgeDeg ?? 0)}°`, (v) => ({
      ...m,
      heelWedgeDeg: v,
    })),
    slider(
      'Stance: legs spread',
      limits.spreadDeg!,
      m.spreadDeg ?? 0,
      `${tidy(m.spreadDeg ?? 0, 0)}°`,
      (v) => ({
        ...m,
        spreadDeg: v,
      }),
    ),
    choice('Support', Object.keys(supports), support, (v) => ({
      ...without('box', 'pull'),
      ...supports[v as keyof typeof supports],
    })),
    choice('Legs', ['2', '1'], String(m.legs), (v) => ({ ...m, legs: Number(v) as 1 | 2 })),
    ...loadControls(m, SQUAT_PLACES, room),
    ...(m.loadPlace === 'none'
      ? [choice('Hands', HANDS, m.hands, (v) => ({ ...m, hands: v as typeof m.hands }))]
      : []),
  ];
}

function hingeControls(m: SettledOf<'hinge'>, room: Room): Control[] {
  const { limits } = room;
  const hands = ['in front of the legs', 'at the sides', 'between the legs'].includes(m.loadPlace);
  const path = m.loadPath ?? (m.loadPlace === 'in front of the legs' ? 'held back' : 'beside');
  return [
    slider('Lean', limits.trunkDeg!, m.trunkDeg, `${tidy(m.trunkDeg, 0)}°`, (v) => ({ ...m, trunkDeg: v })),
    slider('Knees give', limits.kneeDeg!, m.kneeDeg, `${tidy(m.kneeDeg, 0)}°`, (v) => ({ ...m, kneeDeg: v })),
    pressureSlider(m, limits),
    choice(
      'Legs',
      ['2', '1', '1, toe of the other down'],
      m.legs === 2 ? '2' : m.kickstand ? '1, toe of the other down' : '1',
      (v) => ({ ...m, legs: v === '2' ? 2 : 1, kickstand: v.includes('toe') }),
    ),
    ...loadControls(m, HINGE_PLACES, room),
    ...(m.legs === 1
      ? [
          choice('Hand', ['free', 'on something'], m.touch ? 'on something' : 'free', (v) => ({
            ...m,
            touch: v !== 'free',
          })),
        ]
      : [
          choice('Pace', ['slow', 'swung'], m.fast ? 'swung' : 'slow', (v) => ({
            ...m,
            fast: v === 'swung',
          })),
        ]),
    ...(hands
      ? [
          choice('Path of the load', ['held back', 'close', 'hanging', 'beside'], path, (v) => ({
            ...m,
            loadPath: v as typeof path,
          })),
        ]
      : []),
  ];
}

function bridgeControls(m: SettledOf<'bridge'>, room: Room): Control[] {
  const { limits, units } = room;
  const on =
    m.bench === undefined
      ? 'the floor'
      : m.bench === 'fitted'
        ? 'a bench that fits'
        : 'a bench of this height';
  const push = m.pushToHead ?? 0;
  const { bench, ...floor } = m;
  return [
    choice('Shoulders on', ['the floor', 'a bench that fits', 'a bench of this height'], on, (v) =>
      v === 'the floor' ? floor : { ...m, bench: v === 'a bench that fits' ? 'fitted' : { heightM: 0.45 } },
    ),
    ...(typeof bench === 'object'
      ? [
          slider(
            'Height of the bench',
            limits.benchM!,
            bench.heightM,
            length(bench.heightM, units.length),
            (v) => ({ ...m, bench: { heightM: v } }),
          ),
        ]
      : []),
    slider(
      'Feet: shin at the top',
      limits.feetFartherDeg!,
      m.feetFartherDeg,
      m.feetFartherDeg === 0
        ? 'upright'
        : `${tidy(Math.abs(m.feetFartherDeg), 0)}° ${m.feetFartherDeg > 0 ? 'feet farther' : 'feet nearer'}`,
      (v) => ({ ...m, feetFartherDeg: v }),
    ),
    slider(
      'Feet raised',
      limits.feetRaisedM!,
      m.feetRaisedM ?? 0,
      length(m.feetRaisedM ?? 0, units.length),
      (v) => ({ ...m, feetRaisedM: v }),
    ),
    slider(
      'Push along the floor',
      limits.pushToHead!,
      push,
      push === 0 ? 'none' : `${tidy(100 * Math.abs(push), 0)} % ${push > 0 ? 'to the head' : 'to the feet'}`,
      (v) => ({ ...m, pushToHead: v }),
    ),
    choice('Legs', ['2', '1'], String(m.legs), (v) => ({ ...m, legs: Number(v) as 1 | 2 })),
    ...loadControls(m, ['none', 'hip crease', 'low over the hips'], room),
  ];
}

function lungeControls(m: SettledOf<'lunge'>, room: Room): Control[] {
  const { limits, units } = room;
  const { frontShare, ...posture } = m;
  return [
    slider(
      'Step',
      limits.stepOfRightAngleStep!,
      m.stepOfRightAngleStep,
      `${tidy(100 * m.stepOfRightAngleStep, 0)} % of the right-angle step`,
      (v) => ({ ...m, stepOfRightAngleStep: v }),
    ),
    slider('Lean', limits.trunkDeg!, m.trunkDeg, `${tidy(m.trunkDeg, 0)}°`, (v) => ({ ...m, trunkDeg: v })),
    slider('Front shin', limits.frontShankDeg!, m.frontShankDeg, `${tidy(m.frontShankDeg, 0)}°`, (v) => ({
      ...m,
      frontShankDeg: v,
    })),
    slider(
      'Rear foot raised',
      limits.rearFootRaisedM!,
      m.rearFootRaisedM ?? 0,
      length(m.rearFootRaisedM ?? 0, units.length),
      (v) => ({ ...m, rearFootRaisedM: v }),
    ),
    slider(
      'Front foot raised',
      limits.frontFootRaisedM!,
      m.frontFootRaisedM ?? 0,
      length(m.frontFootRaisedM ?? 0, units.length),
      (v) => ({ ...m, frontFootRaisedM: v }),
    ),
    choice(
      'Weight in front',
      ['what the posture gives', 'asked for'],
      frontShare === undefined ? 'what the posture gives' : 'asked for',
      (v) => (v === 'asked for' ? { ...m, frontShare: 0.6 } : posture),
    ),
    ...(frontShare === undefined
      ? []
      : [
          slider('Share in front', limits.frontShare!, frontShare, `${tidy(100 * frontShare, 0)} %`, (v) => ({
            ...m,
            frontShare: v,
          })),
        ]),
    choice('Hand', ['free', 'on something'], m.touch ? 'on something' : 'free', (v) => ({
      ...m,
      touch: v !== 'free',
    })),
    choice('Kind', ['static', 'reverse', 'forward'], m.dynamics, (v) => ({
      ...m,
      dynamics: v as typeof m.dynamics,
    })),
    ...loadControls(m, LUNGE_PLACES, room),
  ];
}

/** Everything of a set-up that the room can change. */
export function controlsOf(m: SettledMechanics, build: Build, units: Units): Control[] {
  if (m.type === 'drawn') return [];
  const { massKg } = build;
  const limits = limitsOf(build, m);
  const room: Room = { massKg, limits, units };
  switch (m.type) {
    case 'squat':
      return squatControls(m, room);
    case 'hinge':
      return hingeControls(m, room);
    case 'bridge':
      return bridgeControls(m, room);
    case 'lunge':
      return lungeControls(m, room);
    case 'lift': {
      const kg = referenceLoadKg({ massKg }, m.referenceLoad);
      return [
        slider(
          'From a height of',
          limits.fromHeightM!,
          m.fromHeightM,
          length(m.fromHeightM, units.length),
          (v) => ({ ...m, fromHeightM: v }),
        ),
        choice('With', ['straight bar', 'at the sides'], m.implement, (v) => ({
          ...m,
          implement: v as typeof m.implement,
        })),
        slider('Amount', limits.loadKg!, kg, mass(kg, units.mass), (v) => ({
          ...m,
          referenceLoad: amount(m.referenceLoad, v, massKg),
        })),
      ];
    }
    case 'extension': {
      const kg = referenceLoadKg({ massKg }, m.referenceLoad);
      return [
        choice('Bench', ['level', 'inclined'], m.bench, (v) => ({ ...m, bench: v as typeof m.bench })),
        choice('Hands', ['crossed', 'behind the ears', 'at the sides'], m.hands, (v) => ({
          ...m,
          hands: v as typeof m.hands,
        })),
        slider('Weight at the chest', limits.loadKg!, kg, mass(kg, units.mass), (v) => ({
          ...m,
          referenceLoad: amount(m.referenceLoad, v, massKg),
        })),
      ];
    }
  }
}

/** Set-ups to start from where the library has none of a kind. */
export const STARTS: readonly { name: string; pattern: Pattern; mechanics: SettledMechanics }[] = [
  { name: 'A squat', pattern: 'squat', mechanics: BLANK_MECHANICS.squat },
  {
    name: 'A step-up',
    pattern: 'lunge',
    mechanics: { ...BLANK_MECHANICS.squat, legs: 1, hands: 'at the sides', stepUpM: 0.3 },
  },
  { name: 'A lunge', pattern: 'lunge', mechanics: BLANK_MECHANICS.lunge },
  { name: 'A hinge', pattern: 'hinge', mechanics: BLANK_MECHANICS.hinge },
  { name: 'A lift from the floor', pattern: 'hinge', mechanics: BLANK_MECHANICS.lift },
  { name: 'A bench hip extension', pattern: 'hinge', mechanics: BLANK_MECHANICS.extension },
  { name: 'A bridge', pattern: 'bridge', mechanics: BLANK_MECHANICS.bridge },
  {
    name: 'A thrust',
    pattern: 'bridge',
    mechanics: {
      ...BLANK_MECHANICS.bridge,
      bench: 'fitted',
      loadPlace: 'hip crease',
      referenceLoad: { fractionOfBodyMass: 0.6, per: 'total' },
    },
  },
];

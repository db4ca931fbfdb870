import { FREE_HANDS, LOAD_LOOKS, WALLS } from '../../core/posture/index.ts';
import type { DrawnPose, SettledMechanics, SettledOf } from '../../core/posture/index.ts';
import { tidy } from '../ui/index.ts';
import { choice, slider } from './controls.ts';
import type { Control } from './controls.ts';

const NONE = 'none';

/** One of a few words, or none of them. */
function perhaps<M extends SettledMechanics>(
  m: M,
  label: string,
  key: keyof M & string,
  options: readonly string[],
  none = NONE,
): Control {
  return choice(label, [none, ...options], String(m[key] ?? none), (v) => {
    const { [key]: _old, ...rest } = m as Record<string, unknown>;
    return (v === none ? rest : { ...rest, [key]: v }) as unknown as SettledMechanics;
  });
}

/** What only the figure and the words of a sheet need, beside what the room changes. */
export function lookControlsOf(m: SettledMechanics): Control[] {
  switch (m.type) {
    case 'squat':
      return [
        ...(m.loadPlace === 'at the chest'
          ? [perhaps(m, 'Load at the chest', 'chestHold', ['goblet', 'hugged'], 'as usual')]
          : []),
        slider(
          'Step to the side: share of the bent leg',
          [0.45, 1, 0.05],
          m.sidewaysShare ?? 0.45,
          m.sidewaysShare === undefined ? 'no step to the side' : `${tidy(100 * m.sidewaysShare, 0)} %`,
          (v) => {
            const { sidewaysShare: _old, ...rest } = m;
            return v < 0.5 ? rest : { ...rest, sidewaysShare: v };
          },
        ),
        perhaps(m, 'Wall', 'wall', WALLS),
        loadLook(m),
      ];
    case 'hinge':
      return [
        ...(m.loadPlace === 'none' ? [handsOf(m)] : []),
        perhaps(m, 'Wall', 'wall', WALLS),
        loadLook(m),
      ];
    case 'lunge': {
      const thigh = m.frontThighDeg ?? 90;
      return [
        slider(
          'Depth: front thigh',
          [20, 110, 1],
          thigh,
          thigh === 90 ? 'level' : `${tidy(thigh, 0)}°`,
          (v) => ({ ...m, frontThighDeg: v }),
        ),
        perhaps(m, 'Hands', 'hands', FREE_HANDS, 'as usual'),
        choice('A hand touches something', ['no', 'yes'], m.touch ? 'yes' : 'no', (v) => ({
          ...m,
          touch: v === 'yes',
        })),
        perhaps(m, 'Wall', 'wall', WALLS),
        loadLook(m),
      ];
    }
    case 'bridge':
      return [
        choice('Held at the top', ['no', 'yes'], m.hold ? 'yes' : 'no', (v) => ({ ...m, hold: v === 'yes' })),
        ...(m.feetRaisedM ? [perhaps(m, 'Feet on', 'feetOn', ['step', 'ball'], 'as usual')] : []),
        loadLook(m),
      ];
    case 'lift':
    case 'extension':
      return [];
    case 'drawn':
      return [
        choice('Seen from', ['the side', 'the front'], m.view === 'front' ? 'the front' : 'the side', (v) => {
          const { view: _old, ...rest } = m;
          return v === 'the front' ? { ...rest, view: 'front' as const } : rest;
        }),
        ...poseControls('Start', m.start, (start) => ({ ...m, start })),
        ...poseControls('Working', m.working, (working) => ({ ...m, working })),
      ];
  }
}

const loadLook = (m: SettledOf<'squat' | 'hinge' | 'lunge' | 'bridge'>): Control =>
  perhaps(m, 'Load drawn as', 'loadLook', LOAD_LOOKS, 'what is usual');
const handsOf = (m: SettledOf<'hinge'>): Control =>
  choice('Hands', FREE_HANDS, m.hands, (v) => ({ ...m, hands: v as typeof m.hands }));

const LEG = { shankDeg: 0, thighDeg: 0 };
const ARM = { upperDeg: 0, foreDeg: 0 };
const LIMBS = [
  { key: 'other', name: 'other leg', blank: LEG },
  { key: 'arms', name: 'arms', blank: ARM },
  { key: 'otherArm', name: 'other arm', blank: ARM },
] as const;
const ANGLE_WORDS: Record<string, string> = {
  shankDeg: 'shin',
  thighDeg: 'thigh',
  trunkDeg: 'trunk',
  upperDeg: 'upper arm',
  foreDeg: 'forearm',
};

/** A pose drawn by its angles: each of them, and the limbs that differ. */
function poseControls(which: string, pose: DrawnPose, put: (p: DrawnPose) => SettledMechanics): Control[] {
  const angle = (label: string, value: number, set: (v: number) => DrawnPose) =>
    slider(`${which}: ${label}`, [-180, 180, 1], value, `${tidy(value, 0)}°`, (v) => put(set(v)));
  return [
    ...(['shankDeg', 'thighDeg', 'trunkDeg'] as const).map((key) =>
      angle(ANGLE_WORDS[key]!, pose[key], (v) => ({ ...pose, [key]: v })),
    ),
    ...LIMBS.flatMap(({ key, name, blank }): Control[] => {
      const limb = pose[key] as Record<string, number> | undefined;
      const { [key]: _old, ...without } = pose;
      return [
        choice(`${which}: ${name}`, ['as usual', 'by its angles'], limb ? 'by its angles' : 'as usual', (v) =>
          put(v === 'as usual' ? without : { ...pose, [key]: limb ?? blank }),
        ),
        ...Object.entries(limb ?? {}).map(([k, value]) =>
          angle(`${name}, ${ANGLE_WORDS[k]!}`, value, (v) => ({ ...pose, [key]: { ...limb, [k]: v } })),
        ),
      ];
    }),
    slider(
      `${which}: off the floor`,
      [0, 0.4, 0.01],
      pose.airborne ?? 0,
      pose.airborne ? `${tidy(100 * pose.airborne, 0)} % of stature` : 'on it',
      (v) => {
        const { airborne: _old, ...down } = pose;
        return put(v === 0 ? down : { ...pose, airborne: v });
      },
    ),
  ];
}

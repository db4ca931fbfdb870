import { BLANK_MECHANICS } from '../library/index.ts';
import type { DrawnPose, SettledMechanics, SettledOf } from '../posture/index.ts';
import type { Pattern } from '../terms/index.ts';

/** A movement of the trade with the mechanics that draw and compute it; for tests, benchmarks and the contact sheet. */
export interface Movement {
  name: string;
  pattern: Pattern;
  role: 'work' | 'prepare';
  mechanics: SettledMechanics;
}

type Of<T extends SettledMechanics['type']> = Partial<Omit<SettledOf<T>, 'type'>>;
const { squat: SQUAT, hinge: HINGE, lunge: LUNGE, bridge: BRIDGE } = BLANK_MECHANICS;

/** The plainest block of a kind with some of it changed. */
export const squat = (m: Of<'squat'> = {}): SettledMechanics => ({ ...SQUAT, ...m });
export const hinge = (m: Of<'hinge'> = {}): SettledMechanics => ({ ...HINGE, ...m });
export const lunge = (m: Of<'lunge'> = {}): SettledMechanics => ({ ...LUNGE, ...m });
export const bridge = (m: Of<'bridge'> = {}): SettledMechanics => ({ ...BRIDGE, ...m });
const drawn = (reason: string, start: DrawnPose, working: DrawnPose, view?: 'front'): SettledMechanics => ({
  type: 'drawn',
  reason,
  start,
  working,
  ...(view ? { view } : {}),
});
const load = (fractionOfBodyMass: number, per: 'total' | 'hand' = 'total') => ({ fractionOfBodyMass, per });
const STAND: DrawnPose = { shankDeg: 0, thighDeg: 0, trunkDeg: 0 };

const work = (pattern: Pattern, list: Record<string, SettledMechanics>): Movement[] =>
  Object.entries(list).map(([name, mechanics]) => ({ name, pattern, role: 'work', mechanics }));
const prepare = (pattern: Pattern, list: Record<string, SettledMechanics>): Movement[] =>
  Object.entries(list).map(([name, mechanics]) => ({ name, pattern, role: 'prepare', mechanics }));

export const REPERTOIRE: readonly Movement[] = [
  ...work('squat', {
    'Sit to stand, hand on a support': squat({ thighDeg: 80, box: 'seated', shinLimitDeg: 10, pull: 'hand' }),
    'High box squat': squat({ thighDeg: 75, box: 'seated', shinLimitDeg: 10 }),
    'Box squat': squat({ thighDeg: 90, box: 'seated', shinLimitDeg: 10 }),
    'Touch-and-go box squat': squat({ box: 'touched', shinLimitDeg: 25 }),
    'Facing-wall squat': squat({ thighDeg: 80, hands: 'at the sides', wall: 'in front' }),
    'Strap squat': squat({ thighDeg: 95, pull: 'strap' }),
    'Bodyweight squat': squat(),
    'Bodyweight squat, deep': squat({ thighDeg: 115 }),
    'Squat with band round the knees': squat({ loadPlace: 'round the knees' }),
    'Heels on a wedge': squat({ thighDeg: 105, heelWedgeDeg: 10 }),
    'Counterweight squat': squat({ loadPlace: 'arms out in front', referenceLoad: load(0.066) }),
    'Goblet squat': squat({ loadPlace: 'at the chest', referenceLoad: load(0.21), thighDeg: 100 }),
    'Wide squat': squat({ spreadDeg: 35, hands: 'crossed' }),
    'Wide squat, bell between the feet': squat({
      spreadDeg: 35,
      loadPlace: 'between the legs',
      referenceLoad: load(0.3),
    }),
    'Front squat': squat({ loadPlace: 'front of shoulders', referenceLoad: load(0.66) }),
    'Back squat, bar high': squat({ loadPlace: 'across the shoulders, high', referenceLoad: load(0.8) }),
    'Back squat, bar low': squat({ loadPlace: 'across the shoulders, low', referenceLoad: load(0.8) }),
    'Back squat to a box': squat({
      loadPlace: 'across the shoulders, low',
      referenceLoad: load(0.8),
      box: 'touched',
      shinLimitDeg: 20,
    }),
    'One-leg squat to a box': squat({ legs: 1, thighDeg: 75, box: 'touched' }),
    'One-leg squat': squat({ legs: 1, thighDeg: 90 }),
    'Lateral shift in a wide stance': squat({ sidewaysShare: 0.7, hands: 'crossed', thighDeg: 80 }),
    'Over and across a dome': drawn(
      'Stepping sideways over a dome is movement across the side view.',
      { ...STAND, thighDeg: 12, shankDeg: 4 },
      {
        ...STAND,
        thighDeg: 40,
        shankDeg: -12,
        other: { thighDeg: 18, shankDeg: 14 },
        arms: { upperDeg: 40, foreDeg: 60 },
      },
      'front',
    ),
  }),
  ...work('lunge', {
    'Split squat, hand on a pole': lunge({ touch: true }),
    'Split squat': lunge(),
    'Split squat, knee at a wall': lunge({ wall: 'in front', stepOfRightAngleStep: 0.95 }),
    'Goblet split squat': lunge({ loadPlace: 'at the chest', referenceLoad: load(0.2) }),
    'Split squat, dumbbells': lunge({ loadPlace: 'at the sides', referenceLoad: load(0.15, 'hand') }),
    'Reverse lunge': lunge({
      stepOfRightAngleStep: 0.95,
      frontShankDeg: 8,
      trunkDeg: 15,
      dynamics: 'reverse',
    }),
    'Forward lunge': lunge({
      stepOfRightAngleStep: 0.95,
      frontShankDeg: 12,
      trunkDeg: 10,
      dynamics: 'forward',
    }),
    'Walking lunge, dumbbells': lunge({
      dynamics: 'forward',
      loadPlace: 'at the sides',
      referenceLoad: load(0.12, 'hand'),
    }),
    'Long lunge for the hips': lunge({ stepOfRightAngleStep: 1.1, frontShankDeg: -5, trunkDeg: 10 }),
    'Inclined-trunk lunge': lunge({
      stepOfRightAngleStep: 1,
      frontShankDeg: 5,
      trunkDeg: 38,
      dynamics: 'reverse',
    }),
    'Rear foot raised': lunge({
      stepOfRightAngleStep: 0.9,
      frontShankDeg: 15,
      trunkDeg: 20,
      rearFootRaisedM: 0.4,
    }),
    'Rear foot raised, dumbbells': lunge({
      stepOfRightAngleStep: 0.9,
      frontShankDeg: 15,
      trunkDeg: 20,
      rearFootRaisedM: 0.4,
      loadPlace: 'at the sides',
      referenceLoad: load(0.15, 'hand'),
    }),
    'Deficit reverse lunge': lunge({
      frontFootRaisedM: 0.12,
      stepOfRightAngleStep: 1,
      frontShankDeg: 10,
      frontThighDeg: 98,
      trunkDeg: 15,
      dynamics: 'reverse',
    }),
    'Bar on the back, split': lunge({
      loadPlace: 'across the shoulders, high',
      referenceLoad: load(0.5),
      trunkDeg: 8,
    }),
    'Low step-up': squat({ legs: 1, stepUpM: 0.25, hands: 'at the sides' }),
    'High step-up, dumbbells': squat({
      legs: 1,
      stepUpM: 0.4,
      hands: 'at the sides',
      loadPlace: 'at the sides',
      referenceLoad: load(0.1, 'hand'),
    }),
    'Side lunge': squat({ sidewaysShare: 0.8, hands: 'crossed', thighDeg: 85 }),
    'Side lunge, bell': squat({
      sidewaysShare: 0.8,
      thighDeg: 85,
      loadPlace: 'at the chest',
      referenceLoad: load(0.15),
    }),
    'Crossed lunge': drawn(
      'The rear leg crosses behind: the side view cannot carry it.',
      STAND,
      {
        shankDeg: -12,
        thighDeg: 22,
        trunkDeg: 0,
        other: { thighDeg: -20, shankDeg: -55 },
        arms: { upperDeg: 35, foreDeg: -40 },
      },
      'front',
    ),
    'Jumping lunge': drawn(
      'A jump is movement, not a posture.',
      {
        shankDeg: 5,
        thighDeg: 85,
        trunkDeg: 10,
        other: { thighDeg: 0, shankDeg: 85 },
        arms: { upperDeg: -30, foreDeg: 40 },
      },
      {
        shankDeg: -10,
        thighDeg: 40,
        trunkDeg: 5,
        other: { thighDeg: -25, shankDeg: 40 },
        arms: { upperDeg: 60, foreDeg: 100 },
        airborne: 0.16,
      },
    ),
  }),
  ...work('hinge', {
    'Stick hinge': hinge({ hands: 'stick along the back' }),
    'Wall-touch hinge': hinge({ trunkDeg: 60, hands: 'crossed', wall: 'behind' }),
    'Romanian lift, empty hands': hinge({ hands: 'at the sides' }),
    'Romanian lift, dumbbells': hinge({ loadPlace: 'at the sides', referenceLoad: load(0.2, 'hand') }),
    'Romanian lift, bar': hinge({ loadPlace: 'in front of the legs', referenceLoad: load(0.67) }),
    'Dumbbells from the floor': {
      type: 'lift',
      fromHeightM: 0.2,
      implement: 'at the sides',
      referenceLoad: load(0.25, 'hand'),
    },
    'Bar from the floor': {
      type: 'lift',
      fromHeightM: 0.225,
      implement: 'straight bar',
      referenceLoad: load(1),
    },
    'Bar from blocks': {
      type: 'lift',
      fromHeightM: 0.38,
      implement: 'straight bar',
      referenceLoad: load(1),
    },
    'Good morning, stick': hinge({
      loadPlace: 'across the shoulders, high',
      referenceLoad: load(0.01),
      loadLook: 'stick',
    }),
    'Good morning, bar': hinge({ loadPlace: 'across the shoulders, high', referenceLoad: load(0.4) }),
    'One-leg Romanian, toe down': hinge({
      legs: 1,
      kickstand: true,
      loadPlace: 'in front of the legs',
      loadPath: 'hanging',
      loadLook: 'bell',
      referenceLoad: load(0.15),
    }),
    'One-leg Romanian': hinge({ legs: 1, trunkDeg: 75 }),
    'One-leg Romanian, bell': hinge({
      legs: 1,
      trunkDeg: 75,
      loadPlace: 'between the legs',
      loadPath: 'hanging',
      referenceLoad: load(0.2),
    }),
    'Kettlebell swing': hinge({
      trunkDeg: 60,
      loadPlace: 'between the legs',
      loadPath: 'beside',
      referenceLoad: load(0.25),
    }),
    'Hip extension, level bench': { type: 'extension', bench: 'level', hands: 'crossed' },
    'Hip extension, behind the ears': { type: 'extension', bench: 'inclined', hands: 'behind the ears' },
    'Hip extension, weight on the chest': {
      type: 'extension',
      bench: 'inclined',
      hands: 'crossed',
      referenceLoad: load(0.15),
    },
    'Broad jump': drawn(
      'A jump is movement, not a posture.',
      { shankDeg: 25, thighDeg: 60, trunkDeg: 50, arms: { upperDeg: -50, foreDeg: -40 } },
      { shankDeg: 35, thighDeg: -12, trunkDeg: 20, arms: { upperDeg: 140, foreDeg: 150 }, airborne: 0.1 },
    ),
    'Standing hip extension': drawn(
      'The machine carries the trunk; only the moving leg works.',
      { ...STAND, trunkDeg: 10, other: { thighDeg: 35, shankDeg: -10 }, arms: { upperDeg: 60, foreDeg: 90 } },
      { ...STAND, trunkDeg: 12, other: { thighDeg: -25, shankDeg: 30 }, arms: { upperDeg: 60, foreDeg: 90 } },
    ),
  }),
  ...work('bridge', {
    'Floor lift': bridge(),
    'Floor hold': bridge({ hold: true }),
    'Lift, band round the knees': bridge({ loadPlace: 'round the knees' }),
    'Feet farther': bridge({ feetFartherDeg: 25 }),
    'One-leg lift': bridge({ legs: 1 }),
    'Feet on a step': bridge({ feetRaisedM: 0.3, feetOn: 'step' }),
    'Feet on a ball': bridge({ feetRaisedM: 0.5, feetOn: 'ball', feetFartherDeg: 60 }),
    'Thrust, bodyweight': bridge({ bench: 'fitted' }),
    'Thrust, dumbbell': bridge({
      bench: 'fitted',
      loadPlace: 'hip crease',
      referenceLoad: load(0.25),
      loadLook: 'dumbbell',
    }),
    'Thrust, bar': bridge({ bench: 'fitted', loadPlace: 'hip crease', referenceLoad: load(0.8) }),
    'One-leg thrust': bridge({ bench: 'fitted', legs: 1 }),
    'Leg curl on rollers': drawn(
      'The heels travel under the hips: the model keeps the feet still.',
      {
        shankDeg: -80,
        thighDeg: 88,
        trunkDeg: -100,
        arms: { upperDeg: 82, foreDeg: 84 },
      },
      { shankDeg: -14, thighDeg: 118, trunkDeg: -122, arms: { upperDeg: 68, foreDeg: 84 } },
    ),
  }),
  ...prepare('bridge', {
    'Lying clam': drawn(
      'Lying on the side: the knee opens across the side view.',
      {
        shankDeg: -88,
        thighDeg: 92,
        trunkDeg: -88,
        arms: { upperDeg: 78, foreDeg: 88 },
        otherArm: { upperDeg: -95, foreDeg: -95 },
      },
      {
        shankDeg: -62,
        thighDeg: 124,
        trunkDeg: -88,
        other: { thighDeg: 92, shankDeg: -88 },
        arms: { upperDeg: 78, foreDeg: 88 },
        otherArm: { upperDeg: -95, foreDeg: -95 },
      },
    ),
    'Prone bent-knee lift': drawn(
      'A lift of a few centimetres lying on the front.',
      {
        shankDeg: 180,
        thighDeg: -90,
        trunkDeg: 90,
        other: { thighDeg: -90, shankDeg: 90 },
        arms: { upperDeg: 80, foreDeg: 95 },
      },
      {
        shankDeg: 190,
        thighDeg: -101,
        trunkDeg: 90,
        other: { thighDeg: -90, shankDeg: 90 },
        arms: { upperDeg: 80, foreDeg: 95 },
      },
    ),
    'Side bridge': drawn(
      'Held on the side: outside the side view.',
      {
        shankDeg: 84,
        thighDeg: 84,
        trunkDeg: -66,
        other: { shankDeg: -84, thighDeg: -84 },
        arms: { upperDeg: 75, foreDeg: 60 },
        otherArm: { upperDeg: 0, foreDeg: 80 },
      },
      {
        shankDeg: 79,
        thighDeg: 79,
        trunkDeg: -78,
        other: { shankDeg: -79, thighDeg: -79 },
        arms: { upperDeg: 170, foreDeg: 175 },
        otherArm: { upperDeg: 0, foreDeg: 80 },
      },
      'front',
    ),
  }),
  ...prepare('squat', {
    'Deep squat sit': squat({ thighDeg: 120, hands: 'forward' }),
    'Lateral band walk': drawn(
      'Steps to the side: across the side view.',
      { shankDeg: -4, thighDeg: 12, trunkDeg: 0, arms: { upperDeg: 30, foreDeg: -45 } },
      {
        shankDeg: -2,
        thighDeg: 26,
        trunkDeg: 0,
        other: { thighDeg: 10, shankDeg: -2 },
        arms: { upperDeg: 30, foreDeg: -45 },
      },
      'front',
    ),
  }),
  ...prepare('hinge', {
    'Half-kneeling hip shift': drawn(
      'Kneeling on one knee, without load to compute.',
      {
        shankDeg: -2,
        thighDeg: 82,
        trunkDeg: -2,
        other: { thighDeg: 8, shankDeg: 88 },
        arms: { upperDeg: 20, foreDeg: 60 },
      },
      {
        shankDeg: 14,
        thighDeg: 74,
        trunkDeg: 0,
        other: { thighDeg: -18, shankDeg: 88 },
        arms: { upperDeg: 20, foreDeg: 60 },
      },
    ),
    'Heel-forward hamstring': drawn(
      'A stretch held, without load to compute.',
      {
        shankDeg: 6,
        thighDeg: 10,
        trunkDeg: 10,
        other: { thighDeg: 30, shankDeg: -30 },
        arms: { upperDeg: 30, foreDeg: 40 },
      },
      {
        shankDeg: 2,
        thighDeg: 32,
        trunkDeg: 55,
        other: { thighDeg: 42, shankDeg: -42 },
        arms: { upperDeg: 20, foreDeg: 40 },
      },
    ),
  }),
  ...prepare('lunge', {
    'Toes-tucked kneel, sit back': drawn(
      'A stretch held in kneeling.',
      { shankDeg: 80, thighDeg: 0, trunkDeg: 0 },
      { shankDeg: 80, thighDeg: 80, trunkDeg: 12, arms: { upperDeg: 30, foreDeg: 30 } },
    ),
    'Standing quadriceps': drawn('A stretch held on one leg.', STAND, {
      ...STAND,
      other: { thighDeg: -6, shankDeg: 150 },
      otherArm: { upperDeg: -20, foreDeg: -10 },
    }),
  }),
];

/** Movements of which something is computed. */
export const COMPUTED = REPERTOIRE.filter((m) => m.mechanics.type !== 'drawn');

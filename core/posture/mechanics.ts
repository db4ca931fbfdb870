import type { LoadPlace, RuledNumber } from '../terms/index.ts';

/** Load used for the figure and the demand: a fraction of body mass, in all or in each hand. */
export interface ReferenceLoad {
  fractionOfBodyMass: number;
  per: 'total' | 'hand';
}

export const LOAD_LOOKS = ['bag', 'bar', 'bell', 'dumbbell', 'plate', 'stick'] as const;
export type LoadLook = (typeof LOAD_LOOKS)[number];

interface Loaded {
  loadPlace: LoadPlace;
  referenceLoad?: ReferenceLoad;
  /** How the load is drawn; absent: what usually sits in that place. */
  loadLook?: LoadLook;
}

/** Where the hands are when they carry nothing. */
export const FREE_HANDS = [
  'at the sides',
  'forward',
  'crossed',
  'behind the ears',
  'on the hips',
  'on the floor',
  'stick along the back',
] as const;
export type FreeHands = (typeof FREE_HANDS)[number];

/** A wall that the movement is learnt at; it is drawn, and carries nothing. */
export const WALLS = ['in front', 'behind'] as const;
export type Wall = (typeof WALLS)[number];

export interface SquatMechanics extends Loaded {
  type: 'squat';
  legs: 1 | 2;
  /** Thigh from the vertical at the bottom; 90 is thigh level. */
  thighDeg: RuledNumber;
  hands: FreeHands;
  /** Load at the chest: held away from it by the thickness of a bell, or hugged. */
  chestHold?: 'goblet' | 'hugged';
  /** Shank limit of the house rule, from the vertical; absent: only the ankle limits it. */
  shinLimitDeg?: RuledNumber;
  /** How far the knee may pass the toe; absent: as far as the ankle lets it. */
  kneePastToeM?: RuledNumber;
  /** Centre of pressure as a share of foot length from the heel; absent: the model's middle of the foot. */
  footPressure?: RuledNumber;
  heelWedgeDeg?: number;
  box?: 'seated' | 'touched';
  pull?: 'strap' | 'hand';
  /** Leg spread from the sagittal plane; a stated approximation for wide stances. */
  spreadDeg?: number;
  /** A step to the side: the bent leg carries this share of the weight; a stated approximation. */
  sidewaysShare?: number;
  stepUpM?: number;
  wall?: Wall;
}

export interface HingeMechanics extends Loaded {
  type: 'hinge';
  legs: 1 | 2;
  trunkDeg: RuledNumber;
  kneeDeg: RuledNumber;
  hands: FreeHands;
  loadPath?: 'hanging' | 'close' | 'beside' | 'held back';
  footPressure?: RuledNumber;
  kickstand?: boolean;
  /** A hand steadies itself on a wall or something at the side; it carries nothing. */
  touch?: boolean;
  /** Swung rather than lowered: what is asked is more than standing still asks. */
  fast?: boolean;
  wall?: Wall;
}

export interface LiftMechanics {
  type: 'lift';
  fromHeightM: number;
  implement: 'straight bar' | 'at the sides';
  referenceLoad: ReferenceLoad;
}

export interface BridgeMechanics extends Loaded {
  type: 'bridge';
  legs: 1 | 2;
  /** Absent: lying on the floor. 'fitted': the height that gives a level top with a vertical shin. */
  bench?: 'fitted' | { heightM: number };
  feetRaisedM?: number;
  /** What the feet stand on when raised. */
  feetOn?: 'step' | 'ball';
  /** Lean of the shank towards the head at the top; 0 is vertical. */
  feetFartherDeg: RuledNumber;
  /** Level push of the feet as a share of the load on them, + towards the head; statics leaves it open. */
  pushToHead?: RuledNumber;
  hold: boolean;
}

export interface LungeMechanics extends Loaded {
  type: 'lunge';
  /** Step heel to heel as a multiple of the step that gives 90° at both knees. */
  stepOfRightAngleStep: number;
  frontShankDeg: number;
  /** Front thigh from the vertical at the bottom; absent: level. */
  frontThighDeg?: RuledNumber;
  trunkDeg: RuledNumber;
  rearFootRaisedM?: number;
  /** What the front foot stands on. */
  frontFootRaisedM?: number;
  /** Share of the weight asked of the front foot; absent: what the posture gives. */
  frontShare?: RuledNumber;
  dynamics: 'static' | 'reverse' | 'forward';
  hands?: FreeHands;
  /** A hand only touches something at its side; it carries nothing. */
  touch?: boolean;
  wall?: Wall;
}

export interface ExtensionMechanics {
  type: 'extension';
  bench: 'level' | 'inclined';
  hands: FreeHands;
  referenceLoad?: ReferenceLoad;
}

/** Joint angles only, for movements that the sagittal model does not cover; the reason says why. */
export interface DrawnMechanics {
  type: 'drawn';
  reason: string;
  /** Seen from the side unless said; from the front, thigh and shank open outward and arms spread. */
  view?: 'front';
  start: DrawnPose;
  working: DrawnPose;
}

/** Degrees from the vertical as in the model: shank forward, thigh behind the knee, trunk forward. */
export interface JointAngles {
  shankDeg: number;
  thighDeg: number;
  trunkDeg: number;
}

export interface DrawnPose extends JointAngles {
  /** The other leg where it differs. */
  other?: { shankDeg: number; thighDeg: number };
  /** Upper arm and forearm from hanging down, + forward; absent: hanging. */
  arms?: { upperDeg: number; foreDeg: number };
  /** The other arm where it differs. */
  otherArm?: { upperDeg: number; foreDeg: number };
  /** Lifted off the floor by this share of stature, as in a jump. */
  airborne?: number;
}

export type Mechanics =
  | SquatMechanics
  | HingeMechanics
  | LiftMechanics
  | BridgeMechanics
  | LungeMechanics
  | ExtensionMechanics
  | DrawnMechanics;

/** The same with every number that depends on a house answer settled. */
type Settled<M> = { [K in keyof M]: RuledNumber extends M[K] ? Exclude<M[K], RuledNumber> | number : M[K] };
export type SettledMechanics = Mechanics extends infer M ? (M extends Mechanics ? Settled<M> : never) : never;
export type SettledOf<T extends Mechanics['type']> = Extract<SettledMechanics, { type: T }>;

/** Puts a number for every ruled number that is a member of the object. */
export function settleMembers(
  object: object,
  number: (ruled: RuledNumber) => number,
): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(object).map(([key, value]: [string, unknown]) => [
      key,
      value !== null && typeof value === 'object' && 'byAnswer' in value
        ? number(value as RuledNumber)
        : value,
    ]),
  );
}

/** Puts a number for every ruled number of a mechanics block. */
export const settleMechanics = (
  mechanics: Mechanics,
  number: (ruled: RuledNumber) => number,
): SettledMechanics => settleMembers(mechanics, number) as unknown as SettledMechanics;

/** The members of a block that may follow a house answer, with their words. */
export const RULED_MEMBERS: { [T in Mechanics['type']]: Readonly<Record<string, string>> } = {
  squat: {
    thighDeg: 'Depth: thigh',
    shinLimitDeg: 'Shin rule',
    kneePastToeM: 'Knee past toe',
    footPressure: 'Foot pressure',
  },
  hinge: { trunkDeg: 'Lean', kneeDeg: 'Knees give', footPressure: 'Foot pressure' },
  bridge: { feetFartherDeg: 'Feet: shin at the top', pushToHead: 'Push along the floor' },
  lunge: { trunkDeg: 'Lean', frontThighDeg: 'Depth: front thigh', frontShare: 'Share in front' },
  lift: {},
  extension: {},
  drawn: {},
};

/** The answer that is shown to each house question; none: the number that stands otherwise. */
export type Shown = Readonly<Record<string, string>>;

const numberUnder = (n: RuledNumber, shown: Shown): number =>
  typeof n === 'number' ? n : (n.byAnswer[shown[n.question] ?? ''] ?? n.otherwise);

export const settledUnder = (mechanics: Mechanics, shown: Shown): SettledMechanics =>
  settleMechanics(mechanics, (n) => numberUnder(n, shown));

/** The same with no hall to ask: every ruled number at what it is otherwise. */
export const settledAlone = (mechanics: Mechanics): SettledMechanics => settledUnder(mechanics, {});

/**
 * A settled block put back under the rules of the block it came from: a number that was changed is the one under the
 * answer that is shown, and what was not changed keeps its rule. A rule is not lost with the member that a slider took
 * away: the other answers have their numbers in it.
 */
export function ruledAgain(before: Mechanics, shown: Shown, after: SettledMechanics): Mechanics {
  if (before.type !== after.type) return after;
  const now = after as unknown as Record<string, unknown>;
  const ruled = Object.entries(before as unknown as Record<string, RuledNumber>).flatMap(([key, n]) => {
    if (typeof n !== 'object' || !('byAnswer' in n)) return [];
    const value = now[key] as number | undefined;
    if (value === undefined || numberUnder(n, shown) === value) return [[key, n] as const];
    const answer = shown[n.question];
    return [
      [
        key,
        answer === undefined
          ? { ...n, otherwise: value }
          : { ...n, byAnswer: { ...n.byAnswer, [answer]: value } },
      ] as const,
    ];
  });
  return { ...after, ...Object.fromEntries(ruled) };
}
